# Backups of an installation, and what is restored from them. A backup is a folder:
#   data.mb.gz     the files of the database, as mariadb-backup streams them
#   dump.sql.gz    the same as SQL, which any later MariaDB reads
#   keys.tar.gz    the key of the application and the password of its database user
#   pictures.list  the hashes of the pictures that stand in a store, and not in the database
#   MANIFEST       version, time, and sums of the others
# With a key each but the last two has .enc behind it. Beside the backups, pictures/ has those of all of them by their hash,
# each once; log-… has what was written since, from the binary logs of the same database: one that was restored counts its
# logs anew, and has a folder of its own. A cluster has no such logs: it has the database three times.
# shellcheck shell=bash

BACKUP_KEY=''
# What a stream goes through when it is written, and when it is read again.
SEAL=cat UNSEAL=cat
# So many whole backups are kept.
BACKUPS_KEPT=${FALL_BEND_BACKUPS_KEPT:-14}

# seal / unseal: encrypts and decrypts a stream, where a key was given
seal() { sh -c "$SEAL"; }
unseal() { sh -c "$UNSEAL"; }
sealed() { [ -z "$BACKUP_KEY" ] || printf .enc; }
use_key() {
  [ -r "$1" ] || die "The key $1 cannot be read."
  [ "$(wc -c < "$1")" -ge 16 ] || die "The key $1 is shorter than 16 characters: openssl rand -hex 32 makes one."
  BACKUP_KEY=$1
  local cipher
  cipher="-aes-256-cbc -pbkdf2 -iter 200000 -pass $(printf 'file:%q' "$(cd "$(dirname "$1")" && pwd)/$(basename "$1")")"
  SEAL="openssl enc $cipher -salt" UNSEAL="openssl enc -d $cipher"
}

# logs_in FOLDER: where the logs of the database that is served stand among the backups
logs_in() {
  [ -f "$DB_HOME/instance" ] || (umask 077; php -r 'echo bin2hex(random_bytes(6));' > "$DB_HOME/instance")
  printf '%s/log-%s' "$1" "$(cat "$DB_HOME/instance")"
}

# take_pictures FOLDER PART: the pictures of the store that are not in FOLDER yet, and their names in the backup or the log PART
take_pictures() {
  mkdir -p "$1/pictures"
  php artisan pictures:copy "$1/pictures" "$2/pictures.list" --through="$SEAL" --ending="$(sealed)" || die 'The pictures could not be copied.'
}

# forget_old FOLDER: takes out what is older than the backups that are kept, and the pictures that neither they nor logs name
forget_old() {
  local old days=$((BACKUPS_KEPT + 1))
  for old in $(ls -1d "$1"/whole-* 2>/dev/null | sort -r | tail -n "+$days"); do rm -rf "$old"; done
  # Logs that no backup is old enough for are of no use.
  find "$1"/log-* -type f -mtime "+$days" -delete 2>/dev/null || true
  cat "$1"/whole-*/pictures.list "$1"/log-*/pictures.list 2>/dev/null | sort -u > "$1/.named" || true
  find "$1/pictures" -type f -printf '%f\n' | sed 's/\.enc$//' | sort -u | comm -23 - "$1/.named" \
    | while read -r old; do rm -f "$1/pictures/$old" "$1/pictures/$old.enc"; done
  rm -f "$1/.named"
}

# take_whole FOLDER LOGS: a whole backup of the database at DB_SOCKET_PATH, whose logs go on in the folder LOGS; gives its
# folder in TAKEN
take_whole() {
  local name part
  name="whole-$(date -u +%Y%m%d-%H%M%S)"
  part="$1/.$name.part"
  TAKEN="$1/$name"
  mkdir -p "$1"
  chmod 700 "$1"
  rm -rf "$1"/.whole-*.part
  mkdir -m 700 "$part"
  # Before and after the database: a picture that it names, and that is taken out of the store or put there meanwhile, is there.
  take_pictures "$1" "$part" > /dev/null
  mariadb-backup --no-defaults --backup --stream=mbstream --socket="$DB_SOCKET_PATH" --user="$DB_ADMIN" --target-dir="$part" 2> "$part/log" \
    | gzip -1 | seal > "$part/data.mb.gz$(sealed)" || { tail -n 5 "$part/log" >&2; die 'The files of the database could not be copied.'; }
  mariadb-dump --no-defaults --socket="$DB_SOCKET_PATH" -u "$DB_ADMIN" --single-transaction --routines --hex-blob --default-character-set=utf8mb4 "$DB_DATABASE" \
    | gzip -6 | seal > "$part/dump.sql.gz$(sealed)" || die 'The database could not be written out.'
  mkdir -m 700 "$part/keys"
  printf %s "$APP_KEY" > "$part/keys/app.key"
  printf %s "$DB_PASSWORD" > "$part/keys/db.secret"
  tar -C "$part/keys" -cz app.key db.secret | seal > "$part/keys.tar.gz$(sealed)"
  rm -r "$part/keys"
  take_pictures "$1" "$part"
  rm -f "$part/log"
  (
    cd "$part"
    printf 'version %s\ntaken %s\nlogs %s\n' "$(cat "$ROOT/VERSION")" "$(date -u +%Y-%m-%dT%H:%M:%SZ)" "$2"
    sha256sum data.mb.gz* dump.sql.gz* keys.tar.gz* pictures.list
  ) > "$part/MANIFEST.new"
  mv "$part/MANIFEST.new" "$part/MANIFEST"
  sync "$part"/* "$part"
  mv "$part" "$TAKEN"
  sync "$1"
  forget_old "$1"
}

# take_log FOLDER: what was written since, from the binary logs; gives how many bytes in LOGGED
take_log() {
  local file name target logs
  logs=$(logs_in "$1")
  mkdir -p "$logs"
  chmod 700 "$1" "$logs"
  LOGGED=0
  as_admin -e 'FLUSH BINARY LOGS'
  local now
  now=$(as_admin -N -e 'SHOW MASTER STATUS' | cut -f1)
  for file in "$DB_LOGS"/written.[0-9]*; do
    name=$(basename "$file")
    target="$logs/$name.gz$(sealed)"
    # The one that is being written is not whole yet.
    if [ "$name" != "$now" ] && [ ! -e "$target" ]; then
      gzip -1 < "$file" | seal > "$target.part"
      sync "$target.part"
      mv "$target.part" "$target"
      LOGGED=$((LOGGED + $(wc -c < "$target")))
    fi
  done
  # What the log names of pictures stands in the store.
  if [ "${PICTURES_STORE:-}" = store ]; then take_pictures "$1" "$logs"; fi
}

# check_sums BACKUP: whether its files are those that were written
check_sums() {
  [ -f "$1/MANIFEST" ] || die "$1 is no backup: it has no MANIFEST."
  (cd "$1" && grep -E '^[0-9a-f]{64} ' MANIFEST | sha256sum --check --quiet) || die "The files of $1 are not those that were written."
  if [ -e "$1/data.mb.gz.enc" ] && [ -z "$BACKUP_KEY" ]; then die 'This backup is encrypted: say its key with --key FILE.'; fi
}

# restore_into BACKUP VAR HOW LOGS UNTIL: an installation in a folder that is empty, or not there yet; it is not served
restore_into() {
  local from=$1 into=$2 how=$3 logs=$4 until=$5
  check_sums "$from"
  [ ! -e "$into/start" ] || die "There is an installation in $into already. Restore into an empty folder."
  mkdir -p "$into/start"
  VAR=$into
  unseal < "$from/keys.tar.gz$(sealed)" | tar -C "$VAR/start" -xz || die 'The keys could not be read: is it the right key?'
  chmod 600 "$VAR/start/app.key" "$VAR/start/db.secret"
  # shellcheck disable=SC2086
  restore_pictures "$VAR/start/store" "$from" $logs
  database_paths start
  mkdir -p "$DB_DATA"
  local position=''
  if [ "$how" = files ]; then
    unseal < "$from/data.mb.gz$(sealed)" | gzip -dc | mbstream -x -C "$DB_DATA" || die 'The files of the database could not be read.'
    mariadb-backup --no-defaults --prepare --target-dir="$DB_DATA" > "$VAR/start/prepare.log" 2>&1 || { tail -n 5 "$VAR/start/prepare.log" >&2; die 'The files of the database could not be made ready.'; }
    position=$(cat "$DB_DATA"/*binlog_info 2>/dev/null | head -n 1 || true)
  else
    rm -rf "$DB_DATA"
  fi
  # Whoever restores looks after it from now on, whoever did before.
  local me
  me=$(id -un)
  printf "%s\n" "CREATE USER IF NOT EXISTS '$me'@'localhost' IDENTIFIED VIA unix_socket;" \
    "GRANT ALL ON *.* TO '$me'@'localhost' WITH GRANT OPTION;" > "$VAR/start/init.sql"
  chmod 644 "$VAR/start/init.sql"
  FALL_BEND_DB_OPTIONS="--init-file=$VAR/start/init.sql" start_database start fallbend
  if [ "$how" = dump ]; then
    unseal < "$from/dump.sql.gz$(sealed)" | gzip -dc | as_admin fallbend || die 'The dump could not be read.'
  else
    replay "$logs" "$position" "$until"
  fi
  stop_database
  rm -f "$VAR/start/init.sql" "$VAR/start/prepare.log"
}

# restore_pictures STORE BACKUP LOGS...: the pictures that a backup and logs name, into a folder that is the store from now on
restore_pictures() {
  local kept source target store=$1 all
  all="$(dirname "$2")/pictures"
  shift
  { cat "${@/%//pictures.list}" 2>/dev/null || true; } | sort -u | while read -r kept; do
    source="$all/$kept$(sealed)"
    target="$store/pictures/${kept:0:2}/$kept"
    [ -f "$source" ] || die "The picture $kept of the backup is missing."
    mkdir -p -m 700 "$store" "$(dirname "$target")"
    unseal < "$source" > "$target" || die 'The pictures could not be read: is it the right key?'
    [ "$(sha256sum < "$target" | cut -d' ' -f1)" = "$kept" ] || die "The picture $kept is not the one that was backed up."
  done
}

# make_cluster VAR: what was restored there for one machine is what a cluster begins with
make_cluster() {
  local cluster="$1/cluster"
  mkdir -p "$cluster/db1" "$cluster/objects/data/fall-bend"
  mv "$1/start/mariadb/data" "$cluster/db1/data"
  mv "$1/start/app.key" "$1/start/db.secret" "$cluster/"
  [ ! -d "$1/start/store/pictures" ] || mv "$1/start/store/pictures" "$cluster/objects/data/fall-bend/"
  rm -rf "$1/start"
}

# replay LOGS POSITION UNTIL: what was written after a backup, up to a time, from binary logs in folders
replay() {
  local first at folder file name unpacked stop=()
  read -r first at _ <<<"$2"
  [ -n "$1" ] || return 0
  [ -n "$first" ] || die 'The backup does not say where the logs go on.'
  unpacked="$VAR/start/replay"
  mkdir -p "$unpacked"
  # The same log may stand in both: as it was copied, and as it is, which may be longer.
  for folder in $1; do
    for file in "$folder"/written.[0-9]*; do
      [ -e "$file" ] || continue
      name=$(basename "$file")
      name=${name%%.gz*}
      case $file in
        *.gz.enc | *.gz) unseal < "$file" | gzip -dc > "$unpacked/$name.part" ;;
        *) cp "$file" "$unpacked/$name.part" ;;
      esac
      mv "$unpacked/$name.part" "$unpacked/$name"
    done
  done
  local after=()
  for file in "$unpacked"/written.[0-9]*; do
    [ -e "$file" ] && [[ ! "$(basename "$file")" < "$first" ]] && after+=("$file")
  done
  [ ${#after[@]} -gt 0 ] || die "The logs begin after the backup: $first is missing."
  [ "$(basename "${after[0]}")" = "$first" ] || die "The log $first is missing: what was written in it cannot be restored."
  local n=${first##*.} one
  for one in "${after[@]}"; do
    [ "$((10#${one##*.}))" -eq "$((10#$n))" ] || die "The log written.$n is missing: what was written in it cannot be restored."
    n=$((10#$n + 1))
  done
  [ -z "$3" ] || stop=(--stop-datetime="$3")
  TZ=UTC mariadb-binlog --no-defaults --disable-log-bin --start-position="$at" "${stop[@]}" "${after[@]}" | as_admin --binary-mode \
    || die 'What was written after the backup could not be replayed.'
  rm -rf "$unpacked"
}
