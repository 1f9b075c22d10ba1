package api

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn/patties"
	"cuerda/internal/problem"
)

func (s *Server) registerPatties(api huma.API) {
	huma.Register(api, costs(op(http.MethodPost, "/patties", "planPatties", "Which test patties to fry next, and what those fried tell", 422)), s.askPatties)
}

// PattiesAsked is a question about a build, and what was fried of it so far.
type PattiesAsked struct {
	Document json.RawMessage      `json:"document"`
	Question patties.OpenQuestion `json:"question"`
	Fried    []patties.FriedPatty `json:"fried,omitempty" maxItems:"60"`
	// Next is how many to fry at once.
	Next int `json:"next,omitempty" minimum:"0" maximum:"3"`
}

type pattiesInput struct {
	Body PattiesAsked
}

// PattiesAnswer is what is known, and what to fry next.
type PattiesAnswer struct {
	Options []PattyOption `json:"options"`
	// Best is the option to take; -1 where none is enough.
	Best     int     `json:"best"`
	None     float64 `json:"none" digits:"2"`
	Ordered  bool    `json:"ordered"`
	AmountG  float64 `json:"amount_g" digits:"1"`
	AmountSD float64 `json:"amount_sd_g" digits:"1"`
	Sure     bool    `json:"sure"`
	Settled  bool    `json:"settled"`
	Next     []int   `json:"next"`
	Gain     float64 `json:"gain_bit" digits:"2"`
	// BaseG is the base mix that the next ones take, g.
	BaseG float64 `json:"base_g" digits:"0"`
	// Document is the build with the best option taken; missing where none is enough.
	Document *document.Document `json:"document,omitempty"`
}

// PattyOption is one way, how likely it is the answer, and how a patty of it is weighed.
type PattyOption struct {
	AmountG     float64  `json:"amount_g"`
	Answer      float64  `json:"answer" digits:"2"`
	Chance      float64  `json:"chance" digits:"2"`
	Holds       float64  `json:"holds" digits:"2"`
	BaseG       float64  `json:"base_g" digits:"1"`
	Food        string   `json:"food,omitempty"`
	AddG        float64  `json:"add_g" digits:"1"`
	RestMinutes *float64 `json:"rest_minutes,omitempty"`
}

// asked gives the options of a question, whose foods the kitchen must know.
func asked(open *patties.OpenQuestion, d *document.Document, k *kitchen.Kitchen) ([]patties.Option, error) {
	options, err := open.Options(d)
	for i := range options {
		for _, l := range options[i].Document.Lines {
			if k.Foods.Find(l.Food) == nil {
				return nil, fmt.Errorf("%w: there is no food %q", patties.ErrBadQuestion, l.Food)
			}
		}
	}
	return options, err
}

func (s *Server) askPatties(ctx context.Context, in *pattiesInput) (*body[PattiesAnswer], error) {
	k, d, err := s.kitchenAndDocument(ctx, in.Body.Document)
	if err != nil {
		return nil, err
	}
	open := &in.Body.Question
	options, err := asked(open, d, k)
	if err != nil {
		return nil, problem.New(http.StatusUnprocessableEntity, "bad-question", "This cannot be asked of the build: "+err.Error()+".")
	}
	q, err := patties.Ask(k, open.Ordered(), options...)
	if err != nil {
		return nil, problem.New(http.StatusUnprocessableEntity, "bad-question", err.Error())
	}
	weighed, err := open.Weigh(d, k)
	if err != nil {
		return nil, problem.New(http.StatusUnprocessableEntity, "bad-question", err.Error())
	}
	a := q.Decide(in.Body.Fried, max(1, in.Body.Next))
	out := PattiesAnswer{Best: a.Best, None: a.None, Ordered: q.Ordered, AmountG: a.Amount, AmountSD: a.AmountSD, Sure: a.Sure, Settled: a.Settled, Next: append([]int{}, a.Next...), Gain: a.Gain}
	for i, o := range q.Options {
		w := weighed[i]
		out.Options = append(out.Options, PattyOption{o.Amount, a.Chances[i], o.Chance, a.Holds[i], w.BaseG, w.Food, w.AddG, w.RestMinutes})
	}
	if a.Best >= 0 {
		out.Document = q.Options[a.Best].Document
	}
	for _, i := range a.Next {
		out.BaseG += weighed[i].BaseG
	}
	return &body[PattiesAnswer]{out}, nil
}
