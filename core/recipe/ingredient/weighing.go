package ingredient

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// weighing is what a line says that a food of it weighs, beside the amount that it is measured in: "2 carrots (200 g)",
// "two potatoes that weigh 300 g", "6 tbsp water (90 g)".
type weighing struct {
	grams   float64   // of the whole, or of each piece
	cups    float64   // a volume in its place
	measure *measured // an amount in kitchen measures or pieces: "ground flax (2 tbsp)"
	each    bool
	ounces  bool
	// drained says that it is without the liquid of a tin, instead that it stands for another weight: of the food once it is
	// cooked, or peeled.
	drained, instead bool
	at               int // before which token of the line it stands
}

// weights looks for the weights that the line says of its foods, in brackets or behind words such as "that weigh".
func (s *scan) weights() {
	for i, b := range s.brackets {
		if w, ok := s.bracketWeighing(b); ok {
			w.at = s.bracketAt[i]
			s.weighings = append(s.weighings, w)
		}
	}
	for k := range s.main {
		if n := s.at(k).In("word.weighs").N; n > 0 {
			if w, ok := s.weighedBy(k, n); ok {
				s.weighings = append(s.weighings, w)
			}
		}
		if w, ok := s.weighedOf(k); ok {
			s.weighings = append(s.weighings, w)
		}
	}
	if w, ok := s.weighedAtEnd(); ok {
		s.weighings = append(s.weighings, w)
	}
	slices.SortStableFunc(s.weighings, func(a, b weighing) int { return a.at - b.at })
	s.within(0, len(s.main))
}

// weighedOf reads the weight of each piece behind "of": "un calabacín de unos 300 g", "2 potatoes of 150 g".
func (s *scan) weighedOf(k int) (w weighing, ok bool) {
	if k == 0 || !s.at(k).Of("word.of") || s.at(k-1).Under("unit.").N > 0 || s.at(k-1).Kind != words.Word {
		return w, false
	}
	m := s.measure(k + 1)
	if !m.said || m.bad || m.unit != "g" && m.unit != "oz" || s.leadsToFood(k+1+m.n, s.l) {
		return w, false
	}
	s.mark(k, k+1+m.n)
	return weighing{grams: m.mass(), ounces: m.unit == "oz", each: true, at: k}, true
}

// weighedAtEnd reads the weight that a line ends with, behind a comma and a word that says about how much: "2 parsnips, boiled
// and mashed, about 250 g".
func (s *scan) weighedAtEnd() (w weighing, ok bool) {
	for k := 2; k < len(s.main); k++ {
		if !s.at(k).Of("about") || !s.at(k-1).Is(",") {
			continue
		}
		m := s.measure(k)
		if !m.said || m.bad || k+m.n != len(s.main) || m.unit != "g" && m.unit != "oz" {
			continue
		}
		s.mark(k, k+m.n)
		return weighing{grams: m.mass(), ounces: m.unit == "oz", at: k}, true
	}
	return w, false
}

// within takes the first weight that stands from one token to another for that of the food which is read next.
func (s *scan) within(from, to int) {
	s.said = weighing{}
	for i := range s.weighings {
		w := &s.weighings[i]
		switch {
		case w.at < from || w.at > to:
		case w.cups > 0:
			s.said.cups = w.cups
		case w.measure != nil && s.said.measure != nil:
		case w.measure != nil:
			s.said.measure = w.measure
		case s.said.grams == 0:
			w.cups, w.measure = s.said.cups, s.said.measure
			s.said = *w
		default:
			s.said.drained = s.said.drained || w.drained
		}
	}
}

// ownReach gives where what a line says of a food ends that is named up to a token: before the next food with an amount of its own.
func (s *scan) ownReach(from int) int {
	for k := from; k < len(s.main); k++ {
		n := s.joint(k)
		if s.at(k).Is(",") {
			n = 1
		}
		if n == 0 {
			continue
		}
		if m := s.measure(k + n); m.said && m.unit != "" && k+n+m.n < len(s.main) {
			if f, _ := s.r.FoodAt(s.main, k+n+m.n, s.l); f != nil {
				return k
			}
		}
	}
	return len(s.main)
}

// weighedBy reads a weight behind words that tell it, or before them: "that weigh 300 g", "300 g en total".
func (s *scan) weighedBy(k, n int) (w weighing, ok bool) {
	at := k + n
	for at < k+n+3 && !s.at(at).Of("about") && s.at(at).Kind == words.Word && !s.at(at).Of("number") {
		at++
	}
	m := s.measure(at)
	if (!m.said || m.unit != "g" && m.unit != "oz") && !s.at(k).Is("=") {
		for back := max(0, k-6); back < k; back++ {
			if s.at(back).Kind != words.Number && !s.at(back).Of("number") {
				continue
			}
			if m = s.measure(back); back+m.n >= k-1 && back > 0 {
				at = back
				break
			}
			m = measured{}
		}
	}
	if !m.said || m.bad || m.unit != "g" && m.unit != "oz" || at == 0 || s.leadsToFood(at+m.n, s.l) {
		return w, false
	}
	from := min(k, at)
	if s.at(from - 1).Of("word.who") {
		from--
	}
	s.mark(from, max(k+n, at+m.n))
	return weighing{grams: m.mass(), ounces: m.unit == "oz", each: m.each, at: k}, true
}

// cookedIn says whether words, such as those in brackets, tell that a food is cooked in something: "sweated in 25 g butter".
func (s *scan) cookedIn(b []words.Token) bool {
	return slices.ContainsFunc(b, func(t words.Token) bool { return t.Of("word.in") || t.Of("do.fry") || t.Of("do.low") })
}

// amountBefore says that the line begins with an amount of its own, to which brackets say the same in other words.
func (s *scan) amountBefore() bool {
	return s.measure(words.LeadOf(s.main)).said
}

// taken gives the amount that brackets say of the food which is weighed now, and leaves those of the next: "salt (1 tsp) and
// pepper (1/2 tsp)".
func (s *scan) taken() measured {
	m := *s.said.measure
	k := slices.IndexFunc(s.weighings, func(w weighing) bool { return w.measure == s.said.measure })
	s.weighings = slices.Delete(s.weighings, k, k+1)
	s.said.measure = nil
	if k = slices.IndexFunc(s.weighings, func(w weighing) bool { return w.measure != nil }); k >= 0 {
		s.said.measure = s.weighings[k].measure
	}
	return m
}

// wholeAmount reads brackets that hold an amount in pieces, kitchen measures or packs and nothing else, but for the size of a
// piece and what stands behind a comma: "(2 cloves)", "(1 cup, grated)", "(1 large)", "(15 oz can, drained)".
func (s *scan) wholeAmount() (m measured) {
	m = s.measure(0)
	end := m.n
	if size := s.at(end).In("size"); m.unit == "" && size.N > 0 {
		m.size, end = size.Value, end+size.N
	}
	whole := end >= len(s.main) || s.at(end).Is(",")
	weighed := m.unit == "g" || m.unit == "oz" || m.unit == "cup" && m.per < 0.2 // of millilitres
	if !whole || m.bad || weighed || m.amount <= 0 || m.unit == "" && m.amount > mostWeighed {
		return measured{}
	}
	return m
}

// bracketWeighing reads the weight that brackets say.
func (s *scan) bracketWeighing(b []words.Token) (w weighing, ok bool) {
	inner := scan{r: s.r, text: s.text, l: s.l, main: b}
	if f, _, _, _ := inner.fatAndAmount(); f != nil && s.cookedIn(b) {
		return w, false // "(sweated in 25 g butter)" weighs the butter
	}
	if m := inner.wholeAmount(); m.said && !s.amountBefore() {
		return weighing{measure: &m}, true
	}
	has := func(list string) bool { return slices.ContainsFunc(b, func(t words.Token) bool { return t.Of(list) }) }
	for i, past := 0, 0; i < len(b); i++ {
		if i < past || b[i].Kind != words.Number && !b[i].Of("about") {
			continue
		}
		m := inner.measure(i)
		if !m.said || m.bad {
			continue
		}
		past = i + m.n // "about 1 1/4 cups" is one amount
		if w.grams > 0 {
			less := m.mass()
			if m.unit == "" {
				less = m.amount // "(400 g peso neto, 250 escurrido)"
			}
			if has("word.drained") && (m.unit == "g" || m.unit == "oz" || m.unit == "" && less >= leastFront) && less > 0 {
				w.grams = min(w.grams, less) // "(570 g, 400 g drained)"
			}
			continue
		}
		switch {
		case m.unit == "" && m.amount >= 50 && has("word.drained"):
			w.grams = m.amount // "(240 escurr.)"
		case m.unit == "pack" && m.pack > 0:
			w.grams = m.pack
		case m.unit == "g" || m.unit == "oz":
			w.grams = m.mass()
		case m.unit == "cup" && m.per < 0.2: // millilitres
			w.grams = m.amount * m.per * food.MLPerCup
		case m.unit == "cup" && m.per == 1 && i+m.n >= len(b)-1:
			w.cups = m.amount
			continue
		}
		w.ounces, w.each = m.unit == "oz", m.each || has("each")
	}
	w.drained = w.grams > 0 && has("word.drained")
	w.instead = w.grams > 0 && (w.drained || has("word.net") || has("state.cooked") && !slices.ContainsFunc(s.main, func(t words.Token) bool { return t.Of("state.cooked") }))
	return w, w.grams > 0 || w.cups > 0 || w.measure != nil
}
