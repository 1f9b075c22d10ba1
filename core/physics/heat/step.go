package heat

import "math"

// The time steps: the two-stage Rosenbrock method ROS2 (Verwer, Spee, Blom and
// Hundsdorfer 1999, SIAM J. Sci. Comput. 20, 1456), second order with any
// approximation of the Jacobian and L-stable with gamma = 1 - 1/sqrt(2). Its
// linear systems are factored along the axes, which keeps it stable however
// long the step. The difference to its first-order companion sets the step.
const gamma = 1 - 1/math.Sqrt2

const (
	firstStep = 0.1  // s
	leastStep = 0.05 // s: the bends of freezing and boiling are stepped over
	mostStep  = 600  // s
)

// The error of one step, K, of the first-order companion, that keeps the whole
// within 0.1 K of exact solutions: so much, and a share of what the place warms
// in that step.
var tolerance = map[Shape]float64{Sphere: 0.15, Disc: 0.25, Brick: .5}

const toleratedShare = 0.1

// crustWeight is how much the error in a crust counts: it is thin, and the food
// behind it stands at boiling whatever it does.
const crustWeight = 0.15

// Advance goes on for that many seconds, in steps it chooses itself; after
// each step it calls seen, if any, which may end it early. It also ends early where its
// budget does.
func (b *Body) Advance(seconds float64, seen func() (stop bool)) {
	end := b.Seconds + seconds
	for end-b.Seconds > 1e-9 && !b.budget.Spent() {
		left := end - b.Seconds
		dt := min(b.dt, left)
		if left < 2*dt && left > dt {
			dt = left / 2
		}
		b.step(dt)
		if seen != nil && seen() {
			return
		}
	}
}

// flow is heat, W, with vapour, kg/s.
type flow struct{ heat, vapour float64 }

func (a flow) plus(share float64, b flow) flow {
	return flow{a.heat + share*b.heat, a.vapour + share*b.vapour}
}

// step makes one step of at most dt seconds.
func (b *Body) step(dt float64) {
	w := b.work
	if calm := b.calm(); calm != b.settled {
		b.settled, b.fresh = calm, false
	}
	if !b.fresh {
		b.rates()
	}
	copy(w.before, b.heat)
	for _, f := range b.faces {
		if f != nil {
			copy(f.before, f.vapour)
		}
	}
	var crossed flow
	for {
		var worst float64
		b.budget.spend(b.cells, b.dimensions)
		crossed, worst = b.attempt(dt)
		grow := min(max(0.9*math.Sqrt(b.tolerance/(worst+1e-12)), 0.2), 3)
		// What is no number is no better for being tried again.
		if !(worst > b.tolerance*1.5) || dt <= leastStep {
			b.dt = min(max(dt*grow, leastStep), mostStep)
			break
		}
		copy(b.heat, w.before)
		b.rates()
		dt = max(dt*grow, leastStep)
	}
	b.rates()
	b.boilOff()
	b.Seconds += dt
	b.HeatIn += dt * crossed.heat
	b.Vapour += dt * crossed.vapour
	if m := b.Material; m.water > 0 {
		for _, f := range b.faces {
			if f != nil {
				for j, v := range f.vapour {
					f.dried[j] += dt * (f.before[j] + v) / 2 / m.water
				}
			}
		}
	}
}

// attempt puts heat where it is after dt seconds. It gives what crossed the
// faces meanwhile, just as the two stages count it, so that what came in is what
// is stored; and the worst error of a place, K.
func (b *Body) attempt(dt float64) (crossed flow, worst float64) {
	w, n := b.work, len(b.heat)
	heat, net, celsius := b.heat[:n], b.net[:n], b.celsius[:n]
	before, first, second, slope := w.before[:n], w.first[:n], w.second[:n], w.slope[:n]
	crossed = b.crossing()
	b.factor(gamma * dt)
	copy(first, net)
	crossed = crossed.plus(-1, b.solve(first))
	for i, k := range first {
		heat[i] = before[i] + dt*k
	}
	copy(slope, b.slope)
	b.rates()
	crossed = crossed.plus(1, b.crossing())
	for i, k := range first {
		second[i] = net[i] - 2*k
	}
	crossed = crossed.plus(-1, b.solve(second))
	boil, share := b.Material.boilAt, toleratedShare*dt/b.tolerance
	for i, k := range first {
		heat[i] = before[i] + dt*(1.5*k+0.5*second[i])
		e := slope[i] * math.Abs(k+second[i])
		if e <= worst {
			continue
		}
		e /= 1 + share*slope[i]*math.Abs(k)
		if celsius[i] >= boil {
			e *= crustWeight
		}
		worst = max(worst, e)
	}
	return flow{crossed.heat / 2, crossed.vapour / 2}, worst * dt / 2
}

// boilOff lets the steam out of places that have come past boiling. Their
// temperatures already are those of what is left.
func (b *Body) boilOff() {
	m := b.Material
	for i, h := range b.heat {
		if h <= m.boil {
			continue
		}
		_, _, left := m.drying.at(h - m.boil + latentVapour*(m.water-b.water[i]))
		gone := b.water[i] - left
		if gone <= 0 {
			continue
		}
		b.heat[i] -= gone * latentVapour
		b.water[i] = left
		v := b.volume[i] * b.times
		b.Vapour += gone * v
		b.Boiled += gone * v * latentVapour
	}
}

// crossing is what comes in through the faces and the vapour that leaves them.
func (b *Body) crossing() (out flow) {
	for _, f := range b.faces {
		if f == nil {
			continue
		}
		for j, a := range f.area {
			out.heat += a * f.into[j]
			out.vapour += a * f.vapour[j]
		}
	}
	return flow{out.heat * b.times, out.vapour * b.times}
}

// rates brings temperatures, fluxes and net up to date with heat.
func (b *Body) rates() {
	b.refresh()
	for i := range b.net {
		b.net[i] = 0
	}
	for d := range b.axes {
		if b.axes[d].n > 1 {
			b.conductAlong(d)
		}
	}
	for _, f := range b.faces {
		if f != nil {
			b.exchange(f)
		}
	}
	b.fresh = true
}

// conductAlong adds what flows between neighbours along an axis. Away from the
// faces the gradient between two cells takes its curvature from their
// neighbours, which makes it fourth order; the Jacobian leaves that out, as
// ROS2 allows.
func (b *Body) conductAlong(d int) {
	a, s := &b.axes[d], b.stride[d]
	if s == 1 {
		b.conductRows(a)
		return
	}
	block := s * a.n
	for o := 0; o < b.cells; o += block {
		for i := 1; i < a.n; i++ {
			g := a.step[i] / 2
			toLow, toHigh := g*a.per[i-1], g*a.per[i]
			at := o + i*s
			// The cells beyond the two; across a plane of symmetry, their mirror.
			before, after, curve := at-2*s, at+s, b.curvature()
			if i == 1 && a.mirrored {
				before = at - s
			}
			if i == a.n-1 || i == 1 && !a.mirrored {
				before, after, curve = at-s, at, 0
			}
			tb, tl, th, ta := b.celsius[before:before+s], b.celsius[at-s:at], b.celsius[at:at+s], b.celsius[after:after+s]
			kl, kh := b.conduct[at-s:at], b.conduct[at:at+s]
			nl, nh := b.net[at-s:at], b.net[at:at+s]
			for j := range tl {
				rise := th[j] - tl[j]
				rise += curve * (3*rise - ta[j] + tb[j])
				q := (kl[j] + kh[j]) * rise
				nl[j] += toLow * q
				nh[j] -= toHigh * q
			}
		}
	}
}

// conductRows is conductAlong for the axis whose cells lie side by side, which
// begins at a plane or an axis of symmetry.
func (b *Body) conductRows(a *axis) {
	n := a.n
	per, step := a.per[:n], a.step[:n]
	for o := 0; o < b.cells; o += n {
		t, k, net := b.celsius[o:o+n], b.conduct[o:o+n], b.net[o:o+n]
		before, curve := 0.0, b.curvature()
		for i := 1; i < n; i++ {
			rise := t[i] - t[i-1]
			bent := rise
			if i < n-1 {
				bent += curve * (2*rise - before - (t[i+1] - t[i]))
			}
			before = rise
			q := step[i] / 2 * (k[i] + k[i-1]) * bent
			net[i-1] += q * per[i-1]
			net[i] -= q * per[i]
		}
	}
}

// curvature is the weight of the neighbours of cell means on a uniform grid, which makes
// conduction fourth order; none in a body that is calm.
func (b *Body) curvature() float64 {
	if b.settled {
		return 0
	}
	return 1. / 12
}

// calmWithin is how alike all places of a body are, K, once second order is enough: its
// error is some hundredths of so little. The Jacobian leaves the curvature out, and in
// the long steps that rest allows, it would swing by tenths and hold the steps short.
const calmWithin = 2.

// calm says whether all of the body has nearly one temperature.
func (b *Body) calm() bool {
	if !b.fresh {
		b.refresh()
	}
	low, high := b.celsius[0], b.celsius[0]
	for _, t := range b.celsius {
		if t < low {
			low = t
		} else if t > high {
			high = t
		}
		if high-low > calmWithin {
			return false
		}
	}
	return true
}

// exchange finds the temperature of a face, where what comes from outside goes
// on inside, and adds it.
func (b *Body) exchange(f *face) {
	a := &b.axes[f.axis]
	area, volume, next := a.area[0], a.volume[0], b.stride[f.axis]
	if f.high {
		area, volume, next = a.area[a.n], a.volume[a.n-1], -next
	}
	per := area / volume
	boil := b.Material.boilAt
	rounds := 1
	if f.anew {
		rounds, f.anew = 4, false
	}
	for j, i := range f.cells {
		g := b.conduct[i] * a.inward
		inside := b.celsius[i] + (b.celsius[i]-b.celsius[i+next])/6
		// Newton's method from where the surface was; once is enough between steps.
		t := f.surface[j]
		var fall, vapour, drier float64 // drier: vapour less for each K hotter
		for range rounds {
			var in float64
			in, fall, vapour = f.around.flow(t, boil, f.dried[j])
			drier = (f.around.Convective + f.around.Radiative - fall) / latentVapour
			more := (in - g*(t-inside)) / (fall + g)
			t += more
			vapour -= drier * more
		}
		passes := g / (fall + g)
		f.surface[j], f.vapour[j] = t, max(0, vapour)
		f.into[j] = g * (t - inside)
		f.fall[j], f.vapourFall[j] = fall*passes, drier*passes
		b.net[i] += per * f.into[j]
	}
}
