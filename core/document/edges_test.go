package document_test

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
)

// edge is a value at an edge of what a place of the document may hold: the last that may
// stand there, or the first that may not, with the fault that it then is.
type edge struct {
	value   any
	pointer string
	code    string // "" where it may stand
}

type schemaOf = map[string]any

// sample is the least that a schema takes.
func sample(s schemaOf) any {
	switch {
	case s["const"] != nil:
		return s["const"]
	case s["enum"] != nil:
		return s["enum"].([]any)[0]
	case s["oneOf"] != nil:
		return sample(s["oneOf"].([]any)[0].(schemaOf))
	case s["anyOf"] != nil:
		return sample(s["anyOf"].([]any)[0].(schemaOf))
	}
	switch s["type"] {
	case "object":
		out := schemaOf{}
		required, _ := s["required"].([]any)
		for _, name := range required {
			out[name.(string)] = sample(s["properties"].(schemaOf)[name.(string)].(schemaOf))
		}
		return out
	case "array":
		return []any{}
	case "string":
		return "a"
	case "boolean":
		return true
	}
	return s["minimum"]
}

func edges(s schemaOf, at string) (out []edge) {
	bad := func(code string, values ...any) {
		for _, v := range values {
			out = append(out, edge{v, at, code})
		}
	}
	good := func(values ...any) { bad("", values...) }
	switch {
	case s["oneOf"] != nil:
		for _, each := range s["oneOf"].([]any) {
			out = append(out, edges(each.(schemaOf), at)...)
		}
		return out
	case s["enum"] != nil:
		for _, word := range s["enum"].([]any) {
			good(word)
		}
		bad("unknown", "no such word")
		bad(document.CodeWrongType, 7., nil, []any{})
		return out
	case s["const"] != nil, s["anyOf"] != nil, s["pattern"] != nil:
		return nil
	}
	switch s["type"] {
	case "number", "integer":
		high := s["maximum"].(float64)
		step := 1.
		if s["type"] == "number" {
			step = math.Nextafter(high, math.Inf(1)) - high
		}
		good(high)
		bad(document.CodeOutOfRange, high+step, 1e300)
		low := s["minimum"].(float64)
		below := low - 1
		if s["type"] == "number" {
			below = math.Nextafter(low, math.Inf(-1))
		}
		good(low)
		bad(document.CodeOutOfRange, below, -1e300)
		bad(document.CodeWrongType, "1", nil, true, schemaOf{})
	case "string":
		most := int(s["maxLength"].(float64))
		good("", strings.Repeat("ñ", most))
		bad(document.CodeTooLong, strings.Repeat("ñ", most+1))
		bad(document.CodeBadText, "\x00", "a\u0085b")
		bad(document.CodeWrongType, 1., nil)
	case "boolean":
		good(true, false)
		bad(document.CodeWrongType, "true", 0., nil)
	case "array":
		most, item := int(s["maxItems"].(float64)), s["items"].(schemaOf)
		good([]any{}, slices.Repeat([]any{sample(item)}, most))
		bad(document.CodeTooMany, slices.Repeat([]any{sample(item)}, most+1))
		bad(document.CodeWrongType, "a", schemaOf{}, nil)
		for _, e := range edges(item, at+"/0") {
			out = append(out, edge{[]any{e.value}, e.pointer, e.code})
		}
	case "object":
		base := sample(s).(schemaOf)
		bad(document.CodeWrongType, []any{}, "a", nil)
		with := func(name string, v any) schemaOf {
			o := maps.Clone(base)
			o[name] = v
			return o
		}
		out = append(out, edge{with("no such field", 1.), at + "/no such field", document.CodeUnknownField})
		required, _ := s["required"].([]any)
		for _, name := range required {
			o := maps.Clone(base)
			delete(o, name.(string))
			out = append(out, edge{o, at + "/" + name.(string), document.CodeMissing})
		}
		for _, name := range slices.Sorted(maps.Keys(s["properties"].(schemaOf))) {
			for _, e := range edges(s["properties"].(schemaOf)[name].(schemaOf), at+"/"+name) {
				out = append(out, edge{with(name, e.value), e.pointer, e.code})
			}
		}
	}
	return out
}

// Every figure, list, word and text of the document, just inside its range and just
// outside, as the published schema gives it: the reader takes the one and names the other.
func TestEveryEdgeOfEveryRange(t *testing.T) {
	text, err := json.Marshal(document.Schema(foods))
	require.NoError(t, err)
	var schema schemaOf
	require.NoError(t, json.Unmarshal(text, &schema))
	fields := schema["properties"].(schemaOf)
	// What may be seared and what may be grilled are asked of a method that can do both.
	method := fields["cook"].(schemaOf)["properties"].(schemaOf)["method"].(schemaOf)
	method["enum"] = append([]any{"still-oven"}, method["enum"].([]any)...)
	all := edges(schema, "")
	require.Greater(t, len(all), 900)
	for _, e := range all {
		text, err := json.Marshal(e.value)
		require.NoError(t, err)
		_, err = document.Read(text, foods)
		if e.code == "" {
			assert.NoError(t, err, "%s: %.300s", e.pointer, text)
			continue
		}
		var faults document.Faults
		if !assert.ErrorAs(t, err, &faults, "%s: %.300s", e.pointer, text) {
			continue
		}
		assert.True(t, slices.ContainsFunc(faults, func(f document.Fault) bool {
			return f.Pointer == e.pointer && strings.HasPrefix(f.Code, e.code)
		}), "%s at %s, not %v: %.300s", e.code, e.pointer, faults, text)
	}
}

func TestTimesOfDayAndNamesOfParts(t *testing.T) {
	for clock, ok := range map[string]bool{"00:00": true, "23:59": true, "24:00": false, "19:60": false, "9:00": false, "19:00 ": false, "": false, "١٩:٠٠": false} {
		_, err := document.Read(fmt.Appendf(nil, `{"format":"cuerda-build/1","lines":[],"table_time":%q}`, clock), foods)
		assert.Equal(t, ok, err == nil, clock)
	}
	for id, ok := range map[string]bool{"a": true, "sauce-2": true, strings.Repeat("a", 40): true, strings.Repeat("a", 41): false, "": false, "Sauce": false, "a b": false} {
		_, err := document.Read(fmt.Appendf(nil, `{"format":"cuerda-build/1","lines":[],"parts":[{"kind":"sauce","lines":[],"id":%q}]}`, id), foods)
		assert.Equal(t, ok, err == nil, id)
	}
}
