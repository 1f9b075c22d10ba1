package practice

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// Lesson is why a drill is as it is, in the terms of the judge.
type Lesson struct {
	// Water are the lines that give the most water, or drink the most, g.
	Water []GivesDrinks
	// Stage is raw or cooked, whichever is the weaker; Grounds are what weighs there, the weightiest first, and
	// Chance what comes of it.
	Stage   string
	Grounds []mix.Ground
	Chance  float64
	// Otherwise is what the mix would feel like without what misleads; nil where nothing does.
	Otherwise *Otherwise
}

// GivesDrinks is what one food gives to the wetness of a mix, and what it drinks before the mix slumps, g.
type GivesDrinks struct {
	Food          string
	Gives, Drinks float64
}

// Otherwise is a mix with what misleads put right: index and word.
type Otherwise struct {
	Index float64
	Word  mix.Word
}

// mostGrounds and mostGivers are told.
const mostGrounds, mostGivers = 3, 4

// LessonOf says why.
func LessonOf(d *Drill, k *kitchen.Kitchen) Lesson {
	bound := d.bound()
	doc := &bound.Document
	parts := mix.Parts(doc.MixLines(k.Foods))
	duty := doc.Duty(k)
	e := mix.Explain(doc.Bowl(parts), doc.RestIn(k), &duty, doc.Coldness(k))
	p := predict.Predict(doc, k)
	out := Lesson{Water: []GivesDrinks{}, Stage: "raw", Grounds: e.RawReasons, Chance: p.Chance, Otherwise: bound.otherwise(k)}
	if p.ChanceCooked < p.ChanceRaw {
		out.Stage, out.Grounds = "cooked", e.CookedReasons
	}
	out.Grounds = out.Grounds[:min(mostGrounds, len(out.Grounds))]
	for i := range doc.Lines {
		g := e.Lines[i]
		out.Water = append(out.Water, GivesDrinks{doc.Lines[i].Food, g.Water + oilWets*g.Oil, g.Liquid})
	}
	weight := func(g GivesDrinks) float64 { return math.Max(g.Gives, g.Drinks) }
	slices.SortStableFunc(out.Water, func(a, b GivesDrinks) int { return cmp.Compare(weight(b), weight(a)) })
	out.Water = slices.DeleteFunc(out.Water, func(g GivesDrinks) bool { return weight(g) < 1 })
	out.Water = out.Water[:min(mostGivers, len(out.Water))]
	return out
}

// bound is the drill with the binder that is right in its mix, where that was left to be chosen.
func (d *Drill) bound() *Drill {
	out := *d
	if d.Kind == Binder && len(d.Options) > 0 {
		best := &d.Options[d.Answer]
		out.Document.Lines = append(slices.Clone(d.Document.Lines), document.Line{Food: best.Food, Grams: best.Grams})
	}
	return &out
}

// oilWets is what a gram of liquid oil counts for beside a gram of water: section 2 of docs/model.md.
const oilWets = .3

// otherwise puts right what misleads in a squeeze: the vegetables cooked down, or half an hour of rest.
func (d *Drill) otherwise(k *kitchen.Kitchen) *Otherwise {
	next := Drill{Document: d.Document}
	switch d.Skill {
	case RawWater:
		next.Document.Lines = cookedDown(d.Document.Lines, k)
	case NoWait:
		next.Document.Rest = &document.Wait{Minutes: waitMinutes}
	default:
		return nil
	}
	if next.see(k); next.Word == "" {
		return nil
	}
	return &Otherwise{next.Index, next.Word}
}

// raw says whether a line is a vegetable that goes in as it is cut.
func raw(l *document.Line, k *kitchen.Kitchen) bool {
	f := k.Foods.Find(l.Food)
	return f != nil && f.Group == food.Vegetable && f.State == food.Raw && len(l.Prep) == 0
}

func sauteed() []food.Preparation { return []food.Preparation{{Do: food.Saute, Minutes: sauteMinutes}} }

// cookedDown are lines with their raw vegetables cooked until no liquid is left.
func cookedDown(lines []document.Line, k *kitchen.Kitchen) []document.Line {
	out := slices.Clone(lines)
	for i := range out {
		if raw(&out[i], k) {
			out[i].Prep = sauteed()
		}
	}
	return out
}

// sauteMinutes and waitMinutes are what puts raw vegetables and thirsty flours right.
const sauteMinutes, waitMinutes = 10., 30.
