# ./falto bench: one row a budget.

bench_falto() {
  . scripts/shell/test.sh
  ensure_modules
  node scripts/run.mjs tests/bench/core.ts
  node scripts/run.mjs tests/bench/look.ts
  ensure_chromium
  export FALTO_BLOCKED=$(mktemp)
  SERVER_COMMAND=(node --import ./tests/bench/blocked.mjs "${SERVER_COMMAND[@]:1}")
  start_test_server
  # Bundled, because functions that run inside the page must not lean on helpers of a loader.
  node_modules/.bin/esbuild tests/bench/page.ts --bundle --platform=node --format=esm --packages=external --outfile="$ROOT/.bench.tmp.mjs" --log-level=error
  node "$ROOT/.bench.tmp.mjs"
  rm -f "$ROOT/.bench.tmp.mjs"
  FALTO_BENCH_SERVER=$TEST_SERVER node --import tsx tests/bench/cpu.ts
  # The start of a server loads what it is made of.
  blocked_since >/dev/null
  node --import tsx tests/bench/load.ts
  say "longest that one process was busy in one go under that load: $(blocked_since), goal 200"
  run_jest api --runInBand --testPathPatterns='hostile\.test'
  say "longest that it was busy in one go under twenty thousand hostile requests: $(blocked_since), goal 200"
  node --import tsx tests/bench/log.ts
  node --import tsx tests/bench/api.ts
  stop_test_server
  # Nothing looks on while throughput is measured.
  rm -f "$FALTO_BLOCKED"
  unset FALTO_BLOCKED
  # As a larger salon runs it: a process a core, behind a proxy.
  (
    . scripts/shell/drill.sh
    start_proxied
    node --import tsx tests/bench/load.ts
  )
}

# What the measured server says of itself; see tests/bench/blocked.mjs.
blocked_since() {
  rm -f "$FALTO_BLOCKED"
  kill -USR2 "$TEST_SERVER" || return 1
  until [ -s "$FALTO_BLOCKED" ]; do sleep 0.1; done
  cat "$FALTO_BLOCKED"
}
