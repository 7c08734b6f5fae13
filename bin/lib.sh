# Shared by the commands in this folder; sourced, not run.
# Everything here works as root and as an ordinary user with sudo, from any folder.

top=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
started=$SECONDS

say() { printf '%s\n' "$*"; }
fail() { printf '\n%s\n' "$*" >&2; exit 1; }

# phase LABEL COMMAND...: runs the command with its output in a log, shows that it is still going, and how long it took.
phase() {
  local label=$1 log begun=$SECONDS worker; shift
  log=$(mktemp "${TMPDIR:-/tmp}/roofnest-phase.XXXXXX")
  printf '%-44s' "$label"
  "$@" > "$log" 2>&1 < /dev/null &
  worker=$!
  local ticks=0
  while kill -0 "$worker" 2>/dev/null; do
    sleep 0.2
    ticks=$((ticks + 1))
    [ $((ticks % 20)) -eq 0 ] && printf '.'
  done
  if wait "$worker"; then
    printf ' %s s\n' "$((SECONDS - begun))"
    rm -f "$log"
  else
    printf ' failed after %s s\n\n' "$((SECONDS - begun))"
    tail -n 40 "$log"
    rm -f "$log"
    fail "“$label” did not work; the lines above say why."
  fi
}

as_root() {
  if [ "$(id -u)" -eq 0 ]; then "$@"; else sudo "$@"; fi
}

# The server of PostgreSQL refuses to run as root; then it runs as the user that its package makes.
as_pg() {
  if [ "$(id -u)" -eq 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi
}

pg_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1; }

# ensure_packages WITH_BROWSER(yes|no): installs what is missing from Debian's packages, and nothing else.
ensure_packages() {
  local missing=()
  command -v javac > /dev/null || missing+=(openjdk-17-jdk-headless)
  command -v mvn > /dev/null || missing+=(maven)
  [ -n "$(pg_bin)" ] || missing+=(postgresql)
  command -v psql > /dev/null || missing+=(postgresql-client)
  if [ "$1" = yes ]; then
    [ -x /usr/bin/chromium ] || missing+=(chromium)
    # The drill of backup and restore.
    command -v gpg > /dev/null || missing+=(gpg gpg-agent)
    # Two instances behind one front.
    [ -x /usr/sbin/nginx ] || missing+=(nginx-light)
    command -v openssl > /dev/null || missing+=(openssl)
  fi
  if [ "${#missing[@]}" -gt 0 ]; then
    if [ "$(id -u)" -ne 0 ]; then
      command -v sudo > /dev/null || fail "Missing packages: ${missing[*]}. Install them as root, or install sudo, and run this again."
      sudo -v || fail "Missing packages: ${missing[*]}. They need sudo once."
    fi
    phase "Looking up Debian's packages" as_root apt-get update -qq
    phase "Installing ${missing[*]}" \
      as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"
  fi
}

ensure_front() {
  local missing=()
  [ -x /usr/sbin/nginx ] || missing+=(nginx-light)
  command -v openssl > /dev/null || missing+=(openssl)
  [ "${#missing[@]}" -eq 0 ] && return
  phase "Looking up Debian's packages" as_root apt-get update -qq
  phase "Installing ${missing[*]}" as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends \
    "${missing[@]}"
}

port_taken() { (exec 3<> "/dev/tcp/127.0.0.1/$1") 2> /dev/null; }

free_port() {
  local port
  for _ in $(seq 1 200); do
    port=$((20000 + RANDOM % 25000))
    port_taken "$port" || { echo "$port"; return; }
  done
  fail "No free port was found."
}

random_word() { LC_ALL=C tr -dc 'a-zA-Z0-9' < /dev/urandom | head -c 40 || true; }

# data_home NAME: a folder for this installation's data; beside the sources where the database's user can reach it.
data_home() {
  local root=${ROOFNEST_DATA:-$top/.data} home
  home=$root/$1
  if [ "$(id -u)" -eq 0 ]; then
    mkdir -p "$home" && chmod 711 "$root" "$home"
    if ! runuser -u postgres -- test -x "$home"; then
      home=/var/lib/roofnest/$(printf '%s' "$top" | cksum | cut -d' ' -f1)-$1
      mkdir -p "$home" && chmod 711 "$home"
    fi
  else
    mkdir -p "$home" && chmod 700 "$home"
  fi
  echo "$home"
}

# pg_up HOME: starts the database in HOME/pg on loopback, making it first if need be; sets db_port and db_password.
pg_up() {
  local home=$1 bin data=$1/pg
  bin=$(pg_bin)
  if [ ! -s "$home/db-password" ]; then (umask 077; random_word > "$home/db-password"); fi
  db_password=$(cat "$home/db-password")
  if [ ! -s "$data/PG_VERSION" ]; then
    rm -rf "$data"; mkdir -p "$data"
    [ "$(id -u)" -eq 0 ] && chown postgres: "$data"
    chmod 700 "$data"
    (umask 077; printf '%s\n' "$db_password" > "$home/pwfile")
    [ "$(id -u)" -eq 0 ] && chown postgres: "$home/pwfile"
    as_pg "$bin/initdb" -D "$data" -U roofnest --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 \
      --pwfile="$home/pwfile" > "$home/initdb.log" 2>&1 || { cat "$home/initdb.log"; rm -rf "$data"; return 1; }
    rm -f "$home/pwfile"
  fi
  pg_forget_dead "$data"
  if as_pg "$bin/pg_ctl" -D "$data" status > /dev/null 2>&1; then as_pg "$bin/pg_ctl" -D "$data" stop -m fast -w > /dev/null 2>&1; fi
  db_port=$(free_port)
  pg_start "$home" || return 1
  if ! PGPASSWORD=$db_password psql -h 127.0.0.1 -p "$db_port" -U roofnest -d postgres -Atc \
      "select 1 from pg_database where datname = 'roofnest'" | grep -q 1; then
    PGPASSWORD=$db_password psql -q -h 127.0.0.1 -p "$db_port" -U roofnest -d postgres -c "create database roofnest"
  fi
  echo "$db_port" > "$home/db-port"
}

# pg_start HOME: starts the database in HOME/pg at db_port.
pg_start() {
  local home=$1 data=$1/pg owner
  owner=$(stat -c %U "$data")
  : > "$home/pg.log"; [ "$(id -u)" -eq 0 ] && chown "$owner:" "$home/pg.log"
  as_pg "$(pg_bin)/pg_ctl" -D "$data" -w -t 60 -l "$home/pg.log" \
    -o "-p $db_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=60 \
-c shared_buffers=64MB ${pg_options:-}" \
    start > /dev/null || { tail -n 20 "$home/pg.log"; return 1; }
}

# A lock that a killed server left behind, whose number now belongs to another program, would stop the next start.
pg_forget_dead() {
  local lock=$1/postmaster.pid pid
  [ -e "$lock" ] || return 0
  pid=$(head -n 1 "$lock")
  if [ ! -e "/proc/$pid/comm" ] || ! grep -q postgres "/proc/$pid/comm"; then rm -f "$lock"; fi
}

pg_down() { as_pg "$(pg_bin)/pg_ctl" -D "$1/pg" stop -m fast -w > /dev/null 2>&1 || true; }

# build: makes the application, unless nothing changed since the last time, and unpacks it: it starts quicker so.
build() {
  local stamp=$top/.build/stamp now
  now=$(cd "$top" && find pom.xml core standins app -path '*/target' -prune -o -path '*/src/test' -prune -o -type f -print0 \
    | sort -z | xargs -0 sha256sum | sha256sum)
  jar=$top/.build/app/app-0.1.0-boot.jar
  if [ -f "$jar" ] && [ "$(cat "$stamp" 2> /dev/null)" = "$now" ]; then return; fi
  phase "Building" mvn -B -ntp -f "$top/pom.xml" -pl app -am -Dmaven.test.skip=true package
  mkdir -p "$top/.build" && rm -rf "$top/.build/app"
  phase "Unpacking" java -Djarmode=tools -jar "$top/app/target/app-0.1.0-boot.jar" extract --destination "$top/.build/app"
  echo "$now" > "$stamp"
}

# Classes as they were after an earlier run are shared with the next; the first run after a build writes them as it stops.
class_archive_option() {
  local archive=$top/.build/app/classes.jsa
  if [ -f "$archive" ]; then echo "-XX:SharedArchiveFile=$archive"; else echo "-XX:ArchiveClassesAtExit=$archive"; fi
}

# Beans are those that were found while building; a heap that the load of docs/performance.md is answered within.
java_options="-XX:+UseSerialGC -Xmx160m -Dsun.reflect.inflationThreshold=2147483647 -Dspring.aot.enabled=true"
# Memory that the compilers are done with goes back to the system every minute, where this Java knows how.
java_options+=" -XX:+IgnoreUnrecognizedVMOptions -XX:TrimNativeHeapInterval=60000 -Xlog:cds=off -Xlog:cds+dynamic=off"

# health PORT: whether the application on PORT says that it is up.
health() {
  local answer
  { exec 3<> "/dev/tcp/127.0.0.1/$1"; } 2> /dev/null || return 1
  printf 'GET /actuator/health HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&3
  answer=$(timeout 5 cat <&3) || true
  exec 3>&-
  [[ $answer == *'"UP"'* ]]
}

# serve NAME DEMO(true|false): everything from packages to "ready", then waits; Ctrl-C stops application and database.
serve() {
  local name=$1 demo=$2 port=${ROOFNEST_PORT:-8420} home app_pid=""
  case $port in ''|*[!0-9]*) fail "ROOFNEST_PORT is “$port”; it has to be a number.";; esac
  ensure_packages no
  home=$(data_home "$name")
  clear_leftovers "$home" "$port"
  port_taken "$port" && fail "Port $port is taken by another program. Choose another: ROOFNEST_PORT=$((port + 1)) bin/$name"
  build
  echo $$ > "$home/script.pid"
  stop_all() {
    trap - EXIT INT TERM
    printf "\nStopping…"
    if [ -n "$app_pid" ]; then
      kill "$app_pid" 2> /dev/null
      local waited=0
      while kill -0 "$app_pid" 2> /dev/null; do sleep 0.2; waited=$((waited + 1)); [ $((waited % 15)) -eq 0 ] && printf '.'; done
    fi
    pg_down "$home"
    rm -f "$home/script.pid" "$home/app.pid"
    say ""; say "Application and database are stopped. Nothing was emptied."
    exit "${1:-0}"
  }
  trap 'stop_all 0' INT TERM
  trap 'stop_all 1' EXIT
  local begun=$SECONDS
  pg_up "$home" || fail "The database did not start; the lines above say why."
  printf '%-44s %s s\n' "Database" "$((SECONDS - begun))"
  begun=$SECONDS
  printf '%-44s' "Application"
  ROOFNEST_DB_URL=jdbc:postgresql://127.0.0.1:$db_port/roofnest ROOFNEST_DB_USER=roofnest ROOFNEST_DB_PASSWORD=$db_password \
  MALLOC_ARENA_MAX=2 ROOFNEST_PORT=$port ROOFNEST_DEMO=$demo ROOFNEST_KEY_FILE=$home/secret.key \
    java $java_options "$(class_archive_option)" -jar "$jar" > "$home/app.log" 2>&1 &
  app_pid=$!
  echo "$app_pid" > "$home/app.pid"
  local ticks=0
  until health "$port"; do
    kill -0 "$app_pid" 2> /dev/null || {
      say ""; tail -n 30 "$home/app.log"; app_pid=""
      say "The application did not start; the lines above say why."; stop_all 1
    }
    sleep 0.25; ticks=$((ticks + 1)); [ $((ticks % 16)) -eq 0 ] && printf '.'
  done
  printf ' %s s\n' "$((SECONDS - begun))"
  say ""
  say "Roof Nest is ready at http://127.0.0.1:$port after $((SECONDS - started)) s"
  if [ "$demo" = true ]; then
    say "  Sign in as tamsin@, jory@, wynn@ or odile@ladderhall.example, or petra@marramlane.example"
    say "  Password for all: weir steps nine"
    say "  Start the demo world over: bin/demo --fresh"
  fi
  say "  Stop it: Ctrl-C here"
  wait "$app_pid" && stop_all 0
  say "The application ended by itself; its last lines:"; tail -n 15 "$home/app.log"
  app_pid=""
  stop_all 1
}

# An earlier start that was killed outright leaves its application running; one that still lives is left alone.
clear_leftovers() {
  local home=$1 port=$2 script app
  script=$(cat "$home/script.pid" 2> /dev/null || true)
  app=$(cat "$home/app.pid" 2> /dev/null || true)
  if [ -n "$script" ] && [ "$script" != $$ ] && grep -qs "bin/" "/proc/$script/cmdline"; then
    fail "This installation is running already (process $script). Stop it there with Ctrl-C, or: kill $script"
  fi
  if [ -n "$app" ] && grep -qs "app-0.1.0-boot.jar" "/proc/$app/cmdline"; then
    say "Clearing up after a start that was killed…"
    kill "$app" 2> /dev/null || true
    for _ in $(seq 1 100); do kill -0 "$app" 2> /dev/null || break; sleep 0.1; done
    kill -9 "$app" 2> /dev/null || true
  fi
  rm -f "$home/script.pid" "$home/app.pid"
}
