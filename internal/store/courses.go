package store

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/cooking"
)

// Course is a cooking as it is kept.
type Course struct {
	ID        string
	KitchenID string
	Plan      cooking.Plan
	// Start is when it began by its own clock, Began by the server's.
	Start, Began time.Time
	// Token is what instruments show to send readings to it, where it was just made: only its hash is kept.
	Token string
	// Seq is that of its last event, ReadingSeq that of its last reading.
	Seq, ReadingSeq int64
	Ended           *time.Time
}

// ErrBehind is returned where a course has events that whoever adds to it does not know.
var ErrBehind = errors.New("the course has gone on meanwhile")

// CourseEvent is an event as it was taken.
type CourseEvent struct {
	Seq      int64
	Received time.Time
	cooking.Event
	// By is who did it, of events that are listed: nil where nobody signed in, "" for somebody who left.
	By *string
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
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, haveMonths); err != nil {
			return err
		}
		if err := tx.QueryRow(ctx, `insert into course (kitchen_id, name, table_at, plan, start_at, began_at) values ($1, $2, $3, $4, $5, $6) returning id::text`,
			kitchen, p.Name, p.Table, p, out.Start, out.Began).Scan(&out.ID); err != nil {
			return err
		}
		_, err := tx.Exec(ctx, `insert into course_token (hash, course_id) values ($1, $2)`, hashOf(out.Token), out.ID)
		return err
	})
	return out, tidy(err)
}

// hashOf is what is kept of a token. It is as long as a key, so that a plain hash of it cannot be guessed from.
func hashOf(token string) []byte {
	sum := sha256.Sum256([]byte(token))
	return sum[:]
}

// mostTokens is how many instruments a course lets in: the one before gives way.
const mostTokens = 20

// LetInstrument makes a token for an instrument of a course that goes on, and gives it this once.
func (s *Store) LetInstrument(ctx context.Context, kitchen, id string) (token string, err error) {
	token = rand.Text()
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		var ended bool
		if err := tx.QueryRow(ctx, `select ended_at is not null from course where kitchen_id = $1 and id = $2 and deleted_at is null for update`, kitchen, id).Scan(&ended); err != nil {
			return err
		}
		if ended {
			return ErrDeleted
		}
		if _, err := tx.Exec(ctx, `delete from course_token where hash in (select hash from course_token where course_id = $1 order by created_at desc offset $2)`, id, mostTokens-1); err != nil {
			return err
		}
		_, err := tx.Exec(ctx, `insert into course_token (hash, course_id) values ($1, $2)`, hashOf(token), id)
		return err
	})
	return token, tidy(err)
}

// FindCourse gives a course with its events, in the order in which they were taken. A deleted one is
// ErrDeleted.
func (s *Store) FindCourse(ctx context.Context, kitchen, id string) (*Course, []CourseEvent, error) {
	var out Course
	var plan []byte
	var deleted *time.Time
	err := s.pool.QueryRow(ctx, `select id::text, kitchen_id::text, plan, start_at, began_at, seq, reading_seq, ended_at, deleted_at from course where kitchen_id = $1 and id = $2`, kitchen, id).
		Scan(&out.ID, &out.KitchenID, &plan, &out.Start, &out.Began, &out.Seq, &out.ReadingSeq, &out.Ended, &deleted)
	switch {
	case err != nil:
		return nil, nil, tidy(err)
	case deleted != nil:
		return nil, nil, ErrDeleted
	}
	if err := json.Unmarshal(plan, &out.Plan); err != nil {
		return nil, nil, &UnreadableError{err}
	}
	out.Start, out.Began = out.Start.UTC(), out.Began.UTC()
	events, err := s.CourseEvents(ctx, out.ID, 0)
	return &out, events, err
}

// CourseOf gives the course that a token is of, as long as that goes on.
func (s *Store) CourseOf(ctx context.Context, token string) (kitchen, id string, err error) {
	err = s.pool.QueryRow(ctx, `select c.kitchen_id::text, c.id::text from course_token t join course c on c.id = t.course_id
		where t.hash = $1 and c.deleted_at is null and c.ended_at is null`, hashOf(token)).Scan(&kitchen, &id)
	return kitchen, id, tidy(err)
}

// CourseEvents gives the events of a course after that one, in the order in which they were
// taken.
func (s *Store) CourseEvents(ctx context.Context, id string, after int64) ([]CourseEvent, error) {
	rows, err := s.pool.Query(ctx, `select seq, received_at, event, (select name from account where id = by_account) from course_event where course_id = $1 and seq > $2 order by seq`, id, after)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, eventRow)
	return out, tidy(err)
}

// Whatever is the number of the last event for who adds events that hold whatever else was done.
const Whatever = -1

// CourseStands says how far a course has gone: the numbers of its last event and its last reading. A deleted
// one is ErrDeleted.
func (s *Store) CourseStands(ctx context.Context, id string) (seq, readingSeq int64, err error) {
	var deleted bool
	err = s.pool.QueryRow(ctx, `select seq, reading_seq, deleted_at is not null from course where id = $1`, id).Scan(&seq, &readingSeq, &deleted)
	if err == nil && deleted {
		return 0, 0, ErrDeleted
	}
	return seq, readingSeq, tidy(err)
}

// AddEvents adds events to a course, each once by its ID, and gives those that are new with
// their numbers. What comes back has been kept. known is the number of the last event that who adds
// them knew when they were decided on: where there are others by now it is ErrBehind, and none is kept. Whatever adds
// them without having decided by what there is says Whatever.
func (s *Store) AddEvents(ctx context.Context, id string, known int64, received time.Time, events []cooking.Event) (added []CourseEvent, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		added = nil
		var seq int64
		if err := tx.QueryRow(ctx, `select seq from course where id = $1 for update`, id).Scan(&seq); err != nil {
			return err
		}
		if known != Whatever && seq != known {
			return ErrBehind
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
			added = append(added, CourseEvent{Seq: seq, Received: received.UTC(), Event: e})
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
	if errors.Is(err, ErrBehind) {
		return nil, ErrBehind
	}
	return added, tidy(err)
}

// ListCourses gives the courses of a kitchen, those that go on first and then the last; at most
// limit of them.
func (s *Store) ListCourses(ctx context.Context, kitchen string, limit int) ([]CourseEntry, error) {
	rows, err := s.pool.Query(ctx, `select id::text, name, plan->>'table', start_at, case jsonb_typeof(plan->'dishes') when 'array' then jsonb_array_length(plan->'dishes') else 0 end, ended_at, coalesce(plan->>'simulated' = 'true', false), table_at from course
		where kitchen_id = $1 and deleted_at is null order by ended_at is not null, start_at desc, id limit $2`, kitchen, limit)
	if err != nil {
		return nil, tidy(err)
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (e CourseEntry, err error) {
		var table *string
		if err = row.Scan(&e.ID, &e.Name, &table, &e.Start, &e.Dishes, &e.Ended, &e.Simulated, &e.Table); err == nil && table != nil {
			if own, err := time.Parse(time.RFC3339, *table); err == nil {
				e.Table = own // in its own zone
			}
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
