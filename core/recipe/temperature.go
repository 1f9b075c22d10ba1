package recipe

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// hotAsOil says that a sentence of frying gives a temperature, as is done of oil that is deep, and that the recipe has oil to fry in.
func (m *procedure) hotAsOil(s *sentence) bool {
	const coolest, hottest = 150, 200
	return slices.ContainsFunc(s.temperatures(), func(t temperature) bool { return t.celsius >= coolest && t.celsius <= hottest }) &&
		(slices.ContainsFunc(m.entries, func(e *entry) bool { return e.part == Frying }) || strings.HasPrefix(s.tokens[s.has("heat.fry")].Plain, "fr"))
}

// oilHot says that a bare number is what oil to fry in is brought to, degC or degF: "fried at 350".
func oilHot(v float64) bool { return v >= 160 && v <= 190 || v >= 325 && v <= 375 }

// temperature is one that a sentence gives, degC.
type temperature struct {
	celsius float64
	at, end int
	fan     bool
}

// scaleAt reads the words behind the number of a temperature: that they are degrees, of which scale, and the token behind them.
func scaleAt(tokens []words.Token, text string, from int) (degrees, f, c bool, end int) {
	end = from
	for k := from; k < min(len(tokens), from+3); k++ {
		u := &tokens[k]
		switch {
		case u.Of("degrees"):
			degrees = true
		case u.Of("fahrenheit") && (u.Glued || degrees || text[u.At:u.End] == "F"):
			f = true
		case u.Of("celsius") && (u.Glued || degrees || text[u.At:u.End] == "C"):
			c = true
		default:
			return degrees, f, c, end
		}
		end = k + 1
	}
	return degrees, f, c, end
}

// gasCelsius is what cooks take the whole mark of a gas oven for, degC; 0 where there is none.
func gasCelsius(mark int) float64 {
	for _, g := range kitchen.GasMarks {
		if g.Mark == strconv.Itoa(mark) {
			return g.Celsius
		}
	}
	return 0
}

// temperatures reads those of ovens and oil; those inside a piece are left out.
func (s *sentence) temperatures() (out []temperature) {
	for i := 0; i < len(s.tokens); i++ {
		t := &s.tokens[i]
		if g := t.In("gas"); g.N > 0 && i+g.N < len(s.tokens) && s.tokens[i+g.N].Kind == words.Number {
			if mark := s.tokens[i+g.N].Value; mark >= 1 && mark <= 10 {
				out = append(out, temperature{gasCelsius(int(mark)), i, i + g.N + 1, false})
			}
			continue
		}
		if t.Kind != words.Number || t.Value < 40 || t.Value > 600 {
			continue
		}
		end := i + 1
		if end+1 < len(s.tokens) && s.tokens[end].Is("-") && s.tokens[end+1].Kind == words.Number {
			end += 2
		}
		degrees, f, c, end := scaleAt(s.tokens, s.text, end)
		if !degrees && !f && !c {
			// "Bake at 350", "oven to 400".
			bare := s.has("heat.oven") >= 0 && (t.Value >= 140 && t.Value <= 260 || t.Value >= 300 && t.Value <= 450) && i > 0 && (s.tokens[i-1].Is(",") || s.tokens[i-1].Is("(") || s.tokens[i-1].Of("heat.oven") || s.tokens[i-1].Plain == "again") &&
				!(i+1 < len(s.tokens) && (s.tokens[i+1].Under("unit.").N > 0 || s.tokens[i+1].Of("time") || s.tokens[i+1].Of("length") || s.tokens[i+1].Kind == words.Number))
			behindTime := i > 1 && s.tokens[i-2].Of("time") && (s.tokens[i-1].Plain == "a" || s.tokens[i-1].Plain == "at") && t.Value >= 140 && t.Value <= 450
			bare = bare || behindTime || s.timedHeat(i) || s.besideFan(i)
			if !bare && (i == 0 || !(s.tokens[i-1].Plain == "at" || s.tokens[i-1].Plain == "to" || s.tokens[i-1].Plain == "a") || t.Value < 120 || i+1 < len(s.tokens) && (s.tokens[i+1].Under("unit.").N > 0 || s.tokens[i+1].Of("time")) || s.has("heat.oven") < 0 && s.has("oil") < 0 && !(s.has("heat.fry") >= 0 && oilHot(t.Value))) {
				continue
			}
		}
		v := t.Value
		if f || !c && v >= 260 {
			v = (v - 32) / 1.8
		}
		inside := false
		for k := end; k < min(len(s.tokens), end+4); k++ {
			inside = inside || s.tokens[k].Of("inside")
		}
		for k := i - 1; k >= max(0, i-5); k-- {
			inside = inside || s.tokens[k].Of("inside") && !s.tokens[k].Of("heat.oven")
		}
		if inside || v < 60 {
			continue
		}
		fan := end < len(s.tokens) && s.tokens[end].Of("heat.fan") || i > 0 && s.tokens[i-1].Of("heat.fan")
		out = append(out, temperature{math.Round(v), i, end, fan})
	}
	return out
}

// timedHeat says that a round number is a temperature because a time follows it: "400 for 18 min".
func (s *sentence) timedHeat(i int) bool {
	v := s.tokens[i].Value
	if v != math.Trunc(v/5)*5 || !(v >= 150 && v <= 250 || v >= 300 && v <= 475) {
		return false
	}
	for k := i + 1; k < min(len(s.tokens), i+4); k++ {
		if m, _ := ingredient.Minutes(s.tokens, k); m > 0 {
			return true
		}
		if m, _ := s.bareFor(k); m > 0 {
			return true
		}
		if t := &s.tokens[k]; !(t.Is(",") || t.Is("/") || t.Of("word.for") || t.Plain == "for" || t.Of("about") || t.Of("word.and")) {
			return false
		}
	}
	return false
}

// besideFan says that a round number is a temperature because that of a fan oven stands beside it: "180 (160 fan)".
func (s *sentence) besideFan(i int) bool {
	if v := s.tokens[i].Value; v != math.Trunc(v/5)*5 || v < 120 || v > 475 {
		return false
	}
	if i > 0 && s.tokens[i-1].Of("heat.fan") {
		return true // "200C (fan 180)"
	}
	next := i + 1
	if next+1 < len(s.tokens) && (s.tokens[next].Is("(") || s.tokens[next].Is("/")) && s.tokens[next+1].Kind == words.Number {
		next += 2
	}
	return next < len(s.tokens) && s.tokens[next].Of("heat.fan")
}

// celsius finds the temperature of the heat: in its own sentence, then where the oven
// or the oil was brought to it.
func (m *procedure) celsius(by method.Method) float64 {
	oven := by.Row().Bakes()
	pick := func(s *sentence) float64 {
		list := s.temperatures()
		for _, t := range list {
			if t.fan == (by == method.FanOven) || len(list) == 1 {
				m.mark(s, s.tokens[t.at].At, s.tokens[min(t.end, len(s.tokens))-1].End, "celsius", -1)
				return t.celsius
			}
		}
		if len(list) > 0 {
			return list[0].celsius
		}
		return 0
	}
	if by.Row().InWater() {
		return 0
	}
	// A temperature by itself is an oven's.
	if v := pick(&m.sentences[m.cookAt]); v > 0 {
		return v
	}
	if next := m.cookAt + 1; next < len(m.sentences) && !m.sentences[next].note && !m.sentences[next].sauce && (m.cookMinutesIn(m.cookAt) == 0 || m.sentences[next].onlyHeat()) {
		if v := pick(&m.sentences[next]); v > 0 {
			return v
		}
	}
	for i := m.cookAt; i >= 0; i-- {
		s := &m.sentences[i]
		if s.note || s.sauce {
			continue
		}
		if oven && (s.has("act.preheat") >= 0 || s.has("heat.oven") >= 0) || !oven && (s.has("oil") >= 0 || s.has("heat.pan") >= 0) {
			if v := pick(s); v > 0 {
				return v
			}
		}
	}
	return 0
}

// onlyHeat says that a sentence tells nothing but how hot it is, as where a page broke it off: "at 180C / gas 4."
func (s *sentence) onlyHeat() bool {
	const short = 8
	return len(s.tokens) <= short && len(s.mentions) == 0 && s.under("do.") < 0 && s.under("act.") < 0 && len(s.temperatures()) > 0
}
