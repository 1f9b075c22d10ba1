package api

import (
	"context"
	"sync"
	"time"

	"cuerda/core/kitchen"
)

// kitchens keeps what a kitchen's pantry makes of the catalogue, until the
// pantry changes.
type kitchens struct {
	mu       sync.Mutex
	revision int64
	made     *kitchen.Kitchen
	looked   time.Time
}

// trusted is how long a pantry is taken to be as it was: a change through this
// server counts at once, one through another after no more than this.
const trusted = 2 * time.Second

func (k *kitchens) forget() {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.looked = time.Time{}
}

// kitchen gives the kitchen as its pantry is now.
func (s *Server) kitchen(ctx context.Context) (*kitchen.Kitchen, error) {
	s.cache.mu.Lock()
	defer s.cache.mu.Unlock()
	if time.Since(s.cache.looked) < trusted {
		return s.cache.made, nil
	}
	revision, err := s.Store.PantryRevision(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if s.cache.made != nil && s.cache.revision == revision {
		s.cache.looked = time.Now()
		return s.cache.made, nil
	}
	items, err := s.Store.Pantry(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	settings, err := s.Store.Settings(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	made, err := kitchen.New(s.Foods, settings, items)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.made, s.cache.revision, s.cache.looked = made, revision, time.Now()
	return made, nil
}
