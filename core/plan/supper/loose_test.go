package supper_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
)

const twoSides = `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00Z","kitchen":{"cooks":1},"dishes":[
  {"name":"Soup","steps":[{"name":"cut","minutes":10,"hands":1},{"name":"simmer","minutes":30,"burners":1,"pans":1,"after":[{"step":"cut"}]}]},
  {"name":"Salad","steps":[{"name":"wash","minutes":5,"hands":1},{"name":"dress","minutes":2,"hands":1,"after":[{"step":"wash"}]}]}]}`

func pinned(t require.TestingT, pins ...supper.SupperPin) *supper.Supper {
	d, err := supper.Read([]byte(twoSides))
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
		pins []supper.SupperPin
		want []supper.Unheld
	}{
		"none":                {nil, nil},
		"one that can be":     {[]supper.SupperPin{{Dish: "Soup", Step: "cut", Start: at(18, 0)}}, nil},
		"after the table":     {[]supper.SupperPin{{Dish: "Salad", Step: "dress", Start: at(18, 59)}}, []supper.Unheld{{Pin: 0, Code: supper.PastTable}}},
		"a step that is gone": {[]supper.SupperPin{{Dish: "Salad", Step: "grate", Start: at(18, 0)}}, []supper.Unheld{{Pin: 0, Code: supper.NoStep}}},
		"the same hands":      {[]supper.SupperPin{{Dish: "Soup", Step: "cut", Start: at(18, 0)}, {Dish: "Salad", Step: "wash", Start: at(18, 5)}}, []supper.Unheld{{Pin: 1, Code: supper.AtOdds}}},
	} {
		planned, unheld, err := new(supper.Baker).MakeLoose(pinned(t, c.pins...), k, supper.Options{})
		require.NoError(t, err, name)
		assert.Equal(t, c.want, unheld, name)
		assert.Len(t, planned.Plan.Steps, 4, name)
	}
	_, err := new(supper.Baker).Make(pinned(t, supper.SupperPin{Dish: "Salad", Step: "dress", Start: at(18, 59)}), k, supper.Options{})
	assert.Error(t, err, "who asks for every pin is told that it cannot be")
}

// Wherever pins are, there is a plan as long as there is one without them, and every pin is either
// held to the minute or named.
func TestAnyPinsLeaveAPlan(t *testing.T) {
	k := kitchen.Usual()
	steps := [][2]string{{"Soup", "cut"}, {"Soup", "simmer"}, {"Salad", "wash"}, {"Salad", "dress"}}
	rapid.Check(t, func(t *rapid.T) {
		var pins []supper.SupperPin
		for _, s := range rapid.SliceOfNDistinct(rapid.SampledFrom(steps), 0, 4, func(s [2]string) string { return s[0] + s[1] }).Draw(t, "pinned") {
			pins = append(pins, supper.SupperPin{Dish: s[0], Step: s[1], Start: at(17, rapid.IntRange(0, 180).Draw(t, "minute"))})
		}
		d := pinned(t, pins...)
		planned, unheld, err := new(supper.Baker).MakeLoose(d, k, supper.Options{})
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
