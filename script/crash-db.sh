#!/usr/bin/env bash
# A database cluster of its own that a test may kill: crash-db.sh start | kill | again | stop, from the folder of the
# checkout.
# `start` prints what the application and the test need of it, as NAME=VALUE lines.
set -euo pipefail
root=$PWD
yew_dir=$root/.yew
mkdir -p "$yew_dir"
say() { printf 'yew: %s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }
. script/postgres.sh
find_postgres || fail "PostgreSQL is not installed"

case ${1:-} in
  start)
    # Not as tests have theirs: what was committed is there after it is killed.
    pg_start crash-db durable
    echo "$pg_port" >"$pg_dir/port"
    env | grep '^YEW_DB_\|^YEW_SECRET_KEY='
    echo "YEW_PSQL=$pg_bin/psql"
    ;;
  kill)
    pg_choose_dir crash-db
    kill -9 "$(head -1 "$pg_dir/data/postmaster.pid")"
    # Its children see that it is gone, and end.
    while pg_is_running; do sleep 0.1; done
    ;;
  again)
    # Where it was: the application looks for it there.
    pg_choose_dir crash-db
    pg_port=$(cat "$pg_dir/port")
    rm -f "$pg_dir/data/postmaster.pid"
    pg_launch durable
    ;;
  stop)
    pg_choose_dir crash-db
    as_postgres "$pg_bin/pg_ctl" -D "$pg_dir/data" -m immediate -w stop >/dev/null 2>&1 || true
    rm -rf "$pg_dir"
    ;;
  *) fail "start, kill, again or stop" ;;
esac
