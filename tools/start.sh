# shellcheck source=tools/backup.sh
source "$ROOT/tools/backup.sh"
start() {
  local port=5280 demo=1 given_port=0
  while [ $# -gt 0 ]; do
    case "$1" in
      --port) port="${2:-}"; given_port=1; [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1024 ] && [ "$port" -le 65535 ] || die "--port wants a number, 1024 to 65535"; shift 2 ;;
      --no-demo) demo=0; shift ;;
      *) die "start does not know '$1'; it knows --port N and --no-demo" ;;
    esac
  done
  need_dotnet
  app_ready
  # All else works without it.
  (need_pictures) || say "kitto: pictures cannot be measured on this machine until that is installed"
  if (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; then
    [ "$given_port" = 1 ] && die "port $port is taken; choose another with --port"
    port="$(free_port)"
  fi

  local own=0
  if [ -z "${KITTO_DATABASE:-}" ]; then
    own=1
    cluster_start pg
    # The demo has a database of its own, so that --no-demo never meets it.
    KITTO_DATABASE="$(connection "$([ "$demo" = 1 ] && echo kitto_demo || echo kitto)")"
  fi
  mkdir -p "$HOME_DIR/keys"
  chmod 700 "$HOME_DIR/keys"
  export KITTO_DATABASE KITTO_DEMO="$demo" KITTO_KEYS="$HOME_DIR/keys" KITTO_OUTBOX="${KITTO_OUTBOX:-$HOME_DIR/outbox}"
  export ASPNETCORE_URLS="http://127.0.0.1:$port" ASPNETCORE_CONTENTROOT="$HOME_DIR/app" ASPNETCORE_ENVIRONMENT=Production Logging__LogLevel__Default=Warning
  # The app is started again when it dies, after a pause that grows while it keeps dying; the database likewise, where it was.
  local pid=0 stopping=0 up_since=0 pause=1 been_up=0
  trap 'stopping=1; [ "$pid" -gt 0 ] && kill "$pid" 2>/dev/null; wait "$pid" 2>/dev/null; exit 0' INT TERM
  trap '[ "'"$own"'" = 1 ] && cluster_leave pg "$pid"' EXIT
  while :; do
    dotnet "$KITTO_APP" &
    pid=$!
    [ "$own" = 1 ] && cluster_use pg "$pid"
    local tries=0
    until (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do
      kill -0 "$pid" 2>/dev/null || break
      tries=$((tries + 1)); [ "$tries" -lt 240 ] || die "the application did not answer on port $port within two minutes"
      sleep 0.5 & wait $! || true
      database_up "$own"
    done
    if kill -0 "$pid" 2>/dev/null; then
      [ "$been_up" = 1 ] && say "kitto: the application is back"
      [ "$been_up" = 1 ] || echo "Kitto is at http://127.0.0.1:$port"
      been_up=1
      up_since=$SECONDS
      while kill -0 "$pid" 2>/dev/null; do
        sleep 2 & wait -n "$!" "$pid" 2>/dev/null || true
        database_up "$own"
        backup_nightly
      done
      # Up for a minute, it was well: the next pause is a short one again.
      [ $((SECONDS - up_since)) -ge 60 ] && pause=1
    fi
    [ "$stopping" = 1 ] && exit 0
    [ "$been_up" = 1 ] || die "the application stopped; what it said stands above"
    [ "$own" = 1 ] && rm -f "$HOME_DIR/users-pg/$pid"
    say "kitto: the application stopped; starting it again in $pause s"
    sleep "$pause" & wait $! || true
    pause=$((pause * 2)); [ "$pause" -le 60 ] || pause=60
    database_up "$own"
  done
}

# Leave to make one more studio in the database that start serves.
studio() {
  local demo=1
  case "${1:-}" in "") ;; --no-demo) demo=0 ;; *) die "studio does not know '$1'; it knows --no-demo" ;; esac
  need_dotnet
  app_ready
  if [ -z "${KITTO_DATABASE:-}" ]; then
    cluster_start pg
    cluster_use pg $$
    trap 'cluster_leave pg $$' EXIT
    KITTO_DATABASE="$(connection "$([ "$demo" = 1 ] && echo kitto_demo || echo kitto)")"
  fi
  export KITTO_DATABASE
  say "kitto: open this once, within seven days, under the address the site is at:"
  dotnet "$KITTO_APP" leave
}

# Should the private database be killed, it is started again where it was.
database_up() {
  local own="$1"
  [ "$own" = 1 ] || return 0
  if ! pg_running; then
    say "kitto: the database stopped; starting it again"
    pg_up || true
  fi
}
