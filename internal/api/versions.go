package api

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"
)

// Version is one entry of a build's history.
type Version struct {
	Number    int       `json:"number"`
	CreatedAt time.Time `json:"created_at"`
	Name      string    `json:"name"`
	Lines     int       `json:"lines"`
}

type versionsInput struct {
	IDInput
	Before int `query:"before" minimum:"0" doc:"only versions below this one"`
	Limit  int `query:"limit" minimum:"1" maximum:"200" default:"50"`
}

// VersionInput names a version in the path.
type VersionInput struct {
	IDInput
	Number int `path:"number" minimum:"1"`
}

type goBackInput struct {
	VersionInput
	IfMatchInput
}

func (s *Server) registerVersions(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/builds/{id}/versions", "listVersions", "The history of a build, newest first", 404, 410),
		func(ctx context.Context, in *versionsInput) (*body[[]Version], error) {
			list, err := s.Store.Versions(ctx, s.Kitchen, in.ID, in.Before, in.Limit)
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			out := make([]Version, len(list))
			for i, v := range list {
				out[i] = Version(v)
			}
			return &body[[]Version]{out}, nil
		})
	huma.Register(api, op(http.MethodGet, "/builds/{id}/versions/{number}", "getVersion", "A build as it was", 404, 410),
		func(ctx context.Context, in *VersionInput) (*buildOutput, error) {
			b, err := s.Store.FindVersion(ctx, s.Kitchen, in.ID, in.Number)
			return s.reply(ctx, b, err)
		})
	huma.Register(api, op(http.MethodPost, "/builds/{id}/versions/{number}/restore", "goBack", "Make an earlier version the newest again", 404, 410, 412, 428),
		func(ctx context.Context, in *goBackInput) (*buildOutput, error) {
			on, err := in.version()
			if err != nil {
				return nil, err
			}
			b, err := s.Store.GoBack(ctx, s.Kitchen, in.ID, on, in.Number)
			return s.reply(ctx, b, err)
		})
}

// Health says whether the kitchen's records can be reached.
type Health struct {
	Status string `json:"status" enum:"ok"`
}

func (s *Server) registerHealth(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/health", "getHealth", "Whether the server and its database answer", 503),
		func(ctx context.Context, _ *struct{}) (*body[Health], error) {
			if err := s.Store.Ping(ctx); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			return &body[Health]{Health{"ok"}}, nil
		})
}
