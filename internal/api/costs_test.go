package api

import (
	"context"
	"io"
	"log/slog"
	"net"
	"strings"
	"testing"

	"github.com/gin-gonic/gin"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/problem"
	"cuerda/internal/store"
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
	for _, named := range []string{"POST " + kitchenPath + "/bind", "POST " + kitchenPath + "/schools", "POST " + kitchenPath + "/courses", "POST " + kitchenPath + "/tries", "PUT " + kitchenPath + "/tries/:id", "GET " + kitchenPath + "/learned", "POST " + kitchenPath + "/learned/choose", "PUT " + kitchenPath + "/settings", "GET " + kitchenPath + "/tries/:id/next"} {
		assert.True(t, s.costly[named], named)
	}
	for named := range s.costly {
		assert.False(t, strings.HasSuffix(named, "/predict"), "what a drag waits for waits for nobody")
	}
}

// Where the database has no room what was to be kept is answered with what to do, and the server says that it is not ready;
// what a table refuses is the client's to mend, and a lost connection is nobody's fault.
func TestWhatTheDatabaseSays(t *testing.T) {
	for code, status := range map[string]int{"53100": 503, "53300": 503, "57P01": 503, "55P03": 503, "08006": 503, "22P05": 422, "23514": 422, "XX000": 500} {
		s := &Server{Log: slog.New(slog.DiscardHandler)}
		err := s.problemOf(t.Context(), &pgconn.PgError{Code: code, Message: "so"})
		var p *problem.Problem
		require.ErrorAs(t, err, &p)
		assert.Equal(t, status, p.Status, code)
		assert.Equal(t, strings.HasPrefix(code, "53"), s.full.Load() != 0, code)
	}
	s := &Server{Log: slog.New(slog.DiscardHandler)}
	for _, err := range []error{io.ErrUnexpectedEOF, net.ErrClosed, store.ErrBehind, context.DeadlineExceeded} {
		var p *problem.Problem
		require.ErrorAs(t, s.problemOf(t.Context(), err), &p)
		assert.Equal(t, 503, p.Status, err)
	}
}
