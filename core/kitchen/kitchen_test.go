package kitchen_test

import (
	"encoding/json"
	"math"
	"reflect"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/safety"
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
	for _, c := range []struct {
		field     string
		set       func(s *kitchen.Settings, v float64)
		low, high float64
		step      float64 // to the next value that the field can hold
	}{
		{"oven_offset_celsius", func(s *kitchen.Settings, v float64) { s.OvenOffset = v }, -60, 60, 1e-9},
		{"altitude_m", func(s *kitchen.Settings, v float64) { s.AltitudeM = v }, -400, 5000, 1e-9},
		{"room_celsius", func(s *kitchen.Settings, v float64) { s.RoomCelsius = v }, 5, 40, 1e-9},
		{"fridge_celsius", func(s *kitchen.Settings, v float64) { s.FridgeCelsius = v }, 0, 12, 1e-9},
		{"freezer_celsius", func(s *kitchen.Settings, v float64) { s.FreezerCelsius = v }, -30, -10, 1e-9},
		{"tray_length_mm", func(s *kitchen.Settings, v float64) { s.TrayLengthMM = v }, 100, 1000, 1e-9},
		{"tray_width_mm", func(s *kitchen.Settings, v float64) { s.TrayWidthMM = v }, 100, 1000, 1e-9},
		{"pan_diameter_mm", func(s *kitchen.Settings, v float64) { s.PanDiameterMM = v }, 80, 1000, 1e-9},
		{"pot_diameter_mm", func(s *kitchen.Settings, v float64) { s.PotDiameterMM = v }, 80, 1000, 1e-9},
		{"bowl_g", func(s *kitchen.Settings, v float64) { s.BowlGrams = v }, 50, 20000, 1e-9},
		{"racks", func(s *kitchen.Settings, v float64) { s.Racks = int(v) }, 1, 10, 1},
		{"cooks", func(s *kitchen.Settings, v float64) { s.Cooks = int(v) }, 1, 8, 1},
		{"ovens", func(s *kitchen.Settings, v float64) { s.Ovens = int(v) }, 0, 4, 1},
		{"burners", func(s *kitchen.Settings, v float64) { s.Burners = int(v) }, 0, 12, 1},
		{"pans", func(s *kitchen.Settings, v float64) { s.Pans = int(v) }, 0, 12, 1},
		{"bowls", func(s *kitchen.Settings, v float64) { s.Bowls = int(v) }, 0, 6, 1},
		{"figures/preheat", func(s *kitchen.Settings, v float64) { s.Own = map[string]float64{"preheat": v} }, 0, 90, 1e-9},
	} {
		check := func(v float64) error {
			s := kitchen.UsualSettings()
			c.set(&s, v)
			return s.Check()
		}
		assert.NoError(t, check(c.low), c.field)
		assert.NoError(t, check(c.high), c.field)
		beyond := []float64{c.low - c.step, c.high + c.step, -1e4 - c.high, 1e6}
		if c.step < 1 {
			beyond = append(beyond, math.NaN(), math.Inf(1), math.Inf(-1))
		}
		for _, v := range beyond {
			var wrong *kitchen.SettingError
			require.ErrorAs(t, check(v), &wrong, "%s of %g", c.field, v)
			assert.Equal(t, c.field, wrong.Field)
			assert.Contains(t, wrong.Error(), c.field)
		}
	}
	for name, spoil := range map[string]func(*kitchen.Settings){
		"a unit of mass":        func(s *kitchen.Settings) { s.Units.Mass = "stone" },
		"a unit of temperature": func(s *kitchen.Settings) { s.Units.Temperature = "K" },
		"no unit of length":     func(s *kitchen.Settings) { s.Units.Length = "" },
		"a figure of the moon":  func(s *kitchen.Settings) { s.Own = map[string]float64{"moonlight": 1} },
	} {
		s := kitchen.UsualSettings()
		spoil(&s)
		assert.Error(t, s.Check(), name)
	}
	own := kitchen.UsualSettings()
	own.Guidance, own.OwnCelsius, own.OwnMinutes = safety.Own, 40, 2
	assert.Error(t, own.Check(), "no rule of one's own below 55 degC")
	own.Guidance = "hearsay"
	assert.Error(t, own.Check())
	usual.Currency = "euro"
	assert.Error(t, usual.Check())
}

func TestItsOwnFiguresStandOverTheUsualOnes(t *testing.T) {
	s := kitchen.UsualSettings()
	s.Own = map[string]float64{"preheat": 30, "drain": 0}
	k, err := kitchen.New(food.Starter(), s, nil)
	require.NoError(t, err)
	assert.Equal(t, 30., k.Parameters.Minutes.Preheat)
	assert.Zero(t, k.Parameters.Minutes.Drain, "none is not missing")
	assert.Equal(t, parameter.Usual().Minutes.Press, k.Parameters.Minutes.Press)
	s.Own["preheat"] = 3000
	_, err = kitchen.New(food.Starter(), s, nil)
	assert.Error(t, err)
}

// The ranges that a form offers are those that settings are described with and checked by.
func TestLimitsAreThoseThatAreDescribedAndChecked(t *testing.T) {
	rows := map[string]kitchen.Limit{}
	for _, l := range kitchen.Limits() {
		rows[l.Field] = l
	}
	for _, f := range reflect.VisibleFields(reflect.TypeFor[kitchen.Settings]()) {
		low, ranged := f.Tag.Lookup("minimum")
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		if f.Anonymous || !ranged || strings.HasPrefix(name, "own_") { // a rule of one's own is asked for with the guidance
			continue
		}
		l, known := rows[name]
		require.True(t, known, name)
		assert.Equal(t, low, strconv.FormatFloat(l.Low, 'f', -1, 64), name)
		assert.Equal(t, f.Tag.Get("maximum"), strconv.FormatFloat(l.High, 'f', -1, 64), name)
		delete(rows, name)
	}
	assert.Empty(t, rows, "each stands in the settings")
	for _, l := range kitchen.Limits() {
		for _, outside := range []float64{l.Low - l.Step, l.High + l.Step} {
			s := kitchen.UsualSettings()
			text, err := json.Marshal(s)
			require.NoError(t, err)
			var tree map[string]any
			require.NoError(t, json.Unmarshal(text, &tree))
			tree[l.Field] = outside
			text, err = json.Marshal(tree)
			require.NoError(t, err)
			require.NoError(t, json.Unmarshal(text, &s))
			var wrong *kitchen.SettingError
			require.ErrorAs(t, s.Check(), &wrong, "%s of %g", l.Field, outside)
			assert.Equal(t, l.Field, wrong.Field)
		}
	}
}

// Marks rise with their heat, and lie within what ovens can be told.
func TestGasMarksRise(t *testing.T) {
	for i := 1; i < len(kitchen.GasMarks); i++ {
		assert.Greater(t, kitchen.GasMarks[i].Celsius, kitchen.GasMarks[i-1].Celsius)
		// 25 degrees Fahrenheit apart, rounded as cook books do.
		assert.InDelta(t, 25/1.8, kitchen.GasMarks[i].Celsius-kitchen.GasMarks[i-1].Celsius, 7)
	}
}
