// Package ingredient reads ingredient lines as people write them, in English
// and Spanish: "2½ cups cooked split peas, mashed", "media taza de avena". It
// never drops a word: what it does not understand stands in Rest.
package ingredient

import (
	"strings"

	"cuerda/core/food"
)

// Reading is one line as it was understood.
type Reading struct {
	// Text is the line as it was written.
	Text string `json:"text"`
	// Amount is the number written, the middle of a range; 0 if there is none.
	Amount float64 `json:"amount"`
	// High is the upper end of a range; 0 where it is none.
	High float64 `json:"high,omitempty"`
	// Unit is a kitchen measure, or pack, pinch, handful or piece; "" if none.
	Unit string `json:"unit"`
	// Food is the ID of the food; "" if none was found.
	Food string `json:"food"`
	// Name is the word the line has for one of many foods that are one here, such as
	// cumin; "" where the food's own name says it.
	Name string `json:"name,omitempty"`
	// Others are foods that the line allows instead, or that its words could
	// also mean.
	Others []string `json:"others,omitempty"`
	// Grams is what the amount weighs; 0 if that cannot be said.
	Grams float64 `json:"grams"`
	// Prep is what the line says to do to the food before mixing.
	Prep []food.Preparation `json:"prep,omitempty"`
	// Notes are words understood that change nothing; Rest are words that were
	// not understood.
	Notes string `json:"notes,omitempty"`
	Rest  string `json:"rest,omitempty"`
	// FoodSure and GramsSure are 0 (a guess) to 1 (as written).
	FoodSure  float64 `json:"food_sure"`
	GramsSure float64 `json:"grams_sure"`
	// Faults are codes: bad-amount, no-amount, no-food, no-weight, too-long.
	Faults []string `json:"faults,omitempty"`
}

// Full says whether the whole line was understood, its food as it is spelled.
func (r *Reading) Full() bool {
	return r.Food != "" && r.FoodSure > 0.9 && r.Grams > 0 && r.Rest == "" && len(r.Faults) == 0
}

// The limits of a list.
const (
	MaxLines = 200
	MaxLine  = 300 // characters
)

// Reader reads lines with the foods of a catalogue.
type Reader struct {
	foods *food.Catalogue
	index map[string][]entry
	// spelled are foods by their whole names, plain, in either language.
	spelled map[string]*food.Food
}

// ReadList reads a pasted list, one ingredient a line. Empty lines and
// headings, which end in a colon, are left out; lines past MaxLines are counted
// in cut.
func (r *Reader) ReadList(text string) (out []Reading, cut int) {
	for line := range strings.Lines(text) {
		line = strings.TrimSpace(line)
		if line == "" || strings.HasSuffix(line, ":") {
			continue
		}
		if len(out) == MaxLines {
			cut++
			continue
		}
		out = append(out, r.Read(line))
	}
	return out, cut
}

// Read reads one line.
func (r *Reader) Read(line string) Reading {
	out := Reading{Text: line}
	if len([]rune(line)) > MaxLine {
		out.Text = string([]rune(line)[:MaxLine])
		out.Rest = out.Text
		out.Faults = []string{"too-long"}
		return out
	}
	s := scan(line)
	s.amount(&out)
	s.tail(&out)
	s.spooned = out.Amount == 0 || out.Unit == "tsp" || out.Unit == "pinch"
	r.food(&s, &out)
	s.words(&out)
	r.weigh(&s, &out)
	return out
}

// Weigh gives the grams of an amount of a food as a cook writes it: "2 cups", "1½
// tbsp", "a can", "1 lb"; false where it is none, or the food has no such weight.
func (r *Reader) Weigh(f *food.Food, text string) (grams float64, ok bool) {
	if len([]rune(text)) > MaxLine {
		return 0, false
	}
	s := scan(text)
	out := Reading{Food: f.ID}
	s.amount(&out)
	if out.Amount == 0 || len(out.Faults) > 0 || len(s.tokens) > 0 {
		return 0, false
	}
	r.weigh(&s, &out)
	return out.Grams, out.Grams > 0
}
