package document

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Format is the name and version of the document.
const Format = "cuerda-build/1"

// Limits of a document.
const (
	MaxLines    = 200
	MaxPreps    = 12
	MaxLineName = 80  // characters
	MaxName     = 200 // characters
	MaxPeople   = 40  // kinds of eater
	MinGrams    = 0.1 // the least that a kitchen scale tells
	MaxGrams    = 100_000.
	MaxMinutes  = 2880.
	MaxHours    = MaxMinutes / 60
	MinCelsius  = -30.
	MaxCelsius  = 300.
	// A rest stands in a room or a fridge, a chill in a fridge or a freezer, degC.
	MinRestCelsius, MaxRestCelsius   = 0., 60.
	MinChillCelsius, MaxChillCelsius = -30., 15.
	MinMM, MaxMM                     = 5., 600.
	MaxInstructions, MaxInstruction  = 60, 2000
	MaxFinish                        = 60. // minutes of searing or grilling beside the main heat
)

// Document is one build. Read checks what the types leave open.
type Document struct {
	Format string         `json:"format" enum:"cuerda-build/1"`
	Name   string         `json:"name" maxLength:"200"`
	Lines  []Line         `json:"lines" maxItems:"200"`
	Mixing *Mixing        `json:"mixing,omitempty"`
	Rest   *Wait          `json:"rest,omitempty"`
	Chill  *Wait          `json:"chill,omitempty"`
	Piece  *piece.Piece   `json:"piece,omitempty"`
	Cook   *Cook          `json:"cook,omitempty"`
	Eaters *eaters.Eaters `json:"eaters,omitempty"`
	// Hand is what the hand said of this bowl; nil where it agrees with the model.
	Hand *Hand `json:"hand,omitempty"`
	// Parts are the mixes beside the main one: fillings, coatings, sauces.
	Parts []Part `json:"parts,omitempty" maxItems:"12"`
	// Portions is how many servings it makes; 0 where that is left to the table.
	Portions int `json:"portions,omitempty" minimum:"0" maximum:"500"`
	// Note is the cook's own words, such as the method of a recipe; lines stand.
	Note string `json:"note,omitempty" maxLength:"8000"`
	// Method are the words of the recipe it came from, one step each.
	Method []Instruction `json:"method,omitempty" maxItems:"60"`
	// TableTime is when it should be on the table, hh:mm of that day.
	TableTime string `json:"table_time,omitempty" pattern:"^([01][0-9]|2[0-3]):[0-5][0-9]$"`
}

// Line is an amount of a food, g before its preparations.
type Line struct {
	Food string `json:"food"`
	// Name is what the cook calls it where the food is one of many alike, such as
	// cumin of the dried spices; "" for the food's own name.
	Name  string             `json:"name,omitempty" maxLength:"80"`
	Grams float64            `json:"grams" minimum:"0.1" maximum:"100000"`
	Prep  []food.Preparation `json:"prep,omitempty" maxItems:"12"`
}

// Instruction is one step of a recipe in its own words.
type Instruction struct {
	Text string `json:"text" maxLength:"2000"`
	// Steps are the codes of the steps of the cord that it became.
	Steps []string `json:"steps,omitempty" maxItems:"24"`
}

// MethodSteps lists the steps of the cord that the words of a recipe may become.
var MethodSteps = append(words(food.Dos), "mix", "rest", "shape", "chill", "sear", "cook", "set", "make", "brush")

// Wait is a rest or a chill.
type Wait struct {
	Minutes float64 `json:"minutes" minimum:"0" maximum:"2880"`
	// Celsius is that of the room for a rest, 0..60, and of the fridge for a
	// chill, -30..15, where it is not given.
	Celsius *float64 `json:"celsius,omitempty" minimum:"-30" maximum:"60"`
}

// Cook is how the pieces are cooked; what is not given follows the method.
type Cook struct {
	Method  method.Method `json:"method"`
	Celsius *float64      `json:"celsius,omitempty" minimum:"-30" maximum:"300"`
	Turn    *bool         `json:"turn,omitempty"`
	// From is where the pieces come from: the rest or the chill where it is empty.
	From          string   `json:"from,omitempty" enum:"room,freezer"`
	StartCelsius  *float64 `json:"start_celsius,omitempty" minimum:"-30" maximum:"300"`
	TargetCelsius *float64 `json:"target_celsius,omitempty" minimum:"-30" maximum:"300"`
	// SearMinutes in a hot pan, each side, come before what is cooked in an oven,
	// under a grill or at a simmer; GrillMinutes under the grill end what is cooked
	// in an oven or a pan.
	SearMinutes  float64 `json:"sear_minutes,omitempty" minimum:"0" maximum:"60"`
	GrillMinutes float64 `json:"grill_minutes,omitempty" minimum:"0" maximum:"60"`
}

// Where pieces come from when they meet the heat.
const (
	FromChill   = "" // as the rest and the chill leave them
	FromRoom    = "room"
	FromFreezer = "freezer"
)

// Froms lists what Cook.From may say.
var Froms = []string{FromRoom, FromFreezer}

// Hand is what the hand said of the mix in the bowl, against the model.
type Hand struct {
	// Word is the squeeze it chose.
	Word mix.Word `json:"word" enum:"crumbles,short,firm,tacky,slack,slumps"`
	// WaterG is the water that the model must have missed for it to be so, g; below
	// 0 where the mix is drier than it thinks.
	WaterG float64 `json:"water_g" minimum:"-100000" maximum:"100000"`
}

// DefaultPiece is what a document without a piece is made into.
var DefaultPiece = piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}

// RestIn gives the rest of the mix in that kitchen.
func (d *Document) RestIn(k *kitchen.Kitchen) mix.Rest {
	rest := d.Rest.at(k.RoomCelsius)
	rest.Hands = d.handsMinutes(&k.Parameters.Minutes)
	return rest
}

// at gives a wait that may be missing as a rest.
func (w *Wait) at(room float64) mix.Rest {
	if w == nil {
		return mix.Rest{Celsius: room}
	}
	return mix.Rest{Minutes: w.Minutes, Celsius: orDefault(w.Celsius, room)}
}

// PieceOrDefault gives the piece, or DefaultPiece.
func (d *Document) PieceOrDefault() piece.Piece {
	if d.Piece == nil {
		return DefaultPiece
	}
	return *d.Piece
}

// Begin gives the piece as it meets the heat in that kitchen: as the rest and the
// chill leave it, or from where Cook says it comes. c is how it is to be cooked.
func (d *Document) Begin(c *heat.Cooking, k *kitchen.Kitchen) *heat.Body {
	return d.BeginWarmer(c, k, 0)
}

// BeginWarmer is Begin of a piece that is so many K warmer than it should be, as its rest
// and its chill are.
func (d *Document) BeginWarmer(c *heat.Cooking, k *kitchen.Kitchen, warmer float64) *heat.Body {
	if celsius, given := d.startsAt(k); given {
		return c.Begin(celsius + warmer)
	}
	body := c.Begin(d.RestIn(k).Celsius + warmer)
	if d.Chill != nil && d.Chill.Minutes > 0 {
		c.Chill(body, orDefault(d.Chill.Celsius, k.FridgeCelsius)+warmer, d.Chill.Minutes)
	}
	return body
}

// startsAt is the one temperature that the pieces have where they come neither
// from the rest nor from the chill, degC.
func (d *Document) startsAt(k *kitchen.Kitchen) (celsius float64, given bool) {
	switch {
	case d.Cook == nil:
		return 0, false
	case d.Cook.From == FromRoom:
		return k.RoomCelsius, true
	case d.Cook.From == FromFreezer:
		return k.FreezerCelsius, true
	case d.Cook.StartCelsius != nil:
		return *d.Cook.StartCelsius, true
	}
	return 0, false
}

// Chills says whether the pieces go from the chill to the heat.
func (d *Document) Chills() bool {
	return d.Chill != nil && d.Chill.Minutes > 0 && (d.Cook == nil || d.Cook.From == FromChill && d.Cook.StartCelsius == nil)
}

// Frozen says whether the pieces go from the freezer to the heat.
func (d *Document) Frozen() bool {
	return d.Cook != nil && (d.Cook.From == FromFreezer || d.Cook.From == FromChill && d.Cook.StartCelsius != nil && *d.Cook.StartCelsius <= frozenBelow)
}

// frozenBelow is the temperature below which a piece is taken to come from a freezer, degC.
const frozenBelow = -10.

// chilledTo is the temperature that the cold brings the raw pieces to, degC, by
// the conduction that also cooks them; false where they are not chilled.
func (d *Document) ChilledTo(k *kitchen.Kitchen, parts []mix.Part) (celsius float64, chilled bool) {
	if d.Frozen() {
		celsius, _ = d.startsAt(k)
		return celsius, true
	}
	if !d.Chills() {
		return 0, false
	}
	c := heat.Cooking{Parameters: &k.Parameters.Heat, Piece: d.PieceIn(k, parts), Material: heat.NewMaterial(heat.CompositionOf(parts), heat.BoilingPoint(k.AltitudeM))}
	return d.Begin(&c, k).Mean(), true
}

// Coldness is how far the cold firms the raw pieces, 0..1; 0 without any.
func (d *Document) Coldness(k *kitchen.Kitchen) float64 {
	celsius, chilled := d.ChilledTo(k, mix.Parts(d.MixLines(k.Foods)))
	if !chilled {
		return 0
	}
	return mix.Coldness(celsius)
}

// Duty is what the document asks of its mix in that kitchen.
func (d *Document) Duty(k *kitchen.Kitchen) mix.Duty {
	p := d.PieceMade(k)
	return d.DutyOf(&p, k)
}

// DutyOf is what the document asks of its mix in pieces like p.
func (d *Document) DutyOf(p *piece.Piece, k *kitchen.Kitchen) mix.Duty {
	method, turn := d.MethodAndTurn()
	duty := mix.NewDuty(p, method, turn, &k.Parameters.Handling)
	if (p.Kind == piece.Patty || p.Kind == piece.Fritter) && d.ofShreds(k) {
		duty.Band = piece.ShredsBand
	}
	duty.Own = k.Own
	return duty
}

// ofShreds says that at least half of the mix is shreds that their own starch glues: grated potato.
func (d *Document) ofShreds(k *kitchen.Kitchen) bool {
	shreds, all := 0., 0.
	for i := range d.Lines {
		all += d.Lines[i].Grams
		if f := k.Foods.Find(d.Lines[i].Food); f != nil && f.Is(food.OwnStarch) {
			shreds += d.Lines[i].Grams
		}
	}
	return all > 0 && shreds >= all/2
}

// MethodAndTurn gives how the piece is cooked and whether it is turned; a
// document that does not say is cooked in the way that is usual for its kind.
func (d *Document) MethodAndTurn() (method.Method, bool) {
	if d.Cook == nil {
		m := d.PieceOrDefault().Kind.UsualMethod()
		return m, m.Row().Turned
	}
	if d.Cook.Turn != nil {
		return d.Cook.Method, *d.Cook.Turn
	}
	return d.Cook.Method, d.Cook.Method.Row().Turned
}

func orDefault(v *float64, otherwise float64) float64 {
	if v == nil {
		return otherwise
	}
	return *v
}

// MixLines gives the lines of a document that Read has accepted.
func (d *Document) MixLines(foods *food.Catalogue) []mix.Line {
	return mixLines(d.Lines, foods)
}

// Bowl gives the parts of the mix as they are in the bowl: with what the hand felt
// that the lines do not say.
func (d *Document) Bowl(parts []mix.Part) []mix.Part {
	if d.Hand == nil || d.Hand.WaterG == 0 || len(parts) == 0 {
		return parts
	}
	return append(slices.Clip(parts), mix.Missed(d.Hand.WaterG))
}

func mixLines(lines []Line, foods *food.Catalogue) []mix.Line {
	out := make([]mix.Line, len(lines))
	for i := range lines {
		l := &lines[i]
		out[i] = mix.Line{Food: foods.Find(l.Food), Grams: l.Grams, Preps: l.Prep}
	}
	return out
}
