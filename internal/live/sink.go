package live

import (
	"context"
	"errors"
	"sync"
	"time"

	"cuerda/internal/store"
)

// sink keeps readings, those of many instruments together: one commit for all that come within
// a moment. Nobody is answered before what they sent is kept.
type sink struct {
	mu      sync.Mutex
	waiting map[string][]store.CourseReading
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
	// keepWithin is how long the database may take.
	keepWithin = 8 * time.Second
)

// ErrBusy is returned where more readings come than can be kept.
var ErrBusy = errors.New("more readings come than can be kept")

// keep keeps readings of a course, and returns once they are.
func (all *Courses) keep(ctx context.Context, id string, readings []store.CourseReading) error {
	s := &all.sink
	s.mu.Lock()
	if s.count+len(readings) > mostGathered {
		s.mu.Unlock()
		return ErrBusy
	}
	if s.batch == nil {
		s.batch, s.waiting = &batch{done: make(chan struct{})}, map[string][]store.CourseReading{}
		time.AfterFunc(gather, all.flush)
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

func (all *Courses) flush() {
	s := &all.sink
	s.mu.Lock()
	b, waiting := s.batch, s.waiting
	s.batch, s.waiting, s.count = nil, nil, 0
	s.mu.Unlock()
	ctx, stop := context.WithTimeout(context.Background(), keepWithin)
	defer stop()
	sent := 0
	for _, readings := range waiting {
		sent += len(readings)
	}
	fresh, err := all.Store.AddReadings(ctx, waiting)
	if err == nil {
		all.Counts.Doubled.Add(int64(sent - fresh))
	}
	b.err = err
	close(b.done)
}
