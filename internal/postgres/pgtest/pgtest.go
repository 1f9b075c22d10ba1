// Package pgtest gives each test a database of its own on one private server
// for the test program.
package pgtest

import (
	"context"
	"fmt"
	"os"
	"sync"
	"sync/atomic"
	"testing"

	"github.com/jackc/pgx/v5"

	"cuerda/internal/postgres"
	"cuerda/internal/store"
)

var (
	once   sync.Once
	server *postgres.Server
	failed error
	folder string
	number atomic.Int64
)

const template = "cuerda_template"

// Main runs the tests of a package and stops the server after them. Call it
// from TestMain.
func Main(m interface{ Run() int }) {
	code := m.Run()
	if server != nil {
		server.Stop()
	}
	if folder != "" {
		_ = os.RemoveAll(folder)
	}
	os.Exit(code)
}

// URL gives the address of a new database that is migrated and empty.
func URL(t testing.TB) string {
	t.Helper()
	once.Do(start)
	if failed != nil {
		t.Fatalf("private PostgreSQL: %v", failed)
	}
	return copyOf(t, template)
}

// copyOf gives the address of a new database that holds what another does.
func copyOf(t testing.TB, of string) string {
	t.Helper()
	name := fmt.Sprintf("test_%d", number.Add(1))
	if err := server.CreateDatabase(context.Background(), name, of); err != nil {
		t.Fatalf("database: %v", err)
	}
	return server.URL(name)
}

// filled is a database that was filled once, to be copied for every test that wants the same.
type filled struct {
	once sync.Once
	name string
	err  error
}

var (
	mu    sync.Mutex
	fills = map[string]*filled{}
)

// OpenFilled gives a store on a new database that holds what fill puts there. Fill runs once for each name, in a test
// program; every test gets a copy of its own, so that what takes seconds to make is made once.
func OpenFilled(t testing.TB, name string, fill func(context.Context, *store.Store) error) *store.Store {
	t.Helper()
	once.Do(start)
	if failed != nil {
		t.Fatalf("private PostgreSQL: %v", failed)
	}
	mu.Lock()
	f := fills[name]
	if f == nil {
		f = &filled{name: "filled_" + name}
		fills[name] = f
	}
	mu.Unlock()
	f.once.Do(func() {
		ctx := context.Background()
		if f.err = server.CreateDatabase(ctx, f.name, template); f.err != nil {
			return
		}
		var s *store.Store
		if s, f.err = store.Open(ctx, server.URL(f.name)); f.err != nil {
			return
		}
		defer s.Close()
		f.err = fill(ctx, s)
	})
	if f.err != nil {
		t.Fatalf("filling %s: %v", name, f.err)
	}
	return openAt(t, copyOf(t, f.name))
}

// Open gives a store on a new database, closed when the test ends.
func Open(t testing.TB) *store.Store {
	t.Helper()
	return openAt(t, URL(t))
}

// OpenURL is Open, with the connection string of its database too, for tests that reach past the store.
func OpenURL(t testing.TB) (s *store.Store, url string) {
	t.Helper()
	url = URL(t)
	return openAt(t, url), url
}

func openAt(t testing.TB, url string) *store.Store {
	t.Helper()
	s, err := store.Open(context.Background(), url)
	if err != nil {
		t.Fatalf("store: %v", err)
	}
	t.Cleanup(s.Close)
	return s
}

func start() {
	failed = func() error {
		var err error
		if folder, err = os.MkdirTemp("", "cuerda-pg-"); err != nil {
			return err
		}
		// The account that runs the server must be able to reach its folder.
		if err := os.Chmod(folder, 0o755); err != nil {
			return err
		}
		ctx := context.Background()
		if server, err = postgres.Start(ctx, postgres.Options{Dir: folder + "/pg", Fast: true}); err != nil {
			return err
		}
		if err := server.CreateDatabase(ctx, template, ""); err != nil {
			return err
		}
		s, err := store.Open(ctx, server.URL(template))
		if err != nil {
			return err
		}
		s.Close()
		return nil
	}()
}

// Connect reaches past the store, as the program's own work does.
func Connect(t testing.TB, url string) *pgx.Conn {
	t.Helper()
	conn, err := pgx.Connect(context.Background(), url)
	if err == nil {
		_, err = conn.Exec(context.Background(), `select set_config('cuerda.scope', 'server', false)`)
	}
	if err != nil {
		t.Fatalf("database: %v", err)
	}
	t.Cleanup(func() { _ = conn.Close(context.Background()) })
	return conn
}
