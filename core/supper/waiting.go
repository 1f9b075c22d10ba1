package supper

import "slices"

// calm moves steps earlier, where that makes the waits between steps shorter in all, the
// first step of all stays where it is, and everything still fits: what waits for several
// things begins when the last of them is there.
func calm(s *Supper, best *found) {
	n := newNetwork(s)
	for _, e := range best.order {
		n.post(e)
	}
	n.place = slices.Clone(best.place)
	look := newSearch(n)
	copy(look.oven, best.oven)
	gain := gains(n, s)
	for moved, round := true, 0; moved && round < len(n.tasks); round++ {
		moved = false
		for i := 1; i < len(n.tasks); i++ {
			if gain[i] <= 0 {
				continue
			}
			room := best.value - n.place[i]
			if n.counts != nil && !n.counts[i] {
				room = n.start - n.place[i]
			}
			for _, e := range n.in[i] {
				room = min(room, n.place[e.from]-n.place[i]-e.least)
			}
			if room <= 0 {
				continue
			}
			n.place[i] += room
			if look.conflict() != nil || !n.inTime() {
				n.place[i] -= room
				continue
			}
			moved = true
		}
	}
	best.place = n.place
}

// gains are how many waits get shorter, less how many get longer, with each minute that a
// step begins sooner.
func gains(n *network, s *Supper) []int {
	at := map[Ref]int{}
	for i := range n.tasks {
		at[n.tasks[i].ref] = i
	}
	out := make([]int, len(n.tasks))
	for i := range out {
		out[i] = -1 // the table, or more below
	}
	for d := range s.Dishes {
		goesOn := map[int]bool{}
		for i := range s.Dishes[d].Steps {
			to := at[Ref{d, i}]
			for _, g := range s.Dishes[d].Steps[i].After {
				from := at[Ref{d, g.Step}]
				out[to]++
				if goesOn[from] {
					out[from]--
				}
				goesOn[from] = true
			}
		}
	}
	return out
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
