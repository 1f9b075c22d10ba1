package menu_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/kitchen"
	"cuerda/core/supper/menu"
)

const twoSides = `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00Z","kitchen":{"cooks":1},"dishes":[
  {"name":"Soup","steps":[{"name":"cut","minutes":10,"hands":1},{"name":"simmer","minutes":30,"burners":1,"pans":1,"after":[{"step":"cut"}]}]},
  {"name":"Salad","steps":[{"name":"wash","minutes":5,"hands":1},{"name":"dress","minutes":2,"hands":1,"after":[{"step":"wash"}]}]}]}`

func pinned(t require.TestingT, pins ...menu.SupperPin) *menu.Supper {
	d, err := menu.Read([]byte(twoSides))
	require.NoError(t, err)
	d.Pins = pins
	return d
}

func at(hour, minute int) *time.Time {
	out := time.Date(2026, 11, 27, hour, minute, 0, 0, time.UTC)
	return &out
}

func TestAPinThatCannotBeHeldIsNamedAndThePlanIsWithoutIt(t *testing.T) {
	k := kitchen.Usual()
	for name, c := range map[string]struct {
		pins []menu.SupperPin
		want []menu.Unheld
	}{
		"none":                {nil, nil},
		"one that can be":     {[]menu.SupperPin{{Dish: "Soup", Step: "cut", Start: at(18, 0)}}, nil},
		"after the table":     {[]menu.SupperPin{{Dish: "Salad", Step: "dress", Start: at(18, 59)}}, []menu.Unheld{{Pin: 0, Code: menu.PastTable}}},
		"a step that is gone": {[]menu.SupperPin{{Dish: "Salad", Step: "grate", Start: at(18, 0)}}, []menu.Unheld{{Pin: 0, Code: menu.NoStep}}},
		"the same hands":      {[]menu.SupperPin{{Dish: "Soup", Step: "cut", Start: at(18, 0)}, {Dish: "Salad", Step: "wash", Start: at(18, 5)}}, []menu.Unheld{{Pin: 1, Code: menu.AtOdds}}},
	} {
		planned, unheld, err := new(menu.Baker).MakeLoose(pinned(t, c.pins...), k, menu.Options{})
		require.NoError(t, err, name)
		assert.Equal(t, c.want, unheld, name)
		assert.Len(t, planned.Plan.Steps, 4, name)
	}
	_, err := new(menu.Baker).Make(pinned(t, menu.SupperPin{Dish: "Salad", Step: "dress", Start: at(18, 59)}), k, menu.Options{})
	assert.Error(t, err, "who asks for every pin is told that it cannot be")
}

// Wherever pins are, there is a plan as long as there is one without them, and every pin is either
// held to the minute or named.
func TestAnyPinsLeaveAPlan(t *testing.T) {
	k := kitchen.Usual()
	steps := [][2]string{{"Soup", "cut"}, {"Soup", "simmer"}, {"Salad", "wash"}, {"Salad", "dress"}}
	rapid.Check(t, func(t *rapid.T) {
		var pins []menu.SupperPin
		for _, s := range rapid.SliceOfNDistinct(rapid.SampledFrom(steps), 0, 4, func(s [2]string) string { return s[0] + s[1] }).Draw(t, "pinned") {
			pins = append(pins, menu.SupperPin{Dish: s[0], Step: s[1], Start: at(17, rapid.IntRange(0, 180).Draw(t, "minute"))})
		}
		d := pinned(t, pins...)
		planned, unheld, err := new(menu.Baker).MakeLoose(d, k, menu.Options{})
		require.NoError(t, err)
		out := map[int]bool{}
		for _, u := range unheld {
			out[u.Pin] = true
		}
		for i, p := range pins {
			for _, s := range planned.Plan.Steps {
				if planned.Supper.Dishes[s.Dish].Name == p.Dish && planned.Supper.Dishes[s.Dish].Steps[s.Step].Name == p.Step && !out[i] {
					require.True(t, planned.Time(s.Start).Equal(*p.Start), "%s %s is held", p.Dish, p.Step)
				}
			}
		}
	})
}
