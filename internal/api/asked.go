package api

import (
	"math"
	"net/http"
	"net/url"
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
	c.Next()
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
