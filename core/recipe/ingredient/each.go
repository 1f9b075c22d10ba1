package ingredient

import (
	"slices"
	"unicode/utf8"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// longestLabel is how many words may stand before the colon that ends a label: "dry mix:".
const longestLabel = 3

// label gives the token behind what a line begins with before it comes to its food: a label such as "binder:" or "veg:", or words
// such as "so you need". It gives 0 where there is neither. The name of a food before a colon is no label: "chickpea flour: 50 g".
func (s *scan) label() int {
	if lead := words.LeadOf(s.main); lead > 0 && lead < len(s.main) {
		return lead
	}
	for k := 1; k <= longestLabel && k+1 < len(s.main); k++ {
		if s.main[k].Is(":") || s.main[k].Is("=") {
			f, _, _ := s.longest(0, k)
			m := s.measure(0)
			counted := m.said && (s.main[0].Kind == words.Number || m.unit != "")
			if behind, _, _ := s.longest(k+1, len(s.main)); f != nil || behind == nil || counted {
				return 0
			}
			return k + 1 + words.LeadOf(s.main[k+1:])
		}
		if s.main[k].Kind != words.Word {
			return 0
		}
	}
	return 0
}

// eachByItself reads a line of several foods, the first with its amount behind it, where words and brackets are of the food
// that they stand with: "leek 2 (sweated), celeriac 200 (grated), salt 7 g", "oats (60 g), 1 tbsp tomato purée, oil to fry".
// Every part is read as a line of its own, and all have to be understood. It gives false where that is not so.
func (s *scan) eachByItself(from int) bool {
	if s.part || s.line.Divided {
		return false
	}
	var parts []Reading
	var ends []int
	start, said, aside := from, 0, 0
	for k := from; k <= len(s.main); k++ {
		if k < len(s.main) && !s.at(k).Is(",") && !s.at(k).Is(";") && !s.at(k).Of("word.plus") && !(s.at(k).Is("/") && s.parts(k)) {
			continue
		}
		if k == start {
			return false
		}
		end := len(s.text)
		if k < len(s.main) {
			end = s.main[k].At
		}
		inner := newScan(s.r, s.text[s.main[start].At:end], s.l)
		inner.part, inner.taste = true, true
		if len(inner.main) == 0 || len(parts) == 0 && (inner.main[0].Kind != words.Word || inner.measure(0).said) {
			return false
		}
		inner.read()
		if !inner.line.understood() {
			return false
		}
		if inner.line.Role != "" {
			aside++
		} else if inner.line.Items[0].Said {
			said++
		} else if f := s.r.foods.Find(inner.line.Items[0].Food); f == nil || !minor(f) {
			return false
		}
		parts, ends, start = append(parts, inner.line), append(ends, start), k+1
	}
	if len(parts) < 2 || said < 2 {
		return false
	}
	s.line.Items = nil
	if aside > 0 && aside < len(parts) {
		s.line.Role = "" // it is of a part of the line only, such as the oil to fry in
	}
	for i := range parts {
		if parts[i].Role != s.line.Role {
			continue
		}
		before := utf8.RuneCountInString(s.text[:s.main[ends[i]].At])
		for _, span := range parts[i].Spans {
			span.At, span.End = span.At+before, span.End+before
			s.line.Spans = append(s.line.Spans, span)
		}
		s.line.Items = append(s.line.Items, parts[i].Items...)
		if s.line.Notes != "" && parts[i].Notes != "" {
			s.line.Notes += " "
		}
		s.line.Notes += parts[i].Notes
	}
	s.mixed()
	lists := s.listsSaid()
	for i := range s.line.Items {
		s.line.Items[i].lists = lists
	}
	s.gelInLine()
	slices.SortStableFunc(s.line.Spans, func(a, b Phrase) int { return a.At - b.At })
	return true
}

// seasonings reads a line of nothing but seasonings without amounts, with or without commas between them: "sal pimienta",
// "s+p", "salt pepper to taste". It gives false where anything else is said.
func (s *scan) seasonings(from int) bool {
	found := s.onlySeasonings(from)
	if len(found) < 2 {
		return false
	}
	for i := range found {
		s.takeBehind(&found[i])
	}
	return true
}

// seasoningsBehind reads the seasonings without amounts that a line ends with behind a comma: "2 carrots, grated, salt and pepper".
func (s *scan) seasoningsBehind() {
	if len(s.line.Items) == 0 || s.line.Items[0].Food == "" {
		return
	}
	for k := max(0, s.line.Items[0].end); k+1 < len(s.main); k++ {
		if !s.at(k).Is(",") {
			continue
		}
		found := s.onlySeasonings(k + 1)
		for i := range found {
			if !s.used[s.main[found[i].a].At] && !slices.ContainsFunc(s.line.Items, func(it Ingredient) bool { return it.Food == found[i].f.ID }) {
				s.takeBehind(&found[i])
			}
		}
		if found != nil {
			return
		}
	}
}

// onlySeasonings gives the seasonings that stand from a token to the end of the line; none where anything else does.
func (s *scan) onlySeasonings(from int) (found []foodAndAmount) {
	for k := from; k < len(s.main); {
		t := s.at(k)
		if n := t.In("word.salt and pepper").N; n > 0 {
			for _, id := range [...]string{"salt", "dry-spice"} {
				found = append(found, foodAndAmount{f: s.r.foods.Find(id), a: k, b: k + n})
			}
			k += n
			continue
		}
		f, n := s.r.foodAt(s.main, k, s.l, state{spooned: true})
		switch {
		case f != nil && minor(f):
			found = append(found, foodAndAmount{f: f, a: k, b: k + n})
			k += n
		case f == nil && (t.Is(",") || t.Is("+") || t.Is("/") || t.Of("word.and") || t.Of("word.plus") || known(t) > 0 || small[t.Plain]):
			if t.Under("do.").N > 0 {
				return nil // "with salt, and well squeezed"
			}
			k += max(1, known(t))
		default:
			return nil
		}
	}
	return found
}

// understood says that every food of a line and all that is said of it was found.
func (l *Reading) understood() bool {
	return l.Rest == "" && len(l.Faults) == 0 && !slices.ContainsFunc(l.Items, func(it Ingredient) bool {
		return it.Food == "" || it.FoodSure < 0.7 || it.Grams <= 0
	})
}

// liquidInBrackets adds the liquid that brackets have a gel left in: "flax 12 g (in 40 g water)".
func (s *scan) liquidInBrackets() {
	if len(s.line.Items) != 1 {
		return
	}
	if f := s.r.foods.Find(s.line.Items[0].Food); f == nil || !food.SoakGel.Suits(f) {
		return
	}
	inside := s.bracketed()
	if len(inside) != 1 {
		return
	}
	if f := s.r.foods.Find(inside[0].Food); f == nil || !f.Is(food.Liquid) {
		return
	}
	inside[0].at, inside[0].end, inside[0].Said = -1, 0, true
	s.line.Items = append(s.line.Items, inside[0])
}

// boiledInBrackets notes that brackets tell how a dry grain or legume is boiled, which the amount before them is of: "1 cup brown
// lentils (cooked in 3 cups of broth)".
func (s *scan) boiledInBrackets() {
	if len(s.line.Items) != 1 || s.state.cooked || s.state.canned || s.line.Items[0].Unit == "pack" {
		return
	}
	it := &s.line.Items[0]
	if f := s.r.foods.Find(it.Food); f == nil || f.Group != food.Grain && f.Group != food.Legume {
		return
	}
	for _, b := range s.brackets {
		if slices.ContainsFunc(b, func(t words.Token) bool { return t.Of("word.refuse") || t.Of("do.soak") }) {
			continue // "(soaked overnight, NOT cooked)"
		}
		boils := slices.ContainsFunc(b, func(t words.Token) bool { return t.Of("do.boil") || t.Of("do.cook") || t.Of("heat.simmer") })
		for k := range b {
			f, _ := s.r.FoodAt(b, k, s.l)
			minutes, _ := Minutes(b, k)
			if boils && (f != nil && f.Is(food.Liquid) || minutes > 0) {
				it.Boiled, it.Cooked = true, false
				return
			}
		}
	}
}

// fatInBrackets adds the fat, with its amount, that brackets have a food fried in: "leeks (sweated in 25 g butter)".
func (s *scan) fatInBrackets() {
	if len(s.line.Items) != 1 {
		return
	}
	for _, b := range s.brackets {
		inner := &scan{r: s.r, text: s.text, l: s.l, main: b, used: map[int]bool{}, free: map[string]bool{}, taste: true}
		f, m, at, end := inner.fatAndAmount()
		if f == nil || !s.cookedIn(b) || f.ID == s.line.Items[0].Food {
			continue
		}
		it := Ingredient{FoodSure: 1, Food: f.ID, Words: inner.stems(at, end), at: -1}
		inner.weigh(&it, f, &m)
		if it.Grams > 0 {
			s.line.Items = append(s.line.Items, it)
		}
		return
	}
}

// fatAndAmount finds a fat with an amount before its name or behind it: "25 g butter", "butter 25 g"; nil where there is none.
func (s *scan) fatAndAmount() (f *food.Food, m measured, at, end int) {
	for k := range s.main {
		found, n := s.r.FoodAt(s.main, k, s.l)
		if found == nil || found.Group != food.Fat {
			continue
		}
		if behind := s.measure(k + n); behind.said && behind.unit != "" && !behind.bad {
			return found, behind, k, k + n
		}
		for from := max(0, k-4); from < k; from++ {
			if before := s.measure(from); before.said && before.unit != "" && !before.bad && from+before.n == k {
				return found, before, k, k + n
			}
		}
	}
	return nil, measured{}, 0, 0
}
