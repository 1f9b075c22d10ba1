package bake_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/safety"
	"cuerda/core/predict/bake"
)

func reheated(t *testing.T, rest string, k *kitchen.Kitchen) bake.Reheated {
	t.Helper()
	d, err := document.Read([]byte(`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600},{"food":"rice-flour","grams":60}],`+rest+`}`), food.Starter())
	require.NoError(t, err)
	return bake.Reheat(d, k)
}

func TestHowPiecesComeBack(t *testing.T) {
	k := kitchen.Usual()
	ball := reheated(t, `"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190}`, k)
	assert.Equal(t, "oven", ball.Way)
	require.NotNil(t, ball.Minutes)
	// A ball of 38 mm from the fridge: kitchen practice says 15 to 25 min at 170 degC.
	assert.InDelta(t, 19, *ball.Minutes, 6)
	big := reheated(t, `"piece":{"kind":"ball","diameter_mm":60},"cook":{"method":"still-oven","celsius":190}`, k)
	assert.Greater(t, *big.Minutes, *ball.Minutes, "thicker takes longer")
	poached := reheated(t, `"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"simmer","celsius":95}`, k)
	assert.Equal(t, "simmer", poached.Way)
	assert.Less(t, *poached.Minutes, *ball.Minutes, "broth gives its heat faster than air")

	strict := kitchen.Usual()
	strict.Rule = safety.Rule{Guidance: safety.Own, OwnCelsius: 80}
	hotter := reheated(t, `"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190}`, strict)
	assert.Equal(t, 80., hotter.Target, "the kitchen's own rule, where it asks for more")
	assert.Greater(t, *hotter.Minutes, *ball.Minutes)
	high := kitchen.Usual()
	high.AltitudeM = 4500
	assert.Less(t, reheated(t, `"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"simmer","celsius":95}`, high).Celsius, 90., "water boils sooner up there")
}
