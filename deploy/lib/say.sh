# How the scripts speak: progress to the terminal, one clear sentence and a non-zero exit when a step fails.

say() { printf '  %s\n' "$*"; }

fail() {
    printf '\nWelkion could not go on: %s\n' "$*" >&2
    exit 1
}

# Runs a step quietly; shows the end of its output only when it fails.
#   step "Installing PHP packages" log-name command...
step() {
    local title=$1 log=$2 began=$SECONDS
    shift 2
    mkdir -p "$WELKION_ROOT/var/log"
    printf '  %s ... ' "$title"
    if "$@" >"$WELKION_ROOT/var/log/$log.log" 2>&1; then
        printf 'done (%d s)\n' $((SECONDS - began))
        return 0
    fi
    printf 'failed\n' >&2
    tail -n 12 "$WELKION_ROOT/var/log/$log.log" | sed 's/^/      /' >&2
    fail "\"$title\" failed. The whole output is in var/log/$log.log."
}
