package document

import (
	"math"

	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// A loaf is as it is written while the mix is at least so much of it, and at most so much more: what a
// cook would not see.
const (
	leastOfLoaf = 0.98
	mostOfLoaf  = 1.08
)

// PieceIn gives the piece as the mix makes it in that kitchen, parts being those of its lines. Where so
// many pieces are asked for, so many come out, and their size follows the mix. A loaf stays one loaf, or
// as many as were made: its height follows, whatever is taken out or put in. What cannot be made so
// stays as it is written.
func (d *Document) PieceIn(k *kitchen.Kitchen, parts []mix.Part) piece.Piece {
	p := d.PieceOrDefault()
	if p.Count == 0 && !p.Kind.IsLoaf() {
		return p
	}
	mass := 0.
	for i := range parts {
		mass += parts[i].Mass
	}
	if mass <= 0 {
		return p
	}
	density := heat.CompositionOf(parts).Density()
	count := p.Count
	if count == 0 {
		each := k.PieceGrams(&p, density)
		if each <= 0 {
			return p
		}
		count = max(1, int(math.Round(mass/each)))
		if of := mass / (float64(count) * each); of >= leastOfLoaf && of <= mostOfLoaf {
			return p
		}
	}
	fitted, err := k.Fit(&p, piece.Aim{Pieces: count}, mass, density)
	if err != nil {
		return p
	}
	return fitted
}

// PieceMade is PieceIn for a caller that has not prepared the lines of the mix.
func (d *Document) PieceMade(k *kitchen.Kitchen) piece.Piece {
	if p := d.PieceOrDefault(); p.Count == 0 && !p.Kind.IsLoaf() {
		return p
	}
	return d.PieceIn(k, mix.Parts(d.MixLines(k.Foods)))
}
