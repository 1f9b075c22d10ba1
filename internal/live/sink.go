package live

import (
	"context"
	"errors"
	"sync"
	"time"

	"cuerda/core/cooking"
	"cuerda/internal/store"
)

// sink keeps readings, those of many instruments together: one commit for all that come within
// a moment. Nobody is answered before what they sent is kept.
type sink struct {
	mu      sync.Mutex
	waiting map[string][]cooking.Reading
	count   int
	batch   *batch
}

type batch struct {
	done chan struct{}
	err  error
}

const (
	// gather is how long readings are waited for that go together.
	gather = 15 * time.Millisecond
	// mostGathered is how many wait before more are refused: instruments send again.
	mostGathered = 20_000
)

// ErrBusy is returned where more readings come than can be kept.
var ErrBusy = errors.New("more readings come than can be kept")

// keep keeps readings of a course, and returns once they are kept and folded in.
func (hub *Hub) keep(ctx context.Context, id string, readings []cooking.Reading) error {
	s := &hub.sink
	s.mu.Lock()
	if s.count+len(readings) > mostGathered {
		s.mu.Unlock()
		return ErrBusy
	}
	if s.batch == nil {
		s.batch, s.waiting = &batch{done: make(chan struct{})}, map[string][]cooking.Reading{}
		time.AfterFunc(gather, hub.flush)
	}
	s.waiting[id] = append(s.waiting[id], readings...)
	s.count += len(readings)
	mine := s.batch
	s.mu.Unlock()
	select {
	case <-mine.done:
		return mine.err
	case <-ctx.Done():
		return ctx.Err()
	}
}

func (hub *Hub) flush() {
	s := &hub.sink
	s.mu.Lock()
	b, waiting := s.batch, s.waiting
	s.batch, s.waiting, s.count = nil, nil, 0
	s.mu.Unlock()
	b.err = errors.New("readings could not be kept")
	defer close(b.done)
	hub.guard("keeping readings", func() { b.err = hub.keepAll(waiting) })
}

func (hub *Hub) keepAll(waiting map[string][]cooking.Reading) error {
	ctx, stop := context.WithTimeout(context.Background(), databaseWithin)
	defer stop()
	sent := 0
	rows := make(map[string][]store.CourseReading, len(waiting))
	for id, readings := range waiting {
		sent += len(readings)
		for _, r := range readings {
			rows[id] = append(rows[id], store.CourseReading{Source: r.Source, Place: string(r.Where), Dish: r.Dish, At: r.At, Celsius: r.Celsius})
		}
	}
	fresh, kept, err := hub.Store.AddReadings(ctx, rows)
	if err != nil {
		return err
	}
	hub.Counts.Doubled.Add(int64(sent - fresh))
	for id, readings := range waiting {
		if c := hub.held(id); c != nil {
			c.ask(func() { c.measured(readings, kept[id]) })
		}
	}
	return nil
}

// measured folds readings in that have been kept under those numbers.
func (c *Course) measured(all []cooking.Reading, kept store.KeptReadings) {
	// One that was there before, with another value, is as it was kept.
	var fresh []cooking.Reading
	for i := range all {
		if kept.Fresh[i] {
			fresh = append(fresh, all[i])
		}
	}
	c.takeReadings(fresh)
	c.wantedReading = max(c.wantedReading, kept.To)
	if c.readingSeq == kept.From {
		c.readingSeq = kept.To
	}
	for s := range c.subs {
		s.readings()
	}
	if c.readingSeq < c.wantedReading {
		c.fetch() // another server kept some in between
	}
}
