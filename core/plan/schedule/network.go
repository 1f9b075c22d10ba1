package schedule

import "slices"

// task is a step, flattened. Its place is how many minutes before the table it begins: the
// smaller, the later.
type task struct {
	ref     Ref
	minutes int
	holds   [5]int // hands, burners, pans, bowls, shelves
	racks   int
	celsius float64
	grill   bool
}

const (
	hands = iota
	burners
	pans
	bowls
	shelves
	racks
)

// edge keeps place[from] >= place[to] + least.
type edge struct{ from, to, least int }

// network is the steps with what holds between them: the latest places that all edges
// allow are their longest paths to the table (node 0).
type network struct {
	s     *Supper
	tasks []task   // 0 is the table
	in    [][]edge // by to
	place []int
	limit int // no place of what counts may be beyond
	start int // nor that of anything else beyond this
	// counts says which steps are to begin as late as can be; nil for all.
	counts []bool

	// served are the dishes of which any of several steps may be the last.
	served []serving

	waits []bool // of settle, all false between calls
	queue []int
}

// serving is a dish with several ends: the last of them is to be within most minutes before the table. As
// places only move away from it, that is lost once all of them are farther.
type serving struct {
	ends []int
	most int
}

// newNetwork gives the network of the needs alone.
func newNetwork(s *Supper) *network {
	n := &network{s: s, tasks: []task{{ref: Ref{-1, -1}}}}
	first := make([]int, len(s.Dishes))
	longest := 0
	for d := range s.Dishes {
		first[d] = len(n.tasks)
		for i := range s.Dishes[d].Steps {
			st := &s.Dishes[d].Steps[i]
			n.tasks = append(n.tasks, task{Ref{d, i}, st.Minutes, [5]int{st.Hands, st.Burners, st.Pans, st.Bowls, st.Shelves}, st.Racks, st.Celsius, st.Grill})
			longest += st.Minutes
			for _, g := range st.After {
				longest += g.Least
			}
		}
		longest += s.Dishes[d].Most
	}
	for _, o := range s.Kitchen.Ovens {
		longest += len(n.tasks) * o.HeatUp
	}
	n.limit = longest + 1 + max(Quiet, s.Night)
	for _, p := range s.Pins {
		n.limit = max(n.limit, p.Start+longest)
	}
	if s.start > 0 {
		n.limit, n.start = min(n.limit, s.start), s.start
		n.counts = make([]bool, len(n.tasks))
		for i := 1; i < len(n.tasks); i++ {
			n.counts[i] = s.step(n.tasks[i].ref).Held()
		}
	}
	n.waits = make([]bool, len(n.tasks))
	n.in, n.place = make([][]edge, len(n.tasks)), make([]int, len(n.tasks))
	for d := range s.Dishes {
		dish := &s.Dishes[d]
		for i := range dish.Steps {
			at := first[d] + i
			n.post(edge{at, 0, dish.Steps[i].Minutes + dish.Least})
			for _, g := range dish.Steps[i].After {
				before := first[d] + g.Step
				n.post(edge{before, at, dish.Steps[g.Step].Minutes + g.Least})
				if g.Most != Whenever {
					n.post(edge{at, before, -dish.Steps[g.Step].Minutes - g.Most})
				}
			}
		}
		var ends []int
		for _, end := range dish.Ends() {
			ends = append(ends, first[d]+end)
		}
		if len(ends) > 1 {
			n.served = append(n.served, serving{ends, dish.Most})
		} else {
			n.post(edge{0, ends[0], -n.tasks[ends[0]].minutes - dish.Most})
		}
	}
	pinned := make([]bool, len(n.tasks))
	for _, p := range s.Pins {
		at := first[p.Dish] + p.Step
		pinned[at] = true
		n.post(edge{at, 0, p.Start})
		n.post(edge{0, at, -p.Start})
	}
	if s.narrowed {
		n.within(s.window)
	}
	for i := 1; s.Now > 0 && i < len(n.tasks); i++ {
		if !pinned[i] {
			n.post(edge{0, i, -s.Now})
		}
	}
	return n
}

// within has everything that stands in an oven begin and end within so many minutes.
func (n *network) within(window int) {
	for i := range n.tasks {
		for j := range n.tasks {
			if a, b := &n.tasks[i], &n.tasks[j]; i != j && a.racks > 0 && b.racks > 0 {
				n.post(edge{j, i, b.minutes - window})
			}
		}
	}
}

func (n *network) post(e edge) { n.in[e.to] = append(n.in[e.to], e) }

func (n *network) unpost(e edge) {
	l := n.in[e.to]
	n.in[e.to] = l[:len(l)-1]
}

// settleEdge is settle for one edge that has just been posted to a network that was settled. Where that moves the
// node that the edge comes from, the two move each other for ever: no places keep it.
func (n *network) settleEdge(e edge) bool { return n.settleFrom(e.to, e.to) }

// settle moves places away from the table until every edge from the queued nodes holds;
// false where none can, or one would lie beyond the limit.
func (n *network) settle(queue ...int) bool { return n.settleFrom(-1, queue...) }

func (n *network) settleFrom(fixed int, queue ...int) bool {
	n.queue = append(n.queue[:0], queue...)
	for _, q := range queue {
		n.waits[q] = true
	}
	for head := 0; head < len(n.queue); head++ {
		to := n.queue[head]
		n.waits[to] = false
		for _, e := range n.in[to] {
			at := n.place[to] + e.least
			if at <= n.place[e.from] {
				continue
			}
			if e.from == 0 || e.from == fixed || at > n.most(e.from) { // the table does not move
				for _, q := range n.queue[head:] {
					n.waits[q] = false
				}
				return false
			}
			n.place[e.from] = at
			if !n.waits[e.from] {
				n.waits[e.from] = true
				n.queue = append(n.queue, e.from)
			}
		}
		if head > 4096 {
			n.queue = append(n.queue[:0], n.queue[head+1:]...)
			head = -1
		}
	}
	return n.inTime()
}

// inTime says whether every dish may still be served when it should.
func (n *network) inTime() bool {
	for _, s := range n.served {
		if !slices.ContainsFunc(s.ends, func(i int) bool { return n.end(i) <= s.most }) {
			return false
		}
	}
	return true
}

// settleAll is settle from every node.
func (n *network) settleAll() bool {
	queue := make([]int, len(n.tasks))
	for i := range queue {
		queue[i] = i
	}
	return n.settle(queue...)
}

// most is how far from the table a step may be.
func (n *network) most(i int) int {
	if n.counts != nil && !n.counts[i] {
		return n.start
	}
	return n.limit
}

// length is how long before the table the first step that counts begins.
func (n *network) length() int { return n.lengthOf(n.place) }

func (n *network) lengthOf(place []int) int {
	if n.counts == nil {
		return slices.Max(place)
	}
	longest := 0
	for i, p := range place {
		if n.counts[i] {
			longest = max(longest, p)
		}
	}
	return longest
}

// end is how long before the table a step ends.
func (n *network) end(i int) int { return n.place[i] - n.tasks[i].minutes }
