package ingredient

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// entry is a food under one of its names; less rank is nearer.
type entry struct {
	food *food.Food
	rank int
}

// names are the foods by the stems of their names in one language.
type names map[string][]entry

// composite is what a phrase such as "flax egg" is made of.
type composite []struct {
	food  string
	grams float64
	prep  []food.Preparation
}

type composites map[string]composite

// longest is the most words that a name has.
const longest = 6

//go:embed portions.csv
var portionsCSV string

//go:embed composites.csv
var compositesCSV string

//go:embed swaps.csv
var swapsCSV string

func table(text string) [][]string {
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil {
		panic("ingredient: " + err.Error()) // the tests read it
	}
	return rows[1:]
}

// NewReader indexes the names and other words of a catalogue.
func NewReader(foods *food.Catalogue) *Reader {
	r := &Reader{foods: foods, spelled: map[string]*food.Food{}, sizes: map[string]float64{}, swaps: map[[2]string]string{}}
	for l := range words.Language(len(r.names)) {
		r.names[l], r.made[l], r.aliases[l] = names{}, composites{}, map[string][]string{}
		for i := range foods.Foods() {
			f := foods.Foods()[i]
			r.names[l].addFood(f, l)
			r.aliases[l][f.ID] = aliases(f, l)
			for _, name := range []string{f.Name, f.NameES} {
				if strings.ContainsAny(name, ",%") || strings.Count(name, " ") >= 2 {
					r.spelled[words.Plain(name)] = f
				}
			}
		}
		r.vocabulary[l] = vocabularyOf(r.names[l])
	}
	for _, row := range table(portionsCSV) {
		grams, err := strconv.ParseFloat(row[2], 64)
		if err != nil {
			panic("ingredient: portions.csv: " + err.Error())
		}
		r.sizes[row[0]+" "+row[1]] = grams
	}
	for _, row := range table(compositesCSV) {
		made := parts(row[2])
		for l := range words.Language(len(r.names)) {
			for phrase := range strings.SplitSeq(row[l], "|") {
				if phrase != "" {
					r.made[l][key(words.Tokens(phrase, l), l)] = made
				}
			}
		}
	}
	for l := range r.made {
		r.madeFirst[l] = map[string]bool{}
		for name := range r.made[l] {
			first, _, _ := strings.Cut(name, " ")
			r.madeFirst[l][first] = true
		}
	}
	for _, row := range table(swapsCSV) {
		r.swaps[[2]string{row[0], row[1]}] = row[2]
	}
	return r
}

// parts reads "flax-meal 7 gel 10|water 45".
func parts(text string) (out composite) {
	for part := range strings.SplitSeq(text, "|") {
		f := strings.Fields(part)
		grams, err := strconv.ParseFloat(f[1], 64)
		if err != nil {
			panic(fmt.Sprintf("ingredient: composites.csv: %q: %v", part, err))
		}
		var prep []food.Preparation
		if len(f) == 4 {
			minutes, _ := strconv.ParseFloat(f[3], 64)
			prep = []food.Preparation{{Do: food.Do(f[2]), Minutes: minutes}}
		}
		out = append(out, struct {
			food  string
			grams float64
			prep  []food.Preparation
		}{f[0], grams, prep})
	}
	return out
}

func aliases(f *food.Food, l words.Language) (out []string) {
	if f.ManyAlike {
		return nil
	}
	name := f.Name
	if l == words.Spanish {
		name = f.NameES
	}
	name, _, _ = strings.Cut(name, ",")
	for _, w := range append(slices.Clone(f.Words[l.String()]), name) {
		if strings.Contains(w, " ") {
			continue
		}
		if tokens := words.Read(w, l); len(tokens) == 1 && !tokens[0].Of("plain") && !tokens[0].Of("variety") {
			out = append(out, words.Stem(tokens[0].Plain))
		}
	}
	return out
}

func (n names) addFood(f *food.Food, l words.Language) {
	for j, w := range f.Words[l.String()] {
		n.add(w, f, min(j, 3), l)
	}
	own := []string{f.Name, strings.ReplaceAll(f.ID, "-", " ")}
	if l == words.Spanish {
		own = []string{f.NameES}
	}
	for _, name := range own {
		n.add(name, f, 2, l)
		if head, _, ok := strings.Cut(name, ","); ok {
			n.add(head, f, 6, l)
		}
	}
}

func (n names) add(name string, f *food.Food, rank int, l words.Language) {
	k := key(words.Tokens(name, l), l)
	if k == "" || slices.ContainsFunc(n[k], func(e entry) bool { return e.food == f && e.rank <= rank }) {
		return
	}
	n[k] = append(n[k], entry{f, rank})
}

// small are words that do not count in a name.
var small = words.All("word.small")

// key joins stems; small words and punctuation do not count.
func key(tokens []words.Token, l words.Language) string {
	var b strings.Builder
	for i := range tokens {
		t := &tokens[i]
		if t.Kind == words.Mark || small[t.Plain] {
			continue
		}
		if b.Len() > 0 {
			b.WriteByte(' ')
		}
		if t.Kind == words.Number {
			b.WriteString(t.Plain)
			continue
		}
		b.WriteString(words.Stem(t.Plain))
	}
	return b.String()
}

// state is what a line says of its food's state.
type state struct {
	cooked, dry, canned, raw bool
	spooned                  bool // by the teaspoon, the pinch or to taste
	tea                      bool // by the teaspoon
	tabled                   bool // by the tablespoon
	leafy                    bool // chopped, by the sprig or the handful: herbs are fresh
}

// best chooses between foods of one name by the state the line speaks of.
func best(list []entry, s state) *food.Food {
	var best *food.Food
	least := math.Inf(1)
	for _, e := range list {
		f := e.food
		rank := float64(e.rank)
		dry := f.Has("cook-first")
		canned := strings.Contains(f.ID, "canned")
		switch {
		case s.canned && canned:
			rank -= 20
		case s.raw && dry && f.State == food.Raw && !s.cooked:
			rank -= 5
		case s.dry && dry, s.cooked && f.State == food.Cooked && !canned, s.raw && f.State == food.Raw && !dry:
			rank -= 10
		case dry, s.raw && f.State == food.Cooked:
			rank += 10
		}
		if s.leafy && f.ManyAlike && f.State == food.Raw {
			rank -= 12
		}
		if s.spooned && f.Group == food.Flavour {
			rank -= 10 // a teaspoon of pepper is no vegetable
		}
		if s.tabled && f.Group == food.Grain && f.State == food.Cooked {
			rank += 12 // spoons measure the dry meal of it
		}
		if f.Gone {
			rank += 20
		}
		if rank < least {
			best, least = f, rank
		}
	}
	return best
}
