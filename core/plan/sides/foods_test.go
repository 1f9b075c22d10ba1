package sides_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/food"
	"cuerda/core/plan/sides"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

var reader = ingredient.NewReader(food.Starter())

func TestASideIsMadeOfWhatItsWordsSay(t *testing.T) {
	for _, c := range []struct {
		language words.Language
		text     string
		want     []string
	}{
		{words.English, "boil green beans 8, toss in butter 2", []string{"green-beans", "butter"}},
		{words.English, "cauliflower gratin, bake 30 at 200", []string{"cauliflower", "cheese-hard", "milk"}},
		{words.English, "garlic bread, toast 4", []string{"garlic", "bread-wheat", "butter"}},
		{words.Spanish, "hervir judías verdes 8, saltear en mantequilla 2", []string{"green-beans", "butter"}},
		{words.English, "cut 4, roast 20 at 200", []string{}},
	} {
		var got []string
		for _, f := range sides.FoodsIn(c.text, 4, reader, food.Starter(), c.language) {
			got = append(got, f.Food)
			assert.Positive(t, f.Grams)
		}
		assert.Subset(t, got, c.want, c.text)
		if len(c.want) == 0 {
			assert.Empty(t, got, c.text)
		}
	}
}

func TestAnAmountOfFoodIsNoTime(t *testing.T) {
	for text, want := range map[string]struct {
		name    string
		minutes int
	}{
		"Peel 1.2 kg potatoes 15 min": {"Peel 1.2 kg potatoes", 15},
		"peel 2 onions 10":            {"peel 2 onions", 10},
		"whisk 200 ml cream 1 h":      {"whisk 200 ml cream", 60},
	} {
		read := sides.ReadText(text, words.English)
		if assert.Len(t, read.Steps, 1, text) {
			assert.Equal(t, want.name, read.Steps[0].Name)
			assert.Equal(t, want.minutes, read.Steps[0].Minutes, text)
		}
	}
	foods := sides.FoodsIn("Peel 1.2 kg potatoes 15 min", 4, reader, food.Starter(), words.English)
	if assert.Len(t, foods, 1) {
		assert.InDelta(t, 1200, foods[0].Grams, 1e-9)
	}
}
