package food_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
)

func prepared(t require.TestingT, id string, preps ...food.Preparation) food.Prepared {
	f := food.Starter().Find(id)
	require.NotNil(t, f, id)
	return food.Prepare(f, 100, preps)
}

// Overnight dry beans double; soaked and ground raw they bind, as cooked ones hardly do.
func TestDryLegumesSoak(t *testing.T) {
	night := food.Preparation{Do: food.Soak, Hours: 12}
	for _, id := range []string{"chickpeas-dry", "black-beans-dry"} {
		dry, soaked := prepared(t, id), prepared(t, id, night)
		assert.InDelta(t, 200, soaked.Mass, 12, id)
		assert.InDelta(t, soaked.Mass-dry.Mass, soaked.Water-dry.Water, 1e-9, "only water comes in")
		ground := prepared(t, id, night, food.Preparation{Do: food.Blitz, Level: 1})
		assert.Less(t, ground.Chunk, soaked.Chunk)
		assert.Positive(t, ground.GlueHot, "raw and ground it sets")
	}
	quick := prepared(t, "textured-soy", food.Preparation{Do: food.Soak, Hours: .5})
	assert.InDelta(t, 300, quick.Mass, 40, "dry protein drinks two to three times its mass")
}

// Hands and a cloth take a third to a half of grated squash and potato, and little of
// what hardly leaks; never more than there is, and the longer a soak the more it gives.
func TestPressingAndSoakingLaws(t *testing.T) {
	for _, id := range []string{"courgette", "potato-grated"} {
		assert.InDelta(t, 65, prepared(t, id, food.Preparation{Do: food.Press}).Mass, 10, id)
	}
	assert.Greater(t, prepared(t, "carrot", food.Preparation{Do: food.Press}).Mass, prepared(t, "courgette", food.Preparation{Do: food.Press}).Mass)
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(food.Starter().Foods()).Draw(t, "food")
		before := food.Prepare(f, 100, nil)
		pressed := food.Prepare(f, 100, []food.Preparation{{Do: food.Press}})
		assert.LessOrEqual(t, pressed.Mass, before.Mass+1e-9, f.ID)
		assert.LessOrEqual(t, pressed.Leak, before.Leak, f.ID)
		assert.GreaterOrEqual(t, pressed.Water, 0., f.ID)
		short := rapid.Float64Range(0, 24).Draw(t, "hours")
		long := short + rapid.Float64Range(0, 24).Draw(t, "more")
		soak := func(h float64) float64 {
			return food.Prepare(f, 100, []food.Preparation{{Do: food.Soak, Hours: h}}).Mass
		}
		assert.LessOrEqual(t, soak(short), soak(long)+1e-9, f.ID)
	})
}

// What outcomes teach keeps to the shape of a food: factors of one and its own figures
// leave it as it was, and a written row reads back.
func TestTeachingAFood(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := rapid.SampledFrom(food.AsJudged().Foods()).Draw(t, "food")
		assert.Equal(t, *f, f.Taught(f.AsJudged()))
		l := f.AsJudged()
		l.Drink = rapid.Float64Range(.5, 2).Draw(t, "drink")
		taught := f.Taught(l)
		assert.InDelta(t, f.Plastic*l.Drink, taught.Plastic, 1e-9)
		assert.InDelta(t, f.Liquid*l.Drink, taught.Liquid, 1e-9, "the span goes along")
		assert.Equal(t, f.Composition, taught.Composition, "what it holds is measured, not learned")
		assert.Len(t, l.Row(f.ID), len(strings.Split(food.LearnedColumns, ",")))
	})
}
