#!/bin/sh
# The browser tests drive Debian's Chromium; install it where it is missing.
set -eu
command -v chromium >/dev/null 2>&1 && exit 0
if [ "$(id -u)" -ne 0 ] || ! command -v apt-get >/dev/null 2>&1; then
  echo "The browser tests need Chromium and it may not be installed from here: ask an administrator for: apt-get install chromium" >&2
  exit 1
fi
{ apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends chromium; } >/tmp/rowanseed-chromium.log 2>&1 || {
  echo "Chromium could not be installed; what was said is in /tmp/rowanseed-chromium.log. Try: apt-get install chromium" >&2
  exit 1
}
