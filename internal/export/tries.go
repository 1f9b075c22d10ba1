package export

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"fmt"
	"strconv"
	"strings"
	"time"

	"cuerda/core/document"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
)

// Try is one of a logbook, as it is written.
type Try struct {
	ID       string
	CookedAt time.Time
	Document document.Document
	Found    logbook.Found
	// Chance is what was said of it, 0..1; nil where nothing was.
	Chance *float64
}

// TriesJSON writes tries as learn reads them.
func TriesJSON(all []Try) ([]byte, error) {
	out := make([]learn.FileTry, len(all))
	for i := range all {
		build, err := json.Marshal(&all[i].Document)
		if err != nil {
			return nil, err
		}
		found, err := json.Marshal(&all[i].Found)
		if err != nil {
			return nil, err
		}
		at := all[i].CookedAt
		out[i] = learn.FileTry{ID: all[i].ID, CookedAt: &at, Build: build, Found: found}
	}
	return json.MarshalIndent(out, "", " ")
}

// TriesCSV writes tries as values, one a row. Text that a spreadsheet would take for a formula is
// quoted.
func TriesCSV(all []Try, language string) ([]byte, error) {
	var out bytes.Buffer
	out.WriteString("\ufeff")
	w := csv.NewWriter(&out)
	say := triesIn(language)
	var head []string
	for _, c := range []string{"date", "dish", "outcome", "squeeze", "pieces", "broke", "minutes", "core", "oven", "before", "after", "bite", "said", "note"} {
		head = append(head, say(c))
	}
	if err := w.Write(head); err != nil {
		return nil, err
	}
	number := func(x *float64) string {
		if x == nil {
			return ""
		}
		return strconv.FormatFloat(*x, 'f', -1, 64)
	}
	count := func(n int, known bool) string {
		if !known {
			return ""
		}
		return strconv.Itoa(n)
	}
	for i := range all {
		t := &all[i]
		f := &t.Found
		broke := 0
		if f.Broke != nil {
			broke = f.Broke.All()
		}
		said := ""
		if t.Chance != nil {
			said = strconv.FormatFloat(100**t.Chance, 'f', 0, 64)
		}
		word := func(kind, w string) string {
			if w == "" {
				return ""
			}
			return say(kind + "." + w)
		}
		row := []string{
			t.CookedAt.Format(time.DateOnly), t.Document.Name, word("outcome", string(f.Outcome())), word("squeeze", string(f.Squeeze)), count(f.Pieces, f.Pieces > 0), count(broke, f.Broke != nil),
			number(f.OffAtMinutes), number(f.CoreCelsius), number(f.OvenCelsius), number(f.BeforeG), number(f.AfterG), word("bite", f.Bite), said, f.Note,
		}
		for n := range row {
			if _, err := strconv.ParseFloat(row[n], 64); err != nil {
				row[n] = harmless(row[n])
			}
		}
		if err := w.Write(row); err != nil {
			return nil, err
		}
	}
	w.Flush()
	return out.Bytes(), w.Error()
}

// TriesMarkdown writes tries as a diary, the first of all first.
func TriesMarkdown(all []Try, language string) []byte {
	var out strings.Builder
	word := triesIn(language)
	fmt.Fprintf(&out, "# %s\n", word("title"))
	for i := range all {
		t := &all[i]
		f := &t.Found
		fmt.Fprintf(&out, "\n## %s · %s\n\n", t.CookedAt.Format(time.DateOnly), oneLine(t.Document.Name))
		line := func(name, value string) {
			if value != "" {
				fmt.Fprintf(&out, "- %s: %s\n", word(name), value)
			}
		}
		line("outcome", word("outcome."+string(f.Outcome())))
		if t.Chance != nil {
			line("said", fmt.Sprintf("%.0f / 100", 100**t.Chance))
		}
		if f.Squeeze != "" {
			line("squeeze", word("squeeze."+string(f.Squeeze)))
		}
		if c, known := f.Both(); known && f.Broke != nil {
			line("broke", fmt.Sprintf("%d / %d", c.Of-c.Held, c.Of))
		}
		if f.OffAtMinutes != nil {
			line("minutes", fmt.Sprintf("%g", *f.OffAtMinutes))
		}
		if f.CoreCelsius != nil {
			line("core", fmt.Sprintf("%g", *f.CoreCelsius))
		}
		if pct, known := f.LossPct(); known {
			line("loss", fmt.Sprintf("%.0f %%", pct))
		}
		if f.Note != "" {
			fmt.Fprintf(&out, "\n> %s\n", strings.ReplaceAll(strings.TrimSpace(f.Note), "\n", "\n> "))
		}
	}
	return []byte(out.String())
}

func oneLine(s string) string { return strings.Join(strings.Fields(s), " ") }

// triesIn gives the words of the logbook in a language.
func triesIn(language string) func(word string) string {
	words := catalogue[language]
	if words == nil {
		words = catalogue["en"]
	}
	return func(word string) string { return words["try."+word] }
}
