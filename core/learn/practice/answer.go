package practice

import (
	"errors"
	"math"
	"slices"
	"time"

	"cuerda/core/physics/mix"
)

// Answer is what a cook says to a drill; what it does not ask for is 0.
type Answer struct {
	// Index is the squeeze called, on the scale of the liquidity index.
	Index float64 `json:"index,omitempty"`
	// Choice is which of the options, from 0; Grams how much of it, where that is asked.
	Choice int     `json:"choice,omitempty"`
	Grams  float64 `json:"grams,omitempty"`
	// Minutes is when the middle is there.
	Minutes float64 `json:"minutes,omitempty"`
	// Sure is how sure the cook is to be right, 0..1.
	Sure float64 `json:"sure"`
}

// Call is an answer, marked, as it is kept everywhere.
type Call struct {
	At    time.Time `json:"at"`
	Kind  Kind      `json:"kind"`
	Skill Skill     `json:"skill"`
	// Off is how far the call of a squeeze, or where a mend leads, was off, in words: above 0 too wet.
	Off float64 `json:"off_words"`
	// Lies is where the mix of a squeeze lies on the scale of words; nil where nobody wrote that down.
	Lies *float64 `json:"lies_words,omitempty"`
	// OffMinutes is how far a minute on the heat was off: above 0 too late.
	OffMinutes float64 `json:"off_minutes"`
	// Sure is how sure it was, 0..1, and Right whether it was.
	Sure  float64 `json:"sure"`
	Right bool    `json:"right"`
	// Wet says that the mix lay in the wet half of the words.
	Wet bool `json:"wet"`
}

// ErrNoAnswer is returned for an answer that the drill does not know.
var ErrNoAnswer = errors.New("no answer to this drill")

// wetFrom is the index from which a mix lies in the wet half of the words.
var wetFrom, _ = mix.Between(mix.Tacky)

// Mark marks an answer by the drill as it was asked. An answer that the drill does not know is ErrNoAnswer.
func (d *Drill) Mark(a Answer) (Call, error) {
	c := Call{Kind: d.Kind, Skill: d.Skill, Sure: a.Sure, Wet: d.Index >= wetFrom}
	for _, x := range []float64{a.Sure, a.Index, a.Grams, a.Minutes} {
		if math.IsNaN(x) || math.IsInf(x, 0) {
			return Call{}, ErrNoAnswer
		}
	}
	if a.Sure < 0 || a.Sure > 1 {
		return Call{}, ErrNoAnswer
	}
	switch d.Kind {
	case Squeeze:
		if a.Index < driest || a.Index > wettest {
			return Call{}, ErrNoAnswer
		}
		lies := InWords(d.Index)
		c.Off, c.Lies = InWords(a.Index)-callable(lies), &lies
		c.Right = mix.WordFor(a.Index) == d.Word
		return c, nil
	case Done:
		if a.Minutes < 0 || a.Minutes > d.Heat.LastMinutes {
			return Call{}, ErrNoAnswer
		}
		c.OffMinutes = a.Minutes - d.Heat.Minutes
		from, to := d.RightBetween()
		c.Right = a.Minutes >= from && a.Minutes <= to
		return c, nil
	}
	if a.Choice < 0 || a.Choice >= len(d.Options) {
		return Call{}, ErrNoAnswer
	}
	c.Right = a.Choice == d.Answer
	if d.Kind == Mend {
		o := &d.Options[a.Choice]
		at := int(math.Round(a.Grams / StepGrams))
		if at < 0 || at >= len(o.Indices) {
			return Call{}, ErrNoAnswer
		}
		c.Right = d.Leads(o, at)
		if !c.Right && d.Band.Holds(o.Indices[at]) {
			c.Off = InWords(o.Indices[at]) - InWords(o.Indices[o.best()])
		} else if !c.Right {
			edge := d.Band.To
			if o.Indices[at] < d.Band.From {
				edge = d.Band.From
			}
			c.Off = InWords(o.Indices[at]) - InWords(edge)
		}
	}
	return c, nil
}

// What an amount may differ from the best one by and do as well: half a word in how the mix feels, and a
// twentieth in how many pieces hold.
const (
	alikeWords  = 0.5
	alikeChance = 0.05
)

// Leads tells whether an amount of an option, as its place among its indices, is a mend that is right: it
// leads into the band and does for the piece what the best amount does.
func (d *Drill) Leads(o *Option, at int) bool {
	return d.Band.Holds(o.Indices[at]) && o.asGood(at)
}

// best is which amount is the best.
func (o *Option) best() int {
	return min(int(math.Round(o.BestGrams/StepGrams)), len(o.Indices)-1)
}

// asGood says whether an amount does for the piece what the best one does.
func (o *Option) asGood(at int) bool {
	if len(o.Chances) != len(o.Indices) { // of a drill from before chances were kept
		return true
	}
	best := o.best()
	return math.Abs(InWords(o.Indices[at])-InWords(o.Indices[best])) <= alikeWords && o.Chances[at] >= o.Chances[best]-alikeChance
}

// callable is where a mix lies on the scale of words as far as anybody can call it: the words at its ends have no
// other end, and a truth at the very end could only ever be missed to one side.
func callable(words float64) float64 {
	return min(max(words, .5), float64(len(mix.SqueezeWords))-.5)
}

// Score is proper: who says how sure they are, and is as often right, scores the most on average (Brier 1950). 1
// is sure and right, 0 sure and wrong.
func (c *Call) Score() float64 {
	happened := 0.
	if c.Right {
		happened = 1
	}
	return 1 - (c.Sure-happened)*(c.Sure-happened)
}

// InWords is where an index lies on the scale of words: each word one wide.
func InWords(q float64) float64 {
	w := mix.WordFor(q)
	at := slices.Index(mix.SqueezeWords, w)
	from, to := mix.Between(w)
	if at == 0 {
		from = driest
	}
	if to = min(to, wettest); q >= to {
		return float64(at) + 1
	}
	return float64(at) + max(0, q-from)/(to-from)
}

// driest and wettest are where the scale of words ends, in index.
const driest, wettest = -.3, 1.3

// Scale is the scale that a squeeze is called on, in index.
func Scale() (from, to float64) { return driest, wettest }

// RightBetween are the values between which a call is right: indices for a squeeze and for where a mend leads,
// minutes on the heat; nothing where one of several is chosen.
func (d *Drill) RightBetween() (from, to float64) {
	switch d.Kind {
	case Squeeze:
		from, to = mix.Between(d.Word)
		return max(from, driest), min(to, wettest)
	case Mend:
		return d.Band.From, d.Band.To
	case Done:
		return d.Heat.right()
	}
	return 0, 0
}

// alikeK is how far the middle may be from its goal at a minute that is called right, K: a thermometer in
// a piece tells no more.
const alikeK = 2.

// right are the minutes at which the middle is as good as at its goal: so near in time that an unknown
// oven would explain it, or so near in degrees that nobody would taste it.
func (h *OnHeat) right() (from, to float64) {
	from, to = h.Minutes-h.Within, h.Minutes+h.Within
	for _, p := range append(slices.Clone(h.Curve), h.After...) {
		switch {
		case p.Minutes <= h.SeenMinutes || math.Abs(p.CoreCelsius-h.Target.Celsius) > alikeK:
		case p.Minutes < h.Minutes:
			from = min(from, p.Minutes)
		default:
			to = max(to, p.Minutes)
		}
	}
	return from, min(to, h.LastMinutes)
}
