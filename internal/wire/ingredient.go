package wire

import (
	"cuerda/core/food"
)

// Ingredient is ingredient.Ingredient as the interface tells it.
type Ingredient struct {
	// Food is the ID of the food; "" if none was found.
	Food string `json:"food"`
	// Name is the word the line has for one of many foods that are one here, such as
	// cumin; "" where the food's own name says it.
	Name string `json:"name,omitempty"`
	// Others are foods that the line allows instead.
	Others []string `json:"others,omitempty"`
	// Amount is the number written, the middle of a range; 0 if there is none. High is
	// the upper end of a range; 0 where it is none.
	Amount float64 `json:"amount"`
	High   float64 `json:"high,omitempty"`
	// Unit is a kitchen measure, or pack, pinch, handful, leaf ...; "" if none.
	Unit string `json:"unit"`
	// Grams is what the amount weighs before its preparations; 0 if that cannot be said.
	Grams float64 `json:"grams"`
	// Prep is what the line says to do to the food before mixing.
	Prep []food.Preparation `json:"prep,omitempty"`
	// FoodSure and GramsSure are 0 (a guess) to 1 (as written).
	FoodSure  float64 `json:"food_sure"`
	GramsSure float64 `json:"grams_sure"`
	// Said tells that the line gives an amount.
	Said bool `json:"said"`
}

// Phrase is ingredient.Phrase as the interface tells it.
type Phrase struct {
	At  int `json:"at"`
	End int `json:"end"`
	// What is amount, food, prep, part, rest, chill, piece, count, size, method,
	// celsius or minutes.
	What string `json:"what" enum:"amount,food,prep,part,rest,chill,piece,count,size,method,celsius,minutes"`
	// Line is the ingredient line it is about, from 0; -1 for the recipe as a whole.
	Line int `json:"line"`
}

// Reading is ingredient.Reading as the interface tells it.
type Reading struct {
	Text  string       `json:"text"`
	Items []Ingredient `json:"items"`
	// Role is what the line says it is for where that is not the mix: frying, coating,
	// serving, pan or soaking.
	Role string `json:"role,omitempty"`
	// Divided says that it goes in at several places, Maybe that it may be left out.
	Divided bool `json:"divided,omitempty"`
	Maybe   bool `json:"maybe,omitempty"`
	// Notes are words understood that change nothing; Rest are words that were not
	// understood.
	Notes string `json:"notes,omitempty"`
	Rest  string `json:"rest,omitempty"`
	// Faults are codes: bad-amount, no-amount, no-food, no-weight, not-free, too-long.
	Faults []string `json:"faults,omitempty"`
	Spans  []Phrase `json:"spans,omitempty"`
}
