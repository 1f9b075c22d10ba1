package learn_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"runtime"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/simulated"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

// score is how far chances are off on new cookings of a kitchen: the mean square of the chance less what
// happens, which is never below that of the truth.
type score struct{ before, after, truth float64 }

func (s *score) add(truth *simulated.Truth, taught *kitchen.Kitchen, dishes []simulated.Dish, r *rand.Rand) {
	const cookings = 40
	for range cookings {
		d := simulated.Varied(dishes[r.IntN(len(dishes))].Document, r)
		raw, cooked, _ := truth.Chances(d)
		p := min(raw, cooked)
		luck := p * (1 - p)
		off := func(k *kitchen.Kitchen) float64 {
			x := predict.Predict(d, k).Chance - p
			return luck + x*x
		}
		s.before += off(kitchen.Usual()) / cookings
		s.after += off(taught) / cookings
		s.truth += luck / cookings
	}
}

// Two hundred made-up kitchens: what is said to hold a figure nine times in ten does, chances get better
// with every ten tries, and an oven is known to two degrees after ten bakes, six of them with a
// thermometer beside the dish.
func TestMadeUpKitchensAreLearned(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector")
	}
	kitchens, counts, from := lawtest.Draws(40, 200), []int{10, 20, 40}, lawtest.Seed(t)
	dishes := simulated.Repertoire()
	var ovens []simulated.Dish
	for _, d := range dishes {
		if d.Oven {
			ovens = append(ovens, d)
		}
	}
	foods := simulated.FoodsOf(dishes)
	var mu sync.Mutex
	inside, figures, near, wrong := map[string]int{}, map[string]int{}, 0, 0
	brier := map[int]*score{}
	for _, n := range counts {
		brier[n] = &score{}
	}
	known := &learn.Warmings{}
	one := func(seed int) {
		truth, r := simulated.Drawn(from+uint64(seed), foods), rand.New(rand.NewPCG(from+uint64(seed), 5))
		tries := truth.Tries(dishes, counts[len(counts)-1], r, func(i int) simulated.Day {
			return simulated.Day{Thermometer: i%2 == 0, Scales: i%3 == 0, OvenThermometer: i%4 == 0}
		})
		bakes := truth.Tries(ovens, 10, r, func(i int) simulated.Day {
			return simulated.Day{Thermometer: true, OvenThermometer: i%5 < 3}
		})
		for _, n := range counts {
			l, err := learn.LearnKitchen(tries[:n], kitchen.Usual(), learn.KitchenOptions{Known: known})
			mu.Lock()
			if err != nil {
				wrong++
				mu.Unlock()
				continue
			}
			brier[n].add(&truth, kitchen.Usual().Learned(&l.Taught), dishes, r)
			for i := range l.Figures {
				f := &l.Figures[i]
				v, ok := truth.Value(f.ID)
				if !ok || len(f.Tries) == 0 {
					continue
				}
				figures[f.ID]++
				if v >= f.Posterior.Low && v <= f.Posterior.High {
					inside[f.ID]++
				}
			}
			mu.Unlock()
		}
		l, err := learn.LearnKitchen(bakes, kitchen.Usual(), learn.KitchenOptions{Known: known})
		mu.Lock()
		defer mu.Unlock()
		if err != nil {
			wrong++
		} else if f, v := l.Figure(learn.OvenOffset), truth.Figures[learn.OvenOffset]; math.Abs(f.Posterior.Mean-v) < 2 {
			near++
		}
	}
	var wait sync.WaitGroup
	for w := range runtime.GOMAXPROCS(0) {
		wait.Go(func() {
			for seed := w; seed < kitchens; seed += runtime.GOMAXPROCS(0) {
				one(seed)
			}
		})
	}
	wait.Wait()
	assert.Zero(t, wrong)
	in, all := 0, 0
	for id, n := range figures {
		in, all = in+inside[id], all+n
	}
	for _, id := range []string{learn.OvenOffset, learn.OvenTransfer, learn.PanTransfer, learn.Altitude, learn.Turning, learn.Scoop} {
		t.Logf("%s: %.0f%% of %d", id, 100*float64(inside[id])/float64(figures[id]), figures[id])
	}
	coverage := float64(in) / float64(all)
	t.Logf("all figures: %.1f%% of %d within what holds nine in ten", 100*coverage, all)
	t.Logf("ovens within 2 K after ten bakes: %d of %d", near, kitchens)
	assert.InDelta(t, .9, coverage, .05)
	// Nine in ten, as far as so few can tell: two deviations of their number fewer.
	assert.GreaterOrEqual(t, float64(near), .9*float64(kitchens)-2*math.Sqrt(.09*float64(kitchens)))
	first, last := math.Inf(1), math.Inf(1)
	for _, n := range counts {
		b := brier[n]
		t.Logf("after %d: %.4f without learning, %.4f with it, %.4f by the truth", n, b.before/float64(kitchens), b.after/float64(kitchens), b.truth/float64(kitchens))
		gap, unlearned := b.after-b.truth, b.before-b.truth
		assert.Less(t, gap, unlearned, "learning helps")
		last = gap / unlearned
		if n == counts[0] {
			first = last
		}
	}
	assert.Less(t, last, first, "and more with forty tries than with ten")
}

func peaCakes(t testing.TB, flour float64) *document.Document {
	t.Helper()
	d, err := document.Read(fmt.Appendf(nil, `{"format":"cuerda-build/1","name":"Pea cakes","lines":[
		{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},
		{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},
		{"food":"chickpea-flour","grams":%g},{"food":"flax-meal","grams":16},{"food":"salt","grams":6}],
		"rest":{"minutes":20,"celsius":20},"cook":{"method":"still-oven","celsius":190}}`, flour), food.Starter())
	require.NoError(t, err)
	return d
}

func found(t testing.TB, f logbook.Found) *logbook.Found {
	t.Helper()
	require.NoError(t, f.Check())
	return &f
}

func learned(t testing.TB, tries []learn.Try, o learn.KitchenOptions) *learn.Learned {
	t.Helper()
	l, err := learn.LearnKitchen(tries, kitchen.Usual(), o)
	require.NoError(t, err)
	return l
}

// No try teaches nothing, three move little, contradictions leave it between, and a thousand alike are
// no surer than the mix and the foods could make them.
func TestNeverMoreThanTheEvidence(t *testing.T) {
	none := learned(t, nil, learn.KitchenOptions{})
	for _, f := range none.Figures {
		assert.False(t, f.Used, f.ID)
		assert.InDelta(t, f.Prior.Mean, f.Posterior.Mean, 1e-9, f.ID)
		assert.InDelta(t, f.Prior.SD, f.Posterior.SD, 1e-9, f.ID)
	}
	assert.Nil(t, none.Taught.Own)
	d := peaCakes(t, 45)
	tries := func(n int, f ...logbook.Found) (out []learn.Try) {
		for i := range n {
			out = append(out, learn.Try{ID: fmt.Sprint(i), At: time.Unix(int64(i), 0), Document: d, Found: found(t, f[i%len(f)])})
		}
		return out
	}
	wet := logbook.Found{Squeeze: mix.Slumps, Pieces: 8, Broke: &logbook.Broke{Turning: 7}}
	var peas *learn.Figure
	for _, felt := range []mix.Word{mix.Tacky, mix.Slack, mix.Slumps} {
		for n, spreads := range map[int]float64{1: 2, 3: 3} {
			few := learned(t, tries(n, logbook.Found{Squeeze: felt, Pieces: 8, Broke: &logbook.Broke{Turning: 7}}), learn.KitchenOptions{})
			peas = few.Figure(learn.WaterOf("split-peas-cooked"))
			require.NotNil(t, peas)
			assert.Greater(t, peas.Posterior.Mean, 0.)
			assert.Less(t, peas.Posterior.Mean, spreads*peas.Prior.SD, "%d tries of %s move it by so many of its spreads at the most", n, felt)
		}
	}

	many := learned(t, tries(1000, wet), learn.KitchenOptions{})
	peas = many.Figure(learn.WaterOf("split-peas-cooked"))
	assert.Less(t, peas.Posterior.Mean, 3*peas.Prior.SD)
	assert.Greater(t, peas.Posterior.SD, .3*peas.Prior.SD, "one mix over and over cannot tell peas from flour")
	before, after := predict.Predict(d, kitchen.Usual()), predict.Predict(d, kitchen.Usual().Learned(&many.Taught))
	assert.Less(t, after.Chance, before.Chance)
	odds := func(p float64) float64 { return math.Log(p / (1 - p)) }
	assert.Less(t, odds(after.ChanceHigh)-odds(after.ChanceLow), odds(before.ChanceHigh)-odds(before.ChanceLow), "surer of its own mix")

	good := logbook.Found{Squeeze: mix.Firm, Pieces: 8, Broke: &logbook.Broke{}}
	torn := learned(t, tries(20, wet, good), learn.KitchenOptions{})
	p := predict.Predict(d, kitchen.Usual().Learned(&torn.Taught)).Chance
	assert.Greater(t, p, .2)
	assert.Less(t, p, .8)
}

// An oven that is cool is found so, from what was cooked in it and from nothing else; left out, nothing
// goes by it; forgotten, what was before speaks of the oven that was.
func TestAnOvenIsLearnedLeftOutAndForgotten(t *testing.T) {
	truth := simulated.Truth{Figures: map[string]float64{learn.OvenOffset: -12}, Seed: 4}
	dishes := simulated.Repertoire()
	var ovens []simulated.Dish
	for _, d := range dishes {
		if d.Oven {
			ovens = append(ovens, d)
		}
	}
	tries := truth.Tries(ovens, 12, rand.New(rand.NewPCG(3, 3)), func(i int) simulated.Day {
		return simulated.Day{Thermometer: true, OvenThermometer: i%2 == 0}
	})
	l := learned(t, tries, learn.KitchenOptions{})
	f := l.Figure(learn.OvenOffset)
	assert.InDelta(t, -12, f.Posterior.Mean, 3)
	assert.NotEmpty(t, f.Tries)
	require.NotNil(t, l.Taught.OvenOffset)
	assert.InDelta(t, f.Posterior.Mean, *l.Taught.OvenOffset, 1e-9)
	k := kitchen.Usual().Learned(&l.Taught)
	was, now := bake.Bake(ovens[0].Document, kitchen.Usual(), bake.Options{Now: -1}), bake.Bake(ovens[0].Document, k, bake.Options{Now: -1})
	assert.Greater(t, *now.PullAt, *was.PullAt, "a cool oven takes longer, and forecasts say so")

	out := learned(t, tries, learn.KitchenOptions{LeftOut: []string{learn.OvenOffset}})
	assert.Nil(t, out.Taught.OvenOffset)
	assert.False(t, out.Figure(learn.OvenOffset).Used)
	assert.InDelta(t, f.Posterior.Mean, out.Figure(learn.OvenOffset).Posterior.Mean, 1e-6, "what is left out is still told")

	anew := learned(t, tries, learn.KitchenOptions{Forgotten: map[string]time.Time{learn.OvenOffset: tries[len(tries)-1].At.Add(time.Hour)}})
	assert.InDelta(t, 0, anew.Figure(learn.OvenOffset).Posterior.Mean, 1e-6)
	assert.False(t, anew.Figure(learn.OvenOffset).Used)
}

// The causes of a failure are those that were written down, the greatest first; a try that held has none.
func TestWhyItBroke(t *testing.T) {
	planned := peaCakes(t, 60)
	k := kitchen.Usual()
	broke := func(d *document.Document, f logbook.Found) []learn.Cause {
		return learn.Why(&learn.Try{Document: d, Found: found(t, f)}, planned, k)
	}
	assert.Empty(t, broke(planned, logbook.Found{Hold: "held"}))

	little := peaCakes(t, 10)
	short := broke(little, logbook.Found{Squeeze: predict.Predict(little, k).Word, Pieces: 8, Broke: &logbook.Broke{Turning: 7}})
	require.NotEmpty(t, short)
	require.Equal(t, learn.Amount, short[0].Code)
	require.NotNil(t, short[0].Change)
	assert.Equal(t, "chickpea-flour", short[0].Change.Food)
	assert.Greater(t, short[0].Chance, .3)

	wet := broke(planned, logbook.Found{Squeeze: mix.Slumps, Pieces: 8, Broke: &logbook.Broke{Turning: 6}})
	require.NotEmpty(t, wet)
	assert.Equal(t, learn.Wetter, wet[0].Code)

	cool, off := 45., 12.
	raw := broke(planned, logbook.Found{Squeeze: mix.Firm, Pieces: 8, Broke: &logbook.Broke{Cutting: 8}, CoreCelsius: &cool, OffAtMinutes: &off})
	codes := map[learn.CauseCode]float64{}
	for _, c := range raw {
		codes[c.Code] = c.Chance
		assert.LessOrEqual(t, c.Chance, 1.)
	}
	assert.Greater(t, codes[learn.Undercooked], .1)

	rested := *planned
	rested.Rest = &document.Wait{}
	hasty := broke(&rested, logbook.Found{Pieces: 8, Broke: &logbook.Broke{Turning: 5}})
	assert.Contains(t, fmt.Sprint(hasty), string(learn.Setting))
}

// Five thousand tries, learned anew.
func BenchmarkLearnKitchen(b *testing.B) {
	for _, n := range []int{40, 5000} {
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			truth := simulated.Drawn(1, simulated.FoodsOf(simulated.Repertoire()))
			tries := truth.Tries(simulated.Repertoire(), n, rand.New(rand.NewPCG(1, 1)), func(i int) simulated.Day { return simulated.Day{Thermometer: i%10 == 0} })
			known := &learn.Warmings{}
			_, err := learn.LearnKitchen(tries, kitchen.Usual(), learn.KitchenOptions{Known: known})
			require.NoError(b, err)
			for b.Loop() {
				_, err := learn.LearnKitchen(tries, kitchen.Usual(), learn.KitchenOptions{Known: known})
				require.NoError(b, err)
			}
		})
	}
}
