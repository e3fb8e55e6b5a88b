#!/usr/bin/env bash
# Copies the front-end files that ship with the app from node_modules into wwwroot/lib.
set -euo pipefail
cd "$(dirname "$0")"
rm -rf wwwroot/lib
mkdir -p wwwroot/lib/fonts
cp node_modules/bootstrap/dist/css/bootstrap.min.css wwwroot/lib/
cp node_modules/@alpinejs/csp/dist/cdn.min.js wwwroot/lib/alpine-csp.min.js
cp node_modules/@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2 wwwroot/lib/fonts/
cp node_modules/@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-ext-wght-normal.woff2 wwwroot/lib/fonts/
cp node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2 wwwroot/lib/fonts/
cp node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-wght-normal.woff2 wwwroot/lib/fonts/
