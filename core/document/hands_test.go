package document_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/document/documenttest"
	"cuerda/core/kitchen"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

func TestMinutesInTheHandsAreReadAndRefused(t *testing.T) {
	with := func(mixing string) string {
		return strings.Replace(documenttest.PeaCakes, `"rest"`, `"mixing":`+mixing+`,"rest"`, 1)
	}
	d := documenttest.Read(t, with(`{"minutes":7}`))
	assert.Equal(t, 7., d.RestIn(kitchen.Usual()).Hands)
	text, err := json.Marshal(d)
	require.NoError(t, err)
	assert.Equal(t, d, documenttest.Read(t, string(text)), "it comes back as it went out")
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
	few := documenttest.Read(t, documenttest.PeaCakes)
	assert.InDelta(t, document.MixMinutes(&parameter.Usual().Minutes, 827)+document.ShapeMinutes(&parameter.Usual().Minutes, piece.Patty, 8)/2, few.RestIn(kitchen.Usual()).Hands, 1)
	many := *few
	many.Piece = &piece.Piece{Kind: piece.Ball, DiameterMM: 20}
	assert.Greater(t, many.RestIn(kitchen.Usual()).Hands, few.RestIn(kitchen.Usual()).Hands+5)
	slow := *few
	slow.Mixing = &document.Mixing{Minutes: 40}
	assert.Less(t, *predict.Predict(&slow, kitchen.Usual()).Q, *predict.Predict(few, kitchen.Usual()).Q)
	enormous := *few
	enormous.Lines = append([]document.Line(nil), few.Lines...)
	enormous.Lines[0].Grams = 90000
	assert.LessOrEqual(t, enormous.RestIn(kitchen.Usual()).Hands, 120., "nobody shapes for longer at one go")
}
