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
	own, err := starter.With(map[string]food.PackLabel{"tofu-firm": label}, nil)
	require.NoError(t, err)
	f := own.Find("tofu-firm")
	assert.InDelta(t, 100, f.Sum(), .01)
	assert.Equal(t, 9., f.Protein)
	assert.Equal(t, 240., f.GramsPerCup)
	assert.InDelta(t, 84.4, f.Water, .3)
	assert.Equal(t, 76., starter.Find("tofu-firm").Water, "the catalogue is as it was")
	assert.Equal(t, *starter.Find("salt"), *own.Find("salt"))
	_, err = starter.With(map[string]food.PackLabel{"moonbeams": label}, nil)
	assert.ErrorIs(t, err, food.ErrBadCatalogue)
	assert.False(t, (&food.PackLabel{Fat: 60, Carb: 50}).Adds())
	same, err := starter.With(nil, nil)
	require.NoError(t, err)
	assert.Same(t, starter, same)
}

func TestAnOwnFoodBehavesAsWhatItIsLike(t *testing.T) {
	starter := food.Starter()
	own := food.Own{ID: "own-teff", Name: "Mill teff", Like: "teff-flour", Label: &food.PackLabel{Fat: 3, Carb: 64, Fibre: 8, Protein: 13, Salt: .02}, Allergens: []string{"gluten"}}
	all, err := starter.With(nil, []food.Own{own})
	require.NoError(t, err)
	f, like := all.Find("own-teff"), starter.Find("teff-flour")
	assert.Equal(t, like.Paste, f.Paste)
	assert.Equal(t, 8., f.Fibre)
	assert.InDelta(t, 100, f.Sum(), .01)
	assert.Equal(t, "contains", f.Gluten)
	assert.True(t, f.Has("check-label"), "what nobody has checked is to be read")
	assert.Nil(t, starter.Find("own-teff"))
	for _, bad := range []food.Own{{ID: "own-x", Like: "moonbeams"}, {ID: "salt", Like: "salt"}} {
		_, err := starter.With(nil, []food.Own{bad})
		assert.ErrorIs(t, err, food.ErrBadCatalogue)
	}
	_, err = starter.With(nil, []food.Own{own, own})
	assert.ErrorIs(t, err, food.ErrBadCatalogue, "twice")
}
