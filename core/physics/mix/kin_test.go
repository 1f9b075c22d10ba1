package mix

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"
)

func drawLikeness(t *rapid.T, what string) (l Likeness) {
	for i := range l {
		l[i] = rapid.Float64Range(-2, 4).Draw(t, what)
	}
	return l
}

// Likeness is that of a thing to itself, goes both ways, and falls with what differs.
func TestAlikeness(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		a, b := drawLikeness(t, "one"), drawLikeness(t, "other")
		assert.InDelta(t, 1, a.Alike(&a), 1e-12)
		assert.InDelta(t, a.Alike(&b), b.Alike(&a), 1e-12)
		farther := b
		for i := range farther {
			farther[i] += (b[i] - a[i]) / 2
		}
		assert.LessOrEqual(t, a.Alike(&farther), a.Alike(&b))
	})
}

// The table by columns gives the sums that go through kin one by one.
func TestTheColumnsAddUpToTheSums(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		var kin []Kin
		for range rapid.IntRange(0, 12).Draw(t, "kin") {
			kin = append(kin, Kin{Like: drawLikeness(t, "kin"), Raw: rapid.Float64Range(-2, 2).Draw(t, "raw"), Cooked: rapid.Float64Range(-2, 2).Draw(t, "cooked")})
		}
		asked := drawLikeness(t, "asked")
		if rapid.Bool().Draw(t, "sparse") {
			for i := range asked {
				asked[i] *= float64(i % 2)
			}
		}
		var raw, cooked, eat, nearest float64
		for i := range kin {
			alike := asked.Alike(&kin[i].Like)
			raw, cooked, eat = raw+alike*kin[i].Raw, cooked+alike*kin[i].Cooked, eat+alike*kin[i].Eat
			nearest = max(nearest, alike)
		}
		got := newKinTable(kin).add(&asked)
		assert.InDelta(t, raw, got.raw, 1e-9)
		assert.InDelta(t, cooked, got.cooked, 1e-9)
		assert.InDelta(t, eat, got.eat, 1e-9)
		assert.LessOrEqual(t, got.near, nearest+1e-12)
		assert.False(t, math.IsNaN(spread(got.near)))
	})
}

func TestTheTableOfKinIsWhole(t *testing.T) {
	kin, err := readKin(kinCSV)
	require.NoError(t, err)
	assert.Greater(t, len(kin), 200)
	var text strings.Builder
	for _, row := range KinTable(kin) {
		text.WriteString(strings.Join(row, ",") + "\n")
	}
	assert.Equal(t, kinCSV, text.String(), "written and read again")
	for name, bad := range map[string]string{
		"empty":      "",
		"no columns": "build,raw\nx,1\n",
		"no number":  strings.Replace(kinCSV, kin[0].Name+",", kin[0].Name+",x", 1),
		"cut off":    kinCSV[:len(kinCSV)-20],
		"too many":   kinCSV + strings.Repeat(kinCSV[strings.Index(kinCSV, "\n")+1:], 2),
	} {
		_, err := readKin(bad)
		require.ErrorIs(t, err, errKin, name)
	}
}

// The quick exponential is the exact one to a billionth, at the ends of its range too.
func TestFadingIsTheExponential(t *testing.T) {
	for d := 0.; d < farthest; d += .00137 {
		require.InEpsilon(t, math.Exp(-d), fading(d), 1e-9, d)
	}
	assert.Equal(t, 1., fading(0))
	assert.InDelta(t, 1, fading(-1e-15), 1e-14, "a distance that rounding took below nothing")
	assert.InEpsilon(t, math.Exp(-farthest), fading(math.Nextafter(farthest, 0)), 1e-9)
}
