#!/usr/bin/env bash
# Builds the browser side with the system's Node into dist/. Does nothing when nothing changed.
set -euo pipefail
cd "$(dirname "$0")"

command -v node >/dev/null || { echo "Node is missing. Install Node 20.19 or newer (Debian: apt-get install nodejs npm)."; exit 1; }

stamp() { (node --version; cat "$@") | sha256sum | cut -d' ' -f1; }

packages=$(stamp package.json package-lock.json .npmrc)
if [ "$(cat node_modules/.stamp 2>/dev/null)" != "$packages" ]; then
  echo "web: fetching packages"
  npm ci --no-progress --loglevel=error
  echo "$packages" > node_modules/.stamp
fi

# shellcheck disable=SC2046
inputs=$(stamp $(find src public index.html openapi.json package-lock.json ./*.ts ./*.mjs ./*.json -type f 2>/dev/null \
  ! -name schema.d.ts | LC_ALL=C sort -u))
if [ "$(cat dist/.stamp 2>/dev/null)" != "$inputs" ]; then
  echo "web: building"
  npm run --silent build
  # Names change with content, so what an earlier build packed would stay in the jar.
  rm -rf target/classes/static
  echo "$inputs" > dist/.stamp
fi
