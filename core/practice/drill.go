// Package practice trains an eye and a hand: drills made from the model with a seed, proper scores for calls,
// the bias of a cook, and what comes again. It stores nothing. docs/model.md, section 13.
package practice

import (
	"math/rand/v2"

	"cuerda/core/formula"
	"cuerda/core/kitchen"
	"cuerda/core/mix"
)

// Kind is what is asked.
type Kind string

// The kinds of drill.
const (
	Squeeze Kind = "squeeze" // which word, and how sure
	Mend    Kind = "mend"    // what, and how much of it
	Binder  Kind = "binder"  // which of four binders for this mix
	Pair    Kind = "pair"    // which of two holds better
)

// Kinds lists every kind.
var Kinds = []Kind{Squeeze, Mend, Binder, Pair}

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
	Plain      Skill = "plain"       // nothing misleads
)

// Skills lists every skill.
var Skills = []Skill{RawWater, NoWait, Roots, LooseGrain, OverDry, NoGlue, Plain}

// Drill is one question with its answer by the model.
type Drill struct {
	Kind  Kind
	Seed  uint64
	Skill Skill
	// Level is from 1 easy to 3 hard: how near the answers lie, and whether something misleads.
	Level    int
	Document formula.Document
	// Other is the second mix of a pair; nil elsewhere.
	Other *formula.Document
	// Index is what a hand feels, with one standard deviation; Word the word of it.
	Index, SD float64
	Word      mix.Word
	// Foods are what may be chosen of, and Answer the right one: a food, or the first (0) or second (1) of a pair.
	Foods  []string
	Answer int
	// Grams is the best amount of what mends, g, at 5 of 100 g of mix where it says how far an amount may be off.
	Grams, Within float64
	// Chances are those of what may be chosen.
	Chances []float64
}

// mostDraws are made until one holds to sense.
const mostDraws = 400

// Make makes the drill of a seed: the same in the same kitchen, always. ok is false where the kitchen's foods
// give none.
func Make(kind Kind, skill Skill, seed uint64, k *kitchen.Kitchen) (d Drill, ok bool) {
	r := rand.New(rand.NewPCG(seed, uint64(len(kind))*977))
	for range mostDraws {
		document, ok := draw(r, skill, k)
		if !ok {
			continue
		}
		d = Drill{Kind: kind, Seed: seed, Skill: skill, Document: document}
		if !d.see(k) || !misleads(&d, k) {
			continue
		}
		switch kind {
		case Squeeze:
			ok = d.squeeze()
		case Mend:
			ok = d.mend(k)
		case Binder:
			ok = d.binder(r, k)
		case Pair:
			ok = d.pair(r, k)
		}
		if ok {
			return d, true
		}
	}
	return Drill{}, false
}

// see works out what a hand feels of the mix.
func (d *Drill) see(k *kitchen.Kitchen) bool {
	e := mix.Sum(mix.Parts(d.Document.MixLines(k.Foods)), d.Document.RestIn(k))
	duty := d.Document.Duty(k)
	x, ok := e.Expect(&duty, 0)
	if !ok {
		return false
	}
	p := formula.Predict(&d.Document, k)
	d.Index, d.SD, d.Word = x.Felt, p.QSD, p.Word
	return d.SD < mostSD
}

// The model's own spread of what is asked, in index, and how likely its own answer must be.
const (
	mostSD    = .2
	leastSure = .6
)
