package store_test

import (
	"context"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/internal/store"
)

// out is everything of a kitchen's builds, as an archive takes it.
func out(t testing.TB, s *store.Store, k string) (all []store.History) {
	t.Helper()
	require.NoError(t, s.Histories(t.Context(), k, func(h *store.History) error { all = append(all, *h); return nil }))
	return all
}

func take(t testing.TB, s *store.Store, k string, all []store.History) store.TakenIn {
	t.Helper()
	count, err := s.TakeIn(t.Context(), k, store.Taken{Histories: all})
	require.NoError(t, err)
	return count
}

// saved makes a build of so many versions, 100 g more in each.
func saved(t testing.TB, s *store.Store, k, name string, versions int) *store.Build {
	t.Helper()
	b, err := s.Create(t.Context(), k, doc(name, 100))
	require.NoError(t, err)
	for i := 2; i <= versions; i++ {
		b, err = s.Save(t.Context(), k, b.ID, i-1, doc(name, float64(100*i)))
		require.NoError(t, err)
	}
	return b
}

// What goes out comes in elsewhere as it was: versions, labels and what was branched from what; taken in again it
// changes nothing.
func TestBuildsComeInWhole(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	cakes := saved(t, s, k, "Cakes", 3)
	branch, err := s.Branch(t.Context(), k, cakes.ID, 2, "Cakes, wetter")
	require.NoError(t, err)
	require.NoError(t, s.NameVersion(t.Context(), k, cakes.ID, 2, "the good one"))
	was := out(t, s, k)
	other, there := open(t)
	count := take(t, other, there, was)
	assert.Equal(t, 2, count.Added)
	assert.Equal(t, was, out(t, other, there))
	assert.Equal(t, store.TakenIn{Same: 2}, take(t, other, there, was))
	is, err := other.Find(t.Context(), there, branch.ID)
	require.NoError(t, err)
	assert.Equal(t, branch.Document, is.Document)
	assert.Equal(t, was, out(t, other, there))
}

// A build that has fewer versions gets the rest, one that has gone on is left and the archive's kept beside it, once;
// one that was deleted comes back.
func TestBuildsThatMeetTheirPast(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	b := saved(t, s, k, "Cakes", 2)
	early := out(t, s, k)
	_, err := s.Save(t.Context(), k, b.ID, 2, doc("Cakes", 300))
	require.NoError(t, err)
	late := out(t, s, k)

	other, there := open(t)
	take(t, other, there, early)
	assert.Equal(t, store.TakenIn{Continued: 1}, take(t, other, there, late))
	now, err := other.Find(t.Context(), there, b.ID)
	require.NoError(t, err)
	assert.Equal(t, 3, now.Version)
	assert.Equal(t, late, out(t, other, there))

	assert.Equal(t, store.TakenIn{Copied: 1}, take(t, other, there, early), "it has gone on: the older stands beside it")
	assert.Len(t, out(t, other, there), 2)
	assert.Equal(t, store.TakenIn{Same: 1}, take(t, other, there, early), "and is found again")
	assert.Len(t, out(t, other, there), 2)

	require.NoError(t, other.Delete(t.Context(), there, b.ID))
	assert.Equal(t, store.TakenIn{Same: 1}, take(t, other, there, late))
	_, err = other.Find(t.Context(), there, b.ID)
	require.NoError(t, err, "it came back")
}

// Whatever of it cannot be kept, nothing is.
func TestAllComesInOrNothing(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	saved(t, s, k, "Cakes", 2)
	all := out(t, s, k)
	bad := all[0]
	bad.ID = "0f2a9d3c-1111-4222-8333-444455559999"
	bad.Versions = append([]store.HistoryVersion(nil), bad.Versions...)
	bad.Versions[1].Number = 1 // twice the same number
	other, there := open(t)
	_, err := other.TakeIn(t.Context(), there, store.Taken{Histories: append(all, bad)})
	require.Error(t, err)
	assert.Empty(t, out(t, other, there))

	stopped, stop := context.WithCancel(t.Context())
	stop()
	_, err = other.TakeIn(stopped, there, store.Taken{Histories: all})
	require.Error(t, err)
	assert.Empty(t, out(t, other, there))
}

// Pantry and settings come in only where they are to replace what is there.
func TestSettingsComeInWhereTheyAreAsked(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	there := kitchen.UsualSettings()
	there.AltitudeM = 1500
	in := store.Taken{Settings: there, Pantry: []kitchen.PantryItem{{Food: "tofu-firm", Have: true}}}
	_, err := s.TakeIn(t.Context(), k, in)
	require.NoError(t, err)
	is, err := s.Settings(t.Context(), k)
	require.NoError(t, err)
	assert.Zero(t, is.AltitudeM)
	in.Replaces = true
	_, err = s.TakeIn(t.Context(), k, in)
	require.NoError(t, err)
	is, err = s.Settings(t.Context(), k)
	require.NoError(t, err)
	assert.InDelta(t, 1500, is.AltitudeM, 1e-9)
	items, err := s.Pantry(t.Context(), k)
	require.NoError(t, err)
	require.Len(t, items, 1)
	assert.Equal(t, "tofu-firm", items[0].Food)
	name, err := s.KitchenName(t.Context(), k)
	require.NoError(t, err)
	assert.Equal(t, "Boathouse", name)
}
