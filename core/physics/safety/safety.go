// Package safety knows the usual guidance on heat and cold for what is in a
// mix: core temperatures, cooling, keeping, and the cautions that go with a way
// of cooking. It gives codes and figures; the interface says them, always with
// "follow your local food authority".
package safety

import (
	"math"

	"cuerda/core/food"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Guidance names a body of usual guidance.
type Guidance string

// The guidance a cook can choose.
const (
	// US is home guidance of the United States (USDA FSIS, "Safe minimum internal
	// temperatures"): a temperature, for a moment.
	US Guidance = "us"
	// UK is that of the United Kingdom (FSA, "Cooking safely"): 70 degC for two
	// minutes, or its equal.
	UK Guidance = "uk"
	// Own is the cook's own local rule: one temperature and its minutes.
	Own Guidance = "own"
)

// Guidances lists every Guidance.
var Guidances = []Guidance{US, UK, Own}

// Rule is what a kitchen goes by.
type Rule struct {
	Guidance Guidance `json:"guidance" enum:"us,uk,own"`
	// OwnCelsius and OwnMinutes are the local rule where Guidance is own.
	OwnCelsius float64 `json:"own_celsius,omitempty" minimum:"55" maximum:"100"`
	OwnMinutes float64 `json:"own_minutes,omitempty" minimum:"0" maximum:"60"`
}

// Reason says why a target is what it is.
type Reason string

// The reasons, the strictest first.
const (
	Poultry    Reason = "poultry"
	Stuffing   Reason = "stuffing"
	GroundMeat Reason = "ground-meat"
	Egg        Reason = "egg"
	Fish       Reason = "fish"
	Cooked     Reason = "cooked-before" // cooked meat and fish are leftovers
	Plants     Reason = "plants"        // hot all through, so that starch and flour cook
)

// Reasons lists every reason, the strictest first.
var Reasons = []Reason{Poultry, Stuffing, GroundMeat, Egg, Fish, Cooked, Plants}

// Target is what the coldest point should reach.
type Target struct {
	Celsius float64
	// Minutes it should stay there, or their equal; 0 for a moment.
	Minutes float64
	Reason  Reason
	// Food that asks for it, if one does.
	Food string
	// Guided says whether guidance asks for it, as against good cooking alone.
	Guided bool
	// GuidedCelsius is what guidance asks for where good cooking asks for more, and
	// GuidedMinutes for how long; 0 where it asks for nothing less.
	GuidedCelsius float64
	GuidedMinutes float64
}

// Least is what guidance asks for, with good cooking left out; false where it asks
// for nothing.
func (t Target) Least() (Target, bool) {
	if t.GuidedCelsius > 0 {
		t.Celsius, t.Minutes = t.GuidedCelsius, t.GuidedMinutes
		return t, true
	}
	return t, t.Guided
}

const (
	// plantsCelsius is where starches and legume proteins have set and raw flour
	// is no longer raw; no authority asks for it.
	plantsCelsius = 74.
	// hotThrough is where vegetables, dairy and nuts alone are hot all through: no more
	// than any food that something is asked of.
	hotThrough = 63.
)

// TargetFor is the target for the lines of a mix made into that kind of piece: the
// highest that anything in it asks for, by guidance or for good cooking. Adding a
// food never lowers it.
func (r Rule) TargetFor(lines []mix.Line, kind piece.Kind) Target {
	plants := Target{Celsius: hotThrough, Reason: Plants}
	guided := Target{}
	for i := range lines {
		f := lines[i].Food
		celsius, reason := usOf(f)
		switch {
		case reason == Plants && celsius > plants.Celsius:
			plants.Celsius, plants.Food = celsius, f.ID
		case reason != Plants && (celsius > guided.Celsius || celsius == guided.Celsius && rankOf(reason) > rankOf(guided.Reason)):
			guided = Target{Celsius: celsius, Reason: reason, Food: f.ID, Guided: true}
		}
	}
	if kind == piece.Stuffing && guided.Guided && guided.Celsius < 74 {
		guided = Target{Celsius: 74, Reason: Stuffing, Guided: true}
	}
	switch {
	case r.Guidance == UK:
		// Its 70 degC for two minutes are for all food that is to be cooked.
		guided.Celsius, guided.Minutes = 70, 2
		if guided.Guided || plants.Celsius > hotThrough {
			plants.Celsius, plants.Minutes = guided.Celsius, guided.Minutes
		}
	case r.Guidance == Own && guided.Guided && r.OwnCelsius > 0:
		guided.Celsius, guided.Minutes = r.OwnCelsius, r.OwnMinutes
	}
	switch {
	case !guided.Guided:
		return plants
	case guided.Celsius >= plants.Celsius:
		return guided
	}
	plants.GuidedCelsius, plants.GuidedMinutes = guided.Celsius, guided.Minutes
	// Hotter, for the minutes that do as much there as the rule's at its own heat.
	plants.Minutes = guided.Minutes * math.Pow(10, (guided.Celsius-plants.Celsius)/zCelsius)
	return plants
}

// zCelsius is the rise of temperature that makes heat ten times as deadly, K: that
// of the times and temperatures held equal to 70 degC for two minutes.
const zCelsius = 7.5

func rankOf(r Reason) int {
	for i, each := range []Reason{Plants, Cooked, Fish, Egg, GroundMeat, Stuffing, Poultry} {
		if r == each {
			return i + 1
		}
	}
	return 0
}

// usOf is what US home guidance, or good cooking of a plant, asks of a food in a mix,
// degC. Legumes, grains, flours and starches are to set; raw flour is never eaten raw.
func usOf(f *food.Food) (celsius float64, reason Reason) {
	switch {
	case f.Group == food.Egg && f.State != food.Cooked:
		return 71, Egg
	case f.State == food.Raw && f.Group == food.Meat && f.Source == "poultry":
		return 74, Poultry
	case f.State == food.Raw && f.Group == food.Meat:
		return 71, GroundMeat
	case f.State == food.Raw && f.Group == food.Fish:
		return 63, Fish
	case f.Group == food.Meat || f.Group == food.Fish:
		return 74, Cooked
	case f.Group == food.Legume || f.Group == food.Grain || f.Group.IsBinder() && f.Group != food.Gel:
		return plantsCelsius, Plants
	}
	return hotThrough, Plants
}

// The usual limits for cooling, min and degC (US Food Code 3-501.14): from 57
// to 21 within two hours, to 5 within six; in the fridge within two hours.
const (
	CoolStart, CoolMiddle, CoolEnd = 57., 21., 5.
	CoolFirst, CoolWhole           = 120., 360.
	OutOfFridge                    = 120.
)

// Keep says how long pieces keep, in days: usual home guidance.
type Keep struct {
	RawFridgeDays    float64
	CookedFridgeDays float64
	FreezerMonths    float64
}

// KeepFor gives the days for the lines of a mix (USDA FSIS and FoodKeeper
// figures; the UK's FSA says two days for cooked leftovers).
func (r Rule) KeepFor(lines []mix.Line) Keep {
	k := Keep{RawFridgeDays: 2, CookedFridgeDays: 4, FreezerMonths: 3}
	for i := range lines {
		f := lines[i].Food
		switch {
		case f.State == food.Raw && (f.Group == food.Meat || f.Group == food.Fish):
			k.RawFridgeDays, k.FreezerMonths = 1, min(k.FreezerMonths, 3)
		case f.Group == food.Fish:
			k.RawFridgeDays, k.FreezerMonths = min(k.RawFridgeDays, 1), min(k.FreezerMonths, 2)
		case f.Group == food.Egg:
			k.RawFridgeDays = min(k.RawFridgeDays, 1)
		}
		if f.Has("cooked-rice") {
			k.CookedFridgeDays = min(k.CookedFridgeDays, 3)
		}
	}
	if r.Guidance == UK {
		k.CookedFridgeDays = min(k.CookedFridgeDays, 2)
	}
	return k
}

// OilLimit is the highest that oil for frying should be, degC: common frying
// oils smoke from about 190 on.
const OilLimit = 190.

// CautionsFor lists the codes of cautions that belong to a way of cooking.
func CautionsFor(m method.Method, celsius float64, kind piece.Kind) []string {
	out := []string{"thermometer"}
	out = append(out, m.Row().Cautions...)
	if m.Row().Medium == method.Fat && celsius > OilLimit {
		out = append(out, "oil-too-hot")
	}
	if kind == piece.Ball || kind == piece.Cylinder {
		out = append(out, "choking")
	}
	return append(out, "cool-in-time", "reheat-once")
}
