// Package compare sets two versions of a build side by side: what changed in
// words and grams, and what that does.
package compare

import (
	"slices"

	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/dish"
)

// Effect is what a version does.
type Effect struct {
	MassG        float64
	Q            *float64
	Word         mix.Word
	InBand       bool
	ChanceRaw    float64
	ChanceCooked float64
	Chance       float64
	Verdict      predict.Verdict
	Pieces       int
	// Minutes until it comes off the heat; nil where it is never done.
	Minutes *float64
	LossPct float64
	Dryness string
	// Out and Label are foods that are out for its table, or a label to read.
	Out      []string
	Label    []string
	CostEach *float64
	KCalEach float64
	SaltEach float64
}

// Comparison is two versions side by side.
type Comparison struct {
	Changes  []document.Change
	Settings []document.Setting
	Before   Effect
	After    Effect
}

// Documents compares two documents that Read has accepted.
func Documents(a, b *document.Document, k *kitchen.Kitchen) Comparison {
	changes, settings := document.Changes(a, b)
	return Comparison{Changes: changes, Settings: settings, Before: effect(a, k), After: effect(b, k)}
}

func effect(d *document.Document, k *kitchen.Kitchen) Effect {
	p := predict.Predict(d, k)
	baked := bake.Bake(d, k, bake.Options{Now: -1})
	plate := dish.Assess(d, k)
	e := Effect{
		MassG: p.MassG, Q: p.Q, Word: p.Word, InBand: p.InBand, ChanceRaw: p.ChanceRaw, ChanceCooked: p.ChanceCooked, Chance: p.Chance, Verdict: p.Verdict, Pieces: p.Pieces,
		Minutes: baked.PullAt, LossPct: baked.WeightLossPct, Dryness: baked.Dryness, Out: []string{}, Label: []string{},
		CostEach: plate.Piece.Cost, KCalEach: plate.Piece.Facts.KCal, SaltEach: plate.Piece.Facts.Salt,
	}
	if e.Dryness == "" {
		e.Dryness = "right"
	}
	check := func(lines []document.Line, results []predict.LineResult) {
		for i, r := range results {
			if r.Check == nil {
				continue
			}
			switch id := lines[i].Food; {
			case r.Check.Status == eaters.Out && !slices.Contains(e.Out, id):
				e.Out = append(e.Out, id)
			case r.Check.Status == eaters.Label && !slices.Contains(e.Label, id):
				e.Label = append(e.Label, id)
			}
		}
	}
	check(d.Lines, p.Lines)
	for i := range d.Parts {
		check(d.Parts[i].Lines, plate.Parts[i].Lines)
	}
	return e
}
