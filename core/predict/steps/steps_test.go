package steps_test

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/core/predict/steps"
)

// drawGraph is a graph whose needs point back to steps drawn before, some of them tight.
func drawGraph(t *rapid.T) *steps.Graph {
	g := &steps.Graph{}
	n := rapid.IntRange(1, 9).Draw(t, "steps")
	for i := range n {
		g.Add(steps.Step{Minutes: float64(rapid.IntRange(0, 60).Draw(t, "minutes"))})
		for range rapid.IntRange(0, min(i, 3)).Draw(t, "needs") {
			a := steps.After{Step: rapid.IntRange(0, i-1).Draw(t, "after"), FromStart: rapid.Bool().Draw(t, "from start"), Most: steps.Whenever}
			a.Least = float64(rapid.IntRange(0, 30).Draw(t, "least"))
			if rapid.Bool().Draw(t, "tight") {
				a.Most = a.Least + float64(rapid.IntRange(0, 30).Draw(t, "slack"))
			}
			g.Need(i, a)
		}
	}
	for i := range n {
		if rapid.Bool().Draw(t, "in line") {
			g.Line = append(g.Line, i)
		}
	}
	return g
}

// keeps is a checker of its own: by ends and starts, as the needs are written.
func keeps(g *steps.Graph, s steps.Schedule) error {
	for j, step := range g.Steps {
		start := -s[j]
		if start+step.Minutes > 1e-6 {
			return fmt.Errorf("step %d ends after the table", j)
		}
		for _, a := range step.After {
			from := -s[a.Step]
			if !a.FromStart {
				from += g.Steps[a.Step].Minutes
			}
			if gap := start - from; gap < a.Least-1e-6 || gap > a.Most+1e-6 {
				return fmt.Errorf("step %d begins %g min after step %d", j, gap, a.Step)
			}
		}
	}
	return nil
}

func TestTheLatestScheduleKeepsItsNeedsAndNothingCanBeginLater(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		g := drawGraph(t)
		s, err := g.Latest()
		if err != nil {
			t.Skip("at odds")
		}
		require.NoError(t, keeps(g, s))
		// Whoever moves one step later has to move the others too: what they can do is
		// follow it, which never ends well, for the schedule is the least of all.
		for i := range s {
			require.GreaterOrEqual(t, s[i], g.Steps[i].Minutes)
			later := slices.Clone(s)
			later[i]--
			require.Error(t, keeps(g, later), "step %d could begin a minute later", i)
		}
	})
}

func TestTheCordIsOneStepAfterAnother(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		g := drawGraph(t)
		free, err := g.Latest()
		if err != nil {
			t.Skip("at odds")
		}
		s, err := g.Cord()
		if err != nil {
			t.Skip("the line is at odds with a need")
		}
		require.NoError(t, keeps(g, s))
		for n := 1; n < len(g.Line); n++ {
			i, j := g.Line[n-1], g.Line[n]
			require.LessOrEqual(t, s[j], s[i]-g.Steps[i].Minutes+1e-6, "step %d begins before step %d is done", j, i)
		}
		for i := range s {
			require.GreaterOrEqual(t, s[i], free[i]-1e-6, "one cook is no sooner done than many")
		}
	})
}

func TestAConflictNamesNeedsThatAreReallyAtOdds(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		g := drawGraph(t)
		// A gap that its own steps cannot keep, somewhere.
		n := len(g.Steps)
		first := g.Add(steps.Step{Minutes: 30})
		middle := g.Add(steps.Step{Minutes: 20, After: []steps.After{{Step: first, Most: steps.Whenever}}})
		g.Add(steps.Step{After: []steps.After{{Step: first, Most: 5}, {Step: middle, Most: steps.Whenever}}})
		_, err := g.Latest()
		var odds *steps.ConflictError
		require.ErrorAs(t, err, &odds)
		assert.Positive(t, odds.Short)
		// The steps named, alone, are at odds as well.
		alone := &steps.Graph{}
		at := map[int]int{}
		for _, i := range slices.Sorted(slices.Values(odds.Steps)) {
			at[i] = alone.Add(steps.Step{Minutes: g.Steps[i].Minutes})
		}
		for i, to := range at {
			for _, a := range g.Steps[i].After {
				if from, named := at[a.Step]; named {
					a.Step = from
					alone.Need(to, a)
				}
			}
		}
		_, err = alone.Latest()
		require.ErrorAs(t, err, &odds, "%v of %d", odds.Steps, n)
	})
}

func TestACircleOfNeedsIsAConflict(t *testing.T) {
	g := &steps.Graph{Steps: []steps.Step{
		{Code: "mix", Minutes: 4, After: []steps.After{{Step: 1, Most: steps.Whenever}}},
		{Code: "shape", Minutes: 6, After: []steps.After{{Step: 0, Most: steps.Whenever}}},
	}}
	_, err := g.Latest()
	var odds *steps.ConflictError
	require.ErrorAs(t, err, &odds)
	assert.ElementsMatch(t, []int{0, 1}, odds.Steps)
	assert.InDelta(t, 10, odds.Short, 1e-9)
}

func TestNeedsThatMakeNoSenseAreNamed(t *testing.T) {
	for _, a := range []steps.After{
		{Step: -1}, {Step: 2}, {Step: 1}, {Step: 0, Least: 5, Most: 4}, {Step: 0, Least: math.NaN(), Most: 1},
		{Step: 0, Most: math.NaN()}, {Step: 0, Least: math.Inf(1), Most: math.Inf(1)},
	} {
		g := &steps.Graph{Steps: []steps.Step{{Code: "mix"}, {Code: "shape", After: []steps.After{a}}}}
		_, err := g.Cord()
		var bad *steps.BadNeedError
		assert.True(t, errors.As(err, &bad), "%+v", a)
	}
}

func TestClocks(t *testing.T) {
	for _, c := range []struct {
		minutes float64
		clock   string
		day     int
	}{{19 * 60, "19:00", 0}, {0, "00:00", 0}, {-1, "23:59", -1}, {-1440, "00:00", -1}, {-1441, "23:59", -2}, {61.9, "01:01", 0}} {
		clock, day := steps.Clock(c.minutes)
		assert.Equal(t, c.clock, clock, c.minutes)
		assert.Equal(t, c.day, day, c.minutes)
	}
	m, ok := steps.ClockMinutes("07:05")
	assert.True(t, ok)
	assert.Equal(t, 425., m)
	_, ok = steps.ClockMinutes("noon")
	assert.False(t, ok)
}

func TestLateIsCountedToTheTableThatIsMeant(t *testing.T) {
	for _, c := range []struct{ before, table, now, late float64 }{
		{60, 19 * 60, 17 * 60, 0}, {60, 19 * 60, 18 * 60, 0}, {60, 19 * 60, 18*60 + 20, 20},
		{60, 19 * 60, 19*60 + 30, 90}, // the table of the last hour
		{60, 19 * 60, 20*60 + 1, 0},   // tomorrow's
		{90, 30, 23*60 + 10, 10},      // past midnight
		{600, 19 * 60, -1, 0},         // no clock
	} {
		assert.InDelta(t, c.late, steps.Late(c.before, c.table, c.now), 1e-9, "%+v", c)
	}
}

func ExampleGraph_Cord() {
	g := &steps.Graph{}
	mix := g.Add(steps.Step{Code: "mix", Minutes: 5, Holds: steps.Holds{Hands: 1}})
	cook := g.Add(steps.Step{Code: "cook", Minutes: 20, After: []steps.After{{Step: mix, Most: steps.Whenever}}})
	preheat := g.Add(steps.Step{Code: "preheat", Minutes: 15})
	g.Need(cook, steps.After{Step: preheat, Most: 30})
	g.Line = []int{mix, cook}
	s, _ := g.Cord()
	for _, i := range s.Order() {
		fmt.Println(g.Steps[i].Code, s[i])
	}
	// Output:
	// preheat 35
	// mix 25
	// cook 20
}

// A build's cord is laid at each edit; a supper lays ten of them.
func BenchmarkCord(b *testing.B) {
	g := &steps.Graph{}
	for i := range 20 {
		s := steps.Step{Minutes: 10}
		for j := max(0, i-3); j < i; j++ {
			s.After = append(s.After, steps.After{Step: j, Most: 240})
		}
		g.Line = append(g.Line, g.Add(s))
	}
	b.ReportAllocs()
	for b.Loop() {
		if _, err := g.Cord(); err != nil {
			b.Fatal(err)
		}
	}
}
