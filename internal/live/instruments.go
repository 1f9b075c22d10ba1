package live

import (
	"cmp"
	"fmt"
	"slices"

	"cuerda/core/cooking"
	"cuerda/internal/device"
)

// Instruments is the course as its instruments see it.
func (c *Course) Instruments() (out *device.ToMeasure) {
	c.ask(func() { out = c.toMeasure() })
	return out
}

func (c *Course) toMeasure() *device.ToMeasure {
	now := c.now()
	out := &device.ToMeasure{Now: now, Speed: c.clock.speed, Over: c.state.Over(now), Heat: []device.OnHeat{}}
	for at, f := range c.heat {
		document, ok := cooking.Actual(c.plan, c.state, at.Dish, now)
		if !ok {
			continue
		}
		d := &c.state.Dishes[at.Dish]
		out.Heat = append(out.Heat, device.OnHeat{Dish: at.Dish + 1, Build: document, Begun: f.begun, Done: d.Steps[at.Step].Done, Turned: slices.Clone(d.Turned)})
	}
	slices.SortFunc(out.Heat, func(a, b device.OnHeat) int { return cmp.Compare(a.Dish, b.Dish) })
	if t, w := c.weighing(); w != nil {
		out.Weighing = &device.Weighing{Key: fmt.Sprintf("%d-%d-%d", t.Dish, t.Step, w.Line), Grams: w.Grams, Within: w.Within}
	}
	return out
}
