package piece

import (
	"errors"
	"math"
)

// Aim is what a cook goes by when choosing the size of a piece; exactly one is
// given.
type Aim struct {
	// Pieces in all; the mix is shared out among them.
	Pieces int `json:"pieces,omitempty" minimum:"1" maximum:"2000"`
	// Grams of mix in one piece.
	Grams float64 `json:"grams,omitempty" minimum:"0.5" maximum:"100000"`
	// Millilitres of mix in one piece, such as a scoop's.
	Millilitres float64 `json:"ml,omitempty" minimum:"0.5" maximum:"100000"`
	// Tin that a loaf is to fill.
	Tin *Tin `json:"tin,omitempty"`
}

// The ways a size cannot be had.
var (
	ErrNoAim    = errors.New("one of pieces, grams, ml and tin")
	ErrNoMix    = errors.New("there is no mix to share out")
	ErrTooSmall = errors.New("a piece would be smaller than can be shaped")
	ErrTooBig   = errors.New("a piece would be bigger than can be handled")
	ErrNoLoaf   = errors.New("only a loaf goes by its tin")
)

const leastMM, mostMM = 5., 600.

// Fit gives the piece in the size the aim asks for, of a mix of so many grams
// and that density (kg/m3).
func (p *Piece) Fit(a Aim, mix, density float64) (Piece, error) {
	given := 0
	for _, is := range []bool{a.Pieces > 0, a.Grams > 0, a.Millilitres > 0, a.Tin != nil} {
		if is {
			given++
		}
	}
	if given != 1 {
		return Piece{}, ErrNoAim
	}
	volume := a.Millilitres * 1e-6
	switch {
	case a.Pieces > 0:
		if mix <= 0 {
			return Piece{}, ErrNoMix
		}
		volume = mix / float64(a.Pieces) / density / 1000
	case a.Grams > 0:
		volume = a.Grams / density / 1000
	case a.Tin != nil:
		return p.inTin(*a.Tin, mix/density/1000)
	}
	return p.withVolume(volume)
}

// withVolume sizes the piece: a ball and a half-vessel in all directions; flat
// ones keep their thickness, rolls and loaves their thickness and footprint,
// unless that would make them tall and thin.
func (p *Piece) withVolume(v float64) (Piece, error) {
	out := *p
	switch p.Kind {
	case Ball:
		out.DiameterMM = 1000 * math.Cbrt(6*v/math.Pi)
	case Patty, Fritter:
		out.DiameterMM = 1000 * math.Sqrt(4*v/math.Pi/(p.ThicknessMM/1000))
		if out.DiameterMM < 2*p.ThicknessMM { // no flat piece any more: thinner
			out.DiameterMM = 1000 * math.Cbrt(8*v/math.Pi)
			out.ThicknessMM = out.DiameterMM / 2
		}
	case Cylinder:
		out.LengthMM = 1000 * v / disc(p.DiameterMM/1000, 1)
		if out.LengthMM < 1.5*p.DiameterMM {
			out.DiameterMM = 1000 * math.Cbrt(4*v/math.Pi/1.5)
			out.LengthMM = 1.5 * out.DiameterMM
		}
	case Loaf, Layered:
		if out.TinHeightMM == 0 && !out.InTin() {
			k := math.Cbrt(v / max(p.Volume(), 1e-9))
			out.LengthMM, out.WidthMM = k*p.LengthMM, k*p.WidthMM
			out.HeightMM = k * p.HeightMM
			out.MiddleMM = k * p.MiddleMM
			break
		}
		out.HeightMM = 1e9*v/(p.LengthMM*p.WidthMM) + p.Middle()
	default: // a shell and a half-vessel grow in all directions
		if p.Kind == Stuffing && p.DiameterMM == 0 {
			out = HalfVessel
		}
		from := out
		low, high := 0.0, 100.0
		for range 60 {
			k := (low + high) / 2
			out.DiameterMM, out.ThicknessMM, out.HeightMM = k*from.DiameterMM, k*from.ThicknessMM, k*from.HeightMM
			if out.Volume() < v {
				low = k
			} else {
				high = k
			}
		}
	}
	return out, out.tidy()
}

// inTin lets a loaf fill a tin with that much mix, m3, to FillLimit at most;
// what is left over makes a second loaf or other pieces.
func (p *Piece) inTin(t Tin, mix float64) (Piece, error) {
	if !p.Kind.IsLoaf() {
		return Piece{}, ErrNoLoaf
	}
	out := *p
	out.LengthMM, out.WidthMM, out.TinHeightMM = t.LengthMM, t.WidthMM, t.HeightMM
	in := true
	out.Tin = &in
	out.HeightMM = min(FillLimit*t.HeightMM, 1e9*mix/(t.LengthMM*t.WidthMM)+out.Middle())
	return out, out.tidy()
}

// tidy rounds sizes down, finely enough for the number of pieces to stand, and
// checks them.
func (p *Piece) tidy() error {
	for _, s := range p.Kind.Sizes() {
		at := p.at(s.Field)
		if *at == 0 {
			continue
		}
		*at = math.Floor(*at*100+1e-6) / 100
		switch {
		case *at < leastMM || math.IsNaN(*at):
			return ErrTooSmall
		case *at > mostMM:
			return ErrTooBig
		}
	}
	return nil
}

// Yield is what a whole mix comes to.
type Yield struct {
	Pieces int
	PieceG float64
	// RemainderG is left over, and Remainder what to do with it: none, share it out (or make the one
	// piece larger), shape one small piece, or a piece more than half the size.
	RemainderG float64
	Remainder  string
	// ShareG is what each piece weighs once the remainder is shared out.
	ShareG float64
}

// Yield shares a mix of so many grams out into pieces of that density, kg/m3. A
// mix smaller than one piece yields none.
func (p *Piece) Yield(mix, density float64) Yield { return p.YieldOf(mix, p.Grams(density)) }

// Scooped says whether hands or a scoop share it out, one by one.
func (p *Piece) Scooped() bool { return !p.Kind.IsLoaf() && p.Kind != Stuffing }

// YieldOf is Yield into pieces of so many grams each.
func (p *Piece) YieldOf(mix, each float64) Yield {
	y := Yield{PieceG: each, Remainder: "none"}
	if each <= 0 || mix <= 0 {
		return y
	}
	y.Pieces = int(mix/each + 0.02)
	y.RemainderG = max(0, mix-float64(y.Pieces)*each)
	share := y.RemainderG / each
	switch {
	case y.RemainderG < 1 || share < 0.02:
		y.RemainderG = 0
	case y.Pieces == 1 && share <= 0.08:
		y.Remainder, y.ShareG = "larger", mix
	case y.Pieces > 0 && share/float64(y.Pieces) <= 0.08:
		y.Remainder, y.ShareG = "share-out", mix/float64(y.Pieces)
	case share < 0.5:
		y.Remainder = "one-small"
	default:
		y.Remainder = "nearly-one"
	}
	return y
}

// Fill is how much of its tin a loaf fills; 0 where the tin's depth is not known.
func (p *Piece) Fill() float64 {
	if !p.InTin() || p.TinHeightMM <= 0 {
		return 0
	}
	return p.HeightMM / p.TinHeightMM
}

// UsualFill is how much a loaf would fill the usual tin that is nearest to its length and width, where
// its own is not said to be so deep; 0 where it is, or where it stands free.
func (p *Piece) UsualFill() float64 {
	if !p.InTin() || p.TinHeightMM > 0 {
		return 0
	}
	far := func(t Tin) float64 {
		return math.Abs(math.Log(t.LengthMM/p.LengthMM)) + math.Abs(math.Log(t.WidthMM/p.WidthMM))
	}
	nearest := Tins[0]
	for _, t := range Tins {
		if far(t) < far(nearest) {
			nearest = t
		}
	}
	return p.HeightMM / nearest.HeightMM
}
