# A copy of Welkion made and started for one purpose, beside whatever else runs.

# The first of several port ranges nobody uses, so that a demo and other tests may run beside this one.
free_base() {
    local base port
    for base in $(seq "$1" 20 $(($1 + 400))); do
        for port in 0 1 2; do
            port_is_open $((base + port)) && continue 2
        done
        echo "$base"
        return 0
    done
    fail "no three free ports in a row were found from $1 on."
}

# Runs a command against a freshly made copy of Welkion that is started for it.
#   with_copy NAME FIRST_PORT command...
with_copy() (
    name=$1 first=$2
    shift 2
    unset WELKION_HTTP_HOST WELKION_HTTP_PORT WELKION_DB_PORT WELKION_BENCH_PORT
    export WELKION_BENCH_SPEED=${COPY_BENCH_SPEED:-60} WELKION_APP_ENV=${COPY_APP_ENV:-testing}
    rm -rf "$WELKION_ROOT/var/$name"
    instance_open "$name" "$(free_base "$first")"
    trap instance_stop EXIT
    trap 'exit 130' INT TERM
    instance_start
    export WELKION_ADDRESS=$ADDRESS
    "$@" || exit 1
    # A worker that crashed may have been hidden by a repeated request.
    ! grep -E 'signal 11|SIGSEGV' "$WELKION_VAR"/log/php-fpm.log* "$WELKION_VAR"/log/nginx.log*
)
