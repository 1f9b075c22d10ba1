package postgres_test

import (
	"context"
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
