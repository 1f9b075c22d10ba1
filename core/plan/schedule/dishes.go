// Package schedule plans several dishes for one table: when each step begins, so that every
// need is kept and nothing is held beyond what there is (docs/model.md, section 10).
package schedule

import (
	"errors"
	"fmt"
	"math"
)

// Aim is what a plan is best in.
type Aim string

// The aims.
const (
	LatestStart Aim = "latest-start" // the first step of all as late as can be
	OneCook     Aim = "one-cook"     // the same, with one pair of hands
	QuietEnd    Aim = "quiet-end"    // hands out of the last half hour where the needs let them, then the same
	DayBefore   Aim = "day-before"   // hands on the evening before where the needs let them, then the same
	LeastOven   Aim = "least-oven"   // as short a time from the first use of an oven to the last as can be, then the same
)

// Aims lists every aim.
var Aims = []Aim{LatestStart, OneCook, QuietEnd, DayBefore, LeastOven}

// Quiet is how long the end of a quiet plan is, min.
const Quiet = 30

// Kitchen is what there is to hold.
type Kitchen struct {
	Cooks, Burners, Pans, Bowls int
	// Shelves of a fridge; 0 where nobody counts them.
	Shelves int
	Ovens   []Oven
}

// racks are those of all ovens.
func (k *Kitchen) racks() (n int) {
	for _, o := range k.Ovens {
		n += o.Racks
	}
	return n
}

// Oven is one oven: what stands in it at one time has one temperature.
type Oven struct {
	ID    string
	Racks int
	// HeatUp is how long it heats up before its first use and before a hotter one, min; it
	// goes on by itself, with nothing in it.
	HeatUp int
}

// Dish is a dish, as steps. It is ready when the last of them ends, between Most and Least
// minutes before the table.
type Dish struct {
	Name        string
	Steps       []Step
	Least, Most int
}

// Step is one piece of work, or of waiting. It holds what it names for all its minutes.
type Step struct {
	Name                        string
	Minutes                     int
	Hands, Burners, Pans, Bowls int
	Shelves                     int // of a fridge
	// Racks of one oven at Celsius; 0 for none.
	Racks   int
	Celsius float64
	// Grill is the element of an oven: it needs no heating up.
	Grill bool
	After []Gap
}

// Held says whether a step holds anything that somebody has to begin: what stands in the fridge does so by itself.
func (s *Step) Held() bool { return s.Hands+s.Burners+s.Pans+s.Bowls+s.Racks > 0 }

// Ends lists the steps of a dish that nothing comes after.
func (d *Dish) Ends() (out []int) {
	goesOn := make([]bool, len(d.Steps))
	for i := range d.Steps {
		for _, g := range d.Steps[i].After {
			goesOn[g.Step] = true
		}
	}
	for i, on := range goesOn {
		if !on {
			out = append(out, i)
		}
	}
	return out
}

// Whenever is a longest gap that may be as long as it likes.
const Whenever = 1 << 30

// Gap has a step begin no sooner than Least and no later than Most minutes after the end of
// another of its dish; below 0 it begins before that end.
type Gap struct {
	Step        int
	Least, Most int
}

// Supper is what is to be planned.
type Supper struct {
	Kitchen Kitchen
	Dishes  []Dish
	Aim     Aim
	// Pins are steps that begin at that time and at no other.
	Pins []Pin
	// Now is how long before the table it is, min, where there is a now: what is not pinned
	// begins then at the soonest. 0 for none.
	Now int
	// Night is how long before the table the evening before ends, min, for DayBefore.
	Night int
	// Quick asks for a plan with little work, while somebody moves a step.
	Quick bool
	// Rough asks for the first step of all as usual, and with little work for the first that holds anything:
	// to choose between suppers of which one is planned in full afterwards.
	Rough bool
	// Done, once closed, ends the search: nobody waits for the plan any more.
	Done <-chan struct{}

	// window, where narrowed, is how long it may be from the first use of an oven to the last, min.
	window   int
	narrowed bool
	// start, where it is not 0, is how long before the table anything may begin, min: then the first step
	// that holds something is to be as late as can be.
	start int
}

func (s *Supper) step(r Ref) *Step { return &s.Dishes[r.Dish].Steps[r.Step] }

func (s *Supper) over() bool {
	select {
	case <-s.Done:
		return true
	default:
		return false
	}
}

// Pin has a step begin so many minutes before the table: where a cook put it, or when it was
// begun.
type Pin struct {
	Ref
	Start int
}

// The limits of a supper.
const (
	MaxDishes  = 40
	MaxSteps   = 400       // of all dishes
	MaxMinutes = 14 * 1440 // of a step or a gap
)

// Ref names a step of a dish, from 0.
type Ref struct{ Dish, Step int }

// Fault says what of a supper makes no sense.
type Fault struct {
	Code string // too-many, bad-pin, no-step, circular, bad-gap, bad-minutes, bad-window, nothing
	Ref  Ref
}

func (f *Fault) Error() string {
	return fmt.Sprintf("%s: dish %d, step %d", f.Code, f.Ref.Dish, f.Ref.Step)
}

// ErrTooLittle is that of a step that asks for more than the kitchen has at all.
var ErrTooLittle = errors.New("more than the kitchen has")

// LackError names what a step holds more of than there is.
type LackError struct {
	Ref         Ref
	What        string // hands, burners, pans, bowls, shelves, racks
	Needs, Have int
}

func (e *LackError) Error() string {
	return fmt.Sprintf("dish %d, step %d holds %d %s of %d: %s", e.Ref.Dish, e.Ref.Step, e.Needs, e.What, e.Have, ErrTooLittle)
}

// Unwrap gives ErrTooLittle.
func (e *LackError) Unwrap() error { return ErrTooLittle }

// Check gives a *Fault for the first thing that makes no sense, or a *LackError.
func (s *Supper) Check() error {
	total := 0
	if len(s.Dishes) == 0 {
		return &Fault{Code: "nothing"}
	}
	if len(s.Dishes) > MaxDishes {
		return &Fault{Code: "too-many", Ref: Ref{Dish: MaxDishes}}
	}
	for d := range s.Dishes {
		dish := &s.Dishes[d]
		if len(dish.Steps) == 0 {
			return &Fault{"nothing", Ref{d, 0}}
		}
		if total += len(dish.Steps); total > MaxSteps {
			return &Fault{"too-many", Ref{d, 0}}
		}
		if dish.Least < 0 || dish.Most < dish.Least || dish.Most > MaxMinutes {
			return &Fault{"bad-window", Ref{d, 0}}
		}
		for i := range dish.Steps {
			if err := s.checkStep(d, i); err != nil {
				return err
			}
		}
		if i := circular(dish.Steps); i >= 0 {
			return &Fault{"circular", Ref{d, i}}
		}
	}
	pinned := map[Ref]bool{}
	for _, p := range s.Pins {
		if p.Dish < 0 || p.Dish >= len(s.Dishes) || p.Step < 0 || p.Step >= len(s.Dishes[p.Dish].Steps) ||
			pinned[p.Ref] || p.Start < s.Dishes[p.Dish].Steps[p.Step].Minutes || p.Start > MaxMinutes {
			return &Fault{"bad-pin", p.Ref}
		}
		pinned[p.Ref] = true
	}
	return nil
}

func (s *Supper) checkStep(d, i int) error {
	step, at := &s.Dishes[d].Steps[i], Ref{d, i}
	if step.Minutes < 0 || step.Minutes > MaxMinutes {
		return &Fault{"bad-minutes", at}
	}
	for _, g := range step.After {
		if g.Step < 0 || g.Step >= len(s.Dishes[d].Steps) {
			return &Fault{"no-step", at}
		}
		if g.Least < -MaxMinutes || g.Least > MaxMinutes || g.Most != Whenever && (g.Most < g.Least || g.Most > MaxMinutes) {
			return &Fault{"bad-gap", at}
		}
	}
	racks := 0
	for _, o := range s.Kitchen.Ovens {
		racks = max(racks, o.Racks)
	}
	k := &s.Kitchen
	for _, each := range []struct {
		what        string
		needs, have int
	}{{"hands", step.Hands, s.cooks()}, {"burners", step.Burners, k.Burners}, {"pans", step.Pans, k.Pans}, {"bowls", step.Bowls, k.Bowls}, {"shelves", step.Shelves, s.shelves()}, {"racks", step.Racks, racks}} {
		if each.needs < 0 {
			return &Fault{"bad-minutes", at}
		}
		if each.needs > each.have {
			return &LackError{at, each.what, each.needs, each.have}
		}
	}
	return nil
}

func (s *Supper) cooks() int {
	if s.Aim == OneCook {
		return min(1, s.Kitchen.Cooks)
	}
	return s.Kitchen.Cooks
}

// shelves are those of the fridge; more than anyone could hold where nobody counts them.
func (s *Supper) shelves() int {
	if s.Kitchen.Shelves == 0 {
		return math.MaxInt32
	}
	return s.Kitchen.Shelves
}

// capacities is how much of each thing there is, in the order of task.holds.
func (s *Supper) capacities() [5]int {
	return [5]int{s.cooks(), s.Kitchen.Burners, s.Kitchen.Pans, s.Kitchen.Bowls, s.shelves()}
}

// circular gives a step that comes after itself; -1 where none does.
func circular(steps []Step) int {
	const (
		fresh = iota
		open
		closed
	)
	state := make([]int, len(steps))
	var visit func(int) int
	visit = func(i int) int {
		state[i] = open
		for _, g := range steps[i].After {
			switch state[g.Step] {
			case open:
				return g.Step
			case fresh:
				if at := visit(g.Step); at >= 0 {
					return at
				}
			}
		}
		state[i] = closed
		return -1
	}
	for i := range steps {
		if state[i] == fresh {
			if at := visit(i); at >= 0 {
				return at
			}
		}
	}
	return -1
}
