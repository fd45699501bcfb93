# A private MariaDB on loopback, with its data inside the project. Never the system's instance.
# shellcheck shell=bash

# database_paths NAME: where the instance var/NAME has its things
database_paths() {
  DB_HOME="$VAR/$1/mariadb"
  DB_NOTE="$DB_HOME/group"
  DB_DATA="$DB_HOME/data"
  DB_LOGS="$DB_HOME/log"
  # A socket's path may have 107 bytes at the most.
  DB_SOCKET_PATH="$DB_HOME/mariadb.sock"
  [ ${#DB_SOCKET_PATH} -le 100 ] || DB_SOCKET_PATH="/tmp/fall-bend-$(printf '%s' "$DB_HOME" | sha256sum | cut -c1-12).sock"
}

# start_database NAME DATABASE [logged]: starts the instance var/NAME with an empty or kept database and exports DB_*.
# `logged`: what is written is written to binary logs, too, from which it is restored to the minute
start_database() {
  database_paths "$1"
  local home=$DB_HOME logged=()
  mkdir -p "$home"
  if [ "${3:-}" = logged ]; then
    mkdir -p "$DB_LOGS"
    logged=(--log-bin="$DB_LOGS/written" --binlog-format=ROW --sync-binlog=1 --server-id=1 --expire-logs-days=8)
  fi
  chmod 700 "$home"
  end_group "$DB_NOTE" TERM 60
  own "$home"
  if [ ! -d "$DB_DATA/mysql" ]; then
    rm -rf "$DB_DATA"
    "${AS_SERVER[@]}" mariadb-install-db --no-defaults --force --datadir="$DB_DATA" --auth-root-authentication-method=normal --skip-test-db > "$home/install.log" 2>&1 \
      || { tail -n 20 "$home/install.log" >&2; die 'The private database could not be created.'; }
  fi
  DB_PORT=$(free_port)
  # shellcheck disable=SC2086
  launch "$DB_NOTE" "$home/mariadb.log" /usr/sbin/mariadbd --no-defaults --datadir="$DB_DATA" --socket="$DB_SOCKET_PATH" --pid-file="$home/mariadb.pid" \
    --bind-address=127.0.0.1 --port="$DB_PORT" --character-set-server=utf8mb4 --innodb-buffer-pool-size=128M --performance-schema=OFF "${logged[@]}" ${FALL_BEND_DB_OPTIONS:-}
  DB_SERVER=$LAUNCHED
  local i
  for i in $(seq 1 300); do
    database_answers && break
    kill -0 "$DB_SERVER" 2>/dev/null || { tail -n 20 "$home/mariadb.log" >&2; die 'The private database did not start.'; }
    sleep 0.1
    [ "$i" -lt 300 ] || die 'The private database did not answer within 30 s.'
  done
  [ -f "$VAR/$1/db.secret" ] || (umask 077; php -r 'echo bin2hex(random_bytes(16));' > "$VAR/$1/db.secret")
  local secret
  secret=$(cat "$VAR/$1/db.secret")
  harden_database
  as_admin <<SQL
CREATE DATABASE IF NOT EXISTS \`$2\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;
CREATE OR REPLACE USER 'fallbend'@'127.0.0.1' IDENTIFIED BY '$secret';
GRANT ALL ON \`$2\`.* TO 'fallbend'@'127.0.0.1';
DROP USER IF EXISTS 'fallbend'@'localhost';
SQL
  export DB_HOST=127.0.0.1 DB_PORT DB_DATABASE=$2 DB_USERNAME=fallbend DB_PASSWORD=$secret DB_SOCKET=''
}

database_answers() {
  local user
  # A new instance knows root without a password for a moment; from then on only the user of the system that we are, over the socket.
  for user in "$(id -un)" root; do
    mariadb-admin --no-defaults --socket="$DB_SOCKET_PATH" -u "$user" ping >/dev/null 2>&1 && { DB_ADMIN=$user; return 0; }
  done
  return 1
}

as_admin() { mariadb --no-defaults --socket="$DB_SOCKET_PATH" -u "$DB_ADMIN" "$@"; }

# Nobody administers the database over the network, with or without a password: only who we are, over the socket.
harden_database() {
  local me other
  me=$(id -un)
  as_admin <<SQL
CREATE USER IF NOT EXISTS '$me'@'localhost' IDENTIFIED VIA unix_socket;
ALTER USER '$me'@'localhost' IDENTIFIED VIA unix_socket;
GRANT ALL ON *.* TO '$me'@'localhost' WITH GRANT OPTION;
SQL
  DB_ADMIN=$me
  as_admin -N -e "SELECT CONCAT(QUOTE(User), '@', QUOTE(Host)) FROM mysql.global_priv WHERE User IN ('root', '') AND NOT (User = '$me' AND Host = 'localhost')" \
    | while read -r other; do as_admin -e "DROP USER IF EXISTS $other"; done
}

stop_database() {
  [ -n "${DB_SERVER:-}" ] || return 0
  end_group "$DB_NOTE" TERM 60
  wait "$DB_SERVER" 2>/dev/null || true
  DB_SERVER=''
}
