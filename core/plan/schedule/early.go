package schedule

import (
	"cmp"
	"math"
	"math/rand/v2"
	"slices"
)

// What looking for the work that is left late may cost in all, in nodes times steps, and with little work; how many
// sets of steps are looked at, and how many that leave as little are planned.
const (
	earlyWork      = 3_000_000
	earlyQuickWork = 200_000
	earlySets      = 5000
	earlyAlike     = 6
	fullCost       = 10 // of overfull, in nodes
	growTries      = 20
	growNoise      = .8
)

// early is how long before the table the aim wants hands to be done, min.
func (s *Supper) early() int {
	switch s.Aim {
	case QuietEnd:
		return Quiet
	case DayBefore:
		return s.Night
	}
	return 0
}

// work is what a step asks of hands, min.
func (t *task) work() int { return t.minutes * t.holds[hands] }

// leaving is what hands are left with late.
type leaving struct {
	// early are the sets of steps to be done early, all of which leave as little.
	early [][]int
	// bound is the least that any plan leaves late, min; alike says that early are all the sets there are.
	bound int
	alike bool
}

// earlier looks for the steps of hands that one plan can have done early, so that as few minutes as can be are left.
// Steps whose needs let each of them be early, or that alone the kitchen lets, make sets; what a set leaves late grows,
// and the first set with a plan is the best. A set that was shown to have none rules all those out that ask for more.
type earlier struct {
	s       *Supper
	minutes int
	steps   []int // that can be early, the least work first
	work    []int // of each
	base    int   // work of those that can not
	left    int   // of the work for finding the best, and for what is found without a proof
	growing int
	none    [][]int // what may be late without a plan, by places in steps
}

// newEarlier takes every step of hands that its needs let be early; nil where no plan keeps the needs.
func newEarlier(s *Supper) *earlier {
	n := newNetwork(s)
	if !n.settleAll() {
		return nil
	}
	e := &earlier{s: s, minutes: s.early(), left: earlyWork}
	if s.Quick || s.Rough {
		e.left = earlyQuickWork
	}
	e.growing = e.left
	for i := 1; i < len(n.tasks); i++ {
		if n.tasks[i].work() == 0 || n.end(i) >= e.minutes {
			continue
		}
		before := slices.Clone(n.place)
		if n.forward(e.minutes, i) {
			e.steps = append(e.steps, i)
		} else {
			e.base += n.tasks[i].work()
		}
		n.unpost(edge{to: 0})
		n.place = before
	}
	slices.SortStableFunc(e.steps, func(a, b int) int { return cmp.Compare(n.tasks[a].work(), n.tasks[b].work()) })
	for _, i := range e.steps {
		e.work = append(e.work, n.tasks[i].work())
	}
	return e
}

// forward has a step done so long before the table; false where the needs do not let it.
func (n *network) forward(minutes, step int) bool {
	e := edge{step, 0, n.tasks[step].minutes + minutes}
	n.post(e)
	return n.settleEdge(e)
}

// all are all the steps, to be done early, but those at so many places.
func (e *earlier) all(late ...int) (early []int) {
	for place, i := range e.steps {
		if !slices.Contains(late, place) {
			early = append(early, i)
		}
	}
	return early
}

// fits says whether a plan has these steps early, and where none was found whether there is none.
func (e *earlier) fits(early []int) (ok, whole bool) {
	n, ok := prepared(e.s, early)
	if !ok {
		return false, true
	}
	if e.left -= fullCost * len(n.tasks); overfull(n) {
		return false, true
	}
	look := newSearch(n)
	look.any, look.most = true, againNodes
	whole = look.down()
	e.left -= look.nodes * len(n.tasks)
	return look.best != nil, whole && look.best == nil
}

// without has what the kitchen does not let be early even alone count as late.
func (e *earlier) without() {
	for place := len(e.steps) - 1; place >= 0 && e.left > 0; place-- {
		if ok, none := e.fits(e.steps[place : place+1]); !ok && none {
			e.base += e.work[place]
			e.steps, e.work = slices.Delete(e.steps, place, place+1), slices.Delete(e.work, place, place+1)
		}
	}
}

// lateSet is steps that are left late, by their places, growing.
type lateSet struct {
	sum  int
	late []int
}

// least gives the sets that leave the least late, where having all early has no plan.
func (e *earlier) least() leaving {
	if ok, _ := e.fits(nil); !ok {
		return leaving{early: [][]int{nil}, alike: true} // nor has anything else
	}
	e.without()
	out := leaving{bound: -1, alike: true}
	line := []lateSet{{}}
	for tried := 0; len(line) > 0 && tried < earlySets && e.left > 0; tried++ {
		set := line[0]
		line = line[1:]
		if len(out.early) > 0 && set.sum > out.bound {
			break
		}
		line = e.next(line, set)
		if slices.ContainsFunc(e.none, func(none []int) bool { return contains(none, set.late) }) {
			continue
		}
		early := e.all(set.late...)
		ok, none := e.fits(early)
		switch {
		case ok && len(out.early) == earlyAlike:
			out.alike = false
		case ok:
			out.early = append(out.early, early)
			if out.bound < 0 {
				out.bound = set.sum
			}
		case none:
			e.none = append(e.none, set.late)
		default:
			out.alike = false
			if out.bound < 0 {
				out.bound = set.sum
			}
		}
	}
	if len(out.early) > 0 && len(line) > 0 && line[0].sum <= out.bound {
		out.alike = false // the work was at its end before all of them were looked at
	}
	if len(out.early) == 0 {
		if out.alike = false; out.bound < 0 && len(line) > 0 {
			out.bound = line[0].sum
		}
		out.early = [][]int{e.grow()}
	}
	out.bound = max(out.bound, 0) + e.base
	return out
}

// next adds the sets that come out of one: with the next step, and with that in place of its last. So each comes
// once, after those with less work.
func (e *earlier) next(line []lateSet, set lateSet) []lateSet {
	last := -1
	if len(set.late) > 0 {
		last = set.late[len(set.late)-1]
	}
	if last+1 == len(e.steps) {
		return line
	}
	add := func(late []int, sum int) {
		at, _ := slices.BinarySearchFunc(line, sum, func(one lateSet, sum int) int {
			return cmp.Or(cmp.Compare(one.sum, sum), -1) // after those alike
		})
		line = slices.Insert(line, at, lateSet{sum, late})
	}
	add(append(slices.Clone(set.late), last+1), set.sum+e.work[last+1])
	if last >= 0 {
		late := slices.Clone(set.late)
		late[len(late)-1] = last + 1
		add(late, set.sum-e.work[last]+e.work[last+1])
	}
	return line
}

// contains says whether all of part is in whole; both grow.
func contains(whole, part []int) bool {
	for _, p := range part {
		if _, in := slices.BinarySearch(whole, p); !in {
			return false
		}
	}
	return true
}

// grow has one step after another early wherever a plan is found: the longest work first, and then in other orders
// that are near to it.
func (e *earlier) grow() (best []int) {
	e.left = e.growing
	r := rand.New(rand.NewPCG(1, 5))
	order := make([]int, len(e.steps))
	for i := range order {
		order[i] = len(order) - 1 - i
	}
	most := -1
	for tries := 0; tries < growTries && e.left > 0; tries++ {
		early, sum := []int(nil), 0
		for _, place := range order {
			if e.left <= 0 {
				break
			}
			more := append(slices.Clone(early), e.steps[place])
			if ok, _ := e.fits(more); ok {
				early, sum = more, sum+e.work[place]
			}
		}
		if sum > most {
			best, most = early, sum
		}
		weight := make([]float64, len(e.steps))
		for place := range weight {
			weight[place] = float64(e.work[place]) * math.Exp(growNoise*r.NormFloat64())
		}
		slices.SortFunc(order, func(a, b int) int { return cmp.Or(cmp.Compare(weight[b], weight[a]), a-b) })
	}
	return best
}

// late is how many minutes of hands a plan leaves for later than the aim wants: the work of all steps that end then.
func late(s *Supper, p *Plan) int {
	total := 0
	for i := range p.Steps {
		if one := &p.Steps[i]; one.End() < s.early() {
			total += one.Minutes * s.step(one.Ref).Hands
		}
	}
	return total
}
