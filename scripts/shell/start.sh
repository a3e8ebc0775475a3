# ./falto start and ./falto stop.

start_falto() {
  local lan='' salon='' word
  for word in "$@"; do
    case "$word" in
      --lan) lan=yes ;;
      --salon) salon=yes ;;
      *) die "start knows --salon and --lan and nothing else; there was \"$word\"." ;;
    esac
  done
  ensure_postgres
  choose_home
  exec 9>"$HOME_DIR/lock"
  if ! flock -n 9; then
    say "Falto is running already: $(cat "$HOME_DIR/url" 2>/dev/null || echo 'it is just starting'). Nothing was started; ./falto stop ends it."
    exit 0
  fi
  if [ -s "$HOME_DIR/pid" ]; then
    clear_leftovers
  fi
  ensure_modules
  load_secrets
  # A database that the environment names is somebody else's to start and stop.
  if [ -z "${DATABASE_URL:-}" ]; then
    init_cluster "$HOME_DIR/data"
    start_cluster "$HOME_DIR/data" "${FALTO_DB_PORT:-24310}"
  fi
  trap 'finish' EXIT
  trap 'exit 0' INT TERM
  local wanted=${FALTO_PORT:-4310} port
  port=$(free_port "$wanted")
  [ "$port" = "$wanted" ] || say "port $wanted is taken by another program; Falto uses $port."
  export BETTER_AUTH_URL="http://127.0.0.1:$port"
  if [ -n "$lan" ]; then
    local lan_port
    lan_port=$(free_port "${FALTO_LAN_PORT:-4443}")
    FALTO_LAN_ORIGINS=$(node scripts/run.mjs scripts/lan.ts origins "$lan_port") || die "it was not started for the local network."
    export FALTO_LAN_ORIGINS
  fi
  export FALTO_MAIL_DIR=${FALTO_MAIL_DIR:-$HOME_DIR/mail}
  node scripts/run.mjs src/db/migrate.ts
  if [ -n "$salon" ]; then begin_salon; else begin_demo; fi
  ensure_build
  # The lock belongs to this shell and not to what it starts, so that a killed start leaves none behind.
  "${SERVER_COMMAND[@]}" -p "$port" >"$HOME_DIR/server.log" 2>&1 9>&- &
  SERVER=$!
  printf '%s %s' "$$" "$SERVER" >"$HOME_DIR/pid"
  until port_busy "$port"; do
    kill -0 "$SERVER" 2>/dev/null || { tail -n 20 "$HOME_DIR/server.log" >&2; die "the server ended at once; the lines above are from $HOME_DIR/server.log."; }
    sleep 0.2
  done
  printf '%s' "$BETTER_AUTH_URL" >"$HOME_DIR/url"
  if [ -n "$lan" ]; then
    node scripts/run.mjs scripts/lan.ts serve "$lan_port" "$HOME_DIR" "$BETTER_AUTH_URL" >>"$HOME_DIR/server.log" 2>&1 9>&- &
    LAN=$!
    say "for tablets in this network: $(printf '%s' "$FALTO_LAN_ORIGINS" | paste -sd' '). Its certificate is this machine's own; docs/guide.md says how a tablet is told to trust it."
  fi
  if [ -n "${FALTO_SETUP_KEY:-}" ]; then
    say "ready (Ctrl-C stops it). Set your salon up at $BETTER_AUTH_URL/set-up?key=$FALTO_SETUP_KEY"
  else
    say "ready at $BETTER_AUTH_URL (Ctrl-C stops it)"
  fi
  wait "$SERVER" || die "the server ended unexpectedly; see $HOME_DIR/server.log."
}

# Which salons are kept: "demo", "real" or nothing.
kept_salons() {
  run_pg "$DATABASE_URL" psql -Atqc "select case when bool_or(demo) then 'demo' when count(*) > 0 then 'real' end from salon"
}

# A salon of one's own: nothing of the demo, and a key for whoever sets it up.
begin_salon() {
  unset FALTO_DEMO_PASSWORD
  case "$(kept_salons)" in
    demo) die "the invented salon is kept in $HOME_DIR, and a real one never stands beside it. Set FALTO_DATA to another folder: FALTO_DATA=~/my-salon ./falto start --salon" ;;
    real) ;;
    *)
      FALTO_SETUP_KEY=$(random_word)
      export FALTO_SETUP_KEY ;;
  esac
}

# Without a word: the demo, or whatever real salon is kept here already.
begin_demo() {
  if [ "$(kept_salons)" = real ]; then
    unset FALTO_DEMO_PASSWORD
  else
    say "$(node scripts/run.mjs scripts/seed.ts)"
  fi
}

# After a start that was killed: its server may still run and hold the port.
clear_leftovers() {
  local server
  server=$(cut -d' ' -f2 "$HOME_DIR/pid")
  if [ -n "$server" ] && [ "$(readlink "/proc/$server/cwd" 2>/dev/null)" = "$ROOT" ]; then
    end_server "$server"
    say "the last Falto was killed; the server it had left (process $server) was ended."
  else
    say "the last Falto ended without tidying up; its notes were cleared."
  fi
  rm -f "$HOME_DIR/pid" "$HOME_DIR/url"
}

finish() {
  trap '' INT TERM
  if [ -n "${LAN:-}" ]; then kill "$LAN" 2>/dev/null || true; fi
  if [ -n "${SERVER:-}" ]; then end_server "$SERVER"; fi
  if [ -n "${PG_PORT:-}" ]; then stop_cluster "$HOME_DIR/data" || true; fi
  rm -f "$HOME_DIR/pid" "$HOME_DIR/url"
  say "stopped."
}

stop_falto() {
  ensure_postgres
  choose_home
  local pid
  pid=$(cut -d' ' -f1 "$HOME_DIR/pid" 2>/dev/null || true)
  if [ -n "$pid" ] && kill -TERM "$pid" 2>/dev/null; then
    while kill -0 "$pid" 2>/dev/null; do sleep 0.2; done
    say "stopped the Falto that ran as process $pid."
  elif [ -d "$HOME_DIR/data" ] && [ -n "$(cluster_pid "$HOME_DIR/data")" ]; then
    stop_cluster "$HOME_DIR/data"
    say "Falto was not running, but its database was; it is stopped."
  else
    say "Falto is not running."
  fi
}
