package formula

import (
	"math"
	"slices"

	"cuerda/core/eaters"
	"cuerda/core/food"
	"cuerda/core/heat"
	"cuerda/core/kitchen"
	"cuerda/core/mix"
	"cuerda/core/piece"
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

// Means says what holding is for a piece.
type Means string

// What holding means: a piece is turned and lifted whole, a loaf sliced, and of a
// stuffing a spoonful is moist and together, neither soup nor crumbs.
const (
	TurnAndLift Means = "turn-and-lift"
	Slice       Means = "slice"
	Spoon       Means = "spoon"
)

// MeansOf gives it for a piece.
func MeansOf(p *piece.Piece) Means {
	switch {
	case p.Kind == piece.Stuffing:
		return Spoon
	case p.Kind.IsLoaf():
		return Slice
	}
	return TurnAndLift
}

// Note is something to know about a prediction: a caution that comes with a
// food, a limit that is passed, or a reason why the mix fails.
type Note struct {
	Code string `json:"code"`
	// Kind is caution, limit or reason.
	Kind string `json:"kind" enum:"caution,limit,reason"`
	Food string `json:"food,omitempty"`
	// Value and Limit are figures that belong to the code: for over-limit, g
	// per 100 g of mix; for needs-rest, Value is minutes.
	Value float64 `json:"value,omitempty"`
	Limit float64 `json:"limit,omitempty"`
}

// Prediction is what a build will do, after its rest. Holds and needs are in kPa: a
// hold is what a piece needs, times what the judge of its chance makes of it. Shares
// are in g per g, masses in g.
type Prediction struct {
	MassG float64 `json:"mass_g"`
	// Q is the liquidity index; null where nothing in the mix drinks.
	Q *float64 `json:"q" nullable:"true"`
	// JustMixedQ is the index before any rest.
	JustMixedQ *float64   `json:"just_mixed_q" nullable:"true"`
	Word       mix.Word   `json:"word" enum:"crumbles,short,firm,tacky,slack,slumps,no-paste"`
	Band       piece.Band `json:"band"`
	InBand     bool       `json:"in_band"`
	ChunkShare float64    `json:"chunk_share"`
	RawKPa     float64    `json:"raw_kpa"`
	// RawChilledKPa is given where the document chills.
	RawChilledKPa *float64 `json:"raw_chilled_kpa,omitempty"`
	RawNeedKPa    float64  `json:"raw_need_kpa"`
	RawRatio      float64  `json:"raw_ratio"`
	CookedKPa     float64  `json:"cooked_kpa"`
	CookedNeedKPa float64  `json:"cooked_need_kpa"`
	CookedRatio   float64  `json:"cooked_ratio"`
	WaterShare    float64  `json:"water_share"`
	FatShare      float64  `json:"fat_share"`
	SaltShare     float64  `json:"salt_share"`
	QSD           float64  `json:"q_sd"`
	// Chance is that of the weaker of its two stages, 0..1.
	Chance       float64 `json:"chance"`
	ChanceRaw    float64 `json:"chance_raw"`
	ChanceCooked float64 `json:"chance_cooked"`
	// Means says what holding is for such a piece.
	Means   Means   `json:"chance_means" enum:"turn-and-lift,slice,spoon"`
	Verdict Verdict `json:"verdict" enum:"holds,marginal,fails-raw,fails-cooked,fails-both,nothing"`
	PieceG  float64 `json:"piece_g"`
	Pieces  int     `json:"pieces"`
	// ChilledCelsius is what a chill brings the pieces to, and ChillFactor how
	// many times firmer that makes them.
	ChilledCelsius *float64 `json:"chilled_celsius,omitempty"`
	ChillFactor    *float64 `json:"chill_factor,omitempty"`
	// Lines says, in document order, what became of each line.
	Lines []LineResult `json:"lines"`
	// NotFor says for whom at the table foods of the mix are out.
	NotFor []eaters.Refusal `json:"not_for"`
	Notes  []Note           `json:"notes"`
}

// LineResult is one line as a cook measures it and as it enters the mix.
type LineResult struct {
	// Measure is the nearest kitchen measure of the grams in the document.
	Measure *food.Measure `json:"measure,omitempty"`
	// PreparedG is the mass after the preparations, g.
	PreparedG float64 `json:"prepared_g"`
	// SharePct is that mass as g per 100 g of the mix.
	SharePct float64 `json:"share_pct"`
	// Check is what the table means for the food; nil where nobody leaves
	// anything out.
	Check *eaters.Check `json:"check,omitempty"`
	// Instead names foods that are clear, for a line that is out.
	Instead []string `json:"instead,omitempty"`
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
	p := d.PieceOrDefault()
	duty := d.Duty(k)
	need, band := duty.Need, duty.Band

	out := Prediction{
		MassG: Tidy(s.Mass, 1), Word: s.Word(), Band: band,
		InBand: s.HasPaste && band.Holds(s.Q), ChunkShare: Tidy(s.ChunkShare, 3),
		RawNeedKPa: Tidy(need.Raw, 3), CookedNeedKPa: Tidy(need.Cooked, 3),
		QSD: Tidy(s.SD, 3), Means: MeansOf(&p), Notes: []Note{},
	}
	if s.Mass > 0 {
		out.WaterShare = Tidy(s.Water/s.Mass, 3)
		out.FatShare = Tidy(s.Fat/s.Mass, 3)
		out.SaltShare = Tidy(s.Salt/s.Mass, 3)
	}
	yield := p.Yield(s.Mass, heat.CompositionOf(parts).Density())
	out.Pieces, out.PieceG = yield.Pieces, Tidy(yield.PieceG, 1)
	if s.HasPaste {
		q := Tidy(s.Q, 3)
		mixed := q
		if rest.Minutes > 0 {
			mixed = Tidy(mix.Index(bowl, mix.Rest{Celsius: rest.Celsius, Hands: rest.Hands}), 3)
		}
		out.Q, out.JustMixedQ = &q, &mixed
	}
	judged := s.Effect.Judge(&duty, 0)
	out.RawKPa = Tidy(judged.RawRatio*need.Raw, 3)
	if celsius, chilled := d.chilledTo(k, parts); chilled {
		warm := judged.RawRatio
		judged = s.Effect.Judge(&duty, mix.Coldness(celsius))
		firmer, at, factor := Tidy(judged.RawRatio*need.Raw, 3), Tidy(celsius, 1), 1.
		if warm > 0 {
			factor = Tidy(judged.RawRatio/warm, 2)
		}
		out.RawChilledKPa, out.ChilledCelsius, out.ChillFactor = &firmer, &at, &factor
	}
	out.CookedKPa = Tidy(judged.CookedRatio*need.Cooked, 2)
	out.RawRatio, out.CookedRatio = Tidy(judged.RawRatio, 2), Tidy(judged.CookedRatio, 2)
	out.Chance = Tidy(judged.Chance(), 3)
	out.ChanceRaw, out.ChanceCooked = Tidy(judged.Raw, 3), Tidy(judged.Cooked, 3)
	out.Verdict = verdict(s.HasPaste, out.InBand, judged.RawRatio, judged.CookedRatio)

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
		r := LineResult{PreparedG: Tidy(parts[i].Mass, 1), SharePct: Tidy(100*parts[i].Mass/s.Mass, 2)}
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
	switch {
	case s.Q > p.Band.To:
		if m, ok := restToReach(parts, rest, p.Band.To); ok {
			reason("needs-rest", m)
		} else {
			reason("too-wet", 0)
		}
	case s.Q < p.Band.From:
		reason("too-dry", 0)
	case s.Word() == mix.Crumbles:
		reason("nothing-joins", 0)
	}
	if p.Verdict == Holds {
		return out
	}
	if s.ChunkShare > manyPieces {
		reason("too-many-pieces", Tidy(100*s.ChunkShare, 0))
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
			out = append(out, Note{Code: "over-limit", Kind: "limit", Food: f.ID, Value: Tidy(pct, 1), Limit: f.MaxPct})
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

// Tidy rounds for display to that many decimals; what is tiny keeps three
// significant digits, so that a ratio of it still makes sense.
func Tidy(x float64, decimals int) float64 {
	if x == 0 || math.IsInf(x, 0) || math.IsNaN(x) {
		return 0
	}
	scale := math.Pow10(decimals)
	if r := math.Round(x*scale) / scale; math.Abs(r) >= 50/scale {
		return r
	}
	scale = math.Pow10(max(decimals, 2-int(math.Floor(math.Log10(math.Abs(x))))))
	if math.IsInf(scale, 0) {
		return 0
	}
	return math.Round(x*scale) / scale
}
