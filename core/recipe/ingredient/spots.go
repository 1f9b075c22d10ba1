package ingredient

import (
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// Spot is a food that a text names, and the amount beside it.
type Spot struct {
	Food *food.Food
	// At is the token that its name begins with, N how many the name has.
	At, N int
	// Said says that an amount stands beside it: from the token Begin on, and before Until.
	Said         bool
	Begin, Until int
	// Behind says that the amount comes after the name.
	Behind bool
}

// nearSalt is how many words may stand between "salt" and "pepper" where the pepper is the spice, and not the vegetable.
const nearSalt = 2

// reachBefore and reachBehind are how many words may stand between a name and its amount:
// "2 cups of very finely chopped walnuts", "tofu, extra firm, 1 block".
const reachBefore, reachBehind = 9, 5

// Spots finds the foods that a text names, each under its longest name, and the amounts beside them.
func (r *Reader) Spots(text string, tokens []words.Token, l words.Language) (out []Spot) {
	s := scan{r: r, text: text, l: l, main: tokens, used: map[int]bool{}}
	free := 0 // the first token that no food before has taken
	for i := 0; i < len(tokens); i++ {
		f, n := r.FoodAt(tokens, i, l)
		if n := len(out) - 1; f != nil && n >= 0 && out[n].Food.ID == "salt" && i-out[n].At-out[n].N <= nearSalt {
			f, _ = r.foodAt(tokens, i, l, state{spooned: true}) // "salt and some pepper"
		}
		if made, m := r.madeAt(tokens, i, l); made != nil {
			f, n = made, m
		}
		if f == nil || tokens[i].Of("unit.pack") || verbHere(tokens, i, n) || sizedAs(tokens, i+n) {
			continue
		}
		spot := Spot{Food: f, At: i, N: n}
		for b := max(free, i-reachBefore); b < i; b++ {
			m := s.measure(b)
			unitInName := b+m.n > i && b+m.n <= i+n && tokens[i].Under("unit.").N > 0                                                                                                     // "dos dientes de ajo": its name begins with the unit
			if (m.said || m.unit == "grind") && !m.bad && (unitInName || b+m.n <= i && s.leadsTo(b+m.n, i)) && !s.measuresLength(b) && !(m.unit == "bit" && s.at(b+m.n).Of("word.the")) { // "crush the rice a bit"
				spot.Said, spot.Begin, spot.Until = true, b, b+m.n
				break
			}
		}
		end, verb := i+n, false
		if !spot.Said {
			for k := end; k < min(len(tokens), end+reachBehind); k++ {
				t := &tokens[k]
				m := s.measure(k)
				if m.said && !m.bad && !(m.unit == "bit" && (s.l == words.English && s.at(k+m.n).Kind == words.Word || s.at(k+m.n).Under("do.").N > 0)) && (m.unit != "" || t.Kind == words.Number || t.Of("number") && s.at(k+m.n).Of("word.of") && s.at(k+m.n+1).Of("word.it")) {
					next := k + m.n
					ofThem := s.at(next).Of("word.of") && s.at(next+1).Of("word.it")
					if verb = ofThem && n == 1 && tokens[i].Under("do.").N > 0; verb { // "mash about three quarters of them"
						break
					}
					if ofThem {
						next += 2
					}
					ended := ofThem || s.at(next-1).Is(".") && s.capital(next) && tokens[k-1].Is(",") // "Soy sauce, 3 tbsp. Smoked paprika 2 tsp."
					unknown := tokens[k-1].Is(",") && s.at(next).Kind == words.Word && known(s.at(next)) == 0 && !describes(s.at(next)) && !s.at(next).Of("alternative") && !small[s.at(next).Plain]
					if unknown { // "or GF crumbs, 1/3 c cotija"
						break
					}
					if !ended && s.leadsToFood(next, l) || next+1 < len(tokens) && tokens[next].Of("word.of") || s.time(k) {
						break // the amount of what comes next, or no amount
					}
					spot.Said, spot.Behind, spot.Begin, spot.Until = true, true, k, next
					end = next
					break
				}
				if !t.Is("(") && !describes(t) {
					break
				}
			}
		}
		if verb {
			continue
		}
		out = append(out, spot)
		free = end
		i = i + n - 1
	}
	return out
}

// sizedAs says that the name of a food tells only how large something is, and no food: "walnut sized", "walnut-size".
func sizedAs(tokens []words.Token, behind int) bool {
	if behind < len(tokens) && tokens[behind].Is("-") {
		behind++
	}
	return behind < len(tokens) && (tokens[behind].Plain == "sized" || tokens[behind].Plain == "size")
}

// capital says that the token at a place is a word with a capital letter.
func (s *scan) capital(k int) bool {
	t := s.at(k)
	return t.Kind == words.Word && words.Capital(s.text[t.At:])
}

// madeAt is the first food of what a phrase such as "flax egg" at a token is made of, and how many tokens it takes.
func (r *Reader) madeAt(tokens []words.Token, i int, l words.Language) (*food.Food, int) {
	if tokens[i].Kind != words.Word || !r.madeFirst[l][words.Stem(tokens[i].Plain)] {
		return nil, 0
	}
	for k := min(len(tokens), i+5); k > i+1; k-- {
		if made := r.made[l][key(tokens[i:k], l)]; made != nil {
			return r.foods.Find(made[0].food), k - i
		}
	}
	return nil, 0
}

// verbHere says that a word which could be a food is a verb, or a measure: "las pasas por harina", "una nuez de mantequilla".
func verbHere(tokens []words.Token, i, n int) bool {
	for _, m := range tokens[i].Means {
		if m.N > n && (strings.HasPrefix(m.List, "act.") || strings.HasPrefix(m.List, "do.") || m.List == "unit.knob") {
			return true
		}
	}
	return false
}

// EndsWithAmount says that a text ends with an amount in a unit of the kitchen: "tom paste 2 T".
func (r *Reader) EndsWithAmount(text string, tokens []words.Token, l words.Language) bool {
	s := scan{r: r, text: text, l: l, main: tokens, used: map[int]bool{}}
	for k := 1; k < len(tokens); k++ {
		m := s.measure(k)
		counted := tokens[k].Kind == words.Number || tokens[k].Of("number") || tokens[k].Of("article") || tokens[k].Of("about")
		if counted && m.said && m.unit != "" && m.unit != "piece" && (k+m.n == len(tokens) || tokens[k+m.n].Is(",") || tokens[k+m.n].Is("(")) {
			return !s.time(k)
		}
	}
	return false
}

// time says that the number at a token is of minutes or degrees, or a length.
func (s *scan) time(k int) bool {
	if v, _ := Minutes(s.main, k); v > 0 {
		return true
	}
	_, n := s.number(k)
	t := s.at(k + n)
	return t.Of("degrees") || t.Of("length") || t.Is("%")
}

// describes says that a token may stand between the name of a food and the amount behind it: "corn, frozen: 1 cup".
func describes(t *words.Token) bool {
	return t.Is(",") || t.Is(":") || t.Is("-") || t.Is("=") || t.Is("x") || known(t) > 0 && t.Under("do.").N == 0
}

// leadsToFood says that a food follows an amount, with nothing between but words that describe it: in "a 180 g packet of cooked
// chestnuts" the amount is that of the chestnuts, and not of what was named before.
func (s *scan) leadsToFood(from int, l words.Language) bool {
	for k := from; k < min(len(s.main), from+4); k++ {
		if f, _ := s.r.FoodAt(s.main, k, l); f != nil {
			return true
		}
		if t := &s.main[k]; t.Kind != words.Word || known(t) == 0 && !small[t.Plain] {
			return false
		}
	}
	return false
}

// measuresLength says that the number at a token is one: "in 1 cm of hot oil".
func (s *scan) measuresLength(k int) bool {
	_, n := s.number(k)
	return n > 0 && s.at(k+n).Of("length") && s.at(k+n).Plain != "in"
}

// leadsTo says that what stands between an amount and a name leads from one to the other.
func (s *scan) leadsTo(from, to int) bool {
	for k := from; k < to; k++ {
		t := &s.main[k]
		if t.Kind == words.Number || t.Is(",") && !(k+1 < to && known(&s.main[k+1]) > 0) || t.Kind == words.Mark && !t.Is(",") && !(t.Is("!") && !s.capital(k+1)) && !t.Is("-") && !t.Is("'") && !t.Is("(") && !t.Is(")") {
			return false
		}
		if t.Kind == words.Word && known(t) == 0 && !small[t.Plain] && !t.Of("word.passing") && !t.Of("word.filler") {
			return false
		}
		if t.Under("act.").N > 0 && known(t) == 0 || t.Of("word.then") || t.Of("time") && t.Plain != "m" {
			return false
		}
	}
	return true
}

// Knows says that a word means something to the reader: as one of its lists, or in the name of a food.
func (r *Reader) Knows(word string, l words.Language) bool {
	plain := words.Plain(word)
	if r.vocabulary[l][words.Stem(plain)] {
		return true
	}
	t := words.Read(plain, l)
	return len(t) == 1 && (len(t[0].Means) > 0 || small[plain])
}

// vocabularyOf are the stems of all words that the names of foods have.
func vocabularyOf(n names) map[string]bool {
	out := map[string]bool{}
	for name := range n {
		for stem := range strings.FieldsSeq(name) {
			out[stem] = true
		}
	}
	return out
}
