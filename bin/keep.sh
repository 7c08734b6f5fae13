# Shared by backup and restore; sourced, not run.

# sql DATABASE ARGUMENTS...: psql with nothing of its own settings.
sql() { PGPASSWORD=$db_password psql -X -h "$db_host" -p "$db_port" -U "$db_user" -d "$1" "${@:2}"; }

# reach_database NAME [unused]: finds the installation's database, running or not, or the one that ROOFNEST_DB_URL names. With
# "unused" the application must not be running.
reach_database() {
  ensure_tools
  stop_after=no
  if [ -n "${ROOFNEST_DB_URL:-}" ]; then
    [[ $ROOFNEST_DB_URL =~ ^jdbc:postgresql://([^:/]+):([0-9]+)/([A-Za-z0-9_]+)$ ]] \
      || fail "ROOFNEST_DB_URL is “$ROOFNEST_DB_URL”; it has to be like jdbc:postgresql://db.example:5432/roofnest."
    db_host=${BASH_REMATCH[1]} db_port=${BASH_REMATCH[2]} db_name=${BASH_REMATCH[3]}
    db_user=${ROOFNEST_DB_USER:-roofnest} db_password=${ROOFNEST_DB_PASSWORD:-} key_file=${ROOFNEST_KEY_FILE:-.data/secret.key}
  else
    home=$(data_home "$1")
    db_host=127.0.0.1 db_name=roofnest db_user=roofnest key_file=$home/secret.key
    if [ "${2:-}" = unused ]; then clear_leftovers "$home" 0; fi
    if [ -s "$home/db-port" ] && [ -s "$home/db-password" ] && as_pg "$(pg_bin)/pg_ctl" -D "$home/pg" status > /dev/null 2>&1; then
      db_port=$(cat "$home/db-port") db_password=$(cat "$home/db-password")
    else
      pg_up "$home" || fail "The database did not start; the lines above say why."
      stop_after=yes
    fi
  fi
  sql postgres -Atc "select 1" > /dev/null || fail "The database at $db_host:$db_port does not answer."
}

leave_database() { [ "$stop_after" = yes ] && pg_down "$home"; return 0; }

ensure_tools() {
  ensure_packages no
  command -v gpg > /dev/null && return
  phase "Looking up Debian's packages" as_root apt-get update -qq
  phase "Installing gpg" as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq \
    --no-install-recommends gpg gpg-agent
}

# read_passphrase once|twice: into a file that only we read and that goes with the work folder.
read_passphrase() {
  local first second
  if [ -n "${ROOFNEST_PASSPHRASE_FILE:-}" ]; then
    first=$(cat "$ROOFNEST_PASSPHRASE_FILE") || fail "The passphrase could not be read from $ROOFNEST_PASSPHRASE_FILE."
  else
    [ -t 0 ] || fail "No passphrase: put it into a file and name that in ROOFNEST_PASSPHRASE_FILE."
    read -r -s -p "Passphrase: " first; echo
    if [ "$1" = twice ]; then
      read -r -s -p "Once more: " second; echo
      [ "$first" = "$second" ] || fail "These were two different ones."
    fi
  fi
  [ "${#first}" -ge 12 ] || fail "The passphrase has ${#first} characters; at least 12 are needed. Whoever has the files tries for years."
  passphrase=$first
}

# What nobody needs back: who is signed in, and how often somebody mistyped.
left_out="spring_session spring_session_attributes rate_limit"

dump_snapshot() {
  local table options=()
  for table in $left_out; do options+=("--exclude-table-data=public.$table"); done
  PGPASSWORD=$db_password "$(pg_bin)/pg_dump" -h "$db_host" -p "$db_port" -U "$db_user" -d "$db_name" -Fc --no-owner --no-privileges \
    --snapshot="$1" "${options[@]}" -f "$2"
}

# digests DATABASE [SNAPSHOT]: a line a table: its name, its rows, and a digest of all of them.
digests() {
  local start="begin isolation level repeatable read read only;" skip
  [ -n "${2:-}" ] && start="$start set transaction snapshot '$2';"
  skip=$(printf "'%s'," $left_out); skip=${skip%,}
  sql "$1" -AtqF ' ' -v ON_ERROR_STOP=1 <<SQL
$start
select format('select %L, count(*), coalesce(md5(string_agg(md5(t::text), '''' order by md5(t::text))), ''-'') from public.%I t',
  tablename, tablename) from pg_tables where schemaname = 'public' and tablename not in ($skip) order by tablename \gexec
commit;
SQL
}

digest_snapshot() { digests "$db_name" "$1" > "$2"; }

restore_into() {
  PGPASSWORD=$db_password "$(pg_bin)/pg_restore" -h "$db_host" -p "$db_port" -U "$db_user" -d "$1" --no-owner --no-privileges \
    --exit-on-error "$2"
}

# AES-256 under the passphrase, stretched as far as the tool goes; what was altered does not open.
encrypt() {
  gpg --homedir "$work/gpg" --batch --yes --quiet --no-symkey-cache --pinentry-mode loopback --passphrase-fd 3 --cipher-algo AES256 \
    --s2k-digest-algo SHA512 --s2k-mode 3 --s2k-count 65011712 --compress-algo none --symmetric -o "$1" 3<<< "$passphrase"
}

decrypt() {
  gpg --homedir "$work/gpg" --batch --yes --quiet --no-symkey-cache --pinentry-mode loopback --passphrase-fd 3 \
    --decrypt "$1" 3<<< "$passphrase"
}

encrypt_parts() {
  (umask 077; mkdir -p "$1/gpg") && tar -C "$1" -cf - about digests database | encrypt "$2" && encrypt "$3" < "$key_file"
}

decrypt_parts() {
  (umask 077; mkdir -p "$work/gpg") && decrypt "$1" | tar -C "$3" -xf - about digests database \
    && (umask 077; decrypt "$2" > "$3/key") && [ -s "$3/key" ] \
    || { echo "It does not open: another passphrase, or a file that is not whole."; return 1; }
}
