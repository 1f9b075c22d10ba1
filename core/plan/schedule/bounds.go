package schedule

import "slices"

// energy is a bound below on how long before the table the first step must begin: what a
// group of steps holds of one thing takes at least its sum over how much there is of it,
// between the soonest end and the latest beginning of the group (Carlier and Pinson 1989,
// on heads and tails; the sums of energetic reasoning, Baptiste and others 1999). n holds
// the needs alone.
func energy(n *network) int {
	heads := headsOf(n)
	best := n.length()
	for capacity, of := range n.things {
		best = max(best, group(n, heads, capacity, of))
	}
	return best
}

// things goes through all that steps hold: how much there is of it, and how much of it a step holds.
func (n *network) things(yield func(capacity int, of func(*task) int) bool) {
	for what, capacity := range n.s.capacities() {
		if !yield(capacity, func(t *task) int { return t.holds[what] }) {
			return
		}
	}
	yield(n.s.Kitchen.racks(), func(t *task) int { return t.racks })
}

// holders are the steps that hold a thing for any time.
func (n *network) holders(of func(*task) int) (who []int) {
	for i := 1; i < len(n.tasks); i++ {
		if of(&n.tasks[i]) > 0 && n.tasks[i].minutes > 0 {
			who = append(who, i)
		}
	}
	return who
}

// headsOf gives how long after the first step that counts a step begins at least: the longest
// path through needs from any such step before it.
func headsOf(n *network) []int {
	heads := make([]int, len(n.tasks))
	for i := range heads {
		if n.counts != nil && !n.counts[i] {
			heads[i] = before
		}
	}
	for changed, round := true, 0; changed && round <= len(n.tasks); round++ {
		changed = false
		for to := range n.in {
			for _, e := range n.in[to] {
				if e.from == 0 || to == 0 || e.least < 0 {
					continue
				}
				if h := heads[e.from] + e.least; heads[e.from] > before && h > heads[to] {
					heads[to], changed = h, true
				}
			}
		}
	}
	return heads
}

// before is the head of what does not count and comes after nothing that does.
const before = -1 << 30

func group(n *network, heads []int, capacity int, of func(*task) int) int {
	if capacity <= 0 {
		return 0
	}
	who := slices.DeleteFunc(n.holders(of), func(i int) bool { return heads[i] <= before })
	best := 0
	slices.SortFunc(who, func(a, b int) int { return heads[b] - heads[a] })
	for _, last := range who {
		// Those that end at least as long before the table as this one, by falling head.
		tail, sum := n.end(last), 0
		for _, i := range who {
			if n.end(i) < tail {
				continue
			}
			sum += of(&n.tasks[i]) * n.tasks[i].minutes
			best = max(best, heads[i]+(sum+capacity-1)/capacity+tail)
		}
	}
	return best
}

// farthest is how long before the table each step may begin at most, by the needs alone.
func farthest(n *network) []int {
	out := make([]int, len(n.tasks))
	for i := 1; i < len(out); i++ {
		out[i] = n.most(i)
	}
	for changed, round := true, 0; changed && round <= len(n.tasks); round++ {
		changed = false
		for to := 1; to < len(n.in); to++ {
			for _, e := range n.in[to] {
				if at := out[e.from] - e.least; at < out[to] {
					out[to], changed = at, true
				}
			}
		}
	}
	return out
}

// overfull says that the steps which must lie between two moments, by the needs, hold more of one thing than there
// is of it in that time (the sums of energetic reasoning, as above): no plan keeps the needs.
func overfull(n *network) bool {
	far := farthest(n)
	for capacity, of := range n.things {
		if full(n, far, capacity, of) {
			return true
		}
	}
	return false
}

func full(n *network, far []int, capacity int, of func(*task) int) bool {
	who := n.holders(of)
	slices.SortFunc(who, func(a, b int) int { return far[a] - far[b] })
	for _, last := range who {
		// Those that end no nearer to the table than this one, by how far they may begin.
		from, sum := n.end(last), 0
		for _, i := range who {
			if n.end(i) < from {
				continue
			}
			if sum += of(&n.tasks[i]) * n.tasks[i].minutes; sum > capacity*(far[i]-from) {
				return true
			}
		}
	}
	return false
}
