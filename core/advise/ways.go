package advise

import (
	"cmp"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

// Kind is what a way works by.
type Kind string

// The kinds of way.
const (
	Gel      Kind = "gel"
	Flour    Kind = "flour" // flours and flakes of grain and legumes
	Starch   Kind = "starch"
	Root     Kind = "root" // mashed, cooked roots and tubers
	NutMeal  Kind = "nut-meal"
	Several  Kind = "several" // binders of more than one kind
	Work     Kind = "work"    // what hands, time and cold do, and what is left out: no binder
	NoChange Kind = "none"
)

// Kinds lists every kind.
var Kinds = []Kind{Gel, Flour, Starch, Root, NutMeal, Several, Work, NoChange}

// kindOf is the kind of a food as a binder; "" for others.
func kindOf(f *food.Food) Kind {
	switch {
	case f.Group == food.Gel:
		return Gel
	case f.Group == food.GrainBinder || f.Group == food.LegumeBinder:
		return Flour
	case f.Group == food.Starch:
		return Starch
	case f.Group == food.NutBinder:
		return NutMeal
	case f.Group == food.Vegetable || f.Group == food.Legume:
		return Root
	}
	return ""
}

// kind is what a build's moves work by.
func (s *search) kind(st *state) Kind {
	if len(st.moves) == 0 {
		return NoChange
	}
	for i := range st.moves {
		if m := &st.moves[i]; m.Code == AddBinder {
			kind := kindOf(s.k.Foods.Find(m.Food))
			if m.With != "" && kindOf(s.k.Foods.Find(m.With)) != kind {
				return Several
			}
			return kind
		}
	}
	return Work
}

const (
	// mostWays are shown.
	mostWays = 8
	// A way eats no worse than leastEat, and is no worse than nearBest of the best in what nine in ten reach times how it
	// eats: what is below is told of nobody.
	leastEat = .62
	nearBest = .72
	// A binder goes no farther than that beyond what is usual, as a share of it.
	mostExcess = .35
	// What drinks and binds goes no farther than that beyond where it tastes of itself, per cent of it, but for a mix that is
	// brought a good part of the way back.
	mostTaste = 140.
	// mostFit are looked through for kinds and aims.
	mostFit = 400
	// surerBy is how much surer a change must make a mix that holds already, or how much better to eat.
	surerBy = .03
)

func sortedByWorth(all []*state) []*state {
	out := slices.Clone(all)
	slices.SortStableFunc(out, func(a, b *state) int { return cmp.Compare(b.worth, a.worth) })
	return out
}

// chooser picks the ways to show.
type chooser struct {
	*search
	d        *document.Document
	gone     []document.Line
	all      []*state
	now      *state // the document as it is
	replaced bool
}

// writable says whether every amount of a build is one that a document takes: a move may add to a line that is near the
// most already.
func (s *state) writable() bool {
	return !s.of.heavy || !slices.ContainsFunc(s.document().Lines, func(l document.Line) bool { return l.Grams > document.MaxGrams })
}

// sorted are the builds that can be written down, the best first.
func (c *chooser) sorted() []*state {
	return slices.DeleteFunc(sortedByWorth(c.all), func(st *state) bool { return !st.writable() })
}

// fit are the builds that hold and are worth eating, the best first.
func (c *chooser) fit() []*state {
	holds := c.holds(c.now)
	var out []*state
	for _, st := range c.sorted() {
		switch {
		case !c.holds(st), st.eat < leastEat, st.excess > mostExcess, len(c.named) == 0 && c.taste(st) > max(mostTaste, c.taste(c.now)/2):
		case !c.replaced && holds && len(st.moves) > 0 && st.judged.Chance() < c.now.judged.Chance()+surerBy && st.eat < c.now.eat+surerBy:
		default:
			out = append(out, st)
		}
	}
	if len(out) > 0 {
		best := 0.
		for _, st := range out[:min(5, len(out))] {
			best = max(best, st.good())
		}
		out = slices.DeleteFunc(out, func(st *state) bool { return st.good() < nearBest*best })
	}
	return out[:min(mostFit, len(out))]
}

// chosen are the ways to show: the best, then the best of each kind, then the best at what an aim asks.
func (c *chooser) chosen(only Aim) []Way {
	fit := c.fit()
	out := []Way{}
	take := func(st *state, aim Aim) bool {
		w := c.way(st)
		if w.idle() {
			return false
		}
		same := slices.IndexFunc(out, func(o Way) bool { return sameBuild(&o, &w) })
		switch {
		case same >= 0 && out[same].Aim == "":
			out[same].Aim = aim
		case same < 0 && len(out) < mostWays && c.kept(&w):
			w.Aim = aim
			out = append(out, w)
		default:
			return same >= 0
		}
		return true
	}
	aimed := func(aim Aim) {
		// What the best way does as well is no reason for another.
		if len(fit) > 0 && only == "" && !slices.Contains([]Aim{LeastBinder, NoWaiting, FromPantry}, aim) {
			best := c.best(fit, aim)
			first, ok := c.cost(fit[0], aim)
			if len(best) > 0 && ok {
				if least, _ := c.cost(best[0], aim); first <= least*1.05+1e-9 {
					return
				}
			}
		}
		for _, st := range c.best(fit, aim) {
			if take(st, aim) {
				return
			}
		}
	}
	if only != "" {
		aimed(only)
		return out
	}
	kinds := map[Kind]int{}
	for _, st := range fit {
		if kind := c.kind(st); kinds[kind] >= 0 && kinds[kind] < mostTried {
			if kinds[kind]++; take(st, "") {
				kinds[kind] = -1
			}
		}
	}
	for _, aim := range Aims {
		aimed(aim)
	}
	slices.SortStableFunc(out, func(a, b Way) int { return cmp.Compare(b.state.worth, a.state.worth) })
	return out
}

// kept says whether a way is what the search took it for: the whole judge bears it out.
func (c *chooser) kept(w *Way) bool {
	const hair = .97 // the search takes the duty of a loaf, and the time in hands, from its mass before the moves
	return w.inBand && w.RawRatio >= hair*c.target && w.CookedRatio >= hair*c.target
}

// idle says whether a move of the way gains next to nothing beside the others.
func (w *Way) idle() bool {
	const leastGain = 1.5 // points
	return len(w.Moves) > 1 && slices.ContainsFunc(w.Moves, func(m Move) bool { return m.Gain < leastGain && m.Code != Panade })
}

// mostTried are worked out of a kind, or for an aim, to find one in which every move counts.
const mostTried = 6

// best are the best of the builds at an aim, the best first; of those that are as good at it, the one worth most.
func (c *chooser) best(fit []*state, aim Aim) []*state {
	costs := map[*state]float64{}
	var out []*state
	for _, st := range fit {
		if cost, ok := c.cost(st, aim); ok {
			costs[st] = cost
			out = append(out, st)
		}
	}
	slices.SortStableFunc(out, func(a, b *state) int { return cmp.Compare(costs[a], costs[b]) })
	return out[:min(mostTried, len(out))]
}

// cost is what an aim wants least of; false where a build does not qualify.
func (c *chooser) cost(st *state, aim Aim) (float64, bool) {
	add := c.additions(st)
	grams := 0.
	for _, a := range add {
		if a.Food != "water" {
			grams += a.Grams
		}
	}
	all := func(ok func(f *food.Food) bool) bool {
		for _, a := range add {
			if !ok(c.k.Foods.Find(a.Food)) {
				return false
			}
		}
		return true
	}
	switch aim {
	case LeastBinder:
		return grams, true
	case NoWaiting:
		return 0, waitOf(st.document()) <= min(waitOf(c.d), quickMinutes)
	case FromPantry:
		return 0, len(add) > 0 && all(func(f *food.Food) bool { return c.k.Have(f.ID) || f.ID == "water" })
	case MostTender:
		_, set := st.effect.Cohesion()
		return set/max(st.duty.Need.Cooked, 1e-9) - 5*st.eat, true
	case NoLegumeTaste:
		return 0, len(add) > 0 && all(func(f *food.Food) bool { return f.Group != food.LegumeBinder && !f.Is(food.LegumeTaste) })
	case LowestCost:
		return priceOf(c.k, add)
	case FewestAllergens:
		count := 0.
		all(func(f *food.Food) bool { count += float64(len(f.Allergens)); return true })
		return count, len(add) > 0
	case DryFirst:
		return 0, drying(st.moves)
	}
	return 0, true
}

// waitOf is how long a document waits before its heat, min.
func waitOf(d *document.Document) (out float64) {
	if d.Rest != nil {
		out += d.Rest.Minutes
	}
	if d.Chill != nil {
		out += d.Chill.Minutes
	}
	return out
}

// additions are what a build's moves bring in.
func (c *chooser) additions(st *state) (out []Addition) {
	add := func(id string, grams float64) {
		if id != "" && grams > 0 {
			out = append(out, Addition{Food: id, Grams: grams})
		}
	}
	for i := range st.moves {
		switch m := &st.moves[i]; m.Code {
		case AddBinder:
			add(m.Food, m.Now-m.Was)
			add(m.With, m.WithG)
			add(m.Liquid, m.LiquidG)
		case MoreLiquid, SaltMeat:
			add(m.Food, m.Now)
		}
	}
	return out
}

// way works a build out as a way.
func (c *chooser) way(st *state) Way {
	w := Way{Moves: []Move{}, Add: append([]Addition{}, c.additions(st)...), Have: true, Document: tidy(*st.document()), Kind: c.kind(st), LimitPct: c.taste(st), state: st}
	for i := range w.Add {
		f := c.k.Foods.Find(w.Add[i].Food)
		if m, ok := f.Measure(w.Add[i].Grams); ok {
			w.Add[i].Measure = &m
		}
		w.Have = w.Have && (c.k.Have(f.ID) || f.ID == "water")
	}
	if price, known := priceOf(c.k, w.Add); known && len(w.Add) > 0 {
		w.Price = &price
	}
	for _, l := range c.gone {
		if !slices.ContainsFunc(w.Document.Lines, func(k document.Line) bool { return k.Food == l.Food }) {
			w.Drop = append(w.Drop, l.Food)
		}
	}
	for i := range st.moves {
		m := st.moves[i].Move
		without := slices.Delete(slices.Clone(st.moves), i, i+1)
		m.Gain = 100 * (st.good() - st.of.made(without).good())
		w.Moves = append(w.Moves, m)
	}
	slices.SortStableFunc(w.Moves, func(a, b Move) int { return cmp.Compare(b.counts(), a.counts()) })
	w.settle(c.k, c.d)
	return w
}

// counts is what a move is ordered by: what stands in for crumbs and milk first, then a cause that is undone before what
// is added, unless that does far more.
func (m *Move) counts() float64 {
	switch m.Code {
	case Panade:
		return 100
	case AddBinder:
		return m.Gain / 3
	}
	return m.Gain
}

// settle works out what a way changes of the document it is for and what that does: no other figures than those its
// document has once it is taken.
func (w *Way) settle(k *kitchen.Kitchen, d *document.Document) {
	w.Changes, w.Settings = document.Changes(d, &w.Document)
	w.Out = outOf(k, &w.Document)
	w.RestMinutes = w.Document.RestIn(k).Minutes
	w.SavesMinutes = waitOf(d) - waitOf(&w.Document)
	p := predict.Predict(&w.Document, k)
	if p.Q != nil {
		w.Q = *p.Q
	}
	w.Word, w.Chance, w.ChanceRaw, w.ChanceCooked = p.Word, p.Chance, p.ChanceRaw, p.ChanceCooked
	w.RawRatio, w.CookedRatio, w.ChanceLow = p.RawRatio, p.CookedRatio, p.ChanceLow
	w.Eat, w.Costs, w.inBand = p.Eat, p.Costs, p.InBand
}

// outOf are the foods of a document, its parts too, that its table leaves out, each once.
func outOf(k *kitchen.Kitchen, d *document.Document) []string {
	out := []string{}
	t := table(d)
	look := func(lines []document.Line) {
		for i := range lines {
			f := k.Foods.Find(lines[i].Food)
			if t.Check(f, k.LabelRead(f.ID)).Status == eaters.Out && !slices.Contains(out, f.ID) {
				out = append(out, f.ID)
			}
		}
	}
	look(d.Lines)
	for i := range d.Parts {
		look(d.Parts[i].Lines)
	}
	return out
}

func sameBuild(a, b *Way) bool {
	changes, settings := document.Changes(&a.Document, &b.Document)
	return len(changes)+len(settings) == 0
}

// nearest is the build that comes nearest to a way, and what stands in its way.
func (c *chooser) nearest() (*Way, []Obstacle) {
	sorted := c.sorted()
	at := slices.IndexFunc(sorted, func(st *state) bool { return st.excess <= mostExcess && st.effect.HasPaste() })
	if at < 0 {
		return nil, []Obstacle{NoBase}
	}
	st := sorted[at]
	w := c.way(st)
	var out []Obstacle
	if !c.holds(st) {
		switch band := st.duty.Band; {
		case st.judged.Felt > band.To:
			out = append(out, TooWet)
		case st.judged.Felt < band.From:
			out = append(out, TooDry)
		}
		if st.judged.RawRatio < c.target {
			out = append(out, WeakRaw)
		}
		if st.judged.CookedRatio < c.target {
			out = append(out, WeakCooked)
		}
	}
	if st.eat < leastEat {
		out = append(out, EatsBadly)
	}
	if len(w.Changes)+len(w.Settings) == 0 {
		return nil, out
	}
	return &w, out
}

// becomes is what the mix can be made into as it is, without moves.
func (c *chooser) becomes() (out []Becomes) {
	base := c.all[0]
	if !base.effect.HasPaste() {
		return []Becomes{Soup}
	}
	holdsAs := func(p piece.Piece, m method.Method) bool {
		next := tidy(*base.document())
		celsius := m.Row().Celsius
		next.Piece, next.Cook, next.Chill = &p, &document.Cook{Method: m, Celsius: &celsius}, nil
		st := c.weigh(next, nil)
		return c.holds(st) && st.eat >= leastEat
	}
	kind := base.document().PieceOrDefault().Kind
	if !kind.IsLoaf() && holdsAs(piece.Usual(piece.Loaf), method.StillOven) {
		out = append(out, TinLoaf)
	}
	if kind != piece.Stuffing && holdsAs(piece.Usual(piece.Stuffing), method.StillOven) {
		out = append(out, Filling)
	}
	if kind != piece.Fritter && holdsAs(piece.Usual(piece.Fritter), method.Pan) {
		out = append(out, Fritters)
	}
	if len(out) > 0 {
		return out
	}
	if base.effect.Chunk < .3*base.effect.Mass && base.judged.Felt < mix.Zones[len(mix.Zones)-1].From {
		return []Becomes{Spread}
	}
	return []Becomes{Soup}
}
