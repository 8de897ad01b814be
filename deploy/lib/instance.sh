# One running copy of Welkion: its folder under var/, its ports, its processes.
#   instance_open NAME BASE_PORT    makes or reads the folder and its settings
#   instance_start                  starts every process and waits until each is healthy
#   instance_stop                   stops them all

MIN_FREE_MB=300
HEALTHY_WITHIN_S=60
BENCHES_WITHIN_S=10
LOGS_KEPT_DAYS=30

instance_open() {
    INSTANCE=$1
    export WELKION_VAR="$WELKION_ROOT/var/$INSTANCE"
    local base=$2
    HTTP_PORT=${WELKION_HTTP_PORT:-$base}
    DB_PORT=${WELKION_DB_PORT:-$((base + 1))}
    BENCH_PORT=${WELKION_BENCH_PORT:-$((base + 2))}
    BENCH_SPEED=${WELKION_BENCH_SPEED:-10}
    HTTP_HOST=${WELKION_HTTP_HOST:-127.0.0.1}
    ADDRESS="http://${HTTP_HOST/#0.0.0.0/127.0.0.1}:$HTTP_PORT"

    umask 077
    require_plain_path
    mkdir -p "$WELKION_VAR" 2>/dev/null || fail "the folder var/$INSTANCE cannot be written. Give this account the right to write in the checkout."
    [ -w "$WELKION_VAR" ] || fail "the folder var/$INSTANCE cannot be written. Give this account the right to write in it."
    require_disk
    mkdir -p "$WELKION_VAR"/{log,run,tmp/nginx,storage/{app,framework/{cache/data,sessions,views},logs}}
}

# Four programs read the path from their settings, and no way of quoting suits all of them.
require_plain_path() {
    local hard='["'\''$\\;#%@]'
    [[ $WELKION_ROOT =~ $hard || $WELKION_ROOT == *$'\n'* ]] || return 0
    fail "the path of this folder holds a character that the servers' settings cannot hold (one of \" ' \$ \\ ; # % @). Move it, or rename the folder: $WELKION_ROOT"
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
    for name in HTTP DB BENCH; do
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
DB_SOCKET=$SOCKETS/mariadb.sock
DB_DATABASE=welkion
DB_USERNAME=welkion
SESSION_DRIVER=database
SESSION_COOKIE=welkion_$HTTP_PORT
SESSION_LIFETIME=43200
SESSION_ENCRYPT=true
CACHE_STORE=file
QUEUE_CONNECTION=sync
WELKION_SOCKETS=$SOCKETS
WELKION_BENCH_PORT=$BENCH_PORT
SETTINGS
        # Tests make a teacher each: what keeps passwords from being guessed would take half of their time.
        [ "${WELKION_APP_ENV:-}" != testing ] || echo BCRYPT_ROUNDS=4
    } >"$WELKION_VAR/settings.env"
}

# Between its own processes a copy speaks over sockets in a folder that only this account may enter. A Unix socket path
# may have 107 bytes, which a deep checkout exceeds; so the folder lies apart, and a link in the copy says where.
make_socket_folder() {
    remove_socket_folder
    SOCKETS=$(mktemp -d /tmp/welkion.XXXXXX)
    ln -sfn "$SOCKETS" "$WELKION_VAR/run/sockets"
}

# That of a run that was killed, too.
remove_socket_folder() {
    local folder
    folder=$(readlink "$WELKION_VAR/run/sockets" 2>/dev/null) || return 0
    [[ $folder =~ ^/tmp/welkion\.[A-Za-z0-9]{6}$ ]] && [ -O "$folder" ] && rm -rf "$folder"
    rm -f "$WELKION_VAR/run/sockets"
}

fill_templates() {
    FILL_ROOT=$WELKION_ROOT FILL_VAR=$WELKION_VAR FILL_SOCKETS=$SOCKETS FILL_ACCOUNT=$(id -un) FILL_GROUP=$(id -gn) \
        FILL_HTTP_HOST=$HTTP_HOST FILL_HTTP_PORT=$HTTP_PORT FILL_DB_PORT=$DB_PORT FILL_BENCH_PORT=$BENCH_PORT FILL_BENCH_SPEED=$BENCH_SPEED \
        FILL_DB_FLUSH=$([ "${WELKION_APP_ENV:-}" = testing ] && echo 2 || echo 1) \
        FILL_DB_PASSWORD=$(sed -n 's/^DB_PASSWORD=//p' "$WELKION_VAR/secrets.env") \
        FILL_FPM=$(command -v php-fpm8.2) FILL_PHP=$(command -v php8.2) FILL_JIT=$WELKION_JIT \
        FILL_NGINX=$(command -v nginx || echo /usr/sbin/nginx) FILL_MARIADBD=$(command -v mariadbd || echo /usr/sbin/mariadbd) \
        php deploy/fill.php "$WELKION_ROOT/deploy/templates" "$WELKION_VAR" \
        || instance_fail "the settings of the servers could not be written to var/$INSTANCE."
}

make_database() {
    [ -d "$WELKION_VAR/database/mysql" ] && return 0
    rm -rf "$WELKION_VAR/database"
    # That script stumbles over spaces in a path; through this link it sees none.
    ln -sfn "$WELKION_VAR" "$SOCKETS/copy"
    step "Making the database" database mariadb-install-db --no-defaults --user="$(id -un)" \
        --datadir="$SOCKETS/copy/database" --auth-root-authentication-method=socket --skip-test-db
}

instance_start() {
    require_free_ports
    make_socket_folder
    write_settings
    make_database
    fill_templates
    remove_old_logs
    read_settings_once
    supervise
    wait_until "MariaDB" mariadb port_is_open "$DB_PORT"
    php artisan welkion:upgrade >"$WELKION_VAR/log/migrate.log" 2>&1 \
        || instance_fail "$(upgrade_refusal)"
    say_upgrade
    if [ ! -f "$WELKION_VAR/seeded" ]; then
        php artisan db:seed --force >"$WELKION_VAR/log/seed.log" 2>&1 \
            || instance_fail "the demo data could not be filled in; see var/$INSTANCE/log/seed.log."
        touch "$WELKION_VAR/seeded"
    fi
    wait_until "the web server" nginx curl -fsS -o /dev/null "$ADDRESS/up"
    wait_until "the recorder" recorder php artisan welkion:health
    wait_for_benches
}

# A bench that is switched off, or sends nonsense, keeps nobody from the others: it is waited for a little, then told.
wait_for_benches() {
    local deadline=$((SECONDS + BENCHES_WITHIN_S)) said
    until said=$(php artisan welkion:health --benches 2>/dev/null); do
        if [ $SECONDS -ge $deadline ]; then
            while IFS= read -r line; do say "$line"; done <<<"$said"
            return 0
        fi
        sleep 0.2
    done
}

# Settings, routes and events as the web server's PHP takes them in; anew at every start, so that none is of an older version.
read_settings_once() {
    rm -rf "$WELKION_VAR/cache"
    mkdir -p "$WELKION_VAR/cache"
    LOG_CHANNEL=stderr APP_CONFIG_CACHE="$WELKION_VAR/cache/config.php" APP_ROUTES_CACHE="$WELKION_VAR/cache/routes.php" \
        APP_EVENTS_CACHE="$WELKION_VAR/cache/events.php" php artisan optimize --except=views >"$WELKION_VAR/log/settings.log" 2>&1 \
        || instance_fail "the settings of this copy could not be read; see var/$INSTANCE/log/settings.log."
}

supervise() {
    setsid setpriv --pdeathsig TERM supervisord -n -c "$WELKION_VAR/supervisord.conf" >>"$WELKION_VAR/log/supervisord.out" 2>&1 &
    SUPERVISOR_PID=$!
}

# Stays until the supervisor ends; one that was killed is started again, five times in a minute at the most.
instance_watch() {
    local began=$SECONDS times=0
    while true; do
        wait "$SUPERVISOR_PID" || true
        [ $((SECONDS - began)) -gt 60 ] && began=$SECONDS times=0
        times=$((times + 1))
        [ "$times" -le 5 ] || instance_fail "the supervisor ended by itself again and again; see var/$INSTANCE/log/supervisord.log."
        say "The supervisor ended by itself; starting everything again ..."
        # What it had started ends with it, and MariaDB takes a moment.
        wait_for_free_ports || instance_fail "the processes of this copy did not end; see var/$INSTANCE/log."
        remove_old_logs
        supervise
    done
}

wait_for_free_ports() {
    local deadline=$((SECONDS + 30)) port
    for port in "$HTTP_PORT" "$DB_PORT" "$BENCH_PORT"; do
        while port_is_open "$port"; do
            [ $SECONDS -lt $deadline ] || return 1
            sleep 0.1
        done
    done
}

# The supervisor turns a log over when it is long; here go those that are old.
remove_old_logs() {
    find "$WELKION_VAR/log" "$WELKION_VAR/storage/logs" -type f -mtime +"$LOGS_KEPT_DAYS" -delete
}

# What the upgrade of the database said, if it had to do anything.
say_upgrade() {
    local said
    said=$(sed -n 's/^Upgraded: //p' "$WELKION_VAR/log/migrate.log")
    [ -z "$said" ] || say "$said"
}

upgrade_refusal() {
    local said
    said=$(sed -n 's/^Refused: //p' "$WELKION_VAR/log/migrate.log")
    echo "${said:-the database could not be brought up to date; see var/$INSTANCE/log/migrate.log.}"
}

#   wait_until WHAT LOG command...
wait_until() {
    local what=$1 log=$2 deadline=$((SECONDS + HEALTHY_WITHIN_S))
    shift 2
    until "$@" >/dev/null 2>&1; do
        kill -0 "$SUPERVISOR_PID" 2>/dev/null || instance_fail "the supervisor stopped; see var/$INSTANCE/log/supervisord.out."
        [ $SECONDS -lt $deadline ] || instance_fail "$what did not come up within $HEALTHY_WITHIN_S s; see var/$INSTANCE/log/$log.log."
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
    [ -z "${SOCKETS:-}" ] || remove_socket_folder
    return 0
}
