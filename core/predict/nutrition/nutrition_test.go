package nutrition_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/mix"
	"cuerda/core/predict/nutrition"
)

var foods = food.Starter()

func facts(lines ...mix.Line) nutrition.Facts { return nutrition.Of(mix.Parts(lines)) }

// Energy of 100 g against the public tables of the US Department of
// Agriculture, which count the same way within a few per cent.
func TestEnergyOfKnownFoods(t *testing.T) {
	for id, kcal := range map[string]float64{"olive-oil": 884, "chickpeas-canned": 139, "beef-ground-15": 215, "potato-mashed": 85, "sugar": 387} {
		assert.InDelta(t, kcal, facts(mix.Line{Food: foods.Find(id), Grams: 100}).KCal, 0.12*kcal, id)
	}
	assert.Zero(t, facts(mix.Line{Food: foods.Find("water"), Grams: 500}).KCal)
	assert.InDelta(t, 6, facts(mix.Line{Food: foods.Find("salt"), Grams: 6}).Salt, 0.1)
}

func TestDryingTakesNothingButWaterAndSauteAddsOil(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(foods.Foods()).Draw(t, "food")
		grams := rapid.Float64Range(5, 500).Draw(t, "grams")
		plain := facts(mix.Line{Food: f, Grams: grams})
		dried := facts(mix.Line{Food: f, Grams: grams, Preps: []food.Preparation{{Do: food.OvenDry, Minutes: 20}}})
		assert.InDelta(t, plain.Protein, dried.Protein, 1e-6*grams, f.ID)
		assert.InDelta(t, plain.KCal, dried.KCal, 1e-6*grams, f.ID)
		fried := facts(mix.Line{Food: f, Grams: grams, Preps: []food.Preparation{{Do: food.Saute, Minutes: 10}}})
		assert.GreaterOrEqual(t, fried.Fat, plain.Fat-1e-9)
		double := facts(mix.Line{Food: f, Grams: 2 * grams})
		assert.InDelta(t, 2*plain.KJ, double.KJ, 1e-6*grams)
	})
}

func ExampleOf() {
	n := nutrition.Of(mix.Parts([]mix.Line{{Food: foods.Find("chickpea-flour"), Grams: 45}}))
	fmt.Printf("%.0f kcal, %.0f g protein\n", n.KCal, n.Protein)
	// Output: 162 kcal, 10 g protein
}
