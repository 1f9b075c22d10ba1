package schedule

import (
	"math/rand/v2"
	"slices"
)

// The search posts the order of two steps wherever both cannot hold what they hold at once
// (precedence constraint posting on minimal forbidden sets: Igelmund and Radermacher 1983;
// Cesta and others 2002), depth first, the least loss first, and cuts whatever is not better
// than the best. Exhausted, it has proved the best. Where that takes too long, parts of
// the best plan are loosened and laid anew (large neighbourhoods: Shaw 1998).
const (
	againNodes = 600 // of the first search, and of each that begins anew where it found nothing
	proofNodes = 4000
	againTries = 40
	laterNodes = 400 // of each of the others
	laterTries = 160
	beginTries = 5 // of those for when hands begin, of which nobody asks for a proof

	// What a search may cost in all, in nodes times steps: a node of many steps takes longer.
	againWork = 6_000_000
	laterWork = 5_000_000
	proofWork = 1_000_000
)

// search is one search over one network.
type search struct {
	n     *network
	oven  []int    // of each task; -1 while open, and for those that hold none
	users [6][]int // the tasks that hold hands, burners, pans, bowls, shelves and racks
	few   []int
	free  [][]int // places that nobody holds any more
	nodes int
	most  int
	best  *found
	any   bool // the first plan found will do
	// posted is the orders along the way down.
	posted []edge
	// dice, where there are any, decide between ways out that lose little more than the best.
	dice *rand.Rand
}

// found is a plan found.
type found struct {
	value int
	place []int
	oven  []int
	order []edge
}

// conflict is what cannot stand as it is, with the ways out: orders to post, or an oven to
// choose.
type conflict struct {
	orders []edge
	task   int // whose oven is open, where there are no orders
}

func newSearch(n *network) *search {
	s := &search{n: n, oven: make([]int, len(n.tasks))}
	for i := range s.oven {
		t := &n.tasks[i]
		for what, held := range [6]int{t.holds[0], t.holds[1], t.holds[2], t.holds[3], t.holds[4], t.racks} {
			if held > 0 && t.minutes > 0 {
				s.users[what] = append(s.users[what], i)
			}
		}
		s.oven[i] = -1
		if n.tasks[i].racks > 0 && len(n.s.Kitchen.Ovens) == 1 {
			s.oven[i] = 0
		}
	}
	return s
}

// down searches from here; false where it was cut short.
func (s *search) down() bool {
	if s.nodes++; s.nodes > s.most || s.any && s.best != nil || s.n.s.over() {
		return false
	}
	c := s.conflict()
	if c == nil {
		if v := s.n.length(); s.best == nil || v < s.best.value {
			s.best = &found{v, slices.Clone(s.n.place), slices.Clone(s.oven), slices.Clone(s.posted)}
			s.n.limit = min(s.n.limit, s.ceiling())
		}
		return true
	}
	if c.orders == nil {
		return s.chooseOven(c.task)
	}
	type child struct {
		edge  edge
		place []int
		loss  int
		sum   int
	}
	before := s.n.place
	children := make([]child, 0, 6)
	for _, e := range c.orders {
		s.n.place = s.copied(before)
		s.n.post(e)
		if s.n.settleEdge(e) {
			sum := 0
			for i, p := range s.n.place {
				sum += p - before[i]
			}
			children = append(children, child{e, s.n.place, s.n.length(), sum})
		} else {
			s.free = append(s.free, s.n.place)
		}
		s.n.unpost(e)
	}
	if s.dice != nil {
		for i := range children {
			children[i].sum += s.dice.IntN(1 + children[i].sum/2 + 20)
			children[i].loss += s.dice.IntN(4)
		}
	}
	slices.SortStableFunc(children, func(a, b child) int {
		if a.loss != b.loss {
			return a.loss - b.loss
		}
		return a.sum - b.sum
	})
	whole := true
	for i := range children {
		ch := &children[i]
		if s.best != nil && s.n.lengthOf(ch.place) >= s.best.value {
			continue
		}
		s.n.place = ch.place
		s.n.post(ch.edge)
		s.posted = append(s.posted, ch.edge)
		if !s.down() {
			whole = false
		}
		s.posted = s.posted[:len(s.posted)-1]
		s.n.unpost(ch.edge)
		if s.nodes > s.most {
			whole = false
			break
		}
	}
	s.n.place = before
	for i := range children {
		s.free = append(s.free, children[i].place)
	}
	return whole
}

// copied is a copy of places, in what nobody holds any more where there is any.
func (s *search) copied(place []int) []int {
	if n := len(s.free) - 1; n >= 0 {
		out := s.free[n]
		s.free = s.free[:n]
		copy(out, place)
		return out
	}
	return slices.Clone(place)
}

// ceiling is the farthest place of a plan that is better than the best.
func (s *search) ceiling() int {
	if s.best == nil {
		return s.n.limit
	}
	return s.best.value - 1
}

func (s *search) chooseOven(task int) bool {
	whole, triedEmpty := true, map[Oven]bool{}
	for o, oven := range s.n.s.Kitchen.Ovens {
		if oven.Racks < s.n.tasks[task].racks {
			continue
		}
		if !slices.Contains(s.oven, o) { // of two alike and empty one is as good
			alike := Oven{Racks: oven.Racks, HeatUp: oven.HeatUp}
			if triedEmpty[alike] {
				continue
			}
			triedEmpty[alike] = true
		}
		s.oven[task] = o
		if !s.down() {
			whole = false
		}
		if s.nodes > s.most {
			whole = false
			break
		}
	}
	s.oven[task] = -1
	return whole
}

// conflict finds the one that is nearest to the table.
func (s *search) conflict() *conflict {
	n := s.n
	for i := 1; i < len(n.tasks); i++ {
		if n.tasks[i].racks > 0 && s.oven[i] < 0 {
			return &conflict{task: i}
		}
	}
	var best *conflict
	nearest := int(^uint(0) >> 1)
	if n.s.narrowed { // what is tightest first
		if c := s.inOvens(nearest); c != nil {
			return c
		}
	}
	for what, capacity := range n.s.capacities() {
		if at, set := s.overload(s.users[what], capacity, nearest, func(i int) int { return n.tasks[i].holds[what] }); set != nil {
			nearest, best = at, &conflict{orders: s.orders(set, func(_, _ int) int { return 0 })}
		}
	}
	if c := s.inOvens(nearest); c != nil {
		return c
	}
	return best
}

// inOvens finds the conflict in an oven that is nearest to the table, and nearer than so many minutes.
func (s *search) inOvens(nearest int) (best *conflict) {
	n := s.n
	for o := range n.s.Kitchen.Ovens {
		oven := &n.s.Kitchen.Ovens[o]
		in := func(i int) int {
			if s.oven[i] != o {
				return 0
			}
			return n.tasks[i].racks
		}
		heat := func(i, j int) int { // from i to what comes after it
			if n.tasks[j].celsius > n.tasks[i].celsius && !n.tasks[j].grill {
				return oven.HeatUp
			}
			return 0
		}
		if at, set := s.overload(s.users[racks], oven.Racks, nearest, in); set != nil {
			nearest, best = at, &conflict{orders: s.orders(set, heat)}
		}
		if at, i, j := s.twoHeats(o, nearest, heat); i > 0 {
			nearest, best = at, &conflict{orders: s.orders([]int{i, j}, heat)}
		}
	}
	return best
}

// orders are the ways to order two of a set: with those of one that end first.
func (s *search) orders(set []int, gap func(i, j int) int) []edge {
	out := make([]edge, 0, len(set)*(len(set)-1))
	for _, i := range set {
		for _, j := range set {
			if i != j {
				out = append(out, edge{i, j, s.n.tasks[i].minutes + gap(i, j)})
			}
		}
	}
	return out
}

// overload finds the moment nearest to the table, and nearer than so many minutes, at which
// steps hold more than there is, and as few of them as do.
func (s *search) overload(users []int, capacity, nearer int, of func(int) int) (at int, set []int) {
	n := s.n
	// By their end, the nearest to the table first; they stay nearly so from one call to the next.
	line := users
	for k := 1; k < len(line); k++ {
		i := line[k]
		end, at := n.end(i), k
		for at > 0 {
			before := n.end(line[at-1])
			if before < end || before == end && line[at-1] < i {
				break
			}
			line[at] = line[at-1]
			at--
		}
		line[at] = i
	}
	for k, i := range line {
		moment := n.end(i)
		if moment >= nearer {
			break
		}
		sum := of(i)
		if sum == 0 {
			continue
		}
		active := append(s.few[:0], i)
		for _, j := range line[:k] {
			if n.place[j] > moment && of(j) > 0 {
				active = append(active, j)
				sum += of(j)
			}
		}
		s.few = active
		if sum <= capacity {
			continue
		}
		// The largest first make the smallest set.
		slices.SortStableFunc(active[1:], func(a, b int) int { return of(b) - of(a) })
		few, held := active[:0:0], 0
		for _, j := range active {
			few = append(few, j)
			if held += of(j); held > capacity {
				return moment, few
			}
		}
	}
	return 0, nil
}

// twoHeats finds two steps in an oven at two temperatures that overlap, or leave no time to
// heat up.
func (s *search) twoHeats(o, nearer int, heat func(i, j int) int) (at, first, second int) {
	n := s.n
	at = nearer
	users := s.users[racks]
	for k, i := range users {
		if s.oven[i] != o {
			continue
		}
		for _, j := range users[k+1:] {
			if s.oven[j] != o || n.tasks[i].celsius == n.tasks[j].celsius {
				continue
			}
			if n.end(i) >= n.place[j]+heat(i, j) || n.end(j) >= n.place[i]+heat(j, i) {
				continue
			}
			if m := max(n.end(i), n.end(j)); m < at {
				at, first, second = m, i, j
			}
		}
	}
	return at, first, second
}

// again begins anew with other ways out first, until it finds a plan or has proved that
// there is none.
func (s *search) again() (whole bool) {
	s.dice = rand.New(rand.NewPCG(1, 11))
	defer func() { s.dice = nil }()
	left := againWork / len(s.n.tasks)
	for range againTries {
		if s.n.s.over() || left <= 0 {
			return false
		}
		s.nodes, s.most = 0, min(againNodes, left)
		left -= s.most
		if s.down() {
			return true
		}
		if s.best != nil {
			return false
		}
	}
	return false
}

// improve loosens parts of the best plan and lays them anew.
func (s *search) improve(floor, tries int) {
	if s.best == nil {
		return
	}
	rng := rand.New(rand.NewPCG(1, 7))
	base := s.n.place
	ovens := slices.Clone(s.oven)
	left := laterWork / len(s.n.tasks)
	for range tries {
		if s.best.value <= floor || s.n.s.over() || left <= 0 {
			return
		}
		keep := .5 + .4*rng.Float64()
		var kept []edge
		for _, e := range s.best.order {
			if rng.Float64() < keep {
				kept = append(kept, e)
			}
		}
		copy(s.oven, s.best.oven)
		s.n.place = slices.Clone(base)
		s.n.limit = s.ceiling()
		touched := make([]int, 0, len(kept))
		for _, e := range kept {
			s.n.post(e)
			touched = append(touched, e.to)
		}
		if s.n.settle(touched...) {
			s.posted = append(s.posted[:0], kept...)
			s.nodes, s.most = 0, laterNodes
			s.down()
			left -= s.nodes
		}
		for i := len(kept) - 1; i >= 0; i-- {
			s.n.unpost(kept[i])
		}
		s.posted = s.posted[:0]
	}
	copy(s.oven, ovens)
	s.n.place = base
}
