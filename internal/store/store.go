// Package store keeps kitchens, builds and their versions in PostgreSQL. Every
// row belongs to a kitchen, and every query names it.
package store

import (
	"context"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"math/rand/v2"
	"runtime"
	"slices"
	"sync/atomic"
	"time"

	"github.com/alexedwards/scs/pgxstore"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
)

// What a caller tells apart.
var (
	ErrNotFound = errors.New("not found")
	ErrDeleted  = errors.New("deleted")
	// ErrNotAllowed is of somebody who may see a kitchen, and not do this in it.
	ErrNotAllowed = errors.New("not allowed")
	// ErrMadeUp is of what the demonstration may not do, for nothing in it happened.
	ErrMadeUp = errors.New("made up")
)

// ConflictError says that a build has changed since the version that a change
// was made on.
type ConflictError struct {
	Current int // the newest version
}

// Error gives the newest version.
func (e *ConflictError) Error() string {
	return fmt.Sprintf("changed elsewhere: the newest version is %d", e.Current)
}

// ErrNewer is returned where the tables are of a newer program.
var ErrNewer = errors.New("the tables of this database were made by a newer Cuerda: use that one, or a backup of before")

// Store is safe for use by several goroutines.
type Store struct {
	pool *pgxpool.Pool
	// pulse is one connection beside the pool, so that a busy database is told from a dead one.
	pulse *pgxpool.Pool
	// tables is how to connect as the tables' owner, who makes and drops them.
	tables *pgx.ConnConfig
	saved  atomic.Int64
	// jobs are connections for work in the background.
	jobs *pgxpool.Pool
	// objects has the data of pictures; nil for the database.
	objects Objects
}

// What a statement may take, and how long it waits for a lock or with a transaction open,
// as PostgreSQL takes them.
const (
	statementTimeout = "10s"
	lockTimeout      = "8s"
	idleTimeout      = "60s"
)

// connections is how many the pool may hold: enough to keep the cores busy while some wait
// for the disk.
func connections() int32 { return int32(max(8, 4*runtime.GOMAXPROCS(0))) }

//go:embed migrations/*.sql
var migrations embed.FS

// Open connects to the database and brings its tables up to date. Several
// programs may do so at once.
func Open(ctx context.Context, url string) (*Store, error) {
	config, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("database address: %w", err)
	}
	if config.ConnConfig.ConnectTimeout == 0 {
		config.ConnConfig.ConnectTimeout = 5 * time.Second
	}
	if err := migrateBy(ctx, config.Copy()); err != nil {
		return nil, err
	}
	for name, limit := range map[string]string{"statement_timeout": statementTimeout, "lock_timeout": lockTimeout, "idle_in_transaction_session_timeout": idleTimeout} {
		if _, given := config.ConnConfig.RuntimeParams[name]; !given {
			config.ConnConfig.RuntimeParams[name] = limit
		}
	}
	pulse, tables := config.Copy(), config.ConnConfig.Copy()
	scoped(config)
	work := config.Copy()
	config.MaxConns, pulse.MaxConns, work.MaxConns = connections(), 1, jobConnections
	return connect(ctx, &Store{tables: tables}, config, pulse, work)
}

// connect opens the pools of a store, or none of them.
func connect(ctx context.Context, s *Store, config, pulse, work *pgxpool.Config) (*Store, error) {
	for _, of := range []struct {
		pool   **pgxpool.Pool
		config *pgxpool.Config
	}{{&s.pool, config}, {&s.pulse, pulse}, {&s.jobs, work}} {
		pool, err := pgxpool.NewWithConfig(ctx, of.config)
		if err != nil {
			s.Close()
			return nil, err
		}
		*of.pool = pool
	}
	return s, nil
}

// Attach connects to a database that another program serves, and leaves its tables as they
// are: it fails unless they are those that this program knows.
func Attach(ctx context.Context, url string) (*Store, error) {
	config, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("database address: %w", err)
	}
	pulse := config.Copy()
	s := &Store{tables: config.ConnConfig.Copy()}
	scoped(config)
	if s, err = connect(ctx, s, config, pulse, config.Copy()); err != nil {
		return nil, err
	}
	var at, newest int64
	p, done, err := provider(s.pool)
	if err == nil {
		defer done()
		if at, err = p.GetDBVersion(ctx); err == nil {
			sources := p.ListSources()
			newest = sources[len(sources)-1].Version
		}
	}
	switch {
	case err != nil:
	case at > newest:
		err = fmt.Errorf("%w (theirs are at %d, this program knows %d)", ErrNewer, at, newest)
	case at < newest:
		err = fmt.Errorf("%w (theirs are at %d, this program knows %d)", ErrOlder, at, newest)
	}
	if err != nil {
		s.Close()
		return nil, err
	}
	return s, nil
}

// ErrOlder is returned where a running, older program serves the tables.
var ErrOlder = errors.New("the tables of this database are an older Cuerda's: use the program that serves them")

// mostMigrations is how often a migration is begun that others were in the way of.
const mostMigrations = 20

// migrateBy brings the tables up to date over connections of its own, which may take the
// time that a migration takes.
func migrateBy(ctx context.Context, config *pgxpool.Config) error {
	config.MaxConns = 4
	pool, err := pgxpool.NewWithConfig(ctx, config)
	if err != nil {
		return err
	}
	defer pool.Close()
	// The version before may go on beside it, and be in the way.
	if err := again(ctx, mostMigrations, 50*time.Millisecond, func() error { return migrate(ctx, pool) }); err != nil {
		return fmt.Errorf("migrations: %w", err)
	}
	if err := migrateJobs(ctx, pool); err != nil {
		return fmt.Errorf("migrations of the queue: %w", err)
	}
	return nil
}

// provider reads and makes migrations over a pool, until done.
func provider(pool *pgxpool.Pool) (p *goose.Provider, done func(), err error) {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return nil, nil, err
	}
	locker, err := lock.NewPostgresSessionLocker()
	if err != nil {
		return nil, nil, err
	}
	db := stdlib.OpenDBFromPool(pool)
	p, err = goose.NewProvider(goose.DialectPostgres, db, files, goose.WithSessionLocker(locker))
	if err != nil {
		_ = db.Close()
		return nil, nil, err
	}
	return p, func() { _ = db.Close() }, nil
}

func migrate(ctx context.Context, pool *pgxpool.Pool) error {
	p, done, err := provider(pool)
	if err != nil {
		return err
	}
	defer done()
	sources := p.ListSources()
	if at, err := p.GetDBVersion(ctx); err != nil {
		return err
	} else if newest := sources[len(sources)-1].Version; at > newest {
		return fmt.Errorf("%w (theirs are at %d, this program knows %d)", ErrNewer, at, newest)
	}
	_, err = p.Up(ctx)
	return err
}

// Reconnect has every connection made anew, once who uses it is done.
func (s *Store) Reconnect() {
	for _, pool := range []*pgxpool.Pool{s.pool, s.pulse, s.jobs} {
		pool.Reset()
	}
}

// owner gives a connection of the tables' owner, for the program's own work on them.
func (s *Store) owner(ctx context.Context) (*pgx.Conn, error) {
	conn, err := pgx.ConnectConfig(ctx, s.tables)
	if err != nil {
		return nil, err
	}
	_, err = conn.Exec(ctx, `select set_config('cuerda.scope', 'server', false), set_config('statement_timeout', '0', false)`)
	if err != nil {
		_ = conn.Close(ctx)
		return nil, err
	}
	return conn, nil
}

// Close ends all connections.
func (s *Store) Close() {
	for _, pool := range []*pgxpool.Pool{s.jobs, s.pool, s.pulse} {
		if pool != nil {
			pool.Close()
		}
	}
}

// patience is how long a database may take to show that it is alive.
const patience = 2 * time.Second

// Ping says whether the database answers, within two seconds, however busy it is.
func (s *Store) Ping(ctx context.Context) error {
	ctx, stop := context.WithTimeout(ctx, patience)
	defer stop()
	var one int
	return s.pulse.QueryRow(ctx, "select 1").Scan(&one)
}

// Load is how much the pool of connections is used.
type Load struct {
	Most, Open, Busy int
	// Saved is how many versions this program has kept.
	Saved int64
	// Waited is how long requests have waited for a connection, in all.
	Waited time.Duration
}

// Load says how much the pool is used now.
func (s *Store) Load() Load {
	stat := s.pool.Stat()
	return Load{int(stat.MaxConns()), int(stat.TotalConns()), int(stat.AcquiredConns()), s.saved.Load(), stat.EmptyAcquireWaitTime()}
}

// mostAttempts is how often a change is tried that others were in the way of.
const mostAttempts = 5

// change runs a transaction that changes things of a kitchen: one at a time for each
// kitchen, so that none waits for another that waits for it, and again where the
// database gave up between two.
func (s *Store) change(ctx context.Context, kitchenID string, f func(pgx.Tx) error) error {
	return again(ctx, mostAttempts, 5*time.Millisecond, func() error {
		return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
			if _, err := tx.Exec(ctx, `select from kitchen where id = $1 for no key update`, kitchenID); err != nil {
				return err
			}
			return f(tx)
		})
	})
}

// again does something that is whole or not done, up to most times where others were in its way, and waits longer each time:
// the pause, and up to four times as much by chance.
func again(ctx context.Context, most int, pause time.Duration, do func() error) error {
	for try := 1; ; try++ {
		err := do()
		var pg *pgconn.PgError
		if !errors.As(err, &pg) || !slices.Contains(passing, pg.Code) || try == most {
			return err
		}
		select {
		case <-ctx.Done():
			return err
		case <-time.After(time.Duration(try) * (pause + rand.N(4*pause))):
		}
	}
}

// passing are what PostgreSQL says of changes that may go well the next time:
// serialization_failure, deadlock_detected, and unique_violation, where another has
// just made what this one was about to.
var passing = []string{"40001", "40P01", "23505"}

// tidy turns the database's words for a missing row, or for an ID that is no
// UUID, into ErrNotFound.
func tidy(err error) error {
	var pg *pgconn.PgError
	if errors.Is(err, pgx.ErrNoRows) || errors.As(err, &pg) && pg.Code == "22P02" {
		return ErrNotFound
	}
	return err
}

// one says ErrNotFound of a statement that found no row.
func one(tag pgconn.CommandTag, err error) error {
	if err == nil && tag.RowsAffected() == 0 {
		return ErrNotFound
	}
	return tidy(err)
}

// Sessions keeps what browsers are known by; SweepSessions takes away those that are over.
func (s *Store) Sessions() *pgxstore.PostgresStore {
	return pgxstore.NewWithCleanupInterval(s.pool, 0)
}

// SweepSessions takes away what browsers are no longer known by. The library would do so by itself, and cannot be stopped
// without a race.
func (s *Store) SweepSessions(ctx context.Context) error {
	_, err := s.pool.Exec(ctx, `delete from sessions where expiry < now()`)
	return tidy(err)
}
