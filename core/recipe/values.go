package recipe

import (
	"encoding/csv"
	"errors"
	"io"
	"slices"
	"strings"
)

// mostColumns is how many values a row may have, and longestRow how many bytes a line.
const (
	mostColumns = 100
	longestRow  = 64 << 10
)

func looksLikeValues(text string) bool {
	head, _, _ := strings.Cut(text, "\n")
	head = strings.ToLower(head)
	return strings.ContainsAny(head, ",;\t") && (strings.Contains(head, "grams") || strings.Contains(head, "gramos")) &&
		(strings.Contains(head, "food") || strings.Contains(head, "alimento") || strings.Contains(head, "name"))
}

// readValues reads comma-separated values with a row of headings: food or name,
// and grams.
func readValues(text string) (Found, error) {
	for line := range strings.Lines(text) {
		if len(line) > longestRow {
			return Found{}, ErrTooMany
		}
	}
	r := csv.NewReader(strings.NewReader(text))
	r.FieldsPerRecord, r.LazyQuotes = -1, true
	head, _, _ := strings.Cut(text, "\n")
	switch {
	case strings.Contains(head, "\t"):
		r.Comma = '\t'
	case strings.Count(head, ";") > strings.Count(head, ","):
		r.Comma = ';'
	}
	var rows [][]string
	for {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return Found{}, ErrNoRecipe
		}
		if rows = append(rows, row); len(rows) > MaxIngredients+1 || len(row) > mostColumns {
			return Found{}, ErrTooMany
		}
	}
	if len(rows) < 2 {
		return Found{}, ErrNoRecipe
	}
	column := func(names ...string) int {
		for _, name := range names {
			if at := slices.IndexFunc(rows[0], func(h string) bool { return strings.ToLower(strings.TrimSpace(h)) == name }); at >= 0 {
				return at
			}
		}
		return -1
	}
	name, grams, prep, part := column("name", "food", "alimento", "nombre"), column("grams", "gramos"), column("prep"), column("part", "parte")
	if name < 0 || grams < 0 {
		return Found{}, ErrNoAmounts
	}
	f := Found{Kind: Values}
	for _, row := range rows[1:] {
		if len(row) <= max(name, grams) || strings.TrimSpace(row[grams]) == "" {
			continue
		}
		line := strings.TrimSpace(row[grams]) + " g " + row[name]
		if prep >= 0 && prep < len(row) && row[prep] != "" {
			line += ", " + row[prep]
		}
		section := ""
		if part >= 0 {
			section = strings.TrimPrefix(row[part], "'")
		}
		f.Ingredients, f.Sections = append(f.Ingredients, line), append(f.Sections, section)
	}
	return f, nil
}
