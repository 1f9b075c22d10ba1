package kitchen_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

func TestAKitchenLearnsAndStaysWhatItsCooksTold(t *testing.T) {
	usual := kitchen.Usual()
	offset, metres := -8., 900.
	got := usual.Learned(&kitchen.Taught{
		OvenOffset: &offset, AltitudeM: &metres, OvenTransfer: math.Log(.9), PanTransfer: math.Log(1.2), Scoop: math.Log(1.1),
		Foods: map[string]food.Deviation{"flax-meal": {Drink: .2}}, Own: &mix.Own{Rough: -.2},
	})
	assert.InDelta(t, -8, got.OvenOffset, 1e-12)
	assert.InDelta(t, 900, got.AltitudeM, 1e-12)
	assert.InDelta(t, .9*usual.Parameters.Heat.FanOvenAir, got.Parameters.Heat.FanOvenAir, 1e-9)
	assert.InDelta(t, 1.2*usual.Parameters.Heat.HotPan, got.Parameters.Heat.HotPan, 1e-9)
	assert.Equal(t, usual.Parameters.Heat.Oil, got.Parameters.Heat.Oil, "only what was learned")
	assert.Greater(t, got.Foods.Find("flax-meal").Plastic, usual.Foods.Find("flax-meal").Plastic)
	patty, loaf := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}, piece.Piece{Kind: piece.Loaf, LengthMM: 200, WidthMM: 100, HeightMM: 60}
	assert.InDelta(t, 1.1*usual.PieceGrams(&patty, 1050), got.PieceGrams(&patty, 1050), 1e-9)
	assert.InDelta(t, usual.PieceGrams(&loaf, 1050), got.PieceGrams(&loaf, 1050), 1e-9, "a tin is as full as it is")
	assert.Less(t, got.Yield(&patty, 1000, 1050).Pieces, usual.Yield(&patty, 1000, 1050).Pieces)

	// What is asked of its hands comes out as asked: so many pieces, or pieces of so many grams.
	many, err := got.Fit(&patty, piece.Aim{Pieces: 12}, 1000, 1050)
	require.NoError(t, err)
	assert.Equal(t, 12, got.Yield(&many, 1000, 1050).Pieces)
	assert.Less(t, many.Volume(), patty.Volume())
	heavy, err := got.Fit(&patty, piece.Aim{Grams: 60}, 1000, 1050)
	require.NoError(t, err)
	assert.InDelta(t, 60, got.PieceGrams(&heavy, 1050), .1, "as sizes are rounded")

	assert.Same(t, usual, got.Plain())
	assert.Same(t, usual, usual.Learned(nil))
	assert.Zero(t, usual.OvenOffset, "the kitchen itself stays as it is")
	again, err := got.With(kitchen.PantryItem{Food: "flax-meal", Have: true})
	require.NoError(t, err)
	assert.True(t, again.Have("flax-meal"))
	assert.Equal(t, got.Parameters.Heat, again.Parameters.Heat, "another pantry forgets nothing")
	assert.Same(t, got.Own, again.Own)
	assert.Same(t, usual, again.Plain())
}

func TestAKitchenIsReadOfAFile(t *testing.T) {
	read := func(text string) (*kitchen.Kitchen, error) { return kitchen.ReadFile([]byte(text), food.Starter()) }
	for name, text := range map[string]string{
		"settings":              `{"oven_offset_celsius":-8}`,
		"among the figures":     `{"figures":{"oven_offset_celsius":-8}}`,
		"learned":               `{"learned":{"oven_offset_celsius":-8}}`,
		"the answer of a learn": `{"format":"cuerda-learned/1","figures":{},"kitchen":{"learned":{"oven_offset_celsius":-8}}}`,
	} {
		k, err := read(text)
		require.NoError(t, err, name)
		assert.InDelta(t, -8, k.OvenOffset, 1e-12, name)
		assert.Equal(t, kitchen.UsualSettings().FridgeCelsius, k.FridgeCelsius, name)
	}
	for name, text := range map[string]string{
		"no JSON": `{`, "an unknown field": `{"oven_ofset":1}`, "no oven is so": `{"oven_offset_celsius":200}`, "a figure that is none": `{"figures":{"moon":1}}`,
		"no try teaches that": `{"learned":{"scoop":9}}`, "nor that": `{"learned":{"foods":{"flax-meal":{"water":99}}}}`, "an own food like none": `{"own_foods":[{"id":"own-x","name":"x","like":"moon-dust"}]}`,
	} {
		_, err := read(text)
		assert.Error(t, err, name)
	}
}
