package document

import (
	"math"

	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Shaped is what a mix is made into and how that is cooked.
type Shaped struct {
	Piece piece.Piece
	Cook  Cook
}

// leastFill is the share of the smallest tin below which a loaf stands free.
const leastFill = 0.5

// Reshape makes the mix of a document that Read has accepted into pieces of another
// kind: of that kind's usual size, in the number that the mix gives, cooked in its
// usual way; a loaf goes into the smallest tin that holds it. A target and where
// the pieces come from stay the cook's own. A mix of nothing keeps the usual size.
func Reshape(d *Document, kind piece.Kind, k *kitchen.Kitchen) Shaped {
	usual := kind.UsualMethod()
	celsius := usual.Row().Celsius
	out := Shaped{Piece: piece.Usual(kind), Cook: Cook{Method: usual, Celsius: &celsius}}
	if d.Cook != nil {
		out.Cook.TargetCelsius, out.Cook.StartCelsius, out.Cook.From = d.Cook.TargetCelsius, d.Cook.StartCelsius, d.Cook.From
	}
	parts := mix.Parts(d.MixLines(k.Foods))
	mass, density := mix.Sum(parts, mix.Rest{Celsius: k.RoomCelsius}).Mass, heat.CompositionOf(parts).Density()
	if mass <= 0 || kind == piece.Stuffing {
		return out
	}
	if kind.IsLoaf() {
		if p, ok := inUsualTin(out.Piece, mass, density); ok {
			out.Piece = p
			return out
		}
	}
	count := max(1, int(math.Round(mass/out.Piece.Grams(density))))
	if p, err := k.Fit(&out.Piece, piece.Aim{Pieces: count}, mass, density); err == nil {
		out.Piece = p
	}
	return out
}

// inUsualTin puts a loaf, or the fewest alike, into the smallest usual tin that
// takes the mix; false where so little would lie flat in any of them.
func inUsualTin(p piece.Piece, mass, density float64) (piece.Piece, bool) {
	for loaves := 1.; loaves <= 20; loaves++ {
		for i := range piece.Tins {
			tin := piece.Tins[i]
			fitted, err := p.Fit(piece.Aim{Tin: &tin}, mass/loaves, density)
			if err != nil || fitted.Grams(density) < 0.99*mass/loaves {
				continue
			}
			return fitted, fitted.Fill() >= leastFill
		}
	}
	return p, false
}
