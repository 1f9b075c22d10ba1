package learn

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

const whyCakes = `{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},
	{"food":"onion","grams":90},{"food":"chickpea-flour","grams":45},{"food":"salt","grams":6}],"rest":{"minutes":20},"cook":{"method":"pan"}}`

// What is worked out once for each way a day may have been wet is what the judge says of the mix with that water
// missed, moved by hands that much rougher.
func TestADaysChancesAreTheJudges(t *testing.T) {
	d, err := document.Read([]byte(whyCakes), food.Starter())
	require.NoError(t, err)
	f := &failing{k: kitchen.Usual()}
	b := f.bowl(d, nil)
	parts := d.Bowl(mix.Parts(d.MixLines(f.k.Foods)))
	rapid.Check(t, func(t *rapid.T) {
		index, rough := rapid.Float64Range(-1, 1).Draw(t, "index"), rapid.Float64Range(-.6, .6).Draw(t, "rough")
		raw, cooked := b.chances(index, rough)
		duty := d.Duty(f.k)
		duty.Own = &mix.Own{Rough: rough}
		wet := append(append([]mix.Part(nil), parts...), mix.Missed(index*b.span))
		e := mix.Sum(wet, d.RestIn(f.k))
		j := e.Judge(&duty, d.Coldness(f.k))
		assert.InDelta(t, j.Raw, raw, 1e-9)
		assert.InDelta(t, j.Cooked, cooked, 1e-9)
	})
	cool := 45.
	set := f.bowl(d, &cool)
	_, cooked := set.chances(0, 0)
	_, done := b.chances(0, 0)
	assert.LessOrEqual(t, cooked, done, "what has not set holds no better")
}

// Every line that was done otherwise is a cause of its own kind, and nothing else is one.
func TestCausesOfChanges(t *testing.T) {
	for kind, code := range map[string]CauseCode{"grams": Amount, "removed": LeftOut, "added": Added, "prep": Prepared, "part-added": "", "": ""} {
		assert.Equal(t, code, CauseOf(&document.Change{Kind: kind}), kind)
	}
}
