package schedule

// narrow gives the plan that has its ovens on for the shortest time, from the first use to the
// last, and of those the one that begins the latest, by halving what is between the shortest
// that could be and what was found. A window that a search was exhausted for and found nothing
// in is shown to be too short, and all shorter ones with it.
func narrow(s *Supper, place *found, best *Plan) *Plan {
	low, proven, bound := ovenFloor(s), ovenFloor(s), best.Bound
	c := *s
	c.narrowed = true
	for low < best.Oven && !s.over() {
		c.window = (low + best.Oven) / 2
		found, whole := fits(&c)
		if found == nil {
			low = c.window + 1
			if whole {
				proven = low
			}
			continue
		}
		place, best = found, planOf(&c, found, 0, false)
	}
	c.window = best.Oven
	if found, floor, whole := solve(&c, nil); found != nil {
		place, best = found, planOf(&c, found, floor, whole)
	}
	best = begin(&c, place, best, nil)
	best.Bound, best.OvenBound = bound, min(proven, best.Oven)
	best.Proved = best.OvenBound == best.Oven
	return best
}

// fits looks for any plan, with little work; whole says that there is none where it found none.
func fits(s *Supper) (first *found, whole bool) {
	n := newNetwork(s)
	if !n.settleAll() {
		return nil, true
	}
	look := newSearch(n)
	look.any = true
	look.most = proofNodes
	if whole = look.down(); !whole && look.best == nil {
		whole = look.again()
	}
	return look.best, whole
}

// ovenSpan is how long a plan has anything in an oven, from the first to the last, min.
func ovenSpan(p *Plan) int {
	first, last, any := 0, 1<<30, false
	for i := range p.Steps {
		if one := &p.Steps[i]; one.Oven >= 0 {
			first, last, any = max(first, one.Start), min(last, one.End()), true
		}
	}
	if !any {
		return 0
	}
	return first - last
}

// ovenFloor is a bound below on ovenSpan: what stands at one temperature takes the longest of it and,
// over all racks, its sum; one oven has its temperatures one after another.
func ovenFloor(s *Supper) int {
	type heat struct{ longest, sum int }
	heats := map[float64]*heat{}
	racks := s.Kitchen.racks()
	for d := range s.Dishes {
		for i := range s.Dishes[d].Steps {
			step := &s.Dishes[d].Steps[i]
			if step.Racks == 0 {
				continue
			}
			h := heats[step.Celsius]
			if h == nil {
				h = &heat{}
				heats[step.Celsius] = h
			}
			h.longest, h.sum = max(h.longest, step.Minutes), h.sum+step.Racks*step.Minutes
		}
	}
	floor := 0
	for _, h := range heats {
		least := max(h.longest, (h.sum+max(racks, 1)-1)/max(racks, 1))
		if len(s.Kitchen.Ovens) > 1 {
			floor = max(floor, least)
		} else {
			floor += least
		}
	}
	return floor
}
