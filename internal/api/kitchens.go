package api

import (
	"context"
	"net/http"
	"strings"
	"time"
	"unicode"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/food/eaters"
	"cuerda/core/keepable"
	"cuerda/core/kitchen"
	"cuerda/core/physics/safety"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// erasedAfter is how long the owner of a kitchen can take its erasing back.
const erasedAfter = 7 * 24 * time.Hour

// mostKitchens is how many a household may have.
const mostKitchens = 50

// maxKitchenName is how long the name of a kitchen may be, in characters.
const maxKitchenName = 60

// KitchenFirst is what a new kitchen is told of; all but the name can be left out.
type KitchenFirst struct {
	Name string `json:"name" maxLength:"200"`
	// Oven is "none" for a kitchen without one.
	Oven    string `json:"oven,omitempty" enum:"fan-oven,still-oven,none"`
	Burners *int   `json:"burners,omitempty" minimum:"0" maximum:"12"`
	Pans    *int   `json:"pans,omitempty" minimum:"0" maximum:"12"`
	// PanDiameterMM is of the larger one.
	PanDiameterMM *float64       `json:"pan_diameter_mm,omitempty" minimum:"80" maximum:"1000"`
	Cups          bool           `json:"cups,omitempty" doc:"there is no scale: amounts are given in cups and spoons"`
	Probe         bool           `json:"probe,omitempty"`
	Eaters        *eaters.Eaters `json:"eaters,omitempty"`
	Have          []string       `json:"have,omitempty" maxItems:"100" doc:"foods of the catalogue that are at hand"`
	Guidance      string         `json:"guidance,omitempty" enum:"us,uk"`
	Currency      string         `json:"currency,omitempty" pattern:"^[A-Z]{3}$"`
	Units         *kitchen.Units `json:"units,omitempty"`
}

type kitchenNameInput struct {
	Body struct {
		Name string `json:"name" maxLength:"200"`
	}
}

type eraseInput struct {
	Name string `query:"name" maxLength:"200" doc:"the kitchen's name, typed again"`
}

func (s *Server) registerKitchens(api huma.API) {
	huma.Register(api, beside(http.MethodGet, "/kitchens", "listKitchens", "The kitchens of whoever asks"), func(ctx context.Context, _ *struct{}) (*body[[]store.KitchenEntry], error) {
		all, err := s.Store.ListKitchens(ctx)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out := []store.KitchenEntry{}
		for _, k := range all {
			if k.EraseAt == nil || k.Role == principal.Owner {
				out = append(out, k)
			}
		}
		return &body[[]store.KitchenEntry]{out}, nil
	})
	create := beside(http.MethodPost, "/kitchens", "makeKitchen", "Make a kitchen", 409, 422)
	create.DefaultStatus = http.StatusCreated
	huma.Register(api, create, s.makeKitchen)
	demo := beside(http.MethodPost, "/demonstration", "makeDemonstration", "Make the demonstration kitchen anew, as it was on the first day", 409)
	demo.DefaultStatus = http.StatusCreated
	huma.Register(api, costs(demo), s.makeDemonstration)
	huma.Register(api, op(http.MethodGet, "", "getKitchen", "A kitchen, with how much is in it", 404), func(ctx context.Context, _ *struct{}) (*body[store.KitchenEntry], error) {
		return s.kitchenEntry(ctx)
	})
	huma.Register(api, op(http.MethodPut, "", "renameKitchen", "Give a kitchen another name", 404, 422), func(ctx context.Context, in *kitchenNameInput) (*body[store.KitchenEntry], error) {
		name, err := kitchenName(in.Body.Name)
		if err != nil {
			return nil, err
		}
		if err := s.Store.RenameKitchen(ctx, kitchenID(ctx), name); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return s.kitchenEntry(ctx)
	})
	huma.Register(api, op(http.MethodDelete, "", "eraseKitchen", "Erase a kitchen, in seven days; the demonstration at once", 404, 422), s.eraseKitchen)
	huma.Register(api, op(http.MethodPost, "/restore", "restoreKitchen", "Bring back a kitchen that was put away or is to be erased", 404), func(ctx context.Context, _ *struct{}) (*body[store.KitchenEntry], error) {
		id := kitchenID(ctx)
		if err := s.Store.EraseKitchenAt(ctx, id, nil); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		if err := s.Store.PutAwayKitchen(ctx, id, false); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "kitchen-kept", "")
		return s.kitchenEntry(ctx)
	})
	huma.Register(api, op(http.MethodPost, "/put-away", "putAwayKitchen", "Put a kitchen away, out of the list", 404), func(ctx context.Context, _ *struct{}) (*body[store.KitchenEntry], error) {
		if err := s.Store.PutAwayKitchen(ctx, kitchenID(ctx), true); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return s.kitchenEntry(ctx)
	})
	huma.Register(api, op(http.MethodPut, "/giving", "giveTries", "Say whether the kitchen gives its tries to the common figures of foods", 404, 409), s.giveTries)
	huma.Register(api, op(http.MethodGet, "/common-figures", "getCommonFigures", "The common figures of foods that predictions here go by"), s.commonFigures)
	huma.Register(api, op(http.MethodPost, "/take", "takeFrom", "Take a build, a supper or a food of another kitchen into this one", 404, 422), s.takeFrom)
}

// kitchenName gives a name as it is kept.
func kitchenName(given string) (string, error) {
	name := strings.Join(strings.Fields(given), " ")
	hidden := strings.ContainsFunc(name, func(r rune) bool { return unicode.In(r, unicode.Cc, unicode.Cf, unicode.Co) })
	if name == "" || hidden || !keepable.Text(name, maxKitchenName) {
		return "", problem.At(http.StatusUnprocessableEntity, "kitchen-name", "/name", "A kitchen has a name of 1 to 60 letters.")
	}
	return name, nil
}

func (s *Server) kitchenEntry(ctx context.Context) (*body[store.KitchenEntry], error) {
	k, err := s.Store.FindKitchen(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &body[store.KitchenEntry]{*k}, nil
}

func (s *Server) makeKitchen(ctx context.Context, in *struct{ Body KitchenFirst }) (*body[store.KitchenEntry], error) {
	f := &in.Body
	name, err := kitchenName(f.Name)
	if err != nil {
		return nil, err
	}
	settings, err := f.settings()
	if err != nil {
		return nil, err
	}
	have := []kitchen.PantryItem{}
	for _, id := range f.Have {
		if s.Foods.Find(id) == nil {
			return nil, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, "/have", "There is no food "+id+".")
		}
		have = append(have, kitchen.PantryItem{Food: id, Have: true})
	}
	all, err := s.Store.ListKitchens(ctx)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if len(all) >= mostKitchens {
		return nil, problem.New(http.StatusConflict, "too-many-kitchens", "There are 50 kitchens already: erase one first.")
	}
	p, _ := principal.From(ctx)
	id, err := s.Store.MakeKitchen(ctx, store.NewKitchen{Name: name, Settings: settings, Have: have, Owner: p.Account})
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	p.Kitchen, p.Role = id, principal.Owner
	ctx = principal.With(ctx, p)
	s.journal(ctx, "kitchen-made", name)
	return s.kitchenEntry(ctx)
}

// settings are the usual ones, but for what was told.
func (f *KitchenFirst) settings() (*kitchen.Settings, error) {
	out := kitchen.UsualSettings()
	out.Oven, out.Cups, out.Probe, out.Eaters = f.Oven, f.Cups, f.Probe, f.Eaters
	if f.Oven == "none" {
		out.Ovens = 0
	}
	for _, each := range []struct {
		to   *int
		from *int
	}{{&out.Burners, f.Burners}, {&out.Pans, f.Pans}} {
		if each.from != nil {
			*each.to = *each.from
		}
	}
	if f.PanDiameterMM != nil {
		out.PanDiameterMM = *f.PanDiameterMM
	}
	if f.Guidance != "" {
		out.Guidance = safety.Guidance(f.Guidance)
	}
	if f.Currency != "" {
		out.Currency = f.Currency
	}
	if f.Units != nil {
		out.Units = *f.Units
	}
	if err := out.Check(); err != nil {
		return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, err.Error()+".")
	}
	return &out, nil
}

func (s *Server) eraseKitchen(ctx context.Context, in *eraseInput) (*body[store.KitchenEntry], error) {
	k, err := s.Store.FindKitchen(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if strings.Join(strings.Fields(in.Name), " ") != k.Name {
		return nil, problem.New(http.StatusUnprocessableEntity, "other-name", "Type the kitchen's name as it stands to erase it.")
	}
	if now := time.Now(); k.MadeUp {
		// It can be made anew as it was: there is nothing to take back. The database says whether they may.
		if err := s.Store.EraseKitchenAt(ctx, k.ID, &now); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		if err := s.Store.EraseKitchen(ctx, k.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		k.EraseAt = &now
		s.cache.forget(k.ID)
		return &body[store.KitchenEntry]{*k}, nil
	}
	at := time.Now().Add(erasedAfter)
	if err := s.Store.EraseKitchenAt(ctx, k.ID, &at); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.journal(ctx, "kitchen-erasing", k.Name)
	return s.kitchenEntry(ctx)
}

func (s *Server) makeDemonstration(ctx context.Context, _ *struct{}) (*body[store.KitchenEntry], error) {
	if s.Demo == nil {
		return nil, problem.New(http.StatusConflict, "no-demonstration", "This server has no demonstration.")
	}
	// What was made up before goes, and only what whoever asks may let go.
	all, err := s.Store.ListKitchens(ctx)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	p, _ := principal.From(ctx)
	id, err := s.Demo(principal.Server(ctx), p.Account)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	for _, k := range all {
		if k.MadeUp && k.Role == principal.Owner {
			if err := s.Store.EraseKitchen(ctx, k.ID); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			s.cache.forget(k.ID)
		}
	}
	p.Kitchen, p.Role = id, principal.Owner
	return s.kitchenEntry(principal.With(ctx, p))
}
