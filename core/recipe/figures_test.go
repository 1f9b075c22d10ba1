package recipe_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/recipe"
)

const tortitas = "Tortitas de lentejas\n\nIngredientes\n- 2 tazas de lentejas cocidas\n- 1/2 taza de avena\n- 1 huevo\n\nPreparación\n"

// The same sizes in centimetres, millimetres and inches, in both languages.
func TestSizesInAnyUnit(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		count := rapid.IntRange(2, 24).Draw(t, "count")
		thick := 5 * rapid.IntRange(2, 5).Draw(t, "thickness")
		wide := 5 * rapid.IntRange(12, 20).Draw(t, "diameter")
		quarters := rapid.IntRange(2, 5).Draw(t, "quarters of an inch")
		inches := [...]string{"1/2", "3/4", "1", "1 1/4"}[quarters-2]
		cm := func(mm int) string { return fmt.Sprintf("%g cm", float64(mm)/10) }
		for _, c := range []struct {
			text        string
			thick, wide float64
		}{
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into %d patties, %d mm thick and %s across. 3. Fry for 8 minutes.", count, thick, cm(wide)), float64(thick), float64(wide)},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Form %d cakes about %s thick. 3. Fry for 8 minutes.", count, cm(thick)), float64(thick), 0},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Divide into %d and flatten to patties %s inch thick. 3. Fry for 8 minutes.", count, inches), 25.4 * float64(quarters) / 4, 0},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into %d %s-inch-thick patties. 3. Fry for 8 minutes.", count, inches), 25.4 * float64(quarters) / 4, 0},
			{tortitas + fmt.Sprintf("1. Mezcla todo. 2. Forma %d hamburguesas de %s de grosor y %s de diámetro. 3. Fríe 8 minutos.", count, cm(thick), cm(wide)), float64(thick), float64(wide)},
			{tortitas + fmt.Sprintf("1. Mezcla todo. 2. Haz %d tortitas de unos %d mm de grosor. 3. Fríe 8 minutos.", count, thick), float64(thick), 0},
		} {
			_, got := understand(t, c.text)
			if assert.NotNil(t, got.Piece, c.text) {
				assert.Equal(t, piece.Patty, got.Piece.Kind, c.text)
				assert.Equal(t, count, got.Piece.Count, c.text)
				assert.InDelta(t, c.thick, got.Piece.ThicknessMM, 1, c.text)
				assert.InDelta(t, c.wide, got.Piece.DiameterMM, 1, c.text)
			}
		}
	})
}

// The same heat in degrees of both scales, and times as cooks say them.
func TestHeatInAnyWords(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		celsius := 10 * rapid.IntRange(15, 23).Draw(t, "°C")
		fahrenheit := 25 * rapid.IntRange(12, 18).Draw(t, "°F")
		minutes := rapid.IntRange(6, 59).Draw(t, "minutes")
		of := func(f int) float64 { return float64(f-32) / 1.8 }
		for _, c := range []struct {
			text          string
			heat, minutes float64
		}{
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into 6 cakes. 3. Bake at %d°C for %d minutes.", celsius, minutes), float64(celsius), float64(minutes)},
			{cakes + fmt.Sprintf("1. Heat the oven to %d°F. 2. Mix everything. 3. Shape into 6 cakes. 4. Bake %d min.", fahrenheit, minutes), of(fahrenheit), float64(minutes)},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into 6 cakes. 3. Bake for %d minutes in an oven at %d degrees Fahrenheit.", minutes, fahrenheit), of(fahrenheit), float64(minutes)},
			{cakes + fmt.Sprintf("1. Preheat oven to %d. 2. Mix everything. 3. Shape into 6 cakes. 4. Bake until golden, %d to %d minutes.", fahrenheit, minutes, minutes+4), of(fahrenheit), float64(minutes) + 2},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into 6 cakes. 3. Bake for 1 hour and %d minutes at %d C.", minutes, celsius), float64(celsius), float64(60 + minutes)},
			{tortitas + fmt.Sprintf("1. Mezcla todo. 2. Forma 6 tortitas. 3. Hornea a %d ºC durante %d minutos.", celsius, minutes), float64(celsius), float64(minutes)},
			{tortitas + fmt.Sprintf("1. Precalienta el horno a %d grados. 2. Mezcla todo. 3. Forma 6 tortitas. 4. Hornéalas %d minutos.", celsius, minutes), float64(celsius), float64(minutes)},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into 6 cakes. 3. Bake at %d C for %d minutes, brush them, and bake 5 more minutes.", celsius, minutes), float64(celsius), float64(minutes + 5)},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into 6 cakes. 3. Give them %d minutes in a moderate oven (%d C).", minutes, celsius), float64(celsius), float64(minutes)},
			{cakes + fmt.Sprintf("1. Mix everything. 2. Shape into 6 cakes. 3. Baked them at %d for %d instead of frying.", celsius, minutes), float64(celsius), float64(minutes)},
			{cakes + fmt.Sprintf("1. All together, into the small Pyrex, %d / %d min", celsius, minutes), float64(celsius), float64(minutes)},
			{tortitas + fmt.Sprintf("1. Mezcla todo. 2. Forma 6 tortitas. 3. Al horno, %d °C, entre %d y %d minutos.", celsius, minutes, minutes+4), float64(celsius), float64(minutes) + 2},
		} {
			_, got := understand(t, c.text)
			if assert.NotNil(t, got.Cook, c.text) {
				assert.InDelta(t, c.heat, got.Cook.Celsius, 1, c.text)
				assert.InDelta(t, c.minutes, got.Cook.Minutes, .5, c.text)
				assert.Contains(t, []method.Method{method.StillOven, method.FanOven}, got.Cook.Method, c.text)
			}
		}
	})
}

// So many minutes a side are of a pan, wherever they are told, and a chill that is only wished for is one.
func TestASideIsOfAPan(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		side, mm := rapid.IntRange(3, 9).Draw(t, "minutes a side"), 5*rapid.IntRange(2, 6).Draw(t, "mm")
		cm := fmt.Sprint(float64(mm) / 10)
		for _, text := range []string{
			cakes + fmt.Sprintf("Mash everything. %s cm thick. Overnight in the fridge if you can bear it. %d mins a side in a good glug of oil.", cm, side),
			cakes + fmt.Sprintf("Mix everything, chill overnight if you can. 6 fat patties, %s cm thick, %d min each side.", cm, side),
			tortitas + fmt.Sprintf("Mezcla todo. A la nevera toda la noche si puedes. 6 tortitas de %s cm de grosor. A la sartén, %d min por lado con muy poco aceite.", cm, side),
		} {
			_, got := understand(t, text)
			yes := true
			assert.Equal(t, &recipe.ReadCook{Method: method.Pan, Minutes: float64(2 * side), Turn: &yes}, got.Cook, text)
			assert.Equal(t, float64(mm), got.Piece.ThicknessMM, text)
			assert.Equal(t, &recipe.ReadWait{Minutes: 600}, got.Chill, text)
		}
	})
}

// A rest and a chill, whichever comes first and however long.
func TestWaitsInAnyOrder(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		rest := rapid.IntRange(5, 45).Draw(t, "rest")
		chill := rapid.IntRange(1, 12).Draw(t, "hours of chill")
		for _, method := range []string{
			cakes + "1. Mix everything and let stand for %d minutes. 2. Shape into 6 cakes and refrigerate for %d hours. 3. Bake at 180C for 20 minutes.",
			cakes + "1. Mix everything. 2. Set aside %d min. 3. Cover and chill %d h. 4. Shape into 6 cakes. 5. Bake at 180C for 20 minutes.",
			cakes + "1. Mix everything, rest %d minutes, then chill for %d hours. 2. Shape into 6 cakes. 3. Bake at 180C for 20 minutes.",
			tortitas + "1. Mezcla todo y deja reposar %d minutos. 2. Forma 6 tortitas y refrigera %d horas. 3. Hornea a 180 ºC 20 minutos.",
			tortitas + "1. Mezcla todo. 2. Deja que repose %d min. 3. Lleva a la nevera %d horas. 4. Forma 6 tortitas. 5. Hornea a 180 ºC 20 minutos.",
		} {
			text := fmt.Sprintf(method, rest, chill)
			_, got := understand(t, text)
			assert.Equal(t, &recipe.ReadWait{Minutes: float64(rest)}, got.Rest, text)
			assert.Equal(t, &recipe.ReadWait{Minutes: float64(60 * chill)}, got.Chill, text)
			assert.Equal(t, 20., got.Cook.Minutes, text)
		}
	})
}
