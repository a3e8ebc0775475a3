# ./falto test: every check, one closing line.

COUNTS=$(mktemp)
CHECKS=()
NODE_TESTS=''
TEST_DIR=''

# check NAME COMMAND...: begins a check that passes or fails as a whole, beside the others.
check() {
  local name=$1
  shift
  CHECKS+=("$name")
  touch "$CHECKS_DIR/$name.going"
  (
    "$@" >"$CHECKS_DIR/$name.log" 2>&1 && touch "$CHECKS_DIR/$name.passed"
    rm "$CHECKS_DIR/$name.going"
  ) &
}

# check_aside NAME COMMAND...: one that nothing else needs takes what time the others leave.
check_aside() {
  local name=$1
  shift
  check "$name" nice -n 19 "$@"
}

wait_for_check() { while [ -e "$CHECKS_DIR/$1.going" ]; do sleep 1; done; }

# What asks a running Falto needs it built: meanwhile, but not while types are read, some of which the build writes.
build_ahead() {
  wait_for_check lint
  ensure_build
}

# Says how each check ended that has ended since this was asked last.
tell_checks() {
  local name going=()
  for name in "${CHECKS[@]}"; do
    if [ -e "$CHECKS_DIR/$name.going" ]; then
      going+=("$name")
    elif [ -e "$CHECKS_DIR/$name.passed" ]; then
      count 1 0 0
      say "$name: passed"
    else
      count 0 1 0
      cat "$CHECKS_DIR/$name.log"
      say "$name: failed"
    fi
  done
  CHECKS=("${going[@]}")
}

# Waits for the checks that were begun.
finish_checks() {
  local name
  for name in "${CHECKS[@]}"; do wait_for_check "$name"; done
  tell_checks
  rm -rf "$CHECKS_DIR"
}

# count PASSED FAILED SKIPPED: also of tests that run beside others.
count() { printf '%s %s %s\n' "$@" >>"$COUNTS"; }

# What was counted of 1 passed, 2 failed, 3 skipped.
counted() { awk -v of="$1" '{ sum += $of } END { print sum + 0 }' "$COUNTS"; }

# run_jest PROJECTS FLAGS...: counts their tests; a suite that could not run counts as a failure.
run_jest() {
  local projects=$1 report
  shift
  report=$(mktemp)
  say "$projects tests"
  # Most of what a test makes is forgotten at once: more room for the young costs less than moving them.
  node --max-semi-space-size=64 --experimental-vm-modules --no-warnings node_modules/jest/bin/jest.js --selectProjects $projects --json --outputFile="$report" "$@" ${JEST_FLAGS:-} || true
  if [ -s "$report" ]; then
    local counts
    counts=$(node -e '
      const r = JSON.parse(require("fs").readFileSync(process.argv[1], "utf8"))
      console.log(r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites, r.numPendingTests + r.numTodoTests)' "$report")
    read -r p f s <<<"$counts"
    count "$p" "$f" "$s"
    [ $((p + f)) -gt 0 ] || count 0 1 0
  else
    count 0 1 0
  fi
  rm -f "$report"
}

# However it ends, nothing of it is left running.
end_tests() {
  if [ -n "$NODE_TESTS" ]; then kill -- "-$NODE_TESTS" 2>/dev/null || true; fi
  stop_test_server
  rm -f "$COUNTS"
}

leave_nothing() {
  trap end_tests EXIT
  trap 'exit 130' INT TERM
}

# Tests that need nothing but Node, beside those that ask a running Falto: in a group of processes that can be ended.
begin_node_tests() {
  leave_nothing
  set -m
  run_jest "$1" --maxWorkers=100% &
  NODE_TESTS=$!
  set +m
}

finish_node_tests() {
  [ -n "$NODE_TESTS" ] || return 0
  wait "$NODE_TESTS" || count 0 1 0
  NODE_TESTS=''
}

# run_jest_apart PROJECT PATTERN WORKERS: what fits the pattern goes first, and alone; a run of chosen files as chosen.
run_jest_apart() {
  case "${JEST_FLAGS:-}" in
    *testPathPattern*) run_jest "$1" --runInBand ;;
    *)
      run_jest "$1" --runInBand --testPathPatterns="$2"
      run_jest "$1" --maxWorkers="$3" --testPathIgnorePatterns="$2" ;;
  esac
}

# A database and a server of their own for the tests, thrown away afterwards.
start_test_server() {
  [ -z "${TEST_SERVER:-}" ] || return 0
  ensure_postgres
  TEST_DIR=$(mktemp -d)
  chmod 755 "$TEST_DIR"
  leave_nothing
  HOME_DIR=$TEST_DIR
  load_secrets
  init_cluster "$TEST_DIR/data"
  start_cluster "$TEST_DIR/data" 25310 "-c fsync=off -c synchronous_commit=off -c full_page_writes=off"
  ensure_build
  local port
  port=$(free_port 4410)
  export FALTO_TEST_URL="http://127.0.0.1:$port" BETTER_AUTH_URL="http://127.0.0.1:$port" FALTO_MAIL_DIR="$TEST_DIR/mail"
  node scripts/run.mjs src/db/migrate.ts
  node scripts/run.mjs scripts/seed.ts
  "${SERVER_COMMAND[@]}" -p "$port" >"$TEST_DIR/server.log" 2>&1 &
  TEST_SERVER=$!
  until port_busy "$port"; do
    kill -0 "$TEST_SERVER" 2>/dev/null || { cat "$TEST_DIR/server.log"; die "the test server did not start."; }
    sleep 0.2
  done
}

stop_test_server() {
  [ -n "$TEST_DIR" ] || return 0
  # What the server itself says of what failed; it is gone with the server.
  if [ "$(counted 2)" -gt 0 ]; then grep -a '"level":50' "$TEST_DIR/server.log" | tail -n 20 | cut -c1-2000 || true; fi
  if [ -n "${TEST_SERVER:-}" ]; then end_server "$TEST_SERVER"; fi
  stop_cluster "$TEST_DIR/data" || true
  rm -rf "$TEST_DIR"
}

# The checks of one part that ask no running Falto and no Jest.
begin_checks() {
  case "$1" in
    lint)
      check_aside format node node_modules/prettier/bin/prettier.cjs --check .
      check_aside unused node node_modules/knip/bin/knip.js
      check_aside audit node scripts/audit.mjs
      node node_modules/next/dist/bin/next typegen >/dev/null 2>&1 || true
      # With the types, and what Next.js writes of its pages.
      check lint node node_modules/oxlint/bin/oxlint --type-aware --type-check . .next/types/validator.ts ;;
    rules) check_aside rules node node_modules/dependency-cruiser/bin/dependency-cruise.mjs src scripts tests --config .dependency-cruiser.cjs ;;
  esac
}

# Once Falto is built and Debian has brought its own, as two cannot ask it at once.
begin_server() {
  wait_for_check build
  wait "$debian" || true
  tell_checks
  start_test_server
}

test_falto() {
  local parts=${*:-lint rules unit reference api e2e} part of_node debian=''
  of_node=$(printf '%s\n' $parts | grep -xE 'unit|reference' | paste -sd' ' || true)
  # What Debian has to bring comes meanwhile; if it does not, it is asked for again where it is needed, and says why.
  case " $parts " in *" api "* | *" e2e "*) (ensure_postgres && ensure_chromium) >/dev/null 2>&1 & debian=$! ;; esac
  ensure_modules
  CHECKS_DIR=$(mktemp -d)
  for part in $parts; do begin_checks "$part"; done
  case " $parts " in *" api "* | *" e2e "*) check build build_ahead ;; esac
  for part in $parts; do
    case "$part" in
      lint | rules) ;;
      unit | reference)
        # Both in one go: neither waits for the last suite of the other.
        if [ -n "$of_node" ]; then begin_node_tests "$of_node"; fi
        of_node='' ;;
      api)
        begin_server
        # Twenty thousand requests leave the server no time for others, but the machine some for tests that ask none.
        run_jest_apart api 'hostile\.test' 2
        finish_node_tests ;;
      e2e)
        begin_server
        finish_node_tests
        ensure_chromium
        # Every file has a browser and clients of its own; more than two of them would only wait for the one server.
        run_jest e2e --maxWorkers="${FALTO_BROWSERS:-2}" ;;
      *) die "there is no part \"$part\"; the parts are lint rules unit reference api e2e" ;;
    esac
  done
  finish_node_tests
  finish_checks
  printf '%s passed, %s failed, %s skipped\n' "$(counted 1)" "$(counted 2)" "$(counted 3)"
  [ "$(counted 2)" -eq 0 ]
}
