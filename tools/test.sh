# What runs, and how many seconds in.
phase() { say "kitto: $* ($SECONDS s)"; }
# Tests come in another order each time, so that none can depend on it; KITTO_SEED=N repeats one.
KITTO_SEED="${KITTO_SEED:-$((RANDOM * 32768 + RANDOM))}"
# Runs the tests of a project that is built, and counts them into passed and failed of who calls.
run_xunit() {
  local out="$HOME_DIR/$1.log" line total errors wrong skipped
  phase "$1, in the order of KITTO_SEED=$KITTO_SEED"
  dotnet "$ROOT/tests/$1/bin/Release/net10.0/$1.dll" ":$KITTO_SEED" -noColor >"$out" 2>&1 || true
  line="$(grep -E 'Total: [0-9]+, Errors: [0-9]+, Failed: [0-9]+' "$out" | tail -n 1 || true)"
  if [ -z "$line" ]; then cat "$out"; say "kitto: $1 did not finish"; failed=$((failed + 1)); return; fi
  total="$(sed -E 's/.*Total: ([0-9]+).*/\1/' <<<"$line")"; errors="$(sed -E 's/.*Errors: ([0-9]+).*/\1/' <<<"$line")"
  wrong="$(sed -E 's/.*Failed: ([0-9]+).*/\1/' <<<"$line")"; skipped="$(sed -E 's/.*Skipped: ([0-9]+).*/\1/' <<<"$line")"
  [ $((errors + wrong)) -gt 0 ] && cat "$out"
  say "kitto: $line"
  passed=$((passed + total - wrong - skipped)); failed=$((failed + wrong + errors))
}
run_tests() {
  SECONDS=0
  need_dotnet; need_node; need_postgres; need_chromium
  # Packages come from two registries at once; what is wrong with them is said by what needs them.
  dotnet restore "$ROOT/Kitto.slnx" -v quiet >/dev/null 2>&1 &
  local packages=$!
  npm_ready "$ROOT/tests/browser"
  front_end
  wait "$packages" || true
  # shellcheck disable=SC2034
  COMPILER_STAYS=1
  app_ready
  need_pictures
  phase "building the tests"
  build Kitto.slnx
  console_ready
  # The bench writes the colours that an independent library checks with the scripts.
  build bench/Kitto.Bench/Kitto.Bench.csproj
  COMPILER_STAYS="" compiler_stop
  # Tests keep to a cluster of their own; each test class and the browser run make databases of their own in it.
  PG_EXTRA="-c fsync=off -c synchronous_commit=off -c full_page_writes=off -c max_connections=200" cluster_start pg-test
  cluster_use pg-test $$
  trap 'cluster_leave pg-test $$' EXIT
  export KITTO_TEST_SERVER
  KITTO_TEST_SERVER="Host=127.0.0.1;Port=$PG_PORT;Username=kitto;Password=$PG_PASSWORD"
  local passed=0 failed=0 out
  run_xunit Kitto.Core.Tests
  # From here on applications live shortly on a busy machine: little is called often enough to be worth compiling again.
  export DOTNET_TieredPGO=0 DOTNET_TC_CallCountThreshold=400
  # The scripts' own tests go beside the application's.
  out="$HOME_DIR/scripts.log"
  node --test --test-reporter=tap "$ROOT"/tests/front/*.test.mjs "$ROOT"/tests/browser/*.test.mjs >"$out" 2>&1 &
  local scripts=$!
  run_xunit Kitto.Web.Tests
  wait "$scripts" || cat "$out"
  passed=$((passed + $(sed -n 's/^# pass //p' "$out" | tail -n 1 | grep . || echo 0))); failed=$((failed + $(sed -n 's/^# fail //p' "$out" | tail -n 1 | grep . || echo 1)))
  phase "browser"
  out="$HOME_DIR/browser.json"
  rm -f "$out"
  (cd "$ROOT/tests/browser" && PLAYWRIGHT_JSON_OUTPUT_NAME="$out" PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npx playwright test --reporter=list,json) >"$HOME_DIR/browser.log" 2>&1 || true
  if [ -s "$out" ]; then
    local good bad
    good="$(node -p 'const s=require(process.argv[1]).stats; s.expected+s.flaky' "$out")"
    bad="$(node -p 'const s=require(process.argv[1]).stats; s.unexpected' "$out")"
    [ "$bad" -gt 0 ] && cat "$HOME_DIR/browser.log"
    [ "$(node -p 'require(process.argv[1]).stats.flaky' "$out")" = 0 ] || { say "kitto: passed only when tried again, and wants looking at:"; sed -n '/ flaky$/,/ passed/p' "$HOME_DIR/browser.log" >&2; }
    [ "$((good + bad))" -gt 0 ] || { cat "$HOME_DIR/browser.log"; bad=1; }
    passed=$((passed + good)); failed=$((failed + bad))
  else
    cat "$HOME_DIR/browser.log"; failed=$((failed + 1))
  fi
  phase "all done"
  echo "$passed passed, $failed failed"
  [ "$failed" -eq 0 ] && [ "$passed" -gt 0 ]
}
