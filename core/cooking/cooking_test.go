package cooking_test

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

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/mix"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
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

func planned(t require.TestingT) *cooking.Plan {
	d, err := supper.Read([]byte(club))
	require.NoError(t, err)
	p, err := new(supper.Baker).Make(d, usual, supper.Options{})
	require.NoError(t, err)
	return cooking.Of(d, p, usual)
}

var table = time.Date(2026, 11, 27, 18, 0, 0, 0, time.UTC)

func at(minutesBefore float64) time.Time {
	return table.Add(-time.Duration(minutesBefore * float64(time.Minute)))
}

func step(t require.TestingT, p *cooking.Plan, dish int, name string) int {
	i := slices.IndexFunc(p.Dishes[dish].Steps, func(s cooking.Step) bool { return s.Name == name })
	require.GreaterOrEqual(t, i, 0, name)
	return i
}

// cook does what there is to do as soon as it is due, for so long.
type cook struct {
	t    require.TestingT
	plan *cooking.Plan
	s    *cooking.State
	now  time.Time
	n    int
	did  []string
}

func begin(t require.TestingT, minutesBefore float64) *cook {
	p := planned(t)
	return &cook{t: t, plan: p, s: cooking.New(p, at(minutesBefore)), now: at(minutesBefore)}
}

func (c *cook) does(e cooking.Event) error {
	c.n++
	e.ID = fmt.Sprint("e", c.n)
	taken, err := cooking.Decide(c.plan, c.s, e, c.now)
	if err == nil {
		c.s.Add(taken)
	}
	return err
}

func (c *cook) tasks() []cooking.Task {
	return cooking.Tasks(c.plan, c.s, cooking.Timings(c.plan, c.s, c.now, nil), c.now, nil)
}

// until goes on to so many minutes before the table; hands take as long as they should.
func (c *cook) until(minutesBefore float64) {
	for end := at(minutesBefore); c.now.Before(end); c.now = c.now.Add(15 * time.Second) {
		for _, task := range c.tasks() {
			due, answer := task.At, task.AsPlanned(c.s)
			if is := c.s.Dishes[task.Dish].Steps[task.Step]; task.Do == cooking.DoHands && is.Begun == nil {
				answer.Kind = cooking.Begun
			} else if task.Do == cooking.DoHands {
				for _, t := range cooking.Timings(c.plan, c.s, c.now, nil) {
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
	ready := cooking.Ready(cooking.Timings(c.plan, c.s, c.now, nil))
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
		require.NoError(t, c.does(cooking.Event{Kind: cooking.Done, Step: step(t, c.plan, 0, name)}))
	}
	for _, one := range cooking.Timings(c.plan, c.s, c.now, nil) {
		if name := c.plan.Dishes[0].Steps[one.Step].Name; one.Dish == 0 && (name == "cool" || name == "rest") {
			assert.Equal(t, cooking.Over, one.Status, name)
			assert.Equal(t, 2*time.Minute, one.End.Sub(one.Begin), name)
		}
	}
}

// What is seared first is turned in the pan by its own step: turns are told from when the cooking
// itself began, and a ball, which rolls, by none.
func TestTurnsAreToldFromWhenTheCookingBegan(t *testing.T) {
	with := func(cook string) *cooking.Plan {
		text := strings.Replace(club, `"cook": {"method": "still-oven", "celsius": 200, "turn": true}`, `"cook": `+cook, 1)
		d, err := supper.Read([]byte(text))
		require.NoError(t, err)
		p, err := new(supper.Baker).Make(d, usual, supper.Options{})
		require.NoError(t, err)
		return cooking.Of(d, p, usual)
	}
	plain := with(`{"method": "still-oven", "celsius": 200, "turn": true}`)
	require.NotEmpty(t, plain.Dishes[0].Turns)
	seared := with(`{"method": "still-oven", "celsius": 200, "turn": true, "sear_minutes": 2}`)
	for _, p := range []*cooking.Plan{plain, seared} {
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
func plannedOf(t *testing.T, p *cooking.Plan) *supper.Planned {
	text, err := json.Marshal(p.Dishes[0].Build)
	require.NoError(t, err)
	out, err := supper.Make(&supper.Supper{Format: supper.Format, Table: p.Table, Aim: "latest-start", Dishes: []supper.SupperDish{{Name: "Balls", Build: text}}}, usual, nil)
	require.NoError(t, err)
	return out
}

func TestBatchesGoInOneAfterTheOther(t *testing.T) {
	p := planned(t)
	cook := step(t, p, 0, "cook")
	p.Dishes[0].Steps[cook].Times = 3
	s := cooking.New(p, at(120))
	began := at(60)
	s.Add(cooking.Event{ID: "in", At: began, Kind: cooking.Begun, Step: cook})
	next := func(now time.Time) *cooking.Task {
		for _, task := range cooking.Tasks(p, s, cooking.Timings(p, s, now, nil), now, nil) {
			if task.Do == cooking.DoBatch {
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
	ready := cooking.Ready(cooking.Timings(onTime.plan, onTime.s, onTime.now, nil))
	assert.WithinDuration(t, table, ready, 6*time.Minute)
	late.now = late.now.Add(25 * time.Minute) // a telephone call
	then := cooking.Ready(cooking.Timings(late.plan, late.s, late.now, nil))
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
	require.NoError(t, c.does(cooking.Event{Kind: cooking.Weighed, Step: mixing, Line: 2, Grams: 300, How: cooking.ByScale}))
	b, ok := cooking.MixOf(c.plan, c.s, 0, usual, c.now)
	require.True(t, ok)
	assert.Equal(t, 300., b.Document.Lines[2].Grams)
	assert.Less(t, *b.Expected.Q, *b.Planned.Q-0.1, "seven times the flakes drink")
	require.True(t, b.Off)
	require.NotNil(t, b.Mend)
	assert.Equal(t, "too-dry", b.Mend.Verdict)
	require.NotEmpty(t, b.Mend.Additions)
	water := b.Mend.Additions[0]
	require.NoError(t, c.does(cooking.Event{Kind: cooking.Added, Food: water.Food, Grams: float64(water.Enough) * water.SpoonG}))
	after, _ := cooking.MixOf(c.plan, c.s, 0, usual, c.now)
	assert.Greater(t, *after.Expected.Q, *b.Expected.Q+0.01, "and what evens it out does")
	assert.True(t, after.Mend == nil || after.Mend.Verdict == "fine" || !after.Off)
}

func TestASqueezeThatIsOffAsksAgainOnceMended(t *testing.T) {
	c := begin(t, 120)
	squeezes := func() bool {
		return slices.ContainsFunc(c.tasks(), func(t cooking.Task) bool { return t.Do == cooking.DoSqueeze })
	}
	for c.now.Before(table) && (!squeezes() || c.tasks()[0].Do != cooking.DoSqueeze) {
		c.until(table.Sub(c.now).Minutes() - 0.25)
	}
	require.NoError(t, c.does(cooking.Event{Kind: cooking.Felt, Word: mix.Slack}))
	assert.False(t, squeezes())
	b, _ := cooking.MixOf(c.plan, c.s, 0, usual, c.now)
	require.NotNil(t, b.Mend)
	assert.Equal(t, "too-wet", b.Mend.Verdict)
	add := b.Mend.Additions[0]
	c.now = c.now.Add(time.Minute)
	require.NoError(t, c.does(cooking.Event{Kind: cooking.Added, Food: add.Food, Grams: add.SpoonG, Minutes: add.Minutes}))
	assert.True(t, squeezes(), "again")
	task := c.tasks()[slices.IndexFunc(c.tasks(), func(t cooking.Task) bool { return t.Do == cooking.DoSqueeze })]
	assert.Equal(t, c.now.Add(time.Duration(add.Minutes*float64(time.Minute))), task.At, "after its wait")
	c.now = task.At
	require.NoError(t, c.does(cooking.Event{Kind: cooking.Felt, Word: mix.Firm}))
	assert.False(t, squeezes())
}

func drawEvent(t *rapid.T, p *cooking.Plan, n int) cooking.Event {
	dish := rapid.IntRange(0, len(p.Dishes)-1).Draw(t, "dish")
	step := rapid.IntRange(0, len(p.Dishes[dish].Steps)-1).Draw(t, "step")
	e := cooking.Event{
		ID: fmt.Sprint("id", n), Kind: rapid.SampledFrom(cooking.Kinds).Draw(t, "kind"), Dish: dish, Step: step,
		At:     at(rapid.Float64Range(-20, 100).Draw(t, "before the table")),
		Device: rapid.SampledFrom([]string{"phone", "tablet"}).Draw(t, "device"),
		Grams:  rapid.Float64Range(1, 900).Draw(t, "grams"), Minutes: rapid.Float64Range(1, 60).Draw(t, "minutes"),
		Word: rapid.SampledFrom(mix.SqueezeWords).Draw(t, "word"), Food: "water", Speed: 2, Name: "id1",
		Found: &cooking.Findings{Hold: "held"},
	}
	if w := p.Dishes[dish].Steps[step].Weigh; len(w) > 0 {
		e.Line = rapid.SampledFrom(w).Draw(t, "amount").Line
	}
	return e
}

// same compares states by what they show.
func same(t require.TestingT, p *cooking.Plan, a, b *cooking.State, now time.Time) {
	assert.Equal(t, a.Dishes, b.Dishes)
	assert.Equal(t, a.Timers, b.Timers)
	assert.Equal(t, a.Silent, b.Silent)
	assert.Equal(t, a.Heated, b.Heated)
	assert.Equal(t, a.End, b.End)
	ta, tb := cooking.Timings(p, a, now, nil), cooking.Timings(p, b, now, nil)
	assert.Equal(t, ta, tb)
	assert.Equal(t, cooking.Tasks(p, a, ta, now, nil), cooking.Tasks(p, b, tb, now, nil))
}

// Two devices' commands, in any order in which they are taken, and any of them twice, come to
// one state; and so do the same events replayed.
func TestAnyOrderOfCommandsGivesOneState(t *testing.T) {
	p := planned(t)
	rapid.Check(t, func(t *rapid.T) {
		var events []cooking.Event
		for n := range rapid.IntRange(0, 25).Draw(t, "events") {
			events = append(events, drawEvent(t, p, n))
		}
		now := at(-20)
		take := func(events []cooking.Event) (*cooking.State, []cooking.Event) {
			s := cooking.New(p, at(120))
			var taken []cooking.Event
			for _, e := range events {
				if s.Has(e.ID) {
					s.Add(e)
					continue
				}
				if e, err := cooking.Decide(p, s, e, now); err == nil {
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
		same(t, p, first, cooking.Replay(p, at(120), mixed), now)
		wire, err := json.Marshal(taken)
		require.NoError(t, err)
		var back []cooking.Event
		require.NoError(t, json.Unmarshal(wire, &back))
		same(t, p, first, cooking.Replay(p, at(120), back), now)
	})
}

// From any state: what is to come keeps its needs and holds no more than there is, and nothing
// that has not begun begins before now.
func TestWhatIsToComeKeepsItsNeeds(t *testing.T) {
	p := planned(t)
	rapid.Check(t, func(t *rapid.T) {
		s := cooking.New(p, at(120))
		for n := range rapid.IntRange(0, 20).Draw(t, "events") {
			if e, err := cooking.Decide(p, s, drawEvent(t, p, n), at(-20)); err == nil {
				s.Add(e)
			}
		}
		now := at(rapid.Float64Range(-20, 100).Draw(t, "now"))
		timings := cooking.Timings(p, s, now, nil)
		require.Len(t, timings, len(p.Dishes[0].Steps)+len(p.Dishes[1].Steps))
		of := map[schedule.Ref]cooking.Timing{}
		for _, one := range timings {
			of[one.Ref] = one
			require.False(t, one.End.Before(one.Begin))
		}
		for at, one := range of {
			step := &p.Dishes[at.Dish].Steps[at.Step]
			if one.Status != cooking.Waiting {
				continue
			}
			require.False(t, one.Begin.Before(now), step.Name)
			for _, need := range step.After {
				before := of[schedule.Ref{Dish: at.Dish, Step: need.Step}]
				require.False(t, one.Begin.Before(before.End.Add(time.Duration(need.Least)*time.Minute)), step.Name)
			}
			hands := 0
			for other, two := range of {
				if (two.Status == cooking.Waiting || other == at) && !two.Begin.After(one.Begin) && two.End.After(one.Begin) {
					hands += p.Dishes[other.Dish].Steps[other.Step].Hands
				}
			}
			require.LessOrEqual(t, hands, max(p.Kitchen.Cooks, step.Hands))
		}
	})
}

func TestCommandsThatMakeNoSenseAreRefused(t *testing.T) {
	c := begin(t, 60)
	refused := func(code string, e cooking.Event) {
		t.Helper()
		_, err := cooking.Decide(c.plan, c.s, e, c.now)
		var r *cooking.Refusal
		require.ErrorAs(t, err, &r)
		assert.Equal(t, code, r.Code)
	}
	refused(cooking.NoID, cooking.Event{Kind: cooking.Done})
	refused(cooking.UnknownKind, cooking.Event{ID: "a", Kind: "flown"})
	refused(cooking.UnknownStep, cooking.Event{ID: "a", Kind: cooking.Done, Dish: 9})
	refused(cooking.UnknownStep, cooking.Event{ID: "a", Kind: cooking.Done, Step: -1})
	refused(cooking.UnknownLine, cooking.Event{ID: "a", Kind: cooking.Weighed, Line: 0, Step: step(t, c.plan, 0, "shape")})
	refused(cooking.UnknownWord, cooking.Event{ID: "a", Kind: cooking.Felt, Word: "odd"})
	refused(cooking.UnknownWord, cooking.Event{ID: "a", Kind: cooking.Weighed, How: "odd"})
	refused(cooking.NothingBuilt, cooking.Event{ID: "a", Kind: cooking.Felt, Dish: 1, Word: mix.Firm})
	refused(cooking.OutOfRange, cooking.Event{ID: "a", Kind: cooking.Added, Food: "water", Grams: -3})
	refused(cooking.OutOfRange, cooking.Event{ID: "a", Kind: cooking.Clock, Speed: 61})
	refused(cooking.FromAfter, cooking.Event{ID: "a", Kind: cooking.Done, At: c.now.Add(time.Hour)})
	refused(cooking.FromBefore, cooking.Event{ID: "a", Kind: cooking.Done, At: c.now.Add(-25 * time.Hour)})
	require.NoError(t, c.does(cooking.Event{Kind: cooking.Ended}))
	refused(cooking.OverAlready, cooking.Event{ID: "a", Kind: cooking.Begun})
}

// What does not belong to its kind is not kept, and so cannot be told again.
func TestAnEventKeepsWhatCountsByItsKind(t *testing.T) {
	c := begin(t, 60)
	hot := 70.
	all := cooking.Event{
		ID: "a", Device: "tablet", Line: 3, Grams: 40, How: "odd", Word: "odd", Food: "water", Name: "beans", Minutes: 9, Speed: 90,
		Celsius: &hot, Found: &cooking.Findings{Hold: "odd"},
	}
	for _, kind := range []cooking.Kind{cooking.Begun, cooking.Done, cooking.Turned, cooking.Ended, cooking.TimerSet} {
		all.Kind = kind
		e, err := cooking.Decide(c.plan, c.s, all, c.now)
		require.NoError(t, err, kind)
		assert.Equal(t, "tablet", e.Device)
		assert.Empty(t, e.How, kind)
		assert.Empty(t, e.Word, kind)
		assert.Zero(t, e.Grams, kind)
		assert.Nil(t, e.Found, kind)
		assert.Equal(t, kind == cooking.Done, e.Celsius != nil, kind)
		assert.Equal(t, kind == cooking.TimerSet, e.Name == "beans" && e.Minutes == 9, kind)
	}
}

func BenchmarkTasksFromNow(b *testing.B) {
	c := begin(b, 120)
	c.until(30)
	for b.Loop() {
		c.tasks()
	}
}

func TestTheScaleTellsWhenAnAmountIsIn(t *testing.T) {
	var s cooking.Scale
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
	whole := func() *cooking.Plan {
		text, err := json.Marshal(planned(t))
		require.NoError(t, err)
		var p cooking.Plan
		require.NoError(t, json.Unmarshal(text, &p))
		return &p
	}
	require.NoError(t, whole().Check())
	before, _ := json.Marshal(planned(t))
	after, _ := json.Marshal(whole())
	assert.JSONEq(t, string(before), string(after))
	for name, spoil := range map[string]func(*cooking.Plan){
		"no dishes":    func(p *cooking.Plan) { p.Dishes = nil },
		"no steps":     func(p *cooking.Plan) { p.Dishes[1].Steps = nil },
		"no such step": func(p *cooking.Plan) { p.Dishes[0].Steps[0].After = []cooking.Need{{Step: 99}} },
		"itself":       func(p *cooking.Plan) { p.Dishes[1].Steps[0].After = []cooking.Need{{Step: 1}} },
		"no such line": func(p *cooking.Plan) { p.Dishes[0].Steps[0].Weigh[0].Line = 40 },
		"no such part": func(p *cooking.Plan) { p.Dishes[0].Steps[0].Part = 3 },
		"no time":      func(p *cooking.Plan) { p.Dishes[0].Steps[0].At = time.Time{} },
		"long":         func(p *cooking.Plan) { p.Dishes[0].Steps[0].Minutes = 1 << 20 },
	} {
		p := whole()
		spoil(p)
		assert.ErrorIs(t, p.Check(), cooking.ErrBadPlan, name)
	}
}

// A food of the kitchen's own that is gone since the course began takes the prediction with it, and
// nothing else.
func TestAFoodThatIsGone(t *testing.T) {
	c := begin(t, 120)
	c.until(60)
	c.plan.Dishes[0].Build.Lines[2].Food = "own-gone"
	_, ok := cooking.MixOf(c.plan, c.s, 0, usual, c.now)
	assert.False(t, ok)
	assert.NotEmpty(t, c.tasks())
}
