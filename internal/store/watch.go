package store

import (
	"context"
	"fmt"
	"strings"
	"time"
)

// listenAgain is how long a watch that lost the database waits before it tries again.
const listenAgain = time.Second

// Watch calls changed with the ID of every kitchen whose pantry, settings or own foods
// change, through whichever server, until ctx ends; acted with every course in which something is done or
// read, and the numbers of its last event and its last reading, which are below 0 where it is put away. heard is called with true once it
// hears of all that comes from then on, and with false where it no longer does.
func (s *Store) Watch(ctx context.Context, heard func(bool), changed func(kitchenID string), acted func(courseID string, seq, readingSeq int64)) {
	for ctx.Err() == nil {
		s.listen(ctx, heard, changed, acted)
		heard(false)
		select {
		case <-ctx.Done():
		case <-time.After(listenAgain):
		}
	}
}

func (s *Store) listen(ctx context.Context, heard func(bool), changed func(string), acted func(string, int64, int64)) {
	pooled, err := s.pool.Acquire(ctx)
	if err != nil {
		return
	}
	// A connection that listens is no longer one of the pool's.
	conn := pooled.Hijack()
	defer func() {
		ended, stop := context.WithTimeout(context.WithoutCancel(ctx), time.Second)
		defer stop()
		_ = conn.Close(ended)
	}()
	if _, err := conn.Exec(ctx, "listen kitchen_changed; listen course_changed"); err != nil {
		return
	}
	heard(true)
	for {
		n, err := conn.WaitForNotification(ctx)
		if err != nil {
			return
		}
		switch id, numbers, _ := strings.Cut(n.Payload, " "); n.Channel {
		case "course_changed":
			var seq, readingSeq int64
			if _, err := fmt.Sscan(numbers, &seq, &readingSeq); err == nil {
				acted(id, seq, readingSeq)
			}
		default:
			changed(id)
		}
	}
}
