package food

import (
	"fmt"
	"maps"
	"slices"
)

// PackLabel is what the label of a cook's own pack says, g per 100 g, in the
// terms of EU Regulation 1169/2011, Annex XV: carbohydrate without fibre, and
// salt. Water is what is left.
type PackLabel struct {
	Fat     float64 `json:"fat" minimum:"0" maximum:"100"`
	Carb    float64 `json:"carb" minimum:"0" maximum:"100"`
	Fibre   float64 `json:"fibre" minimum:"0" maximum:"100"`
	Protein float64 `json:"protein" minimum:"0" maximum:"100"`
	Salt    float64 `json:"salt" minimum:"0" maximum:"100"`
	// GramsPerCup is the mass of a level US cup of it, g; 0 leaves the
	// catalogue's.
	GramsPerCup float64 `json:"g_per_cup,omitempty" minimum:"0" maximum:"1000"`
}

// Sum adds up what the label lists, g per 100 g.
func (p *PackLabel) Sum() float64 { return p.Fat + p.Carb + p.Fibre + p.Protein + p.Salt }

// Adds says whether the label can be true: its parts are no more than a food
// is, with a gram and a half of rounding.
func (p *PackLabel) Adds() bool { return p.Sum() <= 101.5 }

// On gives the food with the composition of the label. Ash that is not salt
// stays as the catalogue has it; water is the rest.
func (p *PackLabel) On(f *Food) Food {
	out := *f
	ash := max(p.Salt, f.Ash-f.Salt+p.Salt)
	out.Composition = Composition{
		Protein: p.Protein, Fat: p.Fat, Carb: p.Carb, Fibre: p.Fibre, Salt: p.Salt,
		Ash: min(ash, max(0, 100-p.Sum()+p.Salt)),
	}
	out.Water = max(0, 100-out.Sum())
	if p.GramsPerCup > 0 {
		out.GramsPerCup = p.GramsPerCup
	}
	return out
}

// With gives a catalogue in which own packs stand for their foods. The
// catalogue itself is unchanged. An unknown food is an error.
func (c *Catalogue) With(packs map[string]PackLabel) (*Catalogue, error) {
	if len(packs) == 0 {
		return c, nil
	}
	out := &Catalogue{foods: slices.Clone(c.foods), byID: maps.Clone(c.byID)}
	for i := range out.foods {
		f := &out.foods[i]
		if p, ok := packs[f.ID]; ok {
			*f = p.On(f)
		}
		out.byID[f.ID] = f
	}
	for id := range packs {
		if c.Find(id) == nil {
			return nil, fmt.Errorf("%w: own pack of unknown food %q", ErrBadCatalogue, id)
		}
	}
	for _, y := range c.yields {
		out.yields = append(out.yields, Yield{out.Find(y.Dry.ID), out.Find(y.Cooked.ID), y.Factor})
	}
	return out, nil
}
