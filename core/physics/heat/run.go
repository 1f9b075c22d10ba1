package heat

import (
	"math"

	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// run is one piece on its way: the body, where it is in its cooking, and what is noted
// of it.
type run struct {
	*Cooking
	body   *Body
	course *Course

	how     turning
	heat    stage
	sides   int       // still to be seared, the one in the pan with them
	sideEnd float64   // of that side, min
	begun   float64   // on its own heat, min
	turnAt  float64   // where it is turned by the clock, min
	half    float64   // of the middle, at which it is turned first, degC
	seared  int       // turns while searing
	turned  []float64 // every turn so far, min
	core    float64   // the coldest point now, degC
	done    bool

	lethal   float64 // min
	browned  [sides]float64
	lastTime float64 // of the last moment noted, and before that one, min
	before   float64
	// over is by how much it is more than done, and lastMeasure before that.
	over, lastMeasure float64
	lastKept          float64
	// kept are states on the last part of the way, to look for the moment to pull.
	kept []kept
}

// stage is where a piece is.
type stage int

const (
	searing stage = iota // in a hot pan
	onHeat               // where its method has it
	grilling
	off
)

// start puts the piece on its first heat.
func (c *Cooking) start(b *Body) *run {
	r := &run{Cooking: c, body: b, course: &Course{Section: b.section()}}
	r.note()
	if c.SearSides() > 0 {
		r.sides = c.SearSides()
		r.searSide()
	} else {
		r.ontoHeat()
	}
	return r
}

// SearSides is how many sides of the piece lie in the hot pan first, one after the other; 0 where it is not seared.
func (c *Cooking) SearSides() int {
	switch {
	case c.SearMinutes <= 0 || !c.Method.Row().Sears:
		return 0
	case GeometryOf(&c.Piece).Shape == Disc && c.Piece.Kind != piece.Cylinder:
		return 2
	}
	return 1
}

// fork is the same piece at the same moment, to be followed another way.
func (r *run) fork(c *Cooking, how turning) *run {
	out := *r
	out.Cooking, out.how, out.body = c, how, r.body.Clone()
	course := *r.course
	course.Moments = append([]Moment(nil), course.Moments...)
	course.Section.Frames = append([]Frame(nil), course.Section.Frames...)
	out.course = &course
	out.turned = append([]float64(nil), r.turned...)
	out.byTheClock()
	// It cannot be taken off before now.
	out.kept, out.lastKept = nil, 0
	if out.heat == onHeat || out.heat == searing && c.GrillMinutes == 0 {
		out.keep(out.core)
	}
	return &out
}

// searSide puts the next side into the hot pan.
func (r *run) searSide() {
	r.heat, r.sideEnd = searing, r.minutes()+r.SearMinutes
	r.surround(r.body, method.Pan, r.figures().SearPan)
}

// ontoHeat puts the piece where its method has it.
func (r *run) ontoHeat() {
	if r.sides > 0 {
		ends := r.minutes()
		r.course.SearEnds, r.sides = &ends, 0
		r.seared = len(r.turned)
	}
	r.heat, r.begun = onHeat, r.minutes()
	r.surround(r.body, r.Method, r.Celsius)
	r.keep(r.core)
	r.half = (r.body.halfway() + r.Target.Celsius) / 2
	r.byTheClock()
}

// byTheClock sets when it is turned next, where that goes by minutes and not by its
// middle.
func (r *run) byTheClock() {
	r.turnAt = math.Inf(1)
	if n := len(r.turned) - r.seared; n > 0 {
		last := r.turned[len(r.turned)-1]
		r.turnAt = last + r.how.next(n, last-r.begun)
	} else if r.how.every > 0 {
		r.turnAt = r.begun + r.how.every
	}
}

// follow goes that way to its end: until it is done, and through its rest.
func (r *run) follow() Course {
	switch r.heat {
	case off:
		r.lieRested()
		return *r.course
	case grilling:
		r.body.Advance(60*max(0, *r.course.GrillFrom+r.GrillMinutes-r.minutes()), func() bool { r.note(); return false })
		r.takeOff()
		r.lieRested()
		return *r.course
	}
	r.cook()
	r.course.Turns = r.turned
	if !r.ToTargetOnly {
		r.pull()
	}
	return *r.course
}

// atOnce is a time too short to advance, min: what is left of hours after rounding.
const atOnce = 1e-6

// cook follows the piece until its coldest point is done.
func (r *run) cook() {
	for !r.done && r.minutes() < longestCook-atOnce && !r.body.budget.Spent() {
		if r.heat == searing {
			r.sear()
		} else {
			r.heatOn()
		}
	}
	if r.heat == searing {
		r.ontoHeat()
	}
	if !r.course.Reached {
		r.course.ToTarget = r.minutes()
	}
}

// sear goes on with the side in the pan until its time is up, and puts in the next one,
// or the piece onto its own heat.
func (r *run) sear() {
	r.body.Advance(60*max(0, r.sideEnd-r.minutes()), func() bool {
		r.note()
		if r.GrillMinutes == 0 {
			r.keep(r.core)
		}
		return r.done
	})
	if r.done {
		return
	}
	if r.sides > 1 {
		r.turnInPan()
	} else {
		r.ontoHeat()
	}
}

// turnInPan sears the other side.
func (r *run) turnInPan() {
	r.sides--
	r.turn()
	r.searSide()
}

// heatOn goes on until it is done or time to turn, and turns it.
func (r *run) heatOn() {
	b := r.body
	flips := r.flips(b)
	middle, coreSeen := b.halfway(), r.core
	byTheMiddle := r.how.every == 0 && len(r.turned) == r.seared
	timeToTurn := func() bool {
		if byTheMiddle {
			return flips && middle >= r.half-landWithin && r.minutes() >= r.begun+leastTurn
		}
		return flips && r.minutes() >= r.turnAt
	}
	b.Advance(60*(longestCook-r.minutes()), func() bool {
		r.note()
		r.keep(r.core)
		middleWas, coreWas := middle, coreSeen
		middle, coreSeen = b.halfway(), r.core
		// The next step is to end at the first moment the piece may be pulled, at
		// the middle's half-way and at the turn, not past them.
		if short := r.Target.Celsius - carryOver - r.core; short > landWithin && !r.ToTargetOnly {
			r.notPast(short, r.core-coreWas)
		}
		if flips && byTheMiddle {
			r.notPast(r.half-middle, middle-middleWas)
		}
		for _, stop := range [...]float64{r.turnAt, r.begun + leastTurn, r.soonest()} {
			if now := r.minutes(); now < stop && now+b.dt/60 > stop {
				b.dt = max(firstStep, 60*(stop-now))
			}
		}
		return r.done || timeToTurn()
	})
	if !r.done && timeToTurn() {
		r.turn()
		r.byTheClock()
	}
}

type kept struct {
	at      *Snapshot
	moments int
	browned [sides]float64
	lethal  float64
}

func (r *run) minutes() float64 { return r.body.Seconds / 60 }

// note records a moment: the coldest point, and whether it is done.
func (r *run) note() {
	b := r.body
	now := r.minutes()
	dt := now - r.lastTime
	r.lastMeasure = r.over
	r.core, r.lethal, r.over = b.Watch(dt, r.Target)
	r.done = r.over >= 0
	r.before = r.lastTime
	if dt > 0 {
		for side, f := range b.faces {
			if f != nil {
				r.browned[side] += dt * browning(b.Surface(Side(side)))
			}
		}
	}
	r.lastTime = now
	r.course.Moments = append(r.course.Moments, Moment{now, r.core, b.Surface(r.face())})
	if r.done && !r.course.Reached && r.heat != off {
		r.course.Reached, r.course.ToTarget = true, now
		if r.over > r.lastMeasure && len(r.course.Moments) > 1 {
			// The moment lies within the last step.
			share := min(1, -r.lastMeasure/(r.over-r.lastMeasure))
			r.course.ToTarget = r.before + share*(now-r.before)
		}
	}
	if r.Framed && (dt == 0 || now >= r.lastFrame()+max(0.25, now/40)) {
		r.course.Section.Frames = append(r.course.Section.Frames, b.frame())
	}
}

func (r *run) lastFrame() float64 {
	f := r.course.Section.Frames
	if len(f) == 0 {
		return math.Inf(-1)
	}
	return f[len(f)-1].Minutes
}

// face is the side whose temperature is told: the one on the heat.
func (r *run) face() Side {
	switch {
	case r.body.Shape == Sphere:
		return Rim
	case r.Method.Row().BrownsBelow:
		return Bottom
	}
	return Top
}

// landWithin is how near a temperature is taken for it, K.
const landWithin = 0.05

// leastTurn is the least time on one side before a turn, min.
const leastTurn = 0.5

// notPast ends the next step where a temperature that is short of its mark so
// much, K, and rose so much in the last step will be there.
func (r *run) notPast(short, rise float64) {
	if rise > 0 && short > 0 {
		r.body.dt = min(r.body.dt, max(firstStep, short/rise*60*(r.lastTime-r.before)))
	}
}

func (r *run) turn() {
	r.body.Turn()
	r.turned = append(r.turned, r.minutes())
}

// flips says whether the piece is turned as it cooks.
func (c *Cooking) flips(b *Body) bool {
	return c.Turn && b.axes[2].n > 1 && c.Piece.Kind != piece.Cylinder && !c.Piece.Held() && c.Method.Row().Turnable
}

// halfway is the mean temperature of the layer half-way up.
func (b *Body) halfway() float64 {
	n, s := b.axes[2].n, b.stride[2]
	sum, volume := 0.0, 0.0
	for j := n / 2 * s; j < (n/2+1)*s; j++ {
		sum += b.volume[j] * b.celsius[j]
		volume += b.volume[j]
	}
	return sum / volume
}

// carryOver is the most that the heat on its way in is trusted to do, K: small
// pieces would rise further, but a cook who pulls them early cannot see it.
const carryOver = 10.

// keep stores a state once the coldest point is near enough its target for the
// heat under way to do the rest, one in a hundredth of the time; from the start
// where a grill is still to come.
func (r *run) keep(core float64) {
	if r.ToTargetOnly {
		return
	}
	now := r.minutes()
	if now < 1.01*r.lastKept || now < r.soonest() || r.GrillMinutes == 0 && core < r.Target.Celsius-carryOver-landWithin {
		return
	}
	r.lastKept = now
	r.kept = append(r.kept, r.state())
}

// leastSide is the share of the time between turns that a side turned down must
// have before the piece is pulled: nobody turns what they then take off.
const leastSide = 0.2

// soonest is when a piece may be pulled after its last turn, min; 0 before any.
func (r *run) soonest() float64 {
	n := len(r.turned)
	if n == 0 {
		return 0
	}
	last, before := r.turned[n-1], 0.0
	if n > 1 {
		before = r.turned[n-2]
	}
	if n > r.seared && r.course.SearEnds != nil {
		before = max(before, *r.course.SearEnds)
	}
	return last + leastSide*(last-before)
}

func (r *run) state() kept {
	return kept{r.body.Snapshot(), len(r.course.Moments), r.browned, r.lethal}
}
