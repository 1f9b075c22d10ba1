package mix

import "math"

// Own is what the tries of a kitchen add to the judge: how its hands move pieces, and what
// became of mixes there beyond what the model says. It is shared and must not be changed.
type Own struct {
	// Rough is the natural logarithm of how roughly its hands move and turn raw pieces,
	// against usual ones: what pieces need is that many times as much.
	Rough float64 `json:"rough,omitempty"`
	// Kin are mixes that were cooked there, OwnKinMost at most.
	Kin []OwnKin `json:"kin,omitempty"`
}

// OwnKinMost is how many mixes of its own a kitchen is judged by.
const OwnKinMost = 60

// OwnKin is a mix that was cooked in a kitchen, and what it adds to the logarithms of the odds of
// a mix that is just like it, in spreads of what is not known of that mix.
type OwnKin struct {
	Like        Likeness `json:"like"`
	Raw, Cooked float64
	// Settled is the share, 0..1, of what was not known of it that tries have settled.
	Settled float64 `json:"settled"`
	// Less is what is taken from the logarithms of the odds of that very mix, 0 and up: after more of
	// it broke than was said, it is not said to be surer.
	Less float64 `json:"less,omitempty"`
}

// thisMix is the power of likeness by which Less fades: of a mix that is nine tenths alike a third is
// left, of one that is two thirds alike nothing.
const thisMix = 12

// add gives what the kitchen adds to the logarithms of the odds of a mix whose spread is
// sd, and the spread that its tries leave. A Gaussian process whose deviation at each mix is the
// model's own spread there (Rasmussen and Williams 2006, section 4.2.4, eq. 4.27: a process times
// a known function).
func (o *Own) add(d *Duty, l *Likeness, sd float64) (raw, cooked, left float64) {
	if o == nil {
		return 0, 0, sd
	}
	if d.Moved() {
		raw = -oddsPerHold * o.Rough
	}
	settled := 0.
	for i := range o.Kin {
		k := &o.Kin[i]
		alike := l.Alike(&k.Like)
		raw += sd * alike * k.Raw
		cooked += sd * alike * k.Cooked
		settled = max(settled, alike*alike*k.Settled)
		if k.Less > 0 {
			less := k.Less * math.Pow(max(alike, 0), thisMix)
			raw, cooked = raw-less, cooked-less
		}
	}
	return raw, cooked, sd * math.Sqrt(1-min(settled, .99))
}

// Expect is what the judge of the model alone says of a mix at a duty: the logarithms of the odds
// that it holds raw and cooked, the index that a hand feels, where it lies among other mixes, and
// one standard deviation of the odds. Without a paste ok is false.
func (e *Effect) Expect(d *Duty, coldness float64) (x Expected, ok bool) {
	if !e.HasPaste() {
		return Expected{}, false
	}
	v := e.Evidence(d, coldness)
	j := Judges()
	kin := j.kin.add(&v.Like)
	raw, cooked := j.evidenceOf(&v, kin.raw, kin.cooked)
	return Expected{Raw: raw, Cooked: cooked, Felt: j.Felt(&v), Like: v.Like, SD: spread(kin.near), Moved: d.Moved()}, true
}

// Expected is what is expected of a mix before a kitchen's own tries count: the logarithms of its odds, the index that a
// hand feels, what it is like, and how sure that is.
type Expected struct {
	Raw, Cooked, Felt float64
	Like              Likeness
	SD                float64
	// Moved says whether hands form and move its raw pieces.
	Moved bool
}

// RoughOdds is what the logarithm of the odds of a raw piece loses for each unit of Own.Rough.
const RoughOdds = oddsPerHold

// Surest keeps the logarithm of the odds where judgement can speak of them.
func Surest(z float64) float64 { return surest * math.Tanh(z/surest) }
