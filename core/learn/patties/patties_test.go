package patties

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

func cakes(t testing.TB, binder string, grams, rest float64) *document.Document {
	t.Helper()
	d, err := document.Read(fmt.Appendf(nil, `{"format":"cuerda-build/1","name":"Pea cakes","lines":[
		{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},
		{"food":"onion","grams":90,"prep":[{"do":"saute","minutes":10}]},{"food":"%s","grams":%g},{"food":"salt","grams":6}],
		"rest":{"minutes":%g,"celsius":20},"cook":{"method":"pan"}}`, binder, grams, rest), food.Starter())
	require.NoError(t, err)
	return d
}

func ask(t testing.TB, d *document.Document, open OpenQuestion) *Question {
	t.Helper()
	options, err := open.Options(d)
	require.NoError(t, err)
	q, err := Ask(kitchen.Usual(), open.Ordered(), options...)
	require.NoError(t, err)
	return q
}

func questions(t testing.TB) (out []*Question) {
	for _, binder := range []string{"chickpea-flour", "oats-rolled", "flax-meal"} {
		for _, step := range []float64{8, 15} {
			d := cakes(t, binder, 3*step, 20)
			out = append(out, ask(t, d, OpenQuestion{Food: binder, Amounts: []float64{step, 2 * step, 3 * step, 4 * step, 5 * step}}))
		}
	}
	none, twenty := 0., 20.
	d := cakes(t, "chickpea-flour", 45, 20)
	return append(out,
		ask(t, d, OpenQuestion{Choices: []Alternative{{RestMinutes: &none}, {RestMinutes: &twenty}}}),
		ask(t, d, OpenQuestion{Food: "chickpea-flour", Choices: []Alternative{{With: "chickpea-flour", Grams: 45}, {With: "flax-meal", Grams: 20}, {With: "oats-rolled", Grams: 50}}}))
}

// drawn is one way it may be, and how a patty of an option comes out there.
func (w *worlds) drawn(r *rand.Rand) int {
	x := r.Float64()
	for i, p := range w.weight {
		if x -= p; x < 0 {
			return i
		}
	}
	return len(w.weight) - 1
}

func (w *worlds) fry(world, option int, r *rand.Rand) FriedPatty {
	pick := func(p []float64) int {
		x := r.Float64()
		for i, y := range p {
			if x -= y; x < 0 {
				return i
			}
		}
		return len(p) - 1
	}
	return FriedPatty{option, mix.SqueezeWords[pick(w.words[w.wet[world]][option][:])], Grades[pick(w.grades[world][option][:])]}
}

// With half of the patties of a fixed plan, the same number of each option, the answer is right as often.
func TestHalfOfThePattiesOfAFixedPlan(t *testing.T) {
	if testing.Short() {
		t.Skip("thousands of plans")
	}
	r := rand.New(rand.NewPCG(3, 8))
	right := func(q *Question, a Answer, w *worlds, world int) bool {
		best := a.Best
		if best < 0 {
			best = len(q.Options)
		}
		// Of amounts the next greater one will do.
		return best == w.best[world] || q.Ordered && best == w.best[world]+1
	}
	planned, fixed, runs := [2]float64{}, [2]float64{}, 0
	for _, q := range questions(t) {
		w := q.worlds()
		for range 60 {
			world := w.drawn(r)
			var fried []FriedPatty
			for len(fried) < 24 {
				a := q.Decide(fried, 1)
				if a.Sure || len(a.Next) == 0 {
					break
				}
				fried = append(fried, w.fry(world, a.Next[0], r))
			}
			runs++
			planned[0] += float64(len(fried))
			if right(q, q.Decide(fried, 1), w, world) {
				planned[1]++
			}
			n := 2 * len(fried)
			fried = fried[:0]
			for i := range n {
				fried = append(fried, w.fry(world, i%len(q.Options), r))
			}
			fixed[0] += float64(n)
			if right(q, q.Decide(fried, 1), w, world) {
				fixed[1]++
			}
		}
	}
	each := float64(runs)
	t.Logf("planned: %.1f patties, right %.0f%%; fixed: %.1f, %.0f%%", planned[0]/each, 100*planned[1]/each, fixed[0]/each, 100*fixed[1]/each)
	assert.LessOrEqual(t, planned[0], fixed[0]/2)
	assert.GreaterOrEqual(t, planned[1]/each, fixed[1]/each-.03, "as sure, but for the luck of so many draws")
}

// What is known is a distribution whatever was fried; findings that agree make it surer, and the order in which
// patties were fried says nothing.
func TestAnswersAreDistributions(t *testing.T) {
	for _, q := range questions(t) {
		r := rand.New(rand.NewPCG(2, 2))
		var fried []FriedPatty
		for range 8 {
			a := q.Decide(fried, 2)
			sum := a.None
			for i, p := range a.Chances {
				sum += p
				assert.GreaterOrEqual(t, a.Holds[i], 0.)
				assert.LessOrEqual(t, a.Holds[i], 1.)
			}
			assert.InDelta(t, 1, sum, 1e-9)
			assert.GreaterOrEqual(t, a.Gain, 0.)
			fried = append(fried, FriedPatty{r.IntN(len(q.Options)), mix.SqueezeWords[r.IntN(6)], Grades[r.IntN(4)]})
		}
		forth := q.Decide(fried, 1)
		back := make([]FriedPatty, len(fried))
		for i, f := range fried {
			back[len(fried)-1-i] = f
		}
		there := q.Decide(back, 1)
		for i := range forth.Chances {
			assert.InDelta(t, forth.Chances[i], there.Chances[i], 1e-9)
		}
	}
	q := questions(t)[1]
	fails := q.Decide([]FriedPatty{{0, mix.Slumps, FellApart}, {1, mix.Slumps, FellApart}, {2, mix.Slumps, FellApart}, {3, mix.Slack, Cracked}}, 1)
	holds := q.Decide([]FriedPatty{{0, mix.Firm, Firm}, {0, mix.Firm, Held}, {1, mix.Firm, Firm}}, 1)
	assert.Greater(t, fails.Amount, holds.Amount)
	assert.LessOrEqual(t, holds.Best, 1)
}

func TestWhatIsWeighed(t *testing.T) {
	d := cakes(t, "chickpea-flour", 45, 20)
	open := OpenQuestion{Food: "chickpea-flour", Amounts: []float64{65, 25, 45, 45}}
	weighed, err := open.Weigh(d, kitchen.Usual())
	require.NoError(t, err)
	require.Len(t, weighed, 3, "each amount once, from the least")
	for i, w := range weighed {
		assert.InDelta(t, Grams, w.BaseG+w.AddG, 1e-9)
		if i > 0 {
			assert.Greater(t, w.AddG, weighed[i-1].AddG)
		}
		assert.InDelta(t, math.Round(10*w.AddG), 10*w.AddG, 1e-9, "as a scale tells")
	}
	nought := 0.
	rested, err := (&OpenQuestion{Choices: []Alternative{{RestMinutes: &nought}, {}}}).Weigh(d, kitchen.Usual())
	require.NoError(t, err)
	assert.InDelta(t, Grams, rested[0].BaseG, 1e-9)

	for name, bad := range map[string]OpenQuestion{
		"nothing": {}, "one": {Food: "chickpea-flour", Amounts: []float64{45}}, "no food": {Amounts: []float64{1, 2}},
		"below nought": {Food: "salt", Amounts: []float64{-1, 2}}, "ten": {Food: "salt", Amounts: []float64{1, 2, 3, 4, 5, 6, 7, 8, 9, 10}},
		"not a number": {Food: "salt", Amounts: []float64{math.NaN(), 2}},
	} {
		_, err := bad.Options(d)
		assert.Error(t, err, name)
	}
}

func BenchmarkDecide(b *testing.B) {
	q := questions(b)[0]
	for _, at := range []int{1, 3} {
		b.Run(fmt.Sprint(at), func(b *testing.B) {
			for b.Loop() {
				q.Decide([]FriedPatty{{1, mix.Tacky, Held}}, at)
			}
		})
	}
}
