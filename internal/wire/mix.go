package wire

import (
	"cuerda/core/physics/mix"
)

// Given is mix.Given as the interface tells it.
type Given struct {
	// Water that wets the paste and liquid oil (which counts for 0.3), g.
	Water float64 `json:"water_g" digits:"1+"`
	Oil   float64 `json:"oil_g" digits:"1+"`
	// Plastic is the water it drinks before the mix stops crumbling, and Liquid
	// before it slumps, g.
	Plastic float64 `json:"plastic_g" digits:"1+"`
	Liquid  float64 `json:"liquid_g" digits:"1+"`
	// RawPct and CookedPct are its shares of the glue, per cent: of the raw, and of
	// what heat sets.
	RawPct    float64 `json:"raw_pct" digits:"1+"`
	CookedPct float64 `json:"cooked_pct" digits:"1+"`
	// PiecesG is what of it stays pieces, g.
	PiecesG float64 `json:"pieces_g" digits:"1+"`
	// Tenth is what the figures would be with a tenth more of the line.
	Tenth Figures `json:"tenth"`
}

// Figures is mix.Figures as the interface tells it.
type Figures struct {
	Q      float64 `json:"q" digits:"3+"`
	Raw    float64 `json:"raw_chance" digits:"3+"`
	Cooked float64 `json:"cooked_chance" digits:"3+"`
}

// Ground is mix.Ground as the interface tells it.
type Ground struct {
	Topic  mix.Topic `json:"topic"`
	Points float64   `json:"points" digits:"2+"`
}

// Explanation is mix.Explanation as the interface tells it.
type Explanation struct {
	Lines []Given `json:"lines"`
	// Sums over the lines, g.
	Water   float64 `json:"water_g" digits:"1+"`
	Oil     float64 `json:"oil_g" digits:"1+"`
	Plastic float64 `json:"plastic_g" digits:"1+"`
	Liquid  float64 `json:"liquid_g" digits:"1+"`
	// Loose is how much lower than its index a hand feels the mix because little joins it.
	Loose float64 `json:"loose" digits:"2"`
	// Cohesion is what binds the raw mix and Set what heat sets in it, kPa, and
	// Continuity what the pieces leave of both, as a factor. Salt is the factor of salt
	// on the glue of raw meat.
	Cohesion   float64 `json:"cohesion_kpa" digits:"3+"`
	Set        float64 `json:"set_kpa" digits:"3+"`
	Continuity float64 `json:"continuity" digits:"3+"`
	Salt       float64 `json:"salt" digits:"3+"`
	// RawReasons and CookedReasons come the weightiest first.
	RawReasons    []Ground `json:"raw_reasons"`
	CookedReasons []Ground `json:"cooked_reasons"`
}
