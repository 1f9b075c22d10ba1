package ingredient

import (
	"slices"
	"strings"
	"unicode/utf8"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// scan takes one line apart: an amount, a food, what is said of it, and once more
// where the line has several foods.
type scan struct {
	r    *Reader
	text string
	l    words.Language
	line Reading
	// main are the tokens outside brackets, brackets those inside.
	main     []words.Token
	brackets [][]words.Token
	used     map[int]bool    // tokens by where they begin that are an amount or a food
	levels   map[int]float64 // of a verb, that its own brackets give
	state    state
	free     map[string]bool
	// bracketAt is before which token of main each of the brackets stands.
	bracketAt []int
	// weighings are all weights that the line tells beside its amounts, such as "(200 g)". said is the one that belongs to the
	// food which is being read.
	weighings []weighing
	said      weighing
	// bothParts says that juice and zest of a fruit are both meant.
	bothParts bool
	// alike says that what is done to one food of the line is done to all of them.
	alike bool
	maybe bool
	taste bool
	// part says that it is one part of a line, which is not taken apart again.
	part bool
}

func newScan(r *Reader, text string, l words.Language) *scan {
	s := &scan{r: r, text: text, l: l, line: Reading{Text: text}, used: map[int]bool{}, free: map[string]bool{}, levels: map[int]float64{}}
	tokens := words.Read(text, l)
	for i := 0; i+1 < len(tokens) && l.HeadFirst(); i++ {
		if tokens[i].Plain == "h" && tokens[i+1].Is(".") { // "h. garbanzo" is harina de garbanzo
			tokens[i].Plain, tokens[i].Means = "harina", nil
			tokens = append(tokens[:i+1], tokens[i+2:]...)
		}
	}
	for len(tokens) > 1 && tokens[0].Kind == words.Mark && !tokens[0].Is("(") {
		tokens = tokens[1:]
	}
	if len(tokens) > 2 && tokens[0].Kind == words.Number && tokens[1].Glued && (tokens[1].Is(".") || tokens[1].Is(")")) && !tokens[2].Glued {
		tokens = tokens[2:] // a list's own number
	}
	// "blitzed (0.5)": the level stands in brackets of its own.
	for i := 1; i+2 < len(tokens); i++ {
		if tokens[i].Is("(") && tokens[i+1].Kind == words.Number && tokens[i+1].Value <= 1 && tokens[i+2].Is(")") && tokens[i-1].Kind == words.Word {
			s.levels[tokens[i-1].At] = tokens[i+1].Value
		}
	}
	tokens = s.withoutReplaced(s.withoutRefused(tokens))
	depth := 0
	for i := range tokens {
		t := &tokens[i]
		switch {
		case t.Is("("):
			depth++
			if depth == 1 {
				s.brackets, s.bracketAt = append(s.brackets, nil), append(s.bracketAt, len(s.main))
			}
		case t.Is(")"):
			depth = max(0, depth-1)
		case depth > 0:
			s.brackets[len(s.brackets)-1] = append(s.brackets[len(s.brackets)-1], *t)
		default:
			s.main = append(s.main, *t)
		}
	}
	return s
}

// withoutRefused takes a food off the front of a line that says it is not used, and names another: "breadcrumbs NO - oats,
// 60 g". What is taken off stays among the notes.
func (s *scan) withoutRefused(tokens []words.Token) []words.Token {
	at := 0
	for at < len(tokens) && (known(&tokens[at]) > 0 || tokens[at].Of("article")) && !tokens[at].Of("word.refuse") {
		at++
	}
	if at == len(tokens) {
		return tokens
	}
	f, n := s.r.FoodAt(tokens, at, s.l)
	refused := at + n
	if f == nil || refused+1 >= len(tokens) {
		return tokens
	}
	for refused+2 < len(tokens) && tokens[refused].Kind == words.Mark && tokens[refused+1].Of("word.omit") {
		refused++ // "egg - leave out, use 1 tbsp chia"
	}
	left := tokens[refused].Of("word.omit")
	if !left && (!tokens[refused].Of("word.not") || !tokens[refused].Of("word.refuse")) {
		return tokens
	}
	if next := &tokens[refused+1]; !left && next.Kind != words.Mark && !next.Of("word.used") {
		return tokens // "tomatoes, no seeds"
	}
	start := 0
	for k := refused + 1; k < len(tokens); k++ {
		switch t := &tokens[k]; {
		case t.Is(",") || t.Is("-") || t.Is(":") || t.Is(";") || t.Is(")") || left && (t.Is("!") || t.Is(".") || t.Of("word.used")):
			start = k + 1
		case start > 0:
			if other, _ := s.r.FoodAt(tokens, k, s.l); other != nil {
				s.line.Notes = s.text[tokens[0].At:tokens[start-1].End]
				return tokens[start:]
			}
		}
	}
	return tokens
}

// withoutReplaced reads a line in which an arrow leads from one food to another that is taken in its place, as in "200 g bulgur ->
// 180 g quinoa": only what stands behind the arrow is left to be read, and what stands before it is kept as a note.
func (s *scan) withoutReplaced(tokens []words.Token) []words.Token {
	for k := 1; k+1 < len(tokens); k++ {
		behind := k + 1
		switch {
		case tokens[k].Is("→"):
		case (tokens[k].Is("-") || tokens[k].Is("=")) && tokens[k+1].Is(">"):
			behind++
		case tokens[k].Is("=") && slices.ContainsFunc(tokens[:k], func(t words.Token) bool { return t.Of("word.egg") }): // "1 egg = 1 tbsp flax + 3 tbsp water"
		default:
			continue
		}
		counted := slices.ContainsFunc(tokens[behind:], func(t words.Token) bool { return t.Kind == words.Number })
		for behind+1 < len(tokens) && (tokens[behind].Of("word.omit") || tokens[behind].Of("instead") || tokens[behind].Of("word.used") || tokens[behind].Is(":")) {
			behind++
		}
		names := func(from, to int) bool {
			for i := from; i < to; i++ {
				if f, _ := s.r.FoodAt(tokens, i, s.l); f != nil {
					return true
				}
			}
			return false
		}
		first := &tokens[behind]
		told := first.Under("act.").N > 0 || first.Under("do.").N > 0 || first.Under("heat.").N > 0 // "lentils -> simmer in 500 ml water"
		if counted && !told && names(0, k) && names(behind, min(len(tokens), behind+5)) {
			s.line.Notes = strings.TrimSpace(s.line.Notes + " " + s.text[tokens[0].At:tokens[k].At])
			return tokens[behind:]
		}
	}
	return tokens
}

func (s *scan) fault(code string) {
	if !slices.Contains(s.line.Faults, code) {
		s.line.Faults = append(s.line.Faults, code)
	}
}

// everywhere goes over the tokens of the line and of its brackets.
func (s *scan) everywhere(yield func(*words.Token) bool) {
	for i := range s.main {
		if !yield(&s.main[i]) {
			return
		}
	}
	for _, b := range s.brackets {
		for i := range b {
			if !yield(&b[i]) {
				return
			}
		}
	}
}

// says notes what words anywhere in the line say of it.
func (s *scan) says() {
	wished := map[int]bool{} // where brackets wish: "(gluten-free if you like)"
	for _, b := range s.brackets {
		if slices.ContainsFunc(b, func(t words.Token) bool { return t.Of("maybe") || t.Of("word.may") || t.Of("word.deny") }) {
			for i := range b {
				wished[b[i].At] = true
			}
		}
	}
	second := false // behind "or": what is said there is not said of the first food
	for t := range s.everywhere {
		second = second || t.Of("alternative")
		if wished[t.At] || second && t.Under("free.").N > 0 {
			continue
		}
		s.state.leafy = s.state.leafy || t.Of("word.leafy") && !second
		for _, m := range t.Means {
			switch m.List {
			case "state.cooked":
				s.state.cooked = true
			case "state.dry":
				s.state.dry = s.state.dry || s.beforeComma(t)
			case "unit.pack":
				s.state.canned = s.state.canned || t.Of("word.can")
			case "state.canned":
				s.state.canned = true
			case "state.raw":
				s.state.raw = true
			case "divided":
				s.line.Divided = true
			case "maybe":
				s.maybe, s.line.Maybe = true, true
			case "taste":
				s.taste = true
			case "role.frying", "role.coating", "role.serving", "role.pan", "role.soaking", "role.filling":
				if s.line.Role == "" && !s.enough(t) {
					s.line.Role = strings.TrimPrefix(m.List, "role.")
					s.span(t.At, s.endOf(t, m.N), "part")
				}
			case "free.gluten", "free.egg", "free.milk", "free.meat", "free.soy", "free.nut":
				s.free[strings.TrimPrefix(m.List, "free.")] = true
			}
		}
	}
	if s.line.Role != "" && s.extra() && !(len(s.main) > 0 && s.main[0].Of("word.extra")) { // but "extra oatmeal to coat"
		s.line.Role = "" // "2 tbsp oil, plus more for frying"
	}
}

// enough says that "enough" stands before a word that would tell what the food is for: "water, just enough to coat".
func (s *scan) enough(t *words.Token) bool {
	k := slices.IndexFunc(s.main, func(u words.Token) bool { return u.At == t.At })
	return k > 0 && (s.main[k-1].Plain == "enough" || s.main[k-1].Plain == "suficiente")
}

// beforeComma says that a word stands with the name of the food, not with what is done
// to it: "patted dry" makes no bean a dry one.
func (s *scan) beforeComma(t *words.Token) bool {
	for _, b := range s.brackets { // "(dry)", "(dry weight)", but not "(patted dry)"
		if len(b) <= 3 && slices.ContainsFunc(b, func(u words.Token) bool { return u.At == t.At }) {
			return !slices.ContainsFunc(b, func(u words.Token) bool { return u.Under("do.").N > 0 || u.Plain == "patted" })
		}
	}
	for i := range s.main {
		u := &s.main[i]
		if u.At == t.At {
			return true
		}
		if u.Is(",") || u.Under("do.").N > 0 && u.Plain != "ground" || u.Plain == "patted" {
			return s.l == words.English && len(s.main) > i+1 && s.main[i+1].At == t.At && u.Is(",")
		}
	}
	return false
}

// extra says that the role is of what comes on top of the amount.
func (s *scan) extra() bool {
	for t := range s.everywhere {
		if t.Of("word.extra") {
			return true
		}
	}
	return false
}

func (s *scan) endOf(t *words.Token, n int) int {
	end := t.End
	for u := range s.everywhere {
		if u.At >= t.At && n > 0 {
			end, n = u.End, n-1
		}
	}
	return end
}

func (s *scan) span(at, end int, what string) {
	if end > at {
		s.line.Spans = append(s.line.Spans, Phrase{utf8.RuneCountInString(s.text[:at]), utf8.RuneCountInString(s.text[:end]), what, 0})
	}
}

func (s *scan) read() {
	s.says()
	s.weights()
	if s.composed() {
		s.finish()
		return
	}
	i := s.label()
	s.mark(0, i)
	if len(s.brackets) > 0 && s.eachByItself(i) {
		return
	}
	fruit := s.fruit(&i)
	m := s.measure(i)
	if m.said || m.unit != "" {
		s.mark(i, i+m.n)
		if m.n > 0 && m.begins < len(s.main) {
			s.span(s.main[m.begins].At, s.main[i+m.n-1].End, "amount")
		}
		i += m.n
	}
	s.frontGrams(i, &m)
	s.state.tabled, s.state.tea = m.unit == "tbsp", m.unit == "tsp"
	s.state.spooned = !m.said || m.unit == "tsp" || m.unit == "pinch" || m.unit == "grind" || m.unit == "grating"
	if !m.said && (s.listBehind(i) || s.list(i) || s.seasonings(i)) {
		s.finish()
		return
	}
	if !m.said && s.eachByItself(i) {
		return
	}
	end := s.item(i, m, fruit)
	if parts := s.halves(); parts != nil && len(s.line.Items) == 1 && s.line.Items[0].Grams > 0 {
		s.divide(parts)
	} else {
		s.others(end, &m)
		s.seasoningsBehind()
	}
	s.liquidInBrackets()
	s.boiledInBrackets()
	s.fatInBrackets()
	s.finish()
	if it := &s.line.Items[0]; s.line.Role == "frying" && len(it.Prep) > 0 {
		if f := s.r.foods.Find(it.Food); f != nil && f.Group != food.Fat {
			s.line.Role = "" // "1 onion, fry in a knob of butter": it is what is fried, and goes in
		}
	}
}

// lastAmount gives where the amount begins that ends the line: "mushrooms, fried, 100 g";
// the line's end where there is none.
func (s *scan) lastAmount(from int) int {
	for k := max(1, from); k < len(s.main); k++ {
		if m := s.measure(k); (s.main[k-1].Is(",") || s.main[k-1].Is(":") || (known(&s.main[k-1]) > 0 || m.unit == "g" || m.unit == "oz") && s.main[k].Kind == words.Number) && m.said && (m.unit != "" || m.amount >= leastGrams) && k+m.n == len(s.main) {
			return k
		}
	}
	return len(s.main)
}

// fruit takes "juice of", "zest of" off the front.
func (s *scan) fruit(i *int) string {
	if _, n := s.number(*i + 1); n > 0 && (s.at(*i).Of("word.juice") || s.at(*i).Of("word.zest")) { // "juice ½ lemon"
		part := "juice"
		if s.at(*i).Of("word.zest") {
			part = "zest"
		}
		s.mark(*i, *i+1)
		*i++
		return part
	}
	for _, part := range []string{"both", "juice", "zest"} {
		if p := s.at(*i).In("part." + part); p.N > 0 {
			s.mark(*i, *i+p.N)
			*i += p.N
			return part
		}
	}
	return ""
}

// stems of the tokens from a to b by which the food may be called again.
func (s *scan) stems(a, b int) []string {
	telling := slices.DeleteFunc(slices.Clone(s.main[a:b]), func(t words.Token) bool {
		return t.Of("plain") || t.Of("variety") || t.Of("size") || t.Under("free.").N > 0 || t.Kind == words.Number
	})
	if len(telling) == 0 {
		telling = s.main[a:b]
	}
	return strings.Fields(key(telling, s.l))
}

func (s *scan) mark(from, to int) {
	for k := from; k < to && k < len(s.main); k++ {
		s.used[s.main[k].At] = true
	}
}

// cut is where the words on a food end: a comma, what it is for, or another food with
// its own amount.
func (s *scan) cut(i int) int {
	next := s.nextAmount(i)
	for k := i; k < len(s.main); k++ {
		t := &s.main[k]
		switch {
		case t.Is(","), t.Is(";"), t.Is(":"):
			return k
		case t.Is(".") && k > i:
			return k
		case k > i && (t.Under("role.").N > 0 && !s.inName(i, k) || t.Of("aside") && t.Plain != "sin"):
			return k
		case k >= next:
			return k
		}
	}
	return len(s.main)
}

// inName says that the token at k belongs to the name of a food that begins before it: the oil of "olive oil spray".
func (s *scan) inName(from, k int) bool {
	for b := from; b < k; b++ {
		if f, n := s.r.FoodAt(s.main, b, s.l); f != nil && b+n > k {
			return true
		}
	}
	return false
}

// joint gives how many tokens join a food to another at k: "and", "mixed with".
func (s *scan) joint(k int) int {
	n := s.at(k).In("joint").N
	if n == 0 && (s.at(k).Under("do.").N > 0 || s.at(k).Plain == "about") {
		// "soaked in", "whisked with": the verb and the word after it.
		if s.at(k+1).Of("joint") && (s.at(k+1).Of("word.in") || s.at(k+1).Of("word.with")) {
			return 1 + s.at(k+1).In("joint").N
		}
	}
	return n
}
