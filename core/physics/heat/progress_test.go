package heat

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/physics/method"
)

// waysToCook are one of each kind of body and heat.
var waysToCook = map[string]func() *Cooking{
	"ball in an oven": func() *Cooking { return cooking(ball28, method.StillOven, 190, 71) },
	"loaf in its tin": func() *Cooking { return cooking(inTin, method.StillOven, 177, 74) },
	"patty in a pan":  func() *Cooking { return cooking(patty, method.Pan, 180, 74) },
	"patty seared, an oven": func() *Cooking {
		c := cooking(patty, method.StillOven, 190, 74)
		c.SearMinutes = 2
		return c
	},
}

func drawWay(t *rapid.T) *Cooking {
	return waysToCook[rapid.SampledFrom([]string{"ball in an oven", "loaf in its tin", "patty in a pan", "patty seared, an oven"}).Draw(t, "way")]()
}

// asPlanned goes on to that minute and does what the plan does on the way.
func asPlanned(p *Progress, plan *Course, until float64) {
	next := 0
	for p.Minutes() < until-1e-9 {
		stop := until
		if next < len(plan.Turns) {
			stop = min(stop, plan.Turns[next])
		}
		if plan.SearEnds != nil && p.Minutes() < *plan.SearEnds {
			stop = min(stop, *plan.SearEnds)
		}
		p.Advance(stop - p.Minutes())
		if next < len(plan.Turns) && p.Minutes() >= plan.Turns[next]-1e-9 {
			p.Turn()
			next++
		}
		if plan.SearEnds != nil && p.Minutes() >= *plan.SearEnds-1e-9 {
			p.OntoHeat()
		}
	}
}

func TestAForecastOnTheWayIsThatOfTheWhole(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	rapid.Check(t, func(t *rapid.T) {
		c := drawWay(t)
		whole := c.Run(c.Begin(6))
		require.True(t, whole.Reached)
		p := c.Start(c.Begin(6))
		asPlanned(p, &whole, rapid.Float64Range(0, 0.95).Draw(t, "share of the way")*whole.Pull)
		now := p.Observe()
		rest := p.Forecast()
		assert.Equal(t, now, p.Observe(), "to forecast changes nothing")
		assert.InEpsilon(t, whole.Pull, rest.Pull, 0.06, "turned at %v against %v", rest.Turns, whole.Turns)
		assert.InDelta(t, whole.Peak, rest.Peak, 1.5)
		assert.GreaterOrEqual(t, rest.Pull, p.Minutes())
	})
}

func TestHowOftenOneLooksChangesNothing(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		c := drawWay(t)
		minutes := rapid.Float64Range(1, 20).Draw(t, "minutes")
		once, often := c.Start(c.Begin(8)), c.Start(c.Begin(8))
		once.Advance(minutes)
		for looks := rapid.IntRange(2, 30).Draw(t, "looks"); often.Minutes() < minutes-1e-9; {
			often.Advance(min(minutes/float64(looks), minutes-often.Minutes()))
		}
		a, b := once.Observe(), often.Observe()
		assert.InDelta(t, a.Core, b.Core, 1.2, "the steps of time are good to a degree")
		assert.InDelta(t, a.Mean, b.Mean, 1.2)
		assert.InDelta(t, a.Browning, b.Browning, 0.03)
	})
}

func TestWhatTheCookDoesIsWhatHappens(t *testing.T) {
	c := cooking(patty, method.StillOven, 190, 74)
	plan := c.Run(c.Begin(6))
	at := func(share float64, do func(p *Progress)) Course {
		p := c.Start(c.Begin(6))
		asPlanned(p, &plan, share*plan.Pull)
		do(p)
		return p.Forecast()
	}
	early := at(0.6, (*Progress).TakeOff)
	late := at(1.4, (*Progress).TakeOff)
	assert.False(t, early.Reached)
	assert.Less(t, early.Peak, c.Target.Celsius-5)
	assert.InDelta(t, 0.6*plan.Pull, early.Pull, 1e-6, "off is off")
	assert.Greater(t, late.Peak, plan.Peak+2)
	assert.Greater(t, late.VapourShare, plan.VapourShare)
	assert.Greater(t, late.Browning, plan.Browning)
	cooler := at(0.4, func(p *Progress) { p.Reset(150) })
	assert.Greater(t, cooler.Pull, plan.Pull+1)
	hotter := at(0.4, func(p *Progress) { p.Reset(230) })
	assert.Less(t, hotter.Pull, plan.Pull-0.5)
	assert.Greater(t, cooler.Pull, hotter.Pull)
	forgotten := at(2, func(*Progress) {})
	assert.InDelta(t, 2*plan.Pull, forgotten.Pull, 0.1, "what is done is to come off now")

	grilled := cooking(patty, method.StillOven, 190, 74)
	grilled.GrillMinutes = 3
	p := grilled.Start(grilled.Begin(6))
	p.Advance(5)
	p.Grill()
	p.Advance(1)
	under := p.Forecast()
	require.NotNil(t, under.GrillFrom)
	assert.InDelta(t, 5, *under.GrillFrom, 1e-6)
	assert.InDelta(t, 8, under.Pull, 1e-6, "its minutes under the grill and then off")
}

func TestAProbeFindsWhatLiesWhereItIs(t *testing.T) {
	c := cooking(ball28, method.StillOven, 190, 71)
	p := c.Start(c.Begin(6))
	p.Advance(10)
	o := p.Observe()
	assert.InDelta(t, o.Core, p.Probe(0), 0.3, "the middle of a ball")
	for share := 0.1; share <= 1; share += 0.1 {
		assert.Greater(t, p.Probe(share), p.Probe(share-0.1), "hotter outward")
	}
	loaf := cooking(inTin, method.StillOven, 177, 74)
	l := loaf.Start(loaf.Begin(6))
	l.Advance(30)
	coldest := l.Probe(0.5)
	for _, share := range []float64{0, 0.1, 0.9, 1, -3, 7} {
		assert.Greater(t, l.Probe(share), coldest)
	}
}

func TestAClonedBodyGoesItsOwnWay(t *testing.T) {
	c := cooking(patty, method.Pan, 180, 74)
	b := c.Begin(6)
	c.surround(b, method.Pan, 180)
	b.Advance(60, nil)
	other := b.Clone()
	b.Advance(120, nil)
	other.Advance(120, nil)
	assert.InDelta(t, b.Mean(), other.Mean(), 0.05, "the same from the same state")
	held := other.Stored()
	b.Advance(300, nil)
	assert.Equal(t, held, other.Stored(), "and neither moves the other")
}

func ExampleProgress() {
	c := cooking(inTin, method.StillOven, 177, 74)
	p := c.Start(c.Begin(6))
	p.Advance(20)
	fmt.Printf("after %.0f min %.0f degC inside, off the heat at %.0f min\n", p.Minutes(), p.Observe().Core, p.Forecast().Pull)
	// Output: after 20 min 27 degC inside, off the heat at 46 min
}

// A second beside time, and a forecast: what a reading costs.
func BenchmarkForecastHalfWay(b *testing.B) {
	c := cooking(inTin, method.StillOven, 177, 74)
	p := c.Start(c.Begin(6))
	p.Advance(30)
	b.ReportAllocs()
	for b.Loop() {
		p.Advance(1. / 60)
		p.Forecast()
	}
}

func TestABlendKeepsTheHeatOfItsShares(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		c := drawWay(t)
		all := make([]*Progress, 3)
		stored := make([]float64, len(all))
		for i := range all {
			own := *c
			own.Celsius += float64(12 * i)
			all[i] = own.Start(own.Begin(5 + float64(3*i)))
			all[i].Advance(rapid.Float64Range(0, 8).Draw(t, "minutes"))
			stored[i] = all[i].run.body.Stored()
		}
		weights := make([][]float64, len(all))
		for i := range weights {
			a, b := rapid.Float64Range(0, 1).Draw(t, "a"), rapid.Float64Range(0, 1).Draw(t, "b")
			weights[i] = []float64{a, b * (1 - a), (1 - b) * (1 - a)}
		}
		Mingle(all, weights)
		for i, p := range all {
			want := 0.
			for j, w := range weights[i] {
				want += w * stored[j]
			}
			assert.InEpsilon(t, want+1e6, p.run.body.Stored()+1e6, 1e-6)
			assert.False(t, p.Forecast().Reached && p.Observe().Done && p.Observe().Core < c.Target.Celsius-carryOver)
		}
	})
}

func TestWhatWasNotedIsNotNeededToLookAhead(t *testing.T) {
	c := waysToCook["ball in an oven"]()
	a, b := c.Start(c.Begin(6)), c.Start(c.Begin(6))
	for range 8 {
		a.Advance(1)
		b.Advance(1)
		b.Forget()
	}
	assert.InDelta(t, a.Forecast().Pull, b.Forecast().Pull, 1e-9)
	assert.Len(t, b.run.course.Moments, 1)
}

// A blend of a piece with itself is that piece.
func TestABlendOfOneIsThatOne(t *testing.T) {
	c := waysToCook["patty seared, an oven"]()
	a, b := c.Start(c.Begin(6)), c.Start(c.Begin(6))
	for _, p := range []*Progress{a, b} {
		p.Advance(1)
		p.Turn()
		p.Advance(5)
	}
	was := a.Observe()
	Mingle([]*Progress{a, b}, [][]float64{{0.5, 0.5}, {1, 0}})
	assert.InDelta(t, was.Core, a.Observe().Core, 1e-6)
	assert.InDelta(t, was.Mean, b.Observe().Mean, 1e-6)
	assert.InDelta(t, was.Browning, a.Observe().Browning, 1e-9)
}
