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

// LearnedOf says what something was learned of: the tries as they were at that revision, by that version of the program.
type LearnedOf struct {
	Revision int64
	Model    string
}

// Lessons says at which revision the tries of a kitchen are, and of what the kitchen last learned.
func (s *Store) Lessons(ctx context.Context, kitchen string) (tries int64, learned LearnedOf, err error) {
	err = s.pool.QueryRow(ctx, `select k.tries_revision, coalesce(l.of_revision, 0), coalesce(l.model, '') from kitchen k left join kitchen_learned l on l.kitchen_id = k.id where k.id = $1`, kitchen).
		Scan(&tries, &learned.Revision, &learned.Model)
	return tries, learned, tidy(err)
}

// SaveLearned keeps what a kitchen learned; its predictions go by it from now on. What was learned of fewer tries
// than what is kept, by a job that took longer, is left out.
func (s *Store) SaveLearned(ctx context.Context, kitchen string, l *learn.Learned, of LearnedOf) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error {
		tag, err := tx.Exec(ctx, `insert into kitchen_learned (kitchen_id, learned, of_revision, model) values ($1, $2, $3, $4)
			on conflict (kitchen_id) do update set learned = excluded.learned, of_revision = excluded.of_revision, model = excluded.model, updated_at = now()
			where kitchen_learned.of_revision <= excluded.of_revision`, kitchen, l, of.Revision, of.Model)
		if err != nil || tag.RowsAffected() == 0 {
			return err
		}
		return changed(ctx, tx, kitchen)
	})
}

// MarkLearned notes that nothing can be learned of what there is: what was learned before stands.
func (s *Store) MarkLearned(ctx context.Context, kitchen string, of LearnedOf) error {
	_, err := s.pool.Exec(ctx, `insert into kitchen_learned (kitchen_id, of_revision, model) values ($1, $2, $3)
		on conflict (kitchen_id) do update set of_revision = excluded.of_revision, model = excluded.model where kitchen_learned.of_revision <= excluded.of_revision`, kitchen, of.Revision, of.Model)
	return tidy(err)
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

// Choose changes what cooks do with it: of several at once each changes what the one before it left.
func (s *Store) Choose(ctx context.Context, kitchen string, change func(*Choices)) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error {
		_, c, err := learnedOf(ctx, tx, kitchen)
		if err != nil {
			return err
		}
		change(&c)
		return saveChoices(ctx, tx, kitchen, &c)
	})
}

func saveChoices(ctx context.Context, tx pgx.Tx, kitchen string, c *Choices) error {
	if _, err := tx.Exec(ctx, `insert into kitchen_learned (kitchen_id, choices) values ($1, $2)
		on conflict (kitchen_id) do update set choices = excluded.choices, updated_at = now()`, kitchen, c); err != nil {
		return err
	}
	// It is to be learned anew, as where a try changed.
	if _, err := tx.Exec(ctx, `update kitchen set tries_revision = tries_revision + 1 where id = $1`, kitchen); err != nil {
		return err
	}
	return changed(ctx, tx, kitchen)
}
