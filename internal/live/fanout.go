package live

import (
	"cmp"
	"context"
	"slices"
	"sync"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
)

// News is what a device that follows a course hears of.
type News struct {
	// View says that what there is to see has changed, Readings that probes have told
	// something, Weighs that the scale has, and End that there is nothing more to follow.
	View, Readings, Weighs, End bool
}

// Subscriber is one device that follows a course. A slow one hears of several changes at once.
type Subscriber struct {
	mu   sync.Mutex
	news News
	wake chan struct{}
}

func (s *Subscriber) tell(set func(*News)) {
	s.mu.Lock()
	set(&s.news)
	s.mu.Unlock()
	select {
	case s.wake <- struct{}{}:
	default:
	}
}

func (s *Subscriber) poke()     { s.tell(func(n *News) { n.View = true }) }
func (s *Subscriber) readings() { s.tell(func(n *News) { n.Readings = true }) }
func (s *Subscriber) weighs()   { s.tell(func(n *News) { n.Weighs = true }) }
func (s *Subscriber) end()      { s.tell(func(n *News) { n.End = true }) }

// Wait gives what is new; ok is false once ctx is done. Quiet is how long nothing may be new
// before it gives nothing.
func (s *Subscriber) Wait(ctx context.Context, quiet time.Duration) (n News, ok bool) {
	timer := time.NewTimer(quiet)
	defer timer.Stop()
	select {
	case <-ctx.Done():
		return n, false
	case <-timer.C:
	case <-s.wake:
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	n, s.news = s.news, News{}
	return n, true
}

// Follow begins to follow, until leave.
func (c *Course) Follow() (s *Subscriber, leave func()) {
	s = &Subscriber{wake: make(chan struct{}, 1)}
	c.following.Add(1)
	c.hub.Counts.Following.Add(1)
	c.ask(func() {
		c.subs[s] = true
		c.changed() // one more follows
	})
	select {
	case <-c.ended:
		s.end() // it was forgotten meanwhile: who follows asks for it anew
	default:
	}
	return s, func() {
		c.ask(func() {
			delete(c.subs, s)
			c.changed()
		})
		c.used.Store(c.hub.now().UnixNano())
		c.following.Add(-1)
		c.hub.Counts.Following.Add(-1)
	}
}

// Snapshot gives all there is to see now.
func (c *Course) Snapshot(k *kitchen.Kitchen) (out *cooking.Snapshot) {
	c.ask(func() {
		now := c.now()
		ends, turns := c.ends()
		out = &cooking.Snapshot{
			Now: now, Speed: c.clock.speed, Seq: c.seq, Devices: len(c.subs), Plan: c.plan, Timings: cooking.Timings(c.plan, c.state, now, ends),
			Ahead: c.ahead(), Bowls: map[int]cooking.Bowl{}, Version: c.version, Scale: c.scaleState(),
		}
		out.State = c.state.Clone()
		out.Tasks = cooking.Tasks(c.plan, c.state, out.Timings, now, turns)
		out.Ready = cooking.Ready(out.Timings)
		for d := range c.plan.Dishes {
			if b, ok := c.bowl(d, k, now); ok {
				out.Bowls[d] = b
			}
		}
	})
	return out
}

func (c *Course) ahead() map[schedule.Ref]*cooking.Ahead {
	out := map[schedule.Ref]*cooking.Ahead{}
	for at, f := range c.heat {
		if ahead := f.known(); ahead != nil {
			out[at] = ahead
		}
	}
	return out
}

// bowl looks into the mix of a dish, where something went in already and nothing is shaped yet.
func (c *Course) bowl(dish int, k *kitchen.Kitchen, now time.Time) (cooking.Bowl, bool) {
	d, is := &c.plan.Dishes[dish], &c.state.Dishes[dish]
	if d.Build == nil {
		return cooking.Bowl{}, false
	}
	begun := false
	for n := range d.Steps {
		if len(is.Steps[n].Weighed) > 0 || d.Steps[n].Code == "mix" && is.Steps[n].Begun != nil {
			begun = true
		}
		if d.Steps[n].Code == "shape" && is.Steps[n].Done != nil {
			return cooking.Bowl{}, false
		}
	}
	if !begun {
		return cooking.Bowl{}, false
	}
	return cooking.MixOf(c.plan, c.state, dish, k, now)
}

func (c *Course) scaleState() cooking.ScaleState {
	return cooking.ScaleState{Known: c.scale.Known(), In: c.scale.In(), At: c.scale.At()}
}

// Scale is what the scale says now.
func (c *Course) Scale() (out cooking.ScaleState) {
	c.ask(func() { out = c.scaleState() })
	return out
}

// Past looks at an amount that is beyond its range before it is taken.
func (c *Course) Past(e cooking.Event, k *kitchen.Kitchen) (out cooking.Bowl, ok bool) {
	c.ask(func() { out, ok = cooking.Past(c.plan, c.state, e, k, c.now()) })
	return out, ok
}

// Now is the time by its clock, and how fast that goes.
func (c *Course) Now() (now time.Time, speed float64) {
	c.ask(func() { now, speed = c.now(), c.clock.speed })
	return now, speed
}

// Version grows with all that changes what is shown.
func (c *Course) Version() (version int64) {
	c.ask(func() { version = c.version })
	return version
}

// Seq is the number of its last event.
func (c *Course) Seq() (seq int64) {
	c.ask(func() { seq = c.seq })
	return seq
}

// Plan is what is cooked. It does not change.
func (c *Course) Plan() *cooking.Plan { return c.plan }

// Poke has everybody who follows look again.
func (c *Course) Poke() { c.ask(c.changed) }

// Last are the last readings of each kind of the dishes on the heat.
func (c *Course) Last() (out []cooking.Reading) {
	c.ask(func() {
		for at, f := range c.heat {
			for w, l := range f.last {
				out = append(out, cooking.Reading{Dish: at.Dish, Where: w, At: l.At, Celsius: l.Celsius})
			}
		}
	})
	slices.SortFunc(out, func(a, b cooking.Reading) int {
		return cmp.Or(cmp.Compare(a.Dish, b.Dish), cmp.Compare(a.Where, b.Where))
	})
	return out
}
