package mix

import "cuerda/core/food"

// Effect is what parts give to a mix after a rest: sums that add up over the
// parts, so that a search can move along amounts without going through all
// lines again. Masses in g, glue in kPa g / 100.
type Effect struct {
	// Mass is all of it, Moist its water, wherever that is, and Fat its fat.
	Mass, Moist, Fat float64
	// Chunk is the mass of the pieces, and Broken the part of it that breaks the paste.
	Chunk, Broken float64
	// Free is the water and liquid oil that wet the paste, less what brings it
	// to the plastic limit; Span the water from there to the liquid limit.
	Free, Span float64
	// FreeHot and SpanHot are the same once heat has completed the hydration and
	// gelatinised the starch.
	FreeHot, SpanHot float64
	// GlueCold and GlueHot are before the salt of the mix acts on raw meat; Set is the
	// part of GlueHot that heat sets, the rest only softens.
	GlueCold, GlueHot, Set float64
	// Egg, Meat (raw, with fish), Starch, Nut (with seeds and their flours) and Leaf (raw
	// vegetable in pieces) are masses of kinds of food; Gel is gel formers by their glue.
	// Weep is the liquid that raw vegetable still gives up, Powder flours, starches, crumbs and flakes.
	Egg, Meat, Starch, Nut, Leaf, Gel, Weep, Powder float64
	// Stuff are the masses of the stuffs of foods.
	Stuff [food.Stuffs]float64
}

// sweats is the share of its water that raw vegetable in pieces gives up to the mix as it
// cooks and its cells burst: kitchen judgement, grade C.
const sweats = 0.3

// Effect says what the part by itself gives to a mix.
func (p *Part) Effect(rest Rest) Effect { return p.effect(rest, warmthFactor(rest.Celsius)) }

func (p *Part) effect(rest Rest, warmth float64) Effect {
	t := newTerm(p, rest, warmth)
	return t.effect(p)
}

func (t *term) effect(p *Part) Effect {
	f := p.Food
	e := Effect{
		Mass: p.Mass, Moist: p.Water, Fat: p.Fat, Chunk: p.Mass * p.Chunk, Broken: p.Mass * p.Chunk * f.Breaks,
		GlueCold: t.glueCold, GlueHot: t.glueHot, Set: t.glueHot * f.SetShare,
	}
	wet := t.water + 0.3*p.FreeOil
	e.Free, e.Span = wet-t.plastic, t.liquid-t.plastic
	hot := t.paste * p.Solids() * max(1, f.HotDrink)
	e.FreeHot, e.SpanHot = wet-hot*f.Plastic, hot*(f.Liquid-f.Plastic)
	if f.Group == food.Vegetable && f.State == food.Raw {
		e.FreeHot += sweats * p.Water * p.Chunk
	}
	if f.Stuff >= 0 {
		e.Stuff[f.Stuff] = p.Mass
	}
	switch f.Group {
	case food.GrainBinder, food.LegumeBinder, food.NutBinder, food.Starch:
		e.Powder = p.Mass
	}
	switch f.Group {
	case food.Egg:
		e.Egg = p.Mass
	case food.Meat, food.Fish:
		if p.RawMeat > 0 {
			e.Meat = p.Mass
		} else if f.IsRawMeat() {
			e.Set = 0 // it has set before
		}
	case food.Gel:
		e.Gel = p.Mass * p.GlueCold
	case food.Starch:
		e.Starch = p.Mass
	case food.Nut, food.Seed, food.NutBinder:
		e.Nut = p.Mass
	case food.Vegetable:
		if f.State == food.Raw {
			e.Leaf = p.Mass * p.Chunk
			e.Weep = p.Mass * p.Leak
		}
	}
	return e
}

// Sum adds up the effects of parts, with the salt of the whole mix acting on
// the glue of its raw meat.
func Sum(parts []Part, rest Rest) Effect {
	warmth := warmthFactor(rest.Celsius)
	var out Effect
	var salt, raw float64
	for i := range parts {
		salt += parts[i].Salt
		raw += parts[i].RawMeat
	}
	k := saltFactor(salt, raw)
	for i := range parts {
		e := parts[i].effect(rest, warmth)
		if parts[i].RawMeat > 0 {
			e.salted(k)
		}
		out.add(&e, 1)
	}
	return out
}

// salted lets salt act on the glue of raw meat.
func (e *Effect) salted(k float64) {
	e.GlueCold *= k
	e.GlueHot *= k
	e.Set *= k
}

// Plus gives the effect with another added to it, times a factor.
func (e Effect) Plus(o Effect, times float64) Effect {
	e.add(&o, times)
	return e
}

func (e *Effect) add(o *Effect, times float64) {
	e.Mass += times * o.Mass
	e.Moist += times * o.Moist
	e.Fat += times * o.Fat
	e.Chunk += times * o.Chunk
	e.Broken += times * o.Broken
	e.Free += times * o.Free
	e.Span += times * o.Span
	e.FreeHot += times * o.FreeHot
	e.SpanHot += times * o.SpanHot
	e.GlueCold += times * o.GlueCold
	e.GlueHot += times * o.GlueHot
	e.Set += times * o.Set
	e.Egg += times * o.Egg
	e.Meat += times * o.Meat
	e.Starch += times * o.Starch
	e.Nut += times * o.Nut
	e.Leaf += times * o.Leaf
	e.Gel += times * o.Gel
	e.Weep += times * o.Weep
	e.Powder += times * o.Powder
	for i := range e.Stuff {
		e.Stuff[i] += times * o.Stuff[i]
	}
}

// HasPaste says whether anything in it drinks.
func (e *Effect) HasPaste() bool { return e.Mass > 0 && e.Span > leastSpan*e.Mass }

// Index is the liquidity index; ok is false where nothing drinks.
func (e *Effect) Index() (q float64, ok bool) {
	if !e.HasPaste() {
		return 0, false
	}
	return e.Free / e.Span, true
}

// Cohesion is the strength of the paste around its pieces, kPa: raw, and set by heat.
func (e *Effect) Cohesion() (cold, set float64) {
	c := continuity(e.Broken/e.Mass) / e.Mass
	return 100 * c * e.GlueCold, 400 * c * e.Set
}
