package supper_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

const loaf = `{"format":"cuerda-build/1","name":"Loaf","lines":[{"food":"turkey-ground","grams":600},{"food":"oats-quick","grams":60},{"food":"salt","grams":8}],` +
	`"rest":{"minutes":20},"piece":{"kind":"loaf","length_mm":200,"width_mm":100,"height_mm":60},"cook":{"method":"still-oven","celsius":177}}`

const cakes = `{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"chickpea-flour","grams":45},` +
	`{"food":"flax-meal","grams":16},{"food":"salt","grams":6}],"rest":{"minutes":20},"piece":{"kind":"patty","diameter_mm":70,"thickness_mm":18},"cook":{"method":"pan","celsius":180}}`

const roots = `{"name":"Roots","steps":[{"name":"Cut","minutes":10,"hands":1},{"name":"Roast","minutes":30,"oven":{"celsius":200,"racks":1},"after":[{"step":"Cut","least":0,"most":60}]}],"ready":{"least":0,"most":10}}`

func friday(dishes ...string) string {
	return `{"format":"cuerda-supper/1","name":"Friday","table":"2026-11-27T19:00:00+01:00","kitchen":{"cooks":2,"ovens":[{"id":"oven","racks":2,"heat_up_minutes":15}],"burners":4,"pans":2,"bowls":1},"dishes":[` +
		strings.Join(dishes, ",") + `]}`
}

func of(name, build string, more string) string {
	return `{"name":"` + name + `","build":` + build + more + `}`
}

func plan(t *testing.T, text string) (*supper.Planned, error) {
	t.Helper()
	d, err := supper.Read([]byte(text))
	require.NoError(t, err)
	return supper.Make(d, kitchen.Usual(), nil)
}

func TestASupperOfBuildsAndSides(t *testing.T) {
	p, err := plan(t, friday(of("Loaf", loaf, ""), roots, of("Cakes", cakes, `,"pieces":12`)))
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(p.Supper, p.Plan))
	assert.True(t, p.Plan.Proved)
	assert.Equal(t, "2026-11-27T19:00:00+01:00", p.Time(0).Format(time.RFC3339))
	assert.Equal(t, "2026-11-27T18:30:00+01:00", p.Time(30).Format(time.RFC3339))
	codes := map[string]bool{}
	for _, s := range p.Supper.Dishes[0].Steps {
		codes[s.Name] = true
	}
	for _, want := range []string{"mix", "rest", "shape", "cook", "set"} {
		assert.True(t, codes[want], want)
	}
	assert.False(t, codes["preheat"], "the oven heats up for all")
}

// Two dishes go together at one heat where that begins later, and the price is told; where
// the oven is not to be shared, each has its own.
func TestSharingAnOven(t *testing.T) {
	text := friday(of("Loaf", loaf, `,"ready":{"least":0,"most":30}`), roots)
	together, err := plan(t, text)
	require.NoError(t, err)
	require.Len(t, together.Shared, 1)
	s := together.Shared[0]
	assert.Equal(t, 177., s.CelsiusWas)
	assert.Equal(t, 200., s.Celsius)
	assert.Less(t, s.Minutes, s.MinutesWas)
	assert.Greater(t, s.Browning, s.BrowningWas)
	apart, err := plan(t, strings.Replace(text, `"name":"Friday"`, `"share_oven":false`, 1))
	require.NoError(t, err)
	assert.Empty(t, apart.Shared)
	assert.Greater(t, apart.Plan.Start, together.Plan.Start)
	require.NoError(t, schedule.Verify(together.Supper, together.Plan))
	require.NoError(t, schedule.Verify(apart.Supper, apart.Plan))
}

func TestTheDayBefore(t *testing.T) {
	stew := `{"name":"Sauce","steps":[{"name":"Make","minutes":20,"hands":1},{"name":"Warm","minutes":10,"burners":1,"after":[{"step":"Make","least":0}]}]}`
	p, err := plan(t, strings.Replace(friday(stew, roots), `"name":"Friday"`, `"aim":"day-before"`, 1))
	require.NoError(t, err)
	for _, s := range p.Plan.Steps {
		at := p.Time(s.Start)
		switch p.Supper.Dishes[s.Dish].Steps[s.Step].Name {
		case "Make":
			assert.Equal(t, 26, at.Day())
			assert.LessOrEqual(t, p.Time(s.End()).Hour(), 22)
		case "Cut":
			assert.Equal(t, 27, at.Day(), "what may not wait is done on the day")
		}
	}
}

// Late, with one dish begun: what is done stays, the rest is planned from now, and what can no
// longer be says how much later it could.
func TestPlanningFromNow(t *testing.T) {
	begun := strings.Replace(friday(roots), `"name":"Friday"`, `"now":"2026-11-27T18:25:00+01:00","pins":[{"dish":"Roots","step":"Cut","start":"2026-11-27T18:16:00+01:00"}]`, 1)
	p, err := plan(t, begun)
	require.NoError(t, err)
	assert.Equal(t, "18:16", p.Time(p.Plan.Start).Format("15:04"))
	late := strings.Replace(begun, "18:25", "18:40", 1)
	_, err = plan(t, late)
	var odds *schedule.AtOddsError
	require.ErrorAs(t, err, &odds)
	for _, w := range odds.Ways {
		if w.Code == "late" {
			assert.Equal(t, 10, w.Minutes)
		}
	}
	for text, code := range map[string]string{
		strings.Replace(begun, `"step":"Cut","start"`, `"step":"Peel","start"`, 1): supper.UnknownPin,
		strings.Replace(begun, "18:25", "19:25", 1):                                supper.TooLate,
	} {
		_, err := plan(t, text)
		var fault *supper.Fault
		require.ErrorAs(t, err, &fault)
		assert.Equal(t, code, fault.Code)
	}
}

func TestBadSuppersSayWhere(t *testing.T) {
	for name, x := range map[string]struct{ text, code, pointer string }{
		"format":      {strings.Replace(friday(roots), "supper/1", "supper/9", 1), supper.BadFormat, "/format"},
		"no table":    {strings.Replace(friday(roots), `"table":"2026-11-27T19:00:00+01:00",`, "", 1), supper.NoTable, "/table"},
		"aim":         {strings.Replace(friday(roots), `"name":"Friday"`, `"aim":"soon"`, 1), supper.UnknownAim, "/aim"},
		"cut off":     {friday(roots)[:80], supper.BadJSON, ""},
		"unknown":     {strings.Replace(friday(roots), `"name":"Friday"`, `"guests":3`, 1), supper.BadJSON, ""},
		"both":        {friday(`{"name":"x","build":` + loaf + `,"steps":[{"name":"a","minutes":1}]}`), supper.Both, "/dishes/0"},
		"neither":     {friday(`{"name":"x"}`), supper.Both, "/dishes/0"},
		"build":       {friday(of("x", strings.Replace(loaf, "turkey-ground", "moonbeams", 1), "")), supper.BadBuild, "/dishes/0/build"},
		"after":       {friday(strings.Replace(roots, `"step":"Cut"`, `"step":"Peel"`, 1)), supper.UnknownStep, "/dishes/0/steps/1/after/0/step"},
		"twice":       {friday(strings.Replace(roots, `"name":"Roast"`, `"name":"Cut"`, 1)), supper.Twice, "/dishes/0/steps/1/name"},
		"oven":        {friday(strings.Replace(roots, "200", "2000", 1)), supper.OutOfRange, "/dishes/0/steps/1/oven/celsius"},
		"cooks":       {strings.Replace(friday(roots), `"cooks":2`, `"cooks":-2`, 1), supper.OutOfRange, "/kitchen/cooks"},
		"never baked": {friday(of("x", strings.Replace(loaf, `"celsius":177`, `"celsius":60`, 1), "")), supper.NothingBakes, "/dishes/0/build"},
	} {
		d, err := supper.Read([]byte(x.text))
		if err == nil {
			_, err = supper.Make(d, kitchen.Usual(), nil)
		}
		var fault *supper.Fault
		if assert.ErrorAs(t, err, &fault, name) {
			assert.Equal(t, x.code, fault.Code, name)
			assert.Equal(t, x.pointer, fault.Pointer, name)
		}
	}
	none := strings.Replace(friday(roots), `"ovens":[{"id":"oven","racks":2,"heat_up_minutes":15}]`, `"ovens":[]`, 1)
	_, err := plan(t, none)
	var lack *schedule.LackError
	require.ErrorAs(t, err, &lack, "no oven")
	forty := make([]string, 41)
	for i := range forty {
		forty[i] = roots
	}
	_, err = plan(t, friday(forty...))
	var fault *schedule.Fault
	require.ErrorAs(t, err, &fault)
	assert.Equal(t, "too-many", fault.Code)
}

func FuzzRead(f *testing.F) {
	f.Add(friday(roots))
	f.Add(friday(of("Loaf", loaf, "")))
	f.Fuzz(func(t *testing.T, text string) {
		d, err := supper.Read([]byte(text))
		if err != nil {
			var fault *supper.Fault
			require.ErrorAs(t, err, &fault)
			return
		}
		p, err := supper.Make(d, kitchen.Usual(), nil)
		if err == nil {
			require.NoError(t, schedule.Verify(p.Supper, p.Plan))
		} else if errors.Is(err, schedule.ErrNoPlan) {
			return
		}
		_, err = json.Marshal(d)
		require.NoError(t, err)
		if _, err = new(supper.Baker).Report(d, kitchen.Usual()); err != nil {
			var fault *supper.Fault
			require.ErrorAs(t, err, &fault)
		}
	})
}

func ExampleMake() {
	d, err := supper.Read([]byte(friday(roots)))
	if err != nil {
		fmt.Println(err)
		return
	}
	p, err := supper.Make(d, kitchen.Usual(), nil)
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, s := range p.Plan.Steps {
		fmt.Println(p.Time(s.Start).Format("15:04"), p.Supper.Dishes[s.Dish].Steps[s.Step].Name)
	}
	// Output:
	// 18:20 Cut
	// 18:30 Roast
}

func BenchmarkPlanOfBuilds(b *testing.B) {
	d, err := supper.Read([]byte(friday(of("Loaf", loaf, ""), roots, of("Cakes", cakes, ""))))
	require.NoError(b, err)
	for b.Loop() {
		_, _ = supper.Make(d, kitchen.Usual(), nil)
	}
}

// What moving a knot costs: the builds are known.
func BenchmarkPlanOfKnownBuilds(b *testing.B) {
	d, err := supper.Read([]byte(friday(of("Loaf", loaf, ""), roots, of("Cakes", cakes, ""))))
	require.NoError(b, err)
	var baker supper.Baker
	k := kitchen.Usual()
	for b.Loop() {
		_, _ = baker.Make(d, k, supper.Options{})
	}
}
