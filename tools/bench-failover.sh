# A primary and a standby on loopback; the primary is killed under load, the standby promoted, and the application goes on.
bench_failover() {
  need_dotnet; need_node; need_postgres
  npm_ready "$ROOT/tests/browser"
  app_ready
  cluster_start pg-primary
  # From here on every acknowledged write is on the standby's disk, too.
  pg "$PG_BIN/pg_ctl" -D "$PG_DATA" -m fast -w -s stop
  local primary_data="$PG_DATA" primary_port="$PG_PORT" password="$PG_PASSWORD" standby_home standby_port
  cluster_home pg-standby
  standby_home="$PG_HOME"
  pg rm -rf "$standby_home/data"
  standby_port="$(free_port)"
  # shellcheck disable=SC2154
  trap 'for d in "'"$primary_data"'" "'"$standby_home"'/data"; do pg "$PG_BIN/pg_ctl" -D "$d" -m immediate -s stop >/dev/null 2>&1 || true; done; pg rm -rf "'"$(dirname "$primary_data")"'/data" "'"$standby_home"'/data"' EXIT
  pg "$PG_BIN/pg_ctl" -D "$primary_data" -l "$standby_home/primary.log" -w -s \
    -o "-p $primary_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c wal_level=replica -c max_wal_senders=4" start
  pg env PGPASSWORD="$password" "$PG_BIN/pg_basebackup" -h 127.0.0.1 -p "$primary_port" -U kitto -D "$standby_home/data" -R -X stream -c fast
  pg "$PG_BIN/pg_ctl" -D "$standby_home/data" -l "$standby_home/standby.log" -w -s \
    -o "-p $standby_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c hot_standby=on" start
  pg env PGPASSWORD="$password" "$PG_BIN/psql" -qAt -h 127.0.0.1 -p "$primary_port" -U kitto -d postgres -c "alter system set synchronous_standby_names = '*'" -c "select pg_reload_conf()" >/dev/null
  KITTO_PG_AS="${PG_AS[*]}" KITTO_PG_BIN="$PG_BIN" KITTO_PRIMARY="$primary_data" KITTO_STANDBY="$standby_home/data" \
    KITTO_PORTS="$primary_port $standby_port" PGPASSWORD="$password" node "$ROOT/bench/load/failover.mjs" "$@"
}

# Back to a moment: a base copy, the log that was archived since, and a mistake that is gone again.
bench_recovery() {
  need_postgres
  cluster_start pg-recovery
  pg "$PG_BIN/pg_ctl" -D "$PG_DATA" -m fast -w -s stop
  local home="$PG_HOME" data="$PG_DATA" port="$PG_PORT" moment before after
  # shellcheck disable=SC2154
  trap 'for d in "'"$data"'" "'"$home"'/again"; do pg "$PG_BIN/pg_ctl" -D "$d" -m immediate -s stop >/dev/null 2>&1 || true; done; pg rm -rf "'"$data"'" "'"$home"'/again" "'"$home"'/archive" "'"$home"'/base"' EXIT
  pg mkdir -p "$home/archive"
  pg "$PG_BIN/pg_ctl" -D "$data" -l "$home/log" -w -s \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c wal_level=replica -c archive_mode=on -c archive_command='cp %p $home/archive/%f'" start
  ask() { pg env PGPASSWORD="$PG_PASSWORD" "$PG_BIN/psql" -qAt -h 127.0.0.1 -p "$port" -U kitto -d postgres -c "$1"; }
  ask "create table word (id int primary key, said_at timestamptz default clock_timestamp())"
  pg env PGPASSWORD="$PG_PASSWORD" "$PG_BIN/pg_basebackup" -h 127.0.0.1 -p "$port" -U kitto -D "$home/base" -X stream -c fast
  ask "insert into word (id) select generate_series(1, 1000)"
  sleep 1
  moment="$(ask "select clock_timestamp()")"
  before="$(ask "select count(*) from word")"
  sleep 1
  ask "delete from word"
  ask "select pg_switch_wal()" >/dev/null
  sleep 2
  pg "$PG_BIN/pg_ctl" -D "$data" -m fast -w -s stop
  pg cp -a "$home/base" "$home/again"
  pg touch "$home/again/recovery.signal"
  pg "$PG_BIN/pg_ctl" -D "$home/again" -l "$home/log" -w -s \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c restore_command='cp $home/archive/%f %p' -c recovery_target_time='$moment' -c recovery_target_action=promote" start
  after="$(ask "select count(*) from word")"
  echo "$before rows before the mistake, none after it, $after after going back to $moment"
  [ "$before" = "$after" ]
}
