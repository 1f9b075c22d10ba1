package wire

import (
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// Effect is compare.Effect as the interface tells it.
type Effect struct {
	MassG        float64         `json:"mass_g" digits:"1+"`
	Q            *float64        `json:"q" nullable:"true" digits:"3+"`
	Word         mix.Word        `json:"word"`
	InBand       bool            `json:"in_band"`
	ChanceRaw    float64         `json:"chance_raw" digits:"3+"`
	ChanceCooked float64         `json:"chance_cooked" digits:"3+"`
	Chance       float64         `json:"chance" digits:"3+"`
	Verdict      predict.Verdict `json:"verdict"`
	Pieces       int             `json:"pieces"`
	// Minutes until it comes off the heat; nil where it is never done.
	Minutes *float64 `json:"minutes" nullable:"true" digits:"1+"`
	LossPct float64  `json:"weight_loss_pct" digits:"1+"`
	Dryness string   `json:"dryness" enum:"moist,right,dry"`
	// Out and Label are foods that are out for its table, or a label to read.
	Out      []string `json:"out"`
	Label    []string `json:"label"`
	CostEach *float64 `json:"cost_each" nullable:"true" digits:"2+"`
	KCalEach float64  `json:"kcal_each" digits:"0+"`
	SaltEach float64  `json:"salt_each_g" digits:"2+"`
}

// Comparison is compare.Comparison as the interface tells it.
type Comparison struct {
	Changes  []Change  `json:"changes"`
	Settings []Setting `json:"settings"`
	Before   Effect    `json:"before"`
	After    Effect    `json:"after"`
}
