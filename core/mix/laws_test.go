package mix_test

import (
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/food"
	"cuerda/core/mix"
)

var starter = food.Starter()

func drawFood(t *rapid.T, want func(*food.Food) bool) *food.Food {
	foods := starter.Foods()
	f := rapid.SampledFrom(foods).Filter(func(f food.Food) bool { return want(&f) }).Draw(t, "food")
	return starter.Find(f.ID)
}

func anyFood(*food.Food) bool { return true }

func drawPrep(t *rapid.T, from []food.Do) food.Preparation {
	p := food.Preparation{Do: rapid.SampledFrom(from).Draw(t, "do")}
	switch p.Do.Setting() {
	case "minutes":
		p.Minutes = rapid.Float64Range(0, 60).Draw(t, "minutes")
	case "level":
		p.Level = rapid.Float64Range(0, 1).Draw(t, "level")
	case "hours":
		p.Hours = rapid.Float64Range(0, 24).Draw(t, "hours")
	}
	return p
}

func drawLine(t *rapid.T) mix.Line {
	l := mix.Line{Food: drawFood(t, anyFood), Grams: rapid.Float64Range(0.1, 2000).Draw(t, "grams")}
	for range rapid.IntRange(0, 2).Draw(t, "preps") {
		l.Preps = append(l.Preps, drawPrep(t, food.Dos))
	}
	return l
}

func drawMix(t *rapid.T) ([]mix.Line, mix.Rest) {
	lines := rapid.SliceOfN(rapid.Custom(drawLine), 1, 14).Draw(t, "lines")
	rest := mix.Rest{
		Minutes: rapid.Float64Range(0, 240).Draw(t, "rest"),
		Celsius: rapid.Float64Range(0, 40).Draw(t, "celsius"),
	}
	return lines, rest
}

// drawPaste is drawMix for laws that speak of the index.
func drawPaste(t *rapid.T) ([]mix.Line, mix.Rest, mix.State) {
	lines, rest := drawMix(t)
	s := mix.Assess(lines, rest)
	if !s.HasPaste {
		t.Skip("nothing drinks in this mix")
	}
	return lines, rest, s
}

const slack = 1e-9

func TestDoublingChangesOnlyTheMass(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest := drawMix(t)
		one := mix.Assess(lines, rest)
		double := slices.Clone(lines)
		for i := range double {
			double[i].Grams *= 2
		}
		two := mix.Assess(double, rest)
		assert.InEpsilon(t, 2*one.Mass, two.Mass, 1e-9)
		assertSame(t, one, two)
	})
}

func TestOrderChangesNothing(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest := drawMix(t)
		shuffled := rapid.Permutation(lines).Draw(t, "order")
		assertSame(t, mix.Assess(lines, rest), mix.Assess(shuffled, rest))
	})
}

func assertSame(t *rapid.T, a, b mix.State) {
	near := func(x, y float64, what string) {
		assert.InDelta(t, x, y, 1e-9*max(1, math.Abs(x)), what)
	}
	assert.Equal(t, a.HasPaste, b.HasPaste)
	near(a.Q, b.Q, "q")
	near(a.Raw, b.Raw, "raw")
	near(a.Cooked, b.Cooked, "cooked")
	near(a.ChunkShare, b.ChunkShare, "chunk share")
	near(a.Spread.Q, b.Spread.Q, "spread of q")
	near(a.Chance(1, .5, 2), b.Chance(1, .5, 2), "chance")
}

func TestWaterRaisesTheIndex(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, dry := drawPaste(t)
		wet := mix.Assess(append(slices.Clone(lines), mix.Line{
			Food: starter.Find("water"), Grams: dry.Mass * rapid.Float64Range(0.01, 1).Draw(t, "water"),
		}), rest)
		if !wet.HasPaste {
			t.Skip("drowned")
		}
		if dry.Q > mix.DriestIndex {
			assert.Greater(t, wet.Q, dry.Q)
		} else {
			assert.GreaterOrEqual(t, wet.Q, dry.Q)
		}
	})
}

func TestALongerRestNeverRaisesTheIndex(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, short := drawPaste(t)
		rest.Minutes += rapid.Float64Range(0, 600).Draw(t, "more")
		assert.LessOrEqual(t, mix.Assess(lines, rest).Q, short.Q+slack)
	})
}

func TestAColderRestNeverLowersTheIndex(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, warm := drawPaste(t)
		rest.Celsius -= rapid.Float64Range(0, 20).Draw(t, "colder")
		assert.GreaterOrEqual(t, mix.Assess(lines, rest).Q, warm.Q-slack)
	})
}

func TestABinderNeverRaisesTheIndexOnceHydrated(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, before := drawPaste(t)
		f := drawFood(t, func(f *food.Food) bool { return f.Group.IsBinder() && f.Tau > 0 })
		soaked := mix.Line{Food: f, Grams: rapid.Float64Range(.1, 200).Draw(t, "binder"),
			Preps: []food.Preparation{{Do: food.SoakGel, Minutes: 60 * f.Tau}}}
		assert.LessOrEqual(t, mix.Assess(append(slices.Clone(lines), soaked), rest).Q, before.Q+slack, f.ID)
	})
}

// A saute also frees paste from softened pieces, so the law is asked of the
// ways of drying that leave the pieces whole.
func TestDryingNeverRaisesTheIndex(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, before := drawPaste(t)
		i := rapid.IntRange(0, len(lines)-1).Draw(t, "line")
		dried := slices.Clone(lines)
		dried[i].Preps = append(slices.Clone(dried[i].Preps),
			drawPrep(t, []food.Do{food.OvenDry, food.Roast, food.Press, food.Toast}))
		assert.LessOrEqual(t, mix.Assess(dried, rest).Q, before.Q+slack, dried[i])
	})
}

func TestEveryFigureStaysInItsRange(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest := drawMix(t)
		s := mix.Assess(lines, rest)
		for name, v := range map[string]float64{"q": s.Q, "raw": s.Raw, "cooked": s.Cooked, "mass": s.Mass, "sd": s.Spread.Q} {
			assert.False(t, math.IsNaN(v) || math.IsInf(v, 0), name)
		}
		assert.GreaterOrEqual(t, s.Q, mix.DriestIndex)
		assert.True(t, s.ChunkShare >= 0 && s.ChunkShare < 1)
		assert.True(t, s.Water+s.Fat <= s.Mass+slack)
		demand := rapid.Float64Range(.01, 50).Draw(t, "demand")
		chance := s.Chance(1, demand, demand)
		assert.True(t, chance >= 0 && chance <= 1, "%v %v %+v", chance, demand, s)
		assert.LessOrEqual(t, s.Chance(1, 2*demand, 2*demand), chance+1e-4, "a heavier duty is never surer")
	})
}

func TestEffectsAddUpToTheState(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, s := drawPaste(t)
		q, raw, cooked, ok := mix.Sum(mix.Parts(lines), rest).Holds()
		assert.True(t, ok)
		assert.InDelta(t, s.Q, max(q, mix.DriestIndex), 1e-9*max(1, math.Abs(q)))
		assert.InDelta(t, s.Raw, raw, 1e-9*max(1, s.Raw))
		assert.InDelta(t, s.Cooked, cooked, 1e-9*max(1, s.Cooked))
	})
}
