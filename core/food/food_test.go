package food_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
)

func TestTheCatalogueKeepsItsRules(t *testing.T) {
	for _, f := range food.Starter().Foods() {
		if f.ID != "vinegar" { // its acid is not listed
			assert.InDelta(t, 100, f.Sum(), 3, f.ID)
		}
		assert.LessOrEqual(t, f.Salt, f.Ash, f.ID)
		assert.Contains(t, []food.State{food.Raw, food.Cooked, food.Ready}, f.State, f.ID)
		assert.Contains(t, []food.Grade{"A", "B", "C"}, f.Grade, f.ID)
		assert.Contains(t, []string{"none", "risk", "contains"}, f.Gluten, f.ID)
		assert.Contains(t, []string{"plant", "red-meat", "pork", "poultry", "meat", "fish", "egg", "dairy", "bee"}, f.Source, f.ID)
		for _, a := range f.Allergens {
			assert.True(t, eaters.Known(a), "%s: %s", f.ID, a)
		}
		assert.Greater(t, f.GramsPerCup, 0., f.ID)
		assert.Contains(t, []string{"usda-sr", "typical-label"}, f.Provenance, f.ID)
		assert.Equal(t, f.Gluten == "contains", slices.Contains(f.Allergens, "gluten") && f.Gluten != "risk", f.ID)
		assert.False(t, f.Gluten == "risk" && !f.Has("check-label") && !f.Has("certified-gf-oats") && f.ID != "tempeh", f.ID)
		assert.Equal(t, f.GramsPerPiece > 0, f.PieceName != "", f.ID)
		if f.Group.IsBinder() {
			assert.Greater(t, f.Tau, 0., f.ID)
			assert.Greater(t, f.MaxPct, 0., f.ID)
		}
	}
}

func TestTheTablesBesideTheCatalogue(t *testing.T) {
	c := food.Starter()
	assert.GreaterOrEqual(t, len(c.Foods()), 160)
	for _, y := range c.Yields() {
		// What is taken up is water: the solids of the dry food, within what
		// stays in the cooking water.
		solids := (100 - y.Dry.Water) / y.Factor
		assert.InDelta(t, 100-y.Cooked.Water, solids, 6.5, "%s to %s", y.Dry.ID, y.Cooked.ID)
	}
	require.NotEmpty(t, c.FromDry(c.Find("millet-cooked")))
	for _, f := range c.Foods() {
		for _, p := range f.Packs {
			assert.True(t, p.Drained > 0.5*p.Total, f.ID)
		}
	}
	assert.Contains(t, c.Find("courgette").Words["en"], "zucchini")
}

// Water, protein and fat, g per 100 g, as the public tables have them.
func TestCompositionAgreesWithPublishedTables(t *testing.T) {
	for id, want := range map[string][3]float64{
		"beef-ground-15": {64.8, 18.6, 15}, "turkey-ground": {72.4, 19.7, 7.7}, "lamb-ground": {59.5, 16.6, 23.4},
		"egg": {76.2, 12.6, 9.5}, "chickpeas-cooked": {60.2, 8.9, 2.6}, "lentils-cooked": {69.6, 9, .4},
		"rice-cooked": {68.4, 2.7, .3}, "quinoa-cooked": {71.6, 4.4, 1.9}, "millet-cooked": {71.4, 3.5, 1},
		"amaranth-cooked": {75.2, 3.8, 1.6}, "potato-mashed": {77.5, 1.7, .1}, "onion": {89.1, 1.1, .1}, "mushroom": {92.5, 3.1, .3},
		"courgette": {94.8, 1.2, .3}, "spinach": {91.4, 2.9, .4}, "parsnip": {79.5, 1.2, .3}, "walnuts": {4.1, 15.2, 65.2},
		"almonds": {4.4, 21.2, 49.9}, "pumpkin-seeds": {5.2, 30.2, 49}, "flax-meal": {7, 18.3, 42.2}, "chia-whole": {5.8, 16.5, 30.7},
		"oats-rolled": {10.8, 13.2, 6.5}, "chickpea-flour": {10.3, 22.4, 6.7}, "rice-flour": {11.9, 6, 1.4}, "wheat-flour": {11.9, 10.3, 1},
		"breadcrumbs-dry": {6.5, 13.4, 5.3}, "milk": {88.1, 3.2, 3.3}, "tahini": {3, 17, 53.8}, "ricotta": {71.7, 11.3, 13}, "honey": {17.1, .3, 0},
	} {
		f := food.Starter().Find(id)
		require.NotNil(t, f, id)
		assert.InDelta(t, want[0], f.Water, 3, id)
		assert.InDelta(t, want[1], f.Protein, 3, id)
		assert.InDelta(t, want[2], f.Fat, 3, id)
	}
}

func TestReadCatalogueNamesTheRow(t *testing.T) {
	head := "id,name,name_es,group,state,water,protein,fat,carb,fibre,ash,salt,g_per_cup,g_per_piece,piece,p,l,tau,chunk,leak,oil,glue_cold,glue_hot,set_c,max_pct,allergens,source,gluten,caution,saute_loss,grade,figures\n"
	good := "pea,Pea,Guisante,legume,cooked,80,5,0,10,4,1,0,160,,,1,2,0,.9,.1,0,0,0,,,,plant,none,,,C,usda-sr\n"
	for _, c := range []struct{ text, want string }{
		{"id,name\n", "columns are"},
		{head + good + good, `"pea" stands twice`},
		{head + strings.Replace(good, "legume", "pulse", 1), `unknown group "pulse"`},
		{head + strings.Replace(good, "80,5", "180,5", 1), `water is "180"`},
		{head + strings.Replace(good, "80,5", "NaN,5", 1), `water is "NaN"`},
		{head + strings.Replace(good, "1,2,0,.9", "3,2,0,.9", 1), "l is below p"},
		{head + "a,b\n", "wrong number of fields"},
	} {
		_, err := food.ReadCatalogue(strings.NewReader(c.text))
		assert.ErrorIs(t, err, food.ErrBadCatalogue)
		assert.ErrorContains(t, err, c.want)
	}
}

func TestPreparationsKeepTheirBooks(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(food.Starter().Foods()).Draw(t, "food")
		var preps []food.Preparation
		for range rapid.IntRange(0, 5).Draw(t, "n") {
			preps = append(preps, food.Preparation{
				Do:      rapid.SampledFrom(food.Dos).Draw(t, "do"),
				Minutes: rapid.Float64Range(0, 2880).Draw(t, "minutes"),
				Level:   rapid.Float64Range(0, 1).Draw(t, "level"),
				Hours:   rapid.Float64Range(0, 48).Draw(t, "hours"),
			})
		}
		p := food.Prepare(f, 250, preps)
		solids := 250 * (100 - f.Water - f.Fat) / 100
		assert.True(t, p.Water >= 0 && p.Fat >= 0 && p.FreeOil >= 0 && p.FreeOil <= p.Fat+1e-9)
		assert.True(t, p.Chunk >= 0 && p.Chunk < 1)
		assert.InDelta(t, solids, p.Mass-p.Water-p.Fat, 1e-9*250, "only water and fat come and go")
	})
}

func TestPreparationsByHand(t *testing.T) {
	find := food.AsJudged().Find
	off := false
	for _, c := range []struct {
		id          string
		prep        food.Preparation
		mass, chunk float64
	}{
		{"mushroom", food.Preparation{Do: food.Saute, Minutes: 10, Oil: &off}, 100 - 62*.8111, .88 * (1 - .2*.8111)},
		{"black-beans-canned", food.Preparation{Do: food.OvenDry, Minutes: 12}, 100 - 30*.3297, .95},
		{"tofu-firm", food.Preparation{Do: food.Press}, 100 - 12 - .8*.06*80, .8},
		{"chickpeas-canned", food.Preparation{Do: food.Mash, Level: 1}, 100, .95 * .05},
		{"carrot", food.Preparation{Do: food.Blitz, Level: 1}, 100, .85 * .5},
		{"walnuts", food.Preparation{Do: food.Soak, Hours: 48}, 135, .95},
		{"beef-ground-15", food.Preparation{Do: food.Brown}, 100 - 20 - 3.75, .8},
		{"almond-flour", food.Preparation{Do: food.Toast}, 95.4 / .97, 0},
	} {
		p := food.Prepare(find(c.id), 100, []food.Preparation{c.prep})
		assert.InDelta(t, c.mass, p.Mass, .01, c.id)
		assert.InDelta(t, c.chunk, p.Chunk, .001, c.id)
	}
	assert.Zero(t, food.Prepare(find("beef-ground-15"), 100, []food.Preparation{{Do: food.Brown}}).GlueCold)
}

func TestMeasuresComeBackToTheirGrams(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(food.Starter().Foods()).Draw(t, "food")
		grams := rapid.Float64Range(.5, 5000).Draw(t, "grams")
		m, ok := f.Measure(grams)
		if !ok {
			return
		}
		per, known := f.GramsPer(m.Unit)
		assert.True(t, known)
		back := m.Amount * per
		step := per / 2
		assert.InDelta(t, grams, back, step, "%v", m)
		again, _ := f.Measure(back)
		assert.InDelta(t, back, again.Amount*must(f.GramsPer(again.Unit)), 0.09*back)
		if grams > must(f.GramsPer(food.Teaspoon)) && grams < 6*must(f.GramsPer(food.Teaspoon)) {
			assert.InEpsilon(t, grams, back, .13, "%v for %v g of %s", m, grams, f.ID)
		}
	})
	fourTeas, _ := food.Starter().Find("salt").Measure(4 * must(food.Starter().Find("salt").GramsPer(food.Teaspoon)))
	assert.Equal(t, food.Measure{Amount: 4, Unit: food.Teaspoon}, fourTeas, "not one and a half tablespoons")
	ounce, _ := food.Starter().Find("salt").GramsPer(food.Ounce)
	assert.InDelta(t, 28.3495, ounce, .0001)
	assert.True(t, slices.Contains(food.Groups, food.Starter().Find("salt").Group))
}

func must(v float64, _ bool) float64 { return v }

func ExampleFood_Measure() {
	m, _ := food.Starter().Find("oats-rolled").Measure(60)
	fmt.Printf("%.3g %s\n", m.Amount, m.Unit)
	// Output: 0.667 cup
}
