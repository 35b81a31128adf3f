#!/bin/bash
# The first day in a fresh root: does what the guide says and nothing else, from the folder of `make package` to a published figure, and lays it out.
# Needs root, debootstrap, and the browser tests' packages (make test fetches them).
set -euo pipefail
here=$(cd "$(dirname "$0")/.." && pwd)
package=$(realpath "${1:-$here/artifacts/package}")
command -v debootstrap >/dev/null || { apt-get update -q && apt-get install -yq --no-install-recommends debootstrap; }
work=$(mktemp -d)
root=$work/root
trap 'kill $(jobs -p) 2>/dev/null || true; pkill -f "[/]opt/incisura/incisura --urls" || true; sleep 1; umount "$root/proc" 2>/dev/null || true; rm -rf "$work"' EXIT

# The commands of a page of the guide are its indented lines.
commands() { sed -n 's/^    //p' "$here/docs/guide/$1"; }

echo "a root with nothing but the base and the libraries that page 1 names"
debootstrap --variant=minbase --include=libicu72,libssl3 bookworm "$root" > "$work/debootstrap.log"
mount -t proc proc "$root/proc"
cp -r "$package" "$root/package"

echo "what page 1 says"
commands 01-install.md > "$root/first.sh"
chroot "$root" bash -e /first.sh > "$work/server.log" 2>&1 &
for _ in $(seq 150); do curl -fs http://127.0.0.1:5000/health/ready > /dev/null && break; sleep 0.2; done
curl -fs http://127.0.0.1:5000/health/ready > /dev/null || { cat "$work/server.log"; exit 1; }

echo "what pages 2 to 9 say, in a browser"
(cd "$here/tests/e2e" && INCISURA_AT=http://127.0.0.1:5000 INCISURA_FIRST="$(cat "$root/etc/incisura.first")" \
  ./node_modules/.bin/playwright test firstday.spec.ts --reporter=line)

echo "what page 9 says of many readers"
commands 09-editions.md > "$root/readers.sh"
chroot "$root" env PATH="/opt/incisura:$PATH" Incisura__Database=/var/lib/incisura/incisura.db bash -e /readers.sh
chroot "$root" /opt/incisura/incisura verify /srv/editions/edition-1.json
echo "done: the first figure of a workshop of its own is published and laid out"
