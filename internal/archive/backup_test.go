package archive_test

import (
	"bytes"
	"context"
	"io"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

// A backup made while others save, restored into a new place, gives the same kitchens to
// the byte of their archives.
func TestABackupRestoresToTheByte(t *testing.T) {
	t.Parallel()
	ctx := t.Context()
	from, k := demotest.Open(t)
	require.NoError(t, from.SaveOwnFood(ctx, k, food.Own{ID: "own-dulse", Name: "Dulse", Like: "nori"}, food.Own{ID: "own-alaria", Name: "Alaria", Like: "nori"}))
	busy, stop := context.WithCancel(ctx)
	saving := make(chan struct{})
	go func() {
		defer close(saving)
		for i := 1; busy.Err() == nil; i++ {
			_, _ = from.Create(busy, k, doc("Meanwhile", float64(i)))
		}
	}()
	var file bytes.Buffer
	list, err := archive.WriteBackup(ctx, &file, from, time.Now())
	stop()
	<-saving
	require.NoError(t, err)
	require.Len(t, list.Kitchens, 1)
	again, err := archive.Verify(bytes.NewReader(file.Bytes()), int64(file.Len()), foods, nil)
	require.NoError(t, err)
	assert.Equal(t, list, again)

	to := pgtest.Open(t)
	restore := func(s *store.Store, data []byte) error {
		_, err := archivetest.Restore(ctx, s, data, foods)
		return err
	}
	require.NoError(t, restore(to, file.Bytes()))
	var second bytes.Buffer
	relist, err := archive.WriteBackup(ctx, &second, to, list.MadeAt)
	require.NoError(t, err)
	assert.Equal(t, list.Kitchens, relist.Kitchens, "sums of the archives included")
	require.ErrorIs(t, restore(to, file.Bytes()), store.ErrNotEmpty)

	// What is not what was written restores nothing.
	for _, spoil := range []func([]byte) []byte{
		func(b []byte) []byte { return b[:len(b)/2] },
		func(b []byte) []byte { b[len(b)/3] ^= 1; return b },
		func([]byte) []byte { return []byte("no zip") },
	} {
		empty := pgtest.Open(t)
		require.ErrorIs(t, restore(empty, spoil(bytes.Clone(file.Bytes()))), archive.ErrBadBackup)
		count, err := archive.WriteBackup(ctx, io.Discard, empty, time.Now())
		require.NoError(t, err)
		assert.Empty(t, count.Kitchens)
	}
}
