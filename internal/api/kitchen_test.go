package api_test

import (
	"context"
	"encoding/json"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/principal"
	"cuerda/internal/wire"
)

// Two servers of one database agree: what one changes the other hears of.
func TestTwoServersAgree(t *testing.T) {
	t.Parallel()
	c := start(t)
	other := &api.Server{Store: c.store, Who: api.OneKitchen(c.kitchen), Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}
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

// A request is answered for the kitchen of whoever asks, and for nobody else.
func TestARequestIsOfItsKitchen(t *testing.T) {
	t.Parallel()
	c := start(t)
	server := httptest.NewServer((&api.Server{Store: c.store, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Who: func(r *http.Request) (principal.Principal, bool) {
		id := r.Header.Get("X-Kitchen")
		return principal.Principal{Kitchen: id}, id != ""
	}}).Handler())
	t.Cleanup(server.Close)
	there := &client{t, server.URL, c.store, c.kitchen, nil}
	answer, text := there.do("GET", "/api/builds", "", "X-Kitchen", c.kitchen)
	require.Equal(t, 200, answer.StatusCode)
	assert.Greater(t, strings.Count(string(text), `"id"`), 3)
	answer, _ = there.do("GET", "/api/builds", "")
	assert.Equal(t, 403, answer.StatusCode, "nobody")
	answer, text = there.do("GET", "/api/builds", "", "X-Kitchen", "00000000-0000-4000-8000-000000000000")
	assert.NotEqual(t, 200, answer.StatusCode, "a kitchen that is none: %s", text)
	answer, _ = there.do("POST", "/api/predict", cakes, "X-Kitchen", "no uuid")
	assert.Equal(t, 404, answer.StatusCode)
}
