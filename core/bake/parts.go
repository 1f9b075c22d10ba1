package bake

import (
	"cuerda/core/formula"
	"cuerda/core/heat"
	"cuerda/core/mix"
	"cuerda/core/piece"
)

// throughout is the composition of the piece with what is inside and around
// it, by mass. A vessel, a wrap and what is brushed on are too thin to count.
func (b *baking) throughout(own heat.Composition) heat.Composition {
	whole, mass := own.Times(b.state.Mass), b.state.Mass
	for i := range b.d.Parts {
		p := &b.d.Parts[i]
		if !p.Kind.Inside() && p.Kind != formula.Shell {
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

// partMinutes is the work on a part before it is needed, min: its longest
// preparation, mixing, its rest and its own time on the heat.
func (b *baking) partMinutes(p *formula.Part) float64 {
	longest := 0.0
	for i := range p.Lines {
		each := 0.0
		for _, prep := range p.Lines[i].Prep {
			each += max(prep.Minutes, 60*prep.Hours)
		}
		longest = max(longest, each)
	}
	return longest + partMix + p.RestAt(b.k.RoomCelsius).Minutes + p.CookMinutes
}

const (
	partMix   = 3. // min, kitchen practice
	brushOnce = 2. // min, to brush a tray
)

// partSteps adds the making of each part, which ends when it is needed, and
// the brushing on of a glaze or a wash. Steps already know when they begin.
func (b *baking) partSteps(steps []Step, out *Baked) []Step {
	at := func(code string) (before, minutes float64) {
		for i := range steps {
			if steps[i].Code == code {
				return steps[i].Before, steps[i].Minutes
			}
		}
		return 0, 0
	}
	shape, _ := at("shape")
	cook, cookMinutes := at("cook")
	for i := range b.d.Parts {
		p := &b.d.Parts[i]
		if len(p.Lines) == 0 {
			continue
		}
		needed := shape
		brush := -1.0
		switch {
		case !p.Kind.OnPiece():
			needed = 0
		case p.Kind.Brushed():
			switch p.WhenOrUsual() {
			case formula.FromStart:
				brush = cook + brushOnce
			case formula.HalfWay:
				brush = cook - cookMinutes/2
			default:
				brush = cook - cookMinutes + min(5, cookMinutes/4)
			}
			needed = brush
		}
		minutes := b.partMinutes(p)
		steps = append(steps, Step{Code: "make", Minutes: minutes, Before: needed + minutes, Hands: true, Beside: true, Times: 1, Part: i + 1})
		if brush >= 0 && out.PullAt != nil {
			steps = append(steps, Step{Code: "brush", Minutes: brushOnce, Before: brush, Hands: true, Beside: true, Times: 1, Part: i + 1})
		}
	}
	return steps
}
