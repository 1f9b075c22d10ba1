package practice

import (
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/physics/method"
)

// OwnTry is a try of the cook's own kitchen; Planned is what was meant to be cooked, nil where nobody knows.
type OwnTry struct {
	learn.Try
	Planned *document.Document
}

// Own makes a drill of a cook's own try. ok is false where it tells nothing of the kind that the model is sure of:
// a squeeze that the hand of that day called otherwise, a try that held where it is asked why it broke.
func Own(kind Kind, t *OwnTry, seed uint64, k *kitchen.Kitchen) (d Drill, ok bool) {
	r := source(kind, seed)
	d = Drill{Kind: kind, Seed: seed, Try: t.ID, TriedAt: &t.At, Document: *t.Document}
	d.Document.Hand = nil
	if !d.see(k) {
		return Drill{}, false
	}
	d.Skill = skillOf(&d, k)
	switch kind {
	case Squeeze:
		if w := t.Found.Squeeze; w == "" || w != d.Word {
			return Drill{}, false
		}
	case Why:
		if t.Planned == nil {
			return Drill{}, false
		}
		d.Record = &Record{Planned: *t.Planned, Found: *t.Found}
		return d, d.causes(r, k)
	case Done:
		d.Skill = Lag
		if m, _ := d.Document.MethodAndTurn(); m.Row().Medium == method.Fat {
			d.Skill = DeepOil
		}
	case Pair:
		if len(d.Document.Lines) < 3 {
			return Drill{}, false
		}
	}
	return d, d.ask(r, k)
}

// skillOf is what misleads most in a mix.
func skillOf(d *Drill, k *kitchen.Kitchen) Skill {
	has := func(ids []string, raw bool) bool {
		return slices.ContainsFunc(d.Document.Lines, func(l document.Line) bool {
			return slices.Contains(ids, l.Food) && (!raw || len(l.Prep) == 0)
		})
	}
	as := func(s Skill) bool {
		other := *d
		other.Skill = s
		return misleads(&other, k)
	}
	switch {
	case has(raws, true) && as(RawWater):
		return RawWater
	case has(waits, false) && as(NoWait):
		return NoWait
	case has(roots, false):
		return Roots
	case as(OverDry):
		return OverDry
	case has(grains, false) && as(LooseGrain):
		return LooseGrain
	case as(NoGlue):
		return NoGlue
	}
	return Plain
}
