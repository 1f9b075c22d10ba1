package learn_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/simulated"
	"cuerda/core/physics/mix"
)

// However often, in whatever order and beside whatever was worked out before, the same tries teach the same; a try more
// never makes what it speaks for less known than it was at first.
func TestTheSameTriesTeachTheSame(t *testing.T) {
	truth := simulated.Drawn(7, simulated.FoodsOf(simulated.Repertoire()))
	tries := truth.Tries(simulated.Repertoire(), 14, rand.New(rand.NewPCG(7, 7)), func(i int) simulated.Day {
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

// Two kitchens may have a food of their own under one ID: what was worked out for one is not taken for the other.
func TestFoodsOfOneIDAreToldApart(t *testing.T) {
	const balls = `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"own-paste","grams":520},{"food":"millet-flakes","grams":45}],` +
		`"piece":{"kind":"ball","diameter_mm":40},"cook":{"method":"still-oven","celsius":200}}`
	shared := &learn.Warmings{}
	offset := func(label food.PackLabel, known *learn.Warmings) float64 {
		k, err := kitchen.New(food.Starter(), kitchen.Usual().Settings, nil, food.Own{ID: "own-paste", Name: "Paste", Like: "turkey-ground", Label: &label})
		require.NoError(t, err)
		d, err := document.Read([]byte(balls), k.Foods)
		require.NoError(t, err)
		minutes, core := 20., 70.
		var tries []learn.Try
		for day := range 4 {
			tries = append(tries, learn.Try{ID: fmt.Sprint(day), At: time.Date(2026, 5, 1+day, 18, 0, 0, 0, time.UTC), Document: d,
				Found: &logbook.Found{Hold: "held", OffAtMinutes: &minutes, CoreCelsius: &core}})
		}
		l, err := learn.LearnKitchen(tries, k, learn.KitchenOptions{Known: known})
		require.NoError(t, err)
		return l.Figure(learn.OvenOffset).Posterior.Mean
	}
	lean, fat := food.PackLabel{Protein: 20, Fat: 3}, food.PackLabel{Protein: 12, Fat: 45}
	offset(lean, shared)
	assert.InDelta(t, offset(fat, &learn.Warmings{}), offset(fat, shared), 1e-9)
	assert.NotEqual(t, offset(lean, shared), offset(fat, shared))
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
