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
	// blitz, mix, rest, shape, chill, preheat, sear, cook, grill, set or table; make and brush
	// are of a part.
	Code    string  `json:"code" enum:"soak,drain,press,oven-dry,roast,toast,saute,brown,cool,gel,blitz,mix,rest,shape,chill,preheat,sear,cook,grill,set,table,make,brush"`
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
	mixMinutes     = 4. // and one more for each kilo
	preheatMinutes = 15.
	changeMinutes  = 2. // between two batches
)

// inTurn is how long so many batches take one after the other, min.
func inTurn(minutes float64, batches int) float64 {
	return minutes*float64(batches) + changeMinutes*float64(batches-1)
}

func shapeMinutes(k piece.Kind, n int) float64 {
	switch k {
	case piece.Loaf, piece.Layered:
		return 4 + 2*float64(n)
	case piece.Shell:
		return 2 + 1.2*float64(n)
	case piece.Patty, piece.Cylinder:
		return 1 + 0.5*float64(n)
	case piece.Fritter:
		return 1
	}
	return 1 + 0.4*float64(n)
}

// steps lays the work out backward from the table.
func (b *baking) steps(out *Baked) []Step {
	var steps []Step
	add := func(code string, minutes float64, hands bool, lines []int) {
		steps = append(steps, Step{Code: code, Minutes: math.Round(minutes*2) / 2, Hands: hands, Lines: lines, Times: 1})
	}
	of := func(do food.Do) (lines []int, longest float64, grams float64) {
		for i := range b.lines {
			for _, p := range b.lines[i].Preps {
				if p.Do == do {
					lines = append(lines, i)
					longest = max(longest, p.Minutes, 60*p.Hours)
					grams += b.parts[i].Mass
				}
			}
		}
		return lines, longest, grams
	}
	prep := func(code string, do food.Do, fixed float64, hands bool) bool {
		lines, minutes, _ := of(do)
		if len(lines) == 0 {
			return false
		}
		if fixed > 0 {
			minutes = fixed
		}
		add(code, minutes, hands, lines)
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
	gel, gelMinutes, _ := of(food.SoakGel)
	blitzed, _, grams := of(food.Blitz)
	if len(blitzed) > 0 {
		bowls := max(1, int(math.Ceil(grams/max(b.s.BowlGrams, 1))))
		add("blitz", blitzMinutes*float64(bowls), true, blitzed)
		steps[len(steps)-1].Times = bowls
	}
	add("mix", mixMinutes+math.Round(b.state.Mass/1000), true, nil)
	mixed := len(steps) - 1
	// A rest and a chill have their place on the cord even where there is none.
	add("rest", b.rest.Minutes, false, nil)
	add("shape", min(shapeMinutes(b.piece.Kind, max(1, out.Yield.Pieces)), 240), true, nil)
	chill := 0.0
	if b.d.Chill != nil {
		chill = b.d.Chill.Minutes
	}
	add("chill", chill, false, nil)
	cooks := -1
	if out.PullAt != nil {
		if out.SearEnds > 0 {
			loads := max(1, b.piece.Lay(max(1, out.Yield.Pieces), piece.Pan, b.s.Ware).Batches)
			add("sear", inTurn(min(out.SearEnds, *out.PullAt), loads), true, nil)
			steps[len(steps)-1].Times = loads
		}
		batches := max(1, out.Load.Batches)
		until := *out.PullAt
		if out.GrillFrom > 0 && batches == 1 {
			until = out.GrillFrom
		}
		add("cook", inTurn(max(0, until-out.SearEnds), batches), b.method == piece.Pan || b.method == piece.ShallowOil || b.method == piece.DeepOil, nil)
		cooks = len(steps) - 1
		steps[cooks].Times = batches
		if until < *out.PullAt {
			add("grill", *out.PullAt-until, true, nil)
		}
		add("set", out.SetMinutes, false, nil)
	}
	add("table", 0, false, nil)

	before := 0.0
	for i := len(steps) - 1; i >= 0; i-- {
		before += steps[i].Minutes
		steps[i].Before = before
	}
	// What goes on beside the others ends where it is needed.
	if cooks >= 0 && (b.method == piece.StillOven || b.method == piece.FanOven) {
		steps = append(steps, Step{Code: "preheat", Minutes: preheatMinutes, Before: steps[cooks].Before + preheatMinutes, Beside: true, Times: 1})
	}
	if len(gel) > 0 {
		steps = append(steps, Step{Code: "gel", Minutes: gelMinutes, Before: steps[mixed].Before + gelMinutes, Lines: gel, Beside: true, Times: 1})
	}
	steps = b.partSteps(steps, out)
	sortSteps(steps)
	table := tableMinutes(b.d)
	for i := range steps {
		steps[i].Clock, steps[i].Day = clock(table - steps[i].Before)
	}
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

// late is how long ago the first step should have begun, min.
func late(steps []Step, now float64) float64 {
	if now < 0 || len(steps) == 0 {
		return 0
	}
	first := steps[0]
	var h, m float64
	if _, err := fmt.Sscanf(first.Clock, "%2f:%2f", &h, &m); err != nil {
		return 0
	}
	begins := 60*h + m + float64(first.Day)*24*60
	return max(0, math.Round(now-begins))
}
