package schedule_test

import (
	"cmp"
	"errors"
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/plan/schedule"
)

func usual() schedule.Kitchen {
	return schedule.Kitchen{Cooks: 2, Burners: 4, Pans: 2, Bowls: 1, Ovens: []schedule.Oven{{ID: "oven", Racks: 2, HeatUp: 15}}}
}

func draw(t *rapid.T, dishes, steps, longest int) *schedule.Supper {
	s := &schedule.Supper{Aim: rapid.SampledFrom(schedule.Aims).Draw(t, "aim"), Kitchen: schedule.Kitchen{
		Cooks: rapid.IntRange(1, 2).Draw(t, "cooks"), Burners: rapid.IntRange(1, 3).Draw(t, "burners"),
		Pans: rapid.IntRange(1, 2).Draw(t, "pans"), Bowls: 1, Shelves: rapid.IntRange(0, 1).Draw(t, "shelves"),
	}}
	for range rapid.IntRange(1, 2).Draw(t, "ovens") {
		s.Kitchen.Ovens = append(s.Kitchen.Ovens, schedule.Oven{ID: "o", Racks: rapid.IntRange(1, 2).Draw(t, "racks"), HeatUp: rapid.IntRange(0, longest).Draw(t, "heat up")})
	}
	for range rapid.IntRange(1, dishes).Draw(t, "dishes") {
		d := schedule.Dish{Least: rapid.IntRange(0, 2).Draw(t, "least")}
		d.Most = d.Least + rapid.IntRange(0, longest).Draw(t, "window")
		for i := range rapid.IntRange(1, steps).Draw(t, "steps") {
			st := schedule.Step{Minutes: rapid.IntRange(0, longest).Draw(t, "minutes")}
			switch rapid.IntRange(0, 6).Draw(t, "what") {
			case 0, 1:
				st.Hands = 1
			case 2:
				st.Hands, st.Burners, st.Pans = 1, 1, 1
			case 3:
				st.Racks, st.Celsius = 1, rapid.SampledFrom([]float64{160, 180, 200}).Draw(t, "celsius")
			case 4:
				st.Hands, st.Bowls = 1, 1
			case 6:
				st.Shelves = 1
			}
			if i > 0 {
				for range rapid.IntRange(0, 2).Draw(t, "needs") {
					g := schedule.Gap{Step: rapid.IntRange(0, i-1).Draw(t, "after"), Least: rapid.IntRange(0, 2).Draw(t, "gap"), Most: schedule.Whenever}
					if rapid.Bool().Draw(t, "limited") {
						g.Most = g.Least + rapid.IntRange(0, longest).Draw(t, "most")
					}
					st.After = append(st.After, g)
				}
			}
			d.Steps = append(d.Steps, st)
		}
		s.Dishes = append(s.Dishes, d)
	}
	return s
}

// Every plan keeps every need, as one sees who goes through it minute by minute.
func TestEveryPlanKeepsEveryNeed(t *testing.T) {
	many(t, 5000, func(t *rapid.T) {
		s := draw(t, 4, 4, 15)
		p, err := schedule.Make(s)
		var odds *schedule.AtOddsError
		if errors.As(err, &odds) || errors.Is(err, schedule.ErrNoPlan) {
			return
		}
		require.NoError(t, err)
		require.NoError(t, schedule.Verify(s, p))
		assert.LessOrEqual(t, p.Bound, p.Start)
		if s.Aim == schedule.LeastOven {
			assert.LessOrEqual(t, p.OvenBound, p.Oven)
			assert.Equal(t, p.Proved, p.OvenBound == p.Oven)
		} else {
			assert.True(t, !p.Proved || p.Bound == p.Start && p.LateBound == p.Late)
		}
		again, err := schedule.Make(s)
		require.NoError(t, err)
		assert.Equal(t, p, again, "the same supper, the same plan")
	})
}

// enumerate tries every way to begin every step, up to so many minutes before the table,
// and gives the shortest start, of those with what the aim wants least of: time that ovens are in use,
// or work of hands that comes late; -1 where there is none. Of those that begin so, wait is the shortest that
// steps wait with the first that holds anything as late as it can be.
func enumerate(s *schedule.Supper, longest int) (best, least, wait int) {
	type ref = schedule.Ref
	var refs []ref
	for d := range s.Dishes {
		for i := range s.Dishes[d].Steps {
			refs = append(refs, ref{Dish: d, Step: i})
		}
	}
	best = -1
	held := 0
	p := &schedule.Plan{}
	var place func(k, begin int)
	place = func(k, begin int) {
		if s.Aim != schedule.LeastOven && s.Aim != schedule.DayBefore && best >= 0 && begin > best {
			return
		}
		if k == len(refs) {
			first, last := 0, longest
			for i := range p.Steps {
				if one := &p.Steps[i]; one.Oven >= 0 {
					first, last = max(first, one.Start), min(last, one.End())
				}
			}
			p.Oven, p.Late = max(0, first-last), 0
			for i := range p.Steps {
				if one := &p.Steps[i]; s.Aim == schedule.DayBefore && one.End() < s.Night {
					p.Late += one.Minutes * s.Dishes[one.Dish].Steps[one.Step].Hands
				}
			}
			is := map[schedule.Aim]int{schedule.LeastOven: p.Oven, schedule.DayBefore: p.Late}[s.Aim]
			first, long := heldFrom(s, p), waits(s, p)
			better := best < 0 || cmp.Or(cmp.Compare(is, least), cmp.Compare(begin, best), cmp.Compare(first, held), cmp.Compare(long, wait)) < 0
			if p.Start = begin; better && schedule.Verify(s, p) == nil {
				best, least, held, wait = begin, is, first, long
			}
			return
		}
		step := &s.Dishes[refs[k].Dish].Steps[refs[k].Step]
		ovens := []int{-1}
		if step.Racks > 0 {
			ovens = ovens[:0]
			for o := range s.Kitchen.Ovens {
				ovens = append(ovens, o)
			}
		}
		for start := step.Minutes; start <= longest; start++ {
			for _, o := range ovens {
				one := schedule.Placed{Ref: refs[k], Start: start, Minutes: step.Minutes, Oven: o, Celsius: step.Celsius}
				// Who does it and on which rack makes no difference to when.
				for c := range step.Hands {
					one.Cooks = append(one.Cooks, 100*k+c)
				}
				for r := range step.Racks {
					one.Racks = append(one.Racks, r)
				}
				p.Steps = append(p.Steps, one)
				place(k+1, max(begin, start))
				p.Steps = p.Steps[:len(p.Steps)-1]
			}
		}
	}
	place(0, 0)
	return best, least, wait
}

// heldFrom is when the first step begins that holds anything.
func heldFrom(s *schedule.Supper, p *schedule.Plan) (first int) {
	for i := range p.Steps {
		if one := &p.Steps[i]; s.Dishes[one.Dish].Steps[one.Step].Held() {
			first = max(first, one.Start)
		}
	}
	return first
}

// waits is how long steps wait for each other and dishes for the table, in all.
func waits(s *schedule.Supper, p *schedule.Plan) (total int) {
	at := map[schedule.Ref]*schedule.Placed{}
	ready := map[int]int{}
	for i := range p.Steps {
		one := &p.Steps[i]
		at[one.Ref] = one
		if end, known := ready[one.Dish]; !known || one.End() < end {
			ready[one.Dish] = one.End()
		}
	}
	for r, one := range at {
		for _, g := range s.Dishes[r.Dish].Steps[r.Step].After {
			total += at[schedule.Ref{Dish: r.Dish, Step: g.Step}].End() - one.Start
		}
	}
	for _, end := range ready {
		total += end
	}
	return total
}

func TestSmallSuppersAgreeWithFullEnumeration(t *testing.T) {
	calm, all := 0, 0
	many(t, 1000, func(t *rapid.T) {
		s := draw(t, 2, 2, 3)
		if s.Aim == schedule.QuietEnd { // its half hour is too long to try every minute of
			s.Aim = schedule.DayBefore
		}
		s.Night = rapid.IntRange(1, 6).Draw(t, "night")
		const longest = 16
		want, least, wait := enumerate(s, longest)
		p, err := schedule.Make(s)
		if err != nil {
			var odds *schedule.AtOddsError
			require.ErrorAs(t, err, &odds)
			assert.Negative(t, want, "%+v", s)
			return
		}
		assert.True(t, p.Proved)
		if p.Start <= longest {
			assert.Equal(t, want, p.Start, "%+v", s)
			assert.Equal(t, waits(s, p), p.Waiting)
			if all++; p.Waiting <= wait {
				calm++
			}
			switch s.Aim {
			case schedule.LeastOven:
				assert.Equal(t, least, p.Oven, "%+v", s)
				assert.Equal(t, least, p.OvenBound)
			case schedule.DayBefore:
				assert.Equal(t, least, p.Late, "%+v", s)
				assert.Equal(t, least, p.LateBound)
			}
		}
	})
	t.Logf("nothing waits longer than it must: %d of %d", calm, all)
	assert.GreaterOrEqual(t, calm, all*95/100)
}

func friday() *schedule.Supper {
	return &schedule.Supper{Kitchen: usual(), Aim: schedule.LatestStart, Dishes: []schedule.Dish{
		{Name: "Roots", Most: 10, Steps: []schedule.Step{
			{Name: "Cut", Minutes: 10, Hands: 1},
			{Name: "Roast", Minutes: 30, Racks: 1, Celsius: 200, After: []schedule.Gap{{Step: 0, Most: 60}}},
		}},
		{Name: "Loaf", Most: 25, Least: 5, Steps: []schedule.Step{
			{Name: "Mix", Minutes: 15, Hands: 1},
			{Name: "Bake", Minutes: 45, Racks: 1, Celsius: 180, After: []schedule.Gap{{Step: 0, Most: 30}}},
			{Name: "Set", Minutes: 20, After: []schedule.Gap{{Step: 1}}},
		}},
	}}
}

// Two heats in one oven go one after the other, with time to heat up before the hotter.
func TestAnOvenAtTwoHeats(t *testing.T) {
	s := friday()
	p, err := schedule.Make(s)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(s, p))
	assert.True(t, p.Proved)
	// The loaf bakes first: 10 min ready before the table, 30 of roots, 15 to heat up, 45 of loaf, 15 of mixing; its
	// set then ends 25 min before the table at the soonest, which is what it may be.
	assert.Equal(t, 105, p.Start)
	assert.Len(t, p.Heats, 2)
}

func TestWhatStandsInTheWayIsNamed(t *testing.T) {
	s := friday()
	s.Dishes[1].Most = 10 // the loaf and the roots cannot both be hot with one oven
	s.Dishes[0].Most = 0
	_, err := schedule.Make(s)
	var odds *schedule.AtOddsError
	require.ErrorAs(t, err, &odds)
	var ways []string
	for _, w := range odds.Ways {
		ways = append(ways, fmt.Sprint(w.Code, " ", w.Ref.Dish, " ", w.Minutes))
	}
	assert.Contains(t, ways, "oven 0 0")
	assert.Contains(t, ways, "ready 1 25")
	assert.Contains(t, ways, "drop 0 0", "without the roots there is room for the loaf")

	for code, spoil := range map[string]func(*schedule.Supper){
		"circular":   func(s *schedule.Supper) { s.Dishes[0].Steps[0].After = []schedule.Gap{{Step: 1}} },
		"no-step":    func(s *schedule.Supper) { s.Dishes[0].Steps[0].After = []schedule.Gap{{Step: 9}} },
		"bad-gap":    func(s *schedule.Supper) { s.Dishes[0].Steps[1].After[0].Least = 90 },
		"bad-window": func(s *schedule.Supper) { s.Dishes[0].Least = 99 },
		"nothing":    func(s *schedule.Supper) { s.Dishes = nil },
		"too-many":   func(s *schedule.Supper) { s.Dishes = make([]schedule.Dish, 41) },
	} {
		s := friday()
		spoil(s)
		_, err := schedule.Make(s)
		var fault *schedule.Fault
		require.ErrorAs(t, err, &fault, code)
		assert.Equal(t, code, fault.Code)
	}
	s = friday()
	s.Kitchen.Ovens = nil
	_, err = schedule.Make(s)
	var lack *schedule.LackError
	require.ErrorAs(t, err, &lack)
	assert.Equal(t, "racks", lack.What)
}

// The checker finds what is wrong with a plan.
func TestTheCheckerSeesWhatIsWrong(t *testing.T) {
	s := friday()
	good, err := schedule.Make(s)
	require.NoError(t, err)
	for name, spoil := range map[string]func(*schedule.Plan){
		"too late":     func(p *schedule.Plan) { p.Steps[len(p.Steps)-1].Start -= 9 },
		"one missing":  func(p *schedule.Plan) { p.Steps = p.Steps[1:] },
		"nobody there": func(p *schedule.Plan) { p.Steps[0].Cooks = nil },
		"no oven": func(p *schedule.Plan) {
			for i := range p.Steps {
				if p.Steps[i].Oven == 0 {
					p.Steps[i].Oven = -1
				}
			}
		},
		"another start": func(p *schedule.Plan) { p.Start++ },
	} {
		p := *good
		p.Steps = append([]schedule.Placed(nil), good.Steps...)
		spoil(&p)
		assert.Error(t, schedule.Verify(s, &p), name)
	}
}

// What a cook has put somewhere stays there, what was begun too, and from now on nothing
// begins in the past.
func TestPinsAndNow(t *testing.T) {
	s := friday()
	s.Pins = []schedule.Pin{{Ref: schedule.Ref{Dish: 0, Step: 0}, Start: 55}}
	s.Now = 120
	p, err := schedule.Make(s)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(s, p))
	for _, one := range p.Steps {
		if one.Ref == s.Pins[0].Ref {
			assert.Equal(t, 55, one.Start)
		}
	}
	s.Now = 60 // the loaf can no longer be ready
	_, err = schedule.Make(s)
	var odds *schedule.AtOddsError
	require.ErrorAs(t, err, &odds)
	codes := map[string]int{}
	for _, w := range odds.Ways {
		codes[w.Code] = w.Minutes
	}
	assert.Positive(t, codes["late"], "an hour later it can")
	later := friday()
	later.Pins = []schedule.Pin{{Ref: schedule.Ref{}, Start: 55 + codes["late"]}}
	later.Now = 60 + codes["late"]
	_, err = schedule.Make(later)
	require.NoError(t, err, "and that is what it takes")

	s = friday()
	s.Pins = []schedule.Pin{{Ref: schedule.Ref{Dish: 0, Step: 0}, Start: 20}, {Ref: schedule.Ref{Dish: 0, Step: 1}, Start: 30}}
	_, err = schedule.Make(s)
	require.ErrorAs(t, err, &odds, "two pins at odds")
	require.NotEmpty(t, odds.Ways)
	assert.Equal(t, "pin", odds.Ways[0].Code)
	s.Pins = []schedule.Pin{{Ref: schedule.Ref{Dish: 7}, Start: 30}}
	_, err = schedule.Make(s)
	var fault *schedule.Fault
	require.ErrorAs(t, err, &fault)
	assert.Equal(t, "bad-pin", fault.Code)
}

// What waits for several things begins when the last of them is there, though it could begin
// later.
func TestWaitsAreShort(t *testing.T) {
	k := usual()
	k.Cooks = 1
	s := &schedule.Supper{Kitchen: k, Aim: schedule.LatestStart, Dishes: []schedule.Dish{
		{Name: "Cakes", Most: 60, Steps: []schedule.Step{
			{Name: "Leek", Minutes: 10, Hands: 1}, {Name: "Peas", Minutes: 10, Hands: 1}, {Name: "Onion", Minutes: 10, Hands: 1},
			{Name: "Cool", Minutes: 5, After: []schedule.Gap{{Step: 0, Most: schedule.Whenever}, {Step: 1, Most: schedule.Whenever}, {Step: 2, Most: schedule.Whenever}}},
			{Name: "Rest", Minutes: 5, After: []schedule.Gap{{Step: 3, Most: schedule.Whenever}}},
		}},
		{Name: "Sauce", Most: 5, Steps: []schedule.Step{{Name: "Stir", Minutes: 20, Hands: 1}}},
	}}
	p, err := schedule.Make(s)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(s, p))
	assert.Equal(t, 50, p.Start)
	for i := range p.Steps {
		if one := &p.Steps[i]; one.Dish == 0 && one.Step == 3 {
			assert.Equal(t, 20, one.Start, "as soon as the last of the three is done")
		}
	}
}

func TestPlanningEndsWhenNobodyWaits(t *testing.T) {
	gone := make(chan struct{})
	close(gone)
	s := large(10, 10)
	s.Done = gone
	_, err := schedule.Make(s)
	require.ErrorIs(t, err, schedule.ErrNoPlan)
}

func TestAQuietEndKeepsHandsOutOfIt(t *testing.T) {
	s := &schedule.Supper{Kitchen: usual(), Dishes: []schedule.Dish{{Name: "Sauce", Most: 120, Steps: []schedule.Step{{Name: "Blend", Minutes: 8, Hands: 1}}}}}
	for aim, want := range map[schedule.Aim]int{schedule.LatestStart: 8, schedule.QuietEnd: 38} {
		s.Aim = aim
		p, err := schedule.Make(s)
		require.NoError(t, err)
		assert.Equal(t, want, p.Start, aim)
	}
}

// Of a supper too large to try every set of steps, some are found early, and how few can be late is bounded.
func TestALargeSupperEndsAsQuietlyAsWasFound(t *testing.T) {
	s := large(10, 10)
	s.Aim = schedule.QuietEnd
	p, err := schedule.Make(s)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(s, p))
	assert.False(t, p.Proved)
	assert.Positive(t, p.LateBound, "two cooks cannot have all of it done half an hour before")
	assert.LessOrEqual(t, p.LateBound, p.Late)
	plain := *s
	plain.Aim = schedule.LatestStart
	loud, err := schedule.Make(&plain)
	require.NoError(t, err)
	late := 0
	for _, one := range loud.Steps {
		if one.End() < schedule.Quiet {
			late += one.Minutes * s.Dishes[one.Dish].Steps[one.Step].Hands
		}
	}
	assert.Less(t, p.Late, late/2, "less than half of what comes late where nobody minds")
}

// An aim that cannot be had for all hands is had for as many as can: it never makes a supper
// impossible that is possible without.
func TestAnAimMakesNothingImpossible(t *testing.T) {
	k := usual()
	k.Cooks = 1
	fried := schedule.Dish{Most: 35, Steps: []schedule.Step{{Name: "Fry", Minutes: 10, Hands: 1}}}
	s := &schedule.Supper{Kitchen: k, Aim: schedule.QuietEnd, Dishes: []schedule.Dish{fried, fried}}
	p, err := schedule.Make(s)
	require.NoError(t, err)
	require.NoError(t, schedule.Verify(s, p))
	quiet := 0
	for _, one := range p.Steps {
		if one.End() >= schedule.Quiet {
			quiet++
		}
	}
	assert.Equal(t, 1, quiet, "one of the two is out of the last half hour")

	rapid.Check(t, func(t *rapid.T) {
		s := draw(t, 3, 3, 15)
		s.Aim, s.Night = rapid.SampledFrom([]schedule.Aim{schedule.QuietEnd, schedule.DayBefore}).Draw(t, "aim"), 120
		plain := *s
		plain.Aim = schedule.LatestStart
		if _, err := schedule.Make(&plain); err != nil {
			return
		}
		p, err := schedule.Make(s)
		require.NoError(t, err)
		require.NoError(t, schedule.Verify(s, p))
	})
}

func ExampleMake() {
	p, err := schedule.Make(friday())
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, s := range p.Steps {
		fmt.Printf("%d min before: dish %d, step %d\n", s.Start, s.Dish, s.Step)
	}
	// Output:
	// 105 min before: dish 1, step 0
	// 90 min before: dish 1, step 1
	// 45 min before: dish 1, step 2
	// 40 min before: dish 0, step 0
	// 30 min before: dish 0, step 1
}

// large is a supper of so many dishes of so many steps each.
func large(dishes, steps int) *schedule.Supper {
	s := &schedule.Supper{Kitchen: usual(), Aim: schedule.LatestStart}
	for d := range dishes {
		dish := schedule.Dish{Most: 40}
		for i := range steps {
			st := schedule.Step{Minutes: 3 + (7*d+5*i)%12}
			switch (d + i) % 4 {
			case 0, 1:
				st.Hands = 1
			case 2:
				st.Hands, st.Burners, st.Pans = 1, 1, 1
			}
			if i == steps-2 && d%2 == 0 {
				st = schedule.Step{Minutes: 25 + 5*(d%3), Racks: 1, Celsius: []float64{180, 200}[d/2%2]}
			}
			if i > 0 {
				st.After = []schedule.Gap{{Step: i - 1, Most: 90}}
			}
			dish.Steps = append(dish.Steps, st)
		}
		s.Dishes = append(s.Dishes, dish)
	}
	return s
}

func BenchmarkMake(b *testing.B) {
	for _, size := range [][2]int{{5, 6}, {8, 10}, {10, 10}} {
		for _, aim := range []schedule.Aim{schedule.LatestStart, schedule.QuietEnd, schedule.DayBefore} {
			s := large(size[0], size[1])
			s.Aim, s.Night = aim, 21*60
			b.Run(fmt.Sprintf("%dx%d/%s", size[0], size[1], aim), func(b *testing.B) {
				var p *schedule.Plan
				for b.Loop() {
					p, _ = schedule.Make(s)
				}
				if p != nil {
					b.ReportMetric(float64(p.Start)/float64(p.Bound), "of-bound")
					b.ReportMetric(float64(p.Late), "min-late")
					b.ReportMetric(float64(p.LateBound), "min-late-bound")
				}
			})
		}
	}
}
