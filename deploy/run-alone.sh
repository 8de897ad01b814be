#!/usr/bin/env bash
# Runs a server as the only one of its kind in this copy: run-alone.sh GROUP_FILE command...
# A master killed outright leaves workers that hold its port; they are its process group, and end here first.
set -u
group_file=$1
shift
name=$(basename "$1")
group=$(cat "$group_file" 2>/dev/null || true)
if [ -n "$group" ]; then
    for pid in $(pgrep -g "$group" 2>/dev/null); do
        # A number left from long ago may belong to some other program by now.
        case $(tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null) in *"${name%%[0-9]*}"*) kill -KILL "$pid" 2>/dev/null ;; esac
    done
fi
ps -o pgid= -p $$ | tr -d ' ' >"$group_file"
exec "$@"
