package api

import (
	"context"
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/bake"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

type bakeInput struct {
	DocumentInput
	Section bool    `query:"section" doc:"with the piece cut through over time"`
	Now     float64 `query:"now" default:"-1" minimum:"-1" maximum:"1439" doc:"the time of day, minutes after midnight; -1 if it does not matter"`
}

type fitInput struct {
	DocumentInput
	Pieces      int     `query:"pieces" minimum:"0" maximum:"2000"`
	Grams       float64 `query:"grams" minimum:"0" maximum:"100000"`
	Millilitres float64 `query:"ml" minimum:"0" maximum:"100000"`
	TinInput
}

type reshapeInput struct {
	DocumentInput
	Kind string `query:"kind" required:"true" enum:"patty,ball,loaf,cylinder,shell,stuffing,fritter,layered"`
}

// TinInput is a tin by its sizes, mm.
type TinInput struct {
	Length float64 `query:"tin_length_mm" minimum:"0" maximum:"600"`
	Width  float64 `query:"tin_width_mm" minimum:"0" maximum:"600"`
	Height float64 `query:"tin_height_mm" minimum:"0" maximum:"600"`
}

// tin is the tin that was asked for; nil for none.
func (in *TinInput) tin() *piece.Tin {
	if in.Length <= 0 && in.Width <= 0 && in.Height <= 0 {
		return nil
	}
	return &piece.Tin{LengthMM: in.Length, WidthMM: in.Width, HeightMM: in.Height}
}

// Fit is a piece in the size asked for, and what the mix comes to.
type Fit struct {
	Piece piece.Piece `json:"piece"`
	Yield wire.Yield  `json:"yield"`
}

// fitCodes are the codes of the ways a size cannot be had.
var fitCodes = map[error]string{
	piece.ErrNoAim: "no-aim", piece.ErrNoMix: "empty-mix", piece.ErrTooSmall: "piece-too-small",
	piece.ErrTooBig: "piece-too-big", piece.ErrNoLoaf: "no-loaf",
}

func (s *Server) registerBake(api huma.API) {
	huma.Register(api, takesDocument(api, costs(op(http.MethodPost, "/bake", "bake", "How long a build takes to cook, and what that does to it"))),
		func(ctx context.Context, in *bakeInput) (*body[wire.Baked], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[wire.Baked]{wire.Of[wire.Baked](bake.Bake(d, k, bake.Options{Section: in.Section, Now: in.Now, Done: ctx.Done()}))}, nil
		})
	huma.Register(api, takesDocument(api, costs(op(http.MethodPost, "/outlook", "lookOut", "What a change would do to the minutes, and the cold before and after"))),
		func(ctx context.Context, in *DocumentInput) (*body[wire.Outlook], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[wire.Outlook]{wire.Of[wire.Outlook](bake.Explore(d, k, ctx.Done()))}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/fit", "fit", "The size of a piece from a number, a mass, a scoop or a tin")),
		func(ctx context.Context, in *fitInput) (*body[Fit], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			aim := piece.Aim{Pieces: in.Pieces, Grams: in.Grams, Millilitres: in.Millilitres, Tin: in.tin()}
			parts := mix.Parts(d.MixLines(k.Foods))
			mass := mix.AssessParts(parts, d.RestIn(k)).Mass
			density := heat.CompositionOf(parts).Density()
			p := d.PieceIn(k, parts)
			fitted, err := k.Fit(&p, aim, mass, density)
			if err != nil {
				return nil, problem.New(http.StatusUnprocessableEntity, codeOf(err, fitCodes), "No such piece can be had: "+err.Error()+".")
			}
			fitted.Count = 0
			if in.Pieces > 0 && fitted.Kind != piece.Stuffing {
				fitted.Count = in.Pieces
			}
			y := k.Yield(&fitted, mass, density)
			return &body[Fit]{Fit{fitted, wire.Of[wire.Yield](y)}}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/reshape", "reshape", "The mix as pieces of another kind: their usual size, number and way of cooking")),
		func(ctx context.Context, in *reshapeInput) (*body[wire.Shaped], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[wire.Shaped]{wire.Of[wire.Shaped](document.Reshape(d, piece.Kind(in.Kind), k))}, nil
		})
	s.registerSettings(api)
}

// codeOf gives the code of the sentinel that an error is, of those listed.
func codeOf(err error, codes map[error]string) string {
	for sentinel, code := range codes {
		if errors.Is(err, sentinel) {
			return code
		}
	}
	return problem.BadRequest
}

type settingsInput struct{ Body kitchen.Settings }

func (s *Server) registerSettings(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/settings", "getSettings", "What is known of the kitchen itself"),
		func(ctx context.Context, _ *struct{}) (*body[kitchen.Settings], error) {
			out, err := s.Store.Settings(ctx, kitchenID(ctx))
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			return &body[kitchen.Settings]{out}, nil
		})
	huma.Register(api, costs(op(http.MethodPut, "/settings", "saveSettings", "Keep what is known of the kitchen itself", 422)),
		func(ctx context.Context, in *settingsInput) (*body[kitchen.Settings], error) {
			if err := in.Body.Check(); err != nil {
				return nil, settingProblem(err)
			}
			if err := s.Store.SaveSettings(ctx, kitchenID(ctx), in.Body); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			// What tries tell of an oven hangs on what was told of it.
			s.learnSoon(ctx, kitchenID(ctx))
			return &body[kitchen.Settings]{in.Body}, nil
		})
}

func settingProblem(err error) *problem.Problem {
	p := problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The settings cannot be kept: "+err.Error()+".")
	var out *kitchen.SettingError
	if errors.As(err, &out) {
		p.Errors = []problem.Item{{Fault: document.Fault{Code: document.CodeOutOfRange, Pointer: "/" + out.Field, Min: &out.Low, Max: &out.High}, Message: err.Error()}}
	}
	return p
}
