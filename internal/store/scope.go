package store

import (
	"context"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"

	"cuerda/internal/principal"
)

// scoped has every connection of a pool work for whom its context says: the database shows no other rows (row-level
// security, PostgreSQL 5.9). What it works for is told again only where it changes.
func scoped(config *pgxpool.Config) {
	config.AfterConnect = func(ctx context.Context, conn *pgx.Conn) error {
		// The role may not exist where the database let none be made: the policies bind the tables' owner then.
		_, err := conn.Exec(ctx, `select set_config('role', rolname, false) from pg_roles where rolname = 'cuerda_app' and pg_has_role(current_user, oid, 'member')`)
		return err
	}
	config.PrepareConn = func(ctx context.Context, conn *pgx.Conn) (bool, error) {
		want := scopeOf(ctx)
		told := conn.PgConn().CustomData()
		if told["scope"] == want {
			return true, nil
		}
		delete(told, "scope")
		_, err := conn.Exec(ctx, `select set_config('cuerda.scope', $1, false), set_config('cuerda.kitchen', $2, false), set_config('cuerda.account', $3, false), set_config('cuerda.device', $4, false)`,
			string(want.scope), want.kitchen, want.account, want.device)
		if err != nil {
			return false, err
		}
		told["scope"] = want
		return true, nil
	}
}

type scope struct {
	scope                    principal.Scope
	kitchen, account, device string
}

func scopeOf(ctx context.Context) scope {
	p, known := principal.From(ctx)
	if !known {
		return scope{scope: principal.OfServer}
	}
	kitchen := p.Kitchen
	if _, err := uuid.Parse(kitchen); err != nil || len(kitchen) != 36 {
		kitchen = ""
	}
	return scope{p.Scope(), kitchen, p.Account, p.Device}
}

// asServer has the rest of a transaction see what the program's own work sees, once the database has said that whoever
// it works for may change things here: an ID that another kitchen has must be seen to be avoided.
func asServer(ctx context.Context, tx pgx.Tx) error {
	var may bool
	if err := tx.QueryRow(ctx, `select cuerda_changes()`).Scan(&may); err != nil {
		return err
	}
	if !may {
		return ErrNotAllowed
	}
	_, err := tx.Exec(ctx, `select set_config('cuerda.scope', 'server', true)`)
	return err
}
