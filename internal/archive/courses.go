package archive

import (
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/keepable"
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
	// Tries and Photos stood within it in older archives.
	Tries  list[tryFile]   `json:"tries,omitempty"`
	Photos list[photoFile] `json:"photos,omitempty"`
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
		Events: list[eventFile]{}, Readings: list[readingFile]{}}
	for i := range c.Events {
		f.Events = append(f.Events, eventFile{c.Events[i].Received, c.Events[i].Event})
	}
	if err := w.addPhotos(c.Photos); err != nil {
		return err
	}
	rest := c.Readings
	next := func() (out list[readingFile]) {
		out = list[readingFile]{}
		for _, r := range rest[:min(partReadings, len(rest))] {
			out = append(out, readingFile(r))
		}
		rest = rest[len(out):]
		return out
	}
	f.Readings = next()
	if err := w.file(fmt.Sprintf("courses/%05d-%s.json", w.courses, Slug(c.Plan.Name)), f); err != nil {
		return err
	}
	for part := 2; len(rest) > 0; part++ {
		if err := w.file(fmt.Sprintf("readings/%05d-part-%04d.json", w.courses, part), readingsFile{ReadingsFormat, c.ID, next()}); err != nil {
			return err
		}
	}
	for i := range c.Tries {
		one := store.KeptTry{Try: c.Tries[i]}
		one.Course = c.ID
		if err := w.AddTry(&one); err != nil {
			return err
		}
	}
	return nil
}

// ReadingsFormat is that of further readings of a course in an archive.
const ReadingsFormat = "cuerda-kept-readings/1"

type readingsFile struct {
	Format   string            `json:"format"`
	Course   string            `json:"course"`
	Readings list[readingFile] `json:"readings"`
}

func moreReadings(name string, text []byte, _ *food.Catalogue) (*store.MoreReadings, error) {
	var f readingsFile
	if err := strict(text, &f); err != nil || f.Format != ReadingsFormat {
		return nil, &Error{File: name, Code: "bad-json", Err: err}
	}
	bad := func(err error) error { return &Error{File: name, Code: "bad-course", Err: err} }
	if !isID(f.Course) {
		return nil, bad(fmt.Errorf("no ID: %q", shorten(f.Course)))
	}
	out := &store.MoreReadings{Course: f.Course}
	for _, r := range f.Readings {
		if !r.sound() {
			return nil, bad(errors.New("a reading that is none"))
		}
		out.Readings = append(out.Readings, store.CourseReading(r))
	}
	return out, nil
}

// sound says whether it is a reading that is kept.
func (r *readingFile) sound() bool {
	return keepable.Time(r.At) && r.Celsius >= -100 && r.Celsius <= 1000 && keepable.Text(r.Source, 80) && keepable.Text(r.Place, 80) && r.Dish >= -1 && r.Dish < 1000
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
			out.Odd = append(out.Odd, bad(fmt.Errorf("event %q: %w", shorten(e.Event.ID), err)))
			continue
		}
		out.Events = append(out.Events, store.CourseEvent{Received: e.ReceivedAt, Event: e.Event})
	}
	for _, r := range f.Readings {
		if !r.sound() {
			out.Odd = append(out.Odd, bad(errors.New("a reading that is none")))
			continue
		}
		out.Readings = append(out.Readings, store.CourseReading(r))
	}
	for _, t := range f.Tries {
		one, err := t.read(foods)
		if err != nil || t.Dish < 0 || t.Dish >= len(f.Plan.Dishes) {
			out.Odd = append(out.Odd, bad(fmt.Errorf("a try that is none: %w", err)))
			continue
		}
		out.Tries = append(out.Tries, *one)
	}
	var err error
	if out.Photos, err = readPhotos(f.Photos); err != nil {
		return nil, bad(err)
	}
	return out, nil
}
