# ./yew bench [NAME]: figures of the running application, each beside a baseline of the same run. Sourced by ./yew.

yew_bench() {
  case ${1:-} in
    scroll) yew_bench_browser Scrolling; return ;;
    paint) yew_bench_browser Painting; return ;;
    quality) yew_bench_quality; return ;;
  esac
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

# What a person sees is measured in a real browser, with the browser tests' own application.
yew_bench_browser() {
  need_tools postgresql chromium-headless-shell
  trap pg_stop EXIT
  pg_start test-db test
  export_test_databases
  mvn -B -ntp -Dstyle.color=never -q -pl e2e -am install -DskipTests -Dyew.skipChecks=true
  mvn -B -ntp -Dstyle.color=never -pl e2e surefire:test -Dtest=$1 | grep '^figure'
}

# How often proposals are right, over a labelled year of two households: a test of the core that tells its figures.
yew_bench_quality() {
  need_tools postgresql
  mvn -B -ntp -Dstyle.color=never -pl core test -Dtest=ProposalQualityTest -Dyew.skipChecks=true | grep '^figure'
}
