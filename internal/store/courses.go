package store

import (
	"context"
	"crypto/rand"
	"encoding/json"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"cuerda/core/cooking"
)

// Course is a cooking as it is kept.
type Course struct {
	ID        string
	KitchenID string
	Plan      cooking.Plan
	// Start is when it began by its own clock, Began by the server's.
	Start, Began time.Time
	// Token is what instruments show to send readings to it.
	Token string
	// Seq is that of its last event.
	Seq   int64
	Ended *time.Time
}

// CourseEvent is an event as it was taken.
type CourseEvent struct {
	Seq      int64
	Received time.Time
	cooking.Event
}

// CourseReading is a reading of a probe.
type CourseReading struct {
	Source, Place string
	Dish          int
	At            time.Time
	Celsius       float64
}

// CourseEntry is a course in a list.
type CourseEntry struct {
	ID     string
	Name   string
	Table  time.Time
	Start  time.Time
	Dishes int
	Ended  *time.Time
	// Simulated says that its instruments are.
	Simulated bool
}

// CreateCourse begins a course.
func (s *Store) CreateCourse(ctx context.Context, kitchen string, p *cooking.Plan, start, began time.Time) (*Course, error) {
	out := &Course{KitchenID: kitchen, Plan: *p, Start: start.UTC(), Began: began.UTC(), Token: rand.Text()}
	err := s.pool.QueryRow(ctx, `insert into course (kitchen_id, name, table_at, plan, start_at, began_at, token) values ($1, $2, $3, $4, $5, $6, $7) returning id::text`,
		kitchen, p.Name, p.Table, p, out.Start, out.Began, out.Token).Scan(&out.ID)
	return out, tidy(err)
}

// FindCourse gives a course with its events, in the order in which they were taken. A deleted one is
// ErrDeleted.
func (s *Store) FindCourse(ctx context.Context, kitchen, id string) (*Course, []CourseEvent, error) {
	var out Course
	var plan []byte
	var deleted *time.Time
	err := s.pool.QueryRow(ctx, `select id::text, kitchen_id::text, plan, start_at, began_at, token, seq, ended_at, deleted_at from course where kitchen_id = $1 and id = $2`, kitchen, id).
		Scan(&out.ID, &out.KitchenID, &plan, &out.Start, &out.Began, &out.Token, &out.Seq, &out.Ended, &deleted)
	switch {
	case err != nil:
		return nil, nil, tidy(err)
	case deleted != nil:
		return nil, nil, ErrDeleted
	}
	if err := json.Unmarshal(plan, &out.Plan); err != nil {
		return nil, nil, err
	}
	out.Start, out.Began = out.Start.UTC(), out.Began.UTC()
	events, err := s.CourseEvents(ctx, out.ID, 0)
	return &out, events, err
}

// CourseOf gives the course that a token is of.
func (s *Store) CourseOf(ctx context.Context, token string) (kitchen, id string, err error) {
	err = s.pool.QueryRow(ctx, `select kitchen_id::text, id::text from course where token = $1 and deleted_at is null`, token).Scan(&kitchen, &id)
	return kitchen, id, tidy(err)
}

// CourseEvents gives the events of a course after that one, in the order in which they were
// taken.
func (s *Store) CourseEvents(ctx context.Context, id string, after int64) ([]CourseEvent, error) {
	rows, err := s.pool.Query(ctx, `select seq, received_at, event from course_event where course_id = $1 and seq > $2 order by seq`, id, after)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, eventRow)
	return out, tidy(err)
}

// AddEvents adds events to a course, each once by its ID, and gives those that are new with
// their numbers. What comes back has been kept.
func (s *Store) AddEvents(ctx context.Context, id string, received time.Time, events []cooking.Event) (added []CourseEvent, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		added = nil
		var seq int64
		if err := tx.QueryRow(ctx, `select seq from course where id = $1 for update`, id).Scan(&seq); err != nil {
			return err
		}
		var ended *time.Time
		for _, e := range events {
			tag, err := tx.Exec(ctx, `insert into course_event (course_id, seq, id, at, received_at, event) values ($1, $2, $3, $4, $5, $6) on conflict (course_id, id) do nothing`,
				id, seq+1, e.ID, e.At, received, e)
			if err != nil {
				return err
			}
			if tag.RowsAffected() == 0 {
				continue
			}
			seq++
			added = append(added, CourseEvent{seq, received.UTC(), e})
			if e.Kind == cooking.Ended {
				ended = &e.At
			}
		}
		if len(added) == 0 {
			return nil
		}
		_, err := tx.Exec(ctx, `update course set seq = $2, ended_at = coalesce(ended_at, $3) where id = $1`, id, seq, ended)
		return err
	})
	return added, tidy(err)
}

// AddReadings keeps readings, each once, and gives how many were new. What comes back has been
// kept.
func (s *Store) AddReadings(ctx context.Context, byCourse map[string][]CourseReading) (fresh int, err error) {
	return addReadings(ctx, s.pool, byCourse)
}

func addReadings(ctx context.Context, db writer, byCourse map[string][]CourseReading) (fresh int, err error) {
	var ids, sources, places []string
	var dishes []int32
	var at []time.Time
	var celsius []float64
	for id, readings := range byCourse {
		for _, r := range readings {
			ids, sources, places, dishes = append(ids, id), append(sources, r.Source), append(places, r.Place), append(dishes, int32(r.Dish))
			at, celsius = append(at, r.At), append(celsius, r.Celsius)
		}
	}
	tag, err := db.Exec(ctx, `insert into course_reading (course_id, source, place, dish, at, celsius)
		select * from unnest($1::uuid[], $2::text[], $3::text[], $4::int[], $5::timestamptz[], $6::float8[]) on conflict do nothing`, ids, sources, places, dishes, at, celsius)
	return int(tag.RowsAffected()), tidy(err)
}

// writer is a pool or a transaction.
type writer interface {
	Exec(ctx context.Context, sql string, args ...any) (pgconn.CommandTag, error)
}

// Readings gives those of a course in the order of their time.
func (s *Store) Readings(ctx context.Context, id string) ([]CourseReading, error) {
	rows, err := s.pool.Query(ctx, `select source, place, dish, at, celsius from course_reading where course_id = $1 order by at, source, place, dish`, id)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, readingRow)
	return out, tidy(err)
}

// ListCourses gives the courses of a kitchen, those that go on first and then the last; at most
// limit of them.
func (s *Store) ListCourses(ctx context.Context, kitchen string, limit int) ([]CourseEntry, error) {
	rows, err := s.pool.Query(ctx, `select id::text, name, plan->>'table', start_at, jsonb_array_length(plan->'dishes'), ended_at, coalesce((plan->>'simulated')::boolean, false) from course
		where kitchen_id = $1 and deleted_at is null order by ended_at is not null, start_at desc, id limit $2`, kitchen, limit)
	if err != nil {
		return nil, tidy(err)
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (e CourseEntry, err error) {
		var table string
		if err = row.Scan(&e.ID, &e.Name, &table, &e.Start, &e.Dishes, &e.Ended, &e.Simulated); err == nil {
			e.Table, err = time.Parse(time.RFC3339, table)
		}
		return e, err
	})
}

// DeleteCourse puts a course away; RestoreCourse brings it back.
func (s *Store) DeleteCourse(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update course set deleted_at = coalesce(deleted_at, now()) where kitchen_id = $1 and id = $2`)
}

// RestoreCourse brings a deleted course back.
func (s *Store) RestoreCourse(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update course set deleted_at = null where kitchen_id = $1 and id = $2`)
}

// Photo is a picture, without anything about where and by whom it was taken.
type Photo struct {
	ID            string
	MediaType     string
	Width, Height int
	Data          []byte
}

// KeepPhoto keeps a picture.
func (s *Store) KeepPhoto(ctx context.Context, kitchen string, p *Photo) error {
	return tidy(s.pool.QueryRow(ctx, `insert into photo (kitchen_id, media_type, width, height, data) values ($1, $2, $3, $4, $5) returning id::text`,
		kitchen, p.MediaType, p.Width, p.Height, p.Data).Scan(&p.ID))
}

// FindPhoto gives a picture.
func (s *Store) FindPhoto(ctx context.Context, kitchen, id string) (*Photo, error) {
	out := &Photo{ID: id}
	err := s.pool.QueryRow(ctx, `select media_type, width, height, data from photo where kitchen_id = $1 and id = $2`, kitchen, id).Scan(&out.MediaType, &out.Width, &out.Height, &out.Data)
	if err != nil {
		return nil, tidy(err)
	}
	return out, nil
}
