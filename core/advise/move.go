package advise

import (
	"cuerda/core/document"
	"cuerda/core/food"
)

// MoveCode names something that a cook changes about a build.
type MoveCode string

// The moves. Those up to PulseLess undo a cause in the bowl; then come the shape, the heat and the waits, and what is added.
const (
	Squeeze      MoveCode = "squeeze"     // salt and wring, or press, a line
	FryOff       MoveCode = "fry-off"     // the water of a raw vegetable
	DryInOven    MoveCode = "oven-dry"    // spread on a tray
	CookDown     MoveCode = "cook-down"   // a puree in a wide pan
	CookFirst    MoveCode = "cook-first"  // dry grain or pulse goes in cooked
	LeaveRaw     MoveCode = "leave-raw"   // meat that was browned binds no more
	LessLiquid   MoveCode = "less-liquid" // halve it or leave it out
	LessFat      MoveCode = "less-fat"
	LessBinder   MoveCode = "less-binder" // of what drinks too much
	MashPart     MoveCode = "mash-part"   // and leave the rest whole
	MashMore     MoveCode = "mash-more"
	PulseLess    MoveCode = "pulse-less" // stop before it is a paste
	ShapeSmaller MoveCode = "smaller"
	UseTin       MoveCode = "tin"
	OtherHeat    MoveCode = "other-heat"
	SaltMeat     MoveCode = "salt-meat"
	RestLonger   MoveCode = "rest"
	ChillLonger  MoveCode = "chill"
	MoreLiquid   MoveCode = "more-liquid"
	AddBinder    MoveCode = "binder" // alone, with its water, or a pair that belongs together
	Panade       MoveCode = "panade" // crumbs, or what stands in for them, swollen in liquid: the tenderness of a classic
)

// MoveCodes lists every move.
var MoveCodes = []MoveCode{
	Squeeze, FryOff, DryInOven, CookDown, CookFirst, LeaveRaw, LessLiquid, LessFat, LessBinder, MashPart, MashMore, PulseLess,
	ShapeSmaller, UseTin, OtherHeat, SaltMeat, RestLonger, ChillLonger, MoreLiquid, AddBinder, Panade,
}

// Move is one thing that a way changes, with the figure that says why.
type Move struct {
	Code MoveCode
	// Food is what it is done to, left out or put in; "" for the piece, the heat and the waits.
	Food string
	// Was and Now are amounts before and after: g of the food (of the part that is mashed), mm across the piece, or min of
	// a wait; 0 where there is none.
	Was, Now float64
	// WaterG is the water that leaves with it, g; below 0 what it brings.
	WaterG float64
	// With is the food that goes in with it: the second of a pair, or what takes the place of a dry one.
	With string
	// WithG is how much of that, g.
	WithG float64
	// Liquid is what wets it, and LiquidG how much, g; "" where it needs none.
	Liquid  string
	LiquidG float64
	// Minutes is the rest that it is given where it drinks slowly, min.
	Minutes float64
	// Method is the heat that takes the place of another.
	Method string
	// Gain is how much surer and better it makes the build beside the other moves of its way: points of 100 of the chance
	// times how good it is to eat.
	Gain float64
}

// candidate is a move that may be made on a build, and how it is made.
type candidate struct {
	Move
	// slot keeps moves apart that cannot both be made.
	slot string
	// minutes of the cook's own that it takes, and of waiting.
	work, wait float64
	apply      func(d *document.Document)
}

// withLine gives a change of the line in that place.
func withLine(i int, change func(l *document.Line)) func(d *document.Document) {
	return func(d *document.Document) {
		l := d.Lines[i]
		change(&l)
		d.Lines[i] = l
	}
}

// withPrep adds a preparation to a line; drying comes before crushing.
func withPrep(i int, p food.Preparation) func(d *document.Document) {
	return withLine(i, func(l *document.Line) {
		preps := make([]food.Preparation, 0, len(l.Prep)+1)
		if crushes(p.Do) {
			preps = append(append(preps, l.Prep...), p)
		} else {
			at := 0
			for at < len(l.Prep) && !crushes(l.Prep[at].Do) {
				at++
			}
			preps = append(append(append(preps, l.Prep[:at]...), p), l.Prep[at:]...)
		}
		l.Prep = preps
	})
}

func crushes(do food.Do) bool { return do == food.Blitz || do == food.Mash }

// did says whether a line has had one of those preparations.
func did(l *document.Line, dos ...food.Do) bool {
	for _, p := range l.Prep {
		for _, do := range dos {
			if p.Do == do {
				return true
			}
		}
	}
	return false
}

// levelOf is how far a line is crushed, 0..1.
func levelOf(l *document.Line) (out float64) {
	for _, p := range l.Prep {
		if crushes(p.Do) {
			out = max(out, p.Level)
		}
	}
	return out
}
