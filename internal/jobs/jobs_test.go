package jobs_test

import (
	"encoding/json"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
	"cuerda/internal/jobs"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
	"cuerda/internal/version"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

const peas = `{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},` +
	`{"food":"chickpea-flour","grams":45},{"food":"salt","grams":6}],"rest":{"minutes":20},"cook":{"method":"pan"}}`

const slumped = `{"squeeze":"slumps","pieces":8,"broke":{"turning":7}}`

// A kitchen goes by its tries once it has some, without those left out, and not at all where its cooks want it so.
func TestAKitchenGoesByItsTries(t *testing.T) {
	s := pgtest.Open(t)
	id, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	teacher := jobs.Teacher{Store: s, Foods: food.Starter()}
	d, err := document.Read([]byte(peas), food.Starter())
	require.NoError(t, err)
	chance := func() float64 {
		k, _, err := teacher.Kitchen(t.Context(), id)
		require.NoError(t, err)
		return predict.Predict(d, k).Chance
	}
	plain := chance()
	assert.InDelta(t, predict.Predict(d, kitchen.Usual()).Chance, plain, 1e-12)
	var last store.Try
	for day := range 5 {
		last = store.Try{CookedAt: time.Date(2026, 5, 1+day, 18, 0, 0, 0, time.UTC), Document: []byte(peas), Found: []byte(slumped)}
		require.NoError(t, s.KeepTry(t.Context(), id, &last))
	}
	assert.InDelta(t, plain, chance(), 1e-12, "nobody waits for it to learn")
	_, stale, err := teacher.Kitchen(t.Context(), id)
	require.NoError(t, err)
	assert.True(t, stale)
	l, err := teacher.Learn(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, 5, l.Tries)
	wet := chance()
	assert.Less(t, wet, plain-.05)
	_, stale, err = teacher.Kitchen(t.Context(), id)
	require.NoError(t, err)
	assert.False(t, stale)

	last.LeftOut = true
	require.NoError(t, s.SaveTry(t.Context(), id, 0, &last))
	l, err = teacher.Learn(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, 4, l.Tries)
	assert.Greater(t, chance(), wet)
	require.NoError(t, s.SaveChoices(t.Context(), id, &store.Choices{Off: true}))
	assert.InDelta(t, plain, chance(), 1e-12)
}

// However many jobs run at once, what is kept in the end is of all tries.
func TestWhoeverIsLastLearnsOfAll(t *testing.T) {
	s := pgtest.Open(t)
	id, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	teacher := jobs.Teacher{Store: s, Foods: food.Starter()}
	var all sync.WaitGroup
	for day := range 6 {
		all.Go(func() {
			one := store.Try{CookedAt: time.Date(2026, 5, 1+day, 18, 0, 0, 0, time.UTC), Document: []byte(peas), Found: []byte(slumped)}
			assert.NoError(t, s.KeepTry(t.Context(), id, &one))
			_, err := teacher.Learn(t.Context(), id)
			assert.NoError(t, err)
		})
	}
	all.Wait()
	l, _, err := s.Learned(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, 6, l.Tries)
	tries, of, err := s.Lessons(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, store.LearnedOf{Revision: tries, Model: version.Number}, of)
	again, err := teacher.Learn(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, l, again, "nothing new is to be learned")
}

// Test patties are so many tries of one piece each; what cannot be read teaches nothing and breaks nothing.
func TestWhatIsTakenOfTries(t *testing.T) {
	at := time.Date(2026, 5, 1, 18, 0, 0, 0, time.UTC)
	fried := []byte(`{"question":{"food":"chickpea-flour","amounts":[30,60]},"fried":[{"option":0,"word":"slack","grade":"cracked"},{"option":1,"word":"firm","grade":"firm"},{"option":7}]}`)
	got := jobs.Tries([]store.Try{
		{ID: "patties", Kind: store.TryPatties, CookedAt: at.AddDate(0, 0, 2), Document: []byte(peas), Found: []byte(`{}`), Patties: fried},
		{ID: "left", CookedAt: at.AddDate(0, 0, 1), Document: []byte(peas), Found: []byte(slumped), LeftOut: true},
		{ID: "gone", CookedAt: at, Document: []byte(`{"format":"cuerda-build/1","lines":[{"food":"moon-dust","grams":1}]}`), Found: []byte(slumped)},
		{ID: "odd", CookedAt: at, Document: []byte(peas), Found: []byte(`{"pieces":-1}`)},
		{ID: "first", CookedAt: at, Document: []byte(peas), Found: []byte(slumped)},
	}, food.Starter())
	require.Len(t, got, 3)
	assert.Equal(t, "first", got[0].ID, "the oldest first")
	for i, want := range []float64{60, 30} {
		assert.InDelta(t, want, got[1+i].Document.Lines[1].Grams, 1e-9)
		held, known := got[1+i].Found.Raw()
		assert.True(t, known)
		assert.Equal(t, 1, held.Of)
	}
}

// Trust is in what was said, not in what the model makes of it afterwards.
func TestTrustIsInWhatWasSaid(t *testing.T) {
	base := kitchen.Usual()
	d, err := document.Read([]byte(peas), base.Foods)
	require.NoError(t, err)
	now := jobs.Say(d, base)
	assert.InDelta(t, predict.Predict(d, base).Chance, now.Chance, 5e-4)
	require.NotNil(t, now.OffAtMinutes)
	now.Chance = .05
	said, err := json.Marshal(now)
	require.NoError(t, err)
	one := store.Try{Kind: store.TryCooked, Document: []byte(peas), Found: []byte(slumped), Said: said}
	silent := store.Try{Kind: store.TryCooked, Document: []byte(peas), Found: []byte(`{}`), Said: said}
	unsaid := store.Try{Kind: store.TryCooked, Document: []byte(peas), Found: []byte(slumped)}
	trust, alone := jobs.Trust([]store.Try{one, silent, unsaid}, base)
	assert.Equal(t, 1, trust.Tries, "what was said and found")
	require.Len(t, trust.Bins, 1)
	assert.InDelta(t, .05, trust.Bins[0].Said, 1e-9)
	assert.Greater(t, alone.Brier, trust.Brier)
	assert.True(t, trust.TooFew)
}
