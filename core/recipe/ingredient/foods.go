package ingredient

import (
	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// Found is a food that a text names, with the grams that stand beside it; 0 where none do.
type Found struct {
	Food  *food.Food
	Grams float64
}

// FoodsIn gives the foods that a sentence of a language names, in their order: the longest names first,
// whatever is said of them. An amount counts where it stands just before the name or just after it.
func (r *Reader) FoodsIn(text string, l words.Language) (out []Found) {
	tokens := words.Read(text, l)
	for i := 0; i < len(tokens); i++ {
		f, n := r.FoodAt(tokens, i, l)
		if f == nil {
			continue
		}
		grams := 0.
		for back := 1; back <= 4 && back <= i; back++ {
			if g, taken := r.Portion(tokens, text, i-back, f); g > 0 && i-back+taken <= i {
				grams = g
			}
		}
		if i+n < len(tokens) && grams == 0 {
			if g, taken := r.Portion(tokens, text, i+n, f); g > 0 {
				grams, n = g, n+taken
			}
		}
		out = append(out, Found{f, grams})
		i += n - 1
	}
	return out
}

// FoodAt gives the food with the longest name that begins at a token, and how many tokens that name has; nil for none.
func (r *Reader) FoodAt(tokens []words.Token, at int, l words.Language) (f *food.Food, n int) {
	return r.foodAt(tokens, at, l, state{})
}

// foodAt finds a food as FoodAt does, and chooses between foods of one name by what its line says: "pepper" is the spice
// where it is measured in spoons, and the vegetable elsewhere.
func (r *Reader) foodAt(tokens []words.Token, at int, l words.Language, as state) (f *food.Food, n int) {
	if at >= len(tokens) || tokens[at].Kind != words.Word || small[tokens[at].Plain] {
		return nil, 0
	}
	count := 0
	for k := at; k < len(tokens) && count < longest; k++ {
		t := &tokens[k]
		if t.Kind == words.Number || t.Kind == words.Mark && !t.Is("-") && !t.Is("&") {
			break
		}
		if t.Kind == words.Mark || small[t.Plain] {
			continue
		}
		count++
		if found := best(r.names[l][key(tokens[at:k+1], l)], as); found != nil {
			f, n = found, k+1-at
		}
	}
	return f, n
}
