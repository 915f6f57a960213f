# ./yew backup FILE, ./yew restore FILE. Sourced by ./yew.
#
# What encrypts secrets, .yew/secret-key, is in no backup: without it, connections to banks and second factors have to
# be set up again.

# Starts the checkout's database, unless it runs; it is left as it was found.
with_database() { # [new]
  pg_choose_dir db
  [ -f "$pg_dir/ready" ] || [ "${1:-}" = new ] || fail "there are no books yet; ./yew run makes them"
  local started=
  if ! pg_is_running; then started=yes; fi
  pg_start db
  if [ -n "$started" ]; then trap pg_stop EXIT; else pg_started=; fi
}

# The application's own commands, on a database of the cluster.
app_command() { # DATABASE COMMAND ...
  local database=$1; shift
  YEW_DB_URL=jdbc:postgresql://127.0.0.1:${pg_port:-0}/$database YEW_PG_DUMP=$pg_bin/pg_dump \
    "$JAVA_HOME/bin/java" -Xmx256m -jar "$yew_dir/app/yew.jar" "$@"
}

full_path() { # FILE
  case $1 in /*) printf %s "$1" ;; *) printf %s "$called_from/$1" ;; esac
}

yew_backup() {
  [ $# = 1 ] || fail "say where to: ./yew backup FILE"
  local file
  file=$(full_path "$1")
  need_tools postgresql
  build_if_changed
  with_database
  app_command yew backup "$file" || fail "no backup was made"
  say "keep .yew/secret-key apart from it: it opens what is encrypted in the books"
}

yew_restore() {
  [ $# = 1 ] || fail "say which: ./yew restore FILE"
  local file dump log=$yew_dir/restore.log holds findings before
  file=$(full_path "$1")
  exec 9>"$yew_dir/run.lock"
  flock -n 9 || fail "Yew Ledger runs from this folder; end it first with Ctrl-C"
  end_what_was_left
  need_tools postgresql
  build_if_changed 9>&-
  with_database new 9>&-
  dump=$yew_dir/restored.dump
  # It holds the books of everybody.
  rm -f "$dump"
  (umask 077; : >"$dump")
  holds=$(app_command yew open-backup "$file" "$dump") || { rm -f "$dump"; fail "$holds The books are as they were."; }
  say "reading the backup of ${holds#* }"
  pg_drop_database yew_restored 2>/dev/null
  pg_make_database yew_restored
  PGPASSWORD=$pg_admin_password "$pg_bin/pg_restore" -h 127.0.0.1 -p "$pg_port" -U yew_admin -d yew_restored \
    --no-owner --role=yew_owner --exit-on-error "$dump" >"$log" 2>&1 || give_up "it could not be read into a database; see $log"
  say "bringing it up to this version"
  app_command yew_restored migrate >>"$log" 2>&1 || give_up "it could not be brought up to this version; see $log"
  say "checking the books from outside"
  findings=$(PGPASSWORD=$YEW_DB_OWNER_PASSWORD "$pg_bin/psql" -h 127.0.0.1 -p "$pg_port" -U yew_owner -d yew_restored -X -q \
    -v ON_ERROR_STOP=1 -f "$root/script/audit.sql" 2>&1) || give_up "its books could not be checked: $findings"
  printf '%s\n' "$findings" >>"$log"
  grep -qx '0 findings' <<<"$findings" || give_up "its books are not sound; see $log"
  [ "$(pg_admin yew_restored -Atqc "select count(*) from entry")" = "${holds%% *}" ] || give_up "entries of it are missing"
  if [ -n "$(pg_admin postgres -Atqc "select 1 from pg_database where datname = 'yew'")" ]; then
    before=yew_before_$(date -u +%Y%m%d_%H%M%S)
    pg_admin postgres -qc "alter database yew rename to $before"
    say "what was there before is kept as the database $before"
  fi
  pg_admin postgres -qc "alter database yew_restored rename to yew"
  rm -f "$dump"
  say "the books are those of ${holds#* }, ${holds%% *} entries; 0 findings"
}

give_up() { # WORDS
  pg_drop_database yew_restored
  rm -f "$yew_dir/restored.dump"
  fail "the backup is not put back: $1. The books are as they were."
}
