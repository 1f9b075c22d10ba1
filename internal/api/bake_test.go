package api_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/physics/safety"
	"cuerda/internal/api"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

const turkey = `{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600},{"food":"millet-flakes","grams":45},{"food":"salt","grams":8}],
	"rest":{"minutes":15},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190}}`

func TestHeatOverHTTP(t *testing.T) {
	t.Parallel()
	c := start(t)
	baked := func(query, document string) (b wire.Baked) {
		reply, text := c.do("POST", "/api/bake"+query, document)
		require.Equal(t, 200, reply.StatusCode, string(text))
		require.NoError(t, json.Unmarshal(text, &b))
		return b
	}
	plain := baked("", turkey)
	require.NotNil(t, plain.PullAt)
	assert.Nil(t, plain.Section)
	assert.EqualValues(t, 74, plain.Target.Celsius)
	assert.Equal(t, "poultry", string(plain.Target.Reason))
	assert.NotNil(t, baked("?section=true", turkey).Section)
	assert.Positive(t, baked("?now=1139", turkey).LateMinutes, "a minute before the table")

	cold := baked("", strings.Replace(turkey, `"celsius":190`, `"celsius":20`, 1))
	assert.Nil(t, cold.PullAt)
	assert.Equal(t, "target-above-surroundings", cold.Notes[0].Code)

	var outlook wire.Outlook
	_, text := c.do("POST", "/api/outlook", turkey)
	require.NoError(t, json.Unmarshal(text, &outlook))
	require.Len(t, outlook.WhatIf, 3)
	assert.Positive(t, outlook.WhatIf[0].More, "bigger takes longer")

	var fit api.Fit
	_, text = c.do("POST", "/api/fit?pieces=20", turkey)
	require.NoError(t, json.Unmarshal(text, &fit))
	assert.Equal(t, 20, fit.Yield.Pieces)
	for query, code := range map[string]string{"": "no-aim", "?ml=0.01": "piece-too-small", "?tin_length_mm=20&tin_width_mm=20&tin_height_mm=20": "no-loaf"} {
		c.problem(422, code, "POST", "/api/fit"+query, turkey)
	}
	c.problem(422, "empty-mix", "POST", "/api/fit?pieces=2", `{"format":"cuerda-build/1","lines":[]}`)
	c.problem(422, problem.BadRequest, "POST", "/api/bake?now=2000", turkey)
}

func TestTheOvensErrorIsKeptAndMovesTheMinutes(t *testing.T) {
	t.Parallel()
	c := start(t)
	minutes := func() float64 {
		var b wire.Baked
		_, text := c.do("POST", "/api/bake", turkey)
		require.NoError(t, json.Unmarshal(text, &b))
		return *b.MinutesToTarget
	}
	before := minutes()
	settings := kitchen.UsualSettings()
	settings.OvenOffset, settings.Racks = -20, 3
	text, err := json.Marshal(settings)
	require.NoError(t, err)
	reply, said := c.do("PUT", "/api/settings", string(text))
	require.Equal(t, 200, reply.StatusCode, string(said))
	assert.Greater(t, minutes(), before, "the oven is colder than it says")
	var kept kitchen.Settings
	_, said = c.do("GET", "/api/settings", "")
	require.NoError(t, json.Unmarshal(said, &kept))
	assert.Equal(t, settings, kept)

	settings.OvenOffset = 200
	text, _ = json.Marshal(settings)
	p := c.problem(422, problem.BadRequest, "PUT", "/api/settings", string(text))
	require.NotEmpty(t, p.Errors)
	assert.Contains(t, p.Errors[0].Pointer, "oven_offset_celsius")

	// An own rule needs its temperature.
	settings.OvenOffset, settings.Guidance, settings.OwnCelsius = 0, safety.Own, 0
	text, _ = json.Marshal(settings)
	p = c.problem(422, problem.BadRequest, "PUT", "/api/settings", string(text))
	require.Len(t, p.Errors, 1)
	assert.Equal(t, "/own_celsius", p.Errors[0].Pointer)
	assert.Equal(t, 55., *p.Errors[0].Min)
}

func TestAKitchensOwnFiguresMoveItsCord(t *testing.T) {
	t.Parallel()
	c := start(t)
	preheat := func() float64 {
		for _, s := range ask[wire.Baked](t, c, "POST", "/api/bake", turkey).Steps {
			if s.Code == "preheat" {
				return s.Minutes
			}
		}
		return 0
	}
	usual := preheat()
	settings := kitchen.UsualSettings()
	settings.Own = map[string]float64{"preheat": usual + 12, "drain": 0}
	text, err := json.Marshal(settings)
	require.NoError(t, err)
	reply, said := c.do("PUT", "/api/settings", string(text))
	require.Equal(t, 200, reply.StatusCode, string(said))
	assert.Equal(t, usual+12, preheat())
	for _, f := range ask[[]api.Figure](t, c, "GET", "/api/figures", "") {
		switch f.ID {
		case "preheat":
			assert.Equal(t, usual, f.Usual)
			assert.Equal(t, usual+12, f.Value)
		case "drain":
			assert.Zero(t, f.Value)
		default:
			assert.Equal(t, f.Usual, f.Value, f.ID)
		}
	}
	settings.Own["preheat"] = 1000
	text, _ = json.Marshal(settings)
	p := c.problem(422, problem.BadRequest, "PUT", "/api/settings", string(text))
	require.Len(t, p.Errors, 1)
	assert.Equal(t, "/figures/preheat", p.Errors[0].Pointer)
	assert.Equal(t, preheat(), usual+12, "what was refused changed nothing")
}
