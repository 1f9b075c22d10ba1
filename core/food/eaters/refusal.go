package eaters

import (
	"slices"

	"cuerda/core/food"
)

// Refusal is what someone at the table cannot eat of a dish.
type Refusal struct {
	// Person is which of the people it is, from 1; 0 where all leave it out.
	Person int
	Name   string
	Count  int
	// Why holds the allergens, diets and wants that stand against it.
	Why []string
	// Foods are those that are out, each once.
	Foods []Refused
}

// Refused is one food with what is clear for the whole table in its place.
type Refused struct {
	Food    string
	Instead []string
}

// Refusals says for whom foods are out, in the order of the table; nil where all can
// eat. labels gives what the label of a food was read for.
func (e *Eaters) Refusals(foods []*food.Food, all *food.Catalogue, labels func(id string) []string) []Refusal {
	if e == nil {
		return nil
	}
	whole := e.Table()
	var out []Refusal
	add := func(of Refusal, t Table) {
		for _, f := range foods {
			c := t.Check(f, labels(f.ID))
			if c.Status != Out || slices.ContainsFunc(of.Foods, func(r Refused) bool { return r.Food == f.ID }) {
				continue
			}
			r := Refused{Food: f.ID, Instead: []string{}}
			for _, g := range whole.Instead(f, all) {
				r.Instead = append(r.Instead, g.ID)
			}
			of.Foods = append(of.Foods, r)
			for _, reason := range c.Reasons {
				if !slices.Contains(of.Why, reason.What) && stands(reason.Code) {
					of.Why = append(of.Why, reason.What)
				}
			}
		}
		if len(of.Foods) > 0 {
			out = append(out, of)
		}
	}
	add(Refusal{}, (&Eaters{Avoid: e.Avoid, Diet: e.Diet, Wants: e.Wants}).Table())
	for i, p := range e.People {
		add(Refusal{Person: i + 1, Name: p.Name, Count: p.Count}, (&Eaters{People: []Person{p}}).Table())
	}
	return out
}

// stands says whether a reason of that code puts a food out, as against one to ask or
// to read a label for.
func stands(code string) bool { return code == "allergen" || code == "source" || code == "want" }
