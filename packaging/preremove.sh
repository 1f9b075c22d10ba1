#!/bin/sh
# Ends Cuerda before its program goes; an upgrade starts it anew by itself.
set -e
if [ "$1" = remove ] && [ -d /run/systemd/system ]; then
	systemctl disable --quiet --now cuerda
fi
