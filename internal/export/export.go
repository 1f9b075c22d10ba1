// Package export writes a build for others to read: schema.org JSON-LD,
// Markdown, plain text and comma-separated values, in English and Spanish.
package export

import (
	"bytes"
	_ "embed"
	"encoding/csv"
	"encoding/json"
	"fmt"
	"math"
	"strconv"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/dish"
	"cuerda/core/recipe"
)

// Format is a way to write a build.
type Format string

// The formats.
const (
	JSONLD   Format = "json-ld"
	Markdown Format = "markdown"
	Text     Format = "text"
	CSV      Format = "csv"
	Document Format = "document"
)

// Formats lists every Format.
var Formats = []Format{JSONLD, Markdown, Text, CSV, Document}

// Type is the media type, and Extension what a file of it ends in.
func (f Format) Type() (media, extension string) {
	switch f {
	case JSONLD:
		return "application/ld+json", ".jsonld"
	case Markdown:
		return "text/markdown; charset=utf-8", ".md"
	case CSV:
		return "text/csv; charset=utf-8", ".csv"
	case Document:
		return "application/json", ".json"
	}
	return "text/plain; charset=utf-8", ".txt"
}

// Languages are those that builds are written in.
var Languages = []string{"en", "es"}

//go:embed words.json
var wordsJSON []byte

var catalogue = func() map[string]map[string]string {
	var out map[string]map[string]string
	if err := json.Unmarshal(wordsJSON, &out); err != nil {
		panic("export: words.json: " + err.Error())
	}
	return out
}()

// Options choose what a file carries.
type Options struct {
	// Language is one of Languages; another is English.
	Language string
	// Guests says that the names of those at the table, and what each leaves out, go with
	// it. Without, a file says what it contains and what labels to read, of nobody.
	Guests bool
}

type writer struct {
	d        *document.Document
	guests   bool
	k        *kitchen.Kitchen
	language string
	baked    bake.Baked
}

// Write gives a document that Read has accepted in a format.
func Write(d *document.Document, k *kitchen.Kitchen, format Format, o Options) ([]byte, error) {
	if catalogue[o.Language] == nil {
		o.Language = "en"
	}
	shared := *d
	shared.Hand = nil // of one bowl
	if !o.Guests {
		shared.Eaters = nil
	}
	d = &shared
	w := writer{d: d, k: k, language: o.Language, guests: o.Guests}
	switch format {
	case CSV:
		return w.csv()
	case Document:
		return json.MarshalIndent(d, "", "  ")
	}
	w.baked = bake.Bake(d, k, bake.Options{Now: -1})
	if format == JSONLD {
		return w.jsonld()
	}
	return w.text(format == Markdown), nil
}

// Page is what a kitchen page says of a build in words.
type Page struct {
	// Yield is how much it makes, ForWhom who may and may not eat it and which labels to
	// read, and Safety the core temperature to reach.
	Yield   string     `json:"yield"`
	Pieces  string     `json:"pieces"`
	ForWhom []string   `json:"for_whom"`
	Steps   []PageStep `json:"steps"`
	Safety  string     `json:"safety"`
}

// PageStep is one step with when it begins.
type PageStep struct {
	Clock string `json:"clock"`
	// Day is 0, or -1 and less for the days before.
	Day  int    `json:"day"`
	Text string `json:"text"`
}

// PageOf gives the page of a document that Read has accepted, for its own kitchen.
func PageOf(d *document.Document, k *kitchen.Kitchen, language string) Page {
	if catalogue[language] == nil {
		language = "en"
	}
	w := writer{d: d, k: k, language: language, guests: true, baked: bake.Bake(d, k, bake.Options{Now: -1})}
	out := Page{Yield: w.yield(), ForWhom: append([]string{}, w.forWhom()...), Steps: []PageStep{}, Safety: w.say("safety", "c", w.decimal(w.baked.Target.Celsius))}
	if w.baked.Yield.Pieces > 0 {
		out.Pieces = w.pieces("pieces")
	}
	for i := range w.baked.Steps {
		s := &w.baked.Steps[i]
		switch {
		case s.Code == "table":
			out.Steps = append(out.Steps, PageStep{s.Clock, s.Day, w.say("step.table")})
		case s.Minutes > 0:
			out.Steps = append(out.Steps, PageStep{s.Clock, s.Day, w.step(s)})
		}
	}
	return out
}

// say is a text of the catalogue with its places filled, name and value in turn.
func (w *writer) say(key string, values ...string) string {
	text, known := catalogue[w.language][key]
	if !known {
		return key
	}
	for i := 0; i+1 < len(values); i += 2 {
		text = strings.ReplaceAll(text, "{"+values[i]+"}", values[i+1])
	}
	return text
}

func (w *writer) name(id string) string {
	f := w.k.Foods.Find(id)
	switch {
	case f == nil:
		return id
	case w.language == "es":
		return f.NameES
	}
	return f.Name
}

func (w *writer) decimal(x float64) string {
	s := strconv.FormatFloat(math.Round(x*10)/10, 'f', -1, 64)
	if w.language == "es" {
		s = strings.Replace(s, ".", ",", 1)
	}
	return s
}

// minutes to the half, as a cook says them everywhere in Cuerda.
func (w *writer) minutes(m float64) string { return w.say("min", "n", halves(m)) }

func halves(m float64) string {
	whole, rest := math.Modf(math.Round(2*m) / 2)
	switch {
	case rest == 0:
		return strconv.Itoa(int(whole))
	case whole == 0:
		return "½"
	}
	return strconv.Itoa(int(whole)) + "½"
}

func (w *writer) prep(p food.Preparation) string {
	return w.say("prep."+string(p.Do), "m", w.minutes(p.Minutes), "l", w.decimal(p.Level), "h", w.say("h", "n", w.decimal(p.Hours)))
}

// line is "480 g Split peas, cooked; blitzed (0.5) [2½ cups]" : the amount and
// the food first, so that it can be read again.
func (w *writer) line(l *document.Line) string {
	text := w.decimal(l.Grams) + " g " + w.name(l.Food)
	if l.Name != "" {
		text += " (" + l.Name + ")"
	}
	for _, p := range l.Prep {
		text += ", " + w.prep(p)
	}
	if f := w.k.Foods.Find(l.Food); f != nil {
		if m, ok := f.Measure(l.Grams); ok {
			unit := string(m.Unit)
			if m.Unit == food.Cup && m.Amount > 1 {
				unit = "cups"
			}
			text += " (" + fraction(m.Amount) + " " + w.say(unit) + ")"
		}
	}
	return text
}

func fraction(x float64) string {
	whole, rest := math.Modf(x + 0.01)
	sign := ""
	for _, g := range []struct {
		at   float64
		sign string
	}{{.125, "⅛"}, {.25, "¼"}, {1. / 3, "⅓"}, {.5, "½"}, {2. / 3, "⅔"}, {.75, "¾"}} {
		if math.Abs(rest-0.01-g.at) < 0.02 {
			sign = g.sign
		}
	}
	if whole == 0 && sign != "" {
		return sign
	}
	return strconv.Itoa(int(whole)) + sign
}

func (w *writer) partName(p *document.Part) string {
	if p.Name != "" {
		return p.Name
	}
	return w.say("part." + string(p.Kind))
}

// partHead is a heading that says what kind of part it is, so that it can be read again.
func (w *writer) partHead(p *document.Part) string {
	kind := w.say("part." + string(p.Kind))
	if p.Name == "" {
		return kind
	}
	return kind + ": " + p.Name
}

// yield is how much it makes, in words.
func (w *writer) yield() string {
	if w.d.Portions > 0 {
		return w.say("serves", "n", strconv.Itoa(w.d.Portions))
	}
	if w.baked.Yield.Pieces > 0 {
		return w.pieces("pieces")
	}
	return ""
}

func (w *writer) text(markdown bool) []byte {
	var b strings.Builder
	head := func(level int, text string) {
		if markdown {
			fmt.Fprintf(&b, "\n%s %s\n\n", strings.Repeat("#", level), escapeMarkdown(text))
			return
		}
		fmt.Fprintf(&b, "\n%s\n\n", text)
	}
	if markdown {
		fmt.Fprintf(&b, "# %s\n\n", escapeMarkdown(w.d.Name))
	} else {
		fmt.Fprintf(&b, "%s\n\n", w.d.Name)
	}
	if y := w.yield(); y != "" {
		fmt.Fprintln(&b, y)
	}
	list := func(lines []document.Line) {
		for i := range lines {
			fmt.Fprintf(&b, "- %s\n", w.line(&lines[i]))
		}
	}
	head(2, w.say("ingredients")+colon(markdown))
	list(w.d.Lines)
	for i := range w.d.Parts {
		p := &w.d.Parts[i]
		head(3, w.partHead(p)+colon(markdown))
		list(p.Lines)
	}
	if who := w.forWhom(); len(who) > 0 {
		head(2, w.say("for")+colon(markdown))
		for _, s := range who {
			fmt.Fprintf(&b, "%s\n", s)
		}
	}
	head(2, w.say("method")+colon(markdown))
	for i, s := range w.steps() {
		fmt.Fprintf(&b, "%d. %s\n", i+1, s)
	}
	fmt.Fprintf(&b, "\n%s\n", w.say("safety", "c", w.decimal(w.baked.Target.Celsius)))
	if w.d.Note != "" || len(w.d.Method) > 0 {
		head(2, w.say("note")+colon(markdown))
	}
	if w.d.Note != "" {
		fmt.Fprintln(&b, w.d.Note)
	}
	for i, m := range w.d.Method { // the recipe's own words
		if i == 0 {
			fmt.Fprintf(&b, "\n%s\n", w.say("words"))
		}
		fmt.Fprintf(&b, "%d. %s\n", i+1, m.Text)
	}
	return []byte(b.String())
}

// colon marks headings where no sign does.
func colon(markdown bool) string {
	if markdown {
		return ""
	}
	return ":"
}

func escapeMarkdown(s string) string {
	return strings.NewReplacer(`\`, `\\`, "*", `\*`, "_", `\_`, "[", `\[`, "<", `\<`, "#", `\#`, "`", "\\`").Replace(s)
}

// csv has a row a line, a kind of part where it is not the mix. A cell that a
// spreadsheet would take for a formula is set in quotes of its own.
func (w *writer) csv() ([]byte, error) {
	var b bytes.Buffer
	c := csv.NewWriter(&b)
	_ = c.Write([]string{"part", "food", "name", "grams", "prep"})
	rows := func(part string, lines []document.Line) {
		for i := range lines {
			l := &lines[i]
			var preps []string
			for _, p := range l.Prep {
				preps = append(preps, w.prep(p))
			}
			_ = c.Write([]string{harmless(part), l.Food, w.name(l.Food), strconv.FormatFloat(l.Grams, 'f', -1, 64), strings.Join(preps, ", ")})
		}
	}
	rows("", w.d.Lines)
	for i := range w.d.Parts {
		rows(w.partHead(&w.d.Parts[i]), w.d.Parts[i].Lines)
	}
	c.Flush()
	return b.Bytes(), c.Error()
}

func harmless(cell string) string {
	if cell != "" && strings.ContainsRune("=+-@\t\r", rune(cell[0])) {
		return "'" + cell
	}
	return cell
}

// jsonld writes a schema.org Recipe, with the build document itself as one of
// its encodings, so that Cuerda reads it back without loss.
func (w *writer) jsonld() ([]byte, error) {
	document, err := json.Marshal(w.d)
	if err != nil {
		return nil, err
	}
	type thing = map[string]any
	ingredients, instructions := []string{}, []thing{}
	for i := range w.d.Lines {
		ingredients = append(ingredients, w.line(&w.d.Lines[i]))
	}
	for i := range w.d.Parts {
		for j := range w.d.Parts[i].Lines {
			ingredients = append(ingredients, w.line(&w.d.Parts[i].Lines[j]))
		}
	}
	for _, s := range w.steps() {
		instructions = append(instructions, thing{"@type": "HowToStep", "text": s})
	}
	plate := dish.Assess(w.d, w.k)
	out := thing{
		"@context": "https://schema.org", "@type": "Recipe", "name": w.d.Name, "inLanguage": w.language,
		"recipeIngredient": ingredients, "recipeInstructions": instructions,
		"encoding": thing{"@type": "MediaObject", "encodingFormat": recipe.DocumentType, "text": string(document)},
		"nutrition": thing{
			"@type": "NutritionInformation", "servingSize": w.decimal(plate.Piece.Grams) + " g",
			"calories": fmt.Sprintf("%.0f kcal", plate.Piece.Facts.KCal), "proteinContent": grams(plate.Piece.Facts.Protein), "fatContent": grams(plate.Piece.Facts.Fat),
			"carbohydrateContent": grams(plate.Piece.Facts.Carb), "fiberContent": grams(plate.Piece.Facts.Fibre), "sodiumContent": fmt.Sprintf("%.0f mg", plate.Piece.Facts.Salt/2.5*1000),
		},
	}
	if y := w.yield(); y != "" {
		out["recipeYield"] = y
	}
	if w.d.Note != "" {
		out["description"] = w.d.Note
	}
	if w.baked.PullAt != nil {
		out["cookTime"] = fmt.Sprintf("PT%dM", int(math.Round(*w.baked.PullAt)))
	}
	if n := len(w.baked.Steps); n > 0 {
		out["totalTime"] = fmt.Sprintf("PT%dM", int(math.Round(w.baked.Steps[0].Before)))
	}
	return json.MarshalIndent(out, "", "  ")
}

func grams(x float64) string { return strconv.FormatFloat(math.Round(x*10)/10, 'f', -1, 64) + " g" }
