package live

import (
	"context"
	"errors"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/internal/store"
)

// Outcome is what became of a command.
type Outcome struct {
	ID string
	// Seq is that of the course then, 0 where it was refused.
	Seq     int64
	Refused *cooking.Refusal
}

// mostDecided is how often commands are decided on anew because another server was faster.
const mostDecided = 20

// Do takes commands over, each once, and gives what became of each. What is not refused has
// been kept. Commands are decided on by all that is kept: where another server has kept something
// meanwhile, it is folded in and they are decided on anew.
func (c *Course) Do(ctx context.Context, commands []cooking.Event) ([]Outcome, error) {
	k, err := c.hub.Kitchen(ctx, c.KitchenID)
	if err != nil {
		return nil, err
	}
	select {
	case c.writing <- struct{}{}:
		defer func() { <-c.writing }()
	case <-ctx.Done():
		return nil, ctx.Err()
	}
	for range mostDecided {
		out, taken, known, real := c.decide(commands, k)
		var added []store.CourseEvent
		if len(taken) > 0 {
			added, err = c.hub.Store.AddEvents(ctx, c.ID, known, real, taken)
			if errors.Is(err, store.ErrBehind) {
				if err = c.fetchNow(ctx); err != nil {
					return nil, err
				}
				continue
			}
			if err != nil {
				return nil, err
			}
		}
		c.ask(func() {
			if len(added) > 0 {
				c.takes(added, k)
			}
			for i := range out {
				if out[i].Refused == nil && out[i].Seq == 0 {
					out[i].Seq = c.seq
				}
			}
		})
		return out, c.learns(ctx, commands, out)
	}
	return nil, store.ErrBehind
}

// decide gives what becomes of commands by what is folded in, up to the event of that number.
func (c *Course) decide(commands []cooking.Event, k *kitchen.Kitchen) (out []Outcome, taken []cooking.Event, known int64, real time.Time) {
	c.ask(func() {
		out, known, real = make([]Outcome, len(commands)), c.seq, c.hub.now()
		now := c.clock.at(real)
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
	})
	return out, taken, known, real
}

// below writes down of pieces that are taken off the heat how far they were from their goal, whether
// the device that says so knew it or not.
func (c *Course) below(command *cooking.Event) {
	if command.Kind != cooking.Done {
		return
	}
	command.Celsius = nil
	f := c.heat[schedule.Ref{Dish: command.Dish, Step: command.Step}]
	if f == nil || f.forecasted == nil {
		return
	}
	ahead := cooking.Ahead{Forecast: *f.forecasted, Begun: f.begun}
	if ahead.Below(c.plan.Dishes[command.Dish].Target, c.now()) {
		core := ahead.Forecast.Core.Value
		command.Celsius = &core
	}
}

// learns keeps what dishes taught, where somebody said how they came out: also where that was known already, for
// what was said may have been kept and what it taught not.
func (c *Course) learns(ctx context.Context, commands []cooking.Event, out []Outcome) error {
	for i := range commands {
		if commands[i].Kind == cooking.Found && out[i].Refused == nil {
			if err := c.keepTry(ctx, commands[i].Dish); err != nil {
				return err
			}
		}
	}
	return nil
}

// weighs takes a reading of the scale over; what rests in the range of the amount that is due
// goes in by itself.
func (c *Course) weighs(ctx context.Context, at time.Time, grams float64) error {
	var in float64
	var rests bool
	var task *cooking.Task
	var w *cooking.Weigh
	c.ask(func() {
		in, rests = c.scale.Read(at, grams)
		for s := range c.subs {
			s.weighs()
		}
		task, w = c.weighing()
	})
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
