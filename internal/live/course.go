package live

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"maps"
	"slices"
	"sync"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/internal/store"
)

// Course is a course that somebody follows or acts on, in memory. All of it comes from what is
// kept; it can be dropped at any moment.
type Course struct {
	ID, KitchenID string

	all   *Courses
	mu    sync.Mutex
	kept  *store.Course
	plan  *cooking.Plan
	state *cooking.State
	clock clock
	seq   int64
	// heat are the dishes that are or were on the heat.
	heat    map[schedule.Ref]*following
	scale   cooking.Scale
	subs    map[*Subscriber]bool
	wake    *time.Timer
	used    time.Time
	version int64 // grows with all that changes what is shown
}

// load makes a course of what is kept.
func (all *Courses) load(ctx context.Context, kitchenID, id string) (*Course, error) {
	kept, events, err := all.Store.FindCourse(ctx, kitchenID, id)
	if err != nil {
		return nil, err
	}
	c := &Course{
		ID: id, KitchenID: kitchenID, all: all, kept: kept, plan: &kept.Plan, state: cooking.New(&kept.Plan, kept.Start),
		clock: clock{kept.Start, kept.Began, 1}, heat: map[schedule.Ref]*following{}, subs: map[*Subscriber]bool{}, used: all.now(),
	}
	plain := make([]cooking.Event, len(events))
	for i, e := range events {
		plain[i] = e.Event
		c.seq = e.Seq
		c.turnClock(&e)
	}
	c.state = cooking.Replay(c.plan, kept.Start, plain)
	k, err := all.Kitchen(ctx, kitchenID)
	if err != nil {
		return nil, err
	}
	c.follow(k)
	if len(c.heat) > 0 {
		readings, err := all.Store.Readings(ctx, id)
		if err != nil {
			return nil, err
		}
		c.replay(readings)
	}
	c.happens()
	heat := map[*following]bool{}
	for _, f := range c.heat {
		heat[f] = true
	}
	all.forecast(c, heat)
	return c, nil
}

// turnClock keeps the clock as an event has it.
func (c *Course) turnClock(e *store.CourseEvent) {
	if e.Kind == cooking.Clock {
		c.clock = c.clock.turned(e.Received, e.Speed)
	}
}

// follow begins to follow what has come onto the heat.
func (c *Course) follow(k *kitchen.Kitchen) {
	for d := range c.plan.Dishes {
		for n := range c.plan.Dishes[d].Steps {
			at := schedule.Ref{Dish: d, Step: n}
			if !c.plan.Dishes[d].Steps[n].Cooking() {
				continue
			}
			begun := c.state.Dishes[d].Steps[n].Begun
			if was := c.heat[at]; was != nil && (begun == nil || !was.met.Equal(*begun)) {
				delete(c.heat, at) // it was not in, after all
			}
			if was := c.heat[at]; was != nil && was.isOff() && c.state.Dishes[d].Steps[n].Done == nil {
				// It goes on, after all: it is followed anew, by what was measured.
				delete(c.heat, at)
				if f := begin(c.plan, c.state, at, k); f != nil {
					f.again(was)
					c.heat[at] = f
				}
			}
			if c.heat[at] == nil {
				if f := begin(c.plan, c.state, at, k); f != nil {
					c.heat[at] = f
				}
			}
		}
	}
}

// apart is how far the readings are from each other that a course which is loaded takes over.
const apart = 10 * time.Second

func (c *Course) replay(readings []store.CourseReading) {
	last := map[string]time.Time{}
	for _, r := range readings {
		key := r.Source + " " + r.Place
		if r.At.Before(last[key].Add(apart)) {
			continue
		}
		last[key] = r.At
		one := cooking.Reading{Dish: r.Dish, Where: probe.Where(r.Place), Source: r.Source, At: r.At, Celsius: r.Celsius}
		if f := c.heatOf(&one); f != nil {
			f.does(&c.state.Dishes[f.Dish], &c.state.Dishes[f.Dish].Steps[f.Step], r.At)
			f.reads(one)
		}
	}
}

// happens passes on to the pieces on the heat what the cook did with them: begun, turned, taken off.
func (c *Course) happens() {
	for at, f := range c.heat {
		f.does(&c.state.Dishes[at.Dish], &c.state.Dishes[at.Dish].Steps[at.Step], c.now())
	}
}

// heatOf is what a reading is of: its dish, or where it names none the one that came onto the
// heat last.
func (c *Course) heatOf(r *cooking.Reading) *following {
	var out *following
	for at, f := range c.heat {
		if r.Dish >= 0 && at.Dish != r.Dish {
			continue
		}
		if out == nil || f.begun.After(out.begun) || f.begun.Equal(out.begun) && at.Dish < out.Dish {
			out = f
		}
	}
	return out
}

// now is the time by the course's clock.
func (c *Course) now() time.Time { return c.clock.at(c.all.now()) }

// Outcome is what became of a command.
type Outcome struct {
	ID string
	// Seq is that of its event, 0 where it was refused.
	Seq     int64
	Refused *cooking.Refusal
}

// Do takes commands over, each once, and gives what became of each. What is not refused has
// been kept.
func (c *Course) Do(ctx context.Context, commands []cooking.Event) ([]Outcome, error) {
	k, err := c.all.Kitchen(ctx, c.KitchenID)
	if err != nil {
		return nil, err
	}
	c.mu.Lock()
	defer c.mu.Unlock()
	out := make([]Outcome, len(commands))
	var taken []cooking.Event
	now, real := c.now(), c.all.now()
	for i, command := range commands {
		out[i].ID = command.ID
		if c.state.Has(command.ID) {
			out[i].Seq = c.seq
			continue
		}
		if command.Kind == cooking.Clock {
			command.At = now // nobody turns it for a time that was
		}
		c.below(&command)
		e, err := cooking.Decide(c.plan, c.state, command, now)
		if refusal := (*cooking.Refusal)(nil); errors.As(err, &refusal) {
			out[i].Refused = refusal
			continue
		}
		if e.Kind == cooking.Added && k.Foods.Find(e.Food) == nil {
			out[i].Refused = &cooking.Refusal{Code: cooking.UnknownFood, Got: e.Food}
			continue
		}
		taken = append(taken, e)
	}
	if len(taken) == 0 {
		return out, nil
	}
	added, err := c.all.Store.AddEvents(ctx, c.ID, real, taken)
	if err != nil {
		return nil, err
	}
	if len(added) < len(taken) {
		// Some were kept before, by an answer that was lost or another server.
		if added, err = c.all.Store.CourseEvents(ctx, c.ID, c.seq); err != nil {
			return nil, err
		}
	}
	c.takes(added, k)
	for i := range out {
		if out[i].Refused == nil && out[i].Seq == 0 {
			out[i].Seq = c.seq
		}
	}
	return out, c.learns(ctx, added)
}

// below writes down of pieces that are taken off the heat how far they were from their goal, whether
// the device that says so knew it or not.
func (c *Course) below(command *cooking.Event) {
	if command.Kind != cooking.Done {
		return
	}
	command.Celsius = nil
	f := c.heat[schedule.Ref{Dish: command.Dish, Step: command.Step}]
	if f == nil {
		return
	}
	if ahead := f.known(); ahead != nil && ahead.Below(c.plan.Dishes[command.Dish].Target, c.now()) {
		core := ahead.Forecast.Core.Value
		command.Celsius = &core
	}
}

// takes takes events over that have been kept.
func (c *Course) takes(added []store.CourseEvent, k *kitchen.Kitchen) {
	for i := range added {
		e := &added[i]
		c.state.Add(e.Event)
		c.turnClock(e)
		c.seq = max(c.seq, e.Seq)
		if e.Kind == cooking.Weighed {
			c.scale.Tare()
		}
	}
	c.follow(k)
	c.happens()
	c.changed()
}

// learns keeps what dishes taught, where somebody said how they came out.
func (c *Course) learns(ctx context.Context, added []store.CourseEvent) error {
	for i := range added {
		if e := &added[i]; e.Kind == cooking.Found {
			if err := c.keepTry(ctx, e.Dish); err != nil {
				return err
			}
		}
	}
	return nil
}

// ends are when the dishes on the heat are to be taken off, and turns when they are turned, by
// their probes. What no probe has told of goes by the plan.
func (c *Course) ends() (ends map[schedule.Ref]time.Time, turns map[schedule.Ref][]time.Time) {
	ends, turns = map[schedule.Ref]time.Time{}, map[schedule.Ref][]time.Time{}
	for at, f := range c.heat {
		ahead := f.known()
		if ahead == nil || len(ahead.Last) == 0 || c.state.Dishes[at.Dish].Steps[at.Step].Done != nil {
			continue
		}
		off, _, _ := ahead.Off()
		ends[at] = off
		for _, m := range ahead.Forecast.Turns {
			if turn := ahead.Time(m); turn.After(f.met) { // those in the pan are its own step's
				turns[at] = append(turns[at], turn)
			}
		}
	}
	return ends, turns
}

// firstDue are the events of dishes whose probes say for the first time that they are to come off: it
// is kept, so that every device, and a server that starts anew, counts from then. Its ID is that of
// this time on the heat: two servers keep it once.
func (c *Course) firstDue() (out []cooking.Event) {
	now := c.now()
	for at, f := range c.heat {
		step := &c.state.Dishes[at.Dish].Steps[at.Step]
		ahead := f.known()
		if ahead == nil || len(ahead.Last) == 0 || step.Done != nil || step.Due != nil || step.Begun == nil {
			continue
		}
		off, _, _ := ahead.Off()
		if !ahead.Forecast.Reaches || off.After(now.Add(dueWithin)) {
			continue
		}
		out = append(out, cooking.Event{
			ID: fmt.Sprintf("due-%d-%d-%d-%d", at.Dish, at.Step, step.Begun.UnixMilli(), step.Returned), Device: "probe",
			At: laterOf(laterOf(off, *step.Begun), c.state.Start), Kind: cooking.Due, Dish: at.Dish, Step: at.Step,
		})
	}
	return out
}

// dueWithin is how soon a dish is to come off that is due: forecasts are made every so often.
const dueWithin = 5 * time.Second

func laterOf(a, b time.Time) time.Time {
	if a.After(b) {
		return a
	}
	return b
}

// changed has everybody who follows it hear.
func (c *Course) changed() {
	c.version++
	for s := range c.subs {
		s.poke()
	}
	c.sleep()
}

// mostAsleep is as long as nothing is looked at anew, in the world.
const mostAsleep = 15 * time.Second

// sleep wakes it when the next thing is due.
func (c *Course) sleep() {
	if c.wake != nil {
		c.wake.Stop()
	}
	if len(c.subs) == 0 {
		return
	}
	now, real := c.now(), c.all.now()
	ends, turns := c.ends()
	timings := cooking.Timings(c.plan, c.state, now, ends)
	next := mostAsleep
	look := func(at time.Time) {
		if at.After(now) {
			next = min(next, c.clock.until(at, real)+20*time.Millisecond)
		}
	}
	for _, t := range timings {
		look(t.End)
		look(t.Begin)
	}
	for _, t := range cooking.Tasks(c.plan, c.state, timings, now, turns) {
		look(t.At)
	}
	c.wake = time.AfterFunc(max(next, 50*time.Millisecond), func() {
		c.mu.Lock()
		defer c.mu.Unlock()
		c.changed()
	})
}

// reads takes readings over that have been kept, and gives what became of each.
func (c *Course) reads(readings []cooking.Reading) []probe.Took {
	c.mu.Lock()
	out := make([]probe.Took, len(readings))
	of := make([]*following, len(readings))
	for i := range readings {
		of[i] = c.heatOf(&readings[i])
	}
	subs := slices.Collect(maps.Keys(c.subs))
	c.used = c.all.now()
	c.mu.Unlock()
	heard := map[*following]bool{}
	for i := range readings {
		if of[i] == nil {
			out[i] = probe.Noted
			continue
		}
		out[i] = of[i].reads(readings[i])
		heard[of[i]] = true
	}
	if len(heard) == 0 {
		return out
	}
	for _, s := range subs {
		s.readings()
	}
	c.all.forecast(c, heard)
	return out
}

// weighs takes a reading of the scale over; what rests in the range of the amount that is due
// goes in by itself.
func (c *Course) weighs(ctx context.Context, at time.Time, grams float64) error {
	c.mu.Lock()
	in, rests := c.scale.Read(at, grams)
	c.used = c.all.now()
	for s := range c.subs {
		s.weighs()
	}
	task, w := c.weighing()
	c.mu.Unlock()
	if w == nil || !rests || in < w.Grams-w.Within || in > w.Grams+w.Within {
		return nil
	}
	_, err := c.Do(ctx, []cooking.Event{{
		ID: "scale-" + at.UTC().Format("20060102T150405.000"), Device: "scale", Kind: cooking.Weighed,
		Dish: task.Dish, Step: task.Step, Line: w.Line, Grams: in, How: cooking.ByScale,
	}})
	return err
}

// weighing is the amount that goes in now; nil where none does.
func (c *Course) weighing() (*cooking.Task, *cooking.Weigh) {
	now := c.now()
	ends, turns := c.ends()
	for _, t := range cooking.Tasks(c.plan, c.state, cooking.Timings(c.plan, c.state, now, ends), now, turns) {
		if t.Do == cooking.DoWeigh {
			w := c.state.Amount(t.Dish, t.Step, t.Amount)
			return &t, &w
		}
	}
	return nil, nil
}

func (c *Course) log(what string, err error) {
	if err != nil && c.all.Log != nil {
		c.all.Log.Error(what, slog.String("course", c.ID), slog.Any("error", err))
	}
}
