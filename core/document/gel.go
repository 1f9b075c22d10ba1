package document

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/food"
	"cuerda/core/kitchen"
)

// gelAtMost is how many times the water of its liquid limit a gel takes at most: the usual spoon of
// ground flax in three spoons of water has one and three quarters (kitchen practice, grade C).
const gelAtMost = 2.

// A liquid of which a gel would leave less than leastLeft, g, goes into the gel whole.
const leastLeft = 10.

// GelLiquid is how much of each liquid of a build its gel formers are stirred into, g by line, from 0; what is
// left of the line goes into the mix.
func GelLiquid(d *Document, gelled []int, k *kitchen.Kitchen) map[int]float64 {
	wants := 0.
	for _, i := range gelled {
		f := k.Foods.Find(d.Lines[i].Food)
		dry := food.Prepare(f, d.Lines[i].Grams, nil)
		wants += gelAtMost * f.Liquid * dry.Solids()
	}
	out := map[int]float64{}
	var liquids []int
	for i := range d.Lines {
		if f := k.Foods.Find(d.Lines[i].Food); len(d.Lines[i].Prep) == 0 && slices.Contains(f.Traits, food.Liquid) {
			liquids = append(liquids, i)
		}
	}
	// Water before what has a taste of its own.
	slices.SortStableFunc(liquids, func(a, b int) int {
		water := func(i int) int { return map[bool]int{true: 0, false: 1}[d.Lines[i].Food == "water"] }
		return cmp.Compare(water(a), water(b))
	})
	for _, i := range liquids {
		takes := math.Round(min(d.Lines[i].Grams, wants))
		if takes < 1 {
			break
		}
		if d.Lines[i].Grams-takes < leastLeft {
			takes = d.Lines[i].Grams
		}
		out[i], wants = takes, wants-takes
	}
	return out
}
