# ./falto export and ./falto restore: the whole database as one file; ./falto salon: a salon in it.

open_database() {
  ensure_postgres
  choose_home
  load_secrets
  init_cluster "$HOME_DIR/data"
  RUNNING=$(cluster_pid "$HOME_DIR/data")
  start_cluster "$HOME_DIR/data" "${FALTO_DB_PORT:-54310}" >&2
  trap '[ -n "$RUNNING" ] || stop_cluster "$HOME_DIR/data"' EXIT
}

make_salon() {
  [ -n "${2:-}" ] || die 'say what the salon is called and the e-mail of its owner: ./falto salon "NAME" E-MAIL'
  open_database
  ensure_modules >&2
  BETTER_AUTH_URL=${BETTER_AUTH_URL:-http://127.0.0.1:4310}
  export BETTER_AUTH_URL
  node --import tsx src/db/migrate.ts
  node --import tsx scripts/salon.ts "$@"
}

export_falto() {
  [ -n "${1:-}" ] || die "say where to write: ./falto export FILE"
  [ ! -e "$1" ] || die "$1 is there already; choose another name, nothing was overwritten."
  open_database
  "$PG_BIN/pg_dump" --format=custom --dbname="$DATABASE_URL" >"$1.part" || { rm -f "$1.part"; die "the export failed; nothing was written."; }
  mv "$1.part" "$1"
  say "wrote $1."
}

restore_falto() {
  [ -s "${1:-}" ] || die "say which file to restore: ./falto restore FILE"
  open_database
  if "$PG_BIN/psql" "$DATABASE_URL" -Atqc "select 1 from information_schema.tables where table_name = 'salon'" | grep -q 1; then
    die "this database holds data already. Set FALTO_DATA to a new folder to restore beside it; nothing was changed."
  fi
  "$PG_BIN/pg_restore" --single-transaction --exit-on-error --dbname="$DATABASE_URL" "$1" || die "$1 could not be restored; nothing was changed."
  say "restored $1."
}
