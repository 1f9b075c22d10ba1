package predict

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

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
