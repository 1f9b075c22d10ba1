package predict

import (
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Verdict sums a prediction up by its hold ratios: below 1, which is an even chance, a
// piece fails, from 1 to 1.5, or where it is too wet or too dry for its kind, it is
// marginal, above that, a chance of 7 in 10, it holds.
type Verdict string

// The verdicts.
const (
	Holds       Verdict = "holds"
	Marginal    Verdict = "marginal"
	FailsRaw    Verdict = "fails-raw"
	FailsCooked Verdict = "fails-cooked"
	FailsBoth   Verdict = "fails-both"
	Nothing     Verdict = "nothing" // nothing in the mix could hold
)

// Verdicts lists every verdict.
var Verdicts = []Verdict{Holds, Marginal, FailsRaw, FailsCooked, FailsBoth, Nothing}

// Saying is the one sentence on a build that every screen says: the verdict, or more closely how it stands.
type Saying string

// The sayings that are no verdict.
const (
	SaysWet    Saying = "wet"    // it would hold, and is wetter than its shape wants
	SaysDry    Saying = "dry"    // the same, drier
	SaysLikely Saying = "likely" // it holds, and not surely
)

// Sayings lists every saying.
var Sayings = []Saying{Saying(Holds), Saying(Marginal), Saying(FailsRaw), Saying(FailsCooked), Saying(FailsBoth), Saying(Nothing), SaysWet, SaysDry, SaysLikely}

// sureOf is the chance from which a build is plainly said to hold.
const sureOf = 0.85

func (p *Prediction) says() Saying {
	switch {
	case p.Verdict == Marginal && !p.InBand && p.RawRatio >= mix.SureRatio && p.CookedRatio >= mix.SureRatio && *p.FeltQ > p.Band.To:
		return SaysWet
	case p.Verdict == Marginal && !p.InBand && p.RawRatio >= mix.SureRatio && p.CookedRatio >= mix.SureRatio:
		return SaysDry
	case p.Verdict == Holds && p.Chance < sureOf:
		return SaysLikely
	}
	return Saying(p.Verdict)
}

// Means says what holding is for a piece.
type Means string

// What holding means: a piece is turned and lifted whole, a loaf sliced (in a tin it need
// only come together and not run before), and of a
// stuffing a spoonful is moist and together, neither soup nor crumbs.
const (
	TurnAndLift Means = "turn-and-lift"
	Slice       Means = "slice"
	TinAndSlice Means = "tin-and-slice"
	Spoon       Means = "spoon"
)

// MeansOf says what holding is for that piece.
func MeansOf(p *piece.Piece) Means {
	switch {
	case p.Kind == piece.Stuffing:
		return Spoon
	case p.InTin():
		return TinAndSlice
	case p.Kind.IsLoaf():
		return Slice
	}
	return TurnAndLift
}

func verdict(paste, inBand bool, raw, cooked float64) Verdict {
	switch {
	case !paste:
		return Nothing
	case raw < 1 && cooked < 1:
		return FailsBoth
	case raw < 1:
		return FailsRaw
	case cooked < 1:
		return FailsCooked
	case raw < mix.SureRatio || cooked < mix.SureRatio || !inBand:
		return Marginal
	}
	return Holds
}
