package bake_test

import (
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/steps"
)

func drawPreparation(t *rapid.T) food.Preparation {
	p := food.Preparation{Do: rapid.SampledFrom(food.Dos).Draw(t, "do")}
	switch p.Do.Setting() {
	case "minutes":
		p.Minutes = rapid.Float64Range(0, 90).Draw(t, "minutes")
	case "level":
		p.Level = rapid.Float64Range(0, 1).Draw(t, "level")
	case "hours":
		p.Hours = rapid.Float64Range(0, 30).Draw(t, "hours")
	}
	return p
}

// drawBuild is any build that the reader would take: any foods, done to in any way, any
// piece cooked any way, with parts.
func drawBuild(t *rapid.T) *document.Document {
	foods := food.Starter().Foods()
	line := rapid.Custom(func(t *rapid.T) document.Line {
		l := document.Line{Food: rapid.SampledFrom(foods).Draw(t, "food").ID, Grams: rapid.Float64Range(1, 3000).Draw(t, "grams")}
		for range rapid.IntRange(0, 3).Draw(t, "preparations") {
			l.Prep = append(l.Prep, drawPreparation(t))
		}
		return l
	})
	p := piece.Usual(rapid.SampledFrom(piece.Kinds).Draw(t, "kind"))
	celsius := rapid.Float64Range(60, 250).Draw(t, "celsius")
	d := &document.Document{
		Format: document.Format, Lines: rapid.SliceOfN(line, 1, 6).Draw(t, "lines"), Piece: &p,
		Cook: &document.Cook{Method: rapid.SampledFrom(method.Methods()).Draw(t, "method"), Celsius: &celsius},
	}
	if rapid.Bool().Draw(t, "chills") {
		d.Chill = &document.Wait{Minutes: rapid.Float64Range(0, 600).Draw(t, "chill")}
	}
	if rapid.Bool().Draw(t, "seared") && d.Cook.Method.Row().Sears {
		d.Cook.SearMinutes = 2
	}
	if rapid.Bool().Draw(t, "grilled") && d.Cook.Method.Row().Finishes {
		d.Cook.GrillMinutes = 3
	}
	for range rapid.IntRange(0, 3).Draw(t, "parts") {
		d.Parts = append(d.Parts, document.Part{
			Kind: rapid.SampledFrom(document.PartKinds).Draw(t, "part"), Lines: rapid.SliceOfN(line, 0, 2).Draw(t, "part lines"),
			When: rapid.SampledFrom(append([]string{""}, document.Whens...)).Draw(t, "when"),
		})
	}
	return d
}

func TestTheWorkOfAnyBuildCanBeLaid(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	rapid.Check(t, func(t *rapid.T) {
		d, k := drawBuild(t), kitchen.Usual()
		k.Racks = rapid.IntRange(1, 4).Draw(t, "racks")
		out := bake.Bake(d, k, bake.Options{Now: -1})
		g := out.Needs
		require.NoError(t, g.Check())
		begin, err := g.Patient().Cord()
		require.NoError(t, err, "one cook can always do it, given time")

		// The knots are that schedule, in order, on a clock that goes on.
		require.Len(t, out.Steps, len(g.Steps))
		require.True(t, slices.IsSortedFunc(out.Steps, func(a, b bake.Step) int {
			switch {
			case a.Before > b.Before:
				return -1
			case a.Before < b.Before:
				return 1
			}
			return 0
		}))
		line := 0.
		for _, i := range g.Line {
			line += g.Steps[i].Minutes
		}
		first := begin[g.Line[0]]
		require.GreaterOrEqual(t, first, line-1e-6, "one after another")
		for _, s := range out.Steps {
			at, ok := steps.ClockMinutes(s.Clock)
			require.True(t, ok)
			require.InDelta(t, 19*60-s.Before, at+24*60*float64(s.Day), 1, s.Code)
			require.False(t, s.Minutes < 0 || math.IsNaN(s.Minutes) || math.IsInf(s.Minutes, 0), s.Code)
			require.GreaterOrEqual(t, s.Times, 1)
		}

		// Whatever is done to a food is done before it is mixed, and foods after others of
		// which nothing is known are in no step at all.
		mix := g.Find("mix")
		require.GreaterOrEqual(t, mix, 0)
		for i, s := range g.Steps {
			for _, l := range s.Lines {
				require.Less(t, l, len(d.Lines))
				require.GreaterOrEqual(t, begin[i]-s.Minutes, begin[mix]-1e-6, "%s ends before mixing", s.Code)
			}
			assert.LessOrEqual(t, s.Holds.Racks, k.Racks, s.Code)
			assert.True(t, s.Holds.Hands >= 0 && s.Holds.Hands <= 1)
			assert.Equal(t, s.Holds.Burners, s.Holds.Pans, "%s: what stands on a burner stands in a pan", s.Code)
		}
		for i := range d.Lines {
			for _, p := range d.Lines[i].Prep {
				step := g.Find(string(p.Do))
				require.GreaterOrEqual(t, step, 0, p.Do)
				require.Contains(t, g.Steps[step].Lines, i)
			}
		}
		if cook := g.Find("cook"); cook >= 0 {
			if heat := g.Find("preheat"); heat >= 0 {
				assert.InDelta(t, begin[cook], begin[heat]-g.Steps[heat].Minutes, 1e-6, "the oven is hot as they go in")
			}
			for _, part := range d.Parts {
				if part.Kind.Brushed() && len(part.Lines) > 0 {
					at := slices.IndexFunc(g.Steps, func(s steps.Step) bool { return s.Code == "brush" })
					require.GreaterOrEqual(t, at, 0)
					assert.LessOrEqual(t, begin[at], begin[cook]+g.Steps[at].Minutes+1e-6)
				}
			}
		}
	})
}

// What keeps for a while would keep too long where one cook soaks for two days and then
// prepares for another; the cord is laid all the same, and the graph says what is in the way.
func TestWhatWouldKeepTooLongIsLaidAllTheSame(t *testing.T) {
	d := parsed(t, turkeyBalls, `{"food": "salt", "grams": 8}`,
		`{"food": "chickpeas-dry", "grams": 200, "prep": [{"do": "soak", "hours": 10}]}, {"food": "celeriac", "grams": 300, "prep": [{"do": "oven-dry", "minutes": 1500}]}`)
	out := bake.Bake(d, kitchen.Usual(), bake.Options{Now: -1})
	_, err := out.Needs.Cord()
	var odds *steps.ConflictError
	require.ErrorAs(t, err, &odds)
	assert.Positive(t, odds.Short)
	var named []string
	for _, i := range odds.Steps {
		named = append(named, out.Needs.Steps[i].Code)
	}
	assert.Contains(t, named, "soak")
	assert.Equal(t, "soak", out.Steps[0].Code)
	assert.Greater(t, out.Steps[0].Before, 2000.)
	many, err := out.Needs.Latest()
	require.NoError(t, err, "several cooks, or one who goes from one to the other, can")
	assert.Less(t, many[out.Needs.Find("soak")], out.Steps[0].Before)
}
