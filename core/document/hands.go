package document

import (
	"math"

	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

// usualDensity is kg/m3, where only a time hangs on it.
const usualDensity = 1050.

// MaxMixing is the longest that a mix is in hands, min.
const MaxMixing = 240.

// Mixing is how long hands mix, and shape until the middle piece is done.
type Mixing struct {
	Minutes float64 `json:"minutes" minimum:"0" maximum:"240"`
}

// MixMinutes is how long it takes to mix so many grams.
func MixMinutes(f *parameter.Minutes, grams float64) float64 {
	return f.Mix + f.MixKilo*math.Round(grams/1000)
}

// ShapeMinutes is how long it takes to shape n pieces.
func ShapeMinutes(f *parameter.Minutes, k piece.Kind, n int) float64 {
	switch k {
	case piece.Loaf, piece.Layered:
		return f.ShapeLoaf + f.ShapeLoafEach*float64(n)
	case piece.Shell:
		return f.ShapeShell + f.ShapeShellEach*float64(n)
	case piece.Patty, piece.Cylinder:
		return f.ShapePatty + f.ShapePattyEach*float64(n)
	case piece.Fritter:
		return f.ShapeFritter
	}
	return f.ShapeBall + f.ShapeBallEach*float64(n)
}

// handsMinutes is how long the mix is in hands before the middle piece is shaped:
// as the document says, or mixing and half of the shaping.
func (d *Document) handsMinutes(f *parameter.Minutes) float64 {
	if d.Mixing != nil {
		return d.Mixing.Minutes
	}
	grams := 0.
	for i := range d.Lines {
		grams += d.Lines[i].Grams
	}
	p := d.PieceOrDefault()
	n := p.Count
	if n == 0 {
		n = max(1, p.Yield(grams, usualDensity).Pieces)
	}
	return min(MixMinutes(f, grams)+ShapeMinutes(f, p.Kind, n)/2, f.HandsLongest)
}
