package bake

import (
	"math"

	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
)

// lose works out what the piece gives up. Vapour and juice come from the same
// water: what has steamed off the skin is no longer there to drip.
func (b *baking) lose(course *heat.Course, out *Baked) {
	usual := &b.k.Parameters.Losses
	lean, fat, room := 0.0, 0.0, 0.0
	for i := range b.parts {
		p := &b.parts[i]
		if p.RawMeat > 0 {
			lean += p.Mass - p.Fat
			fat += p.Fat
			continue
		}
		// What its paste could still drink before it is as wet as it can hold.
		e := p.Effect(b.rest)
		room += max(0, e.Span-e.Free)
	}
	mass := b.state.Mass
	vapour := min(course.VapourShare*mass, b.state.Water)
	pressed := lean * course.Juiced
	dripping := max(usual.FreeJuice*pressed, pressed-room)
	juice := max(0, min(dripping, b.state.Water)-vapour)
	melted := 0.0
	if pressed > 0 {
		melted = usual.MeltedFat * fat * dripping / pressed
	}
	pct := 100 / mass
	out.WaterLossPct, out.JuiceLossPct, out.FatLossPct = pct*vapour, pct*juice, pct*melted
	out.WeightLossPct = pct * (vapour + juice + melted)
	out.Dryness = "right"
	if !b.state.HasPaste || b.state.Water <= 0 {
		return
	}
	left := 1 - (vapour+juice)/b.state.Water
	dried := append([]mix.Part(nil), b.parts...)
	for i := range dried {
		p := &dried[i]
		gone := p.Water * (1 - left)
		p.Water -= gone
		p.Mass -= gone
	}
	q := mix.Index(b.d.Bowl(dried), b.rest)
	out.CookedQ = &q
	switch {
	case q < usual.Dry:
		out.Dryness = "dry"
	case q > usual.Moist:
		out.Dryness = "moist"
	}
}

// set works out how far the binders have set at the highest temperature of the
// slowest place, and the cooked hold that gives there: section 3.
func (b *baking) set(peak float64, out *Baked) {
	parts := append([]mix.Part(nil), b.parts...)
	seen := map[string]bool{}
	for i := range parts {
		p := &parts[i]
		if !p.Food.Sets || p.GlueHot <= 0 {
			continue
		}
		share := 1 / (1 + math.Exp(-(peak-p.Food.SetC)/2))
		p.GlueHot *= share
		if !seen[p.Food.ID] {
			seen[p.Food.ID] = true
			out.Sets = append(out.Sets, BinderSet{p.Food.ID, p.Food.SetC, share})
		}
	}
	duty := b.d.Duty(b.k)
	e := mix.Sum(b.d.Bowl(parts), b.rest)
	judged := e.Judge(&duty, b.d.Coldness(b.k))
	out.SetKPa, out.SetRatio = judged.CookedRatio*duty.Need.Cooked, judged.CookedRatio
	out.SetChance = judged.Cooked
}
