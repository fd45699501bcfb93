# nginx before PHP-FPM, both our own, on loopback.
# shellcheck shell=bash

# So many requests are worked on, or wait for a worker, at a time; whoever comes then is told to come again.
MOST_AT_ONCE=${FALL_BEND_AT_ONCE:-64}
# One address has so many of them at the most, so that there is always something left for the others.
MOST_OF_ONE=$((MOST_AT_ONCE * 3 / 4))
# Loopback, where a server with TLS stands before it; on a node of several machines the address in the network behind the balancer.
LISTEN=${FALL_BEND_LISTEN:-127.0.0.1}

# web_settings NAME PORT: writes the settings of the servers, and gives where they stand (WEB_HOME, the sockets) and what they are
# begun with (FPM_COMMAND, NGINX_COMMAND)
web_settings() {
  local home="$VAR/$1/web" version flags=(-d opcache.jit_buffer_size=64M -d opcache.jit=tracing -d opcache.preload="$ROOT/bootstrap/preload.php" -d opcache.preload_user="$SERVER_USER") user='' log=''
  version=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
  mkdir -p "$home/tmp"
  WEB_HOME=$home
  FPM_SOCKET="$home/fpm.sock" FPM_HEAVY_SOCKET="$home/heavy.sock" INSTRUMENTS_SOCKET="$home/tools.sock"
  if [ ${#FPM_HEAVY_SOCKET} -gt 100 ]; then
    local short
    short="/tmp/fall-bend-$(printf '%s' "$home" | sha256sum | cut -c1-12)"
    FPM_SOCKET="$short-fpm.sock" FPM_HEAVY_SOCKET="$short-heavy.sock" INSTRUMENTS_SOCKET="$short-tools.sock"
  fi
  if [ "$SERVER_USER" = root ]; then
    flags+=(-R)
    user=$'user = root\ngroup = root'
  fi
  # With FALL_BEND_ACCESS_LOG what every request took is written down: milliseconds, and kilobytes of memory.
  if [ -n "${FALL_BEND_ACCESS_LOG:-}" ]; then
    export FALL_BEND_ACCESS_LOG_AT="$home/access.log"
    touch "$FALL_BEND_ACCESS_LOG_AT"
    log="access.log = $FALL_BEND_ACCESS_LOG_AT"$'\naccess.format = "%m %{REQUEST_URI}e %s %{milli}d %{kilobytes}M"'
  fi
  # Behind load balancers that are named, the address is what they say; PHP is told theirs, and believes them by itself.
  local proxy believed=''
  for proxy in $(tr , ' ' <<<"${TRUSTED_PROXIES:-}"); do
    [[ $proxy =~ ^[0-9a-fA-F.:]+(/[0-9]+)?$ ]] || die "TRUSTED_PROXIES names addresses and networks, with commas, not $proxy."
    believed="$believed set_real_ip_from $proxy;"
  done
  local common="$user
listen.mode = 0600
clear_env = no
catch_workers_output = yes
$log
php_admin_value[opcache.validate_timestamps] = 0
php_admin_value[post_max_size] = 12M
php_admin_value[memory_limit] = 96M"
  fpm_settings "$home" fpm "$FPM_SOCKET" 'pm = static
pm.max_children = 4
request_terminate_timeout = 30s
; Pipes of a network point at each other: PHP would go through all of them again and again to see whether any is garbage. What a
; request leaves goes with the request.
php_admin_value[zend.enable_gc] = 0' "$common"
  # Heavy questions have workers of their own, which stand back behind the others. Two are worked on at a time (app/Questions/Turn.php), the rest wait.
  fpm_settings "$home" heavy "$FPM_HEAVY_SOCKET" 'pm = ondemand
pm.max_children = 12
pm.process_idle_timeout = 60s
request_terminate_timeout = 60s' "$common"
  local params="fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
      fastcgi_param SCRIPT_NAME /index.php;
      fastcgi_param DOCUMENT_ROOT $ROOT/public;
      fastcgi_param REQUEST_METHOD \$request_method;
      fastcgi_param REQUEST_URI \$request_uri;
      fastcgi_param QUERY_STRING \$query_string;
      fastcgi_param CONTENT_TYPE \$content_type;
      fastcgi_param CONTENT_LENGTH \$content_length;
      fastcgi_param SERVER_PROTOCOL \$server_protocol;
      fastcgi_param SERVER_NAME \$host;
      fastcgi_param SERVER_PORT \$server_port;
      fastcgi_param REMOTE_ADDR \$realip_remote_addr;
      fastcgi_param HTTP_X_REQUEST_ID \$called;
      fastcgi_param HTTP_PROXY \"\";"
  cat > "$home/nginx.conf" <<CONF
$([ ! -e "$BROTLI_MODULE" ] || echo "load_module $BROTLI_MODULE;")
$([ "$SERVER_USER" != root ] || echo 'user root;')
worker_processes 1;
daemon off;
pid $home/nginx.pid;
error_log $home/nginx.log;
events { worker_connections 1024; }
http {
  access_log off;
  server_tokens off;
  client_body_temp_path $home/tmp/body;
  proxy_temp_path $home/tmp/proxy;
  fastcgi_temp_path $home/tmp/fastcgi;
  uwsgi_temp_path $home/tmp/uwsgi;
  scgi_temp_path $home/tmp/scgi;
  client_max_body_size 12m;
  # A document and its answer pass through memory, not through files: Mill Row is 24 kB.
  client_body_buffer_size 256k;
  fastcgi_buffers 16 16k;
  types {
    text/html html; text/css css; application/javascript js; image/svg+xml svg; font/woff2 woff2; font/woff woff; application/json json; image/png png;
  }
  default_type application/octet-stream;
  gzip on;
  gzip_types text/css application/javascript application/json image/svg+xml;
  # Who stands before us may have named the request already.
  map \$http_x_request_id \$called { default \$http_x_request_id; "" \$request_id; }
  $believed
  real_ip_header X-Forwarded-For;
  real_ip_recursive on;
  limit_conn_zone \$server_port zone=answered:32k;
  limit_conn_zone \$binary_remote_addr zone=of_one:4m;
  server {
    listen $LISTEN:$2;
    root $ROOT/public;
    # More than can be answered soon are told to come again: the rest is answered as fast as ever.
    limit_conn_status 503;
    error_page 502 503 504 = @busy;
    location @busy {
      internal;
      add_header Retry-After 2 always;
      add_header X-Content-Type-Options nosniff always;
      default_type application/json;
      return 503 '{"message":"The server has too much to do just now. It is tried again by itself.","code":"busy"}';
    }
    location /build/ { add_header X-Content-Type-Options nosniff; add_header Cross-Origin-Resource-Policy same-origin; gzip_comp_level 9; $([ ! -e "$BROTLI_MODULE" ] || echo 'brotli_static on;') add_header Cache-Control "public, max-age=31536000, immutable"; try_files \$uri =404; }
    location / {
      add_header X-Content-Type-Options nosniff;
      try_files \$uri /index.php\$is_args\$args;
    }
    # Readings of instruments, and pages that wait for one: a stream that stays open.
    location /instruments/ {
      proxy_pass http://unix:$INSTRUMENTS_SOCKET:;
      proxy_http_version 1.1;
      proxy_set_header Connection "";
      proxy_buffering off;
      proxy_read_timeout 60s;
    }
    location = /index.php {
      limit_conn answered $MOST_AT_ONCE;
      limit_conn of_one $MOST_OF_ONE;
      fastcgi_pass unix:$FPM_SOCKET;
      $params
    }
    location ~ ^/(metrics/heavy|api/(order|day|day/calendar|record/file|cut|ticket|materials|books|joints|csv|make-up|reckon/(closing-gap|cut-stock|glue-clock|make-up|trap-seal|will-it-go)))\$ {
      fastcgi_pass unix:$FPM_HEAVY_SOCKET;
      fastcgi_read_timeout 70s;
      $params
    }
  }
}
CONF
  own "$home"
  FPM_COMMAND=("/usr/sbin/php-fpm$version" "${flags[@]}" --nodaemonize)
  NGINX_COMMAND=("$(command -v nginx || echo /usr/sbin/nginx)" -c "$home/nginx.conf" -e "$home/nginx.log" -p "$home")
}

# end_web NAME SECONDS: ends what serves, and whatever of it a start that was killed left behind; what is being answered is
# answered for so long
end_web() {
  local home="$VAR/$1/web" server
  for server in nginx fpm heavy; do end_group "$home/$server.group" QUIT "$2"; done
  end_group "$home/instruments.group" TERM 5
  end_group "$home/queue.group" TERM 30
  end_group "$home/schedule.group" TERM 5
}

# start_web NAME PORT
start_web() {
  web_settings "$1" "$2"
  local home=$WEB_HOME
  WEB_NAME=$1
  end_web "$1" 5
  # What a killed server left lying is no server; what the one before noted is not of this one.
  rm -f "$FPM_SOCKET" "$FPM_HEAVY_SOCKET" "$INSTRUMENTS_SOCKET"
  [ -z "${FALL_BEND_ACCESS_LOG_AT:-}" ] || : > "$FALL_BEND_ACCESS_LOG_AT"
  launch "$home/fpm.group" "$home/fpm.out" "${FPM_COMMAND[@]}" --fpm-config "$home/fpm.conf"
  FPM_SERVER=$LAUNCHED
  launch "$home/heavy.group" "$home/heavy.out" nice -n 15 "${FPM_COMMAND[@]}" --fpm-config "$home/heavy.conf"
  HEAVY_SERVER=$LAUNCHED
  launch "$home/instruments.group" "$home/instruments.out" php artisan instruments:serve --socket="$INSTRUMENTS_SOCKET"
  INSTRUMENTS_SERVER=$LAUNCHED
  # Letters are sent by a worker that begins anew each hour; what is due by the clock is begun by another.
  launch "$home/queue.group" "$home/queue.out" nice sh -c 'while :; do php artisan queue:work --max-time=3600 --sleep=2 -q; sleep 1; done'
  QUEUE_SERVER=$LAUNCHED
  launch "$home/schedule.group" "$home/schedule.out" nice php artisan schedule:work -q
  SCHEDULE_SERVER=$LAUNCHED
  launch "$home/nginx.group" "$home/nginx.out" "${NGINX_COMMAND[@]}"
  NGINX_SERVER=$LAUNCHED
  local i
  for i in $(seq 1 100); do
    is_healthy "$2" && return 0
    kill -0 "$FPM_SERVER" 2>/dev/null || { tail -n 5 "$home/fpm.out" "$home/fpm.log" >&2; die 'PHP-FPM did not start.'; }
    kill -0 "$NGINX_SERVER" 2>/dev/null || { tail -n 5 "$home/nginx.out" "$home/nginx.log" >&2; die 'nginx did not start.'; }
    sleep 0.1
  done
  die 'The web server did not answer within 10 s.'
}

# fpm_settings FOLDER NAME SOCKET HOW_MANY COMMON: the settings of a master with one pool
fpm_settings() {
  cat > "$1/$2.conf" <<CONF
[global]
pid = $1/$2.pid
error_log = $1/$2.log
daemonize = no
; When told to stop, what is being answered is answered.
process_control_timeout = 30s
[$2]
listen = $3
$4
$5
CONF
}

# is_healthy PORT: whether the application answers there, with its database behind it
is_healthy() {
  php -r '$any = stream_context_create(["http" => ["ignore_errors" => true, "timeout" => 5]]);
    $said = json_decode((string) @file_get_contents("http://'"$LISTEN:$1"'/health/ready", false, $any), true);
    exit(($said["checks"]["database"]["ok"] ?? false) === true ? 0 : 1);'
}

# application_environment NAME PORT ENVIRONMENT: what the application is told; the database stands already
application_environment() {
  export APP_ENV=$3 APP_URL="${APP_PUBLIC_URL:-http://127.0.0.1:$2}" APP_CONFIG_CACHE="$VAR/$1/config.php" APP_ROUTES_CACHE="$VAR/$1/routes.php" APP_EVENTS_CACHE="$VAR/$1/events.php"
  export APP_DATA="$VAR/$1/data.php"
  [ -f "$VAR/$1/app.key" ] || (umask 077; php -r 'echo "base64:".base64_encode(random_bytes(32));' > "$VAR/$1/app.key")
  # Several nodes share one key.
  APP_KEY=${FALL_BEND_KEY:-$(cat "$VAR/$1/app.key")}
  export MAIL_FOLDER="$VAR/$1/mailbox"
  # Where pictures stand with PICTURES_STORE=store and no bucket.
  export PICTURES_FOLDER="${PICTURES_FOLDER:-$VAR/$1/store}"
  # Each installation notes what went wrong beside its own data.
  export APP_KEY LOG_FILE="$VAR/$1/fall-bend.log" REQUEST_LOG="$VAR/$1/log/requests.log"
  # Where the data stands, if it stands on this machine: nothing is written any more while there is still some room.
  export FALL_BEND_DATA="${DB_DATA:-}"
}

# forget_compiled NAME: takes out what a release compiled of itself, and no other one understands
forget_compiled() { rm -f "$VAR/$1/config.php" "$VAR/$1/routes.php" "$VAR/$1/events.php" "$VAR/$1/data.php"; }

# prepare_application NAME [fresh|empty]: settings cached, tables made (anew with `fresh`), demo in (not with `empty`)
prepare_application() {
  mkdir -p "$VAR/$1/cache"
  touch "$LOG_FILE"
  mkdir -p "$MAIL_FOLDER" "$VAR/$1/log" "$PICTURES_FOLDER"
  own storage bootstrap/cache "$LOG_FILE" "$MAIL_FOLDER" "$VAR/$1/log" "$PICTURES_FOLDER"
  let_servers_read
  umask 077
  # What was compiled may be of another release, which was taken back: without it each is read from what it is made of.
  forget_compiled "$1"
  php artisan data:compile "$APP_DATA" -q
  php artisan config:cache -q
  php artisan route:cache -q
  umask 022
  own "$VAR/$1/config.php" "$APP_DATA" "$VAR/$1/routes.php" storage bootstrap/cache
  if [ "${2:-}" = fresh ]; then php artisan migrate:fresh --force -q; elif [ "${CACHE_STORE:-}" = redis ]; then php artisan migrate --force --isolated -q; else php artisan migrate --force -q; fi
  [ "${2:-}" = empty ] || php artisan demo:seed
}

# start_application NAME PORT ENVIRONMENT [fresh|empty]: prepared, and served
start_application() {
  application_environment "$1" "$2" "$3"
  prepare_application "$1" "${4:-}"
  start_web "$1" "$2"
}

# start_driver NAME: ChromeDriver on a free port, told to the browser tests with the address that they look at
start_driver() {
  local port i
  port=$(free_port)
  chromedriver --port="$port" > "$VAR/$1/chromedriver.log" 2>&1 &
  DRIVER=$!
  for i in $(seq 1 100); do port_is_free "$port" || break; sleep 0.1; done
  export BROWSER_BASE=$APP_URL BROWSER_DRIVER="http://127.0.0.1:$port"
}

# Whatever is being answered is answered first.
stop_web() {
  [ -n "${NGINX_SERVER:-}${FPM_SERVER:-}" ] || return 0
  end_web "$WEB_NAME" 35
  wait "${QUEUE_SERVER:-}" "${SCHEDULE_SERVER:-}" "${NGINX_SERVER:-}" "${FPM_SERVER:-}" "${HEAVY_SERVER:-}" "${INSTRUMENTS_SERVER:-}" 2>/dev/null || true
  NGINX_SERVER='' FPM_SERVER='' HEAVY_SERVER='' INSTRUMENTS_SERVER='' QUEUE_SERVER='' SCHEDULE_SERVER=''
}
