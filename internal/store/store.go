// Package store keeps kitchens, builds and their versions in PostgreSQL. Every
// row belongs to a kitchen, and every query names it.
package store

import (
	"context"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"time"

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

// Store is safe for use by several goroutines.
type Store struct {
	pool *pgxpool.Pool
}

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
	pool, err := pgxpool.NewWithConfig(ctx, config)
	if err != nil {
		return nil, err
	}
	if err := migrate(ctx, pool); err != nil {
		pool.Close()
		return nil, fmt.Errorf("migrations: %w", err)
	}
	return &Store{pool}, nil
}

func migrate(ctx context.Context, pool *pgxpool.Pool) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	locker, err := lock.NewPostgresSessionLocker()
	if err != nil {
		return err
	}
	db := stdlib.OpenDBFromPool(pool)
	defer db.Close()
	p, err := goose.NewProvider(goose.DialectPostgres, db, files, goose.WithSessionLocker(locker))
	if err != nil {
		return err
	}
	_, err = p.Up(ctx)
	return err
}

// Close ends all connections.
func (s *Store) Close() { s.pool.Close() }

// Ping says whether the database answers.
func (s *Store) Ping(ctx context.Context) error { return s.pool.Ping(ctx) }

// Kitchen gives the kitchen of this installation, making it where there is
// none; made says so. Only one of several callers makes it.
func (s *Store) Kitchen(ctx context.Context, name string) (id string, made bool, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, "lock table kitchen in share row exclusive mode"); err != nil {
			return err
		}
		err := tx.QueryRow(ctx, "select id::text from kitchen order by created_at, id limit 1").Scan(&id)
		if !errors.Is(err, pgx.ErrNoRows) {
			return err
		}
		made = true
		return tx.QueryRow(ctx, "insert into kitchen (name) values ($1) returning id::text", name).Scan(&id)
	})
	return id, made, err
}

// KitchenName gives what a kitchen is called.
func (s *Store) KitchenName(ctx context.Context, kitchen string) (name string, err error) {
	err = s.pool.QueryRow(ctx, `select name from kitchen where id = $1`, kitchen).Scan(&name)
	return name, tidy(err)
}

// tidy turns the database's words for a missing row, or for an ID that is no
// UUID, into ErrNotFound.
func tidy(err error) error {
	var pg *pgconn.PgError
	if errors.Is(err, pgx.ErrNoRows) || errors.As(err, &pg) && pg.Code == "22P02" {
		return ErrNotFound
	}
	return err
}
