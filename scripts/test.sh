#!/usr/bin/env bash
# npm test: sets up everything a fresh machine lacks (Chromium, packages, the documentation tree that tests read), then
# checks types, lint, import rules, units, the production build and the journeys. The last line counts all of them.
set -uo pipefail
cd "$(dirname "$0")/.."
export NEXT_TELEMETRY_DISABLED=1 CI=1 CURRYCOMB_BUILD=.next-test
as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo "$@"; fi; }
need=()
[ -x /usr/bin/chromium ] || need+=(chromium)
[ -d /usr/share/fonts/truetype/liberation ] || [ -d /usr/share/fonts/truetype/liberation2 ] || need+=(fonts-liberation)
command -v unzip >/dev/null || need+=(unzip)
if [ "${#need[@]}" -gt 0 ]; then
  echo "Installing ${need[*]} …"
  as_root apt-get update -qq && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "${need[@]}" >/dev/null || { echo "Could not install ${need[*]}."; echo "0 passed, 1 failed"; exit 1; }
fi
bash scripts/install.sh || { echo "npm ci failed."; echo "0 passed, 1 failed"; exit 1; }
exec node scripts/test-all.mjs
