package jobs_test

import (
	"context"
	"fmt"
	"io"
	"log/slog"
	"math"
	"net/http/httptest"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/promhttp"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/pool"
	"cuerda/internal/jobs"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
	"cuerda/internal/version"
)

func queueOf(t *testing.T, s *store.Store) *jobs.Queue {
	q := &jobs.Queue{Teacher: &jobs.Teacher{Store: s, Foods: food.Starter()}, Log: slog.New(slog.DiscardHandler), FineReadings: 24 * time.Hour}
	require.NoError(t, q.Start(context.WithoutCancel(t.Context())))
	t.Cleanup(func() { q.Stop(context.WithoutCancel(t.Context())) })
	return q
}

func keepTries(t *testing.T, s *store.Store, kitchen string, count int) {
	for day := range count {
		require.NoError(t, s.KeepTry(t.Context(), kitchen, &store.Try{CookedAt: time.Date(2026, 5, 1+day, 18, 0, 0, 0, time.UTC), Document: []byte(peas), Found: []byte(slumped)}))
	}
}

func learnedAll(t *testing.T, s *store.Store, kitchen string) bool {
	tries, of, err := s.Lessons(t.Context(), kitchen)
	require.NoError(t, err)
	return of == store.LearnedOf{Revision: tries, Model: version.Number}
}

// Of two programs on one database whichever is free has a kitchen learn; what nobody asked for, and what an older version
// of the model learned, is found by itself; and how much is left to do stands on the metrics.
func TestKitchensLearnInTheBackground(t *testing.T) {
	s, url := pgtest.OpenURL(t)
	other, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(other.Close)
	var kitchens []string
	for i := range 4 {
		id, err := s.MakeKitchen(t.Context(), store.NewKitchen{Name: fmt.Sprint("Boathouse ", i)})
		require.NoError(t, err)
		keepTries(t, s, id, 3)
		kitchens = append(kitchens, id)
	}
	teacher := jobs.Teacher{Store: s, Foods: food.Starter()}
	old, err := teacher.Learn(t.Context(), kitchens[1])
	require.NoError(t, err)
	tries, _, err := s.Lessons(t.Context(), kitchens[1])
	require.NoError(t, err)
	require.NoError(t, s.SaveLearned(t.Context(), kitchens[1], old, store.LearnedOf{Revision: tries, Model: "0.1.0"}))
	stale, err := s.StaleLessons(t.Context(), version.Number, 10)
	require.NoError(t, err)
	require.Len(t, stale, 4)
	assert.NotContains(t, stale[:3], store.Lesson{Kitchen: kitchens[1], Revision: tries}, "what a cook did comes first")

	first, second := queueOf(t, s), queueOf(t, other)
	done := func() int64 { return first.Counts().Learned.Load() + second.Counts().Learned.Load() }
	require.Eventually(t, func() bool { left, err := first.Stale(t.Context()); return err == nil && left == 0 }, 20*time.Second, 20*time.Millisecond)
	require.Eventually(t, func() bool { return done() == 4 }, 5*time.Second, 10*time.Millisecond)
	for _, id := range kitchens {
		assert.True(t, learnedAll(t, s, id))
	}

	// A sweep beside what waits already adds the others.
	for _, id := range kitchens[:2] {
		keepTries(t, s, id, 1)
	}
	require.NoError(t, first.Learn(t.Context(), kitchens[0]))
	require.NoError(t, first.Sweep(t.Context()))
	require.NoError(t, second.Sweep(t.Context()))
	require.Eventually(t, func() bool { left, err := first.Stale(t.Context()); return err == nil && left == 0 }, 20*time.Second, 20*time.Millisecond)

	// Asked twice about the same tries it learns once; a setting is something new to learn by.
	require.NoError(t, second.Learn(t.Context(), kitchens[0]))
	keepTries(t, s, kitchens[0], 1)
	settings := kitchen.UsualSettings()
	settings.OvenOffset = 12
	require.NoError(t, s.SaveSettings(t.Context(), kitchens[0], settings))
	assert.False(t, learnedAll(t, s, kitchens[0]), "what tries tell of an oven hangs on what was told of it")
	require.NoError(t, first.Learn(t.Context(), kitchens[0]))
	require.NoError(t, second.Learn(t.Context(), kitchens[0]))
	require.Eventually(t, func() bool { return learnedAll(t, s, kitchens[0]) }, 20*time.Second, 20*time.Millisecond)

	registry := prometheus.NewRegistry()
	registry.MustRegister(first.Metrics()...)
	page := httptest.NewServer(promhttp.HandlerFor(registry, promhttp.HandlerOpts{}))
	defer page.Close()
	answer, err := page.Client().Get(page.URL)
	require.NoError(t, err)
	defer answer.Body.Close()
	text, err := io.ReadAll(answer.Body)
	require.NoError(t, err)
	assert.Contains(t, string(text), "\ncuerda_kitchens_to_learn 0\n")
	assert.Contains(t, string(text), fmt.Sprintf("\ncuerda_kitchens_learned_total %d\n", first.Counts().Learned.Load()))
}

// What a program had begun when it was killed stands in the database as under way, and nobody is told: another program takes it up
// once nobody can be at it any more, and the kitchen is not left without what its tries teach.
func TestWhatAKilledProgramHadBegunIsDone(t *testing.T) {
	s, url := pgtest.OpenURL(t)
	id, err := s.MakeKitchen(t.Context(), store.NewKitchen{Name: "Boathouse"})
	require.NoError(t, err)
	killed := queueOf(t, s)
	killed.Stop(t.Context())
	keepTries(t, s, id, 2)
	require.NoError(t, killed.Learn(t.Context(), id))
	db, err := pgx.Connect(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(func() { _ = db.Close(context.WithoutCancel(t.Context())) })
	begun := func(ago time.Duration) {
		row, err := db.Exec(t.Context(), `UPDATE river_job SET state = 'running', attempt = 1, attempted_at = $1, attempted_by = '{killed}' WHERE kind = 'learn'`, time.Now().Add(-ago))
		require.NoError(t, err)
		require.EqualValues(t, 1, row.RowsAffected())
	}

	begun(time.Second)
	first := queueOf(t, s)
	require.NoError(t, first.Sweep(t.Context()))
	time.Sleep(500 * time.Millisecond)
	assert.False(t, learnedAll(t, s, id), "somebody may still be at it, and is not disturbed")
	first.Stop(t.Context())

	begun(3 * time.Minute)
	queueOf(t, s)
	require.Eventually(t, func() bool { return learnedAll(t, s, id) }, 40*time.Second, 50*time.Millisecond)
	var state string
	var attempt int
	require.NoError(t, db.QueryRow(t.Context(), `SELECT state, attempt FROM river_job WHERE kind = 'learn'`).Scan(&state, &attempt))
	assert.Equal(t, 2, attempt, "it was begun anew")
}

// What a kitchen learned is of the figures that foods had then: by another table it learns anew, and by the same it does not.
func TestCommonFiguresHaveKitchensLearnAnew(t *testing.T) {
	s := pgtest.Open(t)
	id, err := s.MakeKitchen(t.Context(), store.NewKitchen{Name: "Boathouse"})
	require.NoError(t, err)
	keepTries(t, s, id, 3)
	stale := func(teacher *jobs.Teacher) bool {
		_, stale, err := teacher.Kitchen(t.Context(), id)
		require.NoError(t, err)
		count, err := s.CountStaleLessons(t.Context(), teacher.Model())
		require.NoError(t, err)
		assert.Equal(t, stale, count > 0)
		return stale
	}
	plain := &jobs.Teacher{Store: s, Foods: food.Starter()}
	_, err = plain.Learn(t.Context(), id)
	require.NoError(t, err)
	assert.False(t, stale(plain))
	table := &pool.Table{Format: pool.Format, Figures: []pool.Figure{{Food: "split-peas-cooked", Kind: pool.Water, Of: pool.OfFood, Value: 2, SD: .2, Between: .5, Households: 20}}}
	tabled := &jobs.Teacher{Store: s, Foods: food.Starter().Taught(table.Deviations(food.Starter())), Common: table}
	assert.True(t, stale(tabled))
	l, err := tabled.Learn(t.Context(), id)
	require.NoError(t, err)
	assert.False(t, stale(tabled))
	if f := l.Figure(learn.WaterOf("split-peas-cooked")); assert.NotNil(t, f) {
		assert.InDelta(t, math.Hypot(.2, .5), f.Prior.SD, 1e-9, "kitchens differ about it by what the table says")
	}
	same := *table
	assert.False(t, stale(&jobs.Teacher{Store: s, Foods: tabled.Foods, Common: &same}))
	same.Figures = nil
	assert.True(t, stale(&jobs.Teacher{Store: s, Foods: food.Starter(), Common: &same}))
}

// A kitchen whose tries make no sense together is not tried again and again.
func TestWhatCannotBeLearnedIsLeft(t *testing.T) {
	s := pgtest.Open(t)
	id, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	keepTries(t, s, id, 1)
	tries, _, err := s.Lessons(t.Context(), id)
	require.NoError(t, err)
	require.NoError(t, s.MarkLearned(t.Context(), id, store.LearnedOf{Revision: tries, Model: version.Number}))
	stale, err := s.StaleLessons(t.Context(), version.Number, 10)
	require.NoError(t, err)
	assert.Empty(t, stale)
	keepTries(t, s, id, 1)
	stale, err = s.StaleLessons(t.Context(), version.Number, 10)
	require.NoError(t, err)
	assert.Len(t, stale, 1, "with another try it may")
}

// What one part of a program works on, no other does, nor another program.
func TestAloneIsAlone(t *testing.T) {
	s, url := pgtest.OpenURL(t)
	other, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(other.Close)
	done, err := s.Alone(t.Context(), "learn a")
	require.NoError(t, err)
	soon, stop := context.WithTimeout(t.Context(), 100*time.Millisecond)
	defer stop()
	_, err = other.Alone(soon, "learn a")
	require.Error(t, err)
	beside, err := other.Alone(t.Context(), "learn b")
	require.NoError(t, err)
	beside()
	done()
	again, err := other.Alone(t.Context(), "learn a")
	require.NoError(t, err)
	again()
}
