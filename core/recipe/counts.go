package recipe

import (
	"cmp"
	"math"
	"strings"

	"cuerda/core/food"
	"cuerda/core/physics/piece"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// counts reads how many pieces there are.
func (m *procedure) counts(p *ReadPiece, from, to int) {
	if p.Kind == piece.Stuffing {
		p.Count = m.vessels(from, to)
		return
	}
	most := 200
	for i := from; i <= max(to, m.cookAt)+1 && i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note || s.sauce {
			continue
		}
		if n := m.countIn(s, most); n > 0 {
			p.Count = n
			return
		}
	}
	for i := len(m.sentences) - 1; i >= 0 && i > to; i-- {
		if s := &m.sentences[i]; s.has("makes") >= 0 && !s.sauce {
			if n := m.makes(s.tokens); n > 0 {
				p.Count = n
				return
			}
		}
	}
	for _, a := range append([]string{m.title}, m.about...) {
		tokens := words.Read(a, m.l)
		if n := cmp.Or(m.makes(tokens), forPieces(tokens), words.PortionsOf(tokens)); n > 0 {
			p.Count = n
			return
		}
	}
	for i := range m.sentences {
		s := &m.sentences[i]
		for k := range s.tokens {
			if !s.sauce && s.tokens[k].Of("makes") && s.tokens[k].Of("word.comes to") {
				if n := m.makes(s.tokens[k:]); n > 0 {
					p.Count = n
					return
				}
			}
		}
	}
	for i := range m.sentences {
		if s := &m.sentences[i]; !s.note && !s.sauce {
			if n := forPieces(s.tokens); n > 0 {
				p.Count = n
				return
			}
		}
	}
	if p.Kind == piece.Loaf {
		p.Count = 1
	}
}

// forPieces reads for how many pieces a recipe is: "for 30 little balls"; 0 where it does not say.
func forPieces(tokens []words.Token) int {
	for i := range tokens {
		if !tokens[i].Of("word.for") {
			continue
		}
		v, n := ingredient.Number(tokens, i+1)
		if n == 0 || v < 2 || v > 200 || v != math.Trunc(v) {
			continue
		}
		for k := i + 1 + n; k < min(len(tokens), i+n+5); k++ {
			if t := &tokens[k]; t.Under("piece.").N > 0 {
				return int(v)
			} else if t.Kind != words.Word && !t.Is("-") || t.Of("serves") || t.Of("time") || t.Of("length") || measures(t) {
				break
			}
		}
	}
	return 0
}

// vessels counts what a stuffing is filled into: "the 8 halves", "all 12", six peppers of the list; one
// tin or dish; 0 where none is told.
func (m *procedure) vessels(from, to int) int {
	last := max(to, m.cookAt)
	one := 0
	for i := max(0, from-1); i <= last && i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note {
			continue
		}
		for k := range s.tokens {
			v, n := ingredient.Number(s.tokens, k)
			if n == 0 || v < 2 || v > 60 || v != math.Trunc(v) || k+n >= len(s.tokens) {
				continue
			}
			if s.tokens[k+n].Of("word.vessel") || k > 0 && s.tokens[k-1].Of("word.every") && !s.tokens[k+n].Of("time") && s.tokens[k+n].Under("unit.").N == 0 {
				return int(v)
			}
		}
		for _, x := range s.mentions {
			for _, n := range x.items {
				if e := m.entries[n]; e.item.Unit == "" && e.item.Amount >= 2 && e.item.Amount <= 60 && e.food.Group == food.Vegetable && s.has("word.fill") >= 0 {
					return int(e.item.Amount)
				}
			}
		}
		if s.has("tin") >= 0 || s.has("dish") >= 0 || s.has("bird") >= 0 {
			one = 1
		}
	}
	return one
}

// timesWeight says that a number is of pieces that are told by their weight, and not of packs of a food: "12 x 50 g".
func (m *procedure) timesWeight(s *sentence, i int) bool {
	k := i + 1
	if !words.TimesWeight(s.tokens, i) {
		return false
	}
	for k++; k < len(s.tokens); k++ {
		if f, _ := m.reader.FoodAt(s.tokens, k, m.l); f != nil || s.tokens[k].Of("unit.pack") {
			return false
		}
	}
	return true
}

// leastOfThem is how many pieces "of them" tells all of: "turn 2 of them" does not.
const leastOfThem = 4

// countIn finds the count of a sentence of shaping: "8 patties", "divide into 6",
// "you should get about 30".
func (m *procedure) countIn(s *sentence, most int) int {
	fits := func(v float64) bool { return v == math.Trunc(v) && v >= 1 && int(v) <= most }
	for i := range s.tokens {
		v, n := s.number(i)
		if n == 0 || !fits(v) || i > 0 && (s.tokens[i-1].Is("/") || s.tokens[i-1].Kind == words.Number) {
			continue
		}
		k := i + n
		if k+1 < len(s.tokens) && s.tokens[k].Is("-") && s.tokens[k+1].Of("by") { // "9- by 5-inch"
			continue
		}
		if shape := s.has("act.shape"); shape >= 0 && shape < i && v >= 2 && k < len(s.tokens) && s.tokens[k].Of("word.all told") {
			m.mark(s, s.tokens[i].At, s.tokens[k].End, "count", -1)
			return int(v) // "drop by the spoon, 8 total"
		}
		if v >= leastOfThem && k+1 < len(s.tokens) && s.tokens[k].Of("word.of") && s.tokens[k+1].Of("word.it") {
			m.mark(s, s.tokens[i].At, s.tokens[k+1].End, "count", -1)
			return int(v) // "24 of them"
		}
		if m.timesWeight(s, i) {
			m.mark(s, s.tokens[i].At, s.tokens[k].End, "count", -1)
			return int(v)
		}
		if k < len(s.tokens) && s.tokens[k].Of("by") || i > 0 && s.tokens[i-1].Of("by") {
			continue
		}
		if k < len(s.tokens) && (s.tokens[k].Is("-") || s.tokens[k].Of("to")) {
			if high, more := ingredient.Number(s.tokens, k+1); more > 0 && high > v && fits(high) {
				v, k = math.Round((v+high)/2), k+1+more
			}
		}
		for _, l := range s.lengths() { // "24 1½-inch balls"
			if l.at == k {
				k = l.end
			}
		}
		if i == 0 && k < len(s.tokens) && s.tokens[k].Of("size") && (k+1 == len(s.tokens) || s.tokens[k+1].Is(",")) && m.title != "" {
			m.mark(s, s.tokens[i].At, s.tokens[k].End, "count", -1)
			return int(v) // "12 small, 1 cm thick"
		}
		// Up to three words between the number and what is counted.
		for j := k; j < min(len(s.tokens), k+5); j++ {
			t := &s.tokens[j]
			if t.Of("time") || t.Of("length") || t.Under("unit.").N > 0 && t.Under("piece.").N == 0 && !t.Of("size") && !t.Of("word.portion") || t.Of("degrees") || t.Kind == words.Mark && !t.Is("-") {
				break
			}
			if t.Under("piece.").N > 0 || t.Of("word.portion") {
				if v > 1 || s.tokens[i].Kind == words.Number || s.has("act.shape") >= 0 {
					m.mark(s, s.tokens[i].At, s.tokens[j].End, "count", -1)
					return int(v)
				}
			}
		}
		if s.dividesBefore(i) && v >= 2 && (k >= len(s.tokens) || (!s.tokens[k].Of("length") || fingersMade(&s.tokens[k], v)) && !s.tokens[k].Of("time") && !measures(&s.tokens[k])) {
			m.mark(s, s.tokens[i].At, s.tokens[k-1].End, "count", -1)
			return int(v)
		}
	}
	return m.makes(s.tokens)
}

// fingersMade says that so many fingers are pieces, and no thickness: "shape 8 fingers".
func fingersMade(t *words.Token, v float64) bool {
	const thickest = 3
	return t.Plain == "fingers" && v > thickest
}

// measures says that a word is a unit of mass or volume.
func measures(t *words.Token) bool {
	switch t.Under("unit.").List {
	case "unit.g", "unit.oz", "unit.cup", "unit.tbsp", "unit.tsp":
		return true
	}
	return false
}

// dividesBefore says that "divide into" or "form" stands right before the number.
func (s *sentence) dividesBefore(i int) bool {
	for k := i - 1; k >= max(0, i-5); k-- {
		t := &s.tokens[k]
		if strings.HasPrefix(t.Plain, "divid") || t.Of("act.shape") && i-k <= 3 {
			return true
		}
		if !(t.Of("word.in") || t.Of("word.passing") || t.Of("word.it") || t.Of("mass") || t.Of("about")) {
			return false
		}
	}
	return false
}

// makes reads "makes 24", "about 16 in all", "salen unas 20".
func (m *procedure) makes(tokens []words.Token) int {
	for i := range tokens {
		if !tokens[i].Of("makes") {
			continue
		}
		k := i + tokens[i].In("makes").N
		for k < len(tokens) && (tokens[k].Of("about") && tokens[k].Kind == words.Word || tokens[k].Of("makes") || tokens[k].Is(":") || tokens[k].Is(".")) {
			k++
		}
		v, n := ingredient.Number(tokens, k)
		if n == 0 || v < 2 || v > 200 || v != math.Trunc(v) {
			continue
		}
		if words.TimesWeight(tokens, k) {
			return int(v) // "yield 60 x 90 g"
		}
		if k+n < len(tokens) {
			t := &tokens[k+n]
			if high, more := 0., 0; t.Is("-") || t.Of("to") {
				if high, more = ingredient.Number(tokens, k+n+1); more > 0 && high > v {
					v = math.Round((v + high) / 2)
					k += 1 + more
				}
			}
			if k+n < len(tokens) {
				t = &tokens[k+n]
			}
			if t.Of("by") || t.Of("time") || t.Of("length") || t.Of("serves") || t.Of("degrees") || t.Under("unit.").N > 0 && t.Under("piece.").N == 0 && !t.Of("unit.piece") || t.Is("°") {
				continue
			}
		}
		return int(v)
	}
	return 0
}
