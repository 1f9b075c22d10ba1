package learn

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
	"cuerda/core/predict/bake"
)

// CauseCode says why a try may have failed.
type CauseCode string

// The causes.
const (
	Amount      CauseCode = "amount"   // another amount than planned
	LeftOut     CauseCode = "left-out" // a line that was not put in
	Added       CauseCode = "added"    // one that was not planned
	Prepared    CauseCode = "prepared" // prepared otherwise
	Setting     CauseCode = "setting"  // rested, chilled, shaped or cooked otherwise
	Wetter      CauseCode = "wetter"   // wetter than lines and figures say
	Drier       CauseCode = "drier"
	Rough       CauseCode = "rough"           // moved more roughly than this kitchen does
	TurnedSoon  CauseCode = "turned-too-soon" // before its crust had set
	OvenCool    CauseCode = "oven-cool"       // not set inside: the oven is cool
	Undercooked CauseCode = "taken-off-early" // not set inside
	WeakPlan    CauseCode = "weak-plan"       // it was likely to fail as planned
	Luck        CauseCode = "luck"            // it was likely to hold, and what it was nobody wrote down
)

// CauseCodes lists every cause.
var CauseCodes = []CauseCode{Amount, LeftOut, Added, Prepared, Setting, Wetter, Drier, Rough, TurnedSoon, OvenCool, Undercooked, WeakPlan, Luck}

// Cause is one thing that may have made a try fail, and how likely it is that the try would not have failed without it.
type Cause struct {
	Code   CauseCode
	Chance float64
	// Change is what was done otherwise than planned, Setting the same beside the lines.
	Change  *document.Change
	Setting *document.Setting
	// Was and Now are figures that belong to the code: degC for the core and what it should have
	// come to, min for a turn and when it should have been.
	Was, Now float64
}

// What a single day differs by, one standard deviation: how wet a mix is beyond its figures, in
// index, with tails (somebody did not drain), and how roughly it is moved, as a logarithm.
const (
	dayWetSD   = .12
	dayRoughSD = .2
	dayTails   = 3. // degrees of freedom
)

// turnedSoonNeeds is what a piece turned before its crust has set needs against one turned in time:
// section 3 of docs/model.md.
const turnedSoonNeeds = 1.2

// soon is the share of the time until the turn before which a piece was turned too soon.
const soon = .75

// leastCause is told.
const leastCause = .05

// failing is one failed try.
type failing struct {
	t       *Try
	k       *kitchen.Kitchen
	planned *document.Document
	trial   *trial
	done    *bowl
	days    []day
	core    *float64
}

// day is one way that day may have been: how wet beyond what lines say, in index, how rough, and how
// likely that is by what was found.
type day struct{ index, rough, weight float64 }

// bowl is a document as the judge takes it, whatever the day.
type bowl struct {
	effect   mix.Effect
	water    mix.Effect // of 1 g
	duty     mix.Duty
	coldness float64
	span     float64 // water that moves the index by 1, g
	set      float64 // how likely it is to have set by its core, 0..1
	known    map[float64]mix.OddsOf
}

func (f *failing) bowl(d *document.Document, core *float64) *bowl {
	rest := d.RestIn(f.k)
	missed := mix.Missed(1)
	out := &bowl{effect: mix.Sum(d.Bowl(mix.Parts(d.MixLines(f.k.Foods))), rest), water: missed.Effect(rest),
		duty: d.Duty(f.k), coldness: d.Coldness(f.k), set: 1, known: map[float64]mix.OddsOf{}}
	out.span = out.effect.Span
	if core != nil {
		out.set = bake.SetChance(d, f.k, *core)
	}
	return out
}

// chances are those of both stages on a day.
func (b *bowl) chances(index, rough float64) (raw, cooked float64) {
	o, ok := b.known[index]
	if !ok {
		e := b.effect.Plus(b.water, index*b.span)
		o = e.Odds(&b.duty, b.coldness)
		b.known[index] = o
	}
	raw, cooked = o.Chances(rough)
	return raw, min(cooked, b.set)
}

func (b *bowl) chance(index, rough float64) float64 { return min(b.chances(index, rough)) }

// Why gives the causes that the evidence makes likely, for a try that failed; none for one that did
// not. planned is what was meant to be cooked, nil where nobody knows; k is the kitchen with
// what it learned. The chance of a cause is the excess fraction (Pearl 2009, section 9.2: the
// probability of necessity under monotonicity): how much of the failing would not be without it.
func Why(t *Try, planned *document.Document, k *kitchen.Kitchen) []Cause {
	if o := t.Found.Outcome(); o != logbook.SomeBroke && o != logbook.FellApart {
		return nil
	}
	f := &failing{t: t, k: dayIn(k, t.Found), planned: planned, core: t.Found.CoreCelsius}
	f.trial = newTrial(t, f.k, &Warmings{})
	f.done = f.bowl(t.Document, f.core)
	f.weighDays()
	out := []Cause{}
	say := func(c Cause, b *bowl, other func(d day) day) {
		if c.Chance = f.needed(b, other); c.Chance >= leastCause {
			out = append(out, c)
		}
	}
	f.otherwise(say)
	f.hidden(say)
	f.heat(say)
	plan := t.Document
	if planned != nil {
		plan = planned
	}
	planBowl := f.bowl(plan, nil)
	chance := planBowl.chance(0, 0)
	fails := 0.
	for _, d := range f.days {
		fails += d.weight * (1 - f.done.chance(d.index, d.rough))
	}
	code, share := WeakPlan, min(1, (1-chance)/max(fails, 1e-9))
	if chance >= .7 {
		code = Luck
		for _, c := range out {
			share *= 1 - c.Chance // what has a cause needs no luck
		}
	}
	if share >= leastCause || len(out) == 0 {
		out = append(out, Cause{Code: code, Chance: share, Was: chance})
	}
	slices.SortStableFunc(out, func(a, b Cause) int { return cmp.Compare(b.Chance, a.Chance) })
	return out
}

// needed is the excess fraction of a cause, on average over the days it may have been: how much of the
// failing would not be with that bowl, on that other day.
func (f *failing) needed(b *bowl, other func(d day) day) float64 {
	out := 0.
	for _, d := range f.days {
		fails, at := 1-f.done.chance(d.index, d.rough), d
		if other != nil {
			at = other(d)
		}
		if without := 1 - b.chance(at.index, at.rough); fails > 0 {
			out += d.weight * max(0, (fails-without)/fails)
		}
	}
	return out
}

// weighDays weighs the days that it may have been by what was found.
func (f *failing) weighDays() {
	t := f.trial
	losses := func(c *logbook.Count, p float64) float64 {
		if c == nil {
			return 0
		}
		loss, _, _ := Counted(c.Held, c.Of, Alike)(mix.Odds(p, 1e-4))
		return loss
	}
	total := 0.
	for i := -12; i <= 12; i++ {
		for r := -3; r <= 3; r++ {
			d := day{index: float64(i) * .08, rough: float64(r) * .15}
			x, y := d.index/dayWetSD, d.rough/dayRoughSD
			loss := (dayTails+1)/2*math.Log1p(x*x/dayTails) + y*y/2
			if t.paste && t.word != "" {
				word, _, _ := Felt(t.word)(t.expected.Felt + d.index)
				loss += word / handPart
			}
			raw, cooked := f.done.chances(d.index, d.rough)
			loss += losses(t.raw, raw) + losses(t.cooked, cooked) + losses(t.both, min(raw, cooked))
			d.weight = math.Exp(-loss)
			total += d.weight
			f.days = append(f.days, d)
		}
	}
	for i := range f.days {
		f.days[i].weight /= total
	}
}

// CauseOf gives the cause that a line which was done otherwise than planned may be; "" where it is none.
func CauseOf(c *document.Change) CauseCode {
	return map[string]CauseCode{"grams": Amount, "removed": LeftOut, "added": Added, "prep": Prepared}[c.Kind]
}

// otherwise are the things that were done otherwise than planned, each put right by itself.
func (f *failing) otherwise(say func(c Cause, b *bowl, other func(d day) day)) {
	if f.planned == nil {
		return
	}
	done := f.t.Document
	changes, settings := document.Changes(f.planned, done)
	for i := range changes {
		c := &changes[i]
		right, ok := document.Undo(done, f.planned, c)
		if !ok {
			continue
		}
		code := CauseOf(c)
		if code == "" {
			continue
		}
		say(Cause{Code: code, Change: c}, f.bowl(right, f.core), nil)
	}
	for i := range settings {
		s := &settings[i]
		if right, ok := document.UndoSetting(done, f.planned, s); ok {
			say(Cause{Code: Setting, Setting: s}, f.bowl(right, f.core), nil)
		}
	}
}

// hidden are what nobody wrote down, as likely as the findings make them.
func (f *failing) hidden(say func(c Cause, b *bowl, other func(d day) day)) {
	mean := 0.
	for _, d := range f.days {
		mean += d.weight * d.index
	}
	say(Cause{Code: Wetter, Now: max(0, mean) * f.done.span}, f.done, func(d day) day { d.index = min(d.index, 0); return d })
	say(Cause{Code: Drier, Now: min(0, mean) * f.done.span}, f.done, func(d day) day { d.index = max(d.index, 0); return d })
	if b := f.t.Found.Broke; f.done.duty.Moved() && (b == nil || b.Shaping+b.Turning > 0) {
		say(Cause{Code: Rough}, f.done, func(d day) day { d.rough = min(d.rough, 0); return d })
	}
}

// heat is what was turned or taken off too soon.
func (f *failing) heat(say func(c Cause, b *bowl, other func(d day) day)) {
	found := f.t.Found
	if found.CoreCelsius == nil && found.TurnedAtMinutes == nil {
		return
	}
	baked := bake.Bake(f.t.Document, f.k, bake.Options{Now: -1})
	if found.TurnedAtMinutes != nil && baked.TurnAt != nil && *found.TurnedAtMinutes < soon**baked.TurnAt {
		// It was moved as it was: in time it would have needed less.
		say(Cause{Code: TurnedSoon, Was: *found.TurnedAtMinutes, Now: *baked.TurnAt}, f.done, func(d day) day {
			d.rough -= math.Log(turnedSoonNeeds)
			return d
		})
	}
	if found.CoreCelsius != nil && *found.CoreCelsius < baked.Target.Celsius-2 {
		code := Undercooked
		if InOven(f.t.Document) && f.k.OvenOffset < -4 {
			code = OvenCool
		}
		say(Cause{Code: code, Was: *found.CoreCelsius, Now: baked.Target.Celsius}, f.bowl(f.t.Document, nil), nil)
	}
}
