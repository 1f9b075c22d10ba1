package steps

import (
	"fmt"
	"math"
	"slices"
)

// Schedule says when each step of a graph begins, min before the table.
type Schedule []float64

// ConflictError says that the needs between some steps cannot all be kept: each of them
// comes after the one before, the first after the last.
type ConflictError struct {
	// Steps are those at odds, in the order of their needs.
	Steps []int
	// Short is by how many minutes the needs around them miss each other.
	Short float64
}

func (e *ConflictError) Error() string {
	return fmt.Sprintf("the needs between steps %v are at odds by %g min", e.Steps, e.Short)
}

// bound says that a step begins at least Least minutes sooner than another: before[From]
// >= before[To] + Least. It may be below 0.
type bound struct {
	from, to int
	least    float64
}

// bounds are all needs of the graph as bounds. A step ends by the table.
func (g *Graph) bounds(inLine bool) []bound {
	var out []bound
	for j := range g.Steps {
		for _, a := range g.Steps[j].After {
			took := g.Steps[a.Step].Minutes
			if a.FromStart {
				took = 0
			}
			out = append(out, bound{a.Step, j, took + a.Least})
			if !math.IsInf(a.Most, 1) {
				out = append(out, bound{j, a.Step, -took - a.Most})
			}
		}
	}
	if inLine {
		for n := 1; n < len(g.Line); n++ {
			i, j := g.Line[n-1], g.Line[n]
			out = append(out, bound{i, j, g.Steps[i].Minutes})
		}
	}
	return out
}

// Latest begins every step as late as its needs let it, whatever it holds. No step of
// any schedule that keeps the needs begins later. It fails with a *BadNeedError, or a
// *ConflictError where no schedule does.
func (g *Graph) Latest() (Schedule, error) { return g.latest(false) }

// Cord begins every step as late as its needs let it with the steps of the line one
// after another. It fails as Latest does.
func (g *Graph) Cord() (Schedule, error) { return g.latest(true) }

// latest is the least solution of the bounds (Bellman and Ford): it goes up from the
// soonest that a step alone could end, as long as a bound asks for more.
func (g *Graph) latest(inLine bool) (Schedule, error) {
	if err := g.Check(); err != nil {
		return nil, err
	}
	bounds := g.bounds(inLine)
	before := make(Schedule, len(g.Steps))
	for i := range g.Steps {
		before[i] = g.Steps[i].Minutes
	}
	raised := make([]int, len(g.Steps)) // the bound that raised it last, plus 1
	last := 0
	for range len(g.Steps) + 1 {
		last = 0
		for n, b := range bounds {
			if want := before[b.to] + b.least; want > before[b.from]+1e-9 {
				before[b.from], raised[b.from], last = want, n+1, b.from+1
			}
		}
		if last == 0 {
			return before, nil
		}
	}
	return nil, conflict(bounds, raised, last-1)
}

// conflict follows what raised a step that never stops rising, until it comes round.
func conflict(bounds []bound, raised []int, at int) error {
	for range raised { // into the circle
		at = bounds[raised[at]-1].to
	}
	e := &ConflictError{}
	for from := at; ; {
		b := bounds[raised[at]-1]
		e.Steps = append(e.Steps, at)
		e.Short += b.least
		if at = b.to; at == from {
			return e
		}
	}
}

// Order lists the steps of the graph by when they begin, those that begin together as
// they stand in the graph.
func (s Schedule) Order() []int {
	out := make([]int, len(s))
	for i := range out {
		out[i] = i
	}
	slices.SortStableFunc(out, func(a, b int) int {
		switch {
		case s[a] > s[b]:
			return -1
		case s[a] < s[b]:
			return 1
		}
		return 0
	})
	return out
}
