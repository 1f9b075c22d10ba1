package api

import (
	"context"
	"net/http"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/plan/supper"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// SupperSchema is the JSON Schema of the supper document.
func SupperSchema() map[string]any {
	once()
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	whole := registry.Schema(reflect.TypeFor[supper.Supper](), true, "Supper")
	return map[string]any{"$schema": "https://json-schema.org/draft/2020-12/schema", "title": "A supper", "$ref": whole.Ref, "$defs": registry.Map()}
}

type planInput struct {
	DocumentInput
	Loose bool `query:"loose" doc:"where pins cannot be held, plans without them and says which"`
	Quick bool `query:"quick" doc:"with little work, while somebody moves a step: at the heats that the document says"`
}

func (s *Server) registerPlan(api huma.API) {
	plan := takesSupper(api, costs(op(http.MethodPost, "/plan", "plan", "When each step of a supper of several dishes begins")))
	plan.MaxBodyBytes = supper.MaxBytes + 1
	huma.Register(api, plan, func(ctx context.Context, in *planInput) (*body[wire.Plan], error) {
		d, err := supper.Read(in.RawBody)
		if err != nil {
			return nil, problem.OfSupper(err, nil)
		}
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		planned, unheld, contacts, err := s.plan(k, d, supper.Options{Done: ctx.Done(), Quick: in.Quick}, in.Loose)
		if err != nil {
			return nil, err
		}
		out := wire.PlanOf(planned, k, contacts)
		out.Unheld = wire.UnheldOf(d, unheld)
		return &body[wire.Plan]{out}, nil
	})
}
