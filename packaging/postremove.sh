#!/bin/sh
# Kitchens outlive the program, also where it is purged.
set -e
if [ -d /run/systemd/system ]; then
	systemctl daemon-reload
fi
if [ "$1" = purge ] && [ -d /var/lib/private/cuerda ]; then
	echo "The kitchens are still in /var/lib/private/cuerda: remove that folder if nobody wants them any more."
fi
