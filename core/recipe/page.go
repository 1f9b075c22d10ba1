package recipe

import (
	"strings"

	"golang.org/x/net/html"
	"golang.org/x/net/html/atom"
)

func looksLikePage(text string) bool {
	head := strings.ToLower(text[:min(len(text), 2000)])
	return strings.HasPrefix(head, "<!doctype") || strings.Contains(head, "<html") || strings.Contains(head, "<script") ||
		strings.Contains(strings.ToLower(text), "itemprop=") || strings.Contains(text, "application/ld+json")
}

// readPage looks for JSON-LD in the scripts of a page, and for microdata where
// there is none that can be used.
func readPage(text string) (Found, error) {
	root, err := html.Parse(strings.NewReader(text))
	if err != nil {
		return Found{}, ErrNoRecipe
	}
	var scripts []string
	var marked Found
	marked.Kind = Microdata
	// The tree is walked without recursion: a page may nest as deep as it likes.
	for n := root; n != nil; n = next(n, root) {
		if n.Type != html.ElementNode {
			continue
		}
		if n.DataAtom == atom.Script && strings.Contains(strings.ToLower(attribute(n, "type")), "ld+json") && n.FirstChild != nil {
			scripts = append(scripts, n.FirstChild.Data)
		}
		for _, prop := range strings.Fields(attribute(n, "itemprop")) {
			switch prop {
			case "recipeIngredient", "ingredients":
				marked.Ingredients = append(marked.Ingredients, content(n))
			case "recipeInstructions", "step":
				marked.Steps = append(marked.Steps, itemsOf(n)...)
			case "recipeYield":
				marked.Portions = portions(content(n))
			case "name":
				if marked.Name == "" {
					marked.Name = content(n)
				}
			}
		}
	}
	fault := ErrNoRecipe
	var without *Found
	for _, s := range scripts {
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
	if len(marked.Ingredients) > 0 {
		return marked, nil
	}
	if without != nil {
		return *without, nil
	}
	// A page without any of these may still have a recipe in its words.
	if f, err := readText(linesOf(root)); err == nil && len(f.Ingredients) > 1 {
		return f, nil
	}
	return Found{}, fault
}

// linesOf is the text of a page as plain text has it: a line for each block, headings
// and items of lists marked.
func linesOf(root *html.Node) string {
	var b strings.Builder
	for n := root; n != nil; n = next(n, root) {
		switch {
		case n.Type == html.TextNode:
			if in := n.Parent; in == nil || in.DataAtom != atom.Script && in.DataAtom != atom.Style && in.DataAtom != atom.Noscript {
				b.WriteString(strings.Join(strings.Fields(n.Data), " "))
				b.WriteByte(' ')
			}
		case n.DataAtom == atom.Li:
			b.WriteString("\n- ")
		case n.DataAtom == atom.H1 || n.DataAtom == atom.H2 || n.DataAtom == atom.H3 || n.DataAtom == atom.H4:
			b.WriteString("\n\n# ")
		case n.DataAtom == atom.P || n.DataAtom == atom.Div || n.DataAtom == atom.Ul || n.DataAtom == atom.Ol || n.DataAtom == atom.Tr || n.DataAtom == atom.Section:
			b.WriteString("\n\n")
		case n.DataAtom == atom.Br:
			b.WriteByte('\n')
		}
	}
	return b.String()
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

// next is the node after n in document order, within root.
func next(n, root *html.Node) *html.Node {
	if n.FirstChild != nil {
		return n.FirstChild
	}
	for n != root {
		if n.NextSibling != nil {
			return n.NextSibling
		}
		n = n.Parent
	}
	return nil
}

func attribute(n *html.Node, key string) string {
	for _, a := range n.Attr {
		if a.Key == key {
			return a.Val
		}
	}
	return ""
}

// content is the content attribute, or the text within.
func content(n *html.Node) string {
	if v := attribute(n, "content"); v != "" {
		return v
	}
	return wordsIn(n)
}

func wordsIn(root *html.Node) string {
	var b strings.Builder
	for n := root; n != nil; n = next(n, root) {
		if n.Type == html.TextNode && (n.Parent == nil || n.Parent.DataAtom != atom.Script && n.Parent.DataAtom != atom.Style) {
			b.WriteString(n.Data)
			b.WriteByte(' ')
		}
	}
	return b.String()
}

// itemsOf gives the list items or paragraphs within, or the whole as one.
func itemsOf(root *html.Node) []string {
	var out []string
	for n := root; n != nil; n = next(n, root) {
		if n.DataAtom == atom.Li || n.DataAtom == atom.P {
			out = append(out, wordsIn(n))
		}
	}
	if len(out) == 0 {
		out = append(out, wordsIn(root))
	}
	return out
}

// textOf is the text of a piece of HTML.
func textOf(s string) string {
	root, err := html.Parse(strings.NewReader(s))
	if err != nil {
		return s
	}
	return wordsIn(root)
}
