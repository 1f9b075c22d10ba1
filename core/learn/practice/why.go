package practice

import (
	"math"
	"math/rand/v2"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/predict"
)

// A try that broke is asked about where its plan was good, what was done was not, and one cause leads: its excess
// fraction, and by how much.
const (
	leastPlanned  = .7
	mostDone      = .4
	leastCause    = .4
	causesApart   = .25
	mostCauses    = 5
	recordPieces  = 8
	leastBrokenOf = 4
)

// plannedAs is the skill whose mixes hold where they are made as planned.
func plannedAs(s Skill) Skill {
	switch s {
	case NoGlue, LooseGrain:
		return Plain
	}
	return s
}

// spoiled makes a try of the drawn mix: planned well, done otherwise in three things of which one broke it.
func (d *Drill) spoiled(r *rand.Rand, k *kitchen.Kitchen) bool {
	planned := d.Document
	planned.Rest = &document.Wait{Minutes: []float64{20, 30}[r.IntN(2)]}
	planned.Lines = cookedDown(planned.Lines, k)
	if predict.Predict(&planned, k).Chance < leastPlanned {
		return false
	}
	done := planned
	done.Lines = slices.Clone(planned.Lines)
	if !spoil(r, d.Skill, &done, k) {
		return false
	}
	stray(r, &done)
	p := predict.Predict(&done, k)
	if p.Chance > mostDone || p.Q == nil || !tastes(&done, k) {
		return false
	}
	d.Document = done
	if !d.see(k) {
		return false
	}
	broke := max(leastBrokenOf, int(math.Round(recordPieces*(1-p.Chance))))
	found := logbook.Found{Squeeze: d.Word, Pieces: recordPieces, Broke: &logbook.Broke{Turning: broke}}
	if p.ChanceCooked < p.ChanceRaw {
		found.Broke = &logbook.Broke{Cutting: broke}
	}
	d.Record = &Record{Planned: planned, Found: found}
	return d.causes(r, k)
}

// spoil does the one thing otherwise that the skill is about.
func spoil(r *rand.Rand, skill Skill, done *document.Document, k *kitchen.Kitchen) bool {
	find := func(ok func(l *document.Line, f *food.Food) bool) *document.Line {
		for i := range done.Lines {
			if ok(&done.Lines[i], k.Foods.Find(done.Lines[i].Food)) {
				return &done.Lines[i]
			}
		}
		return nil
	}
	binds := func(_ *document.Line, f *food.Food) bool { return f.Group.IsBinder() }
	switch skill {
	case RawWater:
		l := find(func(l *document.Line, f *food.Food) bool { return f.Group == food.Vegetable && len(l.Prep) > 0 })
		if l == nil {
			return false
		}
		l.Prep = nil
	case NoWait:
		done.Rest = &document.Wait{}
	case NoGlue, Roots:
		l := find(binds)
		if l == nil {
			return false
		}
		times := map[Skill]float64{NoGlue: .15, Roots: .3}[skill]
		l.Grams = max(1, math.Round(l.Grams*times))
	case LooseGrain:
		l := find(func(l *document.Line, _ *food.Food) bool {
			return slices.ContainsFunc(l.Prep, func(p food.Preparation) bool { return p.Do == food.Mash || p.Do == food.Blitz })
		})
		if l == nil {
			return false
		}
		l.Prep = nil
	case Plain:
		if k.Foods.Find("water") == nil {
			return false
		}
		done.Lines = append(done.Lines, document.Line{Food: "water", Grams: 30 + 10*float64(r.IntN(6))})
	default:
		return false
	}
	return true
}

// stray are small things that were done otherwise too, as they are on any day.
func stray(r *rand.Rand, done *document.Document) {
	for i := range done.Lines {
		l := &done.Lines[i]
		if l.Food == "salt" {
			l.Grams = max(1, l.Grams+[]float64{-1, 1}[r.IntN(2)])
		} else if r.IntN(3) == 0 && l.Grams >= 50 {
			l.Grams = math.Round(l.Grams*(.93+.14*r.Float64())/5) * 5
		}
	}
	if done.Rest.Minutes >= 20 && r.IntN(2) == 0 {
		done.Rest = &document.Wait{Minutes: done.Rest.Minutes - 5}
	}
}

// causes are what was done otherwise than planned, with how likely each is to have broken it.
func (d *Drill) causes(r *rand.Rand, k *kitchen.Kitchen) bool {
	changes, settings := document.Changes(&d.Record.Planned, &d.Document)
	if n := len(changes) + len(settings); n < 2 || n > mostCauses {
		return false
	}
	t := learn.Try{Document: &d.Document, Found: &d.Record.Found}
	all := learn.Why(&t, &d.Record.Planned, k)
	same := func(c learn.Cause, change *document.Change, s *document.Setting) bool {
		return change != nil && c.Change != nil && c.Change.Food == change.Food && c.Change.Kind == change.Kind && c.Change.Part == change.Part ||
			s != nil && c.Setting != nil && c.Setting.Field == s.Field
	}
	offer := func(change *document.Change, s *document.Setting) {
		cause := learn.Cause{Code: learn.Setting, Change: change, Setting: s}
		if change != nil {
			cause.Code = learn.CauseOf(change)
		}
		if i := slices.IndexFunc(all, func(c learn.Cause) bool { return same(c, change, s) }); i >= 0 {
			cause = all[i]
		}
		if cause.Code != "" {
			d.Options = append(d.Options, Option{Code: ACause, Cause: &cause, Chance: cause.Chance})
		}
	}
	for i := range changes {
		offer(&changes[i], nil)
	}
	for i := range settings {
		offer(nil, &settings[i])
	}
	for i := range all {
		// What nobody wrote down must not be as likely.
		if all[i].Change == nil && all[i].Setting == nil && all[i].Chance > leastCause {
			return false
		}
	}
	r.Shuffle(len(d.Options), func(i, j int) { d.Options[i], d.Options[j] = d.Options[j], d.Options[i] })
	if len(d.Options) < 2 || len(d.Options) > mostCauses {
		return false
	}
	gap := d.best()
	return gap >= causesApart && d.Options[d.Answer].Chance >= leastCause
}
