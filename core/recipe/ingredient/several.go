package ingredient

import (
	"cmp"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// composed reads what a phrase such as "flax egg" is made of, as its brackets say or as
// is usual.
func (s *scan) composed() bool {
	made, a, b := s.composite()
	if made == nil {
		return false
	}
	m := s.measure(0)
	if m.said {
		s.mark(0, m.n)
		s.span(s.main[m.begins].At, s.main[m.n-1].End, "amount")
	}
	count := max(m.amount, 1)
	if m.said && m.amount > 0 && m.amount < 1 {
		count = m.amount
	}
	s.mark(a, b)
	s.span(s.main[a].At, s.main[b-1].End, "food")
	minutes := s.minutesAnywhere()
	if own := s.bracketed(); len(own) > 1 {
		for i := range own {
			for _, part := range made {
				if f := s.r.foods.Find(own[i].Food); f != nil && f.Group == s.r.foods.Find(part.food).Group && part.prep != nil {
					own[i].Prep = withMinutes(part.prep, minutes)
				}
			}
		}
		s.line.Items = own
		return true
	}
	if slices.ContainsFunc(s.main, func(t words.Token) bool { return t.Of("word.double") }) {
		count *= 2
	}
	for _, part := range made {
		it := Ingredient{Food: part.food, Amount: m.amount, FoodSure: 1, GramsSure: 0.8, Said: true, Grams: count * part.grams, Prep: withMinutes(part.prep, minutes)}
		it.Words = strings.Fields(key(words.Tokens(strings.ReplaceAll(part.food, "-", " "), s.l), s.l))
		if s.l == words.Spanish {
			it.Words = strings.Fields(key(words.Tokens(words.Plain(s.r.foods.Find(part.food).NameES), s.l), s.l))
		}
		s.line.Items = append(s.line.Items, it)
	}
	s.ground()
	return true
}

// ground takes the ground form of a seed where the line says so.
func (s *scan) ground() {
	it := &s.line.Items[0]
	if it.Food != "chia-whole" {
		return
	}
	for t := range s.everywhere {
		if t.Of("word.ground") {
			it.Food, it.Grams = "chia-ground", it.Grams*s.r.foods.Find("chia-ground").GramsPerCup/s.r.foods.Find("chia-whole").GramsPerCup
			return
		}
	}
}

func withMinutes(prep []food.Preparation, minutes float64) []food.Preparation {
	out := slices.Clone(prep)
	for i := range out {
		if minutes > 0 && out[i].Do.Setting() == "minutes" {
			out[i].Minutes = minutes
		}
	}
	return out
}

// minutesAnywhere is the first time that the line gives, min; 0 for none.
func (s *scan) minutesAnywhere() float64 {
	for _, tokens := range append([][]words.Token{s.main}, s.brackets...) {
		for i := range tokens {
			if v, _ := Minutes(tokens, i); v > 0 {
				return v
			}
		}
	}
	return 0
}

func (s *scan) composite() (made composite, a, b int) {
	for i := range s.main {
		for k := min(len(s.main), i+longest+2); k > i; k-- {
			if c := s.r.made[s.l][key(s.main[i:k], s.l)]; c != nil && !small[s.main[i].Plain] && s.main[i].Kind == words.Word {
				return c, i, k
			}
		}
	}
	return nil, 0, 0
}

// bracketed reads the foods with amounts that stand in brackets: "(1 tbsp ground flax
// + 3 tbsp water)", "(2 cucharadas de linaza y 6 de agua)".
func (s *scan) bracketed() (out []Ingredient) {
	for _, b := range s.brackets {
		inner := &scan{r: s.r, text: s.text, l: s.l, main: b, used: map[int]bool{}, free: map[string]bool{}, taste: true}
		for i := range b {
			inner.state.dry = inner.state.dry || b[i].Of("word.ground")
		}
		unit, per := "", 0.
		for i := 0; i < len(b); {
			m := inner.measure(i)
			if !m.said || m.n == 0 {
				i++
				continue
			}
			if m.unit == "" && unit != "" {
				m.unit, m.per = unit, per
			}
			unit, per = m.unit, m.per
			end := inner.cut(i + m.n)
			for k := i + m.n; k < end; k++ { // another amount begins another food
				if k > i+m.n && (b[k].Kind == words.Number || inner.joint(k) > 0) {
					end = k
				}
			}
			f, x, y := inner.find(i+m.n, end)
			if f == nil {
				i += m.n
				continue
			}
			inner.mark(x, y)
			it := Ingredient{FoodSure: 1, Food: f.ID, Words: inner.stems(x, y)}
			s.asGrams(f, &m)
			inner.weigh(&it, f, &m)
			if it.Grams > 0 {
				out = append(out, it)
			}
			i = max(y, i+m.n)
		}
	}
	return out
}

// list reads a line without any amount that names several foods: "salt, pepper and
// nutmeg". It is one only where each of them is a food and nothing else.
func (s *scan) list(from int) bool {
	type piece struct{ a, b int }
	var pieces []piece
	start := from
	for k := from; k <= len(s.main); k++ {
		t := s.at(k)
		split := k == len(s.main) || t.Is(",") || t.Is("/") || t.Of("word.and") || t.Of("word.plus")
		if !split {
			continue
		}
		if k > start {
			pieces = append(pieces, piece{start, k})
		}
		start = k + 1
	}
	var items []Ingredient
	for _, p := range pieces {
		if m := s.measure(p.a); m.said && m.unit != "" || slices.ContainsFunc(s.main[p.a:p.b], func(t words.Token) bool { return t.Kind == words.Number }) {
			return false
		}
		f, a, b := s.longest(p.a, p.b)
		if f == nil {
			if len(s.strangers(p.a, p.b)) == 0 {
				continue // "to taste"
			}
			return false
		}
		if len(s.strangers(p.a, a))+len(s.strangers(b, p.b)) > 0 || f.Group != food.Flavour && f.Group != food.Vegetable && f.Group != food.Fat && f.Group != food.Wet {
			return false
		}
		items = append(items, Ingredient{Food: f.ID, at: a, end: b, Words: s.stems(a, b)})
	}
	if len(items) < 2 {
		return false
	}
	s.pepperAmongVegetables(items)
	for i := range items {
		it := &items[i]
		f := s.r.foods.Find(it.Food)
		if at := slices.IndexFunc(s.line.Items, func(o Ingredient) bool { return o.Food == it.Food }); at >= 0 {
			s.mark(it.at, it.end)
			s.line.Items[at].Name += ", " + s.text[s.main[it.at].At:s.main[it.end-1].End]
			s.line.Items[at].Grams += seasonG
			continue
		}
		it.FoodSure = cmp.Or(it.FoodSure, 1)
		if f.ManyAlike {
			it.Name = s.text[s.main[it.at].At:s.main[it.end-1].End]
		}
		s.mark(it.at, it.end)
		s.span(s.main[it.at].At, s.main[it.end-1].End, "food")
		s.taste = true
		s.weigh(it, f, &measured{})
		s.line.Items = append(s.line.Items, *it)
	}
	return true
}

// pepperAmongVegetables takes "pepper" for the vegetable where a list has other vegetables and no salt, "onion, pepper, celery"; it
// could be the spice, and is not sure.
func (s *scan) pepperAmongVegetables(items []Ingredient) {
	const sure = 0.6
	vegetables := 0
	for i := range items {
		f := s.r.foods.Find(items[i].Food)
		switch {
		case f.ID == "salt":
			return
		case f.Group == food.Vegetable && !aromatics[f.ID]:
			vegetables++
		}
	}
	for i := range items {
		it := &items[i]
		vegetable, n := s.r.FoodAt(s.main, it.at, s.l)
		if vegetables > 0 && it.Food == "dry-spice" && vegetable != nil && vegetable.Group == food.Vegetable && n == it.end-it.at {
			it.Food, it.FoodSure = vegetable.ID, sure
		}
	}
}

// boiledIn says that the words before a liquid tell that something is boiled in it.
func (s *scan) boiledIn(from, to int) bool {
	for k := from; k < to; k++ {
		if t := s.at(k); t.Of("do.boil") || t.Of("do.cook") || t.Of("state.cooked") && k+1 == to-1 {
			return s.at(to-1).Of("word.in") || s.at(to-1).Of("word.with")
		}
	}
	return false
}

// sameAgain says that a bare number at a place has the unit of the amount before: "one of".
func (s *scan) sameAgain(k int) bool {
	_, n := s.number(k)
	return n > 0 && s.at(k).Kind == words.Word && s.at(k+n).Of("word.of") && s.at(k+n+1).Under("unit.").N == 0
}

// runsOn says that another food with its own amount begins at a place, without a word or a mark between: "1 tsp cumin 1 tsp garlic powder".
func (s *scan) runsOn(from, k int) bool {
	if k < from || k == 0 || s.at(k).Kind != words.Number && !s.at(k).Of("number") || s.at(k-1).Kind != words.Word || s.at(k-1).Of("about") || s.at(k-1).Of("word.of") {
		return false
	}
	m := s.measure(k)
	next := k + m.n
	if !m.said || m.unit == "" || m.unit == "pack" || next >= len(s.main) {
		return false
	}
	behind, _ := s.r.FoodAt(s.main, next, s.l)
	before, _, _ := s.longest(from, k)
	return behind != nil && (before != nil || s.used[s.at(k-1).At])
}

// verbAt is where words begin to tell what is done to a food; the end where they do not.
func (s *scan) verbAt(from, end int) int {
	for k := from; k < end; k++ {
		if s.at(k).Under("do.").N > 0 {
			return k
		}
	}
	return end
}

// waterAt says that water is named at a place: "1 tbsp ground flax + 3 water" is of spoons too.
func (s *scan) waterAt(k int) bool {
	f, _ := s.r.FoodAt(s.main, k, s.l)
	return f != nil && f.ID == "water"
}

// others reads the foods that come after the first, each with its own amount, or
// seasonings without: "½ tsp salt and lots of black pepper", "1 tsp each salt and
// pepper".
func (s *scan) others(from int, first *measured) {
	f := s.r.foods.Find(s.line.Items[0].Food)
	start := 0
	if len(s.line.Items) > 0 && s.line.Items[0].end > 0 {
		start = s.line.Items[0].end
	}
	previous := *first
	for k := start; k < len(s.main); k++ {
		n := s.joint(k)
		if s.at(k).Is(",") {
			n = 1
		}
		again := n == 0 && (first.unit != "" && (s.sameAgain(k) || s.at(k).Of("word.same") && s.another(k)) || s.runsOn(start, k)) // dictated: "two teaspoons of cumin one of coriander"
		if n == 0 && !again || s.used[s.at(k).At] {
			continue
		}
		if _, many := s.number(k + n + 1); n > 0 && many > 0 && (s.at(k+n).Of("word.juice") || s.at(k+n).Of("word.zest")) {
			n++ // "..., juice 1 lemon, ..."
		}
		if both := s.at(k + n).In("word.salt and pepper").N; n > 0 && both > 0 { // "..., s + p"
			for _, id := range [...]string{"salt", "dry-spice"} {
				s.takeBehind(&foodAndAmount{f: s.r.foods.Find(id), a: k + n, b: k + n + both})
			}
			k += n + both - 1
			continue
		}
		m := s.measure(k + n)
		if u := s.at(k + n).Under("unit."); !m.said && n > 0 && (u.List == "unit.tbsp" || u.List == "unit.tsp" || u.List == "unit.cup") {
			m = measured{said: true, amount: 1, unit: strings.TrimPrefix(u.List, "unit."), per: u.Value, n: u.N, begins: k + n} // "..., tbsp dijon"
		}
		named := m.n > 0 && (m.said && m.unit != "" || m.unit == "grind")
		switch {
		case s.another(k+n) && first.said:
			m, n = *first, n+s.at(k+n).In("another").N+1 // "1 manojo de perejil y otro de cilantro"
			m.n, named = 0, true
		case m.said && m.unit == "" && previous.unit != "" && (s.at(k+n+m.n).Of("word.of") || s.waterAt(k+n+m.n) && (previous.unit == "tbsp" || previous.unit == "tsp")):
			m.unit, m.per, named = previous.unit, previous.per, true // "1 cda. de lino con 3 de agua", "2 tsp of cumin and one of coriander"
		case !named && m.said && m.unit == "" && (s.at(k+n).Kind == words.Number || s.at(k+n).Of("number")): // "1 onion and 1 red pepper"
			if other, at, _ := s.longest(k+n+m.n, s.cut(k+n+m.n)); other != nil && at == k+n+m.n && other.GramsPerPiece > 0 {
				named = !s.at(k).Is(",") || s.at(k+n).Kind == words.Number || other.ID != s.line.Items[0].Food // "..., half an onion"
			}
		}
		seasoning := f != nil && minor(f) || len(s.line.Items) > 1 // "..., 1 T soy, smoked paprika"
		if !named && !first.each && !seasoning {
			continue
		}
		if !named && s.at(k+n).Of("word.the") {
			continue // "in with the mushrooms", which have a line of their own
		}
		end := s.cut(k + n + m.n)
		for b := k + n + m.n + 1; b < end; b++ {
			aside := s.at(b).Is("-") && !s.at(b).Glued || s.at(b).Of("word.as") || s.at(b).Of("instead") || s.at(b).Of("word.in place of")
			if s.at(b).Of("word.for") {
				end = b // "in ¼ cup of water for the egg"
			} else if own, _, _ := s.longest(k+n+m.n, b); aside && own != nil {
				end = b // "2 tbsp water - this is your egg"
			}
		}
		found, a, b := s.longest(k+n+m.n, end)
		if juice := k + n + m.n; found == nil && named && f != nil && f.ID == "lemon-zest" { // "zest of 1 lemon plus 1 tbsp juice"
			for juice < end && !s.at(juice).Of("word.juice") && (small[s.at(juice).Plain] || known(s.at(juice)) > 0 || s.at(juice).Plain == "su") {
				juice++
			}
			if juice < end && s.at(juice).Of("word.juice") {
				found, a, b = s.r.foods.Find("lemon-juice"), juice, juice+1
			}
		}
		if found == nil || len(s.strangers(k+n+m.n, a)) > 0 && found.ID != "lemon-juice" {
			continue
		}
		if next, _ := s.r.foodAt(s.main, b+s.joint(b), s.l, state{spooned: true}); b < end && s.joint(b) > 0 && next != nil && minor(next) {
			end = b // "salt and pepper" are two
		}
		if soaked := s.at(k).Of("do.soak") || s.at(k-1).Of("do.soak"); !named && soaked && found.Is(food.Liquid) {
			if s.within(b-1, b); s.said.grams > 0 { // "soaked in milk (100 ml)"
				m, named = measured{said: true, amount: s.said.grams, unit: "g", per: 1, begins: a}, true
			}
		}
		if found.Is(food.Liquid) && s.boiledIn(start, k+n) {
			s.mark(k, b) // "lentils, simmered in 500 ml of water": it is theirs already
			if it := &s.line.Items[0]; f != nil && (f.Group == food.Grain || f.Group == food.Legume) && it.Unit != "pack" {
				it.Boiled, it.Cooked = true, false
			}
			continue
		}
		shared := !named && !first.each && f != nil && aromatics[f.ID] && aromatics[found.ID] && found != f && (first.unit == "cup" || first.unit == "handful" || first.unit == "bunch") && len(s.line.Items) == 1
		if shared { // "1 cup parsley and cilantro": half of it each
			m = *first
			m.amount /= 2
			s.line.Items[0].Grams /= 2
		} else if !named && first.each {
			m = *first
		} else if !named && !minor(found) || !named && s.at(k).Is(",") && (found.Group != food.Flavour || end < len(s.main) || len(s.strangers(b, end)) > 0) {
			continue
		}
		if other := s.r.foods.Find(s.r.Swap(found.ID, "teaspoon")); other != nil && m.unit == "tsp" && !s.state.leafy {
			found = other // "1/2 tsp each of cumin and coriander"
		}
		it := Ingredient{Food: found.ID, FoodSure: 1, at: a, end: b, Words: s.stems(a, b)}
		if len(s.strangers(b, s.verbAt(b, end))) > 0 {
			it.FoodSure = 0.5
		}
		if s.at(a).In("word.vague").N == b-a {
			it.FoodSure = min(it.FoodSure, 0.6) // "..., 30 g seeds"
		}
		if found.ManyAlike {
			it.Name = s.text[s.main[a].At:s.main[b-1].End]
		}
		s.mark(k+n, b)
		if own := s.at(k + s.joint(k)).In("another").N; own > 0 {
			s.mark(k, k+s.joint(k)+own)
		}
		s.span(s.main[a].At, s.main[b-1].End, "food")
		taste := s.taste
		s.taste = true
		s.within(b, s.ownReach(b))
		s.weigh(&it, found, &m)
		s.taste = taste
		if named && m.unit != "" {
			previous = m
		}
		if it.Food != s.line.Items[0].Food || !named || found.Group == food.Flavour || it.Name != "" && it.Name != s.line.Items[0].Name {
			s.line.Items = append(s.line.Items, it)
		}
		k = b - 1
	}
}
