package learn

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"time"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/learn/logbook"
)

// MaxTries is how many tries are read from one file at most.
const MaxTries = 20_000

// TryError says which try of a file cannot be read, and why.
type TryError struct {
	Index int // from 0; -1 for the file as a whole
	Err   error
}

func (e *TryError) Error() string {
	if e.Index < 0 {
		return e.Err.Error()
	}
	return fmt.Sprintf("try %d: %v", e.Index+1, e.Err)
}

func (e *TryError) Unwrap() error { return e.Err }

// FileTry is a try as files hold it.
type FileTry struct {
	ID       string          `json:"id,omitempty"`
	CookedAt *time.Time      `json:"cooked_at,omitempty"`
	Build    json.RawMessage `json:"build"`
	Found    json.RawMessage `json:"found"`
}

// ReadTries reads a list of tries, strictly; a *TryError for the first that cannot be used. Tries
// without a time follow one another; those without an ID are told by their place, from 1.
func ReadTries(text []byte, foods *food.Catalogue) ([]Try, error) {
	var all []FileTry
	if err := strictly(text, &all); err != nil {
		return nil, &TryError{-1, err}
	}
	if len(all) > MaxTries {
		return nil, &TryError{-1, fmt.Errorf("%d tries; at most %d are read", len(all), MaxTries)}
	}
	out := make([]Try, len(all))
	for i, t := range all {
		d, err := document.Read(t.Build, foods)
		if err != nil {
			return nil, &TryError{i, err}
		}
		found, err := ReadFound(t.Found)
		if err != nil {
			return nil, &TryError{i, err}
		}
		out[i] = Try{ID: t.ID, At: time.Unix(int64(i), 0), Document: d, Found: found}
		if t.ID == "" {
			out[i].ID = fmt.Sprint(i + 1)
		}
		if t.CookedAt != nil {
			out[i].At = *t.CookedAt
		}
	}
	return out, nil
}

// ReadFound reads how a try came out; nothing at all is nothing found.
func ReadFound(text []byte) (*logbook.Found, error) {
	var out logbook.Found
	if len(bytes.TrimSpace(text)) > 0 {
		if err := strictly(text, &out); err != nil {
			return nil, err
		}
	}
	return &out, out.Check()
}

func strictly(text []byte, to any) error {
	d := json.NewDecoder(bytes.NewReader(text))
	d.DisallowUnknownFields()
	if err := d.Decode(to); err != nil {
		return err
	}
	if _, err := d.Token(); err != io.EOF {
		return fmt.Errorf("something follows the JSON value")
	}
	return nil
}
