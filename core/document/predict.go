package document

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Verdict sums a prediction up by its hold ratios: below 1, which is an even chance, a
// piece fails, from 1 to 1.5, or where it is too wet or too dry for its kind, it is
// marginal, above that, a chance of 7 in 10, it holds.
type Verdict string

// The verdicts.
const (
	Holds       Verdict = "holds"
	Marginal    Verdict = "marginal"
	FailsRaw    Verdict = "fails-raw"
	FailsCooked Verdict = "fails-cooked"
	FailsBoth   Verdict = "fails-both"
	Nothing     Verdict = "nothing" // nothing in the mix could hold
)

// Verdicts lists every verdict.
var Verdicts = []Verdict{Holds, Marginal, FailsRaw, FailsCooked, FailsBoth, Nothing}

// Saying is the one sentence on a build that every screen says: the verdict, or more closely how it stands.
type Saying string

// The sayings that are no verdict.
const (
	SaysWet    Saying = "wet"    // it would hold, and is wetter than its shape wants
	SaysDry    Saying = "dry"    // the same, drier
	SaysLikely Saying = "likely" // it holds, and not surely
)

// Sayings lists every saying.
var Sayings = []Saying{Saying(Holds), Saying(Marginal), Saying(FailsRaw), Saying(FailsCooked), Saying(FailsBoth), Saying(Nothing), SaysWet, SaysDry, SaysLikely}

// sureOf is the chance from which a build is plainly said to hold.
const sureOf = 0.85

func (p *Prediction) says() Saying {
	switch {
	case p.Verdict == Marginal && !p.InBand && p.RawRatio >= mix.SureRatio && p.CookedRatio >= mix.SureRatio && *p.FeltQ > p.Band.To:
		return SaysWet
	case p.Verdict == Marginal && !p.InBand && p.RawRatio >= mix.SureRatio && p.CookedRatio >= mix.SureRatio:
		return SaysDry
	case p.Verdict == Holds && p.Chance < sureOf:
		return SaysLikely
	}
	return Saying(p.Verdict)
}

// Means says what holding is for a piece.
type Means string

// What holding means: a piece is turned and lifted whole, a loaf sliced (in a tin it need
// only come together and not run before), and of a
// stuffing a spoonful is moist and together, neither soup nor crumbs.
const (
	TurnAndLift Means = "turn-and-lift"
	Slice       Means = "slice"
	TinAndSlice Means = "tin-and-slice"
	Spoon       Means = "spoon"
)

// MeansOf gives it for a piece.
func MeansOf(p *piece.Piece) Means {
	switch {
	case p.Kind == piece.Stuffing:
		return Spoon
	case p.InTin():
		return TinAndSlice
	case p.Kind.IsLoaf():
		return Slice
	}
	return TurnAndLift
}

// Note is something to know about a prediction: a caution that comes with a
// food, a limit that is passed, or a reason why the mix fails.
type Note struct {
	Code string
	// Kind is caution, limit or reason.
	Kind string
	Food string
	// Value and Limit are figures that belong to the code: for over-limit, g
	// per 100 g of mix; for needs-rest, Value is minutes.
	Value float64
	Limit float64
}

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

// MixLines gives the lines of a document that Read has accepted.
func (d *Document) MixLines(foods *food.Catalogue) []mix.Line {
	return mixLines(d.Lines, foods)
}

// Bowl gives the parts of the mix as they are in the bowl: with what the hand felt
// that the lines do not say.
func (d *Document) Bowl(parts []mix.Part) []mix.Part {
	if d.Hand == nil || d.Hand.WaterG == 0 || len(parts) == 0 {
		return parts
	}
	return append(slices.Clip(parts), mix.Missed(d.Hand.WaterG))
}

func mixLines(lines []Line, foods *food.Catalogue) []mix.Line {
	out := make([]mix.Line, len(lines))
	for i := range lines {
		l := &lines[i]
		out[i] = mix.Line{Food: foods.Find(l.Food), Grams: l.Grams, Preps: l.Prep}
	}
	return out
}

// Predict says what a document that Read has accepted will do in a kitchen.
func Predict(d *Document, k *kitchen.Kitchen) Prediction {
	lines := d.MixLines(k.Foods)
	rest := d.RestIn(k)
	parts := mix.Parts(lines)
	bowl := d.Bowl(parts)
	s := mix.AssessParts(bowl, rest)
	p := d.PieceIn(k, parts)
	duty := d.dutyOf(&p, k)
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
	if celsius, chilled := d.chilledTo(k, parts); chilled {
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

func verdict(paste, inBand bool, raw, cooked float64) Verdict {
	switch {
	case !paste:
		return Nothing
	case raw < 1 && cooked < 1:
		return FailsBoth
	case raw < 1:
		return FailsRaw
	case cooked < 1:
		return FailsCooked
	case raw < mix.SureRatio || cooked < mix.SureRatio || !inBand:
		return Marginal
	}
	return Holds
}

// manyPieces is the chunk share above which pieces, not paste, are what breaks.
const manyPieces = 0.5

// reasons names what stands in the way of a mix that fails, is marginal or
// lies outside its band.
func reasons(parts []mix.Part, rest mix.Rest, s *mix.State, p *Prediction) []Note {
	if !s.HasPaste {
		code := "no-paste"
		if len(parts) == 0 {
			code = "empty-mix"
		}
		return []Note{{Code: code, Kind: "reason"}}
	}
	if p.Verdict == Holds && p.InBand {
		return nil
	}
	var out []Note
	reason := func(code string, value float64) { out = append(out, Note{Code: code, Kind: "reason", Value: value}) }
	loose := s.Q - s.Felt
	switch {
	case s.Felt > p.Band.To:
		if m, ok := restToReach(parts, rest, p.Band.To+loose); ok {
			reason("needs-rest", m)
		} else {
			reason("too-wet", 0)
		}
	case s.Felt >= p.Band.From:
	case s.Q > p.Band.To: // liquid lies between pieces that nothing joins
		reason("wet-and-loose", 0)
	case s.Q >= p.Band.From:
		reason("nothing-joins", 0)
	default:
		reason("too-dry", 0)
	}
	if p.Verdict == Holds {
		return out
	}
	if s.ChunkShare > manyPieces {
		reason("too-many-pieces", 100*s.ChunkShare)
	}
	if len(out) == 0 {
		if p.RawRatio < mix.SureRatio {
			reason("weak-raw", 0)
		}
		if p.CookedRatio < mix.SureRatio {
			reason("weak-cooked", 0)
		}
	}
	return out
}

// restToReach gives the whole minutes of rest, in steps a cook would set, at
// which the mix comes down to q; false where three hours do not do it.
func restToReach(parts []mix.Part, rest mix.Rest, q float64) (float64, bool) {
	for _, m := range []float64{5, 10, 15, 20, 30, 45, 60, 90, 120, 180} {
		if m > rest.Minutes && mix.Index(parts, mix.Rest{Minutes: m, Celsius: rest.Celsius, Hands: rest.Hands}) <= q {
			return m, true
		}
	}
	return 0, false
}

// limits gives one note for each food above its limit.
func limits(lines []mix.Line, s *mix.State) []Note {
	var out []Note
	total := make(map[*food.Food]float64, len(lines))
	for i := range lines {
		total[lines[i].Food] += lines[i].Grams
	}
	for i := range lines {
		f := lines[i].Food
		grams, first := total[f]
		delete(total, f)
		if pct := 100 * grams / s.Mass; first && f.MaxPct > 0 && pct > f.MaxPct {
			out = append(out, Note{Code: "over-limit", Kind: "limit", Food: f.ID, Value: pct, Limit: f.MaxPct})
		}
	}
	return out
}

// labelCautions are those that a label which was read settles.
var labelCautions = []string{"check-label", "certified-gf-oats", "check-sulphites"}

// Cautions gives one note for each caution that comes with the foods of lines, with
// the first food that brings it. What a label was read for at this table is not asked
// for again, and what only some eaters must know is said to them alone.
func Cautions(lines []mix.Line, table eaters.Table, k *kitchen.Kitchen) []Note {
	var out []Note
	for i := range lines {
		f := lines[i].Food
		for _, c := range f.Cautions {
			if slices.ContainsFunc(out, func(n Note) bool { return n.Code == c }) {
				continue
			}
			read := k.LabelRead(f.ID)
			switch {
			case slices.Contains(labelCautions, c) && len(read) > 0 && table.Check(f, read).Status != eaters.Label:
				continue
			case c == "nut-like" && !slices.ContainsFunc(table.Check(f, read).Reasons, func(r eaters.Reason) bool { return r.Code == c }):
				continue
			}
			out = append(out, Note{Code: c, Kind: "caution", Food: f.ID})
		}
	}
	return out
}
