package store_test

import (
	"bytes"
	"context"
	"maps"
	"slices"
	"strings"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/store"
)

// shelf is an object store in memory.
type shelf struct {
	mu   sync.Mutex
	kept map[string][]byte
}

func (s *shelf) Keep(_ context.Context, key string, data []byte) error {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.kept[key] = bytes.Clone(data)
	return nil
}

func (s *shelf) Find(_ context.Context, key string) ([]byte, error) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if data, there := s.kept[key]; there {
		return data, nil
	}
	return nil, store.ErrNotFound
}

func (s *shelf) RemoveUnder(_ context.Context, prefix string) error {
	s.mu.Lock()
	defer s.mu.Unlock()
	maps.DeleteFunc(s.kept, func(key string, _ []byte) bool { return strings.HasPrefix(key, prefix) })
	return nil
}

// Pictures that were kept in the database stay there, new ones go to the object store, the same one once, and all of a
// kitchen's go with it.
func TestPicturesInAnObjectStore(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	keep := func(data string) string {
		p := &store.Photo{MediaType: "image/jpeg", Width: 4, Height: 3, Data: []byte(data)}
		require.NoError(t, s.KeepPhoto(ctx, k, p))
		return p.ID
	}
	before := keep("before")
	objects := &shelf{kept: map[string][]byte{}}
	s.KeepPicturesIn(objects)
	one, twice := keep("new"), keep("new")
	assert.NotEqual(t, one, twice)
	assert.Len(t, objects.kept, 1, "what is the same is kept once")
	key := slices.Collect(maps.Keys(objects.kept))[0]
	assert.True(t, strings.HasPrefix(key, k+"/"), "under its kitchen")
	for id, want := range map[string]string{before: "before", one: "new", twice: "new"} {
		p, err := s.FindPhoto(ctx, k, id)
		require.NoError(t, err)
		assert.Equal(t, want, string(p.Data))
	}
	_, err := s.FindPhoto(ctx, "3f0e7a52-0000-4000-8000-000000000000", one)
	require.ErrorIs(t, err, store.ErrNotFound, "of another kitchen")
	usage, err := s.UsageOf(ctx, k)
	require.NoError(t, err)
	assert.EqualValues(t, len("before")+2*len("new"), usage.PhotoBytes)

	require.NoError(t, s.EraseKitchen(ctx, k))
	assert.Len(t, objects.kept, 1, "it goes once the database has let it go")
	require.NoError(t, s.RemoveErasedPictures(ctx))
	assert.Empty(t, objects.kept)
}
