package store

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/document"
	"cuerda/core/learn/logbook"
)

// The kinds of try: a cooking, or small ones that were fried before it.
const (
	TryCooked  = "try"
	TryPatties = "patties"
)

// Try is a build as it was made, and how it came out.
type Try struct {
	ID       string
	Kind     string
	Build    string // of the kitchen, "" where it is of none
	Version  int
	Course   string
	Dish     int
	CookedAt time.Time
	Document []byte
	Found    []byte
	// Said is what the model said when it was written down; nil where nothing was.
	Said []byte
	// Patties are test patties and what they told; nil where it is none.
	Patties []byte
	// LeftOut says that nothing is to be learned of it.
	LeftOut   bool
	Revision  int
	UpdatedAt time.Time
	DeletedAt *time.Time
	// By is who wrote it down: nil where nobody signed in, "" for somebody who left.
	By *string
}

const tryColumns = `t.id::text, t.kind, coalesce(t.build_id::text, ''), coalesce(t.version, 0), coalesce(t.course_id::text, ''), t.dish, t.cooked_at,
	t.document, t.found, t.said, t.patties, t.left_out, t.revision, t.updated_at, t.deleted_at, (select name from account where id = t.by_account)`

func tryRow(row pgx.CollectableRow) (t Try, err error) {
	err = row.Scan(&t.ID, &t.Kind, &t.Build, &t.Version, &t.Course, &t.Dish, &t.CookedAt, &t.Document, &t.Found, &t.Said, &t.Patties, &t.LeftOut, &t.Revision, &t.UpdatedAt, &t.DeletedAt, &t.By)
	t.CookedAt, t.UpdatedAt = t.CookedAt.UTC(), t.UpdatedAt.UTC()
	return t, err
}

// sought is what a try is found by.
type sought struct {
	name, words, outcome string
	foods                []string
}

// seek reads it out of the documents, which are kept as they came even where they cannot be read.
func (t *Try) seek() sought {
	out := sought{outcome: string(logbook.Unsaid), foods: []string{}}
	var d document.Document
	if json.Unmarshal(t.Document, &d) == nil {
		out.name, out.foods = d.Name, append(out.foods, FoodsOf(&d)...)
	}
	var f logbook.Found
	if json.Unmarshal(t.Found, &f) == nil {
		out.words, out.outcome = f.Note, string(f.Outcome())
	}
	return out
}

func none(s string) *string {
	if s == "" {
		return nil
	}
	return &s
}

// KeepTry keeps a try: a new one, or that of a dish of a course in place of what it taught before.
func (s *Store) KeepTry(ctx context.Context, kitchen string, t *Try) error {
	return tidy(s.change(ctx, kitchen, func(tx pgx.Tx) error {
		return keepTry(ctx, tx, kitchen, t, `on conflict (course_id, dish) do update set found = excluded.found, document = excluded.document, cooked_at = excluded.cooked_at,
			name = excluded.name, words = excluded.words, foods = excluded.foods, outcome = excluded.outcome, said = coalesce(try.said, excluded.said),
			deleted_at = null, revision = try.revision + 1, updated_at = now()`)
	}))
}

type rower interface {
	QueryRow(ctx context.Context, sql string, args ...any) pgx.Row
}

func keepTry(ctx context.Context, db rower, kitchen string, t *Try, conflict string) error {
	by := t.seek()
	if t.Kind == "" {
		t.Kind = TryCooked
	}
	var version *int
	if t.Version > 0 {
		version = &t.Version
	}
	return db.QueryRow(ctx, `insert into try (id, kitchen_id, kind, build_id, version, course_id, dish, cooked_at, document, found, said, patties, left_out, name, words, foods, outcome)
		values (coalesce($1::uuid, gen_random_uuid()), $2, $3, (select id from build where id::text = $4 and kitchen_id = $2), $5, $6::uuid, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17) `+conflict+`
		returning id::text, revision, updated_at`,
		none(t.ID), kitchen, t.Kind, t.Build, version, none(t.Course), t.Dish, t.CookedAt, t.Document, t.Found, t.Said, t.Patties, t.LeftOut,
		by.name, by.words, by.foods, by.outcome).Scan(&t.ID, &t.Revision, &t.UpdatedAt)
}

// FindTry gives one.
func (s *Store) FindTry(ctx context.Context, kitchen, id string) (*Try, error) {
	rows, err := s.pool.Query(ctx, `select `+tryColumns+` from try t where kitchen_id = $1 and id = $2 and deleted_at is null`, kitchen, id)
	if err != nil {
		return nil, tidy(err)
	}
	t, err := pgx.CollectExactlyOneRow(rows, tryRow)
	if err != nil {
		return nil, tidy(err)
	}
	return &t, nil
}

// SaveTry keeps a changed try; on is the revision that it was changed from. A *ConflictError says that
// another was kept meanwhile. t is then as it was kept by this call, whatever others keep after it.
func (s *Store) SaveTry(ctx context.Context, kitchen string, on int, t *Try) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error {
		var revision int
		if err := tx.QueryRow(ctx, `select revision from try where kitchen_id = $1 and id = $2 and deleted_at is null for update`, kitchen, t.ID).Scan(&revision); err != nil {
			return tidy(err)
		}
		if on != 0 && on != revision {
			return &ConflictError{Current: revision}
		}
		by := t.seek()
		rows, err := tx.Query(ctx, `update try t set cooked_at = $3, document = $4, found = $5, patties = $6, left_out = $7, name = $8, words = $9, foods = $10, outcome = $11,
			revision = revision + 1, updated_at = now() where kitchen_id = $1 and id = $2 returning `+tryColumns,
			kitchen, t.ID, t.CookedAt, t.Document, t.Found, t.Patties, t.LeftOut, by.name, by.words, by.foods, by.outcome)
		if err != nil {
			return err
		}
		*t, err = pgx.CollectExactlyOneRow(rows, tryRow)
		return err
	})
}

// DeleteTry puts a try away; RestoreTry brings it back.
func (s *Store) DeleteTry(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update try set deleted_at = coalesce(deleted_at, now()) where kitchen_id = $1 and id = $2`)
}

// RestoreTry brings a deleted try back.
func (s *Store) RestoreTry(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update try set deleted_at = null where kitchen_id = $1 and id = $2`)
}

// Seek is what to look for; what is empty is not asked for.
type Seek struct {
	// Text is in the name or the words; Foods says one of which is in it as well.
	Text    string
	Foods   []string
	Outcome []string
	Kind    string
	Build   string
	// Before and BeforeID are the time and the ID of the last one seen; of the ID alone nothing follows.
	Before   time.Time
	BeforeID string
	Limit    int
}

// Counts are how many tries there are, and how they came out.
type Counts struct {
	All   int
	Held  int
	First *time.Time
}

// SeekTries gives the tries that are looked for, the last first.
func (s *Store) SeekTries(ctx context.Context, kitchen string, q Seek) ([]Try, error) {
	var pattern *string
	if q.Text != "" {
		p := "%" + strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`).Replace(q.Text) + "%"
		pattern = &p
	}
	var before *time.Time
	if !q.Before.IsZero() {
		before = &q.Before
	}
	rows, err := s.pool.Query(ctx, `select `+tryColumns+` from try t where kitchen_id = $1 and deleted_at is null
		and ($2::text is null or name ilike $2 or words ilike $2 or foods && $3::text[]) and (cardinality($4::text[]) = 0 or outcome = any($4))
		and ($5 = '' or kind = $5) and ($6 = '' or build_id::text = $6) and ($7::timestamptz is null or cooked_at < $7 or cooked_at = $7 and id::text < $9)
		order by cooked_at desc, id::text desc limit $8`, kitchen, pattern, append([]string{}, q.Foods...), append([]string{}, q.Outcome...), q.Kind, q.Build, before, q.Limit, q.BeforeID)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, tryRow)
	return out, tidy(err)
}

// Tries gives those of a kitchen, the last first.
func (s *Store) Tries(ctx context.Context, kitchen string, limit int) ([]Try, error) {
	return s.SeekTries(ctx, kitchen, Seek{Limit: limit})
}

// CountTries counts those of a kitchen.
func (s *Store) CountTries(ctx context.Context, kitchen string) (out Counts, err error) {
	err = s.pool.QueryRow(ctx, `select count(*), count(*) filter (where outcome = 'held'), min(cooked_at) from try where kitchen_id = $1 and deleted_at is null`, kitchen).
		Scan(&out.All, &out.Held, &out.First)
	return out, tidy(err)
}

// KeptTries gives the tries that belong to no course, each with its photos, the oldest first, to each.
func (s *Store) KeptTries(ctx context.Context, kitchen string, each func(*KeptTry) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		return s.keptTries(ctx, tx, kitchen, each)
	})
}

// KeptTry is a try with its pictures.
type KeptTry struct {
	Try
	Photos []Photo
}

func (s *Store) keptTries(ctx context.Context, tx pgx.Tx, kitchen string, each func(*KeptTry) error) error {
	rows, err := tx.Query(ctx, `select `+tryColumns+` from try t where kitchen_id = $1 and course_id is null order by cooked_at, id`, kitchen)
	if err != nil {
		return tidy(err)
	}
	all, err := pgx.CollectRows(rows, tryRow)
	if err != nil {
		return tidy(err)
	}
	for i := range all {
		k := KeptTry{Try: all[i]}
		if k.Photos, err = s.photosOf(ctx, tx, kitchen, all[i:i+1]); err != nil {
			return tidy(err)
		}
		if err := each(&k); err != nil {
			return err
		}
	}
	return nil
}

// try takes one in that is not there yet: under its own ID or, where that is another kitchen's, under one of its own here.
func (t *taking) try(ctx context.Context, from *Try) error {
	one := *from
	if build := t.ids[one.Build]; build != "" {
		one.Build = build
	}
	if own := t.courseIDs[one.Course]; own != "" {
		one.Course = own
	}
	for was, is := range t.photoIDs {
		one.Found = bytes.ReplaceAll(one.Found, []byte(was), []byte(is)) // IDs are of 36 characters that nobody writes
	}
	ids := []string{one.ID}
	if one.ID != "" {
		ids = append(ids, t.ownID(one.ID))
	}
	for _, one.ID = range ids {
		if one.ID != "" {
			var mine bool
			err := t.tx.QueryRow(ctx, `select kitchen_id = $2 from try where id = $1`, one.ID, t.kitchen).Scan(&mine)
			if err == nil && mine {
				return nil // it is there
			}
			if err == nil {
				continue
			}
			if !errors.Is(err, pgx.ErrNoRows) {
				return err
			}
		}
		err := keepTry(ctx, t.tx, t.kitchen, &one, `on conflict (course_id, dish) do nothing`)
		if errors.Is(err, pgx.ErrNoRows) {
			return nil // it is there
		}
		if err == nil && one.DeletedAt != nil {
			_, err = t.tx.Exec(ctx, `update try set deleted_at = $2 where id = $1`, one.ID, one.DeletedAt)
		}
		if err == nil {
			t.out.Tries++
		}
		return err
	}
	return ErrTaken
}
