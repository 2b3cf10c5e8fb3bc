# The deep check: what needs luck, a real clock, dice, large media or a killed server. Each part alone, going on after a failure; a
# report of each test lies under var/deep. It keeps nothing from landing. Sourced by bin/test deep, after checks.sh.
#   bin/test deep [--last-failed] [NAME…]   NAME: a file of tests/e2e (wander), a class of PHPUnit's (LegibleFilmTest), or core, studio, app
LAST=no NAMES=()
while [ $# -gt 0 ]; do
    case $1 in --last-failed) LAST=yes ;; -*) fail "bin/test deep does not know $1." ;; *) NAMES+=("$1") ;; esac
    shift
done
cd "$ROOT"
enough_disk
install_packages $PACKAGES $MEDIA_TEST_PACKAGES $BROWSERS
install_node
install_php_libraries
install_js_libraries
npm run --silent types >"$VAR/build.log" 2>&1 || fail "$(cat "$VAR/build.log")"
APP_USER=$(id -un)
mkdir -p "$VAR/deep"
set -o pipefail
own_folder_for_leavings
trap clear_away EXIT

# What is asked for: suites whole, single classes by suite, files of the browser tests.
declare -A CLASSES=()
SUITES=() FILES=()
if [ ${#NAMES[@]} = 0 ]; then mapfile -t SUITES < <(cd tests && grep -rlF "#[Group('deep')]" core studio app | cut -d/ -f1 | sort -u); mapfile -t FILES < <(cd tests/e2e && grep -lE "@deep" *.spec.ts | sed 's/\.spec\.ts$//'); fi
for name in "${NAMES[@]}"; do
    name=${name%.spec.ts} name=${name%.php}
    case $name in
        core|studio|app) SUITES+=("$name") ;;
        *)
            if [ -f "tests/e2e/$name.spec.ts" ]; then FILES+=("$name"); continue; fi
            found=$(ls tests/{core,studio,app}/{,*/}"$name.php" 2>/dev/null | head -n 1 || true)
            [ -n "$found" ] || fail "There is no $name among the tests."
            suite=${found#tests/}; suite=${suite%%/*}
            CLASSES[$suite]="${CLASSES[$suite]:+${CLASSES[$suite]}|}$name" ;;
    esac
done

# Names of the tests of a suite that failed last time, as PHPUnit filters them.
last_failed() {
    php -r '$xml = @simplexml_load_file($argv[1]); $names = [];
        foreach ($xml ? $xml->xpath("//testcase[failure or error]") : [] as $case) { $names[] = preg_quote($case["class"] . "::" . $case["name"], "/"); }
        echo implode("|", $names);' "$VAR/deep/$1.xml"
}
deep_phpunit() { # deep_phpunit SUITE FILTER
    local filter=$2 only=()
    if [ "$LAST" = yes ]; then filter=$(last_failed "$1"); [ -n "$filter" ] || return 0; fi
    [ -z "$filter" ] || only=(--filter "/$filter/")
    [ "$1" != app ] || with_database
    counting "PHPUnit: $1, deep" 5400 php vendor/bin/phpunit --group deep --testsuite "$1" --log-junit "$VAR/deep/$1.xml" --testdox-html "$VAR/deep/$1.html" "${only[@]}"
    [ "$1" != app ] || without_database
}
for suite in core studio app; do
    if [[ " ${SUITES[*]:-} " == *" $suite "* ]]; then deep_phpunit "$suite" ''
    elif [ -n "${CLASSES[$suite]:-}" ]; then deep_phpunit "$suite" "${CLASSES[$suite]}"
    fi
done
if [ ${#FILES[@]} -gt 0 ]; then
    start_tested || fail 'The application did not start.'
    last=(); [ "$LAST" = no ] || last=(--last-failed)
    RHAPSODE_CHECK=deep counting 'Playwright, deep' 10800 npx playwright test --project=deep "${last[@]}" $(printf 'tests/e2e/%s.spec.ts ' "${FILES[@]}")
    stop_tested
    # Only where all ran does it show that each control is pressed; the gate before it noted the rest.
    [ ${#NAMES[@]} -gt 0 ] || [ "$LAST" = yes ] || counting 'Controls: each is pressed by its test' 60 node bin/parts/controls.mjs
fi
report
[ "$failed" = 0 ]
