package advise

import (
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/mix"
)

// Replace says which lines give way to what is suggested.
type Replace string

// The ways to replace.
const (
	KeepAll  Replace = "none"
	Binders  Replace = "binders" // the binders the document has
	Classics Replace = "classic" // egg, wheat crumbs, flour and bread, and milk
)

// Replaces lists every Replace.
var Replaces = []Replace{KeepAll, Binders, Classics}

// Aim is what a way is the best at, of all that a cook would do.
type Aim string

// The aims.
const (
	LeastBinder     Aim = "least-binder"
	MostTender      Aim = "most-tender"
	NoWaiting       Aim = "no-waiting"
	FromPantry      Aim = "from-pantry"
	NoLegumeTaste   Aim = "no-legume-taste"
	LowestCost      Aim = "lowest-cost"
	FewestAllergens Aim = "fewest-allergens"
	DryFirst        Aim = "dry-first"
	// AsIs is the aim of a way that no search chose.
	AsIs Aim = "as-is"
)

// Aims lists every aim of a search, in the order in which ways are shown.
var Aims = []Aim{LeastBinder, NoWaiting, FromPantry, MostTender, NoLegumeTaste, LowestCost, FewestAllergens, DryFirst}

// Obstacle is a condition that stands in the way.
type Obstacle string

// The obstacles.
const (
	TooWet     Obstacle = "too-wet"
	TooDry     Obstacle = "too-dry"
	WeakRaw    Obstacle = "weak-raw"
	WeakCooked Obstacle = "weak-cooked"
	EatsBadly  Obstacle = "eats-badly" // what would hold is not worth eating
	NoBinders  Obstacle = "no-binders" // nothing is allowed or at hand
	NoBase     Obstacle = "no-base"    // nothing in the mix to bind
)

// Obstacles lists every obstacle.
var Obstacles = []Obstacle{TooWet, TooDry, WeakRaw, WeakCooked, EatsBadly, NoBinders, NoBase}

// Becomes is what a mix that no way makes hold can become instead.
type Becomes string

// What it can become.
const (
	TinLoaf  Becomes = "tin-loaf"
	Filling  Becomes = "filling"
	Fritters Becomes = "fritters"
	Spread   Becomes = "spread"
	Soup     Becomes = "soup" // to thicken one
)

// BecomesAll lists all that a mix can become.
var BecomesAll = []Becomes{TinLoaf, Filling, Fritters, Spread, Soup}

// Options narrow a choice.
type Options struct {
	Replace Replace
	// Foods limits the binders; empty takes every usual one that is allowed.
	Foods []string
	// Aim keeps the suggestions of one aim; "" keeps all.
	Aim Aim
	// Target is the hold ratio wanted; 0 is 1.7: a chance of 3 in 4.
	Target float64
	// Done ends it early, with nothing to be used, once it is closed; nil never does.
	Done <-chan struct{}
}

// Addition is grams of a food, and how a cook measures them.
type Addition struct {
	Food    string
	Grams   float64
	Measure *food.Measure
}

// Way is one suggestion, worked out in full.
type Way struct {
	// Aim is what it is the best at of all that was searched; "" where it is the best
	// of its kind only.
	Aim Aim
	// Kind is what it works by.
	Kind Kind
	// Moves are what a cook does: first what undoes the cause that tells most, or what is added where that does far more.
	Moves []Move
	Add   []Addition
	Drop  []string
	// Changes and Settings are all that taking it changes of the document.
	Changes     []document.Change
	Settings    []document.Setting
	RestMinutes float64
	Q           float64
	Word        mix.Word
	// ChanceRaw and ChanceCooked are those of its stages, RawRatio and CookedRatio the
	// holds over what its pieces need.
	ChanceRaw    float64
	ChanceCooked float64
	RawRatio     float64
	CookedRatio  float64
	Chance       float64
	// ChanceLow is what nine in ten such builds reach.
	ChanceLow float64
	// Eat is how good it is to eat, 0..1, and Costs what costs that, the dearest first.
	Eat   float64
	Costs []eating.Cost
	// SavesMinutes is the waiting that it saves against the document; below 0 it costs.
	SavesMinutes float64
	// LimitPct is how much of the nearest taste limit it uses, per cent.
	LimitPct float64
	// Price is what the additions cost in the kitchen's currency; missing if unknown.
	Price *float64
	// Have says that all it adds is at hand.
	Have bool
	// Out are foods of the document that its table leaves out: what was there before, and no way adds.
	Out []string
	// Document is the build with the way taken.
	Document document.Document

	state  *state
	inBand bool
}

// Role is what a line that gives way did in the mix.
type Role struct {
	Food  string
	Grams float64
	// WaterG is the water it brought, DrinksG the water it took up, g.
	WaterG  float64
	DrinksG float64
	// ColdPct and HotPct are its shares of the raw and the cooked glue.
	ColdPct float64
	HotPct  float64
}

// Answer is what Bind found.
type Answer struct {
	Suggest   []Way
	Obstacles []Obstacle
	Nearest   *Way
	// Becomes is what the mix can be made into where no way is good, the best first.
	Becomes []Becomes
	// Taken is what gave way, and what each did.
	Taken []Role
	// Candidates is how many binders were considered.
	Candidates int
}

// givesWay says whether a line gives way.
func givesWay(how Replace, f *food.Food) bool {
	switch how {
	case Binders:
		return f.Group.IsBinder()
	case Classics:
		return f.Group == food.Egg || f.Gluten == "contains" && f.Group == food.GrainBinder || f.Is(food.Classic)
	}
	return false
}

// Bind finds what a cook would do to make a document hold that document.Read has accepted: up to three moves, the
// cause first. With an aim in the options it gives the best at that aim only; else ways that differ in kind, the best
// first, by the chance that nine in ten reach times how good it is to eat, less the trouble to this kitchen.
func Bind(k *kitchen.Kitchen, d *document.Document, o Options) Answer {
	bases, gone := basesOf(k, d, o.Replace)
	out := Answer{Suggest: []Way{}, Taken: roles(k, d, gone)}
	if len(bases) == 0 || !hasBase(k, &bases[0].doc) {
		out.Obstacles = []Obstacle{NoBase}
		return out
	}
	var all []*state
	var s *search
	for i := range bases {
		s = newSearch(k, &bases[i].doc, o)
		s.table, s.trouble = bases[i].table, bases[i].trouble
		start := s.start(bases[i].moves)
		binders := s.binders(start)
		out.Candidates = max(out.Candidates, len(binders))
		if len(o.Foods) > 0 && len(binders) == 0 {
			out.Obstacles = []Obstacle{NoBinders}
			return out
		}
		all = append(all, s.explored(start)...)
		if s.ended() {
			return out
		}
	}
	c := chooser{search: s, d: d, gone: gone, all: all, now: newSearch(k, d, o).weigh(*d, nil), replaced: len(gone) > 0}
	out.Suggest = c.chosen(o.Aim)
	if len(out.Suggest) == 0 {
		out.Nearest, out.Obstacles = c.nearest()
		out.Becomes = c.becomes()
	}
	return out
}

// hasBase says whether there is anything in a document to bind: more than liquids, fat and seasoning.
func hasBase(k *kitchen.Kitchen, d *document.Document) bool {
	return slices.ContainsFunc(d.Lines, func(l document.Line) bool {
		switch f := k.Foods.Find(l.Food); f.Group {
		case food.Wet, food.Fat, food.Flavour:
			return false
		default:
			return f.Water < 97
		}
	})
}

// explored are the builds that the moves lead to, the best of them with their amounts tried again.
func (s *search) explored(start *state) []*state {
	all := s.explore(start)
	for i, st := range apart(sortedByWorth(all), refined) {
		if s.ended() {
			return nil
		}
		if better := s.refine(st); better != st || i == 0 {
			all = append(all, better)
		}
	}
	return all
}

// roles says what lines did in the mix: water in and taken up, and shares of
// the glue.
func roles(k *kitchen.Kitchen, d *document.Document, lines []document.Line) []Role {
	rest := d.RestIn(k)
	all := mix.Sum(mix.Parts(d.MixLines(k.Foods)), rest)
	pct := func(part, whole float64) float64 {
		if whole <= 0 {
			return 0
		}
		return 100 * part / whole
	}
	var out []Role
	for i := range lines {
		one := document.Document{Lines: lines[i : i+1]}
		p := mix.Parts(one.MixLines(k.Foods))[0]
		e := p.Effect(rest)
		wet := p.Water*(1-p.Chunk) + p.Leak*p.Mass*p.Chunk
		out = append(out, Role{
			Food: lines[i].Food, Grams: lines[i].Grams,
			WaterG: wet, DrinksG: wet + 0.3*p.FreeOil - e.Free,
			ColdPct: pct(e.GlueCold, all.GlueCold), HotPct: pct(e.Set, all.Set),
		})
	}
	return out
}
