package live

import (
	"context"
	"fmt"
	"runtime"
	"sync"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/core/plan/schedule"
)

const (
	// forecastEvery is how often a dish is forecast anew at most, in the world.
	forecastEvery = 2 * time.Second
	// forecastAge is how old a forecast grows of what is probed, min by the course's clock.
	forecastAge = 1
	// mostPending is how many dishes wait to be forecast; more are left to the next time that they are looked at.
	mostPending = 4096
	// From so many on that wait, a forecast follows a third of its members to their end, from so many on a fourth: a loaf's takes
	// 50 ms with all of them, and three hundred are to be made within five seconds. What those say differs from what all would by
	// less than a hundredth of the time.
	manyPending, mostAtOnce = 12, 120
)

// precisely is how many members the next forecast follows.
func (f *forecasts) precisely() probe.Of {
	switch waiting := len(f.pending); {
	case waiting >= mostAtOnce:
		return probe.Fourth
	case waiting >= manyPending:
		return probe.Third
	}
	return probe.All
}

// forecasts are made by a few workers, so that nobody who acts waits for one.
type forecasts struct {
	once    sync.Once
	pending chan pending
}

type pending struct {
	course *Course
	heat   *following
}

// forecast has the dishes looked at anew of which there is something new to know, each not too often.
func (c *Course) forecast() {
	hub, real, now := c.hub, c.hub.now(), c.now()
	hub.forecasts.once.Do(func() {
		hub.forecasts.pending = make(chan pending, mostPending)
		for range max(1, runtime.GOMAXPROCS(0)/2) {
			go func() {
				for p := range hub.forecasts.pending {
					hub.guard("a forecast", func() { p.course.forecastNow(p.heat) })
				}
			}()
		}
	})
	for _, f := range c.heat {
		aged := f.forecasted != nil && !f.off && len(f.last) > 0 && len(c.subs) > 0 && f.minutes(now) > f.forecasted.Now+forecastAge
		if f.asked || !f.stale && !aged || real.Sub(f.made) < forecastEvery {
			continue
		}
		select {
		case hub.forecasts.pending <- pending{c, f}:
			f.asked = true
		default:
		}
	}
}

// forecastNow forecasts a dish by all that is known of it once it begins.
func (c *Course) forecastNow(f *following) {
	var happened []probe.Happening
	var minutes float64
	c.ask(func() {
		happened, minutes = f.happened, min(f.minutes(c.now()), longest)
		f.stale = false
	})
	var out probe.Forecast
	made := c.hub.guard("a forecast", func() { out = f.engine.forecast(happened, minutes, c.hub.forecasts.precisely()) })
	var due []cooking.Event
	c.ask(func() {
		f.asked, f.made = false, c.hub.now()
		if !made {
			return
		}
		f.forecasted = &out
		due = c.firstDue()
		c.changed()
	})
	if len(due) == 0 {
		return
	}
	go c.hub.guard("what is due", func() {
		ctx, stop := context.WithTimeout(context.Background(), databaseWithin)
		defer stop()
		_, err := c.Do(ctx, due)
		c.hub.log("what is due", c.ID, err)
	})
}

// ends are when the dishes on the heat are to be taken off, and turns when they are turned, by
// their probes. What no probe has told of goes by the plan.
func (c *Course) ends() (ends map[schedule.Ref]time.Time, turns map[schedule.Ref][]time.Time) {
	ends, turns = map[schedule.Ref]time.Time{}, map[schedule.Ref][]time.Time{}
	for at, f := range c.heat {
		if f.forecasted == nil || len(f.last) == 0 || c.state.Dishes[at.Dish].Steps[at.Step].Done != nil {
			continue
		}
		ahead := cooking.Ahead{Forecast: *f.forecasted, Begun: f.begun}
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
		if f.forecasted == nil || len(f.last) == 0 || step.Done != nil || step.Due != nil || step.Begun == nil {
			continue
		}
		ahead := cooking.Ahead{Forecast: *f.forecasted, Begun: f.begun}
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
