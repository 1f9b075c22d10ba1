// Package practice trains an eye and a hand: drills made from the model with a seed, proper scores for calls,
// the bias of a cook, and what comes again. It stores nothing. docs/model.md, section 13.
package practice

import (
	"hash/fnv"
	"math"
	"math/rand/v2"
	"time"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

// Kind is what is asked.
type Kind string

// The kinds of drill.
const (
	Squeeze Kind = "squeeze" // which word, and how sure
	Mend    Kind = "mend"    // what, and how much of it
	Why     Kind = "why"     // why a try broke, of what was done otherwise
	Binder  Kind = "binder"  // which of four binders for this mix and this table
	Done    Kind = "done"    // when the middle is there
	Amiss   Kind = "amiss"   // which of a plan's points is its fault
	Pair    Kind = "pair"    // which of two holds better
)

// Kinds lists every kind.
var Kinds = []Kind{Squeeze, Mend, Why, Binder, Done, Amiss, Pair}

// Skill is something that misleads, and that practice teaches to see.
type Skill string

// The skills.
const (
	RawWater   Skill = "raw-water"   // raw vegetables let go of water
	NoWait     Skill = "no-wait"     // flax, oats and flours that had no time to drink
	Roots      Skill = "roots"       // mashed roots bind, and are wetter than they look
	LooseGrain Skill = "loose-grain" // cooked grains join nothing
	OverDry    Skill = "over-dry"    // more flour than the mix can wet
	NoGlue     Skill = "no-glue"     // nothing in it sets or binds
	DeepOil    Skill = "deep-oil"    // brown outside long before the middle is there
	Lag        Skill = "lag"         // the middle lags behind, then comes on faster
	Plain      Skill = "plain"       // nothing misleads
)

// Skills lists every skill.
var Skills = []Skill{RawWater, NoWait, Roots, LooseGrain, OverDry, NoGlue, DeepOil, Lag, Plain}

// kindsOf are the kinds that a skill can be shown by, the usual ones first.
func kindsOf(s Skill) []Kind {
	switch s {
	case Lag, DeepOil:
		return []Kind{Done, Amiss}
	case OverDry:
		return []Kind{Squeeze, Mend}
	case NoGlue:
		return []Kind{Squeeze, Why, Binder, Pair}
	case LooseGrain:
		return []Kind{Squeeze, Binder, Pair, Amiss, Why}
	case Roots, Plain, NoWait:
		return []Kind{Squeeze, Mend, Why, Binder, Pair}
	}
	return []Kind{Squeeze, Mend, Why, Binder, Amiss, Pair}
}

// onHeat says whether a skill is about the middle of pieces on the heat.
func (s Skill) onHeat() bool { return s == Lag || s == DeepOil }

// Drill is one question with its answer by the model.
type Drill struct {
	Kind  Kind
	Seed  uint64
	Skill Skill
	// Try is which of the cook's own tries it is made of, "" where it is made up.
	Try     string
	TriedAt *time.Time
	// Bare says that the handful is shown before it is squeezed: the cook knows the skill, and reads the mix alone.
	Bare bool
	// Level is from 1 easy to 3 hard: how near the answers lie, and whether something misleads.
	Level    int
	Document document.Document
	// Other is the second mix of a pair; nil elsewhere.
	Other *document.Document
	// Index is what a hand feels, with one standard deviation; Word the word of it; Band what the piece wants.
	Index, SD float64
	Word      mix.Word
	Band      piece.Band
	// Options are what may be chosen of, and Answer the right one. A mend has more than one that is right.
	Options []Option
	Answer  int
	// Record is what became of a try; nil where it is not asked why.
	Record *Record
	// Off is when the pieces of a plan come off the heat; nil where the plan leaves that to the thermometer.
	Off *OffHeat
	// Heat is what is seen of a piece on the heat; nil where that is not asked.
	Heat *OnHeat
}

// Option is one of what may be chosen.
type Option struct {
	Code Choice
	// Food is of which it speaks, Grams and Minutes as they are in the plan.
	Food           string
	Grams, Minutes float64
	Do             string
	// Cause is what was done otherwise, of a try that broke.
	Cause *learn.Cause
	// Refused says that somebody at the table leaves it out.
	Refused bool
	// Chance is that pieces hold with it, or, of a cause, that they would have without.
	Chance float64
	// Indices are what the mix comes to with 0, 1, 2 ... times StepGrams of it.
	Indices []float64
	// Chances are that pieces hold at each of those amounts.
	Chances   []float64
	BestGrams float64
}

// Choice says what an option is.
type Choice string

// The choices: a food to add or to bind with, a cause, one of two mixes, and points of a plan.
const (
	AFood      Choice = "food"
	ACause     Choice = "cause"
	AMix       Choice = "mix"
	Waits      Choice = "waits"       // how long it waits
	GoesInRaw  Choice = "goes-in-raw" // a vegetable that is not sauteed
	StaysWhole Choice = "stays-whole" // a base that is not mashed
	TooMuch    Choice = "too-much"    // of a flour
	TooLittle  Choice = "too-little"  // of a flour
	NoBinder   Choice = "no-binder"   // no flour at all
	OffEarly   Choice = "off-early"   // off the heat after so many minutes
)

// Choices lists every choice.
var Choices = []Choice{AFood, ACause, AMix, Waits, GoesInRaw, StaysWhole, TooMuch, TooLittle, NoBinder, OffEarly}

// Record is what became of a try, beside what was planned.
type Record struct {
	Planned document.Document
	Found   logbook.Found
}

// OnHeat is what is seen of a piece until the minute that it is asked at, and when its middle is there.
type OnHeat struct {
	SeenMinutes float64
	Curve       []bake.Point
	Section     *heat.Section
	Target      safety.Target
	Around      float64 // degC
	// Minutes is when the middle comes to the target, right within so many; LastMinutes ends the scale.
	Minutes, Within, LastMinutes float64
	// After is the rest of the curve, which the answer shows.
	After []bake.Point
}

// OffHeat is when pieces come off the heat, what they have inside then, degC, and how long they need.
type OffHeat struct {
	Minutes, CoreCelsius float64
	Target               safety.Target
	NeedsMinutes         float64
}

// mostDraws are made until one holds to sense.
const mostDraws = 400

// Make makes the drill of a seed: the same in the same kitchen, always. ok is false where the kitchen's foods
// give none.
func Make(kind Kind, skill Skill, seed uint64, k *kitchen.Kitchen) (d Drill, ok bool) {
	r := source(kind, seed)
	of := skill
	if kind == Why {
		of = plannedAs(skill)
	}
	aim := mix.SqueezeWords[r.IntN(len(mix.SqueezeWords))]
	for i := range mostDraws {
		document, ok := draw(r, of, k)
		if !ok {
			continue
		}
		d = Drill{Kind: kind, Seed: seed, Skill: skill, Document: document}
		if kind == Why {
			if d.spoiled(r, k) {
				return d, true
			}
			continue
		}
		if skill.onHeat() {
			d.reshaped(r)
		}
		if !d.see(k) || !misleads(&d, k) {
			continue
		}
		// Every word is called as often as another, where foods give it.
		if kind == Squeeze && d.Word != aim && i < mostDraws/2 {
			continue
		}
		if d.ask(r, k) {
			return d, true
		}
	}
	return Drill{}, false
}

func source(kind Kind, seed uint64) *rand.Rand {
	h := fnv.New64a()
	_, _ = h.Write([]byte(kind)) // it never fails
	return rand.New(rand.NewPCG(seed, h.Sum64()))
}

// ask makes the question of a mix that is seen. It is false where the model has no clear answer.
func (d *Drill) ask(r *rand.Rand, k *kitchen.Kitchen) bool {
	switch d.Kind {
	case Squeeze:
		return d.squeeze()
	case Mend:
		return d.mend(r, k)
	case Binder:
		return d.binder(r, k)
	case Done:
		return d.done(r, k)
	case Amiss:
		return d.amiss(r, k)
	case Pair:
		return d.pair(r, k)
	}
	return false
}

// see works out what a hand feels of the mix. It is false where the model is not sure itself.
func (d *Drill) see(k *kitchen.Kitchen) bool {
	parts := mix.Parts(d.Document.MixLines(k.Foods))
	e := mix.Sum(d.Document.Bowl(parts), d.Document.RestIn(k))
	duty := d.Document.Duty(k)
	x, ok := e.Expect(&duty, 0)
	if !ok {
		return false
	}
	p := predict.Predict(&d.Document, k)
	d.Index, d.SD, d.Word, d.Band = x.Felt, p.QSD, p.Word, p.Band
	if d.Kind == Mend || d.Kind == Why {
		return d.SD < mostSD
	}
	return d.SD < mostUnsureSD
}

// The model's own spread of the index, where that is asked and where chances are, how likely its own answer must
// be, and by how much chances differ at least, so that the model itself knows which is right.
const (
	mostSD       = .2
	mostUnsureSD = .35
	leastSure    = .4 // of the word, which leads every other by leastLead; a level less hard from wellSure
	leastLead    = .1
	wellSure     = .7
	apart        = .2
)

// sureOf is how likely the word is by the model's own spread, and by how much the likeliest other one is less so.
func (d *Drill) sureOf() (sure, lead float64) {
	sd := math.Hypot(d.SD, wordSD)
	other := 0.
	for _, w := range mix.SqueezeWords {
		low, high := mix.Between(w)
		p := learn.Normal((high-d.Index)/sd) - learn.Normal((low-d.Index)/sd)
		if w == d.Word {
			sure = p
		} else {
			other = max(other, p)
		}
	}
	return sure, sure - other
}

// wordSD is what words of one mix differ by from hand to hand, in index.
const wordSD = .05

func (d *Drill) squeeze() bool {
	sure, lead := d.sureOf()
	d.Level = 1
	if d.Skill != Plain {
		d.Level = 2
	}
	if sure < wellSure {
		d.Level++
	}
	return sure >= leastSure && lead >= leastLead
}

// levelOf is how hard a choice is whose best leads by so much.
func (d *Drill) levelOf(gap float64) {
	d.Level = 3
	if gap > .3 {
		d.Level = 2
	}
	if gap > .5 {
		d.Level = 1
	}
}

// best makes the option with the highest chance the answer, and gives by how much it leads.
func (d *Drill) best() (gap float64) {
	first, second := -1., -1.
	for i := range d.Options {
		c := d.Options[i].Chance
		if d.Options[i].Refused {
			c = 0
		}
		if c > first {
			first, second, d.Answer = c, first, i
		} else {
			second = max(second, c)
		}
	}
	d.levelOf(first - second)
	return first - second
}
