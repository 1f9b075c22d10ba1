package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/physics/parameter"
)

// Figure is one figure of a kitchen's work: what is usual, and what this kitchen uses.
type Figure struct {
	ID     string  `json:"id"`
	Value  float64 `json:"value" doc:"what this kitchen uses"`
	Usual  float64 `json:"usual"`
	Unit   string  `json:"unit"`
	Grade  string  `json:"grade" enum:"A,B,C"`
	Low    float64 `json:"low" doc:"the least that may be believed"`
	High   float64 `json:"high" doc:"the most that may be believed"`
	Source string  `json:"source"`
}

func (s *Server) registerFigures(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/figures", "listFigures", "The figures of this kitchen's work, its own over the usual ones"),
		func(ctx context.Context, _ *struct{}) (*body[[]Figure], error) {
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			out := []Figure{}
			for _, e := range parameter.Entries() {
				value, _ := k.Plain().Parameters.Get(e.ID)
				out = append(out, Figure{ID: e.ID, Value: value, Usual: e.Value, Unit: e.Unit, Grade: string(e.Grade), Low: e.Low, High: e.High, Source: e.Source})
			}
			return &body[[]Figure]{out}, nil
		})
}
