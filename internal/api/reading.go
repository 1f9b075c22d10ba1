package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/food"
	"cuerda/core/food/ingredient"
	"cuerda/core/formula"
	"cuerda/internal/problem"
)

type readListInput struct {
	Body struct {
		Text string `json:"text" maxLength:"60000" doc:"a recipe's ingredients, one a line"`
	}
}

// ReadList is a pasted list as it was understood.
type ReadList struct {
	Lines []Reading `json:"lines"`
	// Cut is how many lines past the limit were left out.
	Cut int `json:"cut"`
}

// Reading is one line with the kitchen measure of its grams.
type Reading struct {
	ingredient.Reading
	Full    bool          `json:"full"`
	Measure *food.Measure `json:"measure,omitempty"`
	// Section is the heading it stands under, and Part the kind of part that names; ""
	// for the mix.
	Section string           `json:"section,omitempty"`
	Part    formula.PartKind `json:"part,omitempty" enum:"filling,middle,shell,wrap,vessel,coating,wash,glaze,sauce,broth"`
}

func (s *Server) registerReading(api huma.API) {
	huma.Register(api, op(http.MethodPost, "/read-list", "readList", "Read a recipe's ingredient lines, in English or Spanish", 422),
		func(ctx context.Context, in *readListInput) (*body[ReadList], error) {
			k, err := s.madeKitchen(ctx)
			if err != nil {
				return nil, err
			}
			list, cut := k.reader().ReadList(in.Body.Text)
			out := ReadList{Lines: make([]Reading, len(list)), Cut: cut}
			for i := range list {
				out.Lines[i] = measured(k.kitchen.Foods, list[i])
			}
			return &body[ReadList]{out}, nil
		})
	huma.Register(api, op(http.MethodGet, "/grams", "weigh", "What an amount of a food weighs, as a cook writes it: 2 cups, a can, 1 lb", 404, 422),
		func(ctx context.Context, in *weighInput) (*body[Weighed], error) {
			k, err := s.madeKitchen(ctx)
			if err != nil {
				return nil, err
			}
			f := k.kitchen.Foods.Find(in.Food)
			if f == nil {
				return nil, problem.New(http.StatusNotFound, problem.NotFound, "There is no such food.")
			}
			grams, ok := k.reader().Weigh(f, in.Amount)
			if !ok || grams > formula.MaxGrams {
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
