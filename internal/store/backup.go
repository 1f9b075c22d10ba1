package store

import (
	"context"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/food"
	"cuerda/core/kitchen"
)

// Whole is all of one kitchen, but for its builds.
type Whole struct {
	ID        string
	Name      string
	CreatedAt time.Time
	Settings  kitchen.Settings
	Pantry    []kitchen.PantryItem
	OwnFoods  []food.Own
	Suppers   []Supper
	Choices   Choices
	Practised []Practised
	// Courses and Tries are those of a backup that is read; one that is made gets them one by one.
	Courses []KeptCourse
	Tries   []KeptTry
}

// Rows gives what a kitchen has many of, one by one.
type Rows struct {
	Builds  func(func(*History) error) error
	Courses func(func(*KeptCourse) error) error
	Tries   func(func(*KeptTry) error) error
}

// Kitchens gives every kitchen to each, the oldest first, with its rows; all as they are at one
// moment, however long it takes.
func (s *Store) Kitchens(ctx context.Context, each func(w *Whole, rows Rows) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		rows, err := tx.Query(ctx, `select id::text, name, created_at from kitchen order by created_at, id`)
		if err != nil {
			return err
		}
		all, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (w Whole, err error) {
			err = row.Scan(&w.ID, &w.Name, &w.CreatedAt)
			w.CreatedAt = w.CreatedAt.UTC()
			return w, err
		})
		if err != nil {
			return err
		}
		for i := range all {
			w := &all[i]
			if w.Settings, err = settingsOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.Pantry, err = pantryOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.OwnFoods, err = ownFoodsOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.Suppers, err = suppersOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if _, w.Choices, err = learnedOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.Practised, err = practisedOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if err := each(w, Rows{
				Builds:  func(build func(*History) error) error { return histories(ctx, tx, w.ID, build) },
				Courses: func(course func(*KeptCourse) error) error { return keptCourses(ctx, tx, w.ID, course) },
				Tries:   func(try func(*KeptTry) error) error { return keptTries(ctx, tx, w.ID, try) },
			}); err != nil {
				return err
			}
		}
		return nil
	})
}

// ErrNotEmpty is returned where kitchens would be restored beside others.
var ErrNotEmpty = errors.New("there are kitchens here already: restore into a new place")

// RestoreKitchens makes kitchens as they were, all or none, where there are none. next gives one
// after the other, and nil after the last.
func (s *Store) RestoreKitchens(ctx context.Context, next func() (*Whole, []History, error)) (count int, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, "lock table kitchen in share row exclusive mode"); err != nil {
			return err
		}
		var there bool
		if err := tx.QueryRow(ctx, `select exists (select from kitchen)`).Scan(&there); err != nil {
			return err
		}
		if there {
			return ErrNotEmpty
		}
		for count = 0; ; count++ {
			w, builds, err := next()
			if err != nil || w == nil {
				return err
			}
			if _, err := tx.Exec(ctx, `insert into kitchen (id, name, created_at) values ($1, $2, $3)`, w.ID, w.Name, w.CreatedAt); err != nil {
				return err
			}
			if _, err := takeIn(ctx, tx, w.ID, Taken{Histories: builds, Suppers: w.Suppers, Courses: w.Courses, Tries: w.Tries, Practised: w.Practised, Choices: &w.Choices, OwnFoods: w.OwnFoods, Replaces: true, Pantry: w.Pantry, Settings: w.Settings}); err != nil {
				return err
			}
		}
	})
	return count, err
}
