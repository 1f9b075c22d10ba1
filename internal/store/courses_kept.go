package store

import (
	"context"
	"crypto/rand"
	"encoding/json"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"
)

// KeptCourse is all of a course: what was planned, done, measured and learned.
type KeptCourse struct {
	Course
	CreatedAt time.Time
	DeletedAt *time.Time
	Events    []CourseEvent
	Readings  []CourseReading
	Tries     []Try
	// Photos are those that its tries speak of.
	Photos []Photo
}

// MaxCourses is how many courses of a kitchen go into an archive: the last ones.
const MaxCourses = 2000

// KeptCourses gives every course of a kitchen to each, the oldest first, deleted ones too.
func (s *Store) KeptCourses(ctx context.Context, kitchen string, each func(*KeptCourse) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		return keptCourses(ctx, tx, kitchen, each)
	})
}

func keptCourses(ctx context.Context, tx pgx.Tx, kitchen string, each func(*KeptCourse) error) error {
	rows, err := tx.Query(ctx, `select id::text, plan, start_at, began_at, seq, ended_at, created_at, deleted_at from
		(select * from course where kitchen_id = $1 order by start_at desc, id limit $2) newest order by created_at, id`, kitchen, MaxCourses)
	if err != nil {
		return tidy(err)
	}
	all, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (c KeptCourse, err error) {
		var plan []byte
		if err := row.Scan(&c.ID, &plan, &c.Start, &c.Began, &c.Seq, &c.Ended, &c.CreatedAt, &c.DeletedAt); err != nil {
			return c, err
		}
		c.KitchenID, c.Start, c.Began, c.CreatedAt = kitchen, c.Start.UTC(), c.Began.UTC(), c.CreatedAt.UTC()
		return c, json.Unmarshal(plan, &c.Plan)
	})
	if err != nil {
		return tidy(err)
	}
	for i := range all {
		c := &all[i]
		if err := c.fill(ctx, tx); err != nil {
			return tidy(err)
		}
		if err := each(c); err != nil {
			return err
		}
	}
	return nil
}

// fill reads what belongs to a course.
func (c *KeptCourse) fill(ctx context.Context, tx pgx.Tx) error {
	rows, err := tx.Query(ctx, `select seq, received_at, event from course_event where course_id = $1 order by seq`, c.ID)
	if err != nil {
		return err
	}
	if c.Events, err = pgx.CollectRows(rows, eventRow); err != nil {
		return err
	}
	if rows, err = tx.Query(ctx, `select source, place, dish, at, celsius from course_reading where course_id = $1 order by at, source, place, dish`, c.ID); err != nil {
		return err
	}
	if c.Readings, err = pgx.CollectRows(rows, readingRow); err != nil {
		return err
	}
	if rows, err = tx.Query(ctx, `select `+tryColumns+` from try t where course_id = $1 and deleted_at is null order by dish`, c.ID); err != nil {
		return err
	}
	if c.Tries, err = pgx.CollectRows(rows, tryRow); err != nil {
		return err
	}
	c.Photos, err = photosOf(ctx, tx, c.KitchenID, c.Tries)
	return err
}

func eventRow(row pgx.CollectableRow) (e CourseEvent, err error) {
	var text []byte
	if err := row.Scan(&e.Seq, &e.Received, &text); err != nil {
		return e, err
	}
	e.Received = e.Received.UTC()
	return e, json.Unmarshal(text, &e.Event)
}

func readingRow(row pgx.CollectableRow) (r CourseReading, err error) {
	err = row.Scan(&r.Source, &r.Place, &r.Dish, &r.At, &r.Celsius)
	r.At = r.At.UTC()
	return r, err
}

// courses takes courses in that are not there yet; of one that is, what it has more. Instruments
// get a token of this kitchen's own.
func (t *taking) courses(ctx context.Context, all []KeptCourse) error {
	for i := range all {
		c := &all[i]
		var mine bool
		err := t.tx.QueryRow(ctx, `select kitchen_id = $2 from course where id = $1`, c.ID, t.kitchen).Scan(&mine)
		switch {
		case errors.Is(err, pgx.ErrNoRows):
			if _, err := t.tx.Exec(ctx, `insert into course (id, kitchen_id, name, table_at, plan, start_at, began_at, token, ended_at, created_at, deleted_at)
				values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`, c.ID, t.kitchen, c.Plan.Name, c.Plan.Table, &c.Plan, c.Start, c.Began, rand.Text(), c.Ended, c.CreatedAt, c.DeletedAt); err != nil {
				return err
			}
			t.out.Courses++
		case err != nil:
			return err
		case !mine:
			continue // it is another kitchen's, who has it already
		}
		if err := t.courseRows(ctx, c); err != nil {
			return err
		}
	}
	return nil
}

func (t *taking) courseRows(ctx context.Context, c *KeptCourse) error {
	var seq int64
	if err := t.tx.QueryRow(ctx, `select seq from course where id = $1 for update`, c.ID).Scan(&seq); err != nil {
		return err
	}
	for i := range c.Events {
		e := &c.Events[i]
		tag, err := t.tx.Exec(ctx, `insert into course_event (course_id, seq, id, at, received_at, event) values ($1, $2, $3, $4, $5, $6) on conflict (course_id, id) do nothing`,
			c.ID, seq+1, e.ID, e.At, e.Received, e.Event)
		if err != nil {
			return err
		}
		seq += tag.RowsAffected()
	}
	if _, err := t.tx.Exec(ctx, `update course set seq = $2 where id = $1 and seq <> $2`, c.ID, seq); err != nil {
		return err
	}
	if _, _, err := addReadings(ctx, t.tx, map[string][]CourseReading{c.ID: c.Readings}); err != nil {
		return err
	}
	if err := t.photos(ctx, c.Photos); err != nil {
		return err
	}
	for i := range c.Tries {
		one := c.Tries[i]
		one.Course = c.ID
		if err := t.try(ctx, &one); err != nil {
			return err
		}
	}
	return nil
}
