package layout

import (
	"regexp"
	"slices"
	"strings"
	"unicode"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

var (
	yields  = regexp.MustCompile(`(?i)\b(?:serves|servings|yield|yields|makes|portions|raciones|porciones|comensales|rinde|feeds)\b\D{0,12}\d{1,3}|\b\d{1,3}\s*(?:servings|portions|people|raciones|porciones|personas|comensales)\b`)
	address = regexp.MustCompile(`(?i)https?://|www\.|@[A-Za-z]\w+|#\w{4,}|^(?:from|to|cc|subject|sent|date|de|para|asunto|enviado|fecha)\s*:\s`)
	stars   = regexp.MustCompile(`[★☆⭐]|\b\d[.,]\d\s*/\s*5\b|\(\d+\s*(?:votes?|votos|reviews|ratings|opiniones)\)`)
	posted  = regexp.MustCompile(`\b\d{1,2}:\d{2}\b`)
)

// page is what of a text tells of each of its lines.
type page struct {
	rows     []Row
	reader   *ingredient.Reader
	l        words.Language
	lists    bool // the ingredients stand under a heading
	bulleted bool // and are marked
	numbered bool // the steps are numbered
	cook     string
	seen     []seen
	listed   []bool // rows below the heading of a list, with an amount of a food behind their number
}

// seen is what is seen of one row.
type seen struct {
	words, foods, verbs                               int
	amountFirst, amountBehind, amountFood, amountLast bool
	onlyFoods, verbFirst, timed, sentence             bool
	measured                                          bool // an amount of a food stands in it
	countsPieces                                      bool // "30 balls, walnut size"
}

func newPage(rows []Row, r *ingredient.Reader, l words.Language) *page {
	p := &page{rows: rows, reader: r, l: l, seen: make([]seen, len(rows))}
	marked, amounts, steps := 0, 0, 0
	lines := map[string]int{}
	for i := range rows {
		row := &rows[i]
		p.seen[i] = p.look(row)
		s := &p.seen[i]
		p.lists = p.lists || row.head == "ingredients"
		item := (s.amountFirst || s.amountBehind) && s.foods > 0 && !s.prose()
		if item {
			amounts++
			lines[row.speaker]++
			if row.marked {
				marked++
			}
		}
		if row.Ordered && s.verbs > 0 && s.words > 3 {
			steps++
		}
	}
	p.listed = p.numberedList()
	p.bulleted, p.numbered = amounts > 2 && 2*marked > amounts, steps > 1
	for name, n := range lines {
		if name != "" && (n > lines[p.cook] || p.cook == "" || n == lines[p.cook] && name < p.cook) {
			p.cook = name
		}
	}
	return p
}

// numberedList finds the items of a list that are numbered as steps are: below its heading, with an amount of a food.
func (p *page) numberedList() []bool {
	out, below := make([]bool, len(p.rows)), false
	for i := range p.rows {
		r := &p.rows[i]
		switch r.head {
		case "ingredients":
			below = true
		case "method", "notes":
			below = false
		}
		if !below || !r.Ordered || p.seen[i].words > 20 {
			continue
		}
		tokens := words.Read(r.WithoutNumber(), p.l)
		out[i] = startsWithAmount(tokens, len(tokens)) == 0 && p.seen[i].foods > 0
	}
	return out
}

// prose says that what is seen are sentences rather than an item of a list.
func (s *seen) prose() bool { return s.words > 30 || s.words > 16 && s.sentence }

// look sees what one row has.
func (p *page) look(r *Row) (s seen) {
	tokens := r.tokens
	for i := range tokens {
		t := &tokens[i]
		if t.Kind != words.Word {
			continue
		}
		s.words++
		if verb(t) && !(i > 0 && tokens[i-1].Of("word.subject")) {
			s.verbs++
		}
		s.timed = s.timed || t.Of("time") && i > 0 || t.Of("span") || t.Of("degrees")
	}
	if first := p.firstWord(tokens); first != nil {
		s.verbFirst = verb(first)
	}
	s.sentence = s.words > 4 && (strings.ContainsAny(r.Text[len(r.Text)-1:], ".!?") || strings.Contains(r.Text, ". "))
	spots := p.reader.Spots(r.Read, tokens, p.l)
	s.foods = len(spots)
	for i := range spots {
		if k := spots[i].At; k > 0 && tokens[k-1].Of("word.refuse") && !spots[i].Said {
			s.foods-- // "(no egg for Billy)"
		}
	}
	if s.verbFirst && len(spots) > 0 && spots[0].At == 0 {
		s.verbFirst, s.verbs = false, s.verbs-1 // "cooking apples"
	}
	if slices.ContainsFunc(tokens, func(t words.Token) bool { return t.Under("part.").N > 0 || t.Of("word.salt and pepper") }) {
		s.foods++ // "grated zest of an orange", "s+p"
	}
	at := startsWithAmount(tokens, s.words)
	if lead := words.LeadOf(tokens); at < 0 && !s.verbFirst && len(spots) > 0 && lead < len(tokens) && (tokens[lead].Of("article") || lead > 0 && (tokens[lead].Of("number") || tokens[lead].Of("about"))) && spots[0].Said && spots[0].Begin <= lead+1 && spots[0].At <= lead+6 {
		at = lead // "Then a big onion, chopped small and fried in butter until it goes brown at the edges"
	}
	if colon := slices.IndexFunc(tokens, func(t words.Token) bool { return t.Is(":") }); at < 0 && colon > 0 && !r.Ordered && s.words <= 30 && listBehind(spots, colon) {
		at, s.amountFood, s.verbFirst, s.verbs = colon+1, true, false, 0 // "coating: ¾ cup crushed cornflakes, ¼ cup aquafaba"
	}
	s.amountLast = at < 0 && s.words <= 8 && words.PortionsOf(tokens) == 0 && p.reader.EndsWithAmount(r.Read, tokens, p.l)
	s.amountFirst = at >= 0
	s.countsPieces = at >= 0 && at+1 < len(tokens) && (tokens[at+1].Under("piece.").N > 0 || s.foods == 0 && words.TimesWeight(tokens, at))
	for _, f := range spots {
		s.measured = s.measured || f.Said
		switch {
		case !f.Said:
		case f.Begin <= at+1 && s.amountFirst:
			s.amountFood = true
		case f.At < f.Begin+f.N && f.At <= 4 && f.Behind:
			s.amountBehind = !s.amountFirst
		}
	}
	if s.foods > 0 && s.words <= 6 && s.verbs == 0 {
		s.onlyFoods = true
	}
	return s
}

// listBehind says that foods follow a colon at once, at least two of them with amounts.
func listBehind(spots []ingredient.Spot, colon int) bool {
	const near, least = 2, 2
	said := 0
	for i := range spots {
		if i == 0 && spots[i].At-colon > near && !(spots[i].Said && spots[i].Begin-colon <= near) || spots[i].At < colon {
			return false
		}
		if spots[i].Said {
			said++
		}
	}
	return said >= least
}

func (p *page) firstWord(tokens []words.Token) *words.Token {
	for i := range tokens {
		t := &tokens[i]
		if t.Kind == words.Word && !t.Of("word.then") && !t.Of("word.and") {
			return t
		}
		if i > 2 {
			return nil
		}
	}
	return nil
}

// verb says that a word tells somebody to do something, or what is done.
func verb(t *words.Token) bool {
	return t.Under("act.").N > 0 || t.Under("do.").N > 0 || t.Of("heat.simmer") || t.Of("heat.fry") || t.Of("heat.oven") && !strings.HasSuffix(t.Plain, "o") || t.Of("turn")
}

// startsWithAmount gives the token at which a line begins with a number or a word for one; -1 for none.
func startsWithAmount(tokens []words.Token, count int) int {
	for i := words.LeadOf(tokens); i < len(tokens); i++ {
		t := &tokens[i]
		switch {
		case t.Kind == words.Number:
			return i
		case t.Of("number") || t.Of("article"):
			if count <= 14 {
				return i
			}
			return -1
		case t.Of("unit.pinch") || t.Of("unit.handful"):
			return i
		case t.Of("about") || t.Of("word.plus") || t.Of("word.and") || t.Of("size") && i == 0:
			continue
		}
		return -1
	}
	return -1
}

// features are those of a row by their number in labels.csv.
func (p *page) features(i int) (out []int) {
	r, s := &p.rows[i], &p.seen[i]
	is := func(name string, there bool) {
		if there {
			out = append(out, featureNumber(name))
		}
	}
	t := func(list string) bool { return len(r.tokens) > 0 && r.tokens[0].Of(list) }
	stop := strings.ContainsAny(r.Text[len(r.Text)-1:], ".!?,;")
	short := s.words <= 9 && !stop && s.words > 0
	named := r.head == "ingredients" || r.head == "method" || r.head == "notes"
	is("always", true)
	is("first row", i == 0)
	is("among the first four", i > 0 && i < 4)
	is("short", short && !s.amountFirst)
	is("names a piece", short && slices.ContainsFunc(r.tokens, func(t words.Token) bool { return t.Under("piece.").N > 0 }))
	is("long", s.words > 15)
	is("very long", s.words > 30)
	is("heads a list", r.head == "ingredients")
	is("heads a method", r.head == "method")
	is("has a number and no colon", strings.ContainsFunc(r.Text, unicode.IsDigit) && !strings.HasSuffix(strings.TrimRight(r.Text, "* "), ":"))
	is("heads notes", r.head == "notes")
	is("heads a section", strings.HasPrefix(r.head, "section: "))
	items := i+1 < len(p.rows) && p.item(i+1)
	is("items follow", items)
	is("no items follow", !items && i+1 < len(p.rows))
	is("stands over a list", !named && p.overList(i))
	is("says for what", !named && short && !s.amountFirst && s.words <= 5 && forWhat(r.tokens))
	is("begins with an amount", s.amountFirst)
	is("begins with an amount of a food", s.amountFood)
	is("ends with an amount of a food", s.amountBehind)
	is("ends with an amount", s.amountLast)
	is("says what it is for", s.words <= 10 && slices.ContainsFunc(r.tokens, func(t words.Token) bool { return t.Under("role.").N > 0 }))
	is("only foods", s.onlyFoods)
	is("names a food", s.foods > 0 && s.words <= 12)
	is("names foods in a sentence", s.foods > 0 && s.words > 6)
	is("no food", s.foods == 0)
	is("marked", r.marked)
	is("unmarked among the marked", p.bulleted && !r.marked && !r.Ordered)
	is("numbered", r.Ordered && !p.listed[i])
	is("numbered in a list", r.Ordered && p.listed[i])
	is("not numbered among the numbered", p.numbered && !r.Ordered)
	is("quoted", r.quoted)
	is("greets", t("greeting") && s.words <= 4)
	is("counts pieces", s.words <= 7 && s.countsPieces)
	is("begins with a verb", s.verbFirst)
	is("has a verb", s.verbs > 0)
	is("has no verb", s.verbs == 0)
	is("has a time", s.timed)
	is("has heat and a time", s.timed && slices.ContainsFunc(r.tokens, func(t words.Token) bool { return t.Under("heat.").N > 0 || t.Of("act.chill") }))
	is("is a sentence", s.sentence)
	is("belongs to a page", p.furniture(r))
	is("tells times or yields", p.tellsYield(r, s))
	is("tells of oneself", slices.ContainsFunc(withoutBrackets(r.tokens), func(t words.Token) bool { return t.Of("word.self") }))
	is("begins with a yield", yields.MatchString(r.start()) && (t("makes") || t("page time")))
	is("begins a note", t("note") && strings.ContainsAny(r.Text[:min(len(r.Text), 24)], ":-") || t("aside note"))
	is("refuses", t("word.refuse") && !s.verbFirst && !s.measured)
	is("asks", strings.HasSuffix(r.Text, "?") || strings.HasPrefix(r.Text, "¿"))
	is("is an address", address.MatchString(r.start()) || strings.HasPrefix(r.Text, "--") || strings.HasPrefix(r.Text, "__"))
	is("signs off", len(r.tokens) > 0 && s.words <= 6 && r.tokens[0].Of("sign off"))
	is("another speaks", r.speaker != p.cook && len(p.cook) > 0)
	is("stands in brackets", strings.HasPrefix(r.Text, "(") && strings.HasSuffix(strings.TrimRight(r.Text, ". "), ")"))
	is("after a gap", r.blank)
	is("after another of its kind", i > 0 && !r.blank && p.seen[i-1].amountFirst == s.amountFirst && s.amountFirst)
	return out
}

// withoutBrackets are the tokens before the first bracket.
func withoutBrackets(tokens []words.Token) []words.Token {
	if k := slices.IndexFunc(tokens, func(t words.Token) bool { return t.Is("(") }); k > 0 {
		return tokens[:k]
	}
	return tokens
}

// item says that a row looks like one of a list.
func (p *page) item(i int) bool {
	s, r := &p.seen[i], &p.rows[i]
	return r.head == "" && !r.Ordered && !s.prose() && s.words > 0 && (s.amountFood || s.amountBehind || s.amountFirst && s.foods > 0 || r.marked && s.foods > 0 && !s.timed)
}

// overList says that a row is short, has no amount and no mark where the others have, and that items
// follow: it stands over a list of its own.
func (p *page) overList(i int) bool {
	r, s := &p.rows[i], &p.seen[i]
	bare, _, _ := strings.Cut(r.Text, "(")
	if r.marked || s.amountFirst || s.amountLast || i == 0 || s.words == 0 || s.words > 5 || strings.ContainsAny(bare, ".,;!()") || i+1 >= len(p.rows) {
		return false
	}
	if forWhat(r.tokens) && (r.blank || strings.ToUpper(r.Text) == r.Text) && !p.rows[i+1].blank {
		return true
	}
	return p.item(i+1) && (p.bulleted && p.rows[i+1].marked || r.blank && !p.rows[i+1].blank && s.words <= 4 && i > 0 && p.seen[i+1].amountFirst)
}

// furniture says that a row is of the page the recipe stood on, or of the people who spoke about it.
func (p *page) furniture(r *Row) bool {
	n, count := 0, 0
	for i := range r.tokens {
		if r.tokens[i].Kind == words.Word {
			count++
		}
		if r.tokens[i].Of("page") {
			n++
		}
	}
	if stars.MatchString(r.start()) || strings.ContainsAny(r.Text, "©↳↓»") {
		return true
	}
	if dividers(r.start()) >= 2 && count < 40 {
		return true
	}
	if posted.MatchString(r.start()) && count <= 10 && !r.Ordered && r.speaker == "" {
		return true
	}
	return n > 0 && (len(r.tokens) > 0 && r.tokens[0].Of("page") && count <= 12 || 3*n >= count)
}

// dividers counts the marks that part what a page has on one line.
func dividers(text string) int {
	n := 0
	for _, m := range []string{" | ", " · ", " • ", " > "} {
		n += strings.Count(text, m)
	}
	return n
}

// tellsYield says that a row tells how many it serves or how long it takes.
func (p *page) tellsYield(r *Row, s *seen) bool {
	if len(r.tokens) == 0 {
		return true
	}
	t := &r.tokens[0]
	if t.Of("page time") {
		return true
	}
	if strings.Count(r.Text, "|") >= 2 && len(r.Text) < 120 {
		return true
	}
	return s.words <= 7 && (s.foods == 0 || s.words <= 5) && !s.amountFood && yields.MatchString(r.start()) || len(r.Text) < 30 && t.Of("makes") && t.Plain != "about" && t.Plain != "get" && t.Plain != "unas" && t.Plain != "unos" && s.foods == 0
}
