package food

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"
)

// Trait is a fact of a food that its figures do not say and that rules go by.
type Trait string

// The traits, as traits.csv gives them: kitchen knowledge, grade C.
const (
	Classic     Trait = "classic"      // of recipes with egg and crumbs: gives way with them
	Curd        Trait = "curd"         // gives up more when pressed; its liquid makes no foam
	Liquid      Trait = "liquid"       // what gels are left in and grains boiled in
	LegumeTaste Trait = "legume-taste" // though it is no legume binder
	OfGrain     Trait = "of-grain"     // though it is no grain of the catalogue
	OwnStarch   Trait = "own-starch"   // shreds that their own starch glues and sets
	Porridge    Trait = "porridge"     // swells to porridge where there is much of it
	Rennet      Trait = "rennet"       // of an animal, unless its label says otherwise
	Seasons     Trait = "seasons"      // a liquid that is there for its taste
	SetsHot     Trait = "sets-hot"     // nearly all of its glue sets by heat
	SmallGrain  Trait = "small-grain"  // cooked, hardly breaks a paste
	SoyProduct  Trait = "soy-product"  // curd, cake or textured protein, no bean any more
	Sugar       Trait = "sugar"        // added sugar, whatever it is called
	Thins       Trait = "thins"        // makes a dry mix wetter by the spoon
)

//go:embed traits.csv
var traitsCSV string

// traitOrder is the order of the table: where it matters, the usual first.
var traitOrder []string

var traits = func() map[string][]Trait {
	known := []Trait{Classic, Curd, Liquid, LegumeTaste, OfGrain, OwnStarch, Porridge, Rennet, Seasons, SetsHot, SmallGrain, SoyProduct, Sugar, Thins}
	out := map[string][]Trait{}
	err := eachRow(traitsCSV, "food,traits", func(row []string) error {
		for _, word := range strings.Fields(row[1]) {
			if !slices.Contains(known, Trait(word)) {
				return fmt.Errorf("%w: trait %v", ErrBadCatalogue, row)
			}
			out[row[0]] = append(out[row[0]], Trait(word))
		}
		traitOrder = append(traitOrder, row[0])
		return nil
	})
	if err != nil {
		panic(err)
	}
	return out
}()

// Is says whether the food has a trait.
func (f *Food) Is(t Trait) bool { return slices.Contains(f.Traits, t) }

// Having gives the foods of the shared catalogue that have a trait, in the order of the
// table; a kitchen's own, which have those of what they are like, are not among them.
func (c *Catalogue) Having(t Trait) []*Food {
	var out []*Food
	for _, id := range traitOrder {
		if f := c.Find(id); f != nil && f.Is(t) {
			out = append(out, f)
		}
	}
	return out
}
