package api

import (
	"context"
	"errors"
	"io"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/internal/photos"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// maxPhoto is the longest picture that is read, bytes.
const maxPhoto = 16 << 20

// KeptPhoto is a picture that was kept.
type KeptPhoto struct {
	ID     string `json:"id" format:"uuid"`
	Width  int    `json:"width"`
	Height int    `json:"height"`
}

type photoOutput struct {
	ContentType  string `header:"Content-Type"`
	CacheControl string `header:"Cache-Control"`
	Body         []byte
}

func (s *Server) registerPhotos(api huma.API) {
	keep := op(http.MethodPost, "/photos", "keepPhoto", "Keep a picture, turned upright, without where and when it was taken", 413, 422)
	keep.SkipValidateBody = true
	keep.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"image/jpeg": {Schema: &huma.Schema{Type: huma.TypeString, Format: "binary"}}, "image/png": {Schema: &huma.Schema{Type: huma.TypeString, Format: "binary"}},
	}}
	huma.Register(api, keep, func(ctx context.Context, _ *struct{}) (*body[KeptPhoto], error) {
		sent, ok := ctx.Value(spooledKey{}).(*io.SectionReader)
		if !ok {
			return nil, problem.New(http.StatusBadRequest, problem.BadRequest, "There is no picture.")
		}
		data, err := io.ReadAll(sent)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		made, err := photos.Read(ctx, data)
		switch {
		case ctx.Err() != nil:
			return nil, s.problemOf(ctx, ctx.Err())
		case errors.Is(err, photos.ErrTooLarge):
			return nil, problem.New(http.StatusRequestEntityTooLarge, problem.TooLarge, "The picture has more points than can be read here: some 30 million, or 6 million where it is progressive.")
		case err != nil:
			return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The picture cannot be read: JPEG and PNG can.")
		}
		p := &store.Photo{MediaType: made.MediaType, Width: made.Width, Height: made.Height, Data: made.Data}
		if err := s.Store.KeepPhoto(ctx, kitchenID(ctx), p); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[KeptPhoto]{KeptPhoto{p.ID, p.Width, p.Height}}, nil
	})
	huma.Register(api, asFile(op(http.MethodGet, "/photos/{id}", "getPhoto", "A picture", 404), "image/jpeg", "image/png"), func(ctx context.Context, in *IDInput) (*photoOutput, error) {
		p, err := s.Store.FindPhoto(ctx, kitchenID(ctx), in.ID)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &photoOutput{p.MediaType, "private, max-age=31536000, immutable", p.Data}, nil
	})
}
