#!/bin/sh
# Makes the virtual environment and installs the pinned, hashed requirements and the application.
set -eu
venv="$1"
python="${PYTHON:-python3}"

say() { printf '%s\n' "$*" >&2; }

command -v "$python" >/dev/null 2>&1 || {
  say "Rowanseed needs Python 3.11 or newer: install it (Debian: apt install python3 python3-venv) and run this again."
  exit 1
}
"$python" -c 'import sys; sys.exit(sys.version_info < (3, 11))' || {
  say "Rowanseed needs Python 3.11 or newer, and '$python' is older: install one and run: make setup PYTHON=python3.12"
  exit 1
}
"$python" -c 'import venv, ensurepip' 2>/dev/null || {
  say "Python's venv part is missing: install it (Debian: apt install python3-venv) and run this again."
  exit 1
}
[ -x "$venv/bin/python" ] || "$python" -m venv "$venv"
say "Setting up in $venv (a few minutes the first time, seconds later)."
# The file names every package with its version, so nothing is resolved: a release newer than ours changes nothing.
"$venv/bin/python" -m pip install --quiet --disable-pip-version-check --require-hashes --no-deps \
  -r requirements/dev.txt || {
  say "The packages could not be installed: see the lines above. With the network back, run this again."
  exit 1
}
"$venv/bin/python" -m pip check --quiet --disable-pip-version-check >&2 || {
  say "requirements/dev.txt does not name all that is needed: see the lines above, and run make lock."
  exit 1
}
"$venv/bin/python" -m pip install --quiet --disable-pip-version-check --no-deps --no-build-isolation \
  --editable . || {
  say "Rowanseed itself could not be installed into $venv: see the lines above."
  exit 1
}
# The lay search is compiled now, so that no page waits for it.
"$venv/bin/rowanseed" warm || {
  say "The lay search could not be compiled: see the lines above."
  exit 1
}
touch "$venv/.ready"
