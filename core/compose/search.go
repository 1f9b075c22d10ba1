package compose

import (
	"math"
	"slices"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// item is one food of a plan, at a place between the least and the most that is usual of it.
type item struct {
	food *food.Food
	way  int
	at   float64 // 0 the least that is usual, 1 the most
}

// plan is a mix before its amounts are worked out.
type plan struct {
	kind        piece.Kind
	heat        method.Method
	base        base
	ways        []int // of the base
	items       []item
	binder      *food.Food
	with        *food.Food // that it is paired with
	level       float64
	more        float64 // how many times what the portions want the mix comes to, so that there is more beside what must go in
	water       float64 // that makes a batter of the flour, or moistens the bread of a stuffing, a share of the mix
	rest, chill float64
}

// looked is a plan that was judged.
type looked struct {
	plan
	doc document.Document
	// chance that it holds, low what nine in ten such builds reach, eat how good it is to eat.
	chance, low, eat float64
	felt             float64
	band             piece.Band
	score            float64
}

// composer searches for mixes that answer an ask, in this kitchen and for these eaters.
type composer struct {
	ask   *Ask
	k     *kitchen.Kitchen
	stock *stock
	done  <-chan struct{}
	count int // of builds that were judged

	duties   map[document.Cook]map[piece.Kind]mix.Duty
	coldness map[coldKey]float64
}

type coldKey struct {
	kind    piece.Kind
	heat    method.Method
	minutes float64
}

func (c *composer) ended() bool {
	select {
	case <-c.done:
		return true
	default:
		return false
	}
}

// portionG is how much mix one person eats as pieces of each kind, g (kitchen practice).
var portionG = map[piece.Kind]float64{piece.Patty: 150, piece.Ball: 150, piece.Loaf: 180, piece.Cylinder: 140, piece.Fritter: 150, piece.Stuffing: 120}

// wanted is how much mix the portions want, g; 0 where nobody said how many there are.
func (c *composer) wanted(kind piece.Kind) float64 { return portionG[kind] * float64(c.ask.Portions) }

// unusedShare is how much of what must go in does not, a share of each, in all.
func (c *composer) unusedShare(d *document.Document) (out float64) {
	for id, must := range c.stock.must {
		if must > 0 {
			out += max(0, must-gramsIn(d, id)) / must
		}
	}
	return out
}

// gramsIn is how much of a food a build has, g; of all its foods for "".
func gramsIn(d *document.Document, id string) (sum float64) {
	for i := range d.Lines {
		if id == "" || d.Lines[i].Food == id {
			sum += d.Lines[i].Grams
		}
	}
	return sum
}

// Salt and spice of a mix, g per 100 g: kitchen practice.
const saltPct, spicePct = 0.85, 0.45

// mostOver is how much more than the portions want a mix may come to, so that what must go in is used up.
const mostOver = 1.6

// fatOfStuffing is how much butter or oil the bread of a stuffing takes, a share of the mix: kitchen practice, grade C.
const fatOfStuffing = .06

// ofBread says that a mix is built on bread: a stuffing, moistened with stock.
func (p *plan) ofBread() bool { return p.base[0].Group == food.GrainBinder }

// build works out the amounts of a plan on the grid of a kitchen; false where they do not come to a mix.
func (c *composer) build(p *plan) (document.Document, bool) {
	d := document.Document{Format: document.Format, Eaters: c.ask.Eaters, Portions: c.ask.Portions}
	usual := piece.Usual(p.kind)
	d.Piece, d.Cook = &usual, &document.Cook{Method: p.heat}
	if p.rest > 0 {
		d.Rest = &document.Wait{Minutes: p.rest}
	}
	if p.chill > 0 {
		d.Chill = &document.Wait{Minutes: p.chill}
	}
	d.Lines = []document.Line{}
	for _, f := range p.base { // the use of a binder hangs on what the mix is of
		d.Lines = append(d.Lines, document.Line{Food: f.ID, Grams: 100})
	}
	shares := make([]float64, len(p.items))
	others := (saltPct+spicePct)/100 + p.water
	for i := range p.items {
		it := &p.items[i]
		r, _ := roleOf(it.food)
		shares[i] = (r.least + it.at*(r.most-r.least)) / 100
		others += shares[i]
	}
	fat := c.stock.first("butter", "margarine", "olive-oil", "sunflower-oil")
	if p.ofBread() && fat != nil {
		others += fatOfStuffing
	}
	binder, with := 0., 0.
	if p.binder != nil {
		least, most, _, ok := advise.Usual(c.k, &d, p.binder)
		if !ok {
			return d, false
		}
		binder = (least + p.level*(most-least)) / 100
		if p.with != nil {
			l, m, _, ok := advise.Usual(c.k, &d, p.with)
			if !ok {
				return d, false
			}
			binder, with = binder*.7, (l+.3*(m-l))/100*.7
		}
		others += binder*(1+p.binder.GelWater()) + with*(1+waterOf(p.with))
	}
	total, grams, ok := c.amounts(p, others)
	if !ok {
		return d, false
	}
	d.Lines = d.Lines[:0]
	add := func(f *food.Food, g float64, way []food.Preparation) {
		if g = grid(g); g > 0 {
			d.Lines = append(d.Lines, document.Line{Food: f.ID, Grams: g, Prep: suited(way, f)})
		}
	}
	for i, f := range p.base {
		r, _ := roleOf(f)
		g := grid(grams[i])
		if must := c.stock.must[f.ID]; must > 0 && g >= .95*must {
			g = must // all of it, not all but a spoon
		}
		d.Lines = append(d.Lines, document.Line{Food: f.ID, Grams: g, Prep: suited(r.ways[p.ways[i]%len(r.ways)], f)})
	}
	for i := range p.items {
		it := &p.items[i]
		r, _ := roleOf(it.food)
		g := shares[i] * total
		if must := c.stock.must[it.food.ID]; must > 0 {
			g = min(must, c.mostOf(it.food)/100*total)
			if g >= must-.5 {
				d.Lines = append(d.Lines, document.Line{Food: it.food.ID, Grams: must, Prep: suited(r.ways[it.way%len(r.ways)], it.food)})
				continue
			}
		}
		add(it.food, g, r.ways[it.way%len(r.ways)])
	}
	bind := func(f *food.Food, share float64) {
		if f == nil || share <= 0 {
			return
		}
		g := share * total
		if must := c.stock.must[f.ID]; must > 0 {
			g = min(g*1.3, must)
		}
		if water := f.GelWater(); water > 0 {
			add(f, g, []food.Preparation{{Do: food.SoakGel, Minutes: 10}})
			add(c.k.Foods.Find("water"), g*water, nil)
			return
		}
		add(f, g, nil)
	}
	if p.ofBread() {
		add(c.stock.first("broth", "water"), p.water*total, nil)
		if fat != nil {
			add(fat, fatOfStuffing*total, nil)
		}
	} else {
		add(c.k.Foods.Find("water"), p.water*total, nil)
	}
	bind(p.binder, binder)
	bind(p.with, with)
	salt := saltPct
	for i := range d.Lines { // what is salty already
		if f := c.k.Foods.Find(d.Lines[i].Food); f.Salt > 2 {
			salt -= d.Lines[i].Grams / total * f.Salt
		}
	}
	for i, id := range []string{"salt", "dry-spice"} {
		pct := []float64{max(.2, salt), spicePct}[i]
		if f := c.k.Foods.Find(id); c.stock.clear(f) && c.stock.must[id] == 0 {
			add(f, pct/100*total, nil)
		}
	}
	return d, len(d.Lines) <= document.MaxLines
}

func waterOf(f *food.Food) float64 {
	if f == nil {
		return 0
	}
	return f.GelWater()
}

func suited(way []food.Preparation, f *food.Food) []food.Preparation {
	return slices.DeleteFunc(slices.Clone(way), func(p food.Preparation) bool { return !p.Do.Suits(f) })
}

// amounts gives what a mix weighs and the grams of its base.
func (c *composer) amounts(p *plan, others float64) (total float64, grams []float64, ok bool) {
	left := 1 - others
	if left <= .1 {
		return 0, nil, false
	}
	want := c.wanted(p.kind)
	given := 0.
	for _, f := range p.base {
		given += c.stock.must[f.ID]
	}
	for i := range p.items { // a vegetable that must go in brings a mix that can take it
		if must := c.stock.must[p.items[i].food.ID]; must > 0 {
			total = max(total, must/(c.mostOf(p.items[i].food)/100))
		}
	}
	alone := len(p.base) == 1 || c.stock.must[p.base[len(p.base)-1].ID] > 0
	switch {
	case given > 0 && alone:
		total = given / left
	case given > 0:
		r, _ := roleOf(p.base[0])
		total = max(given/min(left*.8, r.most/100), want) * max(1, p.more)
	default:
		if want == 0 {
			want = portionG[p.kind] * 4
		}
		total = max(total, want)
	}
	if want > 0 {
		total = min(total, mostOver*want)
	}
	if len(p.base) == 1 {
		grams = []float64{left * total}
		if given > 0 {
			grams[0] = min(grams[0], given)
		}
	} else {
		rest := left * total
		for i, f := range p.base {
			g := rest * weight(p.base, i)
			if must := c.stock.must[f.ID]; must > 0 {
				g = min(must, left*total)
			} else {
				sum := 0.
				for o := i; o < len(p.base); o++ {
					sum += weight(p.base, o)
				}
				g /= sum
			}
			grams = append(grams, g)
			rest -= g
		}
		if rest < -1 {
			return 0, nil, false
		}
	}
	for i, f := range p.base {
		r, _ := roleOf(f)
		share := 100 * grams[i] / total
		least, most := r.least, r.most
		if p.kind == piece.Fritter && r.role == veg {
			least, most = leastOfFritter, mostOfFritter
		}
		if len(p.base) > 1 {
			least = min(least, 12)
		} else if r.role == grain {
			most = 80
		}
		if share < least*.8 || share > most*1.1 {
			return 0, nil, false
		}
	}
	return total, grams, true
}

// mostOfNuts is how much of a mix nuts are that must go in, g per 100 g: those of a nut roast (kitchen practice).
const mostOfNuts = 30

// mostOf is how much of a mix a food beside its base may be, g per 100 g.
func (c *composer) mostOf(f *food.Food) float64 {
	r, _ := roleOf(f)
	if r.role == rich && r.family == "nut" && c.stock.must[f.ID] > 0 {
		return max(r.most, mostOfNuts)
	}
	return r.most
}

// A fritter is a vegetable in batter: so much of the mix it is, g per 100 g (kitchen practice).
const leastOfFritter, mostOfFritter = 35, 75

// weight is how much of a base each of its foods is: the first is what it is called by.
func weight(b base, i int) float64 {
	r, _ := roleOf(b[i])
	if i == 0 {
		return 2 * (r.least + r.most)
	}
	return r.least + r.most
}

// grid rounds to what a kitchen measures, g.
func grid(g float64) float64 {
	switch {
	case g < 3:
		return math.Round(g*2) / 2
	case g < 20:
		return math.Round(g)
	case g < 400:
		return 5 * math.Round(g/5)
	}
	return 10 * math.Round(g/10)
}

// look judges a plan.
func (c *composer) look(p plan) (looked, bool) {
	d, ok := c.build(&p)
	if !ok {
		return looked{}, false
	}
	c.count++
	out := looked{plan: p, doc: d}
	c.judge(&out)
	out.score = c.worth(&out)
	return out, true
}

// judge works out what a build does, as package predict does, without all that is only told.
func (c *composer) judge(l *looked) {
	d := &l.doc
	bowl := d.Bowl(mix.Parts(d.MixLines(c.k.Foods)))
	duty := c.dutyOf(d)
	l.band = duty.Band
	_, judged, eat := eating.Assess(bowl, d.RestIn(c.k), &duty, c.coldnessOf(d))
	l.chance, l.felt, l.eat = judged.Chance(), judged.Felt, eat
	l.low, _ = judged.Between()
}

// dutyOf and coldnessOf are kept by what they depend on, but for what the mix is of.
func (c *composer) dutyOf(d *document.Document) mix.Duty {
	if slices.ContainsFunc(d.Lines, func(l document.Line) bool { return c.k.Foods.Find(l.Food).Is(food.OwnStarch) }) {
		return d.Duty(c.k)
	}
	if c.duties == nil {
		c.duties, c.coldness = map[document.Cook]map[piece.Kind]mix.Duty{}, map[coldKey]float64{}
	}
	by := c.duties[*d.Cook]
	if by == nil {
		by = map[piece.Kind]mix.Duty{}
		c.duties[*d.Cook] = by
	}
	duty, known := by[d.Piece.Kind]
	if !known {
		duty = d.Duty(c.k)
		by[d.Piece.Kind] = duty
	}
	return duty
}

func (c *composer) coldnessOf(d *document.Document) float64 {
	if d.Chill == nil {
		return 0
	}
	key := coldKey{d.Piece.Kind, d.Cook.Method, d.Chill.Minutes}
	v, known := c.coldness[key]
	if !known {
		v = d.Coldness(c.k)
		c.coldness[key] = v
	}
	return v
}

// worth is what a cook goes by: the chance that nine in ten such builds reach times how it eats, less work and what it is away
// from tender or firm as was asked for.
func (c *composer) worth(l *looked) float64 {
	eat := or(c.ask.Lean.Eat, .5)
	v := l.low * math.Pow(max(0, l.eat), .6+.8*eat)
	v -= (1 - eat) * (.0035*hands(&l.doc) + .0008*minutes(&l.doc))
	if l.band.To > l.band.From {
		at := min(1, max(0, (l.felt-l.band.From)/(l.band.To-l.band.From)))
		v -= .22 * math.Abs(at-(1-or(c.ask.Lean.Firm, .5))) * math.Abs(or(c.ask.Lean.Firm, .5)-.5) * 2
	}
	if want := c.wanted(l.kind); want > 0 { // it is used up, but no feast
		v -= .08 * max(0, gramsIn(&l.doc, "")/want-1)
	}
	if c.sure(l) {
		v -= .1 * c.unusedShare(&l.doc)
	}
	if c.ask.Minutes > 0 {
		v -= .02 * max(0, minutes(&l.doc)-c.ask.Minutes)
	}
	return v
}

// What hands are busy with, and how long things take, min: kitchen practice. The proposals that are shown have those of their
// own cord.
func hands(d *document.Document) float64 {
	out := 12.
	for i := range d.Lines {
		for _, p := range d.Lines[i].Prep {
			switch p.Do {
			case food.SoakGel:
				out++
			case food.Saute, food.Brown:
				out += 3 + .3*p.Minutes
			case food.Press, food.Blitz, food.Mash:
				out += 3
			default:
				out += 2
			}
		}
	}
	if d.Cook.Method == method.Pan || d.Cook.Method == method.ShallowOil {
		out += 12
	}
	return out
}

// atStove is how long a mix takes from the first board to the table without its preparations and waits: min, and min more for
// every 600 g, by the heat and whether it is made of many small pieces or of one. The figures, and those of madeIn, are fitted to the
// plans of 243 proposals, which they miss by 3 min (standard deviation; core/predict/steps works out the whole plan).
var atStove = map[method.Method][3][2]float64{ // patties; balls, rolls and fritters; loaves and stuffings
	method.Pan: {{28, 4}, {18, 15}, {28, 15}}, method.ShallowOil: {{28, 4}, {14, 13}, {28, 15}}, method.DeepOil: {{30, 8}, {30, 10}, {30, 15}},
	method.Grill: {{24, 4}, {22, 10}, {30, 15}}, method.Simmer: {{28, 12}, {28, 12}, {40, 15}},
	method.StillOven: {{33, 2}, {20, 14}, {41, 17}}, method.FanOven: {{31, 2}, {18, 14}, {34, 19}},
}

// madeIn is how long a preparation holds up what comes behind it beside the minutes that it says, min.
var madeIn = map[food.Do]float64{food.Saute: 5, food.Press: 10, food.Mash: 2, food.Blitz: 2, food.SoakGel: 0, food.Brown: 8, food.Soak: 2, food.Toast: 2}

// minutes is about how long a mix takes until it is on the table.
func minutes(d *document.Document) float64 {
	onBoard, inOven, soaks := 0., 0., 0.
	for i := range d.Lines {
		for _, p := range d.Lines[i].Prep {
			switch p.Do {
			case food.Roast, food.OvenDry:
				inOven = max(inOven, p.Minutes+8)
			case food.SoakGel, food.Soak:
				soaks = max(soaks, p.Minutes+60*p.Hours)
			default:
				onBoard += madeIn[p.Do] + p.Minutes
			}
		}
	}
	shape := 1
	switch {
	case d.Piece.Kind == piece.Patty:
		shape = 0
	case d.Piece.Kind.IsLoaf() || d.Piece.Kind == piece.Stuffing:
		shape = 2
	}
	heat := atStove[d.Cook.Method][shape]
	out := heat[0] + heat[1]*gramsIn(d, "")/600 + onBoard + inOven + .4*soaks
	if d.Rest != nil {
		out += d.Rest.Minutes
	}
	if d.Chill != nil {
		out += d.Chill.Minutes
	}
	return out
}
