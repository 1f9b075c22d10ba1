package layout

import (
	"regexp"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"cuerda/core/recipe/words"
)

// A line longer than widest, in bytes, is prose and has no columns. A line that begins with more blanks than widestIndent has nothing
// in the left column, and all of it belongs to the right one.
const widest, widestIndent = 400, 30

// indented is how far a line of a column may stand from the others, in characters: one that goes on is set in by four.
const indented = 5

var gap = regexp.MustCompile(`\s{3,}|\t+`)

// pairGap is what parts two ingredients of a card that stand side by side.
var pairGap = regexp.MustCompile(`\s{2,}`)

// columns undoes what a scan does to a page of two columns, whose lines come out side by side: it puts the right column below the
// left one. It looks for columns in the whole text first, then in each block between empty lines, then in any run of lines that all
// have two halves.
func columns(lines []string, l words.Language) []string {
	if out := apart(lines, 4, .8, l); out != nil {
		return out
	}
	if out := apartIn(lines, 3, .6, l, func(line string) bool { return strings.TrimSpace(line) != "" }); out != nil {
		return out
	}
	if out := apartIn(lines, 4, 1, l, func(line string) bool { return halvesOf(line, l).right != "" }); out != nil {
		return out
	}
	if out := besideEachOther(lines); out != nil {
		return out
	}
	if out := apart(lines, 4, .5, l); out != nil {
		return out
	}
	return lines
}

// besideEachOther puts the ingredients of a card that stand in pairs, three lines of them or more, below each other: both of a pair
// begin with an amount. It gives nil where there are none.
func besideEachOther(lines []string) (out []string) {
	const least = 3
	pair := func(line string) (left, right string) {
		for _, at := range pairGap.FindAllStringIndex(line, -1) {
			if left, right = line[:at[0]], line[at[1]:]; len(line) <= widest && startsAmount(left) && startsAmount(right) && len(strings.Fields(left)) > 2 && len(strings.Fields(right)) > 2 {
				return left, right
			}
		}
		return "", ""
	}
	for i := 0; i < len(lines); i++ {
		var lefts, rights []string
		for k := i; k < len(lines); k++ {
			left, right := pair(lines[k])
			if right == "" {
				break
			}
			lefts, rights = append(lefts, left), append(rights, right)
		}
		if len(lefts) >= least {
			out = append(slices.Clone(lines[:i]), lefts...)
			return append(append(out, rights...), lines[i+len(lefts):]...)
		}
	}
	return nil
}

// startsAmount says that a text begins with a number, or with the letter l that a scan has for one.
func startsAmount(text string) bool {
	return startsNumber(text) || strings.HasPrefix(text, "l ") || strings.HasPrefix(text, "l/")
}

// apartIn puts the columns of blocks below each other, which are lines in a row that belong to one; nil where none has two.
func apartIn(lines []string, least int, share float64, l words.Language, belongs func(string) bool) []string {
	var out []string
	found := false
	for i := 0; i < len(lines); {
		end := i
		for end < len(lines) && belongs(lines[end]) {
			end++
		}
		if block := apart(lines[i:end], least, share, l); block != nil {
			out, found = append(out, block...), true
		} else {
			out = append(out, lines[i:end]...)
		}
		if end < len(lines) {
			out = append(out, lines[end])
		}
		i = end + 1
	}
	if !found {
		return nil
	}
	return out
}

// halves of a line on both sides of a wide gap, and where the second begins.
type halves struct {
	left, right string
	at          int
}

// halvesOf parts a line at its first wide gap that has more than a mere amount before it; all is left where there is none.
func halvesOf(line string, l words.Language) halves {
	body := strings.TrimLeft(line, " \t")
	indent := len(line) - len(body)
	if len(line) > widest || body == "" {
		return halves{left: line}
	}
	if indent > widestIndent {
		return halves{right: body, at: indent} // only the right one goes on
	}
	for _, at := range gap.FindAllStringIndex(body, -1) {
		if strings.TrimSpace(body[at[1]:]) != "" && !isAmount(body[:at[0]], l) {
			return halves{body[:at[0]], body[at[1]:], indent + at[1]}
		}
	}
	return halves{left: line}
}

// isAmount says that a text is a number, or a number and a unit, and nothing else.
func isAmount(text string, l words.Language) bool {
	if !startsNumber(text) {
		return false
	}
	return !slices.ContainsFunc(words.Read(text, l), func(t words.Token) bool {
		return t.Kind == words.Word && t.Under("unit.").N == 0
	})
}

// apart puts two columns below each other; nil where there are none. They are two where a share of the lines, and so many at
// least, have a wide gap that begins their second half at about the same place, and what stands there is no mere amount.
func apart(lines []string, least int, share float64, l words.Language) []string {
	var both []halves
	filled, split := 0, 0
	var places []int
	for _, line := range lines {
		h := halves{}
		if strings.TrimSpace(line) != "" {
			h = halvesOf(line, l)
			filled++
		}
		if h.right != "" {
			split++
			places = append(places, h.at)
		}
		both = append(both, h)
	}
	if split < least || float64(split) < share*float64(filled) {
		return nil
	}
	slices.Sort(places)
	alike, middle := 0, places[len(places)/2]
	for _, at := range places {
		if at >= middle-indented && at <= middle+indented {
			alike++
		}
	}
	if 4*alike < 3*split {
		return nil
	}
	wordy, amounts := 0, 0
	for _, h := range both {
		if len(strings.Fields(h.right)) > 2 {
			wordy++
		}
		if h.right != "" && startsNumber(h.right) && !startsNumber(h.left) {
			amounts++
		}
	}
	if 2*wordy < split || 2*amounts > split {
		return nil // a name and its amount beside it
	}
	var out, right []string
	if first := both[0]; first.left != "" && first.right != "" && !strings.ContainsFunc(first.left+first.right, unicode.IsDigit) && headOf(first.right, l, false) == "" {
		out, both = append(out, first.left, first.right), both[1:] // the title, and whose it is
	}
	for _, h := range both {
		out = append(out, h.left)
		if n := len(right) - 1; n >= 0 && h.right != "" && right[n] != "" && h.at > places[0]+1 && places[1] == places[0] {
			right[n] += " " + h.right // it is set in: the line before goes on
			continue
		}
		right = append(right, h.right)
	}
	return append(append(out, ""), right...)
}

// startsNumber says that a text begins with a number, once the mark of a list ("-", "•") is taken off.
func startsNumber(text string) bool {
	c, _ := utf8.DecodeRuneInString(strings.TrimLeft(text, " -*•·"))
	return unicode.IsNumber(c)
}
