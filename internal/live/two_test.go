package live

import (
	"context"
	"errors"
	"fmt"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/internal/device/senml"
)

// told is all that a hub shows of the course but how many devices follow.
func told(t *rapid.T, b *bench, hub *Hub) *cooking.Snapshot {
	c, err := hub.Find(b.context, b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	var on []*following
	c.ask(func() {
		for _, f := range c.heat {
			on = append(on, f)
		}
	})
	for _, f := range on {
		c.forecastNow(f)
	}
	require.Eventually(t, func() bool { // what is due is kept by itself
		due := false
		c.ask(func() { due = len(c.firstDue()) > 0 })
		return !due
	}, 5*time.Second, time.Millisecond)
	require.NoError(t, c.fetchNow(b.context))
	out := c.Snapshot(kitchen.Usual())
	out.Version, out.Devices, out.Scale = 0, 0, cooking.ScaleState{}
	return out
}

// Two servers on one database take what devices and probes send, late and in any order; notifications get lost, courses are
// let go and servers begin anew. In the end both show the same, and so does one that reads all of it anew.
func TestTwoServersShowWhatIsKept(t *testing.T) {
	left := lawtest.Draws(12, 150)
	rapid.Check(t, func(r *rapid.T) {
		if left--; left < 0 {
			return
		}
		b := beginCooking(t)
		hubs := []*Hub{b.Hub, b.courses(b.Store, kitchen.Usual())}
		sent := map[string]bool{}
		for i := range rapid.IntRange(10, 40).Draw(r, "acts") {
			n := rapid.IntRange(0, 1).Draw(r, "server")
			c, err := hubs[n].Find(b.context, b.kept.KitchenID, b.kept.ID)
			require.NoError(r, err)
			at := b.at().Add(-time.Duration(rapid.IntRange(0, 90).Draw(r, "seconds late")) * time.Second)
			switch what := rapid.IntRange(0, 12).Draw(r, "what"); {
			case what < 6:
				b.pass(time.Duration(rapid.IntRange(1, 40).Draw(r, "passes")) * time.Second)
				offset := -float64(rapid.IntRange(0, 100).Draw(r, "reading late"))
				_, err := c.Readings(b.context, []senml.Record{{Name: rapid.SampledFrom([]string{"core", "oven", "dish-1/core"}).Draw(r, "probe"), Unit: "Cel", Value: 8 + float64(i), Offset: offset}})
				require.NoError(r, err)
			case what < 10:
				e := cooking.Event{ID: fmt.Sprint("e", i), At: at, Step: b.cook}
				e.Kind = rapid.SampledFrom([]cooking.Kind{cooking.Turned, cooking.Placed, cooking.Done, cooking.Undone, cooking.TimerSet, cooking.Begun}).Draw(r, "kind")
				if e.Kind == cooking.TimerSet {
					e.Name, e.Minutes = "Rice", 9
				}
				out, err := c.Do(b.context, []cooking.Event{e})
				require.NoError(r, err)
				sent[e.ID] = out[0].Refused == nil
			case what == 10:
				hubs[n].Forget(b.kept.ID)
			case what == 11:
				hubs[n] = b.courses(b.Store, kitchen.Usual())
			default:
				hubs[n].Heard(b.kept.ID, int64(rapid.IntRange(0, 60).Draw(r, "seq")), int64(rapid.IntRange(0, 60).Draw(r, "reading")))
			}
		}
		for _, hub := range hubs {
			told(r, b, hub) // what becomes due by one is known to the other
		}
		one, other := told(r, b, hubs[0]), told(r, b, hubs[1])
		anew := told(r, b, b.courses(b.Store, kitchen.Usual()))
		assert.Equal(r, one, other)
		assert.Equal(r, one, anew)
		for id, taken := range sent {
			require.Equal(r, taken, one.State.Has(id), id)
		}
	})
}

// Where another server has kept something in between, it is asked for before anything more is decided on.
func TestAGapIsAlwaysFilled(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	other, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	for i := range 6 {
		c := []*Course{b.course, other}[i%2]
		_, err := c.Do(t.Context(), []cooking.Event{{ID: fmt.Sprint("t", i), Kind: cooking.TimerSet, Name: "Rice", Minutes: 9}})
		require.NoError(t, err)
	}
	assert.Len(t, other.Snapshot(kitchen.Usual()).State.Timers, 6)
	_, err = b.course.Do(t.Context(), []cooking.Event{{ID: "last", Kind: cooking.Ended}})
	require.NoError(t, err)
	assert.Len(t, b.course.Snapshot(kitchen.Usual()).State.Timers, 6)
	b.pass(time.Minute)
	out, err := other.Do(t.Context(), []cooking.Event{{ID: "after", Kind: cooking.TimerSet, Name: "Peas", Minutes: 3}})
	require.NoError(t, err)
	require.NotNil(t, out[0].Refused, "it is over, by what the other server kept")
	assert.Equal(t, cooking.OverAlready, out[0].Refused.Code)
}

// Readings without a dish are of what was on the heat when they came, also once another dish is in.
func TestReadingsStayWithTheirDish(t *testing.T) {
	t.Parallel()
	b := beginTwo(t)
	b.warms(t)
	_, err := b.course.Do(t.Context(), []cooking.Event{{ID: "second", Kind: cooking.Begun, Dish: 1, Step: b.cook}})
	require.NoError(t, err)
	again, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	for _, c := range []*Course{b.course, again} {
		last := c.Last()
		require.Len(t, last, 1)
		assert.Equal(t, 0, last[0].Dish)
	}
	kept, err := b.Store.Readings(t.Context(), b.kept.ID)
	require.NoError(t, err)
	for _, r := range kept {
		assert.Equal(t, 0, r.Dish)
	}
}

// Whoever asks first and leaves takes nobody's answer along.
func TestWhoAsksFirstMayLeave(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	hub := b.courses(b.Store, kitchen.Usual())
	asked, goOn := make(chan bool), make(chan bool)
	usual := hub.Kitchen
	hub.Kitchen = func(ctx context.Context, id string) (*kitchen.Kitchen, error) {
		close(asked)
		<-goOn
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		return usual(ctx, id)
	}
	first, leaves := context.WithCancel(t.Context())
	left := make(chan error)
	go func() {
		_, err := hub.Find(first, b.kept.KitchenID, b.kept.ID)
		left <- err
	}()
	<-asked
	second := make(chan error)
	go func() {
		_, err := hub.Find(t.Context(), b.kept.KitchenID, b.kept.ID)
		second <- err
	}()
	leaves()
	require.ErrorIs(t, <-left, context.Canceled)
	close(goOn)
	assert.NoError(t, <-second)
}

// What panics beside a course ends that, and neither the course nor the process.
func TestAPanicEndsItsTask(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	assert.False(t, b.guard("a test", func() { panic(errors.New("made up")) }))
	s, leave := b.course.Follow()
	defer leave()
	b.course.post(func() { panic("made up") })
	hear(t, s, func(n News) bool { return n.End })
	again, err := b.Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	assert.Equal(t, int64(1), again.Seq())
}

// Two servers whose clocks are half a minute apart: each takes what comes to it, both know all of it, and no tap that a cook made
// is refused for its time.
func TestClocksThatAreHalfAMinuteApart(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	ahead := b.courses(b.Store, kitchen.Usual())
	ahead.Now = func() time.Time { return b.at().Add(30 * time.Second) }
	other, err := ahead.Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	for i := range 40 {
		b.pass(7 * time.Second)
		c := []*Course{b.course, other}[i/2%2]
		// A device says when by its own clock, which is right, or says nothing.
		e := cooking.Event{ID: fmt.Sprint("e", i), Kind: cooking.TimerSet, Name: "Rice", Minutes: 9}
		if i%2 == 0 {
			e.At = b.at()
		}
		out, err := c.Do(t.Context(), []cooking.Event{e})
		require.NoError(t, err)
		require.Nil(t, out[0].Refused, "event %d", i)
		_, err = c.Readings(b.context, []senml.Record{{Name: "core", Unit: "Cel", Value: 8 + float64(i)}})
		require.NoError(t, err)
	}
	behind := b.course
	require.NoError(t, behind.fetchNow(t.Context()))
	require.NoError(t, other.fetchNow(t.Context()))
	anew, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	one := anew.Snapshot(kitchen.Usual())
	assert.Len(t, one.State.Timers, 40)
	for _, c := range []*Course{behind, other} {
		seen := c.Snapshot(kitchen.Usual())
		assert.Equal(t, one.State, seen.State)
		assert.Equal(t, anew.Last(), c.Last(), "the readings too")
	}
	// A tap that comes late to the one whose clock is behind, of a moment that its clock has not come to, is of now.
	e := cooking.Event{ID: "early", Kind: cooking.TimerSet, Name: "Peas", Minutes: 3, At: b.at().Add(30 * time.Second)}
	out, err := behind.Do(t.Context(), []cooking.Event{e})
	require.NoError(t, err)
	assert.Nil(t, out[0].Refused)
}
