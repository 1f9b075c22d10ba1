package layout

import (
	_ "embed"
	"encoding/csv"
	"math"
	"slices"
	"strconv"
	"strings"
)

//go:embed labels.csv
var labelsCSV string

//go:embed follows.csv
var followsCSV string

// weights say how much a feature of a row speaks for each label: natural logarithms of odds, by sense
// and by what the recipes of core/recipe/testdata/cooks bear out.
var weights, featureNumbers = func() (out [][]float64, numbers map[string]int) {
	numbers = map[string]int{}
	for i, row := range readTable(labelsCSV, 1+len(Labels)) {
		numbers[row[0]] = i
		out = append(out, figuresOf(row[1:]))
	}
	return out, numbers
}()

// follows says how well each label goes before each other; the first row is the beginning of the text.
var follows = func() (out [][]float64) {
	for _, row := range readTable(followsCSV, 1+len(Labels)) {
		out = append(out, figuresOf(row[1:]))
	}
	return out
}()

func readTable(text string, columns int) [][]string {
	r := csv.NewReader(strings.NewReader(text))
	r.FieldsPerRecord, r.Comment = columns, '#'
	rows, err := r.ReadAll()
	if err != nil {
		panic("layout: " + err.Error()) // the tests read them
	}
	return rows[1:]
}

func figuresOf(cells []string) []float64 {
	out := make([]float64, len(cells))
	for i, c := range cells {
		switch c {
		case "":
		case "never":
			out[i] = math.Inf(-1)
		default:
			v, err := strconv.ParseFloat(c, 64)
			if err != nil {
				panic("layout: " + err.Error())
			}
			out[i] = v
		}
	}
	return out
}

func featureNumber(name string) int {
	n, there := featureNumbers[name]
	if !there {
		panic("layout: labels.csv has no row " + name)
	}
	return n
}

// choose gives every row its label: of all sequences the one with the highest sum.
func choose(rows []Row, told map[int]Label) {
	if len(rows) == 0 {
		return
	}
	n := len(Labels)
	best := make([]float64, n)
	back := make([][]uint8, len(rows))
	for i := range rows {
		own := scores(&rows[i], told[i])
		next := make([]float64, n)
		back[i] = make([]uint8, n)
		for to := range n {
			next[to] = math.Inf(-1)
			if i == 0 {
				next[to] = follows[0][to] + own[to]
				continue
			}
			for from := range n {
				step := follows[1+from][to]
				if math.IsInf(step, -1) && (told[i] != "" || told[i-1] != "") {
					step = -6 // what a cook says stands, in whatever order
				}
				if v := best[from] + step; v > next[to] {
					next[to], back[i][to] = v, uint8(from)
				}
			}
			next[to] += own[to]
		}
		best = next
	}
	at := uint8(0)
	for to := range n {
		if best[to] > best[at] {
			at = uint8(to)
		}
	}
	for i := len(rows) - 1; i >= 0; i-- {
		rows[i].Label = Labels[at]
		at = back[i][at]
	}
	for i := range rows {
		if rows[i].Label == Section {
			name, _ := strings.CutPrefix(rows[i].head, "section: ")
			if name == "" {
				name = strings.Trim(rows[i].Text, ":~ ")
			}
			rows[i].Section = name
		}
	}
}

// scores are what a row by itself says for each label; what a cook has told is all there is.
func scores(r *Row, told Label) []float64 {
	out := make([]float64, len(Labels))
	if told == None {
		for i, l := range Labels {
			if l != Before && l != Aside && l != After {
				out[i] = math.Inf(-1)
			}
		}
		return out
	}
	if k := slices.Index(Labels, told); k >= 0 {
		for i := range out {
			if i != k {
				out[i] = math.Inf(-1)
			}
		}
		return out
	}
	for _, f := range r.features {
		for i, w := range weights[f] {
			out[i] += w
		}
	}
	return out
}
