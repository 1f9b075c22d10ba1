package recipe

import (
	"slices"
	"strings"

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
	case around("heat.shallow", 2) || m.oilLine("word.shallow") || m.oilAround():
		return method.ShallowOil
	case m.oilHeated() || m.oilGrams() >= deepGrams || s.has("heat.fry") >= 0 && !oven && !s.fryPan() && m.hotAsOil(s):
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

// oilAround says that the sentence of the heat, or one of the two before it, tells how deep the oil is.
func (m *procedure) oilAround() bool {
	return slices.ContainsFunc(m.sentences[max(0, m.cookAt-2):m.cookAt+1], func(s sentence) bool {
		return !s.note && !s.sauce && s.oilDepth(0, len(s.tokens))
	})
}

// oilDepth says that the tokens from a to b tell how deep the oil of a pan is: "hot oil 1 cm deep", "oil to a depth of 1 cm".
func (s *sentence) oilDepth(a, b int) bool {
	const reach = 8
	for k := a; k < b; k++ {
		if !s.tokens[k].Of("oil") {
			continue
		}
		from, to := k, min(b, k+reach)
		long := slices.ContainsFunc(s.tokens[from:to], func(t words.Token) bool { return t.Of("length") })
		thick := slices.ContainsFunc(s.tokens[from:to], func(t words.Token) bool { return t.Of("way.thick") && !t.Of("depth") })
		if long && !thick && slices.ContainsFunc(s.tokens[from:to], func(t words.Token) bool { return t.Of("depth") }) {
			return true
		}
	}
	return false
}

// fryPan says that the word "fry" of a sentence is only part of the name of a pan, as in "cook in a fry pan (electric: 180°C)": that
// is no deep frying, though it gives a temperature.
func (s *sentence) fryPan() bool {
	at, pan := s.has("heat.fry"), s.has("heat.pan")
	return pan >= 0 && pan == at && s.tokens[at].In("heat.pan").N > s.tokens[at].In("heat.fry").N
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
	if last := s.lastHeat(max(0, from)); last > 0 {
		from = last
	}
	total := m.timeIn(s, max(0, from))
	if total == 0 {
		start := 0
		if cold := s.cold(); cold >= 0 && cold < from { // "chilled overnight, then 6 minutes a side in a pan"
			if s.timedBefore(cold) { // "twenty minutes in the fridge and then six minutes a side in a skillet"
				start = cold + 1
			} else if _, at, n := s.minutes(cold); at >= 0 {
				start = at + n
			}
		}
		if at := s.timedInHeat(); at > start {
			start = at
		}
		if total = m.timeIn(s, start); total == 0 && start == 0 {
			total = m.timeIn(s, 0)
		}
	}
	for k := i + 1; k < min(len(m.sentences), i+3); k++ {
		next := &m.sentences[k]
		if v, at, n := next.minutes(0); total > 0 && !next.note && at >= 0 && (next.has("heat.oven") >= 0 || next.has("heat.cook") >= 0 || k == i+1 && next.has("act.rest") < 0) && next.furtherTime(at, at+n) {
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

// timedInHeat gives where a time begins that a hot place follows, "30 minutes in the oven", "30 min al horno"; 0 for none.
func (s *sentence) timedInHeat() int {
	for k := range s.tokens {
		if v, n := ingredient.Minutes(s.tokens, k); v > 0 && s.inHeat(k+n) {
			return k
		}
	}
	return 0
}

// timedBefore says that a time ends just before a token: "20 minutes in the fridge".
func (s *sentence) timedBefore(end int) bool {
	const near = 2 // "in the"
	for k := max(0, end-near-4); k < end; k++ {
		if v, n := ingredient.Minutes(s.tokens, k); v > 0 && k+n <= end && end-k-n <= near {
			return true
		}
	}
	return false
}

// furtherTime says that a time comes on top of one told before: "10 minutes longer", "15 more minutes", "another 15 minutes".
func (s *sentence) furtherTime(at, after int) bool {
	for k := max(0, at-1); k <= min(after, len(s.tokens)-1); k++ {
		if s.tokens[k].Of("more") || k < at && s.tokens[k].Of("another") {
			return true
		}
	}
	return false
}

// lastHeat gives where a sentence tells of another heat after a first one that has its own time: "steam them 20 minutes first,
// then grill 3 minutes a side"; 0 where it does not.
func (s *sentence) lastHeat(from int) int {
	_, first, n := s.minutes(from)
	if first < 0 {
		return 0
	}
	then := false
	for k := first + n; k < len(s.tokens); k++ {
		then = then || s.tokens[k].Of("word.then")
		if then && (s.tokens[k].Of("heat.grill") || s.tokens[k].Of("heat.fry") || s.tokens[k].Of("heat.pan")) && s.tokens[from].Under("heat.").List != s.tokens[k].Under("heat.").List {
			if _, at, _ := s.minutes(k); at >= 0 {
				return k
			}
		}
	}
	return 0
}

// timeIn is the time on the heat that one sentence gives, min.
func (m *procedure) timeIn(s *sentence, from int) (total float64) {
	for k := from; k < len(s.tokens); k++ {
		v, n := ingredient.Minutes(s.tokens, k)
		if bare, m := ingredient.Number(s.tokens, k); v <= 0 && m > 0 && total > 0 && k+m < len(s.tokens) && s.tokens[k+m].Of("word.all told") {
			return bare // "give them 2 more, so 5 altogether"
		}
		if v <= 0 {
			v, n = s.aSide(k)
		}
		if v <= 0 {
			v, n = s.bareFor(k)
		}
		if v <= 0 || k > 0 && s.tokens[k-1].Plain == "at" { // "flip at 8 minutes"
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

// aSide reads a bare number of minutes, or a range, that is told of each side: "3-4 each side"; 0 for none.
func (s *sentence) aSide(k int) (minutes float64, n int) {
	const longest = 30
	v, n := ingredient.Number(s.tokens, k)
	if n == 0 || v < 1 || v > longest {
		return 0, 0
	}
	if step := ingredient.Through(s.tokens, k, k+n); step > 0 {
		if high, more := ingredient.Number(s.tokens, k+n+step); more > 0 && high > v {
			v, n = (v+high)/2, n+step+more
		}
	}
	if k+n < len(s.tokens) && s.tokens[k+n].Of("side") {
		return v, n
	}
	return 0, 0
}

// bareFor reads a bare number of minutes that stands behind a temperature, or comes on top of such: "180 for 40, then
// another 20 without the foil"; 0 for none.
func (s *sentence) bareFor(k int) (minutes float64, n int) {
	const least, most = 4, 240
	t := &s.tokens[k]
	if k > 1 && t.Kind == words.Number && t.Value >= 1 && t.Value <= 60 && k+1 < len(s.tokens) && s.tokens[k+1].Of("more") && (k+2 == len(s.tokens) || s.tokens[k+2].Kind == words.Mark) && s.has("turn") >= 0 {
		return t.Value, 1 // "5 minutes, flip, 4 more"
	}
	uncovered := k+1 < len(s.tokens) && s.tokens[k+1].Of("word.uncovered")
	if k < 2 || t.Kind != words.Number || t.Value < least || t.Value > most || !uncovered && k+1 < len(s.tokens) && !(s.tokens[k+1].Kind == words.Mark && !s.tokens[k+1].Is("-") && !s.tokens[k+1].Is("/") || s.tokens[k+1].Of("word.then") || s.tokens[k+1].Of("word.and") || s.tokens[k+1].Of("turn") || s.tokens[k+1].Of("word.deny")) {
		return 0, 0
	}
	before := &s.tokens[k-1]
	switch {
	case uncovered:
	case before.Of("word.for") && s.tokens[k-2].Kind == words.Number && s.tokens[k-2].Value >= 100:
	case before.Of("more") && s.tokens[k-2].Of("word.for"):
	default:
		return 0, 0
	}
	return t.Value, 1
}

// adds says that a time comes on top of the one before: "4 minutes, flip, and cook 4
// minutes more".
func (s *sentence) adds(at, after int) bool {
	if s.furtherTime(at, after) {
		return true
	}
	for j := max(0, at-6); j < at; j++ {
		if s.tokens[j].Of("turn") && s.tokens[j].Plain != "half" {
			return true
		}
	}
	return at > 0 && s.tokens[at-1].Is("/") || after < len(s.tokens) && s.tokens[after].Of("word.uncovered") // "4 min / 3 min"
}
