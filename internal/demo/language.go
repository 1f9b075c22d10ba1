package demo

import (
	_ "embed"
	"encoding/json"
	"slices"

	"cuerda/core/formula"
)

//go:embed es.json
var spanishJSON []byte

var spanish = func() map[string]string {
	var out map[string]string
	if err := json.Unmarshal(spanishJSON, &out); err != nil {
		panic("demo: es.json: " + err.Error())
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
func In(language string, d *formula.Document) formula.Document {
	out := *d
	if language != "es" {
		return out
	}
	out.Name, out.Note = Say(d.Name, language), Say(d.Note, language)
	out.Parts = slices.Clone(d.Parts)
	for i := range out.Parts {
		out.Parts[i].Name = Say(out.Parts[i].Name, language)
	}
	if d.Eaters != nil {
		eaters := *d.Eaters
		eaters.People = slices.Clone(eaters.People)
		for i := range eaters.People {
			eaters.People[i].Name = Say(eaters.People[i].Name, language)
		}
		out.Eaters = &eaters
	}
	return out
}
