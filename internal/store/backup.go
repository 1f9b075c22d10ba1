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
	MadeUp    bool
	CreatedAt time.Time
	Settings  kitchen.Settings
	Pantry    []kitchen.PantryItem
	OwnFoods  []food.Own
	Suppers   []Supper
	Choices   Choices
	Practised []Practised
	// Each gives what there is too much of to hold, of a backup that is read: see Taken.
	Each func(take func(one any) error) error
}

// Rows gives what a kitchen has many of, one by one.
type Rows struct {
	Builds  func(func(*History) error) error
	Courses func(func(*KeptCourse) error) error
	Tries   func(func(*KeptTry) error) error
	// Unreadable gives the rows that could not be read among all that Builds, Courses and Tries have given so far.
	Unreadable func() []Unreadable
}

// Kitchens gives every kitchen to each, the oldest first, with its rows; all as they are at one
// moment, however long it takes.
func (s *Store) Kitchens(ctx context.Context, each func(w *Whole, rows Rows) error) error {
	return s.kitchens(ctx, "", each)
}

// OneKitchen gives all of one kitchen, as it is at one moment.
func (s *Store) OneKitchen(ctx context.Context, kitchen string, each func(w *Whole, rows Rows) error) error {
	return s.kitchens(ctx, kitchen, each)
}

// kitchens gives the kitchen of that ID, or every one where it is "".
func (s *Store) kitchens(ctx context.Context, only string, each func(w *Whole, rows Rows) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		rows, err := tx.Query(ctx, `select id::text, name, made_up, created_at from kitchen where $1 = '' or id::text = $1 order by created_at, id`, only)
		if err != nil {
			return err
		}
		all, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (w Whole, err error) {
			err = row.Scan(&w.ID, &w.Name, &w.MadeUp, &w.CreatedAt)
			w.CreatedAt = w.CreatedAt.UTC()
			return w, err
		})
		if err != nil {
			return err
		}
		for i := range all {
			w := &all[i]
			var unreadable []Unreadable
			odd := func(u *Unreadable) error { unreadable = append(unreadable, *u); return nil }
			if w.Settings, err = settingsOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.Pantry, err = pantryOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.OwnFoods, err = ownFoodsOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.Suppers, err = suppersOf(ctx, tx, w.ID, odd); err != nil {
				return err
			}
			if _, w.Choices, err = learnedOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if w.Practised, err = practisedOf(ctx, tx, w.ID); err != nil {
				return err
			}
			if err := each(w, Rows{
				Builds:     func(build func(*History) error) error { return histories(ctx, tx, w.ID, build, odd) },
				Courses:    func(course func(*KeptCourse) error) error { return s.keptCourses(ctx, tx, w.ID, course, odd) },
				Tries:      func(try func(*KeptTry) error) error { return s.keptTries(ctx, tx, w.ID, try) },
				Unreadable: func() []Unreadable { return unreadable },
			}); err != nil {
				return err
			}
		}
		return nil
	})
}

// ErrNotEmpty is returned where kitchens would be restored beside others.
var ErrNotEmpty = errors.New("there are kitchens here already: restore into a new place")

// RestoreKitchens makes kitchens as they were, where there are none. next gives one after the other, and nil after the
// last. What of them the database refuses is told to aside, with its kitchen, and all else is made; where aside is nil
// it is all or none. beside has them made beside kitchens that are there, where none of them is.
func (s *Store) RestoreKitchens(ctx context.Context, beside bool, next func() (*Whole, error), aside func(kitchen string, one any, err error) error) (count int, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, "lock table kitchen in share row exclusive mode"); err != nil {
			return err
		}
		var there bool
		if err := tx.QueryRow(ctx, `select exists (select from kitchen)`).Scan(&there); err != nil {
			return err
		}
		if there && !beside {
			return ErrNotEmpty
		}
		for count = 0; ; count++ {
			w, err := next()
			if err != nil || w == nil {
				return err
			}
			tag, err := tx.Exec(ctx, `insert into kitchen (id, name, made_up, created_at) values ($1, $2, $3, $4) on conflict do nothing`, w.ID, w.Name, w.MadeUp, w.CreatedAt)
			if err != nil {
				return err
			}
			if tag.RowsAffected() == 0 {
				return ErrNotEmpty
			}
			in := Taken{Suppers: w.Suppers, Practised: w.Practised, Each: w.Each, Choices: &w.Choices, OwnFoods: w.OwnFoods, Replaces: true, Pantry: w.Pantry, Settings: w.Settings}
			if aside != nil {
				in.Aside = func(one any, err error) error { return aside(w.ID, one, err) }
			}
			if _, err := s.takeIn(ctx, tx, w.ID, in); err != nil {
				return err
			}
		}
	})
	return count, err
}
