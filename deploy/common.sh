# What install and update share; not to be called.
shopt -s inherit_errexit
say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }

[ "$(id -u)" -eq 0 ] || fail "This takes root's rights."
source=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
home=/opt/zippy-tray
data=/var/lib/zippy-tray
backups=/var/backups/zippy-tray
user=zippy-tray

as_program() { runuser -u "$user" -- env APP_ENV=prod ZIPPY_DATA="$data" php -d memory_limit=768M -d date.timezone=UTC "$1/server/console.php" "${@:2}"; }

# put_release: this checkout, set up, or what was packed and unpacked, into a folder of its own, whose name is printed
put_release() {
    local release
    release=$home/releases/$(date -u +%Y%m%d-%H%M%S)
    [ -f "$source/packed" ] || "$source/zippy" setup >&2
    mkdir -p "$release"
    tar -C "$source" --exclude=./.git --exclude=./node_modules --exclude=./var --exclude=./tests --exclude=./framework/vendor -cf - . | tar -C "$release" -xf -
    (cd "$release" && APP_ENV=prod ZIPPY_DATA=$(mktemp -d) php server/console.php cache:warmup --quiet)
    chown -R root:root "$release"
    chmod -R a+rX "$release"
    printf '%s\n' "$release"
}

# put_units RELEASE: what systemd, nginx and php-fpm read of it, filled in with /etc/zippy-tray/settings
put_units() {
    . /etc/zippy-tray/settings
    local php tls unit from=$1/deploy
    php=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
    tls="ssl_certificate $CERTIFICATE; ssl_certificate_key $KEY; ssl_protocols TLSv1.2 TLSv1.3; add_header Strict-Transport-Security max-age=31536000;"
    local values=(ROOT="$home/current" DATA="$data" BACKUPS="$backups" USER="$user" GROUP="$user" SOCKET=/run/zippy-tray/php.sock PHP="$php"
        NAME="$NAME" HOSTS="$NAME" LISTEN="443 ssl http2; listen [::]:443 ssl http2" TLS="$tls" PLAIN="server { listen 80; listen [::]:80; server_name $NAME; server_tokens off; return 301 https://$NAME\$request_uri; }" CHILDREN="${CHILDREN:-8}" TIMING=0 PID= LISTEN_OWNER="listen.owner = www-data")
    for unit in zippy-tray.service zippy-tray-worker.service zippy-tray-backup.service zippy-tray-backup.timer; do
        "$from/render" "$from/$unit" "${values[@]}" >"/etc/systemd/system/$unit"
    done
    "$from/render" "$from/php-fpm.conf" "${values[@]}" >/etc/zippy-tray/php-fpm.conf
    "$from/render" "$from/nginx.conf" "${values[@]}" >/etc/nginx/sites-available/zippy-tray
    ln -sfn /etc/nginx/sites-available/zippy-tray /etc/nginx/sites-enabled/zippy-tray
    nginx -t
    systemctl daemon-reload
}

# answers: whether the program answers under its name, within half a minute
answers() {
    . /etc/zippy-tray/settings
    for _ in $(seq 30); do
        if curl -fsk --resolve "$NAME:443:127.0.0.1" "https://$NAME/api/session" | grep -q '"firstVisit":'; then return; fi
        sleep 1
    done
    return 1
}
