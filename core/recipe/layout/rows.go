package layout

import (
	"regexp"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

var (
	picture  = regexp.MustCompile(`^\s*(?:[\x{1F000}-\x{1FAFF}\x{2600}-\x{2604}\x{2607}-\x{260F}\x{2614}-\x{26FF}\x{2708}-\x{270F}\x{23E9}-\x{23FF}][\x{FE0F}\x{200D}\x{1F3FB}-\x{1F3FF}]*\s*)+`)
	mark     = regexp.MustCompile(`^\s*(?:[-*•▢□☐·◦‣–—▪●✓+~]+\s*(?:\[[ xX]?\]\s*)?|\[[ xX]?\]\s*)`)
	quote    = regexp.MustCompile(`^\s*>+\s*`)
	ordinal  = regexp.MustCompile(`^\s*(?i:step\s*|paso\s*)?\d{1,2}\s*(?:(?:[.):]|[.)]?[-–]\s)\s*\D|(?:[):]|[.)]?[-–]\s)\s*\d+\s*(?:g|kg|ml|oz|lb|cup|taza|cda|tbsp|tsp))|^\s*\d{1,2}[.)]\s+\d`)
	ordering = regexp.MustCompile(`^\s*(?:(?i:step|paso)\s*)?\d{1,2}\s*(?:[.):]|[.)]?[-–]\s)?\s*`)
	numeral  = regexp.MustCompile(`^\s*(?:(?i:step|paso)\s*)?\d{1,2}\s*[.):]?\s*$`)
	lineEnds = strings.NewReplacer("\r\n", "\n", "\r", "\n", "\u2028", "\n")
	emphasis = strings.NewReplacer("**", "", "__", "", "`", "")
	leaders  = regexp.MustCompile(`\s?[.·_]{4,}\s?`)
)

// rowsOf takes a text apart into lines, and puts those together that were broken, as a
// photographed page's are; nil where there are more than a recipe has.
func rowsOf(text string, l words.Language, reader *ingredient.Reader) []Row {
	if strings.ContainsAny(text, "\r\u2028") {
		text = lineEnds.Replace(text)
	}
	var lines []string
	filled, gap := 0, false
	for line := range strings.Lines(text) {
		if strings.TrimSpace(line) == "" {
			gap = true
			continue
		}
		if filled++; filled > MostRows+mostLines {
			return nil
		}
		if gap {
			lines, gap = append(lines, ""), false
		}
		lines = append(lines, strings.TrimSuffix(line, "\n"))
	}
	lines = columns(untabled(unseparated(unthreaded(lines), l), l), l)
	mender := newMender(reader, l)
	said := speakersOf(lines)
	if len(said) == 0 {
		lines = untimed(lines)
	}
	wrapped := wrappedText(lines)
	lines = questioned(lines)
	pictured := 3 <= countOf(lines, picture)
	var rows []Row
	blank := false
	for _, line := range lines {
		bare := strings.TrimSpace(line)
		if bare == "" {
			blank = true
			continue
		}
		if len(rows) >= MostRows {
			return nil
		}
		if !utf8.ValidString(bare) {
			bare = strings.ToValidUTF8(bare, "")
		}
		r := Row{blank: blank, Index: -1}
		blank = false
		r.speaker, bare = said.apart(bare)
		if m := quote.FindString(bare); m != "" {
			r.quoted, bare = true, bare[len(m):]
		}
		r.Ordered = ordinal.MatchString(mender.mend(Short(bare, 200)))
		if m := picture.FindString(bare); pictured && m != "" && m != bare { // "🧄 3 cloves garlic"
			r.marked, bare = true, bare[len(m):]
		}
		if m := mark.FindString(bare); m != "" && !strings.HasPrefix(bare, "**") && !strings.HasPrefix(bare, "--") {
			r.marked, bare = true, strings.TrimSpace(bare[len(m):])
			bare = strings.TrimRight(bare, "~ ")
		}
		if len(bare) <= 200 {
			r.head = headOf(mender.mend(bare), l, r.marked)
		}
		if r.Text = strings.TrimLeft(bare, "# "); strings.ContainsAny(r.Text, "*_`") {
			r.Text = emphasis.Replace(r.Text)
		}
		if strings.TrimSpace(r.Text) == "" {
			continue
		}
		if n := len(rows); n > 0 && rows[n-1].lines < mostLines && len(rows[n-1].Text) < longest && r.head == "" && goesOn(&rows[n-1], &r, wrapped, l) {
			before := &rows[n-1]
			before.lines++
			if torn.MatchString(before.Text) {
				before.Text = strings.TrimSuffix(before.Text, "-") + r.Text
			} else {
				before.Text += " " + r.Text
			}
			continue
		}
		if n := len(rows); n > 0 && numeral.MatchString(rows[n-1].Text) && !r.Ordered { // "Step 1" on a line of its own
			rows[n-1].Text, rows[n-1].Ordered = strings.TrimSuffix(rows[n-1].Text, ":")+". "+r.Text, true
			continue
		}
		r.heads = len(rows) == 0 && !strings.ContainsFunc(r.Text, unicode.IsDigit)
		rows = append(rows, r)
	}
	bareNumbers(rows)
	furtherLists(rows, l)
	for i := range rows {
		r := &rows[i]
		start := Short(r.Text, 2*mostWords)
		r.Read = r.Text
		if mended := mender.mend(start); mended != start {
			r.Read = mended + r.Text[len(start):]
		}
		r.Read = leaders.ReplaceAllStringFunc(r.Read, func(dots string) string { // "oats ....... 1 cup"
			return ":" + strings.Repeat(" ", len(dots)-1)
		})
		r.tokens = words.Read(Short(r.Read, mostWords), l)
	}
	return rows
}

// countOf is how many lines a pattern fits.
func countOf(lines []string, pattern *regexp.Regexp) (n int) {
	for _, line := range lines {
		if pattern.MatchString(line[:min(len(line), 40)]) {
			n++
		}
	}
	return n
}

// furtherLists makes "Ingredients for the sauce" below a first list a section of it. A second plain
// "Ingredients" begins another recipe.
func furtherLists(rows []Row, l words.Language) {
	seen := false
	for i := range rows {
		r := &rows[i]
		if r.head != "ingredients" {
			continue
		}
		if seen && slices.ContainsFunc(words.Read(r.Text, l), func(t words.Token) bool { return t.Of("word.for") }) {
			r.head = "section: " + strings.Trim(r.Text, "#*:_=~ ")
		}
		seen = true
	}
}

var bareNumber = regexp.MustCompile(`^(\d{1,2})\s+\p{Lu}\p{L}+`)

// bareNumbers finds steps that are numbered without a mark: "2 Slice the leeks". They count up from 1,
// three of them at least.
func bareNumbers(rows []Row) {
	var found []int
	for i := range rows {
		m := bareNumber.FindStringSubmatch(rows[i].Text)
		if m == nil || rows[i].marked || rows[i].Ordered {
			continue
		}
		switch n := len(found) + 1; {
		case m[1] == strconv.Itoa(n):
			found = append(found, i)
		case m[1] == "1":
			found = []int{i}
		}
	}
	if len(found) < 3 {
		return
	}
	for _, i := range found {
		rows[i].Ordered = true
	}
}

// WithoutNumber is the text of a step as it is read, without the number before it.
func (r *Row) WithoutNumber() string {
	if !r.Ordered {
		return r.Read
	}
	return ordering.ReplaceAllString(r.Read, "")
}

// Quoted says that a line repeats what somebody else wrote.
func (r *Row) Quoted() bool { return r.quoted }

// Heads says that a line is a heading.
func (r *Row) Heads() bool { return r.head != "" }

// longest is how long a paragraph may be, bytes, and mostLines of how many lines, and still
// be gone on with: no page has longer ones, and each joining copies what is there.
const (
	longest   = 16 << 10
	mostLines = 60
)

// unfinished are words that no line ends with.
var unfinished = words.All("word.unfinished")

// leads are the words at the end of a broken line behind which the next line may begin with an amount: "ground flax in" and then
// "3 tbsp water".
var leads = words.All("word.leads")

// torn is a line that ends within a word.
var torn = regexp.MustCompile(`\pL-$`)

// goesOn says that a line is the rest of the one before it.
func goesOn(before, r *Row, wrapped bool, l words.Language) bool {
	if r.blank || r.marked || r.quoted || r.Ordered || before.head != "" || r.speaker != before.speaker || r.quoted != before.quoted || r.speaker != "" {
		return false
	}
	if strings.HasPrefix(r.Text, "(") && !before.Ordered {
		return !before.heads
	}
	first, _ := utf8.DecodeRuneInString(r.Text)
	last := before.Text[len(before.Text)-1]
	if torn.MatchString(before.Text) && unicode.IsLower(first) {
		return true
	}
	at := strings.LastIndexByte(before.Text, ' ')
	if end := words.Plain(before.Text[at+1:]); unfinished[end] && (unicode.IsLower(first) || unicode.IsDigit(first) && leads[end]) {
		return true
	}
	if start := words.Read(Short(r.Text, 40), l); unicode.IsLower(first) && len(start) > 1 && start[0].Of("word.and") && start[1].Under("do.").N > 0 && last != '.' && last != ':' {
		return true // "grated, salted" on one line, "and squeezed dry" on the next
	}
	if !unicode.IsLower(first) {
		// A number that a scan broke off: "leave" on one line, "10 minutes." on the next.
		return unicode.IsDigit(first) && before.Ordered && last != '.' && last != '!' && last != ':' && len(before.Text) < 90
	}
	if last == ',' || strings.Count(before.Text, "(") > strings.Count(before.Text, ")") {
		return true
	}
	if before.Ordered && last != '.' && last != '!' && last != ':' {
		return true
	}
	if c := before.Text[0]; !before.marked && !before.Ordered && c >= '0' && c <= '9' {
		return false // an item of a list, not a broken sentence
	}
	return wrapped && len(before.Text) > 55 && last != '.' && last != ':' && last != '!'
}

// wrappedText says that a text may have lines that its width broke. In notes that begin most lines with a small
// letter, and have lines of all lengths, each line stands by itself.
func wrappedText(lines []string) bool {
	filled, small, longest := 0, 0, 0
	for _, line := range lines {
		if bare := strings.TrimSpace(line); bare != "" {
			filled++
			longest = max(longest, len(bare))
			if first, _ := utf8.DecodeRuneInString(bare); unicode.IsLower(first) {
				small++
			}
		}
	}
	if 2*small < filled {
		return true
	}
	wide := 0
	for _, line := range lines {
		if 4*len(strings.TrimSpace(line)) >= 3*longest {
			wide++
		}
	}
	return 5*wide >= 2*filled
}

// asked and replied are how the questions and answers of a forum begin: "Q: ...", "A (top answer): ...".
var (
	asked    = regexp.MustCompile(`^\s*(?:Q|P|Question|Pregunta)\s*[:.]\s+`)
	remarked = regexp.MustCompile(`^\s*(?:[B-OS-Z]|Comments?|Reply|Comentarios?)\s*(?:\([^)]{0,60}\)\s*)?:\s+`) // what others say of it
	replied  = regexp.MustCompile(`^\s*(?:A|R|Answer|Respuesta)\s*(?:\([^)]{0,60}\)\s*)?[:.]\s+`)
)

// wrote is the line over what somebody else said: "User carrots wrote:".
var wrote = regexp.MustCompile(`(?i)\b(?:wrote|said|escribió|dijo)\s*:\s*$`)

// questioned quotes what somebody asks, where an answer follows: the recipe is in the answer.
func questioned(lines []string) []string {
	lines = cited(lines)
	answered := slices.ContainsFunc(lines, replied.MatchString)
	if !answered || !slices.ContainsFunc(lines, asked.MatchString) {
		return lines
	}
	out, question := make([]string, len(lines)), false
	for i, line := range lines {
		switch {
		case asked.MatchString(line):
			question = true
		case replied.MatchString(line):
			question = false
		case remarked.MatchString(line):
			question = true
		}
		if question && strings.TrimSpace(line) != "" {
			line = "> " + line
		}
		out[i] = line
	}
	return out
}

// cited quotes a paragraph in quotation marks below the line that says who wrote it.
func cited(lines []string) []string {
	var out []string
	for i := 1; i < len(lines); i++ {
		bare := strings.TrimSpace(lines[i])
		if len(bare) < 2 || !strings.ContainsAny(bare[:1], "\"“«") && !strings.HasPrefix(bare, "“") && !strings.HasPrefix(bare, "«") || !wrote.MatchString(lines[i-1]) {
			continue
		}
		if out == nil {
			out = slices.Clone(lines)
		}
		for k := i; k < len(lines) && strings.TrimSpace(lines[k]) != ""; k++ {
			out[k] = "> " + lines[k]
			if strings.HasSuffix(strings.TrimSpace(lines[k]), `"`) || strings.HasSuffix(strings.TrimSpace(lines[k]), "”") || strings.HasSuffix(strings.TrimSpace(lines[k]), "»") {
				break
			}
		}
	}
	if out == nil {
		return lines
	}
	return out
}

// headFirst are the words that headings begin with.
var headFirst = words.Firsts("head.")

// headOf says which heading a line is: ingredients, method, notes or "section: NAME"; ""
// for none.
func headOf(bare string, l words.Language, marked bool) string {
	tilde := marked && strings.HasSuffix(bare, "~")
	form := strings.HasPrefix(bare, "#") || strings.HasSuffix(bare, ":") || strings.HasPrefix(bare, "**") && strings.HasSuffix(bare, "**") && len(bare) > 4 || tilde
	marked = marked && !tilde
	name := strings.TrimSpace(strings.Trim(bare, "#*:_=~ "))
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
	if len(tokens) <= 6 && tokens[0].Of("head.ingredients") && !marked || form && len(tokens) <= 4 && tokens[len(tokens)-1].Of("head.ingredients") {
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
	if (form || capital && len(tokens) < 6 && forWhat(tokens)) && !marked && len(tokens) < 9 && tokens[0].Kind != words.Number {
		return "section: " + name
	}
	return ""
}

// forWhat says that words begin with "for" or "to": they head a list.
func forWhat(tokens []words.Token) bool {
	return len(tokens) > 0 && tokens[0].Of("word.for")
}
