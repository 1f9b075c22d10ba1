package bake

import (
	"fmt"
	"math"

	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/core/piece"
)

// Step is one knot of the cord.
type Step struct {
	// Code is soak, drain, press, oven-dry, roast, toast, saute, brown, cool, gel,
	// blitz, mash, mix, rest, shape, chill, freeze, preheat, sear, cook, grill, set or
	// table; make and brush are of a part.
	Code    string  `json:"code" enum:"soak,drain,press,oven-dry,roast,toast,saute,brown,cool,gel,blitz,mash,mix,rest,shape,chill,freeze,preheat,sear,cook,grill,set,table,make,brush"`
	Minutes float64 `json:"minutes"`
	// Before is when it begins, min before the table.
	Before float64 `json:"before_minutes"`
	// Clock is that time of day, hh:mm, and Day 0, or -1 and less where it is of
	// a day before.
	Clock string `json:"clock"`
	Day   int    `json:"day"`
	// Hands says whether someone has to stand there.
	Hands bool `json:"hands"`
	// Beside says that it goes on while other steps do.
	Beside bool `json:"beside"`
	// Lines are those of the mix it is about; Times how often it is done over.
	Lines []int `json:"lines,omitempty"`
	Times int   `json:"times"`
	// Part is which part of the document it is about, from 1; 0 for the mix.
	Part int `json:"part,omitempty"`
}

// usualTable is when a document that does not say is eaten, min after midnight.
const usualTable = 19 * 60.

// Minutes of work that no document gives: kitchen practice.
const (
	drainMinutes   = 3.
	pressMinutes   = 10.
	coolMinutes    = 10. // hot foods before mixing
	toastMinutes   = 8.
	brownMinutes   = 8.
	blitzMinutes   = 2. // a bowlful
	mashMinutes    = 3. // a kilo or less
	preheatMinutes = 15.
	changeMinutes  = 2. // between two batches
)

// inTurn is how long so many batches take one after the other, min.
func inTurn(minutes float64, batches int) float64 {
	return minutes*float64(batches) + changeMinutes*float64(batches-1)
}

// worked is one preparation of the mix: the lines it is done to, the longest that
// one of them takes, min, and what it weighs in one go, g.
type worked struct {
	lines   []int
	minutes float64
	grams   float64
	passes  int // the most often that one line goes through it
}

// work gathers a preparation over the mix. A line that goes through it twice takes
// as long as both; lines side by side take as long as the longest.
func (b *baking) work(do food.Do) (w worked) {
	for i := range b.lines {
		minutes, passes := 0.0, 0
		for _, p := range b.lines[i].Preps {
			if p.Do == do {
				minutes += max(p.Minutes, 60*p.Hours)
				passes++
			}
		}
		if passes > 0 {
			w.lines = append(w.lines, i)
			w.grams += b.parts[i].Mass
			w.minutes, w.passes = max(w.minutes, minutes), max(w.passes, passes)
		}
	}
	return w
}

// steps lays the work out backward from the table.
func (b *baking) steps(out *Baked) []Step {
	var steps []Step
	add := func(code string, minutes float64, hands bool, lines []int) *Step {
		steps = append(steps, Step{Code: code, Minutes: math.Round(minutes*2) / 2, Hands: hands, Lines: lines, Times: 1})
		return &steps[len(steps)-1]
	}
	prep := func(code string, do food.Do, fixed float64, hands bool) bool {
		w := b.work(do)
		if len(w.lines) == 0 {
			return false
		}
		if fixed > 0 {
			w.minutes = fixed * float64(w.passes)
		}
		add(code, w.minutes, hands, w.lines)
		return true
	}
	prep("soak", food.Soak, 0, false)
	var canned []int
	for i := range b.lines {
		for _, p := range b.lines[i].Food.Packs {
			if p.Drained < p.Total {
				canned = append(canned, i)
				break
			}
		}
	}
	if len(canned) > 0 {
		add("drain", drainMinutes, true, canned)
	}
	prep("press", food.Press, pressMinutes, false)
	hot := prep("oven-dry", food.OvenDry, 0, false)
	hot = prep("roast", food.Roast, 0, false) || hot
	hot = prep("toast", food.Toast, toastMinutes, true) || hot
	hot = prep("saute", food.Saute, 0, true) || hot
	hot = prep("brown", food.Brown, brownMinutes, true) || hot
	if hot {
		add("cool", coolMinutes, false, nil)
	}
	if w := b.work(food.Blitz); len(w.lines) > 0 {
		bowls := max(1, int(math.Ceil(w.grams/max(b.k.BowlGrams, 1))))
		add("blitz", blitzMinutes*float64(bowls*w.passes), true, w.lines).Times = bowls
	}
	if w := b.work(food.Mash); len(w.lines) > 0 {
		add("mash", math.Round(mashMinutes*float64(w.passes)*max(1, w.grams/1000)), true, w.lines)
	}
	add("mix", formula.MixMinutes(b.state.Mass), true, nil)
	mixed := len(steps) - 1
	// A rest and a chill have their place on the cord even where there is none.
	add("rest", b.rest.Minutes, false, nil)
	add("shape", min(formula.ShapeMinutes(b.piece.Kind, max(1, out.Yield.Pieces)), 240), true, nil)
	switch {
	case b.d.Frozen():
		minutes := 0.0
		if out.Freeze != nil {
			minutes = *out.Freeze
		}
		add("freeze", minutes, false, nil)
	case b.d.Chills():
		add("chill", b.d.Chill.Minutes, false, nil)
	default:
		add("chill", 0, false, nil)
	}
	cooks := -1
	if out.PullAt != nil {
		cooks = len(steps)
		steps = b.heatSteps(steps, out)
		for steps[cooks].Code != "cook" {
			cooks++
		}
	}
	add("table", 0, false, nil)

	before := 0.0
	for i := len(steps) - 1; i >= 0; i-- {
		if !steps[i].Beside {
			before += steps[i].Minutes
			steps[i].Before = before
		}
	}
	// What goes on beside the others ends where it is needed.
	if cooks >= 0 && (b.method == piece.StillOven || b.method == piece.FanOven) {
		steps = append(steps, Step{Code: "preheat", Minutes: preheatMinutes, Before: steps[cooks].Before + preheatMinutes, Beside: true, Times: 1})
	}
	if w := b.work(food.SoakGel); len(w.lines) > 0 {
		steps = append(steps, Step{Code: "gel", Minutes: w.minutes, Before: steps[mixed].Before + w.minutes, Lines: w.lines, Beside: true, Times: 1})
	}
	steps = b.partSteps(steps, out)
	for i := range steps {
		if s := &steps[i]; s.Code == "grill" && s.Beside {
			// Each batch has its own; the first is told.
			s.Before = steps[cooks].Before - (*out.GrillFrom - searMinutes(out))
		}
	}
	sortSteps(steps)
	table := tableMinutes(b.d)
	for i := range steps {
		steps[i].Clock, steps[i].Day = clock(table - steps[i].Before)
	}
	return steps
}

// searMinutes are those that a piece lies in the pan first.
func searMinutes(out *Baked) float64 {
	if out.SearEnds == nil {
		return 0
	}
	return min(*out.SearEnds, *out.PullAt)
}

// heatSteps adds searing, cooking, the grill and setting. Where there are several
// batches each is cooked and grilled before the next: their minutes are those of the
// cooking, and the grill's knot stands beside it.
func (b *baking) heatSteps(steps []Step, out *Baked) []Step {
	add := func(s Step) {
		s.Minutes = math.Round(s.Minutes*2) / 2
		steps = append(steps, s)
	}
	sear := searMinutes(out)
	if out.SearEnds != nil {
		loads := max(1, b.piece.Lay(max(1, out.Yield.Pieces), piece.Pan, b.k.Ware).Batches)
		add(Step{Code: "sear", Minutes: inTurn(sear, loads), Hands: true, Times: loads})
	}
	batches := max(1, out.Load.Batches)
	until := *out.PullAt
	if out.GrillFrom != nil && batches == 1 {
		until = *out.GrillFrom
	}
	hands := b.method == piece.Pan || b.method == piece.ShallowOil || b.method == piece.DeepOil
	add(Step{Code: "cook", Minutes: inTurn(max(0, until-sear), batches), Hands: hands, Times: batches})
	if out.GrillFrom != nil {
		add(Step{Code: "grill", Minutes: *out.PullAt - *out.GrillFrom, Hands: true, Times: batches, Beside: batches > 1})
	}
	add(Step{Code: "set", Minutes: out.SetMinutes, Times: 1})
	return steps
}

// sortSteps puts the earliest first; a plain insertion keeps the order of those
// that begin together.
func sortSteps(steps []Step) {
	for i := range steps {
		for j := i; j > 0 && steps[j].Before > steps[j-1].Before; j-- {
			steps[j], steps[j-1] = steps[j-1], steps[j]
		}
	}
}

func tableMinutes(d *formula.Document) float64 {
	var h, m float64
	if n, _ := fmt.Sscanf(d.TableTime, "%2f:%2f", &h, &m); n == 2 {
		return 60*h + m
	}
	return usualTable
}

// clock gives a time of day for minutes after midnight of the day of the table.
func clock(minutes float64) (string, int) {
	m := int(math.Floor(minutes))
	day := 0
	for m < 0 {
		m += 24 * 60
		day--
	}
	return fmt.Sprintf("%02d:%02d", m/60, m%60), day
}

// late is how long ago the first step should have begun, min, for a table at that
// minute of its day. The clock has no date: the table meant is the next one, or the
// one of the last hour.
func late(steps []Step, table, now float64) float64 {
	if now < 0 || len(steps) == 0 {
		return 0
	}
	const day = 24 * 60
	until := math.Mod(table-now+day, day)
	if until > day-missed {
		until -= day
	}
	return max(0, math.Round(steps[0].Before-until))
}

// missed is how long after its hour a table is still taken to be today's, min.
const missed = 60.
