package compose

import (
	"cmp"
	"maps"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// stock are the foods that a mix may be made of, by what they play.
type stock struct {
	k    *kitchen.Kitchen
	kind piece.Kind
	// must are the grams that have to go in by food; 0 where any amount will do.
	must map[string]float64
	// dry are the musts that were given dry, by the food that they go in as.
	dry   map[string]food.Yield
	table eaters.Table
	asked map[string]bool // named by the cook
	any   bool            // whatever there is may go in
	by    map[role][]*food.Food
	binds []*food.Food
}

// always are at hand in every kitchen.
var always = []string{"salt", "dry-spice", "water"}

// common are the binders that a shop round the corner has: others are for those who name them.
var common = []string{
	"chickpea-flour", "oats-rolled", "oats-quick", "oat-flour", "flax-meal", "chia-ground", "psyllium-husk", "potato-starch", "corn-starch",
	"tapioca-starch", "rice-flour", "gf-crumbs", "almond-flour", "buckwheat-flour", "corn-flour",
}

// stockOf sorts what an ask allows. What nobody at the table may eat is not in it, nor what only a label can tell of, but for
// what the cook says must go in.
func stockOf(a *Ask, k *kitchen.Kitchen) *stock {
	s := &stock{k: k, kind: a.Kind, any: a.Any, must: map[string]float64{}, dry: map[string]food.Yield{}, by: map[role][]*food.Food{}}
	s.table = a.Eaters.Table()
	named := map[string]bool{}
	for _, m := range a.Must {
		id := k.Foods.Find(m.Food).ID
		grams := m.Grams
		if y, ok := madeReady(a, k, id); ok {
			id, grams = y.Cooked.ID, grams*y.Factor
			s.dry[id] = y
		}
		s.must[id], named[id] = grams, true
	}
	s.asked = map[string]bool{}
	for _, id := range a.May {
		s.asked[k.Foods.Find(id).ID] = true
	}
	for _, id := range slices.Concat(a.May, always) {
		named[k.Foods.Find(id).ID] = true
	}
	all := k.Foods.Foods()
	for i := range all {
		f := all[i]
		_, has := s.must[f.ID]
		if !named[f.ID] && !a.Any || slices.Contains(a.Not, f.ID) || f.Gone || f.Has("cook-first") {
			continue
		}
		if !has && !s.clear(f) {
			continue
		}
		if p, ok := roleOf(f); ok && (f.Group != food.GrainBinder || a.Kind == piece.Stuffing) { // bread is the body of stuffings alone
			s.by[p.role] = append(s.by[p.role], f)
		}
		if !named[f.ID] && !has && !k.Have(f.ID) && f.Group.IsBinder() && !slices.Contains(common, f.ID) {
			continue
		}
		if f.GlueCold+f.GlueHot > 0 && f.Group.IsBinder() && (f.Gluten != "contains" || has) {
			s.binds = append(s.binds, f)
		}
	}
	for r := range s.by { // what must go in first, then what is at hand
		slices.SortStableFunc(s.by[r], func(x, y *food.Food) int { return cmp.Compare(s.rank(x), s.rank(y)) })
	}
	return s
}

// madeReady is how a dry legume or grain goes in: cooked, but for one that needs no boiling and is asked for in hot oil, where it
// goes in soaked and raw, as falafel is made of chickpeas; false for a food that is not dry.
func madeReady(a *Ask, k *kitchen.Kitchen, id string) (y food.Yield, ok bool) {
	inOil := len(a.Methods) > 0 && !slices.ContainsFunc(a.Methods, func(m method.Method) bool { return m != method.DeepOil && m != method.ShallowOil })
	for _, of := range k.Foods.Yields() {
		if of.Dry.ID == id && (!ok || inOil && of.BoilMinutes == 0) {
			y, ok = of, true
		}
	}
	return y, ok
}

// clear says that everybody at the table may eat a food, for all that is known.
func (s *stock) clear(f *food.Food) bool {
	return s.table.Check(f, s.k.LabelRead(f.ID)).Status == eaters.Clear
}

// first is the first of some foods that may go in and that everybody may eat; nil for none.
func (s *stock) first(ids ...string) *food.Food {
	for _, id := range ids {
		f := s.k.Foods.Find(id)
		if f != nil && (s.asked[id] || s.any || slices.Contains(always, id)) && s.clear(f) {
			return f
		}
	}
	return nil
}

func (s *stock) rank(f *food.Food) int {
	if _, must := s.must[f.ID]; must {
		return 0
	}
	if s.k.Have(f.ID) {
		return 1
	}
	return 2
}

// unused is what must go in though nobody knows as what: no body, vegetable, binder or seasoning; "" for nothing.
func (s *stock) unused() string {
	for _, id := range slices.Sorted(maps.Keys(s.must)) { // the same question has the same answer
		f := s.k.Foods.Find(id)
		if _, plays := roleOf(f); !plays && !slices.Contains(s.binds, f) && !slices.Contains(always, id) {
			return id
		}
	}
	return ""
}

// hasMusts says that all that must go in is in a mix.
func (s *stock) hasMusts(d *document.Document) bool {
	for id := range s.must {
		if !slices.ContainsFunc(d.Lines, func(l document.Line) bool { return l.Food == id }) {
			return false
		}
	}
	return true
}

func (s *stock) musts(r role) (out []*food.Food) {
	for _, f := range s.by[r] {
		if _, must := s.must[f.ID]; must {
			out = append(out, f)
		}
	}
	return out
}

// base is what a mix is built on: one body, or two that go together.
type base []*food.Food

// family is that of a food.
func family(f *food.Food) string {
	p, _ := roleOf(f)
	return p.family
}

// mostBases are looked at: those that must go in first, then one of each family before a second of it.
const mostBases = 10

// leastOfBatter is how much of a mix a vegetable may be, g per 100 g, that makes fritters by itself: courgette, and no onion.
const leastOfBatter = 20

// bases are what mixes can be built on: what must go in, alone or with what goes with it.
func (s *stock) bases() (out []base) {
	musts := s.musts(body)
	add := func(b base) {
		for i := range b {
			for j := range i {
				asked := slices.Contains(musts, b[i]) && slices.Contains(musts, b[j])
				if !asked && apart(family(b[i]), family(b[j])) {
					return
				}
			}
		}
		if !slices.ContainsFunc(out, func(o base) bool { return slices.Equal(o, b) }) {
			out = append(out, b)
		}
	}
	grains := s.by[grain]
	if asked := s.musts(grain); len(asked) > 0 {
		grains = asked // nobody who has rice to use up is given another grain with it
	}
	switch {
	case len(musts) > 2:
		add(musts[:3])
	case len(musts) > 0:
		add(musts)
		for _, other := range slices.Concat(s.by[body], grains[:min(3, len(grains))]) {
			if !slices.Contains(musts, other) && len(musts) == 1 && len(out) < mostBases {
				if p, _ := roleOf(other); p.role == body && !s.asked[other.ID] && other.ID != "potato-mashed" && other.ID != "sweet-potato-mashed" {
					continue // nobody who asks for lentils is given them with meat
				}
				if family(other) != family(musts[0]) || family(other) == "meat" || oneIsRaw(musts[0], other) {
					add(base{musts[0], other})
				}
			}
		}
	default:
		seen := map[string]int{}
		bodies := slices.Clone(s.by[body])
		slices.SortStableFunc(bodies, func(x, y *food.Food) int { return cmp.Compare(s.rank(x), s.rank(y)) })
		for round := range 3 {
			for _, f := range bodies {
				if s.kind == piece.Fritter && family(f) == "meat" {
					continue // mince is patties
				}
				if seen[family(f)] != round || len(out) >= mostBases {
					continue
				}
				seen[family(f)]++
				switch with := s.partner(f); {
				case with != nil:
					add(base{f, with})
				default:
					add(base{f})
				}
			}
		}
		for _, g := range grains[:min(2, len(grains))] {
			add(base{g})
		}
		if s.kind == piece.Fritter {
			vegetables := s.musts(veg)
			if len(vegetables) == 0 {
				vegetables = s.by[veg]
			}
			for _, v := range vegetables {
				if p, _ := roleOf(v); p.most >= leastOfBatter && len(out) < mostBases {
					add(base{v})
				}
			}
		}
		for _, v := range s.by[veg] {
			if p, _ := roleOf(v); p.most >= 40 && len(grains) > 0 && len(out) < mostBases {
				add(base{grains[0]})
				break
			}
		}
	}
	return out[:min(len(out), mostBases)]
}

// oneIsRaw says that just one of two fish is raw: pulsed, it is what holds the flakes of the other.
func oneIsRaw(a, b *food.Food) bool {
	return family(a) == "fish" && family(b) == "fish" && a.IsRawMeat() != b.IsRawMeat()
}

// partner is what a body wants beside it: cooked fish wants potato.
func (s *stock) partner(f *food.Food) *food.Food {
	if p, _ := roleOf(f); p.family != "fish" || p.most >= 80 {
		return nil
	}
	for _, other := range s.by[body] {
		if family(other) == "root" && other.ID != "potato-grated" {
			return other
		}
	}
	return nil
}

// heats are how pieces of a kind are cooked, of those that there are.
func heats(kind piece.Kind, a *Ask) (out []method.Method) {
	usual := map[piece.Kind][]method.Method{
		piece.Patty: {method.Pan, method.StillOven, method.Grill}, piece.Ball: {method.StillOven, method.Pan, method.Simmer}, piece.Loaf: {method.StillOven, method.FanOven},
		piece.Cylinder: {method.StillOven, method.Pan}, piece.Fritter: {method.Pan, method.ShallowOil}, piece.Stuffing: {method.StillOven, method.FanOven},
	}[kind]
	for _, m := range usual {
		if len(a.Methods) == 0 && len(out) < 2 || slices.Contains(a.Methods, m) {
			out = append(out, m)
		}
	}
	if len(out) == 0 && !kind.IsLoaf() && kind != piece.Stuffing {
		out = a.Methods
	}
	return out
}

// beforehand is how long it takes until what is dry is soaked and boiled, min.
func (s *stock) beforehand() (minutes float64) {
	for _, y := range s.dry {
		minutes = max(minutes, 60*y.SoakHours+y.BoilMinutes)
	}
	return minutes
}
