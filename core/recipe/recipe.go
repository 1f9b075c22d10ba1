package recipe

import (
	"bytes"
	"encoding/json"
	"errors"
	"regexp"
	"strings"
	"unicode/utf8"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/layout"
)

// Kind says where a recipe was found.
type Kind string

// The kinds.
const (
	Page      Kind = "page"      // JSON-LD within the source of a page
	Microdata Kind = "microdata" // attributes within the source of a page
	JSONLD    Kind = "json-ld"
	Document  Kind = "document" // a build document
	Values    Kind = "csv"
	Text      Kind = "text" // and Markdown
)

// Kinds lists every kind.
var Kinds = []Kind{Page, Microdata, JSONLD, Document, Values, Text}

// Found is a recipe as it was written.
type Found struct {
	Kind Kind
	Name string
	// Portions is how many it serves; 0 where it does not say.
	Portions int
	// Ingredients and Steps are lines, in their order.
	Ingredients []string
	// Sections are the headings that the ingredients stand under, one for each; "" for
	// none.
	Sections []string
	Steps    []string
	// Notes are the words before the list and after the method.
	Notes []string
	// Mended are the lines of Ingredients as they are read, with the faults of a scan put right,
	// character for character; none where there are none.
	Mended []string
	// Spoken is where each ingredient stands in the method of a recipe told in sentences; none of one
	// with a list.
	Spoken []Told
	// Rows are the lines of a text and what each is; none of a page or a file that says it itself.
	Rows []layout.Row
	// Whole is a build document, where one lies within.
	Whole json.RawMessage
}

// The limits of what is read.
const (
	MaxBytes       = 8 << 20
	MaxIngredients = 200
	MaxSteps       = 200
	maxName        = 200  // characters
	maxWords       = 2000 // characters of one line
	maxDepth       = 64   // of JSON
)

// The ways there is no recipe to be had.
var (
	ErrTooLarge  = errors.New("more than can be read")
	ErrNotText   = errors.New("not text in UTF-8")
	ErrPDF       = errors.New("a PDF, whose words cannot be read")
	ErrNoRecipe  = errors.New("no recipe was found")
	ErrBadJSON   = errors.New("broken JSON")
	ErrTooMany   = errors.New("more lines than a recipe has")
	ErrNoAmounts = errors.New("a recipe without a list of ingredients")
)

// Read finds the recipe in a text; the first with ingredients, where there are several. told are the
// labels that a cook has given to lines of a text, by their number; nil for none.
func Read(data []byte, r *ingredient.Reader, told map[int]layout.Label) (Found, error) {
	switch {
	case len(data) > MaxBytes:
		return Found{}, ErrTooLarge
	case bytes.HasPrefix(data, []byte("%PDF-")):
		return Found{}, ErrPDF
	case !utf8.Valid(data) || strings.ContainsRune(string(data[:min(len(data), 4096)]), 0):
		return Found{}, ErrNotText
	}
	text := strings.TrimSpace(strings.TrimPrefix(string(data), "\ufeff"))
	switch {
	case text == "":
		return Found{}, ErrNoRecipe
	case text[0] == '{' || jsonList.MatchString(text[:min(len(text), 200)]):
		return tidy(readJSON([]byte(text), JSONLD))
	case looksLikePage(text):
		return tidy(readPage(text, r, told))
	case looksLikeValues(text):
		return tidy(readValues(text))
	}
	return tidy(readText(typeset.Replace(text), r, told))
}

// jsonList is how a list begins that holds things; "[12/3 19:04] Ana: hi" is a chat.
var jsonList = regexp.MustCompile(`^\[\s*(?:[{\["\]]|$)`)

// tidy holds what was found to the limits.
func tidy(f Found, err error) (Found, error) {
	if err != nil {
		return Found{}, err
	}
	if len(f.Ingredients) == 0 && f.Whole == nil {
		return Found{}, ErrNoAmounts
	}
	f.Steps, f.Notes = apart(f.Steps), apart(f.Notes)
	if len(f.Ingredients) > MaxIngredients || len(f.Steps) > MaxSteps || len(f.Notes) > MaxSteps {
		return Found{}, ErrTooMany
	}
	f.Name = Short(clean(f.Name), maxName)
	for len(f.Sections) < len(f.Ingredients) {
		f.Sections = append(f.Sections, "")
	}
	for len(f.Mended) < len(f.Ingredients) {
		f.Mended = append(f.Mended, f.Ingredients[len(f.Mended)])
	}
	ingredients, sections, mended, spoken := []string{}, []string{}, []string{}, []Told{}
	for i, l := range f.Ingredients {
		if l = Short(clean(l), maxWords); l != "" && len(ingredients) < MaxIngredients {
			ingredients, sections = append(ingredients, l), append(sections, Short(clean(f.Sections[i]), maxName))
			mended = append(mended, Short(clean(f.Mended[i]), maxWords))
			if i < len(f.Spoken) {
				spoken = append(spoken, f.Spoken[i])
			}
		}
	}
	f.Ingredients, f.Sections, f.Steps, f.Notes = ingredients, sections, tidyLines(f.Steps, MaxSteps), tidyLines(f.Notes, MaxSteps)
	f.Mended, f.Spoken = mended, spoken
	if f.Portions < 0 || f.Portions > 500 {
		f.Portions = 0
	}
	if len(f.Ingredients) == 0 && f.Whole == nil {
		return Found{}, ErrNoAmounts
	}
	return f, nil
}

// apart splits lines that are longer than a line may be, at the ends of sentences where
// it can, so that no word is lost.
func apart(lines []string) []string {
	out := make([]string, 0, len(lines))
	for _, l := range lines {
		for len(l) > maxWords && len(out) <= MaxSteps {
			at := strings.LastIndex(l[:maxWords], ". ") + 1
			if at <= 0 {
				at = strings.LastIndexByte(l[:maxWords], ' ')
			}
			if at <= 0 {
				for at = maxWords; !utf8.RuneStart(l[at]); at-- {
				}
			}
			out, l = append(out, l[:at]), l[at:]
		}
		out = append(out, l)
	}
	return out
}

func tidyLines(lines []string, most int) []string {
	out := []string{}
	for _, l := range lines {
		if l = Short(clean(l), maxWords); l != "" && len(out) < most {
			out = append(out, l)
		}
	}
	return out
}

// Short is s cut to at most so many characters.
func Short(s string, most int) string { return layout.Short(s, most) }

// typeset gives the words without what a page sets them with: hyphens for a line's end
// alone, marks of no width, spaces of other widths.
var typeset = strings.NewReplacer("\u00ad", "", "\u200b", "", "\u2060", "", "\ufeff", "", "\u00a0", " ", "\u2007", " ", "\u2009", " ", "\u202f", " ")

// clean makes one line of text: no tags, no control characters, single spaces.
func clean(s string) string {
	if strings.ContainsFunc(s, func(c rune) bool { return c >= 0x80 }) {
		s = typeset.Replace(s)
	}
	if strings.ContainsAny(s, "<&") {
		s = textOf(s)
	}
	return strings.Join(strings.FieldsFunc(s, func(c rune) bool { return c <= ' ' || c >= 0x7f && c < 0xa0 }), " ")
}
