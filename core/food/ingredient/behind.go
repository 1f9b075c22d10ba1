package ingredient

import (
	"regexp"
	"strings"
)

// behind is a food with its amount after it: "chickpea flour: 50 g", "salt, a
// pinch", "eggs x 2".
var behind = regexp.MustCompile(`^([^\d]*?\p{L}[^\d]*?)(\s*[,:;=]\s*|\s+[-x]\s*|\s+)(\d[\d.,/ -]*|half an?|an?|one|una?|medi[ao])(?:\s+(\p{L}+))?\.?$`)

// inFront puts an amount that stands behind its food before it.
func inFront(text string) string {
	first, _, _ := strings.Cut(text, " ")
	if spelled[first] > 0 {
		return text
	}
	m := behind.FindStringSubmatch(text)
	if m == nil {
		return text
	}
	food, between, amount, unit := m[1], m[2], m[3], m[4]
	counted := unit == "" && strings.TrimSpace(between) != "" && amount[0] <= '9'
	if units[unit].unit == "" && !counted {
		return text
	}
	return strings.Join(strings.Fields(amount+" "+unit+" "+food), " ")
}
