package api

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"strconv"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/recipe"
	"cuerda/core/recipe/layout"
	"cuerda/core/recipe/proposal"
	"cuerda/internal/archive"
	"cuerda/internal/export"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// Recipe is a recipe as it was found and understood. Where a build document
// lay within, Document is that, and nothing is left to read.
type Recipe struct {
	wire.Found
	wire.Understood
	// Draft is the build that it becomes, with what to ask.
	Draft    *wire.Draft        `json:"draft,omitempty"`
	Document *document.Document `json:"document,omitempty"`
}

var recipeCodes = map[error]string{
	recipe.ErrTooLarge: problem.TooLarge, recipe.ErrNotText: "not-text", recipe.ErrPDF: "pdf", recipe.ErrNoRecipe: "no-recipe",
	recipe.ErrBadJSON: document.CodeBadJSON, recipe.ErrNoAmounts: "no-amounts", recipe.ErrTooMany: "too-many-lines",
}

type recipeInput struct {
	Labels  string `query:"labels" maxLength:"9000" pattern:"^([0-9]{1,3}=(title|section|ingredient|step|none)(,|$))*$" doc:"what the cook says that lines of the text are, by their number in rows: 3=ingredient,7=none"`
	RawBody []byte `contentType:"application/octet-stream"`
}

type exportInput struct {
	IDInput
	Format   string `query:"format" default:"json-ld" enum:"json-ld,markdown,text,csv,document"`
	Language string `query:"language" default:"en" enum:"en,es"`
	Guests   bool   `query:"guests" doc:"with the names of those at the table and what each leaves out"`
	Version  int    `query:"version" minimum:"0" maximum:"2147483647" doc:"0 for the newest"`
}

type pageInput struct {
	IDInput
	Language string `query:"language" default:"en" enum:"en,es"`
}

type fileOutput struct {
	ContentType string `header:"Content-Type"`
	Disposition string `header:"Content-Disposition"`
	Body        []byte
}

func (s *Server) registerExchange(api huma.API) {
	read := costs(op(http.MethodPost, "/read-recipe", "readRecipe", "Find and read a recipe: JSON-LD, the source of a page, Markdown, values, text or a build document", 413, 422))
	read.MaxBodyBytes = recipe.MaxBytes + 1
	read.SkipValidateBody = true
	huma.Register(api, read, func(ctx context.Context, in *recipeInput) (*body[Recipe], error) {
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		out, err := s.readRecipe(k, in.RawBody, labelsOf(in.Labels))
		return &body[Recipe]{out}, err
	})
	huma.Register(api, asFile(costs(op(http.MethodGet, "/builds/{id}/export", "exportBuild", "A build as a file for others to read", 404, 410)), "application/ld+json", "text/markdown", "text/csv", "application/json", "text/plain"),
		func(ctx context.Context, in *exportInput) (*fileOutput, error) {
			b, err := s.Store.FindVersion(ctx, kitchenID(ctx), in.ID, in.Version)
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			format := export.Format(in.Format)
			said := phrases.In(in.Language, &b.Document)
			text, err := export.Write(usable(k, &said), k, format, export.Options{Language: in.Language, Guests: in.Guests})
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			media, extension := format.Type()
			return &fileOutput{media, fmt.Sprintf("attachment; filename=%q", archive.Slug(b.Document.Name)+extension), text}, nil
		})
	huma.Register(api, costs(op(http.MethodGet, "/builds/{id}/page", "pageOfBuild", "A build's kitchen page in words: one can cook from it alone", 404, 410)),
		func(ctx context.Context, in *pageInput) (*body[export.Page], error) {
			b, err := s.Store.Find(ctx, kitchenID(ctx), in.ID)
			if err != nil {
				return nil, s.problemOf(ctx, err)
			}
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			said := phrases.In(in.Language, &b.Document)
			return &body[export.Page]{export.PageOf(usable(k, &said), k, in.Language)}, nil
		})
	pack := op(http.MethodGet, "/archive", "packKitchen", "Everything of the kitchen as a zip")
	pack.Responses = map[string]*huma.Response{"200": {Description: "The zip", Content: map[string]*huma.MediaType{"application/zip": {Schema: &huma.Schema{Type: "string", Format: "binary"}}}}}
	huma.Register(api, pack, s.pack)
	take := op(http.MethodPost, "/archive", "unpackKitchen", "Bring in everything of a kitchen's zip, or nothing", 413, 422)
	take.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{"application/zip": {Schema: &huma.Schema{Type: "string", Format: "binary"}}}}
	huma.Register(api, take, s.unpack)
}

// labelsOf reads "3=ingredient,7=none"; nil for none.
func labelsOf(text string) map[int]layout.Label {
	if text == "" {
		return nil
	}
	out := map[int]layout.Label{}
	for pair := range strings.SplitSeq(text, ",") {
		number, label, _ := strings.Cut(pair, "=")
		if n, err := strconv.Atoi(number); err == nil {
			out[n] = layout.Label(label)
		}
	}
	return out
}

func (s *Server) readRecipe(k *kitchen.Kitchen, data []byte, told map[int]layout.Label) (Recipe, error) {
	found, err := recipe.Read(data, s.reader(k), told)
	if err != nil {
		status := http.StatusUnprocessableEntity
		if errors.Is(err, recipe.ErrTooLarge) {
			status = http.StatusRequestEntityTooLarge
		}
		return Recipe{}, problem.New(status, codeOf(err, recipeCodes), "There is no recipe to be read: "+err.Error()+".")
	}
	out := Recipe{Found: wire.Of[wire.Found](found)}
	if found.Ingredients == nil {
		out.Ingredients, out.Sections, out.Steps = []string{}, []string{}, []string{}
	}
	if found.Whole != nil {
		d, err := document.Read(found.Whole, k.Foods)
		if err == nil {
			out.Document, out.Understood = d, wire.Of[wire.Understood](recipe.Understood{})
			return out, nil
		}
		if found.Kind == recipe.Document {
			return Recipe{}, problem.OfDocument(err)
		}
		// The document within is not of this catalogue: its words may still be read.
	}
	understood := recipe.Understand(&found, s.reader(k), k.Foods)
	made := wire.Of[wire.Draft](proposal.Of(&found, &understood, k))
	out.Understood, out.Draft = wire.Of[wire.Understood](understood), &made
	return out, nil
}

// pack sends an archive as it is read: whoever takes it slowly holds one of a few places
// for exports, and no more of the memory than a build.
func (s *Server) pack(ctx context.Context, _ *struct{}) (*huma.StreamResponse, error) {
	name, err := s.Store.KitchenName(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &huma.StreamResponse{Body: func(out huma.Context) {
		out.SetHeader("Content-Type", "application/zip")
		out.SetHeader("Content-Disposition", fmt.Sprintf("attachment; filename=%q", archive.Slug(name)+".zip"))
		err := s.Store.OneKitchen(ctx, kitchenID(ctx), func(k *store.Whole, rows store.Rows) error {
			_, err := archive.Write(patient{out.BodyWriter()}, k, rows)
			return err
		})
		if err != nil {
			s.Log.Warn("an export ended early", "error", err)
			panic(http.ErrAbortHandler) // half a zip must not pass for a whole one
		}
	}}, nil
}

// patient gives a client so long to take each part, not the whole.
type patient struct{ to io.Writer }

func (p patient) Write(b []byte) (int, error) {
	if w, ok := p.to.(http.ResponseWriter); ok {
		_ = http.NewResponseController(w).SetWriteDeadline(time.Now().Add(stallWithin))
	}
	return p.to.Write(b)
}

type unpackInput struct {
	Settings bool `query:"settings" doc:"take the settings and the pantry too, in place of those here"`
}

// spooledKey is the key of a file that came with a request.
type spooledKey struct{}

// spool puts what is sent, of at most so many bytes, into a file beside memory; it has no name and is gone with the request.
// Whoever sends slowly takes nobody's place.
func spool(c *gin.Context, most int64) {
	sent, done, ok := spooled(c, most+1)
	if !ok {
		return
	}
	defer done()
	if sent.Size() > most {
		refuse(c, problem.New(http.StatusRequestEntityTooLarge, problem.TooLarge, fmt.Sprintf("The file is longer than %d MB.", most>>20)))
		return
	}
	c.Request.Body, c.Request.ContentLength = http.NoBody, 0
	c.Request = c.Request.WithContext(context.WithValue(c.Request.Context(), spooledKey{}, sent))
	c.Next()
}

// spooled is what comes of a body, at most so many bytes of it, in a file without a name, which is gone with done. Where it
// is not ok the request has been answered.
func spooled(c *gin.Context, most int64) (sent *io.SectionReader, done func(), ok bool) {
	f, err := os.CreateTemp("", "cuerda-body-*")
	if err != nil {
		refuse(c, problem.New(http.StatusServiceUnavailable, problem.Unavailable, "There is no room to take a file in just now."))
		return nil, nil, false
	}
	_ = os.Remove(f.Name())
	done = func() { _ = f.Close() }
	size, err := io.Copy(f, io.LimitReader(c.Request.Body, most))
	if err != nil {
		done()
		refuse(c, problem.New(http.StatusBadRequest, problem.BadRequest, "The body ended before its end."))
		return nil, nil, false
	}
	return io.NewSectionReader(f, 0, size), done, true
}

func (s *Server) unpack(ctx context.Context, in *unpackInput) (*body[store.TakenIn], error) {
	sent, ok := ctx.Value(spooledKey{}).(*io.SectionReader)
	if !ok {
		return nil, problem.New(http.StatusBadRequest, problem.BadRequest, "There is no archive.")
	}
	// All of it is read before anything is taken in.
	k, err := archive.Open(sent, sent.Size(), s.Foods)
	if err == nil {
		err = k.Each(func(any) error { return ctx.Err() }, nil)
	}
	if err != nil {
		return nil, s.problemOfArchive(ctx, err)
	}
	take := store.Taken{OwnFoods: k.OwnFoods, Each: func(take func(any) error) error { return k.Each(take, nil) }}
	if in.Settings {
		take.Replaces, take.Pantry, take.Settings, take.Choices = true, k.Pantry, k.Settings, &k.Choices
	}
	count, err := s.Store.TakeIn(ctx, kitchenID(ctx), take)
	if err != nil {
		return nil, s.problemOfArchive(ctx, err)
	}
	if count.Tries > 0 || in.Settings {
		s.learnSoon(ctx, kitchenID(ctx))
	}
	s.cache.forget(kitchenID(ctx))
	return &body[store.TakenIn]{count}, nil
}

// problemOfArchive tells which file of an archive cannot be taken in.
func (s *Server) problemOfArchive(ctx context.Context, err error) error {
	if errors.Is(err, store.ErrTaken) {
		return problem.New(http.StatusUnprocessableEntity, "bad-archive", "Nothing was taken in: "+err.Error()+".")
	}
	var bad *archive.Error
	if !errors.As(err, &bad) {
		return s.problemOf(ctx, err)
	}
	status := http.StatusUnprocessableEntity
	p := problem.New(status, "bad-archive", "Nothing was taken in: "+err.Error()+".")
	item := problem.Item{Message: err.Error()}
	item.Code, item.Got = bad.Code, bad.File
	p.Errors = append(p.Errors, item)
	var faults document.Faults
	if errors.As(err, &faults) {
		p.Errors = append(p.Errors, problem.OfDocument(faults).Errors...)
	}
	return p
}
