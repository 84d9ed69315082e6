#!/bin/bash
# Everything: what the tests need from Debian's packages, lint, types, and all tests, with the real systems and the browser.
set -euo pipefail
cd "$(dirname "$0")/.."
need() {
  local package missing=()
  for package; do
    [ "$(dpkg-query -W -f='${db:Status-Status}' "$package" 2>/dev/null)" = installed ] || missing+=("$package")
  done
  # the lab and a test download packages too: lists that have gone stale would lead them nowhere
  [ "$(id -u)" != 0 ] || apt-get -o DPkg::Lock::Timeout=300 -q update >/dev/null
  [ ${#missing[@]} -gt 0 ] || return 0
  [ "$(id -u)" = 0 ] || { echo "check: run as root once, to install: ${missing[*]}" >&2; exit 1; }
  echo "check: installing ${missing[*]}"
  # nothing that is installed here may start a service of the machine's own
  DEBIAN_FRONTEND=noninteractive RUNLEVEL=1 apt-get -o DPkg::Lock::Timeout=300 -q install -y --no-install-recommends "${missing[@]}" >/dev/null
}
need ca-certificates curl chromium fonts-dejavu-core nginx-light
run() {
  echo "check: $*"
  "$@"
}
# side by side: each keeps one core busy
run npm run -s lint &
lint=$!
run npm run -s types
run npm run -s build:test
wait "$lint"
# in one run: while one test waits for a server, others go on
run env UNPACK_TRUST_SAMPLE=2 npm run -s test:all
