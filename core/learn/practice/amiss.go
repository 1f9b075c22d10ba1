package practice

import (
	"math"
	"math/rand/v2"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

// A fault must cost so much of a chance that is so good without it; what is left right counts for no more than half.
const (
	leastMended = .6
	leastGain   = .25
)

// remedied is a point of a plan, and the plan with that put right.
type remedied struct {
	Option
	right document.Document
}

// amiss asks which of four points of a plan is its fault: all are so, one of them costs the most.
func (d *Drill) amiss(r *rand.Rand, k *kitchen.Kitchen) bool {
	was := predict.Predict(&d.Document, k).Chance
	set := 1.
	points := d.points(k)
	if d.Skill.onHeat() {
		early, ok := d.early(r, k, was)
		if !ok {
			return false
		}
		was, set = min(was, early.set), early.set
		points = append(points, early.remedied)
	}
	if was > 1-leastGain {
		return false
	}
	r.Shuffle(len(points), func(i, j int) { points[i], points[j] = points[j], points[i] })
	for i := range points {
		points[i].Chance = predict.Predict(&points[i].right, k).Chance
		if points[i].Code != OffEarly {
			points[i].Chance = min(points[i].Chance, set)
		}
	}
	best := slices.IndexFunc(points, func(p remedied) bool {
		return !slices.ContainsFunc(points, func(o remedied) bool { return o.Chance > p.Chance })
	})
	if best < 0 || points[best].Chance < leastMended || points[best].Chance-was < leastGain {
		return false
	}
	points[0], points[best] = points[best], points[0]
	switch fault := faultOf(points[0].Code); {
	case d.Skill.onHeat():
	case d.Try != "":
		d.Skill = fault
	case d.Skill != fault:
		return false
	}
	gain := points[0].Chance - was
	for i := range points {
		if len(d.Options) < 4 && (i == 0 || points[i].Chance-was < gain/2 && points[0].Chance-points[i].Chance >= apart) {
			d.Options = append(d.Options, points[i].Option)
		}
	}
	if len(d.Options) < 3 {
		return false
	}
	r.Shuffle(len(d.Options), func(i, j int) { d.Options[i], d.Options[j] = d.Options[j], d.Options[i] })
	d.best()
	return true
}

// faultOf is the skill that a fault belongs to.
func faultOf(c Choice) Skill {
	switch c {
	case GoesInRaw:
		return RawWater
	case Waits:
		return NoWait
	case StaysWhole:
		return LooseGrain
	case TooMuch:
		return OverDry
	case OffEarly:
		return Lag
	}
	return NoGlue
}

// earlyOff is a piece that comes off the heat before its middle has set, and its chance of holding then.
type earlyOff struct {
	remedied
	set float64
}

// early takes the pieces of a plan that is good off the heat too soon.
func (d *Drill) early(r *rand.Rand, k *kitchen.Kitchen, chance float64) (e earlyOff, ok bool) {
	if chance < leastMended {
		return e, false
	}
	baked := bake.Bake(&d.Document, k, bake.Options{Now: -1})
	if baked.PullAt == nil {
		return e, false
	}
	off := math.Round(*baked.PullAt * (.35 + .25*r.Float64()))
	core, ok := bake.CoreAfter(&d.Document, k, off, nil)
	if !ok || off < 2 {
		return e, false
	}
	e.Option, e.right, e.set = Option{Code: OffEarly, Minutes: off}, d.Document, bake.SetChance(&d.Document, k, core)
	d.Off = &OffHeat{Minutes: off, CoreCelsius: core, Target: baked.Target, NeedsMinutes: math.Round(*baked.PullAt)}
	return e, true
}

// points are what may be said of a plan.
func (d *Drill) points(k *kitchen.Kitchen) (out []remedied) {
	add := func(o Option, change func(next *document.Document)) {
		next := d.Document
		next.Lines = slices.Clone(d.Document.Lines)
		change(&next)
		out = append(out, remedied{o, next})
	}
	minutes := 0.
	if d.Document.Rest != nil {
		minutes = d.Document.Rest.Minutes
	}
	wait := max(waitMinutes, 2*minutes)
	add(Option{Code: Waits, Minutes: minutes}, func(next *document.Document) { next.Rest = &document.Wait{Minutes: wait} })
	bound := false
	for i := range d.Document.Lines {
		l := &d.Document.Lines[i]
		f := k.Foods.Find(l.Food)
		of := Option{Food: l.Food, Grams: l.Grams}
		switch {
		case raw(l, k):
			of.Code = GoesInRaw
			add(of, func(next *document.Document) { next.Lines[i].Prep = sauteed() })
		case food.Mash.Suits(f) && (f.Group == food.Legume || f.Group == food.Grain) && len(l.Prep) == 0:
			of.Code = StaysWhole
			add(of, func(next *document.Document) { next.Lines[i].Prep = []food.Preparation{{Do: food.Mash, Level: .8}} })
		case f.Group.IsBinder():
			bound = true
			of.Code = TooMuch
			add(of, func(next *document.Document) { next.Lines[i].Grams = math.Round(l.Grams * .5) })
			of.Code = TooLittle
			add(of, func(next *document.Document) { next.Lines[i].Grams = math.Round(l.Grams * 1.7) })
		}
	}
	if !bound && k.Foods.Find("oat-flour") != nil {
		add(Option{Code: NoBinder}, func(next *document.Document) {
			next.Lines = append(next.Lines, document.Line{Food: "oat-flour", Grams: 60})
		})
	}
	return slices.DeleteFunc(out, func(p remedied) bool { return !tastes(&p.right, k) })
}
