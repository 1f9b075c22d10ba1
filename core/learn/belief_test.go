package learn_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/learn"
	"cuerda/core/physics/mix"
)

func first(x []float64) float64 { return x[0] }

// With no finding a belief is its prior; many alike, and it is what was found.
func TestABeliefGoesFromItsPriorToWhatWasFound(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		q := learn.Quantity{Name: "offset", Mean: rapid.Float64Range(-5, 5).Draw(t, "mean"), SD: rapid.Float64Range(.5, 10).Draw(t, "sd")}
		none, err := learn.Believe([]learn.Quantity{q}, nil)
		require.NoError(t, err)
		assert.InDelta(t, q.Mean, none.Mode[0], 1e-9)
		assert.InDelta(t, q.SD, none.SD(0), 1e-9)
		truth := q.Mean + q.SD*rapid.Float64Range(-2.5, 2.5).Draw(t, "truth, in spreads of the prior")
		var found []learn.Finding
		last := none
		for range 30 {
			found = append(found, learn.Finding{Says: first, Loss: learn.Measured(truth, 1), About: []int{0}})
			b, err := learn.Believe([]learn.Quantity{q}, found)
			require.NoError(t, err)
			assert.LessOrEqual(t, math.Abs(b.Mode[0]-truth), math.Abs(last.Mode[0]-truth)+1e-6, "nearer with every finding")
			last = b
		}
		assert.InDelta(t, truth, last.Mode[0], .5)
		assert.Less(t, last.SD(0), .3)
	})
}

// One number quite wrong among ten moves the belief by less than half its spread before
// any finding, and contradictions leave it between.
func TestOutliersAndContradictionsStaySane(t *testing.T) {
	q := []learn.Quantity{{Name: "offset", SD: 8}}
	var found []learn.Finding
	for range 10 {
		found = append(found, learn.Finding{Says: first, Loss: learn.Measured(-6, 2), About: []int{0}})
	}
	sound, err := learn.Believe(q, found)
	require.NoError(t, err)
	wrong, err := learn.Believe(q, append(found, learn.Finding{Says: first, Loss: learn.Measured(200, 2), About: []int{0}}))
	require.NoError(t, err)
	assert.InDelta(t, sound.Mode[0], wrong.Mode[0], .5)

	torn, err := learn.Believe(q, []learn.Finding{
		{Says: first, Loss: learn.Counted(8, 8, .5), About: []int{0}}, {Says: first, Loss: learn.Counted(0, 8, .5), About: []int{0}},
	})
	require.NoError(t, err)
	assert.InDelta(t, 0, torn.Mode[0], 1e-6)

	_, err = learn.Believe([]learn.Quantity{{SD: 0}}, nil)
	require.ErrorIs(t, err, learn.ErrNoBelief)
	_, err = learn.Believe(q, []learn.Finding{{Says: func([]float64) float64 { return math.NaN() }, Loss: learn.Measured(1, 1), About: []int{0}}})
	require.ErrorIs(t, err, learn.ErrNoBelief)
}

// The slope of every kind of finding is that of its loss, and the curvature not below nought.
func TestLossesSlopeAsTheySay(t *testing.T) {
	losses := map[string]learn.Loss{
		"measured": learn.Measured(12, 1.5), "counted": learn.Counted(3, 8, .3), "felt": learn.Felt(mix.Firm, mix.Tacky), "none counted": learn.Counted(0, 0, 0),
	}
	rapid.Check(t, func(t *rapid.T) {
		at := rapid.Float64Range(-1, 14).Draw(t, "said")
		for name, loss := range losses {
			const h = 1e-4
			up, _, _ := loss(at + h)
			down, _, _ := loss(at - h)
			_, slope, curve := loss(at)
			assert.InDelta(t, (up-down)/(2*h), slope, .05*max(1, math.Abs(slope)), name)
			assert.GreaterOrEqual(t, curve, 0., name)
		}
	})
}

// Made-up kitchens whose truth is known: nine in ten lie in what is said, and two
// quantities that act together are told apart.
func TestBeliefsCoverTheTruth(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 9))
	quantities := []learn.Quantity{{Name: "offset", SD: 8}, {Name: "water", SD: .1}}
	inside, all := 0, 0
	for range 300 {
		truth := []float64{8 * rng.NormFloat64(), .1 * rng.NormFloat64()}
		var found []learn.Finding
		for i := range 12 {
			warm := float64(i%3) - 1
			minutes := func(x []float64) float64 { return 20 - .3*x[0] + 12*x[1]*warm }
			index := func(x []float64) float64 { return .4 + 2*x[1] + .1*warm }
			found = append(found,
				learn.Finding{Says: minutes, Loss: learn.Measured(minutes(truth)+1.5*rng.NormFloat64(), 1.5), About: []int{0, 1}},
				learn.Finding{Says: index, Loss: learn.Felt(mix.WordFor(index(truth) + .16*rng.NormFloat64())), About: []int{1}})
		}
		b, err := learn.Believe(quantities, found)
		require.NoError(t, err)
		for i := range truth {
			low, high := b.Interval(i)
			all++
			if truth[i] >= low && truth[i] <= high {
				inside++
			}
		}
	}
	share := float64(inside) / float64(all)
	assert.True(t, share > .85 && share < .95, "%.2f covered", share)
}

func BenchmarkBelieve40Findings(b *testing.B) {
	q := []learn.Quantity{{SD: 8}, {SD: .1}, {SD: .3}}
	var found []learn.Finding
	for i := range 40 {
		found = append(found, learn.Finding{
			Says:  func(x []float64) float64 { return 20 - .3*x[0] + 12*x[1] + x[2]*float64(i%5) },
			Loss:  learn.Measured(18, 1.5),
			About: []int{0, 1, 2},
		})
	}
	for b.Loop() {
		_, _ = learn.Believe(q, found)
	}
}
