# Checks that run one after the other or beside each other, and what each came to.

#   check TITLE NAME command...
check() {
    local title=$1 name=$2 began=$SECONDS shell=$BASHPID computed outcome=passed
    local log="var/log/test-$name.log"
    shift 2
    printf '\n== %s\n' "$title"
    # In a file, since another check may run beside this one.
    printf 'FAILED\t%s (did not end)\t%s\n' "$title" "$log" >"var/log/test-$name.result"
    computed=$(children_computed "$shell")
    "$@" 2>&1 | tee "$log" || outcome=FAILED
    printf '%s\t%s (%d s)\t%s\n' "$outcome" "$title" $((SECONDS - began)) "$log" >"var/log/test-$name.result"
    printf '%d\t%d\t%s\n' $((SECONDS - began)) $(($(children_computed "$shell") - computed)) "$title" >>var/log/test-times-checks.tsv
}

# Whole seconds of processor time that the ended children of a process have taken: the 16th and 17th field, without the name and what is before it.
children_computed() {
    awk -v hz="$(getconf CLK_TCK)" '{ sub(/.*\) /, ""); print int(($14 + $15) / hz) }' "/proc/$1/stat"
}

summarise() {
    printf '\n== Summary\n'
    cat var/log/test-*.result | awk -F'\t' '{ printf "  %s  %s\n", $1, $2; n[$1]++ } END { printf "\n%d passed, %d failed\n", n["passed"], n["FAILED"] }'
    grep -q '^FAILED' var/log/test-*.result || return 0
    # Who reads only the end of a long output finds there what went wrong.
    grep -h '^FAILED' var/log/test-*.result | while IFS=$'\t' read -r _ title log; do
        printf '\n== The end of: %s\n' "$title"
        grep -v '^[[:space:]]*$' "$log" | tail -n 60
    done
    printf '\n== Each of them alone\n'
    grep -hE '^Alone: ' var/log/test-*.log | sort -u
    return 1
}
