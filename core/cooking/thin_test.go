package cooking_test

import (
	"math"
	"slices"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/cooking"
)

func measured(celsius ...float64) []cooking.Reading {
	out := make([]cooking.Reading, len(celsius))
	for i, c := range celsius {
		out[i] = cooking.Reading{At: time.Unix(int64(i), 0), Celsius: c}
	}
	return out
}

// What is kept is in order, has both ends and the hottest moment, and no more than asked for; more of it never lies
// further from what was measured.
func TestAThinnedCurveHasItsEndsAndItsPeak(t *testing.T) {
	t.Parallel()
	worst := func(all []cooking.Reading, kept []int) (off float64) {
		for k := 1; k < len(kept); k++ {
			a, b := kept[k-1], kept[k]
			for i := a; i <= b; i++ {
				line := all[a].Celsius + (all[b].Celsius-all[a].Celsius)*float64(i-a)/float64(b-a)
				off = max(off, math.Abs(line-all[i].Celsius))
			}
		}
		return off
	}
	rapid.Check(t, func(r *rapid.T) {
		all := measured(rapid.SliceOfN(rapid.Float64Range(-20, 250), 1, 300).Draw(r, "celsius")...)
		most := rapid.IntRange(3, 60).Draw(r, "most")
		kept := cooking.Thin(all, most)
		assert.LessOrEqual(r, len(kept), most)
		assert.True(r, slices.IsSorted(kept))
		assert.Len(r, slices.Compact(slices.Clone(kept)), len(kept), "each once")
		assert.Equal(r, []int{0, len(all) - 1}, []int{kept[0], kept[len(kept)-1]})
		for _, i := range kept {
			assert.True(r, i >= 0 && i < len(all))
		}
		if len(all) <= most {
			assert.Len(r, kept, len(all))
		}
		assert.LessOrEqual(r, worst(all, cooking.Thin(all, len(all))), 1e-9)
	})
	// A loaf's core: up to 74 °C in an hour and down at rest, read each second.
	var loaf []float64
	for s := range 4500 {
		m := float64(s) / 60
		loaf = append(loaf, 8+66*math.Pow(math.Sin(math.Min(m, 75)/75*math.Pi*0.7), 2)+0.05*math.Sin(m*40))
	}
	all := measured(loaf...)
	kept := cooking.Thin(all, 200)
	require.Len(t, kept, 200)
	assert.Contains(t, kept, slices.Index(loaf, slices.Max(loaf)), "the hottest moment")
	assert.Less(t, worst(all, kept), 0.1, "no further off than a probe reads")
	assert.Equal(t, []int{0, 4}, cooking.Thin(measured(1, 2, 3, 4, 5), 3), "what lies on a line needs its ends alone")
	assert.Empty(t, cooking.Thin(nil, 5))
}

func BenchmarkThinAnHourOfReadings(b *testing.B) {
	var celsius []float64
	for s := range 3600 {
		celsius = append(celsius, 8+60*math.Sin(float64(s)/2500)+0.1*math.Sin(float64(s)))
	}
	all := measured(celsius...)
	for b.Loop() {
		cooking.Thin(all, 200)
	}
}
