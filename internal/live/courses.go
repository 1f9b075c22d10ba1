// Package live keeps the courses that go on in memory: their state, what is forecast of what is
// on the heat, and who follows them. What is kept in the database is the truth; this is what
// it comes to.
package live

import (
	"context"
	"log/slog"
	"sync"
	"sync/atomic"
	"time"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/internal/store"
)

// Courses are those that somebody follows or acts on.
type Courses struct {
	Store *store.Store
	// Kitchen gives a kitchen by its ID.
	Kitchen func(ctx context.Context, id string) (*kitchen.Kitchen, error)
	// Keep keeps a try of a kitchen, which learns of it; the store alone where it is nil.
	Keep func(ctx context.Context, kitchen string, t *store.Try, d *document.Document) error
	Log  *slog.Logger
	// Now is the world's time; the machine's where it is nil.
	Now func() time.Time

	mu    sync.Mutex
	open  map[string]*Course
	asked map[string]*loading

	sink        sink
	ahead       chan pendingForecast
	forecasting sync.Once

	// Counts are of readings since it began.
	Counts Counts
}

// Counts are how many readings came to what.
type Counts struct {
	Used, Noted, Aside, Late, Doubled, Malformed, Impossible, Unknown, Refused atomic.Int64
	// Following is how many devices follow courses.
	Following atomic.Int64
}

type loading struct {
	done   chan struct{}
	course *Course
	err    error
}

func (all *Courses) now() time.Time {
	if all.Now != nil {
		return all.Now()
	}
	return time.Now()
}

// Find gives a course of a kitchen.
func (all *Courses) Find(ctx context.Context, kitchenID, id string) (*Course, error) {
	all.mu.Lock()
	if c := all.open[id]; c != nil {
		all.mu.Unlock()
		if c.KitchenID != kitchenID {
			return nil, store.ErrNotFound
		}
		c.mu.Lock()
		c.used = all.now()
		c.mu.Unlock()
		return c, nil
	}
	if l := all.asked[id]; l != nil {
		all.mu.Unlock()
		select {
		case <-l.done:
		case <-ctx.Done():
			return nil, ctx.Err()
		}
		if l.err == nil && l.course.KitchenID != kitchenID {
			return nil, store.ErrNotFound
		}
		return l.course, l.err
	}
	if all.open == nil {
		all.open, all.asked = map[string]*Course{}, map[string]*loading{}
	}
	l := &loading{done: make(chan struct{})}
	all.asked[id] = l
	all.mu.Unlock()
	l.course, l.err = all.load(ctx, kitchenID, id)
	all.mu.Lock()
	delete(all.asked, id)
	if l.err == nil {
		all.open[id] = l.course
	}
	all.drop()
	all.mu.Unlock()
	close(l.done)
	return l.course, l.err
}

const (
	// mostOpen is how many courses are held that nobody follows.
	mostOpen = 64
	// unused is how long nobody has asked for a course that is forgotten: who was given one has
	// begun to follow it by then.
	unused = time.Minute
)

// drop forgets courses that nobody follows, where there are too many.
func (all *Courses) drop() {
	now := all.now()
	for id, c := range all.open {
		if len(all.open) <= mostOpen {
			return
		}
		c.mu.Lock()
		idle := len(c.subs) == 0 && now.Sub(c.used) > unused
		c.mu.Unlock()
		if idle {
			delete(all.open, id)
		}
	}
}

// Forget has a course read anew, such as one that was deleted.
func (all *Courses) Forget(id string) {
	all.mu.Lock()
	c := all.open[id]
	delete(all.open, id)
	all.mu.Unlock()
	if c != nil {
		c.mu.Lock()
		defer c.mu.Unlock()
		for s := range c.subs {
			s.end()
		}
	}
}

// Heard tells of a course that has events up to that one, perhaps of another server.
func (all *Courses) Heard(ctx context.Context, id string, seq int64) {
	all.mu.Lock()
	c := all.open[id]
	all.mu.Unlock()
	if c == nil {
		return
	}
	k, err := all.Kitchen(ctx, c.KitchenID)
	if err != nil {
		c.log("a kitchen", err)
		return
	}
	c.mu.Lock()
	defer c.mu.Unlock()
	if c.seq >= seq {
		return
	}
	events, err := all.Store.CourseEvents(ctx, id, c.seq)
	if err != nil {
		c.log("events of another server", err)
		return
	}
	c.takes(events, k)
}

// pendingForecast is a course whose dishes on the heat are to be looked at.
type pendingForecast struct {
	course *Course
	heat   map[*following]bool
}

// mostPending is how many wait to be forecast; more are left to the next reading.
const mostPending = 256

// forecast looks at dishes on the heat anew, one after another and not too often: nobody who
// acts waits for it.
func (all *Courses) forecast(c *Course, heat map[*following]bool) {
	all.forecasting.Do(func() {
		all.ahead = make(chan pendingForecast, mostPending)
		go func() {
			for l := range all.ahead {
				all.forecastNow(l)
			}
		}()
	})
	now := all.now()
	due := map[*following]bool{}
	for f := range heat {
		f.mu.Lock()
		if f.stale && now.Sub(f.made) >= forecastEvery && !f.asked {
			f.asked = true
			due[f] = true
		}
		f.mu.Unlock()
	}
	if len(due) == 0 {
		return
	}
	select {
	case all.ahead <- pendingForecast{c, due}:
	default:
		for f := range due {
			f.mu.Lock()
			f.asked = false
			f.mu.Unlock()
		}
	}
}

// forecastEvery is how often a dish is forecast anew at most, in the world.
const forecastEvery = 2 * time.Second

func (all *Courses) forecastNow(l pendingForecast) {
	l.course.mu.Lock()
	now := l.course.now()
	l.course.mu.Unlock()
	for f := range l.heat {
		f.forecastNow(now)
		f.mu.Lock()
		f.made, f.asked = all.now(), false
		f.mu.Unlock()
	}
	l.course.mu.Lock()
	due := l.course.firstDue()
	l.course.changed()
	l.course.mu.Unlock()
	if len(due) == 0 {
		return
	}
	ctx, stop := context.WithTimeout(context.Background(), keepWithin)
	defer stop()
	_, err := l.course.Do(ctx, due)
	l.course.log("what is due", err)
}
