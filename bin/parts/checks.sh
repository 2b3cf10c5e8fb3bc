# What the gate and the deep check share: parts with a limit each, what is counted, the report. Sourced after common.sh.

# Seconds from the start until all must have ended, whatever hangs. The gate sets it.
UNTIL=${UNTIL:-86400}
passed=0 failed=0
RESULTS=()

# Runs a command for so many seconds at most, and never longer than all may take. 124: it was ended.
limited() { # limited SECONDS COMMAND…
    local most=$1 left=$((UNTIL - SECONDS)) status=0; shift
    [ "$left" -ge "$most" ] || most=$left
    [ "$most" -gt 0 ] || { echo 'No time is left for this.'; return 124; }
    timeout --kill-after=15 "$most" "$@" </dev/null || status=$?
    [ "$status" != 124 ] && [ "$status" != 137 ] || echo "Ended: it had not come to its end after $most s."
    return "$status"
}
# One line of the report.
told() { # told STATUS NAME SECONDS
    local word=ok; [ "$1" = 0 ] || { word=FAILED; failed=$((failed + 1)); }
    RESULTS+=("$(printf '%-7s %4d s  %s' "$word" "$3" "$2")")
}
part() { # part NAME SECONDS COMMAND…
    local name=$1 most=$2 begun=$SECONDS status=0; shift 2
    printf '\n== %s\n' "$name"
    limited "$most" "$@" || status=$?
    told "$status" "$name" $((SECONDS - begun))
}
# The same of one that says how many tests passed, in a line like PHPUnit's, Vitest's, Playwright's.
counting() { # counting NAME SECONDS COMMAND…
    local name=$1 most=$2 begun=$SECONDS status=0 log; shift 2
    log=$(mktemp)
    printf '\n== %s\n' "$name"
    limited "$most" "$@" 2>&1 | tee "$log" || status=$?
    local n; n=$(counted <"$log")
    passed=$((passed + n))
    # Where nothing ran, nothing was shown.
    [ "$n" -gt 0 ] || status=1
    told "$status" "$name: $n" $((SECONDS - begun))
    rm -f "$log"
}
counted() {
    local n; n=$(sed 's/\x1b\[[0-9;]*m//g' | grep -oE '^OK \([0-9]+ test|^Tests: [0-9]+|^ *Tests .*[0-9]+ passed|^ +[0-9]+ passed' | grep -oE '[0-9]+( passed)?' | tail -n 1 | grep -oE '[0-9]+')
    echo "${n:-0}"
}
report() {
    printf '\n'
    [ ${#RESULTS[@]} = 0 ] || printf '%s\n' "${RESULTS[@]}"
    [ ! -s "$VAR/flaky.txt" ] || { printf '%d flaky, right only at the second try:\n' "$(wc -l <"$VAR/flaky.txt")"; sed 's/^/  /' "$VAR/flaky.txt"; }
    printf '%d passed, %d failed, %d min %02d s\n' "$passed" "$failed" $((SECONDS / 60)) $((SECONDS % 60))
}

# The database of the application's own tests, as new.
with_database() {
    start_postgres
    drop_database rhapsode_test
    make_database rhapsode_test
    mkdir -p "$VAR/test/store" "$VAR/cache"
    # The instance of the browser tests and this one may have left the cache to different users; each is made anew.
    rm -rf "$VAR/cache/test"
    export DATABASE_URL; DATABASE_URL=$(database_url rhapsode_test)
    export STORE_DIR=$VAR/test/store
    APP_ENV=test APP_SECRET=only-for-tests migrate rhapsode_test
}
without_database() { unset DATABASE_URL STORE_DIR; }

# The instance that the browser tests use, with what stands in for an object store and a learning platform: on what several computers
# would have, workers that share nothing else.
# With a sample, a school of it for each of the two workers; without, the demo.
start_tested() { # start_tested [SAMPLE]
    [ -z "${1:-}" ] || export SCHOOLS=2
    local port; port=$(free_port 18080)
    stop_tested
    rm -rf "$VAR/object-store" "$VAR"/e2e/worker-* "$VAR/learning-platform"
    start_object_store "$(free_port 19000)"
    start_learning_platform "$(free_port 19200)" "http://127.0.0.1:$port"
    export BASE_URL=http://127.0.0.1:$port RHAPSODE_RUN=$VAR/e2e/run
    # What is made ahead of anybody's asking has tests of its own; here every story that a test leaves would be.
    RHAPSODE_SAMPLE=${1:-} RHAPSODE_AHEAD_AFTER=0 RHAPSODE_PLATFORM_IN_OWN_NETWORK=1 limited 420 "$ROOT/bin/start" --detach --fresh --instance e2e --port "$port"
}
stop_tested() { stop_instance e2e; stop_instance object-store; stop_instance learning-platform; }

# What the tests and their programs leave behind goes with them.
own_folder_for_leavings() {
    export TMPDIR=$VAR/tmp
    rm -rf "$TMPDIR"; mkdir -p -m 1777 "$TMPDIR"
}
clear_away() {
    stop_tested
    ls "$VAR"/*/run/*.started >/dev/null 2>&1 || stop_postgres
    rm -rf "$VAR/tmp"
}
