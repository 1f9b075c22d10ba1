package menu

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"cuerda/core/bake"
	"cuerda/core/kitchen"
	"cuerda/core/supper"
)

// Planned is a plan with its times of day.
type Planned struct {
	Plan   *supper.Plan
	Supper *supper.Supper
	Table  time.Time
	// Shared says what an oven that is shared costs; empty where none is.
	Shared []Shared
}

// Shared is a build that bakes at another heat, and what that does to it.
type Shared struct {
	Dish                      int
	CelsiusWas, Celsius       float64
	MinutesWas, Minutes       float64
	WeightLossWas, WeightLoss float64 // per cent
	BrowningWas, Browning     float64 // 0 pale to 1 dark
}

// Time is so many minutes before the table, in its own zone.
func (p *Planned) Time(before int) time.Time {
	return p.Table.Add(-time.Duration(before) * time.Minute)
}

// farthest is how much hotter or cooler a build may bake than it asks for, K.
const farthest = 25

// Make reads what a document wants and plans it, until done is closed. Its errors are *Fault,
// and those of supper.Make.
func Make(d *Supper, k *kitchen.Kitchen, done <-chan struct{}) (*Planned, error) {
	w, err := want(d, k)
	if err != nil {
		return nil, err
	}
	w.supper.Done = done
	plan, err := supper.Make(&w.supper)
	best := &Planned{Plan: plan, Supper: &w.supper, Table: d.Table}
	if d.ShareOven != nil && !*d.ShareOven {
		if err != nil {
			return nil, err
		}
		return best, nil
	}
	for _, celsius := range w.heats() {
		other, shared, ok := w.at(d, celsius, k)
		if !ok {
			continue
		}
		plan, err2 := supper.Make(other)
		if err2 != nil {
			continue
		}
		if err != nil || plan.Start < best.Plan.Start {
			best, err = &Planned{plan, other, d.Table, shared}, nil
		}
	}
	if err != nil {
		return nil, err
	}
	return best, nil
}

// heats are the temperatures that an oven is asked for, the cooler first; none where all
// ask for one.
func (w *wanted) heats() []float64 {
	var out []float64
	for d := range w.supper.Dishes {
		for _, s := range w.supper.Dishes[d].Steps {
			if s.Racks > 0 && !slices.Contains(out, s.Celsius) {
				out = append(out, s.Celsius)
			}
		}
	}
	if len(out) < 2 {
		return nil
	}
	slices.SortFunc(out, cmp.Compare[float64])
	return out
}

// at is the supper with the builds baked at one heat, where that is near enough to what
// they ask for and they get done; ok is false where none would change.
func (w *wanted) at(d *Supper, celsius float64, k *kitchen.Kitchen) (out *supper.Supper, shared []Shared, ok bool) {
	other := w.supper
	other.Dishes = slices.Clone(w.supper.Dishes)
	for i, build := range w.builds {
		if build == nil {
			continue
		}
		was, inOven := bakedAt(build)
		if !inOven || was == celsius {
			continue
		}
		if celsius < was-farthest || celsius > was+farthest {
			continue
		}
		again := bakedAgain(build, celsius)
		made, err := ofBuild(&d.Dishes[i], again, k, fmt.Sprintf("/dishes/%d", i))
		if err != nil {
			continue
		}
		before, after := bake.Bake(build, k, bake.Options{Now: -1}), bake.Bake(again, k, bake.Options{Now: -1})
		other.Dishes[i] = *made
		shared = append(shared, Shared{i, was, celsius, *before.PullAt, *after.PullAt, before.WeightLossPct, after.WeightLossPct, before.Browning, after.Browning})
	}
	return &other, shared, len(shared) > 0
}
