package ingredient

import (
	"cmp"
	_ "embed"
	"fmt"
	"math"
	"slices"
	"strings"
	"unicode/utf8"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

//go:embed aromatics.csv
var aromaticsCSV string

// aromatics are foods so small a part that crushing them is no preparation of the mix.
var aromatics = func() map[string]bool {
	out := map[string]bool{}
	for _, row := range table(aromaticsCSV) {
		out[row[0]] = true
	}
	return out
}()

// Saying is what words beside a verb say of it: how long, and how fine. Timed and Graded
// say that they do, where that may be 0.
type Saying struct {
	Minutes, Level float64
	Timed, Graded  bool
}

func (s *Saying) minutes(usual float64) float64 {
	if s.Timed || s.Minutes > 0 {
		return s.Minutes
	}
	return usual
}

// means are the preparations that the verbs of a list can mean, by the food: fried
// onions are a sauté, fried bacon is browned.
var means = map[string][]food.Do{
	"do.fry": {food.Saute, food.Brown, food.Toast}, "do.brown": {food.Brown, food.Saute}, "do.roast": {food.Roast, food.OvenDry, food.Toast},
	"do.bake": {food.OvenDry, food.Roast, food.Toast}, "do.toast": {food.Toast, food.Roast}, "do.blitz": {food.Blitz}, "do.mash": {food.Mash, food.Blitz},
	"do.press": {food.Press}, "do.drain": {food.Press}, "do.drainwell": {food.Press}, "do.soak": {food.SoakGel, food.Soak}, "do.gel": {food.SoakGel},
}

// Preparation gives what a verb of a list means for a food; false where it means
// nothing that a mix would notice.
func Preparation(list string, f *food.Food, s Saying) (food.Preparation, bool) {
	for _, do := range means[list] {
		if !do.Suits(f) || !sensible(do, list, f, s) {
			continue
		}
		p := food.Preparation{Do: do}
		switch do.Setting() {
		case "minutes":
			p.Minutes = s.minutes(do.Default())
		case "level":
			if p.Level = s.Level; !s.Graded && s.Level == 0 {
				p.Level = do.Default()
			}
		case "hours":
			p.Hours = s.minutes(60*do.Default()) / 60
		}
		p.Minutes, p.Hours = min(p.Minutes, 2880), min(p.Hours, 48)
		return p, true
	}
	return food.Preparation{}, false
}

// leaksMuch is the share of its water from which on a vegetable gives much of it: spinach, courgette, aubergine, tomato.
const leaksMuch = .2

// sensible tells what a cook means from what the words could mean.
func sensible(do food.Do, list string, f *food.Food, s Saying) bool {
	mashed := strings.Contains(f.Name, "mashed") || strings.Contains(f.Name, "purée")
	switch do {
	case food.Press:
		if list == "do.drainwell" && f.Leak < leaksMuch {
			return false // "corn, well drained" gives no more water
		}
		return !aromatics[f.ID] && !(list == "do.drain" && f.Group == food.Legume)
	case food.Roast:
		return !mashed
	case food.Blitz: // what is crushed and has no water breaks: nuts, seeds, flakes
		return !mashed && (list != "do.mash" || f.Group == food.Nut || f.Group == food.Seed || f.ID == "oats-rolled")
	case food.Mash:
		// What is a mash by name is mashed again only where it is to stay rough.
		return f.Water > 20 && !aromatics[f.ID] && (f.Group != food.Vegetable || f.State == food.Cooked && !mashed || mashed && s.Level > 0 && s.Level < 0.7)
	case food.OvenDry:
		return list != "do.bake" && list != "do.roast" || f.Group == food.Legume || f.Group == food.Grain
	case food.Saute:
		return f.State == food.Raw || s.Timed || s.Minutes > 0 || f.GramsPerCup < 100
	case food.Toast:
		return list != "do.cook" && (list != "do.fry" || f.Group == food.Nut || f.Group == food.Seed)
	}
	return true
}

// Minutes reads a time at the token, min: "10 minutes", "1 hour 10", "half an hour", "2
// to 3 h", the middle of a range. It gives how many tokens it takes.
func Minutes(tokens []words.Token, i int) (minutes float64, n int) {
	s := scan{main: tokens}
	if m := tokens[i].In("span"); m.N > 0 {
		minutes, at := m.Value, i+m.N
		if minutes == 60 {
			minutes, at = s.pastHour(minutes, at)
		}
		return s.upTo(minutes, i, at)
	}
	v, k := s.number(i)
	if k == 0 || v > 1e4 {
		return 0, 0
	}
	at := i + k
	if s.at(at).Is("+") {
		if more, n := s.number(at + 1); n > 0 { // "2+2 min"
			v, at = v+more, at+1+n
		}
	}
	if step := Through(tokens, i, at); step > 0 {
		if high, more := s.number(at + step); more > 0 && high > v {
			v, at = (v+high)/2, at+step+more
		}
	}
	full := s.at(at)
	for full.Of("word.full") || full.Is("-") {
		at++
		full = s.at(at)
	}
	u := s.at(at).In("time")
	if u.N == 0 || s.at(at).Plain == "'" && !s.at(at).Glued {
		return 0, 0
	}
	if (u.Value == 60 && len(s.at(at).Plain) == 1 || s.at(at).Plain == "m") && !s.at(at).Glued && s.at(at).Plain != "h" {
		return 0, 0
	}
	minutes = v * u.Value
	at += u.N
	if u.Value == 60 {
		minutes, at = s.pastHour(minutes, at)
	}
	return s.upTo(minutes, i, at)
}

// pastHour reads what comes on top of hours: "1 hour 10 minutes", "an hour and a quarter", "1 h 10".
func (s *scan) pastHour(minutes float64, at int) (float64, int) {
	k := at
	if s.at(k).Is(".") && s.at(k).Glued {
		k++ // "1 hr. and 15 min."
	}
	for s.at(k).Of("word.and") || s.at(k).Of("article") && s.at(k-1).Of("word.and") {
		k++
	}
	if more, n := s.number(k); n > 0 && s.at(k+n).In("time").Value == 1 {
		return minutes + more, k + n + 1
	} else if part := s.at(k).In("number"); part.N > 0 && part.Value < 1 {
		return minutes + 60*part.Value, k + part.N
	}
	return minutes, at
}

// upTo reads a longer time right behind another: "half an hour forty minutes", dictated, is from one to the other.
func (s *scan) upTo(minutes float64, from, at int) (float64, int) {
	if next, k := s.number(at); k > 0 && s.at(at).Kind == words.Word {
		if u := s.at(at + k).In("time"); u.N > 0 && next*u.Value > minutes && next*u.Value <= 2*minutes {
			return (minutes + next*u.Value) / 2, at + k + u.N - from
		}
	}
	return minutes, at - from
}

// preparations finds what the line says to do to its first food, each with the
// minutes and the level that stand beside it.
func (s *scan) preparations() {
	for n := range s.line.Items {
		shares := n == 0 || s.alike || s.doneToAll(n) || s.doneWith(n)
		if shares || len(s.line.Items) > 1 {
			s.preparationsOf(n, shares)
		}
	}
	s.gelInLine()
	s.withAnother()
}

// withAnother notes the food of another line with which the first is fried, roasted or cooked: "fried with the onion".
func (s *scan) withAnother() {
	for k := 1; k < len(s.main); k++ {
		verb := s.at(k - 1)
		if !s.at(k).Of("word.with") || !(verb.Of("do.fry") || verb.Of("do.low") || verb.Of("do.roast") || verb.Of("do.cook")) {
			continue
		}
		next := k + max(1, s.joint(k))
		if !s.at(next).Of("word.the") {
			continue
		}
		f, _ := s.r.FoodAt(s.main, next+1, s.l)
		if f != nil && len(s.line.Items) > 0 && !slices.ContainsFunc(s.line.Items, func(it Ingredient) bool { return it.Food == f.ID }) {
			s.line.Items[0].With = f.ID
		}
	}
}

// owner gives which food of a line of several a word at a token is about: the one that stands between the same commas, else the last
// that stands before it. It gives everyOne for "..., all fried", and anyOne where that does not tell.
func (s *scan) owner(k int) int {
	items := s.line.Items
	if len(items) < 2 || slices.ContainsFunc(items, func(it Ingredient) bool { return it.end <= 0 || it.end > len(s.main) }) {
		return anyOne
	}
	comma := func(k int) bool {
		return s.at(k).Is(",") || s.at(k).Is(";") || s.alike && (s.at(k).Is(":") || s.parts(k))
	}
	within := func(k int) (from, to int) {
		for from = k; from > 0 && !comma(from-1); {
			from--
		}
		for to = k; to < len(s.main) && !comma(to); {
			to++
		}
		return from, to
	}
	in := func(from, to int) (found []int) {
		for n := range items {
			if f := s.r.foods.Find(items[n].Food); items[n].at >= from && items[n].at < to && f != nil && !minor(f) {
				found = append(found, n)
			}
		}
		return found
	}
	from, to := within(k)
	found := in(from, to)
	if len(found) > 0 && items[found[0]].at > k && slices.ContainsFunc(s.main[k:items[found[0]].at], func(t words.Token) bool { return t.Of("word.in") || t.Of("word.with") }) {
		return anyOne // "an onion, fried in butter"
	}
	if len(found) == 0 {
		all := slices.ContainsFunc(s.main[from:to], func(t words.Token) bool { return t.Of("word.all") || t.Of("word.both") })
		if all || s.alike || heats(s.at(k)) && len(in(to, len(s.main))) == 0 && !slices.ContainsFunc(s.main[:from], func(t words.Token) bool { return t.Under("do.").N > 0 }) {
			return everyOne // "3 carrots, 2 parsnips, roasted"
		}
		before := in(0, from)
		if len(before) == 0 {
			return anyOne
		}
		last := before[len(before)-1]
		found = in(within(items[last].at))
	}
	if len(found) != 1 {
		return anyOne
	}
	return found[0]
}

// heats says that a verb is of heat, which foods that are told together share.
func heats(t *words.Token) bool {
	return t.Of("do.fry") || t.Of("do.low") || t.Of("do.roast") || t.Of("do.toast") || t.Of("do.bake") || t.Of("do.cook")
}

// What owner gives where a word is about no single food.
const anyOne, everyOne = -1, -2

// doneToAll says that an item is joined to the first by "and", and what is done is told behind both: "an onion
// and two sticks of celery, sweated".
func (s *scan) doneToAll(n int) bool {
	it := &s.line.Items[n]
	if n > 1 || it.end <= 0 || s.line.Items[0].end <= 0 {
		return false
	}
	joined := false
	for k := s.line.Items[0].end; k < it.at && k < len(s.main); k++ {
		if s.at(k).Under("do.").N > 0 {
			return false
		}
		joined = joined || s.at(k).Of("word.and") || s.at(k).Of("word.plus")
	}
	return joined
}

// doneWith says that an item shares what is done to the first: "half a pepper, fried with half an onion".
func (s *scan) doneWith(n int) bool {
	for k := s.line.Items[n].at - 1; k > s.line.Items[0].end; k-- {
		switch t := s.at(k); {
		case t.Of("word.with"):
			return s.at(k-1).Of("do.fry") || s.at(k-1).Of("do.saute") || s.at(k-1).Of("do.roast") || s.at(k-1).Of("do.cook")
		case !(t.Kind == words.Number || known(t) > 0 || t.Of("number") || small[t.Plain]):
			return false
		}
	}
	return false
}

// gelInLine leaves flax, chia or psyllium in the liquid that their own line mixes them with.
func (s *scan) gelInLine() {
	wet := 0.
	for i := range s.line.Items {
		if f := s.r.foods.Find(s.line.Items[i].Food); f != nil && f.Is(food.Liquid) {
			wet += s.line.Items[i].Grams
		}
	}
	for i := range s.line.Items {
		it := &s.line.Items[i]
		f := s.r.foods.Find(it.Food)
		if f == nil || wet < it.Grams || wet == 0 || !food.SoakGel.Suits(f) || len(it.Prep) > 0 {
			continue
		}
		it.Prep = append(it.Prep, food.Preparation{Do: food.SoakGel, Minutes: min(cmp.Or(s.minutesAnywhere(), food.SoakGel.Default()), 2880)})
	}
}

// preparationsOf finds what is done to one food of a line; shares says that it shares what is done to the first.
func (s *scan) preparationsOf(n int, shares bool) {
	first := &s.line.Items[n]
	f := s.r.foods.Find(first.Food)
	if f == nil {
		return
	}
	for which, tokens := range append([][]words.Token{s.main}, s.brackets...) {
		for i := range tokens {
			t := &tokens[i]
			of := anyOne
			if which == 0 && t.Under("do.").N > 0 {
				of = s.owner(i)
			}
			if of != n && of != everyOne && !(shares && (of == anyOne || n > 0 && of == 0)) {
				continue
			}
			if s.used[t.At] || i > 0 && tokens[i-1].Of("word.not") {
				continue
			}
			for _, m := range t.Means {
				if !strings.HasPrefix(m.List, "do.") {
					continue
				}
				said := beside(tokens, i, m.N)
				if level, given := s.levels[t.At]; given {
					said.Level, said.Graded = level, true
				}
				p, ok := Preparation(m.List, f, said)
				if !ok || s.needless(p, f, t) {
					continue
				}
				if at := slices.IndexFunc(first.Prep, func(q food.Preparation) bool { return q.Do == p.Do }); at < 0 {
					first.Prep = append(first.Prep, p)
				} else if said.Minutes > 0 {
					first.Prep[at] = p
				}
				end := tokens[min(i+m.N, len(tokens))-1].End
				s.spanOf(t.At, end)
			}
		}
	}
}

// needless says that the words are of how the food comes, or too small to matter.
func (s *scan) needless(p food.Preparation, f *food.Food, t *words.Token) bool {
	if p.Do == food.Blitz && aromatics[f.ID] {
		return true
	}
	// "roasted", "ground" before the name is how it is sold.
	if p.Do == food.Toast && strings.HasPrefix(t.Plain, "roast") && !s.thenDone(t) {
		return true
	}
	return p.Do == food.Blitz && t.Of("word.ground") && len(s.line.Items) > 0 && s.line.Items[0].at > 0 && t.At < s.main[s.line.Items[0].at].At
}

// thenDone says that a verb tells the first of several things to do to a food, and not how it is sold: in "nuts, roasted then
// pulsed" the word stands behind the name of the food, and "then" follows.
func (s *scan) thenDone(t *words.Token) bool {
	for k := range s.main {
		if s.main[k].At == t.At {
			return s.at(k+1).Of("word.then") && len(s.line.Items) > 0 && s.line.Items[0].at >= 0 && k > s.line.Items[0].at
		}
	}
	return false
}

func (s *scan) spanOf(at, end int) {
	s.line.Spans = append(s.line.Spans, Phrase{utf8.RuneCountInString(s.text[:at]), utf8.RuneCountInString(s.text[:end]), "prep", 0})
}

// beside reads the minutes and the level around a verb, within its own commas.
func beside(tokens []words.Token, i, n int) (out Saying) {
	for k := i + n; k < len(tokens); k++ {
		t := &tokens[k]
		if v, n := Minutes(tokens, k); n > 0 {
			out.Minutes, out.Timed = v, true
			break
		}
		if t.Is(";") || t.Under("do.").N > 0 && k > i+n && t.Under("do.").List != tokens[i].Under("do.").List && !t.Of("level") {
			break
		}
	}
	for k := max(0, i-2); k < min(len(tokens), i+n+8); k++ {
		if m := tokens[k].In("level"); m.N > 0 && (out.Level == 0 || k < i) {
			out.Level = m.Value
		}
	}
	return out
}

// mixed makes one item of spices and the like that are one food here and share a line: "cumin and paprika, 1 tsp each" is one
// item of that food, whose name says how they share it.
func (s *scan) mixed() {
	for i := 0; i < len(s.line.Items); i++ {
		it := &s.line.Items[i]
		f := s.r.foods.Find(it.Food)
		if f == nil || f.Group != food.Flavour || it.Grams <= 0 {
			continue
		}
		names, grams := []string{it.Name}, []float64{it.Grams}
		for k := i + 1; k < len(s.line.Items); k++ {
			other := &s.line.Items[k]
			if other.Food != it.Food || other.Grams <= 0 || f.ManyAlike && other.Name == "" {
				continue
			}
			names, grams = append(names, other.Name), append(grams, other.Grams)
			it.Grams = math.Round(10*(it.Grams+other.Grams)) / 10
			it.FoodSure, it.GramsSure = min(it.FoodSure, other.FoodSure), min(it.GramsSure, other.GramsSure)
			it.Words = append(it.Words, other.Words...)
			it.Amount, it.High, it.Unit = it.Grams, 0, "g"
			s.line.Items = slices.Delete(s.line.Items, k, k+1)
			it, k = &s.line.Items[i], k-1
		}
		if len(names) > 1 && f.ManyAlike {
			it.Name = shared(names, grams)
		}
	}
}

// shared names spices that share an amount: in equal parts by their names alone, else with the share of each.
func shared(names []string, grams []float64) string {
	sum, least, most := 0., grams[0], grams[0]
	for _, g := range grams {
		sum, least, most = sum+g, min(least, g), max(most, g)
	}
	for i := range names {
		if most > 1.1*least {
			names[i] = fmt.Sprintf("%s %.0f%%", names[i], 100*grams[i]/sum)
		}
	}
	return strings.Join(names, ", ")
}

// listsSaid are the lists that the line has words of.
func (s *scan) listsSaid() map[string]bool {
	lists := map[string]bool{}
	for t := range s.everywhere {
		for _, m := range t.Means {
			lists[m.List] = true
		}
	}
	return lists
}

// finish sorts what is left of the line into preparations, notes and the rest.
func (s *scan) finish() {
	if len(s.line.Items) == 0 {
		s.line.Items = []Ingredient{{}}
		s.fault("no-food")
	}
	s.mixed()
	lists := s.listsSaid()
	for i := range s.line.Items {
		s.line.Items[i].lists = lists
	}
	s.preparations()
	s.halfPrepared()
	var notes, rest []string
	if s.line.Notes != "" {
		notes = append(notes, s.line.Notes) // a food that it says is not used
	}
	for k := 0; k < len(s.main); k++ {
		t := &s.main[k]
		if t.Kind != words.Word || s.used[t.At] {
			continue
		}
		n := max(known(t), t.In("aside").N)
		switch {
		case n > 0 || small[t.Plain] || t.Of("joint") || t.Of("alternative"):
			notes = append(notes, t.Plain)
		case len(rest) > 0 || !s.aside(k):
			rest = append(rest, t.Plain)
		default:
			notes = append(notes, t.Plain)
		}
		for j := 1; j < n; j++ {
			k++
			if k < len(s.main) && s.main[k].Kind == words.Word {
				notes = append(notes, s.main[k].Plain)
			}
		}
	}
	for _, b := range s.brackets {
		var inner []string
		for i := range b {
			inner = append(inner, b[i].Plain)
		}
		notes = append(notes, strings.Join(inner, " "))
	}
	s.line.Notes, s.line.Rest = strings.Join(notes, " "), strings.Join(rest, " ")
	slices.SortStableFunc(s.line.Spans, func(a, b Phrase) int { return a.At - b.At })
}

// aside says that the token stands where the line no longer says what the food is:
// behind its first comma, or behind words such as "such as".
func (s *scan) aside(k int) bool {
	if s.line.Items[0].Food == "" {
		return false
	}
	for i := range k {
		if s.main[i].Is(",") || s.main[i].Is(";") || i > 0 && s.main[i].Of("aside") || s.main[i].Under("role.").N > 0 {
			return true
		}
	}
	return false
}

// Number reads a number at the token, in digits or words, and how many tokens it takes;
// 0 tokens for none.
func Number(tokens []words.Token, i int) (v float64, n int) {
	s := scan{main: tokens}
	return s.number(i)
}
