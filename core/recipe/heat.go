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

// Cook is how the raw pieces are cooked first, as far as a recipe says.
type ReadCook struct {
	Method  method.Method
	Celsius float64
	// Minutes are of both sides together, the middle of a range.
	Minutes float64
	Turn    *bool
}

// ReadWait is a wait.
type ReadWait struct {
	Minutes float64
}

// waits reads the rest of the mix and its chill, both before the heat.
func (m *procedure) waits() (rest, chill *ReadWait) {
	end := m.cookAt
	if end < 0 {
		end = len(m.sentences)
	}
	for i := max(0, m.mixedAt); i <= end && i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note || s.sauce || s.gelled && s.has("mass") < 0 && !s.all && i != m.mixedAt {
			continue
		}
		until := len(s.tokens)
		if i == m.cookAt { // only what stands before the heat
			until = s.under("heat.")
		}
		cold := s.cold()
		if cold >= until {
			cold = -1
		}
		frozen := s.has("act.freeze")
		for k := 0; k < until; k++ {
			v, n := ingredient.Minutes(s.tokens, k)
			if v <= 0 && s.bareMinutes(k) {
				v, n = s.tokens[k].Value, 1
			}
			if v <= 0 {
				continue
			}
			if s.optional(k) {
				k += n - 1
				continue
			}
			waits, to := s.waitsFor(k, n), (**ReadWait)(nil)
			code := ""
			switch {
			case frozen >= 0 && frozen < k:
			case waits == forChill, cold >= 0 && waits != forRest:
				to, code = &chill, "chill"
			case s.has("act.rest") >= 0 && s.has("act.rest") < until && waits != forOther:
				to, code = &rest, "rest"
			}
			if to != nil {
				if *to == nil {
					*to = &ReadWait{}
				}
				(*to).Minutes += v
				m.becomes(s, code)
				m.mark(s, s.tokens[k].At, s.tokens[k+n-1].End, code, -1)
			}
			k += n - 1
		}
	}
	return rest, chill
}

// bareMinutes says that a number without a unit is of minutes: "30 minutos en la encimera y otros 30 en la nevera",
// "rest 15, then roll".
func (s *sentence) bareMinutes(k int) bool {
	if s.tokens[k].Kind != words.Number || k == 0 {
		return false
	}
	ends := k+1 == len(s.tokens) || s.tokens[k+1].Kind == words.Mark
	before := &s.tokens[k-1]
	switch {
	case before.Of("more"):
		return ends || s.tokens[k+1].Of("word.in")
	case !ends || s.tokens[k].Value < 3:
		return false
	case k+2 < len(s.tokens) && s.tokens[k+1].Is("-") && s.tokens[k+2].Kind == words.Number, k+1 < len(s.tokens) && (s.tokens[k+1].Is("%") || s.tokens[k+1].Is("°") || s.tokens[k+1].Is("/")):
		return false
	}
	return before.Of("act.rest") || before.Of("act.chill") || before.Of("mass") && k > 1 && s.tokens[k-2].Of("act.rest")
}

// optional says that a time is only how long something may be: "and up to 2 days", "it can wait
// overnight".
func (s *sentence) optional(at int) bool {
	for k := max(0, at-3); k < at; k++ {
		if s.tokens[k].Of("word.up to") && at > 2 {
			for j := range k {
				if s.tokens[j].Of("time") || s.tokens[j].Of("span") {
					return true
				}
			}
		}
	}
	for k := range s.tokens {
		if s.tokens[k].Of("word.may") && s.has("act.shape") < 0 {
			return true
		}
	}
	return false
}

// outside says that a word of cold tells where something is not: "out of the fridge".
func (s *sentence) outside(k int) bool {
	for j := max(0, k-3); j < k; j++ {
		if n := s.tokens[j].In("word.outside").N; n > 0 && j+n >= k-1 {
			return true
		}
	}
	return false
}

// cold gives where a sentence first tells of the cold; -1 for nowhere.
func (s *sentence) cold() int {
	for k := range s.tokens {
		if s.tokens[k].Of("act.chill") && !s.outside(k) {
			return k
		}
	}
	return -1
}

// what a time in a sentence goes with.
type waiting int

const (
	unsaid   waiting = iota
	forChill         // the cold
	forRest          // a rest, though a chill may stand in the same sentence
	forOther         // a verb that is neither
)

// waitsFor says what a time goes with: the verb before it.
func (s *sentence) waitsFor(at, n int) waiting {
	for k := at + n; k < min(len(s.tokens), at+n+3); k++ { // "20 min de reposo", "30 minutos en la nevera"
		t := &s.tokens[k]
		switch {
		case t.Of("act.chill") && !s.outside(k):
			return forChill
		case t.Of("act.rest") && k > at+n:
			return forRest
		}
		if !(t.Of("word.of") || t.Of("word.in") || t.Of("word.the") || t.Of("word.passing")) {
			break
		}
	}
	for k := at - 1; k >= 0; k-- {
		t := &s.tokens[k]
		switch {
		case t.Of("act.chill") && !s.outside(k):
			return forChill
		case t.Of("act.rest"):
			// "leave in the fridge for", "leave 10 minutes in the fridge": but not "leave 10
			// minutes, then chill".
			for j := k; j < min(len(s.tokens), at+n+8); j++ {
				if s.tokens[j].Of("act.chill") && !s.outside(j) {
					if j > at && (s.tokens[j-1].Of("word.then") || s.tokens[j-1].Of("word.and") || s.timedAgain(at+n, j)) {
						return forRest
					}
					return forChill
				}
			}
			return forRest
		case t.Under("do.").N > 0 && !t.Of("do.gel") && !t.Of("do.soak") && !t.Of("do.cook") && !t.Of("level"), t.Of("word.knead"), t.Of("word.mixing") && !(k > 0 && s.tokens[k-1].Of("word.passing")):
			return forOther
		}
	}
	return unsaid
}

// timedAgain says that another time stands between two places: the words behind it go with that one.
func (s *sentence) timedAgain(from, to int) bool {
	for k := from; k < to; k++ {
		if v, _ := ingredient.Minutes(s.tokens, k); v > 0 {
			return true
		}
	}
	return false
}

// cookOf reads the first heat that the pieces meet.
func (m *procedure) cookOf() *ReadCook {
	if m.cookAt < 0 {
		return nil
	}
	s := &m.sentences[m.cookAt]
	c := &ReadCook{}
	c.Method = m.methodOf(s)
	if c.Method == "" {
		return nil
	}
	if at := s.under("heat."); at >= 0 {
		m.mark(s, s.tokens[at].At, s.tokens[min(len(s.tokens), at+s.tokens[at].Under("heat.").N)-1].End, "method", -1)
	}
	c.Celsius = m.celsius(c.Method)
	c.Minutes = m.cookMinutes(m.cookAt)
	for i := m.cookAt; i < min(len(m.sentences), m.cookAt+2); i++ {
		t := &m.sentences[i]
		if i > m.cookAt && (t.note || t.sauce || t.has("turn") < 0) {
			break
		}
		if t.has("turn") >= 0 || t.has("side") >= 0 {
			yes := true
			c.Turn = &yes
		}
	}
	return c
}

// methodOf tells where the pieces are cooked: in what fat, how deep, or which oven.
func (m *procedure) methodOf(s *sentence) method.Method {
	// What it is fried in may be said in the sentences around.
	around := func(list string, back int) bool {
		for i := max(0, m.cookAt-back, min(m.cookAt, m.mixedAt+1)); i <= m.cookAt; i++ {
			if t := &m.sentences[i]; !t.sauce && !t.note && t.has(list) >= 0 {
				return true
			}
		}
		return false
	}
	fan := m.anywhere("heat.fan")
	oven := s.has("heat.oven") >= 0
	simmer := s.has("heat.simmer") >= 0 && !oven
	if m.cookAt > 0 && !oven && !simmer && s.has("sauce") >= 0 {
		simmer = s.has("heat.cook") >= 0 || m.sentences[m.cookAt-1].has("sauce") >= 0
	}
	pan := s.has("heat.pan") >= 0
	fried := pan || s.has("heat.fry") >= 0
	switch {
	case s.has("heat.fan") >= 0 && (s.has("heat.cook") >= 0 || oven || fried || len(s.temperatures()) > 0) && !m.stillBeside(), oven && fan && !m.stillBeside():
		return method.FanOven
	case oven && !(s.has("heat.deep") >= 0):
		return method.StillOven
	case s.has("heat.grill") >= 0 && !pan:
		return method.Grill
	case simmer && (!fried || pan && s.has("heat.fry") < 0 && (s.has("sauce") >= 0 || m.cookAt > 0 && m.sentences[m.cookAt-1].has("sauce") >= 0)):
		return method.Simmer
	case around("heat.deep", 2) || m.oilLine("word.deep"):
		return method.DeepOil
	case around("heat.shallow", 2) || m.oilLine("word.shallow"):
		return method.ShallowOil
	case m.oilHeated() || m.oilGrams() >= deepGrams || s.has("heat.fry") >= 0 && !oven && m.hotAsOil(s):
		return method.DeepOil
	case m.oilGrams() >= shallowGrams:
		return method.ShallowOil
	case pan && s.has("heat.fry") < 0 && s.has("oil") < 0 && len(s.temperatures()) > 0 && strings.HasPrefix(s.tokens[s.has("heat.pan")].Plain, "pan"):
		return method.StillOven // "400° on a lined pan"
	case s.under("heat.") < 0 && s.has("oil") < 0 && len(s.temperatures()) > 0:
		return method.StillOven // "350F 50 min"
	case fried || around("heat.pan", 1) || s.has("side") >= 0 && around("heat.pan", 4):
		return method.Pan
	case simmer:
		return method.Simmer
	case s.has("heat.grill") >= 0:
		return method.Grill
	case s.has("heat.cook") >= 0 && s.has("oil") >= 0:
		return method.Pan
	case m.anywhere("act.preheat"):
		if fan {
			return method.FanOven
		}
		return method.StillOven
	case s.has("heat.cook") >= 0:
		return method.Pan
	case len(s.temperatures()) > 0:
		return method.StillOven
	case s.has("side") >= 0:
		return method.Pan // "four minutes a side", and nothing else told
	}
	return ""
}

func (m *procedure) anywhere(list string) bool {
	for i := range m.sentences {
		if s := &m.sentences[i]; !s.note && !s.sauce && i <= m.cookAt && s.has(list) >= 0 {
			return true
		}
	}
	return false
}

// stillBeside says that a temperature without a fan stands beside that with one:
// "200C/180C fan" is an oven of 200.
func (m *procedure) stillBeside() bool {
	for i := range m.sentences {
		s := &m.sentences[i]
		at := s.has("heat.fan")
		if at < 0 || s.note {
			continue
		}
		if list := s.temperatures(); len(list) >= 2 && !list[0].fan || at > 0 && s.tokens[at-1].Of("word.not") {
			return true
		}
	}
	return false
}

// From so much oil on it is no thin film, and from so much on pieces float in it, g.
const shallowGrams, deepGrams = 50., 400.

// oilGrams is how much oil the recipe has for frying, g; 0 where it does not say.
func (m *procedure) oilGrams() float64 {
	for _, e := range m.entries {
		if e.part == Frying && e.item.Said {
			return e.item.Grams
		}
	}
	return 0
}

func (m *procedure) oilLine(list string) bool {
	for _, e := range m.entries {
		if e.part != Frying {
			continue
		}
		if e.item.Tells(list) {
			return true
		}
	}
	return false
}

// oilHeated says that oil is brought to a temperature, as for deep frying.
func (m *procedure) oilHeated() bool {
	for i := max(0, m.mixedAt); i <= m.cookAt; i++ {
		s := &m.sentences[i]
		if !s.note && !s.sauce && s.has("oil") >= 0 && len(s.temperatures()) > 0 {
			return true
		}
	}
	return false
}

// hotAsOil says that a sentence of frying gives a temperature, as is done of oil that is deep, and that the recipe has oil to fry in.
func (m *procedure) hotAsOil(s *sentence) bool {
	const coolest, hottest = 150, 200
	return slices.ContainsFunc(s.temperatures(), func(t temperature) bool { return t.celsius >= coolest && t.celsius <= hottest }) &&
		slices.ContainsFunc(m.entries, func(e *entry) bool { return e.part == Frying })
}

// temperature is one that a sentence gives, degC.
type temperature struct {
	celsius float64
	at, end int
	fan     bool
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
		degrees, f, c := false, false, false
		for k := end; k < min(len(s.tokens), end+3); k++ {
			u := &s.tokens[k]
			switch {
			case u.Of("degrees"):
				degrees = true
			case u.Of("fahrenheit") && (u.Glued || degrees || s.text[u.At:u.End] == "F"):
				f = true
			case u.Of("celsius") && (u.Glued || degrees || s.text[u.At:u.End] == "C"):
				c = true
			default:
				k = len(s.tokens)
				continue
			}
			end = k + 1
		}
		if !degrees && !f && !c {
			// "Bake at 350", "oven to 400".
			bare := s.has("heat.oven") >= 0 && (t.Value >= 140 && t.Value <= 260 || t.Value >= 300 && t.Value <= 450) && i > 0 && (s.tokens[i-1].Is(",") || s.tokens[i-1].Of("heat.oven") || s.tokens[i-1].Plain == "again") &&
				!(i+1 < len(s.tokens) && (s.tokens[i+1].Under("unit.").N > 0 || s.tokens[i+1].Of("time") || s.tokens[i+1].Of("length") || s.tokens[i+1].Kind == words.Number))
			bare = bare || s.timedHeat(i) || s.besideFan(i)
			if !bare && (i == 0 || !(s.tokens[i-1].Plain == "at" || s.tokens[i-1].Plain == "to" || s.tokens[i-1].Plain == "a") || t.Value < 120 || i+1 < len(s.tokens) && (s.tokens[i+1].Under("unit.").N > 0 || s.tokens[i+1].Of("time")) || s.has("heat.oven") < 0 && s.has("oil") < 0) {
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
		if t := &s.tokens[k]; !(t.Is(",") || t.Of("word.for") || t.Plain == "for" || t.Of("about") || t.Of("word.and")) {
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
	if next := m.cookAt + 1; next < len(m.sentences) && !m.sentences[next].note && !m.sentences[next].sauce && m.cookMinutesIn(m.cookAt) == 0 {
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

func (m *procedure) cookMinutesIn(i int) float64 {
	v, _, _ := m.sentences[i].minutes(0)
	return v
}

// cookMinutes adds up the time on the heat: both sides, and what comes after a flip.
func (m *procedure) cookMinutes(i int) float64 {
	s := &m.sentences[i]
	from := s.under("heat.")
	if i == m.shapeAt {
		for k := s.has("act.shape") + 1; k < len(s.tokens); k++ {
			if s.tokens[k].Under("heat.").N > 0 {
				from = k
				break
			}
		}
	}
	total := m.timeIn(s, max(0, from))
	if total == 0 {
		total = m.timeIn(s, 0)
	}
	for k := i + 1; k < min(len(m.sentences), i+3); k++ {
		next := &m.sentences[k]
		if v, at, n := next.minutes(0); total > 0 && !next.note && at >= 0 && (next.has("heat.oven") >= 0 || next.has("heat.cook") >= 0 || k == i+1 && next.has("act.rest") < 0) && at+n < len(next.tokens) && next.tokens[at+n].Of("more") {
			total += v // "and bake 10 minutes longer"
			continue
		}
		if next.note || next.sauce {
			break
		}
		if total == 0 && next.has("act.chill") < 0 || k == i+1 && next.has("turn") >= 0 && next.has("turn") < 3 && next.has("heat.simmer") < 0 {
			more := m.timeIn(next, 0)
			if next.has("same again") >= 0 {
				more = total
			}
			total += more
		}
	}
	return total
}

// timeIn is the time on the heat that one sentence gives, min.
func (m *procedure) timeIn(s *sentence, from int) (total float64) {
	for k := from; k < len(s.tokens); k++ {
		v, n := ingredient.Minutes(s.tokens, k)
		if bare, m := ingredient.Number(s.tokens, k); v <= 0 && m > 0 && total > 0 && k+m < len(s.tokens) && s.tokens[k+m].Of("word.all told") {
			return bare // "give them 2 more, so 5 altogether"
		}
		if v <= 0 {
			continue
		}
		aside := false
		for j := max(0, k-3); j < k; j++ {
			aside = aside || s.tokens[j].Of("another time") || s.tokens[j].Of("act.rest") && total > 0
		}
		after := k + n
		sides := 1.
		for j := after; j < min(len(s.tokens), after+3) && !s.tokens[j].Is("(") && s.tokens[j].Kind != words.Number; j++ {
			if s.tokens[j].Of("side") {
				sides = 2
			}
			if s.tokens[j].Of("word.mark") {
				aside = true
			}
		}
		for j := max(0, k-4); j < k; j++ {
			if s.tokens[j].Of("side") && s.tokens[j].Plain != "side" {
				sides = 2
			}
		}
		told := after < len(s.tokens) && s.tokens[after].Of("word.all told")
		switch {
		case told:
			total = v // "so 5 altogether"
		case aside && total > 0:
		case total == 0:
			total = sides * v
		case sides == 1 && s.adds(k, after):
			total += v
		}
		if total > 0 {
			m.mark(s, s.tokens[k].At, s.tokens[after-1].End, "minutes", -1)
		}
		k = after - 1
	}
	return total
}

// adds says that a time comes on top of the one before: "4 minutes, flip, and cook 4
// minutes more".
func (s *sentence) adds(at, after int) bool {
	for j := max(0, at-6); j < at; j++ {
		if s.tokens[j].Of("turn") && s.tokens[j].Plain != "half" {
			return true
		}
	}
	return after < len(s.tokens) && s.tokens[after].Of("more")
}
