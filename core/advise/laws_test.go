package advise_test

import (
	"fmt"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/predict"
)

func way(t require.TestingT, text string, o advise.Options) advise.Answer {
	return advise.Bind(kitchen.Usual(), read(t, text), o)
}

func moveOf(w *advise.Way, code advise.MoveCode) *advise.Move {
	if at := slices.IndexFunc(w.Moves, func(m advise.Move) bool { return m.Code == code }); at >= 0 {
		return &w.Moves[at]
	}
	return nil
}

// A cause is undone before anything is added: the figures are those of builds that are well known to fail so.
func TestTheCauseComesFirst(t *testing.T) {
	for name, c := range map[string]struct {
		text string
		move advise.MoveCode
		food string
	}{
		"courgette that was never wrung": {`{"format":"cuerda-build/1","lines":[{"food":"beef-ground-7","grams":420},{"food":"courgette","grams":330},{"food":"garlic","grams":8},{"food":"salt","grams":7}],"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"pan"}}`, advise.Squeeze, "courgette"},
		"a stuffing that is drowned":     {`{"format":"cuerda-build/1","lines":[{"food":"bread-gluten-free","grams":320},{"food":"onion","grams":120,"prep":[{"do":"saute","minutes":8}]},{"food":"margarine","grams":40},{"food":"broth","grams":760},{"food":"salt","grams":4}],"rest":{"minutes":10},"piece":{"kind":"stuffing"},"cook":{"method":"still-oven"}}`, advise.LessLiquid, "broth"},
		"mince that was browned":         {`{"format":"cuerda-build/1","lines":[{"food":"beef-ground-15","grams":500,"prep":[{"do":"brown"}]},{"food":"onion","grams":80,"prep":[{"do":"saute","minutes":8}]},{"food":"breadcrumbs-dry","grams":40},{"food":"salt","grams":6}],"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"}}`, advise.LeaveRaw, "beef-ground-15"},
		"rice that went in dry":          {`{"format":"cuerda-build/1","lines":[{"food":"rice-dry","grams":200},{"food":"onion","grams":110,"prep":[{"do":"saute","minutes":8}]},{"food":"tomato","grams":120,"prep":[{"do":"saute","minutes":8}]},{"food":"feta","grams":80},{"food":"olive-oil","grams":20}],"piece":{"kind":"stuffing"},"cook":{"method":"still-oven"}}`, advise.CookFirst, "rice-dry"},
		"beans left whole":               {wholeBeans, advise.MashMore, "white-beans-canned"},
	} {
		a := way(t, c.text, advise.Options{})
		require.NotEmpty(t, a.Suggest, name)
		first := &a.Suggest[0]
		m := moveOf(first, c.move)
		require.NotNil(t, m, "%s: %+v", name, first.Moves)
		assert.Equal(t, c.food, m.Food, name)
		assert.Nil(t, moveOf(first, advise.AddBinder), "%s needs no binder", name)
		assert.Greater(t, first.Chance, .75, name)
		assert.Greater(t, first.Eat, .7, name)
	}
}

// Grated potato is wrung out, as everybody does who makes cakes of it, and then wants no batter: it is not fried off, nor is water
// poured in, though what drops from a spoon is a batter otherwise. Dry bread is moistened, with nearly its own weight.
func TestPotatoCakesAreWrungAndBreadIsMoistened(t *testing.T) {
	for _, piece := range []string{`{"kind":"fritter","diameter_mm":80,"thickness_mm":12}`, `{"kind":"patty","diameter_mm":80,"thickness_mm":12}`} {
		a := way(t, `{"format":"cuerda-build/1","lines":[{"food":"potato-grated","grams":600},{"food":"onion","grams":120},{"food":"salt","grams":6}],"piece":`+piece+`,"cook":{"method":"shallow-oil"}}`, advise.Options{})
		require.NotEmpty(t, a.Suggest, piece)
		for i := range a.Suggest {
			m := moveOf(&a.Suggest[i], advise.Squeeze)
			require.NotNil(t, m, "%+v", a.Suggest[i].Moves)
			assert.Equal(t, "potato-grated", m.Food)
			assert.Nil(t, moveOf(&a.Suggest[i], advise.MoreLiquid))
		}
		assert.Greater(t, a.Suggest[0].Chance, .75)
	}
	a := way(t, `{"format":"cuerda-build/1","lines":[{"food":"bread-gluten-free","grams":400},{"food":"onion","grams":60},{"food":"salt","grams":4}],"piece":{"kind":"stuffing"},"cook":{"method":"fan-oven"}}`, advise.Options{})
	require.NotEmpty(t, a.Suggest)
	m := moveOf(&a.Suggest[0], advise.MoreLiquid)
	require.NotNil(t, m, "%+v", a.Suggest[0].Moves)
	assert.InDelta(t, 330, m.Now, 70)
}

// Too much coconut flour is taken out, and no water poured on it.
func TestWhatDrinksTooMuchIsTakenOut(t *testing.T) {
	a := way(t, `{"format":"cuerda-build/1","lines":[{"food":"cauliflower","grams":480,"prep":[{"do":"roast","minutes":20}]},{"food":"onion","grams":60,"prep":[{"do":"saute","minutes":6}]},{"food":"coconut-flour","grams":75},{"food":"olive-oil","grams":15},{"food":"salt","grams":5}],"rest":{"minutes":5},"piece":{"kind":"patty","diameter_mm":65,"thickness_mm":18},"cook":{"method":"still-oven"}}`, advise.Options{})
	require.NotEmpty(t, a.Suggest)
	for _, w := range a.Suggest {
		m := moveOf(&w, advise.LessBinder)
		require.NotNil(t, m, "%+v", w.Moves)
		assert.Equal(t, "coconut-flour", m.Food)
		assert.LessOrEqual(t, m.Now, 40.)
	}
}

// A gel keeps the water that it stands in: a mix that is too wet is told to leave out no more than the rest of it.
func TestAGelKeepsItsWater(t *testing.T) {
	text := `{"format":"cuerda-build/1","lines":[{"food":"red-lentils-cooked","grams":675},{"food":"leek","grams":150,"prep":[{"do":"saute","minutes":10}]},` +
		`{"food":"carrot","grams":122,"prep":[{"do":"saute","minutes":10}]},{"food":"walnuts","grams":80},{"food":"oats-rolled","grams":90},` +
		`{"food":"flax-meal","grams":13%s},{"food":"water","grams":88.9},{"food":"soy-sauce","grams":15.9}],` +
		`"rest":{"minutes":10},"piece":{"kind":"loaf","length_mm":210,"width_mm":110,"height_mm":50},"cook":{"method":"fan-oven","celsius":175}}`
	least := func(prep string) float64 {
		least := math.Inf(1)
		for _, w := range way(t, fmt.Sprintf(text, prep), advise.Options{}).Suggest {
			water := 0.
			for _, l := range w.Document.Lines {
				if l.Food == "water" {
					water += l.Grams
				}
			}
			least = min(least, water)
		}
		return least
	}
	assert.GreaterOrEqual(t, least(`,"prep":[{"do":"gel","minutes":10}]`), 3.5*13-15.9, "the soy sauce wets it too")
	assert.Less(t, least(""), 20., "what is stirred in dry takes its water from the mix")
}

// Every way of any mix: three moves at the most, one binder within what is usual, its promise is what it does once it is
// taken, and it is worth eating; what no way mends is said to be so.
func TestEveryWayIsOneThatACookWouldGo(t *testing.T) {
	k := kitchen.Usual()
	left := lawtest.Draws(40, 2000)
	rapid.Check(t, func(t *rapid.T) {
		if left--; left < 0 {
			return
		}
		d := drawTabled(t, k)
		d.Eaters, d.Parts = nil, nil
		now := predict.Predict(d, k)
		a := advise.Bind(k, d, advise.Options{})
		if len(a.Suggest) == 0 {
			assert.True(t, len(a.Obstacles) > 0 || len(a.Becomes) > 0, "nothing good is left, and why is told")
		}
		for i := range a.Suggest {
			w := &a.Suggest[i]
			p := predict.Predict(&w.Document, k)
			assert.InDelta(t, p.Chance, w.Chance, 1e-9)
			assert.InDelta(t, p.Eat, w.Eat, 1e-9)
			assert.GreaterOrEqual(t, w.Chance, .7)
			assert.LessOrEqual(t, len(w.Moves), 3)
			binders, dried, poured := 0, 0., 0.
			for _, m := range w.Moves {
				switch m.Code {
				case advise.Squeeze, advise.FryOff, advise.DryInOven, advise.CookDown:
					dried += m.WaterG
				case advise.MoreLiquid:
					poured += m.Now
				case advise.AddBinder:
					if k.Foods.Find(m.Food).GelWater() == 0 {
						poured += m.LiquidG
					}
				case advise.LessLiquid:
					assert.False(t, k.Foods.Find(m.Food).Is(food.Seasons) && m.Now < .45*m.Was, "the taste of %s stays", m.Food)
				}
				if m.Code == advise.AddBinder {
					binders++
					assert.NotContains(t, []string{"agar", "gelatin", "methylcellulose", "coconut-flour", "xanthan-gum"}, m.Food, "nobody asked for it")
				}
			}
			assert.LessOrEqual(t, binders, 1)
			assert.False(t, dried > 0 && poured > max(6, dried/2), "what is wrung out is not poured in again: %+v", w.Moves)
			if len(w.Moves) > 0 && now.Verdict == predict.Holds {
				assert.True(t, w.Chance >= now.Chance+.029 || w.Eat >= now.Eat+.029, "no work without a gain: %+v", w.Moves)
			}
			if len(w.Moves) == 0 {
				assert.Equal(t, predict.Holds, now.Verdict)
			}
		}
	})
}

// Bad input has an answer, and no invented one.
func TestMixesThatNothingMends(t *testing.T) {
	for name, c := range map[string]struct {
		text     string
		obstacle advise.Obstacle
	}{
		"water":  {`{"format":"cuerda-build/1","lines":[{"food":"water","grams":300}]}`, advise.NoBase},
		"salt":   {`{"format":"cuerda-build/1","lines":[{"food":"salt","grams":30}]}`, advise.NoBase},
		"no mix": {`{"format":"cuerda-build/1","lines":[]}`, advise.NoBase},
	} {
		a := way(t, c.text, advise.Options{})
		assert.Empty(t, a.Suggest, name)
		assert.Contains(t, a.Obstacles, c.obstacle, name)
	}
	flour := way(t, `{"format":"cuerda-build/1","lines":[{"food":"rice-flour","grams":300}]}`, advise.Options{})
	for _, w := range flour.Suggest {
		bound := moveOf(&w, advise.AddBinder)
		assert.True(t, moveOf(&w, advise.MoreLiquid) != nil || bound != nil && bound.LiquidG > 0, "flour by itself wants water before anything: %+v", w.Moves)
	}
	forbidden := read(t, wholeBeans)
	forbidden.Lines = []document.Line{{Food: "tofu-firm", Grams: 350}, {Food: "oats-quick", Grams: 40}}
	forbidden.Eaters = read(t, `{"format":"cuerda-build/1","lines":[],"eaters":{"people":[{"count":1,"avoid":["soy"]}]}}`).Eaters
	for _, w := range advise.Bind(kitchen.Usual(), forbidden, advise.Options{}).Suggest {
		assert.Contains(t, w.Out, "tofu-firm", "what stays that somebody avoids is said")
	}
}

// A mix as heavy as a document takes is given no way that a document would not take.
func TestTheHeaviestMixIsGivenAmountsThatCanBeKept(t *testing.T) {
	given := 0
	for _, text := range []string{
		// Far too dry, with nearly as much water as there may be of anything.
		`{"format":"cuerda-build/1","lines":[{"food":"chickpeas-cooked","grams":100000},{"food":"rice-flour","grams":100000},{"food":"oats-rolled","grams":100000},{"food":"water","grams":99990}]}`,
		// A hand that felt nearly as much too little of it.
		`{"format":"cuerda-build/1","hand":{"water_g":-99501,"word":"slack"},"lines":[{"food":"flax-meal","grams":171},{"food":"oats-rolled","grams":157}]}`,
		// Far too wet, with nearly as much of each binder.
		`{"format":"cuerda-build/1","lines":[{"food":"courgette","grams":100000},{"food":"chickpea-flour","grams":99990},{"food":"oats-rolled","grams":99990},{"food":"water","grams":100000}]}`,
	} {
		a := way(t, text, advise.Options{})
		ways := append(slices.Clone(a.Suggest), advise.ChangeOne(kitchen.Usual(), read(t, text))...)
		if a.Nearest != nil {
			ways = append(ways, *a.Nearest)
		}
		for _, school := range advise.Schools(kitchen.Usual(), read(t, text), nil) {
			for _, answer := range school.Ways {
				ways = append(ways, answer.Way)
			}
		}
		given += len(ways)
		for _, w := range ways {
			for _, l := range w.Document.Lines {
				assert.LessOrEqual(t, l.Grams, document.MaxGrams, l.Food)
			}
		}
	}
	require.NotZero(t, given)
}

// A conversion of raw meat begins with crumbs swollen in liquid where there were crumbs and milk, and takes out nothing of
// what it has just put in.
func TestAConversionKeepsItTender(t *testing.T) {
	a := way(t, classic, advise.Options{Replace: advise.Classics})
	require.NotEmpty(t, a.Suggest)
	for i := range a.Suggest {
		w := &a.Suggest[i]
		panade := moveOf(w, advise.Panade)
		require.NotNil(t, panade, "%+v", w.Moves)
		assert.Equal(t, panade, &w.Moves[0], "and says so first")
		for _, m := range w.Moves[1:] {
			if m.Code == advise.LessBinder || m.Code == advise.LessLiquid {
				assert.NotContains(t, []string{panade.Food, panade.Liquid}, m.Food)
			}
		}
	}
	first := a.Suggest[0].Moves[0]
	assert.Equal(t, "gf-crumbs", first.Food, "like goes for like before anything else does")
	assert.Positive(t, first.LiquidG)
}

// The same question has the same answer, however the work is shared out.
func TestTheSameQuestionHasTheSameAnswer(t *testing.T) {
	for _, how := range advise.Replaces {
		first := way(t, classic, advise.Options{Replace: how})
		for range 3 {
			again := way(t, classic, advise.Options{Replace: how})
			require.Len(t, again.Suggest, len(first.Suggest))
			for i := range first.Suggest {
				assert.Equal(t, first.Suggest[i].Document, again.Suggest[i].Document)
				assert.Equal(t, first.Suggest[i].Moves, again.Suggest[i].Moves)
			}
		}
	}
}

// Where nothing good is left, the nearest is told with what stands in its way, and what the mix can become.
func TestWhatNothingMendsIsToldSo(t *testing.T) {
	a := way(t, wholeBeans, advise.Options{Target: 60})
	assert.Empty(t, a.Suggest, "nobody is as sure as that")
	require.NotNil(t, a.Nearest)
	assert.Contains(t, a.Obstacles, advise.WeakRaw)
	assert.NotEmpty(t, a.Becomes)
	for _, b := range a.Becomes {
		assert.Contains(t, advise.BecomesAll, b)
	}
}

// A surer way is asked for by a higher target, and every way then keeps it.
func TestTheTargetIsKept(t *testing.T) {
	for _, target := range []float64{1.2, 1.7, 2.2} {
		for _, w := range way(t, wholeBeans, advise.Options{Target: target}).Suggest {
			assert.GreaterOrEqual(t, math.Min(w.RawRatio, w.CookedRatio), .97*target)
		}
	}
}

// The table is whole: what is usual of a binder is not far beyond where a patty tastes of it, though what is fried in deep
// oil bears more starch and a batter is flour; what it is paired with is known.
func TestTheUsualAmountsAreWhole(t *testing.T) {
	assert.NotPanics(t, func() {
		for id, row := range advise.UsualAmounts() {
			f := foods.Find(id)
			require.NotNil(t, f, id)
			for use, most := range row.Most {
				if most > 0 && f.MaxPct > 0 {
					assert.LessOrEqual(t, most, 2.25*f.MaxPct, "%s for %d", id, use)
				}
			}
			for _, with := range row.With {
				require.NotNil(t, foods.Find(with), with)
			}
		}
	})
}
