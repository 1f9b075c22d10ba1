package heat

// factored are the tridiagonal systems I - c A along one axis, A being the
// Jacobian of d heat / dt there: below the diagonal as it is, above it and the
// diagonal eliminated.
type factored struct {
	lower, over, inverse []float64
	// fall is what a face adds to the diagonal, W/K; 0 away from faces.
	fall []float64
}

// factor prepares the systems of every axis.
func (b *Body) factor(c float64) {
	for d := range b.axes {
		a := &b.axes[d]
		if a.n == 1 {
			continue
		}
		m := &b.work.systems[d]
		for _, f := range b.faces {
			if f == nil || f.axis != d {
				continue
			}
			area := a.area[0]
			if f.high {
				area = a.area[a.n]
			}
			for j, i := range f.cells {
				m.fall[i] = area * f.fall[j]
				per := c * f.area[j] * b.times * b.slope[i]
				f.less[j], f.lessVapour[j] = per*f.fall[j], per*f.vapourFall[j]
			}
		}
		if b.stride[d] == 1 {
			b.factorRows(m, a, c)
		} else {
			b.factorPlanes(m, a, b.stride[d], c)
		}
	}
}

// factorRows is for the axis whose cells lie side by side.
func (b *Body) factorRows(m *factored, a *axis, c float64) {
	n := a.n
	step, vol := a.step[:n+1], a.per[:n]
	for o := 0; o < b.cells; o += n {
		k, slope, fall := b.conduct[o:o+n], b.slope[o:o+n], m.fall[o:o+n]
		lower, over, inverse := m.lower[o:o+n], m.over[o:o+n], m.inverse[o:o+n]
		low, eliminated := 0.0, 0.0
		for i := range n - 1 {
			per := c * vol[i]
			high := step[i+1] / 2 * (k[i] + k[i+1])
			inv := 1 / (1 + per*(low+high+fall[i])*slope[i] - lower[i]*eliminated)
			inverse[i] = inv
			eliminated = -per * high * slope[i+1] * inv
			over[i] = eliminated
			lower[i+1] = -c * vol[i+1] * high * slope[i]
			low = high
		}
		i := n - 1
		inverse[i] = 1 / (1 + c*vol[i]*(low+fall[i])*slope[i] - lower[i]*eliminated)
	}
}

// factorPlanes is for an axis whose neighbours lie s cells apart: plane after
// plane of them.
func (b *Body) factorPlanes(m *factored, a *axis, s int, c float64) {
	block := s * a.n
	lows := b.work.flows[:s]
	for o := 0; o < b.cells; o += block {
		clear(lows)
		for i := range a.n {
			at := o + i*s
			// The first and the last plane have no neighbour on one side: there the
			// conductance is 0 and whatever stands for the neighbour counts nothing.
			before, after, g := max(at-s, o), min(at+s, o+block-s), 0.0
			if i < a.n-1 {
				g = a.step[i+1] / 2
			}
			per := c * a.per[i]
			k, kAfter := b.conduct[at:at+s], b.conduct[after:after+s]
			slope, slopeBefore, slopeAfter := b.slope[at:at+s], b.slope[before:before+s], b.slope[after:after+s]
			lower, over, inverse, overBefore := m.lower[at:at+s], m.over[at:at+s], m.inverse[at:at+s], m.over[before:before+s]
			fall := m.fall[at : at+s]
			for j, low := range lows {
				high := g * (k[j] + kAfter[j])
				lows[j] = high
				l := -per * low * slopeBefore[j]
				inv := 1 / (1 + per*(low+high+fall[j])*slope[j] - l*overBefore[j])
				lower[j], inverse[j] = l, inv
				over[j] = -per * high * slopeAfter[j] * inv
			}
		}
	}
}

// solve divides x by the product of the factored systems, in place, and gives
// by how much less crosses the faces for it.
func (b *Body) solve(x []float64) (less flow) {
	for d := range b.axes {
		a, s := &b.axes[d], b.stride[d]
		if a.n == 1 {
			continue
		}
		m := &b.work.systems[d]
		if s == 1 {
			m.solveRows(x, a.n)
		} else {
			m.solvePlanes(x, a.n, s)
		}
		for _, f := range b.faces {
			if f != nil && f.axis == d {
				for j, i := range f.cells {
					less.heat += f.less[j] * x[i]
					less.vapour += f.lessVapour[j] * x[i]
				}
			}
		}
	}
	return less
}

func (m *factored) solveRows(x []float64, n int) {
	for o := 0; o < len(x); o += n {
		x, lower, over, inverse := x[o:o+n], m.lower[o:o+n], m.over[o:o+n], m.inverse[o:o+n]
		last := 0.0
		for i, v := range x {
			last = (v - lower[i]*last) * inverse[i]
			x[i] = last
		}
		for i := n - 2; i >= 0; i-- {
			last = x[i] - over[i]*last
			x[i] = last
		}
	}
}

func (m *factored) solvePlanes(x []float64, n, s int) {
	block := s * n
	for o := 0; o < len(x); o += block {
		first, inverse := x[o:o+s], m.inverse[o:o+s]
		for j := range first {
			first[j] *= inverse[j]
		}
		for at := o + s; at < o+block; at += s {
			v, before := x[at:at+s], x[at-s:at]
			lower, inverse := m.lower[at:at+s], m.inverse[at:at+s]
			for j := range v {
				v[j] = (v[j] - lower[j]*before[j]) * inverse[j]
			}
		}
		for at := o + block - 2*s; at >= o; at -= s {
			v, after, over := x[at:at+s], x[at+s:at+2*s], m.over[at:at+s]
			for j := range v {
				v[j] -= over[j] * after[j]
			}
		}
	}
}
