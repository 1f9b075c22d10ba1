// Package binder chooses binders: how much of which, with how long a rest, so
// that a mix comes into the band of its piece and holds raw and cooked. It
// implements section 5 of docs/model.md. What is allowed at the table, and
// what is in the pantry, the caller says; nothing else is ever suggested.
package binder

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Aim is what a suggestion is the best at.
type Aim string

// The aims. Each is the best over every subset of up to three candidates at the
// cook's own rest or none; with a longer rest, water or a drying step as well,
// over every pair.
const (
	LeastBinder     Aim = "least-binder"
	MostTender      Aim = "most-tender"
	NoWaiting       Aim = "no-waiting"
	FromPantry      Aim = "from-pantry"
	NoLegumeTaste   Aim = "no-legume-taste"
	LowestCost      Aim = "lowest-cost"
	FewestAllergens Aim = "fewest-allergens"
	DryFirst        Aim = "dry-first"
)

// Aims lists every aim, in the order suggestions are shown.
var Aims = []Aim{LeastBinder, NoWaiting, FromPantry, MostTender, NoLegumeTaste, LowestCost, FewestAllergens, DryFirst}

// Candidate is a binder that may be added.
type Candidate struct {
	Food *food.Food
	// Have says whether it is in the pantry.
	Have bool
	// PerKilo is its price in the kitchen's currency, where Priced says that it is known.
	PerKilo float64
	Priced  bool
}

// Request is what binders are chosen for.
type Request struct {
	// Lines stay as they are.
	Lines      []mix.Line
	Candidates []Candidate
	// Duty is what the pieces must do.
	Duty mix.Duty
	Rest mix.Rest
	// MissedG is the water in the bowl that no line brings, g.
	MissedG float64
	// Coldness is how far a chill firms the raw pieces, 0..1.
	Coldness float64
	// Target is the hold ratio wanted, raw and cooked; 0 counts as 1.7.
	Target float64
	// Done ends the search early, with nothing found, once it is closed; nil never does.
	Done <-chan struct{}
}

// ended says whether nobody waits for the search any longer.
func (r *Request) ended() bool {
	select {
	case <-r.Done:
		return true
	default:
		return false
	}
}

// mostCandidates is how many binders are searched: every three of them are tried together. Of more, those that do most for
// their grams are.
const mostCandidates = 50

// foremost leaves the candidates that drink most, and that glue most raw and cooked, by the gram, in equal parts.
func (r *Request) foremost() {
	if len(r.Candidates) <= mostCandidates {
		return
	}
	type worth struct {
		at  int
		per [3]float64
	}
	all := make([]worth, len(r.Candidates))
	for i, c := range r.Candidates {
		line := mix.Line{Food: c.Food, Grams: 1}
		part := line.Part()
		e := part.Effect(r.Rest)
		limit := c.Food.MaxPct
		if limit == 0 {
			limit = 100
		}
		// What of it may be added counts too.
		all[i] = worth{i, [3]float64{-e.Free * limit, e.GlueCold * limit, e.Set * limit}}
	}
	keep := map[int]bool{}
	for by := 0; len(keep) < mostCandidates; by = (by + 1) % 3 {
		best := -1
		for i := range all {
			if !keep[i] && (best < 0 || all[i].per[by] > all[best].per[by]) {
				best = i
			}
		}
		keep[best] = true
	}
	var out []Candidate
	for i, c := range r.Candidates {
		if keep[i] {
			out = append(out, c)
		}
	}
	r.Candidates = out
}

// Amount is grams of a food.
type Amount struct {
	Food  *food.Food
	Grams float64
}

// Drying is a preparation that takes water from a line first.
type Drying struct {
	Line int // in Request.Lines
	Prep food.Preparation
}

// Suggestion is a way to make the mix hold.
type Suggestion struct {
	Aim Aim
	// Add is empty where the mix holds without any binder.
	Add  []Amount
	Dry  *Drying
	Rest mix.Rest
	// Q, Raw and Cooked are the index and the hold ratios after the rest;
	// Chance is that it holds, 0..1.
	Q, Raw, Cooked, Chance float64
	// Price is what the binders cost, where Priced says that all prices are known.
	Price  float64
	Priced bool
}

// Obstacle is a condition that stands in the way.
type Obstacle string

// The obstacles.
const (
	TooWet     Obstacle = "too-wet"
	TooDry     Obstacle = "too-dry"
	WeakRaw    Obstacle = "weak-raw"
	WeakCooked Obstacle = "weak-cooked"
	NoBinders  Obstacle = "no-binders" // nothing is allowed or at hand
	NoBase     Obstacle = "no-base"    // nothing in the mix to bind
)

// Obstacles lists every obstacle.
var Obstacles = []Obstacle{TooWet, TooDry, WeakRaw, WeakCooked, NoBinders, NoBase}

// Result is what a search found.
type Result struct {
	// Suggestions are in the order of Aims; one that is best at several aims
	// stands once, under the first.
	Suggestions []Suggestion
	// Obstacles and Nearest are given where nothing fits: what stands in the
	// way, and the way that comes nearest.
	Obstacles []Obstacle
	Nearest   *Suggestion
}

const (
	// defaultTarget is a chance of 3 in 4 at each stage, so that a way holds with some to spare.
	defaultTarget = 1.7
	// maxBinders is how many binders a suggestion has at the most.
	maxBinders = 3
	// extraBinder is what one more binder must save, g, to be worth measuring.
	extraBinder = 3.
	// longRest is the rest that is tried beside a shorter one of the cook's, min;
	// each minute more must save perMinute grams of binder.
	longRest  = 20.
	perMinute = 0.2
	// most is how much binder a suggestion adds at the most, g per g of base.
	most = 0.25
	// noWait is a rest that counts as none, min: the time it takes to shape.
	noWait = 2.
)

// Search finds the best ways for each aim.
func Search(r Request) Result {
	if r.Target <= 0 {
		r.Target = defaultTarget
	}
	r.foremost()
	parts := mix.Parts(r.Lines)
	if r.MissedG != 0 {
		parts = append(parts, mix.Missed(r.MissedG))
	}
	base := mix.Sum(parts, r.Rest)
	switch {
	case len(r.Lines) == 0 || base.Mass <= 0:
		return Result{Obstacles: []Obstacle{NoBase}}
	case len(r.Candidates) == 0:
		return Result{Obstacles: []Obstacle{NoBinders}}
	}
	best := newBoard(&r)
	rests := []mix.Rest{r.Rest}
	if r.Rest.Minutes > noWait {
		rests = append(rests, mix.Rest{Minutes: noWait, Celsius: r.Rest.Celsius, Hands: r.Rest.Hands})
	}
	for _, rest := range rests {
		s := newSpace(&r, parts, rest, 0, nil)
		s.enumerate(best, maxBinders)
	}
	if r.Rest.Minutes < longRest {
		s := newSpace(&r, parts, mix.Rest{Minutes: longRest, Celsius: r.Rest.Celsius, Hands: r.Rest.Hands}, 0, nil)
		s.enumerate(best, 2)
	}
	for _, water := range waters(base, r.Duty.Band) {
		s := newSpace(&r, parts, r.Rest, water, nil)
		s.enumerate(best, 2)
	}
	if d, dried := driest(&r, parts); d != nil {
		s := newSpace(&r, dried, r.Rest, 0, d)
		s.enumerate(best, 2)
	}
	if r.ended() {
		return Result{}
	}
	out := Result{Suggestions: best.suggestions()}
	asIs := newSpace(&r, parts, r.Rest, 0, nil)
	if _, ok := asIs.fits(&corner{from: asIs}); ok {
		if s, ok := best.suggest(LeastBinder, &corner{from: asIs}); ok {
			out.Suggestions = append([]Suggestion{s}, slices.DeleteFunc(out.Suggestions, func(o Suggestion) bool { return o.Aim == LeastBinder })...)
		}
	}
	if len(out.Suggestions) == 0 {
		out.Nearest, out.Obstacles = nearest(&r, parts)
		if len(out.Obstacles) == 0 && out.Nearest != nil {
			// The window was too narrow for the rounded corners, not for all amounts.
			out.Suggestions, out.Nearest = []Suggestion{*out.Nearest}, nil
		}
	}
	return out
}

// waters gives the amounts of water worth trying for a mix that is too dry, g.
func waters(base mix.Effect, band piece.Band) []float64 {
	q, ok := base.Index()
	if !ok || q > band.To {
		return nil
	}
	var out []float64
	for _, share := range []float64{0.03, 0.06, 0.1, 0.15, 0.2, 0.3} {
		g := measurable(share * base.Mass)
		if g > 0 && !slices.Contains(out, g) {
			out = append(out, g)
		}
	}
	return out
}

// driest finds the one drying step that takes the most water from a mix that
// is too wet without binder; nil where it is not, or nothing can be dried.
func driest(r *Request, parts []mix.Part) (*Drying, []mix.Part) {
	if mix.Index(parts, r.Rest) <= r.Duty.Band.To {
		return nil, nil
	}
	var best *Drying
	var dried []mix.Part
	most := 5. // g of water that make it worth the work
	for i := range r.Lines {
		l := r.Lines[i]
		prep, ok := dryingFor(&l)
		if !ok {
			continue
		}
		l.Preps = append(slices.Clone(l.Preps), prep)
		p := l.Part()
		if gone := parts[i].Water - p.Water; gone > most {
			most, best = gone, &Drying{i, prep}
			dried = slices.Clone(parts)
			dried[i] = p
		}
	}
	return best, dried
}

func dryingFor(l *mix.Line) (food.Preparation, bool) {
	for _, p := range l.Preps {
		if p.Do == food.Saute || p.Do == food.OvenDry || p.Do == food.Roast || p.Do == food.Press || p.Do == food.Brown {
			return food.Preparation{}, false
		}
	}
	switch {
	case food.Saute.Suits(l.Food) && l.Food.State == food.Raw:
		return food.Preparation{Do: food.Saute, Minutes: 10}, true
	case l.Food.Group == food.Legume && l.Food.Leak >= 0.05:
		return food.Preparation{Do: food.Press}, true
	case food.OvenDry.Suits(l.Food):
		return food.Preparation{Do: food.OvenDry, Minutes: 12}, true
	}
	return food.Preparation{}, false
}

// measurable rounds grams to what a cook can weigh: 5 g steps from 20 g, 1 g
// steps below.
func measurable(g float64) float64 {
	step := stepAt(g)
	return step * float64(int(g/step+0.5))
}

func stepAt(g float64) float64 {
	if g >= 20 {
		return 5
	}
	return 1
}
