package api

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"reflect"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/compare"
	"cuerda/core/formula"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/logbook"
	"cuerda/core/mix"
	"cuerda/core/patties"
	"cuerda/internal/answer"
	"cuerda/internal/archive"
	"cuerda/internal/demo"
	"cuerda/internal/export"
	"cuerda/internal/lessons"
	"cuerda/internal/problem"
	"cuerda/internal/store"
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
	Document formula.Document      `json:"document"`
	Found    logbook.Found         `json:"found"`
	Patties  *patties.FriedPatties `json:"patties,omitempty"`
	// Said is what the model said when it was written down, Now what it says with what the
	// kitchen learned since.
	Said *lessons.Said `json:"said,omitempty"`
	Now  lessons.Said  `json:"now"`
	// Band is the index that its piece wants.
	Band answer.Band `json:"band"`
	// Changes and Settings are what was done otherwise than planned.
	Changes  []answer.Change  `json:"changes"`
	Settings []answer.Setting `json:"settings"`
	Planned  bool             `json:"planned"`
	Causes   []TryCause       `json:"causes"`
}

// TryCause answers learn.Cause.
type TryCause struct {
	Code    learn.CauseCode `json:"code"`
	Chance  float64         `json:"chance" digits:"2"`
	Change  *answer.Change  `json:"change,omitempty"`
	Setting *answer.Setting `json:"setting,omitempty"`
	Was     float64         `json:"was" digits:"1"`
	Now     float64         `json:"now" digits:"1"`
}

// TryDraft is a try as it is written down.
type TryDraft struct {
	// Build and Version are of which build it is; Document how it was really made: that version
	// where it is missing.
	Build    string                `json:"build,omitempty"`
	Version  int                   `json:"version,omitempty"`
	Document *formula.Document     `json:"document,omitempty"`
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
	Before  time.Time `query:"before"`
	Limit   int       `query:"limit" minimum:"1" maximum:"500" default:"200"`
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
	write := takesTry(api, op(http.MethodPost, "/tries", "writeTry", "Write a try down; the kitchen learns of it", 404))
	write.DefaultStatus = http.StatusCreated
	huma.Register(api, write, s.writeTry)
	huma.Register(api, op(http.MethodGet, "/tries/{id}", "getTry", "A try: what was said, what was found, and why it broke", 404), func(ctx context.Context, in *IDInput) (*tryOutput, error) {
		t, err := s.Store.FindTry(ctx, kitchenID(ctx), in.ID)
		return s.replyTry(ctx, t, err)
	})
	huma.Register(api, takesTry(api, op(http.MethodPut, "/tries/{id}", "saveTry", "Keep a changed try", 404, 412, 428)), s.saveTry)
	huma.Register(api, op(http.MethodDelete, "/tries/{id}", "deleteTry", "Put a try away", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.DeleteTry(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return nil, s.relearn(ctx)
	})
	huma.Register(api, op(http.MethodPost, "/tries/{id}/restore", "restoreTry", "Bring a deleted try back", 404), func(ctx context.Context, in *IDInput) (*tryOutput, error) {
		if err := s.Store.RestoreTry(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		if err := s.relearn(ctx); err != nil {
			return nil, err
		}
		t, err := s.Store.FindTry(ctx, kitchenID(ctx), in.ID)
		return s.replyTry(ctx, t, err)
	})
	huma.Register(api, op(http.MethodGet, "/tries/{id}/next", "nextTry", "The one change that gains most, and others", 404), s.nextTry)
	huma.Register(api, op(http.MethodGet, "/tries/{id}/compare", "compareTries", "Two tries side by side: what differed, and what that did", 404), s.compareTries)
	huma.Register(api, op(http.MethodGet, "/tries/export", "exportTries", "The logbook as values, a diary or tries that can be read back"), s.exportTries)
	take := op(http.MethodPost, "/tries/import", "importTries", "Take in tries of a file", 413, 422)
	take.MaxBodyBytes = archive.MaxBytes
	take.SkipValidateBody = true
	huma.Register(api, take, s.importTries)
}

func (s *Server) listTries(ctx context.Context, in *triesInput) (*body[TryList], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	seek := store.Seek{Text: in.Text, Kind: in.Kind, Build: in.Build, Before: in.Before, Limit: in.Limit}
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

func tryEntry(t *store.Try, language string) TryEntry {
	out := TryEntry{ID: t.ID, Kind: t.Kind, Build: t.Build, Version: t.Version, Course: t.Course, CookedAt: t.CookedAt, LeftOut: t.LeftOut, Outcome: logbook.Unsaid}
	var named struct{ Name string }
	_ = json.Unmarshal(t.Document, &named) // one without a name has none
	out.Name = demo.Say(named.Name, language)
	var f logbook.Found
	if json.Unmarshal(t.Found, &f) == nil {
		out.Outcome, out.Squeeze, out.Bite, out.Note = f.Outcome(), f.Squeeze, f.Bite, demo.Say(f.Note, language)
		if c, known := f.Both(); known {
			out.Held, out.Of = c.Held, c.Of
		}
		if photos := f.AllPhotos(); len(photos) > 0 {
			out.Photo = photos[0]
		}
	}
	var said lessons.Said
	if t.Said != nil && json.Unmarshal(t.Said, &said) == nil {
		out.SaidChance = &said.Chance
	}
	var p patties.FriedPatties
	if t.Kind == store.TryPatties && json.Unmarshal(t.Patties, &p) == nil {
		for _, f := range p.Fried {
			out.Grades = append(out.Grades, string(f.Grade))
		}
	}
	return out
}

// readTry reads a draft of a try.
func (s *Server) readTry(ctx context.Context, raw []byte) (*store.Try, *formula.Document, error) {
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
	if len(in.Document) == 0 {
		b, err := s.Store.FindVersion(ctx, kitchenID(ctx), in.Build, in.Version)
		if err != nil {
			return nil, nil, s.problemOf(ctx, err)
		}
		if in.Document, err = json.Marshal(&b.Document); err != nil {
			return nil, nil, s.problemOf(ctx, err)
		}
	}
	document, err := formula.Read(in.Document, k.Foods)
	if err != nil {
		return nil, nil, problem.OfDocument(err)
	}
	found, err := learn.ReadFound(in.Found)
	if err != nil {
		return nil, nil, problemOfFound(err)
	}
	out := &store.Try{Kind: store.TryCooked, Build: in.Build, Version: in.Version, Document: in.Document, CookedAt: time.Now().UTC(), LeftOut: in.LeftOut}
	if in.CookedAt != nil {
		if in.CookedAt.After(time.Now().Add(24*time.Hour)) || in.CookedAt.Year() < 1900 {
			return nil, nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "A try was cooked in the past.")
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
	if err := s.relearn(ctx); err != nil {
		return nil, err
	}
	kept, err := s.Store.FindTry(ctx, kitchenID(ctx), t.ID)
	return s.replyTry(ctx, kept, err)
}

// keepTry keeps a try with what the model says of it now.
func (s *Server) keepTry(ctx context.Context, t *store.Try, d *formula.Document) error {
	k, err := s.kitchen(ctx)
	if err != nil {
		return err
	}
	if t.Kind != store.TryPatties {
		if t.Said, err = json.Marshal(lessons.Say(d, k)); err != nil {
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
	if err := s.relearn(ctx); err != nil {
		return nil, err
	}
	kept, err := s.Store.FindTry(ctx, kitchenID(ctx), in.ID)
	return s.replyTry(ctx, kept, err)
}

// planned is what was to be cooked: the version of the build; nil where there is none.
func (s *Server) planned(ctx context.Context, t *store.Try, k *kitchen.Kitchen) *formula.Document {
	if t.Build == "" || t.Version == 0 {
		return nil
	}
	b, err := s.Store.FindVersion(ctx, kitchenID(ctx), t.Build, t.Version)
	if err != nil {
		return nil
	}
	d := usable(k, &b.Document)
	return d
}

func (s *Server) replyTry(ctx context.Context, t *store.Try, err error) (*tryOutput, error) {
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	out := KeptTry{TryEntry: tryEntry(t, languageOf(ctx)), Revision: t.Revision, Changes: []answer.Change{}, Settings: []answer.Setting{}, Causes: []TryCause{}}
	if err := json.Unmarshal(t.Document, &out.Document); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if err := json.Unmarshal(t.Found, &out.Found); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if t.Patties != nil {
		out.Patties = &patties.FriedPatties{}
		if err := json.Unmarshal(t.Patties, out.Patties); err != nil {
			return nil, s.problemOf(ctx, err)
		}
	}
	if t.Said != nil {
		out.Said = &lessons.Said{}
		if err := json.Unmarshal(t.Said, out.Said); err != nil {
			return nil, s.problemOf(ctx, err)
		}
	}
	done := usable(k, &out.Document)
	out.Now = lessons.Say(done, k)
	p := done.PieceOrDefault()
	out.Band = answer.Of[answer.Band](p.Band())
	if planned := s.planned(ctx, t, k); planned != nil {
		changes, settings := formula.Changes(planned, done)
		settings = cookedSettings(settings)
		out.Planned = true
		for i := range changes {
			out.Changes = append(out.Changes, answer.Of[answer.Change](changes[i]))
		}
		for i := range settings {
			out.Settings = append(out.Settings, answer.Of[answer.Setting](settings[i]))
		}
		s.why(&out, done, planned, k)
	} else {
		s.why(&out, done, nil, k)
	}
	out.Document = demo.In(languageOf(ctx), &out.Document)
	out.Found.Note = demo.Say(out.Found.Note, languageOf(ctx))
	return &tryOutput{ETag: fmt.Sprintf(`"%d"`, t.Revision), Body: out}, nil
}

// cookedSettings leaves out what is no part of the cooking.
func cookedSettings(all []formula.Setting) []formula.Setting {
	out := []formula.Setting{}
	for _, one := range all {
		switch one.Field {
		case "/name", "/note", "/table_time":
		default:
			out = append(out, one)
		}
	}
	return out
}

func (s *Server) why(out *KeptTry, done, planned *formula.Document, k *kitchen.Kitchen) {
	if out.Kind != store.TryCooked {
		return
	}
	for _, c := range learn.Why(&learn.Try{ID: out.ID, At: out.CookedAt, Document: done, Found: &out.Found}, planned, k) {
		told := TryCause{Code: c.Code, Chance: c.Chance, Was: c.Was, Now: c.Now}
		if c.Change != nil {
			change := answer.Of[answer.Change](*c.Change)
			told.Change = &change
		}
		if c.Setting != nil {
			setting := answer.Of[answer.Setting](*c.Setting)
			told.Setting = &setting
		}
		out.Causes = append(out.Causes, told)
	}
}

type compareTriesInput struct {
	IDInput
	With string `query:"with" format:"uuid" required:"true"`
}

// ComparedTries are two tries side by side.
type ComparedTries struct {
	answer.Comparison
	A TryEntry `json:"a"`
	B TryEntry `json:"b"`
}

func (s *Server) compareTries(ctx context.Context, in *compareTriesInput) (*body[ComparedTries], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	var docs [2]formula.Document
	var out ComparedTries
	for i, id := range []string{in.ID, in.With} {
		t, err := s.Store.FindTry(ctx, kitchenID(ctx), id)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		if err := json.Unmarshal(t.Document, &docs[i]); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		*[]*TryEntry{&out.A, &out.B}[i] = tryEntry(t, languageOf(ctx))
	}
	c := compare.Documents(usable(k, &docs[0]), usable(k, &docs[1]), k)
	c.Settings = cookedSettings(c.Settings)
	out.Comparison = answer.Of[answer.Comparison](c)
	return &body[ComparedTries]{out}, nil
}

type exportTriesInput struct {
	Format   string `query:"format" default:"csv" enum:"csv,markdown,json"`
	Language string `query:"language" default:"en" enum:"en,es"`
}

func (s *Server) exportTries(ctx context.Context, in *exportTriesInput) (*fileOutput, error) {
	kept, err := s.Store.SeekTries(ctx, kitchenID(ctx), store.Seek{Kind: store.TryCooked, Limit: learn.MaxTries})
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	all := make([]export.Try, 0, len(kept))
	for i := len(kept) - 1; i >= 0; i-- {
		t := export.Try{ID: kept[i].ID, CookedAt: kept[i].CookedAt}
		if json.Unmarshal(kept[i].Document, &t.Document) != nil || json.Unmarshal(kept[i].Found, &t.Found) != nil {
			continue
		}
		var said lessons.Said
		if kept[i].Said != nil && json.Unmarshal(kept[i].Said, &said) == nil {
			t.Chance = &said.Chance
		}
		if in.Format != "json" {
			t.Document, t.Found.Note = demo.In(in.Language, &t.Document), demo.Say(t.Found.Note, in.Language)
		}
		all = append(all, t)
	}
	file := func(extension string) string { return fmt.Sprintf("attachment; filename=%q", "logbook"+extension) }
	switch in.Format {
	case "markdown":
		return &fileOutput{"text/markdown; charset=utf-8", file(".md"), export.TriesMarkdown(all, in.Language)}, nil
	case "json":
		text, err := export.TriesJSON(all)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &fileOutput{"application/json", file(".json"), text}, nil
	}
	text, err := export.TriesCSV(all, in.Language)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &fileOutput{"text/csv; charset=utf-8", file(".csv"), text}, nil
}

// Imported says how many tries were taken in.
type Imported struct {
	Tries int `json:"tries"`
}

func (s *Server) importTries(ctx context.Context, in *DocumentInput) (*body[Imported], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	tries, err := s.triesOf(ctx, in.RawBody, k)
	if err != nil {
		return nil, err
	}
	take := store.Taken{}
	for i := range tries {
		t := &tries[i]
		document, err1 := json.Marshal(t.Document)
		found, err2 := json.Marshal(t.Found)
		if err1 != nil || err2 != nil {
			continue // what was read can be written
		}
		kept := store.KeptTry{Try: store.Try{CookedAt: t.At, Document: document, Found: found}}
		kept.ID = triedAs(kitchenID(ctx), &t.Try, document)
		kept.Build, kept.Version = t.build, t.version
		take.Tries = append(take.Tries, kept)
	}
	count, err := s.Store.TakeIn(ctx, kitchenID(ctx), take)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if err := s.relearn(ctx); err != nil {
		return nil, err
	}
	return &body[Imported]{Imported{count.Tries}}, nil
}

// triedBuild is a try of a file, with the build that it is of where a name told.
type triedBuild struct {
	learn.Try
	build   string
	version int
}

// triesOf reads tries of a file: as JSON with their builds, or a table or a diary that names them.
func (s *Server) triesOf(ctx context.Context, text []byte, k *kitchen.Kitchen) (out []triedBuild, err error) {
	bad := func(err error) error {
		return problem.New(http.StatusUnprocessableEntity, "bad-tries", "Nothing was taken in: "+err.Error()+".")
	}
	if bytes.HasPrefix(bytes.TrimSpace(text), []byte("[")) {
		tries, err := learn.ReadTries(text, k.Foods)
		if err != nil {
			return nil, bad(err)
		}
		for i := range tries {
			out = append(out, triedBuild{Try: tries[i]})
		}
		return out, nil
	}
	written, err := export.ReadTries(text)
	if err != nil {
		return nil, bad(err)
	}
	builds, err := s.Store.List(ctx, kitchenID(ctx), "", nil, mostBuildsNamed)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	named := map[string]string{}
	for i := range builds {
		name := builds[i].Document.Name
		for _, said := range []string{name, demo.Say(name, "es")} {
			named[strings.ToLower(said)] = builds[i].ID
		}
	}
	kept := map[string]*store.Build{}
	for i := range written {
		w := &written[i]
		id := named[strings.ToLower(w.Dish)]
		if id == "" {
			return nil, bad(fmt.Errorf("no build is called %q here", w.Dish))
		}
		b := kept[id]
		if b == nil {
			if b, err = s.Store.Find(ctx, kitchenID(ctx), id); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			kept[id] = b
		}
		out = append(out, triedBuild{learn.Try{At: w.At, Document: &b.Document, Found: &w.Found}, b.ID, b.Version})
	}
	return out, nil
}

// mostBuildsNamed are looked through for the names of a table.
const mostBuildsNamed = 5000
