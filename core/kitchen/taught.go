package kitchen

import (
	"math"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Taught is what the tries of a kitchen taught of it, as its predictions use it. What is
// nought or missing is as usual.
type Taught struct {
	// OvenOffset is what the oven really is less what it says, K.
	OvenOffset *float64 `json:"oven_offset_celsius,omitempty" minimum:"-60" maximum:"60"`
	// OvenTransfer and PanTransfer are natural logarithms of how well heat passes there, against
	// the figures of the kitchen.
	OvenTransfer float64 `json:"oven_transfer,omitempty" minimum:"-1" maximum:"1"`
	PanTransfer  float64 `json:"pan_transfer,omitempty" minimum:"-1.5" maximum:"1.5"`
	// AltitudeM is that which its boiling water tells of, m.
	AltitudeM *float64 `json:"altitude_m,omitempty" minimum:"-400" maximum:"5000"`
	// Scoop is the natural logarithm of how full its hands make pieces, against those planned.
	Scoop float64 `json:"scoop,omitempty" minimum:"-1" maximum:"1"`
	// Foods are deviations of its foods by their ID.
	Foods map[string]food.Deviation `json:"foods,omitempty"`
	// Own is what its tries add to the judge.
	Own *mix.Own `json:"own,omitempty"`
}

// Learned gives the kitchen with what its tries taught it. The kitchen itself stays as it is.
func (k *Kitchen) Learned(t *Taught) *Kitchen {
	if t == nil {
		return k
	}
	out := *k
	out.plain = k.Plain()
	if t.OvenOffset != nil {
		out.OvenOffset = min(max(*t.OvenOffset, -60), 60)
	}
	if t.AltitudeM != nil {
		out.AltitudeM = min(max(*t.AltitudeM, -400), 5000)
	}
	if t.OvenTransfer != 0 || t.PanTransfer != 0 {
		figures := *k.Parameters
		h, oven := &figures.Heat, math.Exp(t.OvenTransfer)
		for _, f := range []*float64{&h.StillOvenAir, &h.StillOvenWalls, &h.FanOvenAir, &h.FanOvenWalls, &h.Tin} {
			*f *= oven
		}
		h.HotPan *= math.Exp(t.PanTransfer)
		out.Parameters = &figures
	}
	out.Foods = k.Foods.Taught(t.Foods)
	out.Own, out.scoop = t.Own, t.Scoop
	return &out
}

// Plain gives the kitchen as its cooks told of it, without what it learned.
func (k *Kitchen) Plain() *Kitchen {
	if k.plain != nil {
		return k.plain
	}
	return k
}

// Yield shares a mix of so many grams out into pieces of that density, kg/m3, as full as the
// hands of this kitchen make them.
func (k *Kitchen) Yield(p *piece.Piece, grams, density float64) piece.Yield {
	return p.YieldOf(grams, k.PieceGrams(p, density))
}

// PieceGrams is what a piece weighs as the hands of this kitchen make it, g.
func (k *Kitchen) PieceGrams(p *piece.Piece, density float64) float64 {
	return p.Grams(density) * k.full(p)
}

// Fit is piece.Fit for the hands of this kitchen, which make pieces fuller or less full than planned: so many pieces,
// or pieces of so many grams, come out as asked.
func (k *Kitchen) Fit(p *piece.Piece, a piece.Aim, grams, density float64) (piece.Piece, error) {
	full := k.full(p)
	a.Grams /= full
	return p.Fit(a, grams/full, density)
}

// full is how full pieces are made, against those planned.
func (k *Kitchen) full(p *piece.Piece) float64 {
	if p.Scooped() {
		return math.Exp(k.scoop)
	}
	return 1
}
