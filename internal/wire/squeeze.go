package wire

import "cuerda/core/predict/squeeze"

// Handful is squeeze.Appearance as the interface tells it.
type Handful struct {
	Index float64 `json:"index" digits:"3"`
	Paste string  `json:"paste"`
	Bits  []Bit   `json:"bits"`
	// Show is how clearly each sign is seen, 0..1; Tells are those to put in words, what tells most first.
	Show  map[squeeze.Sign]float64 `json:"show"`
	Tells []squeeze.Sign           `json:"tells"`
}

// Bit is squeeze.Bit as the interface tells it.
type Bit struct {
	Food   string       `json:"food"`
	Form   squeeze.Form `json:"form"`
	Colour string       `json:"colour"`
	Share  float64      `json:"share" digits:"3"`
}

// HandfulOf tells a handful.
func HandfulOf(h *squeeze.Appearance) *Handful {
	out := &Handful{Index: Tidy(h.Index, 3), Paste: h.Paste, Bits: make([]Bit, len(h.Bits)), Show: map[squeeze.Sign]float64{}, Tells: h.Tells}
	for i := range h.Bits {
		b := &h.Bits[i]
		out.Bits[i] = Bit{b.Food, b.Form, b.Colour, Tidy(b.Share, 3)}
	}
	for s, x := range h.Show {
		out.Show[s] = Tidy(x, 2)
	}
	return out
}
