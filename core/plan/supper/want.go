package supper

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"time"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
)

// usualWindow is when a side is ready, min before the table.
var usualWindow = SupperWindow{Most: 10}

// wanted is a supper with what its dishes came from.
type wanted struct {
	supper schedule.Supper
	builds []*made // of each dish, nil for a side
	// full is how many times as long pieces take in a full oven.
	full float64
	// last is when the last of all is on the table: what places are counted from.
	last time.Time
}

// kitchenOf is what there is: as the document says, else as the kitchen is.
func kitchenOf(k *SupperKitchen, own *kitchen.Kitchen) (schedule.Kitchen, error) {
	out := schedule.Kitchen{Cooks: own.Cooks, Burners: own.Burners, Pans: own.Pans, Bowls: own.Bowls}
	for i := range own.Ovens {
		out.Ovens = append(out.Ovens, schedule.Oven{ID: fmt.Sprintf("oven %d", i+1), Racks: max(1, own.Racks), HeatUp: int(math.Ceil(own.Parameters.Minutes.Preheat))})
	}
	if k == nil {
		return out, nil
	}
	for _, each := range []struct {
		name  string
		given *int
		to    *int
	}{{"cooks", k.Cooks, &out.Cooks}, {"burners", k.Burners, &out.Burners}, {"pans", k.Pans, &out.Pans}, {"bowls", k.Bowls, &out.Bowls}, {"shelves", k.Shelves, &out.Shelves}} {
		if each.given == nil {
			continue
		}
		if *each.given < 0 || *each.given > 40 {
			return out, &Fault{Code: OutOfRange, Pointer: "/kitchen/" + each.name, Got: fmt.Sprint(*each.given)}
		}
		*each.to = *each.given
	}
	if k.Ovens == nil {
		return out, nil
	}
	out.Ovens = nil
	seen := map[string]bool{}
	for i, o := range k.Ovens {
		at := fmt.Sprintf("/kitchen/ovens/%d", i)
		switch {
		case o.Racks < 1 || o.Racks > 20 || o.HeatUpMinutes < 0 || o.HeatUpMinutes > 240:
			return out, &Fault{Code: OutOfRange, Pointer: at}
		case seen[o.ID]:
			return out, &Fault{Code: Twice, Pointer: at + "/id", Got: o.ID}
		}
		seen[o.ID] = true
		out.Ovens = append(out.Ovens, schedule.Oven{ID: o.ID, Racks: o.Racks, HeatUp: o.HeatUpMinutes})
	}
	return out, nil
}

// want turns a document into what is to be planned.
func (b *Baker) want(d *Supper, k *kitchen.Kitchen) (*wanted, error) {
	out := &wanted{last: d.Table, full: k.Parameters.Heat.FullOven}
	for i := range d.Dishes {
		if at := d.Dishes[i].At; at != nil && at.After(out.last) {
			out.last = *at
		}
	}
	var err error
	if out.supper.Kitchen, err = kitchenOf(d.Kitchen, k); err != nil {
		return nil, err
	}
	out.supper.Aim = schedule.Aim(d.Aim)
	if out.supper.Aim == schedule.DayBefore {
		out.supper.Night = night(d.Table) + before(out.last, d.Table)
	}
	for i := range d.Dishes {
		at := fmt.Sprintf("/dishes/%d", i)
		dish := &d.Dishes[i]
		if (dish.Build == nil) == (len(dish.Steps) == 0) {
			return nil, &Fault{Code: Both, Pointer: at}
		}
		if dish.Build != nil {
			m, err := b.made(dish, 0, k, at)
			if err != nil {
				return nil, err
			}
			out.supper.Dishes, out.builds = append(out.supper.Dishes, dish.asked(m.dish)), append(out.builds, m)
			continue
		}
		made, err := ofSteps(dish, at)
		if err != nil {
			return nil, err
		}
		out.supper.Dishes, out.builds = append(out.supper.Dishes, *made), append(out.builds, nil)
	}
	for i := range d.Dishes {
		out.supper.Dishes[i].Least += out.sitting(d, i)
		out.supper.Dishes[i].Most += out.sitting(d, i)
	}
	return out, out.pin(d)
}

// sitting is how long before the last of all a dish is on the table, min.
func (w *wanted) sitting(d *Supper, i int) int {
	if at := d.Dishes[i].At; at != nil {
		return before(w.last, *at)
	}
	return before(w.last, d.Table)
}

// before is how long before the table a time is, in whole minutes.
func before(table, at time.Time) int { return int(table.Sub(at) / time.Minute) }

// pin takes over what is pinned, and now.
func (w *wanted) pin(d *Supper) error {
	if d.Now != nil {
		if w.supper.Now = before(w.last, *d.Now); w.supper.Now <= 0 {
			return &Fault{Code: TooLate, Pointer: "/now"}
		}
	}
	for i, p := range d.Pins {
		at := w.find(p.Dish, p.Step)
		if at.Step < 0 || p.Start == nil && p.Minutes == nil {
			return &Fault{Code: UnknownPin, Pointer: fmt.Sprintf("/pins/%d", i), Got: p.Dish + ", " + p.Step}
		}
		if p.Minutes != nil {
			dish := &w.supper.Dishes[at.Dish]
			dish.Steps = slices.Clone(dish.Steps)
			dish.Steps[at.Step].Minutes = *p.Minutes
		}
		if p.Start != nil {
			w.supper.Pins = append(w.supper.Pins, schedule.Pin{Ref: at, Start: before(w.last, *p.Start)})
		}
	}
	return nil
}

// find gives a step by the names of its dish and its own; Step is -1 where there is none.
func (w *wanted) find(dish, step string) schedule.Ref {
	for d := range w.supper.Dishes {
		if w.supper.Dishes[d].Name != dish {
			continue
		}
		for i := range w.supper.Dishes[d].Steps {
			if w.supper.Dishes[d].Steps[i].Name == step {
				return schedule.Ref{Dish: d, Step: i}
			}
		}
		break
	}
	return schedule.Ref{Dish: -1, Step: -1}
}

// night is how long before the table the evening before ends, at ten, min.
func night(table time.Time) int {
	y, m, d := table.Date()
	return before(table, time.Date(y, m, d-1, 22, 0, 0, 0, table.Location()))
}

// midnight is how long before the table its day began, min.
func midnight(table time.Time) int {
	y, m, d := table.Date()
	return before(table, time.Date(y, m, d, 0, 0, 0, 0, table.Location()))
}

// asked is a dish under its name, ready when the document asks for it.
func (d *SupperDish) asked(of schedule.Dish) schedule.Dish {
	of.Name = d.Name
	if d.Ready != nil {
		of.Least, of.Most = d.Ready.Least, d.Ready.Most
	}
	return of
}

func ofSteps(dish *SupperDish, at string) (*schedule.Dish, error) {
	usual := dish.asked(schedule.Dish{Least: usualWindow.Least, Most: usualWindow.Most})
	out := &usual
	index := map[string]int{}
	for i := range dish.Steps {
		if _, there := index[dish.Steps[i].Name]; there {
			return nil, &Fault{Code: Twice, Pointer: fmt.Sprintf("%s/steps/%d/name", at, i), Got: dish.Steps[i].Name}
		}
		index[dish.Steps[i].Name] = i
	}
	for i := range dish.Steps {
		from := &dish.Steps[i]
		step := schedule.Step{Name: from.Name, Minutes: from.Minutes, Hands: from.Hands, Burners: from.Burners, Pans: from.Pans, Bowls: from.Bowls, Shelves: from.Shelves}
		if from.Oven != nil {
			step.Racks, step.Celsius, step.Grill = max(1, from.Oven.Racks), from.Oven.Celsius, from.Oven.Grill
			if !(step.Celsius >= 30 && step.Celsius <= 320) {
				return nil, &Fault{Code: OutOfRange, Pointer: fmt.Sprintf("%s/steps/%d/oven/celsius", at, i)}
			}
		}
		for n, a := range from.After {
			before, there := index[a.Step]
			if !there {
				return nil, &Fault{Code: UnknownStep, Pointer: fmt.Sprintf("%s/steps/%d/after/%d/step", at, i, n), Got: a.Step}
			}
			g := schedule.Gap{Step: before, Least: a.Least, Most: schedule.Whenever}
			if a.Most != nil {
				g.Most = *a.Most
			}
			step.After = append(step.After, g)
		}
		out.Steps = append(out.Steps, step)
	}
	return out, nil
}

// readBuild reads the build of a dish.
func readBuild(dish *SupperDish, foods *food.Catalogue, at string) (*document.Document, error) {
	build, err := document.Read(dish.Build, foods)
	var faults document.Faults
	if errors.As(err, &faults) {
		return nil, &Fault{Code: BadBuild, Pointer: at + "/build", Build: faults}
	}
	return build, err
}
