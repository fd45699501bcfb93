# Servers of our own: each in a process group of its own, so that it can be ended whole, and so that Ctrl-C reaches us first.
# shellcheck shell=bash

# As which user servers run: our own; where we are root, one that may do nothing else, if it can come into this folder.
choose_server_user() {
  SERVER_USER=$(id -un)
  AS_SERVER=()
  [ "$(id -u)" -eq 0 ] || return 0
  local user=www-data
  if id "$user" >/dev/null 2>&1 && command -v setpriv >/dev/null; then
    local as=(setpriv "--reuid=$user" "--regid=$user" --init-groups --)
    if "${as[@]}" test -r "$ROOT/public/index.php" 2>/dev/null; then
      SERVER_USER=$user
      AS_SERVER=("${as[@]}")
      return 0
    fi
  fi
  say "Nobody but root can come into $ROOT, so the servers run as root. Move the folder to where others can read it, and they do not."
}

# What the application is made of can be read by the user that it runs as, however it was unpacked.
let_servers_read() {
  [ "$(id -u)" -eq 0 ] && [ "$SERVER_USER" != root ] || return 0
  (cd "$ROOT" && find vendor app bootstrap config core/src core/data database packages public resources/views routes \
    \( -type f -not -perm -o=r -o -type d -not -perm -o=rx \) -exec chmod o+rX {} +)
}

# own FILE...: what servers write belongs to the user that they run as
own() { [ "$(id -u)" -ne 0 ] || chown -R "$SERVER_USER:" "$@"; }

boot() { cat /proc/sys/kernel/random/boot_id 2>/dev/null || echo unknown; }

# launch FILE OUTPUT COMMAND...: starts a server in a group of its own, notes the group in FILE, and gives its process in LAUNCHED
launch() {
  local note=$1 out=$2
  shift 2
  setsid "${AS_SERVER[@]}" "$@" > "$out" 2>&1 9>&- &
  LAUNCHED=$!
  printf '%s %s\n' "$LAUNCHED" "$(boot)" > "$note"
}

# members GROUP: the processes of a group of ours that live
members() {
  local stat rest name fields
  for stat in /proc/[0-9]*/stat; do
    rest=$(cat "$stat" 2>/dev/null) || continue
    name=${rest#*(}
    name=${name%)*}
    rest=${rest##*) }
    read -ra fields <<<"$rest"
    if [ "${fields[2]:-}" = "$1" ] && [ "${fields[0]:-Z}" != Z ] && [[ $name =~ ^(nginx|php-fpm|mariadbd|php|sh$|sleep$|redis-server|haproxy) ]]; then
      stat=${stat#/proc/}
      echo "${stat%/stat}"
    fi
  done
}

# end_group FILE SIGNAL SECONDS: asks the servers of a group to end what they are at and go; after so long they go anyway
end_group() {
  [ -f "$1" ] || return 0
  local group started i
  read -r group started < "$1" || true
  if [[ ${group:-} =~ ^[0-9]+$ ]] && [ "$started" = "$(boot)" ] && [ -n "$(members "$group")" ]; then
    kill "-$2" -- "-$group" 2>/dev/null || true
    for i in $(seq 1 $(($3 * 10))); do
      [ -n "$(members "$group")" ] || break
      sleep 0.1
    done
    [ -z "$(members "$group")" ] || kill -KILL -- "-$group" 2>/dev/null || true
    for i in $(seq 1 50); do [ -n "$(members "$group")" ] || break; sleep 0.1; done
  fi
  rm -f "$1"
}
