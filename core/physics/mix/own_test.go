package mix

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/physics/piece"
)

// What a kitchen's tries add: nothing where there are none, rough hands never help what is moved and do nothing
// to what stands in a tin, what held before never hurts, and no try makes a chance less sure.
func TestWhatAKitchenAddsToTheJudge(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		like := drawLikeness(t, "mix")
		sd := rapid.Float64Range(.5, 2.5).Draw(t, "spread")
		moved, tin := Duty{Need: piece.Demand{Raw: .5, Cooked: 2}}, Duty{tin: 1}
		raw, cooked, left := (*Own)(nil).add(&moved, &like, sd)
		assert.Zero(t, raw)
		assert.Zero(t, cooked)
		assert.Equal(t, sd, left)

		rough := rapid.Float64Range(0, .8).Draw(t, "rough")
		own := &Own{Rough: rough}
		raw, cooked, _ = own.add(&moved, &like, sd)
		assert.InDelta(t, -RoughOdds*rough, raw, 1e-12)
		assert.Zero(t, cooked)
		raw, _, _ = own.add(&tin, &like, sd)
		assert.Zero(t, raw)

		settled := rapid.Float64Range(0, 1).Draw(t, "settled")
		kin := OwnKin{Like: drawLikeness(t, "kin"), Raw: rapid.Float64Range(0, 2).Draw(t, "raw"), Cooked: rapid.Float64Range(0, 2).Draw(t, "cooked"), Settled: settled}
		own = &Own{Kin: []OwnKin{kin}}
		raw, cooked, left = own.add(&moved, &like, sd)
		assert.GreaterOrEqual(t, raw, 0.)
		assert.GreaterOrEqual(t, cooked, 0.)
		assert.LessOrEqual(t, left, sd)
		assert.Greater(t, left, 0.)
		_, _, itself := own.add(&moved, &kin.Like, sd)
		assert.LessOrEqual(t, itself, left+1e-12, "the mix itself is the surest")
	})
}

func TestBoundsOfWordsAndOdds(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		q := rapid.Float64Range(-2, 3).Draw(t, "index")
		low, high := Between(WordFor(q))
		assert.LessOrEqual(t, low, q)
		assert.Less(t, q, high)
		p := rapid.Float64Range(.01, .99).Draw(t, "chance")
		assert.InDelta(t, p, Logistic(Odds(p, 1e-6)), 1e-9)
	})
	low, high := Between(NoPaste)
	assert.Equal(t, low, high, "no handful feels so")
	assert.InDelta(t, 1, Ratio(Odds(.5, 0)), 1e-12, "an even chance is what is needed")
	assert.InDelta(t, 1.5, Ratio(Odds(.7, 0)), 1e-6)
	assert.False(t, math.IsInf(Odds(1, .001), 0))
	assert.InDelta(t, 0, Surest(0), 1e-12)
	assert.Less(t, Surest(1e6), surest+1e-9)
}
