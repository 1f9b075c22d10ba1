// Package archivetest reads small archives whole, for tests.
package archivetest

import (
	"bytes"
	"context"

	"cuerda/core/food"
	"cuerda/internal/archive"
	"cuerda/internal/store"
)

// Whole is all that an archive holds.
type Whole struct {
	archive.Kitchen
	Histories []store.History
	Suppers   []store.Supper
	Courses   []store.KeptCourse
	Tries     []store.KeptTry
	Practised []store.Practised
	Photos    []store.Photo
}

// Read reads an archive; an error is an *archive.Error.
func Read(data []byte, foods *food.Catalogue) (*Whole, error) {
	a, err := archive.Open(bytes.NewReader(data), int64(len(data)), foods)
	if err != nil {
		return nil, err
	}
	out := &Whole{Kitchen: a.Kitchen}
	return out, a.Each(out.add, nil)
}

func (w *Whole) add(one any) error {
	switch v := one.(type) {
	case *store.History:
		w.Histories = append(w.Histories, *v)
	case *store.Supper:
		w.Suppers = append(w.Suppers, *v)
	case *store.KeptCourse:
		w.Courses = append(w.Courses, *v)
	case *store.KeptTry:
		w.Tries = append(w.Tries, *v)
	case *store.Practised:
		w.Practised = append(w.Practised, *v)
	case *store.Photo:
		w.Photos = append(w.Photos, *v)
	case *store.MoreReadings:
		for i := range w.Courses {
			if c := &w.Courses[i]; c.ID == v.Course {
				c.Readings = append(c.Readings, v.Readings...)
			}
		}
	}
	return nil
}

// Taken is an archive as a kitchen takes it in.
func Taken(data []byte, foods *food.Catalogue) (store.Taken, error) {
	a, err := archive.Open(bytes.NewReader(data), int64(len(data)), foods)
	if err != nil {
		return store.Taken{}, err
	}
	return store.Taken{OwnFoods: a.OwnFoods, Each: func(take func(any) error) error { return a.Each(take, nil) }}, nil
}

// Restore makes the kitchens of a backup in a store where there are none, all or none.
func Restore(ctx context.Context, s *store.Store, data []byte, foods *food.Catalogue) (count int, err error) {
	b, err := archive.OpenBackup(bytes.NewReader(data), int64(len(data)), foods)
	if err != nil {
		return 0, err
	}
	return s.RestoreKitchens(ctx, false, func() (*store.Whole, error) { return b.Next(nil) }, nil)
}
