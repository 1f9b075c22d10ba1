package document_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/document/documenttest"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

func TestColdsAndRestsKeepToWhatKitchensHave(t *testing.T) {
	empty := `{"format":"cuerda-build/1","lines":[]}`
	for field, good := range map[string]bool{
		`"rest":{"minutes":5,"celsius":0}`: true, `"rest":{"minutes":5,"celsius":60}`: true,
		`"rest":{"minutes":5,"celsius":-1}`: false, `"rest":{"minutes":5,"celsius":61}`: false,
		`"chill":{"minutes":5,"celsius":-30}`: true, `"chill":{"minutes":5,"celsius":15}`: true,
		`"chill":{"minutes":5,"celsius":-31}`: false, `"chill":{"minutes":5,"celsius":300}`: false,
		`"cook":{"method":"pan","sear_minutes":2}`: false, `"cook":{"method":"deep-oil","grill_minutes":2}`: false,
		`"cook":{"method":"simmer","grill_minutes":2}`: false, `"cook":{"method":"pan","sear_minutes":0}`: true,
		`"cook":{"method":"pan","grill_minutes":2}`: true, `"cook":{"method":"simmer","sear_minutes":2}`: true,
		`"cook":{"method":"pan","from":"freezer"}`: true, `"cook":{"method":"pan","from":"attic"}`: false,
		`"hand":{"word":"slack","water_g":20}`: true, `"hand":{"word":"soggy","water_g":20}`: false, `"hand":{"word":"slack"}`: false,
	} {
		_, err := document.Read([]byte(documenttest.With(empty, field)), foods)
		assert.Equal(t, good, err == nil, "%s: %v", field, err)
	}
}

func TestAnotherShapeComesWithItsSizeNumberAndHeat(t *testing.T) {
	d := documenttest.Read(t, documenttest.PeaCakes)
	d.Cook = &document.Cook{Method: method.Pan}
	for _, kind := range piece.Kinds {
		got := document.Reshape(d, kind, kitchen.Usual())
		next := *d
		next.Piece, next.Cook = &got.Piece, &got.Cook
		p := predict.Predict(&next, kitchen.Usual())
		assert.Equal(t, kind, got.Piece.Kind)
		assert.Equal(t, kind.UsualMethod(), got.Cook.Method)
		require.NotNil(t, got.Cook.Celsius)
		if kind == piece.Stuffing {
			continue
		}
		assert.GreaterOrEqual(t, p.Pieces, 1, "%s: at least one of %.0f g of %.0f g", kind, p.PieceG, p.MassG)
		assert.InDelta(t, p.MassG, float64(p.Pieces)*p.PieceG, 0.03*p.MassG+1, "%s: all of the mix", kind)
		assert.LessOrEqual(t, got.Piece.Fill(), piece.FillLimit+0.01)
	}
	loaf := document.Reshape(d, piece.Loaf, kitchen.Usual())
	assert.True(t, loaf.Piece.InTin())
	assert.Equal(t, method.StillOven, loaf.Cook.Method)
	assert.GreaterOrEqual(t, loaf.Piece.Fill(), 0.5, fmt.Sprint(loaf.Piece))
}
