package store

import (
	"context"
	"encoding/json"

	"cuerda/internal/principal"
)

// Data is one file of what is kept of an account.
type Data struct {
	Name string
	Rows json.RawMessage
}

var dataOf = []struct{ name, query string }{
	{"account", `select id, name, created_at from account where id = $1`},
	{"kitchens", `select k.name, m.role, m.joined_at from member m join kitchen k on k.id = m.kitchen_id where m.account_id = $1 order by m.joined_at`},
	{"passkeys", `select name, created_at, used_at from passkey where account_id = $1 order by created_at`},
	{"sessions", `select agent, began_at, seen_at, ended_at from visit where account_id = $1 order by began_at`},
	{"journal", `select at, what, about, address from journal where account_id = $1 order by seq`},
	{"practice-calls", `select at, call from practice_call where by_account = $1 order by seq`},
	{"build-versions", `select b.name, v.number, v.created_at from build_version v join build b on b.id = v.build_id where v.by_account = $1 order by v.created_at`},
	{"tries", `select name, cooked_at from try where by_account = $1 order by cooked_at`},
	{"events", `select at, event from course_event where by_account = $1 order by at`},
}

// DataOf gives what is kept of an account, as JSON.
func (s *Store) DataOf(ctx context.Context, account string) ([]Data, error) {
	out := make([]Data, len(dataOf))
	for i, d := range dataOf {
		out[i].Name = d.name
		if err := s.pool.QueryRow(principal.Server(ctx), `select coalesce(json_agg(r), '[]') from (`+d.query+`) r`, account).Scan(&out[i].Rows); err != nil {
			return nil, tidy(err)
		}
	}
	return out, nil
}
