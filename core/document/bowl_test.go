package document_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

func with(text, field string) string {
	return strings.Replace(text, `"lines"`, field+`,"lines"`, 1)
}

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
		_, err := document.Read([]byte(with(empty, field)), foods)
		assert.Equal(t, good, err == nil, "%s: %v", field, err)
	}
}

func TestWhatTheHandSaidStaysTrueOfTheBowl(t *testing.T) {
	d := read(t, peaCakes)
	model := document.Predict(d, kitchen.Usual())
	d.Hand = &document.Hand{Word: mix.Slack, WaterG: 60}
	wet := document.Predict(d, kitchen.Usual())
	assert.Greater(t, *wet.Q, *model.Q+0.2)
	assert.Equal(t, model.MassG, wet.MassG, "what was felt weighs nothing")
	d.Lines = append(d.Lines, document.Line{Food: "psyllium-husk", Grams: 4})
	mended := document.Predict(d, kitchen.Usual())
	d.Hand = nil
	forgotten := document.Predict(d, kitchen.Usual())
	assert.Less(t, *mended.Q, *wet.Q)
	assert.Greater(t, *mended.Q, *forgotten.Q+0.1, "a spoonful does not make the hand forget")
}

func TestNothingHoldsOutsideItsBand(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := read(t, peaCakes)
		d.Lines = append(d.Lines, document.Line{Food: "water", Grams: rapid.Float64Range(1, 250).Draw(t, "water")})
		d.Piece = &piece.Piece{Kind: rapid.SampledFrom(piece.Kinds).Draw(t, "kind")}
		*d.Piece = piece.Usual(d.Piece.Kind)
		p := document.Predict(d, kitchen.Usual())
		if p.Verdict == document.Holds {
			assert.True(t, p.InBand, "too wet or too dry for a %s is no plain yes", d.Piece.Kind)
		}
	})
}

func TestAnotherShapeComesWithItsSizeNumberAndHeat(t *testing.T) {
	d := read(t, peaCakes)
	d.Cook = &document.Cook{Method: piece.Pan}
	for _, kind := range piece.Kinds {
		got := document.Reshape(d, kind, kitchen.Usual())
		next := *d
		next.Piece, next.Cook = &got.Piece, &got.Cook
		p := document.Predict(&next, kitchen.Usual())
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
	assert.Equal(t, piece.StillOven, loaf.Cook.Method)
	assert.GreaterOrEqual(t, loaf.Piece.Fill(), 0.5, fmt.Sprint(loaf.Piece))
}

func TestRoomAndFreezerAreTheKitchens(t *testing.T) {
	k := kitchen.Usual()
	k.RoomCelsius, k.FreezerCelsius, k.FridgeCelsius = 30, -25, 8
	d := read(t, with(peaCakes, `"chill":{"minutes":600}`))
	assert.InDelta(t, 8, *document.Predict(d, k).ChilledCelsius, 0.2, "the fridge it has")
	d.Cook = &document.Cook{Method: piece.Pan, From: document.FromFreezer}
	assert.Equal(t, -25., *document.Predict(d, k).ChilledCelsius)
	d.Cook.From = document.FromRoom
	assert.Nil(t, document.Predict(d, k).ChilledCelsius, "what stands in the room is not chilled")
	d = read(t, strings.Replace(peaCakes, `"celsius":20`, `"celsius":20`, 1))
	d.Rest = &document.Wait{Minutes: 10}
	warm := document.Predict(d, k)
	assert.Less(t, *warm.Q, *document.Predict(d, kitchen.Usual()).Q, "a warm kitchen hydrates sooner")
}
