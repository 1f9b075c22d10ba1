// Package live shows cookings as they go on: what has been done, what is forecast of what is on the heat, and who
// follows. Of each cooking that somebody follows it holds what the database holds of it, folded, and nothing else:
// two servers on one database, and one that has begun anew, show the same.
package live

import (
	"cmp"
	"context"
	"log/slog"
	"runtime/debug"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"golang.org/x/sync/singleflight"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/internal/store"
)

// Hub holds the cookings that somebody follows or acts on. It is safe for use by several goroutines.
type Hub struct {
	Store *store.Store
	// Kitchen gives a kitchen by its ID.
	Kitchen func(ctx context.Context, id string) (*kitchen.Kitchen, error)
	// Keep keeps a try of a kitchen, which learns of it; the store alone where it is nil.
	Keep func(ctx context.Context, kitchen string, t *store.Try, d *document.Document) error
	Log  *slog.Logger
	// Now is the world's time; the machine's where it is nil.
	Now func() time.Time

	mu      sync.Mutex
	open    map[string]*Course
	loading singleflight.Group

	sink      sink
	forecasts forecasts

	// Counts are of readings since it began.
	Counts Counts
}

// Counts are how many readings came to what.
type Counts struct {
	Used, Noted, Aside, Late, Doubled, Malformed, Impossible, Unknown, Refused atomic.Int64
	// Following is how many devices follow courses.
	Following atomic.Int64
}

func (hub *Hub) now() time.Time {
	if hub.Now != nil {
		return hub.Now()
	}
	return time.Now()
}

// databaseWithin is how long the database may take for what no request waits for.
const databaseWithin = 8 * time.Second

// Find gives a course of a kitchen. Several who ask for one that has to be read wait for one reading of it, which
// goes on when the first of them leaves.
func (hub *Hub) Find(ctx context.Context, kitchenID, id string) (*Course, error) {
	id = strings.ToLower(id) // as the database writes it
	if c := hub.held(id); c != nil {
		if c.KitchenID != kitchenID {
			return nil, store.ErrNotFound
		}
		c.used.Store(hub.now().UnixNano())
		return c, nil
	}
	found := hub.loading.DoChan(kitchenID+" "+id, func() (any, error) {
		own, stop := context.WithTimeout(context.WithoutCancel(ctx), databaseWithin)
		defer stop()
		if c := hub.held(id); c != nil {
			return c, nil
		}
		c, err := hub.load(own, kitchenID, id)
		if err != nil {
			return nil, err
		}
		return hub.hold(c), nil
	})
	select {
	case r := <-found:
		if r.Err != nil {
			return nil, r.Err
		}
		return r.Val.(*Course), nil
	case <-ctx.Done():
		return nil, ctx.Err()
	}
}

func (hub *Hub) held(id string) *Course {
	hub.mu.Lock()
	defer hub.mu.Unlock()
	return hub.open[id]
}

// hold keeps a course that was read, and lets those go that were not used for longest where there are too many.
func (hub *Hub) hold(c *Course) *Course {
	hub.mu.Lock()
	defer hub.mu.Unlock()
	if hub.open == nil {
		hub.open = map[string]*Course{}
	}
	if was := hub.open[c.ID]; was != nil {
		c.end()
		return was
	}
	hub.open[c.ID] = c
	hub.letGo()
	return c
}

const (
	// mostOpen is how many courses are held that nobody follows.
	mostOpen = 64
	// unused is how long nobody has asked for a course that is let go: who was given one has begun to follow it
	// by then.
	unused = time.Minute
)

func (hub *Hub) letGo() {
	if len(hub.open) <= mostOpen {
		return
	}
	before := hub.now().Add(-unused).UnixNano()
	var idle []*Course
	for _, c := range hub.open {
		if c.following.Load() == 0 && c.used.Load() < before {
			idle = append(idle, c)
		}
	}
	slices.SortFunc(idle, func(a, b *Course) int { return cmp.Compare(a.used.Load(), b.used.Load()) })
	for _, c := range idle[:min(len(idle), len(hub.open)-mostOpen)] {
		delete(hub.open, c.ID)
		c.end()
	}
}

// Forget ends a course for all who follow it, such as one that was put away; who asks for it has it read anew.
func (hub *Hub) Forget(id string) {
	id = strings.ToLower(id)
	hub.mu.Lock()
	c := hub.open[id]
	delete(hub.open, id)
	hub.mu.Unlock()
	if c == nil {
		return
	}
	c.ask(func() {
		for s := range c.subs {
			s.end()
		}
	})
	c.end()
}

// Heard tells of a course that has events and readings up to those numbers, by whichever server; below 0 of one that
// was put away.
func (hub *Hub) Heard(id string, seq, readingSeq int64) {
	if seq < 0 {
		hub.Forget(id)
		return
	}
	if c := hub.held(id); c != nil {
		c.post(func() { c.heard(seq, readingSeq) })
	}
}

// CatchUp has every course ask for what it does not know: after a time in which nothing could be heard, and every so
// often, for what no notification told.
func (hub *Hub) CatchUp() {
	hub.mu.Lock()
	open := make([]*Course, 0, len(hub.open))
	for _, c := range hub.open {
		open = append(open, c)
	}
	hub.mu.Unlock()
	for _, c := range open {
		c.post(func() { c.fetch() })
	}
}

// pulse is how often courses ask for what no notification told of.
const pulse = time.Minute

// Pulse has courses catch up every so often until ctx ends.
func (hub *Hub) Pulse(ctx context.Context) {
	every := time.NewTicker(pulse)
	defer every.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-every.C:
			hub.CatchUp()
		}
	}
}

// guard runs what nobody waits for. A panic in it ends it and is told of; the process goes on.
func (hub *Hub) guard(what string, f func()) (ok bool) {
	defer func() {
		if r := recover(); r != nil {
			ok = false
			if hub.Log != nil {
				hub.Log.Error(what, slog.Any("panic", r), slog.String("stack", string(debug.Stack())))
			}
		}
	}()
	f()
	return true
}

func (hub *Hub) log(what, id string, err error) {
	if err != nil && hub.Log != nil {
		hub.Log.Error(what, slog.String("course", id), slog.Any("error", err))
	}
}
