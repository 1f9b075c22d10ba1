package api

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"reflect"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/plan/supper"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
)

// TakeFrom says what is taken of which kitchen.
type TakeFrom struct {
	From string `json:"from" maxLength:"60" doc:"the other kitchen"`
	Kind string `json:"kind" enum:"build,supper,food"`
	ID   string `json:"id" maxLength:"80"`
}

// TakenFrom says what it became here.
type TakenFrom struct {
	ID string `json:"id"`
}

// takeFrom copies one thing of another kitchen, as it stands there now, with the foods of that kitchen's own that it has.
// Nothing else of that kitchen comes with it: no history, no tries, nothing that its oven taught.
func (s *Server) takeFrom(ctx context.Context, in *struct{ Body TakeFrom }) (*body[TakenFrom], error) {
	there, _ := principal.From(ctx)
	there.Kitchen = in.Body.From
	theirs := principal.With(ctx, there)
	role, err := s.roleIn(theirs, &there)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if !mayDo(role, principal.Guest, "takeFrom") {
		return nil, problem.New(http.StatusNotFound, problem.NotFound, "There is no such kitchen.")
	}
	foods := &takenFoods{}
	if foods.theirs, err = s.Store.OwnFoods(theirs, there.Kitchen); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if foods.here, err = s.Store.OwnFoods(ctx, kitchenID(ctx)); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	var id string
	keep := func() error { return nil }
	switch in.Body.Kind {
	case "food":
		if id = foods.take(in.Body.ID); id == "" {
			return nil, problem.New(http.StatusNotFound, problem.NotFound, "There is no such food of that kitchen's own.")
		}
	case "supper":
		kept, err := s.Store.FindSupper(theirs, there.Kitchen, in.Body.ID)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		var d supper.Supper
		if err := foods.renamed(&kept.Document, &d); err != nil {
			return nil, err
		}
		for i := range d.Dishes {
			d.Dishes[i].From = nil // it is not a build of this kitchen
		}
		keep = func() error {
			made, err := s.Store.CreateSupper(ctx, kitchenID(ctx), &d)
			if err == nil {
				id = made.ID
			}
			return err
		}
	default:
		kept, err := s.Store.Find(theirs, there.Kitchen, in.Body.ID)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		var d document.Document
		if err := foods.renamed(&kept.Document, &d); err != nil {
			return nil, err
		}
		keep = func() error {
			made, err := s.Store.Create(ctx, kitchenID(ctx), &d)
			if err == nil {
				id = made.ID
			}
			return err
		}
	}
	if len(foods.taken) > 0 {
		if err := s.Store.SaveOwnFood(ctx, kitchenID(ctx), foods.taken...); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.cache.forget(kitchenID(ctx))
	}
	if err := keep(); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &body[TakenFrom]{TakenFrom{id}}, nil
}

// takenFoods are foods of another kitchen's own that come along.
type takenFoods struct {
	theirs, here, taken []food.Own
}

// take gives the ID that a food of theirs has here: its own, or another where this kitchen has a food of that name that is
// not the same, for two that differ in an allergen must never be one. It is "" where it is none of theirs.
func (f *takenFoods) take(id string) string {
	var one *food.Own
	for i := range f.theirs {
		if f.theirs[i].ID == id {
			one = &f.theirs[i]
		}
	}
	if one == nil {
		return ""
	}
	for n := 1; ; n++ {
		free := *one
		if n > 1 {
			free.ID = fmt.Sprintf("%s-%d", one.ID, n)
		}
		there := f.find(free.ID)
		if there == nil {
			f.taken = append(f.taken, free)
			return free.ID
		}
		if same := *there; reflect.DeepEqual(same, free) {
			return free.ID
		}
	}
}

func (f *takenFoods) find(id string) *food.Own {
	for _, list := range [][]food.Own{f.here, f.taken} {
		for i := range list {
			if list[i].ID == id {
				return &list[i]
			}
		}
	}
	return nil
}

// renamed copies a document with the IDs that its foods have here.
func (f *takenFoods) renamed(from, to any) error {
	text, err := json.Marshal(from)
	if err != nil {
		return err
	}
	var whole any
	in := json.NewDecoder(bytes.NewReader(text))
	in.UseNumber()
	if err := in.Decode(&whole); err != nil {
		return err
	}
	f.rename(whole)
	if text, err = json.Marshal(whole); err != nil {
		return err
	}
	return json.Unmarshal(text, to)
}

func (f *takenFoods) rename(v any) {
	switch v := v.(type) {
	case []any:
		for _, one := range v {
			f.rename(one)
		}
	case map[string]any:
		for name, one := range v {
			if id, isText := one.(string); isText && name == "food" && strings.HasPrefix(id, food.OwnPrefix) {
				if here := f.take(id); here != "" {
					v[name] = here
				}
				continue
			}
			f.rename(one)
		}
	}
}
