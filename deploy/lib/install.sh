# Installs what is missing. Each part is skipped when it is there and newer than what it is made from.

DEBIAN_TO_RUN="mariadb-server php8.2-cli php8.2-fpm php8.2-mysql php8.2-curl php8.2-mbstring php8.2-xml php8.2-zip php8.2-bcmath nginx libnginx-mod-nchan supervisor procps curl unzip"
DEBIAN_TO_TEST="chromium-headless-shell fonts-dejavu-core"

install_debian_packages() {
    local missing=() package
    for package in $1; do
        dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} -eq 0 ] && return 0
    [ "$(id -u)" -eq 0 ] || fail "these Debian packages are missing: ${missing[*]}. Install them as root with: apt-get install --no-install-recommends ${missing[*]}"
    export DEBIAN_FRONTEND=noninteractive
    step "Asking Debian what there is" apt-update apt-get update
    step "Installing ${#missing[@]} Debian packages" apt-install apt-get install -y --no-install-recommends "${missing[@]}"
}

# What an installed folder was made from is remembered beside it, so that a new checkout of the same files costs nothing.
is_made_from() { [ -f "$1" ] && [ "$(cat "$1")" = "$(fingerprint "${@:2}")" ]; }

fingerprint() { cat "$@" | sha256sum | cut -d' ' -f1; }

remember() { fingerprint "${@:2}" >"$1"; }

install_php_packages() {
    is_made_from vendor/.made-from composer.json && return 0
    command -v composer >/dev/null || fail "Composer is missing. Install the Debian package \"composer\" and start again."
    COMPOSER_ALLOW_SUPERUSER=1 step "Installing PHP packages" composer composer update --no-interaction --no-progress
    remember vendor/.made-from composer.json
}

install_node_packages() {
    is_made_from node_modules/.made-from package-lock.json && return 0
    command -v npm >/dev/null || fail "npm is missing. Install Node.js 20 with npm and start again."
    # Not "npm ci": it refuses a lock file that leaves out packages made for other systems than this one.
    PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 step "Installing front-end packages" npm npm install --no-save --no-audit --no-fund
    remember node_modules/.made-from package-lock.json
}

front_end_sources() { find resources package-lock.json vite.config.ts docs/openapi.yaml -type f | LC_ALL=C sort; }

build_front_end() {
    local sources
    mapfile -t sources < <(front_end_sources)
    # Remembered outside of public/, where everything is served.
    is_made_from var/front-end.made-from "${sources[@]}" && [ -f public/build/manifest.json ] && return 0
    step "Building the front end" build npm run build
    remember var/front-end.made-from "${sources[@]}"
}

install_to_run() {
    install_debian_packages "$DEBIAN_TO_RUN"
    install_php_packages
    install_node_packages
    build_front_end
}
