package api_test

import (
	"encoding/json"
	"fmt"
	"math"
	"net/url"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/recipe"
	"cuerda/core/recipe/layout"
	"cuerda/internal/api"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

func ask[T any](t testing.TB, c *client, method, path, body string) (out T) {
	t.Helper()
	reply, text := c.do(method, path, body)
	require.Less(t, reply.StatusCode, 300, string(text))
	require.NoError(t, json.Unmarshal(text, &out))
	return out
}

const cakes = `{"format":"cuerda-build/1","name":"Bean cakes","portions":4,"lines":[{"food":"black-beans-canned","grams":430,"prep":[{"do":"blitz","level":0.5}]},{"food":"flax-meal","grams":16},{"food":"salt","grams":5}],
	"rest":{"minutes":15},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"},"parts":[{"kind":"sauce","lines":[{"food":"tomato-passata","grams":180}],"cook_minutes":10}]}`

func TestADishOverHTTP(t *testing.T) {
	t.Parallel()
	c := start(t)
	got := ask[wire.Dish](t, c, "POST", "/api/dish", cakes)
	assert.Equal(t, 180., got.Parts[0].NeedG)
	assert.Positive(t, got.Piece.Facts.KCal)
	part := ask[document.Part](t, c, "POST", "/api/parts/start?kind=glaze", cakes)
	assert.EqualValues(t, "glaze", part.Kind)
	assert.NotEmpty(t, part.Lines)
	c.problem(422, problem.BadRequest, "POST", "/api/parts/start?kind=icing", cakes)
	assert.Equal(t, 180., ask[document.Part](t, c, "POST", "/api/parts/fit?part=1", strings.Replace(cakes, `"grams":180`, `"grams":20`, 1)).Lines[0].Grams)
	c.problem(422, problem.BadRequest, "POST", "/api/parts/fit?part=2", cakes)

	scaled := ask[api.Scaling](t, c, "POST", "/api/scale?portions=8", cakes)
	assert.Equal(t, 1, scaled.Bowls)
	assert.Equal(t, 860., scaled.Document.Lines[0].Grams)
	assert.Equal(t, 4, scaled.Shop[0].Count, "cans of 400 g, drained 240")
	assert.Equal(t, 4, ask[api.Scaling](t, c, "POST", "/api/scale?portions=32", cakes).Bowls, "of a kilo each")
	as := ask[api.Scaling](t, c, "POST", "/api/scale", cakes)
	assert.Equal(t, 1., as.Factor)
	c.problem(422, "not-there", "POST", "/api/scale?food=tofu-firm&grams=100", cakes)
	c.problem(422, "no-loaf", "POST", "/api/scale?tin_length_mm=200&tin_width_mm=100&tin_height_mm=60", cakes)
	c.problem(422, "no-aim", "POST", "/api/scale?pieces=3&portions=2", cakes)

	why := ask[api.Explained](t, c, "POST", "/api/explain", cakes)
	assert.InDelta(t, *why.Q, (why.Water+0.3*why.Oil-why.Plastic)/(why.Liquid-why.Plastic), 0.01)
	for _, l := range why.Lines {
		assert.LessOrEqual(t, math.Abs(l.Tenth.Raw-why.Raw), math.Abs(why.Lines[why.LeverRaw].Tenth.Raw-why.Raw)+0.002, "nothing moves it more than the lever")
	}

	felt := ask[api.Explained](t, c, "POST", "/api/explain", strings.Replace(cakes, `"lines"`, `"hand":{"word":"slack","water_g":90},"lines"`, 1))
	require.Len(t, felt.Lines, len(why.Lines)+1, "what the hand felt stands on its own")
	assert.Equal(t, "", felt.Foods[len(why.Lines)])
	assert.InDelta(t, why.Water+90, felt.Water, 0.2)
	for _, lever := range []int{felt.LeverQ, felt.LeverRaw, felt.LeverCooked} {
		assert.Less(t, lever, len(why.Lines), "a lever is a food")
	}
}

func TestVersionsAreNamedComparedAndBranched(t *testing.T) {
	t.Parallel()
	c := start(t)
	b, _ := c.build("POST", "/api/builds", cakes)
	at := "/api/builds/" + b.ID
	_, _ = c.build("PUT", at, strings.Replace(cakes, `"grams":16`, `"grams":24`, 1), "If-Match", `"1"`)
	reply, text := c.do("PUT", at+"/versions/1/label", `{"label":" too wet "}`)
	require.Equal(t, 204, reply.StatusCode, string(text))
	list := ask[[]api.Version](t, c, "GET", at+"/versions?named=true", "")
	require.Len(t, list, 1)
	assert.Equal(t, "too wet", list[0].Label)
	c.problem(404, problem.NotFound, "PUT", at+"/versions/9/label", `{"label":"x"}`)
	c.problem(422, problem.BadRequest, "PUT", at+"/versions/1/label", `{"label":"a\u0000b"}`)

	got := ask[wire.Comparison](t, c, "GET", at+"/compare?from=1&to=2", "")
	assert.Equal(t, []wire.Change{{Kind: "grams", Food: "flax-meal", Was: 16, Now: 24}}, got.Changes)
	assert.Less(t, *got.After.Q, *got.Before.Q)
	c.problem(404, problem.NotFound, "GET", at+"/compare?from=1&to=7", "")

	try := ask[api.Build](t, c, "POST", at+"/versions/1/branch", `{"name":"Bean cakes, less flax"}`)
	require.NotNil(t, try.From)
	assert.Equal(t, api.Origin{ID: b.ID, Name: "Bean cakes", Version: 1}, *try.From)
	assert.Equal(t, 16., try.Document.Lines[1].Grams)
	with := ask[wire.Comparison](t, c, "GET", fmt.Sprintf("%s/compare?from=2&to=1&with=%s", at, try.ID), "")
	assert.Equal(t, "/name", with.Settings[0].Field)

	found := ask[[]api.Entry](t, c, "GET", "/api/builds?q="+url.QueryEscape("linaza mol"), "")
	var names []string
	for _, f := range found {
		names = append(names, f.Name)
	}
	assert.Subset(t, names, []string{"Bean cakes", "Bean cakes, less flax"}, "by a food in it, in Spanish")
	assert.NotContains(t, names, "Lamb and red-lentil koftas")
}

func TestRecipesComeInAndBuildsGoOut(t *testing.T) {
	t.Parallel()
	c := start(t)
	page := `<html><script type="application/ld+json">{"@type":"Recipe","name":"Balls","recipeYield":"4","recipeIngredient":["500 g ground turkey","60 g oats"]}</script></html>`
	got := ask[api.Recipe](t, c, "POST", "/api/read-recipe", page)
	assert.Equal(t, recipe.Page, got.Kind)
	assert.Equal(t, "turkey-ground", got.Lines[0].Items[0].Food)
	assert.Equal(t, 500., got.Draft.Document.Lines[0].Grams, "the build it becomes")
	assert.Nil(t, got.Document)
	c.problem(422, "no-amounts", "POST", "/api/read-recipe", `{"@type":"Recipe","name":"x"}`)
	c.problem(422, "no-recipe", "POST", "/api/read-recipe", `{"a":1}`)
	c.problem(422, document.CodeBadJSON, "POST", "/api/read-recipe", `{"a":`)
	c.problem(422, problem.BadDocument, "POST", "/api/read-recipe", `{"format":"cuerda-build/1","lines":[{"food":"moonbeams","grams":3}]}`)
	c.problem(413, problem.TooLarge, "POST", "/api/read-recipe", strings.Repeat("a", recipe.MaxBytes+2))

	// A line that a cook says is none of the recipe is read as that, and what follows is read again.
	text := "Bean cakes\n\n2 cans black beans, drained\n60 g oats\n1 cup cheddar is what Ash adds\n\nMash the beans and mix everything."
	first := ask[api.Recipe](t, c, "POST", "/api/read-recipe", text)
	require.Len(t, first.Ingredients, 3)
	assert.Equal(t, layout.Item, first.Rows[3].Label)
	again := ask[api.Recipe](t, c, "POST", "/api/read-recipe?labels=3%3Dnone", text)
	assert.Len(t, again.Ingredients, 2)
	c.problem(422, "bad-request", "POST", "/api/read-recipe?labels=3%3Dsoup", text)

	b, _ := c.build("POST", "/api/builds", cakes)
	for format, want := range map[string]string{"json-ld": `"@type": "Recipe"`, "markdown": "# Bean cakes", "text": "Ingredients:", "csv": "part,food,name,grams,prep", "document": `"cuerda-build/1"`} {
		reply, text := c.do("GET", "/api/builds/"+b.ID+"/export?format="+format, "")
		require.Equal(t, 200, reply.StatusCode)
		assert.Contains(t, string(text), want)
		assert.Regexp(t, `^attachment; filename="bean-cakes\.[a-z]+"$`, reply.Header.Get("Content-Disposition"))
		if format == "csv" || format == "text" || format == "markdown" {
			continue
		}
		again := ask[api.Recipe](t, c, "POST", "/api/read-recipe", string(text))
		require.NotNil(t, again.Document, format)
		assert.Equal(t, b.Document, *again.Document)
	}
	reply, zipped := c.do("GET", "/api/archive", "")
	assert.Equal(t, "application/zip", reply.Header.Get("Content-Type"))
	other := startElsewhere(t)
	count := ask[store.TakenIn](t, other, "POST", "/api/archive?settings=true", string(zipped))
	assert.Equal(t, len(ask[[]api.Entry](t, c, "GET", "/api/builds", "")), count.Added)
	back := ask[api.Build](t, other, "GET", "/api/builds/"+b.ID, "")
	assert.Equal(t, b.Document, back.Document)
	p := c.problem(422, "bad-archive", "POST", "/api/archive", "no zip")
	assert.Equal(t, "not-a-zip", p.Errors[0].Code)
}

// From what is at hand to whole builds that the kitchen predicts the same of.
func TestMixesFromWhatIsAtHand(t *testing.T) {
	t.Parallel()
	c := start(t)
	got := ask[wire.Composed](t, c, "POST", "/api/compose", `{"format":"cuerda-ask/1","must":[{"food":"lentils-cooked","grams":480}],"may":["onion","chickpea-flour","oats-rolled"],"kind":"patty"}`)
	require.NotEmpty(t, got.Proposals)
	document, err := json.Marshal(got.Proposals[0].Document)
	require.NoError(t, err)
	said := ask[api.Predicted](t, c, "POST", "/api/predict", string(document))
	assert.Equal(t, said.Chance, got.Proposals[0].Chance)
	for code, body := range map[string]string{
		"no-body": `{"format":"cuerda-ask/1","must":[{"food":"onion"}]}`, "unknown-food": `{"format":"cuerda-ask/1","may":["moonbeams"]}`,
		"not-for-eaters": `{"format":"cuerda-ask/1","must":[{"food":"feta"}],"eaters":{"diet":"vegan"}}`, "bad-request": `{"format":"cuerda-ask/1","portions":5000}`,
	} {
		c.problem(422, code, "POST", "/api/compose", body, "Content-Type", "application/json")
	}
}
