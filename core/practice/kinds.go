package practice

import (
	"math"
	"math/rand/v2"
	"slices"

	"cuerda/core/formula"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/mix"
)

// sureOf is how likely the word is by the model's own spread.
func (d *Drill) sureOf() float64 {
	sd := math.Hypot(d.SD, wordSD)
	low, high := mix.Between(d.Word)
	return learn.Normal((high-d.Index)/sd) - learn.Normal((low-d.Index)/sd)
}

// wordSD is what words of one mix differ by from hand to hand, in index.
const wordSD = .05

func (d *Drill) squeeze() bool {
	sure := d.sureOf()
	d.Level = 1
	if d.Skill != Plain {
		d.Level = 2
	}
	if sure < .75 {
		d.Level++
	}
	return sure >= leastSure
}

// mend asks how much of one flour brings a mix that is too wet into the middle of its band, or how much water one
// that is too dry.
func (d *Drill) mend(k *kitchen.Kitchen) bool {
	p := formula.Predict(&d.Document, k)
	if p.Q == nil || p.InBand {
		return false
	}
	food := "water"
	if *p.Q > p.Band.To {
		at := slices.IndexFunc(d.Document.Lines, func(l formula.Line) bool { return slices.Contains(flours, l.Food) })
		if at < 0 {
			return false
		}
		food = d.Document.Lines[at].Food
	}
	low, high := 0., .25*p.MassG
	with := func(grams float64) float64 {
		next := d.Document
		next.Lines = append(slices.Clone(d.Document.Lines), formula.Line{Food: food, Grams: max(grams, formula.MinGrams)})
		if q := formula.Predict(&next, k); q.Q != nil {
			return *q.Q
		}
		return *p.Q
	}
	middle := (p.Band.From + p.Band.To) / 2
	falls := food != "water"
	if falls && with(high) > middle || !falls && with(high) < middle {
		return false // no amount that a cook would add
	}
	for range 40 {
		if g := (low + high) / 2; (with(g) > middle) == falls {
			low = g
		} else {
			high = g
		}
	}
	d.Grams, d.Foods, d.Answer = math.Round(low), []string{food}, 0
	// What leads to the edges of the band is as good as the middle to the hand.
	slope := math.Abs(with(low+1)-with(max(low-1, 0))) / 2
	d.Within = (p.Band.To - p.Band.From) / 2 / math.Max(slope, 1e-6)
	d.Level = 2
	return d.Grams >= 5 && slope > 0
}

// apart is by how much chances differ at least, so that the model itself knows which is right.
const apart = .2

// binder asks which of four makes a mix surest.
func (d *Drill) binder(r *rand.Rand, k *kitchen.Kitchen) bool {
	at := slices.IndexFunc(d.Document.Lines, func(l formula.Line) bool { return slices.Contains(flours, l.Food) || slices.Contains(waits, l.Food) })
	if at < 0 {
		return false
	}
	choices := slices.Clone(flours)
	r.Shuffle(len(choices), func(i, j int) { choices[i], choices[j] = choices[j], choices[i] })
	grams := d.Document.Lines[at].Grams
	for _, id := range choices {
		if len(d.Foods) == 4 {
			break
		}
		f := k.Foods.Find(id)
		if f == nil || slices.ContainsFunc(d.Document.Lines, func(l formula.Line) bool { return l.Food == id && id != d.Document.Lines[at].Food }) {
			continue
		}
		next := d.Document
		next.Lines = slices.Clone(d.Document.Lines)
		next.Lines[at] = formula.Line{Food: id, Grams: grams}
		d.Foods = append(d.Foods, id)
		d.Chances = append(d.Chances, formula.Predict(&next, k).Chance)
	}
	if len(d.Foods) < 4 {
		return false
	}
	order := slices.Clone(d.Chances)
	slices.Sort(order)
	gap := order[3] - order[2]
	d.Answer = slices.Index(d.Chances, order[3])
	d.Document.Lines = slices.Delete(slices.Clone(d.Document.Lines), at, at+1)
	d.Grams = grams
	d.Level = 3
	if gap > .35 {
		d.Level = 2
	}
	return gap >= apart/2 && order[3] >= .5 && sensible(&d.Document, k)
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
		if d.Document.Rest.Minutes >= 20 {
			minutes = 0
		}
		other.Rest = &formula.Wait{Minutes: minutes}
	default:
		if other.Lines[i].Food == "salt" || len(other.Lines) < 4 {
			return false
		}
		other.Lines = slices.Delete(other.Lines, i, i+1)
	}
	if !sensible(&other, k) {
		return false
	}
	a, b := formula.Predict(&d.Document, k).Chance, formula.Predict(&other, k).Chance
	d.Other, d.Chances = &other, []float64{a, b}
	if b > a {
		d.Answer = 1
	}
	d.Level = 3
	if math.Abs(a-b) > .45 {
		d.Level = 1
	}
	return math.Abs(a-b) >= apart
}
