package live

import (
	"context"
	"encoding/json"
	"fmt"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
	"cuerda/internal/device"
	"cuerda/internal/device/senml"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

// However often it is turned, a course's clock goes on, and as fast as it is said to.
func TestTheClockGoesOn(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		real := time.Date(2026, 11, 25, 18, 0, 0, 0, time.UTC)
		c := clock{real.Add(-time.Hour), real, 1}
		was := c.at(real)
		for range rapid.IntRange(1, 12).Draw(t, "turns") {
			by := time.Duration(rapid.IntRange(0, 600).Draw(t, "seconds")) * time.Second
			speed := rapid.Float64Range(0, 100).Draw(t, "speed")
			real = real.Add(by)
			now := c.at(real)
			require.Equal(t, time.Duration(float64(by)*c.speed), now.Sub(was))
			c = c.turned(real, speed)
			require.Equal(t, now, c.at(real), "to turn it is no jump")
			require.True(t, c.speed >= 1 && c.speed <= 60)
			require.InDelta(t, float64(time.Minute)/c.speed, float64(c.until(now.Add(time.Minute), real)), 2)
			require.False(t, c.at(real.Add(-time.Hour)).Before(now), "a clock of the world that goes back stops it")
			was = now
		}
	})
}

func TestNamesOfInstruments(t *testing.T) {
	for name, want := range map[string]string{
		"core": "-1 core", "urn:dev:ow:10e2073a:oven": "-1 oven", "dish-2/core": "1 core", "urn:dev:x:dish-12/surface": "11 surface", "urn:dev:scale": "-1 scale",
	} {
		dish, place, ok := instrument(name)
		assert.True(t, ok, name)
		assert.Equal(t, want, fmt.Sprint(dish, " ", place), name)
	}
	for _, name := range []string{"", "/", "pressure", "core/", "urn:dev:core2", "coreoven"} {
		_, place, ok := instrument(name)
		assert.False(t, ok && name != "core/", "%q is %q", name, place)
	}
}

const balls = `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"millet-flakes","grams":45}],` +
	`"piece":{"kind":"ball","diameter_mm":40},"cook":{"method":"still-oven","celsius":200}}`

// bench is a course of balls in the oven, and what keeps it, by a clock of the test's own.
type bench struct {
	*Hub
	context context.Context
	clock   atomic.Int64 // ns
	course  *Course
	kept    *store.Course
	cook    int
}

func beginCooking(t *testing.T) *bench { return beginDishes(t, 1) }

// beginTwo is a course of two dishes, of which the first is in the oven.
func beginTwo(t *testing.T) *bench { return beginDishes(t, 2) }

func beginDishes(t *testing.T, dishes int) *bench {
	k := kitchen.Usual()
	s := pgtest.Open(t)
	b := &bench{context: t.Context()}
	b.clock.Store(time.Date(2026, 11, 25, 18, 0, 0, 0, time.UTC).UnixNano())
	b.Hub = b.courses(s, k)
	id, _, err := s.MadeUp(t.Context(), "club")
	require.NoError(t, err)
	d := &supper.Supper{Format: supper.Format, Table: b.at().Add(2 * time.Hour), Aim: "latest-start", Dishes: []supper.SupperDish{{Name: "Balls", Build: json.RawMessage(balls)}}}
	for len(d.Dishes) < dishes {
		d.Dishes = append(d.Dishes, d.Dishes[0])
	}
	planned, err := supper.Make(d, k, nil)
	require.NoError(t, err)
	b.kept, err = s.CreateCourse(t.Context(), id, cooking.Of(d, planned, k), b.at(), b.at())
	require.NoError(t, err)
	b.course, err = b.Find(t.Context(), id, b.kept.ID)
	require.NoError(t, err)
	for i, step := range b.kept.Plan.Dishes[0].Steps {
		if step.Cooking() {
			b.cook = i
		}
	}
	_, err = b.course.Do(t.Context(), []cooking.Event{{ID: "in", Kind: cooking.Begun, Step: b.cook}})
	require.NoError(t, err)
	return b
}

func (b *bench) at() time.Time { return time.Unix(0, b.clock.Load()).UTC() }

func (b *bench) pass(by time.Duration) { b.clock.Add(int64(by)) }

// warms lets the probe in the middle rise by a degree every twenty seconds, from 8 to 27 degC.
func (b *bench) warms(t *testing.T) {
	t.Helper()
	for m := range 20 {
		b.pass(20 * time.Second)
		_, err := b.course.Readings(t.Context(), []senml.Record{{Name: "core", Unit: "Cel", Value: 8 + float64(m)}})
		require.NoError(t, err)
	}
}

// look forecasts what is on the heat now, and gives what is known of it.
func look(t *testing.T, c *Course) *cooking.Ahead {
	t.Helper()
	var on []*following
	c.ask(func() {
		for _, f := range c.heat {
			on = append(on, f)
		}
	})
	require.Len(t, on, 1)
	c.forecastNow(on[0])
	return c.Snapshot(kitchen.Usual()).Ahead[on[0].Ref]
}

func (b *bench) courses(s *store.Store, k *kitchen.Kitchen) *Hub {
	return &Hub{Store: s, Now: b.at, Kitchen: func(context.Context, string) (*kitchen.Kitchen, error) { return k, nil }}
}

// What a server that begins anew makes of what was kept is what the one before it knew.
func TestACourseThatIsReadAnewForecastsTheSame(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	d := b.course.Instruments()
	require.Len(t, d.Heat, 1)
	sim, ok := device.Simulate(&d.Heat[0].Build, kitchen.Usual(), nil, 5)
	require.True(t, ok)
	for m := range 40 {
		b.pass(15 * time.Second)
		sim.Advance(float64(m+1) / 4)
		var pack []senml.Record
		for _, r := range sim.Readings() {
			pack = append(pack, senml.Record{Name: "p:" + string(r.Where), Unit: "Cel", Value: r.Celsius})
		}
		if len(pack) == 0 {
			continue
		}
		taken, err := b.course.Readings(t.Context(), pack)
		require.NoError(t, err)
		require.Empty(t, taken.Faults)
	}
	_, err := b.course.Do(t.Context(), []cooking.Event{{ID: "turn", Kind: cooking.Turned}})
	require.NoError(t, err)
	before := look(t, b.course)
	again, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	after := look(t, again)
	assert.Equal(t, b.course.Seq(), again.Seq())
	assert.Equal(t, before, after)
}

// What is on the heat is forecast for whoever asks, also where nobody follows and nothing more happens.
func TestACourseThatIsReadIsForecast(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	b.warms(t)
	again, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	require.Eventually(t, func() bool { return len(again.Snapshot(kitchen.Usual()).Ahead) == 1 }, 10*time.Second, 5*time.Millisecond)
}

// An event that was kept though its answer was lost is known once it is sent again.
func TestAnAnswerThatWasLost(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	e := cooking.Event{ID: "rice", At: b.at(), Kind: cooking.TimerSet, Name: "Rice", Minutes: 9}
	_, err := b.Store.AddEvents(t.Context(), b.kept.ID, store.Whatever, b.at(), []cooking.Event{e})
	require.NoError(t, err)
	out, err := b.course.Do(t.Context(), []cooking.Event{e})
	require.NoError(t, err)
	assert.Equal(t, int64(2), out[0].Seq)
	assert.Len(t, b.course.Snapshot(kitchen.Usual()).State.Timers, 1)
	assert.Equal(t, int64(2), b.course.Seq())
}

// When a dish was first due is kept: how late it is grows, also on a server that begins anew, and stays
// what it was however the probe reads on.
func TestWhatIsLateStaysLate(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	off := func(c *Course) (at time.Time, late time.Duration) {
		t.Helper()
		l := c.Snapshot(kitchen.Usual())
		for _, one := range l.Tasks {
			if one.Do == cooking.DoOff {
				return one.At, b.at().Sub(one.At)
			}
		}
		require.Fail(t, "it is to come off")
		return at, 0
	}
	read := func(c *Course, celsius float64) {
		t.Helper()
		b.pass(30 * time.Second)
		_, err := c.Readings(t.Context(), []senml.Record{{Name: "core", Unit: "Cel", Value: celsius}})
		require.NoError(t, err)
	}
	for core := 8.; core < 78; core += 3 {
		read(b.course, core)
	}
	due, was := off(b.course)
	require.GreaterOrEqual(t, was, time.Duration(0), "it is due now")
	for range 10 { // five minutes more
		read(b.course, 80)
		at, late := off(b.course)
		assert.Equal(t, due, at)
		assert.Equal(t, was+30*time.Second, late)
		was = late
	}
	again, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, b.kept.ID)
	require.NoError(t, err)
	at, late := off(again)
	assert.Equal(t, due, at)
	assert.Equal(t, was, late)
}

// What is said to be off is written down with what its probe read, where that is below its goal.
func TestOffBelowItsGoalIsWrittenDown(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	b.warms(t)
	_, err := b.course.Do(t.Context(), []cooking.Event{{ID: "off", Kind: cooking.Done, Step: b.cook}})
	require.NoError(t, err)
	below := b.course.Snapshot(kitchen.Usual()).State.Dishes[0].Steps[b.cook].Below
	require.NotNil(t, below)
	assert.InDelta(t, 27, *below, 4)
}

// A probe tells of the cooking that it was read in, and of no other in that kitchen.
func TestProbesBelongToTheirCooking(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	kept, err := b.Store.CreateCourse(t.Context(), b.kept.KitchenID, &b.kept.Plan, b.at(), b.at())
	require.NoError(t, err)
	other, err := b.Find(t.Context(), b.kept.KitchenID, kept.ID)
	require.NoError(t, err)
	_, err = other.Do(t.Context(), []cooking.Event{{ID: "in", Kind: cooking.Begun, Step: b.cook}})
	require.NoError(t, err)
	for m := range 20 {
		b.pass(20 * time.Second)
		_, err := b.course.Readings(t.Context(), []senml.Record{{Name: "core", Unit: "Cel", Value: 20 + 2*float64(m)}})
		require.NoError(t, err)
	}
	joined, err := b.courses(b.Store, kitchen.Usual()).Find(t.Context(), b.kept.KitchenID, kept.ID) // as a device does that comes later
	require.NoError(t, err)
	for _, c := range []*Course{other, joined} {
		assert.Empty(t, look(t, c).History)
		assert.Empty(t, look(t, c).Last)
	}
	assert.NotEmpty(t, look(t, b.course).Last)
}

// What was said to be off, and is not, is followed anew by what its probe had told.
func TestWhatIsNotOffAfterAllGoesOn(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	b.warms(t)
	before := look(t, b.course)
	for _, kind := range []cooking.Kind{cooking.Done, cooking.Undone} {
		_, err := b.course.Do(t.Context(), []cooking.Event{{ID: string(kind), Kind: kind, Step: b.cook}})
		require.NoError(t, err)
	}
	after := look(t, b.course)
	assert.Len(t, after.History, len(before.History))
	assert.InDelta(t, before.Forecast.Off.Value, after.Forecast.Off.Value, 0.5)
	assert.True(t, after.Forecast.Off.Value > after.Forecast.Now)
}

// A device that slept for a day sends what it saw then: it counts as of then, and the course is as if it
// had never slept.
func TestADeviceThatSleptForADay(t *testing.T) {
	t.Parallel()
	b := beginCooking(t)
	then := b.at().Add(20 * time.Minute)
	b.pass(26 * time.Hour)
	out, err := b.course.Do(t.Context(), []cooking.Event{{ID: "off", At: then, Kind: cooking.Done, Step: b.cook}})
	require.NoError(t, err)
	require.Nil(t, out[0].Refused)
	l := b.course.Snapshot(kitchen.Usual())
	assert.Equal(t, then, *l.State.Dishes[0].Steps[b.cook].Done)
	taken, err := b.course.Readings(t.Context(), []senml.Record{{Name: "core", Unit: "Cel", Value: 20}})
	require.NoError(t, err)
	assert.Equal(t, 1, taken.Noted, "a probe that lies about a day later tells nothing")
}
