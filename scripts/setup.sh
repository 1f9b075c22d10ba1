#!/usr/bin/env bash
# Installs what is missing of Debian's packages: a PostgreSQL server and, for
# the tests, Chromium, a C compiler, a container that boots,
# and what a cluster is made of. Does nothing where they are there.
set -euo pipefail

missing=()
ls /usr/lib/postgresql/*/bin/postgres >/dev/null 2>&1 || command -v postgres >/dev/null || missing+=(postgresql-15)
if [ "${1:-}" = tests ]; then
  # The shell of the same Chromium, which draws no window of its own; older systems have it whole.
  if ! command -v chromium-headless-shell >/dev/null && ! command -v chromium >/dev/null; then
    missing+=(chromium-headless-shell)
  fi
  # The race detector needs a C compiler.
  command -v gcc >/dev/null && [ -e /usr/include/stdlib.h ] || missing+=(gcc libc6-dev)
  # The package is tried in a container that boots, which only root may do.
  if [ "$(id -u)" = 0 ] && ! { command -v systemd-nspawn && command -v dbus-daemon && ls /lib/*/libnss_systemd.so.2; } >/dev/null; then
    missing+=(systemd systemd-container dbus libnss-systemd)
  fi
fi
if [ "${1:-}" = cluster ] || { [ "${1:-}" = tests ] && [ "$(id -u)" = 0 ]; }; then
  # The rehearsal of three machines.
  command -v patroni >/dev/null || missing+=(patroni)
  command -v etcd >/dev/null || missing+=(etcd-server)
  command -v haproxy >/dev/null || [ -x /usr/sbin/haproxy ] || missing+=(haproxy)
fi
[ ${#missing[@]} -gt 0 ] || exit 0

if ! command -v apt-get >/dev/null; then
  echo "Cuerda needs ${missing[*]}: install them with your system's package manager." >&2
  exit 1
fi
sudo=""
if [ "$(id -u)" != 0 ]; then
  if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
    sudo="sudo"
  else
    echo "Cuerda needs ${missing[*]}. You may not install packages here; ask for" >&2
    echo "    sudo apt-get install --no-install-recommends ${missing[*]}" >&2
    exit 1
  fi
fi
echo "Installing ${missing[*]} ..."
export DEBIAN_FRONTEND=noninteractive
$sudo apt-get update -qq
$sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
