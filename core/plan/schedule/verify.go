package schedule

import (
	"errors"
	"fmt"
)

// Verify goes through a plan by each minute in which something begins, and gives the first thing that it does not
// keep. It shares nothing with the search: times are counted from the first minute on, and
// what is held is added up anew.
func Verify(s *Supper, p *Plan) error {
	begin := 0
	at := map[Ref]*Placed{}
	for i := range p.Steps {
		one := &p.Steps[i]
		if at[one.Ref] != nil {
			return fmt.Errorf("step %v stands twice", one.Ref)
		}
		at[one.Ref] = one
		begin = max(begin, one.Start)
	}
	if begin != p.Start {
		return fmt.Errorf("the first step begins %d min before the table, not %d", begin, p.Start)
	}
	pinned := map[Ref]bool{}
	for _, pin := range s.Pins {
		if pinned[pin.Ref] = true; at[pin.Ref] == nil || at[pin.Ref].Start != pin.Start {
			return fmt.Errorf("step %v is not where it is pinned", pin.Ref)
		}
	}
	for r, one := range at {
		if s.Now > 0 && !pinned[r] && one.Start > s.Now {
			return fmt.Errorf("step %v would have begun before now", r)
		}
	}
	from := func(r Ref) int { return begin - at[r].Start } // min after the beginning
	for d := range s.Dishes {
		ready := 0
		for i := range s.Dishes[d].Steps {
			r := Ref{d, i}
			step := &s.Dishes[d].Steps[i]
			if at[r] == nil || at[r].Minutes != step.Minutes {
				return fmt.Errorf("step %v is missing, or not as long as it is", r)
			}
			ready = max(ready, from(r)+step.Minutes)
			for _, g := range step.After {
				gap := from(r) - from(Ref{d, g.Step}) - s.Dishes[d].Steps[g.Step].Minutes
				if gap < g.Least || g.Most != Whenever && gap > g.Most {
					return fmt.Errorf("step %v begins %d min after step %d", r, gap, g.Step)
				}
			}
		}
		if early := begin - ready; early < s.Dishes[d].Least || early > s.Dishes[d].Most {
			return fmt.Errorf("dish %d is ready %d min before the table", d, early)
		}
	}
	// What is held grows when something begins, and at no other minute.
	for i := range p.Steps {
		if err := verifyMinute(s, p, begin, begin-p.Steps[i].Start); err != nil {
			return err
		}
	}
	return errors.Join(verifyHeats(s, p, begin), verifyOven(p, begin), verifyLate(s, p, begin))
}

// verifyOven sees how long it is from the first minute with something in an oven to the last.
func verifyOven(p *Plan, begin int) error {
	first, last := begin, 0
	for i := range p.Steps {
		if one := &p.Steps[i]; one.Oven >= 0 && one.Minutes > 0 {
			first, last = min(first, begin-one.Start), max(last, begin-one.Start+one.Minutes)
		}
	}
	if span := last - first; span > p.Oven {
		return fmt.Errorf("an oven is on for %d min, not %d", span, p.Oven)
	}
	return nil
}

// verifyLate adds up the work of hands that reaches into the time which the aim wants free of it.
func verifyLate(s *Supper, p *Plan, begin int) error {
	free := map[Aim]int{QuietEnd: Quiet, DayBefore: s.Night}[s.Aim]
	work := 0
	for i := range p.Steps {
		if one := &p.Steps[i]; begin-one.Start+one.Minutes > begin-free {
			work += one.Minutes * s.Dishes[one.Dish].Steps[one.Step].Hands
		}
	}
	if work != p.Late || p.LateBound > p.Late {
		return fmt.Errorf("%d min of hands are late, not %d (at least %d)", work, p.Late, p.LateBound)
	}
	return nil
}

func verifyMinute(s *Supper, p *Plan, begin, minute int) error {
	var hands, burners, pans, bowls, shelves int
	racks, heats := map[int]int{}, map[int]float64{}
	busy := map[int]bool{}
	for i := range p.Steps {
		one := &p.Steps[i]
		if start := begin - one.Start; minute < start || minute >= start+one.Minutes {
			continue
		}
		step := &s.Dishes[one.Dish].Steps[one.Step]
		hands, burners, pans, bowls = hands+step.Hands, burners+step.Burners, pans+step.Pans, bowls+step.Bowls
		shelves += step.Shelves
		if len(one.Cooks) != step.Hands {
			return fmt.Errorf("step %v has %d cooks", one.Ref, len(one.Cooks))
		}
		for _, c := range one.Cooks {
			if busy[c] {
				return fmt.Errorf("cook %d does two things in minute %d", c, minute)
			}
			busy[c] = true
		}
		if step.Racks == 0 {
			continue
		}
		if one.Oven < 0 || one.Oven >= len(s.Kitchen.Ovens) || len(one.Racks) != step.Racks {
			return fmt.Errorf("step %v stands in no oven, or on other racks", one.Ref)
		}
		if other, used := heats[one.Oven]; used && other != step.Celsius {
			return fmt.Errorf("oven %d is to be at %g and %g in minute %d", one.Oven, other, step.Celsius, minute)
		}
		heats[one.Oven] = step.Celsius
		racks[one.Oven] += step.Racks
	}
	k := &s.Kitchen
	if hands > s.cooks() || burners > k.Burners || pans > k.Pans || bowls > k.Bowls || k.Shelves > 0 && shelves > k.Shelves {
		return fmt.Errorf("minute %d holds %d hands, %d burners, %d pans, %d bowls, %d shelves", minute, hands, burners, pans, bowls, shelves)
	}
	for o, n := range racks {
		if n > k.Ovens[o].Racks {
			return fmt.Errorf("minute %d holds %d racks of oven %d", minute, n, o)
		}
	}
	return nil
}

// verifyHeats sees that an oven has time to get hotter.
func verifyHeats(s *Supper, p *Plan, begin int) error {
	for i := range p.Steps {
		for j := range p.Steps {
			a, b := &p.Steps[i], &p.Steps[j]
			if a.Oven < 0 || a.Oven != b.Oven || a.Celsius >= b.Celsius || a.Minutes == 0 || b.Minutes == 0 || s.Dishes[b.Dish].Steps[b.Step].Grill {
				continue
			}
			if end, start := begin-a.End(), begin-b.Start; start >= end && start < end+s.Kitchen.Ovens[a.Oven].HeatUp {
				return fmt.Errorf("oven %d has %d min to go from %g to %g", a.Oven, start-end, a.Celsius, b.Celsius)
			}
		}
	}
	return nil
}
