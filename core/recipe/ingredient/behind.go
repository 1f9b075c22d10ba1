package ingredient

import (
	"math"
	"slices"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// foodAndAmount is a food of a line and the amount that stands behind it; with no amount m.n is 0.
type foodAndAmount struct {
	f    *food.Food
	a, b int // the tokens of its name
	m    measured
}

// listBehind reads a line of several foods that have their amounts behind them: "leek 1, carrots 2",
// "flax 2 tbsp / water 6 tbsp", "cumin, chilli: 1 tsp each". Each of them is a food, an amount, and nothing
// else but what describes it; at least one amount is there.
func (s *scan) listBehind(from int) bool {
	end := len(s.main)
	for k := from; k < len(s.main); k++ {
		if s.at(k).Is(":") && s.at(k+1).Under("do.").N > 0 {
			end = k // "leek 1, carrots 2: sweat"
		}
	}
	var found []foodAndAmount
	var each measured // an amount that each of them has
	amounts, start := 0, from
	for k := from; k <= end; k++ {
		if k < end && !s.parts(k) {
			continue
		}
		if m := s.measure(start); m.said && m.each && start+m.n == k { // "fennel, oregano, 1 tsp each"
			each, amounts, start = m, amounts+1, k+1
			continue
		}
		p, ok := s.withAmount(start, k)
		if !ok && k == end && len(found) > 1 && (s.at(start).Of("word.all") || s.at(start).Of("word.both")) && len(s.strangers(start+1, end)) == 0 {
			break // "leek 1, carrot 2, all sweated"
		}
		if !ok {
			return false
		}
		if p.m.n > 0 {
			amounts++
		}
		if p.m.each {
			each = p.m
		}
		found, start = append(found, p), k+1
	}
	if len(found) < 2 || amounts == 0 {
		return false
	}
	for i := range found {
		if found[i].m.n == 0 {
			found[i].m = each
		}
	}
	if slices.ContainsFunc(found, func(p foodAndAmount) bool { return p.m.n == 0 && !minor(p.f) }) {
		return false
	}
	for i := range found {
		next := len(s.main)
		if i+1 < len(found) {
			next = found[i+1].a - 1
		}
		s.within(found[i].a, next)
		s.takeBehind(&found[i])
	}
	s.alike = true
	return true
}

// parts says that the token at a place stands between two foods of a line: a comma, a stroke that is no fraction, "and", "plus".
func (s *scan) parts(k int) bool {
	t := s.at(k)
	fraction := t.Is("/") && s.at(k-1).Kind == words.Number && s.at(k+1).Kind == words.Number
	return t.Is(",") || t.Is("/") && !fraction || t.Of("word.and") || t.Of("word.plus")
}

// withAmount reads the tokens from start to end as one food, with its amount behind it, before it or not at all. It gives false where
// no food is there, or words that it does not understand.
func (s *scan) withAmount(start, end int) (p foodAndAmount, ok bool) {
	if m := s.measure(start); m.said && m.unit != "" && !m.bad && start+m.n < end && !s.time(start) { // "..., salt and a splash of soy sauce"
		p.m, start = m, start+m.n
		p.f, p.a, p.b = s.longest(start, end)
		return p, p.f != nil && len(s.strangers(start, p.a))+len(s.strangers(p.b, end)) == 0
	}
	behind := end
	for b := start + 1; b < end; b++ {
		if s.at(b).Kind != words.Number && !s.at(b).Of("number") {
			continue
		}
		if m := s.measure(b); m.said && !m.bad && !s.time(b) {
			p.m, behind = m, b
		}
		break
	}
	if p.f, p.a, p.b = s.longest(start, behind); p.f == nil || len(s.strangers(start, p.a))+len(s.strangers(p.b, behind)) > 0 {
		return p, false
	}
	if rest := behind + p.m.n; behind < end && (len(s.strangers(rest, end)) > 0 || rest < end && s.at(rest).Kind == words.Number) {
		return p, false
	}
	s.asGrams(p.f, &p.m)
	return p, true
}

// takeBehind makes a food with its amount an item of the line.
func (s *scan) takeBehind(p *foodAndAmount) {
	s.sizeOf(&p.m, p.f, p.a, p.b)
	it := Ingredient{Food: p.f.ID, FoodSure: 1, at: p.a, end: p.b, Words: s.stems(p.a, p.b)}
	if p.f.ManyAlike {
		it.Name = s.text[s.main[p.a].At:s.main[p.b-1].End]
	}
	s.mark(p.a, p.b)
	s.span(s.main[p.a].At, s.main[p.b-1].End, "food")
	if p.m.n > 0 {
		end := min(len(s.main), p.m.begins+p.m.n)
		s.mark(p.m.begins, end)
		if p.m.begins >= p.b {
			s.span(s.main[p.m.begins].At, s.main[end-1].End, "amount")
		}
	}
	taste := s.taste
	s.taste = true // that one has no amount is no fault of the line
	s.weigh(&it, p.f, &p.m)
	s.taste = taste
	s.line.Items = append(s.line.Items, it)
}

// leastGrams is from which number on a bare one behind a food counts grams, not pieces: "walnuts 80".
const leastGrams = 20

// leastLoose is the same for what nobody counts, because it comes in no pieces: "flax 12".
const leastLoose = 5

// leastFront is from which number on a bare one before a food may count grams: "150 potato", "100 walnuts", but "20 olives".
const leastFront = 50

// frontGrams takes a bare number before a food for grams where nobody counts so many of it.
func (s *scan) frontGrams(at int, m *measured) {
	if !m.said || m.unit != "" || m.amount < leastFront || m.high != 0 || math.Mod(m.amount, 5) != 0 {
		return
	}
	if f, _, _ := s.longest(at, s.cut(at)); f != nil {
		s.asGrams(f, m)
	}
}

// asGrams takes a number without a unit for grams where nobody counts that many pieces of the food: "walnuts 80" are 80 g.
func (s *scan) asGrams(f *food.Food, m *measured) {
	const smallPiece, mostGrams = 15, 2500
	if m.said && m.unit == "" && m.amount >= leastLoose && f.GramsPerPiece == 0 && (f.Group == food.Gel || f.Group == food.Starch || f.Is(food.Liquid)) {
		m.unit, m.per = "g", 1
		return
	}
	if m.said && m.unit == "" && m.amount >= leastGrams && (f.GramsPerPiece < smallPiece || m.amount*f.GramsPerPiece > mostGrams) {
		m.unit, m.per = "g", 1
	}
}
