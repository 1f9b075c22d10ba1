package food

import (
	"cmp"
	"math"
	"slices"
)

// Group is the shelf a food stands on in the catalogue.
type Group string

// The groups of the catalogue.
const (
	Meat         Group = "meat"
	Fish         Group = "fish"
	Legume       Group = "legume"
	Grain        Group = "grain"
	Vegetable    Group = "vegetable"
	Fruit        Group = "fruit"
	Nut          Group = "nut"
	Seed         Group = "seed"
	Gel          Group = "gel"
	GrainBinder  Group = "grain-binder"
	LegumeBinder Group = "legume-binder"
	NutBinder    Group = "nut-binder"
	Starch       Group = "starch"
	Egg          Group = "egg"
	Dairy        Group = "dairy"
	Wet          Group = "wet"
	Fat          Group = "fat"
	Flavour      Group = "flavour"
)

// Groups lists every group, in the order a cook meets them.
var Groups = []Group{
	Meat, Fish, Legume, Grain, Vegetable, Fruit, Nut, Seed, Gel, GrainBinder,
	LegumeBinder, NutBinder, Starch, Egg, Dairy, Wet, Fat, Flavour,
}

// IsBinder says whether foods of the group are added to drink up water and to
// bind: gels, flours and flakes, nut meals and starches.
func (g Group) IsBinder() bool {
	switch g {
	case Gel, GrainBinder, LegumeBinder, NutBinder, Starch:
		return true
	}
	return false
}

// State is how a food comes to the bench.
type State string

// The states of the catalogue.
const (
	Raw    State = "raw"
	Cooked State = "cooked"
	Ready  State = "ready"
)

// Grade says how sure the physical figures of a food are.
type Grade string

// SD is one relative standard deviation of the figures: 0.05 for A (measured
// and published), 0.15 for B (derived from published figures) and 0.30 for C
// (kitchen practice and judgement).
func (g Grade) SD() float64 {
	switch g {
	case "A":
		return 0.05
	case "B":
		return 0.15
	}
	return 0.30
}

// Composition is what 100 g of a food holds as it enters the mix, in grams.
// Carb is available carbohydrate; Salt is part of Ash as well.
type Composition struct {
	Water   float64 `json:"water"`
	Protein float64 `json:"protein"`
	Fat     float64 `json:"fat"`
	Carb    float64 `json:"carb"`
	Fibre   float64 `json:"fibre"`
	Ash     float64 `json:"ash"`
	Salt    float64 `json:"salt"`
}

// Sum adds up the six parts that make the whole, g per 100 g.
func (c Composition) Sum() float64 {
	return c.Water + c.Protein + c.Fat + c.Carb + c.Fibre + c.Ash
}

// Paste describes how the paste of a food drinks and holds.
type Paste struct {
	// Plastic and Liquid are the grams of water per gram of fat-free dry
	// solids at which the paste stops crumbling and starts to slump
	// (Atterberg limits, ISO 17892-12, used for food).
	Plastic, Liquid float64
	// Tau is the hydration time constant at 20 degC, min; 0 if already wet.
	Tau float64
	// Chunk is the share of the mass that is pieces, not paste, 0..1.
	Chunk float64
	// Leak is the grams of liquid that a gram of those pieces gives up.
	Leak float64
	// Oil is the share of the fat that is liquid and outside cells, 0..1.
	Oil float64
	// GlueCold and GlueHot are the cohesion that a gram of paste gives per
	// gram of mix, kPa x 100, before and after setting.
	GlueCold, GlueHot float64
	// Sets says whether the hot glue sets with heat, and SetC at which
	// temperature, degC.
	Sets bool
	SetC float64
	// Breaks is how much a piece breaks the paste around it, 0..1: a bean does, a grain
	// of quinoa half.
	Breaks float64
	// SetShare is the part of the hot glue that heat sets, 0..1; the rest softens.
	SetShare float64
	// HotDrink is how many times the water of its limits it takes up once hot, 1 and up:
	// starch gelatinises.
	HotDrink float64
}

// Food is one row of the catalogue. Foods are shared and must not be changed.
type Food struct {
	ID     string
	Name   string
	NameES string
	Group  Group
	State  State
	Composition
	// GramsPerCup is the mass of a level US cup (236.6 ml), g; 0 if unknown.
	GramsPerCup float64
	// GramsPerPiece is the mass of one usual piece, g; 0 if it has none.
	GramsPerPiece float64
	// PieceName is the catalogue's word for that piece: "stalk", "clove".
	PieceName string
	Paste
	// MaxPct is the share of the mix, per 100 g, above which the food tastes
	// or feels of itself; 0 where there is no such limit.
	MaxPct float64
	// SauteLoss is the share of the mass that a long saute drives off, 0..0.9;
	// 0 where the catalogue leaves it to the group.
	SauteLoss float64
	// Allergens are among the 14 of EU Regulation 1169/2011, Annex II.
	Allergens []string
	// Source is plant, red-meat, pork, poultry, meat (of any kind), fish, egg,
	// dairy or bee.
	Source    string
	learnedSD [2]float64 // DrinkSD as outcomes left it
	waterSD   float64    // WaterSD as many kitchens left it
	// Stuff is what makes mixes with it turn out alike.
	Stuff Stuff
	// Traits are what rules go by beside its figures: see traits.csv.
	Traits []Trait
	// Gluten is none, risk (check the label) or contains.
	Gluten string
	// Cautions are codes the interface turns into words.
	Cautions []string
	Grade    Grade
	// Figures says where the composition is from: usda-sr (rounded from the
	// public tables of the US Department of Agriculture, Standard Reference) or
	// typical-label (usual for products whose own label should be read).
	Provenance string
	// Words are other names that people use for the food, by language: en, es.
	Words map[string][]string
	// Packs are the sizes it is sold in.
	Packs []Pack
	// Staple is the share of home kitchens that have it as a rule, 0..1: judgement
	// (grade C), of binders only. What nobody knows to be common is 0.05.
	Staple float64
	// SoakGain is the water a gram takes up in a long soak, g, and SoakHours the time
	// constant of it; 0 where the catalogue leaves them to the group.
	SoakGain, SoakHours float64
	// ManyAlike says that it stands for many foods that do the same in a mix, each of
	// which a cook calls by its own name: cumin of the dried spices.
	ManyAlike bool
	// Own is the food of the catalogue that one of a kitchen's own is like; "" for those
	// of the catalogue. Gone says that it is no longer offered.
	Own  string
	Gone bool
}

// IsRawMeat says whether the food is raw meat or fish, whose protein salt
// makes sticky.
func (f *Food) IsRawMeat() bool {
	return f.State == Raw && (f.Group == Meat || f.Group == Fish)
}

// Has says whether the food carries the caution code.
func (f *Food) Has(caution string) bool {
	return slices.Contains(f.Cautions, caution)
}

// gelWater is the water that a gel is soaked in, g per g: kitchen practice.
var gelWater = map[string]float64{"flax-meal": 3.5, "chia-ground": 4.5, "chia-whole": 4.5, "psyllium-husk": 11}

// GelWater is the water that the food wants to gel in, g per g; 0 for what does not gel.
func (f *Food) GelWater() float64 { return gelWater[cmp.Or(f.Own, f.ID)] }

// UsualGrams is the amount of the food that a first try at a mix of about a
// kilo would take, g: kitchen practice by group, and half of its limit where
// it has one.
func (f *Food) UsualGrams() float64 {
	if f.MaxPct > 0 {
		return max(5, 5*math.Round(f.MaxPct))
	}
	switch f.Group {
	case Meat, Fish, Legume, Grain:
		return 400
	case Vegetable:
		if f.GramsPerPiece > 0 && f.GramsPerPiece < 30 {
			return 3 * f.GramsPerPiece
		}
		return 120
	case Nut:
		if f.Water > 30 {
			return 300
		}
		return 50
	case Egg:
		return f.GramsPerPiece
	case Flavour:
		return 6
	case Wet, Fat:
		return 30
	}
	return 50
}
