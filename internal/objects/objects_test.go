package objects_test

import (
	"bytes"
	"context"
	"crypto/rand"
	"fmt"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/objects"
	"cuerda/internal/objects/standin"
	"cuerda/internal/store"
)

func open(t *testing.T) (*objects.S3, *standin.Store) {
	inside := &standin.Store{Bucket: "pictures", AccessKey: "cox"}
	server := httptest.NewServer(inside)
	t.Cleanup(server.Close)
	t.Setenv("AWS_ACCESS_KEY_ID", "cox")
	t.Setenv("AWS_SECRET_ACCESS_KEY", "twelve oars on mud")
	address := func(bucket string) string {
		return "s3://" + bucket + "/house?http=true&region=eu-1&endpoint=" + strings.TrimPrefix(server.URL, "http://")
	}
	_, err := objects.Open(t.Context(), address("another"))
	require.ErrorContains(t, err, "another")
	s, err := objects.Open(t.Context(), address("pictures"))
	require.NoError(t, err)
	return s, inside
}

func TestWhatIsKeptIsFoundUntilItIsRemoved(t *testing.T) {
	s, inside := open(t)
	ctx := t.Context()
	large := make([]byte, 3<<20)
	_, err := rand.Read(large)
	require.NoError(t, err)
	all := map[string][]byte{"a/1": large, "a/2": []byte("small"), "a/3": {}, "ab/1": []byte("another kitchen's")}
	for range 2 { // keeping it again changes nothing
		for key, data := range all {
			require.NoError(t, s.Keep(ctx, key, data))
		}
	}
	assert.Equal(t, []string{"house/a/1", "house/a/2", "house/a/3", "house/ab/1"}, inside.Keys())
	for key, want := range all {
		got, err := s.Find(ctx, key)
		require.NoError(t, err)
		assert.True(t, bytes.Equal(want, got), key)
	}
	_, err = s.Find(ctx, "a/4")
	require.ErrorIs(t, err, store.ErrNotFound)
	require.NoError(t, s.RemoveUnder(ctx, "a/"))
	assert.Equal(t, []string{"house/ab/1"}, inside.Keys())
	require.NoError(t, s.RemoveUnder(ctx, "a/"), "nothing is left to remove")

	inside.Down(true)
	short, stop := contextOf(t)
	defer stop()
	require.Error(t, s.Keep(short, "a/1", large))
}

func TestAnAddressIsWanted(t *testing.T) {
	for _, address := range []string{"", "pictures", "http://store.example/pictures", "s3://", "s3://pictures", "s3://cox:secret@pictures?endpoint=store.example"} {
		_, err := objects.Open(t.Context(), address)
		assert.Error(t, err, fmt.Sprintf("%q", address))
	}
}

// contextOf ends soon: a store that does not answer is asked again for as long as there is time.
func contextOf(t *testing.T) (context.Context, context.CancelFunc) {
	return context.WithTimeout(t.Context(), 300*time.Millisecond)
}
