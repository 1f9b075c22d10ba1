package compare_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/predict/compare"
)

const cakes = `{"format":"cuerda-build/1","name":"Cakes","lines":[
	{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},
	{"food":"chickpea-flour","grams":45},{"food":"salt","grams":6}],
	"rest":{"minutes":20},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan","celsius":180},
	"eaters":{"avoid":["gluten"]},"parts":[{"kind":"sauce","lines":[{"food":"tomato-passata","grams":100}]}]}`

// ours has a price for all but oats.
var ours = func() *kitchen.Kitchen {
	var items []kitchen.PantryItem
	for _, id := range []string{"split-peas-cooked", "parsnip", "chickpea-flour", "salt", "tomato-passata"} {
		price := 4.
		items = append(items, kitchen.PantryItem{Food: id, PerKilo: &price})
	}
	k, err := kitchen.Usual().With(items...)
	if err != nil {
		panic(err)
	}
	return k
}()

func parsed(t *testing.T, changes ...string) *document.Document {
	t.Helper()
	d, err := document.Read([]byte(strings.NewReplacer(changes...).Replace(cakes)), ours.Foods)
	require.NoError(t, err)
	return d
}

func TestWhatChangedAndWhatItDoes(t *testing.T) {
	a := parsed(t)
	same := compare.Documents(a, a, ours)
	assert.Empty(t, same.Changes)
	assert.Empty(t, same.Settings)
	assert.Equal(t, same.Before, same.After)

	b := parsed(t, `{"food":"chickpea-flour","grams":45}`, `{"food":"oats-rolled","grams":20}`, `"grams":150,"prep":[{"do":"saute","minutes":10}]`, `"grams":150`,
		`"grams":6}`, `"grams":8}`, `"minutes":20`, `"minutes":5`, `"parts":[`, `"parts":[{"kind":"glaze","lines":[]},`, `"thickness_mm":18`, `"thickness_mm":25`)
	got := compare.Documents(a, b, ours)
	var kinds []string
	for _, c := range got.Changes {
		kinds = append(kinds, c.Kind+" "+c.Food+string(c.Of))
	}
	assert.Equal(t, []string{"prep parsnip", "removed chickpea-flour", "grams salt", "added oats-rolled", "removed tomato-passata", "part-added sauce", "added tomato-passata"}, kinds)
	assert.Equal(t, document.Change{Kind: "grams", Food: "salt", Was: 6, Now: 8}, got.Changes[2])
	fields := map[string][2]string{}
	for _, s := range got.Settings {
		fields[s.Field] = [2]string{s.Was, s.Now}
	}
	assert.Equal(t, [2]string{"20", "5"}, fields["/rest/minutes"])
	assert.Equal(t, [2]string{"18", "25"}, fields["/piece/thickness_mm"])
	assert.Greater(t, *got.After.Q, *got.Before.Q, "raw parsnip and a short rest are wetter")
	assert.Greater(t, *got.After.Minutes, *got.Before.Minutes, "thicker")
	assert.Contains(t, got.After.Label, "oats-rolled")
	assert.NotContains(t, got.Before.Label, "oats-rolled")
	assert.NotNil(t, got.Before.CostEach)
	require.NotNil(t, got.After.CostEach, "oats are few: the rest tells")
}
