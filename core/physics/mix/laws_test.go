package mix_test

import (
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

var starter = food.Starter()

func drawFood(t *rapid.T, want func(*food.Food) bool) *food.Food {
	foods := starter.Foods()
	f := rapid.SampledFrom(foods).Filter(func(f *food.Food) bool { return want(f) }).Draw(t, "food")
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
		Hands:   rapid.Float64Range(0, 30).Draw(t, "hands"),
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

// duties are one of each way that a mix is formed and cooked.
var duties = func() (out []mix.Duty) {
	for _, one := range []struct {
		piece  piece.Piece
		method method.Method
		turn   bool
	}{
		{piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}, method.Pan, true},
		{piece.Piece{Kind: piece.Ball, DiameterMM: 38}, method.DeepOil, false},
		{piece.Piece{Kind: piece.Ball, DiameterMM: 30}, method.Simmer, false},
		{piece.Piece{Kind: piece.Loaf, LengthMM: 210, WidthMM: 110, HeightMM: 60}, method.StillOven, false},
		{piece.Piece{Kind: piece.Stuffing}, method.StillOven, false},
		{piece.Piece{Kind: piece.Fritter, DiameterMM: 60, ThicknessMM: 14}, method.ShallowOil, true},
		{piece.Piece{Kind: piece.Shell, DiameterMM: 60, WallMM: 10}, method.DeepOil, false},
	} {
		out = append(out, mix.NewDuty(&one.piece, one.method, one.turn, &parameter.Usual().Handling))
	}
	return out
}()

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
	near(a.ChunkShare, b.ChunkShare, "chunk share")
	near(a.SD, b.SD, "spread of q")
	for _, d := range duties {
		one, other := a.Effect.Judge(&d, .5), b.Effect.Judge(&d, .5)
		near(one.Raw, other.Raw, "raw")
		near(one.Cooked, other.Cooked, "cooked")
	}
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

func TestLongerInTheHandsNeverRaisesTheIndex(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, short := drawPaste(t)
		rest.Hands += rapid.Float64Range(0, 60).Draw(t, "more")
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

// The index of a sum lies between those of its parts, and a binder that has drunk is
// crumbs by itself: it dries every mix that is not dry crumbs already.
func TestABinderNeverRaisesTheIndexOnceHydrated(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, before := drawPaste(t)
		f := drawFood(t, func(f *food.Food) bool { return f.Group.IsBinder() && f.Tau > 0 })
		soaked := mix.Line{Food: f, Grams: rapid.Float64Range(.1, 200).Draw(t, "binder"),
			Preps: []food.Preparation{{Do: food.SoakGel, Minutes: 60 * f.Tau}}}
		alone := mix.Assess([]mix.Line{soaked}, rest)
		assert.Less(t, alone.Q, 0., f.ID)
		after := mix.Assess(append(slices.Clone(lines), soaked), rest).Q
		assert.LessOrEqual(t, after, max(before.Q, alone.Q)+slack, f.ID)
		assert.GreaterOrEqual(t, after, min(before.Q, alone.Q)-slack, f.ID)
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
		assert.False(t, math.IsNaN(s.Q) || math.IsInf(s.Q, 0) || math.IsNaN(s.SD) || math.IsInf(s.SD, 0))
		assert.GreaterOrEqual(t, s.Q, mix.DriestIndex)
		assert.True(t, s.ChunkShare >= 0 && s.ChunkShare < 1)
		assert.True(t, s.Water+s.Fat <= s.Mass+slack)
		for _, d := range duties {
			j := s.Effect.Judge(&d, rapid.Float64Range(0, 1).Draw(t, "coldness"))
			for _, p := range []float64{j.Raw, j.Cooked} {
				assert.True(t, p >= 0 && p < 1, "%v %+v", p, s)
			}
			assert.Equal(t, j.Raw >= .7, j.RawRatio >= mix.SureRatio, "%v", j)
			assert.Equal(t, j.Cooked >= .5, j.CookedRatio >= 1 && s.HasPaste, "%v", j)
		}
	})
}

// A heavier piece of the same kind is never surer, and a colder one never less sure raw.
func TestWeightAndChillActAsTheyMust(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		_, _, s := drawPaste(t)
		small := piece.Piece{Kind: piece.Patty, DiameterMM: rapid.Float64Range(30, 90).Draw(t, "across"), ThicknessMM: 18}
		large := small
		large.DiameterMM *= rapid.Float64Range(1, 2).Draw(t, "larger")
		light, heavy := mix.NewDuty(&small, method.Pan, true, &parameter.Usual().Handling), mix.NewDuty(&large, method.Pan, true, &parameter.Usual().Handling)
		a, b := s.Effect.Judge(&light, 0), s.Effect.Judge(&heavy, 0)
		assert.LessOrEqual(t, b.Raw, a.Raw+slack)
		assert.LessOrEqual(t, b.Cooked, a.Cooked+slack)
		assert.GreaterOrEqual(t, s.Effect.Judge(&light, 1).Raw, a.Raw-slack)
	})
}

// Water in a mix that is as wet as its piece bears, or flour in one as dry, never helps.
func TestFartherOutOfTheBandIsNeverSurer(t *testing.T) {
	for _, d := range duties {
		if !d.Moved() {
			continue
		}
		for _, base := range []string{r3, r11, references[0].mix, references[1].mix} {
			was := 1.
			for _, water := range []string{"200", "300", "450", "700", "1200"} {
				s := mix.Assess(lines(t, base+"; water "+water), mix.Rest{Minutes: 15, Celsius: 20, Hands: 6})
				now := s.Effect.Judge(&d, 0).Chance()
				if s.Q > d.Band.To {
					assert.LessOrEqual(t, now, was+slack, "%s with %s", base, water)
					was = now
				}
			}
			assert.Less(t, was, .5, base)
			was = 1.
			for _, flour := range []string{"300", "450", "700", "1000"} {
				s := mix.Assess(lines(t, base+"; almond-flour "+flour), mix.Rest{Minutes: 15, Celsius: 20, Hands: 6})
				if now := s.Effect.Judge(&d, 0).Raw; s.Q < d.Band.From {
					assert.LessOrEqual(t, now, was+slack, "%s with %s", base, flour)
					was = now
				}
			}
		}
	}
}

func TestEffectsAddUpToTheState(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest, s := drawPaste(t)
		e := mix.Sum(mix.Parts(lines), rest)
		q, ok := e.Index()
		assert.True(t, ok)
		assert.InDelta(t, s.Q, max(q, mix.DriestIndex), 1e-9*max(1, math.Abs(q)))
		for _, d := range duties {
			assert.InDelta(t, s.Effect.Judge(&d, 0).Chance(), e.Judge(&d, 0).Chance(), 1e-9)
		}
	})
}

// What lies still in an oven until it has set is never less sure raw than what is dropped
// into deep oil.
func TestDeepOilIsTheRougherHand(t *testing.T) {
	ball := piece.Piece{Kind: piece.Ball, DiameterMM: 38}
	oven, oil := mix.NewDuty(&ball, method.StillOven, false, &parameter.Usual().Handling), mix.NewDuty(&ball, method.DeepOil, false, &parameter.Usual().Handling)
	rapid.Check(t, func(t *rapid.T) {
		_, _, s := drawPaste(t)
		assert.LessOrEqual(t, s.Effect.Judge(&oil, 0).Raw, s.Effect.Judge(&oven, 0).Raw+slack)
	})
}
