package schedule

import (
	"fmt"
	"slices"
)

// AtOddsError says that no plan can be, and the least that would have to give.
type AtOddsError struct {
	// Ways are single changes of which each makes room; the least first. Where there are
	// none, none was found with the work that is spent on looking.
	Ways []Way
}

func (e *AtOddsError) Error() string {
	return fmt.Sprintf("no plan can keep every need; %d single changes would make room", len(e.Ways))
}

// Way is a single change that makes room.
type Way struct {
	// Code is ready (a dish may be ready so many minutes sooner), gap (a step may wait so
	// many minutes for another), pin (a step is not pinned), late (the table is so many
	// minutes later), cook, burner, pan, bowl, shelf, rack or oven (one more), or drop (the dish is not
	// made).
	Code string
	// Ref is the dish or the step; After the step that it waits for.
	Ref   Ref
	After int
	// Minutes is what the limit would have to be.
	Minutes int
}

// longestRelief is how much longer than it may be a wait is made to see whether that helps,
// min, and reliefTries how many changes are tried in all.
const (
	longestRelief = 720
	reliefTries   = 300
	reliefWork    = 2_500_000 // of all of them, as againWork
	lateStep      = 5         // in which a later table is tried, min
	latest        = 360       // that it is tried
)

// atOdds looks for single changes that make room.
func atOdds(s *Supper) error {
	out := &AtOddsError{}
	tried, left := 0, reliefWork
	fits := func(change func(*Supper)) bool {
		if tried++; tried > reliefTries || left <= 0 || s.over() {
			return false
		}
		c := clone(s)
		change(c)
		ok, work := solvable(c)
		left -= work
		return ok
	}
	least := func(at int, set func(*Supper, int)) (int, bool) {
		if !fits(func(c *Supper) { set(c, at+longestRelief) }) {
			return 0, false
		}
		low, high := at, at+longestRelief // low does not fit, high does
		for high-low > 1 {
			if middle := (low + high) / 2; fits(func(c *Supper) { set(c, middle) }) {
				high = middle
			} else {
				low = middle
			}
		}
		return high, true
	}
	for _, more := range []struct {
		code string
		add  func(*Kitchen)
	}{
		{"cook", func(k *Kitchen) { k.Cooks++ }}, {"burner", func(k *Kitchen) { k.Burners++ }}, {"pan", func(k *Kitchen) { k.Pans++ }},
		{"bowl", func(k *Kitchen) { k.Bowls++ }},
		{"shelf", func(k *Kitchen) { k.Shelves++ }},
		{"rack", func(k *Kitchen) {
			for o := range k.Ovens {
				k.Ovens[o].Racks++
			}
		}},
		{"oven", func(k *Kitchen) {
			if len(k.Ovens) > 0 {
				k.Ovens = append(k.Ovens, k.Ovens[0])
			}
		}},
	} {
		if more.code == "cook" && s.Aim == OneCook || more.code == "shelf" && s.Kitchen.Shelves == 0 {
			continue
		}
		if fits(func(c *Supper) { more.add(&c.Kitchen) }) {
			out.Ways = append(out.Ways, Way{Code: more.code})
		}
	}
	for i := range s.Pins {
		if fits(func(c *Supper) { c.Pins = slices.Delete(slices.Clone(c.Pins), i, i+1) }) {
			out.Ways = append(out.Ways, Way{Code: "pin", Ref: s.Pins[i].Ref})
		}
	}
	for d := range s.Dishes {
		if len(s.Dishes) > 1 && fits(func(c *Supper) { drop(c, d) }) {
			out.Ways = append(out.Ways, Way{Code: "drop", Ref: Ref{d, 0}})
		}
	}
	if s.Now > 0 {
		later := func(c *Supper, minutes int) {
			c.Now += minutes
			c.Pins = slices.Clone(c.Pins)
			for i := range c.Pins {
				c.Pins[i].Start += minutes
			}
		}
		// What has begun may not wait for ever: much later may fit no more.
		for m := lateStep; m <= latest; m += lateStep {
			if !fits(func(c *Supper) { later(c, m) }) {
				continue
			}
			for m > 1 && fits(func(c *Supper) { later(c, m-1) }) {
				m--
			}
			out.Ways = append(out.Ways, Way{Code: "late", Minutes: m})
			break
		}
	}
	for d := range s.Dishes {
		if m, ok := least(s.Dishes[d].Most, func(c *Supper, m int) { c.Dishes[d].Most = m }); ok {
			out.Ways = append(out.Ways, Way{Code: "ready", Ref: Ref{d, 0}, Minutes: m})
		}
		for i := range s.Dishes[d].Steps {
			for k, g := range s.Dishes[d].Steps[i].After {
				if g.Most == Whenever {
					continue
				}
				if m, ok := least(g.Most, func(c *Supper, m int) { c.Dishes[d].Steps[i].After[k].Most = m }); ok {
					out.Ways = append(out.Ways, Way{Code: "gap", Ref: Ref{d, i}, After: g.Step, Minutes: m})
				}
			}
		}
	}
	return out
}

// drop leaves a dish out, with its place kept.
func drop(s *Supper, dish int) {
	s.Dishes[dish] = Dish{Name: s.Dishes[dish].Name, Steps: []Step{{}}, Most: MaxMinutes}
	s.Pins = slices.DeleteFunc(slices.Clone(s.Pins), func(p Pin) bool { return p.Dish == dish })
}

// solvable says whether a plan is found with little work, and how much that was.
func solvable(s *Supper) (ok bool, work int) {
	n := newNetwork(s)
	if !n.settleAll() {
		return false, len(n.tasks)
	}
	look := newSearch(n)
	look.any = true
	look.most = againNodes
	look.down()
	return look.best != nil, look.nodes * len(n.tasks)
}

func clone(s *Supper) *Supper {
	out := *s
	out.Kitchen.Ovens = append([]Oven(nil), s.Kitchen.Ovens...)
	out.Dishes = append([]Dish(nil), s.Dishes...)
	for d := range out.Dishes {
		out.Dishes[d].Steps = append([]Step(nil), out.Dishes[d].Steps...)
		for i := range out.Dishes[d].Steps {
			step := &out.Dishes[d].Steps[i]
			step.After = append([]Gap(nil), step.After...)
		}
	}
	return &out
}
