package api

import (
	"context"
	"fmt"
	"net/http"
	"reflect"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/kitchen"
	"cuerda/core/plan/sides"
	"cuerda/core/plan/supper"
	"cuerda/core/recipe/words"
	"cuerda/internal/archive"
	"cuerda/internal/export"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// KeptSupper is a supper of the kitchen.
type KeptSupper struct {
	ID        string        `json:"id" format:"uuid"`
	Version   int           `json:"version"`
	UpdatedAt time.Time     `json:"updated_at"`
	Document  supper.Supper `json:"document"`
}

// SupperEntry is a supper in the list.
type SupperEntry struct {
	ID        string    `json:"id" format:"uuid"`
	Name      string    `json:"name"`
	Table     time.Time `json:"table"`
	Version   int       `json:"version"`
	Dishes    int       `json:"dishes"`
	UpdatedAt time.Time `json:"updated_at"`
}

type supperOutput struct {
	ETag string `header:"ETag"`
	Body KeptSupper
}

// takesSupper describes an operation whose body is a supper document.
func takesSupper(api huma.API, o huma.Operation) huma.Operation {
	o.Errors = append(o.Errors, http.StatusRequestEntityTooLarge, http.StatusUnprocessableEntity)
	o.SkipValidateBody = true
	o.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"application/json": {Schema: api.OpenAPI().Components.Schemas.Schema(reflect.TypeFor[supper.Supper](), true, "Supper")},
	}}
	return o
}

func (s *Server) registerSuppers(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/suppers", "listSuppers", "Suppers, the last table first"), s.listSuppers)
	create := takesSupper(api, op(http.MethodPost, "/suppers", "createSupper", "Keep a new supper"))
	create.DefaultStatus = http.StatusCreated
	huma.Register(api, create, func(ctx context.Context, in *DocumentInput) (*supperOutput, error) {
		d, err := s.readSupper(ctx, in.RawBody)
		if err != nil {
			return nil, err
		}
		kept, err := s.Store.CreateSupper(ctx, kitchenID(ctx), d)
		return s.replySupper(ctx, kept, err)
	})
	huma.Register(api, op(http.MethodGet, "/suppers/{id}", "getSupper", "A supper", 404, 410), func(ctx context.Context, in *IDInput) (*supperOutput, error) {
		kept, err := s.Store.FindSupper(ctx, kitchenID(ctx), in.ID)
		return s.replySupper(ctx, kept, err)
	})
	huma.Register(api, takesSupper(api, op(http.MethodPut, "/suppers/{id}", "saveSupper", "Keep a changed supper", 404, 410, 412, 428)), func(ctx context.Context, in *saveInput) (*supperOutput, error) {
		on, err := in.version()
		if err != nil {
			return nil, err
		}
		d, err := s.readSupper(ctx, in.RawBody)
		if err != nil {
			return nil, err
		}
		kept, err := s.Store.SaveSupper(ctx, kitchenID(ctx), in.ID, on, d)
		return s.replySupper(ctx, kept, err)
	})
	huma.Register(api, op(http.MethodDelete, "/suppers/{id}", "deleteSupper", "Put a supper away", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.DeleteSupper(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return nil, nil
	})
	huma.Register(api, op(http.MethodPost, "/suppers/{id}/restore", "restoreSupper", "Bring a deleted supper back", 404), func(ctx context.Context, in *IDInput) (*supperOutput, error) {
		if err := s.Store.RestoreSupper(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		kept, err := s.Store.FindSupper(ctx, kitchenID(ctx), in.ID)
		return s.replySupper(ctx, kept, err)
	})
	huma.Register(api, asFile(costs(op(http.MethodGet, "/suppers/{id}/export", "exportSupper", "The plan of a supper as events, values or a document", 404, 410, 422)),
		"text/calendar", "text/csv", "application/json"), s.exportSupper)
}

// readSupper reads a supper that is to be kept.
func (s *Server) readSupper(ctx context.Context, data []byte) (*supper.Supper, error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	d, err := supper.Read(data)
	if err == nil {
		err = d.CheckBounds()
	}
	if err == nil {
		err = d.Check(k.Foods)
	}
	if err != nil {
		return nil, problem.OfSupper(err, nil)
	}
	return d, nil
}

func (s *Server) replySupper(ctx context.Context, kept *store.Supper, err error) (*supperOutput, error) {
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &supperOutput{
		ETag: fmt.Sprintf(`"%d"`, kept.Version),
		Body: KeptSupper{kept.ID, kept.Version, kept.UpdatedAt, kept.Document},
	}, nil
}

type suppersInput struct {
	Limit int `query:"limit" minimum:"1" maximum:"300" default:"100"`
}

func (s *Server) listSuppers(ctx context.Context, in *suppersInput) (*body[[]SupperEntry], error) {
	all, err := s.Store.ListSuppers(ctx, kitchenID(ctx), in.Limit)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := make([]SupperEntry, len(all))
	for i, e := range all {
		out[i] = SupperEntry(e)
		out[i].Name = phrases.Say(e.Name, languageOf(ctx))
	}
	return &body[[]SupperEntry]{out}, nil
}

type exportSupperInput struct {
	IDInput
	Format   string `query:"format" default:"ics" enum:"ics,csv,document"`
	Language string `query:"language" default:"en" enum:"en,es"`
}

func (s *Server) exportSupper(ctx context.Context, in *exportSupperInput) (*fileOutput, error) {
	kept, err := s.Store.FindSupper(ctx, kitchenID(ctx), in.ID)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	said := phrases.SupperIn(in.Language, &kept.Document)
	name := func(extension string) string {
		return fmt.Sprintf("attachment; filename=%q", archive.Slug(said.Name)+extension)
	}
	if in.Format == "document" {
		text, err := export.SupperDocument(&said)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &fileOutput{"application/json", name(".supper.json"), text}, nil
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	planned, _, _, err := s.plan(k, &said, supper.Options{Done: ctx.Done()}, true)
	if err != nil {
		return nil, err
	}
	if in.Format == "csv" {
		text, err := export.PlanValues(planned, in.Language)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &fileOutput{"text/csv; charset=utf-8", name(".csv"), text}, nil
	}
	return &fileOutput{"text/calendar; charset=utf-8", name(".ics"), export.PlanCalendar(kept.ID, said.Name, planned, time.Now(), in.Language)}, nil
}

// plan makes a plan, loose where pins need not be held, with what passes between its dishes.
func (s *Server) plan(k *kitchen.Kitchen, d *supper.Supper, o supper.Options, loose bool) (planned *supper.Planned, unheld []supper.Unheld, contacts []supper.Contact, err error) {
	if loose {
		planned, unheld, err = s.baker.MakeLoose(d, k, o)
	} else {
		planned, err = s.baker.Make(d, k, o)
	}
	if err == nil {
		contacts, err = s.baker.Contacts(d, k)
	}
	if err != nil {
		return nil, nil, nil, problem.OfSupper(err, d.Dishes)
	}
	return planned, unheld, contacts, nil
}

// SideText is a side in words, or as the steps that they are to say.
type SideText struct {
	Text string `json:"text,omitempty" maxLength:"2000"`
	// Name is what the dish is called, which tells of what is in it too.
	Name  string              `json:"name,omitempty" maxLength:"200"`
	Steps []supper.SupperStep `json:"steps,omitempty" maxItems:"100"`
	// People are those whom it is for, to weigh its foods by.
	People int `json:"people,omitempty" minimum:"0" maximum:"200"`
}

// ReadSide is a side as it was read.
type ReadSide struct {
	Text  string              `json:"text"`
	Steps []supper.SupperStep `json:"steps"`
	// Odd are phrases that nothing could be made of.
	Odd []string `json:"odd"`
	// Foods are those that its words name, or that are usual in what they name: to be corrected.
	Foods []supper.SupperFood `json:"foods"`
}

// Side is a usual side for so many people.
type Side struct {
	Code  string              `json:"code"`
	Text  string              `json:"text"`
	Steps []supper.SupperStep `json:"steps"`
	Foods []supper.SupperFood `json:"foods"`
	// WorkedStep is the step whose minutes the heat core has worked out, for pieces of so many mm.
	WorkedStep string  `json:"worked_step,omitempty"`
	SizeMM     float64 `json:"size_mm,omitempty"`
}

type sidesInput struct {
	People int `query:"people" minimum:"1" maximum:"200" default:"4"`
}

type sideInput struct {
	Body SideText
}

func (s *Server) registerSides(api huma.API) {
	huma.Register(api, costs(op(http.MethodGet, "/sides", "listSides", "Usual sides, for so many people")), func(ctx context.Context, in *sidesInput) (*body[[]Side], error) {
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		out := []Side{}
		for _, side := range sides.All(in.People, k, wordsOf(ctx)) {
			out = append(out, Side{side.Code, side.Text, side.Steps, side.Foods, side.WorkedStep, side.SizeMM})
		}
		return &body[[]Side]{out}, nil
	})
	huma.Register(api, costs(op(http.MethodPost, "/sides/read", "readSide", "A side in words as steps, or steps in words", 422)), func(ctx context.Context, in *sideInput) (*body[ReadSide], error) {
		l := wordsOf(ctx)
		if in.Body.Text == "" {
			return &body[ReadSide]{ReadSide{Text: sides.Text(in.Body.Steps, l), Steps: append([]supper.SupperStep{}, in.Body.Steps...), Odd: []string{}, Foods: []supper.SupperFood{}}}, nil
		}
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		read := sides.ReadText(in.Body.Text, l)
		foods := sides.FoodsIn(in.Body.Name+"\n"+in.Body.Text, in.Body.People, s.reader(k), k.Foods, l)
		return &body[ReadSide]{ReadSide{in.Body.Text, append([]supper.SupperStep{}, read.Steps...), append([]string{}, read.Odd...), append([]supper.SupperFood{}, foods...)}}, nil
	})
	huma.Register(api, takesSupper(api, costs(op(http.MethodPost, "/supper/look", "lookAtSupper", "A supper's people, shopping and boxes"))), func(ctx context.Context, in *DocumentInput) (*body[wire.SupperLook], error) {
		k, err := s.kitchen(ctx)
		if err != nil {
			return nil, err
		}
		d, err := supper.Read(in.RawBody)
		if err != nil {
			return nil, problem.OfSupper(err, nil)
		}
		look, err := s.baker.Report(d, k)
		if err != nil {
			return nil, problem.OfSupper(err, d.Dishes)
		}
		return &body[wire.SupperLook]{wire.SupperLookOf(look)}, nil
	})
}

// wordsOf is the language of a request as the core reads it.
func wordsOf(ctx context.Context) words.Language {
	if languageOf(ctx) == "es" {
		return words.Spanish
	}
	return words.English
}
