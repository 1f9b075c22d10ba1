package heat

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// stepsIn counts the steps of so many hours in the fridge.
func stepsIn(p piece.Piece, celsius, hours float64) (steps int, b *Body) {
	c := cooking(p, method.StillOven, 180, 74)
	b = c.Begin(20)
	c.Cool(b, celsius)
	b.Advance(3600*hours, func() bool { steps++; return false })
	return steps, b
}

// A body that has come to the temperature of its fridge has nothing more to do: it took
// 20 000 steps for a night, swinging about its end by tenths.
func TestAPieceAtRestTakesFewSteps(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	for _, p := range []piece.Piece{
		{Kind: piece.Loaf, LengthMM: 5, WidthMM: 70, HeightMM: 110}, {Kind: piece.Loaf, LengthMM: 5, WidthMM: 300, HeightMM: 5},
		{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 5}, {Kind: piece.Patty, DiameterMM: 5, ThicknessMM: 600},
		{Kind: piece.Ball, DiameterMM: 5}, ball28, patty, inTin,
	} {
		for _, celsius := range []float64{12, 4} {
			steps, b := stepsIn(p, celsius, 48)
			assert.Less(t, steps, 800, "%+v at %g", p, celsius)
			cold, hot := b.Extreme()
			assert.InDelta(t, celsius, cold, 0.1, "%+v", p)
			assert.InDelta(t, celsius, hot, 0.1, "%+v", p)
		}
	}
}

// What cooks cook stays well within the budget; what nobody does ends with it.
func TestABudgetIsEnoughForCooksAndEndsTheRest(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	cost := func(p piece.Piece, m method.Method, start float64, grill float64) (spent float64, budget *Budget) {
		c := cooking(p, m, m.Row().Celsius, 74)
		c.Turn, c.GrillMinutes, c.Budget = true, grill, new(Budget)
		c.Run(c.Begin(start))
		return c.Budget.spent, c.Budget
	}
	for _, kind := range piece.Kinds {
		for _, m := range method.Methods() {
			if kind.IsLoaf() && (m == method.ShallowOil || m == method.Pan) {
				continue // nobody turns a loaf in a pan
			}
			spent, budget := cost(piece.Usual(kind), m, 6, 4)
			assert.Less(t, spent, wholeBudget/2, "%s, %s", kind, m)
			assert.False(t, budget.Spent())
		}
	}
	for _, p := range []piece.Piece{
		{Kind: piece.Loaf, LengthMM: 5, WidthMM: 12, HeightMM: 5}, {Kind: piece.Ball, DiameterMM: 5}, {Kind: piece.Loaf, LengthMM: 600, WidthMM: 110, HeightMM: 5},
	} {
		for _, m := range []method.Method{method.FanOven, method.Pan} {
			for _, start := range []float64{-30, 6} {
				spent, _ := cost(p, m, start, 60)
				assert.Less(t, spent, 1.05*wholeBudget, "%+v, %s from %g", p, m, start)
			}
		}
	}
}

func TestWorkEndsWhenNobodyWaitsForIt(t *testing.T) {
	gone := make(chan struct{})
	close(gone)
	c := cooking(inTin, method.StillOven, 177, 74)
	c.Budget = &Budget{Done: gone}
	got := c.Run(c.Begin(6))
	assert.False(t, got.Reached)
	assert.Zero(t, c.Budget.spent)
}

func ExampleBudget() {
	c := cooking(ball28, method.StillOven, 190, 71)
	c.Budget = new(Budget)
	c.Run(c.Begin(6))
	fmt.Println(c.Budget.Spent())
	// Output: false
}

// The hours a piece is followed for were once over but for a rounding, which is too short
// to advance: it was waited for without end.
func TestWhatIsNeverDoneEndsWithItsHours(t *testing.T) {
	c := cooking(ball28, method.StillOven, 190, 400)
	for _, rounded := range []float64{0, 1e-12, 1e-10, 5e-10} {
		r := c.start(c.Begin(20))
		r.body.Seconds = 60*longestCook - rounded
		r.cook()
		assert.False(t, r.course.Reached)
		assert.InDelta(t, longestCook, r.course.ToTarget, 1e-6)
	}
}
