// Package eaters knows what people at a table may ask a dish to leave out.
package eaters

import "slices"

// Allergens are the 14 of EU Regulation 1169/2011, Annex II, by the codes of
// the catalogue; gluten stands for cereals that contain it.
var Allergens = []string{
	"celery", "crustaceans", "egg", "fish", "gluten", "lupin", "milk", "molluscs",
	"mustard", "peanut", "sesame", "soy", "sulphites", "tree-nut",
}

// Diets are choices of food by its source.
var Diets = []string{"vegan", "vegetarian", "no-pork", "no-red-meat"}

// Eaters is what the people at the table leave out.
type Eaters struct {
	// Avoid holds codes of Allergens.
	Avoid []string `json:"avoid,omitempty"`
	// Diet is one of Diets, or "".
	Diet string `json:"diet,omitempty"`
}

// Known says whether the code is one of Allergens.
func Known(allergen string) bool { return slices.Contains(Allergens, allergen) }
