package api

import (
	"context"
	"net/http"
	"strings"
	"time"
	"unicode"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/predict/compare"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/version"
	"cuerda/internal/wire"
)

// Version is one entry of a build's history.
type Version struct {
	Number    int       `json:"number"`
	CreatedAt time.Time `json:"created_at"`
	Name      string    `json:"name"`
	Lines     int       `json:"lines"`
	// Label is what the cook calls it; "" for none.
	Label string `json:"label"`
}

// Sitting is a run of versions kept at one go, and what it changed.
type Sitting struct {
	// Number is its newest version, First its oldest and Count how many they are.
	Number    int       `json:"number"`
	First     int       `json:"first"`
	Count     int       `json:"count"`
	BeganAt   time.Time `json:"began_at"`
	CreatedAt time.Time `json:"created_at"`
	Name      string    `json:"name"`
	Lines     int       `json:"lines"`
	Label     string    `json:"label"`
	// By is who kept it: missing where nobody signs in, empty for somebody who left.
	By *string `json:"by,omitempty"`
	// Began says that the build began with it: what it changed is then empty.
	Began    bool           `json:"began"`
	Changes  []wire.Change  `json:"changes"`
	Settings []wire.Setting `json:"settings"`
}

type sittingsInput struct {
	IDInput
	Before int `query:"before" minimum:"0" maximum:"2147483647" doc:"only sittings that end below this version"`
	Limit  int `query:"limit" minimum:"1" maximum:"100" default:"30"`
}

type versionsInput struct {
	IDInput
	Before int  `query:"before" minimum:"0" maximum:"2147483647" doc:"only versions below this one"`
	Limit  int  `query:"limit" minimum:"1" maximum:"200" default:"50"`
	Named  bool `query:"named" doc:"only those with a label"`
}

type nameVersionInput struct {
	VersionInput
	Body struct {
		Label string `json:"label" maxLength:"200" doc:"what to call the version; empty takes the label away"`
	}
}

type branchInput struct {
	VersionInput
	Body struct {
		Name string `json:"name" maxLength:"200" doc:"the name of the new build"`
	}
}

type compareInput struct {
	IDInput
	From int    `query:"from" required:"true" minimum:"1" maximum:"2147483647"`
	To   int    `query:"to" required:"true" minimum:"1" maximum:"2147483647"`
	With string `query:"with" doc:"the build that to is a version of; by default the same"`
}

// VersionInput names a version in the path.
type VersionInput struct {
	IDInput
	Number int `path:"number" minimum:"1" maximum:"2147483647"`
}

type goBackInput struct {
	VersionInput
	IfMatchInput
}

func (s *Server) registerVersions(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/builds/{id}/versions", "listVersions", "The history of a build, newest first", 404, 410),
		func(ctx context.Context, in *versionsInput) (*body[[]Version], error) {
			list, err := s.Store.Versions(ctx, kitchenID(ctx), in.ID, in.Before, in.Limit, in.Named)
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			out := make([]Version, len(list))
			for i, v := range list {
				out[i] = Version(v)
				out[i].Name, out[i].Label = phrases.Say(v.Name, languageOf(ctx)), phrases.Say(v.Label, languageOf(ctx))
			}
			return &body[[]Version]{out}, nil
		})
	huma.Register(api, op(http.MethodGet, "/builds/{id}/sittings", "listSittings", "The history of a build by sittings, and what each changed, newest first", 404, 410),
		func(ctx context.Context, in *sittingsInput) (*body[[]Sitting], error) {
			list, err := s.Store.Sittings(ctx, kitchenID(ctx), in.ID, in.Before, in.Limit)
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			out := make([]Sitting, len(list))
			for i := range list {
				v := &list[i]
				now := phrases.In(languageOf(ctx), &v.Document)
				out[i] = Sitting{Number: v.Number, First: v.First, Count: v.Number - v.First + 1, BeganAt: v.BeganAt, CreatedAt: v.CreatedAt,
					Name: now.Name, Lines: len(now.Lines), Label: phrases.Say(v.Label, languageOf(ctx)), By: v.By, Began: v.Before == nil,
					Changes: []wire.Change{}, Settings: []wire.Setting{}}
				if v.Before != nil {
					was := phrases.In(languageOf(ctx), v.Before)
					changes, settings := document.Changes(&was, &now)
					out[i].Changes, out[i].Settings = wire.Of[[]wire.Change](changes), wire.Of[[]wire.Setting](settings)
				}
			}
			return &body[[]Sitting]{out}, nil
		})
	huma.Register(api, op(http.MethodGet, "/builds/{id}/versions/{number}", "getVersion", "A build as it was", 404, 410),
		func(ctx context.Context, in *VersionInput) (*buildOutput, error) {
			b, err := s.Store.FindVersion(ctx, kitchenID(ctx), in.ID, in.Number)
			return s.reply(ctx, b, err)
		})
	huma.Register(api, op(http.MethodPost, "/builds/{id}/versions/{number}/restore", "goBack", "Make an earlier version the newest again", 404, 410, 412, 428),
		func(ctx context.Context, in *goBackInput) (*buildOutput, error) {
			on, err := in.version()
			if err != nil {
				return nil, err
			}
			b, err := s.Store.GoBack(ctx, kitchenID(ctx), in.ID, on, in.Number)
			return s.reply(ctx, b, err)
		})
	named := op(http.MethodPut, "/builds/{id}/versions/{number}/label", "nameVersion", "Say what to call a version", 404, 410, 422)
	huma.Register(api, named, func(ctx context.Context, in *nameVersionInput) (*struct{}, error) {
		label := strings.TrimSpace(in.Body.Label)
		if strings.ContainsFunc(label, unicode.IsControl) {
			return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "A label is one line of text.")
		}
		if err := s.Store.NameVersion(ctx, kitchenID(ctx), in.ID, in.Number, label); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return nil, nil
	})
	branch := op(http.MethodPost, "/builds/{id}/versions/{number}/branch", "branch", "Begin a try of its own from a version", 404, 410, 422)
	branch.DefaultStatus = http.StatusCreated
	huma.Register(api, branch, func(ctx context.Context, in *branchInput) (*buildOutput, error) {
		if strings.ContainsFunc(in.Body.Name, unicode.IsControl) {
			return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "A name is one line of text.")
		}
		b, err := s.Store.Branch(ctx, kitchenID(ctx), in.ID, in.Number, in.Body.Name)
		return s.reply(ctx, b, err)
	})
	huma.Register(api, costs(op(http.MethodGet, "/builds/{id}/compare", "compare", "Two versions side by side: what changed and what it does", 404, 410)), s.compare)
}

func (s *Server) compare(ctx context.Context, in *compareInput) (*body[wire.Comparison], error) {
	from, err := s.Store.FindVersion(ctx, kitchenID(ctx), in.ID, in.From)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	with := in.With
	if with == "" {
		with = in.ID
	}
	to, err := s.Store.FindVersion(ctx, kitchenID(ctx), with, in.To)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	was, now := phrases.In(languageOf(ctx), &from.Document), phrases.In(languageOf(ctx), &to.Document)
	return &body[wire.Comparison]{wire.Of[wire.Comparison](compare.Documents(usable(k, &was), usable(k, &now), k))}, nil
}

// Health says that the server answers, or that the kitchen's records do too.
type Health struct {
	Status string `json:"status" enum:"ok"`
	// Version is that of the program.
	Version string `json:"version"`
}

func (s *Server) registerHealth(api huma.API) {
	huma.Register(api, beside(http.MethodGet, "/health", "getHealth", "Whether the server answers"),
		func(context.Context, *struct{}) (*body[Health], error) {
			return &body[Health]{Health{"ok", version.Number}}, nil
		})
	huma.Register(api, beside(http.MethodGet, "/ready", "getReady", "Whether the database answers, with its tables as this program knows them", 503),
		func(ctx context.Context, _ *struct{}) (*body[Health], error) {
			if err := s.Store.Ping(ctx); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			if at := s.full.Load(); at != 0 && time.Since(time.Unix(0, at)) < fullFor {
				return nil, problem.New(http.StatusServiceUnavailable, problem.Unavailable, "The database had no room a moment ago, on its disk or for another connection: make room, and it goes on by itself.")
			}
			return &body[Health]{Health{"ok", version.Number}}, nil
		})
}
