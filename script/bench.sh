# ./yew bench [NAME]: figures of the running application, each beside a baseline of the same run. Sourced by ./yew.

yew_bench() {
  need_tools postgresql
  trap pg_stop EXIT
  pg_start test-db test
  pg_drop_database yew_bench
  pg_make_database yew_bench
  export YEW_DB_URL=jdbc:postgresql://127.0.0.1:$pg_port/yew_bench YEW_PSQL=$pg_bin/psql YEW_JOBS=false
  mvn -B -ntp -Dstyle.color=never -q -pl bench -am install -DskipTests -Dyew.skipChecks=true
  mvn -B -ntp -Dstyle.color=never -q -pl bench exec:exec -Dexec.executable="$JAVA_HOME/bin/java" \
    -Dexec.args="-Xmx480m -classpath %classpath org.yewledger.bench.Bench $*"
}
