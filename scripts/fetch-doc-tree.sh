#!/usr/bin/env bash
# Fetches the documentation trees that the tests and the corpus work on: Debian's packages sqlite3-doc and
# postgresql-doc-15, some two thousand real HTML pages with their links and pictures. They are unpacked into .cache/
# and never committed.
set -euo pipefail
cd "$(dirname "$0")/.."
mkdir -p .cache/deb .cache/doc-tree
for package in sqlite3-doc postgresql-doc-15; do
  [ -d ".cache/doc-tree/usr/share/doc/${package/sqlite3-doc/sqlite3}" ] && continue
  (cd .cache/deb && { apt-get download -qq "$package" || { apt-get update -qq && apt-get download -qq "$package"; }; })
  dpkg-deb -x .cache/deb/"$package"_*.deb .cache/doc-tree
done
