package recipe

import (
	"regexp"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"cuerda/core/recipe/words"
)

var (
	mark     = regexp.MustCompile(`^\s*(?:[-*•▢□☐·◦‣–—▪●✓+>]+\s*(?:\[[ xX]?\]\s*)?|\[[ xX]?\]\s*)`)
	ordinal  = regexp.MustCompile(`^\s*(?i:step\s*|paso\s*)?(\d{1,2})\s*(?:[.):]|[.)]?[-–]\s)\s*(?:\D|\d+\s*(?:g|kg|ml|oz|lb|cup|taza|cda|tbsp|tsp))`)
	ordering = regexp.MustCompile(`^\s*(?:(?i:step|paso)\s*)?\d{1,2}\s*(?:[.):]|[.)]?[-–]\s)?\s*`)
	serves   = regexp.MustCompile(`(?i)\b(?:serves|servings|yield|yields|makes|portions|para|raciones|porciones|comensales|rinde|feeds)\b\D{0,12}(\d{1,3})`)
	after    = regexp.MustCompile(`(?i)\b(\d{1,3})\s*(?:servings|portions|people|raciones|porciones|personas|comensales)\b`)
)

// row is one line of a text and what it looks like.
type row struct {
	text    string // without its mark
	tokens  []words.Token
	marked  bool // as an item of a list
	ordered bool // as a step
	blank   bool // before it
	head    string
	lines   int // that were joined to it
}

// readText reads Markdown and plain text: a title, a list of ingredients under a
// heading or as the lines that begin with an amount, and a method.
func readText(text string) (Found, error) {
	f := Found{Kind: Text}
	l := words.LanguageOf(text[:min(len(text), 20_000)])
	rows := rowsOf(text, l)
	if rows == nil {
		return f, ErrTooMany
	}
	r := layout{rows: rows, found: &f}
	r.heads = slices.ContainsFunc(rows, func(r row) bool { return r.head == "ingredients" })
	r.bulleted = 2*count(rows, func(r *row) bool { return r.marked }) > count(rows, func(r *row) bool { return startsWithAmount(r) })
	for i := range rows {
		r.take(i)
	}
	return f, nil
}

func count(rows []row, is func(*row) bool) (n int) {
	for i := range rows {
		if is(&rows[i]) {
			n++
		}
	}
	return n
}

var (
	lineEnds = strings.NewReplacer("\r\n", "\n", "\r", "\n", "\u2028", "\n")
	emphasis = strings.NewReplacer("**", "", "__", "", "`", "")
)

// rowsOf takes a text apart into lines, and puts those together that were broken, as a
// photographed page's are.
func rowsOf(text string, l words.Language) []row {
	var rows []row
	blank := false
	for line := range strings.Lines(lineEnds.Replace(text)) {
		bare := strings.TrimSpace(line)
		if bare == "" {
			blank = true
			continue
		}
		if len(rows) >= MaxIngredients+2*MaxSteps {
			return nil
		}
		if !utf8.ValidString(bare) {
			bare = strings.ToValidUTF8(bare, "")
		}
		r := row{blank: blank}
		blank = false
		r.ordered = ordinal.MatchString(bare)
		if m := mark.FindString(bare); m != "" && !strings.HasPrefix(bare, "**") && !strings.HasPrefix(bare, "--") {
			r.marked, bare = true, strings.TrimSpace(bare[len(m):])
		}
		r.head = headOf(bare, l, r.marked)
		r.text = emphasis.Replace(strings.TrimLeft(bare, "# "))
		if strings.TrimSpace(r.text) == "" {
			continue
		}
		if n := len(rows); n > 0 && r.head == "" && rows[n-1].lines < mostLines && len(rows[n-1].text) < longest && goesOn(&rows[n-1], &r) {
			rows[n-1].lines++
			rows[n-1].text = strings.TrimSuffix(rows[n-1].text, "-") + map[bool]string{true: "", false: " "}[strings.HasSuffix(rows[n-1].text, "-")] + r.text
			continue
		}
		rows = append(rows, r)
	}
	for i := range rows {
		rows[i].tokens = words.Read(Short(rows[i].text, maxWords), l)
	}
	return rows
}

// longest is how long a paragraph may be, bytes, and mostLines of how many lines, and still
// be gone on with: no page has longer ones, and each joining copies what is there.
const (
	longest   = 16 << 10
	mostLines = 60
)

// unfinished are words that no line ends with.
var unfinished = words.All("word.unfinished")

// goesOn says that a line is the rest of the one before it.
func goesOn(before, r *row) bool {
	if r.blank || r.marked || r.ordered || before.head != "" {
		return false
	}
	if strings.HasPrefix(r.text, "(") && !before.ordered {
		return true
	}
	first, _ := utf8.DecodeRuneInString(r.text)
	last := before.text[len(before.text)-1]
	if last == '-' && unicode.IsLower(first) {
		return true
	}
	if !unicode.IsLower(first) {
		return false
	}
	if last == ',' || strings.Count(before.text, "(") > strings.Count(before.text, ")") {
		return true
	}
	at := strings.LastIndexByte(before.text, ' ')
	if unfinished[words.Plain(before.text[at+1:])] {
		return true
	}
	if c := before.text[0]; !before.marked && !before.ordered && c >= '0' && c <= '9' {
		return false // an item of a list, not a broken sentence
	}
	return len(before.text) > 55 && last != '.' && last != ':' && last != '!'
}

// headFirst are the words that headings begin with.
var headFirst = words.Firsts("head.")

// headOf says which heading a line is: ingredients, method, notes or "section: NAME"; ""
// for none.
func headOf(bare string, l words.Language, marked bool) string {
	form := strings.HasPrefix(bare, "#") || strings.HasSuffix(bare, ":") || strings.HasPrefix(bare, "**") && strings.HasSuffix(bare, "**") && len(bare) > 4
	name := strings.TrimSpace(strings.Trim(bare, "#*:_= "))
	if name == "" || len(name) > 80 {
		return ""
	}
	if c := name[0]; !form && (c >= '0' && c <= '9' || strings.Count(name, " ") > 7) {
		return ""
	}
	if first, _, _ := strings.Cut(name, " "); !form && !headFirst[words.Plain(strings.Trim(first, ":.,¿?"))] {
		return ""
	}
	capital := strings.ToUpper(name) == name && strings.ToLower(name) != name
	tokens := words.Read(name, l)
	if len(tokens) == 0 {
		return ""
	}
	if len(tokens) <= 6 && tokens[0].Of("head.ingredients") && !marked {
		return "ingredients" // "Ingredientes para 4 personas"
	}
	heads := func(tokens []words.Token) string {
		for _, h := range [...]string{"ingredients", "method", "notes"} {
			m := tokens[0].In("head." + h)
			if m.N > 0 && (m.N >= len(tokens) || (form || capital) && m.N+4 >= len(tokens) && tokens[0].Kind == words.Word && !(marked && !form)) {
				return h
			}
		}
		return ""
	}
	if h := heads(tokens); h != "" {
		return h
	}
	if h := heads(words.Read(name, 1-l)); h != "" {
		return h
	}
	if form && !marked && len(tokens) < 9 && tokens[0].Kind != words.Number {
		return "section: " + name
	}
	return ""
}

type layout struct {
	rows     []row
	found    *Found
	where    string // "", ingredients, method, notes
	section  string
	heads    bool // the ingredients stand under a heading
	bulleted bool // and are marked
	numbered bool // or numbered
	steps    bool // steps are numbered
	next     int  // the number of the next, where no mark stands behind
}

func (y *layout) add(item string) {
	y.found.Ingredients, y.found.Sections = append(y.found.Ingredients, item), append(y.found.Sections, y.section)
}

// take puts a line where it belongs.
func (y *layout) take(i int) {
	f, r := y.found, &y.rows[i]
	switch {
	case r.head == "ingredients" && (y.where == "" || len(f.Ingredients) == 0):
		y.where, y.section = "ingredients", ""
		return
	case r.head == "ingredients" && y.where == "method":
		y.where = "notes" // another recipe begins: this one is whole
		f.Notes = append(f.Notes, r.text)
		return
	case r.head == "method" && y.where != "notes" && (len(f.Ingredients) > 0 || y.where == "ingredients"):
		y.where = "method"
		return
	case r.head == "notes":
		y.where = "notes"
		return
	case strings.HasPrefix(r.head, "section: ") && !(f.Name == "" && i == 0 && !forWhat(r)):
		name := strings.TrimPrefix(r.head, "section: ")
		if y.where == "ingredients" || y.where == "" || y.where == "method" && y.listFollows(i) {
			if y.where != "ingredients" && !y.listFollows(i) {
				break
			}
			y.where, y.section = "ingredients", name
			if strings.ContainsAny(name, "0123456789") {
				f.Notes = append(f.Notes, name) // "Para unas 30 croquetas:"
			}
			return
		}
		if y.where == "method" {
			f.Steps = append(f.Steps, name+":")
			return
		}
	}
	if y.portions(r) && len(r.tokens) <= 4 {
		return
	}
	item := r.text
	// A list of ingredients may be numbered too.
	numbered := r.ordered && y.where == "ingredients" && y.heads && (len(f.Ingredients) == 0 || y.numbered)
	y.numbered = numbered
	if n := y.bareOrder(r); n > 0 {
		r.ordered, y.next = true, n+1
	}
	ordered := r.ordered && !numbered
	switch {
	case y.where == "notes":
		f.Notes = append(f.Notes, item)
	case y.where == "method" || ordered && len(f.Ingredients) > 0:
		y.step(r)
	case y.where == "ingredients" && y.isHeading(i):
		y.section = strings.Trim(item, ": ")
	case y.where == "ingredients" && y.isProse(r):
		if y.heads && !r.blank && len(f.Ingredients) > 0 {
			y.add(item)
			return
		}
		y.step(r)
	case y.where == "ingredients":
		y.add(item)
	case f.Name == "" && i == 0 && (y.heads || !startsWithAmount(r)) && !r.marked && len([]rune(item)) <= maxName:
		f.Name = strings.Trim(item, "#*_ :")
	case (r.marked || startsWithAmount(r)) && !y.isProse(r) && !(y.heads && len(f.Ingredients) == 0) && !y.isAbout(r):
		y.where = "ingredients"
		y.add(item)
	case len(f.Ingredients) == 0 && y.isHeading(i) && !y.heads && !y.isAbout(r):
		y.where, y.section = "ingredients", item
	case !y.heads && i > 0 && !y.isProse(r) && !y.isAbout(r) && len(tokensOfWords(r)) <= 6 && !strings.ContainsAny(item[len(item)-1:], ".!") && !y.bulleted:
		y.add(item)
	default:
		f.Notes = append(f.Notes, item)
	}
}

// bareOrder gives the number of a step that is numbered without a mark: "2 Slice the
// leeks"; 0 for other lines.
func (y *layout) bareOrder(r *row) int {
	if r.ordered || r.marked || len(y.found.Ingredients) == 0 || len(r.tokens) < 5 || r.tokens[0].Kind != words.Number || r.tokens[1].Kind != words.Word {
		return 0
	}
	n := int(r.tokens[0].Value)
	if n != max(1, y.next) || !upper(r.text[r.tokens[1].At:]) || r.tokens[1].Under("unit.").N > 0 {
		return 0
	}
	if n == 1 && r.tokens[1].Under("act.").N == 0 && r.tokens[1].Under("do.").N == 0 && len(tokensOfWords(r)) < 7 {
		return 0
	}
	return n
}

// forWhat says that a line begins with "for" or "to": it heads a list.
func forWhat(r *row) bool {
	return len(r.tokens) > 0 && r.tokens[0].Of("word.for")
}

func tokensOfWords(r *row) (out []words.Token) {
	for _, t := range r.tokens {
		if t.Kind == words.Word {
			out = append(out, t)
		}
	}
	return out
}

// step takes a line of the method; once steps are numbered, what is not is a note.
func (y *layout) step(r *row) {
	y.where = "method"
	text := r.text
	if r.ordered {
		y.steps = true
		text = ordering.ReplaceAllString(text, "")
	} else if y.steps && !r.marked {
		y.found.Notes = append(y.found.Notes, text)
		return
	}
	if len(r.tokens) > 0 && r.tokens[0].Of("note") && strings.ContainsAny(text[:min(len(text), 24)], ":-") {
		y.found.Notes = append(y.found.Notes, text)
		return
	}
	y.found.Steps = append(y.found.Steps, text)
}

// portions reads how many it serves, and says whether the line tells that.
func (y *layout) portions(r *row) bool {
	if y.found.Portions != 0 || y.where == "method" || len(r.text) > 90 {
		return false
	}
	for _, pattern := range []*regexp.Regexp{after, serves} {
		if m := pattern.FindStringSubmatch(r.text); m != nil && r.tokens[0].Kind != words.Number {
			y.found.Portions = portions(m[1])
			return true
		}
	}
	return false
}

// isAbout says that a line tells times or yields.
func (y *layout) isAbout(r *row) bool {
	if len(r.tokens) == 0 {
		return true
	}
	t := &r.tokens[0]
	return t.Of("makes") && t.Plain != "unas" && t.Plain != "unos" && t.Plain != "get" && t.Plain != "about" || t.Of("serves") || t.Plain == "prep" || t.Plain == "total" || t.Plain == "serves" || t.Plain == "active" || t.Plain == "tiempo" ||
		len(r.text) < 120 && strings.Count(r.text, "|") >= 2 || len(r.text) < 40 && after.MatchString(r.text)
}

// isProse says that a line is a sentence, not an item of a list.
func (y *layout) isProse(r *row) bool {
	n := len(tokensOfWords(r))
	if r.marked || startsWithAmount(r) {
		return n > 45
	}
	if r.blank && n >= 5 && strings.HasSuffix(r.text, ".") && len(y.found.Ingredients) > 1 {
		return true
	}
	dots := strings.Count(r.text, ". ") + strings.Count(r.text, "! ")
	if dots >= 1 && n > 9 || n > 22 {
		return true
	}
	return n > 9 && strings.HasSuffix(r.text, ".") || y.bulleted && n > 12
}

// isHeading says that a line stands over a list of its own: it is short, has no amount
// and no mark where the others have, and items follow.
func (y *layout) isHeading(i int) bool {
	r := &y.rows[i]
	if r.marked || startsWithAmount(r) || len(r.tokens) == 0 || len(tokensOfWords(r)) > 5 || strings.ContainsAny(r.text, ".,;!()") || i+1 >= len(y.rows) {
		return false
	}
	if forWhat(r) && r.blank && !y.rows[i+1].blank {
		return true
	}
	if !y.listFollows(i) {
		return false
	}
	return y.bulleted || r.blank && !y.rows[i+1].blank && len(tokensOfWords(r)) <= 4 && i > 0 && startsWithAmount(&y.rows[i+1])
}

// listFollows says that items of a list come next.
func (y *layout) listFollows(i int) bool {
	if i+1 >= len(y.rows) {
		return false
	}
	r := &y.rows[i+1]
	return r.head == "" && (r.marked && !r.ordered || startsWithAmount(r) && !r.ordered) && !y.isProse(r)
}

// startsWithAmount says that a line begins with a number, or with a word for one.
func startsWithAmount(r *row) bool {
	for i := range r.tokens {
		t := &r.tokens[i]
		switch {
		case t.Kind == words.Number:
			return true
		case t.Of("number") || t.Of("article"):
			return len(tokensOfWords(r)) <= 14
		case t.Of("unit.pinch") || t.Of("unit.handful"):
			return true
		case t.Of("about"):
			continue
		}
		return false
	}
	return false
}
