package api

import (
	"context"
	"sync"
	"time"

	lru "github.com/hashicorp/golang-lru/v2"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/recipe/ingredient"
	"cuerda/internal/principal"
)

// kitchens keeps what pantries make of the catalogue, of the kitchens that were asked for last, each until its pantry
// changes. Its lock is never held over the database.
type kitchens struct {
	mu   sync.Mutex
	made *lru.Cache[string, *madeKitchen]
	// readers keep what reading recipes needs of a catalogue, for the catalogues that were used last. Kitchens without foods
	// and labels of their own have the same catalogue, and so the same reader.
	readers *lru.Cache[*food.Catalogue, func() *ingredient.Reader]
	// looking are the kitchens that are being looked up, each with whether it changed meanwhile: what was looked up before a
	// change is not kept after it.
	looking map[*looking]bool
	// heard says that every change is heard of as it is made.
	heard bool
}

const (
	// mostKept are kept: one with a label of its own takes 0.2 MB.
	mostKept = 1000
	// mostReaders are kept: one takes half a megabyte, and 10 ms to make.
	mostReaders = 64
)

type madeKitchen struct {
	kitchen  *kitchen.Kitchen
	revision int64
	looked   time.Time
}

// looking is a kitchen that is being looked up.
type looking struct {
	id      string
	changed bool
}

// trusted is how long a pantry is taken to be as it was where changes through other
// servers are not heard of.
const trusted = 2 * time.Second

func newKitchens() kitchens {
	made, _ := lru.New[string, *madeKitchen](mostKept) // an error is of a size below 1
	readers, _ := lru.New[*food.Catalogue, func() *ingredient.Reader](mostReaders)
	return kitchens{made: made, readers: readers, looking: map[*looking]bool{}}
}

// forget has the kitchen looked at anew.
func (k *kitchens) forget(id string) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.made.Remove(id)
	for l := range k.looking {
		if l.id == id {
			l.changed = true
		}
	}
}

// hears notes whether changes are heard of from now on. What was kept while they were
// not is looked at anew.
func (k *kitchens) hears(all bool) {
	k.mu.Lock()
	defer k.mu.Unlock()
	k.heard = all
	for _, id := range k.made.Keys() {
		m, _ := k.made.Peek(id)
		again := *m
		again.looked = time.Time{}
		k.made.Add(id, &again)
	}
}

// find gives what is kept of a kitchen, and whether it may be used as it is. Where it may not, it is looked up until keep or
// leave.
func (k *kitchens) find(id string) (m *madeKitchen, fresh bool, l *looking) {
	k.mu.Lock()
	defer k.mu.Unlock()
	m, _ = k.made.Get(id)
	if m != nil && !m.looked.IsZero() && (k.heard || time.Since(m.looked) < trusted) {
		return m, true, nil
	}
	l = &looking{id: id}
	k.looking[l] = true
	return m, false, l
}

// keep keeps what was made of a kitchen, unless it has changed since it began to be looked up.
func (k *kitchens) keep(l *looking, m *madeKitchen) {
	k.mu.Lock()
	defer k.mu.Unlock()
	if !l.changed {
		k.made.Add(l.id, m)
	}
}

func (k *kitchens) leave(l *looking) {
	k.mu.Lock()
	defer k.mu.Unlock()
	delete(k.looking, l)
}

// reader gives the reader of a catalogue, which is made by the first who reads with it.
func (k *kitchens) reader(foods *food.Catalogue) *ingredient.Reader {
	k.mu.Lock()
	made, known := k.readers.Get(foods)
	if !known {
		made = sync.OnceValue(func() *ingredient.Reader { return ingredient.NewReader(foods) })
		k.readers.Add(foods, made)
	}
	k.mu.Unlock()
	return made()
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

// reader reads words of ingredients as the kitchen's foods are called.
func (s *Server) reader(k *kitchen.Kitchen) *ingredient.Reader { return s.cache.reader(k.Foods) }

func (s *Server) madeKitchen(ctx context.Context) (*madeKitchen, error) {
	id := kitchenID(ctx)
	was, fresh, l := s.cache.find(id)
	if fresh {
		return was, nil
	}
	defer s.cache.leave(l)
	now := time.Now()
	revision, err := s.Store.PantryRevision(ctx, id)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if was != nil && was.revision == revision {
		again := *was
		again.looked = now
		s.cache.keep(l, &again)
		return &again, nil
	}
	made, stale, err := s.teacher().Kitchen(ctx, id)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if stale {
		s.learnSoon(ctx, id)
	}
	m := &madeKitchen{kitchen: made, revision: revision, looked: now}
	s.cache.keep(l, m)
	return m, nil
}
