package practice

import (
	"math"
	"math/rand/v2"
	"slices"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/physics/mix"
)

// Ten thousand drills hold to sense: amounts that cooks use, an answer that is clear by the model's own spread,
// and the same drill of the same seed.
func TestDrillsHoldToSense(t *testing.T) {
	all, least := lawtest.Draws(1_600, 10_900), lawtest.Draws(1_400, 10_000)
	from := lawtest.Seed(t)
	if testing.Short() {
		all, least = 300, 200
	}
	pairs := 0
	for _, s := range Skills {
		pairs += len(kindsOf(s))
	}
	k := kitchen.Usual()
	var total atomic.Int64
	t.Cleanup(func() { // once every kind is through
		t.Logf("%d drills", total.Load())
		assert.GreaterOrEqual(t, total.Load(), int64(least))
	})
	for _, kind := range Kinds {
		t.Run(string(kind), func(t *testing.T) {
			t.Parallel()
			made, tried, levels := map[Skill]int{}, 0, map[int]int{}
			for _, skill := range Skills {
				if !slices.Contains(kindsOf(skill), kind) {
					continue
				}
				for seed := range all/pairs + 1 {
					tried++
					d, ok := Make(kind, skill, from+uint64(seed), k)
					if !ok {
						continue
					}
					made[skill]++
					total.Add(1)
					levels[d.Level]++
					if seed < 5 {
						again, _ := Make(kind, skill, from+uint64(seed), k)
						require.Equal(t, d, again)
					}
					holds(t, &d, k)
				}
			}
			t.Logf("%d seeds: made %v, by level %v", tried, made, levels)
		})
	}
}

// The score is proper: on average nothing scores more than saying how sure one is.
func TestTheScoreIsProper(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		truth, said := rapid.Float64Range(0, 1).Draw(t, "as often right"), rapid.Float64Range(0, 1).Draw(t, "said")
		mean := func(sure float64) float64 {
			return truth*(&Call{Sure: sure, Right: true}).Score() + (1-truth)*(&Call{Sure: sure}).Score()
		}
		assert.GreaterOrEqual(t, mean(truth), mean(said)-1e-12)
		assert.GreaterOrEqual(t, (&Call{Sure: said}).Score(), 0.)
	})
	assert.Zero(t, (&Call{Sure: 1}).Score(), "sure and wrong")
	last := -1.
	for q := -.5; q < 1.5; q += .01 {
		assert.GreaterOrEqual(t, InWords(q), last, "the scale of words rises")
		last = InWords(q)
	}
	for i, z := range mix.Zones[1:] {
		assert.InDelta(t, float64(i+1), InWords(z.From), 1e-9, "a word begins where its zone does")
	}
}

// Made-up cooks with a bias on the wet and on the dry side: after 60 calls it is found within a quarter of a word in
// nine of ten.
func TestABiasIsFound(t *testing.T) {
	k := kitchen.Usual()
	var drills []Drill
	for seed := range 60 {
		if d, ok := Make(Squeeze, Skills[seed%len(Skills)], uint64(seed), k); ok {
			drills = append(drills, d)
		}
	}
	require.Greater(t, len(drills), 30)
	r := rand.New(rand.NewPCG(4, 4))
	found, all := 0, 0
	for range 200 {
		wet, dry := .6*r.NormFloat64(), .6*r.NormFloat64()
		var calls []Call
		for range 60 {
			d := &drills[r.IntN(len(drills))]
			bias := dry
			if d.Index >= .55 {
				bias = wet
			}
			off := bias + .5*r.NormFloat64()
			calls = append(calls, Call{Skill: d.Skill, Off: off, Sure: .7, Right: math.Abs(off) < .5, Wet: d.Index >= .55, Kind: Squeeze})
		}
		b := BiasOf(calls)
		assert.Equal(t, 60, b.Calls)
		for _, each := range [][2]float64{{b.Wet, wet}, {b.Dry, dry}} {
			all++
			if math.Abs(each[0]-each[1]) <= .25 {
				found++
			}
		}
	}
	t.Logf("within a quarter of a word: %d of %d", found, all)
	assert.GreaterOrEqual(t, found, all*9/10)
	none := BiasOf(nil)
	assert.Zero(t, none.Wet)
}

// Of skills that a cook has and skills that a cook has not the weak ones come at least twice as often, over six weeks.
func TestWeakSkillsComeAgain(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 6))
	weak := map[Skill]bool{RawWater: true, NoWait: true}
	count := map[bool]float64{}
	for range 40 {
		memories := map[Skill]*Memory{}
		now := time.Date(2026, 5, 1, 18, 0, 0, 0, time.UTC)
		for day := range 42 {
			if day%3 != 0 {
				continue
			}
			var last []Skill
			for range Sitting {
				s := Next(Skills, memories, last, now, r)
				last = append(last, s)
				m := memories[s]
				if m == nil {
					m = &Memory{}
					memories[s] = m
				}
				chance := .9
				if weak[s] {
					chance = .4
				}
				m.Note(Call{Skill: s, Sure: .75, Right: r.Float64() < chance}, now)
				if day > 12 {
					count[weak[s]]++
				}
				now = now.Add(time.Minute)
			}
			now = now.Add(72 * time.Hour)
		}
	}
	often := (count[true] / 2) / (count[false] / float64(len(Skills)-2))
	t.Logf("a weak skill comes %.1f times as often as a strong one", often)
	assert.GreaterOrEqual(t, often, 2.)
}

// Memory fades and never grows by waiting; a clock set back does no harm; a sitting that goes downhill ends.
func TestMemoryAndSittings(t *testing.T) {
	now := time.Date(2026, 5, 1, 18, 0, 0, 0, time.UTC)
	m := Memory{}
	assert.Zero(t, m.Recall(now))
	m.Note(Call{Right: true, Sure: .9}, now)
	assert.InDelta(t, 1, m.Recall(now), 1e-9)
	last := 1.
	for d := range 60 {
		next := m.Recall(now.Add(time.Duration(d) * 24 * time.Hour))
		assert.LessOrEqual(t, next, last)
		last = next
	}
	before := m.HalfLifeDays
	m.Note(Call{Right: true, Sure: .9}, now.Add(-100*24*time.Hour))
	assert.Equal(t, now, m.Last, "a clock that was set back")
	assert.InDelta(t, 1, m.Recall(now.Add(-time.Hour)), 1e-9)
	assert.Greater(t, m.HalfLifeDays, before)
	sure := m
	sure.Note(Call{Sure: 1}, now)
	unsure := m
	unsure.Note(Call{Sure: .2}, now)
	assert.Less(t, sure.HalfLifeDays, unsure.HalfLifeDays, "sure and wrong costs most")

	good, bad := Call{Right: true, Sure: .9}, Call{Sure: .9}
	assert.False(t, Enough([]Call{good, good, bad}))
	assert.True(t, Enough([]Call{good, good, good, good, bad, bad, bad, bad}))
	assert.True(t, Enough(make([]Call, Sitting)))
}
