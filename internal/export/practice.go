package export

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"time"

	"cuerda/core/learn/practice"
	"cuerda/internal/archive"
	"cuerda/internal/store"
)

var practiceColumns = []string{"id", "at", "person", "kind", "skill", "off_words", "off_minutes", "sure", "right", "wet"}

// liesColumn is where the mix of a squeeze lies; a table may be without it.
const liesColumn = "lies_words"

// PracticeCSV writes calls, one a row, the first first. Text that a spreadsheet would take for a formula is quoted.
func PracticeCSV(all []store.Practised) ([]byte, error) {
	var out bytes.Buffer
	out.WriteString("\ufeff")
	w := csv.NewWriter(&out)
	if err := w.Write(append(slices.Clone(practiceColumns), liesColumn)); err != nil {
		return nil, err
	}
	number := func(x float64) string { return strconv.FormatFloat(x, 'f', -1, 64) }
	for i := range all {
		for j := range all[i].Calls {
			c := &all[i].Calls[j]
			lies := ""
			if c.Lies != nil {
				lies = number(*c.Lies)
			}
			if err := w.Write([]string{
				harmless(c.ID), c.At.UTC().Format(time.RFC3339Nano), harmless(all[i].Name), string(c.Kind), string(c.Skill), number(c.Off), number(c.OffMinutes),
				number(c.Sure), strconv.FormatBool(c.Right), strconv.FormatBool(c.Wet), lies,
			}); err != nil {
				return nil, err
			}
		}
	}
	w.Flush()
	return out.Bytes(), w.Error()
}

// PracticeRow is a call of a table, and whose it is.
type PracticeRow struct {
	Person string
	store.PracticeCall
}

// MaxPracticeRows is how many calls a table may hold.
const MaxPracticeRows = 100_000

// ReadPracticeCSV reads such a table; columns may stand in any order. An error names the row.
func ReadPracticeCSV(text []byte) ([]PracticeRow, error) {
	r := csv.NewReader(bytes.NewReader(bytes.TrimPrefix(text, []byte("\ufeff"))))
	r.FieldsPerRecord = -1
	head, err := r.Read()
	if err != nil {
		return nil, fmt.Errorf("no table: %w", err)
	}
	at := map[string]int{}
	for i, c := range head {
		at[strings.ToLower(strings.TrimSpace(c))] = i
	}
	for _, c := range practiceColumns {
		if _, ok := at[c]; !ok {
			return nil, fmt.Errorf("the column %s is missing", c)
		}
	}
	out := []PracticeRow{}
	for row := 2; ; row++ {
		cells, err := r.Read()
		if err == io.EOF {
			return out, nil
		}
		if err != nil {
			return nil, err
		}
		if len(out) == MaxPracticeRows {
			return nil, fmt.Errorf("more than %d calls", MaxPracticeRows)
		}
		one, err := practiceRow(func(c string) string {
			if i, ok := at[c]; ok && i < len(cells) { // spreadsheets leave out what is empty at the end
				return strings.TrimSpace(cells[i])
			}
			return ""
		})
		if err != nil {
			return nil, fmt.Errorf("row %d: %w", row, err)
		}
		out = append(out, one)
	}
}

func practiceRow(cell func(string) string) (out PracticeRow, err error) {
	number := func(c string) (x float64) {
		if err == nil {
			x, err = strconv.ParseFloat(cell(c), 64)
		}
		return x
	}
	truth := func(c string) (x bool) {
		if err == nil {
			x, err = strconv.ParseBool(strings.ToLower(cell(c)))
		}
		return x
	}
	when, err := time.Parse(time.RFC3339Nano, cell("at"))
	out.Person = strings.TrimPrefix(cell("person"), "'")
	out.ID, out.Number = strings.TrimPrefix(cell("id"), "'"), -1
	out.Call = practice.Call{Kind: practice.Kind(cell("kind")), Skill: practice.Skill(cell("skill")), At: when.UTC(),
		Off: number("off_words"), OffMinutes: number("off_minutes"), Sure: number("sure"), Right: truth("right"), Wet: truth("wet")}
	if cell(liesColumn) != "" {
		lies := number(liesColumn)
		out.Lies = &lies
	}
	if err == nil {
		err = archive.CheckCall(&out.PracticeCall)
	}
	if err == nil && len([]rune(out.Person)) > archive.MaxPersonName {
		err = fmt.Errorf("a name of more than %d characters", archive.MaxPersonName)
	}
	return out, err
}
