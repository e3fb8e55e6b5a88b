# Format and lint of everything that is written by hand: C#, scripts, styles, shell. Nothing is changed without --fix.
LINT_SCRIPTS=(src/Kitto.Web/front/*.mjs src/Kitto.Web/front/scripts tests/front tests/browser/*.mjs bench/load tools/lint/*.mjs)
lint() {
  need_dotnet; need_node
  command -v shellcheck >/dev/null || install_debian shellcheck
  npm_ready "$ROOT/tools/lint"
  cd "$ROOT" || exit
  local wrong=0 csharp=check pretty=--check fix=()
  [ "${1:-}" = --fix ] && { csharp=format; pretty=--write; fix=(--fix); }
  dotnet tool restore >"$HOME_DIR/lint.log" 2>&1 || { cat "$HOME_DIR/lint.log" >&2; die "the formatter for C# could not be had"; }
  say "kitto: C#"
  dotnet csharpier "$csharp" src tests bench || wrong=1
  # The build itself checks the style of code (EnforceCodeStyleInBuild, warnings are errors); here it is only mended.
  [ "${1:-}" = --fix ] && { dotnet format style Kitto.slnx || wrong=1; }
  say "kitto: scripts and styles"
  tools/lint/node_modules/.bin/eslint --config tools/lint/eslint.config.mjs "${fix[@]}" "${LINT_SCRIPTS[@]}" || wrong=1
  tools/lint/node_modules/.bin/prettier --log-level warn "$pretty" "${LINT_SCRIPTS[@]}" src/Kitto.Web/front/styles || wrong=1
  say "kitto: shell"
  shellcheck --shell=bash kitto .ci/run tools/*.sh || wrong=1
  [ "$wrong" -eq 0 ] && say "kitto: clean"
  return "$wrong"
}
