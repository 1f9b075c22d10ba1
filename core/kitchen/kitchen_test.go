package kitchen_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/safety"
)

func TestTheShelfOfAKitchen(t *testing.T) {
	price := 4.5
	k, err := kitchen.New(food.Starter(), kitchen.UsualSettings(), []kitchen.PantryItem{
		{Food: "rice-flour", Have: true, PerKilo: &price},
		{Food: "oats-rolled", LabelRead: []string{"gluten"}},
		{Food: "a food of the moon", Have: true},
	})
	require.NoError(t, err)
	assert.True(t, k.Have("rice-flour"))
	assert.False(t, k.Have("oats-rolled"), "known is not at hand")
	assert.False(t, k.Have("a food of the moon"))
	assert.Equal(t, []string{"gluten"}, k.LabelRead("oats-rolled"))
	assert.Empty(t, k.LabelRead("rice-flour"))
	for id, known := range map[string]bool{"rice-flour": true, "oats-rolled": false, "water": true, "salt": false} {
		_, got := k.Price(id)
		assert.Equal(t, known, got, id)
	}
	more, err := k.With(kitchen.PantryItem{Food: "oats-rolled", Have: true})
	require.NoError(t, err)
	assert.True(t, more.Have("oats-rolled"))
	assert.Empty(t, more.LabelRead("oats-rolled"), "the item takes the place of the other whole")
	assert.True(t, more.Have("rice-flour"), "the others stay")
	assert.False(t, k.Have("oats-rolled"), "the kitchen asked is not changed")
}

func TestAPackChangesTheFoodOfThisKitchenAlone(t *testing.T) {
	label := food.PackLabel{Fat: 5, Carb: 40, Fibre: 20, Protein: 24, Salt: .1}
	k, err := kitchen.New(food.Starter(), kitchen.UsualSettings(), []kitchen.PantryItem{{Food: "chickpea-flour", Pack: &label}})
	require.NoError(t, err)
	own, shared := k.Foods.Find("chickpea-flour"), food.Starter().Find("chickpea-flour")
	assert.Equal(t, 24., own.Protein)
	assert.NotEqual(t, 24., shared.Protein)
	assert.Equal(t, shared.SetShare, own.SetShare, "how it binds is the food's")
	_, err = kitchen.New(food.Starter(), kitchen.UsualSettings(), nil, food.Own{ID: "own-moon-dust", Name: "Moon dust", Like: "green cheese"})
	assert.Error(t, err, "an own food is like one that is known")
}

func TestSettingsOutOfRangeAreNamed(t *testing.T) {
	usual := kitchen.UsualSettings()
	require.NoError(t, usual.Check())
	rapid.Check(t, func(t *rapid.T) {
		s := kitchen.UsualSettings()
		at := rapid.SampledFrom([]struct {
			field     string
			to        *float64
			low, high float64
		}{
			{"oven_offset_celsius", &s.OvenOffset, -60, 60}, {"altitude_m", &s.AltitudeM, -400, 5000},
			{"fridge_celsius", &s.FridgeCelsius, 0, 12}, {"freezer_celsius", &s.FreezerCelsius, -30, -10}, {"room_celsius", &s.RoomCelsius, 5, 40},
		}).Draw(t, "setting")
		*at.to = rapid.OneOf(rapid.Float64Range(-1e4, 1e4), rapid.Just(math.NaN()), rapid.Just(math.Inf(1))).Draw(t, "value")
		err := s.Check()
		if *at.to >= at.low && *at.to <= at.high {
			assert.NoError(t, err)
			return
		}
		var wrong *kitchen.SettingError
		require.ErrorAs(t, err, &wrong)
		assert.Equal(t, at.field, wrong.Field)
		assert.Contains(t, err.Error(), at.field)
	})
	own := kitchen.UsualSettings()
	own.Guidance, own.OwnCelsius, own.OwnMinutes = safety.Own, 40, 2
	assert.Error(t, own.Check(), "no rule of one's own below 55 degC")
	own.Guidance = "hearsay"
	assert.Error(t, own.Check())
	usual.Currency = "euro"
	assert.Error(t, usual.Check())
}
