# Installs what is missing: Debian packages, Composer packages, npm packages; builds the front end.
# shellcheck shell=bash

# A release brings its packages and its front end with it.
is_release() { [ -f "$ROOT/RELEASE" ]; }

need_base() {
  local tool tools=(php composer node npm)
  if is_release; then tools=(php); fi
  for tool in "${tools[@]}"; do
    command -v "$tool" >/dev/null || die "$tool is not installed. Fall Bend needs PHP 8.2 or later, Composer, and Node 20 or later."
  done
  php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || die "PHP $(php -r 'echo PHP_VERSION;') is too old: 8.2 or later is needed."
}

# install_debian WHAT...: serve, database, browser
install_debian() {
  local version missing=() what extension modules
  version=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
  modules=$(php -m)
  for extension in pdo_mysql:mysql mbstring:mbstring curl:curl intl:intl dom:xml zip:zip apcu:apcu gd:gd; do
    grep -qix "${extension%%:*}" <<<"$modules" || missing+=("php$version-${extension##*:}")
  done
  for what in "$@"; do
    case $what in
      serve) command -v nginx >/dev/null || [ -x /usr/sbin/nginx ] || missing+=(nginx-light)
             [ -e "$BROTLI_MODULE" ] || missing+=(libnginx-mod-http-brotli-static)
             [ -x "/usr/sbin/php-fpm$version" ] || missing+=("php$version-fpm") ;;
      database) [ -x /usr/sbin/mariadbd ] || missing+=(mariadb-server) ;;
      browser) command -v chromium >/dev/null || missing+=(chromium)
               command -v chromedriver >/dev/null || missing+=(chromium-driver) ;;
      cluster) [ -e /usr/lib/galera/libgalera_smm.so ] || missing+=(galera-4)
               command -v haproxy >/dev/null || [ -x /usr/sbin/haproxy ] || missing+=(haproxy)
               command -v redis-server >/dev/null || missing+=(redis-server)
               command -v rsync >/dev/null || missing+=(rsync)
               command -v ss >/dev/null || missing+=(iproute2)
               command -v socat >/dev/null || missing+=(socat)
               grep -qix redis <<<"$modules" || missing+=("php$version-redis") ;;
      backup) command -v mariadb-backup >/dev/null || missing+=(mariadb-backup)
              command -v openssl >/dev/null || missing+=(openssl) ;;
      solver) command -v glpsol >/dev/null || missing+=(glpk-utils) ;;
    esac
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  step "Installing Debian packages: ${missing[*]}"
  local as_root=()
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null || die "These packages are missing and only root can install them: ${missing[*]}"
    as_root=(sudo)
  fi
  # A package must not start a service of its own here; the refusal is temporary, and only where none stands already.
  local policy=/usr/sbin/policy-rc.d placed=''
  if [ ! -e "$policy" ]; then
    printf '#!/bin/sh\nexit 101\n' | "${as_root[@]}" tee "$policy" >/dev/null && "${as_root[@]}" chmod 755 "$policy" && placed=1
  fi
  local status=0
  { "${as_root[@]}" apt-get update -q && "${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}"; } > "$VAR/apt.log" 2>&1 || status=$?
  if [ -n "$placed" ]; then "${as_root[@]}" rm -f "$policy"; fi
  [ $status -eq 0 ] || { tail -20 "$VAR/apt.log" >&2; die "The Debian packages could not be installed (whole output in var/apt.log)."; }
}

install_composer() {
  if is_release; then return 0; fi
  fresh composer composer.json core/composer.json packages/registry-gaps/composer.json && [ -f vendor/autoload.php ] && return 0
  step 'Installing PHP packages'
  composer install --no-progress --quiet || die 'Composer could not install the PHP packages.'
  stamp composer composer.json core/composer.json packages/registry-gaps/composer.json
}

install_npm() {
  if is_release; then return 0; fi
  fresh npm package.json package-lock.json && [ -d node_modules/vite ] && return 0
  step 'Installing JavaScript packages'
  npm ci --no-progress > "$VAR/npm.log" 2>&1 || { tail -20 "$VAR/npm.log" >&2; die 'npm could not install the JavaScript packages.'; }
  stamp npm package.json package-lock.json
}

front_sources() { find resources vite.config.ts package-lock.json tsconfig.json -type f | LC_ALL=C sort; }

build_front() {
  if is_release; then return 0; fi
  local sources
  mapfile -t sources < <(front_sources)
  fresh build "${sources[@]}" && [ -f public/build/manifest.json ] && return 0
  step 'Building the front end'
  npm run --silent build > "$VAR/build.log" 2>&1 || { tail -30 "$VAR/build.log" >&2; die 'The front end could not be built.'; }
  stamp build "${sources[@]}"
}
