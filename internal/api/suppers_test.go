package api_test

import (
	"encoding/json"
	"net/http"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// get asks for something that is to be there, and reads it.
func get[T any](c *client, method, path, body string, headers ...string) T {
	c.t.Helper()
	answered, text := c.do(method, path, body, headers...)
	require.Less(c.t, answered.StatusCode, 300, string(text))
	var out T
	require.NoError(c.t, json.Unmarshal(text, &out))
	return out
}

// The club's supper: five dishes of which two or more share the oven, a soak that begins long before, and boxes for
// the day after.
func TestTheClubsSupper(t *testing.T) {
	t.Parallel()
	c := start(t)
	list := get[[]api.SupperEntry](c, "GET", "/api/suppers", "")
	require.Len(t, list, 1)
	assert.Equal(t, "Friday supper", list[0].Name)
	kept := get[api.KeptSupper](c, "GET", "/api/suppers/"+list[0].ID, "")
	require.Len(t, kept.Document.Dishes, 5)
	text, err := json.Marshal(kept.Document)
	require.NoError(t, err)

	plan := get[wire.Plan](c, "POST", "/api/plan", string(text))
	assert.True(t, plan.Proved)
	assert.NotEmpty(t, plan.Shared, "the loaf and the balls bake at the heat of the roots")
	heats, dishes := map[float64]bool{}, map[string]bool{}
	for _, s := range plan.Steps {
		if s.Oven != nil {
			heats[s.Oven.Celsius], dishes[s.Dish] = true, true
		}
	}
	assert.Len(t, heats, 1)
	assert.Greater(t, len(dishes), 1)
	assert.Greater(t, plan.Begin.Sub(plan.Start).Hours(), 6., "the soak begins by itself, long before anyone cooks")

	look := get[wire.SupperLook](c, "POST", "/api/supper/look", string(text))
	require.Len(t, look.People, 5)
	for _, p := range look.People {
		assert.True(t, p.Full && p.Main, p.Name)
	}
	require.Len(t, look.Boxes, 1)
	assert.Equal(t, 12, look.Boxes[0].Pieces)
	assert.NotEmpty(t, look.Contact)

	answered, events := c.do("GET", "/api/suppers/"+list[0].ID+"/export?format=ics&language=es", "")
	require.Equal(t, 200, answered.StatusCode)
	assert.Contains(t, answered.Header.Get("Content-Disposition"), ".ics")
	assert.Contains(t, string(events), "Sofreír")
	_, values := c.do("GET", "/api/suppers/"+list[0].ID+"/export?format=csv", "")
	assert.Contains(t, string(values), ",Blitz,")
	_, document := c.do("GET", "/api/suppers/"+list[0].ID+"/export?format=document", "")
	again := get[wire.Plan](c, "POST", "/api/plan", string(document))
	assert.Equal(t, plan.Start.Unix(), again.Start.Unix())
	spanish := get[api.KeptSupper](c, "GET", "/api/suppers/"+list[0].ID, "", "Accept-Language", "es")
	assert.Equal(t, list[0].Name, spanish.Document.Name, "as it is kept: the page says it in its own words")
}

func TestASupperIsKept(t *testing.T) {
	t.Parallel()
	c := start(t)
	const begun = `{"format":"cuerda-supper/1","name":"New","table":"2026-11-27T19:00:00+01:00","dishes":[]}`
	made := get[api.KeptSupper](c, "POST", "/api/suppers", begun)
	path := "/api/suppers/" + made.ID
	roots := strings.Replace(begun, `[]`, `[{"name":"Roots","steps":[{"name":"roast","minutes":30,"oven":{"celsius":200}}]}]`, 1)
	c.problem(428, problem.NeedsIfMatch, "PUT", path, roots)
	saved := get[api.KeptSupper](c, "PUT", path, roots, "If-Match", `"1"`)
	assert.Equal(t, 2, saved.Version)
	p := c.problem(412, problem.Changed, "PUT", path, begun, "If-Match", `"1"`)
	assert.Equal(t, 2, p.Current)
	c.problem(422, problem.BadSupper, "PUT", path, strings.Replace(roots, `"minutes":30`, `"minuets":30`, 1), "If-Match", `"2"`)
	c.problem(422, problem.BadSupper, "PUT", path, strings.Replace(roots, `"steps"`, `"foods":[{"food":"moonbeams","grams":3}],"steps"`, 1), "If-Match", `"2"`)
	c.problem(422, problem.BadSupper, "PUT", path, strings.Replace(roots, `"dishes"`, `"eaters":{"people":[{"count":1,"avoid":["noise"]}]},"dishes"`, 1), "If-Match", `"2"`)
	answered, _ := c.do("DELETE", path, "")
	assert.Equal(t, http.StatusNoContent, answered.StatusCode)
	c.problem(410, "deleted", "GET", path, "")
	assert.Equal(t, 2, get[api.KeptSupper](c, "POST", path+"/restore", "").Version)
	c.problem(404, problem.NotFound, "GET", "/api/suppers/00000000-0000-4000-8000-000000000000", "")
}

// The supper goes out with the kitchen, and comes back into another.
func TestASupperGoesWithItsKitchen(t *testing.T) {
	t.Parallel()
	from, to := start(t), startElsewhere(t)
	_, zip := from.do("GET", "/api/archive", "")
	theirs := get[[]api.SupperEntry](to, "GET", "/api/suppers", "")
	for _, s := range theirs {
		to.do("DELETE", "/api/suppers/"+s.ID, "")
	}
	took := get[map[string]int](to, "POST", "/api/archive", string(zip), "Content-Type", "application/zip")
	assert.Equal(t, 1, took["suppers"])
	here := get[[]api.SupperEntry](to, "GET", "/api/suppers", "")
	require.Len(t, here, 1)
	mine := get[[]api.SupperEntry](from, "GET", "/api/suppers", "")
	assert.Equal(t, mine[0].ID, here[0].ID)
	assert.Equal(t, get[api.KeptSupper](from, "GET", "/api/suppers/"+mine[0].ID, "").Document, get[api.KeptSupper](to, "GET", "/api/suppers/"+mine[0].ID, "").Document)
	again := get[map[string]int](to, "POST", "/api/archive", string(zip), "Content-Type", "application/zip")
	assert.Zero(t, again["suppers"])
}

func TestSidesInWords(t *testing.T) {
	t.Parallel()
	c := start(t)
	few, many := get[[]api.Side](c, "GET", "/api/sides?people=2", ""), get[[]api.Side](c, "GET", "/api/sides?people=40", "")
	require.NotEmpty(t, few)
	require.Len(t, many, len(few))
	for i := range few {
		assert.Greater(t, many[i].Foods[0].Grams, few[i].Foods[0].Grams)
	}
	read := get[api.ReadSide](c, "POST", "/api/sides/read", `{"text":"cortar 10, asar 25 a 200, cantar"}`, "Accept-Language", "es")
	require.Len(t, read.Steps, 2)
	assert.Equal(t, []string{"cantar"}, read.Odd)
	steps, err := json.Marshal(read.Steps)
	require.NoError(t, err)
	assert.Equal(t, "cut 10, roast 25 at 200", get[api.ReadSide](c, "POST", "/api/sides/read", `{"steps":`+string(steps)+`}`).Text)
}

// The foods of a side are read from its words, and with them it is checked against the table; of words
// that name none it is said that nobody checked them.
func TestTheFoodsOfASideAreReadFromItsWords(t *testing.T) {
	t.Parallel()
	c := start(t)
	read := get[api.ReadSide](c, "POST", "/api/sides/read", `{"text":"cut 10, gratin 25 at 200, toss in butter"}`)
	foods := []string{}
	for _, f := range read.Foods {
		foods = append(foods, f.Food)
	}
	assert.Contains(t, foods, "butter")
}

// One pin that cannot be held is named, with why; the plan beside it is the one without.
func TestAPinThatCannotBeHeldLeavesAPlan(t *testing.T) {
	t.Parallel()
	c := start(t)
	supper := `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","dishes":[{"name":"Salad","steps":[{"name":"Wash","minutes":10,"hands":1}]}],` +
		`"pins":[{"dish":"Salad","step":"Wash","start":"2026-11-27T18:59:00+01:00"}]}`
	c.problem(422, problem.BadSupper, "POST", "/api/plan", supper)
	plan := get[wire.Plan](c, "POST", "/api/plan?loose=true", supper)
	require.Len(t, plan.Unheld, 1)
	assert.Equal(t, "past-table", plan.Unheld[0].Code)
	assert.Len(t, plan.Steps, 1)
}

func BenchmarkPlanWhileAKnotMoves(b *testing.B) {
	c := start(b)
	list := get[[]api.SupperEntry](c, "GET", "/api/suppers", "")
	text, err := json.Marshal(get[api.KeptSupper](c, "GET", "/api/suppers/"+list[0].ID, "").Document)
	require.NoError(b, err)
	for b.Loop() {
		if answered, _ := c.do("POST", "/api/plan?quick=true", string(text)); answered.StatusCode != 200 {
			b.Fatal(answered.Status)
		}
	}
}
