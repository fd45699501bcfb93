# Shared by the commands in bin/: where things stand, how to say things, what is stamped as done.
# shellcheck shell=bash
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
cd "$ROOT"
export COMPOSER_NO_AUDIT=1 COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1
# What people enter, and what servers note, stands in var/, or where FALL_BEND_VAR says: a second installation from the same folder.
VAR=${FALL_BEND_VAR:-$ROOT/var}
STAMPS="$ROOT/var/stamps"
# What of nginx sends files that were written in Brotli.
BROTLI_MODULE=/usr/lib/nginx/modules/ngx_http_brotli_static_module.so
mkdir -p "$VAR" "$STAMPS" bootstrap/cache storage/framework/{cache/data,cache/fonts,sessions,views} storage/logs storage/app

say() { printf '%s\n' "$*"; }
step() { printf '\n== %s\n' "$*"; }
die() { printf '\n%s\n' "$*" >&2; exit 1; }

# fresh NAME FILE...: whether the step NAME was done for exactly these files
fingerprint() { cat -- "$@" 2>/dev/null | sha256sum | cut -d' ' -f1; }
fresh() { local name=$1; shift; [ -f "$STAMPS/$name" ] && [ "$(cat "$STAMPS/$name")" = "$(fingerprint "$@")" ]; }
stamp() { local name=$1; shift; fingerprint "$@" > "$STAMPS/$name"; }

# Servers cannot begin on a disk without any room; with a little they do, and what was kept can be read (app/Operations/Room.php).
need_room() {
  local free
  free=$(df -Pm "$VAR" | awk 'NR == 2 { print $4 }')
  [ "${free:-0}" -ge 16 ] || die "The disk with $VAR is full: ${free:-0} MB are left. Make room on it and start again; what was kept is there."
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() { php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];'; }
