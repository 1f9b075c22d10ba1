package binder_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/advise/binder"
	"cuerda/core/food"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

var foods = food.Starter()

func line(id string, grams float64, preps ...food.Preparation) mix.Line {
	return mix.Line{Food: foods.Find(id), Grams: grams, Preps: preps}
}

var (
	saute = food.Preparation{Do: food.Saute, Minutes: 10}
	patty = piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}
	peas  = []mix.Line{line("split-peas-cooked", 480, food.Preparation{Do: food.Blitz, Level: .5}),
		line("parsnip", 150, saute), line("onion", 90, saute), line("salt", 6)}
)

func candidates(ids ...string) (out []binder.Candidate) {
	for _, id := range ids {
		out = append(out, binder.Candidate{Food: foods.Find(id), Have: true, PerKilo: 4, Priced: true})
	}
	return out
}

func allBinders() (out []binder.Candidate) {
	for i := range foods.Foods() {
		if f := &foods.Foods()[i]; f.Group.IsBinder() {
			out = append(out, binder.Candidate{Food: f, Have: i%2 == 0, PerKilo: float64(2 + i%7), Priced: true})
		}
	}
	return out
}

func request(lines []mix.Line, c []binder.Candidate) binder.Request {
	return binder.Request{Lines: lines, Candidates: c, Duty: mix.NewDuty(&patty, method.Pan, true, &parameter.Usual().Handling), Rest: mix.Rest{Minutes: 20, Celsius: 20, Hands: 8}, Target: 1.5}
}

// keeps works a suggestion out again from its foods alone.
func keeps(t assert.TestingT, r binder.Request, s *binder.Suggestion) {
	lines := append([]mix.Line(nil), r.Lines...)
	if s.Dry != nil {
		l := lines[s.Dry.Line]
		l.Preps = append(append([]food.Preparation(nil), l.Preps...), s.Dry.Prep)
		lines[s.Dry.Line] = l
	}
	for _, a := range s.Add {
		lines = append(lines, mix.Line{Food: a.Food, Grams: a.Grams})
	}
	state := mix.Assess(lines, s.Rest)
	assert.InDelta(t, s.Q, state.Q, 1e-9)
	judged := state.Effect.Judge(&r.Duty, r.Coldness)
	assert.InDelta(t, s.Raw, judged.RawRatio, 1e-9)
	assert.InDelta(t, s.Cooked, judged.CookedRatio, 1e-9)
	assert.InDelta(t, s.Chance, judged.Chance(), 1e-9)
	assert.True(t, r.Duty.Band.Holds(state.Q))
	assert.GreaterOrEqual(t, s.Raw, 1.498)
	assert.GreaterOrEqual(t, s.Cooked, 1.498)
	binders := 0
	for _, a := range s.Add {
		if a.Food.ID != "water" {
			binders++
		}
		if a.Food.MaxPct > 0 {
			assert.LessOrEqual(t, 100*a.Grams/state.Mass, a.Food.MaxPct+1e-9, a.Food.ID)
		}
	}
	assert.LessOrEqual(t, binders, 3)
}

func TestASuggestionTakenGivesWhatItPromised(t *testing.T) {
	all := allBinders()
	rapid.Check(t, func(t *rapid.T) {
		base := []mix.Line{
			line(rapid.SampledFrom([]string{"split-peas-cooked", "white-beans-canned", "tofu-firm", "turkey-ground", "potato-mashed", "red-lentils-cooked"}).Draw(t, "base"),
				rapid.Float64Range(200, 800).Draw(t, "grams"), food.Preparation{Do: food.Mash, Level: rapid.Float64Range(.3, 1).Draw(t, "level")}),
			line(rapid.SampledFrom([]string{"courgette", "onion", "carrot", "mushroom"}).Draw(t, "vegetable"), rapid.Float64Range(20, 300).Draw(t, "grams of it")),
			line("salt", 6),
		}
		few := rapid.SliceOfNDistinct(rapid.SampledFrom(all), 1, 8, func(c binder.Candidate) string { return c.Food.ID }).Draw(t, "candidates")
		r := request(base, few)
		r.Rest.Minutes = rapid.Float64Range(0, 60).Draw(t, "rest")
		got := binder.Search(r)
		for i := range got.Suggestions {
			keeps(t, r, &got.Suggestions[i])
		}
		if len(got.Suggestions) == 0 {
			assert.NotEmpty(t, got.Obstacles)
		}
	})
}

// The least binder, against every amount in steps of 1 g of up to two of six
// candidates, and of 2 g of three of four.
func TestTheSearchFindsTheTrueBest(t *testing.T) {
	least := func(r binder.Request, step float64, most int) float64 {
		parts := mix.Parts(r.Lines)
		base := mix.Sum(parts, r.Rest)
		var units []mix.Effect
		for _, c := range r.Candidates {
			l := mix.Line{Food: c.Food, Grams: 1}
			p := l.Part()
			units = append(units, p.Effect(r.Rest))
		}
		best := math.Inf(1)
		var walk func(from int, e mix.Effect, n int, grams float64, used []float64)
		walk = func(from int, e mix.Effect, n int, grams float64, used []float64) {
			if worth := grams + 3*float64(max(0, n-1)); n > 0 && worth < best {
				q, ok := e.Index()
				judged := e.Judge(&r.Duty, 0)
				ok = ok && r.Duty.Band.Holds(q) && judged.RawRatio >= 1.5 && judged.CookedRatio >= 1.5
				for i, g := range used {
					ok = ok && g <= r.Candidates[i].Food.MaxPct/100*e.Mass
				}
				if ok {
					best = worth
				}
			}
			if n == most {
				return
			}
			for i := from; i < len(units); i++ {
				for g := step; g <= .2*base.Mass && grams+g < best; g += step {
					used[i] = g
					walk(i+1, e.Plus(units[i], g), n+1, grams+g, used)
				}
				used[i] = 0
			}
		}
		walk(0, base, 0, 0, make([]float64, len(units)))
		return best
	}
	for _, c := range []struct {
		lines []mix.Line
		who   []string
		step  float64
		most  int
	}{
		{peas, []string{"chickpea-flour", "flax-meal", "oats-rolled", "rice-flour", "almond-flour", "potato-starch"}, 1, 2},
		{peas, []string{"almond-flour", "coconut-flour", "rice-flour", "sunflower-meal"}, 2, 3},
		{[]mix.Line{line("white-beans-canned", 440, food.Preparation{Do: food.Mash, Level: .8}), line("courgette", 100), line("salt", 6)},
			[]string{"oats-quick", "chia-ground", "buckwheat-flour", "corn-starch"}, 2, 3},
	} {
		r := request(c.lines, candidates(c.who...))
		want := least(r, c.step, c.most)
		got := binder.Search(r)
		if math.IsInf(want, 1) {
			assert.Empty(t, got.Suggestions)
			continue
		}
		require.NotEmpty(t, got.Suggestions)
		grams := 0.
		for _, a := range got.Suggestions[0].Add {
			grams += a.Grams
		}
		// Rounding to what can be measured may cost half a step for each binder.
		assert.LessOrEqual(t, grams+3*float64(len(got.Suggestions[0].Add)-1), want+7.5, "%v", got.Suggestions[0].Add)
	}
}

func TestAimsAreWhatTheySay(t *testing.T) {
	r := request(peas, allBinders())
	got := binder.Search(r)
	require.NotEmpty(t, got.Suggestions)
	grams := func(s *binder.Suggestion) (g float64) {
		for _, a := range s.Add {
			g += a.Grams
		}
		return g
	}
	first := &got.Suggestions[0]
	assert.Equal(t, binder.LeastBinder, first.Aim)
	for i := range got.Suggestions {
		s := &got.Suggestions[i]
		assert.LessOrEqual(t, grams(first), grams(s)+6, s.Aim)
		switch s.Aim {
		case binder.NoWaiting:
			assert.LessOrEqual(t, s.Rest.Minutes, 2.)
		case binder.NoLegumeTaste:
			for _, a := range s.Add {
				assert.NotEqual(t, food.LegumeBinder, a.Food.Group)
			}
		case binder.MostTender:
			assert.LessOrEqual(t, s.Cooked, first.Cooked+.05)
		}
	}
}

func TestWhatStandsInTheWayIsSaid(t *testing.T) {
	assert.Equal(t, []binder.Obstacle{binder.NoBinders}, binder.Search(request(peas, nil)).Obstacles)
	assert.Equal(t, []binder.Obstacle{binder.NoBase}, binder.Search(request(nil, allBinders())).Obstacles)
	soup := binder.Search(request([]mix.Line{line("white-beans-canned", 200), line("water", 600)}, candidates("rice-flour")))
	assert.Empty(t, soup.Suggestions)
	assert.Contains(t, soup.Obstacles, binder.TooWet)
	assert.NotNil(t, soup.Nearest)
	dry := binder.Search(request([]mix.Line{line("oats-rolled", 400), line("almond-flour", 100)}, candidates("chia-ground")))
	for _, s := range dry.Suggestions {
		assert.Equal(t, "water", s.Add[len(s.Add)-1].Food.ID)
	}
}

func TestMoreCandidatesNeverMakeTheBestWorse(t *testing.T) {
	few := binder.Search(request(peas, candidates("rice-flour", "oats-rolled", "flax-meal")))
	many := binder.Search(request(peas, allBinders()))
	require.NotEmpty(t, few.Suggestions)
	sum := func(s binder.Suggestion) (g float64) {
		for _, a := range s.Add {
			g += a.Grams
		}
		return g
	}
	assert.LessOrEqual(t, sum(many.Suggestions[0]), sum(few.Suggestions[0])+5)
}

func ExampleSearch() {
	r := binder.Search(binder.Request{
		Lines: peas, Duty: mix.NewDuty(&patty, method.Pan, true, &parameter.Usual().Handling), Rest: mix.Rest{Minutes: 20, Celsius: 20, Hands: 8},
		Candidates: candidates("flax-meal", "buckwheat-flour"),
	})
	s := r.Suggestions[0]
	for _, a := range s.Add {
		fmt.Printf("%.0f g of %s: ", a.Grams, a.Food.Name)
	}
	fmt.Printf("raw %.1f and cooked %.1f times what it takes\n", s.Raw, s.Cooked)
	// Output: 25 g of Flax meal: raw 1.8 and cooked 1.8 times what it takes
}

func BenchmarkSearchAllBinders(b *testing.B) {
	r := request(peas, allBinders())
	b.ReportMetric(float64(len(r.Candidates)), "candidates")
	for b.Loop() {
		binder.Search(r)
	}
}
