package compose

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

// Proposal is one answer to an ask: a whole build, with how well it holds and what it takes to make it.
type Proposal struct {
	Document document.Document
	// Chance is what package predict says of the document, Low what nine in ten such builds reach, Eat how good it is to eat: 0..1.
	Chance, Low, Eat float64
	// HandsMinutes are those that somebody stands there, Minutes all until the table.
	HandsMinutes, Minutes float64
	// Buy are foods that were not named and are not at hand, Uses what of the musts goes in, Left what stays of them, g.
	Buy, Uses, Left []Amount
	// Before is what has to be soaked and boiled first, which Minutes leave out.
	Before []Beforehand
	// Why are codes of what makes it hold: sets-hot, drinks, gel, sticks, squeezed, dried, meat, cold.
	Why []string
	// LessSure says that it is proposed beside mixes that are sure to hold, though it is not as sure: there were too few of those.
	LessSure bool
}

// Beforehand tells how a dry food is made ready before the mix is begun: for how many hours it is soaked, and for how many minutes
// it is boiled then. Either may be 0.
type Beforehand struct {
	Food                   string
	Grams                  float64 // dry
	SoakHours, BoilMinutes float64
}

// Missing is a food that would make mixes possible.
type Missing struct {
	Food  string
	Grams float64
	Mixes int
}

// Answer is what an ask comes to.
type Answer struct {
	Proposals []Proposal
	// Late says that what has to go in dry cannot be soaked and boiled in the time that was asked for: the mixes take longer.
	Late bool
	// Nearest says that none of them is sure to hold: they are the nearest to it.
	Nearest bool
	// LookedAt is how many builds were judged.
	LookedAt int
	Missing  []Missing
}

const (
	// mostShown are proposed.
	mostShown = 6
	// fewest are filled up with mixes that are less sure to hold, so that a cook has something to choose from.
	fewest = 3
	// A mix is proposed from this chance on, what nine in ten reach, and how it eats.
	leastChance, leastLow, leastEat = .72, .5, .58
	// Where nothing reaches that, what nine in ten reach may be this low: two or three in ten such mixes fall apart, and the
	// chance beside it says so.
	nearLow = .38
	// Nor does anything reach that: what is as likely to hold, or takes so many times as long as there is time.
	farChance, farLow, farTimes = .6, .25, 2.5
	// aboutInTime is how far the minutes of a mix may go beyond those that there are, a factor: nobody's supper is late for that.
	aboutInTime = 1.08
	// mostRefined are refined, of which so many may have the same base and binder.
	mostRefined, mostAlike, mostOfBase = 36, 1, 6
)

// Compose proposes mixes for an ask, the best first and as unlike as they can be. It ends early, with nothing to be used, once
// done is closed; nil never is. An error is a *Fault.
func Compose(k *kitchen.Kitchen, a *Ask, done <-chan struct{}) (Answer, error) {
	if err := a.check(k); err != nil {
		return Answer{}, err
	}
	c := &composer{ask: a, k: k, stock: stockOf(a, k), done: done}
	late := false
	if before := c.stock.beforehand(); before > 0 && a.Minutes > 0 {
		less := *a
		if less.Minutes -= before; less.Minutes < leastMinutes {
			late, less.Minutes = true, 0
		}
		c.ask = &less
	}
	if musts := c.stock.musts(body); len(musts) > 1 {
		for i := range musts {
			for j := range i {
				if neverTogether(family(musts[i]), family(musts[j])) {
					return Answer{}, &Fault{"must-apart", musts[i].ID}
				}
			}
		}
	}
	if id := c.stock.unused(); id != "" {
		return Answer{}, &Fault{"must-unused", id}
	}
	bases := c.stock.bases()
	if len(bases) == 0 && a.Kind == "" { // a vegetable alone is fritters
		asFritters := *c.ask
		asFritters.Kind = piece.Fritter
		c.ask, c.stock.kind = &asFritters, piece.Fritter
		bases = c.stock.bases()
	}
	if len(bases) == 0 {
		return Answer{}, &Fault{"no-body", ""}
	}
	out := Answer{Proposals: []Proposal{}, Missing: []Missing{}}
	good, near := c.good(bases)
	shown := c.unlike(nil, good, mostShown)
	sure := len(shown)
	if sure < fewest {
		shown = c.unlike(shown, near, fewest)
	}
	for i, l := range shown {
		p := c.proposal(l)
		p.LessSure = sure > 0 && i >= sure
		out.Proposals = append(out.Proposals, p)
	}
	out.Late = late && len(shown) > 0
	if out.Nearest = sure == 0 && len(shown) > 0; !a.Any && sure < fewest {
		out.Missing = c.missing(sure)
	}
	out.LookedAt = c.count
	return out, nil
}

// skeleton is what makes two mixes the same at first sight.
type skeleton struct {
	body, other, binder *food.Food
	heat                method.Method
}

// good are the refined builds that hold and are worth eating, and near those that come nearest to it, each the best first.
func (c *composer) good(bases []base) (out, near []looked) {
	first := c.first(bases)
	slices.SortStableFunc(first, func(x, y looked) int { return cmp.Compare(y.score, x.score) })
	alike, ofBase := map[skeleton]int{}, map[[2]*food.Food]int{}
	var far []looked
	for _, l := range first {
		pair := [2]*food.Food{l.base[0], l.base[len(l.base)-1]}
		key := skeleton{l.base[0], l.base[len(l.base)-1], l.binder, l.heat}
		if alike[key] >= mostAlike || len(out) >= mostRefined || ofBase[pair] >= max(mostOfBase, mostRefined/len(bases)) {
			continue
		}
		alike[key]++
		ofBase[pair]++
		if c.ended() {
			return nil, nil
		}
		switch l = c.refine(l); {
		case c.holds(&l, leastChance, leastLow, 1):
			out = append(out, l)
		case c.holds(&l, leastChance, nearLow, 1):
			near = append(near, l)
		case c.holds(&l, farChance, farLow, 1), c.holds(&l, leastChance, nearLow, farTimes):
			far = append(far, l)
		}
	}
	if len(out)+len(near) == 0 {
		near = far
	}
	for _, list := range [][]looked{out, near} {
		slices.SortStableFunc(list, func(x, y looked) int { return cmp.Compare(y.score, x.score) })
	}
	return out, near
}

// sure says that a mix holds with nine in ten cooks.
func (c *composer) sure(l *looked) bool { return l.reaches(leastChance, leastLow) }

// reaches says that a mix holds with a chance, and that nine in ten such builds reach a lower one.
func (l *looked) reaches(chance, low float64) bool { return l.chance >= chance && l.low >= low }

// holds says that a mix has what must go in, is good to eat, holds with a chance and what nine in ten reach, and is on the table
// within a multiple of the time that there is.
func (c *composer) holds(l *looked, chance, low, times float64) bool {
	return c.stock.hasMusts(&l.doc) && l.reaches(chance, low) && l.eat >= leastEat &&
		(c.ask.Minutes == 0 || minutes(&l.doc) <= times*c.ask.Minutes*aboutInTime)
}

// first are the skeletons in usual amounts: every base with every binder and heat, with what goes beside it.
func (c *composer) first(bases []base) (out []looked) {
	kinds := []piece.Kind{c.ask.Kind}
	if c.ask.Kind == "" {
		kinds = []piece.Kind{piece.Patty, piece.Ball, piece.Loaf}
	}
	for _, b := range bases {
		for _, kind := range kinds {
			for _, heat := range heats(kind, c.ask) {
				for _, beside := range c.beside(b) {
					for _, bound := range c.binders(b, kind, heat) {
						if c.ended() {
							return nil
						}
						p := plan{kind: kind, heat: heat, base: b, ways: make([]int, len(b)), items: beside, binder: bound[0], with: bound[1], level: .5, rest: 15}
						if r, _ := roleOf(b[0]); kind == piece.Fritter && r.role == veg && bound[0] != nil {
							p.water = .08
						}
						if p.ofBread() {
							p.water = .3
						}
						if l, ok := c.look(p); ok {
							out = append(out, l)
						}
					}
				}
			}
		}
	}
	return out
}

// savouries are what gives depth to a base of a family, the first at hand; "batter" is what goes into that of fritters.
var savouries = map[string][]string{
	"fish": {"lemon-juice", "mustard", "capers", "soy-sauce", "tamari"}, "meat": {"mustard", "tomato-paste", "worcester-style-sauce"},
	"bean": {"tomato-paste", "tamari", "soy-sauce"}, "soy": {"tamari", "soy-sauce", "miso"}, "root": {"mustard", "nutritional-yeast", "miso"},
	"cheese": {"mustard", "lemon-juice"}, "batter": {"tamari", "soy-sauce", "miso"},
	"": {"tomato-paste", "tamari", "soy-sauce", "mustard", "miso", "nutritional-yeast", "ketchup"},
}

// savouriesOf are those of what a base is called by.
func (c *composer) savouriesOf(b base) []string {
	of := family(b[0])
	switch {
	case c.stock.kind == piece.Fritter:
		of = "batter"
	case of == "bean" || of == "meat" || of == "soy" || savouries[of] == nil:
		return slices.Concat(savouries[of], savouries[""])
	}
	return savouries[of]
}

// beside are the sets of foods that go with a base: what must, an onion, a vegetable, something savoury and something that seasons;
// with and without what makes it rich.
func (c *composer) beside(b base) (out [][]item) {
	fits := func(f *food.Food) bool {
		batter := c.stock.kind == piece.Fritter && (family(f) == "nut" || family(f) == "meat") // nobody fries them who was not asked to
		return !batter && (family(f) != sweet || c.stock.asked[f.ID]) && !slices.ContainsFunc(b, func(o *food.Food) bool { return o == f || apart(family(o), family(f)) })
	}
	var musts, core []item
	taken := map[*food.Food]bool{}
	for _, r := range []role{veg, grain, rich, savoury, season} {
		for _, f := range c.stock.musts(r) {
			if !slices.Contains(b, f) {
				musts, taken[f] = append(musts, item{food: f, at: .5}), true
			}
		}
	}
	take := func(r role, n int, ids ...string) (found []item) {
		for _, id := range ids {
			for _, f := range c.stock.by[r] {
				if f.ID == id && !taken[f] && fits(f) && len(found) < n {
					found, taken[f] = append(found, item{food: f, at: .4}), true
				}
			}
		}
		for _, f := range c.stock.by[r] {
			if !taken[f] && fits(f) && len(found) < n && len(ids) == 0 {
				found, taken[f] = append(found, item{food: f, at: .4}), true
			}
		}
		return found
	}
	core = append(core, take(veg, 1, "onion", "spring-onion", "leek", "shallot")...)
	core = append(core, take(season, 1, "garlic")...)
	core = append(core, take(season, 1, "parsley", "coriander", "fresh-herbs")...)
	if len(c.stock.musts(savoury)) == 0 {
		core = append(core, take(savoury, 1, c.savouriesOf(b)...)...)
	}
	plain := slices.Concat(musts, core)
	out = append(out, plain)
	if len(c.stock.musts(veg)) == 0 {
		if more := take(veg, 1); len(more) > 0 {
			out = append(out, slices.Concat(plain, more))
		}
	}
	if len(c.stock.musts(rich)) == 0 {
		if more := take(rich, 1); len(more) > 0 {
			out = append(out, slices.Concat(plain, more))
		}
	}
	return out
}

// binders are none, each that fits, and pairs that belong together.
func (c *composer) binders(b base, kind piece.Kind, heat method.Method) (out [][2]*food.Food) {
	usual := piece.Usual(kind)
	d := document.Document{Format: document.Format, Piece: &usual, Cook: &document.Cook{Method: heat}}
	for _, f := range b {
		d.Lines = append(d.Lines, document.Line{Food: f.ID, Grams: 100})
	}
	out = append(out, [2]*food.Food{})
	for _, f := range c.stock.binds {
		_, _, with, ok := advise.Usual(c.k, &d, f)
		if nuts := f.Group == food.NutBinder && slices.ContainsFunc(b, func(o *food.Food) bool { return apart(family(o), "nut") }); !ok || nuts {
			continue
		}
		out = append(out, [2]*food.Food{f, nil})
		for _, id := range with {
			if at := slices.IndexFunc(c.stock.binds, func(o *food.Food) bool { return o.ID == id }); at >= 0 {
				out = append(out, [2]*food.Food{f, c.stock.binds[at]})
			}
		}
	}
	return out
}

// refine takes one step after another to a better build, each with the whole judge, until none is left.
func (c *composer) refine(l looked) looked {
	for range 3 {
		before := l.score
		try := func(change func(*plan)) {
			next := l.plan
			next.items, next.ways = slices.Clone(l.items), slices.Clone(l.ways)
			change(&next)
			n, ok := c.look(next)
			if was, is := c.sure(&l), c.sure(&n); ok && (is && !was || is == was && n.score > l.score+1e-9) {
				l = n // first it has to hold, then all of what must go in is used
			}
		}
		if l.binder != nil {
			for _, level := range []float64{0, .25, .5, .75, 1} {
				try(func(p *plan) { p.level = level })
			}
		}
		if len(l.base) > 1 {
			for _, more := range []float64{1, 1.15, 1.3, 1.5} {
				try(func(p *plan) { p.more = more })
			}
		}
		for i := range l.ways {
			r, _ := roleOf(l.base[i])
			for way := range r.ways {
				try(func(p *plan) { p.ways[i] = way })
			}
		}
		if l.water > 0 {
			levels := []float64{0, .04, .08, .12, .18}
			if l.ofBread() {
				levels = []float64{.2, .25, .3, .35, .4}
			}
			for _, water := range levels {
				try(func(p *plan) { p.water = water })
			}
		}
		for _, rest := range []float64{0, 10, 15, 20, 30} {
			try(func(p *plan) { p.rest = rest })
		}
		for _, chill := range []float64{0, 30} {
			try(func(p *plan) { p.chill = chill })
		}
		for i := range l.items {
			for _, at := range []float64{0, .4, .8} {
				try(func(p *plan) { p.items[i].at = at })
			}
			r, _ := roleOf(l.items[i].food)
			for way := 1; way < len(r.ways); way++ {
				try(func(p *plan) { p.items[i].way = way })
			}
		}
		if l.score == before {
			break
		}
	}
	return l
}

// unlike adds the best of some mixes to those that were picked before, up to a number: each differs in base, binder or heat from
// those before it.
func (c *composer) unlike(picked, good []looked, most int) []looked {
	out := picked
	for len(out) < most {
		best, at := math.Inf(-1), -1
		for i := range good {
			near := 0.
			for j := range out {
				near = max(near, likeness(&good[i], &out[j]))
			}
			if near > .8 {
				continue
			}
			if v := good[i].score - .55*near; v > best {
				best, at = v, i
			}
		}
		if at < 0 || len(out) > 2 && good[at].score < .6*out[0].score {
			break
		}
		out = append(out, good[at])
	}
	return out
}

// likeness of two builds, 0..1.
func likeness(a, b *looked) float64 {
	v := 0.
	if slices.Equal(a.base, b.base) {
		v += .4
	} else if a.base[0] == b.base[0] {
		v += .3
	}
	if a.binder == b.binder && a.with == b.with {
		v += .35
	}
	if a.heat == b.heat && a.kind == b.kind {
		v += .1
	}
	same := 0
	for i := range a.items {
		if slices.ContainsFunc(b.items, func(o item) bool { return o.food == a.items[i].food }) {
			same++
		}
	}
	return v + .15*float64(same)/float64(max(1, len(a.items), len(b.items)))
}

// proposal tells a build with its times and what it takes.
func (c *composer) proposal(l looked) Proposal {
	said := predict.Predict(&l.doc, c.k) // the number is the one that the Bench shows
	p := Proposal{
		Document: l.doc, Chance: said.Chance, Low: said.ChanceLow, Eat: said.Eat,
		Buy: []Amount{}, Uses: []Amount{}, Left: []Amount{}, Before: []Beforehand{}, Why: c.why(&l),
	}
	baked := bake.Bake(&l.doc, c.k, bake.Options{})
	for i := range baked.Steps {
		p.Minutes = max(p.Minutes, baked.Steps[i].Before)
		if baked.Steps[i].Hands && !baked.Steps[i].Beside {
			p.HandsMinutes += baked.Steps[i].Minutes
		}
	}
	p.Minutes, p.HandsMinutes = math.Round(p.Minutes), math.Round(p.HandsMinutes)
	used := map[string]float64{}
	for i := range l.doc.Lines {
		used[l.doc.Lines[i].Food] += l.doc.Lines[i].Grams
	}
	for id, must := range c.stock.must {
		if g := used[id]; g > 0 {
			p.Uses = append(p.Uses, Amount{id, g})
			if y, ok := c.stock.dry[id]; ok {
				p.Before = append(p.Before, Beforehand{y.Dry.ID, math.Round(g / y.Factor), y.SoakHours, y.BoilMinutes})
			}
			if must > g+.5 {
				p.Left = append(p.Left, Amount{id, math.Round(must - g)})
			}
		}
	}
	for i := range l.doc.Lines {
		id := l.doc.Lines[i].Food
		if _, must := c.stock.must[id]; must || slices.Contains(c.ask.May, id) || slices.Contains(always, id) || c.k.Have(id) {
			continue
		}
		p.Buy = append(p.Buy, Amount{id, l.doc.Lines[i].Grams})
	}
	slices.SortFunc(p.Before, func(x, y Beforehand) int { return cmp.Compare(x.Food, y.Food) })
	for _, list := range [][]Amount{p.Uses, p.Left} {
		slices.SortFunc(list, func(x, y Amount) int { return cmp.Compare(x.Food, y.Food) })
	}
	return p
}

// why says by what a build holds.
func (c *composer) why(l *looked) (out []string) {
	add := func(code string) {
		if !slices.Contains(out, code) {
			out = append(out, code)
		}
	}
	for _, f := range []*food.Food{l.binder, l.with} {
		if f == nil {
			continue
		}
		switch {
		case f.Group == food.Gel:
			add("gel")
		case f.Group == food.GrainBinder || f.Group == food.NutBinder:
			add("drinks")
		case f.Group == food.LegumeBinder || f.GlueHot > f.GlueCold:
			add("sets-hot")
		default:
			add("sticks")
		}
	}
	for i := range l.doc.Lines {
		for _, p := range l.doc.Lines[i].Prep {
			switch p.Do {
			case food.Press:
				add("squeezed")
			case food.OvenDry, food.Roast:
				add("dried")
			case food.Mash:
				add("sticks")
			}
		}
		if c.k.Foods.Find(l.doc.Lines[i].Food).IsRawMeat() {
			add("meat")
		}
	}
	if l.doc.Chill != nil {
		add("cold")
	}
	return out
}

// wished are foods that make most mixes possible, with what a recipe takes of them, g.
var wished = []Amount{{"chickpea-flour", 60}, {"oats-rolled", 70}, {"flax-meal", 20}, {"potato-mashed", 250}, {"lentils-cooked", 400}, {"chickpeas-canned", 400}, {"rice-cooked", 200}, {"psyllium-husk", 8}, {"walnuts", 60}}

// missing finds the foods of which one alone, if it were at hand, would make more mixes possible than there are now.
func (c *composer) missing(now int) (out []Missing) {
	out = []Missing{}
	for _, w := range wished {
		f := c.k.Foods.Find(w.Food)
		if c.ended() || f == nil || slices.Contains(c.ask.May, w.Food) || c.stock.must[w.Food] > 0 ||
			c.ask.Eaters.Table().Check(f, c.k.LabelRead(f.ID)).Status != eaters.Clear {
			continue
		}
		more := *c.ask
		more.May = append(slices.Clone(c.ask.May), w.Food)
		next := &composer{ask: &more, k: c.k, stock: stockOf(&more, c.k), done: c.done}
		good, _ := next.good(next.stock.bases())
		n := len(next.unlike(nil, good, mostShown))
		c.count += next.count
		if n > now {
			out = append(out, Missing{w.Food, w.Grams, n})
		}
	}
	slices.SortStableFunc(out, func(x, y Missing) int { return cmp.Compare(y.Mixes, x.Mixes) })
	return out[:min(3, len(out))]
}
