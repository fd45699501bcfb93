# Everything of a cluster on this machine: two nodes of the application behind HAProxy, MariaDB on three nodes (Galera), Redis,
# a worker for the queue, the scheduler. Whatever ends is started again. On real machines systemd does that: docs/scale-out.md.
# shellcheck shell=bash

GALERA=/usr/lib/galera/libgalera_smm.so
DATABASES='db1 db2 db3'
NODES='a b'
declare -A PID=() STARTED=()

# cluster_ports: a port for each thing, the same at each start
cluster_ports() {
  local name
  mkdir -p "$CLUSTER"
  # shellcheck disable=SC1091
  [ ! -f "$CLUSTER/ports" ] || . "$CLUSTER/ports"
  for name in db1 db2 db3 db1_group db2_group db3_group db1_ist db2_ist db3_ist db1_sst db2_sst db3_sst db1_check db2_check db3_check \
    database redis objects a b; do
    local of="PORT_$name"
    if [ -z "${!of:-}" ]; then
      # Galera waits for those who join one port above its own.
      printf -v "$of" %s "$(free_port)"
      printf '%s=%s\n' "$of" "${!of}" >> "$CLUSTER/ports"
    fi
  done
}

# begin NAME COMMAND...: starts something, with what is left of it ended before
begin() {
  local name=$1
  shift
  mkdir -p "$CLUSTER/$name"
  end_group "$CLUSTER/$name/group" KILL 5
  launch "$CLUSTER/$name/group" "$CLUSTER/$name/out" "$@"
  PID[$name]=$LAUNCHED
  STARTED[$name]=$SECONDS
}

database_socket() {
  local socket="$CLUSTER/$1/mariadb.sock"
  [ ${#socket} -le 100 ] || socket="/tmp/fall-bend-$(printf '%s' "$socket" | sha256sum | cut -c1-12).sock"
  printf %s "$socket"
}

# begin_database NAME [new]: a node of the database; `new`: the first one of the cluster
begin_database() {
  local name=$1 home="$CLUSTER/$1" members='' one first=() port group ist sst position
  port="PORT_$name" group="PORT_${name}_group" ist="PORT_${name}_ist" sst="PORT_${name}_sst"
  for one in $DATABASES; do
    local of="PORT_${one}_group"
    members="$members${members:+,}127.0.0.1:${!of}"
  done
  mkdir -p "$home/data" "$home/tmp"
  own "$home"
  end_group "$home/group" KILL 5
  if [ "${2:-}" = new ]; then
    first=(--wsrep-new-cluster)
    [ ! -f "$home/data/grastate.dat" ] || sed -i 's/^safe_to_bootstrap:.*/safe_to_bootstrap: 1/' "$home/data/grastate.dat"
  fi
  if [ -d "$home/data/mysql" ]; then
    # One that was killed says how far it had come; only what it missed is sent to it.
    position=$(recovered "$name")
    [ -z "$position" ] || first+=(--wsrep-start-position="$position")
  fi
  begin "$name" /usr/sbin/mariadbd --no-defaults --datadir="$home/data" --tmpdir="$home/tmp" --socket="$(database_socket "$name")" \
    --pid-file="$home/pid" --bind-address=127.0.0.1 --port="${!port}" --character-set-server=utf8mb4 --innodb-buffer-pool-size=128M \
    --performance-schema=OFF --binlog-format=ROW --innodb-autoinc-lock-mode=2 --innodb-flush-log-at-trx-commit="${FALL_BEND_FLUSH:-1}" \
    --wsrep-on=ON --wsrep-provider="$GALERA" --wsrep-cluster-name=fall-bend --wsrep-cluster-address="gcomm://$members" \
    --wsrep-node-name="$name" --wsrep-node-address="127.0.0.1:${!group}" --wsrep-sst-method=rsync \
    --wsrep-sst-receive-address="127.0.0.1:${!sst}" --wsrep-slave-threads=2 \
    --wsrep-provider-options="gmcast.listen_addr=tcp://127.0.0.1:${!group};ist.recv_addr=127.0.0.1:${!ist};gcache.size=128M;pc.recovery=TRUE;evs.suspect_timeout=PT3S;evs.inactive_timeout=PT6S" \
    "${first[@]}"
}

# recovered NAME: how far a node that is not running had come
recovered() {
  local home="$CLUSTER/$1"
  "${AS_SERVER[@]}" /usr/sbin/mariadbd --no-defaults --datadir="$home/data" --tmpdir="$home/tmp" --socket="$home/recover.sock" --pid-file="$home/recover.pid" \
    --port=0 --skip-networking --wsrep-on=ON --wsrep-provider="$GALERA" --wsrep-recover --log-error="$home/recover.log" > /dev/null 2>&1 || true
  sed -n 's/.*Recovered position: *\([0-9a-f-]*:[0-9-]*\).*/\1/p' "$home/recover.log" 2>/dev/null | tail -1
  rm -f "$home/recover.log"
}

# furthest: which node has everything that was written; nothing where there is none yet
furthest() {
  local name best='' most=-2 at
  for name in $DATABASES; do
    [ -d "$CLUSTER/$name/data/mysql" ] || continue
    at=$(recovered "$name")
    at=${at##*:}
    if [ "${at:--1}" -gt "$most" ]; then best=$name most=${at:--1}; fi
  done
  printf %s "$best"
}

# wait_for NAME SECONDS COMMAND...
wait_for() {
  local name=$1 i
  for i in $(seq 1 $(($2 * 5))); do
    "${@:3}" && return 0
    kill -0 "${PID[$name]}" 2>/dev/null || { tail -n 20 "$CLUSTER/$name/out" >&2; die "$name did not start."; }
    sleep 0.2
  done
  tail -n 20 "$CLUSTER/$name/out" >&2
  die "$name was not ready within $2 s."
}

is_synced() { [ "$(mariadb --no-defaults --socket="$(database_socket "$1")" -u "$DB_ADMIN" -N -e "SHOW STATUS LIKE 'wsrep_local_state_comment'" 2>/dev/null | cut -f2)" = Synced ]; }

# spare_database: the node of the database from which a backup is taken, not the one that is written to if there is another
spare_database() {
  local name
  for name in db3 db2 db1; do
    DB_SOCKET_PATH=$(database_socket "$name")
    if database_answers && is_synced "$name"; then
      break
    fi
  done
  printf %s "$name"
}

begin_databases() {
  local name first
  first=$(furthest)
  if [ -z "$first" ]; then
    first=db1
    mkdir -p "$CLUSTER/db1/data"
    own "$CLUSTER/db1"
    rm -rf "$CLUSTER/db1/data"
    "${AS_SERVER[@]}" mariadb-install-db --no-defaults --force --datadir="$CLUSTER/db1/data" --auth-root-authentication-method=normal --skip-test-db > "$CLUSTER/db1/install.log" 2>&1 \
      || { tail -n 20 "$CLUSTER/db1/install.log" >&2; die 'The database could not be created.'; }
  fi
  begin_database "$first" new
  DB_SOCKET_PATH=$(database_socket "$first")
  wait_for "$first" 60 database_answers
  [ -f "$CLUSTER/db.secret" ] || (umask 077; php -r 'echo bin2hex(random_bytes(16));' > "$CLUSTER/db.secret")
  DB_SECRET=$(cat "$CLUSTER/db.secret")
  harden_database
  as_admin <<SQL
CREATE DATABASE IF NOT EXISTS fallbend CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;
CREATE OR REPLACE USER 'fallbend'@'127.0.0.1' IDENTIFIED BY '$DB_SECRET';
GRANT ALL ON fallbend.* TO 'fallbend'@'127.0.0.1';
CREATE OR REPLACE USER 'check'@'localhost' IDENTIFIED BY '$DB_SECRET';
SQL
  for name in $DATABASES; do
    [ "$name" = "$first" ] && continue
    begin_database "$name"
    wait_for "$name" 120 is_synced "$name"
  done
}

begin_check() {
  local port="PORT_$1_check"
  begin "check_$1" php "$ROOT/bin/lib/galera-check.php" "${!port}" "$(database_socket "$1")" check "$DB_SECRET"
}

begin_redis() {
  mkdir -p "$CLUSTER/redis/data"
  own "$CLUSTER/redis"
  # What waits in the queue is on the disk before it is acknowledged.
  begin redis redis-server --port "$PORT_redis" --bind 127.0.0.1 --dir "$CLUSTER/redis/data" --appendonly yes --appendfsync always \
    --save '' --maxmemory 256mb --maxmemory-policy noeviction --requirepass "$DB_SECRET" --daemonize no
}

# A stand-in for a store of objects: pictures of all nodes.
begin_objects() {
  mkdir -p "$CLUSTER/objects/data"
  own "$CLUSTER/objects"
  OBJECTS_FOLDER="$CLUSTER/objects/data" OBJECTS_KEY=fall-bend OBJECTS_SECRET="$DB_SECRET" PHP_CLI_SERVER_WORKERS=2 \
    begin objects php -S "127.0.0.1:$PORT_objects" "$ROOT/bin/lib/object-store.php"
}

begin_balancer() {
  local name of
  mkdir -p "$CLUSTER/balancer"
  {
    cat <<CONF
global
  maxconn 2000
  hard-stop-after 35s
defaults
  timeout connect 2s
  timeout client 75s
  timeout server 75s
  timeout queue 10s
  retries 3
  option redispatch
frontend web
  mode http
  bind 127.0.0.1:$PORT
  option forwardfor
  http-request del-header X-Forwarded-Proto
  default_backend nodes
backend nodes
  mode http
  balance leastconn
  option httpchk GET /health/ready
  http-check expect status 200
  # Only what was never taken by a node is sent to the other: a write is not carried out twice behind the back of whoever sent it.
  retry-on conn-failure
CONF
    for name in $NODES; do
      of="PORT_$name"
      echo "  server $name 127.0.0.1:${!of} check inter 500ms fall 2 rise 1 on-marked-down shutdown-sessions"
    done
    cat <<CONF
frontend database
  mode tcp
  bind 127.0.0.1:$PORT_database
  default_backend databases
backend databases
  mode tcp
  option httpchk GET /
  http-check expect status 200
  # All write to one node as long as it is there: nobody has to begin again because of what was written to another.
  stick-table type integer size 1
  stick on int(1)
CONF
    for name in $DATABASES; do
      of="PORT_$name"
      local check="PORT_${name}_check"
      echo "  server $name 127.0.0.1:${!of} check port ${!check} inter 500ms fall 2 rise 2 on-marked-down shutdown-sessions"
    done
  } > "$CLUSTER/balancer/haproxy.cfg"
  chmod 644 "$CLUSTER/balancer/haproxy.cfg"
  begin balancer "$(command -v haproxy || echo /usr/sbin/haproxy)" -f "$CLUSTER/balancer/haproxy.cfg" -db
}

# begin_member NAME: whatever it is
begin_member() {
  case $1 in
    db?) begin_database "$1" ;;
    check_*) begin_check "${1#check_}" ;;
    redis) begin_redis ;;
    objects) begin_objects ;;
    balancer) begin_balancer ;;
    *_fpm | *_heavy | *_nginx | *_instruments) begin_of_node "${1%_*}" "${1##*_}" ;;
    queue) begin queue nice php artisan queue:work --max-time=3600 --sleep=2 -q ;;
    schedule) begin schedule nice php artisan schedule:work -q ;;
  esac
}

# begin_of_node NODE SERVER: one of the servers of a node of the application
begin_of_node() {
  web_settings "cluster/$1" "$(port_of "$1")"
  mkdir -p "$CLUSTER/$1_$2"
  own "$WEB_HOME"
  case $2 in
    fpm) rm -f "$FPM_SOCKET"; begin "$1_fpm" "${FPM_COMMAND[@]}" --fpm-config "$WEB_HOME/fpm.conf" ;;
    heavy) rm -f "$FPM_HEAVY_SOCKET"; begin "$1_heavy" nice -n 15 "${FPM_COMMAND[@]}" --fpm-config "$WEB_HOME/heavy.conf" ;;
    nginx) begin "$1_nginx" "${NGINX_COMMAND[@]}" ;;
    instruments) rm -f "$INSTRUMENTS_SOCKET"; begin "$1_instruments" php artisan instruments:serve --socket="$INSTRUMENTS_SOCKET" ;;
  esac
}
port_of() { local of="PORT_$1"; printf %s "${!of}"; }

# start_cluster CONTENT: all of it; served at PORT
start_cluster() {
  local name part
  cluster_ports
  begin_databases
  for name in $DATABASES; do begin_check "$name"; done
  begin_redis
  begin_objects
  begin_balancer
  application_environment cluster "$PORT" production
  export DB_HOST=127.0.0.1 DB_PORT=$PORT_database DB_DATABASE=fallbend DB_USERNAME=fallbend DB_PASSWORD=$DB_SECRET DB_SOCKET=''
  export CACHE_STORE=redis QUEUE_CONNECTION=redis REDIS_HOST=127.0.0.1 REDIS_PORT=$PORT_redis REDIS_PASSWORD=$DB_SECRET
  export PICTURES_STORE=store PICTURES_BUCKET=fall-bend PICTURES_KEY=fall-bend PICTURES_SECRET=$DB_SECRET
  export PICTURES_ENDPOINT="http://127.0.0.1:$PORT_objects"
  export TRUSTED_PROXIES=127.0.0.1 FALL_BEND_DATA="$CLUSTER"
  local i
  for i in $(seq 1 100); do
    mariadb --no-defaults -h 127.0.0.1 -P "$PORT_database" -u fallbend -p"$DB_SECRET" -e 'SELECT 1' > /dev/null 2>&1 && break
    [ "$i" -lt 100 ] || die 'The database did not answer behind the load balancer.'
    sleep 0.2
  done
  prepare_application cluster "$1"
  for name in $NODES; do
    for part in fpm heavy instruments nginx; do begin_of_node "$name" "$part"; done
  done
  begin_member queue
  begin_member schedule
  for i in $(seq 1 150); do
    is_healthy "$PORT" && return 0
    sleep 0.2
  done
  die 'The cluster did not answer within 30 s.'
}

# keep_cluster: starts again whatever ends, and never comes back
keep_cluster() {
  local name
  while :; do
    for name in "${!PID[@]}"; do
      if ! kill -0 "${PID[$name]}" 2>/dev/null; then
        # What ends as soon as it begins is not started over and over.
        [ $((SECONDS - STARTED[$name])) -ge 2 ] || continue
        say "$(date +%H:%M:%S) $name has ended, and is started again."
        begin_member "$name"
      fi
    done
    sleep 0.5 &
    wait $! || true
  done
}

stop_cluster() {
  local name
  # Who answers first, then what they ask; the databases one after the other, so that the last one has everything.
  for name in balancer a_nginx b_nginx a_fpm b_fpm a_heavy b_heavy a_instruments b_instruments queue schedule check_db1 check_db2 check_db3 redis objects; do
    case $name in balancer) end_group "$CLUSTER/$name/group" USR1 35 ;; *_nginx | *_fpm | *_heavy) end_group "$CLUSTER/$name/group" QUIT 35 ;; *) end_group "$CLUSTER/$name/group" TERM 30 ;; esac
  done
  for name in db3 db2 db1; do end_group "$CLUSTER/$name/group" TERM 60; done
}
