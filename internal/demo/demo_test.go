package demo_test

import (
	"fmt"
	"os"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/predict"
	"cuerda/core/predict/dish"
	"cuerda/internal/demo"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/phrases"
	"cuerda/internal/postgres/pgtest"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

func TestTheKitchenIsMadeOnce(t *testing.T) {
	s := pgtest.Open(t)
	foods := food.Starter()
	id, err := demo.Seed(t.Context(), s, foods)
	require.NoError(t, err)
	again, err := demo.Seed(t.Context(), s, foods)
	require.NoError(t, err)
	assert.Equal(t, id, again)
	want, err := demo.Builds(foods)
	require.NoError(t, err)
	list, err := s.List(t.Context(), id, "", nil, 100)
	require.NoError(t, err)
	assert.Len(t, list, len(want))
	items, err := s.Pantry(t.Context(), id)
	require.NoError(t, err)
	assert.Len(t, items, len(demo.Pantry()))
}

// Every dish but the classic one and the failure holds, suits its table, and
// keeps to the limits of taste.
func TestTheDishesAreGoodOnes(t *testing.T) {
	foods := food.Starter()
	builds, err := demo.Builds(foods)
	require.NoError(t, err)
	club, err := kitchen.New(foods, kitchen.UsualSettings(), demo.Pantry())
	require.NoError(t, err)
	good := 0
	for i := range builds {
		d := &builds[i].Document
		p := predict.Predict(d, club)
		out := false
		for _, l := range p.Lines {
			out = out || l.Check != nil && l.Check.Status == "out"
		}
		if p.Verdict == predict.Holds && p.InBand && !out {
			good++
		}
		for _, n := range p.Notes {
			assert.NotEqual(t, "over-limit", n.Code, d.Name)
		}
	}
	assert.Equal(t, len(builds)-2, good)
}

// A try that failed fails in the model too, and the parts of a dish suit its
// table, in the amount that is usual.
func TestFailuresFailAndPartsFit(t *testing.T) {
	foods := food.Starter()
	builds, err := demo.Builds(foods)
	require.NoError(t, err)
	club, err := kitchen.New(foods, kitchen.UsualSettings(), demo.Pantry())
	require.NoError(t, err)
	parts := 0
	for i := range builds {
		for _, try := range builds[i].Earlier {
			p := predict.Predict(&try.Document, club)
			assert.Equal(t, try.Fails, p.Verdict != predict.Holds || !p.InBand, "%s: %s, index %v", try.Label, p.Verdict, *p.Q)
		}
		plate := dish.Assess(&builds[i].Document, club)
		for j, part := range plate.Parts {
			parts++
			assert.NotEqual(t, eaters.Out, part.Status, "%s %d", builds[i].File, j)
			for _, n := range part.Notes {
				assert.True(t, n.Kind == "caution" || n.Code == "drinks-by-tomorrow", "%s %d: %s", builds[i].File, j, n.Code)
			}
		}
	}
	assert.GreaterOrEqual(t, parts, 9)
}

func TestTheSecondTryKnowsTheFirst(t *testing.T) {
	s, id := demotest.Open(t)
	list, err := s.List(t.Context(), id, "second try", nil, 10)
	require.NoError(t, err)
	require.Len(t, list, 1)
	b, err := s.Find(t.Context(), id, list[0].ID)
	require.NoError(t, err)
	require.NotNil(t, b.From)
	assert.Equal(t, "Courgette and bean patties, first try", b.From.Name)
	assert.Equal(t, 2, b.Version)
}

// All the words of the demonstration are there in Spanish, and no other word changes.
func TestTheKitchenSpeaksSpanish(t *testing.T) {
	builds, err := demo.Builds(food.Starter())
	require.NoError(t, err)
	for i := range builds {
		said := phrases.In("es", &builds[i].Document)
		texts := [][2]string{{builds[i].Document.Name, said.Name}, {builds[i].Document.Note, said.Note}}
		for j, p := range builds[i].Document.Parts {
			texts = append(texts, [2]string{p.Name, said.Parts[j].Name})
		}
		for j, p := range builds[i].Document.Eaters.People {
			texts = append(texts, [2]string{p.Name, said.Eaters.People[j].Name})
		}
		for _, try := range builds[i].Earlier {
			texts = append(texts, [2]string{try.Label, phrases.Say(try.Label, "es")})
		}
		for _, text := range texts {
			assert.Equal(t, text[0] == "", text[0] == text[1], "%q", text[0])
		}
		assert.Equal(t, builds[i].Document, phrases.In("en", &builds[i].Document))
	}
	assert.Equal(t, "My own cakes", phrases.Say("My own cakes", "es"))
}

// The logbook is what the hidden kitchen gave, and learning finds most of what is so there.
func TestTheLogbookIsSimulatedAndTeaches(t *testing.T) {
	kept, err := demo.Logbook()
	require.NoError(t, err)
	assert.Greater(t, len(kept), 40)
	if !testing.Short() {
		made, err := demo.Simulate(food.Starter())
		require.NoError(t, err)
		want, err := demo.LogbookFile(made)
		require.NoError(t, err)
		got, err := demo.LogbookFile(kept)
		require.NoError(t, err)
		assert.Equal(t, string(want), string(got), "run 'make generate'")
	}
	s, id := demotest.Open(t)
	l, _, err := s.Learned(t.Context(), id)
	require.NoError(t, err)
	inside, all := 0, 0
	for name := range demo.Truth.Figures {
		f := l.Figure(name)
		require.NotNil(t, f, name)
		v, _ := demo.Truth.Value(name)
		all++
		if f.Posterior.Low <= v && v <= f.Posterior.High {
			inside++
		}
		t.Logf("%s: %.3g, learned %.3g ± %.2g from %d tries", name, v, f.Posterior.Mean, f.Posterior.SD, len(f.Tries))
	}
	assert.GreaterOrEqual(t, inside, all-1)
	assert.InDelta(t, demo.Truth.Figures[learn.OvenOffset], l.Figure(learn.OvenOffset).Posterior.Mean, 2)
	tries, err := s.Tries(t.Context(), id, 100)
	require.NoError(t, err)
	photos := 0
	for i := range tries {
		found, err := learn.ReadFound(tries[i].Found)
		require.NoError(t, err)
		for _, p := range found.AllPhotos() {
			picture, err := s.FindPhoto(t.Context(), id, p)
			require.NoError(t, err)
			assert.Greater(t, len(picture.Data), 5000)
			photos++
		}
	}
	assert.Greater(t, photos, 4)
}

// Over the whole season, no try in which more broke than was said makes its dish surer.
func TestNoDishIsSurerForATryThatWentWorse(t *testing.T) {
	if testing.Short() {
		t.Skip("ten times as long under the race detector; it runs without")
	}
	foods := food.Starter()
	club, err := kitchen.New(foods, kitchen.UsualSettings(), demo.Pantry())
	require.NoError(t, err)
	all, err := demo.Logbook()
	require.NoError(t, err)
	var tries []learn.Try
	k := club
	worse := 0
	for n := range all {
		one := &all[n]
		if one.Said == nil {
			continue
		}
		d := &one.Document
		before := predict.Predict(d, k).Chance
		tries = append(tries, learn.Try{ID: fmt.Sprint(n), At: time.Unix(int64(n)*86400, 0), Document: d, Found: &one.Found, Said: &before})
		l, err := learn.LearnKitchen(tries, club, learn.KitchenOptions{})
		require.NoError(t, err)
		k = club.Learned(&l.Taught)
		c, counted := one.Found.Both()
		if held := float64(c.Held) / float64(max(c.Of, 1)); counted && held < before {
			worse++
			assert.LessOrEqual(t, predict.Predict(d, k).Chance, before+1e-9, "%s, %d of %d held where %.3f was said", one.File, c.Held, c.Of, before)
		}
	}
	assert.Greater(t, worse, 15, "there are enough of them to tell")
}

// The coxswain's practice is what today's model gives.
func TestThePracticeIsSimulated(t *testing.T) {
	kept, err := os.ReadFile("practice.json")
	require.NoError(t, err)
	calls, err := demo.SimulatePractice(food.Starter())
	require.NoError(t, err)
	made, err := demo.PracticeFile(calls)
	require.NoError(t, err)
	assert.Equal(t, string(made), string(kept), "run 'make generate'")
}
