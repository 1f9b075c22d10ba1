package live

import (
	"context"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/internal/device/senml"
)

// hear waits until news that is wanted has come; nothing may come for two seconds.
func hear(t *testing.T, s *Subscriber, wanted func(News) bool) {
	t.Helper()
	for range 20 {
		n, ok := s.Wait(t.Context(), 2*time.Second)
		require.True(t, ok)
		if wanted(n) {
			return
		}
		require.NotEqual(t, News{}, n, "nothing came")
	}
	require.Fail(t, "never heard of it")
}

// rests waits until everything on the heat has been forecast.
func rests(t *testing.T, c *Course) {
	t.Helper()
	require.Eventually(t, func() (done bool) {
		c.ask(func() {
			done = true
			for _, f := range c.heat {
				done = done && !f.asked && !f.stale
			}
		})
		return done
	}, 10*time.Second, time.Millisecond)
}

// Whoever follows hears of what others do, of probes and of the scale; several changes are one piece of news, and who
// left is counted no more.
func TestWhoFollowsHears(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	one, leave := b.course.Follow()
	other, otherLeaves := b.course.Follow()
	defer otherLeaves()
	assert.Equal(t, 2, b.course.Snapshot(kitchen.Usual()).Devices)
	hear(t, one, func(n News) bool { return n.View })
	hear(t, other, func(n News) bool { return n.View })

	before := b.course.Version()
	_, err := b.course.Do(t.Context(), []cooking.Event{{ID: "rice", Kind: cooking.TimerSet, Name: "Rice", Minutes: 9}})
	require.NoError(t, err)
	assert.Greater(t, b.course.Version(), before)
	hear(t, one, func(n News) bool { return n.View })
	rests(t, b.course)
	for range 5 {
		b.course.Poke()
	}
	hear(t, one, func(n News) bool { return n.View })
	n, ok := one.Wait(t.Context(), 10*time.Millisecond)
	assert.True(t, ok)
	assert.False(t, n.View, "five changes were one piece of news")

	_, err = b.course.Readings(t.Context(), []senml.Record{{Name: "core", Unit: "Cel", Value: 12}})
	require.NoError(t, err)
	hear(t, one, func(n News) bool { return n.Readings })
	last := b.course.Last()
	require.Len(t, last, 1)
	assert.InDelta(t, 12, last[0].Celsius, 1e-9)
	_, err = b.course.Readings(t.Context(), []senml.Record{{Name: "scale", Unit: "g", Value: 40}})
	require.NoError(t, err)
	hear(t, other, func(n News) bool { return n.Weighs })
	assert.True(t, b.course.Scale().Known)

	leave()
	assert.Equal(t, 1, b.course.Snapshot(kitchen.Usual()).Devices)
	done, cancel := context.WithCancel(t.Context())
	cancel()
	for ok := true; ok; {
		_, ok = one.Wait(done, time.Hour)
	}
}

// What a course was deleted for, or read anew, ends for those who followed it; it is found again as it was kept.
func TestACourseThatIsForgottenEnds(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	s, leave := b.course.Follow()
	defer leave()
	b.Forget(b.kept.ID)
	hear(t, s, func(n News) bool { return n.End })
	again, err := b.Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	assert.NotSame(t, b.course, again)
	assert.Equal(t, b.course.Seq(), again.Seq())
	b.Forget("of nobody")
	_, err = b.Find(t.Context(), "00000000-0000-4000-8000-000000000000", b.kept.ID)
	assert.Error(t, err, "of another kitchen")
}

// Two servers on one database: what one takes over the other hears of, once, in whatever order it is told.
func TestAnotherServerIsHeard(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	elsewhere := b.courses(b.Store, kitchen.Usual())
	there, err := elsewhere.Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	s, leave := there.Follow()
	defer leave()
	hear(t, s, func(n News) bool { return n.View })
	for i, name := range []string{"Rice", "Peas", "Sauce"} {
		_, err := b.course.Do(t.Context(), []cooking.Event{{ID: name, Kind: cooking.TimerSet, Name: name, Minutes: float64(5 + i)}})
		require.NoError(t, err)
	}
	seq := b.course.Seq()
	elsewhere.Heard(b.kept.ID, seq, 0)
	require.Eventually(t, func() bool { return there.Seq() == seq }, 5*time.Second, 5*time.Millisecond)
	hear(t, s, func(n News) bool { return n.View })
	assert.Equal(t, b.course.Snapshot(kitchen.Usual()).State, there.Snapshot(kitchen.Usual()).State)
	rests(t, there)
	version := there.Version()
	elsewhere.Heard(b.kept.ID, seq-2, 0)
	elsewhere.Heard(b.kept.ID, seq, 0)
	elsewhere.Heard("of nobody", 9, 0)
	time.Sleep(3 * heardWait)
	assert.Equal(t, version, there.Version(), "what is known already is no news")
}
