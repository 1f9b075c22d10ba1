package heat

import "math"

// turning is when a piece that lies flat is turned. The zero value turns it when
// the middle of its height is half-way, and then every time as long again.
type turning struct {
	every float64 // minutes on each side; 0 goes by the middle
	sides int     // how often a side is down, where every is given
}

const (
	// worthTurning is how many times longer a piece may take that is turned once
	// for it to be turned once all the same: grade C, what cooks do.
	worthTurning = 1.5
	// longestSide is as long as a side is left on the heat in one go, min: beyond it
	// a cook looks, and turns: grade C.
	longestSide = 9.
	// alike is by what share the last side may differ from the others, and
	// nearlyAlike after plansOfSides tries: when it is done jumps where one place
	// takes over from another as the slowest.
	alike        = 0.06
	nearlyAlike  = 0.25
	plansOfSides = 4
)

// next is how long the side down after so many turns, in so many minutes, stays.
func (t turning) next(turns int, minutes float64) float64 {
	switch {
	case t.every == 0:
		return minutes / float64(turns)
	case turns < t.sides-1:
		return t.every
	}
	return 2 * t.every // it should be done by then; if not, it is turned again
}

// plan follows the piece to its end. What lies flat is turned once, both sides as long;
// three or five times, and all sides as long as each other, only where that brings it to
// its target a good deal sooner or a side would lie too long: so no turn comes just before
// it is done. A piece that somebody has turned already is turned again once a side has
// had twice the time of the one before.
func (r *run) plan() Course {
	first := turning{}
	if n := len(r.turned) - r.seared; n > 0 && r.heat == onHeat {
		from := r.begun
		if n > 1 {
			from = r.turned[len(r.turned)-2]
		}
		return r.fork(r.Cooking, turning{r.turned[len(r.turned)-1] - from, n + 1}).follow()
	}
	if r.ToTargetOnly || r.heat > onHeat || !r.flips(r.body) {
		return r.fork(r.Cooking, first).follow()
	}
	guess := *r.Cooking
	guess.ToTargetOnly, guess.Framed = true, false
	rough := r.fork(&guess, first).follow()
	own, turns := rough.afterSear()
	if !rough.Reached || len(turns) == 0 {
		return r.fork(r.Cooking, first).follow()
	}
	for _, sides := range []int{2, 4, 6} {
		even, ok := r.evenly(sides, own)
		if took, _ := even.afterSear(); ok && took <= worthTurning*own && took <= float64(sides)*longestSide {
			return even
		}
	}
	return r.fork(r.Cooking, first).follow()
}

// evenly follows the piece with so many sides down as long as each other, where it
// took about so many minutes; false where no such time is found. Too short a side
// leaves minutes over for one more turn, too long a one ends before its time: the
// root is looked for between them.
func (r *run) evenly(sides int, minutes float64) (Course, bool) {
	every := minutes / float64(sides)
	short, long := 0., math.Inf(1) // the longest side known to be too short, the shortest too long
	for plan := range 2 * plansOfSides {
		tolerance := alike
		if plan >= plansOfSides {
			tolerance = nearlyAlike
		}
		if every < leastTurn || every*float64(sides) > 3*minutes {
			break
		}
		out := r.fork(r.Cooking, turning{every, sides}).follow()
		took, turns := out.afterSear()
		last := took - every*float64(sides-1)
		if out.Reached && len(turns) == sides-1 && math.Abs(last-every) <= tolerance*every {
			return out, true
		}
		if last > every || len(turns) >= sides {
			short = every
		} else {
			long = every
		}
		// What it takes hardly hangs on the sides; where it does, halve.
		switch next := took / float64(sides); {
		case len(turns) == sides-1 && next > short && next < long:
			every = next
		case math.IsInf(long, 1):
			every = 1.15 * short
		default:
			every = (short + long) / 2
		}
	}
	return Course{}, false
}

// afterSear gives the minutes from when it is on its own heat until it is pulled,
// or done where it was followed so far only, and when it is turned, from there.
func (o *Course) afterSear() (minutes float64, turns []float64) {
	from := 0.0
	if o.SearEnds != nil {
		from = *o.SearEnds
	}
	for _, t := range o.Turns {
		if t > from {
			turns = append(turns, t-from)
		}
	}
	if o.Pull == 0 {
		return o.ToTarget - from, turns
	}
	return o.Pull - from, turns
}
