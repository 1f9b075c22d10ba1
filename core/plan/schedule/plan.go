package schedule

import (
	"cmp"
	"errors"
	"slices"
)

// Placed is when a step begins, and what of the kitchen it holds.
type Placed struct {
	Ref
	// Start is so many minutes before the table.
	Start   int
	Minutes int
	Cooks   []int // from 0
	Oven    int   // from 0; -1 for none
	Racks   []int // from 0
	Celsius float64
}

// End is when it ends, min before the table.
func (p *Placed) End() int { return p.Start - p.Minutes }

// Plan is when everything begins.
type Plan struct {
	Aim Aim
	// Start is how long before the table the first step begins, min.
	Start int
	// Begin is how long before the table the first step begins that holds anything, hands or an oven.
	Begin int
	// Bound is the shortest that any plan can begin before the table; Proved says that this
	// one does and leaves the least work late or, where the aim is LeastOven, that none has its ovens on for a
	// shorter time.
	Bound  int
	Proved bool
	// Oven is how long it is from the first use of an oven to the last, min; OvenBound the
	// shortest that it can be, as far as that was looked for.
	Oven, OvenBound int
	// Late is how many minutes of hands come later than the aim wants, with all of a step that reaches into that
	// time, and LateBound the least that it can be, as far as that was looked for: in the last half hour (QuietEnd)
	// or on the day (DayBefore).
	Late, LateBound int
	// Waiting is how long steps wait for each other, and dishes for the table, in all, min.
	Waiting int
	// Steps are in the order of their beginning.
	Steps []Placed
	// Heats are when an oven is turned on or up, by what it is to be at.
	Heats []Heat
}

// Heat is an oven heating up, min before the table.
type Heat struct {
	Oven       int
	Start, End int
	Celsius    float64
}

// ErrNoPlan is returned where no plan was found within the work that is spent on one,
// though none was shown to be impossible.
var ErrNoPlan = errors.New("no plan was found")

// Make plans a supper. The error is a *Fault or a *LackError for what makes no sense, an
// *AtOddsError where no plan can be, or ErrNoPlan.
func Make(s *Supper) (*Plan, error) {
	if err := s.Check(); err != nil {
		return nil, err
	}
	best, floor, whole, early := foremost(s)
	if best == nil {
		if whole {
			return nil, atOdds(s)
		}
		return nil, ErrNoPlan
	}
	plan := planOf(s, best, floor, whole)
	if s.Aim == LeastOven {
		return narrow(s, best, plan), nil
	}
	plan.LateBound = min(early.bound, plan.Late)
	plan.Proved = plan.Proved && early.alike && plan.LateBound == plan.Late
	return begin(s, best, plan, early.early[0]), nil
}

// foremost is solve with the hands early that the aim wants so: all that the needs let, or where the
// kitchen does not let all of them, those that leave the least work late. The first of its sets is the plan's.
func foremost(s *Supper) (best *found, floor int, whole bool, early leaving) {
	early = leaving{early: [][]int{nil}, alike: true}
	if s.early() == 0 {
		best, floor, whole = solve(s, nil)
		return best, floor, whole, early
	}
	e := newEarlier(s)
	if e == nil {
		return nil, 0, true, early
	}
	early.early[0], early.bound = e.all(), e.base
	if best, floor, whole = solve(s, early.early[0]); best != nil {
		return best, floor, whole, early
	}
	early = e.least()
	sets := early.early
	whole = true
	for i, set := range sets {
		one, under, all := solve(s, set)
		if floor = under; i > 0 {
			floor = min(floor, under)
		}
		if whole = whole && all; one != nil && (best == nil || one.value < best.value) {
			best, early.early = one, [][]int{set}
		}
	}
	if !early.alike { // another set may begin later: what holds for every plan is left
		n := newNetwork(s)
		n.settleAll()
		floor, whole = energy(n), false
	}
	return best, floor, whole, early
}

// begin has what holds something begin as late as can be, where a plan begins with steps that go on by
// themselves: a soak in the morning is no reason to cook all day. Then everything waits as little as can be.
func begin(s *Supper, best *found, p *Plan, early []int) *Plan {
	c := *s
	if p.Begin < p.Start {
		c.start, c.Quick = p.Start, s.Quick || s.Rough
		if other, _, _ := solve(&c, early); other != nil {
			best = other
		} else {
			c = *s
		}
		c.Quick = s.Quick
	}
	out := planOf(&c, calm(&c, best, early), 0, false)
	out.Bound, out.Proved, out.OvenBound, out.LateBound = p.Bound, p.Proved, p.OvenBound, p.LateBound
	return out
}

// solve gives the best places with some steps of hands done early, a bound below, and
// whether the search was exhausted.
func solve(s *Supper, early []int) (best *found, floor int, whole bool) {
	n, ok := prepared(s, early)
	if !ok {
		return nil, 0, true
	}
	tries := laterTries
	switch {
	case s.Quick:
		tries = 0
	case s.start > 0:
		tries = beginTries
	}
	floor = energy(n)
	look := newSearch(n)
	look.most = againNodes
	whole = look.down()
	if !whole && look.best == nil {
		whole = look.again()
	}
	open := func() bool { return !whole && (look.best == nil || look.best.value > floor) }
	if open() {
		look.improve(floor, tries)
	}
	if open() && s.start == 0 && !s.Quick { // for the proof
		look.nodes, look.most = 0, min(proofNodes, proofWork/len(n.tasks))
		whole = look.down()
	}
	return look.best, floor, whole
}

// prepared is the network of the needs, with some steps of hands done early; false where no places keep them.
func prepared(s *Supper, early []int) (*network, bool) {
	n := newNetwork(s)
	if !n.settleAll() {
		return n, false
	}
	for _, i := range early {
		if !n.forward(s.early(), i) {
			return n, false
		}
	}
	return n, true
}

func planOf(s *Supper, best *found, floor int, whole bool) *Plan {
	n := newNetwork(s)
	start := slices.Max(best.place)
	p := &Plan{Aim: s.Aim, Start: start, Bound: start, Proved: whole || start <= floor}
	if !p.Proved {
		p.Bound = floor
	}
	for i := 1; i < len(n.tasks); i++ {
		t := &n.tasks[i]
		one := Placed{Ref: t.ref, Start: best.place[i], Minutes: t.minutes, Oven: -1, Cooks: []int{}, Racks: []int{}, Celsius: t.celsius}
		if t.racks > 0 {
			one.Oven = best.oven[i]
		}
		if s.step(t.ref).Held() {
			p.Begin = max(p.Begin, one.Start)
		}
		p.Steps = append(p.Steps, one)
	}
	slices.SortStableFunc(p.Steps, func(a, b Placed) int {
		return cmp.Or(b.Start-a.Start, a.Dish-b.Dish, a.Step-b.Step)
	})
	p.allot(s)
	p.heat(s)
	p.Oven = ovenSpan(p)
	p.Waiting = waiting(s, p)
	p.Late = late(s, p)
	return p
}

// allot gives each step its cooks and its racks: those that are free, the one who did the
// step before of the same dish first.
func (p *Plan) allot(s *Supper) {
	cookFree := make([]int, s.cooks()) // until when each is busy, min before the table
	cookDish := make([]int, s.cooks())
	for i := range cookFree {
		cookFree[i], cookDish[i] = 1<<30, -1
	}
	rackFree := make([][]int, len(s.Kitchen.Ovens))
	for o := range rackFree {
		for range s.Kitchen.Ovens[o].Racks {
			rackFree[o] = append(rackFree[o], 1<<30)
		}
	}
	for i := range p.Steps {
		one := &p.Steps[i]
		step := &s.Dishes[one.Dish].Steps[one.Step]
		if one.Minutes == 0 {
			continue
		}
		for range step.Hands {
			who := -1
			for c, free := range cookFree {
				if free >= one.Start && (who < 0 || cookDish[c] == one.Dish && cookDish[who] != one.Dish) {
					who = c
				}
			}
			if who < 0 {
				break // the checker would say so
			}
			cookFree[who], cookDish[who] = one.End(), one.Dish
			one.Cooks = append(one.Cooks, who)
		}
		slices.Sort(one.Cooks)
		if one.Oven < 0 {
			continue
		}
		for at, free := range rackFree[one.Oven] {
			if len(one.Racks) < step.Racks && free >= one.Start {
				rackFree[one.Oven][at] = one.End()
				one.Racks = append(one.Racks, at)
			}
		}
	}
}

// heat says when each oven is turned on and up: as late as it can be.
func (p *Plan) heat(s *Supper) {
	for o := range s.Kitchen.Ovens {
		at := -1e9
		for i := range p.Steps {
			one := &p.Steps[i]
			if one.Oven != o {
				continue
			}
			if grill := s.Dishes[one.Dish].Steps[one.Step].Grill; one.Celsius > at && s.Kitchen.Ovens[o].HeatUp > 0 && !grill {
				p.Heats = append(p.Heats, Heat{o, one.Start + s.Kitchen.Ovens[o].HeatUp, one.Start, one.Celsius})
			}
			at = one.Celsius
		}
	}
}
