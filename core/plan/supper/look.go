package supper

import (
	"fmt"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/dish"
	"cuerda/core/predict/nutrition"
)

// Report is what there is to know of a supper beside when its steps begin.
type Report struct {
	Dishes  []DishReport
	People  []Person
	Contact []Contact
	Shop    []Purchase
	Boxes   []Box
}

// DishReport is a dish against the table.
type DishReport struct {
	Name string
	// Pieces that are made, 0 for a side, of which Boxed are set aside for later days.
	Pieces, Boxed int
	Kind          piece.Kind
	// Grams of it on the table, with its parts; Known says whether its foods are known at all.
	Grams float64
	Known bool
	// NotFor says for whom foods are out.
	NotFor []eaters.Refusal
	// Labels are foods whose pack has to be read for somebody at the table.
	Labels []string
}

// openedDish is a dish with what it is made of.
type openedDish struct {
	DishReport
	build   *made
	foods   []*food.Food
	amounts []dish.Amount
	facts   nutrition.Facts // of what is on the table
}

// Contacts gives what may pass between the dishes of a supper. Its errors are *Fault.
func (b *Baker) Contacts(d *Supper, k *kitchen.Kitchen) ([]Contact, error) {
	if len(leftOut(d.Eaters)) == 0 {
		return nil, nil
	}
	all, err := b.openDishes(d, k)
	if err != nil {
		return nil, err
	}
	return contacts(d, all, k), nil
}

func (b *Baker) openDishes(d *Supper, k *kitchen.Kitchen) ([]openedDish, error) {
	all := make([]openedDish, len(d.Dishes))
	for i := range d.Dishes {
		one, err := b.openDish(d, i, k)
		if err != nil {
			return nil, err
		}
		all[i] = *one
	}
	return all, nil
}

// Report reads a supper for its people, its shopping and its boxes. Its errors are *Fault.
func (b *Baker) Report(d *Supper, k *kitchen.Kitchen) (*Report, error) {
	all, err := b.openDishes(d, k)
	if err != nil {
		return nil, err
	}
	out := &Report{Dishes: make([]DishReport, len(all)), People: peopleOf(d.Eaters, all, k), Contact: contacts(d, all, k), Shop: shop(all, k)}
	for i := range all {
		out.Dishes[i] = all[i].DishReport
		out.Boxes = append(out.Boxes, boxes(d, i, &all[i], k)...)
	}
	return out, nil
}

func (b *Baker) openDish(d *Supper, i int, k *kitchen.Kitchen) (*openedDish, error) {
	wanted, at := &d.Dishes[i], fmt.Sprintf("/dishes/%d", i)
	out := &openedDish{DishReport: DishReport{Name: wanted.Name}}
	share := 1.
	if wanted.Build != nil {
		var err error
		if out.build, err = b.made(wanted, 0, k, at); err != nil {
			return nil, err
		}
		whole := dish.Assess(out.build.build, k)
		out.Known, out.Kind, out.Pieces = true, out.build.build.PieceOrDefault().Kind, whole.Pieces
		for _, box := range wanted.Boxes {
			out.Boxed += box.Pieces
		}
		if out.Boxed = min(out.Boxed, out.Pieces); out.Pieces > 0 {
			share = 1 - float64(out.Boxed)/float64(out.Pieces)
		}
		out.Grams, out.facts = whole.Whole.Grams*share, whole.Whole.Facts.Times(share)
		out.amounts = dish.Amounts(out.build.build)
		if oil, _, fried := dish.Frying(out.build.build, k); fried {
			out.amounts = append(out.amounts, oil)
		}
	}
	for n, f := range wanted.Foods {
		found := k.Foods.Find(f.Food)
		if found == nil {
			return nil, &Fault{Code: UnknownFood, Pointer: fmt.Sprintf("%s/foods/%d/food", at, n), Got: f.Food}
		}
		out.Known = true
		out.Grams += f.Grams
		out.facts = out.facts.Plus(nutrition.Of(mix.Parts([]mix.Line{{Food: found, Grams: f.Grams}})))
		if f.Food != "water" {
			out.amounts = append(out.amounts, dish.Amount{Food: f.Food, Grams: f.Grams})
		}
	}
	for _, a := range out.amounts {
		out.foods = append(out.foods, k.Foods.Find(a.Food))
	}
	out.NotFor = d.Eaters.Refusals(out.foods, k.Foods, k.LabelRead)
	table := d.Eaters.Table()
	for _, f := range out.foods {
		if table.Check(f, k.LabelRead(f.ID)).Status == eaters.Label {
			out.Labels = append(out.Labels, f.ID)
		}
	}
	return out, nil
}

// Check says whether a supper could be kept: every dish is a build that can be read, or steps, and
// every food is known. A supper without dishes is one that has only begun.
func (s *Supper) Check(foods *food.Catalogue) error {
	for i := range s.Dishes {
		d, at := &s.Dishes[i], fmt.Sprintf("/dishes/%d", i)
		if (d.Build == nil) == (len(d.Steps) == 0) {
			return &Fault{Code: Both, Pointer: at}
		}
		if d.Build != nil {
			if _, err := readBuild(d, foods, at); err != nil {
				return err
			}
		} else if _, err := ofSteps(d, at); err != nil {
			return err
		}
		for n, f := range d.Foods {
			if foods.Find(f.Food) == nil {
				return &Fault{Code: UnknownFood, Pointer: fmt.Sprintf("%s/foods/%d/food", at, n), Got: f.Food}
			}
		}
	}
	return nil
}

// rawFlesh says whether a mix has raw meat, fish or egg in it.
func rawFlesh(build *document.Document, foods *food.Catalogue) bool {
	for i := range build.Lines {
		f := foods.Find(build.Lines[i].Food)
		if f != nil && f.State == food.Raw && (f.Group == food.Meat || f.Group == food.Fish || f.Group == food.Egg) {
			return true
		}
	}
	return false
}
