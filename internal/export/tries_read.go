package export

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"regexp"
	"strconv"
	"strings"
	"time"

	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
)

// Written is a try that was read of a table or a diary: its build is told by name.
type Written struct {
	Dish string
	At   time.Time
	// Found is what stands there; counts of a diary are of all that broke, whenever.
	Found logbook.Found
}

// ErrNoTries is that of a file in which no try stands.
var ErrNoTries = errors.New("no try stands in the file")

// ReadTries reads what TriesCSV or TriesMarkdown wrote, in any language, and tables like it.
func ReadTries(text []byte) ([]Written, error) {
	text = bytes.TrimPrefix(text, []byte("\ufeff"))
	var out []Written
	var err error
	if bytes.HasPrefix(bytes.TrimSpace(text), []byte("#")) {
		out, err = readDiary(string(text))
	} else {
		out, err = readTable(text)
	}
	if err == nil && len(out) == 0 {
		err = ErrNoTries
	}
	return out, err
}

// formerly is what codes were called in exports of earlier versions, which are still read.
var formerly = map[string]string{
	"squeeze.short": "short", "squeeze.slack": "slack", "squeeze.corta": "short", "squeeze.floja": "slack",
}

// codeOf gives the code of a word of the logbook, in any language; "" where it is none.
func codeOf(group, word string) string {
	word = strings.ToLower(strings.TrimSpace(word))
	if code, ok := formerly[group+word]; ok {
		return code
	}
	for _, words := range catalogue {
		for key, said := range words {
			code, ok := strings.CutPrefix(key, "try."+group)
			if ok && said != "" && strings.ToLower(said) == word && (group != "" || !strings.Contains(code, ".")) {
				return code
			}
		}
	}
	return ""
}

func readTable(text []byte) ([]Written, error) {
	r := csv.NewReader(bytes.NewReader(text))
	r.FieldsPerRecord = -1
	if head, _, _ := bytes.Cut(text, []byte("\n")); bytes.Count(head, []byte(";")) > bytes.Count(head, []byte(",")) {
		r.Comma = ';'
	}
	rows, err := r.ReadAll()
	if err != nil || len(rows) == 0 {
		return nil, errors.Join(ErrNoTries, err)
	}
	if len(rows) > learn.MaxTries {
		return nil, fmt.Errorf("%d rows; at most %d are read", len(rows), learn.MaxTries)
	}
	var columns []string
	for _, cell := range rows[0] {
		columns = append(columns, codeOf("", cell))
	}
	var out []Written
	for n, row := range rows[1:] {
		values := map[string]string{}
		for i, cell := range row {
			if i < len(columns) && columns[i] != "" {
				values[columns[i]] = strings.TrimPrefix(strings.TrimSpace(cell), "'")
			}
		}
		w, err := writtenOf(values)
		if err != nil {
			return nil, fmt.Errorf("row %d: %w", n+2, err)
		}
		out = append(out, w)
	}
	return out, nil
}

var (
	entry = regexp.MustCompile(`^## (\d{4}-\d{2}-\d{2}) · (.+)$`)
	field = regexp.MustCompile(`^- ([^:]+): (.+)$`)
	share = regexp.MustCompile(`^(\d+) / (\d+)$`)
)

func readDiary(text string) (out []Written, err error) {
	var values map[string]string
	end := func() error {
		if values == nil {
			return nil
		}
		w, err := writtenOf(values)
		if err != nil {
			return fmt.Errorf("%s: %w", values["date"], err)
		}
		out = append(out, w)
		return nil
	}
	for line := range strings.Lines(text) {
		line = strings.TrimRight(line, "\r\n")
		switch {
		case entry.MatchString(line):
			if err := end(); err != nil {
				return nil, err
			}
			m := entry.FindStringSubmatch(line)
			values = map[string]string{"date": m[1], "dish": m[2]}
		case values != nil && field.MatchString(line):
			m := field.FindStringSubmatch(line)
			values[codeOf("", m[1])] = m[2]
		case values != nil && strings.HasPrefix(line, "> "):
			if values["note"] != "" {
				values["note"] += "\n"
			}
			values["note"] += line[2:]
		}
	}
	return out, errors.Join(end())
}

// writtenOf makes a try of its values.
func writtenOf(values map[string]string) (w Written, err error) {
	w.Dish = values["dish"]
	if w.Dish == "" {
		return w, errors.New("which dish is not said")
	}
	day, err := time.Parse(time.DateOnly, values["date"])
	if err != nil {
		return w, fmt.Errorf("%q is no day such as 2026-11-14", values["date"])
	}
	w.At = day.Add(18 * time.Hour)
	f := &w.Found
	f.Note = values["note"]
	f.Bite = codeOf("bite.", values["bite"])
	f.Squeeze = mix.Word(codeOf("squeeze.", values["squeeze"]))
	f.Hold = codeOf("outcome.", values["outcome"])
	if m := share.FindStringSubmatch(values["broke"]); m != nil {
		values["broke"], values["pieces"] = m[1], m[2]
	}
	number := func(name string) *float64 {
		x, e := strconv.ParseFloat(strings.Replace(values[name], ",", ".", 1), 64)
		if e != nil {
			if values[name] != "" {
				err = errors.Join(err, fmt.Errorf("%s: %q is no number", name, values[name]))
			}
			return nil
		}
		return &x
	}
	f.OffAtMinutes, f.CoreCelsius, f.OvenCelsius, f.BeforeG, f.AfterG = number("minutes"), number("core"), number("oven"), number("before"), number("after")
	if n := number("pieces"); n != nil {
		f.Pieces = int(*n)
	}
	if n := number("broke"); n != nil {
		// When they broke is not told: most break when they are turned.
		f.Broke = &logbook.Broke{Turning: int(*n)}
	}
	return w, errors.Join(err, f.Check())
}
