package api

import (
	"context"
	"fmt"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/internal/archive"
	"cuerda/internal/problem"
)

type ownFoodInput struct {
	Body struct {
		Name      string          `json:"name" minLength:"1" maxLength:"80"`
		Like      string          `json:"like" maxLength:"80" doc:"the food of the catalogue that it behaves most nearly as"`
		Label     *food.PackLabel `json:"label,omitempty"`
		Allergens []string        `json:"allergens,omitempty" maxItems:"14"`
	}
}

type changeOwnFoodInput struct {
	ID string `path:"id" maxLength:"70"`
	ownFoodInput
}

type goneInput struct {
	ID string `path:"id" maxLength:"70"`
}

// most is how many own foods a kitchen has at most.
const mostOwnFoods = 300

func (s *Server) registerOwnFoods(api huma.API) {
	create := op(http.MethodPost, "/own-foods", "addOwnFood", "Add a food of the kitchen's own, like one of the catalogue", 422)
	create.DefaultStatus = http.StatusCreated
	huma.Register(api, create, func(ctx context.Context, in *ownFoodInput) (*body[Food], error) {
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		base := food.OwnPrefix + archive.Slug(in.Body.Name)
		id := base
		for n := 2; k.Foods.Find(id) != nil; n++ {
			id = fmt.Sprintf("%s-%d", base, n)
		}
		return s.saveOwnFood(ctx, id, in)
	})
	huma.Register(api, op(http.MethodPut, "/own-foods/{id}", "changeOwnFood", "Change a food of the kitchen's own", 404, 422),
		func(ctx context.Context, in *changeOwnFoodInput) (*body[Food], error) {
			if _, err := s.ownFood(ctx, in.ID); err != nil {
				return nil, err
			}
			return s.saveOwnFood(ctx, in.ID, &in.ownFoodInput)
		})
	huma.Register(api, op(http.MethodDelete, "/own-foods/{id}", "dropOwnFood", "Offer a food of the kitchen's own no longer; builds that have it keep it", 404),
		func(ctx context.Context, in *goneInput) (*struct{}, error) {
			own, err := s.ownFood(ctx, in.ID)
			if err != nil {
				return nil, err
			}
			own.Gone = true
			if err := s.Store.SaveOwnFood(ctx, kitchenID(ctx), *own); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			s.cache.forget(kitchenID(ctx))
			return nil, nil
		})
}

func (s *Server) ownFood(ctx context.Context, id string) (*food.Own, error) {
	all, err := s.Store.OwnFoods(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	at := slices.IndexFunc(all, func(o food.Own) bool { return o.ID == id })
	if at < 0 {
		return nil, problem.New(http.StatusNotFound, problem.NotFound, "There is no such food of this kitchen's own.")
	}
	return &all[at], nil
}

func (s *Server) saveOwnFood(ctx context.Context, id string, in *ownFoodInput) (*body[Food], error) {
	b := &in.Body
	b.Name = strings.TrimSpace(b.Name)
	var faults []problem.Item
	fault := func(code, pointer, got, message string) {
		faults = append(faults, problem.Item{Fault: document.Fault{Code: code, Pointer: pointer, Got: got}, Message: message})
	}
	if b.Name == "" || strings.ContainsFunc(b.Name, func(c rune) bool { return c < ' ' }) {
		fault(document.CodeBadText, "/name", "", "A food has a name of one line.")
	}
	if s.Foods.Find(b.Like) == nil {
		fault(document.CodeUnknownFood, "/like", b.Like, "It should be like a food of the catalogue.")
	}
	for i, a := range b.Allergens {
		if !eaters.Known(a) {
			fault(document.CodeUnknownWord, fmt.Sprintf("/allergens/%d", i), a, "That is none of the 14 allergens.")
		}
	}
	if b.Label != nil && !b.Label.Adds() {
		fault("does-not-add-up", "/label", fmt.Sprintf("%.1f", b.Label.Sum()), "The label adds up to more than 100 g in 100 g.")
	}
	all, err := s.Store.OwnFoods(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if len(all) >= mostOwnFoods {
		fault(document.CodeTooMany, "", "", fmt.Sprintf("A kitchen has at most %d foods of its own.", mostOwnFoods))
	}
	if len(faults) > 0 {
		p := problem.New(http.StatusUnprocessableEntity, problem.BadRequest, faults[0].Message)
		p.Errors = faults
		return nil, p
	}
	own := food.Own{ID: id, Name: b.Name, Like: b.Like, Label: b.Label, Allergens: b.Allergens}
	if err := s.Store.SaveOwnFood(ctx, kitchenID(ctx), own); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.forget(kitchenID(ctx))
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	return &body[Food]{foodOf(k.Foods, k.Foods.Find(id))}, nil
}
