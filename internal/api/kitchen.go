package api

import (
	"context"
	"sync"
	"time"

	"cuerda/core/advice"
	"cuerda/core/food"
	"cuerda/internal/store"
)

// kitchens keeps what a kitchen's pantry makes of the catalogue, until the
// pantry changes.
type kitchens struct {
	mu       sync.Mutex
	revision int64
	made     *advice.Kitchen
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
func (s *Server) kitchen(ctx context.Context) (*advice.Kitchen, error) {
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
	made, err := kitchenOf(s.Foods, items)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if made.Settings, err = s.Store.Settings(ctx, s.Kitchen); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.made, s.cache.revision, s.cache.looked = made, revision, time.Now()
	return made, nil
}

func kitchenOf(foods *food.Catalogue, items []store.PantryItem) (*advice.Kitchen, error) {
	k := &advice.Kitchen{Have: map[string]bool{}, Checked: map[string]bool{}, PerKilo: map[string]float64{}}
	packs := map[string]food.PackLabel{}
	for i := range items {
		item := &items[i]
		if foods.Find(item.Food) == nil {
			continue // the catalogue has dropped it since
		}
		k.Have[item.Food], k.Checked[item.Food] = item.Have, item.LabelChecked
		if item.PerKilo != nil {
			k.PerKilo[item.Food] = *item.PerKilo
		}
		if item.Pack != nil {
			packs[item.Food] = *item.Pack
		}
	}
	var err error
	k.Foods, err = foods.With(packs)
	return k, err
}
