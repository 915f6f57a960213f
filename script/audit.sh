# ./yew audit: checks the books by SQL alone, as the owner of the tables. Sourced by ./yew.

yew_audit() {
  find_postgres || fail "PostgreSQL was not found below /usr/lib/postgresql"
  pg_choose_dir db
  [ -f "$pg_dir/ready" ] || fail "there are no books yet; ./yew run makes them"
  # A database that already runs is left running.
  local started=
  if ! pg_is_running; then started=yes; trap pg_stop EXIT; fi
  pg_start db
  [ -n "$started" ] || pg_started=
  PGPASSWORD=$YEW_DB_OWNER_PASSWORD "$pg_bin/psql" -h 127.0.0.1 -p "$pg_port" -U yew_owner -d yew -X -q \
    -v ON_ERROR_STOP=1 -f "$root/script/audit.sql"
}
