package recipe_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/recipe"
)

const cakes = "Lentil cakes\n\nIngredients\n- 2 cups cooked lentils\n- 1/2 cup oats\n- 1 egg\n\nMethod\n"

// What stands near a time or a temperature and is not the mix's.
func TestTrapsOfAMethod(t *testing.T) {
	for _, c := range []struct {
		name, method               string
		rest, chill, minutes, heat float64
	}{
		{"a rest after baking", "1. Mix everything. 2. Shape into 6 cakes. 3. Bake at 190C for 20 minutes. 4. Let rest 10 minutes before serving.", 0, 0, 20, 190},
		{"the oven heating up", "1. Heat the oven to 200C for 15 minutes. 2. Mix everything and shape into 6 cakes. 3. Bake for 25 minutes.", 0, 0, 25, 200},
		{"notes", "1. Mix everything. 2. Shape into 6 cakes. 3. Bake at 180C for 20 minutes.\n\nNotes\nChill overnight and bake at 220C for 40 minutes if you like.", 0, 0, 20, 180},
		{"a variation", "1. Mix everything. 2. Shape into 6 cakes. 3. Bake at 180C for 20 minutes. Alternatively, fry for 4 minutes per side.", 0, 0, 20, 180},
		{"inside, not around", "1. Mix everything. 2. Shape into 6 cakes. 3. Bake at 180C for 20 minutes, until 74C inside.", 0, 0, 20, 180},
		{"a soak of one food", "1. Soak the oats in water for 20 minutes. 2. Mix everything. 3. Shape into 6 cakes and chill for 1 hour. 4. Bake at 180C for 20 minutes.", 0, 60, 20, 180},
		{"both sides", "1. Mix everything and leave 10 minutes. 2. Shape into 6 cakes. 3. Fry in a skillet, 4 to 5 minutes per side.", 10, 0, 9, 0},
		{"and flip", "1. Mix everything. 2. Shape into 6 cakes. 3. Cook in a skillet for 4 minutes, flip, and cook 3 minutes more.", 0, 0, 7, 0},
		{"gas and a fan beside", "1. Mix everything. 2. Shape into 6 cakes. 3. Bake at 200C/180C fan/gas 6 for 25 minutes.", 0, 0, 25, 200},
		{"Fahrenheit unsaid", "1. Mix everything. 2. Shape into 6 cakes. 3. Bake at 375 for 25 minutes, turning at the 12 minute mark.", 0, 0, 25, 191},
		{"hours", "1. Mix everything. 2. Shape into 6 cakes and refrigerate overnight. 3. Bake at 180C for 1 hour 10 minutes.", 0, 600, 70, 180},
	} {
		_, got := understand(t, cakes+c.method)
		require.NotNil(t, got.Cook, c.name)
		minutes := func(w *recipe.ReadWait) float64 {
			if w == nil {
				return 0
			}
			return w.Minutes
		}
		assert.Equal(t, c.rest, minutes(got.Rest), "%s: rest", c.name)
		assert.Equal(t, c.chill, minutes(got.Chill), "%s: chill", c.name)
		assert.Equal(t, c.minutes, got.Cook.Minutes, "%s: minutes", c.name)
		assert.InDelta(t, c.heat, got.Cook.Celsius, 1, "%s: temperature", c.name)
		assert.Equal(t, 6, got.Piece.Count, c.name)
	}
}

// Said to be free of it, a line is free of it, or it stays open.
func TestWhatALineIsFreeOf(t *testing.T) {
	for line, want := range map[string]string{
		"100 g gluten-free flour": "gf-baking-mix", "1 cup gluten-free breadcrumbs": "gf-crumbs", "1/2 cup panko (gluten-free)": "gf-crumbs", "2 tbsp soy sauce, gluten-free": "tamari",
		"1/4 cup plant milk": "plant-milk", "50 g vegan cheese, grated": "plant-cheese", "60 ml dairy-free milk": "plant-milk", "30 g vegan butter": "margarine",
		"200 g vegan sausages": "", "1 egg substitute": "", "2 vegan eggs": "", "200 g meatless ground beef": "",
		"100 g de harina sin gluten": "gf-baking-mix", "pan rallado sin gluten, 50 g": "gf-crumbs", "50 g de queso vegano rallado": "plant-cheese", "200 g de salchichas veganas": "",
		"60 g chickpea and fava bean flour": "",
	} {
		got := ofAll.Read(line)
		f := food.Starter().Find(got.First().Food)
		if want == "" {
			assert.True(t, f == nil || !got.First().Sure(), "%q is surely %v", line, got.First().Food)
			continue
		}
		assert.Equal(t, want, got.First().Food, line)
	}
}

func TestFoodsAreFollowedThroughTheMethod(t *testing.T) {
	_, got := understand(t, `Bean burgers
2 cans black beans
1 cup rolled oats
1 cup dry quinoa
1 large zucchini, grated
2 tbsp olive oil, divided
2 tbsp ground flaxseed
5 tbsp water
1/2 cup cornmeal

1. Boil the quinoa for 15 minutes and drain.
2. Stir the flaxseed into the water and leave 12 minutes.
3. Grind half of the oats to a flour. Wring the zucchini in a towel.
4. Mash the beans, then mix in everything but the cornmeal and 1 tablespoon of the oil.
5. Shape into 8 burgers 2 cm thick and dust with the cornmeal.
6. Fry in the remaining oil for 5 minutes per side.
`)
	line := func(i int) []recipe.ReadFood { return got.Lines[i].Items }
	assert.Equal(t, []food.Preparation{{Do: food.Mash, Level: 0.8}}, line(0)[0].Prep)
	require.Len(t, line(1), 2, "half of the oats is ground")
	assert.InDelta(t, line(1)[0].Grams, line(1)[1].Grams, 0.1)
	assert.Equal(t, food.Blitz, line(1)[0].Prep[0].Do)
	assert.Empty(t, line(1)[1].Prep)
	assert.Equal(t, "quinoa-cooked", line(2)[0].Food)
	assert.InDelta(t, 3*food.Starter().Find("quinoa-dry").GramsPerCup, line(2)[0].Grams, 1, "boiled, a dry cup is three")
	assert.Equal(t, food.Press, line(3)[0].Prep[0].Do)
	require.Len(t, line(4), 2)
	assert.Equal(t, []string{"", recipe.Frying}, []string{line(4)[0].Part, line(4)[1].Part})
	assert.Equal(t, []food.Preparation{{Do: food.SoakGel, Minutes: 12}}, line(5)[0].Prep)
	assert.Equal(t, recipe.Coated, got.Lines[7].Part)
	assert.Equal(t, 2., got.Cook.Minutes/5)
	assert.Equal(t, []string{"gel"}, got.Became[1], "each step knows what it became")
	assert.Contains(t, got.Became[4], "shape")
}

// The heat is found in short notes too: where no sentence shapes the pieces, where the depth of the oil is told, where a "fry pan" is
// named, and where steps have no full stops. "Squeeze them" in a sentence of its own is about the food named last.
func TestHeatAsNotesTellIt(t *testing.T) {
	const foods = "Hamburguesas\n\nIngredientes\n- 400 g de garbanzos cocidos\n- 200 g de espinacas\n- 1 cebolla\n- 1 diente de ajo\n\nPreparación\n"
	const cakes = "Fishcakes\n\n450 g cooked cod\n600 g mashed potato\n\n"
	for text, want := range map[string]string{
		cakes + "Mix everything. Fry the patties 4 min a side.":                                     "pan 8",
		cakes + "Mix. Spoon into hot oil 1cm deep, 3 min a side.":                                   "shallow-oil 6",
		cakes + "Mix. Heat oil to a depth of 2 cm. Fry the 1 cm thick patties 3 minutes a side":     "shallow-oil 6 th 10",
		cakes + "Mix. Cook 12 patties in a fry pan (electric: 180°C), 4 mins per side.":             "pan 8",
		foods + "procesar los garbanzos, mezclar, heladera 1 hora. horno fuerte 25 min":             "still-oven 25 chill 60",
		foods + "procesar los garbanzos, mezclar, heladera 1 hora, horno fuerte 25 min":             "still-oven 25 chill 60",
		strings.Replace(cakes, "450 g", "l lb", 1) + "Mix. Chill l hour. Grill 5 minutes per side.": "grill 10 chill 60",
	} {
		_, got := understand(t, text)
		require.NotNil(t, got.Cook, text)
		told := fmt.Sprintf("%s %g", got.Cook.Method, got.Cook.Minutes)
		if got.Piece != nil && got.Piece.ThicknessMM > 0 {
			told += fmt.Sprintf(" th %g", got.Piece.ThicknessMM)
		}
		if got.Rest != nil {
			told += fmt.Sprintf(" rest %g", got.Rest.Minutes)
		}
		if got.Chill != nil {
			told += fmt.Sprintf(" chill %g", got.Chill.Minutes)
		}
		assert.Equal(t, want, told, text)
	}
	_, got := understand(t, foods+"Pochamos la cebolla y el ajo, añadimos las espinacas y las salteamos 3 minutos. Escurridlas bien. Mezclamos todo.")
	var done []food.Do
	for _, p := range got.Lines[1].Items[0].Prep {
		done = append(done, p.Do)
	}
	assert.Equal(t, []food.Do{food.Saute, food.Press}, done)
	_, got = understand(t, "HAMBURGUESA DE LENTEJA — 40 porciones de 100 g\nLenteja cocida 2,2 kg\nCebolla 450 g\nAvena 500 g\nProceso: triturar el 70% de la lenteja, mezclar con lo demás, hornear a 170 °C 20 min.")
	require.NotNil(t, got.Piece)
	assert.Equal(t, 40, got.Piece.Count, "so many portions of that weight")
	require.Len(t, got.Lines[0].Items, 2)
	assert.InDelta(t, .7*2200, got.Lines[0].Items[0].Grams, 1)
	assert.Empty(t, got.Lines[2].Items[0].Prep, "the label is no verb, and what is mixed in is not ground")
	_, got = understand(t, "2 tazas de arroz integral bien cocido; 100 g de queso rallado. Pisá un poco el arroz. Armá 12 y fríe 4 min por lado.")
	require.Len(t, got.Lines, 2, "a little is how far the rice is crushed, and no more of it")
	assert.Equal(t, food.Mash, got.Lines[0].Items[0].Prep[0].Do)
	_, got = understand(t, "Cakes\n\n500 g mashed potato\n1 lemon\n2 tbsp rice flour\n\nMix with the zest of the lemon and the flour. Mould into 6 patties, fry 4 minutes each side.")
	assert.Equal(t, "lemon-zest", got.Lines[1].Items[0].Food, "only its zest goes in")
	assert.False(t, got.Piece.Tin, "they are moulded by hand")
	_, got = understand(t, "Cueces 250 g de lentejas. Lo mezclas con las lentejas, un poco machacadas, 80 g de nueces y 100 g de copos de avena.")
	require.Len(t, got.Lines, 3)
	assert.Equal(t, food.Mash, got.Lines[0].Items[0].Prep[0].Do, "the lentils are crushed, not the nuts behind them")
	assert.Empty(t, got.Lines[1].Items[0].Prep)
	_, got = understand(t, "Burgers\n\n1 can black beans\nhalf a red bell pepper, sauteed with the onion\n1 onion\n\nMash the beans, mix, form 4 patties and fry them 4 minutes a side.")
	require.NotEmpty(t, got.Lines[2].Items[0].Prep, "the onion is fried with the pepper")
	assert.Equal(t, food.Saute, got.Lines[2].Items[0].Prep[0].Do)
}

func TestWhatNobodyWritesIsReadOrRefused(t *testing.T) {
	foods := "- 2 cups cooked lentils\n- 1 cup oats\n"
	for name, text := range map[string]string{
		"a shopping list": "milk\nlentils\n2 onions\noats\n", "no method": foods, "no amounts": "Cakes\n\nIngredients\nlentils\noats\nonion\n\nMethod\nMix and fry.",
		"three recipes":     "First\n\nIngredients\n" + foods + "\nMethod\n1. Mix everything.\n2. Shape into 6 patties.\n\nSecond\n\nIngredients\n- 1 kg beef\n\nMethod\n1. Fry for 9 minutes.\n",
		"right to left":     "מתכון\n\nIngredients\n" + foods + "\u202e- 3 כוסות\n\nMethod\nMix.",
		"both languages":    "Ingredients\n- 1 taza de avena\n- 2 cups cooked lentils\n- 1 cebolla picada\n\nMethod\nMix.",
		"markup":            "<html><script>alert(1)</script><h1>Cakes of a page</h1><ul><li>2 cups cooked lentils<li>1 cup oats</ul><p>Mix them and fry.</html>",
		"emoji and symbols": "🥕🥕\n\nIngredients\n" + foods + "- 1 🧅\n- ½½ cup % of °C\n\nMethod\n🔥 at °F for ' minutes",
	} {
		found, got := understand(t, text)
		all := strings.Join(append(append(append([]string{found.Name}, found.Ingredients...), found.Steps...), found.Notes...), "\n") + strings.Join(found.Sections, "\n")
		for _, word := range strings.Fields(text) {
			if word = strings.Trim(word, "-.<>/()1234567890"); len(word) > 3 && !strings.ContainsAny(word, "<>") && word != "Ingredients" && word != "Method" {
				assert.Contains(t, all, word, name)
			}
		}
		assert.Len(t, got.Lines, len(found.Ingredients), name)
	}
	found, got := understand(t, "First\n\nIngredients\n"+foods+"\nMethod\n1. Mix everything.\n2. Shape into 6 patties.\n\nSecond\n\nIngredients\n- 1 kg beef\n\nMethod\n1. Fry for 9 minutes.\n")
	assert.Len(t, found.Ingredients, 2, "the first of several recipes is read, the others are kept as words")
	assert.Nil(t, got.Cook)
	_, err := recipe.Read([]byte(strings.Repeat("It was the best of times, it was the worst of times. ", 20_000)), ofAll, nil)
	assert.ErrorIs(t, err, recipe.ErrNoAmounts, "a novel")
	_, err = recipe.Read([]byte(strings.Repeat("1 cup oats\n", 90_000)), ofAll, nil)
	assert.ErrorIs(t, err, recipe.ErrTooMany)
}

func FuzzUnderstand(f *testing.F) {
	for _, file := range []string{"worked-on.txt", "written-after.txt"} {
		for _, r := range cooks(f, file) {
			f.Add(r.text)
		}
	}
	f.Add("-\nr")
	f.Add("Cakes\n\n1/0 cup oats (((\n½ ½ ½\n\n1. Bake at 9999999°F for 1e9 hours per side.\n2. ")
	f.Fuzz(func(t *testing.T, text string) {
		found, err := recipe.Read([]byte(text), ofAll, nil)
		if err != nil {
			return
		}
		got := recipe.Understand(&found, ofAll, food.Starter())
		assert.Len(t, got.Lines, len(found.Ingredients))
		assert.Len(t, got.Became, len(found.Steps))
		for _, l := range got.Lines {
			for _, i := range l.Items {
				assert.True(t, i.Food == "" || food.Starter().Find(i.Food) != nil)
				assert.False(t, i.Sure && i.Food == "")
				assert.True(t, i.Grams >= 0)
			}
		}
		for _, s := range got.Spans {
			require.Less(t, s.Step, len(found.Steps))
			assert.True(t, s.At >= 0 && s.At < s.End && s.End <= len([]rune(found.Steps[s.Step])), "%+v", s)
			assert.Less(t, s.Line, len(found.Ingredients))
		}
		if got.Piece != nil {
			assert.True(t, got.Piece.Count >= 0 && got.Piece.Count <= 200)
		}
	})
}
