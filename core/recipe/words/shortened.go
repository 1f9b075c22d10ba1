package words

import (
	"cuerda/core/food/csvtable"
	_ "embed"
	"strings"
	"sync"
	"unicode"
	"unicode/utf8"
)

//go:embed shortened.csv
var shortenedCSV string

// inFull gives words in full, by language and the short form that notes have.
var inFull = sync.OnceValue(func() (out [2]map[string]string) {
	out = [2]map[string]string{English: {}, Spanish: {}}
	for _, row := range csvtable.Rows("shortened.csv", shortenedCSV) {
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
	return next != "" && next[0] != '\n' && !Capital(next)
}

// Capital says that a text begins with a capital letter.
func Capital(text string) bool {
	c, _ := utf8.DecodeRuneInString(text)
	return unicode.IsUpper(c)
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
