package mix

import "math"

// Given is what one line gives to the figures of a mix.
type Given struct {
	// Water that wets the paste and liquid oil (which counts for 0.3), g.
	Water float64 `json:"water_g"`
	Oil   float64 `json:"oil_g"`
	// Plastic is the water it drinks before the mix stops crumbling, and Liquid
	// before it slumps, g.
	Plastic float64 `json:"plastic_g"`
	Liquid  float64 `json:"liquid_g"`
	// RawPct and CookedPct are its shares of the glue, per cent.
	RawPct    float64 `json:"raw_pct"`
	CookedPct float64 `json:"cooked_pct"`
	// PiecesG is what of it stays pieces, g.
	PiecesG float64 `json:"pieces_g"`
	// Tenth is what the figures would be with a tenth more of the line.
	Tenth Figures `json:"tenth"`
}

// Figures are the index and the holds, kPa.
type Figures struct {
	Q      float64 `json:"q"`
	Raw    float64 `json:"raw_kpa"`
	Cooked float64 `json:"cooked_kpa"`
}

// Explanation is how the figures of a mix come about: docs/model.md, sections 2
// and 3.
type Explanation struct {
	Lines []Given `json:"lines"`
	// Sums over the lines, g.
	Water   float64 `json:"water_g"`
	Oil     float64 `json:"oil_g"`
	Plastic float64 `json:"plastic_g"`
	Liquid  float64 `json:"liquid_g"`
	// Continuity is what the pieces leave of the strength, RawWindow and
	// CookedWindow how much of its glue the mix can use at its index, Salt what
	// salt makes of the glue of raw meat: all as factors.
	Continuity   float64 `json:"continuity"`
	RawWindow    float64 `json:"raw_window"`
	CookedWindow float64 `json:"cooked_window"`
	Salt         float64 `json:"salt"`
}

// Explain takes the figures of AssessParts apart. A mix without a paste has
// its sums, and no shares.
func Explain(parts []Part, rest Rest) Explanation {
	state := AssessParts(parts, rest)
	out := Explanation{Lines: make([]Given, len(parts)), Continuity: continuity(state.ChunkShare), Salt: 1}
	warmth := warmthFactor(rest.Celsius)
	raw := 0.0
	for i := range parts {
		raw += parts[i].RawMeat
	}
	out.Salt = saltFactor(state.Salt, raw)
	var cold, hot float64
	changed := append([]Part(nil), parts...)
	for i := range parts {
		p := &parts[i]
		t := newTerm(p, rest, warmth)
		if p.RawMeat > 0 {
			t.glueCold *= out.Salt
			t.glueHot *= out.Salt
		}
		out.Lines[i] = Given{Water: t.water, Oil: p.FreeOil, Plastic: t.plastic, Liquid: t.liquid, RawPct: t.glueCold, CookedPct: t.glueHot, PiecesG: p.Mass * p.Chunk}
		out.Water += t.water
		out.Oil += p.FreeOil
		out.Plastic += t.plastic
		out.Liquid += t.liquid
		cold += t.glueCold
		hot += t.glueHot
		changed[i] = p.times(1.1)
		more := AssessParts(changed, rest)
		changed[i] = *p
		out.Lines[i].Tenth = Figures{more.Q, more.Raw, more.Cooked}
	}
	for i := range out.Lines {
		l := &out.Lines[i]
		if l.RawPct *= 100 / math.Max(cold, 1e-12); cold <= 0 {
			l.RawPct = 0
		}
		if l.CookedPct *= 100 / math.Max(hot, 1e-12); hot <= 0 {
			l.CookedPct = 0
		}
	}
	if state.HasPaste {
		out.RawWindow, out.CookedWindow = squeezeWindow(state.rawQ), bakeWindow(state.rawQ)
	}
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
