package api

import (
	"context"
	"fmt"
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// Build is a build at one of its versions, with what the model says of it.
type Build struct {
	ID         string            `json:"id" format:"uuid"`
	Version    int               `json:"version"`
	UpdatedAt  time.Time         `json:"updated_at"`
	Document   document.Document `json:"document"`
	Prediction Predicted         `json:"prediction"`
	From       *Origin           `json:"from,omitempty"`
}

// Entry is a build in the list.
type Entry struct {
	ID        string          `json:"id" format:"uuid"`
	Name      string          `json:"name"`
	Version   int             `json:"version"`
	UpdatedAt time.Time       `json:"updated_at"`
	Lines     int             `json:"lines"`
	Word      mix.Word        `json:"word"`
	Verdict   predict.Verdict `json:"verdict"`
	Says      predict.Saying  `json:"says"`
	Chance    float64         `json:"chance"`
	// Unreadable says that it is kept and cannot be read: it takes no other with it.
	Unreadable bool `json:"unreadable,omitempty"`
}

type buildOutput struct {
	ETag string `header:"ETag"`
	Body Build
}

// IDInput names a build in the path.
type IDInput struct {
	ID string `path:"id" format:"uuid" doc:"the build"`
}

// IfMatchInput says which version a change was made on.
type IfMatchInput struct {
	IfMatch string `header:"If-Match" doc:"the ETag of the version that the change was made on"`
}

// version reads an If-Match header, which a change cannot do without: nothing
// is overwritten unseen.
func (m IfMatchInput) version() (int, error) {
	if m.IfMatch == "" {
		return 0, problem.New(http.StatusPreconditionRequired, problem.NeedsIfMatch, "Say in If-Match which version you changed.")
	}
	v, err := strconv.Atoi(strings.Trim(strings.TrimPrefix(m.IfMatch, "W/"), `"`))
	if err != nil || v < 1 {
		return 0, problem.New(http.StatusBadRequest, problem.BadRequest, `If-Match should be an ETag of this build, such as "3".`)
	}
	return v, nil
}

// predicted is predict.Predict for a kept document.
func predicted(k *kitchen.Kitchen, d *document.Document) Predicted {
	return predictionOf(usable(k, d), k)
}

// Origin is the version of a build that another was branched from.
type Origin struct {
	ID      string `json:"id" format:"uuid"`
	Name    string `json:"name"`
	Version int    `json:"version"`
}

func (s *Server) reply(ctx context.Context, b *store.Build, err error) (*buildOutput, error) {
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	// Documents are given as they are kept, in whichever language a page speaks: it may keep them again.
	return &buildOutput{
		ETag: fmt.Sprintf(`"%d"`, b.Version),
		Body: Build{b.ID, b.Version, b.UpdatedAt, b.Document, predicted(k, &b.Document), (*Origin)(b.From)},
	}, nil
}

func (s *Server) registerBuilds(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/builds", "listBuilds", "Builds, the one changed last first"), s.listBuilds)
	create := takesDocument(api, op(http.MethodPost, "/builds", "createBuild", "Keep a new build"))
	create.DefaultStatus = http.StatusCreated
	huma.Register(api, create, func(ctx context.Context, in *DocumentInput) (*buildOutput, error) {
		d, err := s.read(ctx, in.RawBody)
		if err != nil {
			return nil, err
		}
		b, err := s.Store.Create(ctx, kitchenID(ctx), d)
		return s.reply(ctx, b, err)
	})
	huma.Register(api, op(http.MethodGet, "/builds/{id}", "getBuild", "A build at its newest version", 404, 410),
		func(ctx context.Context, in *IDInput) (*buildOutput, error) {
			b, err := s.Store.Find(ctx, kitchenID(ctx), in.ID)
			return s.reply(ctx, b, err)
		})
	huma.Register(api, takesDocument(api, op(http.MethodPut, "/builds/{id}", "saveBuild", "Keep a change as a new version", 404, 410, 412, 428)), s.saveBuild)
	remove := op(http.MethodDelete, "/builds/{id}", "deleteBuild", "Put a build away", 404)
	huma.Register(api, remove, func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.Delete(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return nil, nil
	})
	huma.Register(api, op(http.MethodPost, "/builds/{id}/restore", "restoreBuild", "Bring a deleted build back", 404),
		func(ctx context.Context, in *IDInput) (*buildOutput, error) {
			if err := s.Store.Restore(ctx, kitchenID(ctx), in.ID); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			b, err := s.Store.Find(ctx, kitchenID(ctx), in.ID)
			return s.reply(ctx, b, err)
		})
}

type listInput struct {
	Text  string `query:"q" maxLength:"200" doc:"part of the name, or of the name of a food in the mix"`
	Limit int    `query:"limit" minimum:"1" maximum:"300" default:"300"`
}

func (s *Server) listBuilds(ctx context.Context, in *listInput) (*body[[]Entry], error) {
	if strings.ContainsRune(in.Text, 0) {
		return &body[[]Entry]{[]Entry{}}, nil
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	builds, err := s.Store.List(ctx, kitchenID(ctx), in.Text, foodsNamed(k.Foods, in.Text), in.Limit)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := make([]Entry, len(builds))
	for i := range builds {
		b := &builds[i]
		p := predicted(k, &b.Document)
		out[i] = Entry{b.ID, phrases.Say(b.Document.Name, languageOf(ctx)), b.Version, b.UpdatedAt, len(b.Document.Lines), p.Word, p.Verdict, p.Says, p.Chance, b.Unreadable}
	}
	return &body[[]Entry]{out}, nil
}

// foodsNamed are the foods with a text in one of their names.
func foodsNamed(foods *food.Catalogue, text string) []string {
	text = strings.ToLower(strings.TrimSpace(text))
	if len([]rune(text)) < 3 {
		return nil
	}
	var out []string
	for i := range foods.Foods() {
		f := foods.Foods()[i]
		if strings.Contains(strings.ToLower(f.Name), text) || strings.Contains(strings.ToLower(f.NameES), text) {
			out = append(out, f.ID)
		}
	}
	return out
}

type saveInput struct {
	IDInput
	IfMatchInput
	DocumentInput
}

func (s *Server) saveBuild(ctx context.Context, in *saveInput) (*buildOutput, error) {
	on, err := in.version()
	if err != nil {
		return nil, err
	}
	d, err := s.read(ctx, in.RawBody)
	if err != nil {
		return nil, err
	}
	b, err := s.Store.Save(ctx, kitchenID(ctx), in.ID, on, d)
	return s.reply(ctx, b, err)
}
