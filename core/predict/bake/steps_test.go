package bake_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/predict/bake"
)

func stepsOf(a bake.Baked) map[string]bake.Step {
	out := map[string]bake.Step{}
	for _, s := range a.Steps {
		out[s.Code] = s
	}
	return out
}

func TestEachBatchIsGrilled(t *testing.T) {
	const how = `"method": "still-oven", "celsius": 190`
	k := kitchen.Usual()
	k.Racks = 1
	k.TrayLengthMM, k.TrayWidthMM = 200, 200
	a := bake.Bake(parsed(t, turkeyBalls, how, how+`, "grill_minutes": 3`), k, bake.Options{Now: -1})
	require.Greater(t, a.Load.Batches, 1)
	at := stepsOf(a)
	grill, cook := at["grill"], at["cook"]
	assert.Equal(t, a.Load.Batches, grill.Times)
	assert.InDelta(t, 3, grill.Minutes, 0.1)
	assert.InDelta(t, *a.GrillFrom, cook.Before-grill.Before, 0.1, "the first batch goes under it after its minutes")
	assert.InDelta(t, float64(a.Load.Batches)**a.PullAt+2*float64(a.Load.Batches-1), cook.Minutes, 0.5)
}

func TestAGrillFromTheStartIsAGrill(t *testing.T) {
	// A minute under the grill is all that so thin a piece needs.
	a := baked(t, `"kind": "ball", "diameter_mm": 38`, `"kind": "patty", "diameter_mm": 60, "thickness_mm": 5`, `"celsius": 190}`, `"celsius": 190, "grill_minutes": 30}`)
	require.True(t, a.Reached)
	require.NotNil(t, a.GrillFrom)
	assert.Contains(t, stepsOf(a), "grill")
	none := baked(t)
	assert.Nil(t, none.GrillFrom)
	assert.NotContains(t, stepsOf(none), "grill")
}

func TestLateIsCountedToTheNextTable(t *testing.T) {
	first := baked(t).Steps[0].Before
	for _, c := range []struct {
		table     string
		now, late float64
	}{
		{"00:30", 24*60 + 30 - first + 2, 2}, // begun the evening before, two minutes ago
		{"00:30", 24*60 + 30 - first - 5, 0},
		{"19:30", 19*60 + 30 - first + 7, 7},
		{"19:30", 19*60 + 50, first + 20}, // the table waits
		{"19:30", 22 * 60, 0},             // for tomorrow
	} {
		a := bake.Bake(parsed(t, turkeyBalls, "19:30", c.table), kitchen.Usual(), bake.Options{Now: c.now})
		assert.InDelta(t, c.late, a.LateMinutes, 1, "table %s at minute %g", c.table, c.now)
	}
}

func TestPreparationsOverAgain(t *testing.T) {
	at := func(lines string) map[string]bake.Step {
		return stepsOf(baked(t, `{"food": "millet-flakes"`, lines+`, {"food": "millet-flakes"`))
	}
	twice := at(`{"food": "carrot", "grams": 100, "prep": [{"do": "saute", "minutes": 10}, {"do": "saute", "minutes": 10}]}`)
	assert.Equal(t, 20., twice["saute"].Minutes, "one line, one after the other")
	beside := at(`{"food": "carrot", "grams": 100, "prep": [{"do": "saute", "minutes": 8}]}`)
	assert.Equal(t, 10., beside["saute"].Minutes, "two lines in one pan take as long as the longer")
	over := at(`{"food": "red-lentils-cooked", "grams": 600, "prep": [{"do": "blitz", "level": 0.3}, {"do": "blitz", "level": 0.3}]}`)
	assert.Equal(t, 1, over["blitz"].Times, "600 g are one bowl, however often")
	assert.Equal(t, 4., over["blitz"].Minutes)
	assert.Equal(t, []int{2}, over["blitz"].Lines, "named once")
	mashed := at(`{"food": "red-lentils-cooked", "grams": 400, "prep": [{"do": "mash", "level": 0.8}]}`)
	assert.Equal(t, 3., mashed["mash"].Minutes)
}

func TestFromTheFreezerTheCordFreezes(t *testing.T) {
	d := parsed(t, turkeyBalls, `"celsius": 190}`, `"celsius": 190, "from": "freezer"}`)
	k := kitchen.Usual()
	a := bake.Bake(d, k, bake.Options{Now: -1})
	o := bake.Explore(d, k, nil)
	at := stepsOf(a)
	require.NotNil(t, a.Freeze)
	assert.Equal(t, *o.Freeze, *a.Freeze, "the page and the cord say one time")
	assert.Equal(t, *o.FromFrozen, *a.PullAt)
	assert.NotContains(t, at, "chill")
	assert.InDelta(t, *a.Freeze, at["freeze"].Minutes, 0.5)
	assert.InDelta(t, k.FreezerCelsius, a.StartCelsius, 1e-9)
	k.FreezerCelsius = -28
	colder := bake.Bake(d, k, bake.Options{Now: -1})
	assert.Less(t, *colder.Freeze, *a.Freeze, "the freezer is the kitchen's")
	assert.Greater(t, *colder.PullAt, *a.PullAt)
}
