package learn

import (
	"crypto/sha256"
	"encoding/json"
	"fmt"
	"math"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
)

// trial is a try as the model takes it: what its mix is judged by, and what was found.
type trial struct {
	try      *Try
	lines    []mix.Line
	rest     mix.Rest
	duty     mix.Duty
	coldness float64
	// expected is what the model says with its foods as it has them.
	expected mix.Expected
	paste    bool
	word     mix.Word
	raw      *logbook.Count
	cooked   *logbook.Count
	both     *logbook.Count
	// foods are the quantities of its foods, by line.
	foods []foodIn
	// near is where it lies among the mixes of the kitchen, whitened.
	near []float64
}

// foodIn is a quantity that foods of a try have.
type foodIn struct {
	quantity int
	lines    []int
	// felt, raw and cooked are how what is said goes with it.
	felt, raw, cooked float64
}

// dayIn is the kitchen as it was on that day.
func dayIn(k *kitchen.Kitchen, f *logbook.Found) *kitchen.Kitchen {
	if f.RoomCelsius == nil && f.FridgeCelsius == nil {
		return k
	}
	day := *k
	if f.RoomCelsius != nil {
		day.RoomCelsius = min(max(*f.RoomCelsius, 5), 40)
	}
	if f.FridgeCelsius != nil {
		day.FridgeCelsius = min(max(*f.FridgeCelsius, 0), 12)
	}
	return &day
}

func newTrial(t *Try, k *kitchen.Kitchen, known *Warmings) *trial {
	d, found := t.Document, t.Found
	day := dayIn(k, found)
	out := &trial{try: t, lines: d.MixLines(k.Foods), rest: d.RestIn(day), duty: d.Duty(day)}
	out.duty.Own = nil
	out.coldness = coldnessOf(d, day, known)
	out.expected, out.paste = out.expect(nil)
	switch {
	case found.Squeeze != "":
		out.word = found.Squeeze
	case d.Hand != nil:
		out.word = d.Hand.Word
	case found.SqueezeFresh != "":
		out.word = found.SqueezeFresh
		out.rest.Minutes, out.rest.Hands = 0, min(out.rest.Hands, document.MixMinutes(&k.Parameters.Minutes, 0))
		out.expected, out.paste = out.expect(nil)
	}
	if c, ok := found.Raw(); ok {
		out.raw = &c
		if c, ok := found.Cooked(); ok {
			out.cooked = &c
		}
	} else if c, ok := found.Both(); ok {
		out.both = &c
	}
	return out
}

// coldnessOf follows the chill, which is costly, once for a document.
func coldnessOf(d *document.Document, k *kitchen.Kitchen, known *Warmings) float64 {
	if !d.Chills() && !d.Frozen() {
		return 0
	}
	text, err := json.Marshal(struct{ Lines, Piece, Rest, Chill, Cook any }{d.Lines, d.Piece, d.Rest, d.Chill, d.Cook})
	if err != nil {
		return 0
	}
	sum := sha256.Sum256(fmt.Appendf(text, "cold %v", k.Settings))
	return known.find(string(sum[:]), func() *warming { return &warming{core: d.Coldness(k)} }).core
}

// expect is what the model says with the foods of the try deviating so.
func (t *trial) expect(off func(line int) (water, drink float64)) (mix.Expected, bool) {
	parts := make([]mix.Part, len(t.lines))
	for i, l := range t.lines {
		if off != nil {
			if water, drink := off(i); water != 0 || drink != 0 {
				f := l.Food.Deviating(food.Deviation{Water: water, Drink: drink})
				l.Food = &f
			}
		}
		parts[i] = l.Part()
	}
	e := mix.Sum(parts, t.rest)
	return e.Expect(&t.duty, t.coldness)
}

// tells says whether the try says something of its texture.
func (t *trial) tells() bool {
	return t.paste && (t.word != "" || t.raw != nil || t.both != nil)
}

// align works out what is said, and how it goes with the foods, at x.
func (t *trial) align(quantities []Quantity, x []float64) {
	at := func(which int, by float64) mix.Expected {
		e, ok := t.expect(func(line int) (water, drink float64) {
			for n := range t.foods {
				f := &t.foods[n]
				for _, l := range f.lines {
					if l != line {
						continue
					}
					v := x[f.quantity]
					if n == which {
						v += by
					}
					if IsFactor(quantities[f.quantity].Name) {
						return 0, v
					}
					return v, 0
				}
			}
			return 0, 0
		})
		if !ok {
			return t.expected
		}
		return e
	}
	t.expected = at(-1, 0)
	for n := range t.foods {
		f := &t.foods[n]
		h := .4 * quantities[f.quantity].SD
		up, down := at(n, h), at(n, -h)
		f.felt, f.raw, f.cooked = (up.Felt-down.Felt)/(2*h), (up.Raw-down.Raw)/(2*h), (up.Cooked-down.Cooked)/(2*h)
	}
}

// scooped is the natural logarithm of how full its pieces were made, and one standard deviation
// of it; false where nobody counted or weighed them. What is left of a mix that was not weighed
// as pieces is less than one: half of one on average.
func (t *trial) scooped(k *kitchen.Kitchen) (ln, sd float64, ok bool) {
	found, p := t.try.Found, t.try.Document.PieceOrDefault()
	if !p.Scooped() || p.Count > 0 || found.Pieces == 0 || found.Broke == nil && found.BeforeG == nil {
		return 0, 0, false
	}
	parts := mix.Parts(t.lines)
	grams := 0.
	for i := range parts {
		grams += parts[i].Mass
	}
	each, n := k.PieceGrams(&p, heat.CompositionOf(parts).Density()), float64(found.Pieces)
	sd = ScoopedSD
	if found.BeforeG != nil {
		grams = *found.BeforeG
	} else {
		n += .5
		sd = math.Hypot(sd, 1/(math.Sqrt(12)*n))
	}
	if each <= 0 || grams <= 0 {
		return 0, 0, false
	}
	return math.Log(grams / n / each), sd, true
}
