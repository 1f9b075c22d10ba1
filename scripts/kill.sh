#!/bin/sh
# Kills the server and the database without warning, a hundred times or as often as is asked for,
# while a course is written to, and looks whether anything that was acknowledged is lost.
set -eu
cd "$(dirname "$0")/.."
CUERDA_KILLS="${1:-100}" go test ./cmd/cuerda -count=1 -timeout 60m -v -run TestKilledAtAnyMoment
