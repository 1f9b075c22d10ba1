package practice

import (
	"math"
	"math/rand/v2"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

// What mixes are made of: bases with what is done to them, raw vegetables, and binders, in amounts that cooks use.
var (
	pulses  = []string{"white-beans-canned", "black-beans-canned", "chickpeas-canned", "lentils-cooked", "red-lentils-cooked", "split-peas-cooked", "kidney-beans-canned", "mung-beans-cooked"}
	roots   = []string{"potato-mashed", "sweet-potato-mashed", "pumpkin-puree", "cassava-cooked"}
	grains  = []string{"quinoa-cooked", "millet-cooked", "rice-cooked", "buckwheat-cooked", "amaranth-cooked"}
	meats   = []string{"beef-ground-15", "turkey-ground", "lamb-ground", "pork-ground"}
	raws    = []string{"courgette", "carrot", "onion", "beet", "mushroom", "cabbage", "bell-pepper"}
	flours  = []string{"oats-rolled", "oat-flour", "millet-flakes", "buckwheat-flour", "chickpea-flour", "rice-flour", "quinoa-flakes", "almond-flour", "potato-starch"}
	liquids = []string{"water", "plant-milk", "broth", "tomato-passata", "yogurt-greek"}
	waits   = []string{"flax-meal", "chia-ground", "psyllium-husk", "oats-rolled", "buckwheat-flour"}
)

// draw makes a mix that may show the skill.
func draw(r *rand.Rand, skill Skill, k *kitchen.Kitchen) (d document.Document, ok bool) {
	d = document.Document{Format: document.Format, Lines: []document.Line{}}
	add := func(from []string, low, high float64, prep ...food.Preparation) {
		id := from[r.IntN(len(from))]
		if k.Foods.Find(id) == nil || slices.ContainsFunc(d.Lines, func(l document.Line) bool { return l.Food == id }) {
			return
		}
		// Amounts as cooks say them: even in their logarithm, to the five or ten grams.
		grams := low * math.Exp(r.Float64()*math.Log(high/low))
		step := 10.
		if grams < 60 {
			step = 5
		}
		if grams < 12 {
			step = 1
		}
		d.Lines = append(d.Lines, document.Line{Food: id, Grams: max(1, math.Round(grams/step)*step), Prep: prep})
	}
	mash := food.Preparation{Do: food.Mash, Level: []float64{.4, .6, .8}[r.IntN(3)]}
	rest := []float64{10, 15, 20, 30}[r.IntN(4)]
	often := func(share float64, then func()) {
		if r.Float64() < share {
			then()
		}
	}
	liquid := func() { add(liquids, 15, 90) }
	switch skill {
	case RawWater:
		add(pulses, 240, 480, mash)
		add(raws, 80, 220)
		add(raws, 50, 140)
		add(flours, 15, 90)
	case NoWait:
		add(pulses, 300, 480, mash)
		add(waits, 18, 50)
		often(.6, liquid)
		add(raws, 40, 80, food.Preparation{Do: food.Saute, Minutes: 10})
		rest = 0
	case Roots:
		add(roots, 200, 450)
		add(pulses, 120, 260, mash)
		add(flours, 10, 120)
		often(.3, liquid)
	case LooseGrain:
		add(grains, 280, 480)
		add(raws, 40, 90, food.Preparation{Do: food.Saute, Minutes: 8})
		add(flours, 5, 60)
		often(.6, liquid)
	case OverDry:
		add(pulses, 260, 420, mash)
		add(flours, 60, 160)
		add(flours, 25, 80)
	case NoGlue:
		add(pulses, 320, 480, mash)
		add(raws, 60, 120, food.Preparation{Do: food.Saute, Minutes: 10})
	default:
		add([][]string{pulses, meats}[r.IntN(2)], 320, 520, mash)
		add(raws, 50, 110, food.Preparation{Do: food.Saute, Minutes: 10})
		add(flours, 10, 120)
		often(.5, liquid)
	}
	add([]string{"salt"}, 5, 7)
	d.Rest = &document.Wait{Minutes: rest}
	shape := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}
	d.Piece = &shape
	d.Cook = &document.Cook{Method: []method.Method{method.Pan, method.StillOven}[r.IntN(2)]}
	for i := range d.Lines {
		// Meat is not mashed, nor what is a paste already.
		f := k.Foods.Find(d.Lines[i].Food)
		d.Lines[i].Prep = slices.DeleteFunc(slices.Clone(d.Lines[i].Prep), func(p food.Preparation) bool { return !p.Do.Suits(f) })
		if len(d.Lines[i].Prep) == 0 {
			d.Lines[i].Prep = nil
		}
	}
	grams := 0.
	for i := range d.Lines {
		grams += d.Lines[i].Grams
	}
	return d, len(d.Lines) >= 3 && grams >= leastGrams && grams <= mostGrams && tastes(&d, k)
}

// What drawn mixes weigh, g: a supper for two to eight.
const leastGrams, mostGrams = 250., 1200.

// tastes says whether a cook would eat it: nothing past its taste.
func tastes(d *document.Document, k *kitchen.Kitchen) bool {
	total := 0.
	parts := mix.Parts(d.MixLines(k.Foods))
	for i := range parts {
		total += parts[i].Mass
	}
	return !slices.ContainsFunc(d.Lines, func(l document.Line) bool {
		f := k.Foods.Find(l.Food)
		return f.MaxPct > 0 && 100*l.Grams/total > f.MaxPct
	})
}

// misled is how far, in index, what misleads must move what a hand feels.
const misled = .15

// misleads says whether the mix shows its skill, by the model: with what misleads taken away a hand would feel
// otherwise.
func misleads(d *Drill, k *kitchen.Kitchen) bool {
	without := func(change func(d *document.Document)) float64 {
		other := Drill{Document: d.Document}
		other.Document.Lines = slices.Clone(d.Document.Lines)
		change(&other.Document)
		if !other.see(k) {
			return d.Index
		}
		return other.Index
	}
	switch d.Skill {
	case RawWater:
		return d.Index-without(func(o *document.Document) {
			o.Lines = slices.DeleteFunc(o.Lines, func(l document.Line) bool { return slices.Contains(raws, l.Food) && l.Prep == nil })
		}) >= misled
	case NoWait:
		return d.Index-without(func(o *document.Document) { o.Rest = &document.Wait{Minutes: waitMinutes} }) >= misled
	case OverDry:
		return d.Word == mix.Crumbles || d.Word == mix.Short
	case NoGlue, LooseGrain:
		return predict.Predict(&d.Document, k).ChanceRaw < .5
	}
	return true
}
