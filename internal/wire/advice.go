package wire

import (
	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/mix"
)

// Addition is advise.Addition as the interface tells it.
type Addition struct {
	Food    string   `json:"food"`
	Grams   float64  `json:"grams"`
	Measure *Measure `json:"measure,omitempty"`
}

// Way is advise.Way as the interface tells it.
type Way struct {
	// Aim is what it is the best at of all that was searched; "" where it is the best
	// of its kind only.
	Aim advise.Aim `json:"aim"`
	// Kind is what it works by.
	Kind advise.Kind `json:"kind"`
	// Moves are what a cook does, the one that counts most first.
	Moves []Move     `json:"moves"`
	Add   []Addition `json:"add"`
	Drop  []string   `json:"drop,omitempty"`
	// Changes and Settings are all that taking it changes of the document.
	Changes     []Change  `json:"changes"`
	Settings    []Setting `json:"settings"`
	RestMinutes float64   `json:"rest_minutes"`
	Q           float64   `json:"q" digits:"3+"`
	Word        mix.Word  `json:"word"`
	// ChanceRaw and ChanceCooked are those of its stages, RawRatio and CookedRatio the
	// holds over what its pieces need.
	ChanceRaw    float64 `json:"chance_raw" digits:"3+"`
	ChanceCooked float64 `json:"chance_cooked" digits:"3+"`
	RawRatio     float64 `json:"raw_ratio" digits:"2+"`
	CookedRatio  float64 `json:"cooked_ratio" digits:"2+"`
	Chance       float64 `json:"chance" digits:"3+"`
	// ChanceLow is what nine in ten such builds reach.
	ChanceLow float64 `json:"chance_low" digits:"3+"`
	// Eat is how good it is to eat, 0..1, and Costs what costs that, the dearest first.
	Eat   float64       `json:"eat" digits:"3+"`
	Costs []eating.Cost `json:"costs"`
	// SavesMinutes is the waiting it saves against the document; below 0 it costs.
	SavesMinutes float64 `json:"saves_minutes"`
	// LimitPct is how much of the nearest taste limit it uses, per cent.
	LimitPct float64 `json:"limit_pct" digits:"0+"`
	// Price is what the additions cost in the kitchen's currency; missing if unknown.
	Price *float64 `json:"price,omitempty" digits:"2+"`
	// Have says that all it adds is at hand.
	Have bool `json:"have"`
	// Out are foods of the document that its table leaves out: what was there before, and no way adds.
	Out []string `json:"out"`
	// Document is the build with the way taken.
	Document document.Document `json:"document"`
}

// Move is advise.Move as the interface tells it.
type Move struct {
	Code advise.MoveCode `json:"code"`
	// Food is what it is done to, left out or put in.
	Food string `json:"food,omitempty"`
	// Was and Now are g of the food (of the part that is mashed), mm across the piece, or min of a wait.
	Was float64 `json:"was" digits:"1+"`
	Now float64 `json:"now" digits:"1+"`
	// WaterG is the water that leaves with it, g; below 0 what it brings.
	WaterG float64 `json:"water_g" digits:"0+"`
	// With is the food that goes in with it, and WithG how much, g.
	With  string  `json:"with,omitempty"`
	WithG float64 `json:"with_g,omitempty" digits:"1+"`
	// Liquid is what wets it, and LiquidG how much, g.
	Liquid  string  `json:"liquid,omitempty"`
	LiquidG float64 `json:"liquid_g,omitempty" digits:"1+"`
	// Minutes is the rest that it is given, min.
	Minutes float64 `json:"minutes,omitempty" digits:"1+"`
	// Method is the heat that takes the place of another.
	Method string `json:"method,omitempty"`
	// Gain is how much it brings, points of the chance that nine in ten reach times how good it is to eat.
	Gain float64 `json:"gain" digits:"1+"`
}

// Role is advise.Role as the interface tells it.
type Role struct {
	Food  string  `json:"food"`
	Grams float64 `json:"grams"`
	// WaterG is the water it brought, DrinksG the water it took up, g.
	WaterG  float64 `json:"water_g" digits:"0+"`
	DrinksG float64 `json:"drinks_g" digits:"0+"`
	// ColdPct and HotPct are its shares of the raw and the cooked glue.
	ColdPct float64 `json:"cold_pct" digits:"0+"`
	HotPct  float64 `json:"hot_pct" digits:"0+"`
}

// Answer is advise.Answer as the interface tells it.
type Answer struct {
	Suggest   []Way             `json:"suggest"`
	Obstacles []advise.Obstacle `json:"obstacles,omitempty"`
	Nearest   *Way              `json:"nearest,omitempty"`
	// Becomes is what the mix can be made into where no way is good, the best first.
	Becomes []advise.Becomes `json:"becomes,omitempty"`
	// Taken is what gave way, and what each did.
	Taken []Role `json:"taken,omitempty"`
	// Candidates is how many binders were considered.
	Candidates int `json:"candidates"`
}

// Mend is advise.Mend as the interface tells it.
type Mend struct {
	// Felt is the word the cook chose, and Q the index it stands for.
	Felt mix.Word `json:"felt"`
	// WaterG is the water that the model must have missed for it to feel so, g: what
	// the document keeps as its hand.
	WaterG    float64  `json:"water_g" digits:"1+"`
	Q         float64  `json:"q" digits:"2+"`
	Predicted mix.Word `json:"predicted"`
	Band      Band     `json:"band"`
	// Verdict is fine, too-wet or too-dry.
	Verdict string `json:"verdict" enum:"fine,too-wet,too-dry"`
	// Additions are foods to add by the spoon, the best first.
	Additions []Spoons `json:"additions"`
	// RestMinutes is how long to wait instead; 0 where waiting does not do it.
	RestMinutes float64 `json:"rest_minutes,omitempty"`
	// Chill says that an hour of cold firms it enough to shape.
	Chill bool `json:"chill"`
	// Reshape lists other pieces that want what the mix is now: loaf, stuffing
	// or fritter.
	Reshape []string `json:"reshape,omitempty"`
}

// Spoons is advise.Spoons as the interface tells it.
type Spoons struct {
	Food string `json:"food"`
	Have bool   `json:"have"`
	// SpoonG is the mass of a level tablespoon (or teaspoon for gels), g.
	SpoonG float64   `json:"spoon_g" digits:"1+"`
	Unit   food.Unit `json:"unit"`
	// Steps says how the mix feels after each spoon.
	Steps []SpoonStep `json:"steps"`
	// Enough is how many spoons bring it into the band; 0 if none does.
	Enough int `json:"enough"`
	// Stop is the most spoons before it tastes or feels of itself; 0 if there
	// is no such limit.
	Stop int `json:"stop,omitempty"`
	// Minutes is how long to wait before feeling again.
	Minutes float64 `json:"minutes"`
}

// SpoonStep is advise.SpoonStep as the interface tells it.
type SpoonStep struct {
	Q    float64  `json:"q" digits:"2+"`
	Word mix.Word `json:"word"`
}

// School is advise.School as the interface tells it.
type School struct {
	// Question is wet-mix, egg, waiting, mixing or heat.
	Question string      `json:"question" enum:"wet-mix,egg,waiting,mixing,heat"`
	Ways     []SchoolWay `json:"ways"`
}

// SchoolWay is advise.SchoolWay as the interface tells it.
type SchoolWay struct {
	// Code is dry-first, more-binder; seed-gel, starch, flour, own-paste,
	// own-protein, dairy; rest, no-wait; coarse, paste; bake, pan or deep-oil.
	Code string `json:"code"`
	Way  Way    `json:"way"`
}
