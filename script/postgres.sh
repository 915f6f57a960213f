# A private PostgreSQL cluster for this checkout. Sourced by ./yew; expects `say` and `fail`.

pg_bin=

# Where Debian's packages put the server's tools: the newest version from 15 on.
find_postgres() {
  local dir
  for dir in $(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -rV); do
    if [ -x "$dir/initdb" ]; then pg_bin=$dir; return 0; fi
  done
  return 1
}

# PostgreSQL refuses root: as root, its commands run as the package's own user.
as_postgres() {
  if [ "$(id -u)" = 0 ]; then (cd "$pg_dir" && runuser -u postgres -- "$@"); else (cd "$pg_dir" && "$@"); fi
}

free_port() {
  python3 - <<'PY' 2>/dev/null || echo $((20000 + RANDOM % 20000))
import socket
s = socket.socket(); s.bind(("127.0.0.1", 0)); print(s.getsockname()[1])
PY
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The server's user has to reach the folder; below a closed home directory it cannot.
pg_choose_dir() { # NAME
  pg_dir=$yew_dir/$1
  mkdir -p "$pg_dir"
  if [ "$(id -u)" = 0 ]; then
    chown postgres: "$pg_dir"
    if ! runuser -u postgres -- test -w "$pg_dir" 2>/dev/null; then
      pg_dir=/var/tmp/yew-$(printf %s "$root" | cksum | cut -d' ' -f1)/$1
      mkdir -p "$pg_dir"
      chown postgres: "$pg_dir"
      say "the user postgres cannot enter $root; the database is kept in $pg_dir"
    fi
  fi
}

pg_is_running() { [ -f "$pg_dir/data/PG_VERSION" ] && as_postgres "$pg_bin/pg_ctl" -D "$pg_dir/data" status >/dev/null 2>&1; }

# pg_start NAME [test|durable]: starts the cluster .yew/NAME, making it first if need be. Sets pg_port and the
# YEW_DB_* variables. A test cluster trades what was committed last for speed; a durable one is for tests and does not.
pg_start() {
  pg_choose_dir "$1"
  local secrets=$pg_dir/secrets
  if [ ! -f "$pg_dir/ready" ]; then
    rm -rf "$pg_dir/data"
    say "making a database cluster"
    ( umask 077; for role in admin owner app; do echo "pg_${role}_password=$(od -An -N18 -tx1 /dev/urandom | tr -d ' \n')"; done >"$secrets" )
  fi
  . "$secrets"
  if [ ! -f "$pg_dir/ready" ]; then
    local pwfile=$pg_dir/pw
    ( umask 077; echo "$pg_admin_password" >"$pwfile" ); [ "$(id -u)" = 0 ] && chown postgres: "$pwfile"
    as_postgres "$pg_bin/initdb" -D "$pg_dir/data" -U yew_admin --pwfile="$pwfile" --auth=scram-sha-256 \
      -E UTF8 --locale=C.UTF-8 ${2:+--no-sync} >"$yew_dir/initdb.log" 2>&1 || fail "initdb failed; see $yew_dir/initdb.log"
    rm -f "$pwfile"
  fi
  if pg_is_running; then
    # Left over from a run that was killed; it is this checkout's own, so it can be taken over.
    pg_port=$(sed -n 4p "$pg_dir/data/postmaster.pid")
  else
    # A power cut leaves a lock behind; pg_ctl status above has shown that no server holds it.
    rm -f "$pg_dir/data/postmaster.pid"
    pg_port=$(free_port)
    pg_launch "${2:-}"
  fi
  pg_started=$pg_dir
  if [ ! -f "$pg_dir/ready" ]; then
    pg_admin postgres -qc "create role yew_owner login password '$pg_owner_password'" \
      -c "create role yew_app login password '$pg_app_password'" || fail "the database roles could not be made"
    pg_make_database yew
    # Browser tests copy databases, and end what is still connected to them.
    [ -z "${2:-}" ] || pg_admin postgres -qc "alter role yew_owner createdb" -c "grant pg_signal_backend to yew_owner"
    touch "$pg_dir/ready"
  fi
  export YEW_DB_URL=jdbc:postgresql://127.0.0.1:$pg_port/yew YEW_DB_HOST=127.0.0.1 YEW_DB_PORT=$pg_port YEW_DB_NAME=yew
  export YEW_DB_USER=yew_app YEW_DB_PASSWORD=$pg_app_password
  # Encrypts secrets in the database, so it is kept beside it, not in it.
  [ -f "$yew_dir/secret-key" ] || ( umask 077; od -An -N32 -tx1 /dev/urandom | tr -d ' \n' >"$yew_dir/secret-key" )
  export YEW_SECRET_KEY=$(cat "$yew_dir/secret-key")
  export YEW_DB_OWNER=yew_owner YEW_DB_OWNER_PASSWORD=$pg_owner_password
}

# Starts the server of the cluster on pg_port.
pg_launch() { # [test]
  local settings="-c listen_addresses=127.0.0.1 -c port=$pg_port -c unix_socket_directories= -c shared_buffers=256MB -c max_connections=120"
  [ "${1:-}" = test ] && settings="$settings -c fsync=off -c synchronous_commit=off -c full_page_writes=off"
  as_postgres "$pg_bin/pg_ctl" -D "$pg_dir/data" -l "$pg_dir/log" -w -t 60 -o "$settings" start >/dev/null \
    || fail "the database did not start; see $pg_dir/log"
}

pg_admin() { # DATABASE psql arguments
  local database=$1; shift
  PGPASSWORD=$pg_admin_password "$pg_bin/psql" -h 127.0.0.1 -p "$pg_port" -U yew_admin -d "$database" -v ON_ERROR_STOP=1 -X "$@"
}

pg_make_database() {
  pg_admin postgres -qc "create database $1 owner yew_owner" -c "grant connect on database $1 to yew_app"
  pg_admin "$1" -qc "alter schema public owner to yew_owner"
}

pg_drop_database() { pg_admin postgres -qc "drop database if exists $1 with (force)"; }

pg_stop() {
  [ -n "${pg_started:-}" ] || return 0
  as_postgres "$pg_bin/pg_ctl" -D "$pg_started/data" -m fast -w stop >/dev/null 2>&1 || true
  pg_started=
}
