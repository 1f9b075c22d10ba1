package api_test

import (
	"bytes"
	"fmt"
	"net/http"
	"net/url"
	"strings"
	"sync"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// description is what the interface says of itself, to hold every answer of every test against: pages are built on
// its types, so a value that is null where they say a list, or a code that they do not know, breaks a page.
type description struct {
	routes []route
}

// route is an operation, with the schemas of its JSON answers by status.
type route struct {
	method  string
	parts   []string
	answers map[string]*jsonschema.Schema
}

var described = sync.OnceValues(func() (*description, error) {
	text, err := api.OpenAPI()
	if err != nil {
		return nil, err
	}
	whole, err := jsonschema.UnmarshalJSON(bytes.NewReader(text))
	if err != nil {
		return nil, err
	}
	c := jsonschema.NewCompiler()
	if err := c.AddResource("openapi.json", whole); err != nil {
		return nil, err
	}
	out := &description{}
	pointer := strings.NewReplacer("~", "~0", "/", "~1")
	within := func(of any, key string) map[string]any {
		object, _ := of.(map[string]any)
		inner, _ := object[key].(map[string]any)
		return inner
	}
	for path, operations := range within(whole, "paths") {
		for method := range operations.(map[string]any) {
			r := route{strings.ToUpper(method), strings.Split(path, "/"), map[string]*jsonschema.Schema{}}
			for status, answer := range within(within(operations, method), "responses") {
				for kind, content := range within(answer, "content") {
					if !strings.HasSuffix(kind, "json") || within(content, "schema") == nil {
						continue
					}
					at := fmt.Sprintf("openapi.json#/paths/%s/%s/responses/%s/content/%s/schema", pointer.Replace(path), method, status, pointer.Replace(kind))
					if r.answers[status], err = c.Compile(at); err != nil {
						return nil, err
					}
				}
			}
			out.routes = append(out.routes, r)
		}
	}
	return out, nil
})

// find gives the operation of a path: the one with the fewest places for anything.
func (d *description) find(method, path string) (best *route) {
	parts, least := strings.Split(path, "/"), 1<<30
	for i := range d.routes {
		r := &d.routes[i]
		if r.method != method || len(r.parts) != len(parts) {
			continue
		}
		open, fits := 0, true
		for k, p := range r.parts {
			if strings.HasPrefix(p, "{") {
				open++
			} else if p != parts[k] {
				fits = false
			}
		}
		if fits && open < least {
			best, least = r, open
		}
	}
	return best
}

// asDescribed holds an answer against the description.
func asDescribed(t testing.TB, method, target string, answer *http.Response, text []byte) {
	t.Helper()
	where, err := url.Parse(target)
	json := strings.Contains(answer.Header.Get("Content-Type"), "json") && answer.Header.Get("Content-Encoding") == ""
	if err != nil || !json || method == http.MethodHead || !strings.HasPrefix(where.Path, "/api/") || strings.HasPrefix(where.Path, "/api/openapi") {
		return
	}
	d, err := described()
	require.NoError(t, err)
	r := d.find(method, where.Path)
	if r == nil {
		assert.GreaterOrEqual(t, answer.StatusCode, 400, "%s %s answers and is not described", method, target)
		return
	}
	schema := r.answers[fmt.Sprint(answer.StatusCode)]
	if schema == nil {
		schema = r.answers["default"]
	}
	if schema == nil { // what refuses before an operation is reached
		assert.GreaterOrEqual(t, answer.StatusCode, 400, "%s %s answers %d, which is not described", method, target, answer.StatusCode)
		return
	}
	value, err := jsonschema.UnmarshalJSON(bytes.NewReader(text))
	require.NoError(t, err)
	if err := schema.Validate(value); err != nil {
		assert.Fail(t, "an answer is not as it is described", "%s %s: %v", method, target, err)
	}
}

// Every operation has an answer that is described, and the description finds it by its path.
func TestEveryOperationIsDescribed(t *testing.T) {
	d, err := described()
	require.NoError(t, err)
	require.Greater(t, len(d.routes), 60)
	for i := range d.routes {
		r := &d.routes[i]
		path := strings.NewReplacer("{", "", "}", "").Replace(strings.Join(r.parts, "/"))
		found := d.find(r.method, path)
		require.NotNil(t, found, path)
		assert.Equal(t, len(r.parts), len(found.parts))
		assert.NotEmpty(t, r.answers, "%s %s", r.method, path)
	}
	assert.Nil(t, d.find("GET", "/api/nothing/of/the/kind"))
}
