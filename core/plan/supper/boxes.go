package supper

import (
	"math"
	"time"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/bake"
)

// Box is pieces for a later day: how they keep until then, and how they come back.
type Box struct {
	Dish, Pieces int
	Day          string
	// Days after they were cooked that they are eaten.
	Days int
	// Freeze says that the fridge would not keep them that long; LastDay is the last on which the
	// fridge does, and FreezerMonths how long the freezer does.
	Freeze        bool
	LastDay       string
	FreezerMonths float64
	// ToFridge is how long they take from the heat to the cold of the fridge, min; InTime whether that
	// is within the usual limits.
	ToFridge *float64
	InTime   bool
	// Reheat is oven or simmer; Celsius and Minutes are its own, until they are HotCelsius all
	// through. Spoils names the way that spoils them: microwave or oven.
	Reheat     string
	Celsius    float64
	Minutes    *float64
	HotCelsius float64
	Spoils     string
	// Next is what what is left over makes another time: slices, halves, pasta, hash or grains.
	Next string
}

// boxes says how the boxes of a dish keep. A side has none.
func boxes(d *Supper, i int, of *openedDish, k *kitchen.Kitchen) []Box {
	if of.build == nil || len(d.Dishes[i].Boxes) == 0 {
		return nil
	}
	build := of.build.build
	keep := k.KeepFor(build.MixLines(k.Foods))
	out := bake.Explore(build, k, nil)
	again := bake.Reheat(build, k)
	var all []Box
	for _, box := range d.Dishes[i].Boxes {
		day, err := time.ParseInLocation(time.DateOnly, box.Day, d.Table.Location())
		if err != nil {
			continue // Read has refused it
		}
		last := d.Table.AddDate(0, 0, int(math.Floor(keep.CookedFridgeDays)))
		b := Box{Dish: i, Pieces: box.Pieces, Day: box.Day, Days: daysAfter(d.Table, day), LastDay: last.Format(time.DateOnly), FreezerMonths: keep.FreezerMonths,
			ToFridge: out.Cooling.To5, InTime: out.Cooling.InTime, Reheat: again.Way, Celsius: again.Celsius, Minutes: again.Minutes, HotCelsius: again.Target,
			Spoils: spoils(build), Next: next(build)}
		b.Freeze = float64(b.Days) > keep.CookedFridgeDays
		all = append(all, b)
	}
	return all
}

// spoils is the way of reheating that undoes what the heat did: a crust goes soft in a microwave, a ball
// that was poached dries in an oven.
func spoils(d *document.Document) string {
	if by, _ := d.MethodAndTurn(); by.Row().InWater() {
		return "oven"
	}
	return "microwave"
}

// next is what the rest of a dish makes: a broth that lost its liquid goes to pasta, a stuffing into halves of
// a vegetable, a loaf into slices for the pan.
func next(d *document.Document) string {
	for i := range d.Parts {
		if d.Parts[i].Kind == document.Broth {
			return "pasta"
		}
	}
	switch kind := d.PieceOrDefault().Kind; {
	case kind.IsLoaf():
		return "slices"
	case kind == piece.Stuffing, kind == piece.Ball:
		return "halves"
	case kind == piece.Patty:
		return "hash"
	}
	return "grains"
}
