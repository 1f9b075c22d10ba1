package advise

import (
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// state is a build with some moves made.
type state struct {
	of    *search
	parts []mix.Part
	moves []candidate
	// doc is the document; of a build that differs from another by its binder alone it is made when it is asked for.
	doc  *document.Document
	from *state

	rest     mix.Rest
	coldness float64
	use      use
	effect   mix.Effect
	duty     mix.Duty
	judged   mix.Judged
	// low is the chance that nine in ten such builds reach, eat how good it is to eat.
	low, eat float64
	// excess is how far binders go beyond what is usual, as a share of it.
	excess float64
	// worth is what a cook goes by, in minutes of trouble.
	worth float64
}

// document is the build as a document; the lines that moves leave out still stand in it (tidy).
func (s *state) document() *document.Document {
	if s.doc == nil {
		next := *s.from.document()
		next.Lines = slices.Clone(next.Lines)
		s.moves[len(s.moves)-1].apply(&next)
		s.doc = &next
	}
	return s.doc
}

// has says whether a move of that slot is made.
func (s *state) has(slot string) bool {
	return slices.ContainsFunc(s.moves, func(c candidate) bool { return c.slot == slot })
}

// did says whether a move of that kind is made.
func (s *state) did(code MoveCode) bool {
	return slices.ContainsFunc(s.moves, func(c candidate) bool { return c.Code == code })
}

// lessened says whether some of that binder was taken out.
func (s *state) lessened(id string) bool {
	return slices.ContainsFunc(s.moves, func(c candidate) bool { return c.Code == LessBinder && c.Food == id })
}

// ofPanade says whether a panade was put in that holds that food: it is not taken out again.
func (s *state) ofPanade(id string) bool {
	return slices.ContainsFunc(s.moves, func(c candidate) bool { return c.Code == Panade && (c.Food == id || c.Liquid == id) })
}

// good is the chance that nine in ten reach, times how good it is to eat.
func (s *state) good() float64 { return s.low * s.eat }

// search looks for ways for one document.
type search struct {
	k     *kitchen.Kitchen
	d     *document.Document
	table eaters.Table
	// named are the binders that were asked for, none where any will do.
	named  []string
	target float64
	// used is how much of the usual amounts the binders of its base use together (usage).
	used float64
	// trouble is what its base costs before any move, in minutes.
	trouble float64
	// heavy says that moves may bring a line beyond what a document takes.
	heavy bool
	done  <-chan struct{}

	duties   map[dutyKey]mix.Duty
	coldness map[coldKey]float64
}

type dutyKey struct {
	piece  piece.Piece
	method method.Method
	turn   bool
}

type coldKey struct {
	piece            piece.Piece
	minutes, celsius float64
}

func newSearch(k *kitchen.Kitchen, d *document.Document, o Options) *search {
	target := o.Target
	if target <= 0 {
		target = defaultTarget
	}
	grams := 0.
	if d.Hand != nil {
		grams = math.Abs(d.Hand.WaterG)
	}
	for _, l := range d.Lines {
		grams += l.Grams
	}
	return &search{
		k: k, d: d, table: table(d), named: o.Foods, target: target, done: o.Done, heavy: grams > document.MaxGrams/4,
		duties: map[dutyKey]mix.Duty{}, coldness: map[coldKey]float64{},
	}
}

// ended says whether nobody waits for it any longer.
func (s *search) ended() bool {
	select {
	case <-s.done:
		return true
	default:
		return false
	}
}

// dutyOf is that of the document, kept by what it depends on but for the mass of a loaf.
func (s *search) dutyOf(d *document.Document) mix.Duty {
	p := d.PieceOrDefault()
	tin := p.Tin
	p.Tin = nil // a pointer is no key
	if p.Count == 0 && tin != nil && !*tin {
		p.Count = -1
	}
	key := dutyKey{piece: p}
	key.method, key.turn = d.MethodAndTurn()
	duty, known := s.duties[key]
	if !known {
		duty = d.Duty(s.k)
		s.duties[key] = duty
	}
	return duty
}

// coldnessOf is how far the cold firms the pieces of the document, kept by what it depends on but for what they are of.
func (s *search) coldnessOf(d *document.Document) float64 {
	if d.Chill == nil && !d.Frozen() {
		return 0
	}
	p := d.PieceOrDefault()
	p.Tin = nil
	key := coldKey{piece: p}
	if d.Chill != nil {
		key.minutes = d.Chill.Minutes
		if d.Chill.Celsius != nil {
			key.celsius = *d.Chill.Celsius
		}
	}
	c, known := s.coldness[key]
	if !known {
		c = d.Coldness(s.k)
		s.coldness[key] = c
	}
	return c
}

// weigh works out what a document will do, and what the moves to it are worth.
func (s *search) weigh(d document.Document, moves []candidate) *state {
	out := &state{of: s, doc: &d, moves: moves, use: useOf(&d, s.k), rest: d.RestIn(s.k), duty: s.dutyOf(&d), coldness: s.coldnessOf(&d)}
	out.parts = d.Bowl(mix.Parts(d.MixLines(s.k.Foods)))
	s.judge(out)
	return out
}

// start is the build that moves begin from. What it has of binders is no cost of any way.
func (s *search) start(moves []candidate) *state {
	out := s.weigh(*s.d, moves)
	s.used, _ = s.usage(out)
	s.judge(out)
	return out
}

// withBinder is a build with a binder more, which changes neither its piece nor its cold.
func (s *search) withBinder(st *state, c candidate) *state {
	out := &state{
		of: s, from: st, moves: append(slices.Clip(st.moves), c), use: st.use, rest: st.rest, duty: st.duty, coldness: st.coldness,
		parts: make([]mix.Part, len(st.parts), len(st.parts)+3),
	}
	copy(out.parts, st.parts)
	add := func(id string, grams float64) {
		if id != "" && grams > 0 {
			line := mix.Line{Food: s.k.Foods.Find(id), Grams: grams}
			out.parts = append(out.parts, line.Part())
		}
	}
	add(c.Food, c.Now-c.Was)
	add(c.With, c.WithG)
	add(c.Liquid, c.LiquidG)
	out.rest.Minutes = max(out.rest.Minutes, c.Minutes)
	s.judge(out)
	return out
}

// sure is the chance below which a cook looks for more than a way that might do.
const sure = .83

// judge works out what the parts of a build do.
func (s *search) judge(out *state) {
	out.effect, out.judged, out.eat = eating.Assess(out.parts, out.rest, &out.duty, out.coldness)
	out.low, _ = out.judged.Between()
	usage, worst := s.usage(out)
	out.excess = max(0, worst-1)
	t := &s.k.Parameters.Trouble
	out.worth = t.Doubted*(out.good()-out.excess/4) - t.Tasted*(usage*usage-s.used*s.used) - s.trouble -
		t.Doubted*max(0, sure-out.judged.Chance())/2
	for i := range out.moves {
		out.worth -= out.moves[i].work + t.Waiting*out.moves[i].wait
	}
}

// usage is how much of the most that is usual a build's binders use together, as a share; worst is that of the one that
// goes farthest of those that the moves bring.
func (s *search) usage(st *state) (all, worst float64) {
	if st.use == asStuffing {
		return 0, 0 // its bread is its body
	}
	for _, of := range st.shares(func(f *food.Food) bool { return f.Group.IsBinder() || st.brings(f.ID) }) {
		part := of.pct / amountsOf(of.food, st.use).most
		all += part
		if st.brings(of.food.ID) {
			worst = max(worst, part)
		}
	}
	return min(all, mostUsage), worst
}

// mostUsage is the usage from which more binder costs no more: no such way is shown anyway.
const mostUsage = 2.5

// share is how much of the mix a food is, over all of its lines, g per 100 g.
type share struct {
	food *food.Food
	pct  float64
}

// shares are those of the foods that of picks, in the order of the mix.
func (s *state) shares(of func(*food.Food) bool) (out []share) {
	for i := range s.parts {
		f, pct := s.parts[i].Food, 100*s.parts[i].Mass/s.effect.Mass
		if !of(f) {
			continue
		}
		if at := slices.IndexFunc(out, func(o share) bool { return o.food == f }); at >= 0 {
			out[at].pct += pct
		} else {
			out = append(out, share{f, pct})
		}
	}
	return out
}

// brings says whether the moves add that food as a binder.
func (s *state) brings(id string) bool {
	return slices.ContainsFunc(s.moves, func(c candidate) bool { return c.Code == AddBinder && (c.Food == id || c.With == id) })
}

// then makes one more move.
func (s *search) then(st *state, c candidate) *state {
	if c.Code == AddBinder {
		return s.withBinder(st, c)
	}
	next := *st.document()
	next.Lines = slices.Clone(next.Lines)
	c.apply(&next)
	return s.weigh(next, append(slices.Clip(st.moves), c))
}
