package api

import (
	"context"
	"sync"
	"time"

	"cuerda/core/food/ingredient"
	"cuerda/core/kitchen"
)

// kitchens keeps what a kitchen's pantry makes of the catalogue, by kitchen, until
// the pantry changes. Its lock is never held over the database.
type kitchens struct {
	mu   sync.Mutex
	made map[string]*madeKitchen
}

type madeKitchen struct {
	kitchen  *kitchen.Kitchen
	reader   func() *ingredient.Reader
	revision int64
	looked   time.Time
}

// trusted is how long a pantry is taken to be as it was: a change through this
// server counts at once, one through another after no more than this.
const trusted = 2 * time.Second

// forget has the kitchen looked at anew.
func (k *kitchens) forget(id string) {
	k.mu.Lock()
	defer k.mu.Unlock()
	delete(k.made, id)
}

func (k *kitchens) find(id string) *madeKitchen {
	k.mu.Lock()
	defer k.mu.Unlock()
	return k.made[id]
}

func (k *kitchens) keep(id string, m *madeKitchen) {
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.made == nil {
		k.made = map[string]*madeKitchen{}
	}
	k.made[id] = m
}

// kitchen gives the kitchen as its pantry is now.
func (s *Server) kitchen(ctx context.Context) (*kitchen.Kitchen, error) {
	m, err := s.madeKitchen(ctx)
	if err != nil {
		return nil, err
	}
	return m.kitchen, nil
}

func (s *Server) madeKitchen(ctx context.Context) (*madeKitchen, error) {
	was := s.cache.find(s.Kitchen)
	if was != nil && time.Since(was.looked) < trusted {
		return was, nil
	}
	now := time.Now()
	revision, err := s.Store.PantryRevision(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if was != nil && was.revision == revision {
		again := *was
		again.looked = now
		s.cache.keep(s.Kitchen, &again)
		return &again, nil
	}
	items, err := s.Store.Pantry(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	settings, err := s.Store.Settings(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	own, err := s.Store.OwnFoods(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	made, err := kitchen.New(s.Foods, settings, items, own...)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	m := &madeKitchen{
		kitchen: made, revision: revision, looked: now,
		reader: sync.OnceValue(func() *ingredient.Reader { return ingredient.NewReader(made.Foods) }),
	}
	s.cache.keep(s.Kitchen, m)
	return m, nil
}
