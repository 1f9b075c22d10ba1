package recipe_test

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
)

// Recipes as differently written as pages and people write them.
func TestRecipesOfManyHands(t *testing.T) {
	reader := ingredient.NewReader(food.Starter())
	for _, c := range []struct {
		file     string
		kind     recipe.Kind
		name     string
		portions int
		foods    string // as they are read, in order
		steps    []string
	}{
		{"graph.html", recipe.Page, "Marsh lentil cakes", 8, "red-lentils-cooked onion millet-flakes salt", []string{"The mix:", "Mash the lentils.", "Stir in the rest.", "Fry."}},
		{"array.html", recipe.Page, "Boathouse turkey balls", 24, "turkey-ground leek millet-flakes psyllium-husk salt", []string{"Mix.", "Rest 15 minutes.", "Bake."}},
		{"microdata.html", recipe.Microdata, "Oar-lock bean burgers", 4, "black-beans-cooked oats-rolled flax-meal", []string{"Mash the beans.", "Shape six."}},
		{"cdata.html", recipe.Page, "Slipway squash stuffing", 6, "millet-cooked fennel dried-fruit", []string{"Fold together, and fill."}},
		{"onestring.json", recipe.JSONLD, "One long line", 0, "chestnuts-cooked celeriac buckwheat-flour", []string{"Chop.", "Bake."}},
		{"objects.json", recipe.JSONLD, "Koftas", 12, "lamb-ground red-lentils-cooked garlic", []string{}},
		{"spanish.html", recipe.Page, "Tortitas de guisantes partidos", 6, "split-peas-cooked onion oats-rolled flax-meal salt", []string{"Tritura los guisantes.", "Dora."}},
		{"headings.txt", recipe.Text, "Tidewater potato cakes", 4, "potato-mashed mackerel-cooked potato-flakes", []string{"Flake the fish.", "Mix and shape."}},
		{"bare.txt", recipe.Text, "", 0, "turkey-ground egg breadcrumbs-dry garlic salt", []string{}},
		{"markdown.md", recipe.Text, "Amaranth croquettes", 16, "amaranth-cooked potato-flakes chickpea-flour mushroom", []string{"Cook the middle first.", "Shape around it."}},
		{"spanish.txt", recipe.Text, "Relleno de mijo e hinojo", 0, "millet-cooked fennel onion", []string{"Sofríe el hinojo y mezcla."}},
		{"values.csv", recipe.Values, "", 0, "chickpea-flour flax-meal salt", []string{}},
		{"broken.html", recipe.Microdata, "Cut off", 0, "tofu-firm", []string{}},
	} {
		data, err := os.ReadFile(filepath.Join("testdata", c.file))
		require.NoError(t, err)
		got, err := recipe.Read(data, ofAll, nil)
		require.NoError(t, err, c.file)
		assert.Equal(t, c.kind, got.Kind, c.file)
		assert.Equal(t, c.name, got.Name, c.file)
		assert.Equal(t, c.portions, got.Portions, c.file)
		assert.Equal(t, c.steps, got.Steps, c.file)
		if c.file == "headings.txt" {
			assert.Equal(t, []string{"Keeps two days."}, got.Notes, "what is no step is kept")
		}
		var foods []string
		for _, l := range got.Ingredients {
			line := reader.Read(l)
			foods = append(foods, line.First().Food)
		}
		assert.Equal(t, c.foods, strings.Join(foods, " "), "%s: %q", c.file, got.Ingredients)
	}
}

// A list of one ingredient is a list, whatever verbs are in it.
func TestAnIngredientMayStandAlone(t *testing.T) {
	found, err := recipe.Read([]byte("# Cakes\n\n## Ingredients\n\n- 900 g red lentils, cooked to a mash\n\n## Method\n\n1. Shape and bake.\n"), ingredient.NewReader(food.Starter()), nil)
	require.NoError(t, err)
	assert.Equal(t, []string{"900 g red lentils, cooked to a mash"}, found.Ingredients)
}

func TestWhatIsNoRecipeSaysSo(t *testing.T) {
	for text, want := range map[string]error{
		"":                              recipe.ErrNoRecipe,
		`{"@type":"Recipe"`:             recipe.ErrBadJSON,
		`{"@type":"Person","name":"x"}`: recipe.ErrNoRecipe,
		`{"@type":"Recipe","name":"No amounts","recipeIngredient":[]}`:   recipe.ErrNoAmounts,
		`<html><body>Nothing</body></html>`:                              recipe.ErrNoRecipe,
		"\xff\xfe\x00":                                                   recipe.ErrNotText,
		"%PDF-1.7\n1 0 obj\n2 cups oats":                                 recipe.ErrPDF,
		"PK\x03\x04\x00\x00":                                             recipe.ErrNotText,
		strings.Repeat("[", 100_000):                                     recipe.ErrBadJSON,
		strings.Repeat(`{"@graph":[`, 2000) + strings.Repeat("]}", 2000): recipe.ErrBadJSON,
		strings.Repeat("a", recipe.MaxBytes+1):                           recipe.ErrTooLarge,
	} {
		_, err := recipe.Read([]byte(text), ofAll, nil)
		assert.ErrorIs(t, err, want, "%.40q", text)
	}
	got, err := recipe.Read([]byte(`{"@type":"Recipe","name":"<script>alert(1)</script>Cakes\u0000","recipeIngredient":["1 cup <b>oats</b>","`+strings.Repeat("x", 9000)+`"]}`), ofAll, nil)
	require.NoError(t, err)
	assert.Equal(t, "Cakes", got.Name)
	assert.Equal(t, "1 cup oats", got.Ingredients[0])
	assert.Len(t, got.Ingredients[1], 2000)
	paragraph := strings.TrimSpace(strings.Repeat("Mash the beans and go on. ", 300))
	got, err = recipe.Read([]byte("Cakes\n\n- 1 cup beans\n- 1 cup oats\n\n"+paragraph), ofAll, nil)
	require.NoError(t, err)
	assert.Greater(t, len(got.Steps), 1)
	assert.Equal(t, paragraph, strings.Join(got.Steps, " "), "a long paragraph loses no word")
	deep := strings.Repeat("<div>", 50_000) + `<p itemprop="recipeIngredient">1 cup oats</p>`
	_, _ = recipe.Read([]byte(deep), ofAll, nil) // ends, whatever it says
}

func FuzzRead(f *testing.F) {
	files, err := filepath.Glob("testdata/*.*")
	require.NoError(f, err)
	for _, name := range files {
		data, err := os.ReadFile(name)
		require.NoError(f, err)
		f.Add(data)
	}
	f.Fuzz(func(t *testing.T, data []byte) {
		got, err := recipe.Read(data, ofAll, nil)
		if err != nil {
			return
		}
		assert.True(t, got.Whole != nil || len(got.Ingredients) > 0)
		assert.LessOrEqual(t, len(got.Ingredients), recipe.MaxIngredients)
		for _, l := range append(got.Ingredients, got.Name) {
			assert.False(t, strings.ContainsAny(l, "\n\x00"), "%q", l)
		}
	})
}

func ExampleRead() {
	r, _ := recipe.Read([]byte("Bean cakes\nServes 4\n\nIngredients:\n- 400 g black beans\n- 60 g oats\n\nMethod:\nMash and shape."), ofAll, nil)
	fmt.Println(r.Name, r.Portions, r.Ingredients, r.Steps)
	// Output: Bean cakes 4 [400 g black beans 60 g oats] [Mash and shape.]
}
