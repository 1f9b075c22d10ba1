package advice

import (
	"slices"

	"cuerda/core/binder"
	"cuerda/core/build"
	"cuerda/core/food"
)

// School is a question on which good cooks disagree, with the ways that this
// build can take. A way that cannot be had is missing.
type School struct {
	// Question is wet-mix, egg or waiting.
	Question string      `json:"question" enum:"wet-mix,egg,waiting"`
	Ways     []SchoolWay `json:"ways"`
}

// SchoolWay is one answer.
type SchoolWay struct {
	// Code is dry-first, more-binder, seed-gel, starch, flour, own-paste, rest
	// or no-wait.
	Code string `json:"code"`
	Way  Way    `json:"way"`
}

// Schools works out each school's way for a document, its binders replaced.
func (k *Kitchen) Schools(d *build.Document) []School {
	base, gone := k.without(d, Binders)
	candidates := k.allowed(table(d), nil)
	best := func(base *build.Document, c []binder.Candidate, aims ...binder.Aim) *Way {
		if len(c) == 0 {
			return nil
		}
		for _, s := range binder.Search(k.request(base, c, 0)).Suggestions {
			if slices.Contains(aims, s.Aim) {
				w := k.way(d, base, gone, &s)
				return &w
			}
		}
		return nil
	}
	of := func(groups ...food.Group) (out []binder.Candidate) {
		for _, c := range candidates {
			if slices.Contains(groups, c.Food.Group) {
				out = append(out, c)
			}
		}
		return out
	}
	var out []School
	add := func(question string, ways map[string]*Way, order ...string) {
		s := School{Question: question}
		for _, code := range order {
			if w := ways[code]; w != nil {
				s.Ways = append(s.Ways, SchoolWay{code, *w})
			}
		}
		if len(s.Ways) > 1 {
			out = append(out, s)
		}
	}
	all := binder.Search(k.request(&base, candidates, 0))
	from := map[binder.Aim]*Way{}
	for i := range all.Suggestions {
		w := k.way(d, &base, gone, &all.Suggestions[i])
		from[w.Aim] = &w
	}
	add("wet-mix", map[string]*Way{"dry-first": from[binder.DryFirst], "more-binder": from[binder.LeastBinder]}, "dry-first", "more-binder")
	add("egg", map[string]*Way{
		"seed-gel": best(&base, of(food.Gel), binder.LeastBinder), "starch": best(&base, of(food.Starch), binder.LeastBinder),
		"flour":     best(&base, of(food.GrainBinder, food.LegumeBinder), binder.LeastBinder),
		"own-paste": best(ownPaste(&base, k.Foods), candidates, binder.LeastBinder),
	}, "seed-gel", "starch", "flour", "own-paste")
	waits := from[binder.LeastBinder]
	if waits != nil && waits.RestMinutes <= 5 {
		waits = nil
	}
	add("waiting", map[string]*Way{"rest": waits, "no-wait": from[binder.NoWaiting]}, "rest", "no-wait")
	return out
}

// ownPaste mashes most of the heaviest base that has pieces: its own paste
// binds. The document is unchanged where it has none.
func ownPaste(d *build.Document, foods *food.Catalogue) *build.Document {
	next := *d
	next.Lines = slices.Clone(d.Lines)
	heaviest := -1
	for i, l := range next.Lines {
		f := foods.Find(l.Food)
		pasty := f.Group == food.Legume || f.Group == food.Grain || f.Group == food.Nut && f.Water > 30
		if pasty && f.Chunk > 0.2 && (heaviest < 0 || l.Grams > next.Lines[heaviest].Grams) {
			heaviest = i
		}
	}
	if heaviest >= 0 {
		l := &next.Lines[heaviest]
		l.Prep = slices.DeleteFunc(slices.Clone(l.Prep), func(p food.Preparation) bool { return p.Do == food.Blitz || p.Do == food.Mash })
		l.Prep = append(l.Prep, food.Preparation{Do: food.Blitz, Level: 0.9})
	}
	return &next
}
