package api

import (
	"context"
	"fmt"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/internal/problem"
)

// PantryItem is what the kitchen knows of one food.
type PantryItem = kitchen.PantryItem

type pantryInput struct {
	Food string `path:"food" maxLength:"80"`
	Body PantryItem
}

func (s *Server) registerPantry(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/pantry", "getPantry", "What the kitchen knows of its foods"),
		func(ctx context.Context, _ *struct{}) (*body[[]PantryItem], error) {
			items, err := s.Store.Pantry(ctx, kitchenID(ctx))
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			return &body[[]PantryItem]{append([]PantryItem{}, items...)}, nil
		})
	huma.Register(api, op(http.MethodPut, "/pantry/{food}", "savePantryItem", "Keep what is known of a food", 404, 422), s.savePantryItem)
}

func (s *Server) savePantryItem(ctx context.Context, in *pantryInput) (*body[PantryItem], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	if k.Foods.Find(in.Food) == nil {
		return nil, problem.New(http.StatusNotFound, problem.NotFound, fmt.Sprintf("There is no food %q.", in.Food))
	}
	in.Body.Food = in.Food
	for i, code := range in.Body.LabelRead {
		if !eaters.Code(code) {
			fault := problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "A label is read for allergens, diets and wants.")
			fault.Errors = []problem.Item{{Fault: document.Fault{Code: document.CodeUnknownWord, Pointer: fmt.Sprintf("/label_read/%d", i), Got: code}, Message: fault.Detail}}
			return nil, fault
		}
	}
	if p := in.Body.Pack; p != nil && !p.Adds() {
		sum := fmt.Sprintf("%.1f", p.Sum())
		fault := problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The label adds up to "+sum+" g in 100 g.")
		most := 100.
		fault.Errors = []problem.Item{{Fault: document.Fault{Code: "does-not-add-up", Pointer: "/pack", Got: sum, Max: &most}, Message: fault.Detail}}
		return nil, fault
	}
	if err := s.Store.SavePantry(ctx, kitchenID(ctx), in.Body); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.forget(kitchenID(ctx))
	return &body[PantryItem]{in.Body}, nil
}
