package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/patties"
	"cuerda/core/predict"
	"cuerda/core/predict/compare"
	"cuerda/internal/jobs"
	"cuerda/internal/phrases"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

func tryEntry(t *store.Try, language string) TryEntry {
	out := TryEntry{ID: t.ID, Kind: t.Kind, Build: t.Build, Version: t.Version, Course: t.Course, CookedAt: t.CookedAt, LeftOut: t.LeftOut, By: t.By, Outcome: logbook.Unsaid}
	var named struct{ Name string }
	_ = json.Unmarshal(t.Document, &named) // one without a name has none
	out.Unreadable = json.Unmarshal(t.Document, new(document.Document)) != nil
	out.Name = phrases.Say(named.Name, language)
	var f logbook.Found
	if json.Unmarshal(t.Found, &f) != nil {
		out.Unreadable = true
	} else {
		out.Outcome, out.Squeeze, out.Bite, out.Note = f.Outcome(), f.Squeeze, f.Bite, phrases.Say(f.Note, language)
		// Nobody is told a number that nobody counted.
		if c, known := f.Both(); known && f.IsCounted() {
			out.Held, out.Of = c.Held, c.Of
		}
		if photos := f.AllPhotos(); len(photos) > 0 {
			out.Photo = photos[0]
		}
	}
	var said jobs.Said
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

// planned is what was to be cooked: the version of the build; nil where there is none.
func (s *Server) planned(ctx context.Context, t *store.Try, k *kitchen.Kitchen) *document.Document {
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
	out := KeptTry{TryEntry: tryEntry(t, languageOf(ctx)), Revision: t.Revision, Changes: []wire.Change{}, Settings: []wire.Setting{}, Causes: []TryCause{}}
	if err := errors.Join(json.Unmarshal(t.Document, &out.Document), json.Unmarshal(t.Found, &out.Found)); err != nil {
		return nil, s.problemOf(ctx, &store.UnreadableError{Err: err})
	}
	if t.Patties != nil {
		out.Patties = &patties.FriedPatties{}
		if err := json.Unmarshal(t.Patties, out.Patties); err != nil {
			return nil, s.problemOf(ctx, &store.UnreadableError{Err: err})
		}
	}
	if t.Said != nil {
		out.Said = &jobs.Said{}
		if json.Unmarshal(t.Said, out.Said) != nil {
			out.Said = nil // what was found is told all the same
		}
	}
	done := usable(k, &out.Document)
	out.Now = jobs.Say(done, k)
	out.Band = wire.Of[wire.Band](done.Duty(k).Band)
	raw, known := out.Found.Raw()
	out.Raw = stageFound(raw, known)
	cooked, known := out.Found.Cooked()
	out.Cooked = stageFound(cooked, known)
	if planned := s.planned(ctx, t, k); planned != nil {
		changes, settings := document.Changes(planned, done)
		settings = cookedSettings(settings)
		out.Planned = true
		for i := range changes {
			if changes[i].Kind == "grams" && sameOnAScale(changes[i].Was, changes[i].Now, k) {
				continue
			}
			out.Changes = append(out.Changes, wire.Of[wire.Change](changes[i]))
		}
		for i := range settings {
			out.Settings = append(out.Settings, wire.Of[wire.Setting](settings[i]))
		}
		s.why(&out, done, planned, k)
	} else {
		s.why(&out, done, nil, k)
	}
	return &tryOutput{ETag: fmt.Sprintf(`"%d"`, t.Revision), Body: out}, nil
}

// sameOnAScale says whether the kitchen's scale does not tell two amounts from each other, g.
func sameOnAScale(a, b float64, k *kitchen.Kitchen) bool {
	step := k.Parameters.Amounts.ScaleStep
	return math.Abs(a-b) < step/2 || math.Round(a/step) == math.Round(b/step)
}

// stageFound tells a count; nil where nobody counted.
func stageFound(c logbook.Count, known bool) *StageFound {
	if !known {
		return nil
	}
	return &StageFound{Held: c.Held, Of: c.Of, Ratio: c.Ratio()}
}

// cookedSettings leaves out what is no part of the cooking.
func cookedSettings(all []document.Setting) []document.Setting {
	out := []document.Setting{}
	for _, one := range all {
		switch one.Field {
		case "/name", "/note", "/table_time":
		default:
			out = append(out, one)
		}
	}
	return out
}

func (s *Server) why(out *KeptTry, done, planned *document.Document, k *kitchen.Kitchen) {
	if out.Kind != store.TryCooked {
		return
	}
	for _, c := range learn.Why(&learn.Try{ID: out.ID, At: out.CookedAt, Document: done, Found: &out.Found}, planned, k) {
		told := TryCause{Code: c.Code, Chance: c.Chance, Was: c.Was, Now: c.Now}
		if c.Change != nil {
			change := wire.Of[wire.Change](*c.Change)
			told.Change = &change
		}
		if c.Setting != nil {
			setting := wire.Of[wire.Setting](*c.Setting)
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
	wire.Comparison
	A TryEntry `json:"a"`
	B TryEntry `json:"b"`
}

func (s *Server) compareTries(ctx context.Context, in *compareTriesInput) (*body[ComparedTries], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	var docs [2]document.Document
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
	out.Comparison = wire.Of[wire.Comparison](c)
	return &body[ComparedTries]{out}, nil
}

// NextTry are changes of one thing.
type NextTry struct {
	Chance float64    `json:"chance"`
	Ways   []wire.Way `json:"ways"`
}

func (s *Server) nextTry(ctx context.Context, in *IDInput) (*body[NextTry], error) {
	t, err := s.Store.FindTry(ctx, kitchenID(ctx), in.ID)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	var d document.Document
	if err := json.Unmarshal(t.Document, &d); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	done := usable(k, &d)
	out := NextTry{Chance: predict.Predict(done, k).Chance, Ways: []wire.Way{}}
	for _, w := range advise.ChangeOne(k, done) {
		out.Ways = append(out.Ways, wire.Of[wire.Way](w))
	}
	return &body[NextTry]{out}, nil
}
