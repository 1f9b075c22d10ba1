package wire

import (
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// Spot is proposal.Spot as the interface tells it.
type Spot struct {
	Line int `json:"line"`
	Part int `json:"part"`
}

// Draft is proposal.Proposal as the interface tells it.
type Draft struct {
	Document document.Document `json:"document"`
	// Spots are those of the foods of every ingredient line.
	Spots [][]Spot `json:"spots"`
	// Chance is that the pieces hold, as far as the recipe says, 0..1.
	Chance    float64    `json:"chance" digits:"3"`
	Questions []Question `json:"questions"`
}

// Question is proposal.Question as the interface tells it.
type Question struct {
	// Code is fineness (whole, mashed or ground), juice (a wet vegetable as it is,
	// pressed or fried), gel (soaked in its water first, or not), rest, chill, kind, thickness, method or amount.
	Code string `json:"code" enum:"fineness,juice,gel,rest,chill,kind,thickness,method,amount"`
	// Line is the line of the mix it is about; -1 for the whole.
	Line int    `json:"line"`
	Food string `json:"food,omitempty"`
	// Answers are the likeliest first.
	Answers []Choice `json:"answers"`
}

// Choice is proposal.Choice as the interface tells it.
type Choice struct {
	// Chance is that the pieces hold, with this answer and nothing else changed, 0..1.
	Chance float64 `json:"chance" digits:"3"`
	// AsRead says that this is how the build stands now.
	AsRead bool               `json:"as_read,omitempty"`
	Prep   []food.Preparation `json:"prep,omitempty"`
	// Minutes are of the rest or the chill, Millimetres of the thickness, Grams of the
	// line; -1 where it is not about them.
	Minutes     float64       `json:"minutes"`
	Millimetres float64       `json:"mm"`
	Grams       float64       `json:"grams"`
	Kind        piece.Kind    `json:"kind,omitempty"`
	Method      method.Method `json:"method,omitempty"`
}
