package dish

import (
	_ "embed"
	"math"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/csvtable"
	"cuerda/core/food/eaters"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

func (l *assessor) part(p *document.Part) PartResult {
	lines := p.MixLines(l.k.Foods)
	parts := mix.Parts(lines)
	state := mix.AssessParts(parts, p.RestAt(l.k.RoomCelsius))
	out := PartResult{MassG: state.Mass, Each: "piece", Word: state.Word(), Status: eaters.Clear, Notes: []predict.Note{}}
	count := l.pieces
	if !p.Kind.OnPiece() {
		out.Each, count = "portion", max(1, l.portions)
	}
	out.EachG = state.Mass / float64(count)
	usual := &l.k.Parameters.Amounts
	need := l.need(p, lines, heat.CompositionOf(parts).Density())
	out.NeedG = need
	if shaped(p.Kind) && state.HasPaste {
		q := state.Q
		out.Q = &q
	}
	out.Lines = predict.LineResults(lines, parts, &state, l.table, l.k)
	for _, line := range out.Lines {
		if line.Check != nil {
			out.Status = worse(out.Status, line.Check.Status)
		}
	}
	note := func(code string, value, limit float64) {
		out.Notes = append(out.Notes, predict.Note{Code: code, Kind: "limit", Value: value, Limit: limit})
	}
	switch {
	case len(lines) == 0:
		note("part-empty", 0, need)
	case need > 0 && state.Mass < usual.Short*need:
		note("part-short", state.Mass, need)
	case need > 0 && state.Mass > usual.Over*need:
		note("part-over", state.Mass, need)
	}
	if out.Q != nil {
		switch {
		case p.Kind.Inside() && *out.Q > usual.Runs:
			note("filling-runs", 0, 0)
		case p.Kind == document.Shell && !(&piece.Piece{Kind: piece.Shell}).Band().Holds(*out.Q):
			note("shell-off", 0, 0)
		}
	}
	if p.Kind == document.Broth {
		l.drinks(lines, &out)
	}
	out.Notes = append(out.Notes, predict.Cautions(lines, l.table, l.k)...)
	return out
}

func shaped(k document.PartKind) bool { return k.Inside() || k == document.Shell }

func worse(a, b eaters.Status) eaters.Status {
	if a == eaters.Out || b == eaters.Out {
		return eaters.Out
	}
	if a == eaters.Label || b == eaters.Label {
		return eaters.Label
	}
	return eaters.Clear
}

// need is how much of a part all pieces or portions want, g; 0 where nothing
// says.
func (l *assessor) need(p *document.Part, lines []mix.Line, density float64) float64 {
	n, usual := float64(l.pieces), &l.k.Parameters.Amounts
	area := l.piece.Area()
	if l.piece.InTin() && area > 0 {
		area = l.piece.LengthMM * l.piece.WidthMM / 1e6 // only its top is free
	}
	switch p.Kind {
	case document.Filling, document.Middle:
		return n * l.piece.Inside() * density * 1000
	case document.Coating:
		return n * area * usual.Coating
	case document.Glaze:
		return n * area * usual.Glaze
	case document.Wash:
		return n * area * usual.Wash
	case document.Sauce:
		return usual.Sauce * float64(l.portions)
	case document.Broth:
		return usual.Broth * float64(l.portions)
	case document.Wrap, document.Vessel:
		// One leaf, one sheet or half a vegetable for each piece.
		if len(lines) != 1 || lines[0].Food.GramsPerPiece == 0 {
			return 0
		}
		each := lines[0].Food.GramsPerPiece
		if p.Kind == document.Vessel {
			each /= 2
		}
		return n * each
	}
	return 0
}

// drinks says how much liquid the pasta and grains of a broth take up until
// tomorrow, and how much there is.
func (l *assessor) drinks(lines []mix.Line, out *PartResult) {
	liquid, taken, most := 0.0, 0.0, 0.0
	thirsty := ""
	for i := range lines {
		f := lines[i].Food
		if f.Group == food.Wet {
			liquid += lines[i].Grams
		}
		if g := Drinks(f.ID) * lines[i].Grams; g > 0 {
			taken += g
			if g > most {
				most, thirsty = g, f.ID
			}
		}
	}
	if taken > 0 {
		out.Notes = append(out.Notes, predict.Note{Code: "drinks-by-tomorrow", Kind: "limit", Food: thirsty, Value: taken, Limit: math.Max(0, liquid-taken)})
	}
}

// Drinks is how many g of liquid a gram of a food takes up that stands in it
// until tomorrow, in the fridge: kitchen practice, grade C. 0 for others.
func Drinks(id string) float64 { return drinks[id] }

//go:embed drinks.csv
var drinksCSV string

var drinks = func() map[string]float64 {
	out := map[string]float64{}
	for _, row := range csvtable.Rows("drinks.csv", drinksCSV) {
		out[row[0]] = csvtable.Number("drinks.csv", row[1])
	}
	return out
}()
