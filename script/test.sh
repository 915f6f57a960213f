# ./yew test: everything that is checked, and one closing line. Sourced by ./yew.

yew_test() {
  need_tools postgresql chromium-headless-shell libheif-examples nginx-light
  rm -rf ./*/target/surefire-reports
  trap pg_stop EXIT
  pg_start test-db test
  export_test_databases
  local build=0
  build_and_check && run_suites || build=$?
  report "$build"
}

build_and_check() {
  mvn -B -ntp -T 2 -Dstyle.color=never -fae install -DskipTests \
    && (cd e2e/validator && node ../../ui/scripts/install-if-changed.mjs)
}

# The browser tests wait for pages and answers half of their time: the other suites run meanwhile.
run_suites() {
  local browser others suites=0 browsing=0
  others=$(printf '%s\n' */src/test/java | cut -d/ -f1 | grep -v '^e2e$' | paste -sd,)
  mvn -B -ntp -Dstyle.color=never -pl e2e surefire:test >"$yew_dir/e2e.log" 2>&1 &
  browser=$!
  mvn -B -ntp -Dstyle.color=never -fae -pl "$others" surefire:test || suites=$?
  wait "$browser" || browsing=$?
  say "the browser tests:"
  cat "$yew_dir/e2e.log"
  # With the machine to themselves, since they take all of it: ten people at once, and what is killed in the middle.
  export_test_databases
  mvn -B -ntp -Dstyle.color=never -pl app surefire:test -Dtest=TenPeopleTest || suites=$?
  mvn -B -ntp -Dstyle.color=never -pl e2e surefire:test -Dtest=CrashTest || suites=$?
  mvn -B -ntp -Dstyle.color=never -pl e2e surefire:test -Dtest=TwoInstancesTest || suites=$?
  [ "$suites" = 0 ] && [ "$browsing" = 0 ]
}

# The suites get a database each, new for every run.
export_test_databases() {
  local name
  for name in yew_app_test_1 yew_app_test_2 yew_migration_test yew_e2e; do
    pg_drop_database $name
    pg_make_database $name
  done
  export YEW_TEST_DB_URL=jdbc:postgresql://127.0.0.1:$pg_port/yew_app_test YEW_TEST_DB_NAME=yew_app_test
  export YEW_E2E_DB_URL=jdbc:postgresql://127.0.0.1:$pg_port/yew_e2e
  export YEW_PSQL=$pg_bin/psql
}

# Adds up what surefire wrote. No tests at all, or a build that failed before them, is a failure too.
report() { # EXIT_CODE
  local totals passed failed skipped
  totals=$(cat ./*/target/surefire-reports/TEST-*.xml 2>/dev/null \
    | grep -o '<testsuite [^>]*>' \
    | awk '{ for (i = 1; i <= NF; i++) if (match($i, /^(tests|errors|skipped|failures)="[0-9]+"/)) { split($i, p, "\""); sub("=", "", p[1]); n[p[1]] += p[2] } }
           END { print n["tests"] + 0, n["errors"] + n["failures"], n["skipped"] + 0 }')
  read -r passed failed skipped <<<"$totals"
  passed=$((passed - failed - skipped))
  if [ "$1" != 0 ] && [ "$failed" = 0 ]; then
    say "the build or one of its checks failed; see above"
    failed=1
  elif [ "$passed" = 0 ]; then
    say "no test ran"
    failed=1
  fi
  printf '\n%s passed, %s failed, %s skipped\n' "$passed" "$failed" "$skipped"
  [ "$failed" = 0 ]
}

yew_screenshots() {
  need_tools postgresql chromium-headless-shell
  trap pg_stop EXIT
  pg_start test-db test
  export_test_databases
  mvn -B -ntp -Dstyle.color=never -q -pl e2e -am install -DskipTests -Dyew.skipChecks=true
  mvn -B -ntp -Dstyle.color=never -q -pl e2e surefire:test -Dtest=Screenshots -Dyew.screenshots="$root/docs/screenshots"
}
