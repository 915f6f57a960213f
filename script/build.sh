# Building the application when its sources changed. Sourced by ./yew.

# What the built application was made from: names, sizes and times of all sources.
sources_now() {
  find pom.xml core formats demo bank-simulator app ui -type f \
    -not -path '*/target/*' -not -path '*/node_modules/*' -not -path 'ui/dist/*' -not -path '*/src/test/*' \
    -printf '%p %s %T@\n' | sort | cksum
}

build_if_changed() {
  local now
  now=$(sources_now)
  if [ -f "$yew_dir/app/built" ] && [ "$(cat "$yew_dir/app/built")" = "$now" ]; then return 0; fi
  say "building; the first time, this fetches libraries and takes some minutes"
  rm -rf "$yew_dir/app"
  if ! mvn -B -ntp -Dstyle.color=never -pl app,bank-simulator -am package -DskipTests -Dyew.skipChecks=true 2>&1 | tee "$yew_dir/build.log" \
    | sed -un 's/^\[INFO\] Building \([a-z-]*\) .*\[\(.*\)\]$/yew:   \1 \2/p' >&2; then
    grep -m 5 '^\[ERROR\]' "$yew_dir/build.log" >&2 || true
    fail "the build failed; see $yew_dir/build.log"
  fi
  "$JAVA_HOME/bin/java" -Djarmode=tools -jar app/target/app-*-exec.jar extract --destination "$yew_dir/app" >/dev/null
  mv "$yew_dir"/app/app-*-exec.jar "$yew_dir/app/yew.jar"
  cp bank-simulator/target/bank-simulator-*-exec.jar "$yew_dir/app/bank.jar"
  # A file removed while building must not count as built.
  printf %s "$now" >"$yew_dir/app/built"
}

# Classes loaded and linked once are kept, so that later starts take a third of the time. The training
# run starts the application, with its database, up to where it would begin to serve.
prepare_quick_start() {
  [ -f "$yew_dir/app/yew.aot" ] && return 0
  say "preparing quick starts"
  (cd "$yew_dir/app" && YEW_DEMO=false "$JAVA_HOME/bin/java" -XX:AOTCacheOutput=yew.aot \
    -Dspring.context.exit=onRefresh -jar yew.jar >"$yew_dir/training.log" 2>&1) || say "not possible here; starts will be slower"
}

yew_format() {
  need_tools postgresql
  mvn -B -ntp -Dstyle.color=never -q spotless:apply
  (cd ui && npm run --silent deps && npm run --silent format)
}
