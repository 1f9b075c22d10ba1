package wire

import (
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/recipe"
	"cuerda/core/recipe/layout"
)

// ReadCook is recipe.ReadCook as the interface tells it.
type ReadCook struct {
	Method  method.Method `json:"method"`
	Celsius float64       `json:"celsius,omitempty"`
	// Minutes are of both sides together, the middle of a range.
	Minutes float64 `json:"minutes,omitempty"`
	Turn    *bool   `json:"turn,omitempty"`
}

// ReadWait is recipe.ReadWait as the interface tells it.
type ReadWait struct {
	Minutes float64 `json:"minutes"`
}

// ReadPiece is recipe.ReadPiece as the interface tells it.
type ReadPiece struct {
	Kind        piece.Kind `json:"kind"`
	Count       int        `json:"count,omitempty"`
	ThicknessMM float64    `json:"thickness_mm,omitempty"`
	DiameterMM  float64    `json:"diameter_mm,omitempty"`
	LengthMM    float64    `json:"length_mm,omitempty"`
	WidthMM     float64    `json:"width_mm,omitempty"`
	HeightMM    float64    `json:"height_mm,omitempty"`
	Tin         bool       `json:"tin,omitempty"`
}

// Found is recipe.Found as the interface tells it.
type Found struct {
	Kind recipe.Kind `json:"kind"`
	Name string      `json:"name"`
	// Portions is how many it serves; 0 where it does not say.
	Portions int `json:"portions"`
	// Ingredients and Steps are lines, in their order.
	Ingredients []string `json:"ingredients"`
	// Sections are the headings that the ingredients stand under, one for each; "" for
	// none.
	Sections []string `json:"sections"`
	Steps    []string `json:"steps"`
	// Notes are the words before the list and after the method.
	Notes []string `json:"notes"`
	// Rows are the lines of a text and what each is; none of a page or a file that says it itself.
	Rows []ReadRow `json:"rows,omitempty"`
	// Spoken is where each ingredient stands in the method of a recipe told in sentences.
	Spoken []Told `json:"spoken,omitempty"`
}

// ReadRow is layout.Row as the interface tells it.
type ReadRow struct {
	Text  string       `json:"text"`
	Label layout.Label `json:"label" enum:"title,before,list-head,section,ingredient,method-head,step,aside,after"`
	// Index is which of the ingredients or steps it became; -1 for neither.
	Index int `json:"index"`
}

// Told is recipe.Told as the interface tells it: a step, and characters of it.
type Told struct {
	Step int `json:"step"`
	At   int `json:"at"`
	End  int `json:"end"`
}

// ReadFood is recipe.ReadFood as the interface tells it.
type ReadFood struct {
	Ingredient
	// Sure says that the food is as the line spells it.
	Sure bool `json:"sure"`
	// Part is what it goes to where that is not the mix.
	Part string `json:"part,omitempty"`
}

// ReadLine is recipe.ReadLine as the interface tells it.
type ReadLine struct {
	Text  string     `json:"text"`
	Items []ReadFood `json:"items"`
	// Section is the heading it stands under, Part what it goes to: mix, a kind of part
	// of a build, frying, serving, cooking liquid or pan.
	Section string `json:"section,omitempty"`
	Part    string `json:"part"`
	// Full says that the whole line was understood.
	Full bool `json:"full"`
	// Maybe says that it may be left out.
	Maybe bool `json:"maybe,omitempty"`
	// Notes are words understood that change nothing; Rest those not understood, and
	// Faults codes of what is wrong: package ingredient.
	Notes  string   `json:"notes,omitempty"`
	Rest   string   `json:"rest,omitempty"`
	Faults []string `json:"faults,omitempty"`
	Spans  []Phrase `json:"spans,omitempty"`
}

// StepSpan is recipe.StepSpan as the interface tells it.
type StepSpan struct {
	Phrase
	Step int `json:"step"`
}

// Understood is recipe.Understood as the interface tells it.
type Understood struct {
	// Language is missing where a document was read, which has none.
	Language string     `json:"language,omitempty" enum:"en,es"`
	Lines    []ReadLine `json:"lines"`
	Rest     *ReadWait  `json:"rest,omitempty"`
	Chill    *ReadWait  `json:"chill,omitempty"`
	Piece    *ReadPiece `json:"piece,omitempty"`
	Cook     *ReadCook  `json:"cook,omitempty"`
	Spans    []StepSpan `json:"spans"`
	// Became are the steps of the cord that each step of the method became.
	Became [][]string `json:"became"`
}
