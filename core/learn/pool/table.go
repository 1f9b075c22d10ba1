package pool

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"math"
	"slices"

	"gonum.org/v1/gonum/floats/scalar"

	"cuerda/core/food"
	"cuerda/core/learn"
)

// Format names the format of a table: docs/formats/figures.md.
const Format = "cuerda-figures/1"

// The kinds of figures.
const (
	Water = "water" // how much wetter a food is, g per 100 g
	Drink = "drink" // the natural logarithm of how much water it takes up, against the catalogue
)

// Least is how many households stand behind a figure at least.
const Least = 20

// Table is what many kitchens know of foods.
type Table struct {
	Format  string     `json:"format"`
	Made    Provenance `json:"made"`
	Figures []Figure   `json:"figures"`
}

// Provenance is what a table was made of. Numbers of households and tries are rounded down, to tens and hundreds.
type Provenance struct {
	// Program is the version that made it, and Month when, such as 2026-12.
	Program    string `json:"program"`
	Month      string `json:"month"`
	Households int    `json:"households"`
	Tries      int    `json:"tries"`
	// Held is how well tries of households are predicted that had no part in a table made the same way.
	Held Held `json:"held_out"`
}

// Held are mean squares of the chance that was said less the share of pieces that held, over tries of which somebody counted
// that, each household for as much as another: by the catalogue alone, and by tables made without the household itself.
type Held struct {
	Tries   int     `json:"tries"`
	Without float64 `json:"without"`
	With    float64 `json:"with"`
}

// Better says whether a table helps those that had no part in it.
func (h *Held) Better() bool { return h.Tries > 0 && h.With < h.Without }

// Figure is one of a food, off the catalogue's.
type Figure struct {
	Food string `json:"food"`
	// Kind is water or drink, and Of what it is known by: "food", or "group" where too little was told of the food itself, so
	// that its value leans on foods like it.
	Kind string `json:"kind"`
	Of   string `json:"of"`
	// Value is how far it is off: points of g per 100 g for water, -40..40; a natural logarithm for drink, -1.5..1.5.
	Value float64 `json:"value"`
	// SD is one standard deviation of Value, the noise in it included, and Between that of a kitchen about it.
	SD      float64 `json:"sd"`
	Between float64 `json:"between"`
	// Households is how many are behind it, rounded down to tens.
	Households int `json:"households"`
}

// ID is the same for the same table, and another for any other.
func (t *Table) ID() string {
	text, err := json.Marshal(t)
	if err != nil {
		panic(err) // a table that was read or fitted holds numbers alone
	}
	sum := sha256.Sum256(text)
	return hex.EncodeToString(sum[:6])
}

// known is how well a figure of a food is known at least, in what single kitchens are off by: nine in ten such are then within
// half of that.
const known = .3

// What a figure is known by.
const (
	OfFood  = "food"
	OfGroup = "group"
)

// ErrTable says why a table is not taken.
var ErrTable = errors.New("this is no table of figures that Cuerda can go by")

// Read reads a table and holds it to its format. Foods that the catalogue does not know are left for Deviations to skip.
func Read(text []byte) (*Table, error) {
	t := &Table{}
	if err := json.Unmarshal(text, t); err != nil {
		return nil, errors.Join(ErrTable, err)
	}
	if t.Format != Format {
		return nil, fmt.Errorf("%w: its format is %q, not %s", ErrTable, t.Format, Format)
	}
	seen := map[string]bool{}
	for i := range t.Figures {
		f := &t.Figures[i]
		most := map[string]float64{Water: 40, Drink: 1.5}[f.Kind]
		switch key := f.Kind + ":" + f.Food; {
		case most == 0, f.Of != OfFood && f.Of != OfGroup, f.Food == "":
			return nil, fmt.Errorf("%w: figure %d is of no kind that is known", ErrTable, i)
		case seen[key]:
			return nil, fmt.Errorf("%w: %s stands in it twice", ErrTable, key)
		case !(math.Abs(f.Value) <= most), !(f.SD > 0 && f.SD <= most), !(f.Between > 0 && f.Between <= most):
			return nil, fmt.Errorf("%w: %s is out of bounds", ErrTable, key)
		case f.Households < Least:
			return nil, fmt.Errorf("%w: fewer than %d households are behind %s", ErrTable, Least, key)
		default:
			seen[key] = true
		}
	}
	return t, nil
}

// Deviations is how the foods of a catalogue are by the table, with what kitchens differ by as their spread.
func (t *Table) Deviations(c *food.Catalogue) map[string]food.Deviation {
	out := map[string]food.Deviation{}
	for i := range t.Figures {
		f := &t.Figures[i]
		one := c.Find(f.Food)
		if one == nil {
			continue
		}
		d := out[f.Food]
		// Nobody is surer of a food for having asked many: but no table makes one less sure than the catalogue.
		spread := math.Hypot(f.SD, f.Between)
		if f.Kind == Water {
			d.Water, d.WaterSD = f.Value, min(spread, one.WaterSD())
		} else {
			was, _ := one.DrinkSD()
			d.Drink, d.DrinkSD = f.Value, min(spread, was)
		}
		out[f.Food] = d
	}
	return out
}

// figuresOf writes an estimate down, for all figures of a catalogue. draw gives noise: numbers of a Laplace distribution with a scale of one.
func (f *fit) figuresOf(all []learn.FoodFigure, draw func() float64) []Figure {
	out := []Figure{}
	pulled, told := f.pulled()
	byGroup, number := map[string][]int{}, map[string]int{}
	for i, group := range f.group {
		byGroup[group], number[f.figures[i].ID] = append(byGroup[group], i), i
	}
	type average struct {
		mean, variance, noise float64
		households            int
	}
	groups := map[string]average{}
	for name, members := range byGroup {
		g := average{households: f.behind(members...)}
		g.mean, g.variance = f.ofGroup(members, pulled, told)
		g.noise = f.moves(f.groupWeights(members).AtVec)
		groups[name] = g
	}
	for _, name := range slices.Sorted(maps.Keys(groups)) {
		g := groups[name]
		g.mean += g.noise * draw()
		groups[name] = g
	}
	for _, one := range all {
		kind, g := kindOf(one.ID), groups[groupOf(&one)]
		p := f.parts[kind]
		i, told := number[one.ID]
		told = told && f.behind(i) >= Least
		figure := Figure{Food: one.Food.ID, Kind: kind, Of: OfFood}
		switch {
		case told:
			noise := f.moves(func(j int) float64 { return f.spread.At(i, j) })
			figure.Value = one.SD * (f.mean.AtVec(i) + noise*draw())
			figure.SD, figure.Households = one.SD*math.Sqrt(f.spread.At(i, i)+2*noise*noise), f.behind(i)
			if figure.SD > known*one.SD {
				figure.Of = OfGroup
			}
		case g.households >= Least:
			figure.Of, figure.Value = OfGroup, one.SD*g.mean
			figure.SD, figure.Households = one.SD*math.Sqrt(g.variance+p.foods+2*g.noise*g.noise), g.households
		default:
			continue
		}
		figure.Between = round(one.SD * math.Sqrt(p.kitchens))
		figure.Value, figure.SD, figure.Households = round(figure.Value), max(round(figure.SD), .001), figure.Households/10*10
		out = append(out, figure)
	}
	return out
}

// round leaves three places: no more is known.
func round(v float64) float64 { return scalar.Round(v, 3) }
