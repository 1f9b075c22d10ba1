// Package learn fits the figures that no published table gives (how foods drink and
// bind, and what evidence counts for) to builds with known outcomes. It implements
// section 9 of docs/model.md.
package learn

import (
	_ "embed"
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

// outcomes holds builds with what becomes of them, judged from general kitchen knowledge
// by cooks who had not seen a prediction. They are judgement, not measurement: a build
// for which a published measurement says otherwise is left out.
//
//go:embed outcomes.json
var outcomes []byte

// Build is a build and what became of it.
type Build struct {
	ID string `json:"id"`
	// Set is the round of judging it comes from: whole sets are held out.
	Set string `json:"set"`
	// Family is what kind of dish it is; builds of a Ladder differ in one thing each.
	Family string `json:"family"`
	Ladder string `json:"ladder"`
	// Hand is the word of the squeeze when the first piece is shaped, then words that
	// are as fair. Empty where nobody was asked.
	Hand []mix.Word `json:"hand"`
	// Raw and Cooked are the chances, 0..1, that pieces survive being shaped, moved,
	// turned and the start of cooking, and that cooked and rested they hold when cut.
	Raw    float64 `json:"raw"`
	Cooked float64 `json:"cooked"`
	// Eat is how good it is to eat as what it claims to be, 0..1: .9 as good as a normal one, .6 acceptable, .3
	// gummy, floury, pasty or odd. EatHeld is the same of what has held, where that was asked: nil where nobody was.
	Eat      *float64        `json:"eat,omitempty"`
	EatHeld  *float64        `json:"eat_held,omitempty"`
	Mixing   float64         `json:"mixing"` // minutes in hands
	Document json.RawMessage `json:"document"`

	doc      *document.Document
	lines    []mix.Line
	duty     mix.Duty
	rest     mix.Rest
	coldness float64
}

// Chance is that it holds at both stages.
func (b *Build) Chance() float64 { return min(b.Raw, b.Cooked) }

// Read reads a table of builds against a catalogue.
func Read(data []byte, foods *food.Catalogue) ([]*Build, error) {
	var out []*Build
	if err := json.Unmarshal(data, &out); err != nil {
		return nil, fmt.Errorf("builds with outcomes: %w", err)
	}
	k := kitchen.Usual()
	k.Foods = foods
	for _, b := range out {
		d, err := document.Read(b.Document, foods)
		if err != nil {
			return nil, fmt.Errorf("build %s: %w", b.ID, err)
		}
		d.Mixing = &document.Mixing{Minutes: b.Mixing}
		b.doc, b.lines, b.duty, b.rest, b.coldness = d, d.MixLines(foods), d.Duty(k), d.RestIn(k), d.Coldness(k)
	}
	return out, nil
}

// Outcomes gives the builds that ship with the program.
func Outcomes(foods *food.Catalogue) ([]*Build, error) { return Read(outcomes, foods) }

// Predict is what the program says of it with the figures it ships.
func (b *Build) Predict() (raw, cooked float64, word mix.Word) {
	s := mix.Assess(b.lines, b.rest)
	j := s.Effect.Judge(&b.duty, b.coldness)
	return j.Raw, j.Cooked, s.Word()
}

// tuberStarch is the carbohydrate that makes a mash one of a starchy tuber, g per 100 g.
const tuberStarch = 14.

// ClassOf puts foods that behave alike together; "" for those of which outcomes teach
// nothing.
func ClassOf(f *food.Food) string {
	is := func(ids ...string) bool { return slices.Contains(ids, f.ID) }
	has := func(s string) bool { return strings.Contains(f.ID, s) }
	cooked := f.State != food.Raw
	switch f.Group {
	case food.Meat, food.Fish:
		if cooked {
			return string(f.Group) + "-cooked"
		}
		return string(f.Group)
	case food.Legume:
		switch {
		case has("tofu"), is("tempeh", "textured-soy"):
			return strings.SplitN(f.ID, "-", 2)[0]
		case !cooked:
			return "legume-raw"
		case has("lentil"), has("split"), has("hummus"), has("mung"):
			return "lentil"
		}
		return "bean"
	case food.Grain:
		switch {
		case f.Breaks < .6:
			return "grain-small"
		case is("sticky-rice-cooked", "amaranth-cooked", "oat-porridge", "polenta-cooked"):
			return "grain-sticky"
		case !cooked:
			return "grain-raw"
		}
		return "grain-large"
	case food.Vegetable, food.Fruit:
		switch {
		case cooked && f.Chunk < .2 && f.Carb >= tuberStarch && !has("sweet"):
			return "tuber"
		case cooked && f.Chunk < .2:
			return "mash"
		case is("potato-grated"):
			return f.ID
		}
		return "vegetable"
	case food.Nut, food.Seed:
		switch {
		case f.Chunk < .2:
			return "nut-paste"
		case is("chestnuts-cooked"):
			return "mash"
		}
		return "nut"
	case food.Gel:
		switch {
		case is("psyllium-husk", "methylcellulose"):
			return f.ID
		case has("-gum"):
			return "gum"
		}
		return "gel"
	case food.GrainBinder:
		switch {
		case strings.HasPrefix(f.ID, "oat"), has("flakes"):
			return "oats"
		case has("crumb"), has("crushed"), is("panko", "crackers"):
			return "crumbs"
		case strings.HasPrefix(f.ID, "bread"):
			return "bread"
		}
		return "grain-flour"
	case food.Starch:
		if is("potato-flakes") {
			return f.ID
		}
		return "starch"
	case food.Dairy:
		if has("cheese") || is("feta", "mozzarella") {
			return "cheese"
		}
		return "dairy"
	case food.LegumeBinder, food.NutBinder, food.Egg:
		return string(f.Group)
	}
	return ""
}
