package recipe_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/food"
	"cuerda/core/recipe"
)

// What a method says is done to a food, in the ways that cooks say it, with %s for the food.
var toldIn = map[food.Do][]string{
	food.Mash: {
		"Mash the %s with a fork.", "In a large bowl, mash the %s until mostly smooth.", "Place the %s in a bowl and mash well.", "Add the %s to a bowl and crush them with a potato masher.",
		"Using a fork, roughly mash the %s.", "Drain the %s, tip them into a bowl and mash.", "Put the %s into a big bowl. Mash them with your hands.",
		"Tip the %s into a shallow dish and squash with the back of a fork.", "Mash up the %s.", "Start by mashing the %s in a mixing bowl.", "The %s should be mashed until no whole ones are left.",
	},
	food.Blitz: {
		"Blitz the %s in a food processor.", "Pulse the %s in a food processor until coarse.", "Put the %s in a food processor and blend until smooth.", "Add the %s to a blender and process to a paste.",
		"Place the %s in the bowl of a food processor; pulse 10 times.", "In a food processor, whizz the %s.",
		"Tip the %s into a food processor and blitz.", "Transfer the %s to a blender and blend.", "Grind the %s in a food processor.", "Run the %s through a food processor until finely ground.",
	},
	food.Saute: {
		"Heat a little oil in a skillet and fry the %s for 8 minutes.", "Sauté the %s over medium heat until soft.", "Cook the %s in a pan with a splash of oil until softened.", "Soften the %s in a frying pan, then cool.",
		"Warm some oil in a pan over medium heat. Add the %s and cook for 6 minutes, stirring.",
		"In a small skillet, heat the oil. Add the %s and sweat for 10 minutes.", "Brown the %s in a hot pan.", "Gently fry the %s until golden.", "Cook the %s in a nonstick skillet until they give up their water.",
	},
	food.Press: {
		"Squeeze the %s in a towel to get the water out.", "Put the %s in a clean towel and wring out the liquid.", "Squeeze as much water as you can out of the %s.", "Squeeze out the %s.",
		"Place the %s in a cloth and squeeze hard.",
		"Salt the %s, leave it 10 minutes, then squeeze it dry.", "Let the %s drain in a colander, then squeeze out the excess moisture.", "Wring out the %s over the sink.",
	},
	food.Toast: {
		"Toast the %s in a dry skillet for 5 minutes.", "In a dry pan, toast the %s until fragrant.",
		"Spread the %s on a tray and toast in the oven for 8 minutes.", "Toast the %s lightly and let them cool.",
	},
}

var toldInSpanish = map[food.Do][]string{
	food.Mash:  {"Machaca %s con un tenedor.", "Pon %s en un bol y aplasta con un tenedor.", "En un bol grande, aplasta %s hasta hacer un puré.", "Escurre %s y májalas bien.", "Chafa %s con el tenedor.", "Empieza por machacar %s en un bol."},
	food.Blitz: {"Tritura %s en la batidora.", "Pon %s en el procesador y tritura.", "Procesa %s hasta obtener una pasta.", "En un procesador, tritura %s.", "Muele %s.", "Pasa %s por la picadora."},
	food.Saute: {"Sofríe %s en una sartén con aceite 8 minutos.", "Pocha %s a fuego suave.", "Calienta el aceite en una sartén y saltea %s.", "Rehoga %s hasta que esté blanda.", "Dora %s en una sartén.", "En una sartén con un poco de aceite, cocina %s hasta que esté transparente."},
	food.Press: {"Escurre bien %s apretando con las manos.", "Exprime %s con un paño.", "Pon %s en un paño y aprieta para sacar el agua.", "Sala %s, deja 10 minutos y escurre bien con las manos.", "Aprieta %s con un trapo limpio."},
}

// foodTold is a food by its line and by its name in the method.
type foodTold struct {
	line, name string
	suits      []food.Do
}

var (
	toldFoods = []foodTold{
		{"2 cups cooked lentils", "lentils", []food.Do{food.Mash, food.Blitz}}, {"1 can chickpeas, drained", "chickpeas", []food.Do{food.Mash, food.Blitz}},
		{"1 onion, diced", "onion", []food.Do{food.Saute}}, {"250 g mushrooms, chopped", "mushrooms", []food.Do{food.Saute}},
		{"1 courgette, grated", "courgette", []food.Do{food.Press}}, {"1 cup walnuts", "walnuts", []food.Do{food.Toast, food.Blitz}}, {"1 cup rolled oats", "oats", []food.Do{food.Blitz}},
	}
	toldFoodsInSpanish = []foodTold{
		{"2 tazas de lentejas cocidas", "las lentejas", []food.Do{food.Mash, food.Blitz}}, {"400 g de garbanzos cocidos", "los garbanzos", []food.Do{food.Mash, food.Blitz}},
		{"1 cebolla picada", "la cebolla", []food.Do{food.Saute}}, {"1 calabacín rallado", "el calabacín", []food.Do{food.Press}},
	}
)

// A preparation told in the method is its food's, and no other food's.
func TestPreparationsAreToldInTheMethod(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		foods, ways, head, method, rest := toldFoods, toldIn, "Cakes of the house\n\nIngredients\n", "\nMethod\n", "Mix everything together. Shape into 8 patties. Bake at 190°C for 25 minutes."
		if rapid.Bool().Draw(t, "Spanish") {
			foods, ways, head, method, rest = toldFoodsInSpanish, toldInSpanish, "Tortitas de la casa\n\nIngredientes\n", "\nPreparación\n", "Mezcla todo. Forma 8 tortitas. Hornea a 190 ºC 25 minutos."
		}
		f := rapid.SampledFrom(foods).Draw(t, "food")
		do := rapid.SampledFrom(f.suits).Draw(t, "do")
		said := fmt.Sprintf(rapid.SampledFrom(ways[do]).Draw(t, "way"), f.name)
		var text strings.Builder
		text.WriteString(head)
		for _, other := range foods {
			text.WriteString("- " + other.line + "\n")
		}
		text.WriteString(method + said + " " + rest)
		_, got := understand(t, text.String())
		for i, other := range foods {
			item := got.Lines[i].Items[0]
			assert.Equal(t, "mix", got.Lines[i].Part, "%q: %s", said, other.line)
			has := false
			for _, p := range item.Prep {
				has = has || p.Do == do
			}
			assert.Equal(t, other.line == f.line, has, "%q: %s: %+v", said, other.line, item.Prep)
		}
		assert.Equal(t, &recipe.ReadCook{Method: "still-oven", Celsius: 190, Minutes: 25}, got.Cook, said)
	})
}
