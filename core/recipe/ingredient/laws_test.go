package ingredient_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// Foods that are eaten by the measure: an amount of them in any unit is a weight.
var measured = []struct{ en, es string }{
	{"cooked lentils", "lentejas cocidas"}, {"rolled oats", "copos de avena"}, {"mashed potato", "puré de patata"}, {"cooked brown rice", "arroz integral cocido"},
	{"chickpea flour", "harina de garbanzo"}, {"water", "agua"}, {"olive oil", "aceite de oliva"}, {"grated carrot", "zanahoria rallada"}, {"walnuts", "nueces"}, {"chia seeds", "semillas de chía"},
	{"tahini", "tahini"}, {"tomato paste", "concentrado de tomate"}, {"cooked quinoa", "quinoa cocida"}, {"almond flour", "harina de almendra"}, {"potato starch", "fécula de patata"},
}

// The same amount in another unit, another script or the other language is the same weight.
func TestAnAmountIsOneWeight(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(measured).Draw(t, "food")
		n := rapid.IntRange(1, 12).Draw(t, "n")
		en, es := " "+f.en, " de "+f.es
		grams := func(amount, of string) float64 {
			i := first(amount + of)
			assert.True(t, i.Sure(), "%q", amount+of)
			return i.Grams
		}
		one := grams("1 cup", en)
		assert.Positive(t, one)
		assert.InEpsilon(t, float64(n)*one, grams(fmt.Sprintf("%d cups", n), en), .01)
		assert.InEpsilon(t, float64(n)*one+one/2, grams(fmt.Sprintf("%d½ cups", n), en), .01)
		assert.InEpsilon(t, float64(n)*one+one/2, grams(fmt.Sprintf("%d 1/2 cups", n), en), .01)
		assert.InEpsilon(t, one, grams("16 tablespoons", en), .03)
		assert.InEpsilon(t, grams(fmt.Sprintf("%d tbsp", n), en), grams(fmt.Sprintf("%d tsp", 3*n), en), .03)
		assert.InEpsilon(t, grams(fmt.Sprintf("%d tbsp", n), en), grams(fmt.Sprintf("%d cucharadas", n), es), .03)
		for _, unit := range []string{" g", "g", " grams", " gr."} {
			assert.InDelta(t, float64(10*n), grams(fmt.Sprintf("%d%s", 10*n, unit), en), .05)
		}
		assert.InDelta(t, float64(10*n), grams(fmt.Sprintf("%d gramos", 10*n), es), .05)
		assert.InDelta(t, float64(100*n), grams(strings.Replace(fmt.Sprintf("%.1f kg", float64(n)/10), ".", ",", 1), es), .05)
		assert.InEpsilon(t, 28.35*float64(n), grams(fmt.Sprintf("%d oz", n), en), .005)
		low, high := grams(fmt.Sprintf("%d tbsp", n), en), grams(fmt.Sprintf("%d tbsp", n+2), en)
		assert.InEpsilon(t, (low+high)/2, grams(fmt.Sprintf("%d-%d tbsp", n, n+2), en), .01)
		assert.InEpsilon(t, (low+high)/2, grams(fmt.Sprintf("%d to %d tbsp", n, n+2), en), .01)
	})
}

// What is done to a food reads the same before its name, behind it and in brackets.
func TestAPreparationStandsAnywhere(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom([]string{"onion", "carrot", "mushrooms", "celery", "bell pepper"}).Draw(t, "food")
		word := rapid.SampledFrom([]string{"grated", "finely chopped", "blitzed", "sautéed", "diced"}).Draw(t, "word")
		n := rapid.IntRange(5, 500).Draw(t, "n")
		before := first(fmt.Sprintf("%d g %s %s", n, word, f))
		for _, line := range []string{"%d g %s, %s", "%[1]d g %[2]s (%[3]s)", "%[2]s, %[3]s, %[1]d g", "%[2]s (%[1]d g), %[3]s"} {
			behind := first(fmt.Sprintf(line, n, f, word))
			assert.Equal(t, before.Food, behind.Food, line)
			assert.Equal(t, before.Grams, behind.Grams, line)
			assert.ElementsMatch(t, before.Prep, behind.Prep, line)
		}
		assert.Equal(t, word == "blitzed", len(before.Prep) > 0 && before.Prep[0].Do == food.Blitz)
	})
}

// Two foods in a line weigh what each weighs in a line of its own.
func TestTwoFoodsAreTwoLines(t *testing.T) {
	foods := food.Starter()
	rapid.Check(t, func(t *rapid.T) {
		a, b := rapid.SampledFrom(measured).Draw(t, "a"), rapid.SampledFrom(measured).Draw(t, "b")
		if a == b {
			return
		}
		n, m := rapid.IntRange(1, 6).Draw(t, "n"), rapid.IntRange(1, 6).Draw(t, "m")
		left, right := fmt.Sprintf("%d tbsp %s", n, a.en), fmt.Sprintf("%d cups %s", m, b.en)
		for _, between := range []string{" and ", " plus ", " + "} {
			l := reader.Read(left + between + right)
			if assert.Len(t, l.Items, 2, l.Text) {
				for i, alone := range []*ingredient.Ingredient{first(left), first(right)} {
					assert.Equal(t, alone.Food, l.Items[i].Food, l.Text)
					assert.Equal(t, alone.Grams, l.Items[i].Grams, l.Text)
					other := l.Items[1-i]
					if f, liquid := foods.Find(alone.Food), foods.Find(other.Food); food.SoakGel.Suits(f) && liquid.Is(food.Liquid) && other.Grams >= alone.Grams {
						assert.Equal(t, food.SoakGel, l.Items[i].Prep[0].Do, "%s: a seed that gels stands in its liquid", l.Text)
						continue
					}
					assert.Equal(t, alone.Prep, l.Items[i].Prep, l.Text)
				}
			}
		}
	})
}

// In a line of several foods each is prepared as it would be in a line of its own, in whatever order they stand; what all of them are
// is done to each.
func TestEachFoodOfALineHasItsOwnPreparation(t *testing.T) {
	told := []string{"1 carrot, grated", "1 courgette, grated and squeezed", "2 onions, fried", "200 g spinach, wilted and squeezed dry", "50 g walnuts, toasted", "1 can chickpeas, mashed"}
	rapid.Check(t, func(t *rapid.T) {
		parts := rapid.SliceOfNDistinct(rapid.SampledFrom(told), 2, 4, rapid.ID).Draw(t, "parts")
		l := reader.Read(strings.Join(parts, ", "))
		require.Len(t, l.Items, len(parts), l.Text)
		for i := range parts {
			alone := first(parts[i])
			assert.Equal(t, alone.Food, l.Items[i].Food, l.Text)
			assert.Equal(t, alone.Grams, l.Items[i].Grams, l.Text)
			assert.ElementsMatch(t, alone.Prep, l.Items[i].Prep, "%s of %s", parts[i], l.Text)
		}
		foods := rapid.SliceOfNDistinct(rapid.SampledFrom([]string{"1 onion", "2 carrots", "1 leek", "1 parsnip"}), 2, 4, rapid.ID).Draw(t, "foods")
		for _, ending := range []string{", all fried", ", fried"} {
			for i, it := range reader.Read(strings.Join(foods, ", ") + ending).Items {
				assert.True(t, slices.ContainsFunc(it.Prep, func(p food.Preparation) bool { return p.Do == food.Saute }), "%s of %v%s", foods[i], foods, ending)
			}
		}
	})
}

// What a line says it is free of has none of it, or the line stays open: an eater may be allergic.
func TestFreeOfIsFree(t *testing.T) {
	r := reader
	foods := food.Starter()
	for said, of := range map[string]string{"without egg": "egg", "egg-free": "egg", "dairy-free": "milk", "soy free": "soy", "nut free": "tree-nut", "gluten free": "gluten"} {
		for i := range foods.Foods() {
			f := foods.Foods()[i]
			if strings.ContainsAny(f.Name, ",(%") {
				continue
			}
			for _, line := range []string{"2 tbsp " + f.Name + " " + said, "2 tbsp " + said + " " + f.Name} {
				for _, item := range r.ReadIn(line, words.English).Items {
					got := foods.Find(item.Food)
					if got == nil || !item.Sure() {
						continue
					}
					held := slices.Contains(got.Allergens, of) || of == "gluten" && got.Gluten == "contains"
					assert.False(t, held, "%q became %s", line, got.ID)
				}
			}
		}
	}
}
