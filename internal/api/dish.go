package api

import (
	"context"
	"math"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/dish"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

type startInput struct {
	DocumentInput
	Kind string `query:"kind" required:"true" enum:"filling,middle,shell,wrap,vessel,coating,wash,glaze,sauce,broth"`
}

type fitPartInput struct {
	DocumentInput
	Part int `query:"part" required:"true" minimum:"1" doc:"which part, from 1"`
}

type scaleInput struct {
	DocumentInput
	TinInput
	Pieces   int     `query:"pieces" minimum:"0" maximum:"2000"`
	Portions int     `query:"portions" minimum:"0" maximum:"500"`
	Food     string  `query:"food" maxLength:"60" doc:"a food there is so much of"`
	Grams    float64 `query:"grams" minimum:"0" maximum:"100000"`
}

// Scaling is a dish in another amount, with what the kitchen makes of that and
// what is to be bought.
type Scaling struct {
	wire.Scaled
	Pieces int `json:"pieces"`
	// Bowls is how often the processor is filled, Batches how often one cooks, and
	// Loads how many trays, tins or panfuls there are.
	Bowls   int             `json:"bowls"`
	Batches int             `json:"batches"`
	Loads   int             `json:"loads"`
	On      string          `json:"on" enum:"tray,pan,pot,tin"`
	Shop    []wire.Purchase `json:"shop"`
	MassG   float64         `json:"mass_g"`
}

var scaleCodes = map[error]string{
	dish.ErrNoAim: "no-aim", dish.ErrNoMix: "empty-mix", dish.ErrNoPortions: "no-portions", dish.ErrNoPieces: "no-pieces",
	dish.ErrNotThere: "not-there", dish.ErrTooMuch: "too-much", dish.ErrTooLittle: "too-little",
	piece.ErrNoLoaf: "no-loaf", piece.ErrTooSmall: "piece-too-small", piece.ErrTooBig: "piece-too-big",
}

func (s *Server) registerDish(api huma.API) {
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/dish", "lookAtDish", "A build with its parts: amounts, checks, nutrition and cost")),
		func(ctx context.Context, in *DocumentInput) (*body[wire.Dish], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[wire.Dish]{wire.Of[wire.Dish](dish.Assess(d, k))}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/parts/start", "startPart", "A first try at a part, in the amount the build wants")),
		func(ctx context.Context, in *startInput) (*body[document.Part], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[document.Part]{dish.Start(d, document.PartKind(in.Kind), k)}, nil
		})
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/parts/fit", "fitPart", "A part of the build in the amount that its pieces or portions want")),
		func(ctx context.Context, in *fitPartInput) (*body[document.Part], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			if in.Part > len(d.Parts) {
				return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The build has no such part.")
			}
			return &body[document.Part]{dish.Resize(d, d.Parts[in.Part-1], k)}, nil
		})
	huma.Register(api, takesDocument(api, costs(op(http.MethodPost, "/scale", "scale", "A build by pieces, portions, a tin or what there is; without an aim, as it stands, and what to buy for it"))), s.scale)
	huma.Register(api, takesDocument(api, op(http.MethodPost, "/explain", "explain", "How the figures of a mix come about")),
		func(ctx context.Context, in *DocumentInput) (*body[Explained], error) {
			k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
			if err != nil {
				return nil, err
			}
			return &body[Explained]{explain(d, k)}, nil
		})
}

func (s *Server) scale(ctx context.Context, in *scaleInput) (*body[Scaling], error) {
	k, d, err := s.kitchenAndDocument(ctx, in.RawBody)
	if err != nil {
		return nil, err
	}
	aim := dish.Aim{Pieces: in.Pieces, Portions: in.Portions, Food: in.Food, Grams: in.Grams, Tin: in.tin()}
	scaled := dish.Scaled{Document: *d, Factor: 1}
	if aim != (dish.Aim{}) {
		if scaled, err = dish.Scale(d, aim, k); err != nil {
			return nil, problem.New(http.StatusUnprocessableEntity, codeOf(err, scaleCodes), "The build cannot be scaled so: "+err.Error()+".")
		}
	}
	baked := bake.Bake(&scaled.Document, k, bake.Options{Now: -1})
	out := Scaling{Scaled: wire.Of[wire.Scaled](scaled), Pieces: baked.Yield.Pieces, Bowls: 0, Batches: baked.Load.Batches, Loads: baked.Load.Loads, On: baked.Load.On,
		Shop: wire.Of[[]wire.Purchase](dish.Shop(&scaled.Document, k))}
	for _, step := range baked.Steps {
		if step.Code == "blitz" && step.Part == 0 {
			out.Bowls = step.Times
		}
	}
	for _, p := range mix.Parts(scaled.Document.MixLines(k.Foods)) {
		out.MassG += p.Mass
	}
	out.MassG = wire.Tidy(out.MassG, 0)
	return &body[Scaling]{out}, nil
}

// Explained is how the figures come about, with what they are held against.
type Explained struct {
	wire.Explanation
	Foods  []string    `json:"foods"`
	Grades []string    `json:"grades"`
	Q      *float64    `json:"q" nullable:"true"`
	Raw    float64     `json:"chance_raw"`
	Cooked float64     `json:"chance_cooked"`
	Chance float64     `json:"chance"`
	Need   wire.Demand `json:"need"`
	Low    float64     `json:"chance_low"`
	High   float64     `json:"chance_high"`
	// Levers are the lines that move a figure most when there is a tenth more of
	// them, from 0; -1 where none moves it.
	LeverQ      int     `json:"lever_q"`
	LeverRaw    int     `json:"lever_raw"`
	LeverCooked int     `json:"lever_cooked"`
	Density     float64 `json:"density_kg_m3"`
}

func explain(d *document.Document, k *kitchen.Kitchen) Explained {
	lines := d.MixLines(k.Foods)
	parts := mix.Parts(lines)
	rest := d.RestIn(k)
	p := predict.Predict(d, k)
	duty := d.Duty(k)
	all := mix.Explain(d.Bowl(parts), rest, &duty, d.Coldness(k))
	told := wire.Of[wire.Prediction](p)
	out := Explained{
		Explanation: wire.Of[wire.Explanation](all), Foods: []string{}, Grades: []string{},
		Q: told.Q, Raw: told.ChanceRaw, Cooked: told.ChanceCooked, Chance: told.Chance, Low: told.ChanceLow, High: told.ChanceHigh,
		Need: wire.Of[wire.Demand](duty.Need), Density: math.Round(heat.CompositionOf(parts).Density()),
	}
	for i := range lines {
		out.Foods = append(out.Foods, lines[i].Food.ID)
		out.Grades = append(out.Grades, string(lines[i].Food.Grade))
	}
	if len(all.Lines) > len(out.Foods) { // what the hand felt is a line of its own, of no food
		out.Foods, out.Grades = append(out.Foods, ""), append(out.Grades, "")
	}
	state := mix.AssessParts(d.Bowl(parts), rest)
	lever := func(of func(mix.Figures) float64, now float64) int {
		best, at := 1e-6, -1
		for i := range lines { // nobody adds a tenth to what the hand felt
			if move := of(all.Lines[i].Tenth) - now; max(move, -move) > best {
				best, at = max(move, -move), i
			}
		}
		return at
	}
	out.LeverQ = lever(func(f mix.Figures) float64 { return f.Q }, state.Q)
	out.LeverRaw = lever(func(f mix.Figures) float64 { return f.Raw }, p.ChanceRaw)
	out.LeverCooked = lever(func(f mix.Figures) float64 { return f.Cooked }, p.ChanceCooked)
	return out
}

// usable is a kept document without lines of foods that the catalogue has
// dropped since.
func usable(k *kitchen.Kitchen, d *document.Document) *document.Document {
	known := func(lines []document.Line) []document.Line {
		out := slices.Clone(lines)
		return slices.DeleteFunc(out, func(l document.Line) bool { return k.Foods.Find(l.Food) == nil })
	}
	out := *d
	out.Lines = known(d.Lines)
	out.Parts = slices.Clone(d.Parts)
	for i := range out.Parts {
		out.Parts[i].Lines = known(out.Parts[i].Lines)
	}
	return &out
}
