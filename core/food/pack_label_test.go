package food_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
)

func TestAnOwnPackStandsForItsFoodAlone(t *testing.T) {
	starter := food.Starter()
	label := food.PackLabel{Fat: 4, Carb: 1, Fibre: .5, Protein: 9, Salt: .2, GramsPerCup: 240}
	assert.True(t, label.Adds())
	own, err := starter.With(map[string]food.PackLabel{"tofu-firm": label})
	require.NoError(t, err)
	f := own.Find("tofu-firm")
	assert.InDelta(t, 100, f.Sum(), .01)
	assert.Equal(t, 9., f.Protein)
	assert.Equal(t, 240., f.GramsPerCup)
	assert.InDelta(t, 84.4, f.Water, .3)
	assert.Equal(t, 76., starter.Find("tofu-firm").Water, "the catalogue is as it was")
	assert.Equal(t, *starter.Find("salt"), *own.Find("salt"))
	_, err = starter.With(map[string]food.PackLabel{"moonbeams": label})
	assert.ErrorIs(t, err, food.ErrBadCatalogue)
	assert.False(t, (&food.PackLabel{Fat: 60, Carb: 50}).Adds())
	same, err := starter.With(nil)
	require.NoError(t, err)
	assert.Same(t, starter, same)
}
