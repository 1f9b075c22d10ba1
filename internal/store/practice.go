package store

import (
	"context"
	"encoding/json"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"cuerda/core/learn/practice"
)

// Person is someone in the kitchen who practises; the first has no name until they say one.
type Person struct {
	ID        string
	Name      string
	CreatedAt time.Time
	// Gone says that they are not shown; what they called stays.
	Gone bool
}

// PracticeSitting is a run of drills as they were asked.
type PracticeSitting struct {
	ID      string
	Person  string
	BeganAt time.Time
	Ended   bool
	Drills  []practice.Drill
}

// PracticeCall is a call as it is kept; Number is of which drill of its sitting, from 0, -1 where it is of none.
type PracticeCall struct {
	ID     string
	Number int
	practice.Call
	// Answer is what was said, for who opens the sitting again.
	Answer practice.Answer
}

// calledAs is a call in the database: its time stands in a column of its own too, by which calls are in order.
type calledAs struct {
	practice.Call
	Answer practice.Answer `json:"answer"`
}

// Practised is a person with all that they called, the first first.
type Practised struct {
	Person
	Calls []PracticeCall
}

// ErrTooMany is returned where a kitchen has as many people as it may.
var ErrTooMany = errors.New("there are too many already")

// mostPeople of a kitchen practise.
const mostPeople = 40

func personRow(row pgx.CollectableRow) (p Person, err error) {
	err = row.Scan(&p.ID, &p.Name, &p.CreatedAt, &p.Gone)
	p.CreatedAt = p.CreatedAt.UTC()
	return p, err
}

const personColumns = `p.id::text, p.name, p.created_at, p.gone_at is not null`

// People gives those who practise, the first first; those who are gone too.
func (s *Store) People(ctx context.Context, kitchen string) ([]Person, error) {
	return peopleOf(ctx, s.pool, kitchen)
}

type querier interface {
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
}

func peopleOf(ctx context.Context, db querier, kitchen string) ([]Person, error) {
	rows, err := db.Query(ctx, `select `+personColumns+` from practice_person p where kitchen_id = $1 order by created_at, id`, kitchen)
	if err != nil {
		return nil, tidy(err)
	}
	return pgx.CollectRows(rows, personRow)
}

// AddPerson adds someone; ErrTooMany where the kitchen is full.
func (s *Store) AddPerson(ctx context.Context, kitchen, name string) (*Person, error) {
	rows, err := s.pool.Query(ctx, `insert into practice_person as p (kitchen_id, name)
		select $1, $2 where (select count(*) from practice_person where kitchen_id = $1) < $3 returning `+personColumns, kitchen, name, mostPeople)
	if err != nil {
		return nil, tidy(err)
	}
	p, err := pgx.CollectExactlyOneRow(rows, personRow)
	if errors.Is(err, pgx.ErrNoRows) {
		return nil, ErrTooMany
	}
	return &p, tidy(err)
}

// FirstPerson gives the first of a kitchen who is not gone: made, without a name, where there is nobody.
func (s *Store) FirstPerson(ctx context.Context, kitchen string) (*Person, error) {
	var out Person
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		// Two windows that begin at once wait for each other here.
		if _, err := tx.Exec(ctx, `select from kitchen where id = $1 for update`, kitchen); err != nil {
			return err
		}
		people, err := peopleOf(ctx, tx, kitchen)
		if err != nil {
			return err
		}
		for _, p := range people {
			if !p.Gone {
				out = p
				return nil
			}
		}
		rows, err := tx.Query(ctx, `insert into practice_person as p (kitchen_id) values ($1) returning `+personColumns, kitchen)
		if err != nil {
			return err
		}
		out, err = pgx.CollectExactlyOneRow(rows, personRow)
		return err
	})
	return &out, tidy(err)
}

// SavePerson keeps a name, and whether they are gone.
func (s *Store) SavePerson(ctx context.Context, kitchen string, p *Person) error {
	tag, err := s.pool.Exec(ctx, `update practice_person set name = $3, gone_at = case when $4 then coalesce(gone_at, now()) end where kitchen_id = $1 and id = $2`,
		kitchen, p.ID, p.Name, p.Gone)
	if err == nil && tag.RowsAffected() == 0 {
		return ErrNotFound
	}
	return tidy(err)
}

// BeginSitting ends what the person had begun, and begins another.
func (s *Store) BeginSitting(ctx context.Context, kitchen, person string, drills []practice.Drill) (*PracticeSitting, error) {
	text, err := json.Marshal(drills)
	if err != nil {
		return nil, err
	}
	out := &PracticeSitting{Person: person, Drills: drills}
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		// Who begins at the same moment waits here, and ends the other's.
		if err := tx.QueryRow(ctx, `select id from practice_person where kitchen_id = $1 and id = $2 for update`, kitchen, person).Scan(&out.ID); err != nil {
			return err
		}
		if _, err := tx.Exec(ctx, `update practice_sitting set ended_at = coalesce(ended_at, now()), drills = '[]' where person_id = $1 and drills <> '[]'`, person); err != nil {
			return err
		}
		return tx.QueryRow(ctx, `insert into practice_sitting (person_id, drills) values ($1, $2) returning id::text, began_at`, person, text).Scan(&out.ID, &out.BeganAt)
	})
	out.BeganAt = out.BeganAt.UTC()
	return out, tidy(err)
}

// Sitting gives the last one of a person, over or not, with what was called in it; nil where there is none.
func (s *Store) Sitting(ctx context.Context, kitchen, person string) (*PracticeSitting, []PracticeCall, error) {
	return s.sitting(ctx, `where p.kitchen_id = $1 and p.id = $2 order by (s.ended_at is null) desc, s.began_at desc, s.id limit 1`, kitchen, person)
}

// FindSitting gives one by its ID; ErrNotFound where there is none.
func (s *Store) FindSitting(ctx context.Context, kitchen, id string) (*PracticeSitting, []PracticeCall, error) {
	out, calls, err := s.sitting(ctx, `where p.kitchen_id = $1 and s.id = $2`, kitchen, id)
	if err == nil && out == nil {
		err = ErrNotFound
	}
	return out, calls, err
}

func (s *Store) sitting(ctx context.Context, where, kitchen, id string) (*PracticeSitting, []PracticeCall, error) {
	var out PracticeSitting
	var drills []byte
	err := s.pool.QueryRow(ctx, `select s.id::text, s.person_id::text, s.began_at, s.ended_at is not null, s.drills
		from practice_sitting s join practice_person p on p.id = s.person_id `+where, kitchen, id).Scan(&out.ID, &out.Person, &out.BeganAt, &out.Ended, &drills)
	if errors.Is(err, pgx.ErrNoRows) {
		return nil, nil, nil
	}
	if err != nil {
		return nil, nil, tidy(err)
	}
	out.BeganAt = out.BeganAt.UTC()
	if json.Unmarshal(drills, &out.Drills) != nil {
		out.Drills, out.Ended = nil, true // of another version: it can be asked no more
	}
	calls, err := callsOf(ctx, s.pool, `sitting_id = $1`, out.ID)
	return &out, calls, err
}

// EndSitting ends one; one that is over stays so.
func (s *Store) EndSitting(ctx context.Context, kitchen, id string) error {
	tag, err := s.pool.Exec(ctx, `update practice_sitting s set ended_at = coalesce(s.ended_at, now()) from practice_person p
		where p.id = s.person_id and p.kitchen_id = $1 and s.id = $2`, kitchen, id)
	if err == nil && tag.RowsAffected() == 0 {
		return ErrNotFound
	}
	return tidy(err)
}

// AddCall keeps the call of a drill of a sitting. Where that drill was called already it gives the call that
// counts, and says whether it is another's: the same ID is the same call, sent again.
func (s *Store) AddCall(ctx context.Context, sitting *PracticeSitting, c *PracticeCall) (kept *PracticeCall, others bool, err error) {
	text, err := json.Marshal(calledAs{c.Call, c.Answer})
	if err != nil {
		return nil, false, err
	}
	_, err = s.pool.Exec(ctx, `insert into practice_call (person_id, id, sitting_id, number, at, call) values ($1, $2, $3, $4, $5, $6) on conflict do nothing`,
		sitting.Person, c.ID, sitting.ID, c.Number, c.At, text)
	if err != nil {
		return nil, false, tidy(err)
	}
	calls, err := callsOf(ctx, s.pool, `sitting_id = $1 and number = $2`, sitting.ID, c.Number)
	if err != nil {
		return nil, false, err
	}
	if len(calls) == 0 {
		return nil, false, ErrTaken // that ID is of another drill
	}
	return &calls[0], calls[0].ID != c.ID, nil
}

// Calls gives all that a person called, the first first by the clock of the server.
func (s *Store) Calls(ctx context.Context, kitchen, person string) ([]PracticeCall, error) {
	return callsOf(ctx, s.pool, `person_id = (select id from practice_person where kitchen_id = $1 and id = $2)`, kitchen, person)
}

func callsOf(ctx context.Context, db querier, where string, args ...any) ([]PracticeCall, error) {
	rows, err := db.Query(ctx, `select id, coalesce(number, -1), at, call from practice_call where `+where+` order by at, seq`, args...)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, func(row pgx.CollectableRow) (c PracticeCall, err error) {
		var text []byte
		if err = row.Scan(&c.ID, &c.Number, &c.At, &text); err != nil {
			return c, err
		}
		var as calledAs
		err = json.Unmarshal(text, &as)
		at := c.At.UTC()
		c.Call, c.Answer = as.Call, as.Answer
		c.At = at
		return c, err
	})
	return out, tidy(err)
}

// Practised gives everyone with what they called.
func (s *Store) Practised(ctx context.Context, kitchen string) ([]Practised, error) {
	return practisedOf(ctx, s.pool, kitchen)
}

func practisedOf(ctx context.Context, db querier, kitchen string) ([]Practised, error) {
	people, err := peopleOf(ctx, db, kitchen)
	if err != nil {
		return nil, err
	}
	out := make([]Practised, len(people))
	for i := range people {
		out[i].Person = people[i]
		if out[i].Calls, err = callsOf(ctx, db, `person_id = $1`, people[i].ID); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// practised takes someone in with what they called; what is there already stays.
func (t *taking) practised(ctx context.Context, p *Practised) error {
	id, err := t.person(ctx, &p.Person)
	if err != nil {
		return err
	}
	batch := &pgx.Batch{}
	for j := range p.Calls {
		text, err := json.Marshal(calledAs{p.Calls[j].Call, p.Calls[j].Answer})
		if err != nil {
			return err
		}
		batch.Queue(`insert into practice_call (person_id, id, at, call) values ($1, $2, $3, $4) on conflict do nothing`, id, p.Calls[j].ID, p.Calls[j].At, text).
			Exec(func(tag pgconn.CommandTag) error { t.out.Calls += int(tag.RowsAffected()); return nil })
	}
	return t.tx.SendBatch(ctx, batch).Close()
}

// person gives the ID under which someone practises here: their own, or, where that is of another kitchen, one
// that follows from it.
func (t *taking) person(ctx context.Context, p *Person) (string, error) {
	for _, id := range []string{p.ID, t.ownID(p.ID)} {
		var owner string
		err := t.tx.QueryRow(ctx, `insert into practice_person as p (id, kitchen_id, name, created_at, gone_at) values ($1, $2, $3, $4, case when $5 then now() end)
			on conflict (id) do update set name = p.name returning kitchen_id::text`, id, t.kitchen, p.Name, p.CreatedAt, p.Gone).Scan(&owner)
		if err != nil {
			return "", tidy(err)
		}
		if owner == t.kitchen {
			return id, nil
		}
	}
	return "", ErrTaken
}
