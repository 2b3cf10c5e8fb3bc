# Installs what a plain Debian lacks. Sourced after common.sh; each step is skipped when it has been done.

PHP_PACKAGES="php8.2-cli php8.2-pgsql php8.2-imagick php8.2-intl php8.2-mbstring php8.2-xml php8.2-curl php8.2-zip php8.2-apcu php8.2-opcache composer unzip"
PACKAGES="$PHP_PACKAGES php8.2-fpm nginx postgresql ffmpeg libzimg2 libvips42 librsvg2-bin pango1.0-tools fontconfig fonts-noto-core fonts-noto-cjk fonts-noto-color-emoji
 util-linux curl ca-certificates"
# What the tests need besides: other programs' voices, phones' files and how to read them.
MEDIA_TEST_PACKAGES="flite libimage-exiftool-perl libheif-examples time procps"
BROWSERS="chromium chromium-headless-shell firefox-esr"

install_packages() {
    local missing=() package
    for package in "$@"; do
        # The program counts, however it came here.
        case $package in
            composer|nginx|ffmpeg|chromium|firefox-esr|curl|unzip) command -v "$package" >/dev/null && continue ;;
        esac
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q '^install ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} = 0 ] && return 0
    is_root || fail "These packages are missing: ${missing[*]}. Install them, or start as root once."
    command -v apt-get >/dev/null || fail "These packages are missing, and this is not a Debian that can install them: ${missing[*]}"
    say "Installing ${#missing[@]} packages: ${missing[*]}"
    # A package brought in before its service is ours to run is not to be started by Debian.
    local log=$VAR/install.log
    { apt-get update -q && DEBIAN_FRONTEND=noninteractive RUNLEVEL=1 apt-get install -y -q --no-install-recommends "${missing[@]}"; } >"$log" 2>&1 \
        || fail "A package could not be installed. The last lines of var/install.log say why: $(tail -n 3 "$log")"
}

# Node 20.19 or newer builds the front end; plain Debian's is older, so one comes from the npm registry's own package.
install_node() {
    if command -v node >/dev/null && node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'; then return 0; fi
    if [ ! -x "$VAR/node/node_modules/node/bin/node" ]; then
        say "Node.js is missing or too old; bringing one into var/node."
        is_root && ! command -v npm >/dev/null && install_packages npm
        npm install --prefix "$VAR/node" --no-audit --no-fund node@20 npm@11 >"$VAR/install.log" 2>&1 || fail "Node.js could not be brought in: $(tail -n 3 "$VAR/install.log")"
    fi
    export PATH="$VAR/node/node_modules/node/bin:$VAR/node/node_modules/.bin:$PATH"
}

# A step is done again only when what it depends on has changed: this names the state of files.
stamp_of() { cat "$@" 2>/dev/null | sha256sum | cut -c1-32; }

install_php_libraries() {
    local now pins; now=$(stamp_of "$ROOT/composer.json" "$ROOT/composer.pins")
    if [ ! -f "$ROOT/vendor/autoload.php" ] || [ "$(cat "$VAR/composer.stamp" 2>/dev/null)" != "$now" ]; then
        say "Installing the PHP libraries."
        # Every library at the version that was tested, those that libraries need too. A lock file would do the same, but it
        # names the registry it was made with. bin/parts/raise-pins makes composer.pins anew.
        mapfile -t pins < <(sed 's/^/--with=/' "$ROOT/composer.pins")
        (cd "$ROOT" && composer update --no-progress "${pins[@]}") >"$VAR/install.log" 2>&1 || fail "The PHP libraries could not be installed: $(tail -n 5 "$VAR/install.log")"
        rm -rf "$VAR/cache"
        echo "$now" >"$VAR/composer.stamp"
    fi
}

install_js_libraries() {
    local now; now=$(stamp_of "$ROOT/package.json" "$ROOT/package-lock.json")
    if [ ! -d "$ROOT/node_modules" ] || [ "$(cat "$VAR/npm.stamp" 2>/dev/null)" != "$now" ]; then
        say "Installing the front end's libraries."
        (cd "$ROOT" && npm ci --no-audit --no-fund) >"$VAR/install.log" 2>&1 || fail "The front end's libraries could not be installed: $(tail -n 5 "$VAR/install.log")"
        echo "$now" >"$VAR/npm.stamp"
    fi
    lay_out_icons
}

# The icons that stories may use, laid out one by one from what npm brought.
lay_out_icons() {
    local now; now=$(stamp_of "$ROOT/package-lock.json" "$ROOT/studio/icons/make.mjs")
    if [ ! -d "$ROOT/studio/icons/made" ] || [ "$(cat "$VAR/icons.stamp" 2>/dev/null)" != "$now" ]; then
        node "$ROOT/studio/icons/make.mjs" >"$VAR/install.log" 2>&1 || fail "The icons could not be laid out: $(tail -n 5 "$VAR/install.log")"
        echo "$now" >"$VAR/icons.stamp"
    fi
}

build_front_end() {
    local now; now=$(cd "$ROOT" && { find web schema messages -type f -print0 | sort -z | xargs -0 sha256sum; cat package-lock.json vite.config.ts; } | sha256sum | cut -c1-32)
    if [ ! -f "$ROOT/public/app/index.html" ] || [ "$(cat "$VAR/build.stamp" 2>/dev/null)" != "$now" ]; then
        say "Building the front end."
        (cd "$ROOT" && npm run --silent types && npm run --silent build) >"$VAR/build.log" 2>&1 || fail "The front end could not be built: $(tail -n 15 "$VAR/build.log")"
        echo "$now" >"$VAR/build.stamp"
    fi
}
