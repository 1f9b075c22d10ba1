package recipe

import (
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// entry is one food of one line, as the method goes on with it.
type entry struct {
	line int
	item *ingredient.Ingredient
	food *food.Food
	part string // "" until it is known
	// said is what the line says is done to it; done what the method does.
	uses []use
	// names are the stems it is called by, head the one that stands for it alone.
	names map[string]bool
	head  string
	// shares are parts of it that the method does something else with.
	shares []share
	preps  []told
	gone   bool // left out of "everything"
	// grated and boiled say that the method does that to it.
	grated, boiled bool
}

// told is a preparation that the method tells, of a share of the food where that is
// not 0, and whether the method gives its figure.
type told struct {
	food.Preparation
	share   float64
	figured bool
}

type share struct {
	grams    float64
	sentence int
	part     string
}

// use is a place in the method where a food is named.
type use struct {
	sentence int
	verbs    []string
	grams    float64 // of a portion; 0 for the whole
	rest     bool
}

// mention is a phrase of a sentence that names foods.
type mention struct {
	at, n int
	items []int
	grams float64 // of a portion
	half  float64 // share of a portion
	rest  bool
	kind  bool // by a word for its kind: "the cheese"
	more  bool // on top of what the line gives: "a little more margarine"
}

// sentence is one of a method's.
type sentence struct {
	step     int
	text     string
	tokens   []words.Token
	mentions []mention
	segments []segment
	// described are foods with a participle beside them.
	described []described
	first     map[string]int  // token by list
	verbs     map[string]bool // lists of its verbs
	gelled    bool            // tells of flax, chia or psyllium in its water
	soaked    bool            // tells of dry legumes that are left in water
	all       bool            // speaks of everything
	note      bool            // is the recipe's own voice, not a step
	sauce     bool            // is about what is not of the mix
	beside    bool            // stands behind a label that says so: "sauce: ..."
}

// segment is a verb and the foods it goes with.
type segment struct {
	at, end int
	lists   []words.Meaning // what the verb may mean
	objects []int           // mentions
}

// has gives the first place of a list in the sentence, -1 for none.
func (s *sentence) has(list string) int {
	if at, there := s.first[list]; there {
		return at
	}
	return -1
}

// list notes where each list stands first, and each family of lists, such as "heat.".
func (s *sentence) list() {
	s.first = map[string]int{}
	for i := range s.tokens {
		for _, m := range s.tokens[i].Means {
			if _, there := s.first[m.List]; !there {
				s.first[m.List] = i
			}
			if at := strings.IndexByte(m.List, '.'); at > 0 {
				if _, there := s.first[m.List[:at+1]]; !there {
					s.first[m.List[:at+1]] = i
				}
			}
		}
	}
}

// verb says that one of the sentence's verbs is of the list.
func (s *sentence) verb(list string) bool { return s.verbs[list] }

// under gives the first place of a family of lists, such as "heat."; -1 for none.
func (s *sentence) under(family string) int { return s.has(family) }

// minutes gives the first time in the sentence from a token on, min.
func (s *sentence) minutes(from int) (minutes float64, at, n int) {
	for i := max(0, from); i < len(s.tokens); i++ {
		if v, n := ingredient.Minutes(s.tokens, i); v > 0 {
			return v, i, n
		}
		if v, n := s.bareFor(i); v > 0 {
			return v, i, n
		}
	}
	return 0, -1, 0
}

// mostFollowed is as many words of a method as foods are followed through: what comes
// after is kept in its words, and no recipe is so long.
const mostFollowed = 6000

// sentencesOf takes the steps apart.
func sentencesOf(steps []string, spoken []Told, l words.Language) (out []sentence) {
	total := 0
	for i, text := range steps {
		tokens := words.Read(text, l)
		if total += len(tokens); total > mostFollowed {
			return out
		}
		note, beside := isNote(tokens), labelsSauce(tokens, text)
		coldWords(tokens, text)
		ownWords(tokens, text, i, spoken)
		denied(tokens)
		if len(tokens) > 2 && tokens[1].Is(":") {
			without(&tokens[0], "do.") // "Proceso: ..." is a label
		}
		breaks := clauses(tokens, l)
		start, number := 0, 1.
		cut := func(end int) {
			if start+1 < end && tokens[start].Kind == words.Number && tokens[start].Value == number && words.Capital(text[tokens[start+1].At:]) {
				start++ // "1 Mash beans. 2 Combine all. 3 Chill 45 min."
				number++
			}
			if end > start {
				s := sentence{step: i, text: text, tokens: tokens[start:end]}
				s.list()
				s.beside = beside
				s.note = note || s.has("word.next time") >= 0 || isNote(s.tokens) || len(s.tokens) > 2 && s.tokens[0].Of("alternative") && s.tokens[0].Plain != "o"
				out = append(out, s)
			}
			start = end + 1
		}
		for k := range tokens {
			t := &tokens[k]
			abbreviated := t.Is(".") && k > 0 && (shortened(&tokens[k-1]) || tokens[k-1].Of("time") && shortTime(tokens[k-1].Plain) && !(k+1 < len(tokens) && tokens[k+1].Kind == words.Number)) && k+1 < len(tokens) && !words.Capital(text[tokens[k+1].At:])
			if (t.Is(".") || t.Is(";") || t.Is("!") || t.Is("?")) && !abbreviated {
				cut(k)
			} else if dashed(tokens, start, k, l) {
				cut(k)
			} else if breaks[k] {
				cut(k)
				start = k
			}
		}
		cut(len(tokens))
	}
	return out
}

// labelsSauce says that a step begins with a label for what is cooked or served beside the pieces: "sauce: 6 tomatoes, blend".
func labelsSauce(tokens []words.Token, text string) bool {
	const longest = 3
	for k := 1; k <= longest && k < len(tokens); k++ {
		if tokens[k].Is(":") {
			part := PartOf(text[tokens[0].At:tokens[k].At])
			return part == "sauce" || part == "broth" || part == Serving
		}
	}
	return false
}

// dashed says that a dash between spaces at a token parts two steps, as notes have them: "knead 5 min - fridge overnight".
func dashed(tokens []words.Token, from, k int, l words.Language) bool {
	if !tokens[k].Is("-") || tokens[k].Glued || k+1 >= len(tokens) || tokens[k+1].Glued {
		return false
	}
	next := &tokens[k+1]
	if next.Under("act.").N == 0 && next.Under("heat.").N == 0 && !next.Of("makes") || words.Participle(next.Plain, l) {
		return false
	}
	for j := from; j < k; j++ {
		if v, _ := ingredient.Minutes(tokens, j); v > 0 || next.Of("makes") {
			return true
		}
	}
	return false
}

// shortTime says that the name of a time is one that a point may cut short: "10 min.", but not "1 hora."
func shortTime(word string) bool {
	const longest = 4
	return len(word) <= longest && word != "hora" && word != "hour"
}

// shortened says that a word is a unit cut short, which a point may follow: "2 tbsp."
func shortened(t *words.Token) bool {
	switch t.Under("unit.").List {
	case "unit.g", "unit.oz", "unit.cup", "unit.tbsp", "unit.tsp":
		return len(t.Plain) <= 5 && t.Plain != "cup" && t.Plain != "cups" && t.Plain != "taza"
	}
	return false
}

// isNote says that the words begin the recipe's own voice: "Tip: ...", but not "Tip into
// a bowl".
func isNote(tokens []words.Token) bool {
	if len(tokens) == 0 {
		return false
	}
	if tokens[0].Of("note.alone") {
		return true
	}
	n := tokens[0].In("note").N
	return n > 1 || n == 1 && len(tokens) > 1 && (tokens[1].Is(":") || tokens[1].Is("-") || tokens[1].Is("1"))
}

// panIsTin says that a pan is one to bake in: its sides are told, "a 9x5 pan".
func panIsTin(tokens []words.Token, i int) bool {
	if !strings.HasPrefix(tokens[i].Plain, "pan") {
		return false
	}
	for k := max(0, i-5); k < i; k++ {
		if tokens[k].Of("by") && k > 0 && tokens[k-1].Kind == words.Number || tokens[k].Of("length") && k > 0 && tokens[k].Plain != "in" && k+2 >= i || tokens[k].Is("x") {
			return true
		}
	}
	return false
}

// coldWords takes their heat from words such as "baking" in "baking sheet".
func coldWords(tokens []words.Token, text string) {
	for i := range tokens {
		if tokens[i].Of("tin") && tokens[i].Of("unit.pack") && i+1 < len(tokens) && tokens[i+1].Of("word.of") {
			without(&tokens[i], "tin") // "a tin of beans" is none to bake in
		}
		if tokens[i].Of("heat.pan") && panIsTin(tokens, i) {
			without(&tokens[i], "heat.", "do.")
			tokens[i].Means = append(tokens[i].Means, words.Meaning{List: "tin", N: 1})
		}
		if tokens[i].Of("except") && i+1 < len(tokens) && (tokens[i+1].Is(":") || tokens[i+1].Of("word.self")) {
			without(&tokens[i], "except") // "as written, except: I used ..." leaves nothing out
		}
		if coldDegrees(tokens, text, i) {
			tokens[i].Means = append(tokens[i].Means, words.Meaning{List: "act.chill", N: 1}) // "hold at 36 F for 4 hours"
		}
		if inOven(tokens, i) {
			tokens[i].Means = append(tokens[i].Means, words.Meaning{List: "do.bake", N: 1})
		}
		for k := i; k < i+tokens[i].In("no heat").N && k < len(tokens); k++ {
			tokens[k].Means = slices.DeleteFunc(tokens[k].Means, func(m words.Meaning) bool {
				return strings.HasPrefix(m.List, "heat.") || strings.HasPrefix(m.List, "do.")
			})
		}
	}
}

// inOven says that something is put into an oven whose heat is told before its name: "in a 325 oven".
func inOven(tokens []words.Token, i int) bool {
	if !tokens[i].Of("heat.oven") || tokens[i].Under("do.").N > 0 || i == 0 || tokens[i-1].Kind != words.Number && !tokens[i-1].Of("degrees") && !tokens[i-1].Of("fahrenheit") && !tokens[i-1].Of("celsius") {
		return false
	}
	return slices.ContainsFunc(tokens[max(0, i-4):i], func(t words.Token) bool { return t.Of("word.in") })
}

// coldDegrees says that a number is the temperature of a refrigerator, "4 °C" or "36°F".
func coldDegrees(tokens []words.Token, text string, i int) bool {
	const coldestC, warmestC, coldestF, warmestF = 1, 8, 33, 46
	t := &tokens[i]
	if t.Kind != words.Number || i > 0 && tokens[i-1].Is("-") {
		return false
	}
	degrees, f, c, _ := scaleAt(tokens, text, i+1)
	return f && t.Value >= coldestF && t.Value <= warmestF || c && degrees && t.Value >= coldestC && t.Value <= warmestC // "2C" is two cups
}

// segmentsOf finds the verbs of a sentence and the foods that go with each.
func (m *procedure) segmentsOf(s *sentence) {
	var cuts []segment
	for i := 0; i < len(s.tokens); i++ {
		t := &s.tokens[i]
		if slices.ContainsFunc(s.mentions, func(x mention) bool { return i >= x.at && i < x.at+x.n }) {
			continue
		}
		var lists []words.Meaning
		longest := 1
		for _, mean := range t.Means {
			if strings.HasPrefix(mean.List, "do.") || strings.HasPrefix(mean.List, "act.") || strings.HasPrefix(mean.List, "heat.") {
				lists = append(lists, mean)
				longest = max(longest, mean.N)
			}
		}
		if len(lists) == 0 || i > 0 && s.tokens[i-1].Of("word.subject") && (s.tokens[i-1].Plain != "you" || i > 1 && s.tokens[i-2].Of("word.when")) && !(i > 1 && s.tokens[i-2].Of("word.let")) && !t.Of("it") {
			continue // "while they bake" tells nobody to do anything
		}
		if m.l == words.English && longest == 1 && i > 0 && s.tokens[i-1].Of("word.the") && !words.Participle(t.Plain, m.l) {
			continue // "add to the mash", "the mix"
		}
		if m.l == words.English && longest == 1 && s.compound(i) && !words.Participle(t.Plain, m.l) {
			continue // "the nut roast"
		}
		if x := m.describes(s, i, longest); x >= 0 {
			s.described = append(s.described, described{x, lists})
			continue
		}
		cuts = append(cuts, segment{at: i, lists: lists})
		i += longest - 1
	}
	if len(cuts) == 0 || cuts[0].at > 0 {
		cuts = append([]segment{{}}, cuts...)
	}
	last := []int(nil)
	for k := range cuts {
		c := &cuts[k]
		c.end = len(s.tokens)
		if k+1 < len(cuts) {
			c.end = cuts[k+1].at
		}
		for x := range s.mentions {
			if at := s.mentions[x].at; at >= c.at && at < c.end && !s.instrument(c, at, m.onlyFat(&s.mentions[x])) {
				c.objects = append(c.objects, x)
			}
		}
		if k > 0 && m.l.HeadFirst() && s.tokens[max(0, c.at-1)].Of("it") {
			c.objects = append(s.takeBefore(&cuts[k-1], c.at), c.objects...)
		}
		if len(c.objects) == 0 || len(last) > 0 && s.pronoun(c.at, m.l) {
			c.objects = append(slices.Clone(last), c.objects...)
		}
		if !slices.ContainsFunc(c.objects, func(x int) bool { return !m.onlyFat(&s.mentions[x]) }) && len(last) > 0 {
			if slices.ContainsFunc(c.lists, func(x words.Meaning) bool { return strings.HasPrefix(x.List, "do.") }) {
				c.objects = append(slices.Clone(last), c.objects...) // "cover the lentils with water and simmer"
			}
			continue
		}
		last = c.objects
	}
	s.segments = cuts
	s.verbs = map[string]bool{}
	for k := range cuts {
		for _, m := range cuts[k].lists {
			s.verbs[m.List] = true
		}
	}
}

// takeBefore takes from the segment before one what is named behind its last comma, where a verb with its pronoun takes it up:
// "..., la cebolla y el ajo los acitrono".
func (s *sentence) takeBefore(before *segment, at int) (taken []int) {
	from := before.at
	for j := before.at; j < at; j++ {
		if s.tokens[j].Is(",") {
			from = j
		}
	}
	if from == before.at {
		return nil
	}
	before.objects = slices.DeleteFunc(before.objects, func(x int) bool {
		behind := s.mentions[x].at > from && s.mentions[x].at < at
		if behind {
			taken = append(taken, x)
		}
		return behind
	})
	return taken
}

// compound says that a word stands right behind a food that "the", "a" or "my" stands before.
func (s *sentence) compound(i int) bool {
	for x := range s.mentions {
		at := &s.mentions[x]
		if at.at+at.n == i && at.at > 0 {
			before := &s.tokens[at.at-1]
			return before.Of("word.the") || before.Of("article") || before.Plain == "my"
		}
	}
	return false
}

// described is a food with a word that tells how it is: "the ground seeds".
type described struct {
	mention int
	lists   []words.Meaning
}

// describes gives the mention that a participle belongs to, which is then no verb of
// the sentence: English has it before its food, Spanish behind; -1 for none.
func (m *procedure) describes(s *sentence, i, n int) int {
	t := &s.tokens[i]
	if n > 1 || !words.Participle(t.Plain, m.l) {
		return -1
	}
	for x := range s.mentions {
		at := &s.mentions[x]
		if !m.l.HeadFirst() && at.at == i+1 || m.l.HeadFirst() && at.at+at.n == i || !m.l.HeadFirst() && s.describedAsWell(i, at.at) || s.betweenCommas(i, at.at+at.n) {
			return x
		}
	}
	return -1
}

// betweenCommas says that a participle stands behind the food that ends at a place, with commas on both sides: "with the lentils,
// half mashed, 80 g of walnuts".
func (s *sentence) betweenCommas(i, end int) bool {
	if end >= i || i-end > 3 || !s.tokens[end].Is(",") || i+1 >= len(s.tokens) || !s.tokens[i+1].Is(",") {
		return false
	}
	for k := end + 1; k < i; k++ {
		if t := &s.tokens[k]; !(t.Of("half of") || t.Of("number") || t.Of("level") || t.Of("word.passing") || t.Of("about") || t.Of("plain")) {
			return false
		}
	}
	return true
}

// describedAsWell says that a participle behind "the" describes a food some words on: "the puréed and whole sweetcorn".
func (s *sentence) describedAsWell(i, food int) bool {
	if i == 0 || !s.tokens[i-1].Of("word.the") || food <= i || food > i+4 {
		return false
	}
	for k := i + 1; k < food; k++ {
		if t := &s.tokens[k]; !(t.Of("word.and") || t.Is(",") || t.Of("plain") || words.Participle(t.Plain, words.English)) {
			return false
		}
	}
	return true
}

// pronoun says that a verb goes with what was named before it: "purée them with",
// "mezclarlas con".
func (s *sentence) pronoun(at int, l words.Language) bool {
	return words.Clitic(s.tokens[at].Plain, l) || at+1 < len(s.tokens) && s.tokens[at+1].Of("word.it")
}

// onlyFat says that a mention is of fats, liquids or salt: what others are cooked or drawn with.
func (m *procedure) onlyFat(x *mention) bool {
	return !slices.ContainsFunc(x.items, func(k int) bool {
		f := m.entries[k].food
		return f.Group != food.Fat && !f.Is(food.Liquid) && f.ID != saltID
	})
}

// saltID is the food that draws water from others: "salt it, wait ten minutes and squeeze it" squeezes no salt.
const saltID = "salt"

// instrument says that a food is what a verb works in or on, not its object: "cook in
// the butter".
func (s *sentence) instrument(c *segment, at int, fat bool) bool {
	with := !fat || !slices.ContainsFunc(c.lists, func(x words.Meaning) bool {
		return x.List == "do.fry" || x.List == "do.cook" || x.List == "do.roast" || x.List == "do.brown" || x.List == "act.coat" || x.List == "act.brush"
	})
	for k := at - 1; k > c.at && k >= at-6; k-- {
		t := &s.tokens[k]
		switch {
		case t.Of("word.in") && k == c.at+1 && with:
			return false // "tip in the mushrooms"
		case t.Of("word.in"):
			return !t.Of("word.with") || fat
		case t.Of("word.with"):
			return !with
		case t.Of("word.passing"):
			continue
		}
		if t.Kind == words.Number || t.Under("unit.").N > 0 || t.Is("/") || t.Of("plain") || t.Of("variety") || t.Of("number") {
			continue
		}
		return false
	}
	return false
}
