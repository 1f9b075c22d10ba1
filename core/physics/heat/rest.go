package heat

import (
	"math"

	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

// way is a state to go on from and for how long, s, before the piece is taken off
// the heat or put under the grill.
type way struct {
	from kept
	wait float64
}

// pull finds the earliest moment to take the piece off the heat such that it
// is still done while it rests, then follows that rest.
func (r *run) pull() {
	if !r.course.Reached || len(r.kept) == 0 {
		r.goThrough(r.atTheEnd())
		return
	}
	first, sure := r.earliest()
	r.goThrough(first)
	short := r.over < 0 && (r.Target.HoldMinutes > 0 || r.course.Peak < r.Target.Celsius-nearlyDone)
	if short && first != sure {
		r.goThrough(sure)
	}
}

// atTheEnd is to take it off when it is done while it cooks.
func (r *run) atTheEnd() way {
	return way{r.state(), max(0, 60*r.soonest()-r.body.Seconds)}
}

// nearlyDone is how much a piece may fall short of a momentary target, K: less
// than a kitchen's thermometer tells.
const nearlyDone = 0.5

// goThrough goes that way and through the rest after it.
func (r *run) goThrough(w way) {
	out, b := r.course, r.body
	b.Restore(w.from.at)
	r.lethal, r.browned, r.lastTime = w.from.lethal, w.from.browned, r.minutes()
	out.Moments = out.Moments[:w.from.moments]
	for n := len(out.Section.Frames); n > 0 && out.Section.Frames[n-1].Minutes > r.minutes(); n-- {
		out.Section.Frames = out.Section.Frames[:n-1]
	}
	noted := func() bool { r.note(); return false }
	b.Advance(w.wait, noted)
	if r.GrillMinutes > 0 && out.Reached {
		from := r.minutes()
		out.GrillFrom = &from
		r.finish(b)
		b.Advance(60*r.GrillMinutes, noted)
	}
	r.takeOff()
	r.lieRested()
}

// takeOff ends the cooking: what it has come to by now stands, and it lies in the air of
// the kitchen.
func (r *run) takeOff() {
	out, b := r.course, r.body
	out.Pull = r.minutes()
	out.LethalAtPull = r.lethal
	out.Browning = 0
	for _, v := range r.browned {
		out.Browning = max(out.Browning, brownedBy(v))
	}
	out.Turns = nil
	for _, turn := range r.turned {
		if turn < out.Pull {
			out.Turns = append(out.Turns, turn)
		}
	}
	out.Juiced = b.juiced()
	r.cool(b)
	r.heat = off
	out.Peak = out.Moments[len(out.Moments)-1].Core
}

// lieRested follows a piece that is off the heat to the end of its rest.
func (r *run) lieRested() {
	out, b := r.course, r.body
	b.Advance(60*max(0, out.Pull+RestMinutes(r.figures(), r.Piece.Kind)-r.minutes()), func() bool {
		r.note()
		out.Peak = max(out.Peak, r.core)
		return false
	})
	// A turned piece may have been hotter there before it was pulled.
	out.Peak = max(out.Peak, b.peak[b.slowestInside()])
	out.Lethal = r.lethal
	if r.Wall > 0 {
		out.WallPeak = b.WallPeak(r.Wall)
	}
	out.Mean = b.Mean()
	if mass := b.Volume() * b.Material.density; mass > 0 {
		out.VapourShare = b.Vapour / mass
	}
	out.Juiced = max(out.Juiced, b.juiced())
}

// mostTrials bounds how often a rest is followed to find the moment to pull, or
// to put the piece under the grill, which may lie anywhere on the way.
func (c *Cooking) mostTrials() int {
	if c.GrillMinutes > 0 {
		return 7
	}
	return 4
}

// finish puts the piece under the grill, for which the oven is turned up.
func (c *Cooking) finish(b *Body) {
	f := c.figures()
	top := GrillAbove(f, f.GrillFinish)
	if b.Shape == Sphere {
		b.Surround(Rim, Partly(top, 0.5, StillOven(f, f.UnderGrill*f.GrillFinish)))
		return
	}
	b.Surround(Top, top)
}

// earliest finds the first moment from which the piece is done while it rests,
// after its minutes under the grill if it has any; and the next one known for
// sure. The later it is pulled the hotter it gets, and nearly in proportion, so
// that the moment between two states is found by a straight line, unless the
// piece is turned between them.
func (r *run) earliest() (first, sure way) {
	sure = r.atTheEnd()
	low, high := -1, len(r.kept) // not done at low, done at high
	short, over := math.NaN(), math.NaN()
	for trial := 0; high-low > 1 && trial < r.mostTrials(); trial++ {
		i := (low + high) / 2
		switch {
		case trial == 0:
			i = 0 // most small pieces are done from the first moment on
		case low >= 0 && high < len(r.kept):
			i = min(max(low+int(math.Round(float64(high-low)*short/(short+over))), low+1), high-1)
		}
		if past := r.rests(r.kept[i]); past >= 0 {
			high, over = i, past
		} else {
			low, short = i, -past
		}
	}
	if high < len(r.kept) {
		sure = way{from: r.kept[high]}
	}
	after := sure.from
	if low < 0 {
		return sure, sure
	}
	first = way{from: r.kept[low]}
	for _, turn := range r.turned {
		if turn >= first.from.at.seconds/60-1e-9 && turn <= after.at.seconds/60 {
			return sure, sure
		}
	}
	first.wait = after.at.seconds - first.from.at.seconds
	if high < len(r.kept) {
		first.wait *= short / (short + over)
	}
	return first, sure
}

// rests says by how much a piece pulled then, or put under the grill then and
// pulled after its minutes there, is more than done by the end of its rest: K
// past the target, or minutes past those to hold; below 0 it is not done, or it
// would be left to its rest for more than carryOver.
func (r *run) rests(from kept) float64 {
	b := r.body
	b.Restore(from.at)
	last, lastCore := b.Seconds, math.Inf(-1)
	over := 0.0
	if r.GrillMinutes > 0 {
		r.finish(b)
		b.Advance(60*r.GrillMinutes, func() bool {
			lastCore, _, over = b.Watch((b.Seconds-last)/60, r.Target)
			last = b.Seconds
			return false
		})
		if short := r.Target.Celsius - carryOver - lastCore; short > 0 && over < 0 {
			return -short
		}
	}
	r.cool(b)
	b.Advance(60*RestMinutes(r.figures(), r.Piece.Kind), func() bool {
		var core float64
		was := lastCore
		core, _, over = b.Watch((b.Seconds-last)/60, r.Target)
		last, lastCore = b.Seconds, core
		falls := core < was-0.01
		return falls || r.Target.HoldMinutes > 0 && over >= 0
	})
	return over
}

// cool takes the piece off the heat: the air of the kitchen, and the plate,
// board or tin under it, which lets no vapour out.
func (c *Cooking) cool(b *Body) {
	air := Room(c.figures(), c.Room)
	b.SurroundAll(air)
	dry := air
	dry.Wets = false
	if c.Piece.Held() {
		b.Surround(Rim, dry)
		b.Surround(Flank, dry)
	}
	if b.Shape != Sphere {
		b.Surround(Bottom, dry)
	}
}

// RestMinutes is how long a cooked piece stands before it is cut or turned out,
// until it has its hold: section 3.
func RestMinutes(f *parameter.Heat, k piece.Kind) float64 {
	if k.IsLoaf() {
		return f.SetLoaf
	}
	return f.SetPiece
}

// brownedBy is how brown a side is, 0..1, that browned so much at its rates.
func brownedBy(sum float64) float64 { return 1 - math.Exp(-sum) }

// heldWater is what a gram of lean meat can hold at that temperature, g: section
// 6 (van der Sman 2007, Meat Science 76).
func heldWater(celsius float64) float64 {
	return 0.745 - 0.345/(1+30*math.Exp(-0.25*(celsius-52)))
}

// juiced is the water that lean meat of the body's temperatures lets go, g per
// g of lean, on the mean.
func (b *Body) juiced() float64 {
	b.refresh()
	sum, volume := 0.0, 0.0
	for i, v := range b.volume {
		sum += v * (heldWater(4) - heldWater(b.celsius[i]))
		volume += v
	}
	return sum / volume
}

// browning is the rate of it at a surface of that temperature, per min: 63% in
// 10 min at 150 degC and 2.3 times as fast every 10 K, the usual Q10 of the
// Maillard reaction (van Boekel 2006, Biotechnology Advances 24). An estimate:
// sugars, protein and acidity of the mix are left out.
func browning(celsius float64) float64 {
	if celsius < 90 {
		return 0
	}
	return 0.1 * math.Exp((celsius-150)/10*math.Log(2.3))
}
