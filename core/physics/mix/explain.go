package mix

import (
	"cmp"
	"math"
	"slices"
)

// Given is what one line gives to the figures of a mix.
type Given struct {
	// Water that wets the paste and liquid oil (which counts for 0.3), g.
	Water float64
	Oil   float64
	// Plastic is the water it drinks before the mix stops crumbling, and Liquid
	// before it slumps, g.
	Plastic float64
	Liquid  float64
	// RawPct and CookedPct are its shares of the glue, per cent: of the raw, and of
	// what heat sets.
	RawPct    float64
	CookedPct float64
	// PiecesG is what of it stays pieces, g.
	PiecesG float64
	// Tenth is what the figures would be with a tenth more of the line.
	Tenth Figures
}

// Figures are the index and the chances raw and cooked, 0..1.
type Figures struct {
	Q      float64
	Raw    float64
	Cooked float64
}

// Ground is what one topic does to a chance, against a middling build: in points of
// 100, above 0 where it helps.
type Ground struct {
	Topic  Topic
	Points float64
}

// Explanation is how the figures of a mix come about: docs/model.md, sections 2
// and 3.
type Explanation struct {
	Lines []Given
	// Sums over the lines, g.
	Water   float64
	Oil     float64
	Plastic float64
	Liquid  float64
	// Loose is how much lower than its index a hand feels the mix because little joins it.
	Loose float64
	// Cohesion is what binds the raw mix and Set what heat sets in it, kPa, and
	// Continuity what the pieces leave of both, as a factor. Salt is the factor of salt
	// on the glue of raw meat.
	Cohesion   float64
	Set        float64
	Continuity float64
	Salt       float64
	// RawReasons and CookedReasons come the weightiest first, and what is only known of
	// builds like it last: a cook can do nothing about that.
	RawReasons    []Ground
	CookedReasons []Ground
}

// Explain takes the figures of AssessParts and of Judge apart. A mix without a paste
// has its sums, and no shares.
func Explain(parts []Part, rest Rest, d *Duty, coldness float64) Explanation {
	state := AssessParts(parts, rest)
	out := Explanation{Lines: make([]Given, len(parts)), Salt: 1, Continuity: 1, RawReasons: []Ground{}, CookedReasons: []Ground{}}
	warmth := warmthFactor(rest.Celsius)
	raw := 0.0
	for i := range parts {
		raw += parts[i].RawMeat
	}
	out.Salt = saltFactor(state.Salt, raw)
	var cold, set float64
	changed := append([]Part(nil), parts...)
	for i := range parts {
		p := &parts[i]
		t := newTerm(p, rest, warmth)
		e := t.effect(p)
		if p.RawMeat > 0 {
			e.salted(out.Salt)
		}
		out.Lines[i] = Given{Water: t.water, Oil: p.FreeOil, Plastic: t.plastic, Liquid: t.liquid, RawPct: e.GlueCold, CookedPct: e.Set, PiecesG: p.Mass * p.Chunk}
		out.Water += t.water
		out.Oil += p.FreeOil
		out.Plastic += t.plastic
		out.Liquid += t.liquid
		cold += e.GlueCold
		set += e.Set
		changed[i] = p.times(1.1)
		more := AssessParts(changed, rest)
		changed[i] = *p
		judged := more.Effect.Judge(d, coldness)
		out.Lines[i].Tenth = Figures{more.Q, judged.Raw, judged.Cooked}
	}
	percent := func(x, of float64) float64 {
		if of <= 0 {
			return 0
		}
		return 100 * (x / of)
	}
	for i := range out.Lines {
		l := &out.Lines[i]
		l.RawPct, l.CookedPct = percent(l.RawPct, cold), percent(l.CookedPct, set)
	}
	if state.HasPaste {
		e := &state.Effect
		out.Loose = e.Loosens()
		out.Cohesion, out.Set = e.Cohesion()
		out.Continuity = continuity(e.Broken / e.Mass)
		v := e.Evidence(d, coldness)
		j := Judges()
		zRaw, zCooked := j.Weigh(&v)
		kin := j.kin.add(&v.Like)
		ownRaw, ownCooked, _ := d.Own.add(d, &v.Like, spread(kin.near))
		out.RawReasons = reasons(rawTerms, v.Raw[:], j.UsualRaw[:], j.Raw[:], zRaw+ownRaw, kin.raw, ownRaw)
		out.CookedReasons = reasons(cookedTerms, v.Cooked[:], j.UsualCooked[:], j.Cooked[:], zCooked+ownCooked, kin.cooked, ownCooked)
	}
	return out
}

// leastPoints is the least that a reason is told for, points of 100.
const leastPoints = 1.

// reasons tells what each topic changes: the chance less what it would be with the
// evidence of the topic as it is in the middling build, and for kin and the kitchen's own
// tries without them.
func reasons(terms []evidence, have, usual, weights []float64, z, kin, own float64) []Ground {
	odds := map[Topic]float64{TopicKin: kin, TopicOwn: own}
	order := []Topic{TopicKin, TopicOwn}
	for i, t := range terms {
		if !slices.Contains(order, t.topic) {
			order = append(order, t.topic)
		}
		odds[t.topic] += weights[i] * (have[i] - usual[i])
	}
	chance := func(z float64) float64 { return Logistic(Surest(z)) }
	out := []Ground{}
	for _, t := range order {
		if p := 100 * (chance(z) - chance(z-odds[t])); math.Abs(p) >= leastPoints {
			out = append(out, Ground{t, p})
		}
	}
	last := func(g Ground) int {
		if g.Topic == TopicKin || g.Topic == TopicOwn {
			return 1
		}
		return 0
	}
	slices.SortStableFunc(out, func(a, b Ground) int {
		return cmp.Or(cmp.Compare(last(a), last(b)), cmp.Compare(math.Abs(b.Points), math.Abs(a.Points)))
	})
	return out
}

// times is so much of the part.
func (p *Part) times(x float64) Part {
	out := *p
	out.Mass *= x
	out.Water *= x
	out.Fat *= x
	out.FreeOil *= x
	out.Salt *= x
	out.RawMeat *= x
	return out
}
