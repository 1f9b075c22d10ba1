package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"strconv"
	"strings"
	"syscall"
	"time"

	"cuerda/internal/load"
)

// program is a Cuerda that runs in a process of its own, so that what it takes is its own.
type program struct {
	url     string
	metrics string
	process *exec.Cmd
	client  *http.Client
}

// begun is how long a program may take to say where it is.
const begun = 2 * time.Minute

// isAt is how a program says where it is, and metricsAt where its metrics are.
const (
	isAt      = "Cuerda is at "
	metricsAt = "Metrics are at "
)

// startProgram starts Cuerda, with the data in that folder, and waits until it says where it is.
func startProgram(ctx context.Context, binary, data string) (*program, error) {
	return started(exec.CommandContext(ctx, binary, "start", "--port", "0", "--data", data, "--metrics", "127.0.0.1:0"))
}

func started(cmd *exec.Cmd) (*program, error) {
	cmd.Cancel = func() error { return cmd.Process.Signal(os.Interrupt) }
	cmd.SysProcAttr = &syscall.SysProcAttr{Pdeathsig: syscall.SIGTERM} // it ends with this program
	out, in := io.Pipe()
	cmd.Stdout, cmd.Stderr = in, in
	if err := cmd.Start(); err != nil {
		return nil, err
	}
	p := &program{process: cmd, client: &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 8000}}}
	found := make(chan struct{})
	go func() {
		lines := bufio.NewScanner(out)
		for lines.Scan() {
			if url, ok := strings.CutPrefix(lines.Text(), metricsAt); ok {
				p.metrics = url // it is said before the other
			} else if url, ok := strings.CutPrefix(lines.Text(), isAt); ok {
				p.url = strings.TrimSuffix(url, "/")
				close(found)
			} else if strings.Contains(lines.Text(), "level=") {
				fmt.Fprintln(os.Stderr, lines.Text())
			}
		}
	}()
	select {
	case <-found:
		return p, nil
	case <-time.After(begun):
		p.stop()
		return nil, fmt.Errorf("%s did not start in time", cmd)
	}
}

func (p *program) stop() {
	_ = p.process.Process.Signal(os.Interrupt)
	_ = p.process.Wait()
}

// memory is how much of the machine's memory the program holds, MB.
func (p *program) memory() (float64, error) {
	text, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", p.process.Process.Pid))
	if err != nil {
		return 0, err
	}
	for line := range strings.Lines(string(text)) {
		if f := strings.Fields(line); len(f) >= 2 && f[0] == "VmRSS:" {
			kb, err := strconv.ParseFloat(f[1], 64)
			return kb / 1024, err
		}
	}
	return 0, errors.New("the system does not say how much memory a program holds")
}

// do asks a kitchen for something, and gives the answer; what is not answered well is an error.
func (p *program) do(ctx context.Context, method, kitchen, path, body string, headers ...string) ([]byte, http.Header, error) {
	r, err := http.NewRequestWithContext(ctx, method, p.url+"/api/kitchens/"+kitchen+path, strings.NewReader(body))
	if err != nil {
		return nil, nil, err
	}
	if body != "" {
		r.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(headers); i += 2 {
		r.Header.Set(headers[i], headers[i+1])
	}
	got, err := p.client.Do(r)
	if err != nil {
		return nil, nil, err
	}
	defer got.Body.Close()
	text, err := io.ReadAll(got.Body)
	if err == nil && got.StatusCode >= 300 {
		err = fmt.Errorf("%s %s: %s: %.200s", method, path, got.Status, text)
	}
	return text, got.Header, err
}

// filled makes a folder with a database of so many households, unless there is one, and gives its kitchens.
func filled(ctx context.Context, binary, folder string, args ...string) (kitchens []load.Kitchen, err error) {
	list := folder + "/kitchens.json"
	if text, err := os.ReadFile(list); err == nil {
		return kitchens, json.Unmarshal(text, &kitchens)
	}
	if err := os.MkdirAll(folder, 0o755); err != nil {
		return nil, err
	}
	began := time.Now()
	cmd := exec.CommandContext(ctx, binary, append([]string{"load", "--data", folder + "/data"}, args...)...)
	var out bytes.Buffer
	cmd.Stdout, cmd.Stderr = &out, os.Stderr
	if err := cmd.Run(); err != nil {
		return nil, fmt.Errorf("cuerda load: %w", err)
	}
	if err := json.Unmarshal(out.Bytes(), &kitchens); err != nil {
		return nil, err
	}
	fmt.Fprintf(os.Stderr, "filled %s in %.0f s\n", folder, time.Since(began).Seconds())
	return kitchens, os.WriteFile(list, out.Bytes(), 0o644)
}
