# ./yew bench [NAME]: figures of the running application, each beside a baseline of the same run. Sourced by ./yew.

yew_bench() {
  if [ "${1:-}" = scroll ]; then yew_bench_scroll; return; fi
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

# Scrolling is measured in a real browser, with the browser tests' own application.
yew_bench_scroll() {
  need_tools postgresql chromium
  trap pg_stop EXIT
  pg_start test-db test
  export_test_databases
  mvn -B -ntp -Dstyle.color=never -q -pl e2e -am install -DskipTests -Dyew.skipChecks=true
  mvn -B -ntp -Dstyle.color=never -pl e2e surefire:test -Dtest=Scrolling | grep '^figure'
}
