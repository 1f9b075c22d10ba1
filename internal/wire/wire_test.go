package wire_test

import (
	"encoding/json"
	"fmt"
	"math"
	"reflect"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/compare"
	"cuerda/core/predict/dish"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/proposal"
	"cuerda/internal/wire"
)

const cakes = `{"format":"cuerda-build/1","lines":[{"food":"split-peas-cooked","grams":400,"prep":[{"do":"mash","level":0.6}]},
	{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":9}]},{"food":"flax-meal","grams":33.333},{"food":"salt","grams":5.04}],
	"rest":{"minutes":20},"chill":{"minutes":30},"eaters":{"avoid":["milk"]},
	"parts":[{"kind":"sauce","lines":[{"food":"tomato-passata","grams":211.17}]}],"portions":4}`

// same says what differs but for rounding: every figure of the answer is that of the
// result, to half of its last digit or to three significant ones.
func same(t require.TestingT, at string, from, to reflect.Value) {
	switch to.Kind() {
	case reflect.Pointer:
		require.Equal(t, from.IsNil(), to.IsNil(), at)
		if !from.IsNil() {
			same(t, at, from.Elem(), to.Elem())
		}
	case reflect.Slice:
		require.Equal(t, from.Len(), to.Len(), at)
		require.Equal(t, from.IsNil(), to.IsNil(), at)
		for i := range from.Len() {
			same(t, fmt.Sprintf("%s/%d", at, i), from.Index(i), to.Index(i))
		}
	case reflect.Struct:
		for i := range to.NumField() {
			field := to.Type().Field(i)
			if !field.IsExported() {
				continue
			}
			same(t, at+"/"+field.Name, from.FieldByName(field.Name), to.Field(i))
		}
	case reflect.Float64:
		if !math.IsInf(from.Float(), 0) && !math.IsNaN(from.Float()) {
			require.InDelta(t, from.Float(), to.Float(), max(0.5, 0.005*math.Abs(from.Float())), at)
		}
	default:
		require.Equal(t, fmt.Sprint(from.Interface()), fmt.Sprint(to.Interface()), at)
	}
}

func told[T any](t *testing.T, result any) {
	t.Helper()
	out := wire.Of[T](result)
	same(t, reflect.TypeFor[T]().String(), reflect.ValueOf(result), reflect.ValueOf(out))
	_, err := json.Marshal(out)
	assert.NoError(t, err)
}

func TestEveryResultIsToldAsItIs(t *testing.T) {
	k := kitchen.Usual()
	d, err := document.Read([]byte(cakes), food.Starter())
	require.NoError(t, err)
	drier := *d
	drier.Lines = append([]document.Line(nil), d.Lines...)
	drier.Lines[2].Grams = 50
	told[wire.Prediction](t, predict.Predict(d, k))
	told[wire.Baked](t, bake.Bake(d, k, bake.Options{Section: true, Now: 600}))
	told[wire.Outlook](t, bake.Explore(d, k, nil))
	told[wire.Dish](t, dish.Assess(d, k))
	told[[]wire.Purchase](t, dish.Shop(d, k))
	told[wire.Comparison](t, compare.Documents(d, &drier, k))
	told[wire.Answer](t, advise.Bind(k, d, advise.Options{}))
	told[[]wire.School](t, advise.Schools(k, d, nil))
	told[wire.Shaped](t, document.Reshape(d, "ball", k))
	m, ok := advise.MendBy(k, d, mix.Slack)
	require.True(t, ok)
	told[wire.Mend](t, m)
	found, err := recipe.Read([]byte("Cakes\n\n2 cans chickpeas, drained\n1 flax egg\n1 small onion, chopped and fried\n\nMash it all, rest 10 minutes, shape into 8 patties and fry 5 minutes a side."), ingredient.NewReader(food.Starter()), nil)
	require.NoError(t, err)
	understood := recipe.Understand(&found, ingredient.NewReader(k.Foods), k.Foods)
	told[wire.Found](t, found)
	told[wire.Draft](t, proposal.Of(&found, &understood, k))
	told[wire.Understood](t, understood)
	told[wire.Reading](t, ingredient.NewReader(k.Foods).Read("2 cups cooked lentils, mashed"))
	scaled, err := dish.Scale(d, dish.Aim{Portions: 7}, k)
	require.NoError(t, err)
	told[wire.Scaled](t, scaled)
	duty := d.Duty(k)
	told[wire.Explanation](t, mix.Explain(mix.Parts(d.MixLines(k.Foods)), d.RestIn(k), &duty, 0))
}

func TestAPredictionIsToldTheSameEitherWay(t *testing.T) {
	k := kitchen.Usual()
	rapid.Check(t, func(t *rapid.T) {
		d := &document.Document{Format: document.Format, Lines: []document.Line{}}
		for range rapid.IntRange(0, 8).Draw(t, "lines") {
			f := rapid.SampledFrom(food.Starter().Foods()).Draw(t, "food")
			d.Lines = append(d.Lines, document.Line{Food: f.ID, Grams: rapid.Float64Range(.1, 900).Draw(t, "grams")})
		}
		if rapid.Bool().Draw(t, "chilled") {
			d.Chill = &document.Wait{Minutes: 30}
		}
		if rapid.Bool().Draw(t, "somebody reacts") {
			d.Eaters = &eaters.Eaters{Avoid: []string{"gluten", "egg"}, People: []eaters.Person{{Count: 1, Diet: "vegan"}}}
		}
		p := predict.Predict(d, k)
		require.Equal(t, wire.Of[wire.Prediction](p), wire.PredictionOf(&p))
	})
}

func TestFiguresAreToldWithTheirDigits(t *testing.T) {
	type result struct {
		Plain, Tiny, Exact float64
		Maybe              *float64
		Many               []float64
		Words              []string
	}
	type said struct {
		Plain float64   `digits:"1"`
		Tiny  float64   `digits:"1+"`
		Exact float64   //
		Maybe *float64  `digits:"2"`
		Many  []float64 `digits:"0"`
		Words []string
	}
	half := 1.2345
	from := result{0.0412, 0.0412, 0.0412, &half, []float64{1.4, 2.6}, []string{"a"}}
	got := wire.Of[said](from)
	assert.Equal(t, said{0, 0.0412, 0.0412, ref(1.23), []float64{1, 3}, []string{"a"}}, got)
	assert.Equal(t, 1.2345, half, "what the core holds stays")
	got.Many[0] = 99
	assert.Equal(t, 1.4, from.Many[0])
	assert.Equal(t, said{Many: []float64{}, Words: []string{}}, wire.Of[said](&result{}), "a pointer is what it points to, and no list is null")
}

func ref(x float64) *float64 { return &x }

func TestWhatCannotBeToldIsAMistakeOfTheProgram(t *testing.T) {
	type result struct{ Grams float64 }
	assert.Panics(t, func() {
		wire.Of[struct{ Missing float64 }](result{})
	}, "no such figure")
	assert.Panics(t, func() {
		wire.Of[struct{ Grams string }](result{})
	}, "no such kind")
	assert.Panics(t, func() {
		wire.Of[struct {
			Grams float64 `digits:"few"`
		}](result{})
	}, "no number of digits")
}

func TestTidyRounds(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		x := rapid.Float64Range(-1e6, 1e6).Draw(t, "x")
		decimals := rapid.IntRange(0, 4).Draw(t, "decimals")
		got := wire.Tidy(x, decimals)
		assert.InDelta(t, x, got, 0.5*math.Pow10(-decimals)+1e-9)
		assert.InDelta(t, got, wire.Tidy(got, decimals), 1e-12*math.Abs(got), "rounding again changes nothing")
		if math.Abs(x) > 1e-300 {
			assert.InEpsilon(t, x, got, 0.011, "three significant digits are left")
		}
	})
	for _, odd := range []float64{math.NaN(), math.Inf(1), math.Inf(-1), 0} {
		assert.Zero(t, wire.Tidy(odd, 2))
	}
}

func ExampleOf() {
	type result struct{ Grams float64 }
	type said struct {
		Grams float64 `json:"grams" digits:"1"`
	}
	text, _ := json.Marshal(wire.Of[said](result{Grams: 12.3456}))
	fmt.Println(string(text))
	// Output: {"grams":12.3}
}

// What telling a prediction of 20 lines adds to making it.
func BenchmarkOfAPrediction(b *testing.B) {
	k := kitchen.Usual()
	d := &document.Document{Format: document.Format}
	for range 10 {
		d.Lines = append(d.Lines, document.Line{Food: "parsnip", Grams: 150}, document.Line{Food: "flax-meal", Grams: 9})
	}
	p := predict.Predict(d, k)
	b.ReportAllocs()
	for b.Loop() {
		wire.PredictionOf(&p)
	}
}
