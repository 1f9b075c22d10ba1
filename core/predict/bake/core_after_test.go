package bake_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict/bake"
)

// A piece followed until it came off is where the curve of its whole cooking is, hotter the longer it was on and the
// hotter its oven; and what has set rises with the heat that its middle came to.
func TestThePieceThatCameOff(t *testing.T) {
	for name, text := range map[string]string{
		"baked":  `{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":500},{"food":"oats-rolled","grams":50}],"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190}}`,
		"fried":  `{"format":"cuerda-build/1","lines":[{"food":"split-peas-cooked","grams":480},{"food":"chickpea-flour","grams":60}],"cook":{"method":"pan"}}`,
		"seared": `{"format":"cuerda-build/1","lines":[{"food":"lamb-ground","grams":500}],"cook":{"method":"fan-oven","celsius":180,"sear_minutes":2}}`,
	} {
		d, err := document.Read([]byte(text), food.Starter())
		require.NoError(t, err)
		k := kitchen.Usual()
		baked := bake.Bake(d, k, bake.Options{Now: -1})
		require.NotNil(t, baked.PullAt, name)
		core, ok := bake.CoreAfter(d, k, *baked.PullAt, baked.TurnAt)
		require.True(t, ok)
		at := baked.Curve[0]
		for _, p := range baked.Curve {
			if p.Minutes <= *baked.PullAt {
				at = p
			}
		}
		assert.InDelta(t, at.CoreCelsius, core, 4, name)
		last := -50.
		for _, share := range []float64{.2, .5, .8, 1, 1.3} {
			c, ok := bake.CoreAfter(d, k, share**baked.PullAt, nil)
			require.True(t, ok)
			assert.Greater(t, c, last, name)
			last = c
		}
		if name != "fried" {
			hot := 15.
			hotter, _ := bake.CoreAfter(d, k.Learned(&kitchen.Taught{OvenOffset: &hot}), *baked.PullAt, nil)
			usual, _ := bake.CoreAfter(d, k, *baked.PullAt, nil)
			assert.Greater(t, hotter, usual, name)
		}
		chance := 0.
		for _, celsius := range []float64{30, 50, 60, 70, 85} {
			next := bake.SetChance(d, k, celsius)
			assert.GreaterOrEqual(t, next, chance-1e-9, name)
			chance = next
		}
	}
	_, ok := bake.CoreAfter(&document.Document{}, kitchen.Usual(), 10, nil)
	assert.False(t, ok, "nothing is cooked")
}
