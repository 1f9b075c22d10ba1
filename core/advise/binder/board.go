package binder

import (
	"math"
	"slices"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// keep is how many corners of different subsets are kept for each aim, so that
// one whose rounding leaves the band has others behind it.
const keep = 8

// board holds the best corners for each aim.
type board struct {
	r         *Request
	allergens []uint32 // of each candidate, those the base does not have
	price     []float64
	priced    []bool
	have      []bool
	top       [][]corner // by index in Aims, best first
}

func newBoard(r *Request) *board {
	b := &board{r: r, top: make([][]corner, len(Aims))}
	var codes []string
	mask := func(f *food.Food) (m uint32) {
		for _, a := range f.Allergens {
			at := slices.Index(codes, a)
			if at < 0 {
				at = len(codes)
				codes = append(codes, a)
			}
			m |= 1 << at
		}
		return m
	}
	var base uint32
	for _, l := range r.Lines {
		base |= mask(l.Food)
	}
	for _, c := range r.Candidates {
		b.allergens = append(b.allergens, mask(c.Food)&^base)
		b.price = append(b.price, c.PerKilo/1000)
		b.priced = append(b.priced, c.Priced)
		b.have = append(b.have, c.Have)
	}
	return b.fresh()
}

// fresh gives an empty board for the same request.
func (b *board) fresh() *board {
	f := *b
	f.top = make([][]corner, len(Aims))
	for i := range f.top {
		f.top[i] = make([]corner, 0, keep+1)
	}
	return &f
}

func (b *board) join(o *board) {
	for i, list := range o.top {
		for j := range list {
			b.insert(i, &list[j])
		}
	}
}

// offer enters a corner under every aim it qualifies for.
func (b *board) offer(c *corner) {
	for i, aim := range Aims {
		if worth, ok := b.worth(aim, c); ok {
			c.worth = worth
			b.insert(i, c)
		}
	}
}

// wants says whether an aim has room for the corner, or worse ones.
func (b *board) wants(c *corner) bool {
	for i, aim := range Aims {
		if worth, ok := b.worth(aim, c); ok && (len(b.top[i]) < keep || worth < b.top[i][keep-1].worth) {
			return true
		}
	}
	return false
}

func (b *board) insert(aim int, c *corner) {
	list := b.top[aim]
	if len(list) == keep && c.worth >= list[keep-1].worth {
		return
	}
	for i := range list {
		if list[i].who == c.who && list[i].n == c.n && list[i].from == c.from {
			if list[i].worth <= c.worth {
				return
			}
			list = slices.Delete(list, i, i+1)
			break
		}
	}
	at := len(list)
	for at > 0 && list[at-1].worth > c.worth {
		at--
	}
	list = slices.Insert(list, at, *c)
	b.top[aim] = list[:min(len(list), keep)]
}

// worth is what an aim minimises; false where the corner does not qualify.
func (b *board) worth(aim Aim, c *corner) (float64, bool) {
	s := c.from
	grams := 0.
	for i := range c.n {
		grams += c.x[i]
	}
	if grams > most*s.base.Mass {
		return 0, false
	}
	grams += extraBinder*float64(c.n-1) + 0.02*s.water + perMinute*max(0, s.rest.Minutes-b.r.Rest.Minutes)
	if (aim == DryFirst) != (s.dry != nil) {
		return 0, false
	}
	quick := s.rest.Minutes <= noWait
	if aim == NoWaiting {
		return grams, quick
	}
	if quick && b.r.Rest.Minutes > noWait {
		return 0, false
	}
	switch aim {
	case FromPantry:
		return grams, b.all(c, func(w int) bool { return b.have[w] })
	case NoLegumeTaste:
		return grams, b.all(c, func(w int) bool { return !s.legume[w] })
	case LowestCost:
		money := 0.
		for i := range c.n {
			money += c.x[i] * b.price[c.who[i]]
		}
		return money, b.all(c, func(w int) bool { return b.priced[w] })
	case FewestAllergens:
		var m uint32
		for i := range c.n {
			m |= b.allergens[c.who[i]]
		}
		count := 0.
		for ; m != 0; m &= m - 1 {
			count++
		}
		return 1e6*count + grams, true
	case MostTender:
		// The set cohesion; more binder must not be a way to thin the glue.
		e := s.sum(c)
		_, set := e.Cohesion()
		return set/b.r.Duty.Need.Cooked + 10*grams/e.Mass, true
	}
	return grams, true
}

func (b *board) all(c *corner, ok func(who int) bool) bool {
	for i := range c.n {
		if !ok(c.who[i]) {
			return false
		}
	}
	return true
}

// suggestions rounds the best of each aim to what a cook can measure.
func (b *board) suggestions() []Suggestion {
	var out []Suggestion
	for i, aim := range Aims {
		var best *Suggestion
		least := math.Inf(1)
		for j := range b.top[i] {
			c := b.top[i][j]
			if c.worth >= least {
				break
			}
			rounded, ok := b.round(aim, c)
			if ok {
				b.spare(aim, &rounded)
			}
			if ok && rounded.worth < least {
				if s, ok := b.suggest(aim, &rounded); ok {
					best, least = &s, rounded.worth
				}
			}
		}
		if best != nil && !slices.ContainsFunc(out, best.same) {
			out = append(out, *best)
		}
	}
	return out
}

// same says whether another suggestion asks for the same, and for no longer a
// rest.
func (s *Suggestion) same(o Suggestion) bool {
	return slices.Equal(s.Add, o.Add) && s.Rest.Minutes >= o.Rest.Minutes && (s.Dry == nil) == (o.Dry == nil)
}

// round finds the measurable amounts nearest a corner that keep every
// condition, the best by the aim.
func (b *board) round(aim Aim, c corner) (corner, bool) {
	var choices [maxBinders][4]float64
	for i := range c.n {
		step := stepAt(c.x[i])
		low := step * math.Floor(c.x[i]/step)
		choices[i] = [4]float64{low, low + step, low + 2*step, low - step}
	}
	found, best := false, c
	best.worth = math.Inf(1)
	var try func(i int, at corner)
	try = func(i int, at corner) {
		if i == at.n {
			q, ok := at.from.fits(&at)
			if !ok {
				return
			}
			at.q = q
			if worth, ok := b.worth(aim, &at); ok && worth < best.worth {
				at.worth = worth
				best, found = at, true
			}
			return
		}
		for _, g := range choices[i] {
			if g >= c.from.least(c.who[i]) {
				at.x[i] = g
				try(i+1, at)
			}
		}
	}
	try(0, c)
	return best, found
}

// spare takes away what a rounded corner does not need, a step at a time: the cohesion it
// was found at may be more than its piece asks.
func (b *board) spare(aim Aim, c *corner) {
	for better := true; better; {
		better = false
		for i := range c.n {
			less := *c
			if less.x[i] -= stepAt(c.x[i] - 1); less.x[i] < c.from.least(c.who[i]) {
				continue
			}
			q, ok := less.from.fits(&less)
			if !ok {
				continue
			}
			if worth, ok := b.worth(aim, &less); ok && worth < c.worth {
				less.q, less.worth = q, worth
				*c, better = less, true
			}
		}
	}
}

// fits says whether the amounts keep every condition exactly, and the index.
func (s *space) fits(c *corner) (float64, bool) {
	e := s.sum(c)
	for i := range c.n {
		w := c.who[i]
		if s.there[w]+c.x[i] > s.allowed[w]*e.Mass {
			return 0, false
		}
	}
	q, ok := e.Index()
	return q, ok && s.r.Duty.Band.Holds(q) && s.holds(c)
}

// suggest works the rounded corner out in full, and refuses one that the full
// mix does not bear out.
func (b *board) suggest(aim Aim, c *corner) (Suggestion, bool) {
	s, r := c.from, b.r
	out := Suggestion{Aim: aim, Dry: s.dry, Rest: s.rest}
	parts := slices.Clone(s.parts)
	out.Priced = true
	add := func(f *food.Food, grams float64) {
		out.Add = append(out.Add, Amount{f, grams})
		l := mix.Line{Food: f, Grams: grams}
		parts = append(parts, l.Part())
	}
	for i := range c.n {
		w := c.who[i]
		add(r.Candidates[w].Food, c.x[i])
		out.Price += c.x[i] * b.price[w]
		out.Priced = out.Priced && b.priced[w]
	}
	if s.water > 0 {
		add(water(), s.water)
	}
	state := mix.AssessParts(parts, s.rest)
	judged := state.Effect.Judge(&r.Duty, r.Coldness)
	out.Q, out.Raw, out.Cooked, out.Chance = state.Q, judged.RawRatio, judged.CookedRatio, judged.Chance()
	const hair = 0.999 // the salt of a binder may shift the glue of raw meat by as much
	return out, r.Duty.Band.Holds(state.Q) && out.Raw >= hair*r.Target && out.Cooked >= hair*r.Target
}

func water() *food.Food { return food.Starter().Find("water") }
