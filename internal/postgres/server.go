// Package postgres runs a private PostgreSQL server on loopback with its own
// data folder, for the start command and for tests.
package postgres

import (
	"bytes"
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/url"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
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
	// Say is told what a person who waits should know; nobody is where it is nil.
	Say func(string)
}

// Server is a running server. It starts PostgreSQL again if it dies.
type Server struct {
	opts     Options
	bin      string
	cred     *syscall.Credential
	port     int
	password string // of the superuser, kept in the folder
	own      string // of the application's role, new with each start
	said     tail   // what the server said last

	failed  atomic.Bool // it ended before it ever answered
	ready   atomic.Bool
	stop    chan struct{}
	stopped chan struct{}
	once    sync.Once
}

// The roles: one that owns the cluster and makes databases, and one that owns a database
// and nothing else, for the application.
const (
	superuser   = "cuerda"
	application = "cuerda_kitchen"
)

// Start initialises the cluster if needed, starts the server on a free port of
// 127.0.0.1 and waits until it takes connections.
func Start(ctx context.Context, opts Options) (*Server, error) {
	if opts.Log == nil {
		opts.Log = slog.New(slog.DiscardHandler)
	}
	s := &Server{opts: opts, own: rand.Text(), stop: make(chan struct{}), stopped: make(chan struct{})}
	var err error
	if s.cred, err = serverUser(); err != nil {
		return nil, err
	}
	if err := s.folder(); err != nil {
		return nil, err
	}
	version, err := clusterVersion(s.data())
	if err != nil {
		return nil, err
	}
	if s.bin, err = findPrograms(version); err != nil {
		return nil, err
	}
	if err := s.prepare(ctx); err != nil {
		return nil, err
	}
	if err := s.waitForTheLast(ctx); err != nil {
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
	s.ready.Store(true)
	if err := s.roles(ctx); err != nil {
		s.Stop()
		return nil, err
	}
	return s, nil
}

// lastEndsWithin is how long a server that was ended with its program may take to be gone.
const lastEndsWithin = 30 * time.Second

// waitForTheLast waits until the server before this one is gone, which a killed program leaves behind for a moment: it is
// told to end, but ends by itself.
func (s *Server) waitForTheLast(ctx context.Context) error {
	told := false
	for deadline := time.Now().Add(lastEndsWithin); ; {
		pid, alive := s.lastServer()
		if !alive {
			return nil
		}
		if !told {
			told = true
			s.opts.Log.Warn("the database of the last start is still ending; waiting for it", "pid", pid)
			if s.opts.Say != nil {
				s.opts.Say("The database of the last start is still ending: waiting for it.")
			}
		}
		if time.Now().After(deadline) {
			return fmt.Errorf("the database of the last start (process %d) has not ended within %s: end it, or name another folder with --data", pid, lastEndsWithin)
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(50 * time.Millisecond):
		}
	}
}

// lastServer is the process that keeps this folder's cluster, where it is still there. A process that only has its number
// is another's.
func (s *Server) lastServer() (pid int, alive bool) {
	text, err := readOwn(filepath.Join(s.data(), "postmaster.pid"))
	if err != nil {
		return 0, false
	}
	first, _, _ := strings.Cut(string(text), "\n")
	if pid, err = strconv.Atoi(strings.TrimSpace(first)); err != nil || pid <= 1 {
		return 0, false
	}
	command, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
	if err != nil || !bytes.Contains(command, []byte(s.data())) {
		return pid, false
	}
	state, err := os.ReadFile(fmt.Sprintf("/proc/%d/stat", pid))
	if i := bytes.LastIndexByte(state, ')'); err == nil && i+2 < len(state) && state[i+2] == 'Z' {
		return pid, false // it has ended, and nobody has asked how
	}
	return pid, true
}

// URL is the connection string for a database of the server, as the application's role.
func (s *Server) URL(database string) string { return address(application, s.own, s.port, database) }

func (s *Server) adminURL(database string) string {
	return address(superuser, s.password, s.port, database)
}

// address names a server that must show by SCRAM that it knows the password too: whoever
// else sits on the port is never told it.
func address(role, password string, port int, database string) string {
	u := url.URL{
		Scheme: "postgres", User: url.UserPassword(role, password),
		Host: net.JoinHostPort("127.0.0.1", strconv.Itoa(port)), Path: "/" + database,
		RawQuery: "sslmode=disable&require_auth=scram-sha-256",
	}
	return u.String()
}

// Stop ends the server, letting transactions in progress roll back.
func (s *Server) Stop() {
	s.once.Do(func() { close(s.stop) })
	<-s.stopped
}

func (s *Server) data() string { return filepath.Join(s.opts.Dir, "data") }

// prepare makes the folder, the password and the cluster. A cluster is made
// beside its place and moved there whole, so that a start that was cut short
// leaves none that is half made.
func (s *Server) prepare(ctx context.Context) error {
	passwordFile := filepath.Join(s.opts.Dir, "password")
	if version, err := clusterVersion(s.data()); err != nil {
		return err
	} else if version != 0 {
		text, err := readOwn(passwordFile)
		if err != nil {
			return fmt.Errorf("the cluster is there but its password is not: %w", err)
		}
		s.password = strings.TrimSpace(string(text))
		return nil
	}
	s.password = rand.Text()
	if err := s.writeOwn(passwordFile, s.password+"\n"); err != nil {
		return err
	}
	fresh := filepath.Join(s.opts.Dir, "data.new")
	if err := os.RemoveAll(fresh); err != nil {
		return err
	}
	args := []string{"--pgdata=" + fresh, "--username=" + superuser, "--encoding=UTF8", "--locale=C.UTF-8",
		"--auth=scram-sha-256", "--pwfile=" + passwordFile, "--data-checksums"}
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

// folder makes the server's folder, and sees that there is room in it.
func (s *Server) folder() error {
	if err := os.MkdirAll(s.opts.Dir, 0o700); err != nil {
		return err
	}
	if err := room(s.opts.Dir); err != nil {
		return err
	}
	if s.cred == nil {
		return nil
	}
	return os.Lchown(s.opts.Dir, int(s.cred.Uid), int(s.cred.Gid))
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
		if !s.ready.Load() && time.Since(began) < 5*time.Second && try >= 1 {
			s.failed.Store(true)
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
		"-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories=",
		"-c", "max_connections=60", "-c", "timezone=UTC", "-c", "log_min_messages=warning",
		// A log for each day of the week, and no larger than that.
		"-c", "logging_collector=on", "-c", "log_directory=log", "-c", "log_filename=postgres-%a.log", "-c", "log_rotation_age=1d",
		"-c", "log_rotation_size=10MB", "-c", "log_truncate_on_rotation=on"}
	if s.opts.Fast {
		args = append(args, "-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off")
	}
	cmd := exec.Command(filepath.Join(s.bin, "postgres"), args...)
	cmd.Dir = s.opts.Dir
	cmd.Stdout, cmd.Stderr = &s.said, &s.said // until its own log begins
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: s.cred, Setpgid: true, Pdeathsig: syscall.SIGQUIT}
	return cmd
}

// wait waits for the server to end and says whether it was told to.
func (s *Server) wait(cmd *exec.Cmd) bool {
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
		if failed := s.failed.Load(); failed {
			return fmt.Errorf("PostgreSQL ended as soon as it was started:\n%s", s.lastWords())
		}
		if ctx.Err() != nil || time.Now().After(deadline) {
			return fmt.Errorf("PostgreSQL does not answer: %w\n%s", err, s.lastWords())
		}
		time.Sleep(25 * time.Millisecond)
	}
}

// lastWords are what the server said last, on its way out or in its log of today.
func (s *Server) lastWords() string {
	out := s.said.String()
	f, err := openOwn(filepath.Join(s.data(), "log", time.Now().UTC().Format("postgres-Mon.log")), os.O_RDONLY, 0)
	if err != nil {
		return strings.TrimSpace(out)
	}
	defer f.Close()
	text := make([]byte, 2000)
	if info, err := f.Stat(); err == nil {
		n, _ := f.ReadAt(text, max(0, info.Size()-int64(len(text))))
		out += string(text[:n])
	}
	return strings.TrimSpace(out)
}

// tail keeps the end of what is written to it.
type tail struct {
	lock sync.Mutex
	text []byte
}

func (t *tail) Write(b []byte) (int, error) {
	t.lock.Lock()
	defer t.lock.Unlock()
	t.text = append(t.text, b...)
	t.text = t.text[max(0, len(t.text)-4000):]
	return len(b), nil
}

func (t *tail) String() string {
	t.lock.Lock()
	defer t.lock.Unlock()
	return string(t.text)
}
