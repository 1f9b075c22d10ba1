package recipe

import (
	"errors"
	"io"
	"strings"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/layout"

	"golang.org/x/net/html"
	"golang.org/x/net/html/atom"
)

func looksLikePage(text string) bool {
	head := strings.ToLower(text[:min(len(text), 2000)])
	return strings.HasPrefix(head, "<!doctype") || strings.Contains(head, "<html") || strings.Contains(head, "<script") ||
		strings.Contains(strings.ToLower(text), "itemprop=") || strings.Contains(text, "application/ld+json")
}

// The limits of a page: a page of a recipe has some thousand elements, nested some
// thirty deep.
const (
	maxElements  = 200_000
	maxOpen      = 512
	maxScripts   = 50
	impliedDepth = 24 // how far up an item or a paragraph is that is closed by what follows
)

// readPage looks for JSON-LD in the scripts of a page, and for microdata where
// there is none that can be used.
func readPage(text string, r *ingredient.Reader, told map[int]layout.Label) (Found, error) {
	p := page{marked: Found{Kind: Microdata}}
	if err := p.read(text); err != nil {
		return Found{}, err
	}
	fault := ErrNoRecipe
	var without *Found
	for _, s := range p.scripts {
		f, err := readJSON([]byte(unwrapScript(s)), Page)
		switch {
		case err == nil && len(f.Ingredients) > 0:
			return f, nil
		case err == nil && without == nil:
			without = &f
		case err == ErrBadJSON:
			fault = err
		}
	}
	if len(p.marked.Ingredients) > 0 {
		return p.marked, nil
	}
	if without != nil {
		return *without, nil
	}
	// A page without any of these may still have a recipe in its words.
	if f, err := readText(p.titled(), r, told); err == nil && len(f.Ingredients) > 1 {
		return f, nil
	}
	return Found{}, fault
}

// titled is the text of a page. What its window is called stands first where it has no heading of its own: mostly that is the
// heading and the name of the site.
func (p *page) titled() string {
	if p.headed {
		return p.lines.String()
	}
	return strings.Join(strings.Fields(p.title.String()), " ") + "\n" + p.lines.String()
}

// page reads a page from its first byte to its last, once, and keeps of it no more than
// its words: no tree is built, however it nests.
type page struct {
	open    []element
	scripts []string
	marked  Found
	lines   strings.Builder // its text, a line for each block
	title   strings.Builder // what a window shows it under
	headed  bool            // it has a heading of its own

	// taking is the property that is being read, at what depth, with its words and those
	// of its items; within it no other begins.
	taking string
	depth  int
	words  strings.Builder
	items  []string
	item   strings.Builder
	inItem bool
}

type element struct {
	name atom.Atom
	tag  string // of what has no atom
}

// silent elements have text that nobody reads.
func silent(a atom.Atom) bool { return a == atom.Script || a == atom.Style || a == atom.Noscript }

func (p *page) read(text string) error {
	z := html.NewTokenizer(strings.NewReader(text))
	z.SetMaxBuf(MaxBytes)
	elements, inJSON := 0, false
	for {
		switch z.Next() {
		case html.ErrorToken:
			if !errors.Is(z.Err(), io.EOF) {
				return ErrTooLarge
			}
			p.close(0)
			return nil
		case html.TextToken:
			p.text(z, inJSON)
		case html.StartTagToken, html.SelfClosingTagToken:
			if elements++; elements > maxElements {
				return ErrTooLarge
			}
			inJSON = p.start(z)
		case html.EndTagToken:
			name, _ := z.TagName()
			p.end(atom.Lookup(name), string(name))
			inJSON = false
		}
	}
}

func (p *page) text(z *html.Tokenizer, inJSON bool) {
	in := atom.Atom(0)
	if n := len(p.open); n > 0 {
		in = p.open[n-1].name
	}
	if inJSON && len(p.scripts) < maxScripts {
		p.scripts = append(p.scripts, string(z.Raw()))
	}
	if silent(in) {
		return
	}
	said := string(z.Text())
	if in == atom.Title {
		p.title.WriteString(said)
		return
	}
	for word := range strings.FieldsSeq(said) {
		p.lines.WriteString(word)
		p.lines.WriteByte(' ')
	}
	if p.taking != "" {
		p.words.WriteString(said)
		p.words.WriteByte(' ')
		if p.inItem {
			p.item.WriteString(said)
			p.item.WriteByte(' ')
		}
	}
}

// start begins an element, and says whether it is a script of JSON-LD.
func (p *page) start(z *html.Tokenizer) (isJSON bool) {
	raw, more := z.TagName()
	a := atom.Lookup(raw)
	tag := ""
	if a == 0 {
		tag = string(raw)
	}
	var property, content, kind string
	for more {
		var key, value []byte
		key, value, more = z.TagAttr()
		switch string(key) {
		case "itemprop":
			property = string(value)
		case "content":
			content = string(value)
		case "type":
			kind = strings.ToLower(string(value))
		}
	}
	p.imply(a)
	p.breakLine(a)
	p.headed = p.headed || a == atom.H1
	if !isVoid(a) && len(p.open) < maxOpen {
		p.open = append(p.open, element{a, tag})
	}
	if p.taking != "" && (a == atom.Li || a == atom.P) {
		p.endItem()
		p.inItem = true
	}
	if property != "" && p.taking == "" {
		p.take(property, content, isVoid(a))
	}
	return a == atom.Script && strings.Contains(kind, "ld+json")
}

// take begins to read a property that says something of a recipe.
func (p *page) take(properties, content string, void bool) {
	for property := range strings.FieldsSeq(properties) {
		switch property {
		case "recipeIngredient", "ingredients", "recipeInstructions", "step", "recipeYield", "name":
		default:
			continue
		}
		if content != "" || void {
			p.found(property, content, nil)
			continue
		}
		p.taking, p.depth = property, len(p.open)
		p.words.Reset()
		return
	}
}

func (p *page) found(property, words string, items []string) {
	switch property {
	case "recipeIngredient", "ingredients":
		p.marked.Ingredients = append(p.marked.Ingredients, words)
	case "recipeInstructions", "step":
		if len(items) == 0 {
			items = []string{words}
		}
		p.marked.Steps = append(p.marked.Steps, items...)
	case "recipeYield":
		p.marked.Portions = portions(words)
	case "name":
		if p.marked.Name == "" {
			p.marked.Name = words
		}
	}
}

func (p *page) endItem() {
	if p.inItem {
		p.items = append(p.items, p.item.String())
		p.item.Reset()
		p.inItem = false
	}
}

// end closes the nearest open element of that name, and what is open within; where there
// is none, nothing.
func (p *page) end(a atom.Atom, tag string) {
	for i := len(p.open) - 1; i >= 0; i-- {
		if o := p.open[i]; o.name == a && (a != 0 || o.tag == tag) {
			p.close(i)
			return
		}
	}
}

// close closes what is open from there on.
func (p *page) close(from int) {
	if p.taking != "" && from < p.depth {
		p.endItem()
		p.found(p.taking, p.words.String(), p.items)
		p.taking, p.items = "", nil
	}
	p.open = p.open[:min(from, len(p.open))]
}

// imply closes what a page need not close itself: an item where the next begins, a
// paragraph where a block does (the HTML standard, 13.1.2.4).
func (p *page) imply(next atom.Atom) {
	for i := len(p.open) - 1; i >= max(0, len(p.open)-impliedDepth); i-- {
		switch o := p.open[i].name; {
		case next == atom.Li && (o == atom.Ul || o == atom.Ol), next == atom.Tr && o == atom.Table, next == atom.Td && o == atom.Tr:
			return
		case next == o && (next == atom.Li || next == atom.Tr || next == atom.Td || next == atom.Dt || next == atom.Dd || next == atom.Option),
			o == atom.P && isBlock(next):
			p.close(i)
			return
		}
	}
}

func isBlock(a atom.Atom) bool {
	switch a {
	case atom.P, atom.Div, atom.Ul, atom.Ol, atom.Dl, atom.Table, atom.Section, atom.Article, atom.H1, atom.H2, atom.H3, atom.H4, atom.H5, atom.H6:
		return true
	}
	return false
}

func isVoid(a atom.Atom) bool {
	switch a {
	case atom.Area, atom.Base, atom.Br, atom.Col, atom.Embed, atom.Hr, atom.Img, atom.Input, atom.Link, atom.Meta, atom.Source, atom.Track, atom.Wbr:
		return true
	}
	return false
}

// breakLine breaks the lines of the text as plain text has them: a line for each block,
// headings and items of lists marked.
func (p *page) breakLine(a atom.Atom) {
	switch a {
	case atom.Li:
		p.lines.WriteString("\n- ")
	case atom.H1, atom.H2, atom.H3, atom.H4:
		p.lines.WriteString("\n\n# ")
	case atom.P, atom.Div, atom.Ul, atom.Ol, atom.Tr, atom.Section:
		p.lines.WriteString("\n\n")
	case atom.Br:
		p.lines.WriteByte('\n')
	}
}

// unwrapScript takes away the comment marks that some pages put around JSON,
// and line breaks within its texts, which JSON does not allow.
func unwrapScript(s string) string {
	s = strings.TrimSpace(s)
	for _, pair := range [][2]string{{"<!--", "-->"}, {"//<![CDATA[", "//]]>"}, {"/*<![CDATA[*/", "/*]]>*/"}} {
		s = strings.TrimSpace(strings.TrimSuffix(strings.TrimPrefix(s, pair[0]), pair[1]))
	}
	s = strings.TrimSuffix(s, ";")
	return strings.Map(func(c rune) rune {
		if c < ' ' {
			return ' '
		}
		return c
	}, s)
}

// textOf is the text of a piece of HTML.
func textOf(s string) string {
	var b strings.Builder
	z := html.NewTokenizer(strings.NewReader(s))
	quiet := false
	for {
		switch z.Next() {
		case html.ErrorToken:
			return b.String()
		case html.TextToken:
			if !quiet {
				b.Write(z.Text())
				b.WriteByte(' ')
			}
		case html.StartTagToken:
			name, _ := z.TagName()
			quiet = silent(atom.Lookup(name))
		case html.EndTagToken:
			quiet = false
		}
	}
}
