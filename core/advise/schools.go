package advise

import (
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/predict"
)

// School is a question on which good cooks disagree, with the ways that this
// build can take. A way that cannot be had is missing.
type School struct {
	// Question is wet-mix, egg, waiting, mixing or heat.
	Question string
	Ways     []SchoolWay
}

// SchoolWay is one answer.
type SchoolWay struct {
	// Code is dry-first, more-binder; seed-gel, starch, flour, own-paste,
	// own-protein, dairy; rest, no-wait; coarse, paste; bake, pan or deep-oil.
	Code string
	Way  Way
}

// Schools works out each school's way for a document: with its binders
// replaced where the question is how to bind, with the mix as it is where it is
// how to work or to cook it. Both ways hold, or the trade says that they do not. It ends
// early, with nothing to be used, once done is closed; nil never is.
func Schools(k *kitchen.Kitchen, d *document.Document, done <-chan struct{}) []School {
	rest, gone := without(k, d, Binders)
	o := Options{Done: done}
	// best is the way worth most to a build, of those a question allows, that works with those groups of binders.
	best := func(doc *document.Document, qualifies func(*search, *state) bool) *Way {
		if doc == nil || len(doc.Lines) == 0 {
			return nil
		}
		s := newSearch(k, doc, o)
		start := s.start(nil)
		c := chooser{search: s, d: d, gone: gone, now: newSearch(k, d, o).weigh(*d, nil), replaced: true}
		c.all = append(c.all, start)
		for _, c1 := range s.binding(start, s.binders(start)) {
			if s.ended() {
				return nil
			}
			c.all = append(c.all, s.then(start, c1))
		}
		for _, st := range c.sorted() {
			if c.holds(st) && st.excess <= mostExcess && qualifies(s, st) {
				if finer := s.refine(st); finer.writable() {
					st = finer
				}
				w := c.way(st)
				return &w
			}
		}
		return nil
	}
	of := func(groups ...food.Group) func(*search, *state) bool {
		return func(s *search, st *state) bool {
			f := s.foodOf(st)
			return f != nil && slices.Contains(groups, f.Group) && st.moves[len(st.moves)-1].With == ""
		}
	}
	var out []School
	add := func(question string, ways map[string]*Way, order ...string) {
		s := School{Question: question}
		for _, code := range order {
			if w := ways[code]; w != nil {
				s.Ways = append(s.Ways, SchoolWay{code, *w})
			}
		}
		differ := slices.ContainsFunc(s.Ways, func(w SchoolWay) bool {
			return math.Abs(w.Way.Q-s.Ways[0].Way.Q) > 1e-3 || math.Abs(w.Way.RawRatio-s.Ways[0].Way.RawRatio) > 1e-2
		})
		if differ {
			out = append(out, s)
		}
	}
	whole := Bind(k, d, Options{Replace: Binders, Done: done})
	aimed := func(ok func(*Way) bool) *Way {
		if at := slices.IndexFunc(whole.Suggest, func(w Way) bool { return ok(&w) }); at >= 0 {
			return &whole.Suggest[at]
		}
		return nil
	}
	dry := aimed(func(w *Way) bool { return drying(w.state.moves) })
	more := best(&rest, func(s *search, st *state) bool { return s.foodOf(st) != nil })
	add("wet-mix", map[string]*Way{"dry-first": dry, "more-binder": more}, "dry-first", "more-binder")
	add("egg", map[string]*Way{
		"seed-gel": best(&rest, of(food.Gel)), "starch": best(&rest, of(food.Starch)),
		"flour": best(&rest, of(food.GrainBinder, food.LegumeBinder)), "own-paste": best(worked(&rest, k.Foods, pasty), func(*search, *state) bool { return true }),
		"own-protein": ownProtein(k, d, &rest), "dairy": withDairy(k, d, &rest),
	}, "seed-gel", "starch", "flour", "own-paste", "own-protein", "dairy")
	waits := aimed(func(w *Way) bool { return waitOf(&w.Document) > quickMinutes })
	quick := best(&rest, func(_ *search, st *state) bool { return waitOf(st.document()) <= quickMinutes })
	add("waiting", map[string]*Way{"rest": waits, "no-wait": quick}, "rest", "no-wait")
	add("mixing", map[string]*Way{
		"coarse": asItIs(k, d, worked(d, k.Foods, coarse)), "paste": asItIs(k, d, worked(d, k.Foods, pasty)),
	}, "coarse", "paste")
	add("heat", map[string]*Way{
		"bake": asItIs(k, d, cooked(d, method.StillOven)), "pan": asItIs(k, d, cooked(d, method.Pan)), "deep-oil": asItIs(k, d, cooked(d, method.DeepOil)),
	}, "bake", "pan", "deep-oil")
	return out
}

// asItIs works out a document that adds no binder; nil where there is none, or
// nothing in it to hold.
func asItIs(k *kitchen.Kitchen, d, next *document.Document) *Way {
	if next == nil || slices.ContainsFunc(next.Lines, func(l document.Line) bool { return l.Grams > document.MaxGrams }) {
		return nil
	}
	p := predict.Predict(next, k)
	if p.Q == nil {
		return nil
	}
	w := &Way{Aim: AsIs, Kind: Work, Add: []Addition{}, Moves: []Move{}, Have: true, Document: *next}
	w.settle(k, d)
	return w
}

// ownProtein leaves a mix of raw meat or fish to its own protein, with the
// salt, 1.2% of the meat, that makes it sticky; nil without raw meat.
func ownProtein(k *kitchen.Kitchen, d, base *document.Document) *Way {
	next := *base
	next.Lines = slices.Clone(base.Lines)
	meat, salt, at := 0., 0., -1
	for i, l := range next.Lines {
		f := k.Foods.Find(l.Food)
		salt += l.Grams * f.Salt / 100
		if f.IsRawMeat() {
			meat += l.Grams
		}
		if f.ID == "salt" {
			at = i
		}
	}
	if meat == 0 {
		return nil
	}
	if more := math.Round(0.012*meat - salt); more > 0 && at >= 0 {
		next.Lines[at].Grams += more
	} else if more > 0 {
		next.Lines = append(next.Lines, document.Line{Food: "salt", Grams: more})
	}
	return asItIs(k, d, &next)
}

// dairyShare is how much cheese binds a mix, g per g.
const dairyShare = .12

// withDairy binds a mix with the cheese that is clear for its table and holds best; nil where there is none.
func withDairy(k *kitchen.Kitchen, d, rest *document.Document) (best *Way) {
	t := table(d)
	all := k.Foods.Foods()
	mass := 0.
	for _, l := range rest.Lines {
		mass += l.Grams
	}
	for i := range all {
		f := all[i]
		if f.Group != food.Dairy || f.GlueHot <= .02 || t.Check(f, k.LabelRead(f.ID)).Status != eaters.Clear {
			continue
		}
		next := *rest
		next.Lines = append(slices.Clone(rest.Lines), document.Line{Food: f.ID, Grams: max(document.MinGrams, measurable(dairyShare*mass))})
		if w := asItIs(k, d, &next); w != nil && (best == nil || w.Chance > best.Chance) {
			best = w
			best.Add = []Addition{{Food: f.ID, Grams: next.Lines[len(next.Lines)-1].Grams}}
		}
	}
	return best
}

// quickMinutes is a wait that counts as none, min: the time it takes to shape.
const quickMinutes = 5.

// cooked gives the document cooked by another method, unturned in the oven.
func cooked(d *document.Document, m method.Method) *document.Document {
	next := *d
	celsius := m.Row().Celsius
	next.Cook = &document.Cook{Method: m, Celsius: &celsius}
	if d.Cook != nil {
		next.Cook.TargetCelsius = d.Cook.TargetCelsius
	}
	return &next
}

const (
	coarse = 0.2 // pulsed once or twice
	pasty  = 0.9 // nearly a paste
)

// worked blitzes the heaviest base that has pieces to that level: what is paste
// binds. nil where there is none.
func worked(d *document.Document, foods *food.Catalogue, level float64) *document.Document {
	next := *d
	next.Lines = slices.Clone(d.Lines)
	heaviest := -1
	for i, l := range next.Lines {
		f := foods.Find(l.Food)
		yields := f.Group == food.Legume || f.Group == food.Grain || f.Group == food.Nut && f.Water > 30
		if yields && f.Chunk > 0.2 && (heaviest < 0 || l.Grams > next.Lines[heaviest].Grams) {
			heaviest = i
		}
	}
	if heaviest < 0 {
		return nil
	}
	l := &next.Lines[heaviest]
	l.Prep = slices.DeleteFunc(slices.Clone(l.Prep), func(p food.Preparation) bool { return p.Do == food.Blitz || p.Do == food.Mash })
	l.Prep = append(l.Prep, food.Preparation{Do: food.Blitz, Level: level})
	return &next
}
