#!/usr/bin/env bash
# How many commits of a row the database takes, by eight who write at once: one machine; three nodes with Galera; a primary
# with two replicas that acknowledge each commit (semi-synchronous). In turn, several times; each flushes to its disk at each
# commit. docs/decisions/0044 decides by it. `bin/bench commits [ROUNDS]` runs it.
set -euo pipefail
. bin/lib/common.sh
. bin/lib/install.sh
. bin/lib/servers.sh

ROUNDS=${1:-3} WRITERS=8 COMMITS=4000
GALERA=/usr/lib/galera/libgalera_smm.so
HOME_OF_ALL=$(mktemp -d "${TMPDIR:-/tmp}/fall-bend-commits.XXXX")
chmod 755 "$HOME_OF_ALL"
choose_server_user
install_debian database cluster
end_all() { local note; for note in "$HOME_OF_ALL"/*/group; do [ ! -f "$note" ] || end_group "$note" TERM 20; done; }
trap 'end_all; rm -rf "$HOME_OF_ALL"' EXIT

as() { mariadb --no-defaults --socket="$HOME_OF_ALL/$1/sock" -u root "${@:2}"; }
# database NAME OPTIONS...: a new, empty one
database() {
  local home="$HOME_OF_ALL/$1" i
  mkdir -p "$home"
  own "$home"
  "${AS_SERVER[@]}" mariadb-install-db --no-defaults --force --datadir="$home/data" --auth-root-authentication-method=normal --skip-test-db > "$home/install.log" 2>&1
  launch "$home/group" "$home/out" /usr/sbin/mariadbd --no-defaults --datadir="$home/data" --socket="$home/sock" --pid-file="$home/pid" \
    --bind-address=127.0.0.1 --innodb-buffer-pool-size=128M --performance-schema=OFF --innodb-flush-log-at-trx-commit=1 "${@:2}"
  for i in $(seq 1 300); do as "$1" -e 'SELECT 1' > /dev/null 2>&1 && return 0; sleep 0.2; done
  tail -n 20 "$home/out" >&2
  die "The database $1 did not start."
}
status() { as "$1" -N -e "SHOW STATUS LIKE '$2'" | cut -f2; }
# wait_until NAME STATUS VALUE: until a database says so of the others
wait_until() {
  local i
  for i in $(seq 1 100); do
    [ "$(status "$1" "$2")" = "$3" ] && return 0
    sleep 0.2
  done
  die "The databases did not find each other: $2 of $1 is not $3."
}
# measure NAME: commits a second, and the longest tenth
measure() {
  as "$1" -e 'CREATE DATABASE IF NOT EXISTS bench; CREATE OR REPLACE TABLE bench.edits (id BIGINT AUTO_INCREMENT PRIMARY KEY, said VARBINARY(2400))'
  local began ended
  began=$(date +%s%N)
  mariadb-slap --no-defaults --socket="$HOME_OF_ALL/$1/sock" -u root --create-schema=bench --no-drop --concurrency=$WRITERS \
    --number-of-queries=$COMMITS --query="INSERT INTO edits (said) VALUES (REPEAT('a', 1200))" > /dev/null
  ended=$(date +%s%N)
  [ "$(as "$1" -N -e 'SELECT COUNT(*) FROM bench.edits')" = $COMMITS ] || die "Not every row was written to $1."
  echo $((COMMITS * 1000 / ((ended - began) / 1000000)))
}

one() {
  database one --port="$(free_port)" --log-bin="$HOME_OF_ALL/one/written" --sync-binlog=1 --server-id=1
  ONE=$(measure one)
}
galera() {
  local n ports=() members='' first
  for n in 1 2 3; do ports+=("$(free_port)"); members="$members${members:+,}127.0.0.1:${ports[-1]}"; done
  for n in 1 2 3; do
    first=()
    [ $n -ne 1 ] || first=(--wsrep-new-cluster)
    database "galera$n" --port="$(free_port)" --binlog-format=ROW --innodb-autoinc-lock-mode=2 --wsrep-on=ON --wsrep-provider=$GALERA \
      --wsrep-cluster-name=bench --wsrep-cluster-address="gcomm://$members" --wsrep-node-address="127.0.0.1:${ports[$((n - 1))]}" \
      --wsrep-sst-method=rsync --wsrep-sst-receive-address="127.0.0.1:$(free_port)" \
      --wsrep-provider-options="gmcast.listen_addr=tcp://127.0.0.1:${ports[$((n - 1))]};ist.recv_addr=127.0.0.1:$(free_port)" "${first[@]}"
  done
  wait_until galera1 wsrep_cluster_size 3
  THREE=$(measure galera1)
}
replicas() {
  local n port
  port=$(free_port)
  # after_sync: a commit is on a replica before anybody sees it.
  database primary --port="$port" --log-bin="$HOME_OF_ALL/primary/written" --sync-binlog=1 --server-id=1 \
    --rpl-semi-sync-master-enabled=1 --rpl-semi-sync-master-timeout=10000 --rpl-semi-sync-master-wait-point=AFTER_SYNC
  as primary -e "CREATE USER copy@'127.0.0.1' IDENTIFIED BY 'copy'; GRANT REPLICATION SLAVE ON *.* TO copy@'127.0.0.1'"
  for n in 1 2; do
    database "replica$n" --port="$(free_port)" --log-bin="$HOME_OF_ALL/replica$n/written" --sync-binlog=1 --server-id=$((n + 1)) \
      --rpl-semi-sync-slave-enabled=1
    as "replica$n" -e "CHANGE MASTER TO MASTER_HOST='127.0.0.1', MASTER_PORT=$port, MASTER_USER='copy', MASTER_PASSWORD='copy',
      MASTER_USE_GTID=slave_pos; START SLAVE"
  done
  wait_until primary Rpl_semi_sync_master_clients 2
  TWO=$(measure primary)
  # Whether each was acknowledged by a replica, and none by running out of time.
  UNACKNOWLEDGED=$(status primary Rpl_semi_sync_master_no_tx)
}

printf '%-6s %10s %10s %18s %s\n' round one 'Galera, 3' 'semi-synchronous' 'not acknowledged'
for round in $(seq 1 "$ROUNDS"); do
  one; end_all
  galera; end_all
  replicas; end_all
  printf '%-6s %8s/s %8s/s %16s/s %s\n' "$round" "$ONE" "$THREE" "$TWO" "$UNACKNOWLEDGED"
  rm -rf "${HOME_OF_ALL:?}"/*
done
