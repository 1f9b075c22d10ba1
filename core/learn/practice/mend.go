package practice

import (
	"math"
	"math/rand/v2"
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
)

// StepGrams is what an amount that mends is set by, g, and the share of the mix that it may come to.
const (
	StepGrams = 5.
	mostMend  = .25
)

// leastSteps of room an amount must have that leads into the band, and steps before it.
const leastSteps = 2

// mend asks what, and how much of it, brings a mix that is out of its band into it: two flours and water.
func (d *Drill) mend(r *rand.Rand, k *kitchen.Kitchen) bool {
	p := predict.Predict(&d.Document, k)
	if p.Q == nil || p.InBand || math.Abs(*p.FeltQ-d.Index) > wordSD {
		return false
	}
	for _, id := range d.mendsWith(r, k) {
		d.Options = append(d.Options, d.adding(id, k))
	}
	if len(d.Options) < 3 {
		return false
	}
	r.Shuffle(len(d.Options), func(i, j int) { d.Options[i], d.Options[j] = d.Options[j], d.Options[i] })
	most, fits := 0, -1
	for i := range d.Options {
		in, first := 0, -1
		for j, q := range d.Options[i].Indices {
			if d.Band.Holds(q) {
				if in++; first < 0 {
					first = j
				}
			}
		}
		if in > most && first >= leastSteps {
			most, fits = in, i
		}
	}
	if most < leastSteps {
		return false // no amount that a cook would add
	}
	d.Answer = fits
	d.Level = 2
	if most <= leastSteps+2 || d.Skill != Plain && d.Index > d.Band.To {
		d.Level = 3
	}
	return true
}

// mendsWith are the foods that are offered: a flour of the mix, another, and water.
func (d *Drill) mendsWith(r *rand.Rand, k *kitchen.Kitchen) []string {
	at := slices.IndexFunc(d.Document.Lines, func(l document.Line) bool { return slices.Contains(flours, l.Food) })
	out := []string{"water"}
	if at >= 0 {
		out = append(out, d.Document.Lines[at].Food)
	}
	for _, i := range r.Perm(len(flours)) {
		if id := flours[i]; len(out) < 3 && k.Foods.Find(id) != nil && !slices.Contains(out, id) {
			out = append(out, id)
		}
	}
	if k.Foods.Find("water") == nil {
		return nil
	}
	return out
}

// adding is what a mix comes to with more and more of a food, and how much of it leads into the middle of its band.
func (d *Drill) adding(id string, k *kitchen.Kitchen) Option {
	o := Option{Code: AFood, Food: id}
	mass := predict.Predict(&d.Document, k).MassG
	middle := (d.Band.From + d.Band.To) / 2
	nearest := math.Inf(1)
	for n := 0; float64(n)*StepGrams <= mostMend*mass; n++ {
		grams := float64(n) * StepGrams
		next := d.Document
		next.Lines = slices.Clone(d.Document.Lines)
		if n > 0 {
			next.Lines = append(next.Lines, document.Line{Food: id, Grams: grams})
		}
		p := predict.Predict(&next, k)
		if p.Q == nil {
			break
		}
		o.Indices, o.Chances = append(o.Indices, *p.FeltQ), append(o.Chances, p.Chance)
		if away := math.Abs(*p.FeltQ - middle); away < nearest {
			nearest, o.BestGrams, o.Chance = away, grams, p.Chance
		}
	}
	return o
}
