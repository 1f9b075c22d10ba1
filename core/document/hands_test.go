package document_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

func TestMinutesInTheHandsAreReadAndRefused(t *testing.T) {
	with := func(mixing string) string {
		return strings.Replace(peaCakes, `"rest"`, `"mixing":`+mixing+`,"rest"`, 1)
	}
	d := read(t, with(`{"minutes":7}`))
	assert.Equal(t, 7., d.RestIn(kitchen.Usual()).Hands)
	text, err := json.Marshal(d)
	require.NoError(t, err)
	assert.Equal(t, d, read(t, string(text)), "it comes back as it went out")
	for bad, pointer := range map[string]string{
		`{"minutes":-1}`: "/mixing/minutes", `{"minutes":241}`: "/mixing/minutes", `{}`: "/mixing/minutes",
		`{"minutes":"7"}`: "/mixing/minutes", `{"minutes":7,"hours":1}`: "/mixing/hours", `7`: "/mixing",
	} {
		_, err := document.Read([]byte(with(bad)), foods)
		var faults document.Faults
		require.ErrorAs(t, err, &faults, bad)
		assert.Equal(t, pointer, faults[0].Pointer, bad)
	}
}

// Without a word the hands take as long as the steps: more for more pieces, and a mix that
// is longer in them has drunk more by the time it is shaped.
func TestHandsTakeAsLongAsTheSteps(t *testing.T) {
	few := read(t, peaCakes)
	assert.InDelta(t, document.MixMinutes(&parameter.Usual().Minutes, 827)+document.ShapeMinutes(&parameter.Usual().Minutes, piece.Patty, 8)/2, few.RestIn(kitchen.Usual()).Hands, 1)
	many := *few
	many.Piece = &piece.Piece{Kind: piece.Ball, DiameterMM: 20}
	assert.Greater(t, many.RestIn(kitchen.Usual()).Hands, few.RestIn(kitchen.Usual()).Hands+5)
	slow := *few
	slow.Mixing = &document.Mixing{Minutes: 40}
	assert.Less(t, *document.Predict(&slow, kitchen.Usual()).Q, *document.Predict(few, kitchen.Usual()).Q)
	enormous := *few
	enormous.Lines = append([]document.Line(nil), few.Lines...)
	enormous.Lines[0].Grams = 90000
	assert.LessOrEqual(t, enormous.RestIn(kitchen.Usual()).Hands, 120., "nobody shapes for longer at one go")
}

func TestWhatHoldingMeansGoesByThePiece(t *testing.T) {
	for kind, means := range map[piece.Kind]document.Means{
		piece.Patty: document.TurnAndLift, piece.Ball: document.TurnAndLift, piece.Shell: document.TurnAndLift, piece.Fritter: document.TurnAndLift,
		piece.Loaf: document.TinAndSlice, piece.Layered: document.TinAndSlice, piece.Stuffing: document.Spoon,
	} {
		assert.Equal(t, means, document.MeansOf(&piece.Piece{Kind: kind}), kind)
	}
	free := false
	assert.Equal(t, document.Slice, document.MeansOf(&piece.Piece{Kind: piece.Loaf, Tin: &free}), "shaped by hand on a tray")
}

// A chance comes with the range that builds as well known were found in, and says where
// hardly one like it is known.
func TestAChanceSaysHowSureItIs(t *testing.T) {
	known := document.Predict(read(t, withLines(`{"food":"turkey-ground","grams":500},{"food":"oats-quick","grams":40},{"food":"onion","grams":60},{"food":"salt","grams":7}`)), kitchen.Usual())
	strange := document.Predict(read(t, withLines(`{"food":"sugar","grams":300},{"food":"wheat-gluten","grams":300},{"food":"cream","grams":300}`)), kitchen.Usual())
	for _, p := range []document.Prediction{known, strange} {
		assert.Less(t, p.ChanceLow, p.Chance)
		assert.Greater(t, p.ChanceHigh, p.Chance)
	}
	assert.False(t, known.LittleKnown)
	assert.True(t, strange.LittleKnown)
	bare := document.Predict(read(t, withLines(`{"food":"olive-oil","grams":300}`)), kitchen.Usual())
	assert.False(t, bare.LittleKnown, "nothing to hold is well known")
	assert.Zero(t, bare.ChanceHigh)
}

// Loose grains are told that nothing joins them, though they are moist enough.
func TestLooseGrainsAreToldWhy(t *testing.T) {
	p := document.Predict(read(t, withLines(`{"food":"quinoa-cooked","grams":400},{"food":"flax-meal","grams":6},{"food":"salt","grams":4}`)), kitchen.Usual())
	assert.EqualValues(t, "crumbles", p.Word)
	assert.NotEqual(t, document.Holds, p.Verdict)
	assert.NotEmpty(t, reasonsOf(p))
}
