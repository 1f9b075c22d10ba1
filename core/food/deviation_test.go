package food_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
)

// A food that is wetter is made of as much in all: what is not water makes room. Nothing deviating is the food itself.
func TestAFoodDeviatesWithinItself(t *testing.T) {
	all := food.Starter().Foods()
	rapid.Check(t, func(t *rapid.T) {
		f := all[rapid.IntRange(0, len(all)-1).Draw(t, "food")]
		same := f.Deviating(food.Deviation{})
		assert.Equal(t, *f, same)
		d := food.Deviation{Water: rapid.Float64Range(-15, 15).Draw(t, "points"), Drink: rapid.Float64Range(-.5, .5).Draw(t, "drink"), DrinkSD: .1}
		got := f.Deviating(d)
		// Tables do not add up to the gram, and what they miss of what is not water grows with it.
		missing := math.Abs(100-f.Sum()) * max(1, (100-got.Water)/(100-f.Water))
		assert.InDelta(t, 100, got.Sum(), 1+missing, f.ID)
		assert.GreaterOrEqual(t, got.Water, 0.)
		for _, x := range []float64{got.Protein, got.Fat, got.Carb, got.Fibre, got.Ash, got.Salt} {
			assert.GreaterOrEqual(t, x, 0.)
		}
		if f.Plastic > 0 {
			assert.InDelta(t, f.Plastic*math.Exp(d.Drink), got.Plastic, 1e-9, f.ID)
			assert.InDelta(t, f.Liquid/f.Plastic, got.Liquid/got.Plastic, 1e-9)
			sd, _ := got.DrinkSD()
			assert.InDelta(t, .1, sd, 1e-12)
		}
	})
}

func TestACatalogueIsTaught(t *testing.T) {
	starter := food.Starter()
	assert.Same(t, starter, starter.Taught(nil))
	assert.Same(t, starter, starter.Taught(map[string]food.Deviation{"moon-dust": {Water: 3}}))
	got := starter.Taught(map[string]food.Deviation{"split-peas-cooked": {Water: 3}, "moon-dust": {Water: 3}})
	require.Len(t, got.Foods(), len(starter.Foods()))
	assert.InDelta(t, starter.Find("split-peas-cooked").Water+3, got.Find("split-peas-cooked").Water, 1e-9)
	assert.Equal(t, *starter.Find("flax-meal"), *got.Find("flax-meal"))
	require.Len(t, got.Yields(), len(starter.Yields()))
	for _, y := range got.Yields() {
		assert.Same(t, got.Find(y.Cooked.ID), y.Cooked, "what dry foods become is of the same catalogue")
	}
}
