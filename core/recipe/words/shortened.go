package words

import (
	_ "embed"
	"encoding/csv"
	"strings"
	"sync"
	"unicode"
	"unicode/utf8"
)

//go:embed shortened.csv
var shortenedCSV string

// inFull gives words in full, by language and the short form that notes have.
var inFull = sync.OnceValue(func() (out [2]map[string]string) {
	r := csv.NewReader(strings.NewReader(shortenedCSV))
	r.Comment, r.FieldsPerRecord = '#', 3
	rows, err := r.ReadAll()
	if err != nil {
		panic("words: " + err.Error()) // the tests read them
	}
	out = [2]map[string]string{English: {}, Spanish: {}}
	for _, row := range rows[1:] {
		l := English
		if row[0] == "es" {
			l = Spanish
		}
		for short := range strings.SplitSeq(row[2], "|") {
			out[l][short] = Plain(row[1])
		}
	}
	return out
})

// pointsOn says that a text begins with a point after which the sentence goes on.
func pointsOn(rest string) bool {
	if !strings.HasPrefix(rest, ".") {
		return false
	}
	next := strings.TrimLeft(rest[1:], " ")
	c, _ := utf8.DecodeRuneInString(next)
	return next != "" && !unicode.IsUpper(c) && c != '\n'
}

// isWater says that a text begins with "H2O".
func isWater(text string) bool {
	const formula = "h2o"
	if len(text) < len(formula) || !strings.EqualFold(text[:len(formula)], formula) {
		return false
	}
	c, _ := utf8.DecodeRuneInString(text[len(formula):])
	return !unicode.IsLetter(c) && !unicode.IsDigit(c)
}
