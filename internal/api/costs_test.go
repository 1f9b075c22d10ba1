package api

import (
	"log/slog"
	"strings"
	"testing"

	"github.com/gin-gonic/gin"
	"github.com/stretchr/testify/assert"

	"cuerda/core/food"
)

// What computes for more than a moment says so where it is declared, and the gate knows it by that.
func TestTheGateKnowsWhatComputes(t *testing.T) {
	once()
	s := &Server{Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}
	r := gin.New()
	s.register(r)
	routes := map[string]bool{}
	for _, route := range r.Routes() {
		routes[route.Method+" "+route.Path] = true
	}
	for named := range s.costly {
		assert.True(t, routes[named], "%s is an operation", named)
	}
	for _, named := range []string{"POST /api/bind", "POST /api/schools", "POST /api/courses", "POST /api/tries", "PUT /api/tries/:id", "GET /api/learned", "POST /api/learned/choose", "PUT /api/settings", "GET /api/tries/:id/next"} {
		assert.True(t, s.costly[named], named)
	}
	for named := range s.costly {
		assert.False(t, strings.HasSuffix(named, "/predict"), "what a drag waits for waits for nobody")
	}
}
