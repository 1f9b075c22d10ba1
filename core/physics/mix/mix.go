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

var nothing = food.Food{Stuff: food.NoStuff}

// Rest is the wait between mixing and shaping.
type Rest struct {
	Minutes float64
	Celsius float64
	// Hands is how long hands mix before it and shape after it until the middle piece is
	// done, min: the mix drinks meanwhile, at the warmth of a kitchen.
	Hands float64
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

// Between gives the indices between which a handful feels so, without end at either end of
// Zones; nothing for what is no word of the squeeze.
func Between(w Word) (from, to float64) {
	from, to = math.Inf(1), math.Inf(1)
	for i, z := range Zones {
		if z.Word != w {
			continue
		}
		if from = z.From; i == 0 {
			from = math.Inf(-1)
		}
		if i+1 < len(Zones) {
			to = Zones[i+1].From
		}
	}
	return from, to
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

// State is what a mix is after its rest. Masses are in g.
type State struct {
	Mass, Water, Fat, Salt float64
	// ChunkShare is the share of the mass that is pieces, 0..1.
	ChunkShare float64
	// HasPaste is false where nothing in the mix drinks; Q is then 0.
	HasPaste bool
	// Q is the liquidity index, not below DriestIndex.
	Q float64
	// SD is one standard deviation of the index that the grades of the figures leave.
	SD float64
	// Effect is what judges of a duty go by.
	Effect Effect
	// Felt is the index that a hand feels, not below DriestIndex: lower than Q where little joins the mix.
	// Everything that is said of how it feels goes by it: its word, its marker, its picture, its notes.
	Felt float64

	word Word
}

// Word is how a squeezed handful of the mix feels: by its index, and drier where little
// joins it.
func (s *State) Word() Word {
	if !s.HasPaste {
		return NoPaste
	}
	return s.word
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
		x := (rest.Minutes/warmth + rest.Hands + p.Lead) / f.Tau
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
	q, ok := e.Index()
	if !ok {
		return DriestIndex
	}
	return max(DriestIndex, q)
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
	var state State
	raw := 0.
	for i := range parts {
		p := &parts[i]
		state.Water += p.Water
		state.Fat += p.Fat
		state.Salt += p.Salt
		raw += p.RawMeat
	}
	k := saltFactor(state.Salt, raw)
	for i := range parts {
		t := newTerm(&parts[i], rest, warmth)
		terms = append(terms, t)
		e := t.effect(&parts[i])
		if parts[i].RawMeat > 0 {
			e.salted(k)
		}
		state.Effect.add(&e, 1)
	}
	e := &state.Effect
	state.Mass = e.Mass
	if state.Mass <= 0 {
		return state
	}
	state.ChunkShare = e.Chunk / e.Mass
	q, ok := e.Index()
	if !ok {
		return state
	}
	state.HasPaste = true
	state.Q = max(DriestIndex, q)
	state.SD = indexSD(parts, terms, e.Span, q)
	v := e.Evidence(&anyDuty, 0)
	felt := Judges().Felt(&v)
	state.Felt, state.word = max(DriestIndex, felt), WordFor(felt)
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
