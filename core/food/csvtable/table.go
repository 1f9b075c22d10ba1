// Package csvtable reads the tables of figures that ship with a package. A broken one is a mistake of the program:
// it panics, and the first test finds it.
package csvtable

import (
	"encoding/csv"
	"fmt"
	"strconv"
	"strings"
)

// Rows gives the rows of a CSV table below its heading; lines that begin with # are left out.
func Rows(name, text string) [][]string {
	r := csv.NewReader(strings.NewReader(text))
	r.Comment = '#'
	rows, err := r.ReadAll()
	if err != nil || len(rows) == 0 {
		panic(fmt.Sprintf("table %s: no rows: %v", name, err))
	}
	return rows[1:]
}

// Number is the number in a cell.
func Number(name, cell string) float64 {
	v, err := strconv.ParseFloat(cell, 64)
	if err != nil {
		panic(fmt.Sprintf("table %s: %v", name, err))
	}
	return v
}
