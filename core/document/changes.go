package document

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"

	"cuerda/core/food"
)

// Change is one line that differs. Part is its part, from 1; 0 for the mix.
type Change struct {
	Part int
	Kind string
	Food string
	// Name is what the line calls it, where the food stands for many alike.
	Name string
	// Was and Now are g before preparations; 0 where there was or is none.
	Was     float64
	Now     float64
	WasPrep []food.Preparation
	NowPrep []food.Preparation
	// Of is the kind of a part that was added or removed.
	Of PartKind
}

// Setting is a field beside the lines that differs; Was and Now are as the
// document writes them, "" where it does not.
type Setting struct {
	Field string
	Was   string
	Now   string
}

// Changes says what differs from a to b, documents that Read has accepted: lines
// of the mix and of its parts, then the fields beside them.
func Changes(a, b *Document) ([]Change, []Setting) {
	out := lineChanges(a.Lines, b.Lines, 0)
	for i := range max(len(a.Parts), len(b.Parts)) {
		switch {
		case i >= len(a.Parts):
			out = append(out, Change{Part: i + 1, Kind: "part-added", Of: b.Parts[i].Kind})
			out = append(out, lineChanges(nil, b.Parts[i].Lines, i+1)...)
		case i >= len(b.Parts):
			out = append(out, Change{Part: i + 1, Kind: "part-removed", Of: a.Parts[i].Kind})
		default:
			out = append(out, lineChanges(a.Parts[i].Lines, b.Parts[i].Lines, i+1)...)
		}
	}
	return out, settingChanges(a, b)
}

// lineChanges pairs the lines of one food in their order; what is left over was
// added or removed.
func lineChanges(a, b []Line, part int) []Change {
	out := []Change{}
	taken := make([]bool, len(b))
	find := func(was *Line) int {
		alike := -1
		for i := range b {
			if taken[i] || b[i].Food != was.Food {
				continue
			}
			if b[i].Name == was.Name {
				return i
			}
			if alike < 0 {
				alike = i
			}
		}
		return alike
	}
	for i := range a {
		was := &a[i]
		at := find(was)
		if at < 0 {
			out = append(out, Change{Part: part, Kind: "removed", Food: was.Food, Name: was.Name, Was: was.Grams, WasPrep: was.Prep})
			continue
		}
		taken[at] = true
		now := &b[at]
		switch {
		case !slices.EqualFunc(was.Prep, now.Prep, samePrep):
			out = append(out, Change{part, "prep", was.Food, now.Name, was.Grams, now.Grams, was.Prep, now.Prep, ""})
		case was.Grams != now.Grams:
			out = append(out, Change{Part: part, Kind: "grams", Food: was.Food, Name: now.Name, Was: was.Grams, Now: now.Grams})
		}
	}
	for i := range b {
		if !taken[i] {
			out = append(out, Change{Part: part, Kind: "added", Food: b[i].Food, Name: b[i].Name, Now: b[i].Grams, NowPrep: b[i].Prep})
		}
	}
	return out
}

func samePrep(a, b food.Preparation) bool {
	oil := func(p food.Preparation) bool { return p.Oil == nil || *p.Oil }
	return a.Do == b.Do && a.Minutes == b.Minutes && a.Level == b.Level && a.Hours == b.Hours && oil(a) == oil(b)
}

// settingChanges compares what a document says beside its lines, leaf by leaf.
func settingChanges(a, b *Document) []Setting {
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

func leaves(d *Document) map[string]string {
	bare := *d
	bare.Lines, bare.Method = nil, nil // the words of a recipe are no setting
	bare.Parts = append([]Part(nil), d.Parts...)
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
