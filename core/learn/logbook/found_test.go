package logbook_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/core/learn/logbook"
)

func TestWhatCannotHaveBeenIsRefused(t *testing.T) {
	n := func(x float64) *float64 { return &x }
	two, three := 2, 3
	for field, f := range map[string]logbook.Found{
		"hold": {Hold: "maybe"}, "bite": {Bite: "chewy"}, "shaped": {Shaped: "odd"}, "browning": {Browning: "blue"},
		"squeeze": {Squeeze: "damp"}, "squeeze_fresh": {SqueezeFresh: "no-paste"},
		"off_at_minutes": {OffAtMinutes: n(-1)}, "core_celsius": {CoreCelsius: n(900)}, "oven_celsius": {OvenCelsius: n(math.NaN())},
		"before_g": {BeforeG: n(-5)}, "texture": {Texture: &three}, "pieces": {Pieces: 501},
		"broke": {Pieces: 4, Broke: &logbook.Broke{Turning: 3, Cutting: 2}}, "broke/lifting": {Broke: &logbook.Broke{Lifting: -1}},
		"photos": {Photos: make([]string, 7)}, "likings": {Likings: []logbook.Liking{{Eater: "crew", Liking: 6}}},
	} {
		err := f.Check()
		var wrong *logbook.WrongError
		require.ErrorAs(t, err, &wrong, field)
		assert.Equal(t, field, wrong.Field)
	}
	assert.NoError(t, (&logbook.Found{}).Check(), "everything may be left out")
	assert.NoError(t, (&logbook.Found{Hold: "held", Texture: &two, CoreCelsius: n(74)}).Check())
}

// Pieces are conserved: what comes through both stages is what came through the first less what broke in the
// second, and the word agrees with the count.
func TestCountsAddUp(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pieces := rapid.IntRange(1, 40).Draw(t, "pieces")
		left := pieces
		draw := func(name string) int {
			n := rapid.IntRange(0, left).Draw(t, name)
			left -= n
			return n
		}
		f := logbook.Found{Pieces: pieces, Broke: &logbook.Broke{Shaping: draw("shaping"), Turning: draw("turning"), Lifting: draw("lifting"), Cutting: draw("cutting")}}
		require.NoError(t, f.Check())
		raw, known := f.Raw()
		require.True(t, known)
		both, known := f.Both()
		require.True(t, known)
		if cooked, known := f.Cooked(); known {
			assert.Equal(t, raw.Held, cooked.Of)
			assert.Equal(t, both.Held, cooked.Held)
		} else {
			assert.Zero(t, raw.Held)
		}
		assert.Equal(t, left, both.Held)
		assert.Equal(t, left == pieces, f.Outcome() == logbook.Held)
		assert.Equal(t, 2*left < pieces, f.Outcome() == logbook.FellApart)
	})
	for word, want := range map[string]logbook.Outcome{"held": logbook.Held, "some-broke": logbook.SomeBroke, "fell-apart": logbook.FellApart, "": logbook.Unsaid} {
		assert.Equal(t, want, (&logbook.Found{Hold: word}).Outcome())
	}
}

func TestTrustIsToldWithItsError(t *testing.T) {
	var all []logbook.Said
	for range 30 {
		all = append(all, logbook.Said{Chance: .9, Count: logbook.Count{Held: 9, Of: 10}}, logbook.Said{Chance: .1, Count: logbook.Count{Held: 1, Of: 10}})
	}
	got := logbook.Reliability(all, .15)
	require.Len(t, got.Bins, 2)
	assert.False(t, got.TooFew)
	assert.InDelta(t, 0, got.Brier, 1e-12)
	for _, b := range got.Bins {
		assert.InDelta(t, b.Said, b.Happened, 1e-9)
		assert.Less(t, b.Low, b.Happened)
		assert.Greater(t, b.High, b.Happened)
		assert.Equal(t, 300, b.Pieces)
	}
	alone := logbook.Reliability(all, 0)
	assert.Less(t, alone.Bins[0].High-alone.Bins[0].Low, got.Bins[0].High-got.Bins[0].Low, "pieces that go together tell less")
	few := logbook.Reliability(all[:2], .15)
	assert.True(t, few.TooFew)
	assert.Empty(t, logbook.Reliability(nil, .15).Bins)
}
