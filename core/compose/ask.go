package compose

import (
	"fmt"
	"slices"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// Format is that of an ask.
const Format = "cuerda-ask/1"

// Ask is what a cook says who begins from what is at hand. All of it may be left out.
type Ask struct {
	Format string `json:"format" enum:"cuerda-ask/1"`
	// Must are the foods that have to go in. Of one with grams all goes in where that makes a mix; of one without, any amount.
	Must []Amount `json:"must,omitempty" maxItems:"12"`
	// May are the foods that may; Any says that the whole shelf may, though it has to be bought.
	May []string `json:"may,omitempty" maxItems:"400"`
	Any bool     `json:"any,omitempty"`
	// Not are foods that stay out, whatever else is said.
	Not []string `json:"not,omitempty" maxItems:"200"`
	// Eaters are those at the table and what they leave out.
	Eaters *eaters.Eaters `json:"eaters,omitempty"`
	// Kind is what it is to be; "" for patties, balls or a loaf.
	Kind piece.Kind `json:"kind,omitempty"`
	// Portions are how many people it is for. With 0 it is as much as what must go in makes, or enough for four where nothing has to.
	Portions int `json:"portions,omitempty" minimum:"0" maximum:"100"`
	// Minutes are how long until the table; 0 where that does not matter.
	Minutes float64 `json:"minutes,omitempty" minimum:"0" maximum:"2880"`
	// Methods are the heats that there are; none for all.
	Methods []method.Method `json:"methods,omitempty" maxItems:"7"`
	Lean    Lean            `json:"lean,omitempty"`
}

// Amount is a food with its grams; 0 where any will do.
type Amount struct {
	Food  string  `json:"food"`
	Grams float64 `json:"grams,omitempty" minimum:"0" maximum:"100000"`
}

// Lean is what a cook would rather have: Firm 0 tender to 1 firm, Eat 0 little work to 1 best to eat. 0.5 where it is left out.
type Lean struct {
	Firm *float64 `json:"firm,omitempty" minimum:"0" maximum:"1"`
	Eat  *float64 `json:"eat,omitempty" minimum:"0" maximum:"1"`
}

func or(v *float64, otherwise float64) float64 {
	if v == nil {
		return otherwise
	}
	return min(1, max(0, *v))
}

// Fault is why nothing can be composed of an ask. Code is unknown-food, not-for-eaters, too-much, too-little, portions, eaters, kind,
// method, no-body, must-apart, must-unused or minutes; What is the food or word it is about.
type Fault struct{ Code, What string }

func (f *Fault) Error() string { return "ask: " + f.Code + " " + f.What }

// The limits of an amount that must go in, g.
const (
	leastMust = 5
	mostMust  = 20_000
	// mostPortions are cooked for at once.
	mostPortions = 100
	// leastMinutes are what the quickest mix takes.
	leastMinutes = 12
)

// check finds what is wrong with an ask; nil for nothing.
func (a *Ask) check(k *kitchen.Kitchen) error {
	if a.Eaters != nil && !a.Eaters.Sound() {
		return &Fault{"eaters", a.Eaters.Unknown()}
	}
	table := a.Eaters.Table()
	for _, m := range a.Must {
		f := k.Foods.Find(m.Food)
		switch {
		case f == nil:
			return &Fault{"unknown-food", m.Food}
		case table.Check(f, k.LabelRead(f.ID)).Status == eaters.Out:
			return &Fault{"not-for-eaters", m.Food}
		case m.Grams > mostMust:
			return &Fault{"too-much", m.Food}
		case m.Grams < 0 || m.Grams > 0 && m.Grams < leastMust && !tiny(f):
			return &Fault{"too-little", m.Food}
		}
	}
	for _, id := range slices.Concat(a.May, a.Not) {
		if k.Foods.Find(id) == nil {
			return &Fault{"unknown-food", id}
		}
	}
	for _, m := range a.Methods {
		if !slices.Contains(method.Methods(), m) {
			return &Fault{"method", string(m)}
		}
	}
	switch {
	case a.Portions < 0 || a.Portions > mostPortions:
		return &Fault{"portions", fmt.Sprint(a.Portions)}
	case a.Kind != "" && !slices.Contains(kinds, a.Kind):
		return &Fault{"kind", string(a.Kind)}
	case a.Minutes > 0 && a.Minutes < leastMinutes:
		return &Fault{"minutes", fmt.Sprint(a.Minutes)}
	}
	return nil
}

// tiny says that a food goes in by the pinch.
func tiny(f *food.Food) bool { return f.Group == food.Flavour || f.ManyAlike }

// kinds are what can be composed.
var kinds = []piece.Kind{piece.Patty, piece.Ball, piece.Loaf, piece.Cylinder, piece.Fritter, piece.Stuffing}
