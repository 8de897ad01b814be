#!/usr/bin/env bash
# Runs a server as the only one of its kind in this copy: run-alone.sh GROUP_FILE SOCKET command...
# A master killed outright leaves workers that hold its port; they are its process group, and end here first. It also
# leaves its socket, and no new one can be made in its place.
set -u
group_file=$1
socket=$2
shift 2
name=$(basename "$1")
group=$(cat "$group_file" 2>/dev/null || true)
if [ -n "$group" ]; then
    for pid in $(pgrep -g "$group" 2>/dev/null); do
        # A number left from long ago may belong to some other program by now.
        case $(tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null) in *"${name%%[0-9]*}"*) kill -KILL "$pid" 2>/dev/null ;; esac
    done
fi
rm -f "$socket"
ps -o pgid= -p $$ | tr -d ' ' >"$group_file"
exec "$@"
