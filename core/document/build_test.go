package document_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/document/documenttest"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/predict"
)

var foods = food.Starter()

func withParts(parts string) string {
	return `{"format":"cuerda-build/1","lines":[],"parts":[` + parts + `]}`
}

func TestReadNamesThePlaceAndTheNearestWord(t *testing.T) {
	lines := func(n int) string {
		return strings.TrimSuffix(strings.Repeat(`{"food":"salt","grams":1},`, n), ",")
	}
	for _, c := range []struct{ text, code, pointer, nearest string }{
		{`{"format": "cuerda-build/1", "lines": [`, document.CodeBadJSON, "", ""},
		{`{} {}`, document.CodeBadJSON, "", ""},
		{documenttest.WithLines(`{"food":"salt","grams":5,"grams":50}`), document.CodeTwice, "/lines/0/grams", ""},
		{`{"format":"cuerda-build/1","lines":[],"lines":[]}`, document.CodeTwice, "/lines", ""},
		{`{"format":"cuerda-build/1","lines":` + strings.Repeat("[", 60) + strings.Repeat("]", 60) + `}`, document.CodeBadJSON, "", ""},
		{``, document.CodeBadJSON, "", ""},
		{`[]`, document.CodeWrongType, "", "object"},
		{`{"lines":[]}`, document.CodeMissing, "/format", ""},
		{`{"format":"cuerda/9","lines":[]}`, document.CodeUnknownWord, "/format", "cuerda-build/1"},
		{documenttest.WithLines(`{"food":"chikpea-flour","grams":5}`), document.CodeUnknownFood, "/lines/0/food", "chickpea-flour"},
		{documenttest.WithLines(`{"food":"Ground turkey","grams":5}`), document.CodeUnknownFood, "/lines/0/food", "turkey-ground"},
		{documenttest.WithLines(`{"food":"harina de garbanzo","grams":5}`), document.CodeUnknownFood, "/lines/0/food", "chickpea-flour"},
		{documenttest.WithLines(`{"food":"salt","gram":5}`), document.CodeUnknownField, "/lines/0/gram", "grams"},
		{documenttest.WithLines(`{"food":"salt","grams":0}`), document.CodeOutOfRange, "/lines/0/grams", ""},
		{documenttest.WithLines(`{"food":"salt","grams":-3}`), document.CodeOutOfRange, "/lines/0/grams", ""},
		{documenttest.WithLines(`{"food":"salt","grams":1e999}`), document.CodeOutOfRange, "/lines/0/grams", ""},
		{documenttest.WithLines(`{"food":"salt","grams":NaN}`), document.CodeBadJSON, "", ""},
		{documenttest.WithLines(`{"food":"salt","grams":"5"}`), document.CodeWrongType, "/lines/0/grams", "number"},
		{documenttest.WithLines(`{"food":"salt","grams":5,"prep":[{"do":"sautee","minutes":4}]}`), document.CodeUnknownPrep, "/lines/0/prep/0/do", "saute"},
		{documenttest.WithLines(`{"food":"salt","grams":5,"prep":[{"do":"saute"}]}`), document.CodeMissing, "/lines/0/prep/0/minutes", ""},
		{documenttest.WithLines(`{"food":"salt","grams":5,"prep":[{"do":"press","level":1}]}`), document.CodeNotHere, "/lines/0/prep/0/level", ""},
		{documenttest.WithLines(lines(201)), document.CodeTooMany, "/lines", ""},
		{`{"format":"cuerda-build/1","lines":[],"piece":{"kind":"paty"}}`, document.CodeUnknownKind, "/piece/kind", "patty"},
		{`{"format":"cuerda-build/1","lines":[],"piece":{"kind":"ball","diameter_mm":4}}`, document.CodeOutOfRange, "/piece/diameter_mm", ""},
		{`{"format":"cuerda-build/1","lines":[],"piece":{"kind":"ball","diameter_mm":40,"tin":true}}`, document.CodeNotHere, "/piece/tin", "diameter_mm"},
		{`{"format":"cuerda-build/1","lines":[],"cook":{"method":"oven"}}`, document.CodeUnknownMethod, "/cook/method", "still-oven"},
		{`{"format":"cuerda-build/1","lines":[],"rest":{"minutes":3000}}`, document.CodeOutOfRange, "/rest/minutes", ""},
		{`{"format":"cuerda-build/1","lines":[],"eaters":{"avoid":["eggs"]}}`, document.CodeUnknownWord, "/eaters/avoid/0", "egg"},
		{`{"format":"cuerda-build/1","lines":[],"name":"` + strings.Repeat("é", 10_000) + `"}`, document.CodeTooLong, "/name", ""},
		{`{"format":"cuerda-build/1","lines":[],"name":"a\u0000b"}`, document.CodeBadText, "/name", ""},
		{withParts(`{"kind":"filing","lines":[]}`), document.CodeUnknownKind, "/parts/0/kind", "filling"},
		{withParts(`{"kind":"sauce","lines":[{"food":"salt","grams":0}]}`), document.CodeOutOfRange, "/parts/0/lines/0/grams", ""},
		{withParts(`{"kind":"sauce","lines":[],"id":"A b"}`), document.CodeBadText, "/parts/0/id", "a-z, 0-9, -"},
		{withParts(`{"kind":"sauce","lines":[],"id":"x"},{"kind":"glaze","lines":[],"id":"x"}`), document.CodeTwice, "/parts/1/id", ""},
		{withParts(`{"kind":"sauce","lines":[],"id":"red"},{"kind":"glaze","lines":[],"on":"rad"}`), document.CodeUnknownWord, "/parts/1/on", "red"},
		{withParts(`{"kind":"sauce","lines":[],"id":"a","on":"a"}`), document.CodeCircular, "/parts/0/on", ""},
		{withParts(`{"kind":"sauce","lines":[],"id":"a","on":"c"},{"kind":"glaze","lines":[],"id":"b","on":"a"},{"kind":"wash","lines":[],"id":"c","on":"b"}`), document.CodeCircular, "/parts/0/on", ""},
		{withParts(strings.TrimSuffix(strings.Repeat(`{"kind":"sauce","lines":[]},`, 13), ",")), document.CodeTooMany, "/parts", ""},
		{`{"format":"cuerda-build/1","lines":[],"portions":2.5}`, document.CodeWrongType, "/portions", "whole number"},
		{`{"format":"cuerda-build/1","lines":[],"note":"a\u0000b"}`, document.CodeBadText, "/note", ""},
		{`{"format":"cuerda-build/1","lines":[],"a/b":1}`, document.CodeUnknownField, "/a~1b", ""},
	} {
		_, err := document.Read([]byte(c.text), foods)
		var faults document.Faults
		if !assert.ErrorAs(t, err, &faults, c.text) {
			continue
		}
		assert.Equal(t, c.code, faults[0].Code, c.text)
		assert.Equal(t, c.pointer, faults[0].Pointer, c.text)
		assert.Equal(t, c.nearest, faults[0].Nearest, c.text)
	}
	assert.Len(t, documenttest.Read(t, documenttest.WithLines(lines(200))).Lines, 200)
	for _, name := range []string{"🫛 cakes", "كفتة العدس", "<script>alert(1)</script>"} {
		quoted, _ := json.Marshal(name)
		assert.Equal(t, name, documenttest.Read(t, `{"format":"cuerda-build/1","lines":[],"name":`+string(quoted)+`}`).Name)
	}
}

func compiledSchema(t testing.TB) *jsonschema.Schema {
	text, err := json.Marshal(document.Schema(foods))
	require.NoError(t, err)
	doc, err := jsonschema.UnmarshalJSON(strings.NewReader(string(text)))
	require.NoError(t, err)
	c := jsonschema.NewCompiler()
	require.NoError(t, c.AddResource("build.json", doc))
	s, err := c.Compile("build.json")
	require.NoError(t, err)
	return s
}

// What the reader takes, the schema takes, the reader writes back unchanged
// and the prediction of it is finite; nothing panics.
func FuzzRead(f *testing.F) {
	schema := compiledSchema(f)
	f.Add([]byte(documenttest.PeaCakes))
	f.Add([]byte(documenttest.WithLines(`{"food":"tofu-firm","grams":1e-3,"prep":[{"do":"press"},{"do":"mash","level":1}]}`)))
	f.Add([]byte(`{"format":"cuerda-build/1","lines":[],"piece":{"kind":"loaf","length_mm":200,"width_mm":100,"height_mm":60,"tin":false},"cook":{"method":"fan-oven"}}`))
	f.Add([]byte(documenttest.WithLines(`{"food":"leek","grams":9,"prep":[{"do":"saute","minutes":0,"oil":false},{"do":"blitz","level":0}]}`)))
	f.Add([]byte(`{"format":"cuerda-build/1","lines":[],"portions":12,"note":"one\ntwo","parts":[{"kind":"sauce","id":"a","lines":[{"food":"salt","grams":3}],"cook_minutes":5},{"kind":"glaze","on":"a","when":"end","lines":[]}]}`))
	f.Add([]byte(`{"format":"cuerda-build/1","lines":[{"food":"salt","grams":null}],"rest":[]}`))
	f.Fuzz(func(t *testing.T, data []byte) {
		d, err := document.Read(data, foods)
		if err != nil {
			var faults document.Faults
			require.ErrorAs(t, err, &faults)
			require.NotEmpty(t, faults)
			return
		}
		tree, err := jsonschema.UnmarshalJSON(strings.NewReader(string(data)))
		require.NoError(t, err)
		require.NoError(t, schema.Validate(tree))
		out, err := json.Marshal(d)
		require.NoError(t, err)
		again, err := document.Read(out, foods)
		require.NoError(t, err, string(out))
		require.Equal(t, d, again)
		_, err = json.Marshal(predict.Predict(d, kitchen.Usual()))
		require.NoError(t, err)
	})
}

func TestSchemaRefusesWhatTheReaderRefuses(t *testing.T) {
	schema := compiledSchema(t)
	for _, text := range []string{
		`{"format":"cuerda-build/1"}`, documenttest.WithLines(`{"food":"salt","grams":0}`), documenttest.WithLines(`{"food":"sugarr","grams":4}`),
		documenttest.WithLines(`{"food":"salt","grams":4,"prep":[{"do":"saute"}]}`), documenttest.WithLines(`{"food":"salt","grams":4,"prep":[{"do":"toast","minutes":3}]}`),
		`{"format":"cuerda-build/1","lines":[],"piece":{"kind":"ball"}}`, `{"format":"cuerda-build/1","lines":[],"extra":1}`,
	} {
		tree, err := jsonschema.UnmarshalJSON(strings.NewReader(text))
		require.NoError(t, err)
		assert.Error(t, schema.Validate(tree), text)
		_, err = document.Read([]byte(text), foods)
		assert.Error(t, err, text)
	}
}

func ExampleRead() {
	_, err := document.Read([]byte(`{"format":"cuerda-build/1","lines":[{"food":"flax-mael","grams":16}]}`), food.Starter())
	fmt.Println(err)
	fmt.Println("nearest:", err.(document.Faults)[0].Nearest)
	// Output:
	// build document: unknown-food at /lines/0/food
	// nearest: flax-meal
}

// One loaf stays one loaf, and so many pieces as were asked for come out, whatever is taken out of the
// mix or put in: their size follows, and nothing is left over.
func TestThePieceFollowsTheMix(t *testing.T) {
	k := kitchen.Usual()
	rapid.Check(t, func(t *rapid.T) {
		grams := rapid.IntRange(300, 2600).Draw(t, "grams")
		count := rapid.IntRange(1, 30).Draw(t, "count")
		with := func(piece string) predict.Prediction {
			d, err := document.Read([]byte(fmt.Sprintf(`{"format":"cuerda-build/1","name":"x","lines":[{"food":"lentils-cooked","grams":%d},{"food":"oats-rolled","grams":60}],"piece":%s}`, grams, piece)), k.Foods)
			require.NoError(t, err)
			return predict.Predict(d, k)
		}
		loaf := with(`{"kind":"loaf","length_mm":250,"width_mm":110,"height_mm":60,"tin":false}`)
		require.GreaterOrEqual(t, loaf.Pieces, 1, "%d g of mix are a loaf", grams)
		require.InDelta(t, loaf.MassG, float64(loaf.Pieces)*loaf.PieceG, 0.09*loaf.MassG)
		patties := with(fmt.Sprintf(`{"kind":"patty","diameter_mm":80,"thickness_mm":20,"count":%d}`, count))
		if each := patties.MassG / float64(count); each > 12 && each < 900 {
			require.Equal(t, count, patties.Pieces)
			require.InDelta(t, patties.MassG, float64(count)*patties.PieceG, 0.03*patties.MassG)
		}
	})
}
