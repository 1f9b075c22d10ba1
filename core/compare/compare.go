// Package compare sets two versions of a build side by side: what changed in
// words and grams, and what that does.
package compare

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"

	"cuerda/core/bake"
	"cuerda/core/dish"
	"cuerda/core/eaters"
	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/core/kitchen"
)

// Change is one line that differs. Part is its part, from 1; 0 for the mix.
type Change struct {
	Part int    `json:"part,omitempty"`
	Kind string `json:"kind" enum:"added,removed,grams,prep,part-added,part-removed"`
	Food string `json:"food,omitempty"`
	// Was and Now are g before preparations; 0 where there was or is none.
	Was     float64            `json:"was_g,omitempty"`
	Now     float64            `json:"now_g,omitempty"`
	WasPrep []food.Preparation `json:"was_prep,omitempty"`
	NowPrep []food.Preparation `json:"now_prep,omitempty"`
	// Of is the kind of a part that was added or removed.
	Of formula.PartKind `json:"of,omitempty"`
}

// Setting is a field beside the lines that differs; Was and Now are as the
// document writes them, "" where it does not.
type Setting struct {
	Field string `json:"field"`
	Was   string `json:"was"`
	Now   string `json:"now"`
}

// Effect is what a version does.
type Effect struct {
	MassG       float64         `json:"mass_g"`
	Q           *float64        `json:"q" nullable:"true"`
	Word        string          `json:"word"`
	InBand      bool            `json:"in_band"`
	RawRatio    float64         `json:"raw_ratio"`
	CookedRatio float64         `json:"cooked_ratio"`
	Chance      float64         `json:"chance"`
	Verdict     formula.Verdict `json:"verdict" enum:"holds,marginal,fails-raw,fails-cooked,fails-both,nothing"`
	Pieces      int             `json:"pieces"`
	// Minutes until it comes off the heat; nil where it is never done.
	Minutes *float64 `json:"minutes" nullable:"true"`
	LossPct float64  `json:"weight_loss_pct"`
	Dryness string   `json:"dryness" enum:"moist,right,dry"`
	// Out and Label are foods that are out for its table, or a label to read.
	Out      []string `json:"out"`
	Label    []string `json:"label"`
	CostEach *float64 `json:"cost_each" nullable:"true"`
	KCalEach float64  `json:"kcal_each"`
	SaltEach float64  `json:"salt_each_g"`
}

// Comparison is two versions side by side.
type Comparison struct {
	Changes  []Change  `json:"changes"`
	Settings []Setting `json:"settings"`
	Before   Effect    `json:"before"`
	After    Effect    `json:"after"`
}

// Documents compares two documents that Read has accepted.
func Documents(a, b *formula.Document, k *kitchen.Kitchen) Comparison {
	out := Comparison{Changes: lines(a.Lines, b.Lines, 0), Settings: settings(a, b), Before: effect(a, k), After: effect(b, k)}
	for i := range max(len(a.Parts), len(b.Parts)) {
		switch {
		case i >= len(a.Parts):
			out.Changes = append(out.Changes, Change{Part: i + 1, Kind: "part-added", Of: b.Parts[i].Kind})
			out.Changes = append(out.Changes, lines(nil, b.Parts[i].Lines, i+1)...)
		case i >= len(b.Parts):
			out.Changes = append(out.Changes, Change{Part: i + 1, Kind: "part-removed", Of: a.Parts[i].Kind})
		default:
			out.Changes = append(out.Changes, lines(a.Parts[i].Lines, b.Parts[i].Lines, i+1)...)
		}
	}
	return out
}

// lines pairs the lines of one food in their order; what is left over was
// added or removed.
func lines(a, b []formula.Line, part int) []Change {
	out := []Change{}
	taken := make([]bool, len(b))
	find := func(food string) int {
		for i := range b {
			if !taken[i] && b[i].Food == food {
				return i
			}
		}
		return -1
	}
	for i := range a {
		was := &a[i]
		at := find(was.Food)
		if at < 0 {
			out = append(out, Change{Part: part, Kind: "removed", Food: was.Food, Was: was.Grams, WasPrep: was.Prep})
			continue
		}
		taken[at] = true
		now := &b[at]
		switch {
		case !slices.EqualFunc(was.Prep, now.Prep, samePrep):
			out = append(out, Change{part, "prep", was.Food, was.Grams, now.Grams, was.Prep, now.Prep, ""})
		case was.Grams != now.Grams:
			out = append(out, Change{Part: part, Kind: "grams", Food: was.Food, Was: was.Grams, Now: now.Grams})
		}
	}
	for i := range b {
		if !taken[i] {
			out = append(out, Change{Part: part, Kind: "added", Food: b[i].Food, Now: b[i].Grams, NowPrep: b[i].Prep})
		}
	}
	return out
}

func samePrep(a, b food.Preparation) bool {
	oil := func(p food.Preparation) bool { return p.Oil == nil || *p.Oil }
	return a.Do == b.Do && a.Minutes == b.Minutes && a.Level == b.Level && a.Hours == b.Hours && oil(a) == oil(b)
}

// settings compares what a document says beside its lines, leaf by leaf.
func settings(a, b *formula.Document) []Setting {
	was, now := leaves(a), leaves(b)
	all := maps.Clone(was)
	maps.Copy(all, now)
	out := []Setting{}
	for _, field := range slices.Sorted(maps.Keys(all)) {
		if was[field] != now[field] {
			out = append(out, Setting{field, was[field], now[field]})
		}
	}
	return out
}

func leaves(d *formula.Document) map[string]string {
	bare := *d
	bare.Lines = nil
	bare.Parts = append([]formula.Part(nil), d.Parts...)
	for i := range bare.Parts {
		bare.Parts[i].Lines = nil
	}
	text, err := json.Marshal(bare)
	if err != nil {
		return nil // a document that was read can be written
	}
	var tree map[string]any
	_ = json.Unmarshal(text, &tree)
	out := map[string]string{}
	var walk func(v any, at string)
	walk = func(v any, at string) {
		switch v := v.(type) {
		case map[string]any:
			for k, each := range v {
				walk(each, at+"/"+k)
			}
		case []any:
			for i, each := range v {
				walk(each, fmt.Sprintf("%s/%d", at, i))
			}
		case nil:
		default:
			out[at] = fmt.Sprint(v)
		}
	}
	walk(tree, "")
	return out
}

func effect(d *formula.Document, k *kitchen.Kitchen) Effect {
	p := formula.Predict(d, k)
	baked := bake.Bake(d, k, bake.Options{Now: -1})
	plate := dish.Look(d, k)
	e := Effect{
		MassG: p.MassG, Q: p.Q, Word: string(p.Word), InBand: p.InBand, RawRatio: p.RawRatio, CookedRatio: p.CookedRatio, Chance: p.Chance, Verdict: p.Verdict, Pieces: p.Pieces,
		Minutes: baked.PullAt, LossPct: baked.WeightLossPct, Dryness: baked.Dryness, Out: []string{}, Label: []string{},
		CostEach: plate.Piece.Cost, KCalEach: plate.Piece.Facts.KCal, SaltEach: plate.Piece.Facts.Salt,
	}
	if e.Dryness == "" {
		e.Dryness = "right"
	}
	check := func(lines []formula.Line, results []formula.LineResult) {
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
