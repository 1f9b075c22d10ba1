package method_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
)

// Every row says all that is asked of it, once.
func TestRowsAreWhole(t *testing.T) {
	usual := parameter.Usual()
	seen := map[method.Method]bool{}
	for _, r := range method.Rows() {
		assert.False(t, seen[r.Method], r.Method)
		seen[r.Method] = true
		for _, language := range []string{"en", "es"} {
			assert.NotEmpty(t, r.Names[language], "%s in %s", r.Method, language)
		}
		assert.Contains(t, method.Media, r.Medium)
		assert.Contains(t, []method.Ware{method.Tray, method.Skillet, method.Pot}, r.Ware)
		for _, f := range []method.Face{r.Transfer.Round, r.Transfer.Around} {
			assert.NotEqual(t, method.Nothing, f.Of, "%s: something heats it", r.Method)
		}
		for _, h := range []method.Handling{r.Patty, r.PattyTurned, r.Ball} {
			require.NotNil(t, h, r.Method)
			assert.Positive(t, h(&usual.Handling), r.Method)
		}
		assert.True(t, r.Celsius > 60 && r.Celsius < 300, r.Method)
		assert.False(t, r.Turned && !r.Turnable, "%s: what is turned has sides", r.Method)
		assert.False(t, r.Preheated && !r.Oven, r.Method)
		assert.False(t, r.Attended && r.Oven, "%s: nobody stands at an oven", r.Method)
		if r.Medium == method.Fat {
			assert.Positive(t, r.OilMM, r.Method)
			assert.Contains(t, r.Cautions, "hot-oil", r.Method)
		}
	}
}

// A row that is added is known until it is taken away; of what is not known nothing is said, and nothing heats it.
func TestRowsComeAndGo(t *testing.T) {
	assert.Equal(t, method.Nothing, method.Method("smoke").Row().Transfer.Around.Of)
	assert.Positive(t, method.Method("").Row().Patty(&parameter.Usual().Handling))
	before := method.Methods()
	remove := method.Add(method.Row{Method: "smoke", Celsius: 110})
	assert.True(t, method.Known("smoke"))
	assert.Equal(t, 110., method.Method("smoke").Row().Celsius)
	assert.Equal(t, append(before, "smoke"), method.Methods())
	remove()
	assert.False(t, method.Known("smoke"))
	assert.Equal(t, before, method.Methods())
}
