package supper_test

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
	"cuerda/core/predict/dish"
)

// drawSupper is a supper of builds in any number of pieces and of sides, for any table.
func drawSupper(t *rapid.T) *supper.Supper {
	var dishes []string
	for i := range rapid.IntRange(1, 4).Draw(t, "dishes") {
		name := fmt.Sprintf("Dish %d", i)
		switch rapid.SampledFrom([]string{"loaf", "nuts", "cakes", "side"}).Draw(t, "what") {
		case "loaf":
			dishes = append(dishes, of(name, loaf, fmt.Sprintf(`,"pieces":%d`, rapid.IntRange(1, 3).Draw(t, "loaves"))))
		case "nuts":
			dishes = append(dishes, of(name, hazelnutLoaf, ""))
		case "cakes":
			n := rapid.IntRange(2, 60).Draw(t, "cakes")
			boxed := rapid.IntRange(0, n).Draw(t, "boxed")
			box := ""
			if boxed > 0 {
				box = fmt.Sprintf(`,"boxes":[{"day":"2026-11-%02d","pieces":%d}]`, rapid.IntRange(28, 30).Draw(t, "day"), boxed)
			}
			dishes = append(dishes, of(name, cakes, fmt.Sprintf(`,"pieces":%d%s`, n, box)))
		case "side":
			side := strings.Replace(roots, `"Roots"`, `"`+name+`"`, 1)
			side = strings.TrimSuffix(side, "}") + fmt.Sprintf(`,"foods":[{"food":"parsnip","grams":%d},{"food":"olive-oil","grams":30}]}`, rapid.IntRange(100, 3000).Draw(t, "parsnip"))
			dishes = append(dishes, side)
		}
	}
	d, err := supper.Read([]byte(friday(dishes...)))
	require.NoError(t, err)
	people := rapid.SampledFrom([]string{
		club, `{"people":[{"name":"crew","count":12}]}`, `{"people":[{"name":"a","count":1,"avoid":["gluten","sesame"]},{"name":"b","count":3,"diet":"vegetarian"}]}`,
		`{"diet":"vegan","people":[{"name":"all","count":5}]}`,
	}).Draw(t, "people")
	with, err := supper.Read([]byte(`{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","dishes":[],"eaters":` + people + `}`))
	require.NoError(t, err)
	d.Eaters = with.Eaters
	d.Aim = string(rapid.SampledFrom(schedule.Aims).Draw(t, "aim"))
	return d
}

// Whatever is asked for: what is on the table is shared out whole among those who can eat it, nobody's plate has what
// they leave out, what is bought is enough and no pack too many, and what is boxed is of what is made.
func TestEverySupperAddsUp(t *testing.T) {
	k := kitchen.Usual()
	rapid.Check(t, func(t *rapid.T) {
		d := drawSupper(t)
		out, err := new(supper.Baker).Report(d, k)
		require.NoError(t, err)
		shared, eaten := make([]bool, len(out.Dishes)), 0.
		for _, p := range out.People {
			eaten += p.Grams * float64(p.Count)
			for _, i := range p.Dishes {
				shared[i] = true
				for _, no := range out.Dishes[i].NotFor {
					assert.NotEqual(t, no.Person, p.Person, "%s eats %s", p.Name, out.Dishes[i].Name)
				}
			}
		}
		table := 0.
		needs := map[string]float64{}
		for i, one := range out.Dishes {
			if shared[i] {
				table += one.Grams
			}
			assert.LessOrEqual(t, one.Boxed, one.Pieces)
			assert.GreaterOrEqual(t, one.Grams, -1e-9)
			for _, f := range d.Dishes[i].Foods {
				needs[f.Food] += f.Grams
			}
			if d.Dishes[i].Build != nil {
				alone := *d
				alone.Dishes = d.Dishes[i : i+1]
				of, err := new(supper.Baker).Report(&alone, k)
				require.NoError(t, err)
				for _, p := range of.Shop {
					needs[p.Food] += p.Grams
				}
			}
		}
		assert.InDelta(t, table, eaten, 1e-6)
		assert.Len(t, out.Shop, len(needs))
		for _, p := range out.Shop {
			assert.InDelta(t, needs[p.Food], p.Grams, 1e-6, p.Food)
			if p.Count > 0 {
				f := k.Foods.Find(p.Food)
				at := slices.IndexFunc(f.Packs, func(one food.Pack) bool { return one.Name == p.Pack && one.Total == p.PackG })
				require.GreaterOrEqual(t, at, 0)
				each := f.Packs[at].Drained
				assert.GreaterOrEqual(t, float64(p.Count)*each*1.02, p.Grams-1e-9, "enough of "+p.Food)
				assert.True(t, p.Count == 1 || float64(p.Count-1)*each < p.Grams, "a pack of %s too many", p.Food)
			}
			if p.Suits >= 0 {
				assert.NotContains(t, p.Dishes, p.Suits, "the rest goes into another dish")
			}
			assert.False(t, p.Cost != nil && (*p.Cost < 0 || math.IsNaN(*p.Cost)))
		}
		for _, b := range out.Boxes {
			assert.Equal(t, b.Freeze, b.Day > b.LastDay, "what the fridge does not keep is frozen")
		}
	})
}

// Whatever its aim, a supper that can be planned keeps every need, its hours are the table's, and each of its dishes
// is there; one that cannot names what is in the way.
func TestEverySupperIsPlannedOrSaysWhy(t *testing.T) {
	k := kitchen.Usual()
	b := new(supper.Baker)
	rapid.Check(t, func(t *rapid.T) {
		d := drawSupper(t)
		p, err := b.Make(d, k, supper.Options{})
		var odds *schedule.AtOddsError
		var lack *schedule.LackError
		if err != nil {
			require.True(t, errors.As(err, &odds) || errors.As(err, &lack), "%v", err)
			return
		}
		require.NoError(t, schedule.Verify(p.Supper, p.Plan))
		steps := map[int]int{}
		for _, s := range p.Plan.Steps {
			steps[s.Dish]++
			assert.False(t, p.Time(s.End()).After(d.Table))
		}
		for i := range p.Supper.Dishes {
			assert.Equal(t, len(p.Supper.Dishes[i].Steps), steps[i])
		}
		for _, s := range p.Shared {
			assert.LessOrEqual(t, math.Abs(s.Celsius-s.CelsiusWas), 25.)
		}
		contacts, err := b.Contacts(d, k)
		require.NoError(t, err)
		for _, w := range p.Washes(contacts) {
			assert.NotEqual(t, w.Dish, w.Before)
			assert.LessOrEqual(t, w.Start, p.Plan.Start)
		}
	})
}

// So many pieces as are asked for are made, however full the hands of a kitchen make them.
func TestAsManyPiecesAsAreAskedFor(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		k := kitchen.Usual().Learned(&kitchen.Taught{Scoop: rapid.Float64Range(-.2, .2).Draw(t, "scoop")})
		n := rapid.IntRange(4, 60).Draw(t, "pieces")
		d, err := supper.Read([]byte(friday(of("Cakes", cakes, fmt.Sprintf(`,"pieces":%d`, n)))))
		require.NoError(t, err)
		out, err := new(supper.Baker).Report(d, k)
		require.NoError(t, err)
		assert.Equal(t, n, out.Dishes[0].Pieces)
	})
}

// A whole is what its parts weigh: what a dish needs in so many pieces is what one needs, so many times.
func TestTwiceThePiecesNeedTwiceTheFood(t *testing.T) {
	k := kitchen.Usual()
	rapid.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(1, 40).Draw(t, "pieces")
		grams := func(pieces int) map[string]dish.Purchase {
			d, err := supper.Read([]byte(friday(of("Cakes", cakes, fmt.Sprintf(`,"pieces":%d`, pieces)))))
			require.NoError(t, err)
			out, err := new(supper.Baker).Report(d, k)
			require.NoError(t, err)
			all := map[string]dish.Purchase{}
			for _, p := range out.Shop {
				all[p.Food] = p.Purchase
			}
			return all
		}
		once, twice := grams(n), grams(2*n)
		require.Equal(t, len(once), len(twice))
		for food, p := range once {
			assert.InDelta(t, 2*p.Grams, twice[food].Grams, 2+.03*twice[food].Grams, food) // amounts are rounded to what can be weighed
		}
	})
}
