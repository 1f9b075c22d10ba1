package answer

import (
	"fmt"
	"time"

	"cuerda/core/supper/menu"
)

// Plan answers menu.Planned, with the times of day of the table's zone.
type Plan struct {
	Aim    string    `json:"aim" enum:"latest-start,one-cook,quiet-end,day-before"`
	Start  time.Time `json:"start"`
	Proved bool      `json:"proved" doc:"whether no plan begins later"`
	// Bound is when no plan can begin later than.
	Bound time.Time `json:"bound"`
	// Waiting is how long steps wait for each other, and dishes for the table, in all, min.
	Waiting int        `json:"waiting_minutes"`
	Steps   []PlanStep `json:"steps"`
	Heats   []PlanHeat `json:"heats"`
	// Shared says what dishes bake at another heat than their builds, and what that does.
	Shared []PlanShared `json:"shared"`
}

// PlanStep is one step of a plan.
type PlanStep struct {
	Dish    string    `json:"dish"`
	Step    string    `json:"step"`
	Start   time.Time `json:"start"`
	Minutes int       `json:"minutes"`
	// Cooks who do it, from 1.
	Cooks []int     `json:"cooks"`
	Oven  *PlanOven `json:"oven,omitempty"`
}

// PlanOven is where in which oven a step stands.
type PlanOven struct {
	ID string `json:"id"`
	// Racks from 1.
	Racks   []int   `json:"racks"`
	Celsius float64 `json:"celsius"`
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

// PlanOf tells a plan.
func PlanOf(p *menu.Planned) Plan {
	plan := p.Plan
	out := Plan{
		Aim: string(plan.Aim), Start: p.Time(plan.Start), Proved: plan.Proved, Bound: p.Time(plan.Bound), Waiting: plan.Waiting,
		Steps: make([]PlanStep, len(plan.Steps)), Heats: []PlanHeat{}, Shared: []PlanShared{},
	}
	oven := func(i int) string {
		if id := p.Supper.Kitchen.Ovens[i].ID; id != "" {
			return id
		}
		return fmt.Sprintf("oven %d", i+1)
	}
	from1 := func(all []int) []int {
		out := make([]int, len(all))
		for i, n := range all {
			out[i] = n + 1
		}
		return out
	}
	for i := range plan.Steps {
		s := &plan.Steps[i]
		dish := &p.Supper.Dishes[s.Dish]
		out.Steps[i] = PlanStep{Dish: dish.Name, Step: dish.Steps[s.Step].Name, Start: p.Time(s.Start), Minutes: s.Minutes, Cooks: from1(s.Cooks)}
		if s.Oven >= 0 {
			out.Steps[i].Oven = &PlanOven{oven(s.Oven), from1(s.Racks), s.Celsius}
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
	return out
}
