package wire

import "cuerda/core/physics/piece"

// Point is bake.Point as the interface tells it.
type Point struct {
	Minutes        float64 `json:"minutes" digits:"2"`
	CoreCelsius    float64 `json:"core_celsius" digits:"1"`
	SurfaceCelsius float64 `json:"surface_celsius" digits:"1"`
}

// BinderSet is bake.BinderSet as the interface tells it.
type BinderSet struct {
	Food    string  `json:"food"`
	Celsius float64 `json:"celsius"`          // at which half of it has
	Share   float64 `json:"share" digits:"2"` // 0..1
}

// CookNote is bake.CookNote as the interface tells it.
type CookNote struct {
	Code  string  `json:"code"`
	Kind  string  `json:"kind" enum:"stop,limit,caution"`
	Value float64 `json:"value,omitempty" digits:"1"`
	Limit float64 `json:"limit,omitempty" digits:"1"`
}

// Baked is bake.Baked as the interface tells it.
type Baked struct {
	// Reached says whether the slowest place comes to the target at all.
	Reached         bool      `json:"reached"`
	MinutesToTarget *float64  `json:"minutes_to_target" nullable:"true" digits:"1"`
	PullAt          *float64  `json:"pull_at_minutes" nullable:"true" digits:"1"`
	TurnAt          *float64  `json:"turn_at_minutes" nullable:"true" digits:"1"`
	Turns           []float64 `json:"turns_minutes" digits:"1"`
	// SearEnds is when it goes from the pan into the oven, GrillFrom when under the
	// grill; missing where it does not.
	SearEnds    *float64 `json:"sear_ends_minutes,omitempty" digits:"1"`
	GrillFrom   *float64 `json:"grill_from_minutes,omitempty" digits:"1"`
	PeakCelsius float64  `json:"peak_celsius" digits:"1"`
	// WallPeakCelsius is the peak of the slowest place of the mix itself, where it
	// lies around a filling or a middle.
	WallPeakCelsius *float64 `json:"wall_peak_celsius,omitempty" digits:"1"`
	StartCelsius    float64  `json:"start_celsius" digits:"1"`
	// Freeze is how long the raw pieces take in the freezer, where they come from
	// there; missing where they do not, or never freeze.
	Freeze        *float64 `json:"freeze_minutes,omitempty" digits:"0"`
	AroundCelsius float64  `json:"around_celsius" digits:"1"`
	// Target is what the coldest place is to reach, and Guidance what is usual.
	Target   Target `json:"target"`
	Guidance Target `json:"guidance"`
	// Mix says how the piece takes up heat, half-way to its target.
	Mix Thermal `json:"mix"`
	// F70 is minutes at 70 degC that the slowest place has had, or their equal,
	// once rested.
	F70AtPull     float64 `json:"f70_at_pull" digits:"1"`
	F70           float64 `json:"f70" digits:"1"`
	WeightLossPct float64 `json:"weight_loss_pct" digits:"1"`
	WaterLossPct  float64 `json:"water_loss_pct" digits:"1"`
	JuiceLossPct  float64 `json:"juice_loss_pct" digits:"1"`
	FatLossPct    float64 `json:"fat_loss_pct" digits:"1"`
	// Browning is an estimate, 0 pale to 1 dark; its word, and Dryness, are missing where the piece does not get done.
	Browning     float64 `json:"browning" digits:"2"`
	BrowningWord string  `json:"browning_word,omitempty" enum:"pale,golden,brown,dark"`
	// After cooking: the index and whether it eats dry, and the hold with what
	// has set where it stays coolest.
	CookedQ  *float64    `json:"cooked_q" nullable:"true" digits:"2"`
	Dryness  string      `json:"dryness,omitempty" enum:"moist,right,dry"`
	Sets     []BinderSet `json:"sets"`
	SetKPa   float64     `json:"set_kpa" digits:"2"`
	SetRatio float64     `json:"set_ratio" digits:"2"`
	// SetChance is that it holds cooked, as far as its binders have set, 0..1.
	SetChance  float64 `json:"set_chance" digits:"3"`
	SetMinutes float64 `json:"set_minutes"`
	// Piece is as the mix makes it: where so many are asked for, or of a loaf, its size follows the mix.
	Piece piece.Piece `json:"piece"`
	Yield Yield       `json:"yield"`
	Load  Load        `json:"load"`
	Curve []Point     `json:"curve"`
	// Section is the piece cut through over time; absent where it was not asked for.
	Section *Section `json:"section,omitempty"`
	Steps   []Step   `json:"steps"`
	// LateMinutes is how long ago the first step should have begun.
	LateMinutes float64    `json:"late_minutes" digits:"0"`
	Notes       []CookNote `json:"cook_notes"`
}

// Outlook is bake.Alternatives as the interface tells it.
type Outlook struct {
	// WhatIf says how the minutes to the target would move.
	WhatIf []WhatIf `json:"what_if"`
	// ChillToFirm is how long the raw pieces take in the fridge until they are 8
	// degC all through.
	ChillToFirm *float64 `json:"chill_to_firm_minutes" nullable:"true" digits:"0"`
	Cooling     Cooling  `json:"cooling"`
	// Freeze is how long raw pieces take to -15 degC inside in the freezer, Thaw
	// from there to 0 in the fridge, FromFrozen when to take them off the heat then.
	Freeze     *float64 `json:"freeze_minutes" nullable:"true" digits:"0"`
	Thaw       *float64 `json:"thaw_minutes" nullable:"true" digits:"0"`
	FromFrozen *float64 `json:"from_frozen_minutes" nullable:"true" digits:"1"`
	// FrozenTurns are when pieces from the freezer are turned, min.
	FrozenTurns []float64 `json:"frozen_turns" digits:"1"`
	Keep        Keep      `json:"keep"`
}

// WhatIf is bake.WhatIf as the interface tells it.
type WhatIf struct {
	Change  string   `json:"change" enum:"bigger,cooler,from-room"`
	Minutes *float64 `json:"minutes" nullable:"true" digits:"1"`
	// More is against the piece as it is.
	More float64 `json:"more_minutes" digits:"1"`
}

// Cooling is bake.Cooling as the interface tells it.
type Cooling struct {
	// To21 and To5 count from 57 degC in the middle.
	To21 *float64 `json:"to_21_minutes" nullable:"true" digits:"0"`
	To5  *float64 `json:"to_5_minutes" nullable:"true" digits:"0"`
	// InTime says whether both are within two and six hours.
	InTime bool `json:"in_time"`
}

// Step is bake.Step as the interface tells it.
type Step struct {
	// Code is that of steps.Step.
	Code    string  `json:"code" enum:"soak,drain,press,oven-dry,roast,toast,saute,brown,cool,gel,blitz,mash,mix,rest,shape,chill,freeze,preheat,sear,cook,grill,set,table,make,brush"`
	Minutes float64 `json:"minutes"`
	// Before is when it begins, min before the table.
	Before float64 `json:"before_minutes"`
	// Clock is that time of day, hh:mm, and Day 0, or -1 and less where it is of
	// a day before.
	Clock string `json:"clock"`
	Day   int    `json:"day"`
	// Hands says whether someone has to stand there.
	Hands bool `json:"hands"`
	// Beside says that it goes on while other steps do.
	Beside bool `json:"beside"`
	// Lines are those of the mix it is about; Times how often it is done over.
	Lines []int `json:"lines,omitempty"`
	Times int   `json:"times"`
	// Part is which part of the document it is about, from 1; 0 for the mix.
	Part int `json:"part,omitempty"`
}
