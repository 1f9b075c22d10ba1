package archive

import (
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/internal/store"
)

// CourseFormat is that of a course in an archive.
const CourseFormat = "cuerda-kept-course/1"

type courseFile struct {
	Format    string            `json:"format"`
	ID        string            `json:"id"`
	CreatedAt time.Time         `json:"created_at"`
	DeletedAt *time.Time        `json:"deleted_at,omitempty"`
	StartAt   time.Time         `json:"start_at"`
	BeganAt   time.Time         `json:"began_at"`
	EndedAt   *time.Time        `json:"ended_at,omitempty"`
	Plan      cooking.Plan      `json:"plan"`
	Events    list[eventFile]   `json:"events"`
	Readings  list[readingFile] `json:"readings"`
	Tries     list[tryFile]     `json:"tries"`
	Photos    list[photoFile]   `json:"photos,omitempty"`
}

type eventFile struct {
	ReceivedAt time.Time     `json:"received_at"`
	Event      cooking.Event `json:"event"`
}

type readingFile struct {
	Source  string    `json:"source"`
	Place   string    `json:"place"`
	Dish    int       `json:"dish"`
	At      time.Time `json:"at"`
	Celsius float64   `json:"celsius"`
}

// AddCourse writes a course, without the token of its instruments.
func (w *Writer) AddCourse(c *store.KeptCourse) error {
	w.courses++
	f := courseFile{Format: CourseFormat, ID: c.ID, CreatedAt: c.CreatedAt, DeletedAt: c.DeletedAt, StartAt: c.Start, BeganAt: c.Began, EndedAt: c.Ended, Plan: c.Plan,
		Events: list[eventFile]{}, Readings: list[readingFile]{}, Tries: list[tryFile]{}}
	for i := range c.Events {
		f.Events = append(f.Events, eventFile{c.Events[i].Received, c.Events[i].Event})
	}
	for i := range c.Readings {
		f.Readings = append(f.Readings, readingFile(c.Readings[i]))
	}
	for i := range c.Tries {
		t := tryOf(&c.Tries[i])
		t.ID = "" // it is its course's, by its dish
		f.Tries = append(f.Tries, t)
	}
	f.Photos = photosOf(c.Photos)
	return w.file(fmt.Sprintf("courses/%05d-%s.json", w.courses, Slug(c.Plan.Name)), f)
}

func keptCourse(name string, text []byte, foods *food.Catalogue) (*store.KeptCourse, error) {
	var f courseFile
	if err := strict(text, &f); err != nil || f.Format != CourseFormat {
		return nil, &Error{File: name, Code: "bad-json", Err: err}
	}
	bad := func(err error) error { return &Error{File: name, Code: "bad-course", Err: err} }
	if !isID(f.ID) {
		return nil, bad(fmt.Errorf("no ID: %q", shorten(f.ID)))
	}
	for _, t := range []time.Time{f.CreatedAt, f.StartAt, f.BeganAt, f.Plan.Table} {
		if oddTime(t) {
			return nil, bad(errors.New("a time out of range"))
		}
	}
	if err := f.Plan.Check(); err != nil {
		return nil, bad(err)
	}
	for d := range f.Plan.Dishes {
		build := f.Plan.Dishes[d].Build
		if build == nil {
			continue
		}
		written, err := json.Marshal(build)
		if err == nil {
			_, err = document.Read(written, foods)
		}
		if err != nil {
			return nil, bad(err)
		}
	}
	out := &store.KeptCourse{Course: store.Course{ID: f.ID, Plan: f.Plan, Start: f.StartAt, Began: f.BeganAt, Ended: f.EndedAt}, CreatedAt: f.CreatedAt, DeletedAt: f.DeletedAt}
	for _, e := range f.Events {
		if err := cooking.Whole(&f.Plan, &e.Event); err != nil || oddTime(e.ReceivedAt) || oddTime(e.Event.At) {
			return nil, bad(fmt.Errorf("event %q: %w", shorten(e.Event.ID), err))
		}
		out.Events = append(out.Events, store.CourseEvent{Received: e.ReceivedAt, Event: e.Event})
	}
	for _, r := range f.Readings {
		if oddTime(r.At) || r.Celsius < -100 || r.Celsius > 1000 || len(r.Source) > 80 {
			return nil, bad(errors.New("a reading that is none"))
		}
		out.Readings = append(out.Readings, store.CourseReading(r))
	}
	for _, t := range f.Tries {
		one, err := t.read(foods)
		if err != nil || t.Dish < 0 || t.Dish >= len(f.Plan.Dishes) {
			return nil, bad(fmt.Errorf("a try that is none: %w", err))
		}
		out.Tries = append(out.Tries, *one)
	}
	var err error
	if out.Photos, err = readPhotos(f.Photos); err != nil {
		return nil, bad(err)
	}
	return out, nil
}
