package store_test

import (
	"fmt"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/learn/practice"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func squeezes(n int) []practice.Drill {
	out := make([]practice.Drill, n)
	for i := range out {
		out[i] = practice.Drill{Kind: practice.Squeeze, Skill: practice.Plain, Index: .4, Word: "firm", Document: document.Document{Lines: []document.Line{{Food: "tofu-firm", Grams: 300}}}}
	}
	return out
}

// whose opens a kitchen with somebody who practises, and a way to the database beside the store.
func whose(t *testing.T) (s *store.Store, db *pgx.Conn, kitchen string, p *store.Person) {
	t.Helper()
	url := pgtest.URL(t)
	s, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(s.Close)
	db = pgtest.Connect(t, url)
	kitchen, _, err = s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	p, err = s.FirstPerson(t.Context(), kitchen)
	require.NoError(t, err)
	return s, db, kitchen, p
}

func call(t testing.TB, s *store.Store, sitting *store.PracticeSitting, id string, number int, at time.Time) (kept *store.PracticeCall, others bool) {
	t.Helper()
	c, err := sitting.Drills[number].Mark(practice.Answer{Index: .7, Sure: .6})
	require.NoError(t, err)
	c.At = at
	kept, others, err = s.AddCall(t.Context(), sitting, &store.PracticeCall{ID: id, Number: number, Call: c, Answer: practice.Answer{Index: .7, Sure: .6}})
	require.NoError(t, err)
	return kept, others
}

// A sitting keeps its drills as they were asked and its calls for good, also when it is left for a month; who begins
// anew loses no call.
func TestASittingLeftForAMonth(t *testing.T) {
	t.Parallel()
	s, db, k, p := whose(t)
	sitting, err := s.BeginSitting(t.Context(), k, p.ID, squeezes(10))
	require.NoError(t, err)
	call(t, s, sitting, "a", 0, may)
	_, err = db.Exec(t.Context(), `update practice_sitting set began_at = began_at - interval '31 days'`)
	require.NoError(t, err)
	left, calls, err := s.Sitting(t.Context(), k, p.ID)
	require.NoError(t, err)
	assert.False(t, left.Ended)
	assert.Equal(t, squeezes(10), left.Drills)
	require.Len(t, calls, 1)
	assert.Equal(t, practice.Answer{Index: .7, Sure: .6}, calls[0].Answer)
	call(t, s, left, "b", 1, may.AddDate(0, 1, 0))

	again, err := s.BeginSitting(t.Context(), k, p.ID, squeezes(3))
	require.NoError(t, err)
	now, calls, err := s.Sitting(t.Context(), k, p.ID)
	require.NoError(t, err)
	assert.Equal(t, again.ID, now.ID)
	assert.Empty(t, calls)
	old, calls, err := s.FindSitting(t.Context(), k, sitting.ID)
	require.NoError(t, err)
	assert.True(t, old.Ended)
	assert.Empty(t, old.Drills, "its drills are asked no more")
	assert.Len(t, calls, 2)
	all, err := s.Calls(t.Context(), k, p.ID)
	require.NoError(t, err)
	assert.Len(t, all, 2)
	require.NoError(t, s.EndSitting(t.Context(), k, again.ID))
	require.NoError(t, s.EndSitting(t.Context(), k, again.ID), "twice is once")
}

// Calls are only ever added: the database itself refuses to change them, and one drill has one call.
func TestCallsAreOnlyAdded(t *testing.T) {
	t.Parallel()
	s, db, k, p := whose(t)
	sitting, err := s.BeginSitting(t.Context(), k, p.ID, squeezes(2))
	require.NoError(t, err)
	first, others := call(t, s, sitting, "a", 0, may)
	assert.False(t, others)
	same, others := call(t, s, sitting, "a", 0, may.AddDate(0, 0, 1))
	assert.False(t, others)
	assert.Equal(t, first, same)
	_, others = call(t, s, sitting, "b", 0, may)
	assert.True(t, others)
	c, err := sitting.Drills[1].Mark(practice.Answer{Index: .7})
	require.NoError(t, err)
	_, _, err = s.AddCall(t.Context(), sitting, &store.PracticeCall{ID: "a", Number: 1, Call: c})
	require.ErrorIs(t, err, store.ErrTaken, "an ID is of one call")
	for _, sql := range []string{`update practice_call set at = now()`, `delete from practice_call`} {
		_, err := db.Exec(t.Context(), sql)
		require.ErrorContains(t, err, "only ever added")
	}
}

// A clock that was set back: a call dated before others is kept as it came, and what is thought of a skill stays sane.
func TestAClockThatWasSetBack(t *testing.T) {
	t.Parallel()
	s, _, k, p := whose(t)
	sitting, err := s.BeginSitting(t.Context(), k, p.ID, squeezes(6))
	require.NoError(t, err)
	for i := range 6 {
		call(t, s, sitting, fmt.Sprint(i), i, may.AddDate(0, 0, -40*(i%2)))
	}
	kept, err := s.Calls(t.Context(), k, p.ID)
	require.NoError(t, err)
	require.Len(t, kept, 6)
	calls := make([]practice.Call, len(kept))
	for i := range kept {
		calls[i] = kept[i].Call
	}
	e := practice.EyeOf(calls, may.AddDate(0, 0, -20))
	assert.Equal(t, 6, e.Calls)
	for _, state := range e.Skills {
		assert.True(t, state.Recall >= 0 && state.Recall <= 1)
	}
	assert.Equal(t, may.AddDate(0, 0, -40), *e.Since)
}

// Each kitchen has its own people; a sitting of another version ends, and its calls stay.
func TestPeopleOfTwoKitchens(t *testing.T) {
	t.Parallel()
	s, db, k, p := whose(t)
	same, err := s.FirstPerson(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, p.ID, same.ID)
	const other = "0f2a9d3c-1111-4222-8333-444455558888"
	_, err = db.Exec(t.Context(), `insert into kitchen (id, name) values ($1, 'Galley')`, other)
	require.NoError(t, err)
	_, err = s.BeginSitting(t.Context(), other, p.ID, squeezes(1))
	require.ErrorIs(t, err, store.ErrNotFound)
	require.ErrorIs(t, s.SavePerson(t.Context(), other, p), store.ErrNotFound)
	sitting, err := s.BeginSitting(t.Context(), k, p.ID, squeezes(2))
	require.NoError(t, err)
	_, _, err = s.FindSitting(t.Context(), other, sitting.ID)
	require.ErrorIs(t, err, store.ErrNotFound)
	calls, err := s.Calls(t.Context(), other, p.ID)
	require.NoError(t, err)
	assert.Empty(t, calls)

	// The same person taken into both kitchens is two.
	call(t, s, sitting, "a", 0, may)
	all, err := s.Practised(t.Context(), k)
	require.NoError(t, err)
	for range 2 {
		_, err = s.TakeIn(t.Context(), other, store.Taken{Practised: all})
		require.NoError(t, err)
	}
	taken, err := s.Practised(t.Context(), other)
	require.NoError(t, err)
	require.Len(t, taken, 1)
	assert.NotEqual(t, p.ID, taken[0].ID)
	assert.Len(t, taken[0].Calls, 1)

	_, err = db.Exec(t.Context(), `update practice_sitting set drills = '{"of":"another version"}'`)
	require.NoError(t, err)
	odd, calls, err := s.Sitting(t.Context(), k, p.ID)
	require.NoError(t, err)
	assert.True(t, odd.Ended)
	assert.Len(t, calls, 1)
}
