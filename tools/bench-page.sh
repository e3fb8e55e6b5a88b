# The prescription page under load (page), or what the pages weigh on a slow line (weight), with an application, a database cluster and a browser of its own.
bench_page() {
  local what="$1"; shift
  need_dotnet; need_node; need_chromium
  front_end
  npm_ready "$ROOT/tests/browser"
  app_ready
  # The disk is waited for as in earnest.
  PG_EXTRA="-c max_connections=200 -c session_preload_libraries=auto_explain -c auto_explain.log_min_duration=15 -c auto_explain.log_analyze=on -c auto_explain.log_nested_statements=on" cluster_start pg-bench
  cluster_use pg-bench $$
  trap 'cluster_leave pg-bench $$' EXIT
  export KITTO_TEST_SERVER="Host=127.0.0.1;Port=$PG_PORT;Username=kitto;Password=$PG_PASSWORD"
  [ "$what" = nodes ] && build bench/Kitto.Proxy/Kitto.Proxy.csproj
  node "$ROOT/bench/load/$what.mjs" "$@"
}
