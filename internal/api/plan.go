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

func (s *Server) registerPlan(api huma.API) {
	plan := op(http.MethodPost, "/plan", "plan", "When each step of a supper of several dishes begins", 413, 422)
	plan.MaxBodyBytes = menu.MaxBytes + 1
	plan.SkipValidateBody = true
	plan.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"application/json": {Schema: api.OpenAPI().Components.Schemas.Schema(reflect.TypeFor[menu.Supper](), true, "Supper")},
	}}
	huma.Register(api, plan, func(ctx context.Context, in *DocumentInput) (*body[answer.Plan], error) {
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		d, err := menu.Read(in.RawBody)
		if err != nil {
			return nil, problem.OfSupper(err, nil)
		}
		planned, err := menu.Make(d, k, ctx.Done())
		if err != nil {
			return nil, problem.OfSupper(err, d.Dishes)
		}
		return &body[answer.Plan]{answer.PlanOf(planned)}, nil
	})
}
