package layout

import (
	"regexp"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"cuerda/core/recipe/words"
)

// ruled is the line of a Markdown table below its heading: "|---|:--:|".
var ruled = regexp.MustCompile(`^\s*\|?\s*:?-{2,}:?\s*(?:\|\s*:?-{2,}:?\s*)+\|?\s*$`)

// leastRows is how many lines with cells stand together in a table without a rule.
const leastRows = 3

// untabled writes the rows of tables as the lines of a list: "| 60 g | oats | toasted" is "60 g oats, toasted". A table has
// the rule of Markdown, or lines with cells that stand together.
func untabled(lines []string, l words.Language) []string {
	var out []string // nil while there is no table
	for i := 0; i < len(lines); i++ {
		n, ruler := 0, false
		for i+n < len(lines) && isRow(lines[i+n]) {
			ruler = ruler || ruled.MatchString(lines[i+n])
			n++
		}
		if !ruler && (n < leastRows || !tellsAmounts(lines[i:i+n])) {
			if out != nil {
				out = append(out, lines[i])
			}
			continue
		}
		if out == nil {
			out = append(make([]string, 0, len(lines)), lines[:i]...)
		}
		counted := countsRows(lines[i : i+n])
		for k, line := range lines[i : i+n] {
			cells := cellsOf(line)
			if counted && len(cells) > 1 {
				cells = cells[1:]
			}
			named := k+1 < n && ruled.MatchString(lines[i+k+1]) || k == 0 && !ruler && len(cells) > 1 && !strings.ContainsFunc(line, unicode.IsDigit)
			switch {
			case ruled.MatchString(line) || len(cells) == 0 || named && counted:
			case named:
				out = append(out, "", strings.Join(cells, " ")+":")
			default:
				out = append(out, lineOf(cells, l))
			}
		}
		i += n - 1
	}
	if out == nil {
		return lines
	}
	return out
}

// countsRows says that the first cells of a table number its rows: 1, 2, 3.
func countsRows(lines []string) bool {
	next := 1
	for k, line := range lines {
		cells := cellsOf(line)
		switch {
		case ruled.MatchString(line) || k == 0 && !strings.ContainsFunc(line, unicode.IsDigit):
		case len(cells) < 2 || strings.TrimRight(cells[0], ".)") != strconv.Itoa(next):
			return false
		default:
			next++
		}
	}
	return next > leastRows
}

// isRow says that a line may be of a table.
func isRow(line string) bool { return strings.Contains(line, "|") || strings.Count(line, "\t") > 1 }

// tellsAmounts says that half of some lines or more have a number and two cells.
func tellsAmounts(lines []string) bool {
	n := 0
	for _, line := range lines {
		if len(cellsOf(line)) > 1 && strings.ContainsFunc(line, unicode.IsNumber) {
			n++
		}
	}
	return 2*n >= len(lines)
}

// cellsOf are the cells of a row that are not empty.
func cellsOf(line string) (out []string) {
	between := "|"
	if !strings.Contains(line, between) {
		between = "\t"
	}
	for cell := range strings.SplitSeq(line, between) {
		if cell = strings.Join(strings.Fields(cell), " "); cell != "" {
			out = append(out, cell)
		}
	}
	return out
}

// lineOf writes the cells of a row as a line: what stands behind the amount and the name describes the food.
func lineOf(cells []string, l words.Language) string {
	var out strings.Builder
	amount, name := false, false
	for i, cell := range cells {
		tokens := words.Read(cell, l)
		unit := !slices.ContainsFunc(tokens, func(t words.Token) bool { return t.Under("unit.").N == 0 && !t.Of("size") })
		switch {
		case i > 0 && amount && name && !unit:
			out.WriteString(", ")
		case i > 0:
			out.WriteString(" ")
		}
		out.WriteString(cell)
		amount = amount || strings.ContainsFunc(cell, unicode.IsNumber)
		for _, t := range tokens {
			name = name || t.Kind == words.Word && t.Under("unit.").N == 0 && len(t.Plain) > 2
		}
	}
	return out.String()
}
