package schedule_test

import (
	"flag"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/core/plan/schedule"
)

// proved draws a small supper that has a plan which is proved best.
func proved(t *rapid.T, aim schedule.Aim) (*schedule.Supper, *schedule.Plan) {
	s := draw(t, 3, 3, 12)
	s.Aim = aim
	p, err := schedule.Make(s)
	if err != nil || !p.Proved {
		t.Skip("no plan that is proved")
	}
	require.NoError(t, schedule.Verify(s, p))
	return s, p
}

// copied is a supper of its own, to change.
func copied(s *schedule.Supper) *schedule.Supper {
	out := *s
	out.Dishes = append([]schedule.Dish(nil), s.Dishes...)
	out.Kitchen.Ovens = append([]schedule.Oven(nil), s.Kitchen.Ovens...)
	return &out
}

// More of anything never makes it later to begin too early: what was possible stays so.
func TestMoreNeverHurts(t *testing.T) {
	more := map[string]func(*schedule.Supper){
		"cook":   func(s *schedule.Supper) { s.Kitchen.Cooks++ },
		"burner": func(s *schedule.Supper) { s.Kitchen.Burners++ },
		"pan":    func(s *schedule.Supper) { s.Kitchen.Pans++ },
		"rack":   func(s *schedule.Supper) { s.Kitchen.Ovens[0].Racks++ },
		"oven":   func(s *schedule.Supper) { s.Kitchen.Ovens = append(s.Kitchen.Ovens, s.Kitchen.Ovens[0]) },
		"window": func(s *schedule.Supper) { s.Dishes[0].Most += 10 },
		"a dish less": func(s *schedule.Supper) {
			if len(s.Dishes) > 1 {
				s.Dishes = s.Dishes[1:]
			}
		},
	}
	for name, change := range more {
		many(t, 300, func(t *rapid.T) {
			s, was := proved(t, schedule.LatestStart)
			c := copied(s)
			change(c)
			now, err := schedule.Make(c)
			require.NoError(t, err, name)
			if now.Proved {
				assert.LessOrEqual(t, now.Start, was.Start, "%s: %+v", name, s)
			}
			assert.LessOrEqual(t, now.Bound, was.Start, name)
		})
	}
}

// A step that is pinned where the plan has it changes nothing; pinned elsewhere, it is there or it is refused.
func TestPinsStand(t *testing.T) {
	many(t, 1000, func(t *rapid.T) {
		s, was := proved(t, schedule.LatestStart)
		one := rapid.SampledFrom(was.Steps).Draw(t, "step")
		c := copied(s)
		c.Pins = []schedule.Pin{{Ref: one.Ref, Start: one.Start}}
		same, err := schedule.Make(c)
		require.NoError(t, err)
		require.NoError(t, schedule.Verify(c, same))
		assert.Equal(t, was.Start, same.Start)

		c.Pins[0].Start = max(s.Dishes[one.Dish].Steps[one.Step].Minutes, one.Start+rapid.IntRange(-8, 8).Draw(t, "by"))
		moved, err := schedule.Make(c)
		if err != nil {
			var odds *schedule.AtOddsError
			if assert.ErrorAs(t, err, &odds) {
				assert.Contains(t, codes(odds), "pin", "without the pin there was a plan")
			}
			return
		}
		require.NoError(t, schedule.Verify(c, moved))
		assert.GreaterOrEqual(t, moved.Start, was.Start)
	})
}

func codes(odds *schedule.AtOddsError) (out []string) {
	for _, w := range odds.Ways {
		out = append(out, w.Code)
	}
	return out
}

// many draws a law so many times; a tenth of that where tests are to be short.
func many(t *testing.T, checks int, law func(*rapid.T)) {
	t.Helper()
	if testing.Short() {
		checks /= 10
	}
	f := flag.Lookup("rapid.checks")
	was := f.Value.String()
	if n, err := strconv.Atoi(was); err == nil && n > checks {
		checks = n
	}
	require.NoError(t, f.Value.Set(strconv.Itoa(checks)))
	defer func() { require.NoError(t, f.Value.Set(was)) }()
	rapid.Check(t, law)
}

// Late: what has begun began when it did, nothing else begins before now, and where it cannot be ready any more
// a table that it can be ready for is named.
func TestPlanningFromNow(t *testing.T) {
	many(t, 1000, func(t *rapid.T) {
		s, was := proved(t, schedule.LatestStart)
		if was.Start < 4 {
			t.Skip("too short")
		}
		c := copied(s)
		c.Now = rapid.IntRange(1, was.Start-1).Draw(t, "now")
		late := rapid.IntRange(0, 6).Draw(t, "late")
		for _, one := range was.Steps {
			if one.Start > c.Now {
				c.Pins = append(c.Pins, schedule.Pin{Ref: one.Ref, Start: one.Start})
			}
		}
		onTime, err := schedule.Make(c)
		require.NoError(t, err, "what goes on as planned can be ready")
		require.NoError(t, schedule.Verify(c, onTime))
		if c.Now -= late; c.Now <= 0 {
			return
		}
		p, err := schedule.Make(c)
		if err == nil {
			require.NoError(t, schedule.Verify(c, p))
			return
		}
		var odds *schedule.AtOddsError
		if assert.ErrorAs(t, err, &odds) {
			for _, w := range odds.Ways {
				if w.Code != "late" {
					continue
				}
				later := copied(c)
				later.Now += w.Minutes
				later.Pins = append([]schedule.Pin(nil), c.Pins...)
				for i := range later.Pins {
					later.Pins[i].Start += w.Minutes
				}
				p, err := schedule.Make(later)
				require.NoError(t, err, "so much later it can be ready")
				require.NoError(t, schedule.Verify(later, p))
			}
		}
	})
}

// Steps that go on by themselves never make hands begin sooner than they had to.
func TestASoakIsNoReasonToCookAllDay(t *testing.T) {
	soak := schedule.Dish{Name: "Grain", Most: 10, Steps: []schedule.Step{{Minutes: 700}, {Minutes: 3, Hands: 1, After: []schedule.Gap{{Step: 0, Most: schedule.Whenever}}}}}
	many(t, 1000, func(t *rapid.T) {
		s, was := proved(t, schedule.LatestStart)
		c := copied(s)
		c.Dishes = append(c.Dishes, soak)
		p, err := schedule.Make(c)
		if err != nil {
			return // the three minutes of hands may be too many
		}
		require.NoError(t, schedule.Verify(c, p))
		assert.GreaterOrEqual(t, p.Start, 703)
		assert.LessOrEqual(t, p.Begin, was.Start+13, "%+v", s)
	})
}

// The ways that are named make room.
func TestWaysMakeRoom(t *testing.T) {
	many(t, 300, func(t *rapid.T) {
		s := draw(t, 3, 3, 12)
		s.Aim = schedule.LatestStart
		s.Kitchen.Ovens = s.Kitchen.Ovens[:1]
		for i := range s.Dishes {
			s.Dishes[i].Most = s.Dishes[i].Least
		}
		_, err := schedule.Make(s)
		var odds *schedule.AtOddsError
		if err == nil || !assert.ErrorAs(t, err, &odds) {
			t.Skip("it has a plan")
		}
		for _, w := range odds.Ways {
			c := copied(s)
			switch w.Code {
			case "cook":
				c.Kitchen.Cooks++
			case "oven":
				c.Kitchen.Ovens = append(c.Kitchen.Ovens, c.Kitchen.Ovens[0])
			case "ready":
				c.Dishes[w.Ref.Dish].Most = w.Minutes
			case "drop":
				c.Dishes = append(c.Dishes[:w.Ref.Dish], c.Dishes[w.Ref.Dish+1:]...)
			default:
				continue
			}
			p, err := schedule.Make(c)
			if assert.NoError(t, err, "%s: %+v", w.Code, s) {
				assert.NoError(t, schedule.Verify(c, p))
			}
			if w.Code == "ready" {
				c.Dishes[w.Ref.Dish].Most = w.Minutes - 1
				_, err := schedule.Make(c)
				assert.Error(t, err, "a minute less is too little")
			}
		}
	})
}

// What stands in an oven for no time at all leaves nothing to narrow: that went on for ever.
func TestAnOvenForNoTime(t *testing.T) {
	s := &schedule.Supper{Aim: schedule.LeastOven, Kitchen: usual(), Dishes: []schedule.Dish{
		{Steps: []schedule.Step{{Racks: 1, Celsius: 200}}, Least: 0, Most: 0},
		{Steps: []schedule.Step{{Racks: 1, Celsius: 200}}, Least: 1, Most: 1},
	}}
	p, err := schedule.Make(s)
	require.NoError(t, err)
	assert.Equal(t, 1, p.Oven)
	assert.Equal(t, 1, p.OvenBound)
}
