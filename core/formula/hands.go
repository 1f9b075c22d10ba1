package formula

import (
	"math"

	"cuerda/core/piece"
)

// Minutes of hands that no document gives: kitchen practice.
const (
	mixMinutes   = 4.    // and one more for each kilo
	mostHands    = 120.  // more than two hours of shaping nobody does at one go
	usualDensity = 1050. // kg/m3, where only a time hangs on it
)

// MaxMixing is the longest that a mix is in hands, min.
const MaxMixing = 240.

// Mixing is how long hands mix, and shape until the middle piece is done.
type Mixing struct {
	Minutes float64 `json:"minutes" minimum:"0" maximum:"240"`
}

// MixMinutes is how long it takes to mix so many grams.
func MixMinutes(grams float64) float64 { return mixMinutes + math.Round(grams/1000) }

// ShapeMinutes is how long it takes to shape n pieces.
func ShapeMinutes(k piece.Kind, n int) float64 {
	switch k {
	case piece.Loaf, piece.Layered:
		return 4 + 2*float64(n)
	case piece.Shell:
		return 2 + 1.2*float64(n)
	case piece.Patty, piece.Cylinder:
		return 1 + 0.5*float64(n)
	case piece.Fritter:
		return 1
	}
	return 1 + 0.4*float64(n)
}

// handsMinutes is how long the mix is in hands before the middle piece is shaped:
// as the document says, or mixing and half of the shaping.
func (d *Document) handsMinutes() float64 {
	if d.Mixing != nil {
		return d.Mixing.Minutes
	}
	grams := 0.
	for i := range d.Lines {
		grams += d.Lines[i].Grams
	}
	p := d.PieceOrDefault()
	n := max(1, p.Yield(grams, usualDensity).Pieces)
	return min(MixMinutes(grams)+ShapeMinutes(p.Kind, n)/2, mostHands)
}
