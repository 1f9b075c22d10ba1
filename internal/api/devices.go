package api

import (
	"context"
	"errors"
	"net/http"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/keepable"
	"cuerda/core/kitchen"
	"cuerda/internal/people"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// pairedWithin is how long the six figures of a pairing are good for; linkedFor is how long a link may lead somewhere.
const (
	pairedWithin  = 5 * time.Minute
	mostLinkDays  = 365
	usualLinkDays = 30
)

// Pairing is six figures that let one device in.
type Pairing struct {
	Code      string    `json:"code"`
	ExpiresAt time.Time `json:"expires_at"`
}

type pairInput struct {
	browser
	Body struct {
		Code string `json:"code" maxLength:"20"`
		Name string `json:"name,omitempty" maxLength:"200"`
	}
}

// LinkMade is a link with its token, which is told this once.
type LinkMade struct {
	ID        string    `json:"id"`
	Token     string    `json:"token"`
	ExpiresAt time.Time `json:"expires_at"`
}

// Linked is a build that is shown by a link: without its note and without anybody's name.
type Linked struct {
	Name       string            `json:"name"`
	Foods      []Food            `json:"foods"`
	Document   document.Document `json:"document"`
	Prediction Predicted         `json:"prediction"`
}

func (s *Server) registerDevices(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/devices", "listDevices", "The devices at the kitchen's stove"), func(ctx context.Context, _ *struct{}) (*body[[]store.Device], error) {
		all, err := s.Store.Devices(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[[]store.Device]{append([]store.Device{}, all...)}, nil
	})
	pairing := op(http.MethodPost, "/pairing", "openPairing", "Six figures that let one device in, for five minutes", 409)
	pairing.DefaultStatus = http.StatusCreated
	huma.Register(api, pairing, func(ctx context.Context, _ *struct{}) (*body[Pairing], error) {
		if err := s.needAccounts(); err != nil {
			return nil, err
		}
		code, hash := people.Figures()
		until := time.Now().Add(pairedWithin)
		if err := s.Store.OpenPairing(ctx, kitchenID(ctx), hash, until); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "pairing", "")
		return &body[Pairing]{Pairing{code, until}}, nil
	})
	huma.Register(api, op(http.MethodDelete, "/devices/{id}", "endDevice", "Keep a device out from now on", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.EndDevice(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "device-ended", "")
		return nil, nil
	})
	huma.Register(api, beside(http.MethodPost, "/pairings", "pair", "Come in as a device, by six figures", 404, 409, 429), s.pair)
	link := op(http.MethodPost, "/links", "makeLink", "A link by which anybody can read one build, until a day", 404)
	link.DefaultStatus = http.StatusCreated
	huma.Register(api, link, func(ctx context.Context, in *struct {
		Body struct {
			Build string `json:"build" maxLength:"60"`
			Days  int    `json:"days,omitempty" minimum:"1" maximum:"365"`
		}
	}) (*body[LinkMade], error) {
		days := in.Body.Days
		if days == 0 {
			days = usualLinkDays
		}
		token, hash := people.Token()
		until := time.Now().AddDate(0, 0, min(days, mostLinkDays))
		id, err := s.Store.MakeLink(ctx, kitchenID(ctx), in.Body.Build, hash, until)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "linked", "")
		return &body[LinkMade]{LinkMade{id, token, until}}, nil
	})
	huma.Register(api, op(http.MethodGet, "/links", "listLinks", "Links that lead somewhere"), func(ctx context.Context, _ *struct{}) (*body[[]store.Link], error) {
		all, err := s.Store.Links(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[[]store.Link]{append([]store.Link{}, all...)}, nil
	})
	huma.Register(api, op(http.MethodDelete, "/links/{id}", "endLink", "Take a link back", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.EndLink(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "link-ended", "")
		return nil, nil
	})
	huma.Register(api, beside(http.MethodGet, "/links/{token}", "followLink", "The build that a link leads to", 404, 429), s.followLink)
}

func (s *Server) pair(ctx context.Context, in *pairInput) (*meOutput, error) {
	if err := s.needAccounts(); err != nil {
		return nil, err
	}
	p, _ := principal.From(ctx)
	tokens := counter{s.door.tokens, p.Address}
	if err := s.try(ctx, tokens); err != nil {
		return nil, err
	}
	name := strings.Join(strings.Fields(in.Body.Name), " ")
	if !keepable.Text(name, 60) {
		return nil, problem.At(http.StatusUnprocessableEntity, problem.BadRequest, "/name", "A device has a name of at most 60 letters.")
	}
	code := strings.Join(strings.Fields(in.Body.Code), "")
	device, kitchen, err := s.Store.Pair(ctx, people.HashOf(code), name)
	if errors.Is(err, store.ErrNotFound) {
		// Whoever opened a code hears that somebody typed a wrong one.
		opened, err := s.Store.OpenPairings(ctx)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		for _, kitchen := range opened {
			wrong := p
			wrong.Kitchen, wrong.Account = kitchen, ""
			s.journal(principal.With(ctx, wrong), "pairing-failed", "")
		}
		return nil, problem.New(http.StatusNotFound, problem.NotFound, "These figures let nobody in: after three wrong ones, or five minutes, ask for new ones.")
	}
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if err := s.right(ctx, tokens); err != nil {
		return nil, err
	}
	p = principal.Principal{Kitchen: kitchen, Device: device, Role: principal.Stove, Address: p.Address}
	return s.letIn(principal.With(ctx, p), in.Agent, "paired")
}

// followLink shows one build to whoever has the link. Who eats is told by what they leave out, not by name.
func (s *Server) followLink(ctx context.Context, in *struct {
	Token string `path:"token" maxLength:"100"`
}) (*body[Linked], error) {
	p, _ := principal.From(ctx)
	tokens := counter{s.door.tokens, p.Address}
	if err := s.try(ctx, tokens); err != nil {
		return nil, err
	}
	id, build, err := s.Store.FollowLink(ctx, people.HashOf(in.Token))
	if errors.Is(err, store.ErrNotFound) {
		return nil, problem.New(http.StatusNotFound, problem.NotFound, "This link leads nowhere: its day is over, or it was taken back.")
	}
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if err := s.right(ctx, tokens); err != nil {
		return nil, err
	}
	ctx = principal.InKitchen(ctx, id)
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	b, err := s.Store.Find(ctx, id, build)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return s.linked(k, b)
}

func (s *Server) linked(k *kitchen.Kitchen, b *store.Build) (*body[Linked], error) {
	d := b.Document
	d.Note = ""
	if d.Eaters != nil {
		e := *d.Eaters
		e.People = nil
		d.Eaters = &e
	}
	out := Linked{Name: d.Name, Foods: []Food{}, Document: d}
	for _, line := range d.Lines {
		if f := k.Foods.Find(line.Food); f != nil {
			out.Foods = append(out.Foods, foodOf(k.Foods, f))
		}
	}
	out.Prediction = predictionOf(&d, k)
	return &body[Linked]{out}, nil
}
