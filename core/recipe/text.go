package recipe

import (
	"encoding/csv"
	"regexp"
	"slices"
	"strings"
)

// The headings that cooks write, in English and Spanish, by what follows them.
var (
	ingredientHeads = []string{"ingredients", "ingredient", "ingredientes", "you need", "you will need", "necesitas", "para la masa"}
	methodHeads     = []string{"method", "directions", "instructions", "steps", "preparation", "how to", "preparación", "elaboración", "instrucciones", "pasos", "modo de hacerlo", "procedimiento"}
	noteHeads       = []string{"for whom", "para quién", "notes", "note", "tips", "notas", "consejos", "nutrition", "información nutricional"}
)

var (
	mark   = regexp.MustCompile(`^\s*(?:[-*•▢□·]|\[[ xX]?\]|\d{1,2}[.)]\s)\s*`)
	number = regexp.MustCompile(`^\s*\d{1,2}[.)]\s`)
	serves = regexp.MustCompile(`(?i)\b(?:serves|servings|yield|yields|makes|portions|for|para|raciones|porciones|comensales|rinde)\b\D{0,12}(\d{1,3})`)
	after  = regexp.MustCompile(`(?i)\b(\d{1,3})\s*(?:servings|portions|people|raciones|porciones|personas|comensales)\b`)
)

// readText reads Markdown and plain text: a title, a list of ingredients under a
// heading or as the lines that begin with an amount, and a method.
func readText(text string) (Found, error) {
	f := Found{Kind: Text}
	where, section := "", ""
	heads := false
	add := func(item string) {
		f.Ingredients, f.Sections = append(f.Ingredients, item), append(f.Sections, section)
	}
	all := strings.Split(strings.ReplaceAll(text, "\r", "\n"), "\n")
	for _, l := range all {
		heads = heads || slices.Contains(ingredientHeads, heading(l))
	}
	for i, l := range all {
		bare := strings.TrimSpace(l)
		if bare == "" {
			continue
		}
		switch h := heading(bare); {
		case slices.Contains(ingredientHeads, h):
			where, section = "ingredients", ""
			continue
		case slices.Contains(methodHeads, h):
			where = "method"
			continue
		case slices.Contains(noteHeads, h):
			where = "notes"
			continue
		case h != "" && where == "ingredients", where == "" && strings.HasSuffix(bare, ":"):
			section = strings.Trim(plain(bare), "#: ") // "For the sauce:" within the list
			continue
		}
		if m := serves.FindStringSubmatch(bare); m != nil && f.Portions == 0 && where == "" && len(bare) < 60 {
			f.Portions = portions(m[1])
			continue
		} else if m := after.FindStringSubmatch(bare); m != nil && f.Portions == 0 && where == "" && len(bare) < 60 {
			f.Portions = portions(m[1])
			continue
		}
		item := plain(bare)
		switch {
		case where == "ingredients":
			add(item)
		case where == "method" || where == "notes":
			f.Steps = append(f.Steps, item)
		case f.Name == "" && i == firstLine(all) && (heads || !startsWithAmount(item)):
			f.Name = strings.Trim(item, "# ")
		case heads:
			f.Steps = append(f.Steps, item) // words before the list
		case number.MatchString(bare) && len(f.Ingredients) > 0 && len(item) > 40:
			f.Steps = append(f.Steps, item)
		case startsWithAmount(item) || mark.MatchString(bare) || len(item) < 60 && len(f.Steps) == 0:
			add(item)
		default:
			f.Steps = append(f.Steps, item)
		}
	}
	return f, nil
}

func firstLine(all []string) int {
	return slices.IndexFunc(all, func(l string) bool { return strings.TrimSpace(l) != "" })
}

// heading is the words of a line that is a heading, in lower case; "" for others.
func heading(line string) string {
	bare := strings.TrimSpace(line)
	marked := strings.HasPrefix(bare, "#") || strings.HasSuffix(bare, ":") || strings.HasPrefix(bare, "**") && strings.HasSuffix(bare, "**")
	bare = strings.ToLower(strings.Trim(bare, "#*:_ "))
	if marked || slices.Contains(ingredientHeads, bare) || slices.Contains(methodHeads, bare) || slices.Contains(noteHeads, bare) {
		return bare
	}
	return ""
}

// plain takes list marks and emphasis away; an amount stays.
func plain(line string) string {
	if m := mark.FindString(line); m != "" {
		line = line[len(m):]
	}
	return strings.NewReplacer("**", "", "__", "", "`", "").Replace(line)
}

func startsWithAmount(line string) bool {
	line = strings.ToLower(strings.TrimSpace(line))
	if line == "" {
		return false
	}
	if c := []rune(line)[0]; c >= '0' && c <= '9' || strings.ContainsRune("¼½¾⅓⅔⅛", c) {
		return true
	}
	word, _, _ := strings.Cut(line, " ")
	return slices.Contains([]string{"a", "an", "half", "one", "two", "three", "un", "una", "uno", "media", "medio", "dos", "tres"}, word)
}

func looksLikeValues(text string) bool {
	head, _, _ := strings.Cut(text, "\n")
	head = strings.ToLower(head)
	return strings.ContainsAny(head, ",;\t") && (strings.Contains(head, "grams") || strings.Contains(head, "gramos")) &&
		(strings.Contains(head, "food") || strings.Contains(head, "alimento") || strings.Contains(head, "name"))
}

// readValues reads comma-separated values with a row of headings: food or name,
// and grams.
func readValues(text string) (Found, error) {
	r := csv.NewReader(strings.NewReader(text))
	r.FieldsPerRecord, r.LazyQuotes = -1, true
	head, _, _ := strings.Cut(text, "\n")
	switch {
	case strings.Contains(head, "\t"):
		r.Comma = '\t'
	case strings.Count(head, ";") > strings.Count(head, ","):
		r.Comma = ';'
	}
	rows, err := r.ReadAll()
	if err != nil || len(rows) < 2 {
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
