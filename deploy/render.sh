#!/usr/bin/env bash
# Writes the files of one machine: render.sh cluster.env FOLDER
# Every ${NAME} in a template is what cluster.env says; MY_... is that of this machine.
set -euo pipefail
here=$(cd "$(dirname "$0")" && pwd)
set -a
# shellcheck disable=SC1090
. "$1"
set +a
out=$2
mkdir -p "$out"
upper=$(echo "$NODE" | tr '[:lower:]' '[:upper:]')
for what in POSTGRES PATRONI ETCD PEERS CUERDA; do
  name="${upper}_$what"
  export "MY_$what=${!name}"
done
export MY_ADDRESS=${!upper}
for secret in POSTGRES_PASSWORD COPIES_PASSWORD CUERDA_PASSWORD; do
  [ -n "${!secret}" ] || { echo "render.sh: $secret is empty" >&2; exit 1; }
done
umask 077
for template in "$here"/templates/*; do
  # Only what cluster.env names is put in: everything else stays as it stands.
  text=$(cat "$template")
  while [[ $text =~ \$\{([A-Z_]+)\} ]]; do
    name=${BASH_REMATCH[1]}
    [ -n "${!name+x}" ] || { echo "render.sh: $template asks for $name, which cluster.env does not say" >&2; exit 1; }
    text=${text//"\${$name}"/${!name}}
  done
  printf '%s\n' "$text" > "$out/$(basename "$template")"
done
