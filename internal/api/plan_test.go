package api_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/answer"
	"cuerda/internal/problem"
)

// A supper is planned in the kitchen of whoever asks, where it does not say its own.
func TestASupperIsPlannedInItsKitchen(t *testing.T) {
	t.Parallel()
	c := start(t)
	supper := `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","dishes":[{"name":"Squares","build":` + document("Squares", tofu+`,{"food":"chickpea-flour","grams":60}`) + `}]}`
	answered, text := c.do("POST", "/api/plan", supper)
	require.Equal(t, 200, answered.StatusCode, string(text))
	var plan answer.Plan
	require.NoError(t, json.Unmarshal(text, &plan))
	assert.True(t, plan.Proved)
	assert.Equal(t, "Squares", plan.Steps[0].Dish)
	assert.True(t, plan.Start.Before(plan.Steps[len(plan.Steps)-1].Start))

	c.problem(422, problem.BadSupper, "POST", "/api/plan", strings.Replace(supper, "tofu-firm", "moonbeams", 1))
	c.problem(422, problem.BadSupper, "POST", "/api/plan", `{"format":`)
	p := c.problem(422, problem.AtOdds, "POST", "/api/plan", strings.Replace(supper, `"dishes"`, `"kitchen":{"cooks":0},"dishes"`, 1))
	assert.Equal(t, "lacks-hands", p.Errors[0].Code)
}
