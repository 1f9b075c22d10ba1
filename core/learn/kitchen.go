package learn

import (
	"math"
	"slices"
	"strings"
	"time"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
)

// Try is a build as it was cooked, and how it came out.
type Try struct {
	ID       string
	At       time.Time
	Document *document.Document
	Found    *logbook.Found
	// Said is the chance that was said before it was cooked, 0..1; nil where nothing was.
	Said *float64
}

// The figures of a kitchen that its tries tell of. Those of a food are WaterOf or DrinkOf
// its ID.
const (
	OvenOffset   = "oven_offset_celsius" // what the oven really is less what it says, K
	OvenTransfer = "oven_transfer"       // how well heat passes there, x
	PanTransfer  = "pan_transfer"        // the same of a pan, x
	Altitude     = "altitude_m"          // that its boiling water tells of, m
	Turning      = "turning"             // how roughly its hands move raw pieces, x
	Scoop        = "scoop"               // how full they make pieces, x
	waterOf      = "water:"              // how much wetter a food is, g per 100 g
	drinkOf      = "drink:"              // how much water it takes up, x
)

// WaterOf and DrinkOf name the figures of a food.
func WaterOf(food string) string { return waterOf + food }

// DrinkOf names how much water a food takes up.
func DrinkOf(food string) string { return drinkOf + food }

// FoodOf gives the food that a figure is of; "" where it is the kitchen's.
func FoodOf(figure string) string {
	for _, of := range []string{waterOf, drinkOf} {
		if id, ok := strings.CutPrefix(figure, of); ok {
			return id
		}
	}
	return ""
}

// What kitchens differ by, before any try: one standard deviation. Ovens are off by some ten
// degrees. From inside a piece one that passes heat badly looks like one that is cool: so little is
// left to it that the offset takes what it can, unless a thermometer in the oven says otherwise. Who
// has told the altitude, or the oven's error, knows it; foods drink as section 9 of docs/model.md left it, and canned and cooked ones
// are wetter or drier by some points (public tables of one food differ so).
const (
	offsetSD     = 10.
	transferSD   = .02
	panSD        = .2
	altitudeSD   = 250.
	toldSD       = 60. // of an altitude that was told, m
	toldOffsetSD = 4.  // of an oven's error that was told, K
	turningSD    = .25
	scoopSD      = .12
	leastDrinkSD = .08
	mostDrinkSD  = .3
)

// What findings are off by, one standard deviation, beside what is learned.
const (
	CoreSD    = 1.2 // a thermometer, and where it was put, K
	PieceSD   = 1.  // what the model of heat misses of one dish, its foods among it, K
	AirSD     = 3.  // a thermometer in an oven that goes up and down, K
	inPanSD   = 2.  // what it misses of one in a pan
	ScoopedSD = .05 // of the weight of a piece
	FeltSD    = .1  // what the model misses of the index of one mix
	// Alike is how much the pieces of one try go together.
	Alike = .15
)

// The tries that speak: the last of them, for kitchens change. Heat is followed for few.
const (
	mostTriesLearned = 1000
	mostHeat         = 60
)

// KitchenOptions say how a kitchen learns.
type KitchenOptions struct {
	// Known keeps what is costly to work out; nil where each time is the first.
	Known *Warmings
	// LeftOut are figures that predictions are to do without.
	LeftOut []string
	// About are figures of foods that are expected elsewhere than the catalogue has them; nil for none.
	About map[string]float64
	// Forgotten says since when a figure is learned anew: tries before speak of what was then.
	Forgotten map[string]time.Time
}

// Estimate is what is thought of a figure: its mean and one standard deviation in its unit, and
// what holds it nine times in ten.
type Estimate struct{ Mean, SD, Low, High float64 }

// Figure is a figure of the kitchen that its tries taught something of.
type Figure struct {
	ID string
	// Factor says that it is one, x; its SD is then of its logarithm, times the mean.
	Factor           bool
	Prior, Posterior Estimate
	// Tries are the IDs of those that speak for it, the newest first.
	Tries []string
	// Used says whether predictions go by it.
	Used bool
}

// Unit is that of the figure: K, x for a factor, m, or points of g per 100 g.
func (f *Figure) Unit() string {
	switch {
	case f.ID == OvenOffset:
		return "K"
	case f.ID == Altitude:
		return "m"
	case f.Factor:
		return "x"
	}
	return "points"
}

// Learned is what the tries of a kitchen taught.
type Learned struct {
	Figures []Figure
	// Taught is what predictions use.
	Taught kitchen.Taught
	// Tries is how many there were with something found.
	Tries int
	// Mixes is how many of its own the kitchen is judged by.
	Mixes int
}

// Figure gives the figure of that ID; nil where nothing was learned of it.
func (l *Learned) Figure(id string) *Figure {
	i := slices.IndexFunc(l.Figures, func(f Figure) bool { return f.ID == id })
	if i < 0 {
		return nil
	}
	return &l.Figures[i]
}

// IsFactor says whether a figure is a factor, which is learned as its logarithm.
func IsFactor(id string) bool {
	return id != OvenOffset && id != Altitude && !strings.HasPrefix(id, waterOf)
}

// figureOf writes a quantity and its belief as a figure.
func figureOf(q Quantity, mode, sd float64) (f Figure) {
	f = Figure{ID: q.Name, Factor: IsFactor(q.Name), Prior: estimate(q.Name, q.Mean, q.SD), Posterior: estimate(q.Name, mode, sd)}
	return f
}

func estimate(id string, mean, sd float64) Estimate {
	low, high := mean-mix.Ninety*sd, mean+mix.Ninety*sd
	if IsFactor(id) {
		m := math.Exp(mean)
		return Estimate{m, sd * m, math.Exp(low), math.Exp(high)}
	}
	return Estimate{mean, sd, low, high}
}

// kitchenQuantities are those that are no food's, in their order.
func kitchenQuantities(k *kitchen.Kitchen) []Quantity {
	metres := altitudeSD
	if k.AltitudeM != 0 {
		metres = toldSD
	}
	oven := offsetSD
	if k.OvenOffset != 0 {
		oven = toldOffsetSD
	}
	return []Quantity{
		{OvenOffset, k.OvenOffset, oven}, {OvenTransfer, 0, transferSD}, {PanTransfer, 0, panSD}, {Altitude, k.AltitudeM, metres},
		{Turning, 0, turningSD}, {Scoop, 0, scoopSD},
	}
}

// Unknown lists what is not known of a kitchen that cooks with those foods, before any try.
func Unknown(k *kitchen.Kitchen, foods []*food.Food) []Quantity {
	out := kitchenQuantities(k)
	for _, f := range foods {
		if q, ok := foodQuantity(f); ok {
			out = append(out, q)
		}
	}
	return out
}

const (
	turning = heatQuantities + iota
	scoop
	firstFood
)

// foodQuantity is what is not known of a food; false where tries would not tell.
func foodQuantity(f *food.Food) (q Quantity, ok bool) {
	switch f.Group {
	case food.Legume, food.Grain, food.Vegetable, food.Fruit:
		if f.Water >= 40 && f.State != food.Raw || f.Group == food.Vegetable && f.Water >= 40 {
			return Quantity{WaterOf(f.ID), 0, f.WaterSD()}, true
		}
	case food.GrainBinder, food.LegumeBinder, food.NutBinder, food.Starch, food.Gel, food.Seed:
		if f.Plastic > 0 && f.Water < 40 {
			sd, _ := f.DrinkSD()
			return Quantity{DrinkOf(f.ID), 0, min(max(sd, leastDrinkSD), mostDrinkSD)}, true
		}
	}
	return Quantity{}, false
}

// deviationOf is how the food of a figure deviates; false where it is the kitchen's.
func deviationOf(id string, value, sd float64) (food.Deviation, bool) {
	switch {
	case strings.HasPrefix(id, waterOf):
		return food.Deviation{Water: value}, true
	case strings.HasPrefix(id, drinkOf):
		return food.Deviation{Drink: value, DrinkSD: sd}, true
	}
	return food.Deviation{}, false
}
