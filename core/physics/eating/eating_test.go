package eating

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

var foods = food.Starter()

// eats gives how good a patty, fritter or stuffing of those grams is to eat, and what costs it.
func eats(t require.TestingT, kind piece.Kind, m method.Method, grams map[string]float64) (float64, []Cost) {
	var parts []mix.Part
	for _, id := range []string{"white-beans-canned", "bread-gluten-free", "quinoa-cooked", "turkey-ground", "courgette", "rice-dry", "oats-quick", "chickpea-flour", "potato-starch", "psyllium-husk", "coconut-flour", "margarine", "broth", "water"} {
		if g := grams[id]; g > 0 {
			l := mix.Line{Food: foods.Find(id), Grams: g}
			parts = append(parts, l.Part())
		}
	}
	require.NotEmpty(t, parts)
	p := piece.Usual(kind)
	duty := mix.NewDuty(&p, m, false, &parameter.Usual().Handling)
	e := mix.Sum(parts, mix.Rest{Minutes: 15, Celsius: 20, Hands: 6})
	e2 := Of(parts, &e, &duty, .4, .85, .85)
	return Judges().Weigh(&e2, 0), Judges().Tell(&e2, 0)
}

// Each piece of evidence speaks against eating it, and nothing is told that costs nothing.
func TestEveryCostCosts(t *testing.T) {
	j := Judges()
	for i := 1; i < Terms; i++ {
		assert.LessOrEqual(t, j[i], 0., terms[i].name)
	}
	rapid.Check(t, func(t *rapid.T) {
		var e Evidence
		e[0] = 1
		for i := 1; i < Terms; i++ {
			if rapid.Bool().Draw(t, "there") {
				e[i] = rapid.Float64Range(0, 1).Draw(t, terms[i].name)
			}
		}
		eat := j.Weigh(&e, 0)
		assert.True(t, eat > 0 && eat < 1)
		at := rapid.IntRange(1, Terms-1).Draw(t, "more of")
		more := e
		more[at] += .3
		assert.LessOrEqual(t, j.Weigh(&more, 0), eat+1e-12, "more %s is never better", terms[at].name)
		for _, c := range j.Tell(&e, 0) {
			without := e
			for i := range terms {
				if terms[i].cost == c {
					without[i] = 0
				}
			}
			assert.GreaterOrEqual(t, j.Weigh(&without, 0), eat+least-1e-12, "%s is told for what it costs", c)
		}
	})
}

// What people do instead of a remedy is told by its name.
func TestWhatACookWouldCallIt(t *testing.T) {
	for name, c := range map[string]struct {
		kind       piece.Kind
		by         method.Method
		good, poor map[string]float64
		cost       Cost
	}{
		"oats in place of wringing": {piece.Patty, method.Pan, map[string]float64{"white-beans-canned": 400, "oats-quick": 30}, map[string]float64{"white-beans-canned": 400, "oats-quick": 130}, Porridge},
		"oats in a stuffing":        {piece.Stuffing, method.StillOven, map[string]float64{"bread-gluten-free": 300, "broth": 280, "margarine": 40}, map[string]float64{"bread-gluten-free": 300, "broth": 800, "margarine": 40, "oats-quick": 245}, Porridge},
		"much psyllium":             {piece.Patty, method.Pan, map[string]float64{"quinoa-cooked": 400, "psyllium-husk": 3, "water": 30}, map[string]float64{"quinoa-cooked": 400, "psyllium-husk": 14, "water": 140}, Gummy},
		"rice that went in dry":     {piece.Stuffing, method.StillOven, map[string]float64{"white-beans-canned": 400, "broth": 60}, map[string]float64{"white-beans-canned": 200, "rice-dry": 180, "broth": 100}, RawGrain},
		"crumbs of oats in meat":    {piece.Patty, method.Pan, map[string]float64{"turkey-ground": 450, "oats-quick": 25}, map[string]float64{"turkey-ground": 450, "courgette": 350, "oats-quick": 120}, Dense},
	} {
		good, _ := eats(t, c.kind, c.by, c.good)
		poor, costs := eats(t, c.kind, c.by, c.poor)
		assert.Greater(t, good, poor+.1, name)
		if c.cost != Dense { // told beside oats, not always in its own name
			assert.Contains(t, costs, c.cost, name)
		}
	}
}

func TestTheTableIsWhole(t *testing.T) {
	j, err := read(eatingCSV)
	require.NoError(t, err)
	var text strings.Builder
	for _, row := range j.Table() {
		text.WriteString(strings.Join(row, ",") + "\n")
	}
	assert.Equal(t, eatingCSV, text.String(), "written and read again")
	for name, bad := range map[string]string{"empty": "", "cut off": eatingCSV[:len(eatingCSV)-12], "no number": strings.Replace(eatingCSV, "base,", "base,x", 1), "another order": strings.Replace(eatingCSV, "base", "rest", 1)} {
		_, err := read(bad)
		assert.ErrorIs(t, err, errTable, name)
	}
	assert.Len(t, terms, Terms)
	for _, term := range terms[1:] {
		assert.Contains(t, Costs, term.cost)
	}
}

func BenchmarkEating(b *testing.B) {
	p := piece.Usual(piece.Patty)
	duty := mix.NewDuty(&p, method.Pan, true, &parameter.Usual().Handling)
	var parts []mix.Part
	for _, id := range []string{"white-beans-canned", "oats-quick", "courgette", "potato-starch", "margarine", "water"} {
		l := mix.Line{Food: foods.Find(id), Grams: 60}
		parts = append(parts, l.Part())
	}
	e := mix.Sum(parts, mix.Rest{Minutes: 15, Celsius: 20})
	for b.Loop() {
		v := Of(parts, &e, &duty, .4, .8, .8)
		Judges().Weigh(&v, 0)
	}
}
