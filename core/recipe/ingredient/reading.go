// Package ingredient reads ingredient lines as people write them: "2½ cups cooked
// split peas, mashed", "sal, pimienta y nuez moscada", "1 flax egg (1 tbsp ground
// flax + 3 tbsp water)". It never drops a word: what it does not understand stands
// in Rest, and what a line says it is free of is free of it or stays open.
package ingredient

import (
	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// Ingredient is one food of a line.
type Ingredient struct {
	// Food is the ID of the food; "" if none was found.
	Food string
	// Name is the word the line has for one of many foods that are one here, such as
	// cumin; "" where the food's own name says it.
	Name string
	// Others are foods that the line allows instead.
	Others []string
	// Amount is the number written, the middle of a range; 0 if there is none. High is
	// the upper end of a range; 0 where it is none.
	Amount float64
	High   float64
	// Unit is a kitchen measure, or pack, pinch, handful, leaf ...; "" if none.
	Unit string
	// Grams is what the amount weighs before its preparations; 0 if that cannot be said.
	Grams float64
	// Prep is what the line says to do to the food before mixing.
	Prep []food.Preparation
	// FoodSure and GramsSure are 0 (a guess) to 1 (as written).
	FoodSure  float64
	GramsSure float64
	// Said tells that the line gives an amount.
	Said bool
	// Cooked says that the line has it cooked already.
	Cooked bool
	// Dry says that the line has it dry, as from the bag.
	Dry bool
	// Boiled says that the line cooks it in a liquid that it measures: its own amount is that of the dry food.
	Boiled bool
	// Divided says that the line has it going in at several places.
	Divided bool
	// Extra says that more of it goes elsewhere, on top of the amount.
	Extra bool
	// With is a food of another line to which the same is done: the onion of "half a pepper, fried with the onion"; "" for none.
	With string
	// Words are the stems of its name in the line, in their order.
	Words []string

	at, end  int
	lists    map[string]bool // that the line has words of
	measured measured
}

// Sure says whether the food is as the line spells it.
func (i *Ingredient) Sure() bool { return i.Food != "" && i.FoodSure > 0.9 }

// Phrase is a phrase of a text and what it was understood as, in characters.
type Phrase struct {
	At  int
	End int
	// What is amount, food, prep, part, rest, chill, piece, count, size, method,
	// celsius or minutes.
	What string
	// Line is the ingredient line it is about, from 0; -1 for the recipe as a whole.
	Line int
}

// Reading is one line as it was understood: one food, or several.
type Reading struct {
	Text  string
	Items []Ingredient
	// Role is what the line says it is for where that is not the mix: frying, coating,
	// serving, pan or soaking.
	Role string
	// Divided says that it goes in at several places, Maybe that it may be left out.
	Divided bool
	Maybe   bool
	// Notes are words understood that change nothing; Rest are words that were not
	// understood.
	Notes string
	Rest  string
	// Faults are codes: bad-amount, no-amount, no-food, no-weight, not-free, too-long.
	Faults []string
	Spans  []Phrase
}

// First gives the first food of the line.
func (l *Reading) First() *Ingredient { return &l.Items[0] }

// Full says whether the whole line was understood, its foods as they are spelled.
func (l *Reading) Full() bool {
	for i := range l.Items {
		if !l.Items[i].Sure() || l.Items[i].Grams <= 0 {
			return false
		}
	}
	return l.Rest == "" && len(l.Faults) == 0
}

// The limits of a list.
const (
	MaxLines = 200
	MaxLine  = 400 // characters
)

// Reader reads lines with the foods of a catalogue. It is safe for use by several
// goroutines.
type Reader struct {
	foods *food.Catalogue
	names [2]names // by language
	// aliases are the single words that a food is called by, as stems, by its ID.
	aliases [2]map[string][]string
	// vocabulary are the stems that names are made of.
	vocabulary [2]map[string]bool
	// spelled are foods by their whole names, plain, commas and all.
	spelled map[string]*food.Food
	made    [2]composites
	// madeFirst are the stems that composites begin with.
	madeFirst [2]map[string]bool
	sizes     map[string]float64 // grams by food and unit
	swaps     map[[2]string]string
}

// Read reads one line, in the language that its words tell.
func (r *Reader) Read(text string) Reading {
	l := words.LanguageOf(text)
	out := r.ReadIn(text, l)
	if told := words.Likelier(text, words.Spanish) == l; told && out.Full() {
		return out
	}
	// Few words tell little: the other language may have it whole, but no whole line has fewer foods in it.
	if other := r.ReadIn(text, 1-l); other.score() > out.score() && (len(other.Items) >= len(out.Items) || !out.Full()) {
		return other
	}
	return out
}

func (l *Reading) score() float64 {
	s := 0.
	for i := range l.Items {
		s += l.Items[i].FoodSure + 0.3*l.Items[i].GramsSure + 0.1*float64(len(l.Items[i].Prep))
	}
	s /= float64(len(l.Items))
	if l.Rest != "" {
		s -= 0.3
	}
	return s - 0.3*float64(len(l.Faults))
}

// ReadIn reads one line of a language.
func (r *Reader) ReadIn(text string, l words.Language) Reading {
	if len([]rune(text)) > MaxLine {
		text = string([]rune(text)[:MaxLine])
		return Reading{Text: text, Items: []Ingredient{{}}, Rest: text, Faults: []string{"too-long"}}
	}
	s := newScan(r, text, l)
	s.read()
	return s.line
}

// Aliases gives the single words of a language that a food is called by, as stems; none
// for a food that stands for many alike: cumin is not called pepper.
func (r *Reader) Aliases(food string, l words.Language) []string { return r.aliases[l][food] }

// Reweigh gives what the amount of an item weighs of another food; 0 where that is not
// known.
func (r *Reader) Reweigh(i *Ingredient, f *food.Food) float64 {
	grams, _ := r.gramsOf(f, &i.measured)
	return grams
}

// Weigh gives the grams of an amount of a food as a cook writes it: "2 cups", "1½
// tbsp", "a can", "1 lb"; false where it is none, or the food has no such weight.
func (r *Reader) Weigh(f *food.Food, text string) (grams float64, ok bool) {
	if len([]rune(text)) > MaxLine {
		return 0, false
	}
	for l := range words.Language(len(r.names)) {
		s := newScan(r, text, l)
		m := s.measure(0)
		if m.n < len(s.main) || !m.said || m.bad {
			continue
		}
		item := Ingredient{Food: f.ID, FoodSure: 1}
		s.weigh(&item, f, &m)
		if item.Grams > 0 {
			return item.Grams, true
		}
	}
	return 0, false
}

// Swap gives the food that another is where it is free of something, or grated; "" for
// none.
func (r *Reader) Swap(food, what string) string { return r.swaps[[2]string{food, what}] }

// Portion reads an amount of a food at a token, as a method says it: "1/2 cup of the".
// It gives its grams and how many tokens it takes; 0 for none.
func (r *Reader) Portion(tokens []words.Token, text string, i int, f *food.Food) (grams float64, n int) {
	s := scan{r: r, text: text, main: tokens, used: map[int]bool{}}
	m := s.measure(i)
	if !m.said || m.bad || m.unit == "" {
		return 0, 0
	}
	grams, _ = r.gramsOf(f, &m)
	return grams, m.n
}

// Aromatic says whether a food is so small a part of a mix that crushing it changes
// nothing.
func Aromatic(f *food.Food) bool { return aromatics[f.ID] }

// Tells says whether the line has a word of the list.
func (i *Ingredient) Tells(list string) bool { return i.lists[list] }
