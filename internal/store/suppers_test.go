package store_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/plan/supper"
	"cuerda/internal/store"
)

func supperOf(name string, minutes int) *supper.Supper {
	return &supper.Supper{Format: supper.Format, Name: name, Table: time.Date(2026, 11, 27, 19, 0, 0, 0, time.FixedZone("", 3600)), Aim: "latest-start",
		Dishes: []supper.SupperDish{{Name: "Roots", Steps: []supper.SupperStep{{Name: "roast", Minutes: minutes}}}}}
}

func TestASupperIsKeptAsItWasSent(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	made, err := s.CreateSupper(ctx, k, supperOf("Friday", 30))
	require.NoError(t, err)
	found, err := s.FindSupper(ctx, k, made.ID)
	require.NoError(t, err)
	assert.Equal(t, 1, found.Version)
	assert.Equal(t, "2026-11-27T19:00:00+01:00", found.Document.Table.Format(time.RFC3339), "in its own zone")
	saved, err := s.SaveSupper(ctx, k, made.ID, 1, supperOf("Friday", 40))
	require.NoError(t, err)
	assert.Equal(t, 2, saved.Version)
	again, err := s.SaveSupper(ctx, k, made.ID, 1, supperOf("Friday", 40))
	require.NoError(t, err, "sent again because its answer was lost")
	assert.Equal(t, 2, again.Version)
	_, err = s.SaveSupper(ctx, k, made.ID, 1, supperOf("Friday", 50))
	var conflict *store.ConflictError
	require.ErrorAs(t, err, &conflict)
	assert.Equal(t, 2, conflict.Current)
	require.NoError(t, s.DeleteSupper(ctx, k, made.ID))
	_, err = s.FindSupper(ctx, k, made.ID)
	assert.ErrorIs(t, err, store.ErrDeleted)
	list, err := s.ListSuppers(ctx, k, 10)
	require.NoError(t, err)
	assert.Empty(t, list)
	require.NoError(t, s.RestoreSupper(ctx, k, made.ID))
	list, err = s.ListSuppers(ctx, k, 10)
	require.NoError(t, err)
	require.Len(t, list, 1)
	assert.Equal(t, 1, list[0].Dishes)
	_, err = s.FindSupper(ctx, k, "no-id")
	assert.ErrorIs(t, err, store.ErrNotFound)
}

func TestSuppersOfAnArchive(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	first, err := s.CreateSupper(ctx, k, supperOf("Friday", 30))
	require.NoError(t, err)
	second, err := s.CreateSupper(ctx, k, supperOf("Sunday", 30))
	require.NoError(t, err)
	all, err := s.Suppers(ctx, k)
	require.NoError(t, err)
	require.Len(t, all, 2)
	require.NoError(t, s.DeleteSupper(ctx, k, first.ID))
	_, err = s.SaveSupper(ctx, k, second.ID, 1, supperOf("Sunday", 55))
	require.NoError(t, err)
	counts := []int{}
	for range 2 {
		in, err := s.TakeIn(ctx, k, store.Taken{Suppers: all})
		require.NoError(t, err)
		counts = append(counts, in.Suppers)
	}
	assert.Equal(t, []int{1, 0}, counts, "the one that has gone on is kept beside it, once")
	list, err := s.ListSuppers(ctx, k, 10)
	require.NoError(t, err)
	assert.Len(t, list, 3, "the deleted one is back")
}
