package parameter_test

import (
	"fmt"
	"math"
	"reflect"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/parameter"
)

func TestTableAndFieldsAreTheSame(t *testing.T) {
	fields := map[string]bool{}
	groups := reflect.TypeFor[parameter.Set]()
	for i := range groups.NumField() {
		group := groups.Field(i).Type
		for j := range group.NumField() {
			id := group.Field(j).Tag.Get("parameter")
			assert.False(t, fields[id], "%s stands in two fields", id)
			fields[id] = true
		}
	}
	rows := map[string]bool{}
	for _, e := range parameter.Entries() {
		assert.False(t, rows[e.ID], "%s stands in two rows", e.ID)
		rows[e.ID] = true
		assert.True(t, fields[e.ID], "no field holds %s", e.ID)
		assert.Contains(t, []food.Grade{"A", "B", "C"}, e.Grade, e.ID)
		assert.NotEmpty(t, e.Unit, e.ID)
		assert.NotEmpty(t, e.Source, e.ID)
		assert.Less(t, e.Low, e.High, e.ID)
		assert.True(t, e.Low <= e.Value && e.Value <= e.High, "%s is %g", e.ID, e.Value)
		got, there := parameter.Usual().Get(e.ID)
		assert.True(t, there && got == e.Value, e.ID)
	}
	assert.Len(t, rows, len(fields))
}

func TestAnOwnFigureStandsOverTheTableAndChangesNothingElse(t *testing.T) {
	entries := parameter.Entries()
	rapid.Check(t, func(t *rapid.T) {
		e := rapid.SampledFrom(entries).Draw(t, "figure")
		v := rapid.OneOf(rapid.Float64Range(e.Low, e.High), rapid.SampledFrom([]float64{e.Low, e.High})).Draw(t, "value")
		mine, err := parameter.Usual().With(map[string]float64{e.ID: v})
		require.NoError(t, err)
		for _, other := range entries {
			want := other.Value
			if other.ID == e.ID {
				want = v
			}
			got, _ := mine.Get(other.ID)
			require.Equal(t, want, got, other.ID)
		}
		still, _ := parameter.Usual().Get(e.ID)
		require.Equal(t, e.Value, still, "the table stays")
	})
}

func TestFiguresNobodyWouldBelieveAreNamed(t *testing.T) {
	for _, e := range parameter.Entries() {
		for _, v := range []float64{math.Nextafter(e.Low, math.Inf(-1)), math.Nextafter(e.High, math.Inf(1)), math.NaN(), math.Inf(1)} {
			_, err := parameter.Usual().With(map[string]float64{e.ID: v})
			var wrong *parameter.RangeError
			require.ErrorAs(t, err, &wrong, "%s of %g", e.ID, v)
			assert.Equal(t, e.ID, wrong.ID)
			assert.Contains(t, err.Error(), e.ID)
		}
	}
	_, err := parameter.Usual().With(map[string]float64{"moonlight": 1})
	var unknown *parameter.UnknownError
	assert.ErrorAs(t, err, &unknown)
}

func ExampleSet_With() {
	slow, err := parameter.Usual().With(map[string]float64{"preheat": 25, "drain": 0})
	fmt.Println(slow.Minutes.Preheat, slow.Minutes.Drain, slow.Minutes.Press, err)
	// Output: 25 0 10 <nil>
}
