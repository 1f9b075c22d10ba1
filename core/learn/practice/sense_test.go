package practice

import (
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

// holds checks a drill against the model, worked out anew.
func holds(t *testing.T, d *Drill, k *kitchen.Kitchen) {
	t.Helper()
	p := predict.Predict(&d.Document, k)
	for _, n := range p.Notes {
		assert.NotEqual(t, "over-limit", n.Code)
	}
	assert.Contains(t, []int{1, 2, 3}, d.Level)
	if d.Kind != Binder { // whose mix is shown without what binds it
		assert.Less(t, p.QSD, mostUnsureSD)
		assert.Equal(t, d.Word, p.Word)
	}
	mark := func(a Answer) Call {
		t.Helper()
		a.Sure = 1
		c, err := d.Mark(a)
		require.NoError(t, err)
		return c
	}
	switch d.Kind {
	case Squeeze:
		sure, lead := d.sureOf()
		assert.GreaterOrEqual(t, sure, leastSure)
		assert.GreaterOrEqual(t, lead, leastLead)
		index := min(max(d.Index, driest), wettest)
		right := mark(Answer{Index: index})
		assert.True(t, right.Right)
		assert.LessOrEqual(t, math.Abs(right.Off), .5, "half a word at the ends of the scale, nothing between them")
	case Mend:
		assert.False(t, p.InBand)
		o := &d.Options[d.Answer]
		in := int(math.Round(o.BestGrams / StepGrams))
		assert.True(t, d.Band.Holds(o.Indices[in]), "the best amount is in the band")
		next := d.Document
		next.Lines = append(slices.Clone(d.Document.Lines), document.Line{Food: o.Food, Grams: StepGrams * float64(in)})
		assert.True(t, predict.Predict(&next, k).InBand, "an amount mends it")
		right, none := mark(Answer{Choice: d.Answer, Grams: StepGrams * float64(in)}), mark(Answer{Choice: d.Answer})
		assert.True(t, right.Right)
		assert.Zero(t, right.Off)
		assert.False(t, none.Right, "nothing mends nothing")
		assert.NotZero(t, none.Off)
	case Done:
		h := d.Heat
		assert.Less(t, h.SeenMinutes+2*h.Within, h.Minutes+1e-9)
		assert.LessOrEqual(t, h.Curve[len(h.Curve)-1].Minutes, h.SeenMinutes)
		assert.True(t, mark(Answer{Minutes: h.Minutes}).Right)
		assert.False(t, mark(Answer{Minutes: h.SeenMinutes}).Right)
		assert.Len(t, h.Section.Frames, 1)
	default:
		require.GreaterOrEqual(t, len(d.Options), 2)
		least := map[Kind]float64{Binder: apart / 2, Pair: apart, Amiss: apart, Why: causesApart}[d.Kind]
		for i := range d.Options {
			assert.Equal(t, i == d.Answer, mark(Answer{Choice: i}).Right)
			if i != d.Answer && !d.Options[i].Refused {
				assert.GreaterOrEqual(t, d.Options[d.Answer].Chance-d.Options[i].Chance, least-1e-9)
			}
		}
		assert.False(t, d.Options[d.Answer].Refused)
	}
	switch d.Kind {
	case Pair:
		assert.InDelta(t, predict.Predict(d.Other, k).Chance, d.Options[1].Chance, 1e-9)
	case Amiss:
		said := &d.Options[d.Answer]
		if said.Code != OffEarly {
			assert.Equal(t, d.Skill, faultOf(said.Code), "its fault is what the skill is about")
		}
		for i := range d.Options {
			o := &d.Options[i]
			bound := slices.ContainsFunc(d.Document.Lines, func(l document.Line) bool { return k.Foods.Find(l.Food).Group.IsBinder() })
			assert.False(t, o.Code == NoBinder && bound, "what is said of the plan is so")
		}
		if d.Off != nil {
			core, ok := bake.CoreAfter(&d.Document, k, d.Off.Minutes, nil)
			assert.True(t, ok)
			assert.Less(t, core, d.Off.Target.Celsius-5)
		}
	case Why:
		again := learn.Why(&learn.Try{Document: &d.Document, Found: &d.Record.Found}, &d.Record.Planned, k)
		assert.Equal(t, *d.Options[d.Answer].Cause, again[0], "what the Logbook says of it")
	}
}
