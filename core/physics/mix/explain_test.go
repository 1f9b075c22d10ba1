package mix_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/physics/mix"
)

// What the lines give adds up to the figures that AssessParts gives.
func TestTheExplanationAddsUp(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lines, rest := drawMix(t)
		parts := mix.Parts(lines)
		s := mix.AssessParts(parts, rest)
		d := rapid.SampledFrom(duties).Draw(t, "duty")
		e := mix.Explain(parts, rest, &d, 0)
		if !s.HasPaste {
			return
		}
		if q := (e.Water + 0.3*e.Oil - e.Plastic) / (e.Liquid - e.Plastic); q > mix.DriestIndex {
			assert.InDelta(t, s.Q, q, 1e-9*max(1, q))
		}
		cold, set := s.Effect.Cohesion()
		assert.Equal(t, []float64{cold, set}, []float64{e.Cohesion, e.Set})
		raw, cooked := 0.0, 0.0
		for i, l := range e.Lines {
			raw += l.RawPct
			cooked += l.CookedPct
			if parts[i].Food.ID == "water" {
				assert.GreaterOrEqual(t, l.Tenth.Q, s.Q-1e-9)
			}
		}
		if e.Cohesion > 0 {
			assert.InDelta(t, 100, raw, 1e-6)
		}
		if e.Set > 0 {
			assert.InDelta(t, 100, cooked, 1e-6)
		}
		judged := s.Effect.Judge(&d, 0)
		for _, r := range e.RawReasons {
			assert.True(t, r.Points <= 100*judged.Raw+1e-9 && r.Points >= 100*judged.Raw-100-1e-9, "%v of %v", r, judged.Raw)
		}
	})
}

// What is told first is what would change most: a wet mix is told that it is wet, one in
// which nothing sets that nothing does.
func TestTheWeightiestReasonIsTheOneThatIsWrong(t *testing.T) {
	first := func(text string, cooked bool) mix.Ground {
		e := mix.Explain(mix.Parts(lines(t, text)), mix.Rest{Minutes: 10, Celsius: 20, Hands: 6}, &duties[1], 0)
		if cooked {
			return e.CookedReasons[0]
		}
		return e.RawReasons[0]
	}
	wet := first(r3+"; water 300", false)
	assert.Equal(t, mix.TopicWet, wet.Topic)
	assert.Negative(t, wet.Points)
	bare := first("chickpeas-canned 400 mash 0.8; salt 5", true)
	assert.Contains(t, []mix.Topic{mix.TopicSets, mix.TopicGlue}, bare.Topic)
	assert.Negative(t, bare.Points)
}
