package mix

import "math"

// indexSD is one standard deviation of the index q that the figures leave, to first order
// with exact derivatives: each p of a food, and the distance from its p to its l, is taken
// as off by what outcomes leave of it, tau and leak by one relative standard deviation of
// the food's grade, each by itself; a chunk share c by the same times c (1 - c), since it
// stays between 0 and 1.
func indexSD(parts []Part, terms []term, span, q float64) float64 {
	variance := 0.
	add := func(sd, slope float64) { variance += sd * sd * slope * slope }
	for i := range terms {
		t, p := &terms[i], &parts[i]
		sd := p.Food.Grade.SD()
		plasticSD, spanSD := p.Food.DrinkSD()
		add(plasticSD, -t.plastic/span)
		add(spanSD, -q*(t.liquid-t.plastic)/span)
		if t.decay > 0 {
			add(sd, t.decay/t.share*((1-q)*t.plastic+q*t.liquid)/span)
		}
		if c := p.Chunk; c > 0 {
			add(sd, p.Leak*p.Mass*c/span)
			perPaste := 1 / t.paste
			num := -p.Water + p.Leak*p.Mass + t.plastic*perPaste
			den := -(t.liquid - t.plastic) * perPaste
			add(sd*c*t.paste, (num-q*den)/span)
		}
	}
	return math.Sqrt(variance)
}
