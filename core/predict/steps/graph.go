// Package steps is the work of a dish as a graph of needs: steps that take minutes and
// hold hands and vessels, and gaps between them that may not be too short or too long.
// The cord is its simplest schedule, that of one cook who does one step after another.
package steps

import (
	"fmt"
	"math"
	"slices"
)

// Step is one piece of work, or of waiting.
type Step struct {
	// Code says what it is: soak, drain, press, oven-dry, roast, toast, saute, brown,
	// cool, gel, blitz, mash, mix, rest, shape, chill, freeze, preheat, sear, cook, grill,
	// set or table; make and brush are of a part.
	Code string
	// Minutes it takes, 0 or more.
	Minutes float64
	// Holds is what it holds for all its minutes.
	Holds Holds
	// After are the steps that come before it.
	After []After
	// Lines are those of the mix it is about; Times how often it is done over.
	Lines []int
	Times int
	// Part is which part of the document it is about, from 1; 0 for the mix.
	Part int
}

// Holds is what a step holds. What is 0 is not held.
type Holds struct {
	// Hands is how many cooks have to stand there.
	Hands int
	// Racks of an oven at Celsius; Grill where the oven is one.
	Racks   int
	Celsius float64
	Grill   bool
	Burners int
	Pans    int
	Bowls   int
	// Shelf says that it stands in the cold.
	Shelf bool
}

// Whenever is a gap that may be as long as it likes.
var Whenever = math.Inf(1)

// After is one need: a step begins no sooner than Least and no later than Most minutes
// after the end of another, or after its start where FromStart is set.
type After struct {
	// Step is the index of the other in the graph.
	Step        int
	FromStart   bool
	Least, Most float64
}

// Graph is the work of one dish, whose last step ends at the table.
type Graph struct {
	Steps []Step
	// Line lists the steps that one cook does one after another, in their order: the
	// cord. The others go on beside them.
	Line []int
}

// Add adds a step and gives its index.
func (g *Graph) Add(s Step) int {
	if s.Times == 0 {
		s.Times = 1
	}
	g.Steps = append(g.Steps, s)
	return len(g.Steps) - 1
}

// Need has a step come after another.
func (g *Graph) Need(step int, a After) { g.Steps[step].After = append(g.Steps[step].After, a) }

// Find gives the index of the first step with that code, of the mix itself; -1 where
// there is none.
func (g *Graph) Find(code string) int {
	for i := range g.Steps {
		if g.Steps[i].Code == code && g.Steps[i].Part == 0 {
			return i
		}
	}
	return -1
}

// Patient gives the same graph with nothing that may not wait as long as it likes, but
// for what has its exact time.
func (g *Graph) Patient() *Graph {
	out := &Graph{Steps: slices.Clone(g.Steps), Line: g.Line}
	for i := range out.Steps {
		s := &out.Steps[i]
		s.After = slices.Clone(s.After)
		for j := range s.After {
			if a := &s.After[j]; a.Most > a.Least {
				a.Most = Whenever
			}
		}
	}
	return out
}

// BadNeedError names a need that is none: of a step that there is not, of itself, or
// with a gap that is no number or shorter than it is long.
type BadNeedError struct {
	Step int
	Need After
}

func (e *BadNeedError) Error() string {
	return fmt.Sprintf("step %d cannot come after step %d with a gap of %g to %g min", e.Step, e.Need.Step, e.Need.Least, e.Need.Most)
}

// Check gives a *BadNeedError for the first need that makes no sense.
func (g *Graph) Check() error {
	for i := range g.Steps {
		for _, a := range g.Steps[i].After {
			if a.Step < 0 || a.Step >= len(g.Steps) || a.Step == i ||
				math.IsNaN(a.Least) || math.IsInf(a.Least, 0) || math.IsNaN(a.Most) || a.Most < a.Least {
				return &BadNeedError{i, a}
			}
		}
	}
	return nil
}
