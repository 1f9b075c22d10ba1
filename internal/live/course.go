package live

import (
	"context"
	"errors"
	"sync"
	"sync/atomic"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/internal/store"
)

// Course is a cooking in memory: the fold of the events and readings that are kept of it. One goroutine owns it,
// which takes one thing after another out of its inbox and never waits for the database; what has to, waits outside
// and puts what came of it into the inbox.
type Course struct {
	ID, KitchenID string

	hub       *Hub
	inbox     chan func()
	ending    chan struct{} // closed when it is to end
	ended     chan struct{} // closed when its goroutine has
	endOnce   sync.Once
	after     sync.Mutex    // of what is asked of it after that
	writing   chan struct{} // one writes at a time: the others wait for it, not for the database
	used      atomic.Int64  // when it was last asked for, ns
	following atomic.Int64

	// What follows is its goroutine's own.
	kept    *store.Course
	plan    *cooking.Plan
	kitchen *kitchen.Kitchen
	state   *cooking.State
	clock   clock
	// seq and readingSeq are the numbers of the last event and the last reading that are folded in.
	seq, readingSeq int64
	// wantedSeq and wantedReading are the highest that were heard of; fetching says that somebody asks for them.
	wantedSeq, wantedReading int64
	fetching                 bool
	readings                 readings
	heat                     map[schedule.Ref]*following
	scale                    cooking.Scale
	subs                     map[*Subscriber]bool
	wake                     *time.Timer
	version                  int64 // grows with all that changes what is shown
}

// load makes a course of what is kept, and lets it begin.
func (hub *Hub) load(ctx context.Context, kitchenID, id string) (*Course, error) {
	kept, events, err := hub.Store.FindCourse(ctx, kitchenID, id)
	if err != nil {
		return nil, err
	}
	k, err := hub.Kitchen(ctx, kitchenID)
	if err != nil {
		return nil, err
	}
	measured, err := hub.Store.SparseReadings(ctx, id, bucketMillis)
	if err != nil {
		return nil, err
	}
	c := &Course{
		ID: id, KitchenID: kitchenID, hub: hub, inbox: make(chan func()), ending: make(chan struct{}), ended: make(chan struct{}), writing: make(chan struct{}, 1),
		kept: kept, plan: &kept.Plan, kitchen: k, state: cooking.New(&kept.Plan, kept.Start), clock: clock{kept.Start, kept.Began, 1},
		readingSeq: kept.ReadingSeq, heat: map[schedule.Ref]*following{}, subs: map[*Subscriber]bool{}, wake: time.NewTimer(time.Hour),
	}
	c.used.Store(hub.now().UnixNano())
	for _, r := range measured {
		c.readings.add(readingOf(r))
	}
	c.takeEvents(events)
	c.refresh()
	go c.run()
	return c, nil
}

func readingOf(r store.CourseReading) cooking.Reading {
	return cooking.Reading{Dish: r.Dish, Where: probe.Where(r.Place), Source: r.Source, At: r.At.UTC(), Celsius: r.Celsius}
}

// run is its goroutine.
func (c *Course) run() {
	defer close(c.ended)
	defer c.wake.Stop()
	take := func(f func()) {
		if !c.hub.guard("a course", f) {
			// What is half folded in is not to be shown: it is read anew.
			go c.hub.Forget(c.ID)
		}
	}
	take(func() {
		c.forecast() // whoever asks is told what to expect, also where nobody follows
		c.sleep()
	})
	for {
		select {
		case <-c.ending:
			return
		case f := <-c.inbox:
			take(f)
		case <-c.wake.C:
			take(func() {
				c.forecast()
				c.changed()
			})
		}
	}
}

func (c *Course) end() { c.endOnce.Do(func() { close(c.ending) }) }

// ask has its goroutine do f, and waits for it. What is asked of a course that has ended is of what it was then.
func (c *Course) ask(f func()) {
	done := make(chan struct{})
	select {
	case c.inbox <- func() { defer close(done); f() }:
		<-done
	case <-c.ended:
		c.after.Lock()
		defer c.after.Unlock()
		f()
	}
}

// post has its goroutine do f, without waiting for it.
func (c *Course) post(f func()) {
	go func() {
		select {
		case c.inbox <- f:
		case <-c.ended:
		}
	}()
}

// now is the time by the course's clock.
func (c *Course) now() time.Time { return c.clock.at(c.hub.now()) }

// takeEvents folds events in that go on from those it has. What it has already is left out, and what does not follow
// on waits until what is between has been asked for.
func (c *Course) takeEvents(events []store.CourseEvent) {
	for i := range events {
		e := &events[i]
		c.wantedSeq = max(c.wantedSeq, e.Seq)
		if e.Seq <= c.seq {
			continue
		}
		if e.Seq != c.seq+1 {
			break
		}
		c.seq = e.Seq
		c.state.Add(e.Event)
		switch e.Kind {
		case cooking.Clock:
			c.clock = c.clock.turned(e.Received, e.Speed)
		case cooking.Weighed:
			c.scale.Tare()
		}
	}
}

// takes folds in what is kept, in a kitchen as it is now, and has everybody who follows hear.
func (c *Course) takes(events []store.CourseEvent, k *kitchen.Kitchen) {
	c.kitchen = k
	c.takeEvents(events)
	c.refresh()
	c.forecast()
	c.changed()
	if c.seq < c.wantedSeq {
		c.fetch()
	}
}

// heardWait is how long what was heard of waits before it is asked for: what this server kept itself comes in
// meanwhile.
const heardWait = 40 * time.Millisecond

// heard has it ask for what it does not know of.
func (c *Course) heard(seq, readingSeq int64) {
	c.wantedSeq, c.wantedReading = max(c.wantedSeq, seq), max(c.wantedReading, readingSeq)
	if seq == c.seq && readingSeq == c.readingSeq || c.fetching {
		return
	}
	c.fetching = true
	time.AfterFunc(heardWait, func() {
		c.post(func() {
			c.fetching = false
			// The same numbers may be told of a course that was put away.
			if c.seq < c.wantedSeq || c.readingSeq < c.wantedReading {
				c.fetch()
			}
		})
	})
}

// fetchAgain is how long it waits to ask again where the database did not answer.
const fetchAgain = time.Second

// fetch asks for what is kept after what it has, without waiting for it.
func (c *Course) fetch() {
	if c.fetching {
		return
	}
	c.fetching = true
	go func() {
		var err error
		if !c.hub.guard("what a course does not know", func() {
			ctx, stop := context.WithTimeout(context.Background(), databaseWithin)
			defer stop()
			err = c.fetchNow(ctx)
		}) {
			return
		}
		switch {
		case errors.Is(err, store.ErrDeleted), errors.Is(err, store.ErrNotFound):
			c.hub.Forget(c.ID)
			return
		case err != nil:
			c.hub.log("what a course does not know", c.ID, err)
			time.Sleep(fetchAgain)
		}
		c.post(func() {
			c.fetching = false
			if c.seq < c.wantedSeq || c.readingSeq < c.wantedReading {
				c.fetch()
			}
		})
	}()
}

// fetchNow folds in all that is kept after what it has.
func (c *Course) fetchNow(ctx context.Context) error {
	var seq, readingSeq int64
	c.ask(func() { seq, readingSeq = c.seq, c.readingSeq })
	_, stands, err := c.hub.Store.CourseStands(ctx, c.ID)
	if err != nil {
		return err
	}
	events, err := c.hub.Store.CourseEvents(ctx, c.ID, seq)
	if err != nil {
		return err
	}
	var measured []store.CourseReading
	if stands > readingSeq {
		if measured, err = c.hub.Store.ReadingsAfter(ctx, c.ID, readingSeq); err != nil {
			return err
		}
	}
	k, err := c.hub.Kitchen(ctx, c.KitchenID)
	if err != nil {
		return err
	}
	more := make([]cooking.Reading, len(measured))
	for i, r := range measured {
		more[i] = readingOf(r)
	}
	c.ask(func() {
		c.takeReadings(more)
		c.readingSeq = max(c.readingSeq, stands)
		if len(measured) > 0 {
			for s := range c.subs {
				s.readings()
			}
		}
		if len(measured) > 0 || len(events) > 0 || k != c.kitchen {
			c.takes(events, k)
		}
	})
	return nil
}

// CatchUpTo asks once for what is kept after what it has, where somebody was told of an event of that number already: by
// another server, whose notification has not come yet. A number that nothing has costs no more than that.
func (c *Course) CatchUpTo(ctx context.Context, seq int64) {
	if c.Seq() >= seq {
		return
	}
	ctx, stop := context.WithTimeout(ctx, databaseWithin)
	defer stop()
	c.hub.log("what a follower knows already", c.ID, c.fetchNow(ctx))
}

// changed has everybody who follows it hear.
func (c *Course) changed() {
	c.version++
	for s := range c.subs {
		s.poke()
	}
	c.sleep()
}

const (
	// mostAsleep is as long as nothing is looked at anew, in the world.
	mostAsleep = 15 * time.Second
	leastSleep = 50 * time.Millisecond
)

// sleep sets when it wakes: when the next thing is due.
func (c *Course) sleep() {
	if len(c.subs) == 0 {
		c.wake.Reset(mostAsleep)
		return
	}
	now, real := c.now(), c.hub.now()
	ends, turns := c.ends()
	timings := cooking.Timings(c.plan, c.state, now, ends)
	next := mostAsleep
	soon := func(at time.Time) {
		if at.After(now) {
			next = min(next, c.clock.until(at, real)+20*time.Millisecond)
		}
	}
	for _, t := range timings {
		soon(t.End)
		soon(t.Begin)
	}
	for _, t := range cooking.Tasks(c.plan, c.state, timings, now, turns) {
		soon(t.At)
	}
	for _, f := range c.heat {
		if f.stale && !f.asked {
			next = min(next, max(0, forecastEvery-real.Sub(f.made)))
		}
	}
	c.wake.Reset(max(next, leastSleep))
}
