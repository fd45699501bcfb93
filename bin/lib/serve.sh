# nginx before PHP-FPM, both our own, on loopback.
# shellcheck shell=bash

# start_web NAME PORT
start_web() {
  local home="$VAR/$1/web" version fpm_user='' nginx_user='' fpm_flags=()
  version=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
  mkdir -p "$home/tmp"
  FPM_SOCKET="$home/fpm.sock"
  [ ${#FPM_SOCKET} -le 100 ] || FPM_SOCKET="/tmp/fall-bend-$(printf '%s' "$home" | sha256sum | cut -c1-12)-fpm.sock"
  if [ "$(id -u)" -eq 0 ]; then
    fpm_user=$'user = root\ngroup = root'
    nginx_user='user root;'
    fpm_flags=(-R)
  fi
  stop_leftover "$home/nginx.pid"
  stop_leftover "$home/fpm.pid"
  cat > "$home/fpm.conf" <<CONF
[global]
pid = $home/fpm.pid
error_log = $home/fpm.log
daemonize = no
[www]
$fpm_user
listen = $FPM_SOCKET
listen.mode = 0600
pm = static
pm.max_children = 4
clear_env = no
catch_workers_output = yes
php_admin_value[opcache.validate_timestamps] = 0
php_admin_value[post_max_size] = 8M
CONF
  cat > "$home/nginx.conf" <<CONF
$nginx_user
worker_processes 1;
daemon off;
pid $home/nginx.pid;
error_log $home/nginx.log;
events { worker_connections 256; }
http {
  access_log off;
  client_body_temp_path $home/tmp/body;
  proxy_temp_path $home/tmp/proxy;
  fastcgi_temp_path $home/tmp/fastcgi;
  uwsgi_temp_path $home/tmp/uwsgi;
  scgi_temp_path $home/tmp/scgi;
  client_max_body_size 8m;
  types {
    text/html html; text/css css; application/javascript js; image/svg+xml svg; font/woff2 woff2; font/woff woff; application/json json; image/png png;
  }
  default_type application/octet-stream;
  gzip on;
  gzip_types text/css application/javascript application/json image/svg+xml;
  server {
    listen 127.0.0.1:$2;
    root $ROOT/public;
    location /build/ { add_header Cache-Control "public, max-age=31536000, immutable"; try_files \$uri =404; }
    location / { try_files \$uri /index.php\$is_args\$args; }
    location = /index.php {
      fastcgi_pass unix:$FPM_SOCKET;
      fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
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
      fastcgi_param REMOTE_ADDR \$remote_addr;
      fastcgi_param HTTP_PROXY "";
    }
  }
}
CONF
  "/usr/sbin/php-fpm$version" "${fpm_flags[@]}" --nodaemonize --fpm-config "$home/fpm.conf" > "$home/fpm.out" 2>&1 &
  FPM_SERVER=$!
  "$(command -v nginx || echo /usr/sbin/nginx)" -c "$home/nginx.conf" -e "$home/nginx.log" -p "$home" > "$home/nginx.out" 2>&1 &
  NGINX_SERVER=$!
  local i
  for i in $(seq 1 100); do
    [ -S "$FPM_SOCKET" ] && ! port_is_free "$2" && return 0
    kill -0 "$FPM_SERVER" 2>/dev/null || { tail -5 "$home/fpm.out" "$home/fpm.log" >&2; die 'PHP-FPM did not start.'; }
    kill -0 "$NGINX_SERVER" 2>/dev/null || { tail -5 "$home/nginx.out" "$home/nginx.log" >&2; die 'nginx did not start.'; }
    sleep 0.1
  done
  die 'The web server did not answer within 10 s.'
}

# start_application NAME PORT ENVIRONMENT [fresh]: settings cached, tables made (anew with `fresh`), demo in, served. The database stands already.
start_application() {
  export APP_ENV=$3 APP_URL="http://127.0.0.1:$2" APP_CONFIG_CACHE="$VAR/$1/config.php" APP_ROUTES_CACHE="$VAR/$1/routes.php" APP_EVENTS_CACHE="$VAR/$1/events.php"
  [ -f "$VAR/$1/app.key" ] || (umask 077; php -r 'echo "base64:".base64_encode(random_bytes(32));' > "$VAR/$1/app.key")
  APP_KEY=$(cat "$VAR/$1/app.key")
  export APP_KEY
  php artisan config:cache -q
  php artisan route:cache -q
  if [ "${4:-}" = fresh ]; then php artisan migrate:fresh --force -q; else php artisan migrate --force -q; fi
  php artisan demo:seed
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

stop_web() {
  local pid
  for pid in "${NGINX_SERVER:-}" "${FPM_SERVER:-}"; do
    [ -n "$pid" ] || continue
    kill -TERM "$pid" 2>/dev/null || true
    wait "$pid" 2>/dev/null || true
  done
  NGINX_SERVER='' FPM_SERVER=''
}
