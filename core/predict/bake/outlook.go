package bake

import (
	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
)

// Alternatives is what else there is to know: what a change would do, and the cold
// before and after. Times in min; null where it does not come to that.
type Alternatives struct {
	// WhatIf says how the minutes to the target would move.
	WhatIf []WhatIf
	// ChillToFirm is how long the raw pieces take in the fridge until they are 8
	// degC all through.
	ChillToFirm *float64
	Cooling     Cooling
	// Freeze is how long raw pieces take to -15 degC inside in the freezer, Thaw
	// from there to 0 in the fridge, FromFrozen when to take them off the heat then.
	Freeze     *float64
	Thaw       *float64
	FromFrozen *float64
	// FrozenTurns are when pieces from the freezer are turned, min: in a pan oftener than others, which
	// is why they take less longer than their ice would have it.
	FrozenTurns []float64
	Keep        safety.Keep
}

// WhatIf is one change: a centimetre more in size, ten degrees less heat, or
// straight from the room.
type WhatIf struct {
	Change  string
	Minutes *float64
	// More is against the piece as it is.
	More float64
}

// Cooling is how cooked pieces come down, on a rack for half an hour and then
// in the fridge, against the usual limits.
type Cooling struct {
	// To21 and To5 count from 57 degC in the middle.
	To21 *float64
	To5  *float64
	// InTime says whether both are within two and six hours.
	InTime bool
}

// longestWait is how long freezing and thawing are followed, min.
const longestWait = 48 * 60

// Explore works the alternatives out. Done, once closed, ends it: nobody waits for the answer
// any more.
func Explore(d *document.Document, k *kitchen.Kitchen, done <-chan struct{}) Alternatives {
	b := prepare(d, k)
	b.budget.Done = done
	out := Alternatives{WhatIf: []WhatIf{}, FrozenTurns: []float64{}, Keep: k.KeepFor(b.heated)}
	if b.stop() != nil {
		return out
	}
	base, now := b.minutes(b.piece, b.celsius, nil)
	for _, change := range []string{"bigger", "cooler", "from-room"} {
		p, celsius := b.piece, b.celsius
		var start *float64
		switch change {
		case "bigger":
			p = thicker(p)
		case "cooler":
			celsius -= 10
		case "from-room":
			start = &b.k.RoomCelsius
		}
		w := WhatIf{Change: change}
		if m, ok := b.minutes(p, celsius, start); ok {
			w.Minutes = &m
			if now {
				w.More = m - base
			}
		}
		out.WhatIf = append(out.WhatIf, w)
	}
	b.cold(&out)
	return out
}

// thicker is a centimetre more where it counts.
func thicker(p piece.Piece) piece.Piece {
	switch {
	case p.Kind.IsFlat():
		p.ThicknessMM += 10
	case p.Kind.IsLoaf():
		p.HeightMM += 10
	case p.Kind == piece.Stuffing:
		if p.DiameterMM == 0 || p.HeightMM == 0 {
			p = piece.HalfVessel
		}
		p.HeightMM += 10
	default:
		p.DiameterMM += 10
		if p.ThicknessMM > 0 {
			p.ThicknessMM += 10
		}
	}
	return p
}

// minutes to the target of a piece like this one.
func (b *baking) minutes(p piece.Piece, celsius float64, start *float64) (float64, bool) {
	if celsius <= b.target.Celsius+1 {
		return 0, false
	}
	c := b.cooking()
	c.Piece, c.Celsius, c.ToTargetOnly = p, celsius, true
	var body *heat.Body
	if start != nil {
		body = c.Begin(*start)
	} else {
		body = b.d.Begin(&c, b.k)
	}
	course := c.Run(body)
	return course.ToTarget, course.Reached
}

// cold follows the piece through fridge and freezer.
func (b *baking) cold(out *Alternatives) {
	c := b.cooking()
	raw := c.Begin(b.rest.Celsius)
	c.Cool(raw, b.k.FridgeCelsius)
	out.ChillToFirm = until(raw, func() bool { _, hot := raw.Extreme(); return hot <= b.k.Parameters.Cold.Firm })

	done := c.Begin(b.target.Celsius)
	done.SurroundAll(heat.Room(&b.k.Parameters.Heat, b.k.RoomCelsius))
	from, at21, at5 := -1., -1., -1.
	moved := false
	done.Advance(longestWait*60, func() bool {
		_, hot := done.Extreme()
		now := done.Seconds / 60
		if !moved && now >= b.k.Parameters.Cold.OnTheRack {
			moved = true
			c.Cool(done, b.k.FridgeCelsius)
		}
		if from < 0 && hot <= safety.CoolStart {
			from = now
		}
		if at21 < 0 && hot <= safety.CoolMiddle {
			at21 = now
		}
		if hot <= safety.CoolEnd {
			at5 = now
		}
		return at5 >= 0
	})
	from = max(from, 0)
	if at21 >= 0 {
		m := at21 - from
		out.Cooling.To21 = &m
	}
	if at5 >= 0 {
		m := at5 - from
		out.Cooling.To5 = &m
		out.Cooling.InTime = at21-from <= safety.CoolFirst && m <= safety.CoolWhole
	}

	out.Freeze = b.freezing()
	if out.Freeze == nil {
		return
	}
	frozenSolid := b.cooking()
	if course := frozenSolid.Run(frozenSolid.Begin(b.k.FreezerCelsius)); course.Reached {
		pull := course.Pull
		out.FromFrozen, out.FrozenTurns = &pull, course.Turns
	}
	thawing := c.Begin(b.k.FreezerCelsius)
	c.Cool(thawing, b.k.FridgeCelsius)
	out.Thaw = until(thawing, func() bool { cold, _ := thawing.Extreme(); return cold >= 0 })
}

// freezing is how long raw pieces, as the rest leaves them, take in the freezer
// until they are frozen inside, min; nil where that takes too long.
func (b *baking) freezing() *float64 {
	c := b.cooking()
	raw := c.Begin(b.rest.Celsius)
	c.Cool(raw, b.k.FreezerCelsius)
	limit := max(b.k.Parameters.Cold.Frozen, b.k.FreezerCelsius+2) // a warm freezer never gets there
	return until(raw, func() bool { _, hot := raw.Extreme(); return hot <= limit })
}

// until follows a body and gives the minutes, or nil where it takes too long.
func until(b *heat.Body, there func() bool) *float64 {
	done := false
	b.Advance(longestWait*60, func() bool { done = there(); return done })
	if !done {
		return nil
	}
	m := b.Seconds / 60
	return &m
}
