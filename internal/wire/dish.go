package wire

import (
	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/physics/mix"
)

// PartResult is dish.PartResult as the interface tells it.
type PartResult struct {
	MassG float64 `json:"mass_g" digits:"1+"`
	// EachG is for one piece or, of a sauce and a broth, one portion; Each says which.
	EachG float64 `json:"each_g" digits:"1+"`
	Each  string  `json:"each" enum:"piece,portion"`
	// NeedG is what all pieces or portions usually want; 0 where nothing says.
	NeedG float64 `json:"need_g" digits:"0+"`
	// Q and Word are those of a part that is shaped: shell, filling and middle.
	Q    *float64 `json:"q" nullable:"true" digits:"3+"`
	Word mix.Word `json:"word"`
	// Status is the worst of its lines for the table.
	Status eaters.Status `json:"status"`
	Lines  []LineResult  `json:"lines"`
	Notes  []Note        `json:"notes"`
}

// Share is dish.Share as the interface tells it.
type Share struct {
	Grams float64  `json:"grams" digits:"1+"`
	Facts Facts    `json:"facts"`
	Cost  *float64 `json:"cost" nullable:"true" digits:"2+"`
}

// Dish is dish.Dish as the interface tells it.
type Dish struct {
	Parts []PartResult `json:"parts"`
	// NotFor says for whom foods of the mix or of a part are out.
	NotFor   []Refusal `json:"not_for"`
	Pieces   int       `json:"pieces"`
	Portions int       `json:"portions"`
	// Piece is one raw piece with what is on it; Portion a serving with all
	// parts, where portions are known; Hundred is 100 g of pieces.
	Piece   Share  `json:"piece"`
	Portion *Share `json:"portion,omitempty"`
	Hundred Share  `json:"hundred"`
	Whole   Share  `json:"whole"`
	// Unpriced are foods without a price, which the costs leave out.
	Unpriced []string `json:"unpriced"`
}

// Scaled is dish.Scaled as the interface tells it.
type Scaled struct {
	Document document.Document `json:"document"`
	// Factor is how many times the amounts were taken before they were rounded.
	Factor float64 `json:"factor" digits:"3+"`
	// QWas and Q are the index before and after: rounding moves it a little.
	QWas *float64 `json:"q_was" nullable:"true" digits:"3+"`
	Q    *float64 `json:"q" nullable:"true" digits:"3+"`
}

// Purchase is dish.Purchase as the interface tells it.
type Purchase struct {
	Food string `json:"food"`
	// Name is what the lines call it, where the food stands for many alike.
	Name string `json:"name,omitempty"`
	// Grams that the lines need, drained where they are.
	Grams float64  `json:"grams" digits:"1+"`
	Have  bool     `json:"have"`
	Sizes *Measure `json:"measure,omitempty"`
	// Pack is what it is sold in, Count how many of those, each of PackG; empty where it is
	// bought loose.
	Pack  string  `json:"pack,omitempty"`
	PackG float64 `json:"pack_g,omitempty" digits:"1+"`
	Count int     `json:"count,omitempty"`
	// LeftG is what stays of the last pack, and LiquidG what is poured off all.
	LeftG   float64 `json:"left_g,omitempty" digits:"0+"`
	LiquidG float64 `json:"liquid_g,omitempty" digits:"0+"`
	// GoodFor are codes of what the rest is good for.
	GoodFor []string `json:"good_for,omitempty"`
	// Dry is the food it can be cooked from instead, and DryG how much of that.
	Dry  string   `json:"dry,omitempty"`
	DryG float64  `json:"dry_g,omitempty" digits:"1+"`
	Cost *float64 `json:"cost" nullable:"true" digits:"2+"`
}
