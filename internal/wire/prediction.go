package wire

import (
	"cuerda/core/food/eaters"
	"cuerda/core/predict"
)

// PredictionOf is Of for a prediction, which a drag waits for: without looking its fields
// up. A test holds the two to each other.
func PredictionOf(p *predict.Prediction) Prediction {
	out := Prediction{
		MassG:          Tidy(p.MassG, 1),
		Q:              tidied(p.Q, 3),
		JustMixedQ:     tidied(p.JustMixedQ, 3),
		FeltQ:          tidied(p.FeltQ, 3),
		JustMixedFeltQ: tidied(p.JustMixedFeltQ, 3),
		Word:           p.Word,
		Band:           Band(p.Band),
		InBand:         p.InBand,
		ChunkShare:     Tidy(p.ChunkShare, 3),
		RawKPa:         Tidy(p.RawKPa, 3),
		RawChilledKPa:  tidied(p.RawChilledKPa, 3),
		RawNeedKPa:     Tidy(p.RawNeedKPa, 3),
		RawRatio:       Tidy(p.RawRatio, 2),
		CookedKPa:      Tidy(p.CookedKPa, 2),
		CookedNeedKPa:  Tidy(p.CookedNeedKPa, 3),
		CookedRatio:    Tidy(p.CookedRatio, 2),
		WaterShare:     Tidy(p.WaterShare, 3),
		FatShare:       Tidy(p.FatShare, 3),
		SaltShare:      Tidy(p.SaltShare, 3),
		QSD:            Tidy(p.QSD, 3),
		Chance:         Tidy(p.Chance, 3),
		ChanceRaw:      Tidy(p.ChanceRaw, 3),
		ChanceCooked:   Tidy(p.ChanceCooked, 3),
		ChanceLow:      Tidy(p.ChanceLow, 3),
		ChanceHigh:     Tidy(p.ChanceHigh, 3),
		LittleKnown:    p.LittleKnown,
		Eat:            Tidy(p.Eat, 3),
		Costs:          p.Costs,
		Means:          p.Means,
		Verdict:        p.Verdict,
		Says:           p.Says,
		PieceG:         Tidy(p.PieceG, 1),
		Pieces:         p.Pieces,
		ChilledCelsius: tidied(p.ChilledCelsius, 1),
		ChillFactor:    tidied(p.ChillFactor, 2),
		Lines:          make([]LineResult, len(p.Lines)),
		NotFor:         Of[[]Refusal](p.NotFor),
		Notes:          make([]Note, len(p.Notes)),
	}
	for i := range p.Lines {
		l := &p.Lines[i]
		out.Lines[i] = LineResult{
			Measure: (*Measure)(l.Measure), PreparedG: Tidy(l.PreparedG, 1), SharePct: Tidy(l.SharePct, 2),
			Check: checkOf(l.Check), Instead: l.Instead,
		}
	}
	for i, n := range p.Notes {
		out.Notes[i] = Note{Code: n.Code, Kind: n.Kind, Food: n.Food, Value: Tidy(n.Value, 1), Limit: Tidy(n.Limit, 1)}
	}
	return out
}

func checkOf(c *eaters.Check) *Check {
	if c == nil {
		return nil
	}
	out := Of[Check](c)
	return &out
}

func tidied(v *float64, decimals int) *float64 {
	if v == nil {
		return nil
	}
	x := Tidy(*v, decimals)
	return &x
}
