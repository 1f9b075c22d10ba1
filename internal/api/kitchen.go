package api

import (
	"context"
	"sync"
	"time"

	"cuerda/core/kitchen"
	"cuerda/core/recipe/ingredient"
	"cuerda/internal/principal"
)

// kitchens keeps what a kitchen's pantry makes of the catalogue, by kitchen, until
// the pantry changes. Its lock is never held over the database.
type kitchens struct {
	mu   sync.Mutex
	made map[string]*madeKitchen
	// changes counts those of each kitchen: what was looked up before one is not kept
	// after it.
	changes map[string]int
	// heard says that every change is heard of as it is made.
	heard bool
}

type madeKitchen struct {
	kitchen  *kitchen.Kitchen
	reader   func() *ingredient.Reader
	revision int64
	looked   time.Time
}

// trusted is how long a pantry is taken to be as it was where changes through other
// servers are not heard of.
const trusted = 2 * time.Second

// forget has the kitchen looked at anew.
func (k *kitchens) forget(id string) {
	k.mu.Lock()
	defer k.mu.Unlock()
	delete(k.made, id)
	if k.changes == nil {
		k.changes = map[string]int{}
	}
	k.changes[id]++
}

// hears notes whether changes are heard of from now on. What was kept while they were
// not is looked at anew.
func (k *kitchens) hears(all bool) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.heard = all
	for id, m := range k.made {
		again := *m
		again.looked = time.Time{}
		k.made[id] = &again
	}
}

// find gives what is kept of a kitchen, whether it may be used as it is, and the count
// of its changes.
func (k *kitchens) find(id string) (m *madeKitchen, fresh bool, changes int) {
	k.mu.Lock()
	defer k.mu.Unlock()
	m = k.made[id]
	fresh = m != nil && !m.looked.IsZero() && (k.heard || time.Since(m.looked) < trusted)
	return m, fresh, k.changes[id]
}

// keep keeps what was made of a kitchen, unless it has changed since.
func (k *kitchens) keep(id string, m *madeKitchen, changes int) {
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.changes[id] != changes {
		return
	}
	if k.made == nil {
		k.made = map[string]*madeKitchen{}
	}
	k.made[id] = m
}

// Watch hears of changes of kitchens and courses through other servers until ctx ends. What was done while nothing could
// be heard, and what no notification told of, is asked for.
func (s *Server) Watch(ctx context.Context) {
	go s.live.Pulse(ctx)
	s.Store.Watch(ctx, func(on bool) {
		s.cache.hears(on)
		if on {
			s.live.CatchUp()
		}
	}, s.cache.forget, s.live.Heard)
}

// kitchenID is whose request it is; none where nobody was identified, which the store
// knows no kitchen by.
func kitchenID(ctx context.Context) string {
	p, _ := principal.From(ctx)
	return p.Kitchen
}

// kitchen gives the kitchen as its pantry is now.
func (s *Server) kitchen(ctx context.Context) (*kitchen.Kitchen, error) {
	m, err := s.madeKitchen(ctx)
	if err != nil {
		return nil, err
	}
	return m.kitchen, nil
}

// kitchenOf gives that kitchen as its pantry is now.
func (s *Server) kitchenOf(ctx context.Context, id string) (*kitchen.Kitchen, error) {
	return s.kitchen(principal.InKitchen(ctx, id))
}

func (s *Server) madeKitchen(ctx context.Context) (*madeKitchen, error) {
	id := kitchenID(ctx)
	was, fresh, changes := s.cache.find(id)
	if fresh {
		return was, nil
	}
	now := time.Now()
	revision, err := s.Store.PantryRevision(ctx, id)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if was != nil && was.revision == revision {
		again := *was
		again.looked = now
		s.cache.keep(id, &again, changes)
		return &again, nil
	}
	made, err := s.teacher().Kitchen(ctx, id)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	m := &madeKitchen{
		kitchen: made, revision: revision, looked: now,
		reader: sync.OnceValue(func() *ingredient.Reader { return ingredient.NewReader(made.Foods) }),
	}
	s.cache.keep(id, m, changes)
	return m, nil
}
