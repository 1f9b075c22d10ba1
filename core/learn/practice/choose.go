package practice

import (
	"math"
	"math/rand/v2"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
)

// tables are what somebody may leave out, so that the best binder is not for everyone.
var tables = []eaters.Person{
	{Avoid: []string{"gluten"}}, {Avoid: []string{"tree-nut"}}, {Wants: []string{"grain-free"}}, {Wants: []string{"nut-free"}},
}

// binder asks which of four, in the same amount, makes a mix surest that everyone at the table eats.
func (d *Drill) binder(r *rand.Rand, k *kitchen.Kitchen) bool {
	bound := func(l document.Line) bool { return slices.Contains(flours, l.Food) || slices.Contains(waits, l.Food) }
	at := slices.IndexFunc(d.Document.Lines, bound)
	if at < 0 {
		if d.Skill != NoGlue {
			return false
		}
		at = len(d.Document.Lines)
		d.Document.Lines = append(slices.Clone(d.Document.Lines), document.Line{Food: flours[0], Grams: 30 + 5*float64(r.IntN(6))})
	}
	if d.Document.Eaters == nil && r.IntN(2) == 0 {
		person := tables[r.IntN(len(tables))]
		person.Count = 1
		d.Document.Eaters = &eaters.Eaters{People: []eaters.Person{person}}
	}
	table := d.Document.Eaters.Table()
	grams := d.Document.Lines[at].Grams
	refused := 0
	for _, i := range r.Perm(len(flours)) {
		id := flours[i]
		if len(d.Options) == 4 {
			break
		}
		f := k.Foods.Find(id)
		if f == nil || slices.ContainsFunc(d.Document.Lines, func(l document.Line) bool { return l.Food == id && id != d.Document.Lines[at].Food }) {
			continue
		}
		out := !table.Open() && table.Check(f, k.LabelRead(id)).Status == eaters.Out
		if out {
			if refused++; refused > 2 {
				continue
			}
		}
		next := d.Document
		next.Lines = slices.Clone(d.Document.Lines)
		next.Lines[at] = document.Line{Food: id, Grams: grams}
		d.Options = append(d.Options, Option{Code: AFood, Food: id, Grams: grams, Refused: out, Chance: predict.Predict(&next, k).Chance})
	}
	if len(d.Options) < 4 {
		return false
	}
	d.Document.Lines = slices.Delete(slices.Clone(d.Document.Lines), at, at+1)
	gap := d.best()
	return gap >= apart/2 && d.Options[d.Answer].Chance >= .5 && tastes(&d.Document, k)
}

// pair asks which of two holds better: one thing differs.
func (d *Drill) pair(r *rand.Rand, k *kitchen.Kitchen) bool {
	other := d.Document
	other.Lines = slices.Clone(d.Document.Lines)
	i := r.IntN(len(other.Lines))
	switch r.IntN(3) {
	case 0:
		if other.Lines[i].Food == "salt" {
			return false
		}
		other.Lines[i].Grams = math.Max(1, math.Round(other.Lines[i].Grams*[]float64{.4, 1.8}[r.IntN(2)]))
	case 1:
		minutes := 30.
		if d.Document.Rest != nil && d.Document.Rest.Minutes >= 20 {
			minutes = 0
		}
		other.Rest = &document.Wait{Minutes: minutes}
	default:
		if other.Lines[i].Food == "salt" || len(other.Lines) < 4 {
			return false
		}
		other.Lines = slices.Delete(other.Lines, i, i+1)
	}
	if !tastes(&other, k) {
		return false
	}
	if r.IntN(2) == 0 {
		d.Document, other = other, d.Document
		if !d.see(k) {
			return false
		}
	}
	d.Other = &other
	d.Options = []Option{
		{Code: AMix, Chance: predict.Predict(&d.Document, k).Chance}, {Code: AMix, Chance: predict.Predict(&other, k).Chance},
	}
	return d.best() >= apart
}
