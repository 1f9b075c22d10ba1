package learn

import (
	"encoding/json"

	"cuerda/core/document"
)

type heatFound struct {
	found []Finding
	about []*Try
}

// heatFindings are what thermometers told, of the last tries that have it.
func (s *school) heatFindings() (out heatFound) {
	left := mostHeat
	pieces := map[string]int{}
	for i := len(s.trials) - 1; i >= 0 && left > 0; i-- {
		t := s.trials[i].try
		day := dayIn(s.k, t.Found)
		if air := t.Found.OvenCelsius; air != nil && t.Document.Cook != nil && InOven(t.Document) {
			dial := t.Document.Cook.Method.Row().Celsius
			if t.Document.Cook.Celsius != nil {
				dial = *t.Document.Cook.Celsius
			}
			at := s.of(ovenOffset, t)
			out.found = append(out.found, Finding{
				Says: func(x []float64) float64 { return x[at] }, Loss: Measured(*air-dial, AirSD), About: []int{at},
				Slopes: func(_, to []float64) { to[0] = 1 },
			})
			out.about = append(out.about, t)
		}
		w := warmingOf(t.Document, t.Found, day, s.o.Known)
		if w == nil {
			continue
		}
		left--
		name := PieceKey(t.Document)
		missed, ok := pieces[name]
		if !ok {
			missed = len(s.quantities)
			pieces[name] = missed
			sd := PieceSD
			if w.moves[panTransfer] {
				sd = inPanSD
			}
			s.quantities = append(s.quantities, Quantity{"piece", 0, sd})
		}
		out.found = append(out.found, s.warmed(t, w, missed))
		out.about = append(out.about, t)
	}
	return out
}

// warmed is what a thermometer in a piece told.
func (s *school) warmed(t *Try, w *warming, missed int) Finding {
	about := []int{missed}
	var which []int
	for i, moves := range w.moves {
		if moves {
			about, which = append(about, s.of(i, t)), append(which, i)
		}
	}
	usual := [heatQuantities]float64{ovenOffset: s.k.OvenOffset, altitude: s.k.AltitudeM}
	off := func(x []float64) (out [heatQuantities]float64) {
		for n, i := range which {
			out[i] = x[about[n+1]] - usual[i]
		}
		return out
	}
	return Finding{
		Says: func(x []float64) float64 { return w.says(off(x)) + x[missed] },
		Loss: Measured(*t.Found.CoreCelsius, CoreSD), About: about,
		Slopes: func(x, to []float64) {
			to[0] = 1
			at := off(x)
			for n, i := range which {
				to[n+1] = w.first[i] + 2*at[i]*w.half[i]
			}
		},
	}
}

// InOven says whether the air of an oven is what cooks it.
func InOven(d *document.Document) bool {
	m, _ := d.MethodAndTurn()
	return m.Row().Bakes()
}

// PieceKey is the same for pieces of the same foods that are shaped and cooked alike.
func PieceKey(d *document.Document) string {
	var foods []string
	for i := range d.Lines {
		foods = append(foods, d.Lines[i].Food)
	}
	text, _ := json.Marshal(struct{ Foods, Piece, Cook any }{foods, d.Piece, d.Cook}) // documents can be written
	return string(text)
}
