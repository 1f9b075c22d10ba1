package cooking

import (
	"errors"
	"fmt"
	"time"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

// Plan is what is cooked, as it was planned when the course began. It stands by itself: a
// build or a supper that is changed or deleted later changes nothing of it.
type Plan struct {
	Name    string           `json:"name"`
	Table   time.Time        `json:"table"`
	Kitchen schedule.Kitchen `json:"kitchen"`
	Dishes  []Dish           `json:"dishes"`
	// Heats are when ovens are turned on, or up.
	Heats []Heat `json:"heats,omitempty"`
	// Supper and Build are what it was begun from; "" for the one that it was not.
	Supper string `json:"supper,omitempty"`
	Build  string `json:"build,omitempty"`
	// Simulated has simulated instruments start once somebody follows.
	Simulated bool `json:"simulated,omitempty"`
}

// Heat is an oven that heats up.
type Heat struct {
	Oven    int       `json:"oven,omitempty"` // from 0
	At      time.Time `json:"at"`
	Minutes int       `json:"minutes"`
	Celsius float64   `json:"celsius"`
}

// Dish is a dish of it.
type Dish struct {
	Name string `json:"name"`
	// Build is nil for a side; From is the kitchen's build that it was taken from.
	Build  *document.Document `json:"build,omitempty"`
	From   *supper.SupperFrom `json:"from,omitempty"`
	Pieces int                `json:"pieces,omitempty"`
	Steps  []Step             `json:"steps"`
	// Turns are when to turn, min since the step of the cooking began; Target is what the coldest
	// place is to reach, degC.
	Turns  []float64     `json:"turns,omitempty"`
	Target safety.Target `json:"target"`
	// Sitting is how long before the table it is served, min; Keeps how long it may wait for that.
	Sitting int `json:"sitting,omitempty"`
	Keeps   int `json:"keeps,omitempty"`
}

// Step is one step of a dish.
type Step struct {
	Name string `json:"name"`
	// Code is that of steps.Step for a build, "" for a side.
	Code    string `json:"code,omitempty"`
	Part    int    `json:"part,omitempty"`
	Minutes int    `json:"minutes"`
	Times   int    `json:"times,omitempty"`
	Hands   int    `json:"hands,omitempty"`
	Burners int    `json:"burners,omitempty"`
	Pans    int    `json:"pans,omitempty"`
	Bowls   int    `json:"bowls,omitempty"`
	Shelves int    `json:"shelves,omitempty"`
	Racks   int    `json:"racks,omitempty"`
	// Oven is which, from 0; of no account without Racks.
	Oven    int     `json:"oven,omitempty"`
	Celsius float64 `json:"celsius,omitempty"`
	Grill   bool    `json:"grill,omitempty"`
	Cooks   []int   `json:"cooks,omitempty"`
	After   []Need  `json:"after,omitempty"`
	// At is when it begins by the plan.
	At time.Time `json:"at"`
	// Weigh are the amounts that go in at it, in their order.
	Weigh []Weigh `json:"weigh,omitempty"`
	// Lines are those of the mix that it is about, from 0.
	Lines []int `json:"lines,omitempty"`
}

// Need is a step of the same dish that comes before, with the gap, min; Most is below Least
// where it may be as long as it likes.
type Need struct {
	Step  int `json:"step"`
	Least int `json:"least,omitempty"`
	Most  int `json:"most,omitempty"`
}

// Timed says whether the clock ends a step, as against hands that are done.
func (s *Step) Timed() bool { return s.Hands == 0 || s.Burners+s.Racks > 0 }

// Put says whether somebody has to begin it: to put it in, or on. A rest begins by itself; a
// chill does not, for somebody carries the pieces to the fridge.
func (s *Step) Put() bool {
	return s.Hands+s.Burners+s.Racks > 0 || len(s.After) == 0 || s.Shelves > 0 && s.Minutes > 0
}

// Cooking says whether it is the cooking of pieces, whose end is that of their time on the heat.
func (s *Step) Cooking() bool { return s.Part == 0 && s.Code == "cook" }

// Of takes over a plan that was made of a supper.
func Of(d *supper.Supper, p *supper.Planned, k *kitchen.Kitchen) *Plan {
	out := &Plan{Name: d.Name, Table: p.Table, Kitchen: p.Supper.Kitchen}
	for i := range p.Supper.Dishes {
		from := &p.Supper.Dishes[i]
		dish := Dish{Name: from.Name, From: d.Dishes[i].From, Sitting: from.Least, Keeps: from.Most - from.Least}
		build, baked, knots, built := p.Build(i, k)
		if built {
			dish.Build, dish.Pieces, dish.Target = build, baked.Yield.Pieces, baked.Target
			dish.Turns = afterPan(baked.Turns, baked.SearEnds)
		}
		for n := range from.Steps {
			s := &from.Steps[n]
			step := Step{
				Name: s.Name, Minutes: s.Minutes, Hands: s.Hands, Burners: s.Burners, Pans: s.Pans, Bowls: s.Bowls,
				Shelves: s.Shelves, Racks: s.Racks, Celsius: s.Celsius, Grill: s.Grill, Times: 1,
			}
			if built {
				step.Code, step.Part, step.Times, step.Lines = knots[n].Code, knots[n].Part, max(1, knots[n].Times), knots[n].Lines
			}
			for _, g := range s.After {
				need := Need{g.Step, g.Least, g.Most}
				if g.Most == schedule.Whenever {
					need.Most = g.Least - 1
				}
				step.After = append(step.After, need)
			}
			dish.Steps = append(dish.Steps, step)
		}
		if built {
			dish.weigh(k)
		}
		out.Dishes = append(out.Dishes, dish)
	}
	for i := range p.Plan.Steps {
		s := &p.Plan.Steps[i]
		to := &out.Dishes[s.Dish].Steps[s.Step]
		to.At, to.Cooks, to.Minutes = p.Time(s.Start), s.Cooks, s.Minutes
		if s.Oven >= 0 {
			to.Oven = s.Oven
		}
	}
	for _, h := range p.Plan.Heats {
		out.Heats = append(out.Heats, Heat{h.Oven, p.Time(h.Start), h.Start - h.End, h.Celsius})
	}
	return out
}

// afterPan are turns from when pieces came out of the pan that they were seared in, where they
// were: those in it are its step's own.
func afterPan(turns []float64, seared *float64) (out []float64) {
	from := 0.
	if seared != nil {
		from = *seared
	}
	for _, t := range turns {
		if t > from {
			out = append(out, t-from)
		}
	}
	return out
}

// Kind is the piece of a dish, "" of a side.
func (d *Dish) Kind() piece.Kind {
	if d.Build == nil {
		return ""
	}
	return d.Build.PieceOrDefault().Kind
}

// ErrBadPlan is that of a plan that no course can have.
var ErrBadPlan = errors.New("no plan of a course")

// The limits of a plan, as those of a supper.
const (
	maxDishes = schedule.MaxDishes
	maxSteps  = schedule.MaxSteps
)

// Check gives ErrBadPlan for a plan whose steps do not hang together: one that was read from a file.
func (p *Plan) Check() error {
	if len(p.Dishes) == 0 || len(p.Dishes) > maxDishes {
		return fmt.Errorf("%w: %d dishes", ErrBadPlan, len(p.Dishes))
	}
	for i, h := range p.Heats {
		if h.At.IsZero() || h.Minutes < 0 || h.Minutes > schedule.MaxMinutes {
			return fmt.Errorf("%w: oven %d", ErrBadPlan, i)
		}
	}
	for d := range p.Dishes {
		dish := &p.Dishes[d]
		if len(dish.Steps) == 0 || len(dish.Steps) > maxSteps {
			return fmt.Errorf("%w: dish %d has %d steps", ErrBadPlan, d, len(dish.Steps))
		}
		for i := range dish.Steps {
			s := &dish.Steps[i]
			if s.Minutes < 0 || s.Minutes > schedule.MaxMinutes || s.At.IsZero() || s.Part < 0 || s.Part > 0 && (dish.Build == nil || s.Part > len(dish.Build.Parts)) {
				return fmt.Errorf("%w: dish %d, step %d", ErrBadPlan, d, i)
			}
			for _, need := range s.After {
				if need.Step < 0 || need.Step >= len(dish.Steps) || need.Step == i {
					return fmt.Errorf("%w: dish %d, step %d comes after none", ErrBadPlan, d, i)
				}
			}
			if dish.leadsTo(i, i, map[int]bool{}) {
				return fmt.Errorf("%w: dish %d, step %d comes after itself", ErrBadPlan, d, i)
			}
			if err := dish.checkWeigh(i); err != nil {
				return fmt.Errorf("%w: dish %d, step %d: %w", ErrBadPlan, d, i, err)
			}
		}
	}
	return nil
}

// leadsTo says whether a step comes after another, by any way.
func (d *Dish) leadsTo(from, to int, seen map[int]bool) bool {
	for _, need := range d.Steps[from].After {
		if need.Step < 0 || need.Step >= len(d.Steps) || seen[need.Step] {
			continue
		}
		seen[need.Step] = true
		if need.Step == to || d.leadsTo(need.Step, to, seen) {
			return true
		}
	}
	return false
}
