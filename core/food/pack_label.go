package food

import (
	"fmt"
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

// OwnPrefix begins the ID of every food of a kitchen's own.
const OwnPrefix = "own-"

// Own is a food that a kitchen adds: like one of the catalogue in how it drinks and
// holds, with a name and a label of its own.
type Own struct {
	ID   string `json:"id" pattern:"^own-[a-z0-9-]{1,60}$"`
	Name string `json:"name" minLength:"1" maxLength:"80"`
	// Like is the food of the catalogue that it behaves most nearly as.
	Like string `json:"like" maxLength:"80"`
	// Label is what its pack says; nil takes what it is like.
	Label *PackLabel `json:"label,omitempty"`
	// Allergens that its label names, of EU Regulation 1169/2011, Annex II.
	Allergens []string `json:"allergens,omitempty" maxItems:"14"`
	// Gone says that it is no longer offered; builds that have it keep it.
	Gone bool `json:"gone,omitempty"`
}

// food makes the food, whose figures are no surer than kitchen practice and whose
// label is to be read.
func (o *Own) food(like *Food) Food {
	f := *like
	if o.Label != nil {
		f = o.Label.On(like)
	}
	f.ID, f.Name, f.NameES, f.Words, f.Packs = o.ID, o.Name, o.Name, nil, nil
	f.Grade, f.Provenance, f.Staple = "C", "own-label", 0
	f.Allergens = slices.Clone(o.Allergens)
	switch {
	case slices.Contains(o.Allergens, "gluten"):
		f.Gluten = "contains"
	default:
		f.Gluten = "risk"
	}
	f.Cautions = slices.Clone(like.Cautions)
	if !f.Has("check-label") {
		f.Cautions = append(f.Cautions, "check-label")
	}
	f.Own, f.Gone = o.Like, o.Gone
	return f
}

// With gives a catalogue in which own packs stand for their foods and own foods
// stand behind the others. The catalogue itself is unchanged. An unknown food, and
// an ID that is there already, is an error.
func (c *Catalogue) With(packs map[string]PackLabel, own []Own) (*Catalogue, error) {
	if len(packs) == 0 && len(own) == 0 {
		return c, nil
	}
	changed := map[string]*Food{}
	for id, p := range packs {
		f := c.Find(id)
		if f == nil {
			return nil, fmt.Errorf("%w: own pack of unknown food %q", ErrBadCatalogue, id)
		}
		labelled := p.On(f)
		changed[id] = &labelled
	}
	var more []*Food
	for i := range own {
		like := c.Find(own[i].Like)
		if like == nil || c.Find(own[i].ID) != nil || like.Own != "" {
			return nil, fmt.Errorf("%w: own food %q like %q", ErrBadCatalogue, own[i].ID, own[i].Like)
		}
		if slices.ContainsFunc(more, func(f *Food) bool { return f.ID == own[i].ID }) {
			return nil, fmt.Errorf("%w: food %q stands twice", ErrBadCatalogue, own[i].ID)
		}
		f := own[i].food(like)
		more = append(more, &f)
	}
	return c.differing(changed, more), nil
}
