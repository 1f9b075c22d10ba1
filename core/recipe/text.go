package recipe

import (
	"regexp"
	"slices"
	"strings"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/layout"
	"cuerda/core/recipe/words"
)

var (
	serves = regexp.MustCompile(`(?i)\b(?:serves|servings|yield|yields|makes|portions|para|raciones|porciones|comensales|rinde|feeds)\b\D{0,12}(\d{1,3})`)
	after  = regexp.MustCompile(`(?i)\b(\d{1,3})\s*(?:servings|portions|people|raciones|porciones|personas|comensales)\b`)
	// replied are the marks of an answer before a subject: "Fwd: Re: Cabbage rolls".
	subject = regexp.MustCompile(`(?i)^(?:subject|asunto)\s*:\s*((?:(?:re|fwd?|rv)\s*:\s*)*)(.*)$`)
)

// readText reads Markdown and plain text: its lines by what each is, and what a cook tells about them.
// Where there is no list, the foods and amounts told in its sentences are one.
func readText(text string, r *ingredient.Reader, told map[int]layout.Label) (Found, error) {
	f := Found{Kind: Text}
	rows, l, err := layout.Read(text, r, told)
	if err != nil {
		return f, ErrTooMany
	}
	f.Rows = rows
	items := 0
	for i := range rows {
		if rows[i].Label == layout.Item {
			items++
		}
	}
	if items < 2 && !listedAlone(rows) {
		if spoken := proseOf(rows, r, l, told); len(spoken.Ingredients) > items {
			return spoken, nil
		}
	}
	section := ""
	for i := range rows {
		y := &rows[i]
		told := f.portionsIn(y)
		switch y.Label {
		case layout.Title:
			if name := strings.Trim(y.Text, "#*_ :~"); f.Name == "" || !namesPiece(f.Name, l) && namesPiece(name, l) {
				if f.Name != "" {
					f.Notes = append(f.Notes, f.Name)
				}
				f.Name = name
			} else {
				f.Notes = append(f.Notes, y.Text)
			}
		case layout.ListHead:
			section = ""
		case layout.Section:
			section = y.Section
			if strings.ContainsAny(section, "0123456789") {
				f.Notes = append(f.Notes, section) // "Para unas 30 croquetas:"
			}
		case layout.Item:
			if n := len(f.Ingredients); n > 0 && i > 0 && rows[i-1].Index == n-1 && replaces(y) {
				f.Notes = append(f.Notes, f.Ingredients[n-1]) // "1 egg", and below it "replaced by 1 tbsp flax"
				f.Ingredients, f.Sections, f.Mended = f.Ingredients[:n-1], f.Sections[:n-1], f.Mended[:n-1]
				rows[i-1].Label, rows[i-1].Index = layout.Aside, -1
			}
			y.Index = len(f.Ingredients)
			f.Ingredients, f.Sections = append(f.Ingredients, y.Text), append(f.Sections, section)
			f.Mended = append(f.Mended, y.Read)
		case layout.MethodHead:
		case layout.Step:
			y.Index = len(f.Steps)
			f.Steps = append(f.Steps, y.WithoutNumber())
		default:
			if !(told && len(y.Tokens()) <= 4 && !y.Tokens()[0].Of("makes")) && !(y.Heads() && y.Label == layout.After && len(y.Tokens()) < 3) {
				f.Notes = append(f.Notes, y.Text)
			}
		}
	}
	f.named(rows, l)
	return f, nil
}

// replaces says that a line begins with words by which it stands for the line before: "replaced by 70 g oat flour".
func replaces(y *layout.Row) bool { return len(y.Tokens()) > 0 && y.Tokens()[0].Of("word.replaced") }

// namesPiece says that words tell what is made: patties, a loaf.
func namesPiece(name string, l words.Language) bool {
	_, at := kindIn(words.Read(name, l), 0, false)
	return at >= 0
}

// named gives a recipe without a title that of the message it came in, or what stands before the first stroke of a line that tells
// of it: "Lentil loaf | serves 6 | 1 h 20".
func (f *Found) named(rows []layout.Row, l words.Language) {
	for i := range rows[:min(len(rows), 3)] {
		if name, _, parted := strings.Cut(rows[i].Text, " | "); parted && f.Name == "" && namesPiece(name, l) && len(name) < 80 {
			f.Name = strings.Trim(name, "#*_ :~")
		}
	}
	for i := range rows[:min(len(rows), 8)] {
		if m := subject.FindStringSubmatch(rows[i].Text); m != nil && f.Name == "" {
			f.Name = strings.TrimSpace(m[2])
		}
	}
}

// portionsIn reads how many a recipe serves, and says whether a line tells it.
func (f *Found) portionsIn(y *layout.Row) bool {
	if f.Portions != 0 || y.Label == layout.Step || y.Label == layout.Item || y.Label == layout.After || len(y.Text) > 160 {
		return false
	}
	for _, pattern := range []*regexp.Regexp{after, serves} {
		if m := pattern.FindStringSubmatch(y.Text); m != nil {
			f.Portions = portions(m[1])
			return true
		}
	}
	return false
}

// longestAlone is how many words an ingredient has that stands alone in its list: more are a sentence.
const longestAlone = 15

// listedAlone says that a list has one ingredient, under a heading of its own.
func listedAlone(rows []layout.Row) bool {
	for i := 1; i < len(rows); i++ {
		if rows[i].Label == layout.Item && rows[i-1].Label == layout.ListHead {
			return len(strings.Fields(rows[i].Text)) <= longestAlone
		}
	}
	return false
}

// Told is where a phrase that became an ingredient stands in the method: its step, and characters of it.
type Told struct {
	Step, At, End int
}

// proseOf reads a recipe that is told in sentences, without a list: each food with an amount becomes a
// line of its own, in the words that tell it.
func proseOf(rows []layout.Row, r *ingredient.Reader, l words.Language, told map[int]layout.Label) Found {
	rows = slices.Clone(rows)
	f := Found{Kind: Text, Rows: rows}
	named := map[string]bool{}
	answers := slices.ContainsFunc(rows, func(y layout.Row) bool {
		return !y.Quoted() && len(r.Phrases(Short(y.Read, 4*maxWords), l, map[string]bool{})) > 2
	})
	for i := range rows {
		y := &rows[i]
		f.portionsIn(y)
		switch y.Label {
		case layout.Title:
			if f.Name == "" && len(r.Phrases(Short(y.Read, 4*maxWords), l, map[string]bool{})) < 2 {
				f.Name = strings.Trim(y.Text, "#*_ :~")
				continue
			}
			fallthrough
		case layout.Item, layout.Step, layout.Before, layout.Aside, layout.After:
			if y.Label == layout.After && !tellsLate(y) || y.Quoted() && (answers || y.Label == layout.Before || y.Label == layout.Aside) {
				break
			}
			phrases := r.Phrases(Short(y.Read, 4*maxWords), l, named)
			if told[i] == layout.None || len(phrases) == 0 && (y.Label == layout.Before || y.Label == layout.Aside) && !tellsWhatToDo(y) {
				break
			}
			for _, p := range phrases {
				f.Ingredients, f.Sections = append(f.Ingredients, y.Text[p.At:p.End]), append(f.Sections, roleBefore(y.Read, p.At, l))
				f.Mended = append(f.Mended, y.Read[p.At:p.End])
				f.Spoken = append(f.Spoken, Told{len(f.Steps), len([]rune(y.Text[:p.At])), len([]rune(y.Text[:p.End]))})
			}
			y.Label, y.Index = layout.Step, len(f.Steps)
			f.Steps = append(f.Steps, y.Read)
			continue
		}
		f.Notes = append(f.Notes, y.Text)
	}
	f.named(rows, l)
	return f
}

// tellsLate says that a line after the rest adds to the mix: "oh, and a spoon of chilli goes in the dough".
func tellsLate(y *layout.Row) bool {
	mix, mass := false, false
	for _, t := range y.Tokens() {
		mix, mass = mix || t.Of("act.mix"), mass || t.Of("mass")
	}
	return mix && mass
}

// roleBefore gives the words before a phrase of a sentence that say what it is for: "y para apanarlas,
// media taza de leche"; "" for none.
func roleBefore(text string, at int, l words.Language) string {
	start := strings.LastIndexAny(text[:at], ".!?\n") + 1
	for _, t := range words.Read(text[start:at], l) {
		if m := t.Under("role."); m.N > 0 {
			return strings.TrimPrefix(m.List, "role.")
		}
	}
	return ""
}

// timesHeat says that a line has a time and the number of an oven's heat: "24 of them on foil at 400 for 20 min".
func timesHeat(tokens []words.Token) bool {
	const coolest, hottest = 140, 475
	timed, hot := false, false
	for k := range tokens {
		minutes, _ := ingredient.Minutes(tokens, k)
		timed = timed || minutes > 0
		hot = hot || tokens[k].Kind == words.Number && tokens[k].Value >= coolest && tokens[k].Value <= hottest
	}
	return timed && hot
}

// tellsWhatToDo says that a line has two verbs of the kitchen or more, or how hot and how long something is cooked.
func tellsWhatToDo(y *layout.Row) bool {
	n := 0
	for _, t := range y.Tokens() {
		if t.Under("act.").N > 0 || t.Under("do.").N > 0 || t.Under("heat.").N > 0 {
			n++
		}
	}
	return (n >= 2 || timesHeat(y.Tokens())) && !slices.ContainsFunc(y.Tokens(), func(t words.Token) bool { return t.Of("page") })
}
