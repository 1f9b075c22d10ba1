package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

type lineInput struct {
	Text string `query:"text" required:"true" maxLength:"400" doc:"one ingredient line, as a cook writes it"`
}

func (s *Server) registerReading(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/read-line", "readLine", "Read one ingredient line, in English or Spanish", 422),
		func(ctx context.Context, in *lineInput) (*body[wire.Reading], error) {
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			return &body[wire.Reading]{wire.Of[wire.Reading](s.reader(k).Read(in.Text))}, nil
		})
	huma.Register(api, op(http.MethodGet, "/grams", "weigh", "What an amount of a food weighs, as a cook writes it: 2 cups, a can, 1 lb", 404, 422),
		func(ctx context.Context, in *weighInput) (*body[Weighed], error) {
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			f := k.Foods.Find(in.Food)
			if f == nil {
				return nil, problem.New(http.StatusNotFound, problem.NotFound, "There is no such food.")
			}
			grams, ok := s.reader(k).Weigh(f, in.Amount)
			if !ok || grams > document.MaxGrams {
				return nil, problem.New(http.StatusUnprocessableEntity, "no-weight", "What that weighs is not known.")
			}
			return &body[Weighed]{Weighed{grams}}, nil
		})
}

type weighInput struct {
	Food   string `query:"food" required:"true" maxLength:"80"`
	Amount string `query:"amount" required:"true" maxLength:"80"`
}

// Weighed is what an amount weighs, g.
type Weighed struct {
	Grams float64 `json:"grams"`
}
