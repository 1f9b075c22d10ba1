package recipe

import (
	"cmp"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/physics/piece"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// Item is one food of a recipe as it goes into the build.
type ReadFood struct {
	ingredient.Ingredient
	// Sure says that the food is as the line spells it.
	Sure bool
	// Part is what it goes to where that is not the mix.
	Part string
}

// ReadLine is one ingredient line of a recipe, read with its method.
type ReadLine struct {
	Text  string
	Items []ReadFood
	// Section is the heading it stands under, Part what it goes to: mix, a kind of part
	// of a build, frying, serving, cooking liquid or pan.
	Section string
	Part    string
	// Full says that the whole line was understood.
	Full bool
	// Maybe says that it may be left out.
	Maybe bool
	// Notes are words understood that change nothing; Rest those not understood, and
	// Faults codes of what is wrong: package ingredient.
	Notes  string
	Rest   string
	Faults []string
	Spans  []ingredient.Phrase

	read ingredient.Reading
}

// StepSpan is a phrase of a step and what it was understood as.
type StepSpan struct {
	ingredient.Phrase
	Step int
}

// Understood is a recipe read whole: its lines, what its method does to them, and how
// the pieces rest, are shaped and are cooked. What it does not say is left out.
type Understood struct {
	Language string
	Lines    []ReadLine
	Rest     *ReadWait
	Chill    *ReadWait
	Piece    *ReadPiece
	Cook     *ReadCook
	Spans    []StepSpan
	// Became are the steps of the cord that each step of the method became.
	Became [][]string
}

// Understand reads the lines and the method of a recipe that Read has found.
func Understand(f *Found, r *ingredient.Reader, foods *food.Catalogue) Understood {
	l := f.language()
	out := Understood{Language: l.String(), Lines: make([]ReadLine, len(f.Ingredients)), Spans: []StepSpan{}}
	mixed := ""
	title, _ := kindIn(words.Read(f.Name, l), 0, false)
	stuffing := title == piece.Stuffing
	olive := l == words.Spanish && f.fromSpain()
	for i, text := range f.Ingredients {
		own := words.Likelier(text, l)
		line := r.ReadIn(f.Mended[i], own)
		unknown := slices.ContainsFunc(line.Items, func(it ingredient.Ingredient) bool { return it.Food == "" })
		if unknown || own != l && !line.Full() { // "2 ajos" among English lines, "3 T. masa harina" in an English recipe
			if other := r.ReadIn(f.Mended[i], 1-own); other.Full() {
				line = other
			}
		}
		line.Text = text
		anyOil(&line, olive)
		section := f.Sections[i]
		for k := range line.Spans {
			line.Spans[k].Line = i
		}
		out.Lines[i] = ReadLine{
			Text: line.Text, Section: section, Full: line.Full(), Maybe: line.Maybe, Notes: line.Notes, Rest: line.Rest,
			Faults: line.Faults, Spans: line.Spans, read: line,
		}
		out.Lines[i].Part = partFrom(section, &line, mixed != "" && mixed != section, foods, l)
		if out.Lines[i].Part == "filling" && stuffing {
			out.Lines[i].Part = ""
		}
		if own, of, ok := strings.Cut(text, ":"); ok && section == "" && strings.Count(of, ",") > 0 && len(own) < 40 && PartOf(own) != "" {
			out.Lines[i].Part = PartOf(own) // "For the sauce: 1 onion, 1 glass of wine"
		}
		if own, _, ok := strings.Cut(text, "="); ok && section == "" && len(own) < 20 && out.Lines[i].Part == "" {
			out.Lines[i].Part = PartOf(own[strings.LastIndex(own, ",")+1:]) // "no egg, crumb = cornflakes, crushed"
		}
		if mixed == "" && out.Lines[i].Part == "" {
			mixed = cmp.Or(section, " ")
		}
	}
	bothDone(out.Lines, f.Spoken, foods)
	doneWith(out.Lines, foods)
	m := newProcedure(f, out.Lines, r, foods, l)
	for i := range out.Lines {
		line := &out.Lines[i]
		line.Items = m.shared(i)
		for k := range line.read.Items {
			if it := &line.read.Items[k]; foods.Find(it.Food) == nil {
				line.Items = append(line.Items, ReadFood{Ingredient: *it, Part: line.Part})
			}
		}
		if line.Items == nil {
			line.Items = []ReadFood{}
		}
		if line.Part == "" {
			line.Part = "mix"
			if len(line.Items) > 0 && line.Items[0].Part != "" {
				line.Part = line.Items[0].Part
				for k := range line.Items {
					if line.Items[k].Part == "" {
						line.Part = "mix"
					}
				}
			}
		}
	}
	out.Rest, out.Chill = m.waits()
	out.Piece = m.pieceOf()
	out.Cook = m.cookOf()
	out.Became = make([][]string, len(f.Steps))
	for i := range out.Became {
		out.Became[i] = append([]string{}, m.became[i]...)
	}
	if m.spans != nil {
		out.Spans = m.spans
	}
	return out
}

// bothDone gives a preparation to two foods where a sentence says that it is done to both: in "walnuts and cashews
// (both chopped)" the words stand with the cashews, and the walnuts are chopped too.
func bothDone(lines []ReadLine, spoken []Told, foods *food.Catalogue) {
	for i := 1; i < len(lines) && i < len(spoken); i++ {
		own, before := &lines[i].read, &lines[i-1].read
		if spoken[i].Step != spoken[i-1].Step || !own.Items[0].Tells("word.both") || len(before.Items[0].Prep) > 0 {
			continue
		}
		f := foods.Find(before.Items[0].Food)
		for _, p := range own.Items[0].Prep {
			if f != nil && p.Do.Suits(f) {
				before.Items[0].Prep = append(before.Items[0].Prep, p)
			}
		}
	}
}

// doneWith fries, or roasts, a food of one line with that of another that says so: "half a pepper, fried with the onion".
func doneWith(lines []ReadLine, foods *food.Catalogue) {
	for i := range lines {
		for k := range lines[i].read.Items {
			it := &lines[i].read.Items[k]
			if it.With == "" {
				continue
			}
			for j := range lines {
				for n := range lines[j].read.Items {
					other := &lines[j].read.Items[n]
					if f := foods.Find(other.Food); other.Food == it.With && f != nil && lines[j].Part == lines[i].Part {
						other.Prep = withHeat(other.Prep, it.Prep, f)
					}
				}
			}
		}
	}
}

// withHeat adds what is done by heat to the preparations of a food, unless it is done already.
func withHeat(own, more []food.Preparation, f *food.Food) []food.Preparation {
	for _, p := range more {
		hot := p.Do == food.Saute || p.Do == food.Roast || p.Do == food.Brown
		if hot && p.Do.Suits(f) && !slices.ContainsFunc(own, func(q food.Preparation) bool { return q.Do == p.Do }) {
			own = append(slices.Clip(own), p)
		}
	}
	return own
}

// anyOil gives plain "aceite" the oil of the place: olive in Spain.
func anyOil(l *ingredient.Reading, olive bool) {
	for i := range l.Items {
		it := &l.Items[i]
		if it.Food == "olive-oil" && !olive && len(it.Words) == 1 && it.Words[0] == "aceite" {
			it.Food = "sunflower-oil"
		}
	}
}

// fromSpain says that a Spanish recipe has more words of Spain than of America.
func (f *Found) fromSpain() bool {
	spain, america := 0, 0
	for _, list := range [][]string{f.Ingredients, f.Steps} {
		for _, text := range list {
			for _, t := range words.Read(text, words.Spanish) {
				if t.Of("place.spain") {
					spain++
				}
				if t.Of("place.america") {
					america++
				}
			}
		}
	}
	return spain >= america
}

// language is that of the whole text.
func (f *Found) language() words.Language {
	all := f.Name + " "
	for _, list := range [][]string{f.Ingredients, f.Steps, f.Notes} {
		for _, t := range list {
			if len(all) > 20_000 {
				break
			}
			all += t + " "
		}
	}
	return words.LanguageOf(all)
}

// partFrom is what a line goes to by its own words or its heading; "" for the mix or
// where neither says.
func partFrom(section string, line *ingredient.Reading, mixed bool, foods *food.Catalogue, l words.Language) string {
	if line.Role != "" {
		return line.Role
	}
	if section == "" {
		return ""
	}
	part := PartOf(section)
	if part == "" && !headsMix(section, l) && mixed {
		part = "sauce"
	}
	if f := foods.Find(line.Items[0].Food); part == Coated && f != nil && f.Group == food.Fat {
		return Frying
	}
	return part
}

// headsMix says that a heading names what the recipe makes.
func headsMix(section string, l words.Language) bool {
	for _, t := range words.Read(section, l) {
		if t.Of("head.mix") || t.Under("piece.").N > 0 {
			return true
		}
	}
	return false
}
