package food

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"slices"
	"strconv"
	"strings"
)

//go:embed words.csv
var wordsCSV string

//go:embed yields.csv
var yieldsCSV string

//go:embed packs.csv
var packsCSV string

//go:embed staples.csv
var staplesCSV string

//go:embed soaks.csv
var soaksCSV string

//go:embed many_alike.csv
var manyAlikeCSV string

// rare is the share of kitchens that have what staples.csv does not name.
const rare = 0.05

// Yield is what a dry food becomes when it is cooked or soaked, g per g:
// kitchen practice within what published yield tables span.
type Yield struct {
	Dry, Cooked *Food
	Factor      float64
	// SoakHours are how long it is left in water first, h, BoilMinutes how long it is boiled then, min: kitchen practice.
	SoakHours, BoilMinutes float64
}

// Pack is a size in which a food is sold. Drained is what is left of Total
// without its liquid, g; the same where it has none.
type Pack struct {
	Name           string // can, carton, block, bag, box or tub
	Total, Drained float64
}

// Yields gives every yield of the catalogue. The slice must not be changed.
func (c *Catalogue) Yields() []Yield { return c.yields }

// FromDry gives the yields that lead to the food.
func (c *Catalogue) FromDry(f *Food) []Yield {
	var out []Yield
	for _, y := range c.yields {
		if y.Cooked == f {
			out = append(out, y)
		}
	}
	return out
}

// readTables adds other names, yields and packs to the starter catalogue.
func (c *Catalogue) readTables() error {
	for id := range traits {
		if c.Find(id) == nil {
			return fmt.Errorf("%w: traits for unknown food %q", ErrBadCatalogue, id)
		}
	}
	err := eachRow(wordsCSV, "food,en,es", func(row []string) error {
		f := c.Find(row[0])
		if f == nil {
			return fmt.Errorf("%w: words for unknown food %q", ErrBadCatalogue, row[0])
		}
		f.Words = map[string][]string{"en": list(row[1]), "es": list(row[2])}
		return nil
	})
	if err != nil {
		return err
	}
	err = eachRow(yieldsCSV, "dry,cooked,factor,soak_h,boil_min", func(row []string) error {
		y := Yield{Dry: c.Find(row[0]), Cooked: c.Find(row[1])}
		var err error
		if y.Factor, err = strconv.ParseFloat(row[2], 64); err != nil || y.Dry == nil || y.Cooked == nil {
			return fmt.Errorf("%w: yield %v", ErrBadCatalogue, row)
		}
		var err1, err2 error
		y.SoakHours, err1 = strconv.ParseFloat(row[3], 64)
		if y.BoilMinutes, err2 = strconv.ParseFloat(row[4], 64); err1 != nil || err2 != nil || y.SoakHours < 0 || y.BoilMinutes < 0 {
			return fmt.Errorf("%w: yield %v", ErrBadCatalogue, row)
		}
		c.yields = append(c.yields, y)
		return nil
	})
	if err != nil {
		return err
	}
	for i := range c.foods {
		c.foods[i].Staple = rare
	}
	err = eachRow(staplesCSV, "food,share", func(row []string) error {
		f := c.Find(row[0])
		share, err := strconv.ParseFloat(row[1], 64)
		if f == nil || err != nil || share < 0 || share > 1 {
			return fmt.Errorf("%w: staple %v", ErrBadCatalogue, row)
		}
		f.Staple = share
		return nil
	})
	if err != nil {
		return err
	}
	err = eachRow(soaksCSV, "food,gain,hours", func(row []string) error {
		f := c.Find(row[0])
		gain, err1 := strconv.ParseFloat(row[1], 64)
		hours, err2 := strconv.ParseFloat(row[2], 64)
		if f == nil || err1 != nil || err2 != nil || gain <= 0 || hours <= 0 {
			return fmt.Errorf("%w: soak %v", ErrBadCatalogue, row)
		}
		f.SoakGain, f.SoakHours = gain, hours
		return nil
	})
	if err != nil {
		return err
	}
	err = eachRow(manyAlikeCSV, "food", func(row []string) error {
		f := c.Find(row[0])
		if f == nil {
			return fmt.Errorf("%w: many alike %v", ErrBadCatalogue, row)
		}
		f.ManyAlike = true
		return nil
	})
	if err != nil {
		return err
	}
	return eachRow(packsCSV, "food,pack,total_g,drained_g", func(row []string) error {
		f := c.Find(row[0])
		total, err1 := strconv.ParseFloat(row[2], 64)
		drained, err2 := strconv.ParseFloat(row[3], 64)
		if f == nil || err1 != nil || err2 != nil || drained > total {
			return fmt.Errorf("%w: pack %v", ErrBadCatalogue, row)
		}
		f.Packs = append(f.Packs, Pack{row[1], total, drained})
		return nil
	})
}

func eachRow(table, head string, take func(row []string) error) error {
	rows, err := csv.NewReader(strings.NewReader(table)).ReadAll()
	if err != nil {
		return fmt.Errorf("%w: %w", ErrBadCatalogue, err)
	}
	if !slices.Equal(rows[0], strings.Split(head, ",")) {
		return fmt.Errorf("%w: columns are %v, want %s", ErrBadCatalogue, rows[0], head)
	}
	for _, row := range rows[1:] {
		if err := take(row); err != nil {
			return err
		}
	}
	return nil
}
