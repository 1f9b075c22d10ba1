package recipe

import (
	"slices"
	"strings"
	"unicode/utf8"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// method follows every food through the steps of a recipe.
type procedure struct {
	foods     *food.Catalogue
	reader    *ingredient.Reader
	l         words.Language
	entries   []*entry
	byStem    map[string][]int // entries by what they are called
	sentences []sentence
	spoken    []Told // where each line is told in the method
	title     string
	about     []string

	// Where the mix is together, the pieces are shaped and cooked: sentences; -1 where
	// that is not said.
	mixedAt, shapeAt, cookAt int
	spans                    []StepSpan
	inPan                    bool // the sentence goes on with what is in the pan
	// became are the steps of the cord that each step of the recipe became.
	became map[int][]string
}

// becomes notes that a sentence became a step of the cord.
func (m *procedure) becomes(s *sentence, code string) {
	if !slices.Contains(m.became[s.step], code) {
		m.became[s.step] = append(m.became[s.step], code)
	}
}

func newProcedure(f *Found, lines []ReadLine, r *ingredient.Reader, foods *food.Catalogue, l words.Language) *procedure {
	m := &procedure{foods: foods, reader: r, l: l, spoken: f.Spoken, title: f.Name, about: f.Notes, mixedAt: -1, shapeAt: -1, cookAt: -1, became: map[int][]string{}}
	for i := range lines {
		if words.LeadOf(words.Read(lines[i].Text, l)) > 2 {
			m.about = append(slices.Clip(m.about), lines[i].Text) // "for the meatballs you take 500 g of ..."
		}
		for k := range lines[i].read.Items {
			it := &lines[i].read.Items[k]
			fd := foods.Find(it.Food)
			if fd == nil {
				continue
			}
			e := &entry{line: i, item: it, food: fd, part: lines[i].Part}
			e.call(r, l)
			m.entries = append(m.entries, e)
			if e.food.State == food.Cooked && it.Cooked && it.Tells("word.soaked") {
				it.Cooked = false // soaked and cooked, it was dry when it was measured
				m.boil(e)
			}
			if e.item.Dry && e.food.State == food.Cooked && e.food.Group == food.Grain && e.item.Tells("do.soak") {
				m.boil(e) // "bulgur 50 g dry, soak in boiling water"
			}
			if it.Boiled {
				m.boil(e) // "100 g quinoa, cooked in 200 ml water"
			}
			if e.item.Tells("do.boil") && e.food.Has("cook-first") && !e.item.Tells("word.deny") {
				m.boil(e) // "lentils, dry 1 1/2 c, boil 25 min"
			}
			if _, raw := poached[e.food.ID]; raw && e.food.Group != food.Grain && (it.Cooked || it.Tells("do.boil") && !it.Tells("word.deny")) || it.Tells("word.poached") {
				m.boil(e)
			}
		}
	}
	m.byStem = map[string][]int{}
	for k, e := range m.entries {
		for stem := range e.names {
			m.byStem[stem] = append(m.byStem[stem], k)
		}
	}
	m.sentences = sentencesOf(f.Steps, f.Spoken, l)
	m.landmarks()
	m.zestOnly()
	m.follow()
	m.settle()
	return m
}

// zestOnly takes a whole lemon for its zest where the method uses that and no juice: "mix with the zest of the lemon".
func (m *procedure) zestOnly() {
	zest, juice := false, false
	for i := range m.sentences {
		for k := range m.sentences[i].tokens {
			t := &m.sentences[i].tokens[k]
			zest, juice = zest || t.Of("word.zest"), juice || t.Of("word.juice") || t.Of("unit.splash")
		}
	}
	peel := m.foods.Find("lemon-zest")
	if !zest || juice || peel == nil {
		return
	}
	for _, e := range m.entries {
		if e.food.ID == "lemon-juice" && e.item.Unit == "" && e.item.Said && !e.item.Tells("word.juice") {
			e.item.Food, e.item.Grams, e.food = peel.ID, m.reader.Reweigh(e.item, peel), peel
		}
	}
}

// landmarks names the foods in every sentence and finds where the mix is together,
// where it is shaped and where it meets the heat.
func (m *procedure) landmarks() {
	named := map[int]bool{}
	counts := func(e *entry) bool { // a seasoning to taste is often named nowhere
		return e.part == "" && (e.item.Said || e.food.Group != food.Flavour)
	}
	mix := 0
	for _, e := range m.entries {
		if counts(e) {
			mix++
		}
	}
	for i := range m.sentences {
		s := &m.sentences[i]
		m.mentionsOf(s)
		m.beside(s)
		m.segmentsOf(s)
	}
	for i := range m.sentences {
		s := &m.sentences[i]
		if s.note || s.sauce {
			continue
		}
		except := s.has("except")
		for _, x := range s.mentions {
			for _, k := range x.items {
				if except >= 0 && x.at > except {
					m.entries[k].gone = m.entries[k].gone || x.grams == 0 && x.half == 0
				} else if counts(m.entries[k]) {
					named[k] = true
				}
			}
		}
		together := s.all && m.mixesAll(s) || mix > 0 && len(named)*10 >= 6*mix && len(s.mentions) > 0
		if byName := !s.onlyMixes() && !(s.all && m.mixesAll(s)); byName && len(m.spoken) == 0 && len(named) < mix && m.mixedLater(i) {
			continue // "..., add the spinach", and "mix everything" below
		}
		if m.mixedAt < 0 && s.onlyMixes() || m.mixedAt < 0 && together && (s.all && m.mixesAll(s) || mix > 2 && len(named)*10 >= 8*mix && len(s.mentions) > 2 || s.has("act.mix") >= 0 || s.has("do.blitz") >= 0 || s.has("do.mash") >= 0 || s.has("mass") >= 0) {
			m.mixedAt = i
		}
	}
	m.findShape()
	m.findCook()
	for i, at := range []int{m.mixedAt, m.shapeAt, m.cookAt} {
		if at >= 0 {
			m.becomes(&m.sentences[at], []string{"mix", "shape", "cook"}[i])
		}
	}
	if m.mixedAt < 0 {
		if m.mixedAt = m.lastMixed(m.first()); m.mixedAt < 0 {
			m.mixedAt = max(0, m.first()-1)
		}
	}
}

// lastMixed is the last sentence before one that tells to mix or knead; -1 where none does.
func (m *procedure) lastMixed(end int) int {
	for i := min(end, len(m.sentences)) - 1; i >= 0; i-- {
		if s := &m.sentences[i]; !s.note && !s.sauce && s.has("act.mix") >= 0 {
			return i
		}
	}
	return -1
}

// mixedLater says that a sentence behind one says that everything is mixed.
func (m *procedure) mixedLater(i int) bool {
	for k := i + 1; k < len(m.sentences); k++ {
		if s := &m.sentences[k]; !s.note && !s.sauce && s.all && s.has("act.mix") >= 0 && m.mixesAll(s) {
			return true
		}
	}
	return false
}

// onlyMixes says that a sentence is a verb of mixing and nothing else, which means all that was told before: "Combine."
func (s *sentence) onlyMixes() bool {
	told := 0
	for i := range s.tokens {
		if s.tokens[i].Kind == words.Mark || s.tokens[i].Of("word.passing") {
			continue
		}
		told++
	}
	return told == 1 && s.has("act.mix") >= 0
}

// mixesAll says that what is told of everything is to mix it: the verb before the word is of mixing, or
// there is none.
func (m *procedure) mixesAll(s *sentence) bool {
	at := -1
	for i := range s.tokens {
		if s.tokens[i].Of("all") && !s.partOfAll(i) && !s.notAll(i) {
			at = i
		}
	}
	for k := len(s.segments) - 1; k >= 0; k-- {
		g := &s.segments[k]
		if g.at > at || len(g.lists) == 0 {
			continue
		}
		return slices.ContainsFunc(g.lists, func(x words.Meaning) bool {
			return x.List == "act.mix" || x.List == "act.put" || x.List == "do.blitz" || x.List == "do.mash" || x.List == "do.grate" || x.List == "act.other"
		})
	}
	return true
}

// first is the sentence in which the pieces are first spoken of.
func (m *procedure) first() int {
	switch {
	case m.shapeAt >= 0:
		return m.shapeAt
	case m.cookAt >= 0:
		return m.cookAt
	}
	return len(m.sentences)
}

// beside marks the sentences that are about sauces and sides alone, and keeps of
// each mention what can be meant.
func (m *procedure) beside(s *sentence) {
	only, could := 0, 0
	for _, x := range s.mentions {
		of, seasonings := 0, 0
		for _, k := range x.items {
			if m.entries[k].aside() {
				of++
			}
			if m.entries[k].food.Group == food.Flavour {
				seasonings++
			}
		}
		if of == 0 && seasonings == len(x.items) {
			could++ // "stir the yogurt with a pinch of salt"
			continue
		}
		if of == len(x.items) {
			only++
		}
		if of > 0 {
			could++
		}
	}
	filled := s.has("act.shape") >= 0 && s.has("word.fill") >= 0 && s.under("piece.") >= 0 // "form 12 balls and fill them with the meat"
	s.sauce = s.beside && s.under("piece.") < 0 || only > 0 && could == len(s.mentions) && !filled && !(s.has("heat.oven") >= 0 && len(s.temperatures()) > 0)
	for x := range s.mentions {
		at := &s.mentions[x]
		kept := slices.DeleteFunc(slices.Clone(at.items), func(k int) bool { return m.entries[k].aside() != s.sauce })
		if len(kept) > 0 {
			at.items = kept
		}
	}
}

// aside says that an entry is of a sauce, a side or the like, not of the mix nor of
// what it is fried in or rolled in.
func (e *entry) aside() bool {
	switch e.part {
	case "", Frying, Coated, "pan", "soaking", "wash":
		return false
	}
	return true
}

// shapes says whether a sentence has a verb of shaping with what is made, how many or
// how large.
func (m *procedure) shapes(s *sentence) bool {
	at := s.has("act.shape")
	if at < 0 {
		return m.countsPieces(s) || s.onlyThick()
	}
	const onlyCounts = 5 // words: "makes about fourteen"
	if t := &s.tokens[at]; at == 0 && t.Of("makes") && t.Plain != "make" && len(s.tokens) <= onlyCounts {
		return false
	}
	if s.under("piece.") >= 0 || s.has("length") >= 0 || s.has("tin") >= 0 || s.has("dish") >= 0 || s.has("bird") >= 0 || s.has("skewer") >= 0 {
		return true
	}
	for k := at; k < len(s.tokens); k++ {
		t := &s.tokens[k]
		if (t.Kind == words.Number || t.Of("number") && t.In("number").Value >= 2) && (k+1 == len(s.tokens) || !s.tokens[k+1].Of("time") && s.tokens[k+1].Under("unit.").N == 0) {
			return true
		}
	}
	return s.has("mass") >= 0
}

// countsPieces says that a sentence without a verb tells how many and how large: "18 balls, inch and a
// half", "6 uds de 2 cm".
func (m *procedure) countsPieces(s *sentence) bool {
	if len(s.tokens) > 16 || s.under("heat.") >= 0 && s.under("heat.") < 4 {
		return false
	}
	for k := range min(3, len(s.tokens)) {
		v, n := ingredient.Number(s.tokens, k)
		if n == 0 || v < 2 {
			continue
		}
		if m.timesWeight(s, k) {
			return true // "12 x 50 g"
		}
		for j := k + n; j < min(len(s.tokens), k+n+5); j++ { // "4 x 5½ oz patties"
			if t := &s.tokens[j]; t.Under("piece.").N > 0 || t.Of("unit.piece") || t.Of("word.portion") {
				return true
			}
		}
	}
	return false
}

// onlyThick says that a sentence tells how thick something is made, and nothing else: "2 cm thick."
func (s *sentence) onlyThick() bool {
	const short = 6
	return len(s.tokens) <= short && s.has("length") >= 0 && s.has("way.thick") >= 0 && len(s.mentions) == 0 && s.under("heat.") < 0
}

func (m *procedure) findShape() {
	for _, from := range []int{max(0, m.mixedAt, m.halfTold()), max(0, m.mixedAt)} {
		for i := from; i < len(m.sentences); i++ {
			if s := &m.sentences[i]; !s.note && !s.sauce && m.shapes(s) {
				m.shapeAt = i
				return
			}
		}
	}
}

// findCook finds where the pieces meet the heat: the first heat after the mix is
// together that has a time or a temperature, in the sentence or the next.
func (m *procedure) findCook() {
	from := max(0, m.mixedAt, m.shapeAt, m.halfTold())
	for i := from; i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note || s.sauce || !m.heats(s, i) {
			continue
		}
		if i == from && m.shapeAt < 0 && m.onlyFoods(s) {
			continue
		}
		if _, at, _ := s.minutes(0); at >= 0 {
			m.cookAt = i
			return
		}
		if i+1 < len(m.sentences) && !m.sentences[i+1].sauce {
			if _, at, _ := m.sentences[i+1].minutes(0); at >= 0 && s.has("act.preheat") < 0 && m.sentences[i+1].has("act.chill") < 0 && m.sentences[i+1].has("act.freeze") < 0 {
				m.cookAt = i
				return
			}
		}
	}
	// Without a time: the first heat after shaping.
	for i := from; i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if !s.note && !s.sauce && m.heats(s, i) && s.has("act.preheat") < 0 && !(i == from && m.shapeAt < 0 && m.onlyFoods(s)) {
			m.cookAt = i
			return
		}
	}
	// Told before it is said how they are shaped: "Bake for 25 minutes. Important: chill the mix before rolling."
	for i := max(0, m.mixedAt); i < from && i < len(m.sentences) && len(m.spoken) == 0; i++ {
		s := &m.sentences[i]
		if _, at, _ := s.minutes(0); at >= 0 && !s.note && !s.sauce && s.under("heat.") >= 0 && len(s.mentions) == 0 {
			m.cookAt = i
			return
		}
	}
}

// halfTold is the sentence by which half of the foods were told, of a recipe in sentences: no heat before it is that of the
// pieces. "You asked for the nut roast" is none at all.
func (m *procedure) halfTold() int {
	if len(m.spoken) == 0 || m.mixedAt >= 0 || m.shapeAt >= 0 {
		return 0
	}
	middle := m.spoken[len(m.spoken)/2]
	for i := range m.sentences {
		if s := &m.sentences[i]; s.step == middle.Step && len(s.tokens) > 0 && utf8.RuneCountInString(s.text[:s.tokens[len(s.tokens)-1].At]) >= middle.At {
			return i
		}
	}
	return 0
}

// onlyFoods says that what a sentence heats are foods it names, not pieces.
func (m *procedure) onlyFoods(s *sentence) bool {
	chilled := s.has("act.chill") >= 0 && s.has("act.chill") < s.under("heat.") // "..., mix, fridge for an hour, oven 25 min"
	return len(s.mentions) > 0 && s.under("piece.") < 0 && s.has("mass") < 0 && s.has("oil") < 0 && !chilled
}

func (m *procedure) heats(s *sentence, i int) bool {
	at := s.under("heat.")
	if at < 0 { // "180C, 50 minutes."
		_, timed, _ := s.minutes(0)
		if timed >= 0 && i >= max(m.shapeAt, m.mixedAt) && s.has("side") > timed && s.under("do.") < timed {
			return true // "they want four minutes a side"
		}
		hot := s.temperatures()
		told := i == m.shapeAt && s.has("act.shape") < 0 && len(hot) > 0 && hot[0].at > 1 // "18 balls, 375F, 25 minutes"
		return timed >= 0 && len(hot) > 0 && (told || i > m.shapeAt || s.has("tin") >= 0 || s.has("act.shape") >= 0 && hot[0].at > s.has("act.shape"))
	}
	if s.onlyBefore() && slices.ContainsFunc(m.sentences[i+1:], func(t sentence) bool { return !t.note && t.under("heat.") >= 0 }) {
		return false // "add the baking powder right before frying", and the frying is told below
	}
	if i == m.shapeAt {
		// The heat must come after the shaping in its own sentence.
		shape := s.has("act.shape")
		if shape >= 0 && s.tokens[shape].Of("makes") {
			return true // "bake for 25 minutes, makes 22"
		}
		if shape >= 0 && s.tokens[shape].Under("piece.").N > 0 && at < shape {
			return true // "fry the patties": nobody shapes them now
		}
		for k := shape + 1; k < len(s.tokens); k++ {
			if s.tokens[k].Under("heat.").N > 0 {
				return true
			}
		}
		return false
	}
	return true
}

// theyBefore says that a pronoun, "they" or "it", stands shortly before a verb, and that its sentence has named no food until
// then: it means the foods of the sentence before.
func (s *sentence) theyBefore(at int) bool {
	if slices.ContainsFunc(s.mentions, func(x mention) bool { return x.at < at }) {
		return false
	}
	if at > 0 && s.tokens[at].Under("do.").N > 0 && s.tokens[at-1].Of("it") && (at == 1 || s.tokens[at-2].Of("word.and") || s.tokens[at-2].Is(",")) {
		return true // "los proceso con una cebolla"
	}
	const near = 4
	return slices.ContainsFunc(s.tokens[max(0, at-near):at], func(t words.Token) bool { return t.Of("word.they") })
}

// onlyBefore says that what a sentence tells is done before the heat that it names: "chill for 30 minutes before frying".
func (s *sentence) onlyBefore() bool {
	before := false
	for k := range s.tokens {
		if s.tokens[k].Under("heat.").N == 0 {
			continue
		}
		if !(k > 0 && s.tokens[k-1].Of("word.before") || k > 1 && s.tokens[k-2].Of("word.before")) {
			return false
		}
		before = true
	}
	return before
}

// follow goes through the sentences and does to each food what they say.
func (m *procedure) follow() {
	var last []int
	pan := false // what was fried is still in it
	for i := range m.sentences {
		s := &m.sentences[i]
		if s.note || s.sauce {
			continue
		}
		m.gels(i)
		m.soaks(i)
		for _, d := range s.described {
			for _, list := range d.lists {
				if strings.HasPrefix(list.List, "do.") && list.List != "do.gel" && list.List != "do.soak" {
					m.prepareOne(s, i, list, s.mentions[d.mention].items)
				}
			}
		}
		fried := pan && m.staysInPan(s, i)
		pan, m.inPan = fried, fried
		for k := range s.segments {
			g := &s.segments[k]
			objects := g.objects
			var items []int
			for _, x := range objects {
				items = append(items, s.mentions[x].items...)
			}
			if len(items) == 0 && len(s.mentions) == 0 && !s.all && !(m.mixedAt >= 0 && i > m.mixedAt) {
				items = last
			}
			if s.pronoun(g.at, m.l) && len(last) > 0 && len(items) > 0 && !slices.ContainsFunc(s.mentions, func(x mention) bool { return x.at < g.at }) {
				items = append(slices.Clone(last), items...) // "pícalos con la cebolla"
			} else if s.theyBefore(g.at) && len(last) > 0 && len(items) > 0 {
				items = append(slices.Clone(last), items...) // "they go in the food processor with an onion"
			} else if g.at == 0 && len(s.tokens) > 1 && s.tokens[1].Of("word.with") && slices.ContainsFunc(g.lists, func(x words.Meaning) bool { return x.List == "do.blitz" || x.List == "do.mash" }) {
				items = append(slices.Clone(last), items...) // "Blitz with an onion": what the sentence before named
			}
			m.use(s, i, g)
			if slices.ContainsFunc(items, func(k int) bool {
				f := m.entries[k].food
				return f.Group != food.Flavour && f.Group != food.Fat && !f.Is(food.Liquid)
			}) || len(last) == 0 {
				last = items
			}
			if len(g.lists) == 0 && len(items) > 0 && (fried || m.withFat(s)) { // "leek 5 min in the oil"
				if _, at, _ := s.minutes(0); (at >= 0 || fried && s.moreMinutes()) && len(s.segments) == 1 && !(m.mixedAt >= 0 && i >= m.mixedAt) {
					m.prepare(s, i, k, words.Meaning{List: "do.fry", N: 1}, items)
					fried, pan = true, true
				}
			}
			for _, list := range g.lists {
				if strings.HasPrefix(list.List, "do.") {
					m.prepare(s, i, k, list, items)
				}
				fried = fried || list.List == "do.fry" || list.List == "do.low" && m.withFat(s) ||
					list.List == "do.cook" && len(items) > 0 && m.withFat(s) && s.has("do.boil") < 0
				pan = pan || fried
				if list.List == "act.mix" && fried && (k > 0 || pan) { // "adding the garlic for the last minute"
					m.prepare(s, i, k, words.Meaning{List: "do.fry", N: 1}, m.worthFrying(s, items))
				}
			}
		}
	}
}

// mostUses is as often as a food is followed: no recipe names one more.
const mostUses = 60

// use notes where each food of a segment is named.
func (m *procedure) use(s *sentence, i int, g *segment) {
	var verbs []string
	for _, l := range g.lists {
		verbs = append(verbs, l.List)
	}
	except := s.has("except")
	for x := range s.mentions {
		at := &s.mentions[x]
		if at.at < g.at || at.at >= g.end || at.more || at.kind && m.cookAt >= 0 && i > m.cookAt && s.has("act.serve") < 0 {
			continue
		}
		if except >= 0 && at.at > except { // "everything but 1 tablespoon of the oil": the rest of it goes in
			if e := m.entries[at.items[0]]; at.grams > 0 && at.grams < e.item.Grams {
				e.uses = append(e.uses, use{i, []string{"act.mix"}, e.item.Grams - at.grams, false})
			}
			continue
		}
		for _, k := range at.items {
			e := m.entries[k]
			if len(e.uses) == mostUses {
				continue
			}
			grams := at.grams
			if at.half > 0 {
				grams = at.half * e.item.Grams
			}
			e.uses = append(e.uses, use{i, verbs, grams, at.rest})
		}
		end := min(at.at+at.n, len(s.tokens))
		m.mark(s, s.tokens[at.at].At, s.tokens[end-1].End, "food", m.entries[at.items[0]].line)
	}
}

func (m *procedure) mark(s *sentence, at, end int, what string, line int) {
	m.spans = append(m.spans, StepSpan{Step: s.step, Phrase: ingredient.Phrase{At: utf8.RuneCountInString(s.text[:at]), End: utf8.RuneCountInString(s.text[:end]), What: what, Line: line}})
}
