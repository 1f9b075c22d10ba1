package ingredient

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// mass is what a measure weighs, g, of volume as water.
func (m *measured) mass() float64 {
	return m.amount * massOf(words.Meaning{List: "unit." + m.unit, Value: m.per})
}

// massOf is what a unit of mass weighs, g; of volume, as water.
func massOf(u words.Meaning) float64 {
	switch u.List {
	case "unit.oz":
		return u.Value * food.GramsPerOunce
	case "unit.cup":
		return u.Value * food.MLPerCup
	}
	return u.Value
}

const (
	pinchG  = 0.4  // a sixteenth of a teaspoon of salt
	splashG = 8.   // half a tablespoon
	grindG  = 0.15 // of a pepper mill
	dropG   = 0.05
	knobG   = 15.
	// drainedShare is what is left of a can of beans of unknown make.
	drainedShare = 0.6
	// usualTin is a small tin of vegetables of unknown size, g.
	usualTin = 285.
	// seasonG is what a mix of about half a kilo takes of a spice that is not measured:
	// kitchen practice.
	seasonG = 0.5
)

// eggSizes are set by law, unlike those of vegetables: the large one is the unit.
var eggSizes = map[float64]float64{0.7: 0.86, 1: 0.98, 1.4: 1, 1.6: 1.12}

// weigh turns a measure of a food into grams.
func (s *scan) weigh(out *Ingredient, f *food.Food, m *measured) {
	if !m.said && m.unit == "" && s.said.grams == 0 && s.said.measure != nil {
		*m = s.taken()
	}
	out.Amount, out.High, out.Unit, out.Said = m.amount, m.high, m.unit, m.said
	if m.unit == "pack" && m.pack == 0 {
		m.pack, m.net = s.said.grams, s.said.ounces
	}
	m.pouch = m.unit == "pack" && s.tells("word.pouch") && (m.pack > 0 || f.State == food.Cooked && (f.Group == food.Grain || f.Group == food.Legume))
	grams, sure := s.r.gramsOf(f, m)
	if frozen := s.r.sizes[f.ID+" frozen cup"]; frozen > 0 && (m.unit == "cup" || m.unit == "tbsp") && s.tells("state.frozen") {
		grams *= frozen / f.GramsPerCup // it lies closer than fresh leaves
	}
	if m.unit == "pack" && s.tells("word.can") && s.tells("word.drained") && len(f.Packs) == 0 && !strings.Contains(f.ID, "canned") && f.Group == food.Vegetable && m.pack > 0 {
		grams *= drainedShare // a tin of sweetcorn, drained
	}
	switch {
	case m.bad:
		s.fault("bad-amount")
		return
	case !m.said && s.said.grams > 0: // "oats (50 g)"
		out.Amount, out.Unit, out.Said = s.said.grams, "g", true
		grams, sure = s.said.grams, 1
	case !m.said:
		grams, sure = f.UsualGrams(), 0.3
		switch {
		case f.ManyAlike && f.Group == food.Flavour:
			grams = seasonG
		case s.r.sizes[f.ID+" taste"] > 0:
			grams = s.r.sizes[f.ID+" taste"]
		case aromatics[f.ID] && s.r.sizes[f.ID+" handful"] > 0:
			grams = s.r.sizes[f.ID+" handful"]
		case s.maybe && f.Group == food.Wet || s.maybe && f.Group == food.Dairy:
			grams = splashG
		}
		if !s.taste && s.line.Role == "" {
			s.fault("no-amount")
		}
	case s.said.cups > 0 && (m.unit == "" || m.unit == f.PieceName || m.unit == "head" || m.unit == "bunch") && f.GramsPerCup > 0:
		grams, sure = s.said.cups*f.GramsPerCup, 0.85 // "1 small beet (about ¾ cup)"
	case s.said.grams > 0 && m.unit == "pack" && m.amount < 1 && !s.state.canned:
		grams, sure = s.said.grams, 0.9 // "1/2 block (200 g) firm tofu"
	case s.said.grams > 0 && (m.unit != "g" && m.unit != "oz" && m.unit != "pack" || s.said.instead && m.unit != "pack"):
		grams, sure = s.said.grams, 1 // "2 carrots (200 g)": the weight is said
		if s.said.each {
			grams *= m.amount
		}
	}
	for i := range m.more {
		g, _ := s.r.gramsOf(f, &m.more[i])
		grams += g
	}
	grams = math.Round(grams*10) / 10
	if grams <= 0 || grams > 100_000 {
		s.fault("no-weight")
		return
	}
	out.Grams, out.GramsSure, out.measured = grams, sure, *m
}

func (r *Reader) gramsOf(f *food.Food, m *measured) (grams, sure float64) {
	size := m.size
	if size == 0 {
		size = 1
	}
	if f.Group == food.Egg {
		if size = eggSizes[m.size]; size == 0 {
			size = 1
		}
	}
	own := r.sizes[f.ID+" "+m.unit]
	if m.unit == "" && aromatics[f.ID] && f.PieceName == "bunch" {
		own = r.sizes[f.ID+" sprig"] // "a few chives"
	}
	switch m.unit {
	case "g", "oz":
		g, _ := f.GramsPer(food.Unit(m.unit))
		return m.amount * m.per * g, 1
	case "cup", "tbsp", "tsp":
		if m.unit == "cup" && m.per > 0.04 && m.per < 0.05 && f.PieceName == "clove" {
			return m.amount * f.GramsPerPiece, 0.7 // "garlic 3 cl": cloves, not centilitres
		}
		g, _ := f.GramsPer(food.Unit(m.unit))
		if f.ID == "salt" && m.size == flaky {
			g *= 0.75
		}
		return m.amount * m.per * g, 0.85
	case "pack":
		if own > 0 && m.pack == 0 {
			return m.amount * own, 0.7 // a sachet of gelatine
		}
		if m.pouch {
			return m.amount * cmp.Or(m.pack, pouchG), 0.9
		}
		if m.net && !strings.Contains(f.ID, "canned") && f.Group != food.Fish {
			return m.amount * m.pack, 0.9
		}
		return m.amount * packGrams(f, m.pack), 0.9
	}
	if m.per > 0 {
		own *= m.per // a large handful, a small bunch, a centimetre of ginger, of which a thumb is an inch
	}
	if own > 0 {
		return m.amount * own, 0.7
	}
	switch m.unit {
	case "pinch":
		return m.amount * m.per * pinchG, 0.6
	case "grind":
		return m.amount * grindG, 0.5
	case "grating":
		if f.Group == food.Flavour {
			return m.amount * pinchG, 0.5
		}
	case "splash":
		return m.amount * splashG, 0.5
	case "drop":
		return m.amount * dropG, 0.5
	case "knob":
		return m.amount * knobG, 0.5
	case "bit":
		return m.amount * bitGrams(f), 0.5
	case "":
		switch {
		case f.GramsPerPiece > 0:
		case m.amount == 1:
			return bitGrams(f), 0.3 // "a little milk"
		case m.few && f.Group == food.Flavour:
			return pinchG, 0.3
		case m.few:
			return f.GramsPerCup / 16, 0.3 // "a few capers": a tablespoon
		}
	case "handful":
		if f.Group == food.Nut {
			return m.amount * m.per * f.GramsPerCup / 4, 0.5
		}
		return m.amount * m.per * f.GramsPerCup / 2, 0.5
	case "leaf", "sprig":
		if f.PieceName != m.unit {
			return 0, 0
		}
	case "thumb":
		return m.amount * m.per * 15, 0.5
	}
	return m.amount * f.GramsPerPiece * size, 0.7
}

// bitGrams is "a bit of" a food, g: kitchen practice, grade C.
func bitGrams(f *food.Food) float64 {
	switch {
	case f.Group == food.Flavour:
		return pinchG
	case f.Group == food.Fat || f.Group == food.Wet || f.Is(food.Liquid):
		return splashG
	}
	return f.GramsPerCup / 4
}

// flaky marks a coarse salt, which fills a spoon less.
const flaky = -1.

// pouchG is a usual pouch of cooked grain or pulses, which has no liquid to drain, g.
const pouchG = 250.

// packGrams is what one pack gives without its liquid, g.
func packGrams(f *food.Food, size float64) float64 {
	if len(f.Packs) == 0 {
		if size == 0 && f.GramsPerPiece == 0 && f.Group == food.Vegetable {
			return usualTin * drainedShare
		}
		if size > 0 && strings.Contains(f.ID, "canned") {
			return size * drainedShare
		}
		if size == 0 {
			return f.GramsPerPiece
		}
		return size
	}
	if size == 0 {
		return f.Packs[0].Drained
	}
	near := f.Packs[0]
	for _, p := range f.Packs {
		if math.Abs(p.Total-size) < math.Abs(near.Total-size) {
			near = p
		}
	}
	if slices.ContainsFunc(f.Packs, func(p food.Pack) bool { return p.Drained == size }) {
		return size
	}
	return size * near.Drained / near.Total
}
