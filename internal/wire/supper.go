package wire

import (
	"fmt"
	"slices"
	"time"

	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

// Plan is supper.Planned as the interface tells it, with the times of day of the table's zone.
type Plan struct {
	Aim   string    `json:"aim" enum:"latest-start,one-cook,quiet-end,day-before,least-oven"`
	Start time.Time `json:"start"`
	// Begin is when the first step begins that holds anything, hands or an oven; Day the same on the day of the
	// table.
	Begin  time.Time `json:"begin"`
	Day    time.Time `json:"day_begin"`
	Proved bool      `json:"proved" doc:"whether no plan begins later and leaves less work late or, by the aim least-oven, has its ovens on for a shorter time"`
	// Bound is when no plan can begin later than.
	Bound time.Time `json:"bound"`
	// Waiting is how long steps wait for each other, and dishes for the table, in all, min.
	Waiting int `json:"waiting_minutes"`
	// Oven is how long it is from the first use of an oven to the last, min; OvenBound, where the aim
	// is least-oven, the shortest that was not ruled out.
	Oven      int  `json:"oven_minutes"`
	OvenBound *int `json:"oven_bound_minutes,omitempty"`
	// OvenOn is how long ovens are hot in all, min: one that nothing needs for half an hour is turned off.
	OvenOn int `json:"oven_on_minutes"`
	// Late, by the aims quiet-end and day-before, is how many minutes of hands come later than the aim wants, and
	// LateBound the least that was not ruled out.
	Late      *int       `json:"late_hands_minutes,omitempty"`
	LateBound *int       `json:"late_hands_bound_minutes,omitempty"`
	Steps     []PlanStep `json:"steps"`
	Heats     []PlanHeat `json:"heats"`
	// Shared says what dishes bake at another heat than their builds, and what that does.
	Shared []PlanShared `json:"shared"`
	// Slowed says what takes longer because the oven is full.
	Slowed []PlanSlowed `json:"slowed"`
	// Ahead says what is done before the day of the table, and how it keeps.
	Ahead []PlanAhead `json:"ahead"`
	// Washes are vessels that go from a dish with something to one without it.
	Washes []PlanWash `json:"washes"`
	// Unheld are pins that this plan does without, because they cannot be held.
	Unheld []PlanUnheld `json:"unheld"`
}

// PlanUnheld is a pin that cannot be held.
type PlanUnheld struct {
	Dish  string     `json:"dish"`
	Step  string     `json:"step"`
	Start *time.Time `json:"start,omitempty"`
	Code  string     `json:"code" enum:"past-table,at-odds,no-step"`
}

// UnheldOf tells pins that a plan does without.
func UnheldOf(d *supper.Supper, unheld []supper.Unheld) []PlanUnheld {
	out := make([]PlanUnheld, len(unheld))
	for i, u := range unheld {
		p := &d.Pins[u.Pin]
		out[i] = PlanUnheld{p.Dish, p.Step, p.Start, u.Code}
	}
	return out
}

// PlanSlowed is a step in a full oven.
type PlanSlowed struct {
	Dish    string `json:"dish"`
	Step    string `json:"step"`
	Minutes int    `json:"minutes" doc:"longer than alone"`
}

// PlanAhead is supper.Ahead as the interface tells it.
type PlanAhead struct {
	Dish  string `json:"dish"`
	Step  string `json:"step" doc:"the last one before the day"`
	Hands int    `json:"hands_minutes"`
	State string `json:"state" enum:"soaking,prepared,mixed,shaped,cooked,side"`
	Raw   bool   `json:"raw" doc:"raw meat, fish or egg is in it"`
	// Days it keeps so in the fridge, 0 where nothing is known; Wait how long it waits there.
	Days  float64 `json:"days"`
	Wait  int     `json:"wait_minutes"`
	Keeps bool    `json:"keeps"`
}

// PlanWash is supper.Wash as the interface tells it.
type PlanWash struct {
	What    string    `json:"what"`
	Through string    `json:"through" enum:"pan,bowl"`
	Dish    string    `json:"dish" doc:"the one without it"`
	Before  string    `json:"before" doc:"the one with it, which went first"`
	At      time.Time `json:"at"`
}

// PlanStep is one step of a plan.
type PlanStep struct {
	Dish    string    `json:"dish"`
	Step    string    `json:"step"`
	Start   time.Time `json:"start"`
	Minutes int       `json:"minutes"`
	// Cooks who do it, from 1.
	Cooks   []int     `json:"cooks"`
	Burners int       `json:"burners,omitempty"`
	Pans    int       `json:"pans,omitempty"`
	Bowls   int       `json:"bowls,omitempty"`
	Shelves int       `json:"shelves,omitempty"`
	Oven    *PlanOven `json:"oven,omitempty"`
	// DishIndex and StepIndex are its places in the document and among the steps of its dish, from 0.
	DishIndex int `json:"dish_index"`
	StepIndex int `json:"step_index"`
	// Pinned says that it begins when somebody said.
	Pinned bool `json:"pinned,omitempty"`
}

// PlanOven is where in which oven a step stands.
type PlanOven struct {
	ID string `json:"id"`
	// Racks from 1.
	Racks   []int   `json:"racks"`
	Celsius float64 `json:"celsius"`
	Grill   bool    `json:"grill,omitempty"`
}

// PlanHeat is an oven that heats up.
type PlanHeat struct {
	Oven    string    `json:"oven"`
	Start   time.Time `json:"start"`
	Minutes int       `json:"minutes"`
	Celsius float64   `json:"celsius"`
}

// PlanShared is what baking at another heat does to a build.
type PlanShared struct {
	Dish          string  `json:"dish"`
	CelsiusWas    float64 `json:"celsius_was"`
	Celsius       float64 `json:"celsius"`
	MinutesWas    float64 `json:"minutes_was"`
	Minutes       float64 `json:"minutes"`
	WeightLossWas float64 `json:"weight_loss_was_pct"`
	WeightLoss    float64 `json:"weight_loss_pct"`
	BrowningWas   float64 `json:"browning_was"`
	Browning      float64 `json:"browning"`
}

// from1 are places as people count them.
func from1(all []int) []int {
	out := make([]int, len(all))
	for i, n := range all {
		out[i] = n + 1
	}
	return out
}

// turnedOff is how long nothing needs an oven that is turned off meanwhile, min.
const turnedOff = 30

// ovenOn is how long the ovens of a plan are hot in all, min.
func ovenOn(p *schedule.Plan) (out int) {
	type span struct{ from, to int } // min before the table
	ovens := map[int][]span{}
	for i := range p.Steps {
		if s := &p.Steps[i]; s.Oven >= 0 && s.Minutes > 0 {
			ovens[s.Oven] = append(ovens[s.Oven], span{s.Start, s.End()})
		}
	}
	for _, h := range p.Heats {
		ovens[h.Oven] = append(ovens[h.Oven], span{h.Start, h.End})
	}
	for _, uses := range ovens {
		slices.SortFunc(uses, func(a, b span) int { return b.from - a.from })
		on := uses[0]
		for _, s := range uses[1:] {
			if on.to-s.from > turnedOff {
				out += on.from - on.to
				on = s
				continue
			}
			on.to = min(on.to, s.to)
		}
		out += on.from - on.to
	}
	return out
}

// PlanOf tells a plan of a kitchen; contacts are those of its table.
func PlanOf(p *supper.Planned, k *kitchen.Kitchen, contacts []supper.Contact) Plan {
	plan := p.Plan
	out := Plan{
		Aim: string(plan.Aim), Start: p.Time(plan.Start), Begin: p.Time(plan.Begin), Day: p.Time(p.DayBegin()), Proved: plan.Proved, Bound: p.Time(plan.Bound), Waiting: plan.Waiting,
		Steps: make([]PlanStep, len(plan.Steps)), Heats: []PlanHeat{}, Shared: []PlanShared{},
		Oven: plan.Oven, Slowed: []PlanSlowed{}, Ahead: []PlanAhead{}, Washes: []PlanWash{}, Unheld: []PlanUnheld{},
	}
	if plan.Aim == schedule.LeastOven {
		out.OvenBound = &plan.OvenBound
	}
	if plan.Aim == schedule.QuietEnd || plan.Aim == schedule.DayBefore {
		out.Late, out.LateBound = &plan.Late, &plan.LateBound
	}
	out.OvenOn = ovenOn(plan)
	pinned := map[schedule.Ref]bool{}
	for _, pin := range p.Supper.Pins {
		pinned[pin.Ref] = true
	}
	oven := func(i int) string {
		if id := p.Supper.Kitchen.Ovens[i].ID; id != "" {
			return id
		}
		return fmt.Sprintf("oven %d", i+1)
	}
	for i := range plan.Steps {
		s := &plan.Steps[i]
		dish := &p.Supper.Dishes[s.Dish]
		step := &dish.Steps[s.Step]
		out.Steps[i] = PlanStep{
			Dish: dish.Name, Step: step.Name, Start: p.Time(s.Start), Minutes: s.Minutes, Cooks: from1(s.Cooks),
			Burners: step.Burners, Pans: step.Pans, Bowls: step.Bowls, Shelves: step.Shelves, DishIndex: s.Dish, StepIndex: s.Step, Pinned: pinned[s.Ref],
		}
		if s.Oven >= 0 {
			out.Steps[i].Oven = &PlanOven{oven(s.Oven), from1(s.Racks), s.Celsius, step.Grill}
		}
	}
	for _, h := range plan.Heats {
		out.Heats = append(out.Heats, PlanHeat{oven(h.Oven), p.Time(h.Start), h.Start - h.End, h.Celsius})
	}
	for _, s := range p.Shared {
		out.Shared = append(out.Shared, PlanShared{
			p.Supper.Dishes[s.Dish].Name, s.CelsiusWas, s.Celsius, Tidy(s.MinutesWas, 1), Tidy(s.Minutes, 1),
			Tidy(s.WeightLossWas, 1), Tidy(s.WeightLoss, 1), Tidy(s.BrowningWas, 2), Tidy(s.Browning, 2),
		})
	}
	for i := range plan.Steps {
		s := &plan.Steps[i]
		if more := p.Slowed[s.Ref]; more > 0 {
			out.Slowed = append(out.Slowed, PlanSlowed{out.Steps[i].Dish, out.Steps[i].Step, more})
		}
	}
	name := func(i int) string { return p.Supper.Dishes[i].Name }
	for _, a := range p.Aheads(k) {
		out.Ahead = append(out.Ahead, PlanAhead{name(a.Dish), p.Supper.Dishes[a.Dish].Steps[a.Step].Name, a.Hands, a.State, a.Raw, a.Days, a.Wait, a.Keeps})
	}
	for _, w := range p.Washes(contacts) {
		out.Washes = append(out.Washes, PlanWash{w.What, w.Through, name(w.Dish), name(w.Before), p.Time(w.Start)})
	}
	return out
}
