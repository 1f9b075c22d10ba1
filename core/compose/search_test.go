package compose

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// On a space small enough to try all of it, step after step comes to the best there is.
func TestRefiningComesToTheBestOfASmallSpace(t *testing.T) {
	for _, binder := range []string{"chickpea-flour", "oats-rolled", "flax-meal"} {
		a := Ask{Format: Format, Must: []Amount{{Food: "black-beans-canned", Grams: 400}, {Food: "carrot"}}, May: []string{binder}, Kind: piece.Patty, Methods: []method.Method{method.Pan}}
		k := kitchen.Usual()
		c := &composer{ask: &a, k: k, stock: stockOf(&a, k)}
		first := c.first(c.stock.bases())
		require.NotEmpty(t, first)
		best, refined := 0., 0.
		for _, l := range first {
			refined = max(refined, c.refine(l).score)
			body, _ := roleOf(l.base[0])
			for way := range body.ways {
				for _, level := range []float64{0, .25, .5, .75, 1} {
					for _, rest := range []float64{0, 10, 15, 20, 30} {
						for _, chill := range []float64{0, 30} {
							for _, at := range []float64{0, .4, .5, .8} {
								for carrot := range 2 {
									p := l.plan
									p.ways, p.level, p.rest, p.chill = []int{way}, level, rest, chill
									p.items = []item{{food: l.items[0].food, at: at, way: carrot}}
									if got, ok := c.look(p); ok {
										best = max(best, got.score)
									}
								}
							}
						}
					}
				}
			}
		}
		assert.InDelta(t, best, refined, .01*best+1e-9, binder)
	}
}
