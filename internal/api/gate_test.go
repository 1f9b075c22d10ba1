package api_test

import (
	"bufio"
	"context"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// A thin loaf that is chilled for two days, baked until it never gets done: it kept both
// cores busy for 19 s.
const endless = `{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":500}],"chill":{"minutes":2880,"celsius":4},` +
	`"piece":{"kind":"loaf","length_mm":5,"width_mm":70,"height_mm":110},"cook":{"method":"still-oven","celsius":76,"target_celsius":74,"grill_minutes":60}}`

// Whoever asks for a hundred long computations and goes away keeps nobody else waiting, and
// whoever is too many is told when to come again.
func TestComputationsWaitTheirTurnAndEndWithTheirClients(t *testing.T) {
	t.Parallel()
	s, kitchen := demotest.Open(t)
	require.NoError(t, s.SaveChoices(t.Context(), kitchen, &store.Choices{Off: true}))
	quotas := api.UsualQuotas
	quotas.AtOnce = 1000 // as many kitchens would have
	c := serve(t, &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Quotas: &quotas}, kitchen)
	ctx, leave := context.WithCancel(t.Context())
	var crowd sync.WaitGroup
	statuses := make(chan int, 400)
	for range 320 {
		crowd.Add(1)
		go func() {
			defer crowd.Done()
			r, err := http.NewRequestWithContext(ctx, http.MethodPost, c.at("/api/bake"), strings.NewReader(endless))
			if err != nil {
				return
			}
			answer, err := http.DefaultClient.Do(r)
			if err != nil {
				return
			}
			defer answer.Body.Close()
			if answer.StatusCode == http.StatusServiceUnavailable {
				assert.NotEmpty(t, answer.Header.Get("Retry-After"))
				assert.Equal(t, "application/problem+json", answer.Header.Get("Content-Type"))
			}
			statuses <- answer.StatusCode
		}()
	}
	require.Eventually(t, func() bool {
		select {
		case status := <-statuses:
			return status == http.StatusServiceUnavailable
		default:
			return false
		}
	}, 20*time.Second, 5*time.Millisecond, "the queue is not without end")
	// A drag is answered beside them: predictions do not stand in that queue.
	answer, text := c.do(http.MethodPost, "/api/predict", twentyLines())
	assert.Equal(t, http.StatusOK, answer.StatusCode, string(text))
	leave()
	crowd.Wait()
	// Nobody is before this one any more.
	answer, text = c.do(http.MethodPost, "/api/bake", turkey)
	assert.Equal(t, http.StatusOK, answer.StatusCode, string(text))
}

// Whoever sends the body slowly, or never all of it, takes no place of those who compute.
func TestASlowBodyTakesNobodysPlace(t *testing.T) {
	t.Parallel()
	c := start(t)
	host := strings.TrimPrefix(c.url, "http://")
	for range 8 {
		conn, err := net.Dial("tcp", host)
		require.NoError(t, err)
		defer conn.Close()
		_, err = fmt.Fprintf(conn, "POST %s HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{\"format\"", apitest.In(c.kitchen, "/api/bake"))
		require.NoError(t, err)
	}
	answer, text := c.do(http.MethodPost, "/api/bake", turkey)
	assert.Equal(t, http.StatusOK, answer.StatusCode, string(text))
}

// A body that ends before its end is the client's fault.
func TestABodyCutShortIsABadRequest(t *testing.T) {
	t.Parallel()
	c := start(t)
	for _, path := range []string{"/api/bake", "/api/predict", "/api/read-recipe"} {
		conn, err := net.Dial("tcp", strings.TrimPrefix(c.url, "http://"))
		require.NoError(t, err)
		_, err = fmt.Fprintf(conn, "POST %s HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\n5\r\n{\"for\r\nnonsense", apitest.In(c.kitchen, path))
		require.NoError(t, err)
		require.NoError(t, conn.(*net.TCPConn).CloseWrite())
		answer, err := http.ReadResponse(bufio.NewReader(conn), nil)
		require.NoError(t, err, path)
		assert.Equal(t, http.StatusBadRequest, answer.StatusCode, path)
		_ = answer.Body.Close()
		_ = conn.Close()
	}
	c.problem(422, problem.BadDocument, "POST", "/api/bake", "{")
}
