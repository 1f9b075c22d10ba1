package api

import (
	"context"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/advice"
	"cuerda/core/binder"
	"cuerda/core/mix"
	"cuerda/internal/answer"
	"cuerda/internal/problem"
)

type bindInput struct {
	DocumentInput
	Replace string   `query:"replace" enum:"none,binders,classic" default:"none" doc:"which lines give way"`
	Foods   []string `query:"foods" maxItems:"300" doc:"only these as binders"`
	Aim     string   `query:"aim" enum:"least-binder,most-tender,no-waiting,from-pantry,no-legume-taste,lowest-cost,fewest-allergens,dry-first" doc:"only this aim"`
}

type mendInput struct {
	DocumentInput
	Felt string `query:"felt" required:"true" enum:"crumbles,short,firm,tacky,slack,slumps" doc:"how a squeezed handful feels"`
}

func (s *Server) registerAdvice(api huma.API) {
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/bind", "bind", "Choose binders, or what stands in for egg and crumbs")),
		func(ctx context.Context, in *bindInput) (*body[answer.Answer], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			ours := *k
			if ours.Used, err = s.Store.FoodsUsed(ctx, kitchenID(ctx)); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			return &body[answer.Answer]{answer.Of[answer.Answer](advice.Bind(&ours, d, advice.Options{Replace: advice.Replace(in.Replace), Foods: in.Foods, Aim: binder.Aim(in.Aim)}))}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/schools", "schools", "Where good cooks disagree, in numbers")),
		func(ctx context.Context, in *DocumentInput) (*body[[]answer.School], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[[]answer.School]{answer.Of[[]answer.School](append([]advice.School{}, advice.Schools(k, d)...))}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/mend", "mend", "Mend a mix by the feel of the hand")),
		func(ctx context.Context, in *mendInput) (*body[answer.Mend], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			felt := mix.Word(in.Felt)
			if !slices.Contains(mix.SqueezeWords, felt) {
				return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "That is no word of the squeeze.")
			}
			m, ok := advice.MendBy(k, d, felt)
			if !ok {
				return nil, problem.New(http.StatusUnprocessableEntity, "no-paste", "There is nothing in the mix that could hold.")
			}
			return &body[answer.Mend]{answer.Of[answer.Mend](m)}, nil
		})
}
