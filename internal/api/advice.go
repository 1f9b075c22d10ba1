package api

import (
	"context"
	"errors"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/advise"
	"cuerda/core/compose"
	"cuerda/core/physics/mix"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

type bindInput struct {
	DocumentInput
	Replace string   `query:"replace" enum:"none,binders,classic" default:"none" doc:"which lines give way"`
	Foods   []string `query:"foods" maxItems:"300" doc:"only these as binders"`
	Aim     string   `query:"aim" enum:"least-binder,most-tender,no-waiting,from-pantry,no-legume-taste,lowest-cost,fewest-allergens,dry-first" doc:"only this aim"`
}

type composeInput struct {
	Body compose.Ask
}

type mendInput struct {
	DocumentInput
	Felt string `query:"felt" required:"true" enum:"crumbles,short,firm,tacky,slack,slumps" doc:"how a squeezed handful feels"`
}

func (s *Server) registerAdvice(api huma.API) {
	huma.Register(api, takesDocument(api, costs(op(http.MethodPost, "/bind", "bind", "Choose binders, or what stands in for egg and crumbs"))),
		func(ctx context.Context, in *bindInput) (*body[wire.Answer], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			ours := *k
			if ours.Used, err = s.Store.FoodsUsed(ctx, kitchenID(ctx)); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			answer := advise.Bind(&ours, d, advise.Options{Replace: advise.Replace(in.Replace), Foods: in.Foods, Aim: advise.Aim(in.Aim), Done: ctx.Done()})
			if ctx.Err() != nil {
				return nil, s.problemOf(ctx, ctx.Err())
			}
			return &body[wire.Answer]{wire.Of[wire.Answer](answer)}, nil
		})
	huma.Register(api, costs(op(http.MethodPost, "/compose", "compose", "Propose whole mixes that hold from what is at hand", 422)),
		func(ctx context.Context, in *composeInput) (*body[wire.Composed], error) {
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			answer, err := compose.Compose(k, &in.Body, ctx.Done())
			if fault := (*compose.Fault)(nil); errors.As(err, &fault) {
				return nil, problem.New(http.StatusUnprocessableEntity, fault.Code, "Nothing can be composed of this: "+fault.Code+" "+fault.What+".")
			}
			if ctx.Err() != nil {
				return nil, s.problemOf(ctx, ctx.Err())
			}
			return &body[wire.Composed]{wire.Of[wire.Composed](answer)}, err
		})
	huma.Register(api, takesDocument(api, costs(op(http.MethodPost, "/schools", "schools", "Where good cooks disagree, in numbers"))),
		func(ctx context.Context, in *DocumentInput) (*body[[]wire.School], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			schools := append([]advise.School{}, advise.Schools(k, d, ctx.Done())...)
			if ctx.Err() != nil {
				return nil, s.problemOf(ctx, ctx.Err())
			}
			return &body[[]wire.School]{wire.Of[[]wire.School](schools)}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/mend", "mend", "Mend a mix by the feel of the hand")),
		func(ctx context.Context, in *mendInput) (*body[wire.Mend], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			felt := mix.Word(in.Felt)
			if !slices.Contains(mix.SqueezeWords, felt) {
				return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "That is no word of the squeeze.")
			}
			m, ok := advise.MendBy(k, d, felt)
			if !ok {
				return nil, problem.New(http.StatusUnprocessableEntity, "no-paste", "There is nothing in the mix that could hold.")
			}
			return &body[wire.Mend]{wire.Of[wire.Mend](m)}, nil
		})
}
