package learn_test

import (
	"fmt"
	"math/rand/v2"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/simulated"
	"cuerda/core/predict"
)

// A try in which more broke than was said never makes its dish surer, whatever else it teaches: a
// core that is cooler than the oven says, a squeeze that is firmer.
func TestAfterMoreBrokeThanWasSaidADishIsNoSurer(t *testing.T) {
	usual := kitchen.Usual()
	rose := 0
	for seed := range uint64(12) {
		r := rand.New(rand.NewPCG(seed, 7))
		dishes := simulated.Repertoire()
		var tries []learn.Try
		k := usual
		for n := range 6 {
			d := dishes[r.IntN(3)]
			done := simulated.Varied(d.Document, r)
			said := predict.Predict(done, k).Chance
			found := logbook.Found{Pieces: 8, Broke: &logbook.Broke{Turning: r.IntN(5)}, Squeeze: "firm"}
			if d.Oven {
				core, off := 60+float64(r.IntN(25)), d.Off
				found.CoreCelsius, found.OffAtMinutes = &core, &off
			}
			tries = append(tries, learn.Try{ID: fmt.Sprint(n), At: time.Unix(int64(n)*86400, 0), Document: done, Found: &found, Said: &said})
			l, err := learn.LearnKitchen(tries, usual, learn.KitchenOptions{})
			require.NoError(t, err)
			k = usual.Learned(&l.Taught)
			is := predict.Predict(done, k).Chance
			if held := float64(8-found.Broke.Turning) / 8; held < said {
				assert.LessOrEqual(t, is, said+1e-9, "%d of 8 broke of what was said to hold %.3f", found.Broke.Turning, said)
			} else if is > said {
				rose++
			}
		}
	}
	assert.Positive(t, rose, "what holds as it should may make it surer")
}
