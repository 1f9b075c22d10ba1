package heat

import (
	"math"

	"cuerda/core/figure"
	"cuerda/core/piece"
)

// Cooking is one piece and what is done to it.
type Cooking struct {
	Piece    piece.Piece
	Material *Material
	Method   piece.Method
	// Celsius of the surroundings as they are, an oven's own error put right.
	Celsius float64
	Turn    bool
	// Room is the air of the kitchen, degC.
	Room float64
	// SearMinutes in a hot pan, each side, come before; GrillMinutes under the
	// grill, in an oven, are the last before it is pulled.
	SearMinutes, GrillMinutes float64
	// Wall is the depth of what is asked for in WallPeak, m; 0 where it is not.
	Wall float64
	// Target is what the coldest point must reach, or Hold its equal.
	Target Target
	// ToTargetOnly leaves out when to pull it and its rest.
	ToTargetOnly bool
	// Framed keeps sections of the piece over time.
	Framed bool
	// Resolution is the usual one where it is zero.
	Resolution Resolution
	// Figures are those of the kitchen; the usual ones where it is nil.
	Figures *figure.Heat
}

func (c *Cooking) figures() *figure.Heat {
	if c.Figures == nil {
		return &figure.Usual().Heat
	}
	return c.Figures
}

// GeometryOf gives the body of a piece: a ball, a shell without thickness as a
// sphere; flat pieces, rolls and half-vessels as a disc; loaves as a brick.
// Shells and layered loaves are taken whole, with what is inside them.
func GeometryOf(p *piece.Piece) Geometry {
	r := p.DiameterMM / 2000
	switch p.Kind {
	case piece.Ball:
		return Geometry{Shape: Sphere, Radius: r}
	case piece.Cylinder:
		return Geometry{Shape: Disc, Radius: r, Height: p.LengthMM / 1000}
	case piece.Loaf, piece.Layered:
		return Geometry{Shape: Brick, Length: max(p.LengthMM, p.WidthMM) / 1000, Width: min(p.LengthMM, p.WidthMM) / 1000, Height: p.HeightMM / 1000}
	case piece.Shell:
		if p.ThicknessMM == 0 {
			return Geometry{Shape: Sphere, Radius: r}
		}
	case piece.Stuffing:
		d, h := p.DiameterMM, p.HeightMM
		if d == 0 || h == 0 {
			d, h = piece.HalfVessel.DiameterMM, piece.HalfVessel.HeightMM
		}
		return Geometry{Shape: Disc, Radius: d / 2000, Height: h / 1000}
	}
	return Geometry{Shape: Disc, Radius: r, Height: p.ThicknessMM / 1000}
}

// surround puts the piece where its method has it.
func (c *Cooking) surround(b *Body, m piece.Method, celsius float64) {
	f := c.figures()
	air := Room(f, c.Room)
	round := b.Shape == Sphere || c.Piece.Kind == piece.Cylinder
	switch m {
	case piece.StillOven, piece.FanOven:
		oven := StillOven(f, celsius)
		if m == piece.FanOven {
			oven = FanOven(f, celsius)
		}
		b.SurroundAll(oven)
		if c.Piece.Held() {
			b.Surround(Rim, Metal(f, celsius))
			b.Surround(Flank, Metal(f, celsius))
		}
		if !round {
			b.Surround(Bottom, Metal(f, celsius))
		}
	case piece.Pan:
		if round {
			b.SurroundAll(Partly(HotPan(f, celsius), f.Rolling, air))
			return
		}
		b.SurroundAll(besidePan(f, celsius, c.Room))
		b.Surround(Bottom, HotPan(f, celsius))
	case piece.ShallowOil:
		b.SurroundAll(Partly(Oil(f, celsius), f.Waist, besidePan(f, celsius, c.Room)))
		if !round {
			b.Surround(Bottom, Oil(f, celsius))
			b.Surround(Top, besidePan(f, celsius, c.Room))
		}
	case piece.DeepOil:
		b.SurroundAll(Oil(f, celsius))
	case piece.Simmer:
		b.SurroundAll(Liquid(f, min(celsius, c.Material.boilAt)))
	case piece.Grill:
		below := StillOven(f, f.UnderGrill*celsius)
		above := GrillAbove(f, celsius)
		if round {
			b.SurroundAll(Partly(above, 0.5, below))
			return
		}
		b.SurroundAll(below)
		b.Surround(Top, above)
		b.Surround(Bottom, Metal(f, f.UnderGrill*celsius))
	}
}

// besidePan is the air around and above a piece in a pan, which rises from the hot
// metal: half-way between the room's and the pan's, grade C.
func besidePan(f *figure.Heat, celsius, room float64) Surroundings {
	out := Room(f, room)
	out.Celsius = (celsius + room) / 2
	return out
}

// Chill leaves a piece in a fridge or a freezer, on its tray and covered, for so
// many minutes; what it meets next meets it rested.
func (c *Cooking) Chill(b *Body, celsius, minutes float64) {
	c.Cool(b, celsius)
	b.Advance(60*minutes, nil)
	b.Restart()
}

// Cool puts a piece into a fridge or a freezer of that temperature.
func (c *Cooking) Cool(b *Body, celsius float64) {
	f := c.figures()
	b.SurroundAll(Cold(f, celsius))
	b.Surround(Bottom, ColdTray(f, celsius))
}

// Moment is one point of the curves.
type Moment struct {
	Minutes float64
	// Core is the coldest point inside, Surface the side that browns, degC.
	Core, Surface float64
}

// Course is what happens to a piece from the start until it has rested.
type Course struct {
	Moments []Moment
	// Reached says whether the coldest point came to the target while it cooked;
	// ToTarget when, min.
	Reached  bool
	ToTarget float64
	// Pull is when to take it off, so that the heat on its way in brings it to
	// the target while it rests, min.
	Pull float64
	// Turns are when to turn it, min; SearEnds when it goes into the oven and
	// GrillFrom when under the grill, nil if it does not.
	Turns     []float64
	SearEnds  *float64
	GrillFrom *float64
	// Peak is the highest the coldest point comes to, degC.
	Peak float64
	// Vapour is the water lost until it has rested, Juiced the share of its lean
	// meat's water it could no longer hold, g per g of lean.
	VapourShare float64 // g per g of piece
	Juiced      float64
	// WallPeak is the highest temperature of the slowest place within Wall of the
	// surface, once rested, degC.
	WallPeak float64
	// Browning is 0 pale to 1 dark, of the side browned most.
	Browning float64
	// Lethal is F70 of the coldest point, min, when pulled and after the rest.
	LethalAtPull, Lethal float64
	// Section shows the piece cut through over time.
	Section Section
	// Mean is the temperature the rested piece evens out to, degC.
	Mean float64
}

// longestCook is as long as a piece is followed, min: what has not come to its
// target by then will not.
const longestCook = 8 * 60.

// once follows the piece, turned that way.
func (c *Cooking) once(b *Body, how turning) Course {
	out := Course{Section: b.section()}
	r := &run{Cooking: c, body: b, course: &out, how: how}
	r.cook()
	out.Turns = r.turned
	if !c.ToTargetOnly {
		r.pull()
	}
	return out
}

// Begin gives a body of one temperature for the piece.
func (c *Cooking) Begin(celsius float64) *Body {
	g := GeometryOf(&c.Piece)
	resolution := c.Resolution
	if resolution == (Resolution{}) {
		resolution = usualResolution[g.Shape]
		if g.Shape == Disc && (c.Method == piece.Pan || c.Method == piece.ShallowOil) {
			resolution.Up = layersInAPan
		}
	}
	return New(g, c.Material, celsius, resolution)
}

type run struct {
	*Cooking
	body   *Body
	course *Course

	how      turning
	seared   int       // turns while searing
	turned   []float64 // every turn until it is done, min
	lethal   float64   // min
	browned  [sides]float64
	lastTime float64 // of the last moment noted, and before that one, min
	before   float64
	// over is by how much it is more than done, and lastMeasure before that.
	over, lastMeasure float64
	lastKept          float64
	// kept are states on the last part of the way, to look for the moment to pull.
	kept []kept
}

type kept struct {
	at      *Snapshot
	moments int
	browned [sides]float64
	lethal  float64
}

func (r *run) minutes() float64 { return r.body.Seconds / 60 }

// note records a moment and says whether the coldest point is done.
func (r *run) note() (core float64, done bool) {
	b := r.body
	now := r.minutes()
	dt := now - r.lastTime
	r.lastMeasure = r.over
	core, lethal, over := b.Watch(dt, r.Target)
	r.lethal, r.over = lethal, over
	r.before = r.lastTime
	if dt > 0 {
		for side, f := range b.faces {
			if f != nil {
				r.browned[side] += dt * browning(b.Surface(Side(side)))
			}
		}
	}
	r.lastTime = now
	r.course.Moments = append(r.course.Moments, Moment{now, core, b.Surface(r.face())})
	if r.Framed && (dt == 0 || now >= r.lastFrame()+max(0.25, now/40)) {
		r.course.Section.Frames = append(r.course.Section.Frames, b.frame())
	}
	return core, r.over >= 0
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
	case r.Method == piece.Pan || r.Method == piece.ShallowOil:
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

// sear browns the piece in a hot pan, each flat side for its minutes.
func (r *run) sear() (core float64, done bool) {
	b := r.body
	sides := 1
	if b.Shape == Disc && r.Piece.Kind != piece.Cylinder {
		sides = 2
	}
	for i := range sides {
		r.surround(b, piece.Pan, r.figures().SearPan)
		b.Advance(60*r.SearMinutes, func() bool {
			core, done = r.note()
			if r.GrillMinutes == 0 {
				r.keep(core)
			}
			return done
		})
		if i+1 < sides {
			r.turn()
		}
	}
	ends := r.minutes()
	r.course.SearEnds = &ends
	r.seared = len(r.turned)
	return core, done
}

func (r *run) turn() {
	r.body.Turn()
	r.turned = append(r.turned, r.minutes())
}

// flips says whether the piece is turned as it cooks.
func (c *Cooking) flips(b *Body) bool {
	return c.Turn && b.axes[2].n > 1 && c.Piece.Kind != piece.Cylinder && !c.Piece.Held() && c.Method != piece.DeepOil && c.Method != piece.Simmer
}

// cook follows the piece until its coldest point is done.
func (r *run) cook() {
	b := r.body
	core, done := r.note()
	if r.SearMinutes > 0 && r.Method.Sears() {
		core, done = r.sear()
	}
	r.surround(b, r.Method, r.Celsius)
	r.keep(core)
	flips := r.flips(b)
	begun := r.minutes()
	turnAt := math.Inf(1)
	if r.how.every > 0 {
		turnAt = begun + r.how.every
	}
	middle, coreSeen := b.halfway(), core
	half := (middle + r.Target.Celsius) / 2
	byTheMiddle := func() bool { return r.how.every == 0 && len(r.turned) == r.seared }
	timeToTurn := func() bool {
		if byTheMiddle() {
			return flips && middle >= half-landWithin && r.minutes() >= begun+leastTurn
		}
		return flips && r.minutes() >= turnAt
	}
	for !done && r.minutes() < longestCook {
		b.Advance(60*(longestCook-r.minutes()), func() bool {
			core, done = r.note()
			r.keep(core)
			middleWas, coreWas := middle, coreSeen
			middle, coreSeen = b.halfway(), core
			// The next step is to end at the first moment the piece may be pulled, at
			// the middle's half-way and at the turn, not past them.
			if short := r.Target.Celsius - carryOver - core; short > landWithin && !r.ToTargetOnly {
				r.notPast(short, core-coreWas)
			}
			if flips && byTheMiddle() {
				r.notPast(half-middle, middle-middleWas)
			}
			for _, stop := range [...]float64{turnAt, begun + leastTurn, r.soonest()} {
				if now := r.minutes(); now < stop && now+b.dt/60 > stop {
					b.dt = max(firstStep, 60*(stop-now))
				}
			}
			return done || timeToTurn()
		})
		if !done && timeToTurn() {
			r.turn()
			turnAt = r.minutes() + r.how.next(len(r.turned)-r.seared, r.minutes()-begun)
		}
	}
	r.course.Reached, r.course.ToTarget = done, r.minutes()
	if now := r.over; done && now > r.lastMeasure && len(r.course.Moments) > 1 {
		// The moment lies within the last step.
		share := min(1, -r.lastMeasure/(now-r.lastMeasure))
		r.course.ToTarget = r.before + share*(r.minutes()-r.before)
	}
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
