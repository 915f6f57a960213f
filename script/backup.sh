# ./yew backup FILE, ./yew restore FILE. Sourced by ./yew.
#
# A backup is a tar file of two: `backup` says in lines of key=value what it is, `books.dump` is the whole database as
# pg_dump's own format has it, attachments with it. What encrypts secrets, .yew/secret-key, is not in it: without it
# connections to banks and second factors have to be set up again.

backup_format=1

# The newest migration that this version knows.
newest_migration() {
  ls "$root"/app/src/main/resources/db/migration/V*__*.sql | sed 's|.*/V\([0-9]*\)__.*|\1|' | sort -n | tail -1
}

# Starts the checkout's database, unless it runs; it is left as it was found.
with_database() {
  find_postgres || fail "PostgreSQL was not found below /usr/lib/postgresql"
  pg_choose_dir db
  [ -f "$pg_dir/ready" ] || [ "${1:-}" = new ] || fail "there are no books yet; ./yew run makes them"
  local started=
  if ! pg_is_running; then started=yes; fi
  pg_start db
  if [ -n "$started" ]; then trap pg_stop EXIT; else pg_started=; fi
}

pg_tool() { # TOOL arguments
  local tool=$1; shift
  PGPASSWORD=$pg_admin_password "$pg_bin/$tool" -h 127.0.0.1 -p "$pg_port" -U yew_admin "$@"
}

yew_backup() {
  [ $# = 1 ] || fail "say where to: ./yew backup FILE"
  local file=$1 work dump
  case $file in /*) ;; *) file=$PWD/$file ;; esac
  [ ! -e "$file" ] || fail "$file is there already; nothing was written. Choose another name"
  [ -d "$(dirname "$file")" ] && [ -w "$(dirname "$file")" ] || fail "$(dirname "$file") is no folder that can be written to"
  with_database
  work=$(mktemp -d "$yew_dir/backup.XXXXXX")
  dump=$work/books.dump
  say "reading the books"
  if ! pg_tool pg_dump -d yew -Fc -Z 6 >"$dump" 2>"$work/log"; then
    tail -3 "$work/log" >&2
    rm -rf "$work"
    fail "the books could not be read; nothing was written"
  fi
  {
    echo "format=$backup_format"
    echo "made=$(date -u +%Y-%m-%dT%H:%M:%SZ)"
    echo "migration=$(pg_admin yew -Atqc "select max(version::int) from flyway_schema_history where success and version is not null")"
    echo "households=$(pg_admin yew -Atqc "select count(*) from household")"
    echo "entries=$(pg_admin yew -Atqc "select count(*) from entry")"
    echo "bytes=$(stat -c %s "$dump")"
    echo "sha256=$(sha256sum <"$dump" | cut -d' ' -f1)"
  } >"$work/backup"
  # A file under its own name is a whole one.
  if ! tar -C "$work" -cf "$file.part" backup books.dump || ! sync "$file.part" || ! mv "$file.part" "$file"; then
    rm -rf "$work" "$file.part"
    fail "$file could not be written; is there room for it?"
  fi
  rm -rf "$work"
  say "$file holds the books as they are now, $(stat -c %s "$file") bytes"
  say "keep .yew/secret-key apart from it: it opens what is encrypted in the books"
}

told() { sed -n "s/^$2=//p" "$1" | head -1; } # FILE KEY

# Unpacks FILE into the folder WORK and says why if it is not whole, or not for this version.
open_backup() { # FILE WORK
  local file=$1 work=$2 newest
  [ -f "$file" ] || refuse "$work" "there is no file $file"
  tar -C "$work" -xf "$file" backup books.dump 2>/dev/null \
    || refuse "$work" "$file is no backup, or is cut short; the books are as they were"
  [ "$(told "$work/backup" format)" = "$backup_format" ] \
    || refuse "$work" "$file is of format $(told "$work/backup" format), which this version does not know; the books are as they were"
  [ "$(stat -c %s "$work/books.dump")" = "$(told "$work/backup" bytes)" ] \
    || refuse "$work" "$file is cut short; the books are as they were"
  [ "$(sha256sum <"$work/books.dump" | cut -d' ' -f1)" = "$(told "$work/backup" sha256)" ] \
    || refuse "$work" "$file is damaged: its checksum is another; the books are as they were"
  newest=$(newest_migration)
  [ "$(told "$work/backup" migration)" -le "$newest" ] \
    || refuse "$work" "$file was made by a newer version, with migration $(told "$work/backup" migration) where this one knows $newest; the books are as they were"
}

refuse() { # WORK WORDS
  rm -rf "$1"
  fail "$2"
}

yew_restore() {
  [ $# = 1 ] || fail "say which: ./yew restore FILE"
  local file=$1 work log before=yew_before_$(date -u +%Y%m%d_%H%M%S) findings
  exec 9>"$yew_dir/run.lock"
  flock -n 9 || fail "Yew Ledger runs from this folder; end it first with Ctrl-C"
  end_what_was_left
  need_tools postgresql
  work=$(mktemp -d "$yew_dir/restore.XXXXXX")
  log=$yew_dir/restore.log
  open_backup "$file" "$work"
  build_if_changed 9>&-
  with_database new 9>&-
  say "reading $file of $(told "$work/backup" made)"
  pg_drop_database yew_restored
  pg_make_database yew_restored
  pg_tool pg_restore -d yew_restored --no-owner --role=yew_owner --exit-on-error "$work/books.dump" >"$log" 2>&1 \
    || give_up "$work" "the backup could not be read into a database; see $log"
  say "bringing it up to this version"
  YEW_DB_URL=jdbc:postgresql://127.0.0.1:$pg_port/yew_restored "$JAVA_HOME/bin/java" -jar "$yew_dir/app/yew.jar" migrate >>"$log" 2>&1 \
    || give_up "$work" "the backup could not be brought up to this version; see $log"
  say "checking the books from outside"
  findings=$(PGPASSWORD=$YEW_DB_OWNER_PASSWORD "$pg_bin/psql" -h 127.0.0.1 -p "$pg_port" -U yew_owner -d yew_restored -X -q \
    -v ON_ERROR_STOP=1 -f "$root/script/audit.sql" 2>&1) || give_up "$work" "the books could not be checked: $findings"
  if ! grep -qx '0 findings' <<<"$findings" || [ "$(pg_admin yew_restored -Atqc "select count(*) from entry")" != "$(told "$work/backup" entries)" ]; then
    printf '%s\n' "$findings" >&2
    give_up "$work" "the books in the backup are not sound"
  fi
  if [ -n "$(pg_admin postgres -Atqc "select 1 from pg_database where datname = 'yew'")" ]; then
    pg_admin postgres -qc "alter database yew rename to $before"
    say "what was there before is kept as the database $before"
  fi
  pg_admin postgres -qc "alter database yew_restored rename to yew"
  rm -rf "$work"
  say "the books are those of $(told_made "$file"): 0 findings"
}

told_made() { tar -xOf "$1" backup | sed -n 's/^made=//p'; } # FILE

give_up() { # WORK WORDS
  pg_drop_database yew_restored
  rm -rf "$1"
  fail "$2; the books are as they were"
}
