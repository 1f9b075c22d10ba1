package pool_test

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"math/rand/v2"
	"runtime"
	"slices"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/pool"
	"cuerda/core/learn/simulated"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// givers are kitchens of a street with so many tries each.
func givers(street *simulated.Street, from uint64, count, tries int) []pool.Kitchen {
	dishes := simulated.Cookbook()
	foods := simulated.FoodsOf(dishes)
	out := make([]pool.Kitchen, count)
	var wait sync.WaitGroup
	for w := range runtime.GOMAXPROCS(0) {
		wait.Go(func() {
			for i := w; i < count; i += runtime.GOMAXPROCS(0) {
				truth := street.Drawn(from+uint64(i), foods)
				// Everybody cooks some dishes and not others.
				r := rand.New(rand.NewPCG(from+uint64(i), 9))
				some := slices.Clone(dishes)
				r.Shuffle(len(some), func(a, b int) { some[a], some[b] = some[b], some[a] })
				out[i] = pool.Kitchen{Household: fmt.Sprint("h", i), Kitchen: kitchen.Usual(), Tries: truth.Tries(some[:10], tries, r, func(int) simulated.Day { return simulated.Day{Scales: true} })}
			}
		})
	}
	wait.Wait()
	return out
}

func made(t testing.TB, kitchens []pool.Kitchen, seed uint64) *pool.Table {
	t.Helper()
	table, err := pool.Fit(kitchens, food.Starter(), pool.Options{Noise: rand.New(rand.NewPCG(seed, 1)), Program: "test", Month: "2026-12"})
	require.NoError(t, err)
	return table
}

// Five hundred made-up kitchens: what they know together comes within half of what was thought before, and kitchens that gave
// nothing are predicted as well as what is so on average allows.
func TestManyKitchensKnowMore(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector")
	}
	seed := lawtest.Seed(t)
	dishes := simulated.Cookbook()
	foods := simulated.FoodsOf(dishes)
	spread := spreads()
	for _, between := range [][]float64{{.3, .6}, {.3}, {.6}}[lawtest.Draws(1+int(seed%2), 0)] {
		street := simulated.DrawnStreet(seed, foods, between)
		table := made(t, givers(&street, seed, 500, 20), seed)
		figures, near, inside, square := 0., 0., 0., 0.
		for _, f := range table.Figures {
			common, cooked := street.Common[idOf(&f)]
			if !cooked || f.Of != pool.OfFood {
				continue
			}
			off := (f.Value - common) / spread[f.Kind+f.Food]
			figures++
			square += off * off
			if math.Abs(off) < .5 {
				near++
			}
			if math.Abs(f.Value-common) < mix.Ninety*f.SD {
				inside++
			}
			t.Logf("%-6s%-22s is %6.3f, found %6.3f +- %.3f (%d households), off by %5.2f of its spread", f.Kind, f.Food, common, f.Value, f.SD, f.Households, off)
		}
		t.Logf("%.1f of the variance between kitchens: %.0f figures, %.0f within half of their spread, off by %.2f of it (root mean square), %.0f within nine in ten", between, figures, near, math.Sqrt(square/figures), inside)
		require.Greater(t, figures, 15.)
		assert.Less(t, math.Sqrt(square/figures), .35)
		assert.GreaterOrEqual(t, near, .85*figures)
		assert.GreaterOrEqual(t, inside, .7*figures)

		// Those that never gave anything.
		told := kitchen.Usual().Learned(&kitchen.Taught{Foods: table.Deviations(food.Starter())})
		average := kitchen.Usual().Learned(&kitchen.Taught{Foods: street.Averages()})
		var catalogue, byTable, byAverages, byTruth float64
		const strangers, cookings = 300, 40
		for i := range strangers {
			truth, r := street.Drawn(seed+100_000+uint64(i), foods), rand.New(rand.NewPCG(seed, uint64(i)))
			for range cookings {
				d := simulated.Varied(dishes[r.IntN(len(dishes))].Document, r)
				raw, cooked, _ := truth.Chances(d)
				p := min(raw, cooked)
				luck := p * (1 - p)
				off := func(k *kitchen.Kitchen) float64 {
					x := predict.Predict(d, k).Chance - p
					return (luck + x*x) / strangers / cookings
				}
				catalogue, byTable, byAverages, byTruth = catalogue+off(kitchen.Usual()), byTable+off(told), byAverages+off(average), byTruth+luck/strangers/cookings
			}
		}
		t.Logf("kitchens that gave nothing, mean square: %.4f by the catalogue, %.4f by the table, %.4f by what is so on average, %.4f by the truth; held out %+v",
			catalogue, byTable, byAverages, byTruth, table.Made.Held)
		assert.Less(t, byTable, catalogue)
		assert.Less(t, byTable, byAverages+.25*(catalogue-byAverages)+.001, "nearly all that there is to gain is")
	}
}

// idOf names a figure as package learn does.
func idOf(f *pool.Figure) string {
	if f.Kind == pool.Drink {
		return learn.DrinkOf(f.Food)
	}
	return learn.WaterOf(f.Food)
}

// even draws what makes no noise.
type even struct{}

func (even) Uint64() uint64 { return 1 << 52 }

func quiet(t testing.TB, kitchens []pool.Kitchen) *pool.Table {
	t.Helper()
	table, err := pool.Fit(kitchens, food.Starter(), pool.Options{Noise: rand.New(even{}), Program: "test", Month: "2026-12"})
	require.NoError(t, err)
	return table
}

// some are fifty households, each with ten tries, the same for all tests.
var some = sync.OnceValue(func() []pool.Kitchen {
	street := simulated.DrawnStreet(5, simulated.FoodsOf(simulated.Cookbook()), .5)
	return givers(&street, 5, 50, 10)
})

// spreads are those of figures before anybody was asked.
func spreads() map[string]float64 {
	out := map[string]float64{}
	for _, f := range learn.FoodFigures(food.Starter().Foods()) {
		kind := pool.Water
		if learn.IsFactor(f.ID) {
			kind = pool.Drink
		}
		out[kind+f.Food.ID] = f.SD
	}
	return out
}

// However a household lies, and however much it writes, it moves no figure far.
func TestNoHouseholdMovesAFigureFar(t *testing.T) {
	honest := slices.Clone(some())
	liar := honest[7]
	liar.Tries = nil
	for range 40 {
		for _, one := range honest[7].Tries {
			broke := logbook.Found{Squeeze: mix.Slumps, Pieces: 12, Broke: &logbook.Broke{Turning: 12}}
			one.Found = &broke
			liar.Tries = append(liar.Tries, one)
		}
	}
	lying := slices.Clone(honest)
	lying[7] = liar
	before, after, spread := quiet(t, honest), quiet(t, lying), spreads()
	require.NotEmpty(t, before.Figures)
	for _, f := range before.Figures {
		at := slices.IndexFunc(after.Figures, func(g pool.Figure) bool { return g.Food == f.Food && g.Kind == f.Kind })
		if at < 0 || after.Figures[at].Of != f.Of {
			continue // it was at the edge of twenty
		}
		assert.Less(t, math.Abs(after.Figures[at].Value-f.Value), .35*spread[f.Kind+f.Food], "%s %s", f.Kind, f.Food)
	}
	assert.InDelta(t, before.Made.Held.With, after.Made.Held.With, .08)
}

// Twenty households stand behind every figure, several kitchens of one count once, and nothing else of them is in a table.
func TestATableHoldsNobodysTries(t *testing.T) {
	table, spread := quiet(t, some()), spreads()
	text, err := json.Marshal(table)
	require.NoError(t, err)
	back, err := pool.Read(text)
	require.NoError(t, err)
	assert.Equal(t, table, back)
	groups := 0
	for _, f := range table.Figures {
		assert.GreaterOrEqual(t, f.Households, pool.Least)
		assert.Zero(t, f.Households%10, "not how many exactly")
		if f.Of == pool.OfGroup {
			groups++
			continue
		}
		assert.LessOrEqual(t, f.SD, .3*spread[f.Kind+f.Food]+.001, "%s %s is known by itself", f.Kind, f.Food)
	}
	assert.NotZero(t, groups, "what little is told of leans on its group")
	var whole map[string]any
	require.NoError(t, json.Unmarshal(text, &whole))
	assert.ElementsMatch(t, []string{"format", "made", "figures"}, slices.Collect(maps.Keys(whole)))
	assert.Equal(t, 50, table.Made.Households)
	assert.Equal(t, 500, table.Made.Tries)

	var few *pool.TooFewError
	_, err = pool.Fit(some()[:pool.Least-1], food.Starter(), pool.Options{Noise: rand.New(even{})})
	require.ErrorAs(t, err, &few)
	assert.Equal(t, pool.Least-1, few.Households)
	shared := slices.Clone(some())
	for i := range shared {
		shared[i].Household = fmt.Sprint(i % 10)
	}
	_, err = pool.Fit(shared, food.Starter(), pool.Options{Noise: rand.New(even{})})
	require.ErrorAs(t, err, &few)
	assert.Equal(t, 10, few.Households)

	// Noise is as large as what one household could move, and part of what is said to be unsure.
	loud := made(t, some(), 3)
	require.Len(t, loud.Figures, len(table.Figures))
	differ := 0
	for i, f := range loud.Figures {
		if f.Value != table.Figures[i].Value {
			differ++
		}
		assert.Equal(t, table.Figures[i].SD, f.SD)
	}
	assert.Greater(t, differ, len(loud.Figures)*9/10)
}

// What the label of somebody's own packs says is no news of the food that others have.
func TestFoodsOfALabelAreNotPooled(t *testing.T) {
	labelled := slices.Clone(some())
	k, err := kitchen.New(food.Starter(), kitchen.Usual().Settings, []kitchen.PantryItem{{Food: "tofu-firm", Pack: &food.PackLabel{Fat: 9, Carb: 2, Protein: 14, Salt: .1}}})
	require.NoError(t, err)
	require.NotEqual(t, food.Starter().Find("tofu-firm").Fat, k.Foods.Find("tofu-firm").Fat)
	for _, one := range labelled {
		said, err := learn.Testify(one.Tries, k, food.Starter(), learn.KitchenOptions{})
		require.NoError(t, err)
		if said != nil {
			assert.NotContains(t, said.Figures, learn.WaterOf("tofu-firm"))
		}
	}
}

// A catalogue that a table is applied to has its foods moved by the table's values, with the differences between kitchens as
// their spread.
func TestACatalogueGoesByATable(t *testing.T) {
	table := &pool.Table{Format: pool.Format, Figures: []pool.Figure{
		{Food: "chickpeas-canned", Kind: pool.Water, Of: pool.OfFood, Value: -2, SD: .3, Between: 1, Households: 40},
		{Food: "oats-rolled", Kind: pool.Drink, Of: pool.OfGroup, Value: .1, SD: .04, Between: 9, Households: 40},
		{Food: "of-another-version", Kind: pool.Water, Of: pool.OfFood, Value: 1, SD: 1, Between: 1, Households: 40},
	}}
	was := food.Starter()
	c := was.Taught(table.Deviations(was))
	assert.InDelta(t, was.Find("chickpeas-canned").Water-2, c.Find("chickpeas-canned").Water, 1e-9)
	assert.InDelta(t, math.Hypot(.3, 1), c.Find("chickpeas-canned").WaterSD(), 1e-9)
	assert.InDelta(t, was.Find("oats-rolled").Plastic*math.Exp(.1), c.Find("oats-rolled").Plastic, 1e-9)
	before, _ := was.Find("oats-rolled").DrinkSD()
	after, _ := c.Find("oats-rolled").DrinkSD()
	assert.InDelta(t, before, after, 1e-9, "no table makes a food less sure")
	assert.Equal(t, was.Find("flax-meal"), c.Find("flax-meal"))

	for name, text := range map[string]string{
		"none":      `{`,
		"a build":   `{"format":"cuerda-build/1"}`,
		"kind":      `{"format":"cuerda-figures/1","figures":[{"food":"x","kind":"salt","of":"food","value":0,"sd":1,"between":1,"households":20}]}`,
		"twice":     `{"format":"cuerda-figures/1","figures":[{"food":"x","kind":"water","of":"food","value":0,"sd":1,"between":1,"households":20},{"food":"x","kind":"water","of":"food","value":0,"sd":1,"between":1,"households":20}]}`,
		"far":       `{"format":"cuerda-figures/1","figures":[{"food":"x","kind":"water","of":"food","value":60,"sd":1,"between":1,"households":20}]}`,
		"certain":   `{"format":"cuerda-figures/1","figures":[{"food":"x","kind":"water","of":"food","value":0,"sd":0,"between":1,"households":20}]}`,
		"of nobody": `{"format":"cuerda-figures/1","figures":[{"food":"x","kind":"water","of":"food","value":0,"sd":1,"between":1,"households":3}]}`,
	} {
		_, err := pool.Read([]byte(text))
		assert.ErrorIs(t, err, pool.ErrTable, name)
	}
}
