package layout

import (
	"encoding/csv"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"cuerda/core/recipe/words"
)

// thread is how the messages of a thread are numbered: "1/ ", "2/7 ".
var thread = regexp.MustCompile(`^\s*(\d{1,2})/(\d{0,2})\s+`)

// unthreaded takes the numbers off the messages of a thread. They count up from 1, three of them at least, and all tell the
// same total or none: "1/2 cup", "2/3 cup" and "3/4 cup" are amounts.
func unthreaded(lines []string) []string {
	next, total := 1, ""
	for _, line := range lines {
		m := thread.FindStringSubmatch(line)
		switch {
		case m == nil:
		case next > 1 && m[2] != total || m[1] != strconv.Itoa(next):
			return lines
		default:
			next, total = next+1, m[2]
		}
	}
	if next <= leastRows {
		return lines
	}
	out := slices.Clone(lines)
	for i := range out {
		out[i] = thread.ReplaceAllString(out[i], "")
	}
	return out
}

// unseparated writes the rows of a spreadsheet that was saved as text, with a comma or a semicolon between its cells, as lines
// with the amount before the name: `salmon,14.75,oz,"drained"` is "14.75 oz salmon, drained".
func unseparated(lines []string, l words.Language) []string {
	for _, comma := range []rune{',', ';'} {
		if out := separatedBy(comma, lines, l); out != nil {
			return out
		}
	}
	return lines
}

// separatedBy does so for one mark between cells; nil where no lines in a row, leastRows of them, have as many cells and
// numbers that stand in cells of their own.
func separatedBy(comma rune, lines []string, l words.Language) []string {
	var out []string
	for i := 0; i < len(lines); {
		var rows [][]string
		numbers := 0
		for _, line := range lines[i:] {
			cells := cellsBetween(comma, line)
			if len(cells) < 3 || len(rows) > 0 && len(cells) != len(rows[0]) {
				break
			}
			if slices.ContainsFunc(cells, isNumber) {
				numbers++
			}
			rows = append(rows, cells)
		}
		if len(rows) < leastRows || 2*numbers < len(rows) {
			if out != nil {
				out = append(out, lines[i])
			}
			i++
			continue
		}
		if out == nil {
			out = append(make([]string, 0, len(lines)), lines[:i]...)
		}
		for k, cells := range rows {
			if full := slices.DeleteFunc(slices.Clone(cells), func(c string) bool { return c == "" }); len(full) > 1 && !strings.ContainsFunc(strings.Join(full, ""), unicode.IsDigit) && k < 2 {
				out = append(out, "", strings.Join(full, " ")+":") // the names of the columns
				continue
			}
			out = append(out, lineOf(amountFirst(cells, l), l))
		}
		i += len(rows)
	}
	return out
}

// cellsBetween are the cells of one row; none where its quotes are broken.
func cellsBetween(comma rune, line string) []string {
	if strings.Count(line, string(comma)) < 2 || len(line) > widest {
		return nil
	}
	r := csv.NewReader(strings.NewReader(line))
	r.Comma, r.LazyQuotes, r.TrimLeadingSpace = comma, true, true
	cells, err := r.Read()
	if err != nil {
		return nil
	}
	for i := range cells {
		cells[i] = strings.TrimSpace(cells[i])
	}
	return cells
}

func isNumber(cell string) bool {
	return cell != "" && strings.ContainsFunc(cell, unicode.IsNumber) && strings.Trim(cell, "0123456789.,/ ½¼¾⅓⅔⅛") == ""
}

// amountFirst moves the number of a row, and the unit behind it, before the name.
func amountFirst(cells []string, l words.Language) []string {
	full := slices.DeleteFunc(slices.Clone(cells), func(c string) bool { return c == "" })
	at := slices.IndexFunc(full, isNumber)
	if at <= 0 {
		return full
	}
	n := 1
	if at+1 < len(full) {
		if t := words.Read(full[at+1], l); len(t) > 0 && (t[0].Under("unit.").N >= len(t) || t[0].Of("each")) {
			n = 2
		}
	}
	amount := slices.Clone(full[at : at+n])
	if n == 2 && words.Read(amount[1], l)[0].Under("unit.").N == 0 {
		amount = amount[:1] // "1, each"
	}
	return append(append(amount, full[:at]...), full[at+n:]...)
}
