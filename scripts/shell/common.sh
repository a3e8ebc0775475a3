# Words to the user, ports and the private folder.

say() { printf 'falto: %s\n' "$*"; }
die() { printf 'falto: %s\n' "$*" >&2; exit 1; }

is_root() { [ "$(id -u)" -eq 0 ]; }

# A server of Falto on loopback; more words are its options. Young objects get 32 MB instead of 16: most of what a request
# makes is then forgotten unmoved, and a request costs a fifth to a quarter less (docs/decisions/034-what-a-request-costs.md).
# A connection is kept for longer than a proxy keeps it (nginx: a minute), so that none is closed just as it is used again.
SERVER_COMMAND=(node --max-semi-space-size=32 node_modules/next/dist/bin/next start --keepAliveTimeout 75000 -H 127.0.0.1)

# Whether something listens on a loopback port.
port_busy() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The first free port from $1 on.
free_port() {
  local port=$1
  while port_busy "$port"; do port=$((port + 1)); done
  printf '%s' "$port"
}

# Sets HOME_DIR to the private folder (FALTO_DATA, or .falto beside this project) and makes it. The database user must be able to reach it.
choose_home() {
  HOME_DIR=${FALTO_DATA:-$ROOT/.falto}
  if is_root && ! reachable_for_postgres "$(dirname "$HOME_DIR")"; then
    local other
    other=/var/lib/falto-$(printf '%s' "$ROOT" | cksum | cut -d' ' -f1)
    say "the database user cannot reach $(dirname "$HOME_DIR"); data is kept in $other instead."
    HOME_DIR=$other
  fi
  mkdir -p "$HOME_DIR"
  chmod 755 "$HOME_DIR"
}

reachable_for_postgres() { runuser -u postgres -- test -x "$1" 2>/dev/null; }

# A random word for passwords and secrets.
random_word() { od -An -N24 -tx1 /dev/urandom | tr -d ' \n'; }

# Loads the secrets of this installation, making them on first use; none where the environment has said all of them.
load_secrets() {
  [ -z "${DATABASE_URL:-}" ] || [ -z "${BETTER_AUTH_SECRET:-}" ] || return 0
  local file=$HOME_DIR/secrets
  if [ ! -s "$file" ]; then
    (umask 077 && printf 'FALTO_DB_PASSWORD=%s\nBETTER_AUTH_SECRET=%s\nFALTO_DEMO_PASSWORD=%s\n' \
      "$(random_word)" "$(random_word)" "$(random_word)" >"$file.new" && mv "$file.new" "$file")
  fi
  set -a
  . "$file"
  set +a
}

# A fingerprint of files, to know whether work has to be done again.
fingerprint() { find "$@" -type f -print0 | sort -z | xargs -0 cksum | cksum | cut -d' ' -f1; }

# Asks a server to end, and ends it when it has not after ten seconds.
end_server() {
  local server=$1 i
  kill "$server" 2>/dev/null || return 0
  for i in $(seq 100); do
    kill -0 "$server" 2>/dev/null || break
    sleep 0.1
  done
  kill -9 "$server" 2>/dev/null || true
  wait "$server" 2>/dev/null || true
}
