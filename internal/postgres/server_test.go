package postgres_test

import (
	"context"
	"net"
	"net/url"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/postgres"
)

func query(s *postgres.Server, sql string) (n int, err error) {
	ctx, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	conn, err := pgx.Connect(ctx, s.URL("postgres"))
	if err != nil {
		return 0, err
	}
	defer func() { _ = conn.Close(ctx) }()
	return n, conn.QueryRow(ctx, sql).Scan(&n)
}

func TestNothingIsLostWhenThePostmasterIsKilledOrStopped(t *testing.T) {
	folder, err := os.MkdirTemp("", "cuerda-pg-")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(folder, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(folder) })
	options := postgres.Options{Dir: filepath.Join(folder, "pg")}

	s, err := postgres.Start(context.Background(), options)
	require.NoError(t, err)
	require.NoError(t, s.CreateDatabase(context.Background(), "postgres", ""), "a database that is there is no error")
	require.NoError(t, err)
	conn, err := pgx.Connect(context.Background(), s.URL("postgres"))
	require.NoError(t, err)
	_, err = conn.Exec(context.Background(), "create table kept as select 42 as n")
	require.NoError(t, err)

	text, err := os.ReadFile(filepath.Join(options.Dir, "data", "postmaster.pid"))
	require.NoError(t, err)
	pid, err := strconv.Atoi(strings.SplitN(string(text), "\n", 2)[0])
	require.NoError(t, err)
	require.NoError(t, syscall.Kill(pid, syscall.SIGKILL))
	assert.Eventually(t, func() bool {
		n, err := query(s, "select n from kept")
		return err == nil && n == 42
	}, 30*time.Second, 50*time.Millisecond, "it is started again by itself")
	s.Stop()
	s.Stop()

	again, err := postgres.Start(context.Background(), options)
	require.NoError(t, err)
	defer again.Stop()
	n, err := query(again, "select n from kept")
	require.NoError(t, err)
	assert.Equal(t, 42, n)
}

// A start that comes before the server of the last one is gone waits for it, and says so.
func TestAStartWaitsForTheLastServerToBeGone(t *testing.T) {
	options := postgres.Options{Dir: filepath.Join(folder(t), "pg"), Fast: true}
	last, err := postgres.Start(context.Background(), options)
	require.NoError(t, err)
	options.Say = func(string) { go last.Stop() } // it ends only once it is waited for
	next, err := postgres.Start(context.Background(), options)
	require.NoError(t, err)
	defer next.Stop()
	n, err := query(next, "select 42")
	require.NoError(t, err)
	assert.Equal(t, 42, n)
	select {
	case <-stopped(last):
	case <-time.After(10 * time.Second):
		t.Fatal("the last one has not ended")
	}
}

func stopped(s *postgres.Server) chan struct{} {
	done := make(chan struct{})
	go func() { s.Stop(); close(done) }()
	return done
}

// once starts a server and stops it again, and gives how to start it anew.
func once(t *testing.T) postgres.Options {
	t.Helper()
	options := postgres.Options{Dir: filepath.Join(folder(t), "pg"), Fast: true}
	s, err := postgres.Start(context.Background(), options)
	require.NoError(t, err)
	s.Stop()
	return options
}

func folder(t *testing.T) string {
	t.Helper()
	dir, err := os.MkdirTemp("", "cuerda-pg-")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(dir, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(dir) })
	return dir
}

func TestTheServerIsAsPrivateAsItCanBe(t *testing.T) {
	ctx := context.Background()
	dir := filepath.Join(folder(t), "pg")
	s, err := postgres.Start(ctx, postgres.Options{Dir: dir, Fast: true})
	require.NoError(t, err)
	defer s.Stop()
	require.NoError(t, s.CreateDatabase(ctx, "cuerda", ""))
	conn, err := pgx.Connect(ctx, s.URL("cuerda"))
	require.NoError(t, err)
	defer func() { _ = conn.Close(ctx) }()
	var super, checksums string
	require.NoError(t, conn.QueryRow(ctx, "select rolsuper::text, current_setting('data_checksums') from pg_roles where rolname = current_user").Scan(&super, &checksums))
	assert.Equal(t, "false", super, "the application is no superuser")
	assert.Equal(t, "on", checksums)
	_, err = conn.Exec(ctx, "create table kept (n int)")
	require.NoError(t, err, "what is the application's own it may change")
	_, err = conn.Exec(ctx, "create role other superuser")
	require.Error(t, err)
	logs, err := filepath.Glob(filepath.Join(dir, "data", "log", "postgres-*.log"))
	require.NoError(t, err)
	assert.NotEmpty(t, logs, "logs are kept by the day")
}

// Whoever sits on the server's port and asks for the password in clear does not get it.
func TestAnImpostorIsNotToldThePassword(t *testing.T) {
	ctx := context.Background()
	s, err := postgres.Start(ctx, postgres.Options{Dir: filepath.Join(folder(t), "pg"), Fast: true})
	require.NoError(t, err)
	address, err := url.Parse(s.URL("postgres"))
	require.NoError(t, err)
	s.Stop()
	l, err := net.Listen("tcp", address.Host)
	require.NoError(t, err)
	defer l.Close()
	heard := make(chan []byte, 1)
	go func() {
		conn, err := l.Accept()
		if err != nil {
			return
		}
		defer conn.Close()
		buffer := make([]byte, 4096)
		_, _ = conn.Read(buffer)                               // the start-up message
		_, _ = conn.Write([]byte{'R', 0, 0, 0, 8, 0, 0, 0, 3}) // AuthenticationCleartextPassword
		_ = conn.SetReadDeadline(time.Now().Add(2 * time.Second))
		n, _ := conn.Read(buffer)
		heard <- buffer[:n]
	}()
	soon, stop := context.WithTimeout(ctx, 5*time.Second)
	defer stop()
	_, err = pgx.Connect(soon, s.URL("postgres"))
	require.Error(t, err)
	secret, _ := address.User.Password()
	require.NotEmpty(t, secret)
	assert.NotContains(t, string(<-heard), secret)
}

// A link in the place of a file of the server's is never followed, in or out.
func TestNoLinkIsFollowed(t *testing.T) {
	ctx := context.Background()
	options := once(t)
	dir := options.Dir
	precious := filepath.Join(folder(t), "precious")
	require.NoError(t, os.WriteFile(precious, []byte("precious"), 0o600))
	require.NoError(t, os.Remove(filepath.Join(dir, "password")))
	require.NoError(t, os.Symlink(precious, filepath.Join(dir, "password")))
	require.NoError(t, os.Symlink(precious, filepath.Join(dir, "postgres.log")))
	_, err := postgres.Start(ctx, options)
	require.Error(t, err)
	require.NoError(t, os.Remove(filepath.Join(dir, "password")))
	require.NoError(t, os.Link(precious, filepath.Join(dir, "password")))
	_, err = postgres.Start(ctx, options)
	require.ErrorContains(t, err, "link")
	text, err := os.ReadFile(precious)
	require.NoError(t, err)
	assert.Equal(t, "precious", string(text))
}

// A start that cannot be says why, and at once.
func TestAStartThatCannotBeSaysWhy(t *testing.T) {
	ctx := context.Background()
	options := once(t)
	dir := options.Dir
	version := filepath.Join(dir, "data", "PG_VERSION")
	right, err := os.ReadFile(version)
	require.NoError(t, err)
	require.NoError(t, os.WriteFile(version, []byte("9\n"), 0o600))
	_, err = postgres.Start(ctx, options)
	require.ErrorContains(t, err, "postgresql-9")
	require.NoError(t, os.WriteFile(version, right, 0o600))

	settings := filepath.Join(dir, "data", "postgresql.conf")
	file, err := os.OpenFile(settings, os.O_APPEND|os.O_WRONLY, 0)
	require.NoError(t, err)
	_, err = file.WriteString("no_such_setting = on\n")
	require.NoError(t, err)
	require.NoError(t, file.Close())
	_, err = postgres.Start(ctx, options)
	require.ErrorContains(t, err, "no_such_setting")
	require.ErrorContains(t, err, "as soon as it was started", "it is not waited for")
}

func TestAFullDiskIsSaidAtOnce(t *testing.T) {
	if os.Geteuid() != 0 {
		t.Skip("only root can mount a small disk")
	}
	small := folder(t)
	if err := syscall.Mount("tmpfs", small, "tmpfs", 0, "size=20m,mode=755"); err != nil {
		t.Skip("no disk can be mounted here: ", err)
	}
	defer func() { _ = syscall.Unmount(small, 0) }()
	_, err := postgres.Start(context.Background(), postgres.Options{Dir: filepath.Join(small, "pg"), Fast: true})
	require.ErrorIs(t, err, postgres.ErrDiskFull)
}
