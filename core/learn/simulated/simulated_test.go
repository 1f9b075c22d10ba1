package simulated_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/simulated"
	"cuerda/core/predict"
)

const balls = `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"onion","grams":80},{"food":"millet-flakes","grams":45},{"food":"salt","grams":7}],` +
	`"rest":{"minutes":15},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190}}`

func read(t testing.TB, text string) *document.Document {
	t.Helper()
	d, err := document.Read([]byte(text), food.Starter())
	require.NoError(t, err)
	return d
}

// A kitchen of which nothing is otherwise than usual cooks as the model says; each figure moves what it should.
func TestTheTruthIsWhatItSays(t *testing.T) {
	d := read(t, balls)
	usual := simulated.Truth{}
	raw, cooked, felt := usual.Chances(d)
	p := predict.Predict(d, kitchen.Usual())
	assert.InDelta(t, p.ChanceRaw, raw, 1e-9)
	assert.InDelta(t, p.ChanceCooked, cooked, 1e-9)
	rough := simulated.Truth{Figures: map[string]float64{learn.Turning: .5}}
	less, _, _ := rough.Chances(d)
	assert.Less(t, less, raw)
	wet := simulated.Truth{Figures: map[string]float64{learn.WaterOf("onion"): 6, learn.DrinkOf("millet-flakes"): -.3}}
	_, _, slacker := wet.Chances(d)
	assert.Greater(t, slacker, felt)
	v, known := rough.Value(learn.Turning)
	assert.True(t, known)
	assert.InDelta(t, 1.6487, v, 1e-3, "a factor as such")
	_, known = rough.Value("moon")
	assert.False(t, known)
}

// A day is its seed's; over many days pieces hold as often as their chance, and go together more than coins.
func TestDaysComeOutAsTheirChance(t *testing.T) {
	d := read(t, balls)
	truth := simulated.Truth{Figures: map[string]float64{learn.OvenOffset: -12}}
	day := simulated.Day{Seed: 5, Off: 14, Thermometer: true, Scales: true, OvenThermometer: true, Pieces: 20}
	one := truth.Cook(d, day)
	assert.Equal(t, one, truth.Cook(d, day))
	require.NoError(t, one.Check())
	assert.InDelta(t, 178, *one.OvenCelsius, 12)
	warm := simulated.Truth{}
	other := warm.Cook(d, day)
	assert.Greater(t, *other.CoreCelsius, *one.CoreCelsius, "the cool oven shows inside")
	assert.Nil(t, truth.Cook(d, simulated.Day{Seed: 1, Off: 14}).CoreCelsius, "nobody looked")

	raw, _, _ := truth.Chances(d)
	const days, pieces = 800, 20
	sum, square := 0., 0.
	for seed := range days {
		found := truth.Cook(d, simulated.Day{Seed: uint64(seed), Off: 14, Pieces: pieces})
		c, known := found.Raw()
		require.True(t, known)
		share := float64(c.Held) / float64(c.Of)
		sum, square = sum+share, square+share*share
	}
	mean := sum / days
	assert.InDelta(t, raw, mean, .02)
	variance := square/days - mean*mean
	coins := raw * (1 - raw) / pieces
	assert.InDelta(t, coins*(1+(pieces-1)*learn.Alike), variance, .3*coins*(1+(pieces-1)*learn.Alike), "a beta-binomial draw")
}
