# A private MariaDB on loopback, with its data inside the project. Never the system's instance.
# shellcheck shell=bash

# start_database NAME DATABASE: starts the instance var/NAME with an empty or kept database and exports DB_*
start_database() {
  local home="$VAR/$1/mariadb" user
  user=$(id -un)
  DB_DATA="$home/data"
  DB_PID_FILE="$home/mariadb.pid"
  # A socket's path may have 107 bytes at the most.
  DB_SOCKET_PATH="$home/mariadb.sock"
  [ ${#DB_SOCKET_PATH} -le 100 ] || DB_SOCKET_PATH="/tmp/fall-bend-$(printf '%s' "$home" | sha256sum | cut -c1-12).sock"
  mkdir -p "$home"
  chmod 700 "$home"
  stop_leftover "$DB_PID_FILE"
  if [ ! -d "$DB_DATA/mysql" ]; then
    rm -rf "$DB_DATA"
    mariadb-install-db --no-defaults --user="$user" --datadir="$DB_DATA" --auth-root-authentication-method=normal --skip-test-db > "$home/install.log" 2>&1 \
      || { tail -20 "$home/install.log" >&2; die 'The private database could not be created.'; }
  fi
  DB_PORT=$(free_port)
  /usr/sbin/mariadbd --no-defaults --user="$user" --datadir="$DB_DATA" --socket="$DB_SOCKET_PATH" --pid-file="$DB_PID_FILE" \
    --bind-address=127.0.0.1 --port="$DB_PORT" --character-set-server=utf8mb4 --innodb-buffer-pool-size=128M --performance-schema=OFF \
    ${FALL_BEND_DB_OPTIONS:-} > "$home/mariadb.log" 2>&1 &
  DB_SERVER=$!
  local i
  for i in $(seq 1 300); do
    mariadb-admin --no-defaults --socket="$DB_SOCKET_PATH" -u root ping >/dev/null 2>&1 && break
    kill -0 "$DB_SERVER" 2>/dev/null || { tail -20 "$home/mariadb.log" >&2; die 'The private database did not start.'; }
    sleep 0.1
    [ "$i" -lt 300 ] || die 'The private database did not answer within 30 s.'
  done
  [ -f "$VAR/$1/db.secret" ] || (umask 077; php -r 'echo bin2hex(random_bytes(16));' > "$VAR/$1/db.secret")
  local secret
  secret=$(cat "$VAR/$1/db.secret")
  mariadb --no-defaults --socket="$DB_SOCKET_PATH" -u root <<SQL
CREATE DATABASE IF NOT EXISTS \`$2\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;
CREATE OR REPLACE USER 'fallbend'@'127.0.0.1' IDENTIFIED BY '$secret';
CREATE OR REPLACE USER 'fallbend'@'localhost' IDENTIFIED BY '$secret';
GRANT ALL ON \`$2\`.* TO 'fallbend'@'127.0.0.1';
GRANT ALL ON \`$2\`.* TO 'fallbend'@'localhost';
SQL
  export DB_HOST=127.0.0.1 DB_PORT DB_DATABASE=$2 DB_USERNAME=fallbend DB_PASSWORD=$secret DB_SOCKET=''
}

stop_database() {
  [ -n "${DB_SERVER:-}" ] || return 0
  kill -TERM "$DB_SERVER" 2>/dev/null || true
  wait "$DB_SERVER" 2>/dev/null || true
  DB_SERVER=''
}

# stop_leftover PIDFILE: ends a server of ours that a killed command left behind
stop_leftover() {
  local pid
  [ -f "$1" ] || return 0
  pid=$(cat "$1")
  if [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' < "/proc/$pid/cmdline" 2>/dev/null | grep -qF "$VAR"; then
    kill -TERM "$pid" 2>/dev/null || true
    local i
    for i in $(seq 1 100); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
  fi
  rm -f "$1"
}
