package layout

import (
	"regexp"
	"strings"
)

// ruled is the line of a Markdown table below its heading: "|---|:--:|".
var ruled = regexp.MustCompile(`^\s*\|?\s*:?-{2,}:?\s*(?:\|\s*:?-{2,}:?\s*)+\|?\s*$`)

// untabled writes the rows of a Markdown table as the lines of a list: "| 60 g | oats |" is "60 g oats".
func untabled(lines []string) []string {
	rule := -1
	for i, line := range lines {
		if ruled.MatchString(line) {
			rule = i
			break
		}
	}
	if rule < 0 {
		return lines
	}
	out := make([]string, 0, len(lines))
	for i := 0; i < len(lines); i++ {
		bare := strings.TrimSpace(lines[i])
		row := strings.HasPrefix(bare, "|") || i+1 < len(lines) && ruled.MatchString(lines[i+1]) && strings.Contains(bare, "|")
		if !row {
			out = append(out, lines[i])
			continue
		}
		cells := strings.FieldsFunc(bare, func(c rune) bool { return c == '|' })
		for k := range cells {
			cells[k] = strings.TrimSpace(cells[k])
		}
		switch {
		case ruled.MatchString(bare):
		case i+1 < len(lines) && ruled.MatchString(lines[i+1]):
			out = append(out, "", strings.Join(cells, " ")+":")
		default:
			out = append(out, strings.Join(strings.Fields(strings.Join(cells, " ")), " "))
		}
	}
	return out
}
