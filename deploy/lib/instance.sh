# One running copy of Welkion: its folder under var/, its ports, its processes.
#   instance_open NAME BASE_PORT    makes or reads the folder and its settings
#   instance_start                  starts every process and waits until each is healthy
#   instance_stop                   stops them all

MIN_FREE_MB=300
HEALTHY_WITHIN_S=60

instance_open() {
    INSTANCE=$1
    export WELKION_VAR="$WELKION_ROOT/var/$INSTANCE"
    local base=$2
    HTTP_PORT=${WELKION_HTTP_PORT:-$base}
    DB_PORT=${WELKION_DB_PORT:-$((base + 1))}
    FPM_PORT=${WELKION_FPM_PORT:-$((base + 2))}
    RECORDER_PORT=${WELKION_RECORDER_PORT:-$((base + 3))}
    BENCH_PORT=${WELKION_BENCH_PORT:-$((base + 4))}
    PUBLISH_PORT=${WELKION_PUBLISH_PORT:-$((base + 5))}
    BENCH_SPEED=${WELKION_BENCH_SPEED:-10}
    ADDRESS="http://127.0.0.1:$HTTP_PORT"

    umask 077
    mkdir -p "$WELKION_VAR" 2>/dev/null || fail "the folder var/$INSTANCE cannot be written. Give this account the right to write in the checkout."
    [ -w "$WELKION_VAR" ] || fail "the folder var/$INSTANCE cannot be written. Give this account the right to write in it."
    require_disk
    mkdir -p "$WELKION_VAR"/{log,run,tmp/nginx,storage/{app,framework/{cache/data,sessions,views},logs}}
}

require_disk() {
    local free
    free=$(df -Pm "$WELKION_VAR" | awk 'NR == 2 { print $4 }')
    [ "$free" -ge "$MIN_FREE_MB" ] || fail "only $free MB are free on this disk, and the database needs $MIN_FREE_MB MB. Free some space and start again."
}

instance_is_running() {
    local pid
    pid=$(cat "$WELKION_VAR/run/supervisord.pid" 2>/dev/null) || return 1
    # A number left behind by a killed run may belong to some other process by now.
    [ -n "$pid" ] && tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -qF "$WELKION_VAR/supervisord.conf"
}

port_is_open() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

require_free_ports() {
    local name port
    for name in HTTP DB FPM RECORDER BENCH PUBLISH; do
        port=${name}_PORT
        port_is_open "${!port}" && fail "port ${!port} is used by another program. Choose another with WELKION_${name}_PORT, or move all of them with WELKION_PORT."
    done
    return 0
}

random_word() { head -c 24 /dev/urandom | base64 | tr -d '+/=\n'; }

# Secrets are made once and kept; ports follow the settings at every start.
write_settings() {
    local secrets="$WELKION_VAR/secrets.env"
    if [ ! -s "$secrets" ]; then
        {
            echo "APP_KEY=base64:$(head -c 32 /dev/urandom | base64)"
            echo "DB_PASSWORD=$(random_word)"
            echo "WELKION_RECORDER_TOKEN=$(random_word)"
        } >"$secrets"
    fi
    {
        cat "$secrets"
        cat <<SETTINGS
APP_NAME=Welkion
APP_ENV=${WELKION_APP_ENV:-production}
APP_DEBUG=false
APP_URL=$ADDRESS
LOG_CHANNEL=single
LOG_LEVEL=warning
DB_CONNECTION=mariadb
DB_HOST=127.0.0.1
DB_PORT=$DB_PORT
DB_DATABASE=welkion
DB_USERNAME=welkion
SESSION_DRIVER=database
SESSION_COOKIE=welkion_$HTTP_PORT
SESSION_LIFETIME=720
CACHE_STORE=file
QUEUE_CONNECTION=sync
WELKION_RECORDER_PORT=$RECORDER_PORT
WELKION_PUBLISH_PORT=$PUBLISH_PORT
WELKION_BENCH_PORT=$BENCH_PORT
SETTINGS
    } >"$WELKION_VAR/settings.env"
}

fill_templates() {
    local template target password account
    password=$(sed -n 's/^DB_PASSWORD=//p' "$WELKION_VAR/secrets.env")
    account=$(id -un)
    # A Unix socket path may have 107 bytes, which a deep checkout exceeds; so MariaDB's lies in a short folder of its own.
    SOCKET_DIR=$(mktemp -d /tmp/welkion.XXXXXX)
    for template in "$WELKION_ROOT"/deploy/templates/*; do
        target="$WELKION_VAR/$(basename "$template")"
        sed -e "s|@ROOT@|$WELKION_ROOT|g" -e "s|@VAR@|$WELKION_VAR|g" -e "s|@ACCOUNT@|$account|g" \
            -e "s|@GROUP@|$(id -gn)|g" -e "s|@SOCKET_DIR@|$SOCKET_DIR|g" -e "s|@DB_PASSWORD@|$password|g" \
            -e "s|@HTTP_PORT@|$HTTP_PORT|g" -e "s|@DB_PORT@|$DB_PORT|g" -e "s|@FPM_PORT@|$FPM_PORT|g" \
            -e "s|@RECORDER_PORT@|$RECORDER_PORT|g" -e "s|@BENCH_PORT@|$BENCH_PORT|g" \
            -e "s|@PUBLISH_PORT@|$PUBLISH_PORT|g" -e "s|@BENCH_SPEED@|$BENCH_SPEED|g" \
            -e "s|@FPM@|$(command -v php-fpm8.2)|g" -e "s|@NGINX@|$(command -v nginx || echo /usr/sbin/nginx)|g" \
            -e "s|@MARIADBD@|$(command -v mariadbd || echo /usr/sbin/mariadbd)|g" -e "s|@PHP@|$(command -v php8.2)|g" \
            "$template" >"$target"
    done
}

make_database() {
    [ -d "$WELKION_VAR/database/mysql" ] && return 0
    rm -rf "$WELKION_VAR/database"
    step "Making the database" database mariadb-install-db --no-defaults --user="$(id -un)" \
        --datadir="$WELKION_VAR/database" --auth-root-authentication-method=socket --skip-test-db
}

instance_start() {
    require_free_ports
    write_settings
    make_database
    fill_templates
    setsid setpriv --pdeathsig TERM supervisord -n -c "$WELKION_VAR/supervisord.conf" >"$WELKION_VAR/log/supervisord.out" 2>&1 &
    SUPERVISOR_PID=$!

    wait_until "MariaDB" mariadb "port_is_open $DB_PORT"
    php artisan migrate --force >"$WELKION_VAR/log/migrate.log" 2>&1 \
        || instance_fail "the database could not be brought up to date; see var/$INSTANCE/log/migrate.log."
    if [ ! -f "$WELKION_VAR/seeded" ]; then
        php artisan db:seed --force >"$WELKION_VAR/log/seed.log" 2>&1 \
            || instance_fail "the demo data could not be filled in; see var/$INSTANCE/log/seed.log."
        touch "$WELKION_VAR/seeded"
    fi
    wait_until "the web server" nginx "curl -fsS -o /dev/null $ADDRESS/up"
    wait_until "the recorder and its bench" recorder "php artisan welkion:health"
}

#   wait_until WHAT LOG COMMAND
wait_until() {
    local deadline=$((SECONDS + HEALTHY_WITHIN_S))
    until eval "$3" >/dev/null 2>&1; do
        kill -0 "$SUPERVISOR_PID" 2>/dev/null || instance_fail "the supervisor stopped; see var/$INSTANCE/log/supervisord.out."
        [ $SECONDS -lt $deadline ] || instance_fail "$1 did not come up within $HEALTHY_WITHIN_S s; see var/$INSTANCE/log/$2.log."
        sleep 0.1
    done
}

instance_fail() {
    instance_stop
    fail "$1"
}

instance_stop() {
    if [ -n "${SUPERVISOR_PID:-}" ]; then
        kill -TERM "$SUPERVISOR_PID" 2>/dev/null || true
        wait "$SUPERVISOR_PID" 2>/dev/null || true
        SUPERVISOR_PID=
    fi
    [ -n "${SOCKET_DIR:-}" ] && rm -rf "$SOCKET_DIR"
    return 0
}
