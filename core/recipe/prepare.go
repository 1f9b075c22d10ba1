package recipe

import (
	"math"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// prepareOne does what a participle says of its own food, unless the line of it says
// more already.
func (m *procedure) prepareOne(s *sentence, i int, list words.Meaning, items []int) {
	if m.shapeAt >= 0 && i > m.shapeAt {
		return
	}
	for _, n := range items {
		e := m.entries[n]
		if e.part != "" || len(items) > 1 {
			continue
		}
		if p, ok := ingredient.Preparation(list.List, e.food, ingredient.Saying{}); ok && !(p.Do == food.Blitz && ingredient.Aromatic(e.food)) &&
			!slices.ContainsFunc(e.preps, func(t told) bool { return t.Do == p.Do && t.share > 0 }) { // it was done to a share: "the puréed sweetcorn" is that
			e.preps = append(e.preps, told{Preparation: p})
		}
	}
}

// prepare does what a verb says to the foods it goes with.
func (m *procedure) prepare(s *sentence, i, k int, list words.Meaning, items []int) {
	g := &s.segments[k]
	named := slices.ContainsFunc(g.objects, func(x int) bool { at := s.mentions[x].at; return at >= g.at && at < g.end }) || len(s.mentions) > 0 && len(g.objects) > 0
	whole := false
	if s.all && (list.List == "do.blitz" || list.List == "do.mash") && !m.ownObject(s, g) && m.allButs(s, items) {
		whole = true
		items = nil
		for n, e := range m.entries {
			if e.part == "" && !e.gone && !slices.ContainsFunc(s.mentions, func(x mention) bool {
				return s.has("except") >= 0 && x.at > s.has("except") && slices.Contains(x.items, n)
			}) {
				items = append(items, n)
			}
		}
	}
	if m.mixedAt >= 0 && i > m.mixedAt && !named && !whole {
		return
	}
	if i > m.first() {
		return
	}
	said := m.saying(s, g, i)
	name := list.List
	if name == "do.cook" {
		stirs := strings.HasPrefix(s.tokens[g.at].Plain, "stir")
		if name = m.cooks(s, stirs); name == "" || stirs && len(items) > 2 {
			return
		}
	}
	if name == "do.low" {
		if !m.withFat(s) && !m.inPan {
			return
		}
		name = "do.fry"
	}
	if name == "do.grate" && said.Level > 0 && slices.ContainsFunc(items, func(n int) bool {
		f := m.entries[n].food
		return f.Group == food.Legume || f.Group == food.Nut || f.Group == food.Seed
	}) {
		name = "do.blitz" // "pícalos hasta que parezcan carne picada"
	}
	if name == "do.mash" && slices.ContainsFunc(s.tokens[g.at:min(len(s.tokens), g.at+list.N)], func(t words.Token) bool { return t.Of("word.fork") }) && k > 0 && (slices.ContainsFunc(s.segments[k-1].lists, func(x words.Meaning) bool { return x.List == "act.mix" }) || s.has("word.flake") >= 0) {
		return // mixed or flaked with a fork
	}
	if name == "do.blitz" && s.withFork(g.at) {
		name = "do.mash"
	}
	except := s.has("except")
	if name == "do.soak" && !slices.ContainsFunc(g.objects, func(x int) bool { return s.mentions[x].at >= g.at }) {
		for x := range s.mentions { // "pour the broth over the granules and soak"
			items = append(items, s.mentions[x].items...)
		}
	}
	for _, n := range items {
		e := m.entries[n]
		if (name == "do.gel" || name == "do.soak") && e.food.Group == food.Gel {
			continue // gels are seen to by themselves
		}
		if name == "do.grate" {
			e.grated = true
		}
		if e.part != "" || except >= 0 && e.gone {
			continue
		}
		if name == "do.boil" {
			m.boil(e)
			continue
		}
		p, ok := ingredient.Preparation(name, e.food, said)
		if !ok {
			continue
		}
		t := told{Preparation: p, figured: said.Minutes > 0}
		for _, x := range g.objects {
			at := &s.mentions[x]
			if slices.Contains(at.items, n) && (at.half > 0 || at.grams > 0 && at.grams < 0.9*e.item.Grams) {
				t.share = at.half
				if at.grams > 0 {
					t.share = at.grams / e.item.Grams
				}
			}
		}
		if p.Do == food.Blitz && ingredient.Aromatic(e.food) && len(items) == 1 {
			continue
		}
		e.preps = append(e.preps, t)
		m.becomes(s, string(p.Do))
		m.mark(s, s.tokens[g.at].At, s.tokens[min(g.at+list.N, len(s.tokens))-1].End, "prep", e.line)
	}
}

// ownObject says that a verb has a food of its own, and that "everything" stands with another verb: "blitz 70% of the lentils, mix
// with the rest".
func (m *procedure) ownObject(s *sentence, g *segment) bool {
	all := slices.ContainsFunc(s.tokens[g.at:g.end], func(t words.Token) bool { return t.Of("all") })
	return !all && slices.ContainsFunc(g.objects, func(x int) bool { at := s.mentions[x].at; return at >= g.at && at < g.end })
}

// allButs says that a sentence of everything names no food but those it leaves out.
func (m *procedure) allButs(s *sentence, items []int) bool {
	except := s.has("except")
	for x := range s.mentions {
		if at := &s.mentions[x]; slices.ContainsFunc(at.items, func(k int) bool { return slices.Contains(items, k) }) && !(except >= 0 && at.at > except) {
			return false
		}
	}
	return true
}

// worthFrying leaves out of what joins a pan the leaves of herbs, and what is in it for a moment only.
func (m *procedure) worthFrying(s *sentence, items []int) []int {
	minutes, at, _ := s.minutes(0)
	return slices.DeleteFunc(slices.Clone(items), func(k int) bool {
		f := m.entries[k].food
		return groups["group.herb"](f) || at >= 0 && minutes <= 2 && !ingredient.Aromatic(f)
	})
}

// staysInPan says that a sentence goes on with what is in the pan: before the mix is together, with no
// bowl, and with a time or the look of it when it is done.
func (m *procedure) staysInPan(s *sentence, i int) bool {
	if s.all || m.mixedAt >= 0 && i >= m.mixedAt || s.has("word.bowl") >= 0 || s.has("do.blitz") >= 0 || s.has("do.mash") >= 0 || s.has("do.boil") >= 0 {
		return false
	}
	if _, at, _ := s.minutes(0); at >= 0 {
		return true
	}
	return s.has("do.fry") >= 0 || s.has("heat.cook") >= 0 || s.has("do.brown") >= 0 || s.has("more") >= 0 && s.moreMinutes() || len(s.mentions) == 0
}

// moreMinutes says that a number stands behind "more": "y otros 10".
func (s *sentence) moreMinutes() bool {
	for k := range len(s.tokens) - 1 {
		number := s.tokens[k+1].Kind == words.Number
		if s.tokens[k].Of("more") && number || s.tokens[k].Kind == words.Number && s.tokens[k+1].Of("another time") {
			return true
		}
	}
	return false
}

// cooks says what "cook" is: in fat, or until soft, a sauté; else in water.
func (m *procedure) cooks(s *sentence, stirs bool) string {
	if s.has("do.boil") >= 0 {
		return "do.boil"
	}
	if s.has("do.fry") >= 0 || s.has("oil") >= 0 || s.has("heat.pan") >= 0 || s.has("heat.fry") >= 0 {
		return "do.fry"
	}
	for _, x := range s.mentions {
		for _, k := range x.items {
			if m.entries[k].food.Group == food.Fat {
				return "do.fry"
			}
		}
	}
	if !stirs && slices.ContainsFunc(s.mentions, func(x mention) bool {
		return slices.ContainsFunc(x.items, func(k int) bool { g := m.entries[k].food.Group; return g == food.Grain || g == food.Legume })
	}) {
		return "do.boil"
	}
	if _, at, _ := s.minutes(0); at >= 0 {
		return "do.fry"
	}
	return ""
}

// withFat says that a sentence names a fat: what is over the heat is fried in it.
func (m *procedure) withFat(s *sentence) bool {
	return s.has("oil") >= 0 || slices.ContainsFunc(s.mentions, func(x mention) bool {
		return slices.ContainsFunc(x.items, func(k int) bool { return m.entries[k].food.Group == food.Fat })
	})
}

// withFork says that grinding is done with a fork: it is mashing.
func (s *sentence) withFork(at int) bool {
	for k := at; k < len(s.tokens); k++ {
		if s.tokens[k].Of("word.fork") {
			return true
		}
	}
	return false
}

// saying reads the time and the level that go with a verb.
func (m *procedure) saying(s *sentence, g *segment, i int) (out ingredient.Saying) {
	for k := g.at; k < len(s.tokens); k++ {
		if v, _ := ingredient.Minutes(s.tokens, k); v > 0 {
			out.Minutes = v
			break
		}
	}
	for k := max(0, g.at-2); k < len(s.tokens); k++ {
		if l := s.tokens[k].In("level"); l.N > 0 && !s.denied(k) {
			out.Level = l.Value
			break
		}
	}
	return out
}

// denied says that "not" or "no" stands just before a token.
func (s *sentence) denied(k int) bool {
	for j := max(0, k-3); j < k; j++ {
		if s.tokens[j].Of("word.not") {
			return true
		}
	}
	return false
}

// gels finds where flax, chia or psyllium is left in its water.
func (m *procedure) gels(i int) {
	s := &m.sentences[i]
	var gel []*entry
	others, wet := 0, false
	for _, x := range s.mentions {
		for _, k := range x.items {
			e := m.entries[k]
			switch {
			case e.food.Group == food.Gel && e.part == "" && food.SoakGel.Suits(e.food):
				gel = append(gel, e)
				wet = wet || m.withLiquid(e)
			case e.food.Is(food.Liquid):
				wet = true
			default:
				others++
			}
		}
	}
	for k := range s.tokens {
		wet = wet || s.tokens[k].Of("word.water")
	}
	if len(gel) == 0 || !wet || others > 2 {
		return
	}
	minutes, at, _ := s.minutes(0)
	if at < 0 && i+1 < len(m.sentences) {
		if next := &m.sentences[i+1]; len(next.mentions) == 0 && next.has("act.rest") >= 0 {
			minutes, _, _ = next.minutes(0)
		}
	}
	s.gelled = true
	for _, e := range gel {
		p, _ := ingredient.Preparation("do.gel", e.food, ingredient.Saying{Minutes: minutes})
		e.preps = append(e.preps, told{p, 0, minutes > 0})
		m.becomes(s, string(p.Do))
	}
}

// withLiquid says that a food shares its line with a liquid: "ground flax whisked with ½ cup water".
func (m *procedure) withLiquid(e *entry) bool {
	return slices.ContainsFunc(m.entries, func(o *entry) bool { return o.line == e.line && o != e && o.food.Is(food.Liquid) })
}

// tillNextDay is how long foods that are left in water "until the next day" soak, min: a night of ten hours.
const tillNextDay = 600

// soaks notes dry legumes that are covered with water and left for hours.
func (m *procedure) soaks(i int) {
	s := &m.sentences[i]
	wet := false
	for k := range s.tokens {
		wet = wet || s.tokens[k].Of("word.water")
	}
	minutes, at, _ := s.minutes(0)
	known := at >= 0 && minutes >= 120 && (s.has("act.rest") >= 0 || s.has("do.soak") >= 0)
	if nextDay := s.has("word.next day") >= 0 || i+1 < len(m.sentences) && m.sentences[i+1].has("word.next day") == 0; !known && nextDay {
		known, minutes = true, tillNextDay
	}
	if !wet || !known {
		return
	}
	for _, x := range s.mentions {
		for _, k := range x.items {
			e := m.entries[k]
			if p, ok := ingredient.Preparation("do.soak", e.food, ingredient.Saying{Minutes: minutes}); ok && e.part == "" && e.food.Group == food.Legume && p.Do == food.Soak {
				e.preps = append(e.preps, told{p, 0, true})
				m.becomes(s, string(p.Do))
				s.soaked = true
			}
		}
	}
}

// boil turns what is dry into what it is cooked, weighed anew.
func (m *procedure) boil(e *entry) {
	if e.boiled {
		return
	}
	e.boiled = true
	if e.food.Has("cook-first") || e.item.Boiled {
		for _, y := range m.foods.Yields() {
			if y.Dry == e.food {
				e.item.Food, e.item.Grams, e.food = y.Cooked.ID, e.item.Grams*y.Factor, y.Cooked
				return
			}
		}
		if e.food.Has("cook-first") {
			return
		}
	}
	for raw, cooked := range poached {
		if e.food.ID == raw {
			e.food = m.foods.Find(cooked.food)
			e.item.Food, e.item.Grams = cooked.food, e.item.Grams*cooked.share
			return
		}
	}
	// What has no dry food of its own in the catalogue takes up as much as its kind does.
	if (e.item.Dry || !m.saysCooked(e) && e.item.Unit != "pack") && e.food.State == food.Cooked && (e.food.Group == food.Grain || e.food.Group == food.Legume) && !m.hasDry(e.food) {
		e.item.Grams = math.Round(10*e.item.Grams*takesUp[e.food.Group]) / 10
		e.item.Dry = false
		return
	}
	// "1 cup millet" that the method boils was dry.
	if e.item.Said && e.item.Unit != "pack" && e.food.Group != food.Vegetable && !m.saysCooked(e) {
		for _, y := range m.foods.Yields() {
			if y.Cooked == e.food {
				if dry := m.reader.Reweigh(e.item, y.Dry); dry > 0 {
					e.item.Grams = math.Round(10*dry*y.Factor) / 10
				}
				return
			}
		}
	}
}

func (m *procedure) hasDry(f *food.Food) bool {
	return slices.ContainsFunc(m.foods.Yields(), func(y food.Yield) bool { return y.Cooked == f })
}

func (m *procedure) saysCooked(e *entry) bool {
	return slices.Contains(e.item.Words, "cooked") || e.item.Cooked
}

// takesUp is what dry grains and legumes come to, cooked, g per g: kitchen practice.
var takesUp = map[food.Group]float64{food.Grain: 2.8, food.Legume: 2.4}

// poached is what raw fish and groats become, and what of it stays or comes of it: kitchen practice.
var poached = map[string]struct {
	food  string
	share float64
}{"buckwheat-soaked": {"buckwheat-cooked", 2.4}, "white-fish-raw": {"white-fish-cooked", 0.82}, "salmon-raw": {"salmon-cooked", 0.82}}
