// Package packaging_test installs the Debian package on a Debian of its own, which boots in a container over this
// machine's files: nothing of the machine changes.
package packaging_test

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/version"
)

// trial runs inside. It says how far it is by files in /said, and goes on once it is told by files in /told.
const trial = `#!/bin/bash
exec > /said/log 2>&1
set -x
say() { journalctl -u cuerda -o cat | sed -n 's/^Cuerda is at //p' | tail -1 > /said/address; touch "/said/$1"; }
told() { until [ -e "/told/$1" ]; do sleep .1; done; }
up() { for i in $(seq 600); do [ "$(journalctl -u cuerda -o cat | grep -c '^Stop it with')" -ge "$1" ] && return; sleep .1; done; }
fail() { touch /said/failed; systemctl poweroff; exit 1; }
dpkg -i /packages/cuerda_0.0.1_*.deb || fail
up 1
echo "CUERDA_PORT=$(cat /port)" >> /etc/default/cuerda
systemctl restart cuerda
up 2
ps -o user= -p "$(systemctl show -P MainPID cuerda)" > /said/user
systemctl is-enabled cuerda > /said/enabled
systemd-analyze security --no-pager cuerda | tail -1 > /said/exposure
say installed
told upgrade
dpkg -i --force-confold /packages/cuerda_` + version.Number + `_*.deb || fail
up 3
say upgraded
told remove
dpkg -r cuerda || fail
systemctl is-active cuerda > /said/active
ls /var/lib/private/cuerda > /said/kept
say removed
told again
dpkg -i /packages/cuerda_` + version.Number + `_*.deb || fail
up 4
say back
told purge
dpkg -P cuerda || fail
ls /var/lib/private/cuerda > /said/left
ls /etc/default > /said/defaults
touch /said/purged
systemctl poweroff
`

const unit = "[Unit]\nAfter=multi-user.target\n[Service]\nExecStart=/trial\n"

// debian is the one that boots for the test.
type debian struct {
	t    *testing.T
	root string
}

func boot(t *testing.T) *debian {
	t.Helper()
	if os.Geteuid() != 0 {
		t.Skip("only root boots a container")
	}
	if _, err := exec.LookPath("systemd-nspawn"); err != nil {
		t.Skip("there is no systemd-nspawn on this machine")
	}
	dir := t.TempDir()
	for _, name := range []string{"upper", "work", "root", "packages"} {
		require.NoError(t, os.Mkdir(filepath.Join(dir, name), 0o755))
	}
	root := filepath.Join(dir, "root")
	options := fmt.Sprintf("lowerdir=/,upperdir=%s/upper,workdir=%s/work", dir, dir)
	if out, err := exec.Command("mount", "-t", "overlay", "overlay", "-o", options, root).CombinedOutput(); err != nil {
		t.Skipf("this machine does not lay one file system over another: %s", out)
	}
	t.Cleanup(func() { assert.NoError(t, exec.Command("umount", root).Run()) })
	for _, name := range []string{"said", "told", "packages"} {
		require.NoError(t, os.Mkdir(filepath.Join(root, name), 0o755))
	}
	for _, v := range []string{"0.0.1", version.Number} {
		out, err := exec.Command("make", "-C", "..", "--no-print-directory", "package", "PACKAGE_VERSION="+v, "PACKAGES="+filepath.Join(root, "packages")).CombinedOutput()
		require.NoError(t, err, string(out))
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	port := l.Addr().(*net.TCPAddr).Port
	require.NoError(t, l.Close())
	d := &debian{t, root}
	d.write("port", fmt.Sprint(port), 0o644)
	d.write("trial", trial, 0o755)
	d.write("etc/systemd/system/trial.service", unit, 0o644)
	ctx, stop := context.WithTimeout(context.Background(), 4*time.Minute)
	console := &strings.Builder{}
	// What the machine starts besides is not what is tried.
	cmd := exec.CommandContext(ctx, "systemd-nspawn", "-q", "-D", root, "--register=no", "--keep-unit", "--boot", "systemd.unit=multi-user.target", "systemd.wants=trial.service", "systemd.mask=postgresql.service")
	cmd.Stdout, cmd.Stderr = console, console
	require.NoError(t, cmd.Start())
	t.Cleanup(func() {
		ended := cmd.Wait()
		stop()
		if t.Failed() {
			log, _ := os.ReadFile(filepath.Join(root, "said", "log"))
			t.Logf("%v\n%s\n%s", ended, console, log)
		}
	})
	return d
}

func (d *debian) write(name, text string, mode os.FileMode) {
	d.t.Helper()
	require.NoError(d.t, os.WriteFile(filepath.Join(d.root, name), []byte(text), mode))
}

func (d *debian) said(name string) string {
	text, err := os.ReadFile(filepath.Join(d.root, "said", name))
	require.NoError(d.t, err)
	return strings.TrimSpace(string(text))
}

// wait waits until the trial says that it is so far.
func (d *debian) wait(name string) {
	d.t.Helper()
	require.Eventually(d.t, func() bool {
		_, err := os.Stat(filepath.Join(d.root, "said", name))
		_, failed := os.Stat(filepath.Join(d.root, "said", "failed"))
		return err == nil || failed == nil
	}, 90*time.Second, 100*time.Millisecond, "%s", name)
	_, failed := os.Stat(filepath.Join(d.root, "said", "failed"))
	require.Error(d.t, failed, "it failed before it was %s", name)
}

func (d *debian) tell(name string) { d.write("told/"+name, "", 0o644) }

// ask asks the Cuerda that runs inside.
func (d *debian) ask(method, path, body string, into any) {
	d.t.Helper()
	r, err := http.NewRequestWithContext(d.t.Context(), method, strings.TrimSuffix(d.said("address"), "/")+path, strings.NewReader(body))
	require.NoError(d.t, err)
	r.Header.Set("Content-Type", "application/json")
	got, err := http.DefaultClient.Do(r)
	require.NoError(d.t, err)
	defer got.Body.Close()
	text, err := io.ReadAll(got.Body)
	require.NoError(d.t, err)
	require.Less(d.t, got.StatusCode, 300, string(text))
	if into != nil {
		require.NoError(d.t, json.Unmarshal(text, into))
	}
}

// A household's machine has the package alone: it is installed, starts, is confined, is upgraded with its settings and its
// kitchens, and is removed without them.
func TestThePackageComesAndGoes(t *testing.T) {
	d := boot(t)
	d.wait("installed")
	assert.Equal(t, "http://127.0.0.1:"+readFile(t, filepath.Join(d.root, "port"))+"/", strings.TrimSuffix(d.said("address"), "/")+"/", "as its settings say")
	assert.NotContains(t, []string{"root", "postgres", ""}, d.said("user"))
	assert.Equal(t, "enabled", d.said("enabled"), "it starts with the machine")
	assert.Regexp(t, `exposure level for cuerda.service: [0-2]\.\d`, d.said("exposure"), "as systemd reckons it, from 0 to 10")
	var kitchen, build struct{ ID string }
	d.ask("POST", "/api/kitchens", `{"name":"Ours"}`, &kitchen)
	d.ask("POST", "/api/kitchens/"+kitchen.ID+"/builds", `{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"tofu-firm","grams":300}]}`, &build)
	there := func() {
		t.Helper()
		var kept struct {
			Document struct{ Name string }
		}
		d.ask("GET", "/api/kitchens/"+kitchen.ID+"/builds/"+build.ID, "", &kept)
		assert.Equal(t, "Cakes", kept.Document.Name)
	}
	there()

	d.tell("upgrade")
	d.wait("upgraded")
	assert.Contains(t, d.said("address"), ":"+readFile(t, filepath.Join(d.root, "port")), "what was set stays set")
	there()

	d.tell("remove")
	d.wait("removed")
	assert.Equal(t, "inactive", d.said("active"))
	assert.Contains(t, d.said("kept"), "postgres", "its kitchens stay")

	d.tell("again")
	d.wait("back")
	there()

	d.tell("purge")
	d.wait("purged")
	assert.Contains(t, d.said("left"), "postgres", "nobody's kitchen goes with a package")
	assert.NotContains(t, d.said("defaults"), "cuerda")
}

func readFile(t *testing.T, name string) string {
	t.Helper()
	text, err := os.ReadFile(name)
	require.NoError(t, err)
	return string(text)
}
