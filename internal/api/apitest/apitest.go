// Package apitest holds answers of the interface against the description of it, in tests.
package apitest

import (
	"bytes"
	"fmt"
	"net/http"
	"net/url"
	"slices"
	"strings"
	"sync"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// Description is what the interface says of itself, to hold every answer of every test against: pages are built on
// its types, so a value that is null where they say a list, or a code that they do not know, breaks a page.
type Description struct {
	Routes []Route
}

// Route is an operation, with the schemas of its JSON answers by status.
type Route struct {
	Method  string
	Parts   []string
	Answers map[string]*jsonschema.Schema
}

// Described reads the description, once.
var Described = sync.OnceValues(func() (*Description, error) {
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
	out := &Description{}
	pointer := strings.NewReplacer("~", "~0", "/", "~1")
	within := func(of any, key string) map[string]any {
		object, _ := of.(map[string]any)
		inner, _ := object[key].(map[string]any)
		return inner
	}
	for path, operations := range within(whole, "paths") {
		for method := range operations.(map[string]any) {
			r := Route{strings.ToUpper(method), strings.Split(path, "/"), map[string]*jsonschema.Schema{}}
			for status, answer := range within(within(operations, method), "responses") {
				for kind, content := range within(answer, "content") {
					if !strings.HasSuffix(kind, "json") || within(content, "schema") == nil {
						continue
					}
					at := fmt.Sprintf("openapi.json#/paths/%s/%s/responses/%s/content/%s/schema", pointer.Replace(path), method, status, pointer.Replace(kind))
					if r.Answers[status], err = c.Compile(at); err != nil {
						return nil, err
					}
				}
			}
			out.Routes = append(out.Routes, r)
		}
	}
	return out, nil
})

// Find gives the operation of a path: the one with the fewest places for anything.
func (d *Description) Find(method, path string) (best *Route) {
	parts, least := strings.Split(path, "/"), 1<<30
	for i := range d.Routes {
		r := &d.Routes[i]
		if r.Method != method || len(r.Parts) != len(parts) {
			continue
		}
		open, fits := 0, true
		for k, p := range r.Parts {
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

// Check holds an answer against the description.
func Check(t testing.TB, method, target string, status int, header http.Header, text []byte) {
	t.Helper()
	where, err := url.Parse(target)
	if err != nil || !isJSON(header) || method == http.MethodHead || !strings.HasPrefix(where.Path, "/api/") || strings.HasPrefix(where.Path, "/api/openapi") {
		return
	}
	d, err := Described()
	require.NoError(t, err)
	r := d.Find(method, where.Path)
	if r == nil {
		assert.GreaterOrEqual(t, status, 400, "%s %s answers and is not described", method, target)
		return
	}
	schema := r.Answers[fmt.Sprint(status)]
	if schema == nil {
		schema = r.Answers["default"]
	}
	if schema == nil { // what refuses before an operation is reached
		assert.GreaterOrEqual(t, status, 400, "%s %s answers %d, which is not described", method, target, status)
		return
	}
	value, err := jsonschema.UnmarshalJSON(bytes.NewReader(text))
	if err != nil {
		assert.NoError(t, err, "%s %s", method, target)
	} else if err := schema.Validate(value); err != nil {
		assert.Fail(t, "an answer is not as it is described", "%s %s: %v", method, target, err)
	}
}

func isJSON(h http.Header) bool {
	return strings.Contains(h.Get("Content-Type"), "json") && h.Get("Content-Encoding") == ""
}

// Watch holds all that a handler answers against the description, while a test runs. Nothing is squeezed then.
func Watch(t testing.TB, h http.Handler) http.Handler {
	var mu sync.Mutex
	over := false
	t.Cleanup(func() {
		mu.Lock()
		defer mu.Unlock()
		over = true
	})
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		r.Header.Del("Accept-Encoding")
		kept := &keeper{ResponseWriter: w, status: http.StatusOK}
		h.ServeHTTP(kept, r)
		mu.Lock()
		defer mu.Unlock()
		if !over && r.Context().Err() == nil {
			Check(t, r.Method, r.URL.String(), kept.status, kept.Header(), kept.text.Bytes())
		}
	})
}

// keeper keeps JSON that goes by.
type keeper struct {
	http.ResponseWriter
	status int
	text   bytes.Buffer
}

func (k *keeper) WriteHeader(status int) {
	k.status = status
	k.ResponseWriter.WriteHeader(status)
}

func (k *keeper) Write(b []byte) (int, error) {
	if isJSON(k.Header()) {
		k.text.Write(b)
	}
	return k.ResponseWriter.Write(b)
}

// Unwrap and Flush let streams through.
func (k *keeper) Unwrap() http.ResponseWriter { return k.ResponseWriter }

// Flush implements http.Flusher.
func (k *keeper) Flush() { _ = http.NewResponseController(k.ResponseWriter).Flush() }

// beside are the first parts of paths that are of no kitchen.
var beside = []string{"vocabulary", "health", "ready", "readings", "kitchens", "openapi", "openapi.json", "openapi.yaml", "me", "session", "invitations", "pairings", "links", "demonstration"}

// In gives the path of something in a kitchen: tests write /api/builds for /api/kitchens/{kitchen}/builds. What is beside
// kitchens stays as it is.
func In(kitchen, path string) string {
	rest, isAPI := strings.CutPrefix(path, "/api/")
	first, _, _ := strings.Cut(rest, "?")
	first, _, _ = strings.Cut(first, "/")
	if !isAPI || kitchen == "" || slices.Contains(beside, first) {
		return path
	}
	return "/api/kitchens/" + kitchen + "/" + rest
}
