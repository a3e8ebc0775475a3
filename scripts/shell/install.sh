# What has to be on the machine: Debian packages and node modules.

ensure_node() {
  command -v node >/dev/null || die "Node.js is missing. Install Node.js 20.19 or newer, then run this again."
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' ||
    die "Node.js $(node --version) is too old. Install Node.js 20.19 or newer, then run this again."
}

# ensure_debian NAME...: installs Debian packages, or says which command does.
ensure_debian() {
  local run=()
  if ! is_root; then
    sudo -n true 2>/dev/null || die "Debian packages are missing: $*. Run: sudo apt-get update && sudo apt-get install -y $*"
    run=(sudo -n)
  fi
  command -v apt-get >/dev/null || die "$* is missing and this is not a Debian machine. Install it, then run this again."
  say "installing Debian packages: $*"
  local log
  log=$(mktemp)
  if ! { "${run[@]}" apt-get update -qq && "${run[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "$@"; } >"$log" 2>&1; then
    tail -n 20 "$log" >&2
    die "installing $* failed; the lines above are apt-get's last words."
  fi
  rm -f "$log"
}

# Sets PG_BIN to the newest PostgreSQL server's programs.
ensure_postgres() {
  PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true)
  if [ -z "$PG_BIN" ] || [ ! -x "$PG_BIN/initdb" ]; then
    ensure_debian postgresql
    PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
  fi
}

# Sets CHROMIUM to a browser for the tests: the one that has no windows at all asks for two thirds of the processor's
# time that the other does (measured).
ensure_chromium() {
  if [ -z "${CHROMIUM:-}" ] && ! command -v chromium-headless-shell >/dev/null; then
    # Where it cannot be had, the other one does.
    (ensure_debian chromium-headless-shell) || command -v chromium >/dev/null || ensure_debian chromium
  fi
  CHROMIUM=${CHROMIUM:-$(command -v chromium-headless-shell || command -v chromium)}
  export CHROMIUM
}

# Installs node modules when they are missing or the lockfile has changed since.
ensure_modules() {
  ensure_node
  local wanted
  wanted=$(cksum <package-lock.json | cut -d' ' -f1)
  [ "$(cat node_modules/.falto-lock 2>/dev/null)" = "$wanted" ] && return
  say "installing node modules (a minute or two)"
  local log
  log=$(mktemp)
  (
    trap 'rm -f npm-shrinkwrap.json' EXIT
    node scripts/package-addresses.mjs "$(npm config get registry 2>/dev/null)"
    npm ci --no-audit --no-fund
  ) >"$log" 2>&1 || { grep -m 12 "npm error" "$log" >&2; die "npm ci failed; the lines above say why."; }
  rm -f "$log"
  printf '%s' "$wanted" >node_modules/.falto-lock
}

# Builds the application when its sources have changed since the last build.
ensure_build() {
  local wanted
  wanted=$(fingerprint src next.config.mjs package-lock.json tsconfig.json)
  [ "$(cat .next/falto-build 2>/dev/null)" = "$wanted" ] && [ -s .next/BUILD_ID ] && return
  say "building (about a minute)"
  local log
  log=$(mktemp)
  rm -rf .next
  { FALTO_BUILD=$wanted node node_modules/next/dist/bin/next build && node scripts/build-worker.mjs; } >"$log" 2>&1 || { tail -n 40 "$log" >&2; die "the build failed; the lines above are its last words."; }
  rm -f "$log"
  printf '%s' "$wanted" >.next/falto-build
}
