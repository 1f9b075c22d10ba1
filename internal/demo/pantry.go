package demo

import "cuerda/core/kitchen"

// Pantry is what the rowing club has on its shelf, with made-up prices.
func Pantry() []kitchen.PantryItem {
	var out []kitchen.PantryItem
	for _, i := range []struct {
		food    string
		price   float64
		checked bool
	}{
		{"flax-meal", 6.5, false}, {"chickpea-flour", 4.2, false}, {"rice-flour", 3.1, false}, {"millet-flakes", 5.4, false},
		{"buckwheat-flour", 4.8, false}, {"potato-starch", 3.6, false}, {"potato-flakes", 7.2, false}, {"chia-ground", 11, false},
		{"psyllium-husk", 19, false}, {"oats-rolled", 2.4, false}, {"sunflower-meal", 6, false}, {"gf-crumbs", 8.5, true},
		{"quinoa-flakes", 9, false}, {"corn-starch", 3.2, false},
		{"broth", 0, false}, {"plant-milk", 0, true}, {"olive-oil", 0, false}, {"salt", 0, false}, {"dry-spice", 0, true},
		{"mustard", 0, false}, {"lemon-juice", 0, false}, {"pumpkin-seeds", 0, false}, {"split-peas-dry", 0, false},
		{"white-beans-canned", 0, false}, {"chickpeas-canned", 0, false}, {"tahini", 0, false},
	} {
		item := kitchen.PantryItem{Food: i.food, Have: true}
		if i.checked {
			item.LabelRead = []string{"gluten", "egg", "tree-nut", "vegan"}
		}
		if i.price > 0 {
			price := i.price
			item.PerKilo = &price
		}
		out = append(out, item)
	}
	return out
}
