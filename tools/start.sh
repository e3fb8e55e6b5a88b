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
  front_end
  local app="$ROOT/src/Kitto.Web/bin/Release/net10.0/Kitto.Web.dll"
  if stale "$app" "$ROOT/src" "$ROOT/data"; then say "kitto: building"; build src/Kitto.Web/Kitto.Web.csproj; fi
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
  export ASPNETCORE_URLS="http://127.0.0.1:$port" ASPNETCORE_CONTENTROOT="$ROOT/src/Kitto.Web" ASPNETCORE_ENVIRONMENT=Production Logging__LogLevel__Default=Warning
  dotnet "$app" &
  local pid=$!
  [ "$own" = 1 ] && cluster_use pg "$pid"
  trap 'kill "'"$pid"'" 2>/dev/null; wait "'"$pid"'" 2>/dev/null; exit 0' INT TERM
  trap '[ "'"$own"'" = 1 ] && cluster_leave pg "'"$pid"'"' EXIT
  local tries=0
  until (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do
    kill -0 "$pid" 2>/dev/null || die "the application stopped; what it said stands above"
    tries=$((tries + 1)); [ "$tries" -lt 240 ] || die "the application did not answer on port $port within two minutes"
    sleep 0.5
  done
  echo "Kitto is at http://127.0.0.1:$port"
  # Should the database be killed, it is started again where it was.
  while kill -0 "$pid" 2>/dev/null; do
    sleep 2 & wait $! || true
    if [ "$own" = 1 ] && kill -0 "$pid" 2>/dev/null && ! pg "$PG_BIN/pg_ctl" -D "$PG_DATA" status >/dev/null 2>&1; then
      say "kitto: the database stopped; starting it again"
      pg_up || true
    fi
  done
  wait "$pid" || die "the application stopped with an error"
}
