# ./falto drill: faults on purpose, and whether anything that was acknowledged is lost or doubled.

drill_falto() {
  local what=${1:-visits}
  [ "$what" = visits ] || die "drill knows \"visits\"; there was \"$what\"."
  ensure_postgres
  ensure_modules
  DRILL_DIR=$(mktemp -d)
  chmod 755 "$DRILL_DIR"
  trap 'end_drill' EXIT
  trap 'exit 130' INT TERM
  HOME_DIR=$DRILL_DIR
  load_secrets
  ensure_build
  local how
  for how in undisturbed killed; do
    say "$how: a salon of its own"
    init_cluster "$DRILL_DIR/$how"
    start_cluster "$DRILL_DIR/$how" 55410
    FALTO_TEST_URL="http://127.0.0.1:$(free_port 4510)"
    export FALTO_TEST_URL BETTER_AUTH_URL="$FALTO_TEST_URL"
    node --import tsx src/db/migrate.ts
    node --import tsx scripts/seed.ts >/dev/null
    node --import tsx tests/drill/visits.ts "$how" "$DRILL_DIR/$how.json"
    stop_cluster "$DRILL_DIR/$how"
  done
  cmp "$DRILL_DIR/undisturbed.json" "$DRILL_DIR/killed.json" ||
    { diff "$DRILL_DIR/undisturbed.json" "$DRILL_DIR/killed.json" | cut -c1-200 | head -n 40; die "the two differ, as the lines above say."; }
  say "every visit's page and every learned figure is the same"
}

end_drill() {
  local how
  for how in undisturbed killed; do stop_cluster "$DRILL_DIR/$how" || true; done
  rm -rf "$DRILL_DIR"
}
