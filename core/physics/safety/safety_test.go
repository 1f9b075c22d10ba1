package safety_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
)

func of(t *testing.T, ids ...string) []mix.Line {
	var out []mix.Line
	for _, id := range ids {
		f := food.Starter().Find(id)
		require.NotNil(t, f, id)
		out = append(out, mix.Line{Food: f, Grams: 100})
	}
	return out
}

func TestTargetsFollowWhatIsInTheMix(t *testing.T) {
	us, uk := safety.Rule{Guidance: safety.US}, safety.Rule{Guidance: safety.UK}
	own := safety.Rule{Guidance: safety.Own, OwnCelsius: 75, OwnMinutes: 0.5}
	for _, c := range []struct {
		foods   []string
		kind    piece.Kind
		celsius float64
		reason  safety.Reason
	}{
		{[]string{"beef-ground-15", "onion"}, piece.Patty, 71, safety.GroundMeat},
		{[]string{"beef-ground-15", "turkey-ground"}, piece.Ball, 74, safety.Poultry},
		{[]string{"turkey-ground", "beef-ground-15"}, piece.Ball, 74, safety.Poultry},
		{[]string{"leek", "egg"}, piece.Patty, 71, safety.Egg},
		{[]string{"split-peas-cooked", "egg"}, piece.Patty, 74, safety.Plants},
		{[]string{"chickpea-flour", "salmon-raw", "water"}, piece.Patty, 74, safety.Plants},
		{[]string{"salmon-raw", "leek"}, piece.Patty, 63, safety.Fish},
		{[]string{"beef-ground-15"}, piece.Stuffing, 74, safety.Stuffing},
		{[]string{"mackerel-cooked", "potato-mashed"}, piece.Patty, 74, safety.Cooked},
		{[]string{"split-peas-cooked", "chickpea-flour"}, piece.Patty, 74, safety.Plants},
	} {
		got := us.TargetFor(of(t, c.foods...), c.kind)
		assert.Equal(t, c.celsius, got.Celsius, c.foods)
		assert.Equal(t, c.reason, got.Reason, c.foods)
		assert.Equal(t, c.reason != safety.Plants, got.Guided, c.foods)
		if !got.Guided {
			continue
		}
		british := uk.TargetFor(of(t, c.foods...), c.kind)
		assert.Equal(t, [2]float64{70, 2}, [2]float64{british.Celsius, british.Minutes})
		local := own.TargetFor(of(t, c.foods...), c.kind)
		assert.Equal(t, [2]float64{75, 0.5}, [2]float64{local.Celsius, local.Minutes})
	}
	for i := range food.Starter().Foods() {
		f := food.Starter().Foods()[i]
		if f.State == food.Raw && (f.Group == food.Meat || f.Group == food.Fish || f.Group == food.Egg) {
			assert.True(t, us.TargetFor([]mix.Line{{Food: f, Grams: 1}}, piece.Patty).Guided, "%s has guidance", f.ID)
		}
	}
}

func TestKeepingIsNeverLongerWithMoreInTheMix(t *testing.T) {
	us := safety.Rule{Guidance: safety.US}
	plain := us.KeepFor(of(t, "split-peas-cooked"))
	for _, id := range []string{"mackerel-cooked", "turkey-ground", "egg", "rice-cooked"} {
		more := us.KeepFor(of(t, "split-peas-cooked", id))
		assert.LessOrEqual(t, more.CookedFridgeDays, plain.CookedFridgeDays)
		assert.LessOrEqual(t, more.RawFridgeDays, plain.RawFridgeDays)
		assert.LessOrEqual(t, more.FreezerMonths, plain.FreezerMonths)
	}
	assert.Equal(t, 2., safety.Rule{Guidance: safety.UK}.KeepFor(of(t, "split-peas-cooked")).CookedFridgeDays)
}

func TestCautionsOfHotOil(t *testing.T) {
	assert.Contains(t, safety.CautionsFor(method.DeepOil, 175, piece.Ball), "hot-oil")
	assert.NotContains(t, safety.CautionsFor(method.DeepOil, 175, piece.Ball), "oil-too-hot")
	assert.Contains(t, safety.CautionsFor(method.DeepOil, 300, piece.Ball), "oil-too-hot")
	assert.NotContains(t, safety.CautionsFor(method.StillOven, 230, piece.Patty), "hot-oil")
	assert.Contains(t, safety.CautionsFor(method.StillOven, 190, piece.Ball), "choking")
}

func TestNothingAddedLowersTheTarget(t *testing.T) {
	foods := food.Starter().Foods()
	rapid.Check(t, func(t *rapid.T) {
		line := rapid.Custom(func(t *rapid.T) mix.Line {
			return mix.Line{Food: foods[rapid.IntRange(0, len(foods)-1).Draw(t, "food")], Grams: 1}
		})
		lines := rapid.SliceOfN(line, 1, 6).Draw(t, "lines")
		rule := safety.Rule{Guidance: rapid.SampledFrom(safety.Guidances).Draw(t, "guidance"), OwnCelsius: rapid.Float64Range(55, 90).Draw(t, "own"), OwnMinutes: rapid.Float64Range(0, 20).Draw(t, "held")}
		kind := rapid.SampledFrom(piece.Kinds).Draw(t, "kind")
		before, after := rule.TargetFor(lines[1:], kind), rule.TargetFor(lines, kind)
		assert.GreaterOrEqual(t, after.Celsius, before.Celsius, "the highest of all")
		least, guided := before.Least()
		now, still := after.Least()
		if guided {
			assert.True(t, still)
			assert.GreaterOrEqual(t, now.Celsius, least.Celsius)
		}
	})
}
