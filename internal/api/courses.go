package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"reflect"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/cooking"
	"cuerda/core/keepable"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
	"cuerda/internal/live"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// CourseEntry is a course in the list.
type CourseEntry struct {
	ID     string     `json:"id" format:"uuid"`
	Name   string     `json:"name"`
	Table  time.Time  `json:"table"`
	Start  time.Time  `json:"start"`
	Dishes int        `json:"dishes"`
	Ended  *time.Time `json:"ended,omitempty"`
	// Simulated says that its instruments are.
	Simulated bool `json:"simulated,omitempty"`
}

// NewCourse says what is to be cooked: a supper or a build of the kitchen.
type NewCourse struct {
	Supper string `json:"supper,omitempty" format:"uuid"`
	Build  string `json:"build,omitempty" format:"uuid"`
	// Table is when it is to be on the table; as soon as it can be where it says nothing, or is
	// sooner than that.
	Table *time.Time `json:"table,omitempty"`
}

// CourseCommands are what a device did, in its order.
type CourseCommands struct {
	Events []cooking.Event `json:"events" minItems:"1" maxItems:"500"`
}

// CourseOutcome is what became of a command.
type CourseOutcome struct {
	ID string `json:"id"`
	// Seq is that of the course then, 0 where it was refused.
	Seq     int64  `json:"seq"`
	Refused string `json:"refused,omitempty" doc:"why"`
	Got     string `json:"got,omitempty"`
}

// CourseAnswer is what became of commands, and what there is to see now.
type CourseAnswer struct {
	Outcomes []CourseOutcome `json:"outcomes"`
	Course   wire.Course     `json:"course"`
}

// CourseEvents are events of a course, in the order in which they were taken.
type CourseEvents struct {
	Seq    int64       `json:"seq"`
	Events []KeptEvent `json:"events"`
}

// KeptEvent is an event as it was taken.
type KeptEvent struct {
	Seq int64 `json:"seq"`
	cooking.Event
	// By is who did it: missing where nobody signs in, empty for somebody who left.
	By *string `json:"by,omitempty"`
}

// CourseMeasured is a reading of a probe as it was kept.
type CourseMeasured struct {
	Source  string    `json:"source"`
	Place   string    `json:"place" enum:"core,oven,surface"`
	Dish    int       `json:"dish" doc:"from 0; -1 where the instrument did not say"`
	At      time.Time `json:"at"`
	Celsius float64   `json:"celsius"`
}

func (s *Server) registerCourses(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/courses", "listCourses", "Courses, those that go on first"), s.listCourses)
	create := costs(op(http.MethodPost, "/courses", "beginCourse", "Begin to cook a supper or a build", 404, 410, 422))
	create.DefaultStatus = http.StatusCreated
	huma.Register(api, create, s.beginCourse)
	huma.Register(api, op(http.MethodGet, "/courses/{id}", "getCourse", "A course as it is now", 404, 410), func(ctx context.Context, in *IDInput) (*body[wire.Course], error) {
		c, k, err := s.findCourse(ctx, in.ID)
		if err != nil {
			return nil, err
		}
		return &body[wire.Course]{s.courseOf(ctx, c, k)}, nil
	})
	// What makes no sense of a queue is refused by itself; the rest of it counts.
	act := op(http.MethodPost, "/courses/{id}/events", "actOnCourse", "What a device did, each once", 404, 410, 422)
	act.SkipValidateBody = true
	act.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		"application/json": {Schema: api.OpenAPI().Components.Schemas.Schema(reflect.TypeFor[CourseCommands](), true, "")},
	}}
	huma.Register(api, act, s.actOnCourse)
	huma.Register(api, op(http.MethodGet, "/courses/{id}/events", "listCourseEvents", "The events of a course", 404, 410), func(ctx context.Context, in *courseEventsInput) (*body[CourseEvents], error) {
		if _, _, err := s.findCourse(ctx, in.ID); err != nil {
			return nil, err
		}
		events, err := s.Store.CourseEvents(ctx, in.ID, in.After)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out := CourseEvents{Seq: in.After, Events: []KeptEvent{}}
		for _, e := range events {
			out.Seq, out.Events = e.Seq, append(out.Events, KeptEvent{e.Seq, e.Event, e.By})
		}
		return &body[CourseEvents]{out}, nil
	})
	huma.Register(api, op(http.MethodGet, "/courses/{id}/readings", "listCourseReadings", "What the probes of a course measured", 404, 410), func(ctx context.Context, in *IDInput) (*body[[]CourseMeasured], error) {
		if _, _, err := s.findCourse(ctx, in.ID); err != nil {
			return nil, err
		}
		all, err := s.Store.Readings(ctx, in.ID)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out := make([]CourseMeasured, len(all))
		for i, r := range all {
			out[i] = CourseMeasured(r)
		}
		return &body[[]CourseMeasured]{out}, nil
	})
	huma.Register(api, op(http.MethodPost, "/courses/{id}/past", "lookPast", "What an amount would do, before it is taken", 404, 410, 422), s.mixPast)
	huma.Register(api, op(http.MethodDelete, "/courses/{id}", "deleteCourse", "Put a course away", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.DeleteCourse(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.live.Forget(in.ID)
		return nil, nil
	})
	huma.Register(api, op(http.MethodPost, "/courses/{id}/restore", "restoreCourse", "Bring a course back", 404), func(ctx context.Context, in *IDInput) (*body[wire.Course], error) {
		if err := s.Store.RestoreCourse(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		c, k, err := s.findCourse(ctx, in.ID)
		if err != nil {
			return nil, err
		}
		return &body[wire.Course]{s.courseOf(ctx, c, k)}, nil
	})
	s.registerInstruments(api)
	s.registerPhotos(api)
}

type courseEventsInput struct {
	IDInput
	After int64 `query:"after" minimum:"0"`
}

type coursesInput struct {
	Limit int `query:"limit" minimum:"1" maximum:"300" default:"50"`
}

func (s *Server) listCourses(ctx context.Context, in *coursesInput) (*body[[]CourseEntry], error) {
	all, err := s.Store.ListCourses(ctx, kitchenID(ctx), in.Limit)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := make([]CourseEntry, len(all))
	for i, e := range all {
		out[i] = CourseEntry(e)
		out[i].Name = phrases.Say(e.Name, languageOf(ctx))
	}
	return &body[[]CourseEntry]{out}, nil
}

// findCourse gives a course with the kitchen it is cooked in.
func (s *Server) findCourse(ctx context.Context, id string) (*live.Course, *kitchen.Kitchen, error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, nil, err
	}
	c, err := s.live.Find(ctx, kitchenID(ctx), id)
	if err != nil {
		return nil, nil, s.problemOf(ctx, err)
	}
	return c, k, nil
}

func courseWords(ctx context.Context) wire.CourseWords {
	language := languageOf(ctx)
	return wire.CourseWords{Spanish: language == "es", Say: func(text string) string { return phrases.Say(text, language) }}
}

func (s *Server) courseOf(ctx context.Context, c *live.Course, k *kitchen.Kitchen) wire.Course {
	out := wire.CourseOf(c.ID, c.Snapshot(k), k, courseWords(ctx))
	out.Simulated = s.simulated(c.ID)
	return out
}

type beginCourseInput struct {
	Body NewCourse
}

func (s *Server) beginCourse(ctx context.Context, in *beginCourseInput) (*body[wire.Course], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	d, err := s.toCook(ctx, &in.Body)
	if err != nil {
		return nil, err
	}
	now := time.Now()
	planned, err := s.inTime(ctx, d, k, now)
	if err != nil {
		return nil, problem.OfSupper(err, d.Dishes)
	}
	plan := cooking.Of(d, planned, k)
	plan.Supper, plan.Build = in.Body.Supper, in.Body.Build
	kept, err := s.Store.CreateCourse(ctx, kitchenID(ctx), plan, now.Truncate(time.Millisecond), now)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	c, err := s.live.Find(ctx, kitchenID(ctx), kept.ID)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := s.courseOf(ctx, c, k)
	out.Token = kept.Token
	return &body[wire.Course]{out}, nil
}

// toCook gives what is to be cooked as a supper.
func (s *Server) toCook(ctx context.Context, of *NewCourse) (*supper.Supper, error) {
	switch {
	case (of.Supper == "") == (of.Build == ""):
		return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "A course is of a supper or of a build.")
	case of.Table != nil && !keepable.Time(*of.Table):
		return nil, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, "/table", "The table is at no time that can be kept: between the years 1900 and 2500.")
	case of.Supper != "":
		kept, err := s.Store.FindSupper(ctx, kitchenID(ctx), of.Supper)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		d := kept.Document
		if of.Table != nil {
			d.Table = *of.Table
		}
		d.Now = nil
		return &d, nil
	}
	kept, err := s.Store.Find(ctx, kitchenID(ctx), of.Build)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	text, err := json.Marshal(&kept.Document)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	d := &supper.Supper{Format: supper.Format, Name: kept.Document.Name, Table: time.Now().Add(-time.Hour), Aim: string(schedule.LatestStart)}
	if of.Table != nil {
		d.Table = *of.Table
	}
	d.Dishes = []supper.SupperDish{{Name: kept.Document.Name, Build: text, From: &supper.SupperFrom{Build: kept.ID, Version: kept.Version}}}
	return d, nil
}

// inTime plans a supper from now for its table, or where that is too soon for as soon as it
// can be.
func (s *Server) inTime(ctx context.Context, d *supper.Supper, k *kitchen.Kitchen, now time.Time) (*supper.Planned, error) {
	options := supper.Options{Done: ctx.Done()}
	if d.Table.After(now) {
		own := *d
		at := now.Truncate(time.Minute)
		own.Now = &at
		planned, err := s.baker.Make(&own, k, options)
		var odds *schedule.AtOddsError
		if err != nil && !errors.As(err, &odds) {
			return nil, err
		}
		if err == nil && !begins(planned).Before(at) {
			return planned, nil
		}
	}
	// Without a now it takes as long as it takes; the table moves to where that fits.
	free := *d
	free.Table = now.Add(24 * time.Hour).Truncate(time.Minute)
	free.Pins = nil
	planned, err := s.baker.Make(&free, k, options)
	if err != nil {
		return nil, err
	}
	by := free.Table.Sub(begins(planned)) + time.Minute
	moved := now.Add(by).Truncate(time.Minute).Sub(d.Table)
	free.Table = d.Table.Add(moved)
	free.Dishes = append([]supper.SupperDish(nil), d.Dishes...)
	for i := range free.Dishes {
		if at := free.Dishes[i].At; at != nil {
			then := at.Add(moved)
			free.Dishes[i].At = &then
		}
	}
	return s.baker.Make(&free, k, options)
}

// begins is when the first thing of a plan is to be done: a step, or an oven to be turned on.
func begins(p *supper.Planned) time.Time {
	first := p.Plan.Start
	for _, h := range p.Plan.Heats {
		first = max(first, h.Start)
	}
	return p.Time(first)
}

// actPath is where devices send what they did.
const actPath = kitchenPath + "/courses/:id/events"

// mostCommands is how many a device may send at once.
const mostCommands = 500

type actInput struct {
	IDInput
	RawBody []byte
}

// commandsOf reads a queue one by one: what cannot be read is refused by itself, with the ID that it has.
func commandsOf(text []byte) (commands []cooking.Event, odd map[int]CourseOutcome, err error) {
	var queue struct {
		Events []json.RawMessage `json:"events"`
	}
	if err := json.Unmarshal(text, &queue); err != nil || len(queue.Events) == 0 || len(queue.Events) > mostCommands {
		return nil, nil, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, "/events", "Between 1 and 500 events are taken at once.")
	}
	odd = map[int]CourseOutcome{}
	for i, one := range queue.Events {
		var e cooking.Event
		if err := json.Unmarshal(one, &e); err != nil {
			var named struct{ ID string }
			_ = json.Unmarshal(one, &named) // an ID that is none stays away
			odd[i] = CourseOutcome{ID: named.ID, Refused: cooking.Unreadable, Got: fmt.Sprint("event ", i)}
			continue
		}
		commands = append(commands, e)
	}
	return commands, odd, nil
}

func (s *Server) actOnCourse(ctx context.Context, in *actInput) (*body[CourseAnswer], error) {
	c, k, err := s.findCourse(ctx, in.ID)
	if err != nil {
		return nil, err
	}
	commands, odd, err := commandsOf(in.RawBody)
	if err != nil {
		return nil, err
	}
	outcomes, err := c.Do(ctx, commands)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := CourseAnswer{Course: s.courseOf(ctx, c, k)}
	for i := range len(outcomes) + len(odd) {
		one, unread := odd[i]
		if !unread {
			o := outcomes[0]
			outcomes = outcomes[1:]
			one = CourseOutcome{ID: o.ID, Seq: o.Seq}
			if o.Refused != nil {
				one.Refused, one.Got = o.Refused.Code, o.Refused.Got
			}
		}
		out.Outcomes = append(out.Outcomes, one)
	}
	return &body[CourseAnswer]{out}, nil
}

type pastInput struct {
	IDInput
	Body cooking.Event
}

func (s *Server) mixPast(ctx context.Context, in *pastInput) (*body[wire.CourseBowl], error) {
	c, k, err := s.findCourse(ctx, in.ID)
	if err != nil {
		return nil, err
	}
	b, ok := c.Past(in.Body, k)
	if !ok {
		return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "That is no amount of a mix.")
	}
	return &body[wire.CourseBowl]{wire.Bowl(&b, k, courseWords(ctx))}, nil
}
