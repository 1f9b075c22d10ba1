package api_test

import (
	"bufio"
	"context"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"cuerda/internal/api/apitest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Over TLS, where browsers speak HTTP/2, a stream goes on however long nothing happens, and the browser is told to stay with
// TLS.
func TestAStreamOverTLSOutlivesItsSilence(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	secure := httptest.NewUnstartedServer(c.served.Handler())
	secure.EnableHTTP2 = true
	secure.Config.WriteTimeout = 5 * time.Second
	secure.StartTLS()
	t.Cleanup(secure.Close)
	ctx, stop := context.WithTimeout(t.Context(), time.Minute)
	defer stop()
	request, err := http.NewRequestWithContext(ctx, http.MethodGet, secure.URL+apitest.In(c.kitchen, "/api/courses/"+v.ID+"/stream"), nil)
	require.NoError(t, err)
	answer, err := secure.Client().Do(request)
	require.NoError(t, err)
	defer answer.Body.Close()
	require.Equal(t, 2, answer.ProtoMajor)
	assert.NotEmpty(t, answer.Header.Get("Strict-Transport-Security"))
	lines := bufio.NewScanner(answer.Body)
	lines.Buffer(nil, 1<<20)
	until := func(wanted string) bool {
		for lines.Scan() {
			if strings.Contains(lines.Text(), wanted) {
				return true
			}
		}
		return false
	}
	require.True(t, until("event: course"))
	began := time.Now()
	for time.Since(began) < 11*time.Second { // longer than any piece of news may take
		require.True(t, lines.Scan(), "it lives through its silence: %v", lines.Err())
	}
	act(c, v.ID, `{"id":"t1","kind":"timer","name":"Kettle of the boathouse","minutes":4}`)
	assert.True(t, until("Kettle of the boathouse"), "and hears what is done after it: %v", lines.Err())
}
