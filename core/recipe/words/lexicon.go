package words

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"sync"
)

// Language is one of those that words.csv and method.csv have a column for.
type Language int

// The languages, in the order of the columns.
const (
	English Language = iota
	Spanish
	languages
)

var codes = [languages]string{"en", "es"}

// String gives the language's code: en, es.
func (l Language) String() string { return codes[l] }

//go:embed words.csv
var wordsCSV string

//go:embed method.csv
var methodCSV string

// phrase is one entry of a list: words of which each may end in * for any ending.
type phrase struct {
	words []string
	list  string
	value float64
}

// lexicon is every phrase of a language by its first word, or by the first letters
// of a first word that may end in any way.
type lexicon struct {
	exact  map[string][]phrase
	starts map[string][]phrase
}

// prefix is how many letters of a word that may end in any way are looked up.
const prefix = 3

var lexicons = sync.OnceValue(func() *[languages]lexicon {
	var out [languages]lexicon
	var rows [][]string
	for _, table := range []string{wordsCSV, methodCSV} {
		r := csv.NewReader(strings.NewReader(table))
		r.FieldsPerRecord, r.Comment = 2+int(languages), '#'
		more, err := r.ReadAll()
		if err != nil {
			panic("words: " + err.Error()) // the tests read them
		}
		rows = append(rows, more[1:]...)
	}
	for l := range languages {
		x := lexicon{map[string][]phrase{}, map[string][]phrase{}}
		for _, row := range rows {
			v, err := 0., error(nil)
			if row[1] != "" {
				if v, err = strconv.ParseFloat(row[1], 64); err != nil {
					panic(fmt.Sprintf("words: %s: %v", row[0], err))
				}
			}
			for text := range strings.SplitSeq(row[2+l], "|") {
				if words := strings.Fields(Plain(text)); len(words) > 0 {
					x.add(phrase{words, row[0], v})
				}
			}
		}
		out[l] = x
	}
	return &out
})

func (x *lexicon) add(p phrase) {
	first := p.words[0]
	if stem, open := strings.CutSuffix(first, "*"); open {
		x.starts[stem[:min(prefix, len(stem))]] = append(x.starts[stem[:min(prefix, len(stem))]], p)
		return
	}
	x.exact[first] = append(x.exact[first], p)
}

func matches(pattern, word string) bool {
	if stem, open := strings.CutSuffix(pattern, "*"); open {
		return strings.HasPrefix(word, stem)
	}
	return pattern == word
}

// fits says whether the phrase stands at i: hyphens between its words are passed
// over. It gives how many tokens it takes.
func (p *phrase) fits(tokens []Token, i int) (n int, ok bool) {
	at := i
	for k, w := range p.words {
		for k > 0 && at < len(tokens) && tokens[at].Is("-") && tokens[at].Glued {
			at++
		}
		if at >= len(tokens) || !matches(w, tokens[at].Plain) {
			return 0, false
		}
		at++
	}
	return at - i, true
}

// LeadOf gives the token behind the words by which somebody who talks leads over to the next food: "So you want", "Then"; 0
// where there are none.
func LeadOf(tokens []Token) int {
	k := max(purpose(tokens), refusal(tokens))
	for k < len(tokens) {
		n := max(tokens[k].In("word.lead").N, tokens[k].In("word.replaced").N, tokens[k].In("word.adds").N)
		if n == 0 && !(k > 0 && (tokens[k].Is(",") || tokens[k].Is("!") || tokens[k].Is("."))) {
			break
		}
		k += max(n, 1)
	}
	return k
}

// refusal gives where a line that begins with what is not used comes to an amount: "no egg! 1 tbsp ground flax"; 0 for none.
func refusal(tokens []Token) int {
	const most = 4
	if len(tokens) == 0 || !tokens[0].Of("word.refuse") {
		return 0
	}
	for k := 1; k < min(len(tokens)-1, most); k++ {
		if tokens[k].Kind == Mark {
			if next := &tokens[k+1]; (tokens[k].Is("!") || tokens[k].Is(",") || tokens[k].Is(":") || tokens[k].Is(";") || tokens[k].Is(".")) && (next.Kind == Number || next.Of("number") || next.Of("article")) {
				return k + 1
			}
			return 0
		}
	}
	return 0
}

// TimesWeight says that a number at a token counts what another tells the weight of: "12 x 50 g", "4 x 5 oz".
func TimesWeight(tokens []Token, i int) bool {
	if i+3 >= len(tokens) || tokens[i].Kind != Number || !tokens[i+1].Is("x") || tokens[i+2].Kind != Number {
		return false
	}
	return slices.ContainsFunc(tokens[i+3:min(len(tokens), i+5)], func(t Token) bool { return t.Of("unit.g") || t.Of("unit.oz") })
}

// PortionsOf reads how many pieces a kitchen's sheet has where it tells the weight of each, "40 porciones de 100 g"; 0 for none.
func PortionsOf(tokens []Token) int {
	const most = 200
	for k := 0; k+4 < len(tokens); k++ {
		v, pieces, of, weight, unit := tokens[k].Value, &tokens[k+1], &tokens[k+2], &tokens[k+3], &tokens[k+4]
		counts := tokens[k].Kind == Number && v >= 2 && v <= most && v == math.Trunc(v)
		named := pieces.Of("serves") || pieces.Of("word.portion") || pieces.Of("unit.piece") || pieces.Under("piece.").N > 0
		if counts && named && (of.Of("word.of") || of.Is("x")) && weight.Kind == Number && (unit.Of("unit.g") || unit.Of("unit.oz")) {
			return int(v)
		}
	}
	return 0
}

// purpose gives where the words end that tell what something is for or in whose place: "instead of egg and breadcrumbs I use",
// "para las albóndigas pones"; 0 for none.
func purpose(tokens []Token) int {
	const most = 10
	if len(tokens) < 3 || !tokens[0].Of("word.in place of") && !tokens[0].Of("word.for") {
		return 0
	}
	for k := 1; k < min(len(tokens), most) && tokens[k].Kind == Word; k++ {
		if tokens[k].Of("word.lead") && k > 1 {
			return k
		}
	}
	return 0
}

// Read takes a text apart and says of every token what it may mean.
func Read(text string, l Language) []Token {
	tokens := Tokens(text, l)
	x := &lexicons()[l]
	for i := range tokens {
		t := &tokens[i]
		if t.Kind == Number {
			continue
		}
		try := func(list []phrase) {
			for j := range list {
				if n, ok := list[j].fits(tokens, i); ok {
					t.Means = append(t.Means, Meaning{list[j].list, list[j].value, n})
				}
			}
		}
		try(x.exact[t.Plain])
		for n := 1; n <= min(prefix, len(t.Plain)); n++ {
			try(x.starts[t.Plain[:n]])
		}
		if len(t.Means) > 1 {
			slices.SortStableFunc(t.Means, func(a, b Meaning) int { return b.N - a.N })
		}
	}
	return spelledOut(tokens)
}

// In gives the longest phrase of the list that the token begins; N is 0 for none.
func (t *Token) In(list string) Meaning {
	for _, m := range t.Means {
		if m.List == list {
			return m
		}
	}
	return Meaning{}
}

// Of says that the token begins a phrase of the list.
func (t *Token) Of(list string) bool { return t.In(list).N > 0 }

// All gives the single words of a list in every language, plain.
func All(list string) map[string]bool {
	out := map[string]bool{}
	for l := range languages {
		for word, phrases := range lexicons()[l].exact {
			for _, p := range phrases {
				if p.list == list && len(p.words) == 1 {
					out[word] = true
				}
			}
		}
	}
	return out
}

// Firsts gives the words that phrases of a family of lists, such as "head.", begin with,
// in every language, plain.
func Firsts(family string) map[string]bool {
	out := map[string]bool{}
	for l := range languages {
		for word, phrases := range lexicons()[l].exact {
			if slices.ContainsFunc(phrases, func(p phrase) bool { return strings.HasPrefix(p.list, family) }) {
				out[word] = true
			}
		}
	}
	return out
}

// participles are the endings of words that tell how a thing is, and single words that
// do so without.
var participles = [languages][2][]string{
	English: {{"ed"}, {"ground", "wrung", "beaten", "cut", "torn"}},
	Spanish: {{"ado", "ada", "ados", "adas", "ido", "ida", "idos", "idas", "frito", "frita", "fritos", "fritas"}, {"hecho", "hecha"}},
}

// Participle says whether a plain word has the form of a participle.
func Participle(word string, l Language) bool {
	for _, end := range participles[l][0] {
		if strings.HasSuffix(word, end) {
			return true
		}
	}
	return slices.Contains(participles[l][1], word)
}

// clitics are the endings by which a verb takes what was named before it.
var clitics = [languages][]string{Spanish: {"las", "los", "la", "lo"}}

// Clitic says whether a plain verb takes what was named before it: "mézclalas".
func Clitic(word string, l Language) bool {
	for _, end := range clitics[l] {
		if stem, is := strings.CutSuffix(word, end); is && len(stem) > 3 {
			return true
		}
	}
	return false
}

// HeadFirst says whether a name of several words has its head first, "harina de maíz",
// or last, "rice flour".
func (l Language) HeadFirst() bool { return l == Spanish }

// Under gives the longest phrase of any list whose name begins so, such as "unit.".
func (t *Token) Under(prefix string) Meaning {
	for _, m := range t.Means {
		if strings.HasPrefix(m.List, prefix) {
			return m
		}
	}
	return Meaning{}
}

// LanguageOf decides by the small words of a text; English where nothing does.
func LanguageOf(text string) Language {
	return Likelier(text, English)
}

// Likelier is LanguageOf with what to say where the text leaves it open.
func Likelier(text string, otherwise Language) Language {
	var counts [languages]int
	lists := telling()
	for w := range strings.FieldsFuncSeq(text, func(c rune) bool {
		return !(c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || c > 0x7f)
	}) {
		w = Plain(w)
		for l := range languages {
			if lists[l][w] {
				counts[l]++
			}
		}
	}
	best := otherwise
	for l := range languages {
		if counts[l] > counts[best] {
			best = l
		}
	}
	return best
}

// telling are the words of the list "language", which tell it.
var telling = sync.OnceValue(func() (out [languages]map[string]bool) {
	for l := range languages {
		out[l] = map[string]bool{}
		for _, list := range lexicons()[l].exact {
			for _, p := range list {
				if p.list == "language" {
					out[l][p.words[0]] = true
				}
			}
		}
	}
	return out
})

// Lists gives the names of all lists that have a phrase in the language.
func Lists(l Language) map[string]bool {
	out := map[string]bool{}
	x := &lexicons()[l]
	for _, m := range []map[string][]phrase{x.exact, x.starts} {
		for _, list := range m {
			for _, p := range list {
				out[p.list] = true
			}
		}
	}
	return out
}
