package food

import (
	_ "embed"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"sync"

	"github.com/agnivade/levenshtein"
)

//go:embed foods.csv
var starterCSV string

// ErrBadCatalogue is wrapped by every error of ReadCatalogue.
var ErrBadCatalogue = errors.New("bad food catalogue")

// Catalogue is a set of foods by their ID, in a fixed order. It is safe for
// use by several goroutines.
type Catalogue struct {
	// foods are shared with the catalogues that differ from this one by some of them: none is ever changed.
	foods []*Food
	// byID are the foods that are not as in the catalogue that this one differs from.
	byID   map[string]*Food
	from   *Catalogue
	yields []Yield
}

// Starter gives the catalogue that ships with the program, with what builds of known
// outcome taught about its figures.
var Starter = sync.OnceValue(func() *Catalogue {
	c, err := judged()
	if err == nil {
		err = c.learn()
	}
	if err != nil {
		panic(err) // the embedded tables are checked by the tests
	}
	return c
})

// AsJudged gives the same catalogue with the figures as its rows have them, before any
// outcome.
var AsJudged = sync.OnceValue(func() *Catalogue {
	c, err := judged()
	if err != nil {
		panic(err)
	}
	return c
})

func judged() (*Catalogue, error) {
	c, err := ReadCatalogue(strings.NewReader(starterCSV))
	if err != nil {
		return nil, err
	}
	return c, c.readTables()
}

// Foods gives every food in catalogue order. The slice must not be changed.
func (c *Catalogue) Foods() []*Food { return c.foods }

// Find gives the food with that ID, or nil.
func (c *Catalogue) Find(id string) *Food {
	for ; c != nil; c = c.from {
		if f := c.byID[id]; f != nil {
			return f
		}
	}
	return nil
}

// differing gives a catalogue like this one with some of its foods otherwise, by ID, and some behind the others.
func (c *Catalogue) differing(changed map[string]*Food, more []*Food) *Catalogue {
	out := &Catalogue{foods: make([]*Food, 0, len(c.foods)+len(more)), byID: changed, from: c}
	for _, f := range c.foods {
		if other := changed[f.ID]; other != nil {
			f = other
		}
		out.foods = append(out.foods, f)
	}
	for _, f := range more {
		out.foods, out.byID[f.ID] = append(out.foods, f), f
	}
	for _, y := range c.yields {
		y.Dry, y.Cooked = out.Find(y.Dry.ID), out.Find(y.Cooked.ID)
		out.yields = append(out.yields, y)
	}
	return out
}

// Nearest gives the ID that is most like a word that is no ID, comparing with
// IDs and with names in both languages; "" where nothing is near.
func (c *Catalogue) Nearest(word string) string {
	if len(word) > 80 {
		return ""
	}
	word = strings.ToLower(strings.TrimSpace(word))
	hyphened := strings.ReplaceAll(strings.ReplaceAll(word, " ", "-"), "_", "-")
	best, bestScore := "", 1.0
	for i := range c.foods {
		f := c.foods[i]
		candidates := [3]string{f.ID, strings.ToLower(f.Name), strings.ToLower(f.NameES)}
		for j, cand := range candidates {
			w := word
			if j == 0 {
				w = hyphened
			}
			score := float64(levenshtein.ComputeDistance(w, cand)) / float64(max(len(w), len(cand)))
			if len(w) >= 4 && (strings.HasPrefix(cand, w) || strings.Contains(cand, "-"+w)) {
				score = min(score, 0.25)
			}
			if score < bestScore {
				best, bestScore = f.ID, score
			}
		}
	}
	if bestScore > 0.5 {
		return ""
	}
	return best
}

var columns = []string{
	"id", "name", "name_es", "group", "state", "water", "protein", "fat", "carb",
	"fibre", "ash", "salt", "g_per_cup", "g_per_piece", "piece", "p", "l", "tau",
	"chunk", "leak", "oil", "glue_cold", "glue_hot", "set_c", "max_pct",
	"allergens", "source", "gluten", "caution", "saute_loss", "grade", "figures",
}

// ReadCatalogue reads a food table in CSV with the columns of foods.csv. It
// refuses unknown or missing columns, doubled IDs and figures out of range,
// naming the row.
func ReadCatalogue(r io.Reader) (*Catalogue, error) {
	cr := csv.NewReader(r)
	cr.ReuseRecord = true
	head, err := cr.Read()
	if err != nil {
		return nil, fmt.Errorf("%w: header: %w", ErrBadCatalogue, err)
	}
	if !slices.Equal(head, columns) {
		return nil, fmt.Errorf("%w: columns are %v, want %v", ErrBadCatalogue, head, columns)
	}
	c := &Catalogue{byID: map[string]*Food{}}
	seen := map[string]bool{}
	for {
		row, err := cr.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, fmt.Errorf("%w: %w", ErrBadCatalogue, err)
		}
		f, err := parseFood(row)
		if err != nil {
			return nil, fmt.Errorf("%w: food %q: %w", ErrBadCatalogue, row[0], err)
		}
		if seen[f.ID] {
			return nil, fmt.Errorf("%w: food %q stands twice", ErrBadCatalogue, f.ID)
		}
		seen[f.ID] = true
		c.foods = append(c.foods, &f)
	}
	for i := range c.foods {
		c.foods[i].Traits = traits[c.foods[i].ID]
		c.foods[i].texture()
		c.byID[c.foods[i].ID] = c.foods[i]
	}
	return c, nil
}

func parseFood(row []string) (Food, error) {
	f := Food{
		ID: row[0], Name: row[1], NameES: row[2], Group: Group(row[3]), State: State(row[4]),
		PieceName: row[14], Allergens: list(row[25]), Source: row[26], Gluten: row[27],
		Cautions: list(row[28]), Grade: Grade(row[30]), Provenance: row[31],
	}
	if f.ID == "" || f.Name == "" || f.NameES == "" {
		return f, errors.New("id and both names are needed")
	}
	if !slices.Contains(Groups, f.Group) {
		return f, fmt.Errorf("unknown group %q", f.Group)
	}
	var errs []error
	number := func(col int, low, high float64) float64 {
		if row[col] == "" {
			return 0
		}
		v, err := strconv.ParseFloat(row[col], 64)
		if err != nil || !(v >= low && v <= high) {
			errs = append(errs, fmt.Errorf("%s is %q, want %g..%g", columns[col], row[col], low, high))
		}
		return v
	}
	f.Composition = Composition{
		Water: number(5, 0, 100), Protein: number(6, 0, 100), Fat: number(7, 0, 100),
		Carb: number(8, 0, 100), Fibre: number(9, 0, 100), Ash: number(10, 0, 100),
		Salt: number(11, 0, 100),
	}
	f.GramsPerCup, f.GramsPerPiece = number(12, 1, 1000), number(13, 0.1, 5000)
	f.Paste = Paste{
		Plastic: number(15, 0, 20), Liquid: number(16, 0, 40), Tau: number(17, 0, 600),
		Chunk: number(18, 0, 0.99), Leak: number(19, 0, 1), Oil: number(20, 0, 1),
		GlueCold: number(21, 0, 5), GlueHot: number(22, 0, 5),
		Sets: row[23] != "", SetC: number(23, 20, 120),
	}
	f.MaxPct = number(24, 0, 100)
	f.SauteLoss = number(29, 0, 0.9)
	if f.Liquid < f.Plastic {
		errs = append(errs, errors.New("l is below p"))
	}
	return f, errors.Join(errs...)
}

func list(cell string) []string {
	if cell == "" {
		return nil
	}
	return strings.Split(cell, ";")
}
