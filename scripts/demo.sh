#!/usr/bin/env bash
# npm run demo: sets up everything a fresh machine lacks, makes the demo data, starts the application, prints its address.
set -euo pipefail
cd "$(dirname "$0")/.."
bash scripts/install.sh
export NEXT_TELEMETRY_DISABLED=1
npm run --silent demo:packages
# Built again only where a source is newer than the last build.
if [ ! -f .next/BUILD_ID ] || [ -n "$(find src public stand-ins demo next.config.mjs package-lock.json scripts -path demo/out -prune -o -newer .next/BUILD_ID -type f -print -quit)" ]; then
  echo "Building …"
  npm run --silent build >.build.log 2>&1 || { cat .build.log; exit 1; }
fi
# Migrations run when the application opens its database.
export CURRYCOMB_DATA="${CURRYCOMB_DATA:-$PWD/.data}"
exec node scripts/start-demo.mjs "${PORT:-4140}"
