package api

import (
	"context"
	"net/http"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
	"cuerda/core/predict/squeeze"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// DocumentInput takes a build document raw: document.Read checks it more closely
// than its schema can, and names the nearest right word.
type DocumentInput struct {
	RawBody []byte `contentType:"application/octet-stream"`
}

// takesDocument describes an operation whose body is a build document.
func takesDocument(api huma.API, o huma.Operation) huma.Operation {
	o.SkipValidateBody = true
	o.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"application/json": {Schema: api.OpenAPI().Components.Schemas.Schema(reflect.TypeFor[document.Document](), true, "")},
	}}
	o.Errors = append(o.Errors, http.StatusUnprocessableEntity, http.StatusRequestEntityTooLarge)
	return o
}

func (s *Server) read(ctx context.Context, raw []byte) (*document.Document, error) {
	_, d, err := s.kitchenAndDocument(ctx, raw)
	return d, err
}

// kitchenAndDocument gives what every question about a document needs.
func (s *Server) kitchenAndDocument(ctx context.Context, raw []byte) (*kitchen.Kitchen, *document.Document, error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, nil, err
	}
	d, err := document.Read(raw, k.Foods)
	if err != nil {
		return nil, nil, problem.OfDocument(err)
	}
	return k, d, nil
}

func (s *Server) registerPredict(api huma.API) {
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/predict", "predict", "How a build feels and holds")),
		func(ctx context.Context, in *DocumentInput) (*body[Predicted], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[Predicted]{predictionOf(d, k)}, nil
		})
}

// Predicted is a prediction, and what a squeezed handful looks like; missing where nothing drinks.
type Predicted struct {
	wire.Prediction
	Handful *wire.Handful `json:"handful,omitempty"`
}

func predictionOf(d *document.Document, k *kitchen.Kitchen) Predicted {
	p := predict.Predict(d, k)
	out := Predicted{Prediction: wire.PredictionOf(&p)}
	if h, ok := squeeze.OfBuild(d, k); ok {
		out.Handful = wire.HandfulOf(&h)
	}
	return out
}
