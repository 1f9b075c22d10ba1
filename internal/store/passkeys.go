package store

import (
	"context"
	"encoding/base64"
	"encoding/json"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/internal/principal"
)

// Passkey is a key that somebody signs in with.
type Passkey struct {
	ID        string     `json:"id" doc:"base64url"`
	Name      string     `json:"name"`
	CreatedAt time.Time  `json:"created_at"`
	UsedAt    *time.Time `json:"used_at,omitempty"`
	// Credential is its public part, as the library writes it.
	Credential []byte `json:"-"`
}

// KeepChallenge keeps what a browser was asked to sign, for an account or, with "", for whoever answers; it gives its ID.
func (s *Store) KeepChallenge(ctx context.Context, account string, data any, until time.Time) (id string, err error) {
	ctx = principal.Server(ctx)
	if _, err := s.pool.Exec(ctx, `delete from passkey_challenge where expires_at < now()`); err != nil {
		return "", err
	}
	err = s.pool.QueryRow(ctx, `insert into passkey_challenge (account_id, data, expires_at) values (nullif($1, '')::uuid, $2, $3) returning id::text`, account, data, until).Scan(&id)
	return id, tidy(err)
}

// TakeChallenge gives what was asked, once.
func (s *Store) TakeChallenge(ctx context.Context, account, id string, into any) error {
	var data []byte
	err := s.pool.QueryRow(principal.Server(ctx), `delete from passkey_challenge where id = $1 and coalesce(account_id::text, '') = $2 and expires_at > now() returning data`, id, account).Scan(&data)
	if err != nil {
		return tidy(err)
	}
	return json.Unmarshal(data, into)
}

// AddPasskey keeps a new one.
func (s *Store) AddPasskey(ctx context.Context, account string, id []byte, name string, credential any) error {
	_, err := s.pool.Exec(principal.Server(ctx), `insert into passkey (id, account_id, name, credential) values ($1, $2, $3, $4)`, id, account, name, credential)
	return tidy(err)
}

// Passkeys lists those of an account, the oldest first.
func (s *Store) Passkeys(ctx context.Context, account string) ([]Passkey, error) {
	rows, err := s.pool.Query(principal.Server(ctx), `select id, name, created_at, used_at, credential from passkey where account_id = $1 order by created_at, id`, account)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (p Passkey, err error) {
		var id []byte
		err = row.Scan(&id, &p.Name, &p.CreatedAt, &p.UsedAt, &p.Credential)
		p.ID = base64.RawURLEncoding.EncodeToString(id)
		return p, err
	})
}

// UsedPasskey keeps that one was used, with what the library counts.
func (s *Store) UsedPasskey(ctx context.Context, account string, id []byte, credential any) error {
	return one(s.pool.Exec(principal.Server(ctx), `update passkey set used_at = now(), credential = $3 where account_id = $1 and id = $2`, account, id, credential))
}

// RemovePasskey takes one away.
func (s *Store) RemovePasskey(ctx context.Context, account, id string) error {
	raw, err := base64.RawURLEncoding.DecodeString(id)
	if err != nil {
		return ErrNotFound
	}
	return one(s.pool.Exec(principal.Server(ctx), `delete from passkey where account_id = $1 and id = $2`, account, raw))
}
