// Package senml reads and writes measurements as SenML (RFC 8428) in JSON: packs of records,
// whose base fields hold for all that follow.
package senml

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"strings"
	"time"
)

// MediaType is that of a pack in JSON.
const MediaType = "application/senml+json"

// MostRecords is how many a pack may hold.
const MostRecords = 2000

// Record is a measurement, resolved: with all that the base fields before it say.
type Record struct {
	Name  string
	Unit  string
	Value float64
	// At is when, where it is Absolute; else Offset is how long after now, s (below 0 before).
	Absolute bool
	At       time.Time
	Offset   float64
}

// raw is a record as it is sent. Fields that it may have and that nothing is made of here are
// read over, but those that must be understood, whose names end in _, are not.
type raw struct {
	BaseName    *string  `json:"bn,omitempty"`
	BaseTime    *float64 `json:"bt,omitempty"`
	BaseUnit    *string  `json:"bu,omitempty"`
	BaseValue   *float64 `json:"bv,omitempty"`
	BaseVersion *int     `json:"bver,omitempty"`
	Name        *string  `json:"n,omitempty"`
	Unit        *string  `json:"u,omitempty"`
	Value       *float64 `json:"v,omitempty"`
	Time        *float64 `json:"t,omitempty"`
}

// absolute is from when on a time is one and not an offset from now: section 4.5.3.
const absolute = 1 << 28

// version is the newest that is known: section 4.4.
const version = 10

// ErrMalformed is that of a pack that cannot be read at all.
var ErrMalformed = errors.New("no SenML pack")

// Read resolves a pack. Records without a number are left out, and counted.
func Read(data []byte) (out []Record, without int, err error) {
	var fields []map[string]json.RawMessage
	d := json.NewDecoder(bytes.NewReader(data))
	if err := d.Decode(&fields); err != nil {
		return nil, 0, fmt.Errorf("%w: %w", ErrMalformed, err)
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return nil, 0, fmt.Errorf("%w: more than one value", ErrMalformed)
	}
	if len(fields) == 0 || len(fields) > MostRecords {
		return nil, 0, fmt.Errorf("%w: %d records, not 1 to %d", ErrMalformed, len(fields), MostRecords)
	}
	var base struct {
		name, unit  string
		time, value float64
	}
	for i, f := range fields {
		for name := range f {
			if strings.HasSuffix(name, "_") {
				return nil, 0, fmt.Errorf("%w: record %d has %s, which has to be understood", ErrMalformed, i, name)
			}
		}
		text, err := json.Marshal(f)
		if err != nil {
			return nil, 0, fmt.Errorf("%w: %w", ErrMalformed, err)
		}
		var r raw
		if err := json.Unmarshal(text, &r); err != nil {
			return nil, 0, fmt.Errorf("%w: record %d: %w", ErrMalformed, i, err)
		}
		if r.BaseVersion != nil && *r.BaseVersion > version {
			return nil, 0, fmt.Errorf("%w: version %d is newer than %d", ErrMalformed, *r.BaseVersion, version)
		}
		set(&base.name, r.BaseName)
		set(&base.unit, r.BaseUnit)
		set(&base.time, r.BaseTime)
		set(&base.value, r.BaseValue)
		one := Record{Name: base.name, Unit: base.unit}
		if r.Name != nil {
			one.Name += *r.Name
		}
		set(&one.Unit, r.Unit)
		if r.Value == nil && r.BaseValue == nil {
			if r.Name != nil || r.BaseName == nil && r.BaseTime == nil && r.BaseUnit == nil {
				without++
			}
			continue
		}
		if !named(one.Name) {
			return nil, 0, fmt.Errorf("%w: record %d has no name that may be", ErrMalformed, i)
		}
		one.Value = base.value
		if r.Value != nil {
			one.Value += *r.Value
		}
		at := base.time
		if r.Time != nil {
			at += *r.Time
		}
		if math.Abs(at) >= absolute {
			whole, part := math.Modf(at)
			if math.Abs(whole) > 1e11 {
				return nil, 0, fmt.Errorf("%w: record %d has the time %g", ErrMalformed, i, at)
			}
			one.Absolute, one.At = true, time.Unix(int64(whole), int64(part*1e9)).UTC()
		} else {
			one.Offset = at
		}
		out = append(out, one)
	}
	return out, without, nil
}

func set[T any](to *T, from *T) {
	if from != nil {
		*to = *from
	}
}

// named says whether a name is one by section 4.5.1.
func named(name string) bool {
	if name == "" || len(name) > 200 {
		return false
	}
	for i, c := range name {
		letter := c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9'
		if !letter && (i == 0 || !strings.ContainsRune("-:./_", c)) {
			return false
		}
	}
	return true
}

// Write makes a pack of records, each with its own name and time.
func Write(records []Record) ([]byte, error) {
	out := make([]raw, len(records))
	for i := range records {
		r := &records[i]
		at := r.Offset
		if r.Absolute {
			at = float64(r.At.UnixMilli()) / 1000
		}
		out[i] = raw{Name: &r.Name, Unit: &r.Unit, Value: &r.Value, Time: &at}
	}
	return json.Marshal(out)
}
