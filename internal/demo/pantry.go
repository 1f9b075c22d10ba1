package demo

import (
	_ "embed"
	"encoding/csv"
	"strconv"
	"strings"

	"cuerda/core/kitchen"
)

//go:embed pantry.csv
var pantryCSV string

// Pantry is what the rowing club has on its shelf, the prices it pays for all its
// dishes need, and the labels it has read: all of it made up.
func Pantry() []kitchen.PantryItem {
	rows, err := csv.NewReader(strings.NewReader(pantryCSV)).ReadAll()
	if err != nil {
		panic("demo: pantry.csv: " + err.Error())
	}
	var out []kitchen.PantryItem
	for _, row := range rows[1:] {
		price, err := strconv.ParseFloat(row[1], 64)
		if err != nil {
			panic("demo: pantry.csv: " + err.Error())
		}
		item := kitchen.PantryItem{Food: row[0], PerKilo: &price, Have: row[2] == "have"}
		if row[3] != "" {
			item.LabelRead = strings.Split(row[3], ";")
		}
		out = append(out, item)
	}
	return out
}
