package bake

import (
	"math"

	"cuerda/core/document"
	"cuerda/core/kitchen"
)

// CoreAfter is what a piece has inside, degC, so many minutes after it met the heat, turned once
// at turned, or half-way where it is nil. ok is false where nothing is cooked.
func CoreAfter(d *document.Document, k *kitchen.Kitchen, minutes float64, turned *float64) (celsius float64, ok bool) {
	c, begin, ok := OnTheHeat(d, k)
	if !ok {
		return 0, false
	}
	p := c.Start(begin(&c, 0))
	left := minutes
	on := func(minutes float64) {
		minutes = min(max(minutes, 0), left)
		p.Advance(minutes)
		left -= minutes
	}
	if c.SearMinutes > 0 {
		on(c.SearMinutes)
		p.Turn()
		on(c.SearMinutes)
		p.OntoHeat()
	}
	grill := min(c.GrillMinutes, left)
	if c.Turn && c.SearMinutes == 0 {
		at := (left - grill) / 2
		if turned != nil {
			at = min(*turned, left-grill)
		}
		on(at)
		p.Turn()
	}
	on(left - grill)
	if grill > 0 {
		p.Grill()
		on(grill)
	}
	core := p.Observe().Core
	return core, !math.IsNaN(core)
}
