package advise

import (
	"cmp"
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// pointsPerTrouble is how many points of chance a minute of trouble weighs against.
const pointsPerTrouble = .004

// mostSingles are told.
const mostSingles = 5

// ChangeOne gives the changes of one thing that make a build surer, the one first that gains most for
// what it costs in taste, time and trouble. None where nothing gains a point.
func ChangeOne(k *kitchen.Kitchen, d *document.Document) []Way {
	now := predict.Predict(d, k)
	s := &search{k: k, d: d, base: d}
	s.byKind(allowed(k, table(d), nil), false)
	for _, next := range append(works(d, k), amounts(d, k)...) {
		if w := changed(k, d, next); w != nil {
			s.all = append(s.all, *w)
		}
	}
	var out []Way
	for i := range s.all {
		w := &s.all[i]
		if len(w.Changes)+settled(w.Settings) == 1 && w.Chance >= now.Chance+.01 &&
			!slices.ContainsFunc(out, func(o Way) bool { return sameBuild(&o, w) }) {
			out = append(out, *w)
		}
	}
	// What it costs is trouble beside how unsure it is: that is in its gain.
	worth := func(w *Way) float64 {
		return w.Chance - now.Chance - pointsPerTrouble*(w.effort-k.Parameters.Trouble.Doubted*(1-w.Chance))
	}
	slices.SortStableFunc(out, func(a, b Way) int { return cmp.Compare(worth(&b), worth(&a)) })
	return out[:min(mostSingles, len(out))]
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

// changed works a changed document out as a way.
func changed(k *kitchen.Kitchen, d, next *document.Document) *Way {
	w := Way{Add: []Addition{}, Have: true, Document: *next}
	w.RestMinutes = next.RestIn(k).Minutes
	w.SavesMinutes = d.RestIn(k).Minutes - w.RestMinutes
	if next.Chill != nil {
		w.SavesMinutes -= next.Chill.Minutes
	}
	if d.Chill != nil {
		w.SavesMinutes += d.Chill.Minutes
	}
	w.settle(k, d)
	total := 0.
	for _, p := range mix.Parts(next.MixLines(k.Foods)) {
		total += p.Mass
	}
	for i := range w.Changes {
		c := &w.Changes[i]
		if f := k.Foods.Find(c.Food); c.Now > c.Was && f.MaxPct > 0 && total > 0 {
			w.LimitPct = max(w.LimitPct, 100*c.Now/total/f.MaxPct*100)
		}
	}
	if w.LimitPct > 100 {
		return nil // it would taste of it
	}
	w.effort = w.trouble(k)
	return &w
}

// amounts gives the document with more or less of what binds and of what wets, a line at a time.
func amounts(d *document.Document, k *kitchen.Kitchen) (out []*document.Document) {
	for i := range d.Lines {
		f := k.Foods.Find(d.Lines[i].Food)
		wets := f.Water > 80 && f.GlueCold == 0
		if !f.Group.IsBinder() && !wets {
			continue
		}
		for _, by := range []float64{.5, .7, 1.3, 1.6, 2} {
			if wets && by > 1 && f.ID != "water" {
				continue
			}
			next := *d
			next.Lines = slices.Clone(d.Lines)
			grams := rounded(next.Lines[i].Grams * by)
			if grams < document.MinGrams || grams == next.Lines[i].Grams {
				continue
			}
			next.Lines[i].Grams = grams
			out = append(out, &next)
		}
	}
	return out
}

// rounded is an amount as a scale is read: to the gram from 10 g on, else to half of one.
func rounded(g float64) float64 {
	if g >= 10 {
		return float64(int(g + .5))
	}
	return float64(int(2*g+.5)) / 2
}
