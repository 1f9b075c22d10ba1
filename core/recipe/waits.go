package recipe

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// ReadWait is a wait.
type ReadWait struct {
	Minutes float64
}

// waits reads the rest of the mix and its chill, both before the heat.
func (m *procedure) waits() (rest, chill *ReadWait) {
	end := m.cookAt
	if end < 0 {
		end = len(m.sentences)
	}
	for i := max(0, m.mixedAt); i <= end && i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note || s.sauce || s.gelled && s.has("mass") < 0 && !s.all && i != m.mixedAt {
			continue
		}
		until := len(s.tokens)
		if i == m.cookAt { // only what stands before the heat
			until = s.under("heat.")
		}
		cold := s.cold()
		if cold >= until {
			cold = -1
		}
		const longestFirm = 60 // minutes in the freezer that only make the pieces firm
		frozen := s.has("act.freeze")
		for k := 0; k < until; k++ {
			v, n := ingredient.Minutes(s.tokens, k)
			if v <= 0 && s.bareMinutes(k) {
				v, n = s.tokens[k].Value, 1
			}
			if v <= 0 {
				continue
			}
			if k+n < len(s.tokens) && s.tokens[k+n].Of("side") {
				k += n - 1 // "chilled overnight, then 6 minutes a side in a pan"
				continue
			}
			if i == m.cookAt && s.inHeat(k+n) { // "give it 35 minutes in a moderate oven"
				k += n - 1
				continue
			}
			if s.optional(k) || s.gelled && m.gelsOnly(s, k) {
				k += n - 1
				continue
			}
			waits, to := s.waitsFor(k, n), (**ReadWait)(nil)
			code := ""
			switch {
			case frozen >= 0 && v <= longestFirm && waits != forRest && waits != forOther && frozen-k < 6 && k-frozen < 6:
				to, code = &chill, "chill"
			case frozen >= 0 && frozen < k:
			case waits == forChill, cold >= 0 && waits != forRest:
				to, code = &chill, "chill"
			case s.has("act.rest") >= 0 && s.has("act.rest") < until && waits != forOther:
				to, code = &rest, "rest"
			}
			if to != nil {
				if *to == nil {
					*to = &ReadWait{}
				}
				(*to).Minutes += v
				m.becomes(s, code)
				m.mark(s, s.tokens[k].At, s.tokens[k+n-1].End, code, -1)
			}
			k += n - 1
		}
	}
	return rest, chill
}

// inHeat says whether the words right behind a time name a hot place, so that the time is one of cooking and no rest:
// "in a moderate oven".
func (s *sentence) inHeat(k int) bool {
	if k >= len(s.tokens) {
		return false
	}
	if t := &s.tokens[k]; t.Under("heat.").N > 1 && (t.Plain == "al" || t.Of("word.in")) {
		return true // "30 min al horno"
	}
	if !s.tokens[k].Of("word.in") {
		return false
	}
	for j := k + 1; j < min(len(s.tokens), k+5); j++ {
		if s.tokens[j].Under("heat.").N > 0 {
			return true
		}
		if s.tokens[j].Kind != words.Word || s.tokens[j].Of("word.then") || s.tokens[j].Of("act.chill") {
			return false
		}
	}
	return false
}

// gelsOnly says that a time stands right behind a seed and its liquid, and other foods come after it: "flax with water, 15
// minutes, and 120 g of oats".
func (m *procedure) gelsOnly(s *sentence, at int) bool {
	gel, more := false, false
	for _, x := range s.mentions {
		if x.at > at {
			more = true
			continue
		}
		gel = !slices.ContainsFunc(x.items, func(k int) bool {
			f := m.entries[k].food
			return !f.Is(food.Liquid) && !food.SoakGel.Suits(f)
		})
	}
	return gel && more
}

// bareMinutes says that a number without a unit is of minutes: "30 minutos en la encimera y otros 30 en la nevera",
// "rest 15, then roll".
func (s *sentence) bareMinutes(k int) bool {
	if s.tokens[k].Kind != words.Number || k == 0 {
		return false
	}
	ends := k+1 == len(s.tokens) || s.tokens[k+1].Kind == words.Mark || s.tokens[k+1].Of("word.in") && s.tokens[k-1].Of("act.rest")
	before := &s.tokens[k-1]
	switch {
	case before.Of("more"):
		return ends || s.tokens[k+1].Of("word.in")
	case !ends || s.tokens[k].Value < 3:
		return false
	case k+2 < len(s.tokens) && s.tokens[k+1].Is("-") && s.tokens[k+2].Kind == words.Number, k+1 < len(s.tokens) && (s.tokens[k+1].Is("%") || s.tokens[k+1].Is("°") || s.tokens[k+1].Is("/")):
		return false
	}
	return before.Of("act.rest") || before.Of("act.chill") || before.Of("mass") && k > 1 && s.tokens[k-2].Of("act.rest")
}

// optional says that a time is only how long something may be: "and up to 2 days", "it can wait
// overnight".
func (s *sentence) optional(at int) bool {
	for k := max(0, at-3); k < at; k++ {
		if s.tokens[k].Of("word.up to") && at > 2 {
			for j := range k {
				if s.tokens[j].Of("time") || s.tokens[j].Of("span") {
					return true
				}
			}
		}
	}
	for k := at - 1; k >= max(0, at-5); k-- { // "4 hours at least (better overnight)"
		if s.tokens[k].Of("word.better") && slices.ContainsFunc(s.tokens[:k], func(t words.Token) bool { return t.Of("time") || t.Of("span") }) {
			return true
		}
	}
	for k := range s.tokens {
		if s.tokens[k].Of("word.may") && s.has("act.shape") < 0 && !(k > 0 && s.tokens[k-1].Of("word.when")) { // but "overnight if you can"
			return true
		}
	}
	return false
}

// outside says that a word of cold tells where something is not: "out of the fridge".
func (s *sentence) outside(k int) bool {
	for j := max(0, k-3); j < k; j++ {
		if n := s.tokens[j].In("word.outside").N; n > 0 && j+n >= k-1 {
			return true
		}
	}
	return false
}

// cold gives where a sentence first tells of the cold; -1 for nowhere.
func (s *sentence) cold() int {
	for k := range s.tokens {
		if s.tokens[k].Of("act.chill") && !s.outside(k) {
			return k
		}
	}
	return -1
}

// what a time in a sentence goes with.
type waiting int

const (
	unsaid   waiting = iota
	forChill         // the cold
	forRest          // a rest, though a chill may stand in the same sentence
	forOther         // a verb that is neither
)

// waitsFor says what a time goes with: the verb before it.
func (s *sentence) waitsFor(at, n int) waiting {
	for k := at + n; k < min(len(s.tokens), at+n+3); k++ { // "20 min de reposo", "30 minutos en la nevera"
		t := &s.tokens[k]
		switch {
		case t.Of("act.chill") && !s.outside(k):
			return forChill
		case t.Of("act.rest") && k > at+n:
			return forRest
		}
		if !(t.Of("word.of") || t.Of("word.in") || t.Of("word.the") || t.Of("word.passing")) {
			break
		}
	}
	for k := at - 1; k >= 0; k-- {
		t := &s.tokens[k]
		switch {
		case t.Of("act.chill") && !s.outside(k):
			return forChill
		case t.Of("act.freeze"):
			return unsaid
		case t.Of("act.rest"):
			// "leave in the fridge for", "leave 10 minutes in the fridge": but not "leave 10
			// minutes, then chill".
			for j := k; j < min(len(s.tokens), at+n+8); j++ {
				if s.tokens[j].Of("act.chill") && !s.outside(j) {
					if j > at && (s.tokens[j-1].Of("word.then") || s.tokens[j-1].Of("word.and") || s.timedAgain(at+n, j)) {
						return forRest
					}
					return forChill
				}
			}
			return forRest
		case t.Under("do.").N > 0 && !t.Of("do.gel") && !t.Of("do.soak") && !t.Of("do.cook") && !t.Of("level"), t.Of("word.knead"), t.Of("word.reduce"), t.Of("word.mixing") && !(k > 0 && s.tokens[k-1].Of("word.passing")):
			return forOther
		}
	}
	return unsaid
}

// timedAgain says that another time stands between two places: the words behind it go with that one.
func (s *sentence) timedAgain(from, to int) bool {
	for k := from; k < to; k++ {
		if v, _ := ingredient.Minutes(s.tokens, k); v > 0 {
			return true
		}
	}
	return false
}
