package heat

import "cuerda/core/physics/method"

// Mingle replaces each of several followings of one piece by a blend of them all, as an
// ensemble filter does: the new i is the sum over j of weights[i][j] times the old j. Each row
// of weights sums to 1. What is blended is what the piece is (heat, water, peaks, lethality,
// crust and browning); where it is, and its clock, are those of i.
func Mingle(all []*Progress, weights [][]float64) {
	if len(all) == 0 {
		return
	}
	olds := make([]*Snapshot, len(all))
	browned := make([][sides]float64, len(all))
	lethal := make([]float64, len(all))
	for j, p := range all {
		olds[j], browned[j], lethal[j] = p.run.body.Snapshot(), p.run.browned, p.run.lethal
	}
	for i, p := range all {
		r, b, w := p.run, p.run.body, weights[i]
		clear(b.state)
		r.browned, r.lethal = [sides]float64{}, 0
		for j, old := range olds {
			for n, v := range old.cells {
				b.state[n] += w[j] * v
			}
			for side := range r.browned {
				r.browned[side] += w[j] * browned[j][side]
			}
			r.lethal += w[j] * lethal[j]
		}
		for side, f := range b.faces {
			if f == nil {
				continue
			}
			clear(f.dried)
			for j, old := range olds {
				for n, v := range old.faces[side].dried {
					f.dried[n] += w[j] * v
				}
			}
			for n, v := range f.dried {
				f.dried[n] = max(0, v)
			}
			f.anew = true
		}
		r.bound()
	}
}

// bound puts right what a blend can go beyond by its differences: no place holds more water
// than it began with, nor less than none, and none was cooler at its peak than it is.
func (r *run) bound() {
	b := r.body
	for i := range b.water {
		b.water[i] = min(max(b.water[i], 0), b.Material.water)
		b.lethal[i] = max(0, b.lethal[i])
		b.heat[i] = max(b.heat[i], b.Material.from)
	}
	for side := range r.browned {
		r.browned[side] = max(0, r.browned[side])
	}
	b.fresh = false
	b.refresh()
	for i, t := range b.celsius {
		b.peak[i] = max(b.peak[i], t)
	}
	r.core, r.lethal, r.over = b.Watch(0, r.Target)
	r.lastMeasure, r.done = r.over, r.over >= 0
	r.course.Reached = r.course.Reached && (r.done || r.heat == off)
	// States kept on the way are of another piece now, and so is what was noted of it.
	r.forget()
}

// forget leaves out what was noted on the way, and the states that go by it.
func (r *run) forget() {
	r.kept, r.lastKept = nil, 0
	r.course.Moments = append(r.course.Moments[:0], Moment{r.minutes(), r.core, r.body.Surface(r.face())})
}

// Forget leaves out what was noted of the way so far, for whoever follows a piece for hours and
// looks ahead alone.
func (p *Progress) Forget() { p.run.forget() }

// Refigure changes how heat comes to the piece from now on.
func (p *Progress) Refigure(c Cooking) {
	r := p.run
	c.Budget = r.Cooking.Budget
	*r.Cooking = c
	// It is nearly as it was: steps of time need not begin small again.
	dt := r.body.dt
	defer func() { r.body.dt = dt }()
	switch r.heat {
	case searing:
		r.surround(r.body, method.Pan, r.figures().SearPan)
	case onHeat:
		r.surround(r.body, r.Method, r.Celsius)
	case grilling:
		r.finish(r.body)
	}
}
