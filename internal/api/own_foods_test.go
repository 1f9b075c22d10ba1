package api_test

import (
	"encoding/json"
	"net/url"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/internal/api"
	"cuerda/internal/export"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// get reads an answer of 200 into v.
func (c *client) get(path string, v any) {
	c.t.Helper()
	reply, text := c.do("GET", path, "")
	require.Equal(c.t, 200, reply.StatusCode, "%s: %s", path, text)
	require.NoError(c.t, json.Unmarshal(text, v))
}

func TestFoodsOfTheKitchensOwn(t *testing.T) {
	t.Parallel()
	c := start(t)
	reply, text := c.do("POST", "/api/own-foods", `{"name":"Mill teff ","like":"teff-flour","label":{"fat":3,"carb":64,"fibre":8,"protein":13,"salt":0.1},"allergens":["gluten"]}`)
	require.Equal(t, 201, reply.StatusCode, string(text))
	var made api.Food
	require.NoError(t, json.Unmarshal(text, &made))
	assert.Equal(t, []string{"own-mill-teff", "Mill teff", "teff-flour", "contains"}, []string{made.ID, made.Name, made.Own, made.Gluten})
	// It is a food like any other: predicted, kept, found by its name, priced.
	b, _ := c.build("POST", "/api/builds", buildText("With teff", tofu+`,{"food":"own-mill-teff","grams":30}`))
	assert.Len(t, b.Prediction.Lines, 2)
	var list []api.Entry
	c.get("/api/builds?q=mill+teff", &list)
	assert.Len(t, list, 1)
	_, text = c.do("PUT", "/api/pantry/own-mill-teff", `{"food":"own-mill-teff","have":true,"per_kilo":7}`)
	assert.Contains(t, string(text), `"per_kilo":7`)
	second, _ := c.do("POST", "/api/own-foods", `{"name":"Mill teff","like":"teff-flour"}`)
	assert.Equal(t, 201, second.StatusCode, "a name may stand twice, an ID not")

	for body, pointer := range map[string]string{
		`{"name":"x","like":"moonbeams"}`:                                                        "/like",
		`{"name":" ","like":"salt"}`:                                                             "/name",
		`{"name":"x","like":"salt","allergens":["dust"]}`:                                        "/allergens/0",
		`{"name":"x","like":"salt","label":{"fat":60,"carb":60,"fibre":0,"protein":0,"salt":0}}`: "/label",
	} {
		p := c.problem(422, problem.BadRequest, "POST", "/api/own-foods", body)
		assert.Equal(t, pointer, p.Errors[0].Pointer, body)
	}
	gone, _ := c.do("DELETE", "/api/own-foods/own-mill-teff", "")
	assert.Equal(t, 204, gone.StatusCode)
	c.problem(404, problem.NotFound, "DELETE", "/api/own-foods/own-nothing", "")
	again, _ := c.build("GET", "/api/builds/"+b.ID, "")
	assert.Len(t, again.Prediction.Lines, 2, "builds keep what is gone")
	var foods []api.Food
	c.get("/api/foods", &foods)
	for _, f := range foods {
		assert.Equal(t, f.ID == "own-mill-teff", f.Gone, f.ID)
	}
}

func TestALabelIsReadForWhatItIsReadFor(t *testing.T) {
	t.Parallel()
	c := start(t)
	p := c.problem(422, problem.BadRequest, "PUT", "/api/pantry/gf-crumbs", `{"food":"gf-crumbs","have":true,"label_read":["dust"]}`)
	assert.Equal(t, "/label_read/0", p.Errors[0].Pointer)
	body := buildText("x", tofu+`,{"food":"quinoa-flakes","grams":20},{"food":"oats-rolled","grams":20}`)
	body = body[:len(body)-1] + `,"eaters":{"avoid":["gluten","milk"]}}`
	oats := func() (status string, notes []string) {
		_, text := c.do("POST", "/api/predict", body)
		var got wire.Prediction
		require.NoError(t, json.Unmarshal(text, &got))
		for _, n := range got.Notes {
			notes = append(notes, n.Code)
		}
		return string(got.Lines[2].Check.Status), notes
	}
	status, notes := oats()
	assert.Equal(t, "label", status)
	assert.Contains(t, notes, "certified-gf-oats")
	_, _ = c.do("PUT", "/api/pantry/oats-rolled", `{"food":"oats-rolled","have":true,"label_read":["gluten"]}`)
	status, notes = oats()
	assert.Equal(t, "clear", status)
	assert.NotContains(t, notes, "certified-gf-oats", "it does not ask for what was read")
}

func TestAmountsShapesSittingsAndThePage(t *testing.T) {
	t.Parallel()
	c := start(t)
	var weighed api.Weighed
	c.get("/api/grams?food=oats-rolled&amount="+url.QueryEscape("2 cups"), &weighed)
	assert.InDelta(t, 180, weighed.Grams, 30)
	c.problem(422, "no-weight", "GET", "/api/grams?food=oats-rolled&amount=two+moons", "")
	c.problem(404, problem.NotFound, "GET", "/api/grams?food=moons&amount=2+cups", "")

	_, text := c.do("POST", "/api/reshape?kind=loaf", buildText("x", tofu))
	var shaped wire.Shaped
	require.NoError(t, json.Unmarshal(text, &shaped))
	assert.Equal(t, []any{piece.Loaf, method.StillOven}, []any{shaped.Piece.Kind, shaped.Cook.Method})

	b, tag := c.build("POST", "/api/builds", buildText("Squares", tofu))
	path := "/api/builds/" + b.ID
	for _, grams := range []string{"10", "12", "15"} {
		_, tag = c.build("PUT", path, buildText("Squares", tofu+`,{"food":"potato-starch","grams":`+grams+`}`), "If-Match", tag)
	}
	_, _ = c.do("PUT", path+"/versions/4/label", `{"label":"as it was fried"}`)
	_, _ = c.build("PUT", path, buildText("Squares", tofu), "If-Match", tag)
	var sittings []api.Sitting
	c.get(path+"/sittings", &sittings)
	require.Len(t, sittings, 2, "a label ends a sitting")
	assert.Equal(t, []int{5, 5, 4, 1}, []int{sittings[0].Number, sittings[0].First, sittings[1].Number, sittings[1].First})
	assert.Equal(t, []wire.Change{{Kind: "removed", Food: "potato-starch", Was: 15}}, sittings[0].Changes)
	assert.True(t, sittings[1].Began)
	assert.Equal(t, "as it was fried", sittings[1].Label)
	var older []api.Sitting
	c.get(path+"/sittings?before=5&limit=1", &older)
	assert.Equal(t, 4, older[0].Number)

	var page export.Page
	c.get(path+"/page?language=es", &page)
	assert.NotEmpty(t, page.Pieces)
	assert.Equal(t, "A la mesa.", page.Steps[len(page.Steps)-1].Text)
}
