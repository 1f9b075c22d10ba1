package store

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
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
	// Odd is what of it could not be read of an archive.
	Odd []error
}

// MoreReadings are readings of a course beside those that came with it.
type MoreReadings struct {
	Course   string
	Readings []CourseReading
}

// KeptCourses gives every course of a kitchen to each, the oldest first, deleted ones too.
func (s *Store) KeptCourses(ctx context.Context, kitchen string, each func(*KeptCourse) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		return s.keptCourses(ctx, tx, kitchen, each, refuse)
	})
}

func (s *Store) keptCourses(ctx context.Context, tx pgx.Tx, kitchen string, each func(*KeptCourse) error, odd func(*Unreadable) error) error {
	rows, err := tx.Query(ctx, `select id::text from course where kitchen_id = $1 order by created_at, id`, kitchen)
	if err != nil {
		return tidy(err)
	}
	ids, err := pgx.CollectRows(rows, pgx.RowTo[string])
	if err != nil {
		return tidy(err)
	}
	for _, id := range ids {
		c := KeptCourse{Course: Course{ID: id, KitchenID: kitchen}}
		var plan []byte
		if err := tx.QueryRow(ctx, `select plan, start_at, began_at, seq, ended_at, created_at, deleted_at from course where id = $1`, id).
			Scan(&plan, &c.Start, &c.Began, &c.Seq, &c.Ended, &c.CreatedAt, &c.DeletedAt); err != nil {
			return tidy(err)
		}
		c.Start, c.Began, c.CreatedAt = c.Start.UTC(), c.Began.UTC(), c.CreatedAt.UTC()
		if err := json.Unmarshal(plan, &c.Plan); err != nil {
			if err := odd(&Unreadable{"course", id, plan, err}); err != nil {
				return err
			}
			continue
		}
		if err := s.fill(ctx, tx, &c, odd); err != nil {
			return tidy(err)
		}
		if err := each(&c); err != nil {
			return err
		}
	}
	return nil
}

// fill reads what belongs to a course.
func (s *Store) fill(ctx context.Context, tx pgx.Tx, c *KeptCourse, odd func(*Unreadable) error) error {
	rows, err := tx.Query(ctx, `select seq, received_at, event from course_event where course_id = $1 order by seq`, c.ID)
	if err != nil {
		return err
	}
	type eventAsRow struct {
		CourseEvent
		text []byte
	}
	events, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (e eventAsRow, err error) {
		err = row.Scan(&e.Seq, &e.Received, &e.text)
		e.Received = e.Received.UTC()
		return e, err
	})
	if err != nil {
		return err
	}
	for i := range events {
		e := &events[i]
		if err := json.Unmarshal(e.text, &e.Event); err != nil {
			if err := odd(&Unreadable{"course_event", fmt.Sprint(c.ID, " ", e.Seq), e.text, err}); err != nil {
				return err
			}
			continue
		}
		c.Events = append(c.Events, e.CourseEvent)
	}
	if c.Readings, err = allReadings(ctx, tx, c.ID); err != nil {
		return err
	}
	if rows, err = tx.Query(ctx, `select `+tryColumns+` from try t where course_id = $1 order by dish`, c.ID); err != nil {
		return err
	}
	if c.Tries, err = pgx.CollectRows(rows, tryRow); err != nil {
		return err
	}
	c.Photos, err = s.photosOf(ctx, tx, c.KitchenID, c.Tries)
	return err
}

func eventRow(row pgx.CollectableRow) (e CourseEvent, err error) {
	var text []byte
	if err := row.Scan(&e.Seq, &e.Received, &text, &e.By); err != nil {
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

// course takes one in that is not there yet; of one that is, what it has more. Where another kitchen has one of its ID it gets
// one of its own here. Tokens of instruments are not among what is taken in.
func (t *taking) course(ctx context.Context, c *KeptCourse) error {
	for _, id := range []string{c.ID, t.ownID(c.ID)} {
		var mine bool
		err := t.tx.QueryRow(ctx, `select kitchen_id = $2 from course where id = $1`, id, t.kitchen).Scan(&mine)
		switch {
		case errors.Is(err, pgx.ErrNoRows):
			if _, err := t.tx.Exec(ctx, haveMonths); err != nil {
				return err
			}
			if _, err := t.tx.Exec(ctx, `insert into course (id, kitchen_id, name, table_at, plan, start_at, began_at, ended_at, created_at, deleted_at)
				values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`, id, t.kitchen, c.Plan.Name, c.Plan.Table, &c.Plan, c.Start, c.Began, c.Ended, c.CreatedAt, c.DeletedAt); err != nil {
				return err
			}
			t.out.Courses++
		case err != nil:
			return err
		case !mine:
			continue
		}
		t.courseIDs[c.ID] = id
		return t.courseRows(ctx, id, c)
	}
	return ErrTaken
}

func (t *taking) courseRows(ctx context.Context, id string, c *KeptCourse) error {
	for i := range c.Photos {
		if err := t.photo(ctx, &c.Photos[i]); err != nil {
			return err
		}
	}
	var seq int64
	if err := t.tx.QueryRow(ctx, `select seq from course where id = $1 for update`, id).Scan(&seq); err != nil {
		return err
	}
	for i := range c.Events {
		e := &c.Events[i]
		if e.Found != nil && t.photoIDs[e.Found.Photo] != "" {
			own := *e.Found
			own.Photo = t.photoIDs[own.Photo]
			e.Found = &own
		}
		tag, err := t.tx.Exec(ctx, `insert into course_event (course_id, seq, id, at, received_at, event) values ($1, $2, $3, $4, $5, $6) on conflict (course_id, id) do nothing`,
			id, seq+1, e.ID, e.At, e.Received, e.Event)
		if err != nil {
			return err
		}
		seq += tag.RowsAffected()
	}
	if _, err := t.tx.Exec(ctx, `update course set seq = $2 where id = $1 and seq <> $2`, id, seq); err != nil {
		return err
	}
	if err := t.readings(ctx, id, c.Readings); err != nil {
		return err
	}
	for i := range c.Tries {
		one := c.Tries[i]
		one.Course = id
		if err := t.try(ctx, &one); err != nil {
			return err
		}
	}
	return nil
}

// moreReadings takes readings in of a course that came before them.
func (t *taking) moreReadings(ctx context.Context, more *MoreReadings) error {
	id := t.courseIDs[more.Course]
	if id == "" {
		return fmt.Errorf("readings of a course that is not among the others: %s", more.Course)
	}
	return t.readings(ctx, id, more.Readings)
}

func (t *taking) readings(ctx context.Context, id string, all []CourseReading) error {
	if len(all) == 0 {
		return nil
	}
	_, _, err := addReadings(ctx, t.tx, map[string][]CourseReading{id: all})
	return err
}
