package binder

import (
	"math"

	"cuerda/core/physics/mix"
)

// nearest looks for the way that comes nearest where none fits: over every
// single binder and pair in eighths of their limits, by how far the worst
// condition is missed. It names the conditions that this one still misses.
func nearest(r *Request, parts []mix.Part) (*Suggestion, []Obstacle) {
	s := newSpace(r, parts, r.Rest, 0, nil)
	best := corner{from: s}
	least := math.Inf(1)
	consider := func(c corner) {
		if m := s.miss(&c); m < least {
			best, least = c, m
		}
	}
	consider(corner{from: s})
	const steps = 8
	amount := func(w, step int) float64 {
		g := float64(step) / steps * max(0, s.allowed[w]*s.base.Mass-s.there[w])
		return stepAt(g) * math.Floor(g/stepAt(g))
	}
	n := len(s.unit)
	for i := range n {
		for a := 1; a <= steps; a++ {
			c := corner{from: s, n: 1}
			c.who[0], c.x[0] = i, amount(i, a)
			if c.x[0] < leastAmount {
				continue
			}
			consider(c)
			for j := i + 1; j < n; j++ {
				for b := 1; b <= steps; b += 2 {
					d := c
					d.n, d.who[1], d.x[1] = 2, j, amount(j, b)
					if d.x[1] >= leastAmount {
						consider(d)
					}
				}
			}
		}
	}
	var obstacles []Obstacle
	q, judged, ok := s.at(&best)
	band := r.Duty.Band
	switch {
	case !ok:
		return nil, []Obstacle{NoBase}
	case q > band.To:
		obstacles = append(obstacles, TooWet)
	case q < band.From:
		obstacles = append(obstacles, TooDry)
	}
	if judged.RawRatio < r.Target {
		obstacles = append(obstacles, WeakRaw)
	}
	if judged.CookedRatio < r.Target {
		obstacles = append(obstacles, WeakCooked)
	}
	if best.n == 0 {
		return nil, obstacles
	}
	suggestion, _ := newBoard(r).suggest(LeastBinder, &best)
	return &suggestion, obstacles
}

// sum is the mix of a corner.
func (s *space) sum(c *corner) mix.Effect {
	e := s.base
	for i := range c.n {
		e = e.Plus(s.unit[c.who[i]], c.x[i])
	}
	return e
}

// at gives the index of a corner, and how it does.
func (s *space) at(c *corner) (q float64, judged mix.Judged, ok bool) {
	e := s.sum(c)
	if q, ok = e.Index(); !ok {
		return 0, mix.Judged{}, false
	}
	return q, e.Judge(&s.r.Duty, s.r.Coldness), true
}

// miss is how far the worst condition is missed: 0 where none is.
func (s *space) miss(c *corner) float64 {
	q, judged, ok := s.at(c)
	if !ok {
		return math.Inf(1)
	}
	b := s.r.Duty.Band
	out := max(0, b.From-q, q-b.To)
	out = max(out, 1-judged.RawRatio/s.r.Target, 1-judged.CookedRatio/s.r.Target)
	return out + 1e-4*float64(c.n)
}
