# What runs, and how many seconds in.
phase() { say "kitto: $* ($SECONDS s)"; }
run_tests() {
  SECONDS=0
  need_dotnet; need_node; need_postgres; need_chromium
  # Packages come from two registries at once; what is wrong with them is said by what needs them.
  dotnet restore "$ROOT/Kitto.slnx" -v quiet >/dev/null 2>&1 &
  local packages=$!
  npm_ready "$ROOT/tests/browser"
  front_end
  wait "$packages" || true
  app_ready
  need_pictures
  phase "building the tests"
  build Kitto.slnx
  console_ready
  # The bench writes the colours that an independent library checks; it is wanted with the scripts, and made beside the engine's tests.
  build bench/Kitto.Bench/Kitto.Bench.csproj &
  local bench=$!
  # Tests keep to a cluster of their own; each test class and the browser run make databases of their own in it.
  PG_EXTRA="-c fsync=off -c synchronous_commit=off -c full_page_writes=off -c max_connections=200" cluster_start pg-test
  cluster_use pg-test $$
  trap 'cluster_leave pg-test $$' EXIT
  export KITTO_TEST_SERVER
  KITTO_TEST_SERVER="Host=127.0.0.1;Port=$PG_PORT;Username=kitto;Password=$PG_PASSWORD"
  local passed=0 failed=0 name out line
  for name in Kitto.Core.Tests Kitto.Web.Tests; do
    out="$HOME_DIR/$name.log"
    phase "$name"
    # From here on applications live shortly on a busy machine: little is called often enough to be worth compiling again.
    [ "$name" = Kitto.Core.Tests ] || export DOTNET_TieredPGO=0 DOTNET_TC_CallCountThreshold=400
    dotnet "$ROOT/tests/$name/bin/Release/net10.0/$name.dll" -noColor >"$out" 2>&1 || true
    line="$(grep -E 'Total: [0-9]+, Errors: [0-9]+, Failed: [0-9]+' "$out" | tail -n 1 || true)"
    if [ -z "$line" ]; then cat "$out"; say "kitto: $name did not finish"; failed=$((failed + 1)); continue; fi
    local total errors wrong skipped
    total="$(sed -E 's/.*Total: ([0-9]+).*/\1/' <<<"$line")"; errors="$(sed -E 's/.*Errors: ([0-9]+).*/\1/' <<<"$line")"
    wrong="$(sed -E 's/.*Failed: ([0-9]+).*/\1/' <<<"$line")"; skipped="$(sed -E 's/.*Skipped: ([0-9]+).*/\1/' <<<"$line")"
    [ $((errors + wrong)) -gt 0 ] && cat "$out"
    say "kitto: $name $line"
    passed=$((passed + total - wrong - skipped)); failed=$((failed + wrong + errors))
  done
  phase "scripts"
  wait "$bench" || { say "kitto: the bench could not be built"; failed=$((failed + 1)); }
  out="$HOME_DIR/scripts.log"
  node --test --test-reporter=tap "$ROOT"/tests/front/*.test.mjs "$ROOT"/tests/browser/*.test.mjs >"$out" 2>&1 || cat "$out"
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
