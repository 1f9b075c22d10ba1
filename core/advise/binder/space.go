package binder

import (
	"runtime"
	"sync"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// space is the search for one rest and one base. For a fixed index q and so much
// cohesion the conditions on the amounts x of a subset are linear: the index is one
// equation, the raw and the set cohesion and each binder's limit one inequality each.
// The least of a subset lies where as many of them bind as it has binders. What
// cohesion the pieces ask depends on all else in the mix, so a few are tried, and the
// judge of the whole mix decides.
type space struct {
	r       *Request
	rest    mix.Rest
	base    mix.Effect
	dry     *Drying
	water   float64
	parts   []mix.Part
	unit    []mix.Effect // of a gram of each candidate
	allowed []float64    // limit as share of the mass
	there   []float64    // grams of the candidate in the base already
	legume  []bool
	likes   []food.Group // the group of gels and of starches; empty for others
	levels  []level
}

// level holds what the conditions are at one index and one cohesion: three coefficients
// of each candidate (index, raw, set) and their right-hand sides.
type level struct {
	q float64
	a [][3]float64
	b [3]float64
	// middling is one of the cohesions that suit most pieces: three binders are tried at
	// those alone.
	middling bool
}

// indexSteps is how many indices across the band are tried.
const indexSteps = 6

// newSpace is the search with so many grams of water and one drying step more than the request.
func newSpace(r *Request, parts []mix.Part, rest mix.Rest, grams float64, dry *Drying) *space {
	s := &space{r: r, rest: rest, base: mix.Sum(parts, rest), dry: dry, water: grams, parts: parts}
	if grams > 0 {
		added := mix.Line{Food: water(), Grams: grams}
		part := added.Part()
		s.base = s.base.Plus(part.Effect(rest), 1)
	}
	n := len(r.Candidates)
	s.unit, s.allowed, s.there, s.legume = make([]mix.Effect, n), make([]float64, n), make([]float64, n), make([]bool, n)
	s.likes = make([]food.Group, n)
	for i, c := range r.Candidates {
		line := mix.Line{Food: c.Food, Grams: 1}
		p := line.Part()
		s.unit[i] = p.Effect(rest)
		s.allowed[i] = c.Food.MaxPct / 100
		if s.allowed[i] == 0 {
			s.allowed[i] = 1
		}
		if c.Food.Group == food.Gel || c.Food.Group == food.Starch {
			s.likes[i] = c.Food.Group
		}
		s.legume[i] = c.Food.Group == food.LegumeBinder || c.Food.Is(food.LegumeTaste)
		for j := range r.Lines {
			if r.Lines[j].Food == c.Food {
				s.there[i] += r.Lines[j].Grams
			}
		}
	}
	for _, q := range indicesOf(r.Duty.Band) {
		for i, c := range cohesions {
			l := s.level(q, c)
			l.middling = i == 2
			s.levels = append(s.levels, l)
		}
	}
	return s
}

// cohesions are the strengths, kPa, raw and set, that are tried: from what a tin asks to
// what a ball in deep oil does.
var cohesions = [][2]float64{{.8, 2}, {1.5, 5}, {2.5, 10}, {4, 20}, {7, 35}}

func (s *space) level(q float64, need [2]float64) level {
	// Glue per gram of a mix with so many pieces that comes to a kPa.
	whole := s.base
	whole.GlueCold, whole.Set = whole.Mass, whole.Mass
	cold, hot := whole.Cohesion()
	l := level{q: q, a: make([][3]float64, len(s.unit)), b: [3]float64{
		q*s.base.Span - s.base.Free,
		need[0]*s.base.Mass - cold*s.base.GlueCold,
		need[1]*s.base.Mass - hot*s.base.Set,
	}}
	for i := range s.unit {
		u := &s.unit[i]
		l.a[i] = [3]float64{u.Free - q*u.Span, cold*u.GlueCold - need[0], hot*u.Set - need[1]}
	}
	return l
}

// indicesOf spreads the indices to try over the band, a little inside it so
// that amounts can be rounded.
func indicesOf(b piece.Band) []float64 {
	out := make([]float64, indexSteps)
	low, high := b.From+0.04*(b.To-b.From), b.To-0.04*(b.To-b.From)
	for i := range out {
		out[i] = low + (high-low)*float64(i)/(indexSteps-1)
	}
	return out
}

// corner is a way to bind: amounts of up to three candidates at an index.
type corner struct {
	n    int
	who  [maxBinders]int
	x    [maxBinders]float64
	q    float64
	from *space
	// worth is what the aim minimises.
	worth float64
}

// row is one condition: a . x = b where it binds, a . x >= b where it holds.
type row struct {
	a [maxBinders]float64
	b float64
}

// enumerate offers the board every corner of every subset of up to most
// candidates.
func (s *space) enumerate(best *board, most int) {
	n := len(s.unit)
	workers := min(runtime.GOMAXPROCS(0), 4, n)
	var wait sync.WaitGroup
	boards := make([]*board, workers)
	for w := range workers {
		boards[w] = best.fresh()
		wait.Go(func() {
			for i := w; i < n && !s.r.ended(); i += workers {
				s.corners(boards[w], i)
				if most < 2 {
					continue
				}
				for j := i + 1; j < n; j++ {
					s.corners(boards[w], i, j)
					if most < 3 {
						continue
					}
					for k := j + 1; k < n; k++ {
						s.corners(boards[w], i, j, k)
					}
				}
			}
		})
	}
	wait.Wait()
	for _, b := range boards {
		best.join(b)
	}
}

func (s *space) corners(best *board, who ...int) {
	n := len(who)
	for i, w := range who {
		for _, o := range who[:i] {
			if s.likes[w] != "" && s.likes[w] == s.likes[o] {
				return // no cook adds two gels or two starches to a mix
			}
		}
	}
	var c corner
	c.n, c.from = n, s
	copy(c.who[:], who)
	var index row
	var rows [2 + maxBinders]row
	for i, w := range who {
		for j := range who {
			rows[2+i].a[j] = s.allowed[w]
		}
		rows[2+i].a[i]--
		rows[2+i].b = s.there[w] - s.allowed[w]*s.base.Mass
	}
	for l := range s.levels {
		at := &s.levels[l]
		if n == maxBinders && !at.middling {
			continue
		}
		c.q = at.q
		for i, w := range who {
			index.a[i], rows[0].a[i], rows[1].a[i] = at.a[w][0], at.a[w][1], at.a[w][2]
		}
		index.b, rows[0].b, rows[1].b = at.b[0], at.b[1], at.b[2]
		m := 2 + n
		switch n {
		case 1:
			if index.a[0] != 0 {
				c.x[0] = index.b / index.a[0]
				s.offer(best, &c, rows[:m])
			}
		case 2:
			for i := range m {
				if solve2(&index, &rows[i], &c.x) {
					s.offer(best, &c, rows[:m])
				}
			}
		case 3:
			for i := range m {
				for j := i + 1; j < m; j++ {
					if solve3(&index, &rows[i], &rows[j], &c.x) {
						s.offer(best, &c, rows[:m])
					}
				}
			}
		}
	}
}

// leastAmount is the least of a binder that is worth adding, g.
const leastAmount = 1.

func (s *space) offer(best *board, c *corner, rows []row) {
	for i := range c.n {
		if !(c.x[i] >= leastAmount && c.x[i] <= s.base.Mass) {
			return
		}
	}
	for i := range rows[2:] {
		r := &rows[2+i]
		sum := -r.b
		for j := range c.n {
			sum += r.a[j] * c.x[j]
		}
		if sum < -1e-7*s.base.Mass {
			return
		}
	}
	// Only what some aim would take is worth judging.
	if best.wants(c) && s.holds(c) {
		best.offer(c)
	}
}

// holds says whether the judge of the whole mix is content with the amounts.
func (s *space) holds(c *corner) bool {
	_, judged, ok := s.at(c)
	return ok && judged.RawRatio >= s.r.Target && judged.CookedRatio >= s.r.Target
}

func solve2(r0, r1 *row, x *[maxBinders]float64) bool {
	det := r0.a[0]*r1.a[1] - r0.a[1]*r1.a[0]
	if det > -1e-12 && det < 1e-12 {
		return false
	}
	x[0] = (r0.b*r1.a[1] - r0.a[1]*r1.b) / det
	x[1] = (r0.a[0]*r1.b - r0.b*r1.a[0]) / det
	return true
}

func solve3(r0, r1, r2 *row, x *[maxBinders]float64) bool {
	a, b, c := &r0.a, &r1.a, &r2.a
	m0 := b[1]*c[2] - b[2]*c[1]
	m1 := b[0]*c[2] - b[2]*c[0]
	m2 := b[0]*c[1] - b[1]*c[0]
	det := a[0]*m0 - a[1]*m1 + a[2]*m2
	if det > -1e-14 && det < 1e-14 {
		return false
	}
	e0 := r1.b*c[2] - b[2]*r2.b
	e1 := b[1]*r2.b - r1.b*c[1]
	x[0] = (r0.b*m0 - a[1]*e0 - a[2]*e1) / det
	if x[0] < leastAmount {
		return false // the corner is another subset's
	}
	e2 := b[0]*r2.b - r1.b*c[0]
	x[1] = (a[0]*e0 - r0.b*m1 + a[2]*e2) / det
	x[2] = (a[0]*e1 - a[1]*e2 + r0.b*m2) / det
	return true
}

// A binder that a mix has none of tells from these shares of it on, and what is no gel from
// a spoon, g; less nobody weighs out for its sake.
const (
	leastShare    = .01
	leastGelShare = .002
	leastSpoon    = 3.
)

// least is the least of a candidate that is worth adding, g.
func (s *space) least(w int) float64 {
	switch {
	case s.there[w] > 0:
		return leastAmount
	case s.r.Candidates[w].Food.Group == food.Gel:
		return max(leastAmount, leastGelShare*s.base.Mass)
	}
	return max(leastSpoon, leastShare*s.base.Mass)
}
