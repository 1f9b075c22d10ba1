package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/squeeze"
	"cuerda/internal/wire"
)

// Food is a food as the Bench shows it.
type Food struct {
	ID            string     `json:"id"`
	Name          string     `json:"name"`
	NameES        string     `json:"name_es"`
	Group         food.Group `json:"group"`
	State         food.State `json:"state"`
	Binder        bool       `json:"binder"`
	GramsPerCup   float64    `json:"g_per_cup,omitempty"`
	GramsPerPiece float64    `json:"g_per_piece,omitempty"`
	Piece         string     `json:"piece,omitempty"`
	MaxPct        float64    `json:"max_pct,omitempty"`
	Allergens     []string   `json:"allergens,omitempty"`
	Gluten        string     `json:"gluten"`
	// Words are other names, in both languages.
	Words []string `json:"words,omitempty"`
	// Label says that a label check may be needed.
	Label bool `json:"label"`
	// Composition is g per 100 g.
	Composition food.Composition `json:"composition"`
	// FromDry says what it is cooked from, and the grams a gram of that gives.
	FromDry []FromDry `json:"from_dry,omitempty"`
	Packs   []Pack    `json:"packs,omitempty"`
	// Suits lists the preparations a cook would give it.
	Suits []food.Do `json:"suits"`
	// Own is the food that one of the kitchen's own is like, and Gone says that it is no
	// longer offered.
	Own  string `json:"own,omitempty"`
	Gone bool   `json:"gone,omitempty"`
	// ManyAlike says that it stands for many foods, each with its own name.
	ManyAlike bool `json:"many_alike,omitempty"`
	// Cook says that it is to be cooked before it is eaten, or enters a mix.
	CookFirst bool `json:"cook_first,omitempty"`
	// UsualGrams is where a new line of it starts, g.
	UsualGrams float64 `json:"usual_grams"`
}

// FromDry is a way to come by a cooked food.
type FromDry struct {
	Food   string  `json:"food"`
	Factor float64 `json:"factor"`
}

// Pack is a size in which a food is sold, g.
type Pack struct {
	Name    string  `json:"name"`
	Total   float64 `json:"total_g"`
	Drained float64 `json:"drained_g"`
}

// Vocabulary is every word and limit of the build document that a form needs.
type Vocabulary struct {
	Groups  []food.Group `json:"groups"`
	Preps   []Prep       `json:"preps"`
	Kinds   []Kind       `json:"kinds"`
	Methods []Method     `json:"methods"`
	Zones   []Zone       `json:"zones"`
	// Allergens, Diets and Wants are what eaters may leave out.
	Allergens []string `json:"allergens"`
	Diets     []string `json:"diets"`
	Wants     []string `json:"wants"`
	// PartKinds are the mixes beside the main one, Whens when one is brushed on.
	PartKinds []document.PartKind `json:"part_kinds"`
	Whens     []string            `json:"whens"`
	// Scoops and Tins are the usual measures and loaf tins.
	Scoops []wire.Scoop `json:"scoops"`
	Tins   []piece.Tin  `json:"tins"`
	Limits Limits       `json:"limits"`
	// Equipment are the ranges of the kitchen's settings, GasMarks the marks of a gas oven from the coolest.
	Equipment []EquipmentLimit `json:"equipment"`
	GasMarks  []GasMark        `json:"gas_marks"`
}

// EquipmentLimit is the range of a setting of a kitchen, and the step in which a form offers it.
type EquipmentLimit struct {
	Field string  `json:"field"`
	Unit  string  `json:"unit" doc:"empty for what is counted"`
	Low   float64 `json:"min"`
	High  float64 `json:"max"`
	Step  float64 `json:"step"`
	// AtOnce says that it is how much can be done at once.
	AtOnce bool `json:"at_once"`
}

// GasMark is a mark of a gas oven, and what cooks take it for.
type GasMark struct {
	Mark    string  `json:"mark"`
	Celsius float64 `json:"celsius"`
}

// Prep is a preparation with the figure that sets it.
type Prep struct {
	Do      food.Do `json:"do"`
	Setting string  `json:"setting" enum:"minutes,level,hours,"`
	Default float64 `json:"default"`
	Max     float64 `json:"max"`
}

// Kind is a kind of piece with its sizes.
type Kind struct {
	Kind  piece.Kind `json:"kind"`
	Sizes []KindSize `json:"sizes"`
	Tin   bool       `json:"tin"`
	// Method is how it is usually cooked.
	Method method.Method `json:"method"`
}

// KindSize is one size of a kind, mm.
type KindSize struct {
	Field   string  `json:"field"`
	Default float64 `json:"default"`
	Needed  bool    `json:"needed"`
}

// Method is a way of cooking.
type Method struct {
	Method  method.Method `json:"method"`
	Celsius float64       `json:"celsius"`
	Turns   bool          `json:"turns"`
	// Names are what it is called after "cooked", by language.
	Names map[string]string `json:"names"`
	// Medium is what brings the heat, Oven whether it is an oven's, OilMM how deep oil stands, mm.
	Medium method.Medium `json:"medium"`
	Oven   bool          `json:"oven"`
	OilMM  float64       `json:"oil_mm,omitempty"`
	// Sears says whether a hot pan may come first, Grills whether the grill may end it.
	Sears  bool `json:"sears"`
	Grills bool `json:"grills"`
}

// Zone is one word of the squeeze, from an index up.
type Zone struct {
	Word mix.Word `json:"word"`
	From float64  `json:"from"`
	// Show and Tells are what a handful of that word shows: as in Handful.
	Show  map[squeeze.Sign]float64 `json:"show"`
	Tells []squeeze.Sign           `json:"tells"`
}

// Limits are those of the document.
type Limits struct {
	Lines      int     `json:"lines"`
	Preps      int     `json:"preps"`
	Parts      int     `json:"parts"`
	PartLines  int     `json:"part_lines"`
	Portions   int     `json:"portions"`
	Note       int     `json:"note"`
	Name       int     `json:"name"`
	LeastGrams float64 `json:"least_grams"`
	Grams      float64 `json:"grams"`
	Minutes    float64 `json:"minutes"`
	MinCelsius float64 `json:"min_celsius"`
	MaxCelsius float64 `json:"max_celsius"`
	// A rest and a chill have ranges of their own, degC.
	MinRest  float64 `json:"min_rest_celsius"`
	MaxRest  float64 `json:"max_rest_celsius"`
	MinChill float64 `json:"min_chill_celsius"`
	MaxChill float64 `json:"max_chill_celsius"`
	LineName int     `json:"line_name"`
	MinMM    float64 `json:"min_mm"`
	MaxMM    float64 `json:"max_mm"`
}

type body[T any] struct{ Body T }

func (s *Server) registerFoods(api huma.API) {
	vocabulary := vocabularyOf()
	huma.Register(api, op(http.MethodGet, "/foods", "listFoods", "Every food of the catalogue, and the kitchen's own"),
		func(ctx context.Context, _ *struct{}) (*body[[]Food], error) {
			k, err := s.kitchen(ctx)
			if err != nil {
				return nil, err
			}
			return &body[[]Food]{foodsOf(k.Foods)}, nil
		})
	huma.Register(api, beside(http.MethodGet, "/foods", "listShelf", "Every food of the catalogue"),
		func(context.Context, *struct{}) (*body[[]Food], error) { return &body[[]Food]{foodsOf(s.Foods)}, nil })
	huma.Register(api, beside(http.MethodGet, "/vocabulary", "getVocabulary", "The words and limits of the build document"),
		func(context.Context, *struct{}) (*body[Vocabulary], error) { return &body[Vocabulary]{vocabulary}, nil })
}

func foodsOf(foods *food.Catalogue) []Food {
	out := make([]Food, 0, len(foods.Foods()))
	for i := range foods.Foods() {
		out = append(out, foodOf(foods, foods.Foods()[i]))
	}
	return out
}

func foodOf(foods *food.Catalogue, f *food.Food) Food {
	out := Food{
		ID: f.ID, Name: f.Name, NameES: f.NameES, Group: f.Group, State: f.State, Binder: f.Group.IsBinder(),
		GramsPerCup: f.GramsPerCup, GramsPerPiece: f.GramsPerPiece, Piece: f.PieceName, MaxPct: f.MaxPct,
		Allergens: f.Allergens, Gluten: f.Gluten, Suits: []food.Do{}, UsualGrams: f.UsualGrams(),
		Own: f.Own, Gone: f.Gone, ManyAlike: f.ManyAlike, CookFirst: f.Has("cook-first"),
	}
	out.Words = append(append(out.Words, f.Words["en"]...), f.Words["es"]...)
	out.Label = f.Has("check-label") || f.Has("certified-gf-oats") || f.Has("check-sulphites") || f.Gluten == "risk"
	out.Composition = f.Composition
	for _, y := range foods.FromDry(f) {
		out.FromDry = append(out.FromDry, FromDry{y.Dry.ID, y.Factor})
	}
	for _, p := range f.Packs {
		out.Packs = append(out.Packs, Pack(p))
	}
	for _, do := range food.Dos {
		if do.Suits(f) {
			out.Suits = append(out.Suits, do)
		}
	}
	return out
}

func vocabularyOf() Vocabulary {
	v := Vocabulary{Groups: food.Groups, Allergens: eaters.Allergens, Diets: eaters.Diets, Wants: eaters.Wants, PartKinds: document.PartKinds, Whens: document.Whens, Scoops: wire.Of[[]wire.Scoop](piece.Scoops), Tins: piece.Tins, Limits: Limits{
		Lines: document.MaxLines, Parts: document.MaxParts, PartLines: document.MaxPartLines, Portions: document.MaxPortions, Note: document.MaxNote, Preps: document.MaxPreps, Name: document.MaxName, LeastGrams: document.MinGrams, Grams: document.MaxGrams, Minutes: document.MaxMinutes,
		MinCelsius: document.MinCelsius, MaxCelsius: document.MaxCelsius, LineName: document.MaxLineName,
		MinRest: document.MinRestCelsius, MaxRest: document.MaxRestCelsius, MinChill: document.MinChillCelsius, MaxChill: document.MaxChillCelsius, MinMM: document.MinMM, MaxMM: document.MaxMM,
	}}
	for _, do := range food.Dos {
		p := Prep{Do: do, Setting: do.Setting(), Default: do.Default()}
		switch p.Setting {
		case "minutes":
			p.Max = document.MaxMinutes
		case "level":
			p.Max = 1
		case "hours":
			p.Max = document.MaxHours
		}
		v.Preps = append(v.Preps, p)
	}
	for _, kind := range piece.Kinds {
		k := Kind{Kind: kind, Sizes: []KindSize{}, Tin: kind.IsLoaf(), Method: kind.UsualMethod()}
		for _, size := range kind.Sizes() {
			k.Sizes = append(k.Sizes, KindSize(size))
		}
		v.Kinds = append(v.Kinds, k)
	}
	for _, l := range kitchen.Limits() {
		v.Equipment = append(v.Equipment, EquipmentLimit(l))
	}
	for _, g := range kitchen.GasMarks {
		v.GasMarks = append(v.GasMarks, GasMark(g))
	}
	for _, by := range method.Rows() {
		v.Methods = append(v.Methods, Method{
			Method: by.Method, Celsius: by.Celsius, Turns: by.Turned, Names: by.Names, Medium: by.Medium, Oven: by.Oven, OilMM: by.OilMM,
			Sears: by.Sears, Grills: by.Finishes,
		})
	}
	for _, z := range mix.Zones {
		h := squeeze.OfWord(z.Word)
		v.Zones = append(v.Zones, Zone{z.Word, z.From, wire.HandfulOf(&h).Show, h.Tells})
	}
	return v
}
