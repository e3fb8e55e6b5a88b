# Backups: a dump of the database (pictures are in it), the keys, and what was counted, in one file that only the passphrase opens.

# The connection as PostgreSQL's own tools take it.
backup_connection() {
  local demo="$1" part
  if [ -z "${KITTO_DATABASE:-}" ]; then
    cluster_start pg
    cluster_use pg $$
    trap 'cluster_leave pg $$; rm -rf "${BACKUP_WORK:-}"' EXIT
    KITTO_DATABASE="$(connection "$([ "$demo" = 1 ] && echo kitto_demo || echo kitto)")"
  else
    need_postgres
    trap 'rm -rf "${BACKUP_WORK:-}"' EXIT
  fi
  local IFS=';'
  for part in $KITTO_DATABASE; do
    case "${part%%=*}" in
      Host) export PGHOST="${part#*=}" ;;
      Port) export PGPORT="${part#*=}" ;;
      Username) export PGUSER="${part#*=}" ;;
      Password) export PGPASSWORD="${part#*=}" ;;
      Database) export PGDATABASE="${part#*=}" ;;
    esac
  done
}
backup_passphrase() {
  local again=""
  if [ -n "${KITTO_PASSPHRASE_FILE:-}" ]; then
    [ -r "$KITTO_PASSPHRASE_FILE" ] || die "KITTO_PASSPHRASE_FILE is $KITTO_PASSPHRASE_FILE, which cannot be read"
    BACKUP_PASSPHRASE="$(head -n 1 "$KITTO_PASSPHRASE_FILE")"
  elif [ -n "${KITTO_PASSPHRASE:-}" ]; then
    BACKUP_PASSPHRASE="$KITTO_PASSPHRASE"
  else
    [ -t 0 ] || die "a passphrase is needed: KITTO_PASSPHRASE_FILE names a file whose first line it is"
    read -rsp "Passphrase of the backup: " BACKUP_PASSPHRASE; echo >&2
    if [ "$1" = new ]; then read -rsp "Once more: " again; echo >&2; [ "$again" = "$BACKUP_PASSPHRASE" ] || die "the two were not the same"; fi
  fi
  [ "${#BACKUP_PASSPHRASE}" -ge 12 ] || die "the passphrase has ${#BACKUP_PASSPHRASE} characters; 12 or more are wanted"
  command -v gpg >/dev/null || install_debian gnupg
}
# gpg with a home of its own, so that nobody's settings or keys have a say; what was changed on the way is noticed when it is opened.
backup_gpg() { gpg --homedir "$BACKUP_WORK/gpg" --batch --quiet --no-symkey-cache --pinentry-mode loopback --passphrase-fd 3 "$@" 3<<<"$BACKUP_PASSPHRASE"; }
backup_work() {
  BACKUP_WORK="$(mktemp -d)"
  mkdir -m 700 "$BACKUP_WORK/gpg" "$BACKUP_WORK/in"
}
# One row a table: its name and how many rows it has.
BACKUP_COUNT="select string_agg(format('select %L || '' '' || count(*) from %I', tablename, tablename), ' union all ' order by tablename) from pg_tables where schemaname = 'public'"

# Restores into a new database and counts; says what differs.
backup_check() {
  local into="$1" from="$2" sql
  "$PG_BIN/psql" -qAtc "create database \"$into\"" postgres || return 1
  # Statements that need other rights than ours, such as comments on extensions, are not needed.
  "$PG_BIN/pg_restore" --no-owner --no-acl --no-comments --exit-on-error -d "$into" "$from/database.dump" || return 1
  sql="$("$PG_BIN/psql" -qAt -d "$into" -c "$BACKUP_COUNT")"
  "$PG_BIN/psql" -qAt -d "$into" -c "$sql" | sort >"$from/found"
  diff "$from/counted" "$from/found" >&2
}

backup() {
  local file="" demo=1
  while [ $# -gt 0 ]; do
    case "$1" in
      --no-demo) demo=0; shift ;;
      -*) die "backup does not know '$1'; it knows --no-demo and a file" ;;
      *) file="$1"; shift ;;
    esac
  done
  file="${file:-$HOME_DIR/backups/kitto-$(date -u +%Y%m%dT%H%M%SZ).backup}"
  backup_connection "$demo"
  backup_passphrase new
  backup_work
  mkdir -p "$(dirname "$file")"
  local in="$BACKUP_WORK/in" snapshot sql
  # Dump and count see the same moment: the first holds its snapshot until the other is done.
  coproc HOLD { "$PG_BIN/psql" -qAt -v ON_ERROR_STOP=1; }
  # shellcheck disable=SC2153
  local hold_pid="$HOLD_PID"
  # Of their own, for a pipe is run beside this shell and has no part in a coprocess.
  exec 5<&"${HOLD[0]}" 6>&"${HOLD[1]}"
  echo "begin isolation level repeatable read; select pg_export_snapshot();" >&6
  read -r snapshot <&5 || die "the database did not answer"
  sql="$("$PG_BIN/psql" -qAtc "$BACKUP_COUNT")"
  echo "$sql; select '.';" >&6
  while read -r line <&5 && [ "$line" != . ]; do echo "$line"; done | sort >"$in/counted"
  "$PG_BIN/pg_dump" -Fc --no-owner --no-acl --snapshot="$snapshot" -f "$in/database.dump" || die "the database could not be dumped"
  echo "commit; \\q" >&6
  exec 5<&- 6>&-
  wait "$hold_pid" 2>/dev/null || true
  mkdir "$in/keys"
  cp -a "${KITTO_KEYS:-$HOME_DIR/keys}/." "$in/keys/" 2>/dev/null || say "kitto: no keys were found; links that were made cannot be shown again after a restore, they go on working"
  rm -f "$file.new"
  tar -C "$in" -cf - . | backup_gpg --symmetric --cipher-algo AES256 --s2k-mode 3 --s2k-count 65011712 -o "$file.new" || die "the backup could not be written"
  chmod 600 "$file.new"
  # Good is what was opened again, restored, and counts the same.
  local into="kitto_check_$$" good=true says
  mkdir "$BACKUP_WORK/out"
  if backup_gpg -d "$file.new" | tar -C "$BACKUP_WORK/out" -xf - && backup_check "$into" "$BACKUP_WORK/out"; then
    mv "$file.new" "$file"
    says="$(wc -l <"$in/counted") tables, $(awk '{n += $2} END {print n}' "$in/counted") rows, $(du -h "$file" | cut -f1)"
    say "kitto: good: $says: $file"
  else
    good=false; says="it could not be restored"
  fi
  "$PG_BIN/psql" -qAtc "drop database if exists \"$into\"" postgres || true
  "$PG_BIN/psql" -qAtc "insert into backup (good, says) values ($good, '$says')" || true
  [ "$good" = true ] || die "the backup is not good: $says"
}

restore() {
  local file="" demo=1 use=0
  while [ $# -gt 0 ]; do
    case "$1" in
      --no-demo) demo=0; shift ;;
      --use) use=1; shift ;;
      -*) die "restore does not know '$1'; it knows --use, --no-demo and a file" ;;
      *) file="$1"; shift ;;
    esac
  done
  [ -r "$file" ] || die "restore wants a file of ./kitto backup that can be read"
  backup_connection "$demo"
  backup_passphrase known
  backup_work
  local in="$BACKUP_WORK/in" into
  into="kitto_restored_$(date -u +%Y%m%d%H%M%S)"
  backup_gpg -d "$file" 2>"$BACKUP_WORK/why" | tar -C "$in" -xf - 2>/dev/null || die "$file was not opened: another passphrase, or it was changed on the way"
  backup_check "$into" "$in" || { "$PG_BIN/psql" -qAtc "drop database if exists \"$into\"" postgres; die "the restored rows are not those that were counted; nothing was changed"; }
  say "kitto: good: $(wc -l <"$in/counted") tables, $(awk '{n += $2} END {print n}' "$in/counted") rows stand in the database $into"
  if [ "$use" = 0 ]; then
    say "kitto: nothing else was changed. To work with it: stop the application, then ./kitto restore --use $file"
    return
  fi
  local before="${PGDATABASE}_before_${into#kitto_restored_}"
  "$PG_BIN/psql" -qAtc "alter database \"$PGDATABASE\" rename to \"$before\"" postgres \
    || die "the database is in use: stop the application first. The restored one is $into"
  "$PG_BIN/psql" -qAtc "alter database \"$into\" rename to \"$PGDATABASE\"" postgres || die "the restored database is $into; the one before is $before"
  mkdir -p "${KITTO_KEYS:-$HOME_DIR/keys}"
  cp -an "$in/keys/." "${KITTO_KEYS:-$HOME_DIR/keys}/"
  say "kitto: it is in use from the next start; the one before is kept as $before"
}

# While the application runs: a backup every night, and the last fourteen are kept.
backup_nightly() {
  [ -n "${KITTO_PASSPHRASE_FILE:-}" ] || return 0
  local folder="$HOME_DIR/backups" today
  today="$(date +%F)"
  [ "$(date +%H)" -ge "${KITTO_BACKUP_HOUR:-3}" ] && [ ! -e "$folder/.$today" ] || return 0
  mkdir -p "$folder"
  : >"$folder/.$today"
  find "$folder" -name '.20*' ! -name ".$today" -delete
  (KITTO_DATABASE="$KITTO_DATABASE" "$ROOT/kitto" backup || true) &
  find "$folder" -name 'kitto-*.backup' -printf '%f\n' | sort -r | tail -n +15 | while read -r old; do rm -f "$folder/$old"; done
}
