package dish_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/predict/dish"
)

var foods = food.Starter()

const koftas = `{"format":"cuerda-build/1","name":"Koftas","lines":[
	{"food":"lamb-ground","grams":400},{"food":"red-lentils-cooked","grams":200},{"food":"chickpeas-canned","grams":250},
	{"food":"millet-flakes","grams":60},{"food":"salt","grams":7}],
	"piece":{"kind":"ball","diameter_mm":40},"cook":{"method":"fan-oven","celsius":190},
	"eaters":{"people":[{"name":"Coeliac","count":2,"avoid":["gluten"]},{"name":"Crew","count":6}]},
	"parts":[
		{"kind":"sauce","id":"red","lines":[{"food":"tomato-passata","grams":360},{"food":"salt","grams":3}],"cook_minutes":15},
		{"kind":"glaze","on":"red","lines":[{"food":"tomato-paste","grams":40},{"food":"soy-sauce","grams":5}]},
		{"kind":"broth","lines":[{"food":"water","grams":1000},{"food":"broth","grams":1000},{"food":"pasta-gluten-free-dry","grams":300}]}]}`

func read(t testing.TB, text string) *document.Document {
	t.Helper()
	d, err := document.Read([]byte(text), foods)
	require.NoError(t, err)
	return d
}

func with(items ...kitchen.PantryItem) *kitchen.Kitchen {
	k, err := kitchen.Usual().With(items...)
	if err != nil {
		panic(err)
	}
	return k
}

func priced(perKilo map[string]float64) *kitchen.Kitchen {
	var items []kitchen.PantryItem
	for f, price := range perKilo {
		items = append(items, kitchen.PantryItem{Food: f, PerKilo: &price})
	}
	return with(items...)
}

func TestADishWithItsParts(t *testing.T) {
	d := read(t, koftas)
	got := dish.Assess(d, priced(map[string]float64{"lamb-ground": 12, "red-lentils-cooked": 2, "chickpeas-canned": 3, "salt": 0, "tomato-passata": 3,
		"tomato-paste": 5, "soy-sauce": 6, "broth": 1, "pasta-gluten-free-dry": 4}))
	require.Len(t, got.Parts, 3)
	sauce, glaze, broth := got.Parts[0], got.Parts[1], got.Parts[2]
	assert.Equal(t, 363., sauce.MassG)
	assert.Equal(t, "portion", sauce.Each)
	assert.Equal(t, 360., sauce.NeedG, "eight at table, three spoonfuls each")
	assert.Empty(t, sauce.Notes)
	assert.Equal(t, eaters.Out, glaze.Status, "soy sauce is brewed with wheat")
	require.Len(t, broth.Notes, 3, "and what to take care of")
	assert.Equal(t, []string{"check-label", "cook-first"}, []string{broth.Notes[1].Code, broth.Notes[2].Code})
	assert.Equal(t, "drinks-by-tomorrow", broth.Notes[0].Code)
	assert.InDelta(t, 720, broth.Notes[0].Value, 1, "2.4 g a gram of pasta")
	assert.InDelta(t, 1280, broth.Notes[0].Limit, 1)

	require.NotNil(t, got.Portion)
	assert.Equal(t, 8, got.Portions)
	assert.InDelta(t, got.Whole.Facts.KCal, 8*got.Portion.Facts.KCal, 8)
	mixed := 12*.4 + 2*.2 + 3*.25
	require.NotNil(t, got.Whole.Cost, "millet flakes alone have no price, and are few")
	assert.InDelta(t, mixed+3*.36+5*.04+6*.005+1+4*.3, *got.Whole.Cost, 0.01)
	assert.InDelta(t, (mixed+5*.04+6*.005)/float64(got.Pieces), *got.Piece.Cost, 0.02, "the sauce is not of a piece")
	assert.NotContains(t, got.Unpriced, "water")
	assert.Contains(t, got.Unpriced, "millet-flakes")
	assert.NotContains(t, got.Unpriced, "salt", "what costs nothing has a price")
	few := dish.Assess(d, priced(map[string]float64{"millet-flakes": 4}))
	assert.Nil(t, few.Whole.Cost, "most of it has no price: no sum is told")
}

// What a plate says of a piece is of the piece that the page speaks of: what is left
// of the mix beside whole pieces is in none of them.
func TestAPieceIsThePiece(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := read(&testing.T{}, koftas)
		d.Parts = nil
		d.Lines[0].Grams = rapid.Float64Range(20, 900).Draw(t, "lamb")
		d.Piece.DiameterMM = rapid.Float64Range(25, 90).Draw(t, "across")
		p := predict.Predict(d, kitchen.Usual())
		got := dish.Assess(d, kitchen.Usual())
		if p.Pieces == 0 {
			return
		}
		assert.Equal(t, p.Pieces, got.Pieces)
		assert.LessOrEqual(t, got.Piece.Grams*float64(got.Pieces), p.MassG*1.02)
		assert.InEpsilon(t, p.PieceG, got.Piece.Grams, 0.09, "as heavy, or with what is shared out")
		assert.InEpsilon(t, got.Hundred.Facts.KCal*got.Piece.Grams/100, got.Piece.Facts.KCal, 0.02)
	})
}

func TestAFirstTryAtAPartSuitsTheTableAndTheAmount(t *testing.T) {
	for _, kind := range document.PartKinds {
		for _, shape := range []string{`{"kind":"shell","diameter_mm":60,"thickness_mm":30,"wall_mm":8}`, `{"kind":"layered","length_mm":200,"width_mm":100,"height_mm":60}`, `{"kind":"stuffing","diameter_mm":80,"height_mm":45}`} {
			d := read(t, `{"format":"cuerda-build/1","lines":[{"food":"millet-cooked","grams":900}],"portions":6,"piece":`+shape+`,
				"eaters":{"avoid":["gluten","egg","milk","tree-nut","soy"],"diet":"vegan","wants":["oil-free"]}}`)
			p := dish.Start(d, kind, kitchen.Usual())
			require.NotEmpty(t, p.Lines, kind)
			d.Parts = []document.Part{p}
			got := dish.Assess(d, kitchen.Usual()).Parts[0]
			assert.NotEqual(t, eaters.Out, got.Status, kind)
			for _, n := range got.Notes {
				assert.NotContains(t, []string{"part-short", "part-over", "filling-runs", "part-empty"}, n.Code, "%s in %s", kind, shape)
			}
		}
	}
}

func TestScalingKeepsTheMix(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d, err := document.Read([]byte(koftas), foods)
		require.NoError(t, err)
		d.Mixing = &document.Mixing{Minutes: 6} // more pieces would be longer in the hands, and drink
		n := rapid.IntRange(4, 400).Draw(t, "pieces")
		s, err := dish.Scale(d, dish.Aim{Pieces: n}, kitchen.Usual())
		require.NoError(t, err)
		assert.InDelta(t, *s.QWas, *s.Q, 0.03, "rounding moves the index little")
		assert.Equal(t, n, dish.Assess(&s.Document, kitchen.Usual()).Pieces, "so many are so many")
		assert.InDelta(t, s.Factor, s.Document.Parts[0].Lines[0].Grams/360, 0.06*s.Factor, "the parts go along")
		for i, l := range s.Document.Lines {
			assert.Equal(t, l.Grams, dish.Weighable(l.Grams), "line %d can be weighed", i)
		}
	})
}

func TestWaysToScale(t *testing.T) {
	d := read(t, koftas)
	s, err := dish.Scale(d, dish.Aim{Portions: 16}, kitchen.Usual())
	require.NoError(t, err)
	assert.Equal(t, 800., s.Document.Lines[0].Grams)
	assert.Equal(t, 16, s.Document.Portions)
	s, err = dish.Scale(d, dish.Aim{Food: "chickpeas-canned", Grams: 430}, kitchen.Usual())
	require.NoError(t, err)
	assert.InDelta(t, 430./250, s.Factor, 0.001)

	loaf := read(t, `{"format":"cuerda-build/1","lines":[{"food":"chestnuts-cooked","grams":400}],"piece":{"kind":"loaf","length_mm":210,"width_mm":110,"height_mm":40}}`)
	s, err = dish.Scale(loaf, dish.Aim{Tin: &piece.Tin{LengthMM: 250, WidthMM: 110, HeightMM: 70}}, kitchen.Usual())
	require.NoError(t, err)
	assert.InDelta(t, 0.85*70, s.Document.Piece.HeightMM, 1, "filled to the limit")

	bare := read(t, `{"format":"cuerda-build/1","lines":[{"food":"lamb-ground","grams":400}],"piece":{"kind":"ball","diameter_mm":38},"parts":[{"kind":"sauce","lines":[]}]}`)
	s, err = dish.Scale(bare, dish.Aim{Pieces: 30}, kitchen.Usual())
	require.NoError(t, err)
	assert.NotNil(t, s.Document.Parts[0].Lines, "a part without lines is written as an empty list")

	for want, a := range map[error]dish.Aim{
		dish.ErrNoAim: {}, dish.ErrNotThere: {Food: "tofu-firm", Grams: 100}, dish.ErrTooMuch: {Food: "salt", Grams: 9000},
		dish.ErrTooLittle: {Food: "lamb-ground", Grams: 0.1}, piece.ErrNoLoaf: {Tin: &piece.Tin{LengthMM: 200, WidthMM: 100, HeightMM: 60}},
	} {
		_, err := dish.Scale(d, a, kitchen.Usual())
		assert.ErrorIs(t, err, want)
	}
	damp := *loaf
	damp.Portions, damp.Hand = 1, &document.Hand{WaterG: -900}
	_, err = dish.Scale(&damp, dish.Aim{Portions: 192}, kitchen.Usual())
	assert.ErrorIs(t, err, dish.ErrTooMuch, "what the hand felt grows with the mix")
	_, err = dish.Scale(loaf, dish.Aim{Portions: 3}, kitchen.Usual())
	assert.ErrorIs(t, err, dish.ErrNoPortions)
	_, err = dish.Scale(read(t, `{"format":"cuerda-build/1","lines":[]}`), dish.Aim{Pieces: 3}, kitchen.Usual())
	assert.ErrorIs(t, err, dish.ErrNoMix)
}

func TestPacksAreRoundedUp(t *testing.T) {
	list := dish.Shop(read(t, koftas), with(kitchen.PantryItem{Food: "salt", Have: true}))
	by := map[string]dish.Purchase{}
	for _, p := range list {
		by[p.Food] = p
	}
	beans := by["chickpeas-canned"]
	assert.Equal(t, "can", beans.Pack)
	assert.Equal(t, 1, beans.Count, "one of 425 g, drained 255")
	assert.Equal(t, 425., beans.PackG)
	assert.Equal(t, []string{"rest-salad", "liquid-foam"}, beans.GoodFor)
	assert.Equal(t, "red-lentils-dry", by["red-lentils-cooked"].Dry)
	assert.InDelta(t, 74, by["red-lentils-cooked"].DryG, 1)
	assert.Equal(t, 10., by["salt"].Grams, "of the mix and the sauce")
	assert.True(t, by["salt"].Have)
	assert.NotContains(t, by, "water")
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(foods.Foods()).Draw(t, "food")
		grams := rapid.Float64Range(1, 5000).Draw(t, "grams")
		for _, p := range dish.Shop(&document.Document{Lines: []document.Line{{Food: f.ID, Grams: grams}}}, kitchen.Usual()) {
			if p.Count > 0 {
				assert.GreaterOrEqual(t, float64(p.Count)*p.PackG, 0.97*grams, f.ID)
				assert.Less(t, p.LeftG, p.PackG)
			}
		}
	})
}

func ExampleScale() {
	d, _ := document.Read([]byte(koftas), foods)
	s, _ := dish.Scale(d, dish.Aim{Portions: 12}, kitchen.Usual())
	fmt.Printf("%.1f times: %.0f g lamb\n", s.Factor, s.Document.Lines[0].Grams)
	// Output: 1.5 times: 600 g lamb
}

func BenchmarkLook80LinesIn7(b *testing.B) {
	d := read(b, koftas)
	for len(d.Parts) < 6 {
		d.Parts = append(d.Parts, d.Parts[0])
	}
	for i := range d.Parts {
		for len(d.Parts[i].Lines) < 12 {
			d.Parts[i].Lines = append(d.Parts[i].Lines, d.Lines[len(d.Parts[i].Lines)%5])
		}
	}
	b.ReportAllocs()
	for b.Loop() {
		dish.Assess(d, kitchen.Usual())
	}
}

// Oil to fry in goes by the pot, is bought and is mostly left; twice as many pieces want no twice as much.
func TestFryingOilIsBoughtAndLeft(t *testing.T) {
	k := kitchen.Usual()
	of := func(grams int, method string) (dish.Amount, float64, bool) {
		d, err := document.Read([]byte(fmt.Sprintf(`{"format":"cuerda-build/1","name":"x","lines":[{"food":"chickpeas-cooked","grams":%d},{"food":"chickpea-flour","grams":40}],"piece":{"kind":"ball","diameter_mm":35},"cook":{"method":%q}}`, grams, method)), k.Foods)
		require.NoError(t, err)
		return dish.Frying(d, k)
	}
	few, left, ok := of(400, "deep-oil")
	require.True(t, ok)
	assert.InDelta(t, 2100, few.Grams, 300, "six centimetres in a pot of 22")
	assert.InDelta(t, few.Grams-0.08*440, left, 15)
	many, leftOfMany, _ := of(800, "deep-oil")
	assert.Equal(t, few.Grams, many.Grams)
	assert.Less(t, leftOfMany, left, "more pieces take up more")
	_, _, baked := of(400, "still-oven")
	assert.False(t, baked)
	pan, none, ok := of(400, "pan")
	assert.True(t, ok)
	assert.Less(t, pan.Grams, 100.)
	assert.Zero(t, none)
}
