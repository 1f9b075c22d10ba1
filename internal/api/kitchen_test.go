package api_test

import (
	"context"
	"encoding/json"
	"log/slog"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// Two servers of one database agree: what one changes the other hears of.
func TestTwoServersAgree(t *testing.T) {
	t.Parallel()
	c := start(t)
	other := &api.Server{Store: c.store, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}
	server := httptest.NewServer(other.Handler())
	ctx, stop := context.WithCancel(t.Context())
	ended := make(chan struct{})
	go func() { defer close(ended); other.Watch(ctx) }()
	t.Cleanup(func() { stop(); <-ended; server.Close() })
	there := &client{t, server.URL, c.store, c.kitchen, other}

	q := func() float64 {
		_, text := there.do("POST", "/api/predict", buildText("x", `{"food":"tofu-firm","grams":300,"prep":[{"do":"mash","level":1}]},{"food":"oats-rolled","grams":40}`))
		var p wire.Prediction
		require.NoError(t, json.Unmarshal(text, &p))
		return *p.Q
	}
	before := q()
	answer, text := c.do("PUT", "/api/pantry/tofu-firm", `{"food":"tofu-firm","have":true,"pack":{"fat":4,"carb":1,"fibre":0.2,"protein":8,"salt":0.1}}`)
	require.Equal(t, 200, answer.StatusCode, string(text))
	assert.Eventually(t, func() bool { return q() > before }, 10*time.Second, 20*time.Millisecond)
}

// A request is answered for the kitchen that it names, where there is one.
func TestARequestIsOfItsKitchen(t *testing.T) {
	t.Parallel()
	c := start(t)
	answer, text := c.do("GET", "/api/builds", "")
	require.Equal(t, 200, answer.StatusCode)
	assert.Greater(t, strings.Count(string(text), `"id"`), 3)
	for _, none := range []string{"00000000-0000-4000-8000-000000000000", "no uuid"} {
		c.kitchen = none
		c.problem(404, problem.NotFound, "GET", "/api/builds", "")
		c.problem(404, problem.NotFound, "POST", "/api/predict", cakes)
	}
}
