package learn_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/learn"
)

const onePea = `{"format":"cuerda-build/1","lines":[{"food":"split-peas-cooked","grams":480},{"food":"salt","grams":6}]}`

func TestTriesAreReadStrictly(t *testing.T) {
	got, err := learn.ReadTries([]byte(`[{"build":`+onePea+`},{"id":"x","cooked_at":"2026-05-01T18:00:00Z","build":`+onePea+`,"found":{"squeeze":"tacky","broke":{"turning":2},"pieces":8}}]`), food.Starter())
	require.NoError(t, err)
	require.Len(t, got, 2)
	assert.Equal(t, "1", got[0].ID)
	assert.Equal(t, "x", got[1].ID)
	assert.Equal(t, 2026, got[1].At.Year())
	c, known := got[1].Found.Raw()
	assert.True(t, known)
	assert.Equal(t, 6, c.Held)
	for place, text := range map[int]string{
		-1: `{"build":1}`,
		0:  `[{"build":{}}]`,
		1:  `[{"build":` + onePea + `},{"build":` + onePea + `,"found":{"pieces":-3}}]`,
		2:  `[{"build":` + onePea + `},{"build":` + onePea + `},{"build":` + strings.Replace(onePea, "salt", "slat", 1) + `}]`,
	} {
		_, err := learn.ReadTries([]byte(text), food.Starter())
		var of *learn.TryError
		require.ErrorAs(t, err, &of, text)
		assert.Equal(t, place, of.Index)
		assert.NotEmpty(t, err.Error())
	}
	_, err = learn.ReadTries([]byte(`[] []`), food.Starter())
	assert.Error(t, err, "something follows")
}

// Whatever is read can be learned of: no text makes it fall over.
func FuzzTries(f *testing.F) {
	f.Add([]byte(`[{"build":` + onePea + `,"found":{"squeeze":"slumps","core_celsius":74,"off_at_minutes":12}}]`))
	f.Add([]byte(`[{"build":` + strings.Replace(onePea, "480", "0.1", 1) + `,"found":{"pieces":500,"broke":{"cutting":500}}}]`))
	f.Add([]byte(`[null]`))
	f.Fuzz(func(t *testing.T, text []byte) {
		tries, err := learn.ReadTries(text, food.Starter())
		if err != nil || len(tries) > 3 {
			return
		}
		for _, try := range tries {
			require.NoError(t, try.Found.Check())
		}
		l := learned(t, tries, learn.KitchenOptions{})
		for _, fig := range l.Figures {
			assert.LessOrEqual(t, fig.Posterior.Low, fig.Posterior.High, fig.ID)
		}
	})
}
