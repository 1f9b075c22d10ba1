package mix_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/mix"
)

// What the lines give adds up to the figures that AssessParts gives.
func TestTheExplanationAddsUp(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest := drawMix(t)
		parts := mix.Parts(lines)
		s := mix.AssessParts(parts, rest)
		e := mix.Explain(parts, rest)
		if !s.HasPaste {
			return
		}
		if q := (e.Water + 0.3*e.Oil - e.Plastic) / (e.Liquid - e.Plastic); q > mix.DriestIndex {
			assert.InDelta(t, s.Q, q, 1e-9*max(1, q))
		}
		sum := mix.Sum(parts, rest)
		assert.InEpsilon(t, s.Raw+1e-9, e.Continuity*e.RawWindow*100/s.Mass*sum.GlueCold+1e-9, 1e-6)
		assert.InEpsilon(t, s.Cooked+1e-9, 4*e.Continuity*e.CookedWindow*100/s.Mass*sum.GlueHot+1e-9, 1e-6)
		raw, cooked := 0.0, 0.0
		for i, l := range e.Lines {
			raw += l.RawPct
			cooked += l.CookedPct
			if parts[i].Food.ID == "water" {
				assert.GreaterOrEqual(t, l.Tenth.Q, s.Q-1e-9)
			}
		}
		if s.Raw > 0 {
			assert.InDelta(t, 100, raw, 1e-6)
		}
		if s.Cooked > 0 {
			assert.InDelta(t, 100, cooked, 1e-6)
		}
	})
}
