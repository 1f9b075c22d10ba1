package recipe

import (
	"slices"
	"strings"
	"unicode/utf8"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// call gives the stems that an entry may be called by.
func (e *entry) call(r *ingredient.Reader, l words.Language) {
	e.names = map[string]bool{}
	for _, w := range e.item.Words {
		e.names[w] = true
	}
	if n := len(e.item.Words); n > 0 {
		e.head = e.item.Words[n-1]
		if l.HeadFirst() {
			e.head = e.item.Words[0]
		}
	}
	for _, w := range r.Aliases(e.food.ID, l) {
		e.names[w] = true
	}
}

// mentionsOf finds the foods that a sentence names.
func (m *procedure) mentionsOf(s *sentence) {
	for i := 0; i < len(s.tokens); i++ {
		t := &s.tokens[i]
		if t.Kind != words.Word {
			continue
		}
		if t.Of("all") && !s.partOfAll(i) && !s.notAll(i) {
			if rest := m.restOf(s, i); rest != nil {
				s.mentions = append(s.mentions, mention{at: i, n: t.In("all").N, items: rest, rest: true})
				i += t.In("all").N - 1
				continue
			}
			s.all = true
		}
		if half, n := s.halfOfIt(i); half > 0 {
			if before := m.namedBefore(s); before != nil {
				s.mentions = append(s.mentions, mention{at: i, n: n, items: before, half: half})
				i += n - 1
				continue
			}
		}
		if n := m.otherBinder(s, i); n > 0 {
			i += n - 1
			continue
		}
		items, n, best := []int(nil), 0, 0
		kind := false
		for _, k := range m.byStem[words.Stem(t.Plain)] {
			e := m.entries[k]
			count, head := 0, false
			end := i
			for j := i; j < len(s.tokens) && j < i+6; j++ {
				u := &s.tokens[j]
				stem := words.Stem(u.Plain)
				if e.names[stem] && u.Kind == words.Word {
					count++
					head = head || stem == e.head
					end = j + 1
					continue
				}
				if count == 0 || !(u.Is("-") || u.Of("word.of") || u.Plain == "la") {
					break
				}
			}
			if count == 0 || !head && count == 1 && (t.Of("word.generic") || t.Under("group.").N > 0) {
				continue
			}
			quality := 2 * count
			if head {
				quality++
			}
			switch {
			case quality > best:
				best, items, n = quality, []int{k}, end-i
			case quality == best:
				items = append(items, k)
			}
		}
		if len(items) == 0 {
			if g := t.Under("group."); g.N > 0 && !s.likened(i) {
				items, n, kind = m.groupedAt(s, i, g), g.N, true
			}
		}
		if len(items) == 0 {
			continue
		}
		at := mention{at: i, n: n, items: items, kind: kind}
		if own := m.spokenAt(s, i, items); own != nil {
			at.items = own
		} else {
			m.portion(s, &at)
		}
		s.mentions = append(s.mentions, at)
		i += n - 1
	}
}

// halfOfIt reads the share that a token begins to say of what was named before, "half of them" or "mash
// half", and how many tokens that takes.
func (s *sentence) halfOfIt(i int) (half float64, n int) {
	h := s.tokens[i].In("half of")
	end := i + h.N
	for end < len(s.tokens) && s.tokens[end].Of("word.of") {
		end++
	}
	switch {
	case h.N == 0:
		return 0, 0
	case end < len(s.tokens) && s.tokens[end].Of("word.it"):
		return h.Value, end + 1 - i
	case end == i+h.N && i > 0 && s.tokens[i-1].Under("do.").N > 0 && (end == len(s.tokens) || s.tokens[end].Is(",") || s.tokens[end].Of("word.with")):
		return h.Value, h.N // "mash half"
	}
	return 0, 0
}

// namedBefore gives the one food that was named last, in the sentence or in the one before; nil where that could be several.
func (m *procedure) namedBefore(s *sentence) []int {
	before := s.mentions
	for k := 1; k < len(m.sentences) && len(before) == 0; k++ {
		if &m.sentences[k] == s {
			before = m.sentences[k-1].mentions
		}
	}
	if len(before) == 0 || len(before[len(before)-1].items) != 1 {
		return nil
	}
	return before[len(before)-1].items
}

// otherBinder gives how many tokens the name of a flour or starch has that begins at a place and is none of the list: "roll
// them in rice flour" says nothing of chickpea flour. It gives 0 where none begins there.
func (m *procedure) otherBinder(s *sentence, i int) int {
	f, n := m.reader.FoodAt(s.tokens, i, m.l)
	if f == nil || n < 2 || !f.Group.IsBinder() {
		return 0
	}
	for k := i; k < i+n; k++ {
		t := &s.tokens[k]
		if t.Of("word.generic") || t.Under("group.").N > 0 || t.Kind != words.Word {
			continue
		}
		if len(m.byStem[words.Stem(t.Plain)]) > 0 {
			return 0
		}
	}
	if slices.ContainsFunc(m.entries, func(e *entry) bool { return e.food == f }) {
		return 0
	}
	return n
}

// restOf gives the foods that "the rest" at a token is of, where the sentence before took a share of one: "Process a
// quarter of the salmon. Add the rest."; nil where it is everything else.
func (m *procedure) restOf(s *sentence, i int) []int {
	n := s.tokens[i].In("all").N
	if n == 0 || s.tokens[i+n-1].Plain != "rest" && s.tokens[i+n-1].Plain != "resto" || i+n < len(s.tokens) && s.tokens[i+n].Of("word.of") {
		return nil
	}
	for k := 1; k < len(m.sentences); k++ {
		if &m.sentences[k] != s {
			continue
		}
		before := m.sentences[k-1].mentions
		if len(before) == 1 && before[0].half > 0 && before[0].half < 1 {
			return before[0].items
		}
	}
	return nil
}

// spokenAt gives those of the entries that are told by the phrase a token stands in; nil where it
// stands in none.
func (m *procedure) spokenAt(s *sentence, i int, items []int) (out []int) {
	if len(m.spoken) == 0 {
		return nil
	}
	at := utf8.RuneCountInString(s.text[:s.tokens[i].At])
	for line, p := range m.spoken {
		if p.Step != s.step || at < p.At || at >= p.End {
			continue
		}
		for _, k := range items {
			if m.entries[k].line == line {
				out = append(out, k)
			}
		}
	}
	return out
}

// notAll says that "everything" or "the rest" at a token is not of the mix: "leave the rest whole", "until
// everything is fine".
func (s *sentence) notAll(i int) bool {
	for k := max(0, i-3); k <= i; k++ {
		if n := s.tokens[k].In("not all").N; k+n > i {
			return true
		}
	}
	return false
}

// likened says that a word tells what something is to become or look like: "to a
// flour", "like ground meat".
func (s *sentence) likened(i int) bool {
	for k := i - 1; k >= max(0, i-3); k-- {
		if s.tokens[k].Of("word.become") {
			return true
		}
		if !s.tokens[k].Of("word.coarse") {
			return false
		}
	}
	return false
}

// partOfAll says that "all the" only goes with a food.
func (s *sentence) partOfAll(i int) bool {
	n := s.tokens[i].In("all").N
	if i+n < len(s.tokens) && s.tokens[i+n].Of("word.of") {
		return true
	}
	return n == 2 && s.tokens[i].Plain == "all"
}

func anyOf(ids ...string) func(*food.Food) bool {
	return func(f *food.Food) bool { return slices.Contains(ids, f.ID) }
}

func of(g food.Group) func(*food.Food) bool {
	return func(f *food.Food) bool { return f.Group == g }
}

func named(parts ...string) func(*food.Food) bool {
	return func(f *food.Food) bool {
		return slices.ContainsFunc(parts, func(p string) bool { return strings.Contains(f.ID, p) })
	}
}

// groupedAt gives the entries that a word for a kind of food means at a place: "the grated vegetables"
// are those that the list has grated.
func (m *procedure) groupedAt(s *sentence, i int, g words.Meaning) []int {
	out := m.grouped(g.List)
	if beside := func(k int) bool { return k >= 0 && k < len(s.tokens) && s.tokens[k].Of("word.grated") }; beside(i-1) || beside(i+g.N) {
		grated := slices.DeleteFunc(slices.Clone(out), func(k int) bool { return !m.entries[k].item.Tells("word.grated") })
		if len(grated) > 0 {
			return grated
		}
	}
	return out
}

// grouped gives the entries of a kind that one word names.
func (m *procedure) grouped(list string) (out []int) {
	for k, e := range m.entries {
		if is := groups[list]; is != nil && is(e.food) {
			out = append(out, k)
		}
	}
	return out
}

// portion looks before a mention for how much of the food is meant.
func (m *procedure) portion(s *sentence, at *mention) {
	first := m.entries[at.items[0]]
	joins := func(from int) bool {
		for k := from; k < at.at; k++ {
			t := &s.tokens[k]
			if !t.Of("word.passing") && !t.Of("plain") && !t.Of("variety") {
				return false
			}
		}
		return true
	}
	for b := max(0, at.at-3); b < at.at; b++ {
		at.more = at.more || s.tokens[b].Of("word.extra")
	}
	for k := at.at + at.n; k < min(len(s.tokens), at.at+at.n+3); k++ { // "oats: half ground to flour"
		t := &s.tokens[k]
		if h := t.In("half of"); h.N > 0 {
			if next := k + h.N; next < len(s.tokens) && s.tokens[next].Under("do.").N > 0 {
				at.half = h.Value
			}
			break
		}
		if t.Kind != words.Mark {
			break
		}
	}
	if at.half > 0 {
		return
	}
	for b := max(0, at.at-8); b < at.at; b++ {
		t := &s.tokens[b]
		if h := t.In("half of"); h.N > 0 && joins(b+h.N) {
			at.half = h.Value
			return
		}
		if h := t.In("rest of"); h.N > 0 && (joins(b+h.N) || at.at-b <= 4 && s.tokens[at.at-1].Under("unit.").N == 0) {
			at.rest = true
		}
		few := t.Of("unit.drop") || t.Of("unit.splash") || t.Of("unit.pinch")
		if t.Kind != words.Number && !t.Of("number") && !t.Of("article") && !few {
			continue
		}
		if b > 0 && (s.tokens[b-1].Kind == words.Number || s.tokens[b-1].Is("/")) {
			continue
		}
		share, n := ingredient.Number(s.tokens, b)
		if n > 0 && b+n < at.at && s.tokens[b+n].Is("%") && share < 100 { // "70% of the lentils"
			share, n = share/100, n+1
		}
		if n > 0 && share > 0 && share < 1 && s.sharesOf(b+n, at.at) {
			at.half = share
			return
		}
		if grams, n := m.reader.Portion(s.tokens, s.text, b, first.food); n > 0 && b+n <= at.at && joins(b+n) {
			if s.tokens[b+n-1].Of("unit.bit") && b+n < at.at && s.tokens[b+n].Of("word.the") {
				continue // "pisá un poco el arroz": it is how much it is crushed
			}
			const asMuch = 1.3
			if len(at.items) == 1 && first.item.Said && (grams == 0 && s.tokens[b+n-1].Of("unit.pack") || grams > asMuch*first.item.Grams) {
				at.more = true // "half a can of water over the top", where the list has a quarter of a cup for the mix
				return
			}
			at.grams = grams
			return
		}
	}
}

// sharesOf says that the tokens from a number to a food only say that it is a share of it: "3/4 of the beans", "3/4 partes de las
// alubias".
func (s *sentence) sharesOf(from, to int) bool {
	of := false
	for k := from; k < to; k++ {
		t := &s.tokens[k]
		of = of || t.Of("word.of")
		if !t.Of("word.of") && !t.Of("word.the") && t.Plain != "partes" && t.Plain != "parte" {
			return false
		}
	}
	return of
}

// groups are the foods that one word names, by its list.
var groups = map[string]func(*food.Food) bool{
	"group.vegetable": func(f *food.Food) bool {
		return f.Group == food.Vegetable && f.State == food.Raw && !ingredient.Aromatic(f)
	},
	"group.onion":  anyOf("onion", "shallot", "leek"),
	"group.herb":   anyOf("parsley", "coriander", "fresh-herbs"),
	"group.yolk":   anyOf("egg-yolk"),
	"group.white":  anyOf("egg-white"),
	"group.spice":  of(food.Flavour),
	"group.meat":   of(food.Meat),
	"group.nut":    of(food.Nut),
	"group.seed":   of(food.Seed),
	"group.bean":   of(food.Legume),
	"group.fish":   of(food.Fish),
	"group.egg":    of(food.Egg),
	"group.grain":  of(food.Grain),
	"group.flour":  named("flour"),
	"group.cheese": named("cheese", "feta", "mozzarella"),
	"group.crumbs": named("crumbs", "panko", "bread-"),
	"group.dry":    func(f *food.Food) bool { return f.Group.IsBinder() || f.Group == food.Flavour },
}
