package parameter_test

import (
	"encoding/json"
	"fmt"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/advise"
	"cuerda/core/cooking"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/parameter"
	"cuerda/core/plan/supper"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/dish"
)

// kitchenfuls are builds that between them ask for everything a figure stands for.
var kitchenfuls = []string{
	`{"format":"cuerda-build/1","lines":[{"food":"chickpeas-canned","grams":400,"prep":[{"do":"blitz","level":0.5}]},{"food":"tofu-firm","grams":300,"prep":[{"do":"press"}]},
		{"food":"carrot","grams":200,"prep":[{"do":"saute","minutes":8}]},{"food":"walnuts","grams":60,"prep":[{"do":"toast"}]},{"food":"white-beans-canned","grams":300,"prep":[{"do":"mash","level":0.9}]},
		{"food":"flax-meal","grams":20,"prep":[{"do":"gel","minutes":15}]},{"food":"oats-rolled","grams":60,"prep":[{"do":"soak","hours":2}]}],
		"chill":{"minutes":40},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan","celsius":180},"portions":4,
		"parts":[{"kind":"sauce","lines":[{"food":"tomato-passata","grams":170}]},{"kind":"broth","lines":[{"food":"water","grams":2000}]},{"kind":"coating","lines":[{"food":"pumpkin-seeds","grams":90}]},
			{"kind":"glaze","lines":[{"food":"maple-syrup","grams":90}]},{"kind":"wash","lines":[{"food":"plant-milk","grams":90}]}]}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":2600,"prep":[{"do":"brown"}]},{"food":"rice-flour","grams":90}],"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190,"sear_minutes":1,"grill_minutes":3},
		"parts":[{"kind":"glaze","lines":[{"food":"maple-syrup","grams":90}]}]}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":1500},{"food":"rice-flour","grams":200},{"food":"salt","grams":15}],"piece":{"kind":"loaf","length_mm":210,"width_mm":110,"height_mm":60},"cook":{"method":"still-oven","celsius":177}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":900}],"piece":{"kind":"loaf","length_mm":210,"width_mm":90,"height_mm":50,"tin":false},"cook":{"method":"fan-oven","celsius":177}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"potato-mashed","grams":600}],"piece":{"kind":"shell","diameter_mm":60,"wall_mm":10},"cook":{"method":"deep-oil","celsius":175},"parts":[{"kind":"filling","lines":[{"food":"potato-mashed","grams":300},{"food":"water","grams":60}]}]}`,
	`{"format":"cuerda-build/1","lines":[{"food":"potato-grated","grams":600}],"piece":{"kind":"fritter","diameter_mm":60,"thickness_mm":14},"cook":{"method":"shallow-oil","celsius":175}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"millet-cooked","grams":600}],"piece":{"kind":"stuffing","diameter_mm":80,"height_mm":45},"cook":{"method":"grill","celsius":230}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600}],"piece":{"kind":"ball","diameter_mm":30},"cook":{"method":"simmer","celsius":97}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600}],"piece":{"kind":"ball","diameter_mm":30},"cook":{"method":"pan","celsius":180}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600}],"piece":{"kind":"ball","diameter_mm":30},"cook":{"method":"deep-oil","celsius":175}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600}],"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"fan-oven","celsius":190}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600}],"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"fan-oven","celsius":190,"turn":true}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600}],"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"grill","celsius":230}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":20}],"piece":{"kind":"ball","diameter_mm":5},"cook":{"method":"pan","celsius":180}}`,
	`{"format":"cuerda-build/1","lines":[{"food":"lentils-cooked","grams":500},{"food":"courgette","grams":300}]}`,
	`{"format":"cuerda-build/1","lines":[{"food":"split-peas-cooked","grams":500}],"piece":{"kind":"ball","diameter_mm":10}}`,
}

// loaf is the one of kitchenfuls that is planned beside roots.
const loaf = 2

// ways is the one of kitchenfuls whose ways of holding differ by what measuring costs.
const ways = 4

// told are what a kitchen says of a build, the cheapest first.
var told = []func(d *document.Document, k *kitchen.Kitchen) any{
	func(d *document.Document, k *kitchen.Kitchen) any { return predict.Predict(d, k) },
	func(d *document.Document, k *kitchen.Kitchen) any { return dish.Assess(d, k) },
	func(d *document.Document, k *kitchen.Kitchen) any {
		baked := bake.Bake(d, k, bake.Options{Now: -1})
		needs := fmt.Sprintf("%+v", baked.Needs.Steps)
		baked.Needs = nil
		return []any{baked, needs}
	},
	func(d *document.Document, k *kitchen.Kitchen) any { return bake.Explore(d, k, nil) },
	func(d *document.Document, k *kitchen.Kitchen) any {
		build, err := json.Marshal(d)
		if err != nil {
			return err
		}
		roots := supper.SupperDish{Name: "Roots", Steps: []supper.SupperStep{{Name: "roast", Minutes: 70, Oven: &supper.InOven{Celsius: 177}}}}
		asked := &supper.Supper{Table: time.Date(2026, 11, 27, 19, 0, 0, 0, time.UTC), Aim: "latest-start",
			Dishes: []supper.SupperDish{{Name: "Loaf", Build: build}, roots}}
		p, err := supper.Make(asked, k, nil)
		if err != nil {
			return err.Error()
		}
		return []any{p.Plan, cooking.Of(asked, p, k)}
	},
	func(d *document.Document, k *kitchen.Kitchen) any {
		k.Used = map[string]int{"flax-meal": 3}
		return advise.Bind(k, d, advise.Options{})
	},
}

// No figure is idle: each one, put at an end of its range, changes what some build is told.
func TestEveryFigureReachesACook(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	var documents []*document.Document
	for _, text := range kitchenfuls {
		d, err := document.Read([]byte(text), food.Starter())
		require.NoError(t, err, text)
		documents = append(documents, d)
	}
	say := func(n, i int, k *kitchen.Kitchen) string {
		text, err := json.Marshal(told[n](documents[i], k))
		require.NoError(t, err)
		return string(text)
	}
	// The dearest question is asked of those alone where the figures of the ways show.
	asked := func(n, i int) bool {
		return n < len(told)-2 || n == len(told)-2 && i == loaf || n == len(told)-1 && (i == ways || i == len(documents)-1)
	}
	usual := make([][]string, len(told))
	for n := range told {
		usual[n] = make([]string, len(documents))
		for i := range documents {
			if asked(n, i) {
				usual[n][i] = say(n, i, kitchen.Usual())
			}
		}
	}
	reaches := func(k *kitchen.Kitchen) bool {
		for n := range told {
			for i := range documents {
				if asked(n, i) && say(n, i, k) != usual[n][i] {
					return true
				}
			}
		}
		return false
	}
	for _, e := range parameter.Entries() {
		k := kitchen.Usual()
		var err error
		k.Parameters, err = parameter.Usual().With(map[string]float64{e.ID: e.High})
		require.NoError(t, err)
		assert.True(t, reaches(k), "%s of %g changes nothing", e.ID, e.High)
	}
}
