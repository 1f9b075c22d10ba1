package api

import (
	"context"
	"errors"
	"net/http"

	"cuerda/core/learn/pool"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

type givingInput struct {
	Body struct {
		Gives bool `json:"gives" doc:"whether this kitchen's tries go into the next table of common figures"`
	}
}

// giveTries keeps whether a kitchen gives. What was made of its tries before stays in the tables that were made.
func (s *Server) giveTries(ctx context.Context, in *givingInput) (*body[store.KitchenEntry], error) {
	err := s.Store.Give(ctx, kitchenID(ctx), in.Body.Gives)
	if errors.Is(err, store.ErrMadeUp) {
		return nil, problem.New(http.StatusConflict, "made-up", "This kitchen is made up: its tries teach nothing of real foods.")
	}
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	what := "giving"
	if !in.Body.Gives {
		what = "giving-ended"
	}
	s.journal(ctx, what, "")
	return s.kitchenEntry(ctx)
}

// CommonFigures say by what many kitchens know predictions go here.
type CommonFigures struct {
	// Made is what they were made of; missing where predictions go by the catalogue alone.
	Made *pool.Provenance `json:"made,omitempty"`
	// Foods is how many foods are off the catalogue's.
	Foods int `json:"foods"`
}

func (s *Server) commonFigures(context.Context, *struct{}) (*body[CommonFigures], error) {
	out := CommonFigures{}
	if s.Common != nil {
		out.Made, out.Foods = &s.Common.Made, len(s.Common.Deviations(s.Foods))
	}
	return &body[CommonFigures]{out}, nil
}
