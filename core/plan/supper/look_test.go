package supper_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

const hazelnutLoaf = `{"format":"cuerda-build/1","name":"Nut loaf","lines":[{"food":"chestnuts-cooked","grams":400},{"food":"hazelnuts","grams":100},{"food":"split-peas-cooked","grams":480},{"food":"chickpea-flour","grams":80}],` +
	`"piece":{"kind":"loaf","length_mm":200,"width_mm":100,"height_mm":60},"cook":{"method":"still-oven","celsius":180}}`

const club = `{"people":[{"name":"crew","count":9},{"name":"vegan","count":1,"diet":"vegan"},{"name":"hazelnut","count":2,"avoid":["tree-nut"]}]}`

func read(t *testing.T, text string) *supper.Supper {
	t.Helper()
	d, err := supper.Read([]byte(text))
	require.NoError(t, err)
	return d
}

func look(t *testing.T, d *supper.Supper) *supper.Report {
	t.Helper()
	out, err := new(supper.Baker).Report(d, kitchen.Usual())
	require.NoError(t, err)
	return out
}

func TestEveryEaterAgainstEveryDish(t *testing.T) {
	d := read(t, friday(of("Loaf", loaf, ""), of("Nut loaf", hazelnutLoaf, ""), of("Cakes", cakes, `,"pieces":24`), roots))
	d.Dishes[3].Foods = []supper.SupperFood{{Food: "parsnip", Grams: 1200}}
	d.Eaters = read(t, `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","dishes":[],"eaters":`+club+`}`).Eaters
	out := look(t, d)
	require.Len(t, out.People, 3)
	assert.Equal(t, []int{0, 1, 2, 3}, out.People[0].Dishes)
	assert.Equal(t, []int{1, 2, 3}, out.People[1].Dishes, "no turkey for the vegan")
	assert.Equal(t, []int{0, 2, 3}, out.People[2].Dishes, "no nuts")
	require.Len(t, out.Dishes[1].NotFor, 1)
	assert.Equal(t, "hazelnut", out.Dishes[1].NotFor[0].Name)
	for _, p := range out.People {
		assert.True(t, p.Main)
	}
	// Whatever stands on the table is shared out whole.
	sum, table := 0., 0.
	for _, p := range out.People {
		sum += p.Grams * float64(p.Count)
	}
	for _, dish := range out.Dishes {
		table += dish.Grams
	}
	assert.InDelta(t, table, sum, 1e-6)
	whats := map[string]supper.Contact{}
	for _, c := range out.Contact {
		whats[c.What] = c
	}
	assert.Equal(t, []int{1}, whats["tree-nut"].With)
	assert.Contains(t, whats["tree-nut"].Through, "board")
	assert.Equal(t, []int{0}, whats["vegan"].With)
	assert.Contains(t, whats["vegan"].Through, "oven", "the loaf and the roots")
}

func TestShoppingIsMerged(t *testing.T) {
	d := read(t, friday(of("Cakes", cakes, ""), of("More cakes", cakes, ""), of("Nut loaf", hazelnutLoaf, "")))
	one := look(t, read(t, friday(of("Cakes", cakes, "")))).Shop
	out := look(t, d).Shop
	grams := map[string]float64{}
	for _, p := range one {
		grams[p.Food] = p.Grams
	}
	seen, last := map[string]bool{}, -1
	for _, p := range out {
		require.False(t, seen[p.Food], "each food once")
		seen[p.Food] = true
		at := 0
		for i, a := range supper.Aisles {
			if a == p.Aisle {
				at = i
			}
		}
		require.GreaterOrEqual(t, at, last, "as one goes through the shop")
		last = at
		switch p.Food {
		case "flax-meal":
			assert.Equal(t, 2*grams[p.Food], p.Grams)
			assert.Equal(t, []int{0, 1}, p.Dishes)
		case "split-peas-cooked":
			assert.Equal(t, 2*grams[p.Food]+480, p.Grams)
			assert.Equal(t, []int{0, 1, 2}, p.Dishes)
		}
	}
}

func TestBoxesKeepOrAreFrozen(t *testing.T) {
	d := read(t, friday(of("Loaf", loaf, `,"boxes":[{"day":"2026-11-28","pieces":1}]`), of("Cakes", cakes, `,"pieces":24,"boxes":[{"day":"2026-11-28","pieces":6},{"day":"2026-12-05","pieces":4}]`)))
	out := look(t, d)
	require.Len(t, out.Boxes, 3)
	saturday, later := out.Boxes[1], out.Boxes[2]
	assert.Equal(t, 1, saturday.Days)
	assert.False(t, saturday.Freeze)
	assert.Equal(t, "2026-12-01", saturday.LastDay)
	assert.True(t, later.Freeze, "eight days are too many for the fridge")
	require.NotNil(t, saturday.Minutes)
	assert.InDelta(t, 20, *saturday.Minutes, 10, "patties of 18 mm from the fridge at 170 degC")
	require.NotNil(t, out.Boxes[0].Minutes)
	assert.Greater(t, *out.Boxes[0].Minutes, *saturday.Minutes, "a loaf is thicker")
	assert.Equal(t, 10, out.Dishes[1].Boxed)
	whole := look(t, read(t, friday(of("Cakes", cakes, `,"pieces":24`)))).Dishes[0].Grams
	assert.InDelta(t, whole*14/24, out.Dishes[1].Grams, 1e-6, "what is boxed is not on the table")
	_, err := supper.Read([]byte(friday(of("Cakes", cakes, `,"pieces":8,"boxes":[{"day":"2026-11-28","pieces":9}]`))))
	assert.Error(t, err)
	_, err = supper.Read([]byte(friday(of("Cakes", cakes, `,"pieces":8,"boxes":[{"day":"2026-11-20","pieces":1}]`))))
	assert.Error(t, err)
}

func TestADishWithItsOwnHour(t *testing.T) {
	d := read(t, friday(of("Cakes", cakes, ""), roots))
	children := d.Table.Add(-90 * time.Minute)
	d.Dishes[0].At = &children
	p, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(p.Supper, p.Plan))
	for _, s := range p.Plan.Steps {
		if s.Dish == 0 {
			assert.False(t, p.Time(s.End()).After(children))
		}
	}
	later := d.Table.Add(time.Hour)
	d.Dishes[1].At = &later
	p, err = supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	last := d.Table
	for _, s := range p.Plan.Steps {
		if end := p.Time(s.End()); end.After(last) {
			last = end
		}
	}
	assert.WithinDuration(t, later, last, 11*time.Minute)
}

func TestAStepThatTakesLonger(t *testing.T) {
	d := read(t, friday(roots))
	usual, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	slow := 50
	d.Pins = []supper.SupperPin{{Dish: "Roots", Step: "Roast", Minutes: &slow}}
	p, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(p.Supper, p.Plan))
	assert.Equal(t, usual.Plan.Start+20, p.Plan.Start)
	again, err := supper.Make(read(t, friday(roots)), kitchen.Usual(), nil)
	require.NoError(t, err)
	assert.Equal(t, usual.Plan.Start, again.Plan.Start)
}

// A loaf that stands beside a full tray of something takes longer than alone, and is said to.
func TestAFullOvenIsSlower(t *testing.T) {
	beside := `{"name":"Roots","steps":[{"name":"Roast","minutes":60,"oven":{"celsius":177}}],"ready":{"least":0,"most":0}}`
	minutes := func(p *supper.Planned) int {
		for _, s := range p.Plan.Steps {
			if p.Supper.Dishes[s.Dish].Steps[s.Step].Name == "cook" {
				return s.Minutes
			}
		}
		return 0
	}
	alone, err := plan(t, friday(of("Loaf", loaf, "")))
	require.NoError(t, err)
	full, err := plan(t, friday(of("Loaf", loaf, ""), beside))
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(full.Supper, full.Plan))
	require.Len(t, full.Slowed, 1)
	for _, more := range full.Slowed {
		assert.Equal(t, minutes(alone)+more, minutes(full))
		assert.Greater(t, more, 0)
	}
}

func TestWhatIsDoneTheDayBefore(t *testing.T) {
	d := read(t, friday(of("Cakes", cakes, ""), of("Loaf", loaf, ""), roots))
	d.Aim = string(schedule.DayBefore)
	k := kitchen.Usual()
	p, err := supper.Make(d, k, nil)
	require.NoError(t, err)
	all := p.Aheads(k)
	require.NotEmpty(t, all)
	midnight := time.Date(2026, 11, 27, 0, 0, 0, 0, d.Table.Location())
	for _, a := range all {
		for _, s := range p.Plan.Steps {
			if s.Dish == a.Dish && s.Step == a.Step {
				assert.True(t, p.Time(s.Start).Before(midnight))
			}
		}
		if a.Dish == 1 && a.State != "cooked" {
			assert.True(t, a.Raw, "turkey")
			assert.LessOrEqual(t, a.Days, 2.)
		}
	}
	d.Aim = string(schedule.LatestStart)
	p, err = supper.Make(d, k, nil)
	require.NoError(t, err)
	assert.Empty(t, p.Aheads(k))
}

// The shortest time that the oven is on: what stands at one heat goes in together.
func TestLeastOven(t *testing.T) {
	early := `{"name":"Broth","steps":[{"name":"Roast","minutes":20,"oven":{"celsius":200}},{"name":"Simmer","minutes":90,"burners":1,"after":[{"step":"Roast","most":600}]}]}`
	d := read(t, friday(early, roots))
	latest, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	d.Aim = string(schedule.LeastOven)
	least, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(least.Supper, least.Plan))
	assert.Equal(t, least.Plan.Oven, least.Plan.OvenBound)
	assert.Less(t, least.Plan.Oven, latest.Plan.Oven)
	// Roots may end 10 min before the table and the broth's 90 min lie between: 20 + 90 less the 10 that it may be
	// ready early, to the end of the roots 30 min of roasting later, whichever way: 110 - 10 = 100.
	assert.Equal(t, 100, least.Plan.Oven)
}

// The night before a supper the clocks went back an hour: what begins twenty and a third hours before seven begins
// before midnight by the clock.
func TestTheClockGoesBackTheNightBefore(t *testing.T) {
	soak := `{"name":"Grain","steps":[{"name":"Soak","minutes":1200},{"name":"Boil","minutes":20,"burners":1,"after":[{"step":"Soak","most":0}]}],"ready":{"least":0,"most":0}}`
	text := `{"format":"cuerda-supper/1","table":"2026-10-25T19:00:00+01:00","zone":"Europe/Madrid","dishes":[` + soak + `]}`
	p, err := plan(t, text)
	require.NoError(t, err)
	assert.Equal(t, "2026-10-24T23:40:00+02:00", p.Time(p.Plan.Start).Format(time.RFC3339))
	_, err = supper.Read([]byte(`{"format":"cuerda-supper/1","table":"2026-10-25T19:00:00+01:00","zone":"Europe/Nowhere","dishes":[` + soak + `]}`))
	var fault *supper.Fault
	require.ErrorAs(t, err, &fault)
	assert.Equal(t, supper.UnknownZone, fault.Code)
}

// Half a can is left: the salad beside it takes it, not the dish that it was bought for.
func TestWhatIsLeftOfAPackSuitsAnotherDish(t *testing.T) {
	const beans = `{"format":"cuerda-build/1","name":"Beans","lines":[{"food":"black-beans-canned","grams":330},{"food":"oats-quick","grams":60}]}`
	d := read(t, friday(of("Beans", beans, ""), of("Cakes", cakes, ""), roots))
	d.Dishes[2].Foods = []supper.SupperFood{{Food: "chickpeas-canned", Grams: 240}}
	for _, p := range look(t, d).Shop {
		switch p.Food {
		case "black-beans-canned":
			require.Greater(t, p.LeftG, 20.)
			assert.Equal(t, 2, p.Suits, "a side first")
		case "chickpeas-canned":
			assert.Equal(t, -1, p.Suits, "nothing is left of it")
		}
	}
}
