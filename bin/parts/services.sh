# PostgreSQL, nginx, php-fpm and the workers, each with its own configuration under var/. Sourced after common.sh.

PG=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true)
PG_DATA=$VAR/postgres

pg_user() { if is_root; then echo postgres; else id -un; fi; }
as_pg() { if is_root; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

start_postgres() {
    PG=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
    # Where another user may not look into the project, its data lies beside the system's.
    if is_root && ! runuser -u postgres -- test -x "$ROOT"; then PG_DATA=/var/lib/rhapsode-$(echo "$ROOT" | sha256sum | cut -c1-8); fi
    if [ ! -f "$PG_DATA/PG_VERSION" ]; then
        mkdir -p "$PG_DATA" && chown "$(pg_user)" "$PG_DATA" && chmod 700 "$PG_DATA"
        secret_of "$VAR/pg.password" >/dev/null
        local pass; pass=$(mktemp) && cat "$VAR/pg.password" >"$pass" && chown "$(pg_user)" "$pass"
        as_pg "$PG/initdb" -D "$PG_DATA" -U rhapsode --pwfile="$pass" -A scram-sha-256 -E UTF8 --locale=C.UTF-8 >"$VAR/install.log" 2>&1 || fail "PostgreSQL could not be set up: $(tail -n 3 "$VAR/install.log")"
        rm -f "$pass"
    fi
    if ! as_pg "$PG/pg_ctl" -D "$PG_DATA" status >/dev/null 2>&1; then
        PG_PORT=$(free_port 54329)
        # The log lies in the data folder: the project's own may not be writable for its user.
        as_pg "$PG/pg_ctl" -D "$PG_DATA" -w -t 60 -l "$PG_DATA/log" -o "-p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=120" start >/dev/null 2>&1 \
            || fail "PostgreSQL did not start: $(tail -n 3 "$PG_DATA/log")"
        echo "$PG_PORT" >"$VAR/pg.port"
    fi
    PG_PORT=$(cat "$VAR/pg.port")
}

# As an administrator would, or a power cut: fast, immediate.
restart_postgres() {
    start_postgres
    as_pg "$PG/pg_ctl" -D "$PG_DATA" -m "$1" -w -t 60 -l "$PG_DATA/log" -o "-p $PG_PORT -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=120" restart >/dev/null 2>&1
}

# The stand-in for an object store that several computers share. Sets RHAPSODE_STORE_URL.
start_object_store() { # start_object_store PORT
    HERE=$VAR/object-store
    mkdir -p "$HERE/run" "$HERE/objects"
    export PHP_CLI_SERVER_WORKERS=4 OBJECT_STORE_FOLDER=$HERE/objects OBJECT_STORE_KEY=rhapsode
    keep server php -S "127.0.0.1:$1" "$ROOT/tests/stand-ins/object-store.php"
    export RHAPSODE_STORE_URL="s3://rhapsode:not-a-secret@127.0.0.1:$1/films?tls=0"
    for _ in {1..50}; do in_use "$1" && return 0; sleep 0.1; done
    fail "The stand-in for the object store did not start."
}

# The stand-in for a learning platform that sends people to the application. Sets LEARNING_PLATFORM.
start_learning_platform() { # start_learning_platform PORT ADDRESS-OF-THE-APPLICATION
    HERE=$VAR/learning-platform
    mkdir -p "$HERE/run" "$HERE/kept"
    export PHP_CLI_SERVER_WORKERS=4 PLATFORM_FOLDER=$HERE/kept PLATFORM_TOOL=$2
    # By another name of this machine: to a browser it is another site.
    export LEARNING_PLATFORM=http://localhost:$1
    keep server php -S "localhost:$1" "$ROOT/tests/stand-ins/platform.php"
    for _ in {1..50}; do in_use "$1" && return 0; sleep 0.1; done
    fail "The stand-in for a learning platform did not start."
}

stop_postgres() {
    [ -f "$PG_DATA/PG_VERSION" ] || PG_DATA=/var/lib/rhapsode-$(echo "$ROOT" | sha256sum | cut -c1-8)
    if [ -f "$PG_DATA/postmaster.pid" ]; then as_pg "$PG/pg_ctl" -D "$PG_DATA" -m fast -w stop >/dev/null 2>&1 || true; fi
}

# Three roles: rhapsode sets the server up and is used here only, rhapsode_owner owns the tables and changes them in
# migrations, rhapsode_app reads and writes rows and can do nothing else.
secret_of() { # secret_of FILE: makes it when it is not there yet
    [ -f "$1" ] || { (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$1"); }
    cat "$1"
}
database_url() { echo "postgresql://rhapsode_app:$(secret_of "$VAR/pg.app")@127.0.0.1:$PG_PORT/$1?serverVersion=15&charset=utf8"; }
owner_url() { echo "postgresql://rhapsode_owner:$(secret_of "$VAR/pg.owner")@127.0.0.1:$PG_PORT/$1?serverVersion=15&charset=utf8"; }
sql() { PGPASSWORD=$(cat "$VAR/pg.password") psql -h 127.0.0.1 -p "$PG_PORT" -U rhapsode -qAt -v ON_ERROR_STOP=1 "$@"; }
make_role() { # make_role NAME FILE
    [ "$(sql -d postgres -c "SELECT 1 FROM pg_roles WHERE rolname = '$1'")" = 1 ] || sql -d postgres -c "CREATE ROLE $1 LOGIN"
    sql -d postgres -c "ALTER ROLE $1 NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS PASSWORD '$(secret_of "$2")'"
}
make_database() {
    make_role rhapsode_owner "$VAR/pg.owner"
    make_role rhapsode_app "$VAR/pg.app"
    [ "$(sql -d postgres -c "SELECT 1 FROM pg_database WHERE datname = '$1'")" = 1 ] || sql -d postgres -c "CREATE DATABASE $1"
    sql -d "$1" <<SQL
ALTER DATABASE $1 OWNER TO rhapsode_owner;
REVOKE ALL ON DATABASE $1 FROM PUBLIC;
GRANT CONNECT ON DATABASE $1 TO rhapsode_app;
ALTER SCHEMA public OWNER TO rhapsode_owner;
REVOKE ALL ON SCHEMA public FROM PUBLIC;
GRANT USAGE ON SCHEMA public TO rhapsode_app;
-- What an earlier start made as another role.
DO \$\$ DECLARE name text; BEGIN
    FOR name IN SELECT tablename FROM pg_tables WHERE schemaname = 'public' LOOP EXECUTE format('ALTER TABLE public.%I OWNER TO rhapsode_owner', name); END LOOP;
END \$\$;
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO rhapsode_app;
GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO rhapsode_app;
ALTER DEFAULT PRIVILEGES FOR ROLE rhapsode_owner IN SCHEMA public GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO rhapsode_app;
ALTER DEFAULT PRIVILEGES FOR ROLE rhapsode_owner IN SCHEMA public GRANT USAGE ON SEQUENCES TO rhapsode_app;
SQL
}
drop_database() { sql -d postgres -c "DROP DATABASE IF EXISTS $1 WITH (FORCE)"; }
migrate() { DATABASE_URL=$(owner_url "$1") console doctrine:migrations:migrate -n -q --allow-no-migration; }

# A folder of the web user's, closed to everybody else. The folders above it are root's.
own_folder() {
    mkdir -p "$1"
    if is_root && [ "$APP_USER" != root ]; then
        [ ! -L "$1" ] || fail "${1#"$ROOT"/} is a link; put a folder there."
        # Only what is not its own yet: a large store is not walked through at every start.
        find "$1" ! -user "$APP_USER" -print0 | xargs -0r chown -h "$APP_USER:$(id -gn "$APP_USER")"
    fi
    chmod 0750 "$1"
}
# A folder of root's, whatever it was before: what is read or ended by what lies there was written by root.
root_folder() {
    [ ! -L "$1" ] || fail "${1#"$ROOT"/} is a link; put a folder there."
    if is_root && [ -d "$1" ] && [ "$(stat -c %u "$1")" != 0 ]; then rm -rf "$1"; fi
    mkdir -p "$1"
}

# Settings of an instance: the application itself, or the one that the browser tests start. Sets HERE.
write_settings() {
    local instance=$1
    HERE=$VAR/$instance
    mkdir -p "$HERE"
    root_folder "$HERE/run"
    own_folder "$HERE/store"
    own_folder "$VAR/cache"
    own_folder "$VAR/log"
    rm -rf "$VAR/sessions" # They lie in the database now.
    secret_of "$HERE/secret" >/dev/null
    rm -f "$HERE/settings.env"
    (umask 077; cat >"$HERE/settings.env" <<SETTINGS
APP_ENV=prod
APP_SECRET=$(cat "$HERE/secret")
DATABASE_URL='$(database_url "rhapsode_$instance")'
STORE_DIR=$HERE/store
STORE_URL='${RHAPSODE_STORE_URL:-}'
AHEAD_AFTER='${RHAPSODE_AHEAD_AFTER:-30}'
PLATFORM_IN_OWN_NETWORK='${RHAPSODE_PLATFORM_IN_OWN_NETWORK:-0}'
TRUSTED_HOSTS='$(host_pattern)'
SETTINGS
    )
    if is_root && [ "$APP_USER" != root ]; then chgrp "$(id -gn "$APP_USER")" "$HERE/settings.env"; chmod 0640 "$HERE/settings.env"; fi
    export RHAPSODE_SETTINGS=$HERE/settings.env
}

# The names under which the pages may be asked for: this machine's own, and those in RHAPSODE_HOSTS, with spaces between.
host_names() { echo "127.0.0.1 localhost ${RHAPSODE_HOSTS:-}"; }
host_pattern() { echo "^($(host_names | xargs | sed -e 's/[^A-Za-z0-9 .-]//g' -e 's/\./\\./g' -e 's/ /|/g'))\$"; }

console() { as_app php -d memory_limit=1G "$ROOT/bin/console" "$@"; }

start_web() {
    local port=$1 user=$APP_USER fpm
    fpm=$(command -v php-fpm8.2 || command -v /usr/sbin/php-fpm8.2)
    cat >"$HERE/run/fpm.conf" <<CONF
[global]
pid = $HERE/run/fpm.pid
error_log = $HERE/run/fpm.log
daemonize = no
[www]
$(is_root && echo "user = $user
group = $(id -gn "$user")
listen.owner = $user")
listen = $HERE/run/fpm.sock
pm = dynamic
pm.max_children = 12
pm.start_servers = 3
pm.min_spare_servers = 2
pm.max_spare_servers = 6
pm.max_requests = 2000
catch_workers_output = yes
decorate_workers_output = no
clear_env = yes
env[PATH] = /usr/local/bin:/usr/bin:/bin
env[RHAPSODE_SETTINGS] = $RHAPSODE_SETTINGS
env[LC_ALL] = C.UTF-8
php_admin_value[expose_php] = 0
php_admin_value[display_errors] = 0
php_admin_value[memory_limit] = 384M
php_admin_value[max_execution_time] = 300
php_admin_value[upload_max_filesize] = 1M
php_admin_value[post_max_size] = 9M
php_admin_value[opcache.validate_timestamps] = 1
php_admin_value[opcache.revalidate_freq] = 1
CONF
    local file
    for file in nginx.conf nginx-php.conf; do
        sed -e "s#@ROOT@#$ROOT#g; s#@HERE@#$HERE#g; s#@PORT@#$port#g; s#@HOSTS@#$(host_names)#g; s#@USER@#$(is_root && echo "user $user $(id -gn "$user");")#g" "$ROOT/bin/parts/$file" >"$HERE/run/$file"
    done
    keep fpm "$fpm" $([ "$user" = root ] && echo -R) -F -y "$HERE/run/fpm.conf" -c "$ROOT/bin/parts/php.ini"
    keep nginx nginx -c "$HERE/run/nginx.conf" -p "$HERE/run" -e "$HERE/run/nginx-error.log" -g 'daemon off;'
}

# Runs a command until it is told to end: one that ends, by its limits or by a fault, is begun again.
keep() { # keep NAME COMMAND…
    local name=$1; shift
    # What these programs write is closed to other users of the machine.
    touch "$HERE/run/$name.out" && chmod 0640 "$HERE/run/$name.out"
    ( umask 027
      # PHP's own small server leaves its workers behind when it ends.
      trap 'kill "${child:-0}" $(ps -o pid= --ppid "${child:-0}" 2>/dev/null) 2>/dev/null; wait "${child:-0}" 2>/dev/null; exit 0' TERM INT
      while :; do "$@" & child=$!; wait "$child" || true; sleep 1; done ) >>"$HERE/run/$name.out" 2>&1 &
    echo $! >"$HERE/run/$name.started"
}

start_workers() {
    local count=$1 i own kinds
    for ((i = 1; i <= count; i++)); do
        own=()
        # Workers that share an object store each have a folder of their own, as on computers of their own.
        if [ -n "${RHAPSODE_STORE_URL:-}" ]; then
            own_folder "$HERE/worker-$i"
            own=(env "STORE_DIR=$HERE/worker-$i")
        fi
        # Films give way to pages.
        keep "worker-$i" nice -n 10 $([ "$(id -un)" != "$APP_USER" ] && echo runuser -u "$APP_USER" --) "${own[@]}" php -d memory_limit=400M -d ffi.enable=1 "$ROOT/bin/console" messenger:consume films --keepalive=10 --time-limit=3600 --memory-limit=300M --sleep=0.2 -q
        # What comes in is waited for by somebody at a page. One of them takes clips, which take minutes, when nothing else waits; the
        # others never do.
        kinds=(assets scores)
        [ "$i" -gt 1 ] || kinds+=(clips)
        keep "assets-$i" nice -n 5 $([ "$(id -un)" != "$APP_USER" ] && echo runuser -u "$APP_USER" --) "${own[@]}" php -d memory_limit=400M -d ffi.enable=1 "$ROOT/bin/console" messenger:consume "${kinds[@]}" --keepalive=10 --time-limit=3600 --memory-limit=300M --sleep=0.2 -q
    done
}

wait_for_page() {
    local i
    for ((i = 0; i < 150; i++)); do
        [ "$(curl -s -o /dev/null -w '%{http_code}' "http://127.0.0.1:$1/api/health")" = 200 ] && return 0
        sleep 0.2
    done
    fail "The page does not answer. The logs under ${HERE#"$ROOT"/}/run say why: $(tail -qn 5 "$HERE"/run/*.log "$HERE"/run/*.out 2>/dev/null)"
}

# Ends what this instance started, by the process ids that were noted.
stop_instance() {
    local here=$VAR/$1 file pid i
    for file in "$here"/run/*.started; do
        [ -f "$file" ] || continue
        pid=$(cat "$file")
        if kill -0 "$pid" 2>/dev/null; then kill -TERM "$pid" 2>/dev/null || true; fi
    done
    for file in "$here"/run/*.started; do
        [ -f "$file" ] || continue
        pid=$(cat "$file")
        for ((i = 0; i < 50; i++)); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
        rm -f "$file"
    done
}
