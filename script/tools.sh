# The tools that Yew Ledger needs. Sourced by ./yew.

# A JDK of version 25: JAVA_HOME if it is one, else the first that is installed where JDKs are.
find_jdk() {
  local home
  for home in "${JAVA_HOME:-}" /usr/lib/jvm/*25* /opt/*25*; do
    if [ -x "$home/bin/javac" ] && "$home/bin/javac" -version 2>&1 | grep -q '^javac 25'; then
      export JAVA_HOME=$home
      return 0
    fi
  done
  return 1
}

# need_tools postgresql [chromium-headless-shell]: finds the tools, installing Debian's packages when root.
need_tools() {
  find_jdk || fail "a JDK 25 is missing; install one (Temurin 25, say) and set JAVA_HOME to it"
  command -v mvn >/dev/null || missing_package maven
  command -v npm >/dev/null || fail "Node.js 20 or newer with npm is missing; install it"
  local package
  for package in "$@"; do
    is_there "$package" || missing_package "$package"
  done
  find_postgres || fail "PostgreSQL 15 or newer was not found below /usr/lib/postgresql"
}

is_there() {
  case $1 in
    postgresql) find_postgres ;;
    libheif-examples) [ -x /usr/bin/heif-convert ] ;;
    nginx-light) [ -x /usr/sbin/nginx ] ;;
    chromium-headless-shell) [ -x /usr/bin/chromium-headless-shell ] ;;
  esac
}

apt_updated=
missing_package() {
  if [ "$(id -u)" != 0 ] || ! command -v apt-get >/dev/null; then
    fail "$1 is missing; install it: sudo apt-get install $1"
  fi
  say "installing $1"
  if [ -z "$apt_updated" ]; then
    apt-get update -qq >"$yew_dir/apt.log" 2>&1 || fail "apt-get update failed; see $yew_dir/apt.log"
    apt_updated=yes
  fi
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1" >>"$yew_dir/apt.log" 2>&1 \
    || fail "$1 could not be installed; see $yew_dir/apt.log"
}
