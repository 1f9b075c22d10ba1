#!/bin/sh
# Starts Cuerda, or starts it anew after an upgrade, where systemd runs.
set -e
if [ "$1" = configure ] && [ -d /run/systemd/system ]; then
	systemctl daemon-reload
	systemctl enable --quiet cuerda
	systemctl restart cuerda
fi
