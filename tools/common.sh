# Shared by the launcher's commands: prerequisites, building, the private PostgreSQL cluster.
say() { printf '%s\n' "$*" >&2; }
die() { say "kitto: $*"; exit 1; }

# Debian packages are installed as root, or through sudo where that asks no password.
as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null && sudo -n true 2>/dev/null; then sudo -n "$@"; else return 1; fi
}
install_debian() {
  say "kitto: installing $* from Debian"
  mkdir -p "$HOME_DIR"
  { as_root env DEBIAN_FRONTEND=noninteractive apt-get update -qq && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@"; } >"$HOME_DIR/apt.log" 2>&1 \
    || die "could not install $*. As root, run: apt-get install $*   (the log is in $HOME_DIR/apt.log)"
}
need_dotnet() {
  command -v dotnet >/dev/null || die "the .NET 10 SDK is missing, and Debian does not package it. Install it, then run this again."
  dotnet --list-sdks | grep -q '^10\.' || die "the .NET 10 SDK is missing; found: $(dotnet --list-sdks | tr '\n' ' ')"
}
need_node() {
  command -v node >/dev/null && command -v npm >/dev/null || die "Node.js 20 with npm is missing. Install it, then run this again."
  [ "$(node -p 'Number(process.versions.node.split(".")[0])')" -ge 20 ] || die "Node.js 20 or newer is needed; found $(node --version)."
}
need_postgres() {
  PG_BIN=""
  for dir in /usr/lib/postgresql/*/bin; do [ -x "$dir/initdb" ] && PG_BIN="$dir"; done
  if [ -z "$PG_BIN" ]; then
    install_debian postgresql
    for dir in /usr/lib/postgresql/*/bin; do [ -x "$dir/initdb" ] && PG_BIN="$dir"; done
  fi
  [ -n "$PG_BIN" ] || die "PostgreSQL is missing. As root, run: apt-get install postgresql"
}
need_chromium() { [ -x /usr/bin/chromium ] || install_debian chromium fonts-dejavu-core; [ -x /usr/bin/chromium ] || die "Chromium is missing. As root, run: apt-get install chromium"; }

# What the library that opens pictures asks of the machine; it exists for x64 alone, elsewhere pictures are not measured.
need_pictures() {
  local library="$HOME_DIR/app/runtimes/linux-x64/native/libOpenCvSharpExtern.so"
  [ -f "$library" ] && [ "$(uname -m)" = x86_64 ] && ldd "$library" | grep -q "not found" || return 0
  install_debian libgtk-3-0 libatomic1 libdrm2 libfreetype6 libharfbuzz0b
}

# True when the built file is missing or older than anything it is built from.
stale() {
  local built="$1"; shift
  [ -f "$built" ] || return 0
  [ -n "$(find "$@" "$ROOT/Directory.Build.props" "$ROOT/Directory.Packages.props" \( -name bin -o -name obj -o -name node_modules -o -name lib \) -prune -o -type f -newer "$built" -print -quit)" ]
}
# One compiler serves all the projects of a build, whatever the machine's own setting is, and ends with it; COMPILER_STAYS keeps it for the next.
COMPILER="kitto-$$"
ONE_COMPILER=(-p:UseSharedCompilation=true "-p:SharedCompilationId=$COMPILER")
compiler_stop() {
  [ -z "${COMPILER_STAYS:-}" ] || return 0
  local sdks; sdks="$(dirname "$(readlink -f "$(command -v dotnet)")")/sdk/$(dotnet --version)"
  dotnet "$sdks/Roslyn/bincore/VBCSCompiler.dll" "-pipename:$COMPILER" -shutdown >/dev/null 2>&1 || true
}
build() {
  local log="$HOME_DIR/build.log"
  mkdir -p "$HOME_DIR"
  local locked=""
  [ -n "${CI:-}" ] && locked="-p:RestoreLockedMode=true"
  dotnet build "$ROOT/$1" -c Release --nologo -v quiet "${ONE_COMPILER[@]}" $locked >"$log" 2>&1 || { COMPILER_STAYS="" compiler_stop; cat "$log" >&2; die "the build failed"; }
  compiler_stop
  # The build leaves an unchanged file as old as it was; mark it as seen.
  find "$ROOT"/src/*/bin/Release "$ROOT"/tests/*/bin/Release -maxdepth 2 -name '*itto*.dll' -exec touch {} + 2>/dev/null || true
}
# The application as it is served, published: its styles, scripts and fonts are compressed, and their addresses hold what is in them.
app_ready() {
  app="$HOME_DIR/app/Kitto.Web.dll"
  export KITTO_APP="$app"
  front_end
  stale "$app" "$ROOT/src" "$ROOT/data" || return 0
  need_dotnet
  say "kitto: building"
  mkdir -p "$HOME_DIR"
  local locked=""
  [ -n "${CI:-}" ] && locked="-p:RestoreLockedMode=true"
  rm -rf "$HOME_DIR/app.new"
  dotnet publish "$ROOT/src/Kitto.Web" -c Release -o "$HOME_DIR/app.new" --nologo -v quiet "${ONE_COMPILER[@]}" $locked >"$HOME_DIR/build.log" 2>&1 || { COMPILER_STAYS="" compiler_stop; cat "$HOME_DIR/build.log" >&2; die "the build failed"; }
  compiler_stop
  rm -rf "$HOME_DIR/app" && mv "$HOME_DIR/app.new" "$HOME_DIR/app"
  find "$HOME_DIR/app" -name '*itto*.dll' -exec touch {} +
}
# The console, compiled ahead for this machine so that it answers at once; where that cannot be had, the plain build does.
console_ready() {
  console="$HOME_DIR/console/kitto-console.dll"
  stale "$console" "$ROOT/src/Kitto.Core" "$ROOT/src/Kitto.Console" "$ROOT/data" || return 0
  need_dotnet
  mkdir -p "$HOME_DIR/ahead"
  # The same sources were looked at by the plain build; here they are only compiled for one machine.
  local machine=""
  case "$(uname -m)" in x86_64) machine=linux-x64 ;; aarch64) machine=linux-arm64 ;; esac
  if [ -n "$machine" ] && dotnet publish "$ROOT/src/Kitto.Console" -c Release -r "$machine" --no-self-contained -p:PublishReadyToRun=true -p:UseAppHost=false -p:RunAnalyzers=false "${ONE_COMPILER[@]}" \
      -o "$HOME_DIR/console.new" --nologo -v quiet >"$HOME_DIR/ahead.log" 2>&1; then
    rm -rf "$HOME_DIR/console" && mv "$HOME_DIR/console.new" "$HOME_DIR/console"
    find "$HOME_DIR/console" -name '*.dll' -exec touch {} +
    compiler_stop
  else
    console="$ROOT/src/Kitto.Console/bin/Release/net10.0/kitto-console.dll"
    if stale "$console" "$ROOT/src/Kitto.Core" "$ROOT/src/Kitto.Console" "$ROOT/data"; then build src/Kitto.Console/Kitto.Console.csproj; fi
  fi
}
# Runs npm ci when the lock file is newer than what is installed.
npm_ready() {
  local dir="$1"; shift
  if [ ! -f "$dir/node_modules/.kitto" ] || [ "$dir/package-lock.json" -nt "$dir/node_modules/.kitto" ]; then
    need_node
    mkdir -p "$HOME_DIR"
    (cd "$dir" && PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --no-audit --no-fund "$@" >"$HOME_DIR/npm.log" 2>&1) || { cat "$HOME_DIR/npm.log" >&2; die "npm could not install what $dir needs"; }
    touch "$dir/node_modules/.kitto"
  fi
}
# What the browser gets is made from src/Kitto.Web/front whenever that, or a package it is made of, is newer.
front_end() {
  local web="$ROOT/src/Kitto.Web"
  npm_ready "$web"
  if [ ! -f "$web/wwwroot/lib/guide.js" ] || [ -n "$(find "$web/front" "$web/node_modules/.kitto" -path "$web/front/made" -prune -o -type f -newer "$web/wwwroot/lib/guide.js" -print -quit)" ]; then
    node "$web/front/build.mjs" || die "the styles and scripts could not be made"
  fi
}
free_port() {
  local port
  while :; do
    port=$((20000 + RANDOM % 30000))
    (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null || { echo "$port"; return; }
  done
}

# --- the private cluster: loopback only, password only, no Unix socket ---
# PostgreSQL refuses to run as root, so root runs it as the system user postgres, in a folder that user owns.
PG_AS=()
cluster_home() {
  local name="$1"
  PG_HOME="$HOME_DIR/$name"
  PG_AS=()
  mkdir -p "$HOME_DIR"
  if [ "$(id -u)" = 0 ]; then
    id postgres >/dev/null 2>&1 || die "the system user postgres is missing; Debian's postgresql package makes it"
    PG_AS=(runuser -u postgres --)
    # A project in a folder that postgres may not enter keeps its cluster outside it.
    if ! "${PG_AS[@]}" test -x "$HOME_DIR"; then
      PG_HOME="/var/lib/kitto/$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)/$name"
      install -d -m 755 /var/lib/kitto
    fi
    [ -d "$PG_HOME" ] || install -d -m 700 -o postgres -g postgres "$PG_HOME"
    [ "$(dirname "$PG_HOME")" = "$HOME_DIR" ] || chmod 755 "$(dirname "$PG_HOME")"
  else
    mkdir -p "$PG_HOME" 2>/dev/null && [ -O "$PG_HOME" ] || die "$PG_HOME belongs to another user. Remove $HOME_DIR as that user, or run as that user."
  fi
  PG_DATA="$PG_HOME/data"
}
# Runs a PostgreSQL tool as the cluster's user, from a folder that user may read.
pg() { (cd / && "${PG_AS[@]}" "$@"); }

# Whether the cluster's server runs. One that was killed may stay in the process table where nobody collects it; pg_ctl takes that for alive.
# Its backends end within moments of it; then its note is in the way of a new one.
pg_running() {
  local server
  pg "$PG_BIN/pg_ctl" -D "$PG_DATA" status >/dev/null 2>&1 || return 1
  server="$(pg head -n 1 "$PG_DATA/postmaster.pid" 2>/dev/null)" || return 1
  [ "$(cut -d ' ' -f 3 "/proc/$server/stat" 2>/dev/null)" = Z ] || return 0
  sleep 1
  pg rm -f "$PG_DATA/postmaster.pid"
  return 1
}

cluster_start() {
  need_postgres
  cluster_home "$1"
  if ! pg test -f "$PG_DATA/PG_VERSION"; then
    pg sh -c "umask 077; od -An -N16 -tx1 /dev/urandom | tr -d ' \n' > '$PG_HOME/password'"
    pg rm -rf "$PG_DATA.new"
    pg "$PG_BIN/initdb" -D "$PG_DATA.new" -U kitto --pwfile="$PG_HOME/password" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$HOME_DIR/initdb.log" 2>&1 \
      || { cat "$HOME_DIR/initdb.log" >&2; die "the database could not be made"; }
    pg mv "$PG_DATA.new" "$PG_DATA"
  fi
  local made_with
  made_with="$(pg cat "$PG_DATA/PG_VERSION")"
  [ -x "/usr/lib/postgresql/$made_with/bin/postgres" ] && PG_BIN="/usr/lib/postgresql/$made_with/bin"
  if pg_running; then
    PG_PORT="$(pg sed -n 4p "$PG_DATA/postmaster.pid" | tr -d ' ')"
    pg "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$PG_PORT" -t 10 || true
  else
    local try
    for try in 1 2 3 4 5; do
      PG_PORT="${KITTO_PG_PORT:-$(free_port)}"
      if pg_up; then break; fi
      [ "$try" = 5 ] && { pg tail -n 20 "$PG_HOME/log" >&2 || true; die "the database did not start"; }
      sleep 1
    done
  fi
  PG_PASSWORD="$(pg cat "$PG_HOME/password")"
}
# Waits for shared memory of a killed server to be let go.
pg_up() {
  pg "$PG_BIN/pg_ctl" -D "$PG_DATA" -l "$PG_HOME/log" -w -t 60 -s \
    -o "-p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' ${PG_EXTRA:-}" start >/dev/null 2>&1
}
# Who uses the cluster is noted by process id; the last one alive stops it.
cluster_use() { mkdir -p "$HOME_DIR/users-$1"; : > "$HOME_DIR/users-$1/$2"; }
cluster_leave() {
  local name="$1" note
  rm -f "$HOME_DIR/users-$name/$2"
  for note in "$HOME_DIR/users-$name"/*; do
    [ -e "$note" ] || continue
    if kill -0 "$(basename "$note")" 2>/dev/null; then return 0; fi
    rm -f "$note"
  done
  pg "$PG_BIN/pg_ctl" -D "$PG_DATA" -m fast -w -s stop >/dev/null 2>&1 || true
}
connection() { echo "Host=127.0.0.1;Port=$PG_PORT;Username=kitto;Password=$PG_PASSWORD;Database=$1"; }
