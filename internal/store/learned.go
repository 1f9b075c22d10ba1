package store

import (
	"context"
	"encoding/json"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/learn"
)

// Choices are what the cooks of a kitchen do with what it learned.
type Choices struct {
	// Off says that predictions do without all of it.
	Off bool `json:"off,omitempty"`
	// LeftOut are figures that predictions do without.
	LeftOut []string `json:"left_out,omitempty"`
	// Forgotten says since when a figure is learned anew.
	Forgotten map[string]time.Time `json:"forgotten,omitempty"`
}

// Learned gives what a kitchen learned, nil where nothing was kept yet, and what its cooks do with it.
func (s *Store) Learned(ctx context.Context, kitchen string) (l *learn.Learned, c Choices, err error) {
	return learnedOf(ctx, s.pool, kitchen)
}

func learnedOf(ctx context.Context, db rower, kitchen string) (l *learn.Learned, c Choices, err error) {
	var learned, choices []byte
	err = db.QueryRow(ctx, `select learned, choices from kitchen_learned where kitchen_id = $1`, kitchen).Scan(&learned, &choices)
	if errors.Is(err, pgx.ErrNoRows) {
		return nil, c, nil
	}
	if err != nil {
		return nil, c, tidy(err)
	}
	if learned != nil {
		l = &learn.Learned{}
		err = json.Unmarshal(learned, l)
	}
	return l, c, errors.Join(err, json.Unmarshal(choices, &c))
}

// SaveLearned keeps what a kitchen learned; its predictions go by it from now on.
func (s *Store) SaveLearned(ctx context.Context, kitchen string, l *learn.Learned) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, `insert into kitchen_learned (kitchen_id, learned) values ($1, $2)
			on conflict (kitchen_id) do update set learned = excluded.learned, updated_at = now()`, kitchen, l); err != nil {
			return err
		}
		return changed(ctx, tx, kitchen)
	})
}

// changed tells every server that what is worked out for a kitchen is worked out anew.
func changed(ctx context.Context, tx pgx.Tx, kitchen string) error {
	_, err := tx.Exec(ctx, `update kitchen set pantry_revision = pantry_revision + 1 where id = $1`, kitchen)
	return err
}

// SaveChoices keeps what cooks do with it.
func (s *Store) SaveChoices(ctx context.Context, kitchen string, c *Choices) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error { return saveChoices(ctx, tx, kitchen, c) })
}

func saveChoices(ctx context.Context, tx pgx.Tx, kitchen string, c *Choices) error {
	if _, err := tx.Exec(ctx, `insert into kitchen_learned (kitchen_id, choices) values ($1, $2)
		on conflict (kitchen_id) do update set choices = excluded.choices, updated_at = now()`, kitchen, c); err != nil {
		return err
	}
	return changed(ctx, tx, kitchen)
}
