package layout

import (
	"errors"
	"slices"
	"strings"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// Label says what a line of a text is.
type Label string

// The labels. Before and After are words around the recipe, Aside words within it, that are no part of
// it: they are kept as its notes.
const (
	Title      Label = "title"
	Before     Label = "before"
	ListHead   Label = "list-head"
	Section    Label = "section"
	Item       Label = "ingredient"
	MethodHead Label = "method-head"
	Step       Label = "step"
	Aside      Label = "aside"
	After      Label = "after"
)

// None is what a cook says of a line that is no part of the recipe: Before, Aside or After.
const None Label = "none"

// Labels are all of them, in the order of the columns of labels.csv.
var Labels = []Label{Title, Before, ListHead, Section, Item, MethodHead, Step, Aside, After}

// Row is one line of a text, joined with what of it stood on the next.
type Row struct {
	// Text is the line as it was written, without the mark of a list, the name of who says it and the
	// time of day. Read is the same with the faults of a scan mended, character for character.
	Text string
	Read string
	// Label is what it is; Section the name that a heading gives to the ingredients below it.
	Label   Label
	Section string
	// Ordered says that it bears a number, as steps do.
	Ordered bool
	// Index is which of the ingredients or of the steps of the recipe it became; -1 for neither.
	Index int

	tokens   []words.Token
	marked   bool // as an item of a list
	quoted   bool // by ">"
	blank    bool // before it
	heads    bool // the first line of the text, without a number: it may be its title
	head     string
	speaker  string
	lines    int // that were joined to it
	features []int
}

// Tokens are those of the text as it is read.
func (r *Row) Tokens() []words.Token { return r.tokens }

// start is as much of the text as is looked at.
func (r *Row) start() string { return r.Text[:min(len(r.Text), mostWords)] }

// Lines and words beyond these are no recipe.
const (
	MostRows = 600
	// mostWords is how much of one line is looked at, characters.
	mostWords = 2000
)

// ErrTooMany says that a text has more lines than a recipe has.
var ErrTooMany = errors.New("more lines than a recipe has")

// Read labels the lines of a text. told are labels that a cook has set, by the number of the row;
// those of rows that there are none of are left out.
func Read(text string, r *ingredient.Reader, told map[int]Label) ([]Row, words.Language, error) {
	l := words.LanguageOf(text[:min(len(text), 20_000)])
	rows := rowsOf(text, l, r)
	if rows == nil && strings.TrimSpace(text) != "" {
		return nil, l, ErrTooMany
	}
	p := newPage(rows, r, l)
	for i := range rows {
		rows[i].features = p.features(i)
	}
	choose(rows, told)
	for i := range rows {
		if rows[i].Label == Item && told[i] == "" && rows[i].refusesAll() {
			rows[i].Label = Aside
		}
	}
	return rows, l, nil
}

// refusesAll says that a line only tells what does not go in: "no cheese".
func (r *Row) refusesAll() bool {
	return len(r.tokens) > 1 && len(r.tokens) <= 5 && r.tokens[0].Of("word.refuse") && !slices.ContainsFunc(r.tokens, func(t words.Token) bool {
		return t.Kind == words.Number || t.Of("number") || t.Is(":") || t.Under("free.").N > 0
	})
}

// Short is s cut to at most so many characters.
func Short(s string, most int) string {
	count := 0
	for at := range s {
		if count == most {
			return s[:at]
		}
		count++
	}
	return s
}
