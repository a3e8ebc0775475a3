# ./falto bench: one row a budget.

bench_falto() {
  . scripts/shell/test.sh
  ensure_modules
  local bundle
  bundle=$(mktemp -d)
  local part
  for part in core look; do
    node_modules/.bin/esbuild "tests/bench/$part.ts" --bundle --platform=node --format=esm --outfile="$bundle/$part.mjs" --log-level=error
    node "$bundle/$part.mjs"
  done
  rm -rf "$bundle"
  ensure_chromium
  start_test_server
  # Bundled, because functions that run inside the page must not lean on helpers of a loader.
  node_modules/.bin/esbuild tests/bench/page.ts --bundle --platform=node --format=esm --packages=external --outfile="$ROOT/.bench.tmp.mjs" --log-level=error
  node "$ROOT/.bench.tmp.mjs"
  rm -f "$ROOT/.bench.tmp.mjs"
  FALTO_BENCH_SERVER=$TEST_SERVER node --import tsx tests/bench/cpu.ts
  node --import tsx tests/bench/log.ts
  node --import tsx tests/bench/api.ts
  stop_test_server
  # As a larger salon runs it: a process a core, behind a proxy.
  (
    . scripts/shell/drill.sh
    start_proxied
    node --import tsx tests/bench/load.ts
  )
}
