package sides

import (
	_ "embed"
	"slices"
	"strings"
	"sync"

	"cuerda/core/food"
	"cuerda/core/food/csvtable"
	"cuerda/core/plan/supper"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

//go:embed hides.csv
var hidesCSV string

// hides are the foods in what one word names, by language and by its words without accents.
var hides = sync.OnceValue(func() (out [2]map[string][]string) {
	for l := range out {
		out[l] = map[string][]string{}
	}
	for _, row := range csvtable.Rows("hides.csv", hidesCSV) {
		for l := range out {
			for w := range strings.SplitSeq(row[l], "|") {
				out[l][words.Plain(w)] = strings.Split(row[2], ";")
			}
		}
	}
	return out
})

// FoodsIn reads the foods that a side is made of out of its words, each once, with the grams that stand
// beside it or else what is usual for so many people. Words that name a dish stand for what is usually
// in it: a gratin for cheese and milk. What it cannot know is not in it: whoever reads it checks it.
func FoodsIn(text string, people int, r *ingredient.Reader, foods *food.Catalogue, l words.Language) []supper.SupperFood {
	out := []supper.SupperFood{}
	people = min(max(people, 1), MaxPeople)
	add := func(f *food.Food, grams float64) {
		if slices.ContainsFunc(out, func(o supper.SupperFood) bool { return o.Food == f.ID }) || len(out) == maxFoods {
			return
		}
		if grams <= 0 {
			grams = portion(f) * float64(people)
		}
		out = append(out, supper.SupperFood{Food: f.ID, Grams: grams})
	}
	if len(text) > MaxText {
		text = strings.ToValidUTF8(text[:MaxText], "")
	}
	for _, phrase := range apart.Split(text, -1) {
		for _, found := range r.FoodsIn(phrase, l) {
			add(found.Food, found.Grams)
		}
		plain := " " + strings.Join(pieces.FindAllString(words.Plain(phrase), -1), " ") + " "
		for name, ids := range hides()[l] {
			if !strings.Contains(plain, " "+name+" ") {
				continue
			}
			for _, id := range ids {
				if f := foods.Find(id); f != nil {
					add(f, 0)
				}
			}
		}
	}
	slices.SortStableFunc(out, func(a, b supper.SupperFood) int { return int(b.Grams - a.Grams) })
	return out
}

// maxFoods is how many foods a side has at most.
const maxFoods = 60

// portion is what one who eats takes of a food in a side, g: judgement, grade C.
func portion(f *food.Food) float64 {
	switch f.Group {
	case food.Fat:
		return 8
	case food.Flavour:
		return 2
	case food.Dairy, food.Wet:
		return 40
	case food.Nut, food.Seed, food.NutBinder, food.Gel:
		return 12
	case food.Egg:
		return 55
	case food.Starch, food.GrainBinder, food.LegumeBinder:
		return 20
	case food.Grain:
		if f.State == food.Raw {
			return 65
		}
		return 150
	}
	return 120
}
