# What bin/start, bin/stop, bin/test and bin/bench share. Sourced, never run.
set -euo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
VAR=$ROOT/var
mkdir -p "$VAR"
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }
is_root() { [ "$(id -u)" = 0 ]; }

# Runs a command as a user that may do little, when there is one and it can reach the project.
app_user() {
    if is_root && id www-data >/dev/null 2>&1 && runuser -u www-data -- test -r "$ROOT/composer.json"; then echo www-data; else id -un; fi
}
as_app() { if [ "$(id -un)" = "$APP_USER" ]; then "$@"; else runuser -u "$APP_USER" -- "$@"; fi; }

free_port() {
    local port=$1
    while (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do port=$((port + 1)); done
    echo "$port"
}
in_use() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

enough_disk() {
    local free; free=$(df -Pm "$VAR" | awk 'NR==2 {print $4}')
    [ "$free" -ge 1500 ] || fail "There are only $free MB left on this disk, and Rhapsode needs 1500. Make room and start again."
}
