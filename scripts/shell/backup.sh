# ./falto backup and ./falto restore: everything an installation keeps, as one file; ./falto salon, pack and
# unpack: one salon in it; ./falto pictures: where their bytes lie.

# Opens the database: the one DATABASE_URL names, or this folder's own.
open_database() {
  ensure_postgres
  choose_home
  load_secrets
  trap 'close_database' EXIT
  [ -z "${DATABASE_URL:-}" ] || return 0
  init_cluster "$HOME_DIR/data"
  RUNNING=$(cluster_pid "$HOME_DIR/data")
  start_cluster "$HOME_DIR/data" "${FALTO_DB_PORT:-24310}" >&2
}

close_database() {
  [ -z "${BACKUP_DIR:-}" ] || rm -rf "$BACKUP_DIR"
  [ -n "${RUNNING-running}" ] || stop_cluster "$HOME_DIR/data"
}

# with_salons SCRIPT ARGS...: a script that works on the salons that are kept here.
with_salons() {
  open_database
  ensure_modules >&2
  BETTER_AUTH_URL=${BETTER_AUTH_URL:-http://127.0.0.1:4310}
  export BETTER_AUTH_URL
  node scripts/run.mjs src/db/migrate.ts
  node scripts/run.mjs "$@"
}

make_salon() {
  [ -n "${2:-}" ] || die 'say what the salon is called and the e-mail of its owner: ./falto salon "NAME" E-MAIL'
  with_salons scripts/salon.ts "$@"
}

# move_salon pack|unpack FILE ...
move_salon() {
  [ -n "${2:-}" ] || die "say which file: ./falto $1 FILE"
  [ "$1" = pack ] || [ -s "$2" ] || die "there is no file $2; nothing was taken in."
  with_salons scripts/move.ts "$@"
}

backup_falto() {
  local folder='' every='' keep=14
  while [ $# -gt 0 ]; do
    case "$1" in
      --every | --keep)
        [[ "${2:-}" =~ ^[1-9][0-9]*$ ]] || die "$1 needs a whole number: ./falto backup FOLDER --every HOURS --keep COUNT"
        if [ "$1" = --every ]; then every=$2; else keep=$2; fi
        shift 2 ;;
      *) folder=$1; shift ;;
    esac
  done
  [ -n "$folder" ] || die "say where to: ./falto backup FOLDER [--every HOURS] [--keep COUNT]"
  mkdir -p "$folder"
  open_database
  ensure_modules
  while :; do
    if ! write_backup "$folder" && [ -z "$every" ]; then die "no backup was written."; fi
    drop_old_backups "$folder" "$keep"
    [ -n "$every" ] || break
    sleep $((every * 3600)) &
    wait $! || break
  done
}

# Writes one backup, then restores it beside the database and holds the two against each other.
write_backup() {
  local folder=$1 file
  file=$folder/falto-$(date -u +%Y%m%dT%H%M%SZ).backup
  BACKUP_DIR=$(mktemp -d)
  export PG_BIN
  (
    set -e
    umask 077
    say "writing: $(node scripts/run.mjs scripts/backup.ts write "$BACKUP_DIR")"
    # Without it nobody's second factor can be read after a restore.
    printf 'BETTER_AUTH_SECRET=%s\n' "$BETTER_AUTH_SECRET" >"$BACKUP_DIR/secrets"
    tar -C "$BACKUP_DIR" -cf "$file.part" manifest.json secrets database.dump
    check_backup "$BACKUP_DIR"
    mv "$file.part" "$file"
  ) || { rm -rf "$BACKUP_DIR" "$file.part"; say "the backup failed; the lines above say why." >&2; return 1; }
  rm -rf "$BACKUP_DIR"
  say "wrote $file and restored it on trial."
}

# check_backup DIR: restores what lies there into a database of its own, compares and drops it.
check_backup() {
  local trial
  trial=falto_trial_$$
  run_pg "$DATABASE_URL" psql -qc "create database $trial"
  (
    DATABASE_URL=$(database_named "$trial")
    export DATABASE_URL
    run_pg "$DATABASE_URL" pg_restore --no-owner --exit-on-error "$1/database.dump" && say "checked: $(node scripts/run.mjs scripts/backup.ts compare "$1")"
  ) || { run_pg "$DATABASE_URL" psql -qc "drop database $trial"; return 1; }
  run_pg "$DATABASE_URL" psql -qc "drop database $trial"
}

# The address of another database on the same server.
database_named() { node -e 'const u = new URL(process.argv[1]); u.pathname = "/" + process.argv[2]; console.log(u.toString())' "$DATABASE_URL" "$1"; }

drop_old_backups() {
  local old
  find "$1" -maxdepth 1 -name 'falto-*.backup' | sort -r | tail -n +$(($2 + 1)) | while read -r old; do
    rm -f "$old"
    say "deleted $old; the newest $2 are kept."
  done
}

restore_falto() {
  [ -s "${1:-}" ] || die "say which file to restore: ./falto restore FILE"
  open_database
  ensure_modules
  if run_pg "$DATABASE_URL" psql -Atqc "select 1 from information_schema.tables where table_name = 'salon'" | grep -q 1; then
    die "this database holds data already. Set FALTO_DATA to a new folder to restore beside it; nothing was changed."
  fi
  BACKUP_DIR=$(mktemp -d)
  tar -C "$BACKUP_DIR" -xf "$1" manifest.json secrets database.dump 2>/dev/null || die "$1 is no backup of Falto; nothing was changed."
  run_pg "$DATABASE_URL" pg_restore --no-owner --single-transaction --exit-on-error "$BACKUP_DIR/database.dump" || die "$1 could not be restored; nothing was changed."
  node scripts/run.mjs scripts/backup.ts compare "$BACKUP_DIR" || die "$1 was restored, and is not what was backed up: the lines above say where. Do not go on with it."
  take_secret "$BACKUP_DIR/secrets"
  say "restored $1; ./falto start opens it."
}

# The secret that the backup was written under becomes this installation's, where it keeps its own.
take_secret() {
  local kept=$HOME_DIR/secrets
  if [ ! -s "$kept" ]; then
    install -m 600 "$1" "$HOME_DIR/restored-secret"
    say "set BETTER_AUTH_SECRET to what stands in $HOME_DIR/restored-secret, or nobody's second factor can be read."
    return
  fi
  (umask 077 && grep -v '^BETTER_AUTH_SECRET=' "$kept" >"$kept.new" && cat "$1" >>"$kept.new")
  mv "$kept.new" "$kept"
}
