package mix

// Effect is what parts give to a mix after a rest: sums that add up over the
// parts, so that a search can move along amounts without going through all
// lines again. Masses in g, glue in kPa g / 100.
type Effect struct {
	Mass, Chunk float64
	// Free is the water and liquid oil that wet the paste, less what brings it
	// to the plastic limit; Span the water from there to the liquid limit.
	Free, Span float64
	// GlueCold and GlueHot are before the salt of the mix acts on raw meat.
	GlueCold, GlueHot float64
}

// Effect gives what the part alone gives.
func (p *Part) Effect(rest Rest) Effect { return p.effect(rest, warmthFactor(rest.Celsius)) }

func (p *Part) effect(rest Rest, warmth float64) Effect {
	t := newTerm(p, rest, warmth)
	return Effect{
		Mass: p.Mass, Chunk: p.Mass * p.Chunk,
		Free: t.water + 0.3*p.FreeOil - t.plastic, Span: t.liquid - t.plastic,
		GlueCold: t.glueCold, GlueHot: t.glueHot,
	}
}

// Sum adds up the effects of parts, with the salt of the whole mix acting on
// the glue of its raw meat.
func Sum(parts []Part, rest Rest) Effect {
	warmth := warmthFactor(rest.Celsius)
	var out, meat Effect
	var salt, raw float64
	for i := range parts {
		e := parts[i].effect(rest, warmth)
		salt += parts[i].Salt
		if parts[i].RawMeat > 0 {
			raw += parts[i].RawMeat
			meat.GlueCold += e.GlueCold
			meat.GlueHot += e.GlueHot
			e.GlueCold, e.GlueHot = 0, 0
		}
		out = out.Plus(e, 1)
	}
	k := saltFactor(salt, raw)
	out.GlueCold += k * meat.GlueCold
	out.GlueHot += k * meat.GlueHot
	return out
}

// Plus adds an effect times a factor.
func (e Effect) Plus(o Effect, times float64) Effect {
	e.Mass += times * o.Mass
	e.Chunk += times * o.Chunk
	e.Free += times * o.Free
	e.Span += times * o.Span
	e.GlueCold += times * o.GlueCold
	e.GlueHot += times * o.GlueHot
	return e
}

// Holds gives the index and both holds, kPa; ok is false where nothing drinks.
func (e Effect) Holds() (q, raw, cooked float64, ok bool) {
	if e.Mass <= 0 || e.Span <= leastSpan*e.Mass {
		return 0, 0, 0, false
	}
	q = e.Free / e.Span
	cold, hot := e.Glues(q)
	return q, cold * e.GlueCold / e.Mass, hot * e.GlueHot / e.Mass, true
}

// Glues gives the factors that turn the sums of glue per gram of mix into raw
// and cooked hold, kPa, at an index and with the share of pieces of e.
func (e Effect) Glues(q float64) (cold, hot float64) {
	c := continuity(e.Chunk / e.Mass)
	return 100 * c * squeezeWindow(q), 400 * c * bakeWindow(q)
}
