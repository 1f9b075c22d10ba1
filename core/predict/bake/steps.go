package bake

import (
	"errors"
	"slices"

	"cuerda/core/document"
	"cuerda/core/predict/steps"
)

// Step is one knot of the cord.
type Step struct {
	// Code is that of steps.Step.
	Code    string
	Minutes float64
	// Before is when it begins, min before the table.
	Before float64
	// Clock is that time of day, hh:mm, and Day 0, or -1 and less where it is of
	// a day before.
	Clock string
	Day   int
	// Hands says whether someone has to stand there.
	Hands bool
	// Beside says that it goes on while other steps do.
	Beside bool
	// Lines are those of the mix it is about; Times how often it is done over.
	Lines []int
	Times int
	// Part is which part of the document it is about, from 1; 0 for the mix.
	Part int
}

// usualTable is when a document that does not say is eaten, min after midnight.
const usualTable = 19 * 60.

// stepsOf gives the knots of a graph's cord, the earliest first, for a table at that
// minute of its day.
func stepsOf(g *steps.Graph, table float64) []Step {
	begin, err := g.Cord()
	if odds := (*steps.ConflictError)(nil); errors.As(err, &odds) {
		// What keeps for a while would keep too long where one cook does all of it in
		// one go; the cord is laid all the same, and Supper says what is in the way.
		patient := g.Patient()
		begin, err = patient.Cord()
	}
	if err != nil {
		return []Step{} // never: needs of bounds below only go from step to later step
	}
	out := make([]Step, 0, len(begin))
	for _, i := range begin.Order() {
		s := &g.Steps[i]
		knot := Step{
			Code: s.Code, Minutes: s.Minutes, Before: begin[i], Hands: s.Holds.Hands > 0,
			Beside: !slices.Contains(g.Line, i), Lines: s.Lines, Times: s.Times, Part: s.Part,
		}
		knot.Clock, knot.Day = steps.Clock(table - knot.Before)
		out = append(out, knot)
	}
	return out
}

func tableMinutes(d *document.Document) float64 {
	if m, ok := steps.ClockMinutes(d.TableTime); ok {
		return m
	}
	return usualTable
}
