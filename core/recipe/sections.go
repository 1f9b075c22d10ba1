package recipe

import (
	_ "embed"
	"encoding/csv"
	"strings"
)

//go:embed parts.csv
var partsCSV string

// partWords are the words of headings by the kind of part that they name.
var partWords = func() (out [][2]string) {
	rows, err := csv.NewReader(strings.NewReader(partsCSV)).ReadAll()
	if err != nil {
		panic("recipe: parts.csv: " + err.Error())
	}
	for _, row := range rows[1:] {
		for w := range strings.SplitSeq(row[1], "|") {
			out = append(out, [2]string{w, row[0]})
		}
	}
	return out
}()

// PartOf is the kind of part that a heading within the ingredients names, as
// "For the spicy mayo" names a sauce; "" where it is of the mix.
func PartOf(heading string) string {
	padded := " " + strings.Join(strings.FieldsFunc(strings.ToLower(heading), func(c rune) bool { return strings.ContainsRune(" :#*()-", c) }), " ") + " "
	kind, first := "", len(padded)
	for _, w := range partWords {
		for _, form := range []string{" " + w[0] + " ", " " + w[0] + "s "} {
			if at := strings.Index(padded, form); at >= 0 && at < first {
				kind, first = w[1], at
			}
		}
	}
	if kind == "" && (heading == Frying || heading == Coated || heading == Serving) {
		return heading
	}
	return kind
}
