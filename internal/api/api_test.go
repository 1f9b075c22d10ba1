package api_test

import (
	"bytes"
	"encoding/json"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/predict"
	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

type client struct {
	t       testing.TB
	url     string
	store   *store.Store
	kitchen string
	served  *api.Server
}

func start(t testing.TB) *client {
	t.Helper()
	return startOn(t, demotest.Open)
}

// startElsewhere has a kitchen that was made by itself: nothing in it has the ID of anything in another.
func startElsewhere(t testing.TB) *client {
	t.Helper()
	return startOn(t, demotest.OpenNow)
}

func startOn(t testing.TB, open func(testing.TB) (*store.Store, string)) *client {
	t.Helper()
	s, kitchen := open(t)
	// What is asked of builds does not hang on the logbook, but where a test says so.
	require.NoError(t, s.SaveChoices(t.Context(), kitchen, &store.Choices{Off: true}))
	pages := fstest.MapFS{"index.html": {Data: []byte("<!doctype html>the page")}, "assets/a.js": {Data: []byte("1")}}
	return serve(t, &api.Server{
		Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Pages: pages,
	}, kitchen)
}

func serve(t testing.TB, s *api.Server, kitchen string) *client {
	server := httptest.NewServer(s.Handler())
	t.Cleanup(server.Close)
	t.Cleanup(s.Close)
	return &client{t, server.URL, s.Store, kitchen, s}
}

// metrics is what is counted, as Prometheus reads it.
func (c *client) metrics() string {
	w := httptest.NewRecorder()
	c.served.Metrics().ServeHTTP(w, httptest.NewRequest(http.MethodGet, "/metrics", nil))
	return w.Body.String()
}

// at gives the address of something in the client's kitchen.
func (c *client) at(path string) string { return c.url + apitest.In(c.kitchen, path) }

// do sends a request; headers are name, value pairs.
func (c *client) do(method, path, body string, headers ...string) (*http.Response, []byte) {
	c.t.Helper()
	path = apitest.In(c.kitchen, path)
	r, err := http.NewRequest(method, c.url+path, strings.NewReader(body))
	require.NoError(c.t, err)
	if body != "" {
		r.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i < len(headers); i += 2 {
		if headers[i] == "Host" {
			r.Host = headers[i+1]
		}
		r.Header.Set(headers[i], headers[i+1])
	}
	answer, err := http.DefaultClient.Do(r)
	require.NoError(c.t, err)
	defer answer.Body.Close()
	text, err := io.ReadAll(answer.Body)
	require.NoError(c.t, err)
	apitest.Check(c.t, method, path, answer.StatusCode, answer.Header, text)
	return answer, text
}

func (c *client) build(method, path, body string, headers ...string) (api.Build, string) {
	c.t.Helper()
	answer, text := c.do(method, path, body, headers...)
	require.Less(c.t, answer.StatusCode, 300, string(text))
	var b api.Build
	require.NoError(c.t, json.Unmarshal(text, &b))
	return b, answer.Header.Get("ETag")
}

func (c *client) problem(status int, code, method, path, body string, headers ...string) problem.Problem {
	c.t.Helper()
	answer, text := c.do(method, path, body, headers...)
	var p problem.Problem
	require.NoError(c.t, json.Unmarshal(text, &p), string(text))
	assert.Equal(c.t, status, answer.StatusCode, string(text))
	assert.Equal(c.t, "application/problem+json", answer.Header.Get("Content-Type"))
	assert.Equal(c.t, code, p.Code)
	assert.Equal(c.t, status, p.Status)
	return p
}

func buildText(name, lines string) string {
	return `{"format":"cuerda-build/1","name":"` + name + `","lines":[` + lines + `]}`
}

const tofu = `{"food":"tofu-firm","grams":300}`

func TestABuildLivesThroughItsVersions(t *testing.T) {
	t.Parallel()
	c := start(t)
	made, tag := c.build("POST", "/api/builds", buildText("Squares", tofu))
	assert.Equal(t, `"1"`, tag)
	assert.InDelta(t, 300, made.Prediction.MassG, 0.01)
	path := "/api/builds/" + made.ID
	_, tag = c.build("PUT", path, buildText("Squares", tofu+`,{"food":"potato-starch","grams":20}`), "If-Match", tag)
	assert.Equal(t, `"2"`, tag)

	p := c.problem(412, problem.Changed, "PUT", path, buildText("Other", tofu), "If-Match", `"1"`)
	assert.Equal(t, 2, p.Current)
	c.problem(428, problem.NeedsIfMatch, "PUT", path, buildText("Other", tofu))
	c.problem(400, problem.BadRequest, "PUT", path, buildText("Other", tofu), "If-Match", "*")

	var versions []api.Version
	_, text := c.do("GET", path+"/versions", "")
	require.NoError(t, json.Unmarshal(text, &versions))
	assert.Equal(t, []int{1, 2}, []int{versions[0].Lines - 1, versions[0].Number})
	back, tag := c.build("POST", path+"/versions/1/restore", "", "If-Match", tag)
	assert.Equal(t, `"3"`, tag)
	assert.Len(t, back.Document.Lines, 1)
	old, _ := c.build("GET", path+"/versions/2", "")
	assert.Len(t, old.Document.Lines, 2)

	answer, _ := c.do("DELETE", path, "")
	assert.Equal(t, http.StatusNoContent, answer.StatusCode)
	c.problem(410, "deleted", "GET", path, "")
	c.problem(410, "deleted", "PUT", path, buildText("Other", tofu), "If-Match", `"3"`)
	again, _ := c.build("POST", path+"/restore", "")
	assert.Equal(t, 3, again.Version)
}

func TestBadInputIsAProblemThatNamesThePlace(t *testing.T) {
	t.Parallel()
	c := start(t)
	for _, x := range []struct {
		body, code, pointer string
	}{
		{buildText("x", `{"food":"tofu-frim","grams":3}`), document.CodeUnknownFood, "/lines/0/food"},
		{buildText("x", `{"food":"tofu-firm","grams":-3}`), document.CodeOutOfRange, "/lines/0/grams"},
		{buildText(strings.Repeat("x", 10_000), ""), document.CodeTooLong, "/name"},
		{`{"format":`, document.CodeBadJSON, ""},
		{`null`, document.CodeWrongType, ""},
	} {
		for _, to := range []string{"/api/predict", "/api/builds"} {
			p := c.problem(422, problem.BadDocument, "POST", to, x.body)
			require.NotEmpty(t, p.Errors, to)
			assert.Equal(t, x.code, p.Errors[0].Code)
			assert.Equal(t, x.pointer, p.Errors[0].Pointer)
			assert.NotEmpty(t, p.Errors[0].Message)
		}
	}
	c.problem(413, problem.TooLarge, "POST", "/api/predict", `{"x":"`+strings.Repeat("y", 10<<20)+`"}`)
	c.problem(400, problem.BadRequest, "POST", "/api/predict", "")
	c.problem(422, problem.BadRequest, "GET", "/api/builds/not-a-uuid", "")
	c.problem(404, problem.NotFound, "GET", "/api/builds/00000000-0000-0000-0000-000000000001", "")
	c.problem(404, problem.NotFound, "GET", "/api/nothing", "")
}

func TestOnlyItsOwnPagesChangeAKitchen(t *testing.T) {
	t.Parallel()
	c := start(t)
	c.problem(403, problem.CrossOrigin, "POST", "/api/builds", buildText("x", tofu), "Origin", "http://elsewhere.example", "Sec-Fetch-Site", "cross-site")
	c.problem(403, problem.Forbidden, "GET", "/api/builds", "", "Host", "elsewhere.example")
}

func TestPagesAndTheirPaths(t *testing.T) {
	t.Parallel()
	c := start(t)
	for path, want := range map[string]int{"/": 200, "/bench/1": 200, "/assets/a.js": 200, "/assets/none.js": 404, "/../../etc/passwd": 400} {
		answer, text := c.do("GET", path, "")
		assert.Equal(t, want, answer.StatusCode, path)
		assert.NotContains(t, string(text), "root:")
		assert.Equal(t, "nosniff", answer.Header.Get("X-Content-Type-Options"))
	}
	answer, text := c.do("GET", "/api/openapi.json", "")
	assert.Equal(t, 200, answer.StatusCode)
	assert.True(t, bytes.Contains(text, []byte(`"openapi":"3.1.0"`)))
}

func TestTheDemonstrationKitchen(t *testing.T) {
	t.Parallel()
	c := start(t)
	var list []api.Entry
	_, text := c.do("GET", "/api/builds", "")
	require.NoError(t, json.Unmarshal(text, &list))
	verdicts := map[predict.Verdict]int{}
	for _, e := range list {
		verdicts[e.Verdict]++
		if e.Verdict == predict.Holds {
			continue
		}
		b, _ := c.build("GET", "/api/builds/"+e.ID, "")
		assert.Equal(t, "reason", b.Prediction.Notes[0].Kind, "%s says why", e.Name)
	}
	assert.GreaterOrEqual(t, verdicts[predict.Holds], 4)
	assert.NotZero(t, verdicts[predict.FailsRaw]+verdicts[predict.FailsBoth])
	_, text = c.do("GET", "/api/builds?q=PARSNIP", "")
	require.NoError(t, json.Unmarshal(text, &list))
	assert.Len(t, list, 1)

	var foods []api.Food
	_, text = c.do("GET", "/api/foods", "")
	require.NoError(t, json.Unmarshal(text, &foods))
	assert.Len(t, foods, len(food.Starter().Foods()))
	var health api.Health
	_, text = c.do("GET", "/api/health", "")
	require.NoError(t, json.Unmarshal(text, &health))
	assert.Equal(t, "ok", health.Status)
}
