package food

import "math"

// Grams per unit of mass and millilitres of the US cup, by definition
// (NIST Handbook 44: avoirdupois ounce; US customary cup of 236.588 ml).
const (
	GramsPerOunce = 28.349523125
	MLPerCup      = 236.588
	spoonsPerCup  = 16 // tablespoons
	teasPerCup    = 48 // teaspoons
)

// Unit is a kitchen measure.
type Unit string

// The kitchen measures.
const (
	Gram       Unit = "g"
	Ounce      Unit = "oz"
	Cup        Unit = "cup"
	Tablespoon Unit = "tbsp"
	Teaspoon   Unit = "tsp"
	Piece      Unit = "piece"
)

// Units lists every unit.
var Units = []Unit{Gram, Ounce, Cup, Tablespoon, Teaspoon, Piece}

// GramsPer gives the grams in one unit of the food, and false where the
// catalogue does not know it.
func (f *Food) GramsPer(u Unit) (float64, bool) {
	var g float64
	switch u {
	case Gram:
		g = 1
	case Ounce:
		g = GramsPerOunce
	case Cup:
		g = f.GramsPerCup
	case Tablespoon:
		g = f.GramsPerCup / spoonsPerCup
	case Teaspoon:
		g = f.GramsPerCup / teasPerCup
	case Piece:
		g = f.GramsPerPiece
	}
	return g, g > 0
}

// Measure is an amount as a cook would measure it. Amount is a whole number
// plus one of the fractions that spoons and cups come in.
type Measure struct {
	Amount float64
	Unit   Unit
}

// fractions of measuring cups and of spoons, and how many of a spoon a cook counts.
var measures = []struct {
	unit        Unit
	perCup      float64
	fractions   []float64
	least, most float64
}{
	{Cup, 1, []float64{0, 0.25, 1. / 3, 0.5, 2. / 3, 0.75, 1}, 0.24, math.Inf(1)},
	{Tablespoon, spoonsPerCup, []float64{0, 0.5, 1}, 0.97, 8.25},
	{Teaspoon, teasPerCup, []float64{0, 0.125, 0.25, 0.5, 0.75, 1}, 0.0625, 6.25},
}

// closeEnough is the share that a rounding may miss by before a smaller measure is taken.
const closeEnough = 0.06

// Measure gives the nearest kitchen measure for that many grams: cups from a
// quarter cup, then tablespoons from one, then teaspoons from an eighth; a smaller
// one where it comes nearer and the larger misses by more than 6%. It is false below
// that or where a level cup of the food has no known mass.
func (f *Food) Measure(grams float64) (Measure, bool) {
	if f.GramsPerCup <= 0 || !(grams > 0) || math.IsInf(grams, 0) {
		return Measure{}, false
	}
	cups := grams / f.GramsPerCup
	var best Measure
	least := math.Inf(1)
	for _, m := range measures {
		x := cups * m.perCup
		if x < m.least || x > m.most {
			continue
		}
		amount := round(x, m.fractions)
		miss := math.Abs(amount/x - 1)
		if miss < least {
			best, least = Measure{amount, m.unit}, miss
		}
		if least <= closeEnough {
			break
		}
	}
	return best, best.Amount > 0
}

func round(x float64, steps []float64) float64 {
	whole, rest := math.Modf(x)
	best := steps[0]
	for _, s := range steps {
		if math.Abs(rest-s) < math.Abs(rest-best) {
			best = s
		}
	}
	if whole+best == 0 {
		return steps[1]
	}
	return whole + best
}
