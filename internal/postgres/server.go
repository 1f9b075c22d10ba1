// Package postgres runs a private PostgreSQL server on loopback with its own
// data folder, for the start command and for tests.
package postgres

import (
	"bytes"
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"net"
	"net/url"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"runtime"
	"slices"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"
)

// ErrNotInstalled is returned where PostgreSQL's server programs are missing.
var ErrNotInstalled = errors.New("PostgreSQL server programs (initdb, postgres) not found: install the package postgresql-15, or set DATABASE_URL")

// Options say where and how a server runs.
type Options struct {
	// Dir holds the cluster and its password. It is made where missing, and
	// belongs to the server's user.
	Dir string
	// Fast gives up safety against power cuts for speed, for tests.
	Fast bool
	Log  *slog.Logger
}

// Server is a running server. It starts PostgreSQL again if it dies.
type Server struct {
	opts     Options
	bin      string
	cred     *syscall.Credential
	port     int
	password string

	stop    chan struct{}
	stopped chan struct{}
	once    sync.Once
}

const superuser = "cuerda"

// Start initialises the cluster if needed, starts the server on a free port of
// 127.0.0.1 and waits until it takes connections.
func Start(ctx context.Context, opts Options) (*Server, error) {
	if opts.Log == nil {
		opts.Log = slog.New(slog.DiscardHandler)
	}
	s := &Server{opts: opts, stop: make(chan struct{}), stopped: make(chan struct{})}
	var err error
	if s.bin, err = findPrograms(); err != nil {
		return nil, err
	}
	if s.cred, err = serverUser(); err != nil {
		return nil, err
	}
	if err := s.prepare(ctx); err != nil {
		return nil, err
	}
	if s.port, err = freePort(); err != nil {
		return nil, err
	}
	started := make(chan error, 1)
	go s.supervise(started)
	if err := <-started; err != nil {
		return nil, err
	}
	if err := s.waitReady(ctx); err != nil {
		s.Stop()
		return nil, err
	}
	return s, nil
}

// URL is the connection string for a database of the server.
func (s *Server) URL(database string) string {
	u := url.URL{
		Scheme: "postgres", User: url.UserPassword(superuser, s.password),
		Host: net.JoinHostPort("127.0.0.1", strconv.Itoa(s.port)), Path: "/" + database,
		RawQuery: "sslmode=disable",
	}
	return u.String()
}

// Stop ends the server, letting transactions in progress roll back.
func (s *Server) Stop() {
	s.once.Do(func() { close(s.stop) })
	<-s.stopped
}

func findPrograms() (string, error) {
	dirs, _ := filepath.Glob("/usr/lib/postgresql/*/bin")
	slices.SortFunc(dirs, func(a, b string) int { return versionOf(b) - versionOf(a) })
	for _, dir := range append(dirs, filepath.SplitList(os.Getenv("PATH"))...) {
		if isProgram(filepath.Join(dir, "initdb")) && isProgram(filepath.Join(dir, "postgres")) {
			return dir, nil
		}
	}
	return "", ErrNotInstalled
}

func versionOf(dir string) int {
	v, _ := strconv.Atoi(filepath.Base(filepath.Dir(dir)))
	return v
}

func isProgram(path string) bool {
	info, err := os.Stat(path)
	return err == nil && info.Mode().IsRegular() && info.Mode()&0o111 != 0
}

// serverUser is the account postgres for root, since PostgreSQL refuses to run
// as root; nil, which is oneself, for everybody else.
func serverUser() (*syscall.Credential, error) {
	if os.Geteuid() != 0 {
		return nil, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, fmt.Errorf("root cannot run PostgreSQL, and there is no user to run it as: %w", err)
	}
	uid, err1 := strconv.ParseUint(u.Uid, 10, 32)
	gid, err2 := strconv.ParseUint(u.Gid, 10, 32)
	if err := errors.Join(err1, err2); err != nil {
		return nil, err
	}
	return &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}, nil
}

func (s *Server) data() string { return filepath.Join(s.opts.Dir, "data") }

// prepare makes the folder, the password and the cluster. A cluster is made
// beside its place and moved there whole, so that a start that was cut short
// leaves none that is half made.
func (s *Server) prepare(ctx context.Context) error {
	if err := os.MkdirAll(s.opts.Dir, 0o700); err != nil {
		return err
	}
	if err := s.own(s.opts.Dir); err != nil {
		return err
	}
	passwordFile := filepath.Join(s.opts.Dir, "password")
	if _, err := os.Stat(filepath.Join(s.data(), "PG_VERSION")); err == nil {
		text, err := os.ReadFile(passwordFile)
		if err != nil {
			return fmt.Errorf("the cluster is there but its password is not: %w", err)
		}
		s.password = strings.TrimSpace(string(text))
		return nil
	}
	s.password = rand.Text()
	if err := os.WriteFile(passwordFile, []byte(s.password+"\n"), 0o600); err != nil {
		return err
	}
	if err := s.own(passwordFile); err != nil {
		return err
	}
	fresh := filepath.Join(s.opts.Dir, "data.new")
	if err := os.RemoveAll(fresh); err != nil {
		return err
	}
	args := []string{"--pgdata=" + fresh, "--username=" + superuser, "--encoding=UTF8", "--locale=C.UTF-8",
		"--auth=scram-sha-256", "--pwfile=" + passwordFile}
	if s.opts.Fast {
		args = append(args, "--no-sync")
	}
	cmd := exec.CommandContext(ctx, filepath.Join(s.bin, "initdb"), args...)
	cmd.Dir = s.opts.Dir
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: s.cred}
	if out, err := cmd.CombinedOutput(); err != nil {
		return fmt.Errorf("initdb: %w\n%s", err, bytes.TrimSpace(out))
	}
	return os.Rename(fresh, s.data())
}

func (s *Server) own(path string) error {
	if s.cred == nil {
		return nil
	}
	return os.Chown(path, int(s.cred.Uid), int(s.cred.Gid))
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// supervise starts PostgreSQL and starts it again when it dies by itself. It
// keeps its thread, since the kernel ends the child with the thread that
// started it, which is how none is left behind when this program is killed.
func (s *Server) supervise(started chan<- error) {
	runtime.LockOSThread()
	defer runtime.UnlockOSThread()
	defer close(s.stopped)
	for try := 0; ; try++ {
		began := time.Now()
		cmd := s.command()
		err := cmd.Start()
		if try == 0 {
			started <- err
		}
		if err != nil {
			s.opts.Log.Error("PostgreSQL does not start", "error", err)
			if try == 0 {
				return
			}
		} else if s.wait(cmd) {
			return
		}
		if time.Since(began) > time.Minute {
			try = 1
		}
		s.opts.Log.Warn("PostgreSQL ended by itself; starting it again", "try", try)
		select {
		case <-s.stop:
			return
		case <-time.After(min(time.Duration(try+1)*200*time.Millisecond, 5*time.Second)):
		}
	}
}

func (s *Server) command() *exec.Cmd {
	args := []string{"-D", s.data(), "-p", strconv.Itoa(s.port),
		"-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories=", "-c", "logging_collector=off",
		"-c", "max_connections=60", "-c", "timezone=UTC", "-c", "log_min_messages=fatal"}
	if s.opts.Fast {
		args = append(args, "-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off")
	}
	cmd := exec.Command(filepath.Join(s.bin, "postgres"), args...)
	cmd.Dir = s.opts.Dir
	if log, err := os.OpenFile(filepath.Join(s.opts.Dir, "postgres.log"), os.O_CREATE|os.O_WRONLY|os.O_TRUNC, 0o600); err == nil {
		cmd.Stdout, cmd.Stderr = log, log
	}
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: s.cred, Setpgid: true, Pdeathsig: syscall.SIGQUIT}
	return cmd
}

// wait waits for the server to end and says whether it was told to.
func (s *Server) wait(cmd *exec.Cmd) bool {
	defer func() {
		if f, ok := cmd.Stdout.(*os.File); ok {
			_ = f.Close()
		}
	}()
	done := make(chan struct{})
	go func() {
		_ = cmd.Wait()
		close(done)
	}()
	select {
	case <-done:
		return false
	case <-s.stop:
	}
	// SIGINT is a fast shutdown, SIGQUIT an immediate one.
	for _, signal := range []syscall.Signal{syscall.SIGINT, syscall.SIGQUIT, syscall.SIGKILL} {
		_ = cmd.Process.Signal(signal)
		select {
		case <-done:
			return true
		case <-time.After(10 * time.Second):
		}
	}
	return true
}

func (s *Server) waitReady(ctx context.Context) error {
	deadline := time.Now().Add(60 * time.Second)
	for {
		err := s.ping(ctx)
		if err == nil {
			return nil
		}
		if ctx.Err() != nil || time.Now().After(deadline) {
			return fmt.Errorf("PostgreSQL does not answer: %w\n%s", err, s.logTail())
		}
		time.Sleep(25 * time.Millisecond)
	}
}

func (s *Server) logTail() string {
	text, err := os.ReadFile(filepath.Join(s.opts.Dir, "postgres.log"))
	if errors.Is(err, fs.ErrNotExist) {
		return ""
	}
	return string(text[max(0, len(text)-2000):])
}
