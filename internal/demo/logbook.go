package demo

import (
	"context"
	_ "embed"
	"encoding/json"
	"time"

	"cuerda/core/food"
	"cuerda/core/plan/supper"
	"cuerda/internal/jobs"
	"cuerda/internal/store"
)

//go:embed logbook.json
var logbookJSON []byte

// Logbook gives the tries of the demonstration, as Simulate gave them.
func Logbook() (out []Logged, err error) { return out, json.Unmarshal(logbookJSON, &out) }

// keepLogbook writes the tries down, and has the kitchen learn of them.
func keepLogbook(ctx context.Context, s *store.Store, kitchen string, kept map[string]supper.SupperFrom, foods *food.Catalogue, now time.Time) error {
	all, err := Logbook()
	if err != nil {
		return err
	}
	for i := range all {
		l := &all[i]
		from := kept[l.File]
		day := now.UTC().AddDate(0, 0, -l.Days)
		t := store.Try{
			Build: from.Build, Version: l.Version, LeftOut: false,
			CookedAt: time.Date(day.Year(), day.Month(), day.Day(), 18, 30, 0, 0, time.UTC),
		}
		if l.Picture {
			picture, err := drawPicture(&l.Document, &l.Found, uint64(i))
			if err != nil {
				return err
			}
			p := store.Photo{MediaType: picture.MediaType, Width: picture.Width, Height: picture.Height, Data: picture.Data}
			if err := s.KeepPhoto(ctx, kitchen, &p); err != nil {
				return err
			}
			l.Found.Photos = []string{p.ID}
		}
		if t.Document, err = json.Marshal(&l.Document); err != nil {
			return err
		}
		if t.Found, err = json.Marshal(&l.Found); err != nil {
			return err
		}
		if l.Said != nil {
			if t.Said, err = json.Marshal(l.Said); err != nil {
				return err
			}
		}
		if l.Patties != nil {
			t.Kind = store.TryPatties
			if t.Patties, err = json.Marshal(l.Patties); err != nil {
				return err
			}
		}
		if err := s.KeepTry(ctx, kitchen, &t); err != nil {
			return err
		}
	}
	teacher := jobs.Teacher{Store: s, Foods: foods}
	_, err = teacher.Learn(ctx, kitchen)
	return err
}
