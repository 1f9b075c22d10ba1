package advise_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
)

// Of changes of one thing each makes it surer, is only one, keeps to what can be tasted, and its document does
// what it promises.
func TestChangingOneThing(t *testing.T) {
	for name, text := range map[string]string{
		"too little flour": `{"format":"cuerda-build/1","lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"onion","grams":90},{"food":"chickpea-flour","grams":12},{"food":"salt","grams":6}],"cook":{"method":"pan"}}`,
		"wet courgette":    `{"format":"cuerda-build/1","lines":[{"food":"white-beans-canned","grams":440,"prep":[{"do":"mash","level":0.8}]},{"food":"courgette","grams":160},{"food":"oats-rolled","grams":40},{"food":"salt","grams":6}],"cook":{"method":"pan"}}`,
		"a loaf":           `{"format":"cuerda-build/1","lines":[{"food":"red-lentils-cooked","grams":600},{"food":"oats-rolled","grams":60},{"food":"water","grams":60}],"piece":{"kind":"loaf","length_mm":210,"width_mm":110,"height_mm":50,"tin":true},"cook":{"method":"still-oven"}}`,
	} {
		d, err := document.Read([]byte(text), food.Starter())
		require.NoError(t, err)
		k := kitchen.Usual()
		was := predict.Predict(d, k).Chance
		ways := advise.ChangeOne(k, d)
		require.NotEmpty(t, ways, name)
		for _, w := range ways {
			groups := map[string]bool{}
			for _, s := range w.Settings {
				groups[strings.Split(s.Field, "/")[1]] = true
			}
			assert.Equal(t, 1, len(w.Changes)+len(groups), name)
			assert.Greater(t, w.Chance, was, name)
			assert.LessOrEqual(t, w.LimitPct, 100., name)
			assert.InDelta(t, predict.Predict(&w.Document, k).Chance, w.Chance, 1e-9, name)
		}
	}
}
