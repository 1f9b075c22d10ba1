package patties

import (
	"errors"
	"fmt"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

// OpenQuestion is what a cook asks of a build, as it is written down.
type OpenQuestion struct {
	// Food is the line whose amount is open, and Amounts those to choose from, g; a line that is
	// not there yet is added.
	Food    string    `json:"food,omitempty"`
	Amounts []float64 `json:"amounts,omitempty" maxItems:"9"`
	// Choices are other ways, where it is no amount.
	Choices []Alternative `json:"choices,omitempty" maxItems:"5"`
}

// Alternative is one way to make the build: With in place of the open line, so many grams of it, rested so
// long. What is missing stays as it is.
type Alternative struct {
	With        string   `json:"with,omitempty"`
	Grams       float64  `json:"grams,omitempty" minimum:"0" maximum:"100000"`
	RestMinutes *float64 `json:"rest_minutes,omitempty" minimum:"0" maximum:"2880"`
}

// FriedPatties are a question with what was fried of it.
type FriedPatties struct {
	Question OpenQuestion `json:"question"`
	Fried    []FriedPatty `json:"fried"`
}

// ErrBadQuestion is that of a question nobody could fry.
var ErrBadQuestion = errors.New("the question cannot be asked of this build")

// Options gives the ways that a build may be made.
func (o *OpenQuestion) Options(d *document.Document) (out []Option, err error) {
	if len(o.Amounts) > 0 {
		amounts := slices.Compact(slices.Sorted(slices.Values(o.Amounts)))
		for _, g := range amounts {
			if !(g >= 0 && g <= document.MaxGrams) || o.Food == "" {
				return nil, fmt.Errorf("%w: %g g of %q", ErrBadQuestion, g, o.Food)
			}
			out = append(out, Option{Document: with(d, o.Food, o.Food, g), Amount: g})
		}
	} else {
		for _, c := range o.Choices {
			next := d
			if c.With != "" {
				next = with(d, o.Food, c.With, c.Grams)
			}
			if c.RestMinutes != nil {
				copied := *next
				rest := document.Wait{Minutes: min(max(*c.RestMinutes, 0), document.MaxMinutes)}
				if d.Rest != nil {
					rest.Celsius = d.Rest.Celsius
				}
				copied.Rest = &rest
				next = &copied
			}
			out = append(out, Option{Document: next, Amount: c.Grams})
		}
	}
	for i := range out {
		if len(out[i].Document.Lines) == 0 {
			return nil, fmt.Errorf("%w: nothing is left of the mix", ErrBadQuestion)
		}
	}
	if len(out) < 2 || len(out) > MostOptions {
		return nil, ErrNoQuestion
	}
	return out, nil
}

// Ordered says whether the options are amounts of one thing.
func (o *OpenQuestion) Ordered() bool { return len(o.Amounts) > 0 }

// with gives the document with so many grams of a food in place of a line.
func with(d *document.Document, line, food string, grams float64) *document.Document {
	out := *d
	out.Lines = slices.Clone(d.Lines)
	at := slices.IndexFunc(out.Lines, func(l document.Line) bool { return l.Food == line })
	switch {
	case grams < document.MinGrams && at >= 0:
		out.Lines = slices.Delete(out.Lines, at, at+1)
	case grams < document.MinGrams:
	case at >= 0 && line == food:
		out.Lines[at].Grams = grams
	case at >= 0:
		out.Lines[at] = document.Line{Food: food, Grams: grams}
	default:
		out.Lines = append(out.Lines, document.Line{Food: food, Grams: grams})
	}
	return &out
}

// Weighed is one test patty as it is weighed: of the base mix, and of what makes it its option, g.
type Weighed struct {
	BaseG       float64
	Food        string
	AddG        float64
	RestMinutes *float64
}

// scale is what a kitchen scale for small amounts tells, g.
const scale = .1

// Weigh says how a patty of each option is made of one base mix: the build without what is open.
func (o *OpenQuestion) Weigh(d *document.Document, k *kitchen.Kitchen) (out []Weighed, err error) {
	options, err := o.Options(d)
	if err != nil {
		return nil, err
	}
	mass := func(lines []document.Line) float64 {
		total, only := 0., document.Document{Lines: lines}
		for _, p := range mix.Parts(only.MixLines(k.Foods)) {
			total += p.Mass
		}
		return total
	}
	for i, option := range options {
		w := Weighed{BaseG: Grams, Food: o.Food}
		if len(o.Choices) > 0 {
			w.Food, w.RestMinutes = o.Choices[i].With, o.Choices[i].RestMinutes
		}
		at := slices.IndexFunc(option.Document.Lines, func(l document.Line) bool { return l.Food == w.Food })
		if w.Food != "" && at >= 0 {
			lines := slices.Clone(option.Document.Lines)
			add := mass(lines[at : at+1])
			w.AddG = math.Round(Grams*add/mass(lines)/scale) * scale
			w.BaseG = Grams - w.AddG
		} else {
			w.Food = ""
		}
		out = append(out, w)
	}
	return out, nil
}
