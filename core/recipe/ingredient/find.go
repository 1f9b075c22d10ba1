package ingredient

import (
	"slices"
	"strings"

	"github.com/agnivade/levenshtein"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// find looks for the longest run of words that is a food's name. Of equals English has
// its head last, "rice vinegar", and Spanish first, "harina de maíz".
func (s *scan) find(from, to int) (f *food.Food, a, b int) {
	to = min(to, len(s.main))
	if alternative := slices.IndexFunc(s.main[min(from, to):to], func(t words.Token) bool { return t.Of("alternative") }); alternative > 0 {
		if f, a, b = s.longest(from, from+alternative); f != nil {
			return f, a, b
		}
	}
	return s.longest(from, to)
}

func (s *scan) longest(from, to int) (f *food.Food, a, b int) {
	most := 0
	for i := from; i < to; i++ {
		t := &s.main[i]
		if t.Kind != words.Word || small[t.Plain] && t.Plain != "e" || s.used[t.At] {
			continue
		}
		if n := t.In("role.serving").N; n > 1 {
			i += n - 1 // "hamburger buns" are no hamburger
			continue
		}
		count, dry := 0, s.at(i-1).Of("state.dry")
		for k := i; k < to && count < longest; k++ {
			t := &s.main[k]
			if t.Kind == words.Mark && !t.Is("-") && !t.Is("&") || t.Kind == words.Number || s.used[t.At] {
				break
			}
			if s.l == words.English && (t.Of("word.in") || t.Of("word.with")) {
				break // beans in water are beans
			}
			if dry && t.Of("do.soak") {
				break // "dried chickpeas, soaked" are measured dry
			}
			dry = dry || t.Of("state.dry")
			if t.Kind == words.Mark || small[t.Plain] {
				continue
			}
			count++
			better := count > most || count == most && !s.l.HeadFirst() && !s.verbBetween(b, i)
			if !better {
				continue
			}
			if found := best(s.r.names[s.l][key(s.main[i:k+1], s.l)], s.state); found != nil {
				f, a, b, most = found, i, k+1, count
			}
		}
	}
	return f, a, b
}

// verbBetween says that the words from a to b begin to tell what is done to a food, or
// join another to it: what comes after is not its name.
func (s *scan) verbBetween(a, b int) bool {
	for k := a; k < b; k++ {
		t := &s.main[k]
		if t.Of("joint") || t.Of("alternative") || k > a && t.Under("do.").N > 0 || t.Plain == "until" || k > a && (t.Of("to") || t.Of("word.into")) && s.at(k-1).Under("do.").N > 0 {
			return true
		}
	}
	return false
}

// dryThenCooked says that the line weighs its food dry and has it cooked then: "180 g (dry), cooked".
func (s *scan) dryThenCooked() bool {
	dry := -1
	for t := range s.everywhere {
		switch {
		case t.Of("alternative"):
			return false
		case t.Of("state.dry") && dry < 0:
			dry = t.At
		}
	}
	return dry >= 0 && s.state.dry && slices.ContainsFunc(s.main, func(t words.Token) bool {
		return t.At > dry && (t.Of("state.cooked") || t.Of("do.boil"))
	})
}

// known are the lists whose words change nothing of what a food is.
func known(t *words.Token) int {
	n := 0
	for _, m := range t.Means {
		switch m.List {
		case "plain", "variety", "size", "about", "divided", "maybe", "taste", "each", "time", "span", "length", "article",
			"state.cooked", "state.dry", "state.canned", "state.raw", "rest of", "it", "way.thick", "way.wide", "way.long":
			n = max(n, m.N)
		default:
			if strings.HasPrefix(m.List, "do.") || strings.HasPrefix(m.List, "free.") || strings.HasPrefix(m.List, "unit.") || strings.HasPrefix(m.List, "role.") {
				n = max(n, m.N)
			}
		}
	}
	return n
}

// strangers are the tokens from a to b that mean nothing to the reader.
func (s *scan) strangers(a, b int) (out []int) {
	for k := a; k < b; k++ {
		t := &s.main[k]
		if k > a && t.Under("do.").N > 0 && s.used[s.at(a-1).At] {
			break // from here on the words tell what is done to it
		}
		if n := known(t); n > 0 {
			k += n - 1
			continue
		}
		if t.Kind != words.Word || small[t.Plain] || s.used[t.At] || t.Of("joint") || t.Of("alternative") || t.Of("number") {
			continue
		}
		if len(t.Plain) > 1 {
			out = append(out, k)
		}
	}
	return out
}

// sureOf is how sure it is that the run from a to b names the food of the words from
// i to end: words beside it that mean nothing could make it another. The head of the
// name weighs most: "chickpea and fava bean flour" is no chickpea.
func (s *scan) sureOf(i, a, b, end int) float64 {
	before, behind := s.strangers(i, a), s.strangers(b, min(end, len(s.main)))
	for k := i; k < len(s.main); k++ {
		if n := s.main[k].In("instead").N; n > 0 && (k < a || k >= b) && !s.used[s.main[k].At] {
			if s.l == words.Spanish && k < a || s.l == words.English && k >= b && k < end+2 {
				return 0.4
			}
		}
	}
	head, other := behind, before
	if s.l == words.Spanish {
		head, other = before, behind
	}
	switch n := float64(b - a); {
	case len(head) > 0:
		return 0.5
	case len(other) > 0:
		return n / (n + float64(len(other)))
	}
	// Another name in the same words, not joined by "or", leaves it open too.
	if f, x, y := s.longest(b, end); f != nil && s.l == words.English && !s.verbBetween(b, x) && y > x {
		return 0.5
	}
	return 1
}

// namesFoods says that the strangers beside the run are names of other foods, spelled
// as they should be.
func (s *scan) namesFoods(i, a, b, end int) bool {
	for _, k := range append(s.strangers(i, a), s.strangers(b, min(end, len(s.main)))...) {
		if len(s.r.names[s.l][key(s.main[k:k+1], s.l)]) == 0 {
			return false
		}
	}
	return true
}

// misspelled looks for a name within two letters of all the words that count.
func (s *scan) misspelled(from, to int) *food.Food {
	var content []words.Token
	for k := from; k < min(to, len(s.main)); k++ {
		t := s.main[k]
		if t.Kind == words.Word && known(&t) == 0 && !t.Of("joint") && !t.Of("instead") {
			content = append(content, t)
		}
	}
	k := key(content, s.l)
	if len(k) < 6 || len(k) > 40 {
		return nil
	}
	least, name := 3, ""
	if len(k) < 9 {
		least = 2
	}
	for other := range s.r.names[s.l] {
		if max(len(k)-len(other), len(other)-len(k)) >= least || other[0] != k[0] {
			continue
		}
		if d := levenshtein.ComputeDistance(k, other); d > 0 && (d < least || d == least && name != "" && other < name) {
			least, name = d, other
		}
	}
	if name == "" {
		return nil
	}
	return best(s.r.names[s.l][name], s.state)
}
