package store

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"maps"
	"slices"
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
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
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

// KeptReadings says between which numbers readings of a course were kept: after From, up to To.
type KeptReadings struct {
	From, To int64
	// Fresh says of each, in the order in which they were given, whether it was not there before.
	Fresh []bool
}

// AddReadings keeps readings of several courses at once, each once, and gives how many were new, and their
// numbers by course. What comes back has been kept.
func (s *Store) AddReadings(ctx context.Context, byCourse map[string][]CourseReading) (fresh int, kept map[string]KeptReadings, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		fresh, kept, err = addReadings(ctx, tx, byCourse)
		return err
	})
	return fresh, kept, tidy(err)
}

func addReadings(ctx context.Context, tx pgx.Tx, byCourse map[string][]CourseReading) (fresh int, kept map[string]KeptReadings, err error) {
	// Rows of courses are locked in one order, by whichever server.
	ids := slices.Sorted(maps.Keys(byCourse))
	counts := make([]int64, len(ids))
	for i, id := range ids {
		counts[i] = int64(len(byCourse[id]))
	}
	kept = make(map[string]KeptReadings, len(ids))
	var numbered pgx.Batch
	for i, id := range ids {
		numbered.Queue(`update course set reading_seq = reading_seq + $2 where id = $1 returning reading_seq`, id, counts[i]).QueryRow(func(row pgx.Row) error {
			var to int64
			err := row.Scan(&to)
			kept[id] = KeptReadings{to - counts[i], to, make([]bool, counts[i])}
			return err
		})
	}
	if err := tx.SendBatch(ctx, &numbered).Close(); err != nil {
		return 0, nil, tidy(err)
	}
	var of, sources, places []string
	var dishes []int32
	var seqs []int64
	var at []time.Time
	var celsius []float64
	for _, id := range ids {
		for i, r := range byCourse[id] {
			of, seqs = append(of, id), append(seqs, kept[id].From+int64(i)+1)
			sources, places, dishes = append(sources, r.Source), append(places, r.Place), append(dishes, int32(r.Dish))
			at, celsius = append(at, r.At), append(celsius, r.Celsius)
		}
	}
	rows, err := tx.Query(ctx, `insert into course_reading (course_id, source, place, dish, at, celsius, seq)
		select * from unnest($1::uuid[], $2::text[], $3::text[], $4::int[], $5::timestamptz[], $6::float8[], $7::bigint[]) on conflict do nothing
		returning course_id::text, seq`, of, sources, places, dishes, at, celsius, seqs)
	if err != nil {
		return 0, nil, tidy(err)
	}
	var id string
	var seq int64
	_, err = pgx.ForEachRow(rows, []any{&id, &seq}, func() error {
		kept[id].Fresh[seq-kept[id].From-1] = true
		fresh++
		return nil
	})
	return fresh, kept, tidy(err)
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

// ReadingsAfter gives the readings of a course after that number, in the order in which they were kept.
func (s *Store) ReadingsAfter(ctx context.Context, id string, after int64) ([]CourseReading, error) {
	rows, err := s.pool.Query(ctx, `select source, place, dish, at, celsius from course_reading where course_id = $1 and seq > $2 order by seq`, id, after)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, readingRow)
	return out, tidy(err)
}

// SparseReadings gives the readings of a course that a forecast goes by: of each place of a dish the first in
// every so many milliseconds of the clock, and the last of all.
func (s *Store) SparseReadings(ctx context.Context, id string, everyMillis int64) ([]CourseReading, error) {
	rows, err := s.pool.Query(ctx, `(select distinct on (place, dish, floor(extract(epoch from at) * 1000 / $2)) source, place, dish, at, celsius from course_reading
			where course_id = $1 order by place, dish, floor(extract(epoch from at) * 1000 / $2), at, source)
		union (select distinct on (place, dish) source, place, dish, at, celsius from course_reading where course_id = $1 order by place, dish, at desc, source)`, id, everyMillis)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, readingRow)
	return out, tidy(err)
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
