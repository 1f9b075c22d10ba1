package schedule

import (
	"math/rand/v2"
	"slices"
)

// Of looking for shorter waits: how many other orders are tried, how much of an order each of them keeps at least,
// nodes of each, and what all may cost, in nodes times steps.
const (
	calmTries = 60
	calmKept  = .4
	calmNodes = 60
	calmWork  = 250_000
)

// calm has steps wait less for each other, and dishes for the table, where the first step stays: first in the order
// that the plan has, then in orders near to it.
func calm(s *Supper, best *found, early []int) *found {
	n, ok := prepared(s, early)
	if !ok {
		return best
	}
	look := newSearch(n)
	base := n.place
	n.limit = best.value
	wait := look.relax(best)
	if s.Quick || s.Rough {
		return best
	}
	look.dice = rand.New(rand.NewPCG(1, 13))
	for tries, left := 0, calmWork/len(n.tasks); tries < calmTries && left > 0 && wait > 0 && !s.over(); tries++ {
		keep := calmKept + (1-calmKept)*look.dice.Float64()
		n.place, look.best, look.any = slices.Clone(base), nil, true
		n.limit = best.value
		look.posted = look.posted[:0]
		touched := make([]int, 0, len(best.order))
		for _, e := range best.order {
			if look.dice.Float64() < keep {
				n.post(e)
				look.posted, touched = append(look.posted, e), append(touched, e.to)
			}
		}
		kept := slices.Clone(look.posted)
		copy(look.oven, best.oven)
		if n.settle(touched...) {
			look.nodes, look.most = 0, calmNodes
			look.down()
			left -= look.nodes
		}
		for i := len(kept) - 1; i >= 0; i-- {
			n.unpost(kept[i])
		}
		if other := look.best; other != nil && other.value <= best.value {
			if less := look.relax(other); less < wait {
				best, wait = other, less
			}
		}
	}
	return best
}

// relax moves steps sooner in the order that a plan has, each with those that it would push, wherever the waits get
// shorter in all, and gives how long they are then.
func (s *search) relax(f *found) int {
	n := s.n
	base := n.place
	defer func() { n.place = base }()
	for _, e := range f.order {
		n.post(e)
	}
	defer func() {
		for i := len(f.order) - 1; i >= 0; i-- {
			n.unpost(f.order[i])
		}
	}()
	n.place = slices.Clone(f.place)
	copy(s.oven, f.oven)
	wait := n.waiting()
	for moved, round := true, 0; moved && round < len(n.tasks); round++ {
		moved = false
		for i := 1; i < len(n.tasks); i++ {
			with, room := n.pushed(i, f.value)
			for ; room > 0; room /= 2 {
				for _, j := range with {
					n.place[j] += room
				}
				if less := n.waiting(); less < wait && n.inTime() && s.conflict() == nil {
					wait, moved = less, true
					break
				}
				for _, j := range with {
					n.place[j] -= room
				}
			}
		}
	}
	f.place = n.place
	return wait
}

// pushed are the steps that begin sooner with one, as they lie as close to it as they may, and how much sooner that
// can be before others lie so or the limits are reached; no step where it cannot.
func (n *network) pushed(step, limit int) (with []int, room int) {
	in := map[int]bool{step: true}
	with, room = []int{step}, 1<<30
	for head := 0; head < len(with); head++ {
		to := with[head]
		far := limit
		if n.counts != nil && !n.counts[to] {
			far = n.start
		}
		room = min(room, far-n.place[to])
		for _, e := range n.in[to] {
			slack := n.place[e.from] - n.place[to] - e.least
			switch {
			case in[e.from]:
			case slack > 0:
			case e.from == 0:
				return nil, 0
			default:
				in[e.from] = true
				with = append(with, e.from)
			}
		}
	}
	for _, to := range with {
		for _, e := range n.in[to] {
			if !in[e.from] {
				room = min(room, n.place[e.from]-n.place[to]-e.least)
			}
		}
	}
	return with, room
}

// waiting is waiting of a plan, by its places.
func (n *network) waiting() int {
	total := 0
	ready := 1 << 30
	for i := 1; i < len(n.tasks); i++ {
		t := &n.tasks[i]
		ready = min(ready, n.end(i))
		dish := &n.s.Dishes[t.ref.Dish]
		for _, g := range dish.Steps[t.ref.Step].After {
			total += n.end(i-t.ref.Step+g.Step) - n.place[i]
		}
		if t.ref.Step == len(dish.Steps)-1 {
			total += ready
			ready = 1 << 30
		}
	}
	return total
}

// waiting is how many minutes steps wait for each other and dishes for the table, in all.
func waiting(s *Supper, p *Plan) int {
	at := map[Ref]*Placed{}
	for i := range p.Steps {
		at[p.Steps[i].Ref] = &p.Steps[i]
	}
	total := 0
	for d := range s.Dishes {
		ready := 1 << 30
		for i := range s.Dishes[d].Steps {
			one := at[Ref{d, i}]
			ready = min(ready, one.End())
			for _, g := range s.Dishes[d].Steps[i].After {
				total += at[Ref{d, g.Step}].End() - one.Start
			}
		}
		total += ready
	}
	return total
}
