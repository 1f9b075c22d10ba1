// Package phrases says the texts of the made-up kitchen in the language of a page. Only texts that ship with the
// program are known; what a cook wrote, or changed, stays as it is.
package phrases

import (
	_ "embed"
	"encoding/json"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/plan/supper"
)

//go:embed es.json
var spanishJSON []byte

var spanish = func() map[string]string {
	var out map[string]string
	if err := json.Unmarshal(spanishJSON, &out); err != nil {
		panic("phrases: es.json: " + err.Error())
	}
	return out
}()

// Say gives a text of the demonstration kitchen in that language; any other text, and
// what a cook has changed, stays as it is.
func Say(text, language string) string {
	if words, known := spanish[text]; known && language == "es" {
		return words
	}
	return text
}

// In gives a document with the demonstration's own words in that language: names of
// the build, of its parts and of those at the table, and its note.
func In(language string, d *document.Document) document.Document {
	out := *d
	if language != "es" {
		return out
	}
	out.Name, out.Note = Say(d.Name, language), Say(d.Note, language)
	out.Parts = slices.Clone(d.Parts)
	for i := range out.Parts {
		out.Parts[i].Name = Say(out.Parts[i].Name, language)
	}
	out.Eaters = peopleIn(language, d.Eaters)
	return out
}

// SupperIn gives a supper with the demonstration's own words in that language: its name, those of its
// dishes, wherever they stand, and those at the table.
func SupperIn(language string, d *supper.Supper) supper.Supper {
	out := *d
	if language != "es" {
		return out
	}
	out.Name = Say(d.Name, language)
	out.Dishes, out.Pins = slices.Clone(d.Dishes), slices.Clone(d.Pins)
	for i := range out.Dishes {
		out.Dishes[i].Name = Say(out.Dishes[i].Name, language)
	}
	for i := range out.Pins {
		out.Pins[i].Dish = Say(out.Pins[i].Dish, language)
	}
	out.Eaters = peopleIn(language, d.Eaters)
	return out
}

func peopleIn(language string, e *eaters.Eaters) *eaters.Eaters {
	if e == nil {
		return nil
	}
	out := *e
	out.People = slices.Clone(e.People)
	for i := range out.People {
		out.People[i].Name = Say(out.People[i].Name, language)
	}
	return &out
}
