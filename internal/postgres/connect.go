package postgres

import (
	"context"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
)

func (s *Server) ping(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, 2*time.Second)
	defer cancel()
	conn, err := pgx.Connect(ctx, s.URL("postgres"))
	if err != nil {
		return err
	}
	return conn.Close(ctx)
}

// CreateDatabase makes a database unless it is there; from a template if one
// is named.
func (s *Server) CreateDatabase(ctx context.Context, name, template string) error {
	conn, err := pgx.Connect(ctx, s.URL("postgres"))
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close(context.WithoutCancel(ctx)) }()
	sql := "create database " + pgx.Identifier{name}.Sanitize()
	if template != "" {
		sql += " template " + pgx.Identifier{template}.Sanitize()
	}
	_, err = conn.Exec(ctx, sql)
	var pg *pgconn.PgError
	if errors.As(err, &pg) && pg.Code == "42P04" { // duplicate_database
		return nil
	}
	return err
}
