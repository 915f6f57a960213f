# ./yew run: database, build, application. Sourced by ./yew.

app_pid=
bank_pid=

end_run() {
  trap - EXIT INT TERM
  if [ -n "$bank_pid" ]; then
    kill "$bank_pid" 2>/dev/null || true
    wait "$bank_pid" 2>/dev/null || true
  fi
  if [ -n "$app_pid" ]; then
    kill "$app_pid" 2>/dev/null || true
    wait "$app_pid" 2>/dev/null || true
    rm -f "$yew_dir/app.pid"
    say "ended"
  fi
  pg_stop
}

yew_run() {
  local reset= port=${YEW_PORT:-8420} bank_port=${YEW_BANK_PORT:-8421}
  case ${1:-} in
    '') ;;
    --reset) reset=yes ;;
    *) fail "run knows --reset only, not '$1'" ;;
  esac
  # The kernel gives the lock back when its holder ends, however that was: it cannot be stale.
  exec 9>"$yew_dir/run.lock"
  flock -n 9 || fail "Yew Ledger already runs from this folder; end it there with Ctrl-C"
  end_what_was_left
  port_is_free "$port" || fail "port $port is in use by another program; end that, or set YEW_PORT to another port"
  port_is_free "$bank_port" || fail "port $bank_port is in use by another program; end that, or set YEW_BANK_PORT to another port"
  need_tools postgresql
  is_there libheif-examples || say "HEIC pictures are kept, but not shown until libheif-examples is installed"
  trap end_run EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM

  build_if_changed 9>&-
  say "starting the database"
  pg_start db 9>&-
  if [ -n "$reset" ]; then
    say "starting the demo afresh"
    pg_drop_database yew
    pg_make_database yew
    rm -f "$yew_dir/bank-consents.json"
  fi
  prepare_quick_start 9>&-
  start_banks "$bank_port" 9>&-
  start_app "$port" "$bank_port" 9>&-
  cat >&2 <<TEXT

  Yew Ledger runs on http://127.0.0.1:$port
  Sign in as wren@aldercott.example with the password saltmarsh
  September's statement files are in samples/.
  The stand-in banks run on http://127.0.0.1:$bank_port: their phone and their faults.
  Ctrl-C ends all.

TEXT
  watch_run
}

# Until the application ends. A database that has ended meanwhile is started again; the application finds it by itself.
watch_run() {
  while kill -0 "$app_pid" 2>/dev/null; do
    if ! pg_is_running; then
      say "the database has ended; starting it again. What was being written is either there or not, never in between."
      pg_launch 9>&-
      say "the database runs again"
    fi
    sleep 2
  done
  say "the application has ended; see $yew_dir/app.log"
  wait "$app_pid"
}

# What a script has started goes on by itself when that is killed. It is ours, so it can be ended.
end_what_was_left() {
  local left file
  for file in "$yew_dir/app.pid" "$yew_dir/bank.pid"; do
    left=$(cat "$file" 2>/dev/null) || continue
    if [ "$(readlink "/proc/$left/cwd" 2>/dev/null)" = "$yew_dir/app" ]; then
      say "ending what an earlier run left behind"
      kill "$left" 2>/dev/null || true
      tail --pid="$left" -f /dev/null
    fi
    rm -f "$file"
  done
}

# The stand-in banks start beside the application and need not be waited for.
start_banks() { # PORT
  cd "$yew_dir/app"
  YEW_BANK_PORT=$1 YEW_BANK_CONSENTS=$yew_dir/bank-consents.json \
    "$JAVA_HOME/bin/java" -Xmx192m -jar bank.jar >"$yew_dir/bank.log" 2>&1 &
  bank_pid=$!
  echo "$bank_pid" >"$yew_dir/bank.pid"
  cd "$root"
}

is_ready() { # PORT
  local status
  (
    exec 3<>"/dev/tcp/127.0.0.1/$1" || exit 1
    printf 'GET /actuator/health/readiness HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&3
    IFS= read -r -t 10 status <&3 && [[ $status == *" 200"* ]]
  ) 2>/dev/null
}

start_app() { # PORT BANK_PORT
  say "starting the application"
  local quick=
  [ -f "$yew_dir/app/yew.aot" ] && quick="-XX:AOTCache=$yew_dir/app/yew.aot"
  cd "$yew_dir/app"
  YEW_BACKUP_FOLDER=${YEW_BACKUP_FOLDER:-$yew_dir/backups} YEW_PG_DUMP=$pg_bin/pg_dump \
    YEW_EXPORT_FOLDER=${YEW_EXPORT_FOLDER:-$yew_dir/exports} \
    YEW_DEMO=true YEW_PORT=$1 YEW_BANK_URL=http://127.0.0.1:$2 "$JAVA_HOME/bin/java" $quick -Xmx640m -jar yew.jar >"$yew_dir/app.log" 2>&1 &
  app_pid=$!
  echo "$app_pid" >"$yew_dir/app.pid"
  cd "$root"
  local seconds=0
  until is_ready "$1"; do
    kill -0 "$app_pid" 2>/dev/null || fail "the application did not start; see $yew_dir/app.log"
    [ "$seconds" -lt 180 ] || fail "the application did not answer within 3 minutes; see $yew_dir/app.log"
    sleep 1
    seconds=$((seconds + 1))
    [ $((seconds % 10)) = 0 ] && say "  still starting, $seconds s"
  done
  return 0
}
