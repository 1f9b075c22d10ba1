package wire

import (
	"cuerda/core/compose"
	"cuerda/core/document"
)

// Composed is compose.Answer as the interface tells it.
type Composed struct {
	Proposals []Proposal `json:"proposals"`
	// Nearest says that none of them is sure to hold: they are the nearest to it.
	Nearest bool `json:"nearest"`
	// Late says that what has to go in dry cannot be soaked and boiled in the time that was asked for.
	Late bool `json:"late"`
	// LookedAt is how many builds were judged.
	LookedAt int `json:"looked_at"`
	// Missing are foods that would make more possible.
	Missing []MissingFood `json:"missing"`
}

// Proposal is compose.Proposal as the interface tells it.
type Proposal struct {
	Document document.Document `json:"document"`
	Chance   float64           `json:"chance" digits:"3+"`
	Low      float64           `json:"chance_low" digits:"3+"`
	Eat      float64           `json:"eat" digits:"3+"`
	// HandsMinutes are those that somebody stands there, Minutes all until the table.
	HandsMinutes float64 `json:"hands_minutes"`
	Minutes      float64 `json:"minutes"`
	// Buy are foods that are neither named nor at hand, Uses what of the musts goes in, Left what stays of them, g.
	Buy  []compose.Amount `json:"buy"`
	Uses []compose.Amount `json:"uses"`
	Left []compose.Amount `json:"left"`
	// Before is what has to be soaked and boiled first, which the minutes leave out.
	Before []Beforehand `json:"before"`
	// Why are codes of what makes it hold.
	Why []string `json:"why" enum:"sets-hot,drinks,gel,sticks,squeezed,dried,meat,cold"`
	// LessSure says that it is less sure to hold than the proposals before it, of which there were too few.
	LessSure bool `json:"less_sure"`
}

// Beforehand is compose.Beforehand as the interface tells it: a dry food, g, soaked for hours and boiled for minutes.
type Beforehand struct {
	Food        string  `json:"food"`
	Grams       float64 `json:"grams"`
	SoakHours   float64 `json:"soak_hours"`
	BoilMinutes float64 `json:"boil_minutes"`
}

// MissingFood is compose.Missing as the interface tells it.
type MissingFood struct {
	Food  string  `json:"food"`
	Grams float64 `json:"grams"`
	Mixes int     `json:"mixes"`
}
