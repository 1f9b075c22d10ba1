package supper

import (
	"cmp"
	"slices"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict/dish"
)

// Purchase is a food to buy for the whole supper.
type Purchase struct {
	dish.Purchase
	// Dishes are those it is for.
	Dishes []int
	Aisle  Aisle
	// Suits is another dish of the supper that what is left of a pack would go into: a side first, or one that
	// has a food of the same kind; -1 for none.
	Suits int
}

// Aisle is where a food stands in a shop.
type Aisle string

// The aisles, in the order that one goes through a shop.
const (
	Produce   Aisle = "produce"
	Counter   Aisle = "counter" // meat and fish
	Chilled   Aisle = "chilled"
	Cans      Aisle = "cans" // and jars and cartons
	Dry       Aisle = "dry"
	Seasoning Aisle = "seasoning" // and oils
)

// Aisles lists every aisle, in the order that one goes through a shop.
var Aisles = []Aisle{Produce, Counter, Chilled, Cans, Dry, Seasoning}

// shop merges what the dishes need: packs are rounded up once for all of them.
func shop(all []openedDish, k *kitchen.Kitchen) []Purchase {
	var amounts []dish.Amount
	var dishes [][]int
	for i := range all {
		for _, a := range all[i].amounts {
			at := slices.IndexFunc(amounts, a.Like)
			if at < 0 {
				amounts, dishes = append(amounts, a), append(dishes, []int{i})
				continue
			}
			amounts[at].Grams += a.Grams
			if !slices.Contains(dishes[at], i) {
				dishes[at] = append(dishes[at], i)
			}
		}
	}
	out := make([]Purchase, len(amounts))
	for i := range amounts {
		f := k.Foods.Find(amounts[i].Food)
		out[i] = Purchase{dish.Buy(amounts[i], k), dishes[i], aisleOf(f), -1}
		if out[i].LeftG >= worthUsing {
			out[i].Suits = suits(all, f, dishes[i])
		}
	}
	slices.SortStableFunc(out, func(a, b Purchase) int {
		return cmp.Compare(slices.Index(Aisles, a.Aisle), slices.Index(Aisles, b.Aisle))
	})
	return out
}

// worthUsing is from how much on the rest of a pack goes into another dish, g.
const worthUsing = 20

func suits(all []openedDish, f *food.Food, used []int) int {
	best := -1
	for i := range all {
		like := slices.ContainsFunc(all[i].foods, func(g *food.Food) bool { return g.Group == f.Group })
		if !like || slices.Contains(used, i) {
			continue
		}
		if best < 0 || all[best].build != nil && all[i].build == nil {
			best = i
		}
	}
	return best
}

func aisleOf(f *food.Food) Aisle {
	canned := slices.ContainsFunc(f.Packs, func(p food.Pack) bool { return p.Name == "can" || p.Name == "carton" || p.Name == "jar" })
	switch {
	case canned:
		return Cans
	case f.Group == food.Vegetable || f.Group == food.Fruit:
		return Produce
	case f.Group == food.Meat || f.Group == food.Fish:
		return Counter
	case f.Group == food.Egg || f.Group == food.Dairy || f.Is(food.Curd):
		return Chilled
	case f.Group == food.Fat || f.Group == food.Flavour:
		return Seasoning
	case f.Group == food.Wet:
		return Cans
	}
	return Dry
}
