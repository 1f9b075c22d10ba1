package api_test

import (
	"net/http"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
	"cuerda/internal/problem"
)

// What no parameter may hold is the client's fault, said as a problem: it was half an
// answer with status 200, or a fault of the server.
func TestParametersThatAreNoneAreRefused(t *testing.T) {
	t.Parallel()
	c := start(t)
	id := ask[[]api.Entry](t, c, "GET", "/api/builds", "")[0].ID
	for _, each := range []struct{ method, path string }{
		{"POST", "/api/bake?now=NaN"}, {"POST", "/api/bake?now=Inf"}, {"POST", "/api/bake?now=-inf"}, {"POST", "/api/bake?now=1e999"},
		{"POST", "/api/fit?grams=NaN"}, {"POST", "/api/fit?ml=nan"}, {"POST", "/api/fit?tin_length_mm=NaN&tin_width_mm=1&tin_height_mm=1"},
		{"POST", "/api/scale?grams=NaN&food=turkey-ground"}, {"POST", "/api/scale?grams=%2BInf&food=turkey-ground"},
		{"GET", "/api/builds/" + id + "/versions/2147483648"}, {"GET", "/api/builds/" + id + "/versions/99999999999999999999"},
		{"GET", "/api/builds/" + id + "/compare?from=2147483648&to=1"}, {"GET", "/api/builds/" + id + "/sittings?before=4294967296"},
		{"GET", "/api/builds/" + id + "/versions?before=4294967296"}, {"GET", "/api/builds/" + id + "/versions/0"},
		{"GET", "/api/builds?q=%00"}, {"GET", "/api/builds?q=%ff"}, {"GET", "/api/builds?q=%ed%a0%80"}, {"GET", "/api/builds?%ff=1"},
		{"GET", "/api/grams?food=salt&amount=%ff"}, {"GET", "/api/read-line?text=a%00b"}, {"GET", "/api/builds/%00"}, {"GET", "/api/builds?q=%zz"},
	} {
		body := ""
		if each.method == "POST" {
			body = turkey
		}
		p := c.problem(422, problem.BadRequest, each.method, each.path, body)
		assert.NotEmpty(t, p.Detail, each.path)
	}
	// What only looks odd is asked like anything else.
	for _, path := range []string{"/api/builds?q=NaN", "/api/builds?q=%F0%9F%AB%98%0A%09", "/api/builds?q=" + strings.Repeat("a", 80), "/api/read-line?text=inf+cups+water"} {
		answer, text := c.do("GET", path, "")
		assert.Equal(t, 200, answer.StatusCode, "%s: %s", path, text)
	}
	// No amount is so small that nothing can be weighed of it.
	p := c.problem(422, problem.BadDocument, "POST", "/api/bake", `{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":5e-324}]}`)
	require.NotEmpty(t, p.Errors)
	assert.Equal(t, "/lines/0/grams", p.Errors[0].Pointer)
	assert.Equal(t, 0.1, *p.Errors[0].Min)
}

func TestMethodsThatThereAreNone(t *testing.T) {
	t.Parallel()
	c := start(t)
	for path, allowed := range map[string]string{"/api/predict": "POST", "/api/foods": "GET", "/api/settings": "GET"} {
		p := c.problem(405, problem.MethodRejected, "DELETE", path, "")
		assert.NotEmpty(t, p.Detail)
		answer, _ := c.do("DELETE", path, "")
		assert.Contains(t, answer.Header.Get("Allow"), allowed, path)
	}
	c.problem(404, problem.NotFound, "GET", "/api/nothing", "")
	get, body := c.do("GET", "/api/builds", "")
	head, none := c.do(http.MethodHead, "/api/builds", "")
	assert.Equal(t, get.StatusCode, head.StatusCode)
	assert.Equal(t, get.Header.Get("Content-Type"), head.Header.Get("Content-Type"))
	assert.NotEmpty(t, body)
	assert.Empty(t, none)
	missing, _ := c.do(http.MethodHead, "/api/nothing", "")
	assert.Equal(t, 404, missing.StatusCode)
	page, _ := c.do(http.MethodHead, "/", "")
	assert.Equal(t, 200, page.StatusCode)
}
