#!/usr/bin/env bash
# Installs the exact packages of the lock file; sourced or run by the two set-up commands. Native packages are compiled
# on the way (better-sqlite3: some minutes). Where Node's own headers lie beside it, they are used instead of fetched ones.
set -euo pipefail
cd "$(dirname "$0")/.."
export NEXT_TELEMETRY_DISABLED=1
if [ -z "${npm_config_nodedir:-}" ] && [ -f /usr/include/node/node.h ]; then export npm_config_nodedir=/usr; fi
stamp=node_modules/.installed-lock
if ! cmp -s package-lock.json "$stamp" 2>/dev/null; then
  echo "Installing packages; the first time this takes some minutes …"
  npm ci --no-audit --no-fund --loglevel=error
  cp package-lock.json "$stamp"
fi
