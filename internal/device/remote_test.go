package device_test

import (
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/device"
	"cuerda/internal/device/senml"
)

// An instrument shows its token with all that it asks and sends; what is refused, cut short or no answer at all is
// an error that says so.
func TestAnInstrumentSpeaksWithItsKitchen(t *testing.T) {
	var sent []byte
	answer, status := `{"speed":2,"over":false,"heat":[]}`, http.StatusOK
	server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		assert.Equal(t, "/api/readings", r.URL.Path)
		assert.Equal(t, "Bearer secret", r.Header.Get("Authorization"))
		if r.Method == http.MethodPost {
			assert.Equal(t, senml.MediaType, r.Header.Get("Content-Type"))
			sent, _ = io.ReadAll(r.Body)
		}
		w.WriteHeader(status)
		_, _ = io.WriteString(w, answer)
	}))
	defer server.Close()
	r := device.Remote{Client: server.Client(), URL: server.URL + "/", Token: "secret"}
	c, err := r.Course(t.Context())
	require.NoError(t, err)
	assert.InDelta(t, 2, c.Speed, 1e-9)
	require.NoError(t, r.Send(t.Context(), []senml.Record{{Name: "core", Unit: "Cel", Value: 61.5}}))
	assert.Contains(t, string(sent), "61.5")

	status, answer = http.StatusUnauthorized, `{"code":"forbidden"}`
	ended, err := r.Course(t.Context())
	require.NoError(t, err)
	assert.True(t, ended.Over, "the token that it was let in with ended with its course")
	stranger := device.Remote{Client: server.Client(), URL: server.URL, Token: "secret"}
	_, err = stranger.Course(t.Context())
	require.ErrorContains(t, err, "no course that goes on has this token")
	require.ErrorContains(t, r.Send(t.Context(), nil), "forbidden")
	status, answer = http.StatusOK, strings.Repeat("{", 40)
	_, err = r.Course(t.Context())
	require.Error(t, err, "no JSON")
	server.Close()
	_, err = r.Course(t.Context())
	require.Error(t, err, "nobody answers")
}
