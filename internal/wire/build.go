package wire

import (
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

// Change is document.Change as the interface tells it.
type Change struct {
	Part int    `json:"part,omitempty"`
	Kind string `json:"kind" enum:"added,removed,grams,prep,part-added,part-removed"`
	Food string `json:"food,omitempty"`
	// Name is what the line calls it, where the food stands for many alike.
	Name string `json:"name,omitempty"`
	// Was and Now are g before preparations; 0 where there was or is none.
	Was     float64            `json:"was_g,omitempty"`
	Now     float64            `json:"now_g,omitempty"`
	WasPrep []food.Preparation `json:"was_prep,omitempty"`
	NowPrep []food.Preparation `json:"now_prep,omitempty"`
	// Of is the kind of a part that was added or removed.
	Of document.PartKind `json:"of,omitempty"`
}

// Setting is document.Setting as the interface tells it.
type Setting struct {
	Field string `json:"field"`
	Was   string `json:"was"`
	Now   string `json:"now"`
}

// Note is predict.Note as the interface tells it.
type Note struct {
	Code string `json:"code"`
	// Kind is caution, limit or reason.
	Kind string `json:"kind" enum:"caution,limit,reason"`
	Food string `json:"food,omitempty"`
	// Value and Limit are figures that belong to the code: for over-limit, g
	// per 100 g of mix; for needs-rest, Value is minutes.
	Value float64 `json:"value,omitempty" digits:"1+"`
	Limit float64 `json:"limit,omitempty" digits:"1+"`
}

// Prediction is predict.Prediction as the interface tells it.
type Prediction struct {
	MassG float64 `json:"mass_g" digits:"1+"`
	// Q is the liquidity index; null where nothing in the mix drinks.
	Q *float64 `json:"q" nullable:"true" digits:"3+"`
	// JustMixedQ is the index before any rest.
	JustMixedQ *float64 `json:"just_mixed_q" nullable:"true" digits:"3+"`
	// FeltQ and JustMixedFeltQ are the same as a hand feels them: lower where little joins the mix. The
	// word, the band and the notes go by FeltQ.
	FeltQ          *float64 `json:"felt_q" nullable:"true" digits:"3+"`
	JustMixedFeltQ *float64 `json:"just_mixed_felt_q" nullable:"true" digits:"3+"`
	Word           mix.Word `json:"word"`
	Band           Band     `json:"band"`
	InBand         bool     `json:"in_band"`
	ChunkShare     float64  `json:"chunk_share" digits:"3+"`
	RawKPa         float64  `json:"raw_kpa" digits:"3+"`
	// RawChilledKPa is given where the document chills.
	RawChilledKPa *float64 `json:"raw_chilled_kpa,omitempty" digits:"3+"`
	RawNeedKPa    float64  `json:"raw_need_kpa" digits:"3+"`
	RawRatio      float64  `json:"raw_ratio" digits:"2+"`
	CookedKPa     float64  `json:"cooked_kpa" digits:"2+"`
	CookedNeedKPa float64  `json:"cooked_need_kpa" digits:"3+"`
	CookedRatio   float64  `json:"cooked_ratio" digits:"2+"`
	WaterShare    float64  `json:"water_share" digits:"3+"`
	FatShare      float64  `json:"fat_share" digits:"3+"`
	SaltShare     float64  `json:"salt_share" digits:"3+"`
	QSD           float64  `json:"q_sd" digits:"3+"`
	// Chance is that of the weaker of its two stages, 0..1.
	Chance       float64 `json:"chance" digits:"3+"`
	ChanceRaw    float64 `json:"chance_raw" digits:"3+"`
	ChanceCooked float64 `json:"chance_cooked" digits:"3+"`
	// ChanceLow and ChanceHigh hold the chance nine times in ten.
	ChanceLow  float64 `json:"chance_low" digits:"3+"`
	ChanceHigh float64 `json:"chance_high" digits:"3+"`
	// LittleKnown says that hardly a build like it is known.
	LittleKnown bool `json:"little_known"`
	// Eat is how good it is to eat as what it claims to be, 0..1, and Costs what costs that, the dearest first.
	Eat   float64       `json:"eat" digits:"3+"`
	Costs []eating.Cost `json:"costs"`
	// Means says what holding is for such a piece.
	Means   predict.Means   `json:"chance_means"`
	Verdict predict.Verdict `json:"verdict"`
	// Says is the one sentence on it, the same on every screen.
	Says   predict.Saying `json:"says"`
	PieceG float64        `json:"piece_g" digits:"1+"`
	Pieces int            `json:"pieces"`
	// ChilledCelsius is what a chill brings the pieces to, and ChillFactor how
	// many times firmer that makes them.
	ChilledCelsius *float64 `json:"chilled_celsius,omitempty" digits:"1+"`
	ChillFactor    *float64 `json:"chill_factor,omitempty" digits:"2+"`
	// Lines says, in document order, what became of each line.
	Lines []LineResult `json:"lines"`
	// NotFor says for whom at the table foods of the mix are out.
	NotFor []Refusal `json:"not_for"`
	Notes  []Note    `json:"notes"`
}

// LineResult is predict.LineResult as the interface tells it.
type LineResult struct {
	// Measure is the nearest kitchen measure of the grams in the document.
	Measure *Measure `json:"measure,omitempty"`
	// PreparedG is the mass after the preparations, g.
	PreparedG float64 `json:"prepared_g" digits:"1+"`
	// SharePct is that mass as g per 100 g of the mix.
	SharePct float64 `json:"share_pct" digits:"2+"`
	// Check is what the table means for the food; nil where nobody leaves
	// anything out.
	Check *Check `json:"check,omitempty"`
	// Instead names foods that are clear, for a line that is out.
	Instead []string `json:"instead,omitempty"`
}

// Shaped is document.Shaped as the interface tells it.
type Shaped struct {
	Piece piece.Piece   `json:"piece"`
	Cook  document.Cook `json:"cook"`
}
