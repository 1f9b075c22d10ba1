package api

import (
	"bytes"
	"encoding/json"
	"io"
	"maps"
	"math"
	"net/http"
	"net/url"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"github.com/gin-gonic/gin"

	"cuerda/internal/problem"
)

// figures are the query parameters that hold a number: some that read as one are none.
var figures = map[string]bool{
	"now": true, "grams": true, "ml": true, "tin_length_mm": true, "tin_width_mm": true, "tin_height_mm": true,
}

// sane refuses what no parameter may hold, before anyone takes it for a word or a figure:
// bytes that are no text, control characters, and figures that are not finite.
func sane(c *gin.Context) {
	if !isAPI(c.Request.URL.Path) {
		c.Next()
		return
	}
	no := func(what string) {
		refuse(c, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, what))
	}
	if !readable(c.Request.URL.Path) {
		no("The path holds bytes that are no text.")
		return
	}
	query, err := url.ParseQuery(c.Request.URL.RawQuery)
	if err != nil {
		no("The query cannot be read.")
		return
	}
	for name, values := range query {
		for _, v := range values {
			if !readable(name) || !readable(v) {
				no("The query holds bytes that are no text.")
				return
			}
			if x, err := strconv.ParseFloat(v, 64); figures[name] && err == nil && (math.IsNaN(x) || math.IsInf(x, 0)) {
				no(name + " is no number.")
				return
			}
		}
	}
	if at, odd := nul(c); odd {
		refuse(c, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, at, "A text holds the character 0, which cannot be kept."))
		return
	}
	c.Next()
}

// nul looks for the character 0 in a body of JSON, and gives where it stands as a JSON pointer (RFC 6901). Nothing that holds
// one can be kept.
func nul(c *gin.Context) (pointer string, found bool) {
	r := c.Request
	if c.FullPath() == actPath { // there each event is refused by itself
		return "", false
	}
	if r.ContentLength <= 0 || r.ContentLength > maxBody || r.Method == http.MethodGet || strings.HasPrefix(r.Header.Get("Content-Type"), "image/") {
		return "", false
	}
	text, err := io.ReadAll(io.LimitReader(r.Body, maxBody))
	r.Body = struct {
		io.Reader
		io.Closer
	}{io.MultiReader(bytes.NewReader(text), r.Body), r.Body}
	if err != nil || !bytes.Contains(text, []byte(`\u0000`)) {
		return "", false
	}
	var whole any
	if json.Unmarshal(text, &whole) != nil {
		return "", false // it is refused for what it is
	}
	return nulIn(whole, "")
}

func nulIn(v any, at string) (pointer string, found bool) {
	switch v := v.(type) {
	case string:
		return at, strings.ContainsRune(v, 0)
	case []any:
		for i, one := range v {
			if pointer, found = nulIn(one, at+"/"+strconv.Itoa(i)); found {
				return pointer, true
			}
		}
	case map[string]any:
		for _, name := range slices.Sorted(maps.Keys(v)) {
			if strings.ContainsRune(name, 0) {
				return at, true
			}
			if pointer, found = nulIn(v[name], at+"/"+strings.NewReplacer("~", "~0", "/", "~1").Replace(name)); found {
				return pointer, true
			}
		}
	}
	return "", false
}

func readable(s string) bool {
	return utf8.ValidString(s) && !strings.ContainsFunc(s, func(r rune) bool { return unicode.IsControl(r) && r != '\n' && r != '\t' && r != '\r' })
}

// bodyless sends the headers of an answer alone.
type bodyless struct{ http.ResponseWriter }

func (bodyless) Write(b []byte) (int, error) { return len(b), nil }

// Unwrap gives the writer whose deadlines hold.
func (b bodyless) Unwrap() http.ResponseWriter { return b.ResponseWriter }

// heads answers HEAD under /api as GET, without its body (RFC 9110, 9.3.2).
func heads(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.Method == http.MethodHead && isAPI(r.URL.Path) {
			r = r.Clone(r.Context())
			r.Method = http.MethodGet
			w = bodyless{w}
		}
		next.ServeHTTP(w, r)
	})
}
