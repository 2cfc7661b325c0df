#!/usr/bin/env bash
# Fetches the documentation tree that the cleaning test works on: Debian's package sqlite3-doc, several hundred real
# HTML pages with their links and pictures. It is unpacked into .cache/ and never committed.
set -euo pipefail
cd "$(dirname "$0")/.."
[ -d .cache/doc-tree/usr ] && exit 0
mkdir -p .cache/deb
(cd .cache/deb && { apt-get download -qq sqlite3-doc || { apt-get update -qq && apt-get download -qq sqlite3-doc; }; })
mkdir -p .cache/doc-tree
dpkg-deb -x .cache/deb/sqlite3-doc_*.deb .cache/doc-tree
