package api_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// A supper is planned in the kitchen of whoever asks, where it does not say its own.
func TestASupperIsPlannedInItsKitchen(t *testing.T) {
	t.Parallel()
	c := start(t)
	supper := `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","dishes":[{"name":"Squares","build":` + buildText("Squares", tofu+`,{"food":"chickpea-flour","grams":60}`) + `}]}`
	answered, text := c.do("POST", "/api/plan", supper)
	require.Equal(t, 200, answered.StatusCode, string(text))
	var plan wire.Plan
	require.NoError(t, json.Unmarshal(text, &plan))
	assert.True(t, plan.Proved)
	assert.Equal(t, "Squares", plan.Steps[0].Dish)
	assert.True(t, plan.Start.Before(plan.Steps[len(plan.Steps)-1].Start))

	c.problem(422, problem.BadSupper, "POST", "/api/plan", strings.Replace(supper, "tofu-firm", "moonbeams", 1))
	c.problem(422, problem.BadSupper, "POST", "/api/plan", `{"format":`)
	p := c.problem(422, problem.AtOdds, "POST", "/api/plan", strings.Replace(supper, `"dishes"`, `"kitchen":{"cooks":0},"dishes"`, 1))
	assert.Equal(t, "lacks-hands", p.Errors[0].Code)
}

// Each aim says what it is the best in, and its distance from what could be better; no other does.
func TestEachAimSaysHowGoodItsPlanIs(t *testing.T) {
	t.Parallel()
	c := start(t)
	fry := `{"name":"NAME","steps":[{"name":"Fry","minutes":10,"hands":1,"pans":1,"burners":1},{"name":"Keep","minutes":5,"after":[{"step":"Fry","least":0,"most":0}]}],"ready":{"least":0,"most":30}}`
	roast := `{"name":"Roots","steps":[{"name":"Cut","minutes":8,"hands":1},{"name":"Roast","minutes":30,"oven":{"celsius":200,"racks":1},"after":[{"step":"Cut","least":0}]}]}`
	text := `{"format":"cuerda-supper/1","aim":"AIM","table":"2026-11-27T19:00:00+01:00","kitchen":{"cooks":1,"burners":2,"pans":2,"ovens":[{"id":"oven","racks":2,"heat_up_minutes":15}]},"dishes":[` +
		strings.Replace(fry, "NAME", "Corn", 1) + "," + strings.Replace(fry, "NAME", "Peas", 1) + "," + roast + `]}`
	plans := map[string]wire.Plan{}
	for _, aim := range []string{"latest-start", "one-cook", "quiet-end", "day-before", "least-oven"} {
		p := decode[wire.Plan](c, "POST", "/api/plan", strings.Replace(text, "AIM", aim, 1))
		plans[aim] = p
		assert.Equal(t, aim, p.Aim)
		assert.True(t, p.Proved, aim)
		assert.Equal(t, aim == "least-oven", p.OvenBound != nil, aim)
		assert.Equal(t, aim == "quiet-end" || aim == "day-before", p.Late != nil && p.LateBound != nil, aim)
	}
	// One of the two that are fried can be done half an hour before, by one cook: the other is late in any plan.
	assert.Equal(t, 10, *plans["quiet-end"].Late)
	assert.Equal(t, 10, *plans["quiet-end"].LateBound)
	// Cutting alone can be done the evening before.
	assert.Equal(t, 20, *plans["day-before"].Late)
	assert.Equal(t, 30, plans["least-oven"].Oven)
	for aim, p := range plans {
		assert.False(t, p.Start.After(plans["latest-start"].Start), "%s begins no later than the latest start", aim)
	}
}
