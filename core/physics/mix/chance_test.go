package mix_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// The first-order spread against 20 000 mixes whose foods are really redrawn.
func TestTheSpreadAgreesWithRedrawnFoods(t *testing.T) {
	for _, text := range []string{r3, r3base, r11, references[1].mix} {
		given := lines(t, text)
		rest := mix.Rest{Minutes: 15, Celsius: 20, Hands: 6}
		s := mix.Assess(given, rest)
		rng := rand.New(rand.NewPCG(1, 2))
		const n = 20000
		var sum, sum2 float64
		for range n {
			drawn := slices.Clone(given)
			for i := range drawn {
				f := *drawn[i].Food
				sd := f.Grade.SD()
				off := func(v, sd float64) float64 { return v * max(.05, 1+sd*rng.NormFloat64()) }
				plasticSD, spanSD := f.DrinkSD()
				span := off(f.Liquid-f.Plastic, spanSD)
				f.Plastic, f.Tau, f.Leak = off(f.Plastic, plasticSD), off(f.Tau, sd), off(f.Leak, sd)
				f.Liquid = f.Plastic + span
				f.Chunk = min(max(f.Chunk+sd*f.Chunk*(1-f.Chunk)*rng.NormFloat64(), 0), .99)
				drawn[i].Food = &f
			}
			d := mix.Assess(drawn, rest)
			sum += d.Q
			sum2 += d.Q * d.Q
		}
		sd := math.Sqrt(sum2/n - sum/n*sum/n)
		assert.InEpsilon(t, sd, s.SD, .30, "spread of q, %s", text)
	}
}

func TestWords(t *testing.T) {
	for q, want := range map[float64]mix.Word{
		-.5: mix.Crumbles, -.01: mix.Crumbles, 0: mix.Short, .15: mix.Firm, .54: mix.Firm,
		.55: mix.Tacky, .85: mix.Slack, 1.05: mix.Slumps, 300: mix.Slumps,
	} {
		assert.Equal(t, want, mix.WordFor(q), q)
	}
	for _, nothing := range []string{"water 100", "olive-oil 50", "salt 5", "water 500; salt 9; olive-oil 20"} {
		s := mix.Assess(lines(t, nothing), mix.Rest{Minutes: 10, Celsius: 20})
		assert.Equal(t, mix.NoPaste, s.Word(), nothing)
		assert.Equal(t, mix.Judged{}, s.Effect.Judge(&duties[0], 0))
	}
}

// A handful crumbles not only when it is dry: where nothing joins it, it does at any
// index short of wet.
func TestLooseGrainsCrumbleWhateverTheirIndex(t *testing.T) {
	for _, loose := range []string{"quinoa-cooked 400; salt 4", "millet-cooked 400; hazelnuts 60; salt 4", "tuna-canned 300; lemon-juice 5"} {
		s := mix.Assess(lines(t, loose), mix.Rest{Celsius: 20, Hands: 5})
		assert.Contains(t, []mix.Word{mix.Crumbles, mix.Short}, s.Word(), "%s, index %.2f", loose, s.Q)
	}
	joined := mix.Assess(lines(t, references[1].mix), mix.Rest{Celsius: 20, Hands: 5})
	assert.Equal(t, mix.WordFor(joined.Q), joined.Word())
}

func ExampleAssess() {
	foods := food.Starter()
	s := mix.Assess([]mix.Line{
		{Food: foods.Find("red-lentils-cooked"), Grams: 420},
		{Food: foods.Find("carrot"), Grams: 80, Preps: []food.Preparation{{Do: food.Saute, Minutes: 10}}},
		{Food: foods.Find("millet-flakes"), Grams: 75},
		{Food: foods.Find("tahini"), Grams: 20},
		{Food: foods.Find("salt"), Grams: 5},
	}, mix.Rest{Minutes: 15, Celsius: 20, Hands: 6})
	fmt.Printf("%s: q %.2f\n", s.Word(), s.Q)
	// Output: tacky: q 0.63
}

func BenchmarkAssess20Lines(b *testing.B) {
	twenty := slices.Concat(lines(b, r3), lines(b, r11), lines(b, references[8].mix))[:20]
	parts := mix.Parts(twenty)
	rest := mix.Rest{Minutes: 20, Celsius: 20}
	b.ReportAllocs()
	for b.Loop() {
		s := mix.AssessParts(parts, rest)
		s.Effect.Judge(&duties[0], 0)
	}
}
