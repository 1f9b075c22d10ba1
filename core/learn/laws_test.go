package learn_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/simulated"
	"cuerda/core/physics/mix"
)

// However often, in whatever order and beside whatever was worked out before, the same tries teach the same; a try more
// never makes what it speaks for less known than it was at first.
func TestTheSameTriesTeachTheSame(t *testing.T) {
	truth := simulated.Drawn(7, foodsOf(repertoire()))
	tries := cooked(&truth, repertoire(), 14, rand.New(rand.NewPCG(7, 7)), func(i int) simulated.Day {
		return simulated.Day{Thermometer: i%2 == 0, Scales: true, OvenThermometer: i%3 == 0}
	})
	shared := &learn.Warmings{}
	first := learned(t, tries, learn.KitchenOptions{Known: shared})
	again := learned(t, tries, learn.KitchenOptions{Known: shared})
	assert.Equal(t, first, again)
	turned := slices.Clone(tries)
	slices.Reverse(turned)
	other := learned(t, turned, learn.KitchenOptions{})
	require.Len(t, other.Figures, len(first.Figures))
	for i := range first.Figures {
		f := &first.Figures[i]
		o := other.Figure(f.ID)
		require.NotNil(t, o, f.ID)
		assert.InDelta(t, f.Posterior.Mean, o.Posterior.Mean, .02*f.Prior.SD, f.ID)
		assert.ElementsMatch(t, f.Tries, o.Tries, f.ID)
		assert.LessOrEqual(t, f.Posterior.SD, 1.25*f.Prior.SD, f.ID)
		assert.Equal(t, f.Used, len(f.Tries) > 0, f.ID)
	}
	out := learned(t, tries, learn.KitchenOptions{LeftOut: []string{learn.OwnMixes, learn.Turning, learn.Scoop}})
	assert.Nil(t, out.Taught.Own, "nothing of its mixes, nor of its hands")
	assert.Zero(t, out.Taught.Scoop)
	assert.Equal(t, first.Tries, out.Tries)
}

// Of a failure the chances of its causes are chances; without a plan nothing was done otherwise; and what was left out of
// the mix is named before what was put in as planned.
func TestCausesAreChances(t *testing.T) {
	k := kitchen.Usual()
	rapid.Check(t, func(t *rapid.T) {
		flour := rapid.Float64Range(8, 90).Draw(t, "flour")
		done := peaCakesOf(t, flour)
		pieces := rapid.IntRange(2, 12).Draw(t, "pieces")
		broke := rapid.IntRange(1, pieces).Draw(t, "broke")
		f := logbook.Found{Squeeze: rapid.SampledFrom(mix.SqueezeWords).Draw(t, "word"), Pieces: pieces, Broke: &logbook.Broke{Turning: broke}}
		with := learn.Why(&learn.Try{Document: done, Found: &f}, peaCakesOf(t, 60), k)
		without := learn.Why(&learn.Try{Document: done, Found: &f}, nil, k)
		require.NotEmpty(t, with)
		require.NotEmpty(t, without)
		last := 1.
		for _, c := range with {
			assert.LessOrEqual(t, c.Chance, last)
			assert.GreaterOrEqual(t, c.Chance, 0.)
			assert.Contains(t, learn.CauseCodes, c.Code)
			last = c.Chance
		}
		for _, c := range without {
			assert.Nil(t, c.Change)
		}
	})
}

func peaCakesOf(t *rapid.T, flour float64) *document.Document {
	return &document.Document{Format: document.Format, Lines: []document.Line{
		{Food: "split-peas-cooked", Grams: 480}, {Food: "chickpea-flour", Grams: flour}, {Food: "salt", Grams: 6},
	}, Rest: &document.Wait{Minutes: 20}, Cook: &document.Cook{Method: "pan"}}
}
