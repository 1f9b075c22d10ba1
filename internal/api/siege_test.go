package api_test

import (
	"context"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"cuerda/internal/api/apitest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// rounds is how often each attack is made: a few here, CUERDA_SIEGE of them on demand
// (make siege).
func rounds(t *testing.T) int {
	text := os.Getenv("CUERDA_SIEGE")
	if text == "" {
		return 3
	}
	n, err := strconv.Atoi(text)
	require.NoError(t, err, "CUERDA_SIEGE")
	return min(max(n, 1), 1000)
}

// While hostile pages, slow clients and dear documents do what they can, a cook saves, and
// nothing that was acknowledged is lost; the server says all the while that it is alive.
func TestACookGoesOnUnderSiege(t *testing.T) {
	if testing.Short() {
		t.Skip("it runs without the race detector")
	}
	c := start(t)
	address := strings.TrimPrefix(c.url, "http://")
	_, zipped := c.do("GET", "/api/archive", "")
	ctx, over := context.WithCancel(t.Context())
	defer over()
	send := func(method, path, kind, body string) {
		r, err := http.NewRequestWithContext(ctx, method, c.at(path), strings.NewReader(body))
		if err != nil {
			return
		}
		r.Header.Set("Content-Type", kind)
		answer, err := http.DefaultClient.Do(r)
		if err != nil {
			return
		}
		defer answer.Body.Close()
		_, _ = io.Copy(io.Discard, answer.Body)
		assert.NotEqual(t, http.StatusInternalServerError, answer.StatusCode, "%s %s", method, path)
	}
	slow := func(head string) {
		conn, err := net.Dial("tcp", address)
		if err != nil {
			return
		}
		defer conn.Close()
		_, _ = fmt.Fprintf(conn, head, address)
		<-ctx.Done()
	}
	nested := "<html>" + strings.Repeat(`<p itemprop="recipeIngredient">1 cup oats`, 20_000)
	attacks := []func(int){
		func(int) { send("POST", "/api/bake", "application/json", endless) },
		func(int) { send("POST", "/api/bind", "application/json", endless) },
		func(int) { send("POST", "/api/read-recipe", "application/octet-stream", nested) },
		func(int) { send("POST", "/api/archive?settings=true", "application/zip", string(zipped)) },
		func(int) { send("POST", "/api/archive", "application/zip", string(zipped[:len(zipped)/2])) },
		func(int) { send("GET", "/api/archive", "text/plain", "") },
		func(int) { send("POST", "/api/predict", "application/json", strings.Repeat("[", 500_000)) },
		func(int) {
			send("POST", "/api/predict", "application/json", `{"lines":[`+strings.Repeat("{},", 300_000)+"{}]}")
		},
		func(i int) {
			send("PUT", "/api/pantry", "application/json", fmt.Sprintf(`[{"food":"flax-meal","have":%t},{"food":"tahini","have":true}]`, i%2 == 0))
		},
		func(int) { send("GET", "/api/builds?q=%00%ff", "text/plain", "") },
		func(int) { slow("GET " + apitest.In(c.kitchen, "/api/archive") + " HTTP/1.1\r\nHost: %s\r\n\r\n") },
		func(int) {
			slow("POST " + apitest.In(c.kitchen, "/api/bake") + " HTTP/1.1\r\nHost: %s\r\nContent-Type: application/json\r\nContent-Length: 9000\r\n\r\n{")
		},
		func(int) { slow("GET " + apitest.In(c.kitchen, "/api/foods") + " HTTP/1.1\r\nHost: %s\r\nX: ") },
	}
	var besiegers, cooks sync.WaitGroup
	for i := range rounds(t) {
		for _, attack := range attacks {
			for range 3 {
				besiegers.Go(func() { attack(i) })
			}
		}
	}
	made, tag := c.build("POST", "/api/builds", buildText("Siege", tofu))
	var kept atomic.Int64
	done := make(chan struct{})
	cooks.Go(func() {
		defer close(done)
		for i := 1; i <= 40*rounds(t); i++ {
			answer, text := c.do("PUT", "/api/builds/"+made.ID, buildText("Siege", fmt.Sprintf(`{"food":"tofu-firm","grams":%d}`, 100+i)), "If-Match", tag)
			if answer.StatusCode == http.StatusServiceUnavailable {
				continue
			}
			if !assert.Equal(t, 200, answer.StatusCode, string(text)) {
				return
			}
			tag = answer.Header.Get("ETag")
			kept.Store(int64(100 + i))
		}
	})
	for alive := true; alive; {
		select {
		case <-done:
			alive = false
		case <-time.After(50 * time.Millisecond):
			answer, _ := c.do("GET", "/api/health", "")
			require.Equal(t, 200, answer.StatusCode)
		}
	}
	cooks.Wait()
	over()
	besiegers.Wait()
	answer, _ := c.do("GET", "/api/ready", "")
	assert.Equal(t, 200, answer.StatusCode)
	last, _ := c.build("GET", "/api/builds/"+made.ID, "")
	assert.InDelta(t, float64(kept.Load()), last.Document.Lines[0].Grams, .01, "what was acknowledged last is there")
	assert.GreaterOrEqual(t, last.Version, 2)
}
