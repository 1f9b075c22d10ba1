package api

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"net/http"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"cuerda/core/kitchen"
	"cuerda/core/learn/practice"
	"cuerda/internal/export"
	"cuerda/internal/jobs"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// PracticePage is how someone's practice stands.
type PracticePage struct {
	// People are those of the kitchen, without those who are gone; Person is whose page it is, "" where nobody
	// has practised yet.
	People []PracticePerson `json:"people"`
	Person string           `json:"person"`
	Eye    wire.PracticeEye `json:"eye"`
	// Sitting is the one that is not over; missing where there is none.
	Sitting *PracticeSitting `json:"sitting,omitempty"`
}

// PracticePerson is someone who practises.
type PracticePerson struct {
	ID   string `json:"id" format:"uuid"`
	Name string `json:"name"`
	Gone bool   `json:"gone,omitempty"`
}

// PracticeSitting are drills as they were asked, and what was called.
type PracticeSitting struct {
	ID      string               `json:"id" format:"uuid"`
	Person  string               `json:"person" format:"uuid"`
	BeganAt time.Time            `json:"began_at"`
	Over    bool                 `json:"over"`
	Drills  []wire.PracticeDrill `json:"drills"`
	Calls   []PracticeCalled     `json:"calls"`
}

// PracticeCalled is a call, marked.
type PracticeCalled struct {
	ID     string `json:"id"`
	Number int    `json:"number"`
	// Index, Choice, Grams and Minutes are what was said, Sure how sure.
	Index      float64 `json:"index"`
	Choice     int     `json:"choice"`
	Grams      float64 `json:"grams"`
	Minutes    float64 `json:"minutes"`
	Sure       float64 `json:"sure"`
	Right      bool    `json:"right"`
	OffWords   float64 `json:"off_words"`
	OffMinutes float64 `json:"off_minutes"`
	Score      float64 `json:"score"`
}

// PracticeMarked is what became of a call.
type PracticeMarked struct {
	Call PracticeCalled `json:"call"`
	// Elsewhere says that another window had called this drill already: Call is what counts.
	Elsewhere bool `json:"elsewhere"`
	// Enough says that it would be good to stop.
	Enough bool             `json:"enough"`
	Eye    wire.PracticeEye `json:"eye"`
}

// PracticeWish is what a cook wants to practise.
type PracticeWish struct {
	// Person is who; "" for the first of the kitchen, who needs no name.
	Person string `json:"person,omitempty" maxLength:"64"`
	// Kind is one kind of drill; every one where it is empty. Try asks of one try alone.
	Kind practice.Kind `json:"kind,omitempty"`
	Try  string        `json:"try,omitempty" maxLength:"64"`
}

// PracticeCallSent is a call as it is sent; ID is made by the client, so that one sent again is the same.
type PracticeCallSent struct {
	ID      string  `json:"id" minLength:"1" maxLength:"64"`
	Number  int     `json:"number" minimum:"0" maximum:"9"`
	Index   float64 `json:"index,omitempty"`
	Choice  int     `json:"choice,omitempty"`
	Grams   float64 `json:"grams,omitempty"`
	Minutes float64 `json:"minutes,omitempty"`
	Sure    float64 `json:"sure" minimum:"0" maximum:"1"`
}

type practicePageInput struct {
	Person string `query:"person" maxLength:"64" doc:"whose; the first of the kitchen where it is empty"`
}

type personInput struct {
	ID   string `path:"id" format:"uuid"`
	Body PersonSaid
}

// PersonSaid is what is kept of someone who practises.
type PersonSaid struct {
	Name string `json:"name" maxLength:"60"`
	Gone bool   `json:"gone,omitempty"`
}

func (s *Server) registerPractice(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/practice", "getPractice", "How someone's practice stands, and the sitting that is not over", 404), func(ctx context.Context, in *practicePageInput) (*body[PracticePage], error) {
		out, err := s.practicePage(ctx, in.Person)
		return &body[PracticePage]{out}, err
	})
	begin := costs(op(http.MethodPost, "/practice/sittings", "beginPractice", "Begin a sitting of ten drills", 404, 422))
	begin.DefaultStatus = http.StatusCreated
	huma.Register(api, begin, s.beginPractice)
	huma.Register(api, op(http.MethodPost, "/practice/sittings/{id}/calls", "callPractice", "Call a drill of a sitting", 404, 409, 422), s.callPractice)
	huma.Register(api, op(http.MethodPost, "/practice/sittings/{id}/end", "endPractice", "End a sitting; what was called stays", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		return nil, s.practiceProblem(ctx, s.Store.EndSitting(ctx, kitchenID(ctx), in.ID))
	})
	add := op(http.MethodPost, "/practice/people", "addPracticePerson", "Add someone who practises", 409)
	add.DefaultStatus = http.StatusCreated
	huma.Register(api, add, func(ctx context.Context, in *struct{ Body PersonSaid }) (*body[PracticePerson], error) {
		p, err := s.Store.AddPerson(ctx, kitchenID(ctx), strings.TrimSpace(in.Body.Name))
		if err != nil {
			return nil, s.practiceProblem(ctx, err)
		}
		return &body[PracticePerson]{PracticePerson{p.ID, p.Name, p.Gone}}, nil
	})
	huma.Register(api, op(http.MethodPut, "/practice/people/{id}", "savePracticePerson", "Name someone who practises, or put them away and back", 404), func(ctx context.Context, in *personInput) (*struct{}, error) {
		return nil, s.practiceProblem(ctx, s.Store.SavePerson(ctx, kitchenID(ctx), &store.Person{ID: in.ID, Name: strings.TrimSpace(in.Body.Name), Gone: in.Body.Gone}))
	})
	huma.Register(api, asFile(op(http.MethodGet, "/practice/calls.csv", "exportPractice", "What was called, as a table", 404), "text/csv"), s.exportPractice)
	take := op(http.MethodPost, "/practice/calls.csv", "importPractice", "Take calls of a table in; those that are there already stay", 422)
	take.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{"text/csv": {Schema: &huma.Schema{Type: huma.TypeString}}}}
	take.SkipValidateBody = true
	take.MaxBodyBytes = mostPracticeCSV
	huma.Register(api, take, s.importPractice)
}

// mostPracticeCSV is the largest table of calls that is read, bytes.
const mostPracticeCSV = 16 << 20

func (s *Server) practiceProblem(ctx context.Context, err error) error {
	switch {
	case err == nil:
		return nil
	case errors.Is(err, store.ErrNotFound):
		return problem.New(http.StatusNotFound, problem.NotFound, "There is no such sitting or person here.")
	case errors.Is(err, store.ErrTooMany):
		return problem.New(http.StatusConflict, "too-many", "As many people practise here as may.")
	case errors.Is(err, practice.ErrNoAnswer):
		return problem.New(http.StatusUnprocessableEntity, "no-answer", "That is no answer to this drill.")
	case errors.Is(err, store.ErrTaken):
		return problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "That ID is of another call.")
	}
	return s.problemOf(ctx, err)
}

func (s *Server) practicePage(ctx context.Context, person string) (PracticePage, error) {
	out := PracticePage{People: []PracticePerson{}}
	people, err := s.Store.People(ctx, kitchenID(ctx))
	if err != nil {
		return out, s.practiceProblem(ctx, err)
	}
	for _, p := range people {
		if !p.Gone {
			out.People = append(out.People, PracticePerson{ID: p.ID, Name: phrases.Say(p.Name, languageOf(ctx))})
			if out.Person == "" && person == "" {
				out.Person = p.ID
			}
		}
		if p.ID == person {
			out.Person = person // who is gone is still told to who asks
		}
	}
	if person != "" && out.Person == "" {
		return out, s.practiceProblem(ctx, store.ErrNotFound)
	}
	if out.Eye, err = s.eye(ctx, out.Person); err != nil || out.Person == "" {
		return out, err
	}
	sitting, calls, err := s.Store.Sitting(ctx, kitchenID(ctx), out.Person)
	if err != nil {
		return out, s.practiceProblem(ctx, err)
	}
	if sitting != nil && !sitting.Ended && len(calls) < len(sitting.Drills) {
		k, err := s.kitchen(ctx)
		if err != nil {
			return out, err
		}
		out.Sitting = s.tellSitting(ctx, k, sitting, calls)
	}
	return out, nil
}

func (s *Server) eye(ctx context.Context, person string) (wire.PracticeEye, error) {
	var calls []practice.Call
	if person != "" {
		kept, err := s.Store.Calls(ctx, kitchenID(ctx), person)
		if err != nil {
			return wire.PracticeEye{}, s.practiceProblem(ctx, err)
		}
		calls = called(kept)
	}
	e := practice.EyeOf(calls, time.Now())
	return wire.EyeOf(&e), nil
}

func called(kept []store.PracticeCall) []practice.Call {
	out := make([]practice.Call, len(kept))
	for i := range kept {
		out[i] = kept[i].Call
	}
	return out
}

func (s *Server) tellSitting(ctx context.Context, k *kitchen.Kitchen, sitting *store.PracticeSitting, calls []store.PracticeCall) *PracticeSitting {
	out := &PracticeSitting{ID: sitting.ID, Person: sitting.Person, BeganAt: sitting.BeganAt, Over: sitting.Ended, Drills: []wire.PracticeDrill{}, Calls: []PracticeCalled{}}
	for i := range sitting.Drills {
		d := sitting.Drills[i]
		// Foods that are gone since are no longer shown; what was asked of them stays as it was.
		d.Document = phrases.In(languageOf(ctx), usable(k, &d.Document))
		if d.Other != nil {
			other := phrases.In(languageOf(ctx), usable(k, d.Other))
			d.Other = &other
		}
		out.Drills = append(out.Drills, wire.DrillOf(&d, k))
	}
	for i := range calls {
		out.Calls = append(out.Calls, calledOf(&calls[i]))
	}
	return out
}

func calledOf(c *store.PracticeCall) PracticeCalled {
	a := &c.Answer
	return PracticeCalled{
		ID: c.ID, Number: c.Number, Index: a.Index, Choice: a.Choice, Grams: a.Grams, Minutes: a.Minutes, Sure: c.Sure, Right: c.Right,
		OffWords: wire.Tidy(c.Off, 2), OffMinutes: wire.Tidy(c.OffMinutes, 1), Score: wire.Tidy(c.Score(), 3),
	}
}

// ownTries are how many of a kitchen's last tries drills are made of; each costs a question to the database.
const ownTries = 12

func (s *Server) beginPractice(ctx context.Context, in *struct{ Body PracticeWish }) (*body[PracticeSitting], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	person := in.Body.Person
	if person == "" {
		p, err := s.Store.FirstPerson(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.practiceProblem(ctx, err)
		}
		person = p.ID
	}
	calls, err := s.Store.Calls(ctx, kitchenID(ctx), person)
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	wish := practice.Wish{Only: in.Body.Try != ""}
	if in.Body.Kind != "" {
		wish.Kinds = []practice.Kind{in.Body.Kind}
	}
	seed := rand.Uint64()
	own, err := s.ownTries(ctx, k, in.Body.Try, seed)
	if err != nil {
		return nil, err
	}
	now := time.Now()
	drills := practice.Sit(seed, wish, own, practice.Memories(called(calls)), now, k)
	if len(drills) == 0 {
		code, why := "no-drills", "The kitchen's foods give no drill."
		if wish.Only {
			code, why = "nothing-to-ask", "The model is not sure enough of this try to ask about it."
		}
		return nil, problem.New(http.StatusUnprocessableEntity, code, why)
	}
	sitting, err := s.Store.BeginSitting(ctx, kitchenID(ctx), person, drills)
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	return &body[PracticeSitting]{*s.tellSitting(ctx, k, sitting, nil)}, nil
}

// ownTries gives the tries to ask about: one, or the last of the kitchen in an order of that seed.
func (s *Server) ownTries(ctx context.Context, k *kitchen.Kitchen, one string, seed uint64) (out []practice.OwnTry, err error) {
	var kept []store.Try
	if one != "" {
		t, err := s.Store.FindTry(ctx, kitchenID(ctx), one)
		if err != nil {
			return nil, s.practiceProblem(ctx, err)
		}
		kept = []store.Try{*t}
	} else if kept, err = s.Store.SeekTries(ctx, kitchenID(ctx), store.Seek{Kind: store.TryCooked, Limit: 4 * ownTries}); err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	r := rand.New(rand.NewPCG(seed, 12))
	r.Shuffle(len(kept), func(i, j int) { kept[i], kept[j] = kept[j], kept[i] })
	for i := range kept[:min(ownTries, len(kept))] {
		t := &kept[i]
		if tried, err := jobs.TryOf(t, k.Foods); err == nil {
			out = append(out, practice.OwnTry{Try: tried, Planned: s.planned(ctx, t, k)})
		}
	}
	return out, nil
}

func (s *Server) callPractice(ctx context.Context, in *struct {
	ID   string `path:"id" format:"uuid"`
	Body PracticeCallSent
}) (*body[PracticeMarked], error) {
	sitting, calls, err := s.Store.FindSitting(ctx, kitchenID(ctx), in.ID)
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	b := &in.Body
	marked := &PracticeMarked{}
	at := slices.IndexFunc(calls, func(c store.PracticeCall) bool { return c.Number == b.Number })
	switch {
	case at >= 0:
		marked.Call, marked.Elsewhere = calledOf(&calls[at]), calls[at].ID != b.ID
	case b.Number >= len(sitting.Drills):
		return nil, problem.New(http.StatusConflict, "sitting-over", "That sitting is over: its drills are asked no more.")
	default:
		said := practice.Answer{Index: b.Index, Choice: b.Choice, Grams: b.Grams, Minutes: b.Minutes, Sure: b.Sure}
		call, err := sitting.Drills[b.Number].Mark(said)
		if err != nil {
			return nil, s.practiceProblem(ctx, err)
		}
		call.At = time.Now().UTC()
		kept, others, err := s.Store.AddCall(ctx, sitting, &store.PracticeCall{ID: b.ID, Number: b.Number, Call: call, Answer: said})
		if err != nil {
			return nil, s.practiceProblem(ctx, err)
		}
		marked.Call, marked.Elsewhere = calledOf(kept), others
		calls = append(calls, *kept)
	}
	marked.Enough = practice.Enough(called(calls)) || len(calls) >= len(sitting.Drills)
	if len(calls) >= len(sitting.Drills) && !sitting.Ended {
		if err := s.Store.EndSitting(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.practiceProblem(ctx, err)
		}
	}
	if marked.Eye, err = s.eye(ctx, sitting.Person); err != nil {
		return nil, err
	}
	return &body[PracticeMarked]{*marked}, nil
}

func (s *Server) exportPractice(ctx context.Context, in *practicePageInput) (*fileOutput, error) {
	all, err := s.Store.Practised(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	if in.Person != "" {
		if all = slices.DeleteFunc(all, func(p store.Practised) bool { return p.ID != in.Person }); len(all) == 0 {
			return nil, s.practiceProblem(ctx, store.ErrNotFound)
		}
	}
	text, err := export.PracticeCSV(all)
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	return &fileOutput{"text/csv; charset=utf-8", fmt.Sprintf("attachment; filename=%q", "practice.csv"), text}, nil
}

// PracticeImported says how many calls were taken in.
type PracticeImported struct {
	Calls int `json:"calls"`
}

func (s *Server) importPractice(ctx context.Context, in *DocumentInput) (*body[PracticeImported], error) {
	rows, err := export.ReadPracticeCSV(in.RawBody)
	if err != nil {
		return nil, problem.New(http.StatusUnprocessableEntity, "bad-practice", "Nothing was taken in: "+err.Error()+".")
	}
	people, err := s.Store.People(ctx, kitchenID(ctx))
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	take := store.Taken{}
	for i := range rows {
		take.Practised = addRow(take.Practised, &rows[i], people, kitchenID(ctx))
	}
	count, err := s.Store.TakeIn(ctx, kitchenID(ctx), take)
	if err != nil {
		return nil, s.practiceProblem(ctx, err)
	}
	return &body[PracticeImported]{PracticeImported{count.Calls}}, nil
}

// addRow puts a call with whoever here has that name, or with somebody new.
func addRow(all []store.Practised, row *export.PracticeRow, people []store.Person, kitchen string) []store.Practised {
	at := slices.IndexFunc(all, func(p store.Practised) bool { return p.Name == row.Person })
	if at < 0 {
		person := store.Person{Name: row.Person, CreatedAt: row.At}
		if i := slices.IndexFunc(people, func(p store.Person) bool { return p.Name == row.Person }); i >= 0 {
			person = people[i]
		} else {
			space, err := uuid.Parse(kitchen)
			if err != nil {
				space = uuid.Nil
			}
			person.ID = uuid.NewSHA1(space, []byte("practice "+row.Person)).String()
		}
		all = append(all, store.Practised{Person: person})
		at = len(all) - 1
	}
	all[at].Calls = append(all[at].Calls, row.PracticeCall)
	return all
}
