package practice

import (
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/learn"
	"cuerda/core/learn/simulated"
	"cuerda/core/physics/mix"
)

var evening = time.Date(2026, 5, 1, 18, 0, 0, 0, time.UTC)

// fromWords is the index that lies there on the scale of words.
func fromWords(x float64) float64 {
	low, high := Scale()
	for range 40 {
		if middle := (low + high) / 2; InWords(middle) < x {
			low = middle
		} else {
			high = middle
		}
	}
	return (low + high) / 2
}

// said is what a made-up cook answers: squeezes off by a bias, other things right as often as they know them.
func said(d *Drill, r *rand.Rand, wet, dry, knows float64) Answer {
	a := Answer{Sure: .7, Choice: d.Answer}
	switch d.Kind {
	case Squeeze:
		off := dry
		if d.Index >= wetFrom {
			off = wet
		}
		a.Index = fromWords(InWords(d.Index) + off + .5*r.NormFloat64())
		return a
	case Done:
		a.Minutes = d.Heat.Minutes
		if r.Float64() >= knows {
			a.Minutes = d.Heat.SeenMinutes
		}
		return a
	case Mend:
		a.Grams = d.Options[d.Answer].BestGrams
	}
	if r.Float64() >= knows {
		a.Choice, a.Grams = (d.Answer+1)%len(d.Options), 0
	}
	return a
}

// Made-up cooks with a bias practise in sittings as they come, three days apart: once they have called 60 drills of all kinds
// their bias is found within a quarter of a word in nine of ten, and what they do not know comes at least twice as
// often as what they know.
func TestSittingsFindTheBiasAndTheWeakness(t *testing.T) {
	cooks := 40
	if testing.Short() {
		cooks = 2
	}
	k := kitchen.Usual()
	found, all := 0, 0
	count := map[bool]float64{}
	for cook := range cooks {
		r := rand.New(rand.NewPCG(uint64(cook), 5))
		wet, dry := .6*r.NormFloat64(), .6*r.NormFloat64()
		weak := []Skill{RawWater, Roots, NoWait}[cook%3]
		var calls []Call
		for day := 0; len(calls) < 60; day += 3 {
			now := evening.Add(time.Duration(day) * 24 * time.Hour)
			drills := Sit(uint64(cook*1000+day), Wish{}, nil, Memories(calls), now, k)
			require.Len(t, drills, Sitting)
			for i := range drills {
				d := &drills[i]
				knows := .9
				if d.Skill == weak {
					knows = .3
				}
				// A bias must not look like a skill that is missing: it is tried on half of the cooks.
				w, y := wet, dry
				if cook%2 == 0 {
					w, y = 0, 0
				}
				c, err := d.Mark(said(d, r, w, y, knows))
				require.NoError(t, err)
				if d.Kind == Squeeze && cook%2 == 0 {
					c.Right = r.Float64() < knows
				}
				c.At = now
				calls = append(calls, c)
				if day > 9 && cook%2 == 0 {
					count[d.Skill == weak]++
				}
			}
		}
		if cook%2 == 0 {
			wet, dry = 0, 0
		}
		b := BiasOf(calls)
		for _, each := range [][2]float64{{b.Wet, wet}, {b.Dry, dry}} {
			all++
			if math.Abs(each[0]-each[1]) <= .25 {
				found++
			}
		}
	}
	often := count[true] / (count[false] / float64(len(Skills)-1))
	t.Logf("within a quarter of a word: %d of %d; a weak skill comes %.1f times as often", found, all, often)
	if !testing.Short() {
		assert.GreaterOrEqual(t, found, all*9/10)
		assert.GreaterOrEqual(t, often, 2.)
	}
}

// A sitting is the same of the same seed, goes by what was wished, and mends what was squeezed.
func TestSittings(t *testing.T) {
	k := kitchen.Usual()
	kinds := map[Kind]int{}
	followed := 0
	for seed := range uint64(12) {
		drills := Sit(seed, Wish{}, nil, nil, evening, k)
		require.Len(t, drills, Sitting)
		assert.Equal(t, drills, Sit(seed, Wish{}, nil, nil, evening, k))
		for i := range drills {
			kinds[drills[i].Kind]++
			if i > 0 && drills[i].Kind == Mend && assert.ObjectsAreEqual(drills[i-1].Document, drills[i].Document) {
				assert.Equal(t, Squeeze, drills[i-1].Kind)
				followed++
			}
		}
	}
	for _, kind := range Kinds {
		assert.Positive(t, kinds[kind], kind)
	}
	for seed := range uint64(lawtest.Draws(60, 2000)) {
		seen := map[Kind]bool{}
		for _, d := range Sit(seed, Wish{}, nil, nil, evening, k) {
			seen[d.Kind] = true
		}
		assert.GreaterOrEqual(t, len(seen), fewestKinds, "of seed %d", seed)
	}
	assert.Positive(t, followed)
	for _, kind := range Kinds {
		only := Sit(1, Wish{Kinds: []Kind{kind}}, nil, nil, evening, k)
		assert.Len(t, only, Sitting, kind)
		for _, d := range only {
			assert.Equal(t, kind, d.Kind)
		}
	}
}

// In a kitchen without foods there is nothing to ask, and nothing breaks.
func TestAKitchenWithoutFoodsHasNoDrills(t *testing.T) {
	k, err := kitchen.New(&food.Catalogue{}, kitchen.UsualSettings(), nil)
	require.NoError(t, err)
	assert.Empty(t, Sit(1, Wish{}, nil, nil, evening, k))
}

const ownBuild = `{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"white-beans-canned","grams":420,"prep":[{"do":"mash","level":0.6}]},
	{"food":"onion","grams":90,"prep":[{"do":"saute","minutes":10}]},{"food":"oat-flour","grams":60},{"food":"salt","grams":6}],
	"rest":{"minutes":20},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"}}`

func tryOf(t *testing.T, id, written, planned string, truth *simulated.Truth) OwnTry {
	t.Helper()
	foods := food.Starter()
	d, err := document.Read([]byte(written), foods)
	require.NoError(t, err)
	found := truth.Cook(d, simulated.Day{Seed: 3})
	out := OwnTry{Try: learn.Try{ID: id, At: evening, Document: d, Found: &found}}
	if planned != "" {
		out.Planned, err = document.Read([]byte(planned), foods)
		require.NoError(t, err)
	}
	return out
}

// The cook's own tries come first, each once; a sitting on one try asks of nothing else; a hand that felt otherwise
// than the model is not held against it.
func TestOwnTriesComeFirst(t *testing.T) {
	k := kitchen.Usual()
	truth := simulated.Truth{Figures: map[string]float64{}}
	good := tryOf(t, "a", ownBuild, "", &truth)
	good.Found.Squeeze = mix.Firm
	if d, ok := Own(Squeeze, &good, 1, k); ok {
		good.Found.Squeeze = d.Word
	} else {
		for _, w := range mix.SqueezeWords {
			good.Found.Squeeze = w
			if _, ok := Own(Squeeze, &good, 1, k); ok {
				break
			}
		}
	}
	d, ok := Own(Squeeze, &good, 1, k)
	require.True(t, ok)
	assert.Equal(t, "a", d.Try)
	other := good
	found := *good.Found
	found.Squeeze = mix.Crumbles
	other.Found = &found
	_, ok = Own(Squeeze, &other, 1, k)
	assert.False(t, ok, "a hand that felt otherwise")
	_, ok = Own(Why, &good, 1, k)
	assert.False(t, ok, "nobody knows what was planned")

	drills := Sit(4, Wish{}, []OwnTry{good}, nil, evening, k)
	require.Len(t, drills, Sitting)
	assert.Equal(t, "a", drills[0].Try)
	assert.NotEqual(t, "a", drills[1].Try, "once")
	only := Sit(4, Wish{Only: true}, []OwnTry{good}, nil, evening, k)
	require.Greater(t, len(only), 1)
	seen := map[Kind]bool{}
	for _, d := range only {
		assert.Equal(t, "a", d.Try)
		assert.False(t, seen[d.Kind])
		seen[d.Kind] = true
	}
}

// Answers that the drill does not know are refused, whatever they are.
func TestAnswersThatAreNone(t *testing.T) {
	k := kitchen.Usual()
	for _, kind := range []Kind{Squeeze, Mend, Binder, Pair} {
		d, ok := Make(kind, Plain, 3, k)
		require.True(t, ok)
		for _, a := range []Answer{{Sure: 1.1}, {Sure: -.1}, {Sure: math.NaN()}, {Index: math.Inf(1)}, {Index: -3, Choice: -1}, {Index: 9, Choice: 99}} {
			_, err := d.Mark(a)
			assert.ErrorIs(t, err, ErrNoAnswer, "%s %v", kind, a)
		}
	}
	d, ok := Make(Done, Lag, 3, k)
	require.True(t, ok)
	_, err := d.Mark(Answer{Minutes: d.Heat.LastMinutes + 1})
	assert.ErrorIs(t, err, ErrNoAnswer)
	m, ok := Make(Mend, Plain, 3, k)
	require.True(t, ok)
	_, err = m.Mark(Answer{Grams: -5})
	assert.ErrorIs(t, err, ErrNoAnswer)
	_, err = m.Mark(Answer{Grams: 1e9})
	assert.ErrorIs(t, err, ErrNoAnswer)
}

// An eye is what its calls say: sittings apart by hours, sureness beside being right, weak skills first.
func TestAnEyeIsWhatItsCallsSay(t *testing.T) {
	call := func(hour int, off, sure float64, right bool, s Skill) Call {
		return Call{Kind: Squeeze, Skill: s, At: evening.Add(time.Duration(hour) * time.Hour), Off: off, Sure: sure, Right: right, Wet: off < 0}
	}
	calls := []Call{call(0, -1, .9, false, RawWater), call(0, -.5, .9, true, Plain), call(48, -.5, .3, false, RawWater), call(48, .1, .9, true, Plain)}
	e := EyeOf(calls, evening.Add(50*time.Hour))
	assert.Equal(t, 4, e.Calls)
	assert.Equal(t, 2, e.Right)
	assert.Equal(t, evening, *e.Since)
	require.Len(t, e.Trail, 2)
	assert.InDelta(t, .75, e.Trail[0].Off, 1e-9)
	assert.InDelta(t, .3, e.Trail[1].Off, 1e-9)
	require.Len(t, e.Sureness, 2)
	assert.InDelta(t, 2./3, e.Sureness[1].Right, 1e-9)
	assert.Equal(t, Tally{4, 2}, e.Kinds[Squeeze])
	assert.Equal(t, Plain, e.Skills[len(e.Skills)-1].Skill, "what is known comes last")
	assert.Less(t, e.Bias.Wet, -.3)
	none := EyeOf(nil, evening)
	assert.Nil(t, none.Since)
	assert.Empty(t, none.Bias.Mislead())
	assert.False(t, Told(.1, .01))
	assert.False(t, Told(.5, .5))
	assert.True(t, Told(-.5, .1))
}
