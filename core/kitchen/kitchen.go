package kitchen

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/parameter"
)

// PantryItem is what a kitchen knows of one food.
type PantryItem struct {
	Food string `json:"food"`
	Have bool   `json:"have"`
	// PerKilo is the price of a kilo in the kitchen's currency; nil if unknown,
	// which is not the same as 0, for what costs nothing.
	PerKilo *float64 `json:"per_kilo,omitempty" minimum:"0" maximum:"100000"`
	// LabelRead lists what the label of the pack at hand was read for and found
	// free of, or good for: codes of allergens, diets and wants.
	LabelRead []string `json:"label_read,omitempty" maxItems:"30"`
	// Pack is the label of the kitchen's own pack, where it differs.
	Pack *food.PackLabel `json:"pack,omitempty"`
}

// Kitchen is what is known of one kitchen. It is shared and must not be changed.
type Kitchen struct {
	// Foods is the catalogue with the kitchen's own packs and own foods in it.
	Foods *food.Catalogue
	Settings
	// Parameters are those of its work, with what it has learned over the usual ones.
	Parameters *parameter.Set
	shelf      map[string]*PantryItem
	// Used counts the builds of the kitchen that have a food, by its ID; nil where
	// nobody counted.
	Used map[string]int
	// Own is what its tries add to the judge; nil where they taught nothing.
	Own   *mix.Own
	scoop float64
	plain *Kitchen
}

// New gives a kitchen of that catalogue, with items on its shelf. Items of foods
// that the catalogue does not know are left out. It fails where an own
// food is like none of the catalogue, or an own figure is none or out of its range.
func New(foods *food.Catalogue, s Settings, items []PantryItem, own ...food.Own) (*Kitchen, error) {
	k := &Kitchen{Settings: s, shelf: make(map[string]*PantryItem, len(items))}
	packs := map[string]food.PackLabel{}
	for i := range items {
		item := items[i]
		if item.Pack != nil && foods.Find(item.Food) != nil {
			packs[item.Food] = *item.Pack
		}
		k.shelf[item.Food] = &item
	}
	var err error
	if k.Parameters, err = s.parameters(); err != nil {
		return nil, err
	}
	if k.Foods, err = foods.With(packs, own); err != nil {
		return nil, err
	}
	for id := range k.shelf {
		if k.Foods.Find(id) == nil {
			delete(k.shelf, id)
		}
	}
	return k, nil
}

// Usual is a kitchen of the catalogue that ships with Cuerda, with usual
// settings and an empty shelf.
func Usual() *Kitchen {
	return &Kitchen{Foods: food.Starter(), Settings: UsualSettings(), Parameters: parameter.Usual()}
}

// Have says whether the food is at hand.
func (k *Kitchen) Have(id string) bool {
	item := k.shelf[id]
	return item != nil && item.Have
}

// LabelRead gives what the label of the food was read for.
func (k *Kitchen) LabelRead(id string) []string {
	if item := k.shelf[id]; item != nil {
		return item.LabelRead
	}
	return nil
}

// Price gives what a kilo of the food costs, and whether that is known. Tap
// water costs nothing.
func (k *Kitchen) Price(id string) (perKilo float64, known bool) {
	if item := k.shelf[id]; item != nil && item.PerKilo != nil {
		return *item.PerKilo, true
	}
	return 0, id == "water"
}

// With gives the same kitchen with other items in place of those of their foods.
func (k *Kitchen) With(items ...PantryItem) (*Kitchen, error) {
	all := slices.Clone(items)
	for id, item := range k.shelf {
		if !slices.ContainsFunc(items, func(i PantryItem) bool { return i.Food == id }) {
			all = append(all, *item)
		}
	}
	out, err := New(k.Foods, k.Settings, all)
	if err == nil {
		out.Parameters, out.Own, out.scoop, out.plain = k.Parameters, k.Own, k.scoop, k.plain
	}
	return out, err
}
