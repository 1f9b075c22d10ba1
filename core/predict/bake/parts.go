package bake

import (
	"cuerda/core/document"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// throughout is the composition of the piece with what is inside and around
// it, by mass. A vessel, a wrap and what is brushed on are too thin to count.
func (b *baking) throughout(own heat.Composition) heat.Composition {
	whole, mass := own.Times(b.state.Mass), b.state.Mass
	for i := range b.d.Parts {
		p := &b.d.Parts[i]
		if !p.Kind.Inside() && p.Kind != document.Shell {
			continue
		}
		parts := mix.Parts(p.MixLines(b.k.Foods))
		m := 0.0
		for j := range parts {
			m += parts[j].Mass
		}
		whole, mass = whole.Plus(heat.CompositionOf(parts).Times(m)), mass+m
	}
	if mass <= 0 {
		return own
	}
	return whole.Times(1 / mass)
}

// wall is how deep the mix itself lies below the surface where another part is
// inside it, m; 0 elsewhere.
func (b *baking) wall() float64 {
	inside := false
	for i := range b.d.Parts {
		inside = inside || b.d.Parts[i].Kind.Inside()
	}
	if !inside {
		return 0
	}
	switch b.piece.Kind {
	case piece.Shell:
		return b.piece.Wall() / 1000
	case piece.Layered:
		return (b.piece.HeightMM - b.piece.Middle()) / 2000
	}
	return 0
}
