package advise_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/physics/mix"
)

func drawPerson(t *rapid.T) eaters.Person {
	return eaters.Person{
		Count: 1,
		Avoid: rapid.SliceOfN(rapid.SampledFrom(eaters.Allergens), 0, 3).Draw(t, "avoid"),
		Diet:  rapid.SampledFrom(append([]string{"", ""}, eaters.Diets...)).Draw(t, "diet"),
		Wants: rapid.SliceOfN(rapid.SampledFrom(eaters.Wants), 0, 1).Draw(t, "wants"),
	}
}

func drawTabled(t *rapid.T, k *kitchen.Kitchen) *document.Document {
	foods := k.Foods.Foods()
	lines := func(least, most int) (out []document.Line) {
		for range rapid.IntRange(least, most).Draw(t, "lines") {
			f := foods[rapid.IntRange(0, len(foods)-1).Draw(t, "food")]
			out = append(out, document.Line{Food: f.ID, Grams: float64(rapid.IntRange(5, 400).Draw(t, "grams"))})
		}
		return out
	}
	d := &document.Document{Format: document.Format, Name: "Drawn", Lines: lines(1, 7), Eaters: &eaters.Eaters{People: []eaters.Person{drawPerson(t), drawPerson(t)}}}
	if rapid.Bool().Draw(t, "coated") {
		d.Parts = []document.Part{{Kind: document.Coating, Lines: lines(1, 3)}, {Kind: document.Sauce, Lines: lines(1, 3)}}
	}
	return d
}

// foodsOut are the foods of a document, its parts too, that a table leaves out.
func foodsOut(d *document.Document, t eaters.Table, k *kitchen.Kitchen) (out []string) {
	look := func(lines []document.Line) {
		for _, l := range lines {
			if f := k.Foods.Find(l.Food); t.Check(f, k.LabelRead(l.Food)).Status == eaters.Out && !slices.Contains(out, l.Food) {
				out = append(out, l.Food)
			}
		}
	}
	look(d.Lines)
	for i := range d.Parts {
		look(d.Parts[i].Lines)
	}
	return out
}

// wheatOf are the foods with gluten in a document and its parts, and of these the crumbs, flours and breads that
// are less than three tenths of the mix: no body of a stuffing, but a binder.
func wheatOf(d *document.Document, k *kitchen.Kitchen) (all, binders []string) {
	sum := 0.
	for _, l := range d.Lines {
		sum += l.Grams
	}
	lines := slices.Clone(d.Lines)
	for i := range d.Parts {
		lines = append(lines, d.Parts[i].Lines...)
	}
	for _, l := range lines {
		if f := k.Foods.Find(l.Food); f.Gluten == "contains" {
			all = append(all, f.ID)
			if f.Group == food.GrainBinder && l.Grams < .3*sum {
				binders = append(binders, f.ID)
			}
		}
	}
	return all, binders
}

// Nothing that is advised ever brings in what the table avoids; what stays of that, a way says; a conversion leaves none
// of it in the mix or its parts, nor egg or crumbs of wheat whoever eats, and brings in no gluten that was not there.
func TestNothingIsAdvisedThatTheTableAvoids(t *testing.T) {
	k := kitchen.Usual()
	left := lawtest.Draws(15, 2000) // a search takes long: as many as are wanted, whatever other laws draw
	rapid.Check(t, func(t *rapid.T) {
		if left--; left < 0 {
			return
		}
		d := drawTabled(t, k)
		table := d.Eaters.Table()
		was := foodsOut(d, table, k)
		how := rapid.SampledFrom(advise.Replaces).Draw(t, "replace")
		found := advise.Bind(k, d, advise.Options{Replace: how})
		ways := found.Suggest
		if found.Nearest != nil {
			ways = append(ways, *found.Nearest)
		}
		for i := range ways {
			w := &ways[i]
			is := foodsOut(&w.Document, table, k)
			require.ElementsMatch(t, is, w.Out, "what stays is said")
			for _, id := range is {
				require.Contains(t, was, id, "no way brings in what the table avoids")
			}
			for _, a := range w.Add {
				require.NotEqual(t, eaters.Out, table.Check(k.Foods.Find(a.Food), nil).Status, a.Food)
			}
			if how == advise.Classics {
				free := eaters.Eaters{Avoid: []string{"egg"}, People: d.Eaters.People}
				require.Empty(t, foodsOut(&w.Document, free.Table(), k), "a conversion leaves nothing that the table avoids")
				had, _ := wheatOf(d, k)
				stays, binders := wheatOf(&w.Document, k)
				require.Subset(t, had, stays, "a conversion brings in no gluten")
				require.Empty(t, binders, "crumbs, flour and bread of wheat give way")
			}
		}
		if m, ok := advise.MendBy(k, d, rapid.SampledFrom(mix.SqueezeWords).Draw(t, "felt")); ok {
			for _, a := range m.Additions {
				require.NotEqual(t, eaters.Out, table.Check(k.Foods.Find(a.Food), nil).Status, "mended with %s", a.Food)
			}
		}
	})
}

func TestLikeGoesForLike(t *testing.T) {
	k := kitchen.Usual()
	d, err := document.Read([]byte(`{"format": "cuerda-build/1", "name": "Tuna cakes", "lines": [
		{"food": "tuna-canned", "grams": 300}, {"food": "mayonnaise", "grams": 40}, {"food": "cheese-hard", "grams": 30}, {"food": "butter", "grams": 10},
		{"food": "egg", "grams": 50}, {"food": "breadcrumbs-dry", "grams": 60}, {"food": "soy-sauce", "grams": 10}],
		"eaters": {"people": [{"count": 1, "avoid": ["egg", "milk", "gluten"]}]},
		"parts": [{"kind": "coating", "lines": [{"food": "egg", "grams": 30}, {"food": "panko", "grams": 50}]}]}`), k.Foods)
	require.NoError(t, err)
	ways := advise.Bind(k, d, advise.Options{Replace: advise.Classics}).Suggest
	require.NotEmpty(t, ways)
	has := map[string]bool{}
	for _, l := range ways[0].Document.Lines {
		has[l.Food] = true
	}
	for _, id := range []string{"mayonnaise-egg-free", "plant-cheese", "margarine", "tamari"} {
		assert.True(t, has[id], "%s stands in for its like: %v", id, has)
	}
	for _, l := range ways[0].Document.Parts[0].Lines {
		assert.NotContains(t, []string{"egg", "panko"}, l.Food)
	}

	stuffing, err := document.Read([]byte(`{"format": "cuerda-build/1", "name": "Stuffing", "lines": [
		{"food": "bread-wheat", "grams": 400}, {"food": "onion", "grams": 100}, {"food": "broth", "grams": 200}, {"food": "egg", "grams": 50}], "piece": {"kind": "stuffing"}}`), k.Foods)
	require.NoError(t, err)
	ways = advise.Bind(k, stuffing, advise.Options{Replace: advise.Classics}).Suggest
	require.NotEmpty(t, ways)
	for _, w := range ways {
		assert.True(t, slices.ContainsFunc(w.Document.Lines, func(l document.Line) bool {
			return (l.Food == "bread-wheat" || l.Food == "bread-gluten-free") && l.Grams == 400
		}), "its body stays bread")
	}
	kofta, err := document.Read([]byte(`{"format": "cuerda-build/1", "name": "Koftas", "lines": [
		{"food": "lamb-ground", "grams": 400}, {"food": "bulgur-cooked", "grams": 120}, {"food": "egg", "grams": 50}, {"food": "soy-sauce", "grams": 10}],
		"piece": {"kind": "ball", "diameter_mm": 38}, "eaters": {"avoid": ["egg"]}}`), k.Foods)
	require.NoError(t, err)
	for _, w := range advise.Bind(k, kofta, advise.Options{Replace: advise.Classics}).Suggest {
		has := map[string]float64{}
		for _, l := range w.Document.Lines {
			has[l.Food] += l.Grams
		}
		assert.Equal(t, 120., has["bulgur-cooked"], "nobody leaves wheat out")
		assert.Equal(t, 10., has["soy-sauce"])
		assert.Zero(t, has["egg"])
	}
	sausages, err := document.Read([]byte(`{"format": "cuerda-build/1", "name": "Leek and cheese sausages", "lines": [
		{"food": "breadcrumbs-fresh", "grams": 150}, {"food": "leek", "grams": 120, "prep": [{"do": "saute", "minutes": 8}]}, {"food": "cheese-hard", "grams": 120},
		{"food": "egg", "grams": 100}], "piece": {"kind": "cylinder", "diameter_mm": 28, "length_mm": 90}, "cook": {"method": "pan"}, "eaters": {"avoid": ["egg"]}}`), k.Foods)
	require.NoError(t, err)
	assert.NotEmpty(t, advise.Bind(k, sausages, advise.Options{Replace: advise.Classics}).Suggest, "dry crumbs stand in for as much dry matter of fresh ones")
	assert.Equal(t, "mayonnaise-egg-free", (&eaters.Eaters{Avoid: []string{"egg"}}).Table().Equal(food.Starter().Find("mayonnaise"), food.Starter()).ID)
}
