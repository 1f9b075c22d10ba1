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

// crustWeight is how much the error in a crust counts: it is thin, and the food
// behind it stands at boiling whatever it does.
const crustWeight = 0.15

// tolerance is the error of one step, K, of the first-order companion, that
// keeps the whole within 0.1 K of exact solutions.
var tolerance = map[Shape]float64{Sphere: 0.15, Disc: 0.25, Brick: 0.36}

// Advance goes on for that many seconds, in steps it chooses itself; after
// each step it calls seen, if any, which may end it early.
func (b *Body) Advance(seconds float64, seen func() (stop bool)) {
	end := b.Seconds + seconds
	for end-b.Seconds > 1e-9 {
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

// step makes one step of at most dt seconds.
func (b *Body) step(dt float64) {
	w, tolerance := b.work, b.tolerance
	if !b.fresh {
		b.rates()
	}
	startHeat, startVapour := b.crossing()
	copy(w.before, b.heat)
	for {
		b.factor(gamma * dt)
		copy(w.first, b.net)
		b.solve(w.first)
		for i, k := range w.first {
			b.heat[i] = w.before[i] + dt*k
		}
		copy(w.rhs, b.slope)
		b.rates()
		for i, k := range w.first {
			w.second[i] = b.net[i] - 2*k
		}
		b.solve(w.second)
		worst := 0.0
		for i, k := range w.first {
			b.heat[i] = w.before[i] + dt*(1.5*k+0.5*w.second[i])
			e := w.rhs[i] * math.Abs(k+w.second[i])
			if b.celsius[i] >= b.Material.boilAt {
				e *= crustWeight
			}
			if e > worst {
				worst = e
			}
		}
		worst *= dt / 2
		grow := min(max(0.9*math.Sqrt(tolerance/(worst+1e-12)), 0.2), 3)
		if worst <= tolerance*1.5 || dt <= leastStep {
			b.dt = min(max(dt*grow, leastStep), mostStep)
			break
		}
		copy(b.heat, w.before)
		b.rates()
		dt = max(dt*grow, leastStep)
	}
	b.rates()
	endHeat, endVapour := b.crossing()
	b.boilOff()
	b.Seconds += dt
	b.HeatIn += b.through(dt, startHeat, endHeat, b.lastHeat)
	b.Vapour += b.through(dt, startVapour, endVapour, b.lastVapour)
	b.lastHeat, b.lastVapour, b.lastDT = startHeat, startVapour, dt
	if m := b.Material; m.water > 0 {
		for _, f := range b.faces {
			if f != nil {
				for j, v := range f.vapour {
					f.dried[j] += dt * v / m.water
				}
			}
		}
	}
}

// through is what a flow that goes from start to end brings in dt seconds, by
// the trapezoidal rule and, within one course, the bend that the step before
// shows.
func (b *Body) through(dt, start, end, before float64) float64 {
	sum := dt * (start + end) / 2
	if b.lastDT > 0 {
		bend := 2 * ((end-start)/dt - (start-before)/b.lastDT) / (dt + b.lastDT)
		sum -= dt * dt * dt / 12 * bend
	}
	return sum
}

// boilOff lets the steam out of places that have come past boiling.
func (b *Body) boilOff() {
	m := b.Material
	for i, h := range b.heat {
		if h <= m.boil || b.water[i] <= 0 {
			continue
		}
		gone := min((h-m.boil)/latentVapour, b.water[i])
		b.heat[i] -= gone * latentVapour
		b.water[i] -= gone
		v := b.volume[i] * b.times
		b.Vapour += gone * v
		b.Boiled += gone * v * latentVapour
		b.fresh = false // drier, it conducts less
	}
}

// crossing is the heat into the body, W, and the vapour out of it, kg/s.
func (b *Body) crossing() (heat, vapour float64) {
	for _, f := range b.faces {
		if f == nil {
			continue
		}
		for j, a := range f.area {
			heat += a * f.into[j]
			vapour += a * f.vapour[j]
		}
	}
	return heat * b.times, vapour * b.times
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
			toLow, toHigh := g/a.volume[i-1], g/a.volume[i]
			at := o + i*s
			// The cells beyond the two; across a plane of symmetry, their mirror.
			before, after, curve := at-2*s, at+s, curvature
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
	for o := 0; o < b.cells; o += n {
		t, k, net := b.celsius[o:o+n], b.conduct[o:o+n], b.net[o:o+n]
		before := 0.0
		for i := 1; i < n; i++ {
			rise := t[i] - t[i-1]
			bent := rise
			if i < n-1 {
				bent += curvature * (2*rise - before - (t[i+1] - t[i]))
			}
			before = rise
			q := a.step[i] / 2 * (k[i] + k[i-1]) * bent
			net[i-1] += q / a.volume[i-1]
			net[i] -= q / a.volume[i]
		}
	}
}

// curvature is the weight of the neighbours of cell means on a uniform grid.
const curvature = 1. / 12

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
		var in, fall, vapour float64
		for range rounds {
			in, fall, vapour = f.around.flow(t, boil, f.dried[j])
			t += (in - g*(t-inside)) / (fall + g)
		}
		f.surface[j], f.vapour[j] = t, vapour
		f.into[j] = g * (t - inside)
		f.fall[j] = fall * g / (fall + g)
		b.net[i] += per * f.into[j]
	}
}

// factor prepares the three tridiagonal systems I - c A, one along each axis.
func (b *Body) factor(c float64) {
	w := b.work
	for d := range b.axes {
		a, s := &b.axes[d], b.stride[d]
		if a.n == 1 {
			continue
		}
		fall := w.gap
		for i := range fall {
			fall[i] = 0
		}
		for _, f := range b.faces {
			if f == nil || f.axis != d {
				continue
			}
			area := a.area[0]
			if f.high {
				area = a.area[a.n]
			}
			for j, i := range f.cells {
				fall[i] += area * f.fall[j]
			}
		}
		lower, over, inverse := w.lower[d], w.over[d], w.inverse[d]
		block := s * a.n
		for o := 0; o < b.cells; o += block {
			for i := range a.n {
				per := c / a.volume[i]
				gl, gh := a.step[i]/2, 0.0
				if i < a.n-1 {
					gh = a.step[i+1] / 2
				}
				at := o + i*s
				for j := at; j < at+s; j++ {
					low, high := 0.0, 0.0
					if i > 0 {
						low = gl * (b.conduct[j-s] + b.conduct[j])
					}
					if i < a.n-1 {
						high = gh * (b.conduct[j] + b.conduct[j+s])
					}
					diagonal := 1 + per*(low+high+fall[j])*b.slope[j]
					if i > 0 {
						l := -per * low * b.slope[j-s]
						lower[j] = l
						diagonal -= l * over[j-s]
					}
					inv := 1 / diagonal
					inverse[j] = inv
					if i < a.n-1 {
						over[j] = -per * high * b.slope[j+s] * inv
					}
				}
			}
		}
	}
}

// solve divides x by the product of the factored systems, in place.
func (b *Body) solve(x []float64) {
	w := b.work
	for d := range b.axes {
		a, s := &b.axes[d], b.stride[d]
		if a.n == 1 {
			continue
		}
		lower, over, inverse := w.lower[d], w.over[d], w.inverse[d]
		block := s * a.n
		for o := 0; o < b.cells; o += block {
			for j := o; j < o+s; j++ {
				x[j] *= inverse[j]
			}
			for j := o + s; j < o+block; j++ {
				x[j] = (x[j] - lower[j]*x[j-s]) * inverse[j]
			}
			for j := o + block - s - 1; j >= o; j-- {
				x[j] -= over[j] * x[j+s]
			}
		}
	}
}
