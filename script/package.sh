# ./yew take-out FILE EMAIL [HOUSEHOLD], ./yew take-in FILE EMAIL. Sourced by ./yew.

yew_package() { # take-out|take-in FILE EMAIL [HOUSEHOLD]
  local what=$1 file
  shift
  [ $# -ge 2 ] || fail "say which file and whose household: ./yew $what FILE EMAIL"
  file=$(full_path "$1")
  shift
  need_tools postgresql
  build_if_changed
  with_database
  YEW_DB_URL=jdbc:postgresql://127.0.0.1:${pg_port:-0}/yew "$JAVA_HOME/bin/java" -Xmx1g -jar "$yew_dir/app/yew.jar" \
    "$what" "$file" "$@" || fail "nothing was done"
}
