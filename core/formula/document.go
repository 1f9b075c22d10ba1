// Package formula is the build document of docs/formats: one mix, made into one
// kind of piece, cooked one way. It reads the document strictly, says what is
// wrong with one and where, and predicts what the build will do.
package formula

import (
	"cuerda/core/eaters"
	"cuerda/core/food"
	"cuerda/core/mix"
	"cuerda/core/piece"
)

// Format is the name and version of the document.
const Format = "cuerda-build/1"

// Limits of a document.
const (
	MaxLines     = 200
	MaxPreps     = 12
	MaxName      = 200 // characters
	MaxPeople    = 40  // kinds of eater
	MaxGrams     = 100_000.
	MaxMinutes   = 2880.
	MaxHours     = MaxMinutes / 60
	MinCelsius   = -30.
	MaxCelsius   = 300.
	MinMM, MaxMM = 5., 600.
	MaxFinish    = 60. // minutes of searing or grilling beside the main heat
)

// Room is the temperature of a kitchen where the document does not say, degC.
const Room = 20.

// Document is one build. Read checks what the types leave open.
type Document struct {
	Format string         `json:"format" enum:"cuerda-build/1"`
	Name   string         `json:"name" maxLength:"200"`
	Lines  []Line         `json:"lines" maxItems:"200"`
	Rest   *Wait          `json:"rest,omitempty"`
	Chill  *Wait          `json:"chill,omitempty"`
	Piece  *piece.Piece   `json:"piece,omitempty"`
	Cook   *Cook          `json:"cook,omitempty"`
	Eaters *eaters.Eaters `json:"eaters,omitempty"`
	// Parts are the mixes beside the main one: fillings, coatings, sauces.
	Parts []Part `json:"parts,omitempty" maxItems:"12"`
	// Portions is how many servings it makes; 0 where that is left to the table.
	Portions int `json:"portions,omitempty" minimum:"0" maximum:"500"`
	// Note is the cook's own words, such as the method of a recipe; lines stand.
	Note string `json:"note,omitempty" maxLength:"8000"`
	// TableTime is when it should be on the table, hh:mm of that day.
	TableTime string `json:"table_time,omitempty" pattern:"^([01][0-9]|2[0-3]):[0-5][0-9]$"`
}

// Line is an amount of a food, g before its preparations.
type Line struct {
	Food  string             `json:"food"`
	Grams float64            `json:"grams" exclusiveMinimum:"0" maximum:"100000"`
	Prep  []food.Preparation `json:"prep,omitempty" maxItems:"12"`
}

// Wait is a rest or a chill.
type Wait struct {
	Minutes float64 `json:"minutes" minimum:"0" maximum:"2880"`
	// Celsius is 20 for a rest and 4 for a chill where it is not given.
	Celsius *float64 `json:"celsius,omitempty" minimum:"-30" maximum:"300"`
}

// Cook is how the pieces are cooked; what is not given follows the method.
type Cook struct {
	Method        piece.Method `json:"method"`
	Celsius       *float64     `json:"celsius,omitempty" minimum:"-30" maximum:"300"`
	Turn          *bool        `json:"turn,omitempty"`
	StartCelsius  *float64     `json:"start_celsius,omitempty" minimum:"-30" maximum:"300"`
	TargetCelsius *float64     `json:"target_celsius,omitempty" minimum:"-30" maximum:"300"`
	// SearMinutes in a hot pan, each side, come before the oven; GrillMinutes
	// under the grill end it.
	SearMinutes  float64 `json:"sear_minutes,omitempty" minimum:"0" maximum:"60"`
	GrillMinutes float64 `json:"grill_minutes,omitempty" minimum:"0" maximum:"60"`
}

// DefaultPiece is what a document without a piece is made into.
var DefaultPiece = piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}

// RestOrNone gives the rest, with its default temperature.
func (d *Document) RestOrNone() mix.Rest {
	if d.Rest == nil {
		return mix.Rest{Celsius: Room}
	}
	return mix.Rest{Minutes: d.Rest.Minutes, Celsius: orDefault(d.Rest.Celsius, Room)}
}

// PieceOrDefault gives the piece, or DefaultPiece.
func (d *Document) PieceOrDefault() piece.Piece {
	if d.Piece == nil {
		return DefaultPiece
	}
	return *d.Piece
}

// chilledTo is the temperature the pieces come to in the chill, degC.
func (d *Document) chilledTo() float64 {
	p := d.PieceOrDefault()
	return p.ChilledTo(d.RestOrNone().Celsius, orDefault(d.Chill.Celsius, 4), d.Chill.Minutes)
}

// ChillFactor is how many times firmer the chill makes the raw pieces; 1
// without a chill.
func (d *Document) ChillFactor() float64 {
	if d.Chill == nil {
		return 1
	}
	return mix.ChillFactor(d.chilledTo())
}

// MethodAndTurn gives how the piece is cooked and whether it is turned; a
// document that does not say is cooked in a pan if a patty, else in an oven.
func (d *Document) MethodAndTurn() (piece.Method, bool) {
	if d.Cook == nil {
		m := piece.StillOven
		if d.PieceOrDefault().Kind == piece.Patty {
			m = piece.Pan
		}
		return m, m.TurnsByDefault()
	}
	if d.Cook.Turn != nil {
		return d.Cook.Method, *d.Cook.Turn
	}
	return d.Cook.Method, d.Cook.Method.TurnsByDefault()
}

func orDefault(v *float64, otherwise float64) float64 {
	if v == nil {
		return otherwise
	}
	return *v
}
