package food_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/food"
)

// What a food is made of, as mixes are alike by it; an own food is what it is like.
func TestWhatFoodsAreMadeOf(t *testing.T) {
	for id, want := range map[string]food.Stuff{
		"chickpeas-canned": food.Pulse, "chickpeas-soaked": food.RawPulse, "tofu-firm": food.Soy, "tempeh": food.Soy,
		"rice-cooked": food.LooseGrain, "quinoa-cooked": food.FineGrain, "potato-mashed": food.Mashed, "breadcrumbs-dry": food.Crumb,
		"potato-flakes": food.Crumb, "oat-flour": food.Flour, "chickpea-flour": food.PulseFlour, "tuna-canned": food.Flaked,
		"ricotta": food.Milk, "turkey-ground": food.NoStuff, "water": food.NoStuff, "flax-meal": food.NoStuff,
	} {
		assert.Equal(t, want, food.Starter().Find(id).Stuff, id)
	}
	with, err := food.Starter().With(nil, []food.Own{{ID: "own-tempeh", Name: "Boathouse tempeh", Like: "tempeh"}})
	assert.NoError(t, err)
	assert.Equal(t, food.Soy, with.Find("own-tempeh").Stuff)
}
