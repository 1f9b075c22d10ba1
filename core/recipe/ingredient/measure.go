package ingredient

import (
	"math"
	"strings"

	"cuerda/core/recipe/words"
)

// measured is one amount with its unit: "2 x 400 g tins", "1 cup plus 2 tbsp".
type measured struct {
	amount, high float64 // high is 0 where it is no range
	unit         string  // g, oz, cup, tbsp, tsp, pack, or one of a food's own
	per          float64 // of that unit in one written
	pack         float64 // the size of one pack, g
	net          bool    // which is that of the food alone, as US labels give it
	pouch        bool    // without any liquid
	more         []measured
	size         float64 // of a whole piece against the usual, 0 where not said
	each         bool
	few          bool // "unas hojas", "a few capers"
	said, bad    bool
	n            int // tokens it takes
	begins       int
}

func (s *scan) at(i int) *words.Token {
	if i < 0 || i >= len(s.main) {
		return &nothing
	}
	return &s.main[i]
}

var nothing = words.Token{Kind: words.Mark}

// number reads "1", "1 1/2", "1½", "1/2", "half a dozen", "two".
func (s *scan) number(i int) (v float64, n int) {
	t := s.at(i)
	if t.Kind != words.Number {
		m := t.In("number")
		if m.N == 0 {
			return 0, 0
		}
		v, n = m.Value, m.N
		if next := s.at(i + n).In("number"); next.N > 0 && v == 0.5 && next.Value >= 1 {
			return v * next.Value, n + next.N // "half a dozen"
		}
		return v, n
	}
	v, n = t.Value, 1
	if s.leanToFat(i) {
		return 0, 0
	}
	if s.at(i+1).Is("/") && s.at(i+2).Kind == words.Number && s.at(i+1).Glued {
		if s.at(i+2).Value == 0 {
			return math.Inf(1), 3
		}
		return v / s.at(i+2).Value, 3
	}
	if next := s.at(i + 1); next.Kind == words.Number && v == math.Trunc(v) {
		if next.Value < 1 {
			return v + next.Value, 2
		}
		if s.at(i+2).Is("/") && s.at(i+2).Glued && s.at(i+3).Kind == words.Number && s.at(i+3).Value > next.Value {
			return v + next.Value/s.at(i+3).Value, 4
		}
	}
	return v, n
}

// leanToFat says that numbers tell how much of a meat is lean and how much is fat, and no amount: "ground turkey, 85/15".
func (s *scan) leanToFat(i int) bool {
	lean, fat := s.at(i), s.at(i+2)
	return lean.Kind == words.Number && fat.Kind == words.Number && s.at(i+1).Is("/") && lean.Value >= 50 && lean.Value+fat.Value == 100
}

// measure reads an amount and its unit at the token.
func (s *scan) measure(i int) (m measured) {
	from := i
	factor := 1.
	for {
		about := s.at(i).In("about")
		if about.N == 0 || s.at(i).In("number").N > about.N {
			break
		}
		if about.Value != 1 && s.at(i+about.N).Under("unit.").N == 0 && s.at(i+about.N).Kind != words.Number {
			break // a big onion is a size
		}
		factor *= about.Value
		m.few = m.few || s.at(i).Of("word.few")
		if s.at(i).Of("article") && s.at(i+about.N).Under("unit.").N > 0 { // "a big spoonful"
			m.said, m.amount = true, 1
		}
		i += about.N
		if s.at(i).Is(".") && s.at(i).Glued && (s.at(i+1).Kind == words.Number || s.at(i+1).Of("number")) {
			i++ // "approx. 100 g"
		}
	}
	m.begins = i
	v, n := s.number(i)
	article := s.at(i).In("article")
	switch {
	case n > 0:
		m.amount, i = v, i+n
		m.said = true
	case article.N > 0:
		m.amount, m.said, i = 1, true, i+article.N
		if next := s.at(i).In("number"); next.N > 0 { // "a half", "a few"
			m.amount, i = next.Value, i+next.N
		}
	}
	for k := m.begins; k < i; k++ {
		m.few = m.few || s.at(k).Of("word.few")
	}
	if m.said {
		i = s.rangeOf(&m, i)
		if half := s.at(i).In("and a half"); half.N > 0 {
			m.amount += half.Value
			i += half.N
		}
		if s.at(i).Is("x") {
			i++
		}
		if s.at(i).Is("-") && !s.at(i).Glued {
			i++
		}
	}
	again := from > 0 && (s.at(from-1).Is(",") || s.at(from-1).Of("word.and")) && s.at(i+s.at(i).Under("unit.").N).Of("word.of")
	if !m.said && (from == 0 || again) && s.spoonful(i) { // "heaped tbsp of flax"
		m.said, m.amount = true, 1
	}
	i = s.unitOf(&m, i, &factor)
	if m.said && m.unit == "" && s.l.HeadFirst() && s.at(i).Of("word.of") && m.amount >= leastFront && m.high == 0 && math.Mod(m.amount, 5) == 0 {
		m.unit, m.per, i = "g", 1, i+1 // "500 de ternera picada"
	}
	if !m.said && m.unit == "" {
		return measured{n: 0, begins: from}
	}
	if !m.said {
		m.amount = 1 // "pinch of salt"
		m.said = m.unit != "grind"
	}
	if math.IsInf(m.amount, 0) || m.amount > 1e5 {
		m.bad, m.amount, m.high = true, 0, 0
	}
	m.amount *= factor
	m.high *= factor
	m.n = i - from
	return m
}

// spoonful says that a unit begins a line, in full or as cooks shorten it: one of it is meant.
func (s *scan) spoonful(i int) bool {
	u := s.at(i).Under("unit.").List
	return (u == "unit.tbsp" || u == "unit.tsp" || u == "unit.cup" && s.at(i).In("unit.cup").Value == 1) && len(s.at(i).Plain) > 2 && len(s.main) > i+1
}

// Through gives how many tokens at a place join the ends of a range whose low end begins
// at low: "-", "to", or "and" where it is between the two; 0 for none.
func Through(tokens []words.Token, low, at int) int {
	if at >= len(tokens) {
		return 0
	}
	switch t := &tokens[at]; {
	case t.Is("-"):
		return 1
	case t.Is(",") && low > 0 && tokens[low].Kind == words.Word && tokens[low].Of("number") && at+1 < len(tokens) && tokens[at+1].Kind == words.Word && tokens[at+1].Of("number"):
		return 1 // "ten, fifteen minutes"
	case t.Of("word.and") && low > 0 && tokens[low-1].Of("word.between"):
		return t.In("word.and").N
	default:
		return t.In("to").N
	}
}

// rangeOf takes "- 3", "to 3" or "or 3" behind an amount; "1 y 1/2" adds.
func (s *scan) rangeOf(m *measured, i int) int {
	t := s.at(i)
	if t.Of("word.and") {
		if v, n := s.number(i + 1); n > 0 && v < 1 && m.amount >= 1 {
			m.amount += v
			return i + 1 + n
		}
		return i
	}
	step := Through(s.main, i, i)
	if step == 0 {
		return i
	}
	v, n := s.number(i + step)
	if n == 0 || v <= m.amount || m.amount == 0 || s.at(i+step).Kind != words.Number && !s.at(i+step).Of("number") {
		return i
	}
	// "1-15 oz can" is one can of fifteen ounces.
	if t.Is("-") && m.amount < 5 && v >= 3*m.amount && v > 4 && s.isMass(i+step+n) && s.packAfter(i+step+n) {
		return i + step
	}
	m.amount, m.high = (m.amount+v)/2, v
	return i + step + n
}

// mostWeighed is how many pieces a line has that says what each of them weighs: "4 150 g potatoes".
const mostWeighed = 12

func (s *scan) isMass(i int) bool {
	if s.at(i).Is("-") {
		i++
	}
	u := s.at(i).Under("unit.").List
	return u == "unit.g" || u == "unit.oz" || s.at(i).In("unit.cup").Value > 0 && s.at(i).In("unit.cup").Value < 0.2
}

func (s *scan) packAfter(i int) bool {
	for k := i; k < i+3; k++ {
		if s.at(k).Of("unit.pack") {
			return true
		}
	}
	return false
}

// unitOf takes the unit behind an amount: sizes before it, the size of a pack, "plus
// 2 tbsp", "/7 oz".
func (s *scan) unitOf(m *measured, i int, factor *float64) int {
	if v, n := s.number(i); m.said && n > 0 && s.isMass(i+n) { // "1 400 g can", "2 x 400 g tins"
		k := i + n
		if s.at(k).Is("-") {
			k++
		}
		u := s.at(k).Under("unit.")
		pack := k + u.N
		if s.at(pack).Is(".") && s.at(pack).Glued { // "1 15-oz. can"
			pack++
		}
		for s.at(pack).Of("word.packed") {
			pack++
		}
		if p := s.at(pack).In("unit.pack"); p.N > 0 {
			m.pack, m.net = v*massOf(u), u.List == "unit.oz"
			m.unit, m.per = "pack", 1
			return s.behindUnit(m, pack+p.N)
		}
		if s.at(i-1).Is("x") || m.amount == math.Trunc(m.amount) && m.amount <= mostWeighed && s.leadsToFood(k+u.N, s.l) { // "2x180g", "a 300 g courgette"
			m.amount, m.high = m.amount*v, m.high*v
			m.unit, m.per = strings.TrimPrefix(u.List, "unit."), u.Value
			return s.behindUnit(m, k+u.N)
		}
	}
	if m.said && s.at(i).Is("-") && s.at(i).Glued && s.at(i+1).Under("unit.").N > 0 { // "1-pound"
		u := s.at(i + 1).Under("unit.")
		k := i + 1 + u.N
		if size := s.at(k).In("size"); size.N > 0 {
			k += size.N
		}
		if p := s.at(k).In("unit.pack"); p.N > 0 && (u.List == "unit.g" || u.List == "unit.oz") {
			m.pack, m.net = m.amount*massOf(u), u.List == "unit.oz"
			m.amount, m.unit, m.per = 1, "pack", 1
			return s.behindUnit(m, k+p.N)
		}
		i++
	}
	if size := s.at(i).In("size"); size.N > 0 && s.at(i).Under("unit.").N == 0 {
		if u := s.at(i + size.N).Under("unit."); u.N > 0 && (m.said || u.List == "unit.bunch" || u.List == "unit.handful") {
			if !m.said { // "small bunch of chives"
				m.said, m.amount = true, 1
			}
			switch u.List {
			case "unit.handful", "unit.bunch", "unit.head", "unit.slice", "unit.leaf", "unit.clove", "unit.stalk", "unit.ear", "unit.bulb", "unit.fillet", "unit.sprig":
				*factor *= size.Value
			}
			i += size.N
		}
	} else if more := s.at(i).In("about"); more.N > 0 && m.said {
		if u := s.at(i + more.N).Under("unit."); u.N > 0 {
			*factor *= more.Value
			i += more.N
		}
	}
	if k := s.those(i); m.said && k > 0 {
		i = k // "two of the tall cans of salmon"
	}
	if m.said && s.at(i).Of("word.of") && s.at(i+1).Under("unit.").N > 0 {
		i++ // "¼ de taza"
		if s.at(i).Of("article") {
			i++
		}
	}
	if s.at(i).Of("unit.piece") && s.at(i+1).Under("unit.").N > 0 {
		i++ // "a whole bunch"
	}
	t := s.at(i)
	u := t.Under("unit.")
	if u.N == 0 {
		return i
	}
	name := strings.TrimPrefix(u.List, "unit.")
	spoken := name == "pinch" || name == "handful" || name == "splash" || name == "grind" || name == "grating" || name == "knob" || name == "drop" || name == "bunch" || name == "sprig"
	switch {
	case !m.said && m.few && (name == "leaf" || name == "sprig"):
		m.said, m.amount = true, 5
	case !m.said && !spoken:
		return i
	case t.Plain == "l" && m.amount == math.Trunc(m.amount) && s.at(i+1) == &nothing: // a size, at the end of "2 huevos L"
		return i
	case t.Plain == "t" && s.text[t.At] == 'T':
		name, u.Value = "tbsp", 1
	}
	if t.Plain == "cc" && s.l.HeadFirst() && m.amount <= 3 {
		name, u.Value = "tsp", 1 // a coffee spoon, not a cubic centimetre
	}
	m.unit, m.per = name, u.Value
	i += u.N
	return s.behindUnit(m, i)
}

// those passes over "of the tall" between a number and its pack; 0 where there is none.
func (s *scan) those(i int) int {
	if !s.at(i).Of("word.of") || !s.at(i+1).Of("word.the") {
		return 0
	}
	for k := i + 2; k < i+5; k++ {
		switch t := s.at(k); {
		case t.Of("unit.pack"):
			return k
		case !(t.Of("word.filler") || known(t) > 0):
			return 0
		}
	}
	return 0
}

func (s *scan) behindUnit(m *measured, i int) int {
	if s.at(i).Is(".") && s.at(i).Glued && i+1 < len(s.main) {
		i++
	}
	if half := s.at(i).In("and a half"); half.N > 0 {
		m.amount += half.Value
		i += half.N
	}
	if more := s.at(i).In("about"); more.N > 0 && more.Value != 1 && s.at(i+more.N).Of("word.of") {
		m.amount, m.high, i = m.amount*more.Value, m.high*more.Value, i+more.N // "una cucharada colmada de"
	}
	// "a tablespoon or two of flour"
	if v, n := s.number(i + 1); s.at(i).Of("alternative") && n > 0 && m.amount > 0 && v > m.amount && s.at(i+1+n).Of("word.of") {
		m.amount, m.high, i = (m.amount+v)/2, v, i+1+n
	}
	// The same again in other units: "200 g/7 oz", "1 lb or 450 g".
	if t := s.at(i); t.Is("/") || t.Of("alternative") {
		if _, n := s.number(i + 1); n > 0 {
			if u := s.at(i + 1 + n).Under("unit."); u.N > 0 {
				i += 1 + n + u.N
			}
		}
	}
	if s.at(i).Of("each") {
		m.each = true
		i += s.at(i).In("each").N
		if s.at(i).Is(".") && s.at(i).Glued {
			i++ // "1/2 tsp ea. cumin"
		}
		if s.at(i).Is(":") {
			i++ // "1 T each: parsley, basil"
		}
	}
	// "1 cup plus 2 tbsp oats", "1 taza más 2 cucharadas de avena"
	if t := s.at(i); t.Of("word.plus") || t.Of("word.and") {
		if next := s.measure(i + 1); next.n > 0 && (next.unit != m.unit || t.Of("word.plus")) && !next.bad && (next.unit == "tbsp" || next.unit == "tsp" || next.unit == "g" || next.unit == "cup") && s.foodBehind(i+1+next.n) {
			m.more = append(m.more, next)
			i += 1 + next.n
		}
	}
	// "400g tin kidney beans"
	if p := s.at(i).In("unit.pack"); p.N > 0 && (m.unit == "g" || m.unit == "oz") {
		m.pack, m.net = m.mass(), m.unit == "oz"
		m.amount, m.high, m.unit, m.per = 1, 0, "pack", 1
		i += p.N
	}
	// "1 bote de 400 g de lentejas"
	if m.unit == "pack" && m.pack == 0 {
		k := i
		for s.at(k).Of("word.of") {
			k++
		}
		if v, n := s.number(k); n > 0 && s.isMass(k+n) {
			u := s.at(k + n).Under("unit.")
			m.pack = v * massOf(u)
			i = k + n + u.N
		} else if n == 1 && k > i && v >= 50 && v <= 2000 && s.at(k).Kind == words.Number && !s.at(k+1).Of("word.of") {
			m.pack, i = v, k+1 // "1 bloque de 250"
		}
	}
	for s.at(i).Of("word.of") {
		i++
	}
	return i
}

// foodBehind says that no food stood before: the second measure is of the same one.
func (s *scan) foodBehind(i int) bool {
	return i < len(s.main) && s.at(i).Kind == words.Word
}
