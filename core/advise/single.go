package advise

import (
	"cmp"
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
)

// mostSingles is how many changes are told.
const mostSingles = 5

// ChangeOne gives the changes of one thing that make a build surer, and no worse to eat, the best first: of the moves
// that Bind makes those that touch one thing alone. None where nothing gains a point.
func ChangeOne(k *kitchen.Kitchen, d *document.Document) []Way {
	s := newSearch(k, d, Options{})
	now := s.start(nil)
	var all []*state
	for _, c := range append(s.undoing(now), s.binding(now, s.binders(now))...) {
		if c.Code == AddBinder && (c.With != "" || c.Liquid != "" || c.Minutes > 0) {
			continue
		}
		if st := s.then(now, c); st.eat >= now.eat-.02 && st.excess <= mostExcess {
			all = append(all, st)
		}
	}
	c := chooser{search: s, d: d, all: all, now: now}
	out := []Way{}
	touched := map[string]bool{}
	for _, st := range c.sorted() {
		m := st.moves[0].Move
		if touched[string(m.Code)+m.Food] || len(out) == mostSingles {
			continue
		}
		w := c.way(st)
		if len(w.Changes)+settled(w.Settings) == 1 && w.Chance >= now.judged.Chance()+.01 && w.LimitPct <= 100 {
			touched[string(m.Code)+m.Food] = true
			out = append(out, w)
		}
	}
	slices.SortStableFunc(out, func(a, b Way) int { return cmp.Compare(b.state.worth, a.state.worth) })
	return out
}

// settled counts the settings that a change touches: those of one wait are one.
func settled(all []document.Setting) int {
	groups := map[string]bool{}
	for _, s := range all {
		group := s.Field
		for i := 1; i < len(group); i++ {
			if group[i] == '/' {
				group = group[:i]
				break
			}
		}
		groups[group] = true
	}
	return len(groups)
}
