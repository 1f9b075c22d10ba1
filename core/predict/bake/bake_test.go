package bake_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

const turkeyBalls = `{"format": "cuerda-build/1", "name": "Turkey balls", "lines": [
	{"food": "turkey-ground", "grams": 600}, {"food": "leek", "grams": 120, "prep": [{"do": "saute", "minutes": 10}]},
	{"food": "millet-flakes", "grams": 45}, {"food": "psyllium-husk", "grams": 4}, {"food": "salt", "grams": 8}],
	"rest": {"minutes": 15}, "chill": {"minutes": 30, "celsius": 4},
	"piece": {"kind": "ball", "diameter_mm": 38}, "cook": {"method": "still-oven", "celsius": 190}, "table_time": "19:30"}`

func parsed(t testing.TB, text string, changes ...string) *document.Document {
	t.Helper()
	d, err := document.Read([]byte(strings.NewReplacer(changes...).Replace(text)), food.Starter())
	require.NoError(t, err)
	return d
}

func with(s kitchen.Settings) *kitchen.Kitchen {
	k := kitchen.Usual()
	k.Settings = s
	return k
}

func baked(t testing.TB, changes ...string) bake.Baked {
	return bake.Bake(parsed(t, turkeyBalls, changes...), kitchen.Usual(), bake.Options{Now: -1, Section: true})
}

func codes(notes []bake.CookNote) (out []string) {
	for _, n := range notes {
		out = append(out, n.Code)
	}
	return out
}

func TestTurkeyBalls(t *testing.T) {
	a := baked(t)
	require.True(t, a.Reached)
	assert.Equal(t, safety.Poultry, a.Target.Reason)
	assert.Equal(t, 74., a.Target.Celsius)
	assert.InDelta(t, 16, *a.MinutesToTarget, 4)
	assert.Less(t, *a.PullAt, *a.MinutesToTarget)
	assert.GreaterOrEqual(t, a.PeakCelsius, 73.5, "carry-over does the rest")
	assert.Less(t, a.StartCelsius, 14., "the chill counts")
	assert.InDelta(t, a.WaterLossPct+a.JuiceLossPct+a.FatLossPct, a.WeightLossPct, 0.2)
	assert.True(t, a.WeightLossPct > 4 && a.WeightLossPct < 30)
	for _, s := range a.Sets {
		assert.Greater(t, s.Share, 0.8, "%s has set", s.Food)
	}
	p := predict.Predict(parsed(t, turkeyBalls), kitchen.Usual())
	assert.LessOrEqual(t, a.SetRatio, p.CookedRatio+0.01)
	assert.InDelta(t, 0.47, a.Mix.Conductivity, 0.06, "lean ground poultry near room temperature")
	assert.InDelta(t, 3.5, a.Mix.HeatCapacity, 0.3)
	assert.NotEmpty(t, a.Section.Frames)
	assert.Len(t, a.Section.Frames[0].Celsius, len(a.Section.X))
	last := -1.0
	for _, at := range a.Curve {
		assert.Greater(t, at.Minutes, last)
		last = at.Minutes
	}
}

func TestSearThenOvenThenGrill(t *testing.T) {
	const how = `"method": "still-oven", "celsius": 190`
	plain := baked(t)
	a := baked(t, how, how+`, "sear_minutes": 2, "grill_minutes": 3`)
	assert.Equal(t, 2., *a.SearEnds)
	assert.InDelta(t, 3, *a.PullAt-*a.GrillFrom, 0.1)
	assert.Less(t, *a.PullAt, *plain.PullAt)
	assert.GreaterOrEqual(t, a.PeakCelsius, 73.4)
	steps := map[string]bake.Step{}
	for _, s := range a.Steps {
		steps[s.Code] = s
	}
	assert.Equal(t, 2, steps["sear"].Times, "24 balls are two panfuls")
	assert.Equal(t, 6., steps["sear"].Minutes, "with two minutes to change them")
	assert.InDelta(t, *a.GrillFrom-2, steps["cook"].Minutes, 0.11)
	assert.InDelta(t, steps["grill"].Before+steps["cook"].Minutes, steps["cook"].Before, 1e-9)
	assert.InDelta(t, steps["cook"].Before+6, steps["sear"].Before, 1e-9)
	assert.InDelta(t, steps["cook"].Before+15, steps["preheat"].Before, 1e-9)

	// What is on the heat cools only once it is off it.
	hottest := bake.Point{}
	for _, p := range a.Curve {
		if p.SurfaceCelsius > hottest.SurfaceCelsius {
			hottest = p
		}
	}
	assert.InDelta(t, *a.PullAt, hottest.Minutes, 0.1)

	held := baked(t, `"kind": "ball", "diameter_mm": 38`, `"kind": "loaf", "length_mm": 200, "width_mm": 80, "height_mm": 50`, how, how+`, "sear_minutes": 2`)
	assert.Nil(t, held.SearEnds)
	assert.Contains(t, codes(held.Notes), "no-sear")
}

func TestTheCordRunsBackFromTheTable(t *testing.T) {
	a := baked(t)
	require.Equal(t, "table", a.Steps[len(a.Steps)-1].Code)
	assert.Equal(t, "19:30", a.Steps[len(a.Steps)-1].Clock)
	at := map[string]bake.Step{}
	end := a.Steps[0].Before
	for _, s := range a.Steps {
		at[s.Code] = s
		if !s.Beside {
			assert.InDelta(t, end, s.Before, 1e-9, "%s begins when the one before ends", s.Code)
			end -= s.Minutes
		}
	}
	assert.InDelta(t, 0, end, 1e-9)
	assert.Equal(t, []int{1}, at["saute"].Lines)
	assert.Equal(t, 30., at["chill"].Minutes)
	assert.InDelta(t, at["cook"].Before+15, at["preheat"].Before, 1e-9, "the oven is hot in time")
	for _, gone := range []string{"soak", "blitz", "press"} {
		assert.NotContains(t, at, gone)
	}
	late := bake.Bake(parsed(t, turkeyBalls), kitchen.Usual(), bake.Options{Now: 19 * 60})
	assert.InDelta(t, at["saute"].Before-30, late.LateMinutes, 1, "half an hour to the table")
	soaked := baked(t, `{"food": "leek"`, `{"food": "pumpkin-seeds", "grams": 60, "prep": [{"do": "soak", "hours": 20}]}, {"food": "leek"`)
	assert.Equal(t, "soak", soaked.Steps[0].Code)
	assert.Equal(t, -1, soaked.Steps[0].Day, "the evening before")
}

func TestChangesMoveEverything(t *testing.T) {
	base := baked(t)
	bigger := baked(t, `"diameter_mm": 38`, `"diameter_mm": 50`)
	assert.Greater(t, *bigger.PullAt, *base.PullAt)
	assert.Less(t, bigger.Yield.Pieces, base.Yield.Pieces)
	unchilled := baked(t, `"chill": {"minutes": 30, "celsius": 4},`, "")
	assert.Less(t, *unchilled.PullAt, *base.PullAt)
	frozen := baked(t, `"celsius": 190}`, `"celsius": 190, "start_celsius": -18}`)
	assert.Greater(t, *frozen.PullAt, *base.PullAt+3)
	s := kitchen.UsualSettings()
	s.OvenOffset = -15
	cool := bake.Bake(parsed(t, turkeyBalls), with(s), bake.Options{Now: -1})
	assert.Greater(t, *cool.PullAt, *base.PullAt, "an oven that is cooler than it says")
	s = kitchen.UsualSettings()
	s.AltitudeM = 3000
	boiled := parsed(t, turkeyBalls, "still-oven", "simmer", `"celsius": 190`, `"celsius": 97`)
	assert.Greater(t, *bake.Bake(boiled, with(s), bake.Options{}).MinutesToTarget,
		*bake.Bake(boiled, kitchen.Usual(), bake.Options{}).MinutesToTarget, "broth on a mountain is cooler")
}

func TestClearAnswersToBadOvens(t *testing.T) {
	for name, c := range map[string]struct {
		changes []string
		note    string
		reached bool
	}{
		"a cold oven":             {[]string{`"celsius": 190`, `"celsius": 20`}, "target-above-surroundings", false},
		"oil at 300":              {[]string{"still-oven", "deep-oil", `"celsius": 190`, `"celsius": 300`}, "oil-too-hot", true},
		"a target above the oven": {[]string{`"celsius": 190}`, `"celsius": 120, "target_celsius": 150}`}, "target-above-surroundings", false},
		"below guidance":          {[]string{`"celsius": 190}`, `"celsius": 190, "target_celsius": 62}`}, "below-guidance", true},
		"an oven that never does": {[]string{`"celsius": 190}`, `"celsius": 76}`}, "not-reached", false},
		"nothing to cook":         {[]string{turkeyBalls[strings.Index(turkeyBalls, "[")+1 : strings.Index(turkeyBalls, "],\n")], ""}, "empty-mix", false},
		"a ball of 60 cm":         {[]string{`"diameter_mm": 38`, `"diameter_mm": 600`}, "does-not-fit", false},
		"a tin that runs over":    {[]string{`{"kind": "ball", "diameter_mm": 38}`, `{"kind": "loaf", "length_mm": 150, "width_mm": 80, "height_mm": 60, "tin_height_mm": 60}`}, "tin-too-full", true},
		"a tin of unknown depth":  {[]string{`{"kind": "ball", "diameter_mm": 38}`, `{"kind": "loaf", "length_mm": 150, "width_mm": 80, "height_mm": 60}`}, "tin-too-full", true},
	} {
		a := baked(t, c.changes...)
		assert.Contains(t, codes(a.Notes), c.note, name)
		assert.Equal(t, c.reached, a.Reached, name)
		assert.Equal(t, c.reached, a.PullAt != nil, name)
		assert.NotEmpty(t, a.Steps, name)
	}
}

func TestGuidanceIsNeverPassedInSilence(t *testing.T) {
	for _, g := range []safety.Rule{{Guidance: safety.US}, {Guidance: safety.UK}, {Guidance: safety.Own, OwnCelsius: 75}} {
		s := kitchen.UsualSettings()
		s.Rule = g
		usual := bake.Bake(parsed(t, turkeyBalls), with(s), bake.Options{})
		assert.NotContains(t, codes(usual.Notes), "below-guidance")
		if g.Guidance == safety.UK {
			assert.GreaterOrEqual(t, usual.F70, 2., "two minutes at 70, or their equal")
		}
		low := bake.Bake(parsed(t, turkeyBalls, `"celsius": 190}`, `"celsius": 190, "target_celsius": 65}`), with(s), bake.Options{})
		assert.Contains(t, codes(low.Notes), "below-guidance")
	}
}

func TestSettingsKeepToTheirRanges(t *testing.T) {
	good := kitchen.UsualSettings()
	require.NoError(t, good.Check())
	nan := math.NaN()
	for field, change := range map[string]func(*kitchen.Settings){
		"oven_offset_celsius": func(s *kitchen.Settings) { s.OvenOffset = -61 },
		"altitude_m":          func(s *kitchen.Settings) { s.AltitudeM = 9000 },
		"room_celsius":        func(s *kitchen.Settings) { s.RoomCelsius = nan },
		"fridge_celsius":      func(s *kitchen.Settings) { s.FridgeCelsius = 20 },
		"racks":               func(s *kitchen.Settings) { s.Racks = 0 },
		"own_celsius":         func(s *kitchen.Settings) { s.Guidance, s.OwnCelsius = safety.Own, 40 },
		"own_minutes":         func(s *kitchen.Settings) { s.Guidance, s.OwnCelsius, s.OwnMinutes = safety.Own, 70, -1 },
	} {
		s := good
		change(&s)
		var out *kitchen.SettingError
		require.ErrorAs(t, s.Check(), &out, field)
		assert.Equal(t, field, out.Field)
		assert.Contains(t, out.Error(), field)
		assert.Less(t, out.Low, out.High)
	}
	good.Guidance = "folklore"
	assert.ErrorContains(t, good.Check(), "folklore")
}

func TestOutlook(t *testing.T) {
	o := bake.Explore(parsed(t, turkeyBalls), kitchen.Usual(), nil)
	for _, w := range o.WhatIf {
		require.NotNil(t, w.Minutes, w.Change)
		if w.Change == "from-room" {
			assert.Less(t, w.More, 0.)
		} else {
			assert.Greater(t, w.More, 0., w.Change)
		}
	}
	assert.True(t, *o.ChillToFirm > 10 && *o.ChillToFirm < 120)
	assert.True(t, o.Cooling.InTime, "small balls cool in time")
	assert.Greater(t, *o.FromFrozen, *baked(t).MinutesToTarget)
	assert.Greater(t, *o.Thaw, 60.)
	assert.Empty(t, o.FrozenTurns, "nobody turns balls in an oven")
	// Frozen patties in a pan are turned oftener, which is why they take little longer; their turns are told.
	patties := []string{`{"kind": "ball", "diameter_mm": 38}`, `{"kind": "patty", "diameter_mm": 80, "thickness_mm": 18}`, `"still-oven", "celsius": 190`, `"pan"`}
	frozen := bake.Explore(parsed(t, turkeyBalls, patties...), kitchen.Usual(), nil)
	require.NotEmpty(t, frozen.FrozenTurns)
	assert.IsIncreasing(t, append([]float64{0}, append(frozen.FrozenTurns, *frozen.FromFrozen)...))
	assert.GreaterOrEqual(t, len(frozen.FrozenTurns), len(baked(t, patties...).Turns))
	big := bake.Explore(parsed(t, turkeyBalls, `{"kind": "ball", "diameter_mm": 38}`, `{"kind": "loaf", "length_mm": 280, "width_mm": 200, "height_mm": 150, "tin": false}`), kitchen.Usual(), nil)
	assert.False(t, big.Cooling.InTime, "a great loaf does not")
}

func TestEveryKindAndMethodIsAnswered(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	water := 100 * predict.Predict(parsed(t, turkeyBalls), kitchen.Usual()).WaterShare
	for _, k := range piece.Kinds {
		for _, m := range method.Methods() {
			d := parsed(t, turkeyBalls)
			p := piece.Piece{Kind: k}
			for _, s := range k.Sizes() {
				p.Set(s.Field, s.Default)
			}
			celsius := m.Row().Celsius
			d.Piece, d.Cook = &p, &document.Cook{Method: m, Celsius: &celsius}
			a := bake.Bake(d, kitchen.Usual(), bake.Options{Now: -1, Section: true})
			if a.Reached {
				assert.GreaterOrEqual(t, a.PeakCelsius, 70., "%s %s", k, m)
				assert.True(t, a.WeightLossPct >= 0 && a.WeightLossPct < water, "%s %s loses %g", k, m, a.WeightLossPct)
			}
		}
	}
}

func ExampleBake() {
	d, _ := document.Read([]byte(turkeyBalls), food.Starter())
	a := bake.Bake(d, kitchen.Usual(), bake.Options{Now: -1})
	fmt.Printf("%.0f degC for %s, %d balls on %d tray\n", a.Target.Celsius, a.Target.Reason, a.Yield.Pieces, a.Load.Loads)
	// Output: 74 degC for poultry, 24 balls on 1 tray
}

func BenchmarkBakeBalls(b *testing.B) {
	d := parsed(b, turkeyBalls)
	for b.Loop() {
		bake.Bake(d, kitchen.Usual(), bake.Options{Now: -1, Section: true})
	}
}

func BenchmarkLookOutBalls(b *testing.B) {
	d := parsed(b, turkeyBalls)
	for b.Loop() {
		bake.Explore(d, kitchen.Usual(), nil)
	}
}

func TestTheSqueezeAndTheHeatKnowOneChill(t *testing.T) {
	for _, p := range []string{
		`{"kind":"patty","diameter_mm":80,"thickness_mm":15}`, `{"kind":"ball","diameter_mm":38}`,
		`{"kind":"patty","diameter_mm":60,"thickness_mm":25}`, `{"kind":"loaf","length_mm":210,"width_mm":110,"height_mm":60}`,
	} {
		for _, chill := range [][2]float64{{20, 4}, {45, 4}, {90, 1}, {40, -18}} {
			d := parsed(t, fmt.Sprintf(`{"format":"cuerda-build/1","lines":[{"food":"split-peas-cooked","grams":500,"prep":[{"do":"blitz","level":0.5}]}],
				"piece":%s,"rest":{"minutes":10,"celsius":20},"chill":{"minutes":%g,"celsius":%g},"cook":{"method":"fan-oven"}}`, p, chill[0], chill[1]))
			predicted := predict.Predict(d, kitchen.Usual())
			assert.InDelta(t, bake.Bake(d, kitchen.Usual(), bake.Options{Now: -1}).StartCelsius, *predicted.ChilledCelsius, 0.05, "%s after %v", p, chill)
		}
	}
}

func TestPartsHaveTheirPlaceInTheHeatAndOnTheCord(t *testing.T) {
	const shell = `{"format":"cuerda-build/1","lines":[{"food":"amaranth-cooked","grams":500},{"food":"potato-flakes","grams":60},{"food":"chickpea-flour","grams":40}],
		"piece":{"kind":"shell","diameter_mm":60,"thickness_mm":36,"wall_mm":9},"cook":{"method":"fan-oven","celsius":200},"table_time":"19:00"PARTS}`
	alone := bake.Bake(parsed(t, shell, "PARTS", ""), kitchen.Usual(), bake.Options{Now: -1})
	assert.Nil(t, alone.WallPeakCelsius)
	filled := bake.Bake(parsed(t, shell, "PARTS", `,"parts":[
		{"kind":"filling","lines":[{"food":"mushroom","grams":300,"prep":[{"do":"saute","minutes":12}]},{"food":"turkey-ground","grams":100}]},
		{"kind":"glaze","lines":[{"food":"tomato-paste","grams":60}]},{"kind":"sauce","cook_minutes":20,"lines":[{"food":"tomato-passata","grams":400}]}]`),
		kitchen.Usual(), bake.Options{Now: -1})
	assert.Equal(t, safety.Plants, alone.Target.Reason)
	assert.Equal(t, safety.Poultry, filled.Target.Reason, "what is inside counts")
	require.NotNil(t, filled.WallPeakCelsius)
	assert.Greater(t, *filled.WallPeakCelsius, filled.PeakCelsius, "the shell gets hotter than the filling")

	steps := map[string]bake.Step{}
	for i, s := range filled.Steps {
		if s.Part > 0 {
			steps[fmt.Sprint(s.Code, s.Part)] = s
			continue
		}
		steps[s.Code] = filled.Steps[i]
	}
	assert.Equal(t, 15., steps["make1"].Minutes, "saute and mixing")
	assert.Equal(t, steps["shape"].Before+15, steps["make1"].Before, "ready to be filled in")
	assert.InDelta(t, steps["cook"].Before-*filled.PullAt/2, steps["brush2"].Before, 0.6, "half-way")
	assert.Equal(t, 23., steps["make3"].Before, "the sauce is ready at the table")
	assert.Equal(t, "18:37", steps["make3"].Clock)
}
