package ingredient

import (
	"cuerda/core/food"
	"cuerda/core/recipe/words"
	"strings"
)

// Span is a place in a text, bytes.
type Span struct{ At, End int }

// Phrases finds what a sentence tells of foods and amounts, as a list would have them: "half a cup of
// cornmeal", "a small onion, grated". A food without an amount is one only where it is a seasoning or a
// fat; one that is not to be used, "no gravy on it", is none, and one named before is none without
// a further amount. named are the foods told before, by their IDs; those of the sentence join them.
func (r *Reader) Phrases(text string, l words.Language, named map[string]bool) (out []Span) {
	tokens := words.Read(text, l)
	s := scan{r: r, text: text, l: l, main: tokens, used: map[int]bool{}}
	spots := r.Spots(text, tokens, l)
	type phrase struct{ from, to int }
	var found []phrase
	var bare []bool // those without an amount
	for k := range spots {
		spot := &spots[k]
		if s.refused(spots, k) || s.cover(spot) || s.pieces(spot) || s.partOfWhole(spot, named[spot.Food.ID]) {
			continue
		}
		from, to := spot.At, spot.At+spot.N
		switch {
		case spot.Said && !spot.Behind:
			from = spot.Begin
			if m := s.at(from - 1); m.Of("about") || m.Of("article") && s.at(from).Of("size") {
				from--
			}
			if s.at(from-1).Of("another") && !s.at(from-2).Of("word.the") || s.at(from-1).Of("part.juice") {
				from--
			}
		case spot.Said:
			to = spot.Until
		case len(found) > 0 && k > 0 && s.eachOf(&spots[k-1], found[len(found)-1].to, spot.At):
			found[len(found)-1].to, named[spot.Food.ID] = to, true // "a spoon each of soy sauce and tomato paste"
			continue
		case len(found) > 0 && s.sameOf(found[len(found)-1].to, spot.At):
		case named[spot.Food.ID] || !minor(spot.Food) && !s.listed(spot) || !s.together(spot, spots, k):
			continue
		}
		if fruit := s.before(from, "part.juice", "part.zest", "part.both"); fruit < from {
			from = fruit
		}
		if n := len(found); n > 0 && k > 0 && spot.Said && !spot.Behind && spots[k-1].Food == spot.Food && spots[k-1].Said && s.takesBack(spots[k-1].At, spot.Begin) {
			found, bare = found[:n-1], bare[:n-1] // what it says now counts
		}
		named[spot.Food.ID] = true
		if n := len(found); n > 0 && !spot.Said && s.sameOf(found[n-1].to, spot.At) {
			found[n-1].to = to // "a bunch of parsley and the same of coriander"
			continue
		}
		if n := len(found); n > 0 && !spot.Said && bare[n-1] && from-found[n-1].to <= 1 && minor(spot.Food) {
			found[n-1].to = to // "salt and pepper"
			continue
		}
		if n := len(found); n > 0 && spot.Said && !spot.Behind && s.sharesUnit(spot, found[n-1].to) {
			found[n-1].to = to // "una cucharada de chía y tres de agua"
			continue
		}
		if n := len(found); n > 0 && spot.Said && !spot.Behind && k > 0 && s.gelsIn(spots[k-1].Food, spot, found[n-1].to) {
			found[n-1].to = to // "two spoons of ground flax in half a cup of water"
			continue
		}
		if n := len(found); n > 0 && spot.Said && !spot.Behind && k > 0 && s.boilsIn(spots[k-1].Food, spot, found[n-1].to) {
			found[n-1].to = to // "three spoons of red lentils cooked in 200 ml stock"
			continue
		}
		if n := len(found); n > 0 && spot.Said && !spot.Behind && s.bothAre(found[n-1].to, from, to) {
			found[n-1].to = to // "una zanahoria y un calabacín rallados"
			continue
		}
		if n := len(found); n > 0 && from < found[n-1].to {
			if to > found[n-1].to {
				found[n-1].to = to
			}
			continue
		}
		found, bare = append(found, phrase{from, to}), append(bare, !spot.Said)
	}
	for k, p := range found {
		most := len(tokens)
		if k+1 < len(found) {
			most = found[k+1].from
		}
		for i := range spots {
			if at := spots[i].At; at >= p.to && at < most && s.at(at+spots[i].N).Of("word.would") {
				most = max(p.to, at-1) // "a tablespoon of cornflour where an egg would have made them heavy"
			}
		}
		to := s.described(p.to, most)
		out = append(out, Span{tokens[p.from].At, tokens[to-1].End})
	}
	return out
}

// gelsIn says that an amount of a liquid is what the seed told just before it stands in.
func (s *scan) gelsIn(before *food.Food, spot *Spot, end int) bool {
	if !food.SoakGel.Suits(before) || !spot.Food.Is(food.Liquid) {
		return false
	}
	return s.joint(end) > 0 && end+s.joint(end) == spot.Begin || s.soakedIn(end, spot.Begin)
}

// soakedIn says that words between a seed and an amount tell that it is soaked in it: "linaza que antes remojaste en tres de agua".
func (s *scan) soakedIn(end, at int) bool {
	const most = 6
	if at-end > most || !s.at(at-1).Of("word.in") && !s.at(at-1).Of("word.with") {
		return false
	}
	soaked := false
	for k := end; k < at; k++ {
		if s.ends(k) {
			return false
		}
		soaked = soaked || s.at(k).Of("do.soak") || s.at(k).Of("do.gel")
	}
	return soaked
}

// eachOf says that a food joined to the one before shares its amount, which is said of each.
func (s *scan) eachOf(before *Spot, end, at int) bool {
	return before.Said && !before.Behind && s.measure(before.Begin).each && (s.joint(end) > 0 && end+s.joint(end) == at || s.at(end).Is(",") && end+1 == at)
}

// boilsIn says that an amount of a liquid is what the grain or the legume told just before it is cooked in.
func (s *scan) boilsIn(before *food.Food, spot *Spot, end int) bool {
	return (before.Group == food.Grain || before.Group == food.Legume) && spot.Food.Is(food.Liquid) && spot.Begin-end < 4 && s.boiledIn(end-1, spot.Begin)
}

// bothAre says that a phrase is joined to the one before by "y", and that a participle of many behind it is of both.
func (s *scan) bothAre(end, from, to int) bool {
	next := s.at(to)
	return s.l == words.Spanish && s.at(end).Of("word.and") && end+1 == from && s.measure(from).amount <= 1 && strings.HasSuffix(next.Plain, "s") && words.Participle(next.Plain, s.l)
}

// sameOf says that between a phrase and a food stands that there is as much of it: "and the same of".
func (s *scan) sameOf(end, at int) bool {
	k := end + s.joint(end)
	return (k > end || s.at(k).Of("word.same")) && s.another(k) && k+s.at(k).In("another").N+1 == at
}

// sharesUnit says that an amount has the unit of the one told just before it.
func (s *scan) sharesUnit(spot *Spot, end int) bool {
	m := s.measure(spot.Begin)
	counted := s.at(m.begins).Kind == words.Number || s.at(m.begins).Of("number") // and no "a bit of"
	return counted && m.unit == "" && s.at(spot.At-1).Of("word.of") && spot.Begin-end <= 1 && (spot.Begin == end || s.at(end).Of("word.and") || s.at(end).Of("word.plus"))
}

// before gives where a phrase of one of the lists begins that ends just before a token.
func (s *scan) before(at int, lists ...string) int {
	for b := max(0, at-5); b < at; b++ {
		for _, list := range lists {
			if n := s.at(b).In(list).N; n > 0 && b+n >= at {
				return b
			}
		}
	}
	return at
}

// cover says that a liquid is told without an amount, as what others are covered with: "plenty of cold water".
func (s *scan) cover(spot *Spot) bool {
	return spot.Food.ID == "water" && spot.Said && !spot.Behind && s.at(spot.Begin).Of("word.plenty")
}

// refused says that a sentence has a food only to say that it is not used: "no gravy", "huevo no".
func (s *scan) refused(spots []Spot, k int) bool {
	spot := &spots[k]
	from, least := spot.At, 0
	if k > 0 {
		least = spots[k-1].At + spots[k-1].N
	}
	if spot.Said && !spot.Behind {
		from = spot.Begin
	}
	for k := from - 1; k >= max(least, from-2) && (s.at(k).Of("word.the") || s.at(k).Of("word.swap")); k-- {
		if s.at(k).Of("word.swap") {
			return true // "I swapped the 2 eggs for apple sauce"
		}
	}
	for k := from - 1; k >= max(least, from-3) && !s.ends(k); k-- {
		if s.at(k).Of("word.refuse") && s.at(k).Under("free.").N < 2 && !(spot.Said && s.corrects(k)) {
			return true
		}
	}
	for k := max(least, from-5); k < from; k++ {
		if s.at(k).Of("word.next time") {
			return true // "a little dry; next time 1/4 cup almond flour"
		}
	}
	end := spot.At + spot.N
	if s.othersDo(end, spot.Food) || s.at(end).Of("word.would") {
		return true // "where an egg would have made them heavy"
	}
	behind := s.at(end + 1)
	return s.at(end).Of("word.refuse") && !spot.Said && (behind.Kind == words.Mark || behind.Of("word.and") || behind.Of("word.me")) // "huevo no", but not "sal y pimienta no lleva huevo"
}

// othersDo says that a food is one that somebody else puts in: "my mother-in-law adds 2 eggs, I don't"; "she always used an
// egg, but what I do is ..." tells it of what this kitchen is to leave out.
func (s *scan) othersDo(end int, f *food.Food) bool {
	if s.at(end).Is(",") {
		end++
	}
	return s.at(end).Of("word.not me") || f.Group == food.Egg && s.at(end).Of("word.but") && !s.at(end+1).Of("word.only")
}

// corrects says that a "no" takes back what was said before it: "a tablespoon? no - two teaspoons".
func (s *scan) corrects(k int) bool {
	next := s.at(k + 1)
	return next.Kind == words.Number || next.Is("-") || next.Is(",") || next.Is(".") || next.Of("word.wait")
}

// takesBack says that words between two places take back what was said before them.
func (s *scan) takesBack(from, to int) bool {
	for k := from; k < to; k++ {
		if s.at(k).Of("word.wait") || s.at(k).Of("word.not") && s.corrects(k) {
			return true
		}
	}
	return false
}

// ends says that a sentence ends at a token.
func (s *scan) ends(k int) bool {
	t := s.at(k)
	return t.Is(".") || t.Is(";") || t.Is("!") || t.Is("?")
}

// pieces says that what is counted are pieces that are made, not a food: "makes 8 sausages an inch thick".
func (s *scan) pieces(spot *Spot) bool {
	if s.at(spot.At+spot.N-1).Under("piece.").N == 0 || !spot.Said || spot.Behind || s.measure(spot.Begin).unit != "" {
		return false
	}
	for k := max(0, spot.Begin-4); k < spot.Begin; k++ {
		if s.at(k).Of("act.shape") || s.at(k).Of("makes") {
			return true
		}
	}
	for k := spot.At + spot.N; k < spot.At+spot.N+5; k++ {
		if s.at(k).Of("length") {
			return true
		}
	}
	return false
}

// partOfWhole says that an amount is of what was told before: "half of the beans", "the rest of the oats".
func (s *scan) partOfWhole(spot *Spot, named bool) bool {
	if !spot.Said || !named {
		return false
	}
	for k := max(0, spot.Begin-2); k < spot.At; k++ {
		if s.at(k).Of("another") {
			return false
		}
	}
	for k := spot.Begin; k < spot.At; k++ {
		if s.at(k).Of("half of") && s.measure(spot.Begin).unit == "" || s.at(k).Of("rest of") || s.at(k).Of("word.of") && s.at(k+1).Of("word.the") {
			return true
		}
	}
	return s.at(spot.Begin - 1).Of("word.the")
}

// listed says that a food without an amount is told as one that goes in: oil to fry in, and the like.
func (s *scan) listed(spot *Spot) bool {
	for k := spot.At + spot.N; k < min(len(s.main), spot.At+spot.N+6); k++ {
		if s.at(k).Is(".") {
			return false
		}
		if s.at(k).Under("role.").N > 0 {
			return true
		}
	}
	return false
}

// together says that a food without an amount stands beside one with an amount, or beside another
// seasoning: "..., salt and pepper". By itself it is spoken of, not measured.
func (s *scan) together(spot *Spot, spots []Spot, k int) bool {
	if s.listed(spot) {
		return true
	}
	for _, other := range []int{k - 1, k + 1} {
		if other < 0 || other >= len(spots) {
			continue
		}
		o := &spots[other]
		a, b := o.At+o.N, spot.At
		if o.Said && o.Behind {
			a = o.Until // "salt (10 g), pepper"
		}
		if other > k {
			a, b = spot.At+spot.N, o.At
			if o.Said && !o.Behind {
				b = o.Begin
			}
		}
		if b-a <= 2 && (o.Said || minor(o.Food)) {
			return true
		}
	}
	return false
}

// timeOf says that a number is how long something is done to a food, or the size of its pack.
func (s *scan) timeOf(k int) bool {
	v, _ := Minutes(s.main, k)
	_, n := s.number(k)
	return v > 0 || s.isMass(k+n) && !s.at(k+n+1).Of("word.of") // or how large its tin is
}

// described gives where the words end that still tell of a food: ", grated and squeezed out".
func (s *scan) described(from, most int) int {
	to := from
	for k := from; k < most; k++ {
		t := s.at(k)
		if k == to && t.Is("(") {
			if end := s.toldInBrackets(k, most); end > 0 {
				to, k = end, end-1
				continue
			}
		}
		if v, n := Minutes(s.main, k); v > 0 && s.at(k+n).Of("side") {
			return to // "in a bit of oil three minutes a side"
		}
		if t.Of("word.who") && k == to { // "that I soften in oil"
			verb := k + 1
			for verb < min(most, k+3) && s.at(verb).Under("do.").N == 0 {
				verb++
			}
			if verb < most && s.at(verb).Under("do.").N > 0 {
				to, k = verb+1, verb
				continue
			}
		}
		switch {
		case t.Is("."), t.Is(";"), t.Is("!"), t.Is("?"), t.Of("word.it") && k > to && known(s.at(k-1)) == 0: // "keeps them firm"
			return to
		case t.Of("word.then"), t.Of("word.self"), t.Under("act.").N > 0 && known(t) == 0, t.Of("word.subject"),
			t.Under("heat.").N > 0 && t.Under("do.").N == 0, t.Of("word.in") && !t.Of("word.of") && s.at(k-1).Under("do.").N == 0, t.Of("tin"), t.Of("dish"),
			t.Under("do.").N > 0 && s.at(k+t.Under("do.").N).Of("word.the") && !words.Participle(t.Plain, s.l), // "gram flour mash the lentils"
			t.Under("do.").N > 0 && t.Under("do.").N < 3 && !words.Participle(t.Plain, s.l) && (s.at(k-1).Of("word.and") || s.at(k-1).Is(",")):
			return to
		case t.Is(",") || t.Of("word.and") || t.Is("(") || t.Is(")"):
			// Kept only where what comes next still describes.
			continue
		case known(t) > 0 && !t.Of("it") || t.Under("role.").N > 0 || t.Kind == words.Number && s.timeOf(k):
			to = max(to, min(most, k+max(1, known(t))))
		case small[t.Plain] || t.Of("word.passing") || t.Of("word.for") || t.Of("joint") || t.Of("word.filler"):
			continue
		default:
			if k-to > 3 {
				return to
			}
		}
	}
	return to
}

// toldInBrackets gives where brackets end that stand behind a food and only tell what is done to it, "(grated, I squeezed the juice
// out)"; 0 for others.
func (s *scan) toldInBrackets(open, most int) int {
	const longest = 12
	done := false
	for k := open + 1; k < min(most, open+longest); k++ {
		t := s.at(k)
		f, _ := s.r.FoodAt(s.main, k, s.l)
		switch {
		case t.Is(")"):
			if !done {
				return 0
			}
			return k + 1
		case t.Kind == words.Number || f != nil && !t.Of("word.juice"):
			return 0
		}
		done = done || t.Under("do.").N > 0
	}
	return 0
}
