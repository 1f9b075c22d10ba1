// Package browser starts Debian's Chromium for tests and screenshots.
package browser

import (
	"errors"
	"os"
	"os/exec"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/launcher"
	"github.com/go-rod/rod/lib/proto"
)

// ErrNotInstalled is returned where there is no Chromium.
var ErrNotInstalled = errors.New("chromium not found: install the package chromium-headless-shell, or chromium")

// find prefers the shell that draws no window of its own: it is the same Chromium, and takes a quarter less time.
func find() (string, error) {
	for _, name := range []string{"chromium-headless-shell", "chromium"} {
		if bin, err := exec.LookPath(name); err == nil {
			return bin, nil
		}
	}
	return "", ErrNotInstalled
}

// Start gives a browser with a profile of its own, and the way to end it.
func Start() (*rod.Browser, func(), error) {
	bin, err := find()
	if err != nil {
		return nil, nil, err
	}
	profile, err := os.MkdirTemp("", "cuerda-chromium-")
	if err != nil {
		return nil, nil, err
	}
	l := launcher.New().Bin(bin).Leakless(false).Headless(true).NoSandbox(os.Geteuid() == 0).UserDataDir(profile).
		Set("disable-gpu").Set("disable-quic").Set("no-first-run").Set("disable-background-networking").
		Set("disable-component-update").Set("disable-sync").Set("font-render-hinting", "none").
		Set("force-prefers-reduced-motion") // movement costs a fifth of the tests' time, and a screenshot waits for it
	end := func() {
		l.Kill()
		_ = os.RemoveAll(profile)
	}
	url, err := l.Launch()
	if err != nil {
		end()
		return nil, nil, err
	}
	b := rod.New().ControlURL(url)
	if err := b.Connect(); err != nil {
		end()
		return nil, nil, err
	}
	return b, func() { _ = b.Close(); end() }, nil
}

// Resize gives the page a window of that size, in CSS pixels; a phone has two
// device pixels to each and touches.
func Resize(page *rod.Page, width, height int) error {
	phone := width < 500
	scale := 1.0
	if phone {
		scale = 2
	}
	return proto.EmulationSetDeviceMetricsOverride{Width: width, Height: height, DeviceScaleFactor: scale, Mobile: phone}.Call(page)
}
