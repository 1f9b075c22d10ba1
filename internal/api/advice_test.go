package api_test

import (
	"encoding/json"
	"net/url"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/recipe/ingredient"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

const lentils = `{"format":"cuerda-build/1","lines":[{"food":"red-lentils-cooked","grams":420},{"food":"carrot","grams":80},{"food":"salt","grams":5}],"rest":{"minutes":15}}`

func TestAdviceOverHTTP(t *testing.T) {
	t.Parallel()
	c := start(t)
	var bound wire.Answer
	_, text := c.do("POST", "/api/bind?replace=binders", lentils)
	require.NoError(t, json.Unmarshal(text, &bound))
	require.NotEmpty(t, bound.Suggest, string(text))
	_, text = c.do("POST", "/api/bind?foods=flax-meal,oats-rolled&aim=least-binder", lentils)
	require.NoError(t, json.Unmarshal(text, &bound))
	for _, w := range bound.Suggest {
		assert.EqualValues(t, "least-binder", w.Aim)
	}
	var mend wire.Mend
	_, text = c.do("POST", "/api/mend?felt=slack", lentils)
	require.NoError(t, json.Unmarshal(text, &mend))
	assert.Equal(t, "too-wet", mend.Verdict)
	var schools []wire.School
	_, text = c.do("POST", "/api/schools", lentils)
	require.NoError(t, json.Unmarshal(text, &schools))
	assert.NotEmpty(t, schools)
	for line, food := range map[string]string{"2 huevos": "egg", "1 cup oats": "oats-rolled", "nonsense": ""} {
		read := ask[ingredient.Reading](t, c, "GET", "/api/read-line?text="+url.QueryEscape(line), "")
		assert.Equal(t, food, read.First().Food, line)
	}

	c.problem(422, problem.BadRequest, "POST", "/api/mend?felt=lumpy", lentils)
	c.problem(422, problem.BadRequest, "POST", "/api/bind?aim=best", lentils)
	c.problem(422, problem.BadDocument, "POST", "/api/bind", `{"format":"cuerda-build/1","lines":[{"food":"x","grams":1}]}`)
	c.problem(422, "no-paste", "POST", "/api/mend?felt=firm", `{"format":"cuerda-build/1","lines":[{"food":"water","grams":1}]}`)
}

func TestAnOwnPackChangesThePrediction(t *testing.T) {
	t.Parallel()
	c := start(t)
	predict := func() (p wire.Prediction) {
		_, text := c.do("POST", "/api/predict", buildText("x", `{"food":"tofu-firm","grams":300,"prep":[{"do":"mash","level":1}]},{"food":"oats-rolled","grams":40}`))
		require.NoError(t, json.Unmarshal(text, &p))
		return p
	}
	before := predict()
	reply, text := c.do("PUT", "/api/pantry/tofu-firm", `{"food":"tofu-firm","have":true,"pack":{"fat":4,"carb":1,"fibre":0.2,"protein":8,"salt":0.1}}`)
	require.Equal(t, 200, reply.StatusCode, string(text))
	assert.Greater(t, *predict().Q, *before.Q, "a wetter pack")
	p := c.problem(422, problem.BadRequest, "PUT", "/api/pantry/tofu-firm", `{"food":"tofu-firm","have":true,"pack":{"fat":60,"carb":50,"fibre":0,"protein":8,"salt":0}}`)
	assert.Equal(t, "does-not-add-up", p.Errors[0].Code)
	c.problem(404, problem.NotFound, "PUT", "/api/pantry/moonbeams", `{"food":"moonbeams","have":true}`)
	_, _ = c.do("PUT", "/api/pantry/tofu-firm", `{"food":"tofu-firm","have":true}`)
	assert.Equal(t, *before.Q, *predict().Q, "and back")
}
