package postgres

import (
	"context"
	"errors"
	"fmt"
	"path/filepath"
	"strconv"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
)

func (s *Server) ping(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, 2*time.Second)
	defer cancel()
	conn, err := pgx.Connect(ctx, s.adminURL("postgres"))
	if err != nil {
		return err
	}
	return conn.Close(ctx)
}

// asAdmin runs what only the owner of the cluster may do.
func (s *Server) asAdmin(ctx context.Context, database string, f func(*pgx.Conn) error) error {
	conn, err := pgx.Connect(ctx, s.adminURL(database))
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close(context.WithoutCancel(ctx)) }()
	return f(conn)
}

// roles makes the application's role, which is no superuser, with the password of this
// start; PostgreSQL keeps only what SCRAM needs of it.
func (s *Server) roles(ctx context.Context) error {
	return s.asAdmin(ctx, "postgres", func(conn *pgx.Conn) error {
		_, err := conn.Exec(ctx, "create role "+application+" login nosuperuser nocreatedb nocreaterole")
		if err != nil && code(err) != "42710" { // duplicate_object
			return err
		}
		// The program does its work as a role that owns no table, so that row-level security binds it (migration 18).
		if _, err := conn.Exec(ctx, "create role cuerda_app nologin"); err != nil && code(err) != "42710" {
			return err
		}
		if _, err := conn.Exec(ctx, "grant cuerda_app to "+application); err != nil {
			return err
		}
		_, err = conn.Exec(ctx, fmt.Sprintf("set password_encryption = 'scram-sha-256'; alter role %s password '%s'", application, s.own))
		return err
	})
}

// CreateDatabase makes a database of the application's unless it is there; from a template
// if one is named. One that an earlier Cuerda made is handed over to its role.
func (s *Server) CreateDatabase(ctx context.Context, name, template string) error {
	there := false
	err := s.asAdmin(ctx, "postgres", func(conn *pgx.Conn) error {
		sql := "create database " + pgx.Identifier{name}.Sanitize() + " owner " + application
		if template != "" {
			sql += " template " + pgx.Identifier{template}.Sanitize()
		}
		_, err := conn.Exec(ctx, sql)
		if there = code(err) == "42P04"; there { // duplicate_database
			return nil
		}
		return err
	})
	if err != nil || !there {
		return err
	}
	return s.asAdmin(ctx, name, func(conn *pgx.Conn) error {
		_, err := conn.Exec(ctx, handOver, pgx.QueryExecModeSimpleProtocol)
		return err
	})
}

// handOver gives a database and what is in it to the application's role.
const handOver = `do $$
declare one record;
begin
  execute format('alter database %I owner to ` + application + `', current_database());
  execute 'alter schema public owner to ` + application + `';
  for one in select c.oid::regclass as name, c.relkind as kind from pg_class c where c.relnamespace = 'public'::regnamespace
      and c.relkind in ('r', 'S', 'v') and c.relowner <> '` + application + `'::regrole
      and not exists (select from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i') and c.relkind = 'S') loop
    execute format('alter table %s owner to ` + application + `', one.name);
  end loop;
  for one in select p.oid::regprocedure as name from pg_proc p where p.pronamespace = 'public'::regnamespace and p.proowner <> '` + application + `'::regrole loop
    execute format('alter function %s owner to ` + application + `', one.name);
  end loop;
end $$`

// Running gives the address of a database of a server that another program runs in a
// folder, as the owner of its cluster.
func Running(dir, database string) (string, error) {
	text, err := readOwn(filepath.Join(dir, "data", "postmaster.pid"))
	if err != nil {
		return "", fmt.Errorf("no server runs in %s: %w", dir, err)
	}
	lines := strings.Split(string(text), "\n")
	if len(lines) < 4 {
		return "", fmt.Errorf("the server in %s is still starting", dir)
	}
	port, err := strconv.Atoi(strings.TrimSpace(lines[3]))
	if err != nil {
		return "", fmt.Errorf("the server in %s is still starting", dir)
	}
	password, err := readOwn(filepath.Join(dir, "password"))
	if err != nil {
		return "", err
	}
	return address(superuser, strings.TrimSpace(string(password)), port, database), nil
}

func code(err error) string {
	var pg *pgconn.PgError
	if errors.As(err, &pg) {
		return pg.Code
	}
	return ""
}
