#!/usr/bin/env bash
# Checks what a change touches, in under a minute: the Go packages that changed since the last commit and those that
# import them directly, with their short tests, and the types and rules of the pages if they changed.
#   scripts/quick.sh [COMMIT]    what changed since COMMIT; HEAD where it is not said
set -euo pipefail
cd "$(dirname "$0")/.."
since=${1:-HEAD}
changed=$( { git diff --name-only "$since" --diff-filter=d; git ls-files --others --exclude-standard; } | sort -u)

folders=$(grep -E '^(cmd|core|internal)/' <<<"$changed" | grep -v testdata | xargs -r -n1 dirname | sort -u || true)
if [ -n "$folders" ]; then
  packages=$(for f in $folders; do while [ "$f" != . ] && ! ls "$f"/*.go >/dev/null 2>&1; do f=$(dirname "$f"); done; echo "cuerda/$f"; done | sort -u)
  # Who imports one of them is touched too; the browser tests are left to make test.
  importers=$(go list -f '{{.ImportPath}} {{join .Imports " "}}' ./cmd/... ./core/... ./internal/... |
    awk -v of="$(tr '\n' ' ' <<<"$packages")" 'BEGIN { n = split(of, p) } { for (i = 2; i <= NF; i++) for (j = 1; j <= n; j++) if ($i == p[j]) { print $1; next } }')
  touched=$(sort -u <<<"$packages"$'\n'"$importers" | sed '/^$/d')
  echo "Packages: $(wc -l <<<"$touched")"
  test -z "$(gofmt -l $folders)" || { gofmt -l $folders; exit 1; }
  go vet $touched
  # The tests of the packages themselves; those of the importers only where there are few of them.
  if [ "$(wc -l <<<"$touched")" -gt 12 ]; then touched=$packages; fi
  go test -short -timeout 2m $touched
fi

pages=$(grep -E '^web/src/.*\.(ts|tsx|scss)$' <<<"$changed" | sed 's#^web/##' || true)
if [ -n "$pages" ]; then
  (cd web && npx prettier --log-level warn --check $pages && npx tsc --noEmit && npx eslint $(grep -E '\.tsx?$' <<<"$pages" || echo src/main.tsx))
fi
echo "Nothing that this change touches says no."
