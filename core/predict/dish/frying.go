package dish

import (
	"math"

	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
)

// fryingOil is the food that pieces are fried in.
const fryingOil = "sunflower-oil"

// How much of the oil pieces take up, g per g (kitchen practice, grade C), and what a ml of it weighs, g.
const (
	takenUp       = 0.08
	oilGramsPerML = 0.92
)

// Frying is the oil that pieces are fried in, g: what is poured in, and what is left of it. It goes by
// the pan or the pot and not by how many pieces there are; only what they take up does. ok is false of
// pieces that are not fried, and for a table without oil.
func Frying(d *document.Document, k *kitchen.Kitchen) (a Amount, left float64, ok bool) {
	cooked, _ := d.MethodAndTurn()
	by := cooked.Row()
	f := k.Foods.Find(fryingOil)
	if f == nil || d.Eaters.Table().Check(f, k.LabelRead(fryingOil)).Status == eaters.Out {
		return Amount{}, 0, false
	}
	parts := mix.Parts(d.MixLines(k.Foods))
	p := d.PieceIn(k, parts)
	mass := massOf(parts)
	n := max(1, k.Yield(&p, mass, heat.CompositionOf(parts).Density()).Pieces)
	load := p.Lay(n, cooked, k.Ware, &k.Parameters.Lay)
	disc := func(acrossMM, depthMM float64) float64 {
		return math.Pi / 4 * acrossMM * acrossMM * depthMM / 1000 * oilGramsPerML
	}
	grams := 0.
	switch {
	case by.OilMM > 0 && by.Ware == method.Pot:
		grams = disc(k.PotDiameterMM, by.OilMM)
	case by.OilMM > 0:
		grams = disc(k.PanDiameterMM, by.OilMM)
	case by.OilPanfulG > 0:
		grams = by.OilPanfulG * float64(n) / float64(max(1, load.Holds))
		return Amount{Food: fryingOil, Grams: grams}, 0, mass > 0
	default:
		return Amount{}, 0, false
	}
	taken := takenUp * mass
	grams = Weighable(max(grams, taken))
	return Amount{Food: fryingOil, Grams: grams}, Weighable(max(0, grams-taken)), mass > 0
}
