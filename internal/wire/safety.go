package wire

import (
	"cuerda/core/physics/safety"
)

// Target is safety.Target as the interface tells it.
type Target struct {
	Celsius float64 `json:"celsius"`
	// Minutes it should stay there, or their equal; 0 for a moment.
	Minutes float64       `json:"minutes" digits:"2"`
	Reason  safety.Reason `json:"reason"`
	// Food that asks for it, if one does.
	Food string `json:"food,omitempty"`
	// Guided says whether guidance asks for it, as against good cooking alone.
	Guided bool `json:"guided"`
	// GuidedCelsius is what guidance asks for where good cooking asks for more, and
	// GuidedMinutes for how long; 0 where it asks for nothing less.
	GuidedCelsius float64 `json:"guided_celsius,omitempty"`
	GuidedMinutes float64 `json:"guided_minutes,omitempty"`
}

// Keep is safety.Keep as the interface tells it.
type Keep struct {
	RawFridgeDays    float64 `json:"raw_fridge_days"`
	CookedFridgeDays float64 `json:"cooked_fridge_days"`
	FreezerMonths    float64 `json:"freezer_months"`
}
