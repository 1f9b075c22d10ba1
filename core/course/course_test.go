package course_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/course"
	"cuerda/core/kitchen"
	"cuerda/core/mix"
	"cuerda/core/supper"
	"cuerda/core/supper/menu"
)

// club is a supper of little patties, which bake and are turned, beside a side in the same oven.
const club = `{
  "format": "cuerda-supper/1", "name": "Club", "table": "2026-11-27T19:00:00+01:00",
  "dishes": [
    {"name": "Balls", "pieces": 24, "build": {"format": "cuerda-build/1", "name": "Balls",
      "lines": [
        {"food": "turkey-ground", "grams": 520}, {"food": "leek", "grams": 120, "prep": [{"do": "saute", "minutes": 8}]},
        {"food": "millet-flakes", "grams": 45}, {"food": "psyllium-husk", "grams": 4}, {"food": "salt", "grams": 7}, {"food": "water", "grams": 20}],
      "rest": {"minutes": 15}, "piece": {"kind": "patty", "diameter_mm": 60, "thickness_mm": 20}, "cook": {"method": "still-oven", "celsius": 200, "turn": true}}},
    {"name": "Roots", "steps": [
      {"name": "cut", "minutes": 12, "hands": 1},
      {"name": "roast", "minutes": 30, "oven": {"celsius": 200}, "after": [{"step": "cut"}]}]}
  ]
}`

var usual = kitchen.Usual()

func planned(t require.TestingT) *course.Plan {
	d, err := menu.Read([]byte(club))
	require.NoError(t, err)
	p, err := new(menu.Baker).Make(d, usual, menu.Options{})
	require.NoError(t, err)
	return course.Of(d, p, usual)
}

var table = time.Date(2026, 11, 27, 18, 0, 0, 0, time.UTC)

func at(minutesBefore float64) time.Time {
	return table.Add(-time.Duration(minutesBefore * float64(time.Minute)))
}

func step(t require.TestingT, p *course.Plan, dish int, name string) int {
	i := slices.IndexFunc(p.Dishes[dish].Steps, func(s course.Step) bool { return s.Name == name })
	require.GreaterOrEqual(t, i, 0, name)
	return i
}

// cook does what there is to do as soon as it is due, for so long.
type cook struct {
	t    require.TestingT
	plan *course.Plan
	s    *course.State
	now  time.Time
	n    int
	did  []string
}

func begin(t require.TestingT, minutesBefore float64) *cook {
	p := planned(t)
	return &cook{t: t, plan: p, s: course.New(p, at(minutesBefore)), now: at(minutesBefore)}
}

func (c *cook) does(e course.Event) error {
	c.n++
	e.ID = fmt.Sprint("e", c.n)
	taken, err := course.Decide(c.plan, c.s, e, c.now)
	if err == nil {
		c.s.Add(taken)
	}
	return err
}

func (c *cook) tasks() []course.Task {
	return course.Tasks(c.plan, c.s, course.Timings(c.plan, c.s, c.now, nil), c.now, nil)
}

// until goes on to so many minutes before the table; hands take as long as they should.
func (c *cook) until(minutesBefore float64) {
	for end := at(minutesBefore); c.now.Before(end); c.now = c.now.Add(15 * time.Second) {
		for _, task := range c.tasks() {
			due, answer := task.At, task.AsPlanned(c.s)
			if is := c.s.Dishes[task.Dish].Steps[task.Step]; task.Do == course.DoHands && is.Begun == nil {
				answer.Kind = course.Begun
			} else if task.Do == course.DoHands {
				for _, t := range course.Timings(c.plan, c.s, c.now, nil) {
					if t.Ref == task.Ref {
						due = t.End
					}
				}
			}
			if !due.After(c.now) {
				require.NoError(c.t, c.does(answer))
				c.did = append(c.did, task.Do+" "+c.plan.Dishes[task.Dish].Steps[task.Step].Name)
				break
			}
		}
	}
}

func TestACookWhoDoesWhatIsAskedIsInTimeAndHasDoneAll(t *testing.T) {
	c := begin(t, 120)
	c.until(-30)
	assert.Empty(t, c.tasks(), "%v", c.did)
	for d := range c.plan.Dishes {
		for i := range c.plan.Dishes[d].Steps {
			step := &c.plan.Dishes[d].Steps[i]
			assert.True(t, c.s.Dishes[d].Steps[i].Done != nil || !step.Put(), step.Name)
		}
	}
	ready := course.Ready(course.Timings(c.plan, c.s, c.now, nil))
	assert.WithinDuration(t, table, ready, 6*time.Minute)
	in := func(what string) int { return slices.Index(c.did, what) }
	assert.Less(t, in("weigh saute"), in("begin saute"), "what is fried is weighed first: %v", c.did)
	assert.Less(t, in("do mix"), in("squeeze shape"))
	assert.Less(t, in("squeeze shape"), in("do shape"))
	assert.Less(t, in("begin cook"), in("off cook"))
	assert.Contains(t, c.did, "turn cook")
	assert.Contains(t, c.did, "found set")
	assert.Less(t, in("heat cook")+in("heat roast")+1, in("begin cook"), "the oven is on by then: %v", c.did)
	assert.Len(t, c.s.Heated, len(c.plan.Heats))
}

func TestARestThatIsCutShortIsOver(t *testing.T) {
	c := begin(t, 120)
	for _, name := range []string{"saute", "mix", "shape"} {
		c.now = c.now.Add(2 * time.Minute)
		require.NoError(t, c.does(course.Event{Kind: course.Done, Step: step(t, c.plan, 0, name)}))
	}
	for _, one := range course.Timings(c.plan, c.s, c.now, nil) {
		if name := c.plan.Dishes[0].Steps[one.Step].Name; one.Dish == 0 && (name == "cool" || name == "rest") {
			assert.Equal(t, course.Over, one.Status, name)
			assert.Equal(t, 2*time.Minute, one.End.Sub(one.Begin), name)
		}
	}
}

// What is seared first is turned in the pan by its own step: turns are told from when the cooking
// itself began, and a ball, which rolls, by none.
func TestTurnsAreToldFromWhenTheCookingBegan(t *testing.T) {
	with := func(cook string) *course.Plan {
		text := strings.Replace(club, `"cook": {"method": "still-oven", "celsius": 200, "turn": true}`, `"cook": `+cook, 1)
		d, err := menu.Read([]byte(text))
		require.NoError(t, err)
		p, err := new(menu.Baker).Make(d, usual, menu.Options{})
		require.NoError(t, err)
		return course.Of(d, p, usual)
	}
	plain := with(`{"method": "still-oven", "celsius": 200, "turn": true}`)
	require.NotEmpty(t, plain.Dishes[0].Turns)
	seared := with(`{"method": "still-oven", "celsius": 200, "turn": true, "sear_minutes": 2}`)
	for _, p := range []*course.Plan{plain, seared} {
		d := &p.Dishes[0]
		long := float64(d.Steps[step(t, p, 0, "cook")].Minutes)
		for _, turn := range d.Turns {
			assert.True(t, turn > 0 && turn < long, "%v of %g min", d.Turns, long)
		}
	}
	_, baked, _, ok := plannedOf(t, seared).Build(0, usual)
	require.True(t, ok)
	require.NotNil(t, baked.SearEnds)
	assert.Len(t, seared.Dishes[0].Turns, len(baked.Turns)-1, "one is in the pan")
}

// plannedOf is the plan that a course was made of, made again.
func plannedOf(t *testing.T, p *course.Plan) *menu.Planned {
	text, err := json.Marshal(p.Dishes[0].Build)
	require.NoError(t, err)
	out, err := menu.Make(&menu.Supper{Format: menu.Format, Table: p.Table, Aim: "latest-start", Dishes: []menu.SupperDish{{Name: "Balls", Build: text}}}, usual, nil)
	require.NoError(t, err)
	return out
}

func TestBatchesGoInOneAfterTheOther(t *testing.T) {
	p := planned(t)
	cook := step(t, p, 0, "cook")
	p.Dishes[0].Steps[cook].Times = 3
	s := course.New(p, at(120))
	began := at(60)
	s.Add(course.Event{ID: "in", At: began, Kind: course.Begun, Step: cook})
	next := func(now time.Time) *course.Task {
		for _, task := range course.Tasks(p, s, course.Timings(p, s, now, nil), now, nil) {
			if task.Do == course.DoBatch {
				return &task
			}
		}
		return nil
	}
	each := time.Duration(p.Dishes[0].Steps[cook].Minutes) * time.Minute / 3
	for n := 1; n <= 2; n++ {
		task := next(began)
		require.NotNil(t, task)
		assert.Equal(t, n, task.Amount)
		assert.Equal(t, began.Add(time.Duration(n)*each), task.At)
		e := task.AsPlanned(s)
		e.ID, e.At = fmt.Sprint("batch", n), task.At
		s.Add(e)
	}
	assert.Nil(t, next(began), "the last one is in")
}

func TestLateIsLateByWhatItIs(t *testing.T) {
	onTime, late := begin(t, 120), begin(t, 120)
	onTime.until(40)
	late.until(40)
	ready := course.Ready(course.Timings(onTime.plan, onTime.s, onTime.now, nil))
	assert.WithinDuration(t, table, ready, 6*time.Minute)
	late.now = late.now.Add(25 * time.Minute) // a telephone call
	then := course.Ready(course.Timings(late.plan, late.s, late.now, nil))
	assert.Greater(t, then.Sub(ready), 10*time.Minute)
	assert.Less(t, then.Sub(ready), 26*time.Minute)
}

func TestAmountsThatDifferCount(t *testing.T) {
	c := begin(t, 120)
	c.until(62)
	mixing := step(t, c.plan, 0, "mix")
	w := c.plan.Dishes[0].Steps[mixing].Weigh
	last := w[len(w)-1]
	assert.Contains(t, []string{"psyllium-husk", "millet-flakes"}, last.Food, "what drinks goes in last")
	require.NoError(t, c.does(course.Event{Kind: course.Weighed, Step: mixing, Line: 2, Grams: 300, How: course.ByScale}))
	b, ok := course.LookInto(c.plan, c.s, 0, usual, c.now)
	require.True(t, ok)
	assert.Equal(t, 300., b.Document.Lines[2].Grams)
	assert.Less(t, *b.Expected.Q, *b.Planned.Q-0.1, "seven times the flakes drink")
	require.True(t, b.Off)
	require.NotNil(t, b.Mend)
	assert.Equal(t, "too-dry", b.Mend.Verdict)
	require.NotEmpty(t, b.Mend.Additions)
	water := b.Mend.Additions[0]
	require.NoError(t, c.does(course.Event{Kind: course.Added, Food: water.Food, Grams: float64(water.Enough) * water.SpoonG}))
	after, _ := course.LookInto(c.plan, c.s, 0, usual, c.now)
	assert.Greater(t, *after.Expected.Q, *b.Expected.Q+0.02, "and what evens it out does")
	assert.True(t, after.Mend == nil || after.Mend.Verdict == "fine" || !after.Off)
}

func TestASqueezeThatIsOffAsksAgainOnceMended(t *testing.T) {
	c := begin(t, 120)
	squeezes := func() bool {
		return slices.ContainsFunc(c.tasks(), func(t course.Task) bool { return t.Do == course.DoSqueeze })
	}
	for c.now.Before(table) && (!squeezes() || c.tasks()[0].Do != course.DoSqueeze) {
		c.until(table.Sub(c.now).Minutes() - 0.25)
	}
	require.NoError(t, c.does(course.Event{Kind: course.Felt, Word: mix.Slack}))
	assert.False(t, squeezes())
	b, _ := course.LookInto(c.plan, c.s, 0, usual, c.now)
	require.NotNil(t, b.Mend)
	assert.Equal(t, "too-wet", b.Mend.Verdict)
	add := b.Mend.Additions[0]
	c.now = c.now.Add(time.Minute)
	require.NoError(t, c.does(course.Event{Kind: course.Added, Food: add.Food, Grams: add.SpoonG, Minutes: add.Minutes}))
	assert.True(t, squeezes(), "again")
	task := c.tasks()[slices.IndexFunc(c.tasks(), func(t course.Task) bool { return t.Do == course.DoSqueeze })]
	assert.Equal(t, c.now.Add(time.Duration(add.Minutes*float64(time.Minute))), task.At, "after its wait")
	c.now = task.At
	require.NoError(t, c.does(course.Event{Kind: course.Felt, Word: mix.Firm}))
	assert.False(t, squeezes())
}

func drawEvent(t *rapid.T, p *course.Plan, n int) course.Event {
	dish := rapid.IntRange(0, len(p.Dishes)-1).Draw(t, "dish")
	step := rapid.IntRange(0, len(p.Dishes[dish].Steps)-1).Draw(t, "step")
	e := course.Event{
		ID: fmt.Sprint("id", n), Kind: rapid.SampledFrom(course.Kinds).Draw(t, "kind"), Dish: dish, Step: step,
		At:     at(rapid.Float64Range(-20, 100).Draw(t, "before the table")),
		Device: rapid.SampledFrom([]string{"phone", "tablet"}).Draw(t, "device"),
		Grams:  rapid.Float64Range(1, 900).Draw(t, "grams"), Minutes: rapid.Float64Range(1, 60).Draw(t, "minutes"),
		Word: rapid.SampledFrom(mix.SqueezeWords).Draw(t, "word"), Food: "water", Speed: 2, Name: "id1",
		Found: &course.Findings{Hold: "held"},
	}
	if w := p.Dishes[dish].Steps[step].Weigh; len(w) > 0 {
		e.Line = rapid.SampledFrom(w).Draw(t, "amount").Line
	}
	return e
}

// same compares states by what they show.
func same(t require.TestingT, p *course.Plan, a, b *course.State, now time.Time) {
	assert.Equal(t, a.Dishes, b.Dishes)
	assert.Equal(t, a.Timers, b.Timers)
	assert.Equal(t, a.Silent, b.Silent)
	assert.Equal(t, a.Heated, b.Heated)
	assert.Equal(t, a.End, b.End)
	ta, tb := course.Timings(p, a, now, nil), course.Timings(p, b, now, nil)
	assert.Equal(t, ta, tb)
	assert.Equal(t, course.Tasks(p, a, ta, now, nil), course.Tasks(p, b, tb, now, nil))
}

// Two devices' commands, in any order in which they are taken, and any of them twice, come to
// one state; and so do the same events replayed.
func TestAnyOrderOfCommandsGivesOneState(t *testing.T) {
	p := planned(t)
	rapid.Check(t, func(t *rapid.T) {
		var events []course.Event
		for n := range rapid.IntRange(0, 25).Draw(t, "events") {
			events = append(events, drawEvent(t, p, n))
		}
		now := at(-20)
		take := func(events []course.Event) (*course.State, []course.Event) {
			s := course.New(p, at(120))
			var taken []course.Event
			for _, e := range events {
				if s.Has(e.ID) {
					s.Add(e)
					continue
				}
				if e, err := course.Decide(p, s, e, now); err == nil {
					s.Add(e)
					taken = append(taken, e)
				}
			}
			return s, taken
		}
		first, taken := take(events)
		mixed := slices.Clone(taken)
		rand.New(rand.NewPCG(rapid.Uint64().Draw(t, "order"), 1)).Shuffle(len(mixed), func(i, j int) { mixed[i], mixed[j] = mixed[j], mixed[i] })
		if len(mixed) > 1 {
			mixed = append(mixed, mixed[0], mixed[len(mixed)/2]) // sent twice
		}
		second, again := take(mixed)
		if len(again) == len(taken) { // in this order too, all of them apply
			same(t, p, first, second, now)
		}
		same(t, p, first, course.Replay(p, at(120), mixed), now)
		wire, err := json.Marshal(taken)
		require.NoError(t, err)
		var back []course.Event
		require.NoError(t, json.Unmarshal(wire, &back))
		same(t, p, first, course.Replay(p, at(120), back), now)
	})
}

// From any state: what is to come keeps its needs and holds no more than there is, and nothing
// that has not begun begins before now.
func TestWhatIsToComeKeepsItsNeeds(t *testing.T) {
	p := planned(t)
	rapid.Check(t, func(t *rapid.T) {
		s := course.New(p, at(120))
		for n := range rapid.IntRange(0, 20).Draw(t, "events") {
			if e, err := course.Decide(p, s, drawEvent(t, p, n), at(-20)); err == nil {
				s.Add(e)
			}
		}
		now := at(rapid.Float64Range(-20, 100).Draw(t, "now"))
		timings := course.Timings(p, s, now, nil)
		require.Len(t, timings, len(p.Dishes[0].Steps)+len(p.Dishes[1].Steps))
		of := map[supper.Ref]course.Timing{}
		for _, one := range timings {
			of[one.Ref] = one
			require.False(t, one.End.Before(one.Begin))
		}
		for at, one := range of {
			step := &p.Dishes[at.Dish].Steps[at.Step]
			if one.Status != course.Waiting {
				continue
			}
			require.False(t, one.Begin.Before(now), step.Name)
			for _, need := range step.After {
				before := of[supper.Ref{Dish: at.Dish, Step: need.Step}]
				require.False(t, one.Begin.Before(before.End.Add(time.Duration(need.Least)*time.Minute)), step.Name)
			}
			hands := 0
			for other, two := range of {
				if (two.Status == course.Waiting || other == at) && !two.Begin.After(one.Begin) && two.End.After(one.Begin) {
					hands += p.Dishes[other.Dish].Steps[other.Step].Hands
				}
			}
			require.LessOrEqual(t, hands, max(p.Kitchen.Cooks, step.Hands))
		}
	})
}

func TestCommandsThatMakeNoSenseAreRefused(t *testing.T) {
	c := begin(t, 60)
	refused := func(code string, e course.Event) {
		t.Helper()
		_, err := course.Decide(c.plan, c.s, e, c.now)
		var r *course.Refusal
		require.ErrorAs(t, err, &r)
		assert.Equal(t, code, r.Code)
	}
	refused(course.NoID, course.Event{Kind: course.Done})
	refused(course.UnknownKind, course.Event{ID: "a", Kind: "flown"})
	refused(course.UnknownStep, course.Event{ID: "a", Kind: course.Done, Dish: 9})
	refused(course.UnknownStep, course.Event{ID: "a", Kind: course.Done, Step: -1})
	refused(course.UnknownLine, course.Event{ID: "a", Kind: course.Weighed, Line: 0, Step: step(t, c.plan, 0, "shape")})
	refused(course.UnknownWord, course.Event{ID: "a", Kind: course.Felt, Word: "odd"})
	refused(course.NothingBuilt, course.Event{ID: "a", Kind: course.Felt, Dish: 1, Word: mix.Firm})
	refused(course.OutOfRange, course.Event{ID: "a", Kind: course.Added, Food: "water", Grams: -3})
	refused(course.OutOfRange, course.Event{ID: "a", Kind: course.Clock, Speed: 61})
	refused(course.FromAfter, course.Event{ID: "a", Kind: course.Done, At: c.now.Add(time.Hour)})
	refused(course.FromBefore, course.Event{ID: "a", Kind: course.Done, At: c.now.Add(-25 * time.Hour)})
	require.NoError(t, c.does(course.Event{Kind: course.Ended}))
	refused(course.OverAlready, course.Event{ID: "a", Kind: course.Begun})
}

func BenchmarkTasksFromNow(b *testing.B) {
	c := begin(b, 120)
	c.until(30)
	for b.Loop() {
		c.tasks()
	}
}

func TestTheScaleTellsWhenAnAmountIsIn(t *testing.T) {
	var s course.Scale
	now := at(60)
	tick := func(grams float64) (float64, bool) {
		now = now.Add(500 * time.Millisecond)
		return s.Read(now, grams)
	}
	in, _ := tick(812) // a bowl
	assert.Zero(t, in)
	for _, g := range []float64{815, 829, 843, 855, 857} { // poured
		_, rests := tick(g)
		assert.False(t, rests)
	}
	rests := false
	for range 4 {
		in, rests = tick(857.1)
	}
	assert.True(t, rests)
	assert.InDelta(t, 45, in, 0.2)
	s.Tare()
	in, rests = tick(857.1)
	assert.Zero(t, in, "the next begins at none")
	assert.False(t, rests)
	was, _ := s.Read(now.Add(-time.Minute), 3)
	assert.Equal(t, in, was, "a reading of before tells nothing")
	tick(-0.2) // lifted off
	tick(-0.2)
	in, _ = tick(30)
	assert.InDelta(t, 30.2, in, 0.1, "and what stands there next counts anew")
}

func TestAPlanFromAFileHangsTogether(t *testing.T) {
	whole := func() *course.Plan {
		text, err := json.Marshal(planned(t))
		require.NoError(t, err)
		var p course.Plan
		require.NoError(t, json.Unmarshal(text, &p))
		return &p
	}
	require.NoError(t, whole().Check())
	before, _ := json.Marshal(planned(t))
	after, _ := json.Marshal(whole())
	assert.JSONEq(t, string(before), string(after))
	for name, spoil := range map[string]func(*course.Plan){
		"no dishes":    func(p *course.Plan) { p.Dishes = nil },
		"no steps":     func(p *course.Plan) { p.Dishes[1].Steps = nil },
		"no such step": func(p *course.Plan) { p.Dishes[0].Steps[0].After = []course.Need{{Step: 99}} },
		"itself":       func(p *course.Plan) { p.Dishes[1].Steps[0].After = []course.Need{{Step: 1}} },
		"no such line": func(p *course.Plan) { p.Dishes[0].Steps[0].Weigh[0].Line = 40 },
		"no such part": func(p *course.Plan) { p.Dishes[0].Steps[0].Part = 3 },
		"no time":      func(p *course.Plan) { p.Dishes[0].Steps[0].At = time.Time{} },
		"long":         func(p *course.Plan) { p.Dishes[0].Steps[0].Minutes = 1 << 20 },
	} {
		p := whole()
		spoil(p)
		assert.ErrorIs(t, p.Check(), course.ErrBadPlan, name)
	}
}

// A food of the kitchen's own that is gone since the course began takes the prediction with it, and
// nothing else.
func TestAFoodThatIsGone(t *testing.T) {
	c := begin(t, 120)
	c.until(60)
	c.plan.Dishes[0].Build.Lines[2].Food = "own-gone"
	_, ok := course.LookInto(c.plan, c.s, 0, usual, c.now)
	assert.False(t, ok)
	assert.NotEmpty(t, c.tasks())
}
