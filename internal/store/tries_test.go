package store_test

import (
	"encoding/json"
	"fmt"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/internal/store"
)

var may = time.Date(2026, 5, 1, 18, 0, 0, 0, time.UTC)

// try keeps one of a dish, days after the first of May.
func try(t testing.TB, s *store.Store, k, name, found string, days int) *store.Try {
	t.Helper()
	document, err := json.Marshal(doc(name, 400))
	require.NoError(t, err)
	out := &store.Try{CookedAt: may.AddDate(0, 0, days), Document: document, Found: []byte(found)}
	require.NoError(t, s.KeepTry(t.Context(), k, out))
	return out
}

func names(t testing.TB, s *store.Store, k string, q store.Seek) (out []string) {
	t.Helper()
	if q.Limit == 0 {
		q.Limit = 50
	}
	all, err := s.SeekTries(t.Context(), k, q)
	require.NoError(t, err)
	for i := range all {
		var d struct{ Name string }
		require.NoError(t, json.Unmarshal(all[i].Document, &d))
		out = append(out, d.Name)
	}
	return out
}

func TestTriesAreFoundByWhatIsInThem(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	try(t, s, k, "Cakes", `{"hold":"held","note":"50% more, the_best"}`, 0)
	try(t, s, k, "Balls", `{"pieces":8,"broke":{"turning":7}}`, 2)
	try(t, s, k, "Loaf", `{"note":"Nobody looked"}`, 1)
	assert.Equal(t, []string{"Balls", "Loaf", "Cakes"}, names(t, s, k, store.Seek{}), "the last first")
	assert.Equal(t, []string{"Loaf", "Cakes"}, names(t, s, k, store.Seek{Before: may.AddDate(0, 0, 2)}))
	assert.Equal(t, []string{"Cakes"}, names(t, s, k, store.Seek{Text: "CAKE"}))
	assert.Equal(t, []string{"Cakes"}, names(t, s, k, store.Seek{Text: "50%"}), "signs are no wildcards")
	assert.Equal(t, []string{"Cakes"}, names(t, s, k, store.Seek{Text: "the_best"}))
	assert.Empty(t, names(t, s, k, store.Seek{Text: "%"})[1:], "nor alone")
	assert.Len(t, names(t, s, k, store.Seek{Text: "nothing", Foods: []string{"tofu-firm"}}), 3)
	assert.Equal(t, []string{"Balls"}, names(t, s, k, store.Seek{Outcome: []string{"fell-apart"}}))
	assert.Equal(t, []string{"Loaf"}, names(t, s, k, store.Seek{Outcome: []string{"unsaid"}}))
	counts, err := s.CountTries(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, 3, counts.All)
	assert.Equal(t, 1, counts.Held)
	assert.True(t, counts.First.Equal(may))
	other := "00000000-0000-0000-0000-000000000001"
	assert.Empty(t, names(t, s, other, store.Seek{}), "another kitchen's are not told")
}

func TestATryIsKeptByOneAtATime(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	one := try(t, s, k, "Cakes", `{"hold":"held"}`, 0)
	changed := *one
	changed.Found = []byte(`{"hold":"fell-apart"}`)
	require.NoError(t, s.SaveTry(t.Context(), k, 1, &changed))
	assert.Equal(t, 2, changed.Revision)
	var conflict *store.ConflictError
	require.ErrorAs(t, s.SaveTry(t.Context(), k, 1, &changed), &conflict)
	assert.Equal(t, 2, conflict.Current)
	assert.Equal(t, []string{"Cakes"}, names(t, s, k, store.Seek{Outcome: []string{"fell-apart"}}), "found by what it says now")

	require.NoError(t, s.DeleteTry(t.Context(), k, one.ID))
	_, err := s.FindTry(t.Context(), k, one.ID)
	require.ErrorIs(t, err, store.ErrNotFound)
	require.ErrorIs(t, s.SaveTry(t.Context(), k, 2, &changed), store.ErrNotFound)
	require.NoError(t, s.RestoreTry(t.Context(), k, one.ID))
	back, err := s.FindTry(t.Context(), k, one.ID)
	require.NoError(t, err)
	assert.JSONEq(t, `{"hold":"fell-apart"}`, string(back.Found))
	_, err = s.FindTry(t.Context(), "00000000-0000-0000-0000-000000000001", one.ID)
	require.ErrorIs(t, err, store.ErrNotFound)
}

// What was learned, and what its cooks do with it, is kept apart: neither takes the other's place, and both tell the
// other servers.
func TestWhatWasLearnedIsKept(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	l, c, err := s.Learned(t.Context(), k)
	require.NoError(t, err)
	assert.Nil(t, l)
	assert.Equal(t, store.Choices{}, c)
	before, err := s.PantryRevision(t.Context(), k)
	require.NoError(t, err)
	offset := -8.25
	want := &learn.Learned{Tries: 3, Figures: []learn.Figure{{ID: learn.OvenOffset, Tries: []string{"a"}, Used: true}}, Taught: kitchen.Taught{OvenOffset: &offset}}
	require.NoError(t, s.SaveLearned(t.Context(), k, want, store.LearnedOf{}))
	require.NoError(t, s.SaveChoices(t.Context(), k, &store.Choices{LeftOut: []string{"scoop"}, Forgotten: map[string]time.Time{learn.OvenOffset: may}}))
	require.NoError(t, s.SaveLearned(t.Context(), k, want, store.LearnedOf{}))
	l, c, err = s.Learned(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, want, l)
	assert.Equal(t, []string{"scoop"}, c.LeftOut)
	assert.True(t, c.Forgotten[learn.OvenOffset].Equal(may))
	after, err := s.PantryRevision(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, before+3, after)
}

// A job that learned of fewer tries than what is kept never takes its place, however long it took; several who choose at
// once each change what the other left.
func TestLearningGoesOnlyForward(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	try(t, s, k, "Cakes", `{"hold":"held"}`, 0)
	slow, _, err := s.Lessons(t.Context(), k)
	require.NoError(t, err)
	try(t, s, k, "Cakes", `{"hold":"held"}`, 1)
	quick, _, err := s.Lessons(t.Context(), k)
	require.NoError(t, err)
	require.Greater(t, quick, slow)
	require.NoError(t, s.SaveLearned(t.Context(), k, &learn.Learned{Tries: 2}, store.LearnedOf{Revision: quick, Model: "now"}))
	require.NoError(t, s.SaveLearned(t.Context(), k, &learn.Learned{Tries: 1}, store.LearnedOf{Revision: slow, Model: "now"}))
	l, _, err := s.Learned(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, 2, l.Tries)
	_, of, err := s.Lessons(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, store.LearnedOf{Revision: quick, Model: "now"}, of)

	var choosing sync.WaitGroup
	for i := range 12 {
		choosing.Go(func() {
			assert.NoError(t, s.Choose(t.Context(), k, func(c *store.Choices) { c.LeftOut = append(c.LeftOut, fmt.Sprint(i)) }))
		})
	}
	choosing.Wait()
	_, c, err := s.Learned(t.Context(), k)
	require.NoError(t, err)
	assert.Len(t, c.LeftOut, 12)
}

// Tries of one moment are paged without losing any.
func TestTriesOfOneMomentArePaged(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	for range 7 {
		try(t, s, k, "Cakes", `{"hold":"held"}`, 0)
	}
	seen := map[string]bool{}
	for q := (store.Seek{Limit: 3}); ; {
		page, err := s.SeekTries(t.Context(), k, q)
		require.NoError(t, err)
		if len(page) == 0 {
			break
		}
		for _, one := range page {
			require.False(t, seen[one.ID])
			seen[one.ID] = true
		}
		q.Before, q.BeforeID = page[len(page)-1].CookedAt, page[len(page)-1].ID
	}
	assert.Len(t, seen, 7)
}

// Tries with their pictures go into another kitchen once, and whole.
func TestTriesAreTakenInOnce(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	p := &store.Photo{MediaType: "image/jpeg", Width: 2, Height: 1, Data: []byte("picture")}
	require.NoError(t, s.KeepPhoto(t.Context(), k, p))
	try(t, s, k, "Cakes", fmt.Sprintf(`{"hold":"held","photos":[%q,"00000000-0000-0000-0000-000000000009"]}`, p.ID), 0)
	try(t, s, k, "Balls", `{}`, 1)
	var kept []store.KeptTry
	require.NoError(t, s.KeptTries(t.Context(), k, func(one *store.KeptTry) error { kept = append(kept, *one); return nil }))
	require.Len(t, kept, 2)
	assert.Len(t, kept[0].Photos, 1, "a picture that is gone is left out")
	to, there := open(t)
	for _, want := range []int{2, 0} {
		out, err := to.TakeIn(t.Context(), there, store.Taken{Tries: kept})
		require.NoError(t, err)
		assert.Equal(t, want, out.Tries)
	}
	picture, err := to.FindPhoto(t.Context(), there, p.ID)
	require.NoError(t, err)
	assert.Equal(t, []byte("picture"), picture.Data)
	assert.Equal(t, []string{"Balls", "Cakes"}, names(t, to, there, store.Seek{}))
}
