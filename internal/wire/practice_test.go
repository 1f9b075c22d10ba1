package wire_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/learn/practice"
	"cuerda/internal/wire"
)

// nulls names what is null in JSON.
func nulls(at string, v any) (out []string) {
	switch v := v.(type) {
	case nil:
		return []string{at}
	case map[string]any:
		for key, each := range v {
			out = append(out, nulls(at+"/"+key, each)...)
		}
	case []any:
		for _, each := range v {
			out = append(out, nulls(at+"/-", each)...)
		}
	}
	return out
}

// A drill as it is told holds all that a page draws and marks it by: no list is missing, and what it says is right
// is what is marked right.
func TestADrillIsToldWhole(t *testing.T) {
	k := kitchen.Usual()
	shows := map[practice.Kind]practice.Skill{
		practice.Squeeze: practice.RawWater, practice.Mend: practice.Roots, practice.Why: practice.LooseGrain, practice.Binder: practice.Plain,
		practice.Done: practice.Lag, practice.Amiss: practice.RawWater, practice.Pair: practice.NoWait,
	}
	for kind, skill := range shows {
		for seed := range uint64(6) {
			d, ok := practice.Make(kind, skill, seed, k)
			require.True(t, ok, "%s %d", kind, seed)
			told := wire.DrillOf(&d, k)
			text, err := json.Marshal(told)
			require.NoError(t, err)
			var whole any
			require.NoError(t, json.Unmarshal(text, &whole))
			assert.Empty(t, nulls("", whole), kind)
			assert.Less(t, len(text), 40_000, "ten of them come at once")
			require.NotNil(t, told.Shown)
			assert.Equal(t, told.Shown, told.Asked)
			assert.Len(t, told.Measures, len(d.Document.Lines))
			assert.Len(t, told.Options, len(d.Options))
			right := func(a practice.Answer) bool {
				c, err := d.Mark(a)
				require.NoError(t, err)
				return c.Right
			}
			switch kind {
			case practice.Mend:
				best := told.Options[told.Answer]
				assert.True(t, best.Right[int(math.Round(best.BestGrams/practice.StepGrams))], "the best amount is right")
				for i, o := range told.Options {
					require.Len(t, o.Right, len(o.Indices))
					for n, is := range o.Right {
						assert.Equal(t, is, right(practice.Answer{Choice: i, Grams: practice.StepGrams * float64(n)}), "what the page marks by is what the server marks by")
					}
				}
			case practice.Done:
				require.NotNil(t, told.Heat)
				assert.True(t, right(practice.Answer{Minutes: (told.RightFrom + told.RightTo) / 2}))
				assert.False(t, right(practice.Answer{Minutes: told.Heat.SeenMinutes}))
				assert.Less(t, told.Heat.Curve[len(told.Heat.Curve)-1].CoreCelsius, told.Heat.TargetCelsius, "it is not there yet")
			case practice.Squeeze:
				assert.True(t, right(practice.Answer{Index: (told.RightFrom + told.RightTo) / 2}))
			default:
				assert.True(t, right(practice.Answer{Choice: told.Answer}))
			}
		}
	}
}

// What is not squeezed yet shows what is in it, and no sign.
func TestABareHandfulShowsNoSign(t *testing.T) {
	k := kitchen.Usual()
	d, ok := practice.Make(practice.Squeeze, practice.Roots, 2, k)
	require.True(t, ok)
	d.Bare = true
	told := wire.DrillOf(&d, k)
	assert.Empty(t, told.Asked.Tells)
	assert.Empty(t, told.Asked.Show)
	assert.Equal(t, told.Shown.Bits, told.Asked.Bits)
	assert.NotEmpty(t, told.Shown.Tells)
}
