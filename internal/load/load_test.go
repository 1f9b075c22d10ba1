package load_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/jobs"
	"cuerda/internal/load"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

func silent(string) {}

// What is loaded is as if cooks had kept it: it is read, listed, learned of, and cooked on.
func TestHouseholdsAreLikeThoseOfCooks(t *testing.T) {
	s := pgtest.Open(t)
	ctx := t.Context()
	size := load.Size{Households: 3, Versions: 400, Tries: 30, Readings: 600, Large: []int{200}, Seed: 3}
	kitchens, err := load.Fill(ctx, s, size, silent)
	require.NoError(t, err)
	require.Len(t, kitchens, 3)
	assert.Equal(t, []int{20, 10, 10}, []int{len(kitchens[0].Builds), len(kitchens[1].Builds), len(kitchens[2].Builds)})
	teacher := jobs.Teacher{Store: s, Foods: food.Starter()}
	for _, k := range kitchens {
		builds, err := s.List(ctx, k.ID, "", nil, 300)
		require.NoError(t, err)
		require.Len(t, builds, len(k.Builds))
		for i := range builds {
			assert.False(t, builds[i].Unreadable)
			assert.Equal(t, 10, builds[i].Version)
		}
		usage, err := s.UsageOf(ctx, k.ID)
		require.NoError(t, err)
		assert.EqualValues(t, 10, usage.Tries)
		assert.EqualValues(t, 200, usage.Readings)
		l, err := teacher.Learn(ctx, k.ID)
		require.NoError(t, err)
		assert.Equal(t, 10, l.Tries)
		courses, err := s.ListCourses(ctx, k.ID, 10)
		require.NoError(t, err)
		require.Len(t, courses, 2)
		readings, err := s.Readings(ctx, courses[0].ID)
		require.NoError(t, err)
		assert.Len(t, readings, 100)
	}
	// Its walls stand again: a kitchen sees nothing of another, and readings are kept in the same tables as any.
	_, err = s.Find(ctx, kitchens[0].ID, kitchens[1].Builds[0])
	require.ErrorIs(t, err, store.ErrNotFound)
	require.NoError(t, s.EraseKitchen(ctx, kitchens[1].ID))

	_, err = load.Fill(ctx, s, size, silent)
	require.ErrorIs(t, err, store.ErrNotEmpty)
	again, err := load.Fill(ctx, pgtest.Open(t), size, silent)
	require.NoError(t, err)
	assert.Equal(t, kitchens, again, "the same seed makes the same")
	_, err = load.Fill(ctx, pgtest.Open(t), load.Size{Households: 1, Large: []int{10, 10}}, silent)
	require.Error(t, err)
}
