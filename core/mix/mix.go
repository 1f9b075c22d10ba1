// Package mix predicts how a mix feels in the hand and how well it holds, raw
// and cooked, from its lines and its rest. It implements sections 1 to 3 of
// docs/model.md.
package mix

import (
	"math"

	"cuerda/core/food"
)

// Line is an amount of one food and what is done to it before mixing.
type Line struct {
	Food *food.Food
	// Grams is the mass before the preparations, above 0.
	Grams float64
	Preps []food.Preparation
}

// Part is a line after its preparations, as it enters the mix.
type Part struct {
	Food *food.Food
	food.Prepared
}

// Part takes the line through its preparations.
func (l *Line) Part() Part { return Part{l.Food, food.Prepare(l.Food, l.Grams, l.Preps)} }

// Parts takes every line through its preparations, in order.
func Parts(lines []Line) []Part {
	out := make([]Part, len(lines))
	for i := range lines {
		out[i] = lines[i].Part()
	}
	return out
}

// Missed is water that is in the bowl though no line brings it, g: what a hand felt
// that the figures did not know. Below 0 the mix is drier than its lines. It has no mass.
func Missed(grams float64) Part { return Part{&nothing, food.Prepared{Water: grams}} }

var nothing food.Food

// Rest is the wait between mixing and shaping.
type Rest struct {
	Minutes float64
	Celsius float64
}

// Word is how a squeezed handful feels.
type Word string

// The words of the squeeze, from dry to wet. NoPaste stands for a mix without
// anything that could drink: only water, only oil, only salt.
const (
	Crumbles Word = "crumbles"
	Short    Word = "short"
	Firm     Word = "firm"
	Tacky    Word = "tacky"
	Slack    Word = "slack"
	Slumps   Word = "slumps"
	NoPaste  Word = "no-paste"
)

// SqueezeWords lists what a hand can say, from dry to wet.
var SqueezeWords = []Word{Crumbles, Short, Firm, Tacky, Slack, Slumps}

// Zones are the words with the liquidity index at which each begins.
var Zones = []struct {
	Word Word
	From float64
}{
	{Crumbles, DriestIndex}, {Short, 0}, {Firm, 0.15}, {Tacky, 0.55}, {Slack, 0.85}, {Slumps, 1.05},
}

// DriestIndex is the lowest index that is reported: a mix below it is loose
// crumbs, for which the index says nothing more.
const DriestIndex = -0.5

// WordFor gives the word for a liquidity index.
func WordFor(q float64) Word {
	w := NoPaste
	for _, z := range Zones {
		if w == NoPaste || q >= z.From {
			w = z.Word
		}
	}
	return w
}

// State is what a mix is after its rest. Masses are in g, holds in kPa.
type State struct {
	Mass, Water, Fat, Salt float64
	// ChunkShare is the share of the mass that is pieces, 0..1.
	ChunkShare float64
	// HasPaste is false where nothing in the mix drinks; Q is then 0.
	HasPaste bool
	// Q is the liquidity index, not below DriestIndex.
	Q float64
	// Raw and Cooked are the holds: raw unchilled, cooked once cooled.
	Raw, Cooked float64
	// Spread says how far the grades of the figures let these be off.
	Spread Spread

	rawQ float64
}

// Word is how a squeezed handful of the mix feels.
func (s *State) Word() Word {
	if !s.HasPaste {
		return NoPaste
	}
	return WordFor(s.Q)
}

// sums are the totals over the lines that the formulas need.
type sums struct {
	mass, water, fat, salt, rawMeat    float64
	chunk                              float64
	free, freeOil                      float64
	plastic, liquid, glueCold, glueHot float64
	meatCold, meatHot                  float64
	span, saltFactor, continuity       float64
}

// term is what one part gives to the sums.
type term struct {
	paste, share           float64 // of the part: not pieces; hydrated
	decay                  float64 // - d share / d ln tau
	water, plastic, liquid float64
	glueCold, glueHot      float64
}

func newTerm(p *Part, rest Rest, warmth float64) term {
	f := p.Food
	t := term{paste: 1 - p.Chunk, share: 1}
	if f.Tau > 0 {
		x := (rest.Minutes + p.Lead) / (f.Tau * warmth)
		dry := math.Exp(-x)
		t.share = max(0.15, 1-dry)
		if t.share > 0.15 {
			t.decay = x * dry
		}
	}
	t.water = t.paste*p.Water + p.Leak*p.Mass*p.Chunk
	drinking := t.paste * p.Solids() * t.share
	t.plastic = drinking * f.Plastic
	t.liquid = drinking * f.Liquid
	glue := t.paste * p.Mass * t.share
	t.glueCold = glue * p.GlueCold
	t.glueHot = glue * p.GlueHot
	return t
}

// warmthFactor stretches hydration times: they double for 20 degC less.
func warmthFactor(celsius float64) float64 { return math.Exp2((20 - celsius) / 10) }

// Index is the liquidity index of Assess alone, for searches; DriestIndex
// where the mix has no paste.
func Index(parts []Part, rest Rest) float64 {
	e := Sum(parts, rest)
	if e.Span <= leastSpan*e.Mass {
		return DriestIndex
	}
	return max(DriestIndex, e.Free/e.Span)
}

// leastSpan is the least water, g per g of mix, between the plastic and the
// liquid limit of a mix that counts as a paste: a gram of flour in a tonne of
// water is none.
const leastSpan = 1e-6

// Assess predicts the state of the mix after its rest. The order of the lines
// does not matter. A mix of no lines has no mass and no paste.
func Assess(lines []Line, rest Rest) State { return AssessParts(Parts(lines), rest) }

// AssessParts is Assess for lines already prepared. It allocates nothing for
// mixes of up to 64 parts.
func AssessParts(parts []Part, rest Rest) State {
	var room [64]term
	terms := room[:0]
	warmth := warmthFactor(rest.Celsius)
	var s sums
	for i := range parts {
		p := &parts[i]
		t := newTerm(p, rest, warmth)
		terms = append(terms, t)
		s.mass += p.Mass
		s.water += p.Water
		s.fat += p.Fat
		s.salt += p.Salt
		s.rawMeat += p.RawMeat
		s.chunk += p.Mass * p.Chunk
		s.free += t.water
		s.freeOil += p.FreeOil
		s.plastic += t.plastic
		s.liquid += t.liquid
		if p.RawMeat > 0 {
			s.meatCold += t.glueCold
			s.meatHot += t.glueHot
		} else {
			s.glueCold += t.glueCold
			s.glueHot += t.glueHot
		}
	}
	state := State{Mass: s.mass, Water: s.water, Fat: s.fat, Salt: s.salt}
	if s.mass <= 0 {
		return state
	}
	state.ChunkShare = s.chunk / s.mass
	s.continuity = continuity(state.ChunkShare)
	s.saltFactor = saltFactor(s.salt, s.rawMeat)
	s.glueCold += s.saltFactor * s.meatCold
	s.glueHot += s.saltFactor * s.meatHot
	s.span = s.liquid - s.plastic
	if s.span <= leastSpan*s.mass {
		return state
	}
	state.HasPaste = true
	state.rawQ = (s.free + 0.3*s.freeOil - s.plastic) / s.span
	state.Q = max(DriestIndex, state.rawQ)
	state.Raw = s.continuity * squeezeWindow(state.rawQ) * 100 / s.mass * s.glueCold
	state.Cooked = 4 * s.continuity * bakeWindow(state.rawQ) * 100 / s.mass * s.glueHot
	state.Spread = spread(parts, terms, &s, state.rawQ)
	return state
}

// saltFactor is how sticky salt makes the protein of raw meat and fish.
func saltFactor(salt, rawMeat float64) float64 {
	if rawMeat <= 0 {
		return 1
	}
	return 0.7 + 0.3*min(1, salt/rawMeat/0.012)
}

// continuity is how much of the paste's strength pieces leave: 1 without
// pieces, falling with their share X as 1 - 1.1 X^1.5, and never below 0.05.
func continuity(x float64) float64 { return max(0.05, 1-1.1*x*math.Sqrt(x)) }

// squeezeWindow is how much of its cold glue a mix can use, by its index.
func squeezeWindow(q float64) float64 { return math.Exp(lnSqueezeWindow(q)) }

func lnSqueezeWindow(q float64) float64 {
	width := 0.60
	if q < 0.3 {
		width = 0.30
	}
	d := (q - 0.3) / width
	return -d * d
}

// bakeWindow is how much of its hot glue a mix can use: dry mixes do not fuse,
// wet ones set weak.
func bakeWindow(q float64) float64 {
	dry := min(max(1+1.2*q, 0.15), 1)
	wet := 1.0
	if q > 0.9 {
		wet = max(0.2, 1-0.8*(q-0.9))
	}
	return dry * wet
}

// ChillFactor is how much firmer the raw mix is at that temperature than at
// 20 degC: fat firms and gels stiffen, up to 1.6 times at 4 degC and below.
func ChillFactor(celsius float64) float64 {
	return 1 + 0.6*min(max((20-celsius)/16, 0), 1)
}
