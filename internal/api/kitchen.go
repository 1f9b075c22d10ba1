package api

import (
	"context"
	"sync"

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
}

// kitchen gives the kitchen as its pantry is now.
func (s *Server) kitchen(ctx context.Context) (*advice.Kitchen, error) {
	revision, err := s.Store.PantryRevision(ctx, s.Kitchen)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.mu.Lock()
	defer s.cache.mu.Unlock()
	if s.cache.made != nil && s.cache.revision == revision {
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
	s.cache.made, s.cache.revision = made, revision
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
