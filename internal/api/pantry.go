package api

import (
	"context"
	"fmt"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// PantryItem is what the kitchen knows of one food.
type PantryItem struct {
	Food         string          `json:"food"`
	Have         bool            `json:"have"`
	PerKilo      *float64        `json:"per_kilo,omitempty" minimum:"0" maximum:"100000" doc:"price of a kilo in the kitchen's money"`
	LabelChecked bool            `json:"label_checked"`
	Pack         *food.PackLabel `json:"pack,omitempty"`
}

type pantryInput struct {
	Food string `path:"food" maxLength:"80"`
	Body PantryItem
}

func (s *Server) registerPantry(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/pantry", "getPantry", "What the kitchen knows of its foods"),
		func(ctx context.Context, _ *struct{}) (*body[[]PantryItem], error) {
			items, err := s.Store.Pantry(ctx, s.Kitchen)
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			out := make([]PantryItem, len(items))
			for i, item := range items {
				out[i] = PantryItem(item)
			}
			return &body[[]PantryItem]{out}, nil
		})
	huma.Register(api, op(http.MethodPut, "/pantry/{food}", "savePantryItem", "Keep what is known of a food", 404, 422), s.savePantryItem)
}

func (s *Server) savePantryItem(ctx context.Context, in *pantryInput) (*body[PantryItem], error) {
	if s.Foods.Find(in.Food) == nil {
		return nil, problem.New(http.StatusNotFound, problem.NotFound, fmt.Sprintf("There is no food %q.", in.Food))
	}
	in.Body.Food = in.Food
	if p := in.Body.Pack; p != nil && !p.Adds() {
		sum := fmt.Sprintf("%.1f", p.Sum())
		fault := problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The label adds up to "+sum+" g in 100 g.")
		most := 100.
		fault.Errors = []problem.Item{{Fault: formula.Fault{Code: "does-not-add-up", Pointer: "/pack", Got: sum, Max: &most}, Message: fault.Detail}}
		return nil, fault
	}
	if err := s.Store.SavePantry(ctx, s.Kitchen, store.PantryItem(in.Body)); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.forget()
	return &body[PantryItem]{in.Body}, nil
}
