package api_test

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"maps"
	"math/rand/v2"
	"net/http"
	"os"
	"runtime"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/lawtest"
	"cuerda/internal/api"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/postgres/pgtest"
)

// nearly makes bodies that are nearly right, of the schemas of the description.
type nearly struct {
	*rand.Rand
	schemas map[string]any
	// known are words that mean something in this kitchen, by the name of the field that they are for.
	known map[string][]string
}

var oddTexts = []string{"", "a\x00b", strings.Repeat("ñ", 64), strings.Repeat("x", 300), "\u202e", "🫛", "null", "-1", "9999-12-31T23:59:59Z", "0001-01-01T00:00:00Z"}

func (n *nearly) pick(all []string) string { return all[n.IntN(len(all))] }

// of makes a value of a schema, now and then one that is not of it.
func (n *nearly) of(schema map[string]any, name string, depth int) any {
	if ref, ok := schema["$ref"].(string); ok {
		schema, _ = n.schemas[ref[strings.LastIndex(ref, "/")+1:]].(map[string]any)
	}
	if n.IntN(60) == 0 {
		odd := []any{nil, true, -1, 1e308, "odd", []any{}, map[string]any{}, n.pick(oddTexts)}
		return odd[n.IntN(len(odd))]
	}
	if all, ok := schema["enum"].([]any); ok {
		return all[n.IntN(len(all))]
	}
	kind, _ := schema["type"].(string)
	if kinds, ok := schema["type"].([]any); ok {
		kind, _ = kinds[0].(string)
	}
	number := func(key string, otherwise float64) float64 {
		if x, ok := schema[key].(float64); ok {
			return x
		}
		return otherwise
	}
	switch kind {
	case "object":
		if depth > 6 {
			return map[string]any{}
		}
		return n.object(schema, depth)
	case "array":
		items, _ := schema["items"].(map[string]any)
		out := []any{}
		for range n.IntN(4) {
			out = append(out, n.of(items, name, depth+1))
		}
		return out
	case "integer":
		low, high := number("minimum", 0), number("maximum", 12)
		return int64(low) + n.Int64N(max(1, min(int64(high-low), 400)+1))
	case "number":
		low, high := number("minimum", 0), min(number("maximum", 400), number("minimum", 0)+500)
		return low + n.Float64()*(high-low)
	case "boolean":
		return n.IntN(2) == 0
	}
	switch format, _ := schema["format"].(string); {
	case format == "date-time" || name == "at":
		return time.Now().Add(time.Duration(n.IntN(200)-100) * time.Minute).UTC().Format(time.RFC3339)
	case len(n.known[name]) > 0:
		return n.pick(n.known[name])
	case n.IntN(8) == 0:
		return n.pick(oddTexts)
	}
	return n.pick([]string{"Roots", "roast", "t1", "t2", "Europe/Madrid", fmt.Sprint("n", n.IntN(900))})
}

func (n *nearly) object(schema map[string]any, depth int) map[string]any {
	out := map[string]any{}
	properties, _ := schema["properties"].(map[string]any)
	required, _ := schema["required"].([]any)
	for _, name := range slices.Sorted(maps.Keys(properties)) { // in one order, so that a seed repeats it
		inner, _ := properties[name].(map[string]any)
		if name == "$schema" || !slices.Contains(required, any(name)) && n.IntN(3) > 0 {
			continue
		}
		if n.IntN(150) == 0 {
			continue // one that is missing
		}
		out[name] = n.of(inner, name, depth+1)
	}
	return out
}

// operation is one of the description, with what a body of it is made of.
type operation struct {
	id           string
	method, path string
	body         map[string]any
	query        []map[string]any
}

func described(t *testing.T) (out []operation, schemas map[string]any) {
	t.Helper()
	text, err := api.OpenAPI()
	require.NoError(t, err)
	var whole struct {
		Paths map[string]map[string]struct {
			OperationID string           `json:"operationId"`
			Parameters  []map[string]any `json:"parameters"`
			RequestBody struct {
				Content map[string]struct {
					Schema map[string]any `json:"schema"`
				} `json:"content"`
			} `json:"requestBody"`
		} `json:"paths"`
		Components struct {
			Schemas map[string]any `json:"schemas"`
		} `json:"components"`
	}
	require.NoError(t, json.Unmarshal(text, &whole))
	for path, methods := range whole.Paths {
		for method, o := range methods {
			one := operation{id: o.OperationID, method: strings.ToUpper(method), path: path, body: o.RequestBody.Content["application/json"].Schema}
			for _, p := range o.Parameters {
				if p["in"] == "query" {
					one.query = append(one.query, p)
				}
			}
			out = append(out, one)
		}
	}
	slices.SortFunc(out, func(a, b operation) int { return strings.Compare(a.path+a.method, b.path+b.method) })
	return out, whole.Components.Schemas
}

// Requests that are nearly right, of every operation: none ends in an error of the server's, none takes long, and whatever of
// it was taken is given back by a backup that is restored, and by an archive that is taken in.
func TestRequestsThatAreNearlyRight(t *testing.T) {
	if testing.Short() {
		t.Skip("it runs without the race detector")
	}
	c := start(t)
	operations, schemas := described(t)
	seed := lawtest.Seed(t)
	n := &nearly{Rand: rand.New(rand.NewPCG(seed, 1)), schemas: schemas, known: map[string][]string{
		"format": {"cuerda-build/1", "cuerda-supper/1"}, "food": {"turkey-ground", "flax-meal", "oats-rolled", "courgette", "water"}, "foods": {"flax-meal", "tahini"},
		"zone": {"Europe/Madrid", "UTC"}, "day": {time.Now().Format(time.DateOnly)}, "do": {"squeeze", "grate", "saute", "blitz"}, "currency": {"EUR"}, "like": {"tahini"},
	}}
	ids := map[string][]string{}
	learn := func(path string, text []byte) {
		var one struct{ ID, Token string }
		if json.Unmarshal(text, &one) == nil && len(one.ID) == 36 {
			kind := strings.Split(path, "/")[2]
			ids[kind] = append(ids[kind], one.ID)
			n.known["build"], n.known["supper"], n.known["from"] = ids["builds"], ids["suppers"], ids["builds"]
		}
	}
	for _, list := range []string{"builds", "suppers", "courses"} {
		var all []struct{ ID string }
		c.get("/api/"+list, &all)
		for _, one := range all {
			ids[list] = append(ids[list], one.ID)
		}
	}
	n.known["build"], n.known["supper"] = ids["builds"], ids["suppers"]
	var tries struct{ Tries []struct{ ID string } }
	c.get("/api/tries", &tries)
	for _, one := range tries.Tries {
		ids["tries"] = append(ids["tries"], one.ID)
	}
	total := lawtest.Draws(2000, 20_000)
	if os.Getenv("CUERDA_SIEGE") != "" {
		total = 20_000
	}
	taken, slowest := map[string]int{}, time.Duration(0)
	for i := range total {
		o := operations[n.IntN(len(operations))]
		asked := o.path
		// What is asked of a kitchen is asked of the client's.
		if rest, ofKitchen := strings.CutPrefix(o.path, "/api/kitchens/{kitchen}/"); ofKitchen {
			o.path = "/api/" + rest
		}
		o.path = strings.Replace(o.path, "{kitchen}", c.kitchen, 1)
		if strings.HasSuffix(o.path, "/stream") || o.path == "/api/archive" || o.method == http.MethodDelete && asked == "/api/kitchens/{kitchen}" {
			continue // an erased kitchen would answer nothing that comes after
		}
		parts := strings.Split(o.path, "/")
		for j, part := range parts {
			if !strings.HasPrefix(part, "{") {
				continue
			}
			parts[j] = n.pick([]string{"1", "2", "own-paste", "00000000-0000-4000-8000-000000000000"})
			if known := ids[parts[2]]; len(known) > 0 && part == "{id}" && n.IntN(20) > 0 {
				parts[j] = n.pick(known)
			}
			if part == "{food}" {
				parts[j] = n.pick(n.known["food"])
			}
		}
		path := strings.Join(parts, "/")
		var query []string
		for _, q := range o.query {
			schema, _ := q["schema"].(map[string]any)
			if name := fmt.Sprint(q["name"]); q["required"] == true || n.IntN(3) == 0 {
				if v := n.of(schema, name, 0); v != nil {
					if _, many := v.([]any); !many {
						query = append(query, name+"="+strings.NewReplacer(" ", "%20", "+", "%2B", "\x00", "%00", "&", "%26", "#", "%23").Replace(fmt.Sprint(v)))
					}
				}
			}
		}
		if len(query) > 0 {
			path += "?" + strings.Join(query, "&")
		}
		body := ""
		if o.body != nil {
			text, err := json.Marshal(n.of(o.body, "", 0))
			if err != nil {
				continue
			}
			body = string(text)
		}
		headers := []string{"Accept-Language", n.pick([]string{"en", "es"})}
		if o.method == http.MethodPut && n.IntN(5) > 0 {
			headers = append(headers, "If-Match", fmt.Sprintf(`"%d"`, 1+n.IntN(3)))
		}
		began := time.Now()
		answer, text := c.do(o.method, path, body, headers...)
		took := time.Since(began)
		slowest = max(slowest, took)
		if answer.StatusCode >= 500 {
			assert.Failf(t, "an error of the server's", "request %d: %s %s: %d %s\n%s", i, o.method, path, answer.StatusCode, text, body)
		}
		if answer.StatusCode < 300 {
			taken[o.method+" "+asked]++
			if o.method == http.MethodPost {
				learn(o.path, text)
			}
		}
	}
	var memory runtime.MemStats
	runtime.ReadMemStats(&memory)
	var never []string
	for _, o := range operations {
		if taken[o.method+" "+o.path] == 0 {
			never = append(never, o.method+" "+o.path)
		}
	}
	t.Logf("%d requests, the slowest took %s; %d of %d operations took some; %d MB are held", total, slowest, len(operations)-len(never), len(operations), memory.HeapAlloc>>20)
	t.Log("never taken:", strings.Join(never, ", "))

	givenBack(t, c)
}

// givenBack holds a kitchen against its own backup and its own archive.
func givenBack(t *testing.T, c *client) {
	t.Helper()
	ctx := context.WithoutCancel(t.Context())
	foods := food.Starter()
	sums := func(data []byte) (out []string) {
		b, err := archive.OpenBackup(bytes.NewReader(data), int64(len(data)), foods)
		require.NoError(t, err)
		for _, k := range b.List.Kitchens {
			out = append(out, k.SHA256)
		}
		return out
	}
	var first, second bytes.Buffer
	_, err := archive.WriteBackup(ctx, &first, c.store, time.Now())
	require.NoError(t, err)
	_, err = archive.Verify(bytes.NewReader(first.Bytes()), int64(first.Len()), foods, nil)
	require.NoError(t, err, "all of what was taken can be taken in again")
	to := pgtest.Open(t)
	_, err = archivetest.Restore(ctx, to, first.Bytes(), foods)
	require.NoError(t, err)
	_, err = archive.WriteBackup(ctx, &second, to, time.Now())
	require.NoError(t, err)
	assert.Equal(t, sums(first.Bytes()), sums(second.Bytes()), "to the byte")

	answer, zip := c.do("GET", "/api/archive", "")
	require.Equal(t, http.StatusOK, answer.StatusCode)
	elsewhere, kitchen := demotest.Open(t)
	taken, err := archivetest.Taken(zip, foods)
	require.NoError(t, err)
	_, err = elsewhere.TakeIn(ctx, kitchen, taken)
	assert.NoError(t, err)
}
