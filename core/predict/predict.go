package predict

import (
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Prediction is what a build will do, after its rest. Holds and needs are in kPa: a
// hold is what a piece needs, times what the judge of its chance makes of it. Shares
// are in g per g, masses in g.
type Prediction struct {
	MassG float64
	// Q is the liquidity index; null where nothing in the mix drinks.
	Q *float64
	// JustMixedQ is the index before any rest.
	JustMixedQ *float64
	// FeltQ and JustMixedFeltQ are the same as a hand feels them: lower where little joins the mix. The
	// word, the band and the notes go by FeltQ.
	FeltQ          *float64
	JustMixedFeltQ *float64
	Word           mix.Word
	Band           piece.Band
	InBand         bool
	ChunkShare     float64
	RawKPa         float64
	// RawChilledKPa is given where the document chills.
	RawChilledKPa *float64
	RawNeedKPa    float64
	RawRatio      float64
	CookedKPa     float64
	CookedNeedKPa float64
	CookedRatio   float64
	WaterShare    float64
	FatShare      float64
	SaltShare     float64
	QSD           float64
	// Chance is that of the weaker of its two stages, 0..1.
	Chance       float64
	ChanceRaw    float64
	ChanceCooked float64
	// ChanceLow and ChanceHigh hold the chance nine times in ten. LittleKnown says that
	// hardly a build like it is known.
	ChanceLow, ChanceHigh float64
	LittleKnown           bool
	// Eat is how good it is to eat as what it claims to be, 0..1, and Costs what costs that, the dearest first. 0 where
	// nothing in the mix drinks.
	Eat   float64
	Costs []eating.Cost
	// Means says what holding is for such a piece.
	Means   Means
	Verdict Verdict
	// Says is the one sentence on it.
	Says   Saying
	PieceG float64
	Pieces int
	// ChilledCelsius is what a chill brings the pieces to, and ChillFactor how
	// many times firmer that makes them.
	ChilledCelsius *float64
	ChillFactor    *float64
	// Lines says, in document order, what became of each line.
	Lines []LineResult
	// NotFor says for whom at the table foods of the mix are out.
	NotFor []eaters.Refusal
	Notes  []Note
}

// LineResult is one line as a cook measures it and as it enters the mix.
type LineResult struct {
	// Measure is the nearest kitchen measure of the grams in the document.
	Measure *food.Measure
	// PreparedG is the mass after the preparations, g.
	PreparedG float64
	// SharePct is that mass as g per 100 g of the mix.
	SharePct float64
	// Check is what the table means for the food; nil where nobody leaves
	// anything out.
	Check *eaters.Check
	// Instead names foods that are clear, for a line that is out.
	Instead []string
}

// Predict says what a document that Read has accepted will do in a kitchen.
func Predict(d *document.Document, k *kitchen.Kitchen) Prediction {
	lines := d.MixLines(k.Foods)
	rest := d.RestIn(k)
	parts := mix.Parts(lines)
	bowl := d.Bowl(parts)
	s := mix.AssessParts(bowl, rest)
	p := d.PieceIn(k, parts)
	duty := d.DutyOf(&p, k)
	need, band := duty.Need, duty.Band

	out := Prediction{
		MassG: s.Mass, Word: s.Word(), Band: band,
		InBand: s.HasPaste && band.Holds(s.Felt), ChunkShare: s.ChunkShare,
		RawNeedKPa: need.Raw, CookedNeedKPa: need.Cooked,
		QSD: s.SD, Means: MeansOf(&p), Notes: []Note{},
	}
	if s.Mass > 0 {
		out.WaterShare = s.Water / s.Mass
		out.FatShare = s.Fat / s.Mass
		out.SaltShare = s.Salt / s.Mass
	}
	yield := k.Yield(&p, s.Mass, heat.CompositionOf(parts).Density())
	out.Pieces, out.PieceG = yield.Pieces, yield.PieceG
	if s.HasPaste {
		q := s.Q
		mixed := q
		if rest.Minutes > 0 {
			mixed = mix.Index(bowl, mix.Rest{Celsius: rest.Celsius, Hands: rest.Hands})
		}
		felt := s.Felt
		mixedFelt := max(mix.DriestIndex, mixed-(q-felt))
		out.Q, out.JustMixedQ, out.FeltQ, out.JustMixedFeltQ = &q, &mixed, &felt, &mixedFelt
	}
	judged := s.Effect.Judge(&duty, 0)
	out.RawKPa = judged.RawRatio * need.Raw
	if celsius, chilled := d.ChilledTo(k, parts); chilled {
		warm := judged.RawRatio
		judged = s.Effect.Judge(&duty, mix.Coldness(celsius))
		firmer, at, factor := judged.RawRatio*need.Raw, celsius, 1.
		if warm > 0 {
			factor = judged.RawRatio / warm
		}
		out.RawChilledKPa, out.ChilledCelsius, out.ChillFactor = &firmer, &at, &factor
	}
	out.CookedKPa = judged.CookedRatio * need.Cooked
	out.RawRatio, out.CookedRatio = judged.RawRatio, judged.CookedRatio
	out.Chance = judged.Chance()
	out.ChanceRaw, out.ChanceCooked = judged.Raw, judged.Cooked
	out.ChanceLow, out.ChanceHigh = judged.Between()
	out.LittleKnown = s.HasPaste && judged.SD > mix.LittleKnown
	out.Verdict = verdict(s.HasPaste, out.InBand, judged.RawRatio, judged.CookedRatio)
	out.Says = out.says()
	out.Costs = []eating.Cost{}
	if s.HasPaste {
		bite := eating.Of(bowl, &s.Effect, &duty, judged.Felt, judged.Raw, judged.Cooked)
		out.Eat = eating.Judges().Weigh(&bite, judged.Eat)
		for _, cost := range eating.Judges().Tell(&bite, judged.Eat) {
			if cost != eating.FallsApart || out.RawRatio < mix.SureRatio || out.CookedRatio < mix.SureRatio { // the verdict says so
				out.Costs = append(out.Costs, cost)
			}
		}
	}

	out.Lines = LineResults(lines, parts, &s, d.Eaters.Table(), k)
	out.Notes = append(out.Notes, reasons(bowl, rest, &s, &out)...)
	out.Notes = append(out.Notes, limits(lines, &s)...)
	out.Notes = append(out.Notes, Cautions(lines, d.Eaters.Table(), k)...)
	out.NotFor = append([]eaters.Refusal{}, d.Eaters.Refusals(foodsOf(lines), k.Foods, k.LabelRead)...)
	return out
}

func foodsOf(lines []mix.Line) []*food.Food {
	out := make([]*food.Food, len(lines))
	for i := range lines {
		out[i] = lines[i].Food
	}
	return out
}

// LineResults says what became of each line, and what the table means for it.
func LineResults(lines []mix.Line, parts []mix.Part, s *mix.State, table eaters.Table, k *kitchen.Kitchen) []LineResult {
	out := make([]LineResult, len(lines))
	measures := make([]food.Measure, len(lines))
	for i := range lines {
		l := &lines[i]
		r := LineResult{PreparedG: parts[i].Mass, SharePct: 100 * parts[i].Mass / s.Mass}
		if m, ok := l.Food.Measure(l.Grams); ok {
			measures[i] = m
			r.Measure = &measures[i]
		}
		if !table.Open() {
			c := table.Check(l.Food, k.LabelRead(l.Food.ID))
			r.Check = &c
			if c.Status == eaters.Out {
				for _, f := range table.Instead(l.Food, k.Foods) {
					r.Instead = append(r.Instead, f.ID)
				}
			}
		}
		out[i] = r
	}
	return out
}
