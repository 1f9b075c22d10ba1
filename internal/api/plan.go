package api

import (
	"context"
	"net/http"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/supper/menu"
	"cuerda/internal/answer"
	"cuerda/internal/problem"
)

// SupperSchema is the JSON Schema of the supper document.
func SupperSchema() map[string]any {
	once()
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	whole := registry.Schema(reflect.TypeFor[menu.Supper](), true, "Supper")
	return map[string]any{"$schema": "https://json-schema.org/draft/2020-12/schema", "title": "A supper", "$ref": whole.Ref, "$defs": registry.Map()}
}

type planInput struct {
	DocumentInput
	Loose bool `query:"loose" doc:"where pins cannot be held, plans without them and says which"`
	Quick bool `query:"quick" doc:"with little work, while somebody moves a step: at the heats that the document says"`
}

func (s *Server) registerPlan(api huma.API) {
	plan := takesSupper(api, op(http.MethodPost, "/plan", "plan", "When each step of a supper of several dishes begins"))
	plan.MaxBodyBytes = menu.MaxBytes + 1
	huma.Register(api, plan, func(ctx context.Context, in *planInput) (*body[answer.Plan], error) {
		d, err := menu.Read(in.RawBody)
		if err != nil {
			return nil, problem.OfSupper(err, nil)
		}
		planned, unheld, contacts, err := s.plan(ctx, d, menu.Options{Done: ctx.Done(), Quick: in.Quick}, in.Loose)
		if err != nil {
			return nil, err
		}
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		out := answer.PlanOf(planned, k, contacts)
		out.Unheld = answer.UnheldOf(d, unheld)
		return &body[answer.Plan]{out}, nil
	})
}
