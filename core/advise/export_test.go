package advise

// UsualRow is a row of the table of usual amounts, for the tests.
type UsualRow struct {
	Most [uses]float64
	With []string
}

// UsualAmounts gives the table.
func UsualAmounts() map[string]UsualRow {
	out := map[string]UsualRow{}
	for id, u := range usualAmounts() {
		row := UsualRow{With: u.with}
		for i, a := range u.by {
			row.Most[i] = a.most
		}
		out[id] = row
	}
	return out
}
