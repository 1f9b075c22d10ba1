package api

import (
	"bytes"
	"context"
	"encoding/json"
	"net/http"
	"reflect"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/keepable"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/patties"
	"cuerda/core/physics/mix"
	"cuerda/internal/jobs"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// TryEntry is a try in the list.
type TryEntry struct {
	ID       string          `json:"id" format:"uuid"`
	Kind     string          `json:"kind" enum:"try,patties"`
	Name     string          `json:"name"`
	Build    string          `json:"build,omitempty"`
	Version  int             `json:"version,omitempty"`
	Course   string          `json:"course,omitempty"`
	CookedAt time.Time       `json:"cooked_at"`
	Outcome  logbook.Outcome `json:"outcome"`
	Squeeze  mix.Word        `json:"squeeze,omitempty"`
	Held     int             `json:"held"`
	Of       int             `json:"of"`
	Bite     string          `json:"bite,omitempty"`
	Note     string          `json:"note,omitempty"`
	// SaidChance is the chance that was said of it, 0..1.
	SaidChance *float64 `json:"said_chance,omitempty"`
	Grades     []string `json:"grades,omitempty"`
	Photo      string   `json:"photo,omitempty"`
	LeftOut    bool     `json:"left_out,omitempty"`
	// By is who wrote it down: missing where nobody signs in, empty for somebody who left.
	By *string `json:"by,omitempty"`
	// Unreadable says that it is kept and cannot be read.
	Unreadable bool `json:"unreadable,omitempty"`
}

// TryList are tries, the last first.
type TryList struct {
	Tries []TryEntry `json:"tries"`
	All   int        `json:"all"`
	Held  int        `json:"held"`
	Since *time.Time `json:"since,omitempty"`
}

// KeptTry is a try in full.
type KeptTry struct {
	TryEntry
	Revision int                   `json:"revision"`
	Document document.Document     `json:"document"`
	Found    logbook.Found         `json:"found"`
	Patties  *patties.FriedPatties `json:"patties,omitempty"`
	// Said is what the model said when it was written down, Now what it says with what the
	// kitchen learned since.
	Said *jobs.Said `json:"said,omitempty"`
	Now  jobs.Said  `json:"now"`
	// Band is the index that its piece wants.
	Band wire.Band `json:"band"`
	// Raw and Cooked are how many came through each stage; missing where nobody counted.
	Raw    *StageFound `json:"raw,omitempty"`
	Cooked *StageFound `json:"cooked,omitempty"`
	// Changes and Settings are what was done otherwise than planned.
	Changes  []wire.Change  `json:"changes"`
	Settings []wire.Setting `json:"settings"`
	Planned  bool           `json:"planned"`
	Causes   []TryCause     `json:"causes"`
}

// StageFound is how many pieces came through a stage, and the hold over the need that goes with it.
type StageFound struct {
	Held  int     `json:"held"`
	Of    int     `json:"of"`
	Ratio float64 `json:"ratio" digits:"2"`
}

// TryCause is learn.Cause as the interface tells it.
type TryCause struct {
	Code    learn.CauseCode `json:"code"`
	Chance  float64         `json:"chance" digits:"2"`
	Change  *wire.Change    `json:"change,omitempty"`
	Setting *wire.Setting   `json:"setting,omitempty"`
	Was     float64         `json:"was" digits:"1"`
	Now     float64         `json:"now" digits:"1"`
}

// TryDraft is a try as it is written down.
type TryDraft struct {
	// Build and Version are of which build it is; Document how it was really made: that version
	// where it is missing.
	Build    string                `json:"build,omitempty"`
	Version  int                   `json:"version,omitempty"`
	Document *document.Document    `json:"document,omitempty"`
	CookedAt *time.Time            `json:"cooked_at,omitempty"`
	Found    logbook.Found         `json:"found"`
	Patties  *patties.FriedPatties `json:"patties,omitempty"`
	LeftOut  bool                  `json:"left_out,omitempty"`
}

// draftBody is TryDraft as it comes.
type draftBody struct {
	Build    string                `json:"build"`
	Version  int                   `json:"version"`
	Document json.RawMessage       `json:"document"`
	CookedAt *time.Time            `json:"cooked_at"`
	Found    json.RawMessage       `json:"found"`
	Patties  *patties.FriedPatties `json:"patties"`
	LeftOut  bool                  `json:"left_out"`
}

type triesInput struct {
	Text    string    `query:"text" maxLength:"200"`
	Outcome string    `query:"outcome" enum:"held,broke,unsaid,"`
	Kind    string    `query:"kind" enum:"try,patties,"`
	Build   string    `query:"build" maxLength:"64"`
	Before  time.Time `query:"before" doc:"the time of the last one seen"`
	// BeforeID parts tries of one moment.
	BeforeID string `query:"before_id" maxLength:"64" doc:"the ID of the last one seen"`
	Limit    int    `query:"limit" minimum:"1" maximum:"500" default:"200"`
}

type tryOutput struct {
	ETag string `header:"ETag"`
	Body KeptTry
}

func takesTry(api huma.API, o huma.Operation) huma.Operation {
	o.SkipValidateBody = true
	o.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"application/json": {Schema: api.OpenAPI().Components.Schemas.Schema(reflect.TypeFor[TryDraft](), true, "")},
	}}
	o.Errors = append(o.Errors, http.StatusUnprocessableEntity, http.StatusRequestEntityTooLarge)
	return o
}

func (s *Server) registerTries(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/tries", "listTries", "Tries, the last first, by words, foods, outcome or build"), s.listTries)
	write := takesTry(api, costs(op(http.MethodPost, "/tries", "writeTry", "Write a try down; the kitchen learns of it", 404)))
	write.DefaultStatus = http.StatusCreated
	huma.Register(api, write, s.writeTry)
	huma.Register(api, costs(op(http.MethodGet, "/tries/{id}", "getTry", "A try: what was said, what was found, and why it broke", 404)), func(ctx context.Context, in *IDInput) (*tryOutput, error) {
		t, err := s.Store.FindTry(ctx, kitchenID(ctx), in.ID)
		return s.replyTry(ctx, t, err)
	})
	huma.Register(api, takesTry(api, costs(op(http.MethodPut, "/tries/{id}", "saveTry", "Keep a changed try", 404, 412, 428))), s.saveTry)
	huma.Register(api, costs(op(http.MethodDelete, "/tries/{id}", "deleteTry", "Put a try away", 404)), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.DeleteTry(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.learnSoon(ctx, kitchenID(ctx))
		return nil, nil
	})
	huma.Register(api, costs(op(http.MethodPost, "/tries/{id}/restore", "restoreTry", "Bring a deleted try back", 404)), func(ctx context.Context, in *IDInput) (*tryOutput, error) {
		if err := s.Store.RestoreTry(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.learnSoon(ctx, kitchenID(ctx))
		t, err := s.Store.FindTry(ctx, kitchenID(ctx), in.ID)
		return s.replyTry(ctx, t, err)
	})
	huma.Register(api, costs(op(http.MethodGet, "/tries/{id}/next", "nextTry", "The one change that gains most, and others", 404)), s.nextTry)
	huma.Register(api, costs(op(http.MethodGet, "/tries/{id}/compare", "compareTries", "Two tries side by side: what differed, and what that did", 404)), s.compareTries)
	huma.Register(api, asFile(op(http.MethodGet, "/tries/export", "exportTries", "The logbook as values, a diary or tries that can be read back"),
		"text/csv", "text/markdown", "application/json"), s.exportTries)
	take := costs(op(http.MethodPost, "/tries/import", "importTries", "Take in tries of a file", 413, 422))
	take.MaxBodyBytes = maxTriesFile
	take.SkipValidateBody = true
	huma.Register(api, take, s.importTries)
}

func (s *Server) listTries(ctx context.Context, in *triesInput) (*body[TryList], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	seek := store.Seek{Text: in.Text, Kind: in.Kind, Build: in.Build, Before: in.Before, BeforeID: in.BeforeID, Limit: in.Limit}
	switch in.Outcome {
	case "broke":
		seek.Outcome = []string{string(logbook.SomeBroke), string(logbook.FellApart)}
	case "":
	default:
		seek.Outcome = []string{in.Outcome}
	}
	if in.Text != "" {
		seek.Foods = foodsNamed(k.Foods, in.Text)
	}
	all, err := s.Store.SeekTries(ctx, kitchenID(ctx), seek)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	counts, err := s.Store.CountTries(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := TryList{Tries: make([]TryEntry, len(all)), All: counts.All, Held: counts.Held, Since: counts.First}
	for i := range all {
		out.Tries[i] = tryEntry(&all[i], languageOf(ctx))
	}
	return &body[TryList]{out}, nil
}

// readTry reads a draft of a try.
func (s *Server) readTry(ctx context.Context, raw []byte) (*store.Try, *document.Document, error) {
	var in draftBody
	d := json.NewDecoder(bytes.NewReader(raw))
	d.DisallowUnknownFields()
	if err := d.Decode(&in); err != nil {
		return nil, nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The try cannot be read: "+err.Error()+".")
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, nil, err
	}
	if in.Version < 0 || in.Version > keepable.MaxNumber {
		return nil, nil, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, "/version", "There is no such version.")
	}
	if len(in.Document) == 0 {
		b, err := s.Store.FindVersion(ctx, kitchenID(ctx), in.Build, in.Version)
		if err != nil {
			return nil, nil, s.problemOf(ctx, err)
		}
		if in.Document, err = json.Marshal(&b.Document); err != nil {
			return nil, nil, s.problemOf(ctx, err)
		}
	}
	document, err := document.Read(in.Document, k.Foods)
	if err != nil {
		return nil, nil, problem.OfDocument(err)
	}
	found, err := learn.ReadFound(in.Found)
	if err != nil {
		return nil, nil, problemOfFound(err)
	}
	out := &store.Try{Kind: store.TryCooked, Build: in.Build, Version: in.Version, Document: in.Document, CookedAt: time.Now().UTC(), LeftOut: in.LeftOut}
	if in.CookedAt != nil {
		if in.CookedAt.After(time.Now().Add(24*time.Hour)) || !keepable.Time(*in.CookedAt) {
			return nil, nil, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, "/cooked_at", "A try was cooked in the past, after the year 1900.")
		}
		out.CookedAt = in.CookedAt.UTC()
	}
	if out.Found, err = json.Marshal(found); err != nil {
		return nil, nil, s.problemOf(ctx, err)
	}
	if in.Patties != nil {
		if _, err := asked(&in.Patties.Question, document, k); err != nil || len(in.Patties.Fried) > mostFriedKept {
			return nil, nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "These test patties cannot be kept: the question cannot be asked of this build.")
		}
		out.Kind = store.TryPatties
		if out.Patties, err = json.Marshal(in.Patties); err != nil {
			return nil, nil, s.problemOf(ctx, err)
		}
	}
	return out, document, nil
}

const mostFriedKept = 60

// maxTriesFile is the longest file of tries that is read, bytes.
const maxTriesFile = 32 << 20

func problemOfFound(err error) error {
	p := problem.New(http.StatusUnprocessableEntity, "bad-found", "What was found cannot be so: "+err.Error()+".")
	if wrong, ok := err.(*logbook.WrongError); ok {
		item := problem.Item{Message: err.Error()}
		item.Code, item.Got, item.Pointer = "out-of-range", wrong.Got, "/found/"+wrong.Field
		p.Errors = append(p.Errors, item)
	}
	return p
}

func (s *Server) writeTry(ctx context.Context, in *DocumentInput) (*tryOutput, error) {
	t, d, err := s.readTry(ctx, in.RawBody)
	if err != nil {
		return nil, err
	}
	if err := s.keepTry(ctx, t, d); err != nil {
		return nil, err
	}
	s.learnSoon(ctx, kitchenID(ctx))
	kept, err := s.Store.FindTry(ctx, kitchenID(ctx), t.ID)
	return s.replyTry(ctx, kept, err)
}

// keepTry keeps a try with what the model says of it now.
func (s *Server) keepTry(ctx context.Context, t *store.Try, d *document.Document) error {
	k, err := s.kitchen(ctx)
	if err != nil {
		return err
	}
	if t.Kind != store.TryPatties {
		if t.Said, err = json.Marshal(jobs.Say(d, k)); err != nil {
			return s.problemOf(ctx, err)
		}
	}
	if err := s.Store.KeepTry(ctx, kitchenID(ctx), t); err != nil {
		return s.problemOf(ctx, err)
	}
	return nil
}

func (s *Server) saveTry(ctx context.Context, in *saveInput) (*tryOutput, error) {
	on, err := in.version()
	if err != nil {
		return nil, err
	}
	t, _, err := s.readTry(ctx, in.RawBody)
	if err != nil {
		return nil, err
	}
	t.ID = in.ID
	if err := s.Store.SaveTry(ctx, kitchenID(ctx), on, t); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.learnSoon(ctx, kitchenID(ctx))
	return s.replyTry(ctx, t, nil)
}
