package parameter

import (
	"bytes"
	_ "embed"
	"encoding/csv"
	"fmt"
	"maps"
	"math"
	"reflect"
	"slices"
	"strconv"

	"cuerda/core/food"
)

// Entry is one row of the table.
type Entry struct {
	ID    string
	Value float64
	Unit  string
	// Grade is A (measured and published), B (derived) or C (practice and judgement).
	Grade food.Grade
	// Low and High bound what may be believed of it.
	Low, High float64
	Source    string
}

// UnknownError names a figure that there is none of.
type UnknownError struct{ ID string }

func (e *UnknownError) Error() string { return fmt.Sprintf("there is no figure %q", e.ID) }

// RangeError says that a figure lies where nobody would believe it.
type RangeError struct {
	Entry
	Got float64
}

func (e *RangeError) Error() string {
	return fmt.Sprintf("%s is %g %s; it should lie between %g and %g", e.ID, e.Got, e.Unit, e.Low, e.High)
}

//go:embed parameters.csv
var source []byte

// table is read once; a test holds it and the fields of Set to each other.
var table = func() []Entry {
	rows, err := csv.NewReader(bytes.NewReader(source)).ReadAll()
	if err != nil {
		panic("parameter: parameters.csv: " + err.Error())
	}
	out := make([]Entry, 0, len(rows)-1)
	for _, row := range rows[1:] {
		e := Entry{ID: row[0], Unit: row[2], Grade: food.Grade(row[3]), Source: row[6]}
		for column, to := range map[int]*float64{1: &e.Value, 4: &e.Low, 5: &e.High} {
			if *to, err = strconv.ParseFloat(row[column], 64); err != nil {
				panic("parameter: parameters.csv: " + e.ID + ": " + err.Error())
			}
		}
		out = append(out, e)
	}
	return out
}()

var usual = func() *Set {
	s := new(Set)
	for i := range table {
		if to := s.at(table[i].ID); to != nil {
			*to = table[i].Value
		}
	}
	return s
}()

// Usual gives the figures of the table.
func Usual() *Set { return usual }

// Entries lists the table, in its order.
func Entries() []Entry { return slices.Clone(table) }

// Find gives the entry of that ID.
func Find(id string) (Entry, bool) {
	i := slices.IndexFunc(table, func(e Entry) bool { return e.ID == id })
	if i < 0 {
		return Entry{}, false
	}
	return table[i], true
}

// Get gives the figure of that ID; false where there is none.
func (s *Set) Get(id string) (float64, bool) {
	if at := s.at(id); at != nil {
		return *at, true
	}
	return 0, false
}

// With gives the same figures with others in place of those of their IDs. It fails with
// an *UnknownError or a *RangeError, the first by ID.
func (s *Set) With(own map[string]float64) (*Set, error) {
	out := *s
	for _, id := range slices.Sorted(maps.Keys(own)) {
		e, known := Find(id)
		if !known {
			return nil, &UnknownError{id}
		}
		v := own[id]
		if math.IsNaN(v) || v < e.Low || v > e.High {
			return nil, &RangeError{e, v}
		}
		*out.at(id) = v
	}
	return &out, nil
}

// at gives where the figure of that ID stands.
func (s *Set) at(id string) *float64 {
	groups := reflect.ValueOf(s).Elem()
	for i := range groups.NumField() {
		group := groups.Field(i)
		for j := range group.NumField() {
			if group.Type().Field(j).Tag.Get("parameter") == id {
				return group.Field(j).Addr().Interface().(*float64)
			}
		}
	}
	return nil
}
