# Kills of application and database at random moments under load, on a cluster of their own that waits for the disk as in earnest.
bench_faults() {
  need_dotnet; need_node
  npm_ready "$ROOT/tests/browser"
  app_ready
  cluster_start pg-faults
  cluster_use pg-faults $$
  trap 'cluster_leave pg-faults $$' EXIT
  export KITTO_TEST_SERVER="Host=127.0.0.1;Port=$PG_PORT;Username=kitto;Password=$PG_PASSWORD" KITTO_PG_PORT="$PG_PORT" KITTO_PG_DATA="$PG_DATA"
  node "$ROOT/bench/load/faults.mjs" "$@"
}
# Asked for by the run itself after it has killed the database.
bench_faults_database() { cluster_start pg-faults; }

# The forms and files of the fuzz run, against an application of its own.
bench_fuzz_forms() {
  need_dotnet
  local port keys pid tries=0 result=0
  app_ready
  PG_EXTRA="-c fsync=off" cluster_start pg-bench
  cluster_use pg-bench $$
  trap 'cluster_leave pg-bench $$' EXIT
  port="$(free_port)"; keys="$(mktemp -d)"
  KITTO_DATABASE="$(connection "kitto_fuzz_$$")" KITTO_DEMO=1 KITTO_KEYS="$keys" KITTO_MESSAGES=off KITTO_LIMITS=1000 KITTO_OUTBOX="$keys/outbox" ASPNETCORE_URLS="http://127.0.0.1:$port" ASPNETCORE_CONTENTROOT="$HOME_DIR/app" Logging__LogLevel__Default=None dotnet "$KITTO_APP" &
  pid=$!
  until (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do tries=$((tries + 1)); [ "$tries" -lt 120 ] && kill -0 "$pid" 2>/dev/null || die "the application did not start"; sleep 0.5; done
  KITTO_URL="http://127.0.0.1:$port" dotnet "$ROOT/bench/Kitto.Bench/bin/Release/net10.0/Kitto.Bench.dll" fuzz-forms "$@" || result=$?
  kill "$pid" 2>/dev/null; wait "$pid" 2>/dev/null || true
  pg env PGPASSWORD="$PG_PASSWORD" "$PG_BIN/psql" -q -h 127.0.0.1 -p "$PG_PORT" -U kitto -d postgres -c "drop database if exists kitto_fuzz_$$ with (force)" >/dev/null 2>&1 || true
  rm -rf "$keys"
  return "$result"
}
