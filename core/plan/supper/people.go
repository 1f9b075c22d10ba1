package supper

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
)

// Person is one of the people at the table, or several who leave out the same, with their plate.
type Person struct {
	// Person is which of the people it is, from 1; 0 where the table is not told by people.
	Person int
	Name   string
	Count  int
	// Dishes are those they can eat, as they stand on the table.
	Dishes []int
	// Grams and KCal are one plate's share of those: each dish goes round all who can eat it.
	Grams, KCal float64
	// Full says whether that is a whole plate; Main whether something made of pieces is on it.
	Full, Main bool
}

// fullPlate is what a plate weighs at the least, g, and holds, kcal: judgement, some two thirds of a
// usual main meal (half to three quarters of a kilo; 600 to 800 kcal).
const (
	fullPlateG    = 350
	fullPlateKCal = 400
)

// peopleOf shares the dishes out. A dish whose foods nobody told goes to everyone, and weighs nothing.
func peopleOf(e *eaters.Eaters, all []openedDish, k *kitchen.Kitchen) []Person {
	if e == nil || len(e.People) == 0 {
		return []Person{}
	}
	can := make([][]bool, len(e.People)) // by person, by dish
	heads := make([]int, len(all))
	for p := range e.People {
		alone := (&eaters.Eaters{Avoid: e.Avoid, Diet: e.Diet, Wants: e.Wants, People: e.People[p : p+1]}).Table()
		can[p] = make([]bool, len(all))
		for i := range all {
			can[p][i] = !slices.ContainsFunc(all[i].foods, func(f *food.Food) bool { return refuses(alone, f, k) })
			if can[p][i] {
				heads[i] += e.People[p].Count
			}
		}
	}
	out := make([]Person, len(e.People))
	for p := range e.People {
		one := Person{Person: p + 1, Name: e.People[p].Name, Count: e.People[p].Count, Dishes: []int{}}
		for i := range all {
			if !can[p][i] {
				continue
			}
			one.Dishes = append(one.Dishes, i)
			one.Grams += all[i].Grams / float64(heads[i])
			one.KCal += all[i].facts.KCal / float64(heads[i])
			one.Main = one.Main || all[i].build != nil
		}
		one.Full = one.Grams >= fullPlateG && one.KCal >= fullPlateKCal
		out[p] = one
	}
	return out
}

func refuses(t eaters.Table, f *food.Food, k *kitchen.Kitchen) bool {
	return t.Check(f, k.LabelRead(f.ID)).Status == eaters.Out
}

// Contact is something that somebody leaves out, with the dishes that hold it and those that do not,
// and what both go through.
type Contact struct {
	// What is the allergen or the diet.
	What string
	// Free are the dishes without it that are for who leaves it out, With those that hold it.
	Free, With []int
	// Through holds codes of what both use: board, pan, oil, bowl, oven.
	Through []string
}

// contacts looks for what may pass from one dish to another that is free of it.
func contacts(d *Supper, all []openedDish, k *kitchen.Kitchen) []Contact {
	out := []Contact{}
	for _, what := range leftOut(d.Eaters) {
		alone := &eaters.Eaters{}
		if eaters.Known(what) {
			alone.Avoid = []string{what}
		} else {
			alone.Diet = what
		}
		table := alone.Table()
		c := Contact{What: what, Through: []string{}}
		for i := range all {
			switch {
			case !all[i].Known:
			case slices.ContainsFunc(all[i].foods, func(f *food.Food) bool { return refuses(table, f, k) }):
				c.With = append(c.With, i)
			default:
				c.Free = append(c.Free, i)
			}
		}
		if len(c.Free) == 0 || len(c.With) == 0 {
			continue
		}
		uses := func(of []int, what string) bool {
			return slices.ContainsFunc(of, func(i int) bool { return uses(&d.Dishes[i], &all[i], what) })
		}
		for _, through := range []string{"board", "pan", "oil", "bowl", "oven"} {
			if uses(c.Free, through) && uses(c.With, through) {
				c.Through = append(c.Through, through)
			}
		}
		if len(c.Through) > 0 {
			out = append(out, c)
		}
	}
	return out
}

// leftOut lists the allergens and the strict diets that somebody leaves out, each once.
func leftOut(e *eaters.Eaters) []string {
	if e == nil {
		return nil
	}
	var out []string
	add := func(avoid []string, diet string) {
		for _, a := range append(slices.Clone(avoid), diet) {
			if a != "" && !slices.Contains(out, a) {
				out = append(out, a)
			}
		}
	}
	add(e.Avoid, e.Diet)
	for _, p := range e.People {
		add(p.Avoid, p.Diet)
	}
	return out
}

// uses says whether a dish goes through a thing of the kitchen.
func uses(d *SupperDish, of *openedDish, what string) bool {
	if of.build == nil {
		return slices.ContainsFunc(d.Steps, func(s SupperStep) bool {
			switch what {
			case "board":
				return s.Hands > 0 && s.Oven == nil && s.Pans == 0 && s.Bowls == 0
			case "pan":
				return s.Pans > 0
			case "bowl":
				return s.Bowls > 0
			case "oven":
				return s.Oven != nil
			}
			return false
		})
	}
	by, _ := of.build.build.MethodAndTurn()
	switch what {
	case "board":
		return true
	case "oil":
		return by.Row().Medium == method.Fat
	}
	for i := range of.build.dish.Steps {
		s := &of.build.dish.Steps[i]
		if what == "pan" && s.Pans > 0 || what == "bowl" && s.Bowls > 0 || what == "oven" && s.Racks > 0 {
			return true
		}
	}
	return false
}

// Wash is a vessel that a dish which holds something goes through before one that is free of it: it is washed between,
// or another is used.
type Wash struct {
	What    string
	Through string // pan or bowl
	// Dish is the free one, which begins with it at Start, min before the table; Before the other.
	Dish, Before int
	Start        int
}

// Washes looks along a plan for vessels that go from a dish with something to one without. Each is told
// once for a dish and a vessel.
func (p *Planned) Washes(all []Contact) []Wash {
	out := []Wash{}
	for _, c := range all {
		for _, through := range []string{"pan", "bowl"} {
			if !slices.Contains(c.Through, through) {
				continue
			}
			for _, free := range c.Free {
				first := p.firstUse(free, through)
				for _, with := range c.With {
					if at := p.firstUse(with, through); first > 0 && at > first {
						out = append(out, Wash{c.What, through, free, with, first})
						break
					}
				}
			}
		}
	}
	return out
}

// firstUse is when a dish first goes through pans or bowls, min before the table; 0 where it never does.
func (p *Planned) firstUse(dish int, what string) int {
	first := 0
	for i := range p.Plan.Steps {
		s := &p.Plan.Steps[i]
		step := &p.Supper.Dishes[s.Dish].Steps[s.Step]
		if s.Dish == dish && (what == "pan" && step.Pans > 0 || what == "bowl" && step.Bowls > 0) {
			first = max(first, s.Start)
		}
	}
	return first
}
