#!/bin/bash
# Tries the folder of `make package` as it would be run: started from another directory, behind nginx with TLS, copied and restored.
set -euo pipefail
here=$(cd "$(dirname "$0")" && pwd)
package=$(realpath "${1:-$here/../artifacts/package}")
command -v nginx >/dev/null || { apt-get update -q && apt-get install -yq --no-install-recommends nginx-light; }
work=$(mktemp -d)
trap 'kill $(jobs -p) 2>/dev/null; nginx -c "$work/nginx.conf" -s stop 2>/dev/null || true; rm -rf "$work"' EXIT
openssl req -x509 -newkey rsa:2048 -nodes -days 1 -subj /CN=tools.example -keyout "$work/key.pem" -out "$work/cert.pem" 2>/dev/null

{
  echo "pid $work/nginx.pid; error_log $work/error.log; events {} http { access_log off; client_body_temp_path $work/body; proxy_temp_path $work/proxy;"
  echo "fastcgi_temp_path $work/f; uwsgi_temp_path $work/u; scgi_temp_path $work/s;"
  sed -e "s#/etc/ssl/certs/tools.example.pem#$work/cert.pem#; s#/etc/ssl/private/tools.example.key#$work/key.pem#" \
    -e 's/listen 443/listen 127.0.0.1:5443/; s/listen 80;/listen 127.0.0.1:5480;/; s/127.0.0.1:5080/127.0.0.1:5085/' "$here/nginx.conf"
  echo "}"
} > "$work/nginx.conf"
nginx -q -c "$work/nginx.conf"

export Incisura__Database=$work/data/incisura.db
start() {
  cd /
  Incisura__FirstAdministrator__Password="two old boats sank" Incisura__Transport__Proxies=127.0.0.1 \
    Incisura__Transport__PublicAddress=https://tools.example "$package/incisura" --urls http://127.0.0.1:5085 > "$work/log" 2>&1 &
  for _ in $(seq 100); do curl -fs http://127.0.0.1:5085/health/ready > /dev/null && return; sleep 0.2; done
  cat "$work/log"
  exit 1
}
ask() { curl -sk --resolve tools.example:5443:127.0.0.1 "$@"; }
expect() { if grep -qi -- "$1" "$work/answer"; then echo "ok    $2"; else echo "FAILS $2"; cat "$work/answer"; exit 1; fi; }

start
ask -i https://tools.example:5443/lookup > "$work/answer"
expect '<div id="root">' "the page comes from another directory and through TLS"
expect 'strict-transport-security: max-age=31536000' "browsers are told to come by TLS"
body='{"name":"administrator","password":"two old boats sank"}'
ask -i -c "$work/jar" -H 'Content-Type: application/json' -d "$body" https://tools.example:5443/api/v1/session > "$work/answer"
expect 'set-cookie: __Host-incisura=.*secure' "the cookie is for this host and TLS only"
curl -si -H 'Host: tools.example' http://127.0.0.1:5480/lookup > "$work/answer"
expect 'location: https://tools.example/lookup' "plain HTTP is sent to TLS"
"$package/incisura" health http://127.0.0.1:5085 > "$work/answer"
expect '"status":"healthy"' "it says that it can be worked with"
"$package/incisura" reset-password administrator > "$work/answer"
expect 'signs in with' "a lost password is given anew while it runs"
ask -b "$work/jar" https://tools.example:5443/api/v1/account/sessions > "$work/answer"
expect '"status":401' "and ends the sessions"
"$package/incisura" backup "$work/copy.db" > "$work/answer"
expect 'whole and sound' "it is copied while it runs"
kill %1 && wait %1 || true
rm -r "$work/data"
"$package/incisura" restore "$work/copy.db" > "$work/answer"
expect 'is what' "the copy is restored into an empty folder"
start
"$package/incisura" check > "$work/answer"
expect 'all in order' "and everything in it is what the history wrote"
"$package/incisura" lay-out "$work/laid" > "$work/answer"
expect 'readers must be signed in' "editions are laid out for a web server"
sed -i "s#127.0.0.1:5080#127.0.0.1:5085#" "$work/laid/nginx.conf"
sed -i "s#client_max_body_size 32m;#&\ninclude $work/laid/nginx.conf;#" "$work/nginx.conf"
chmod 755 "$work"
nginx -c "$work/nginx.conf" -s reload
sleep 1
ask -o /dev/null -w '%{http_code}' https://tools.example:5443/editions-read/index.json > "$work/answer"
expect 401 "nobody reads them who is not signed in"
given=$("$package/incisura" reset-password administrator | sed -n 's/.*signs in with \([^ ]*\) .*/\1/p')
body="{\"name\":\"administrator\",\"password\":\"$given\"}"
ask -o /dev/null -c "$work/jar" -H 'Content-Type: application/json' -d "$body" https://tools.example:5443/api/v1/session
ask -b "$work/jar" https://tools.example:5443/editions-read/index.json > "$work/answer"
expect 'incisura-laid-out/1' "and whoever is signed in does"
ask -b "$work/jar" https://tools.example:5443/editions-read/ > "$work/answer"
expect 'Approved cutting data' "with the reader's page"
Incisura__LayOut__SignIn=false "$package/incisura" lay-out "$work/laid" > /dev/null
nginx -c "$work/nginx.conf" -s reload
sleep 1
ask https://tools.example:5443/editions-read/index.json > "$work/answer"
expect 'incisura-laid-out/1' "anybody does where the workshop says so"
sed "s#/opt/incisura#$package#" "$here/incisura.service" > "$work/incisura.service"
systemd-analyze verify "$work/incisura.service" 2> "$work/answer" || true
echo ok >> "$work/answer"
if [ "$(wc -l < "$work/answer")" = 1 ]; then echo "ok    systemd takes the unit"; else cat "$work/answer"; exit 1; fi
