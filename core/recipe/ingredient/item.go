package ingredient

import (
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/recipe/words"
)

// item reads a food from i on and gives where its words end.
func (s *scan) item(i int, m measured, fruit string) (end int) {
	end = s.pair(i, s.cut(i))
	for k := i + 1; m.each && k < end; k++ { // "1 tsp each cumin + smoked paprika"
		if f, _, _ := s.longest(i, k); f != nil && s.joint(k) > 0 {
			end = k
		}
	}
	if !m.said {
		for k := i + 1; k < end; k++ { // "bulgur 50 g, soaked in water": the name stands before its amount
			if behind := s.measure(k); s.main[k].Kind == words.Number && behind.said && behind.unit != "" {
				if f, _, _ := s.longest(i, k); f != nil {
					end = k
				}
			}
		}
	}
	item := Ingredient{at: -1}
	found, a, b := s.wholeName(i)
	if found == nil {
		found, a, b = s.find(i, end)
	}
	end = max(end, b)
	if found == nil && fruit == "zest" { // of an orange, which is as good as a lemon's
		s.mark(i, end)
		found, a, b = s.r.foods.Find("lemon-zest"), i, max(i+1, min(end, len(s.main)))
		b = min(b, len(s.main))
		if a >= b {
			found = nil
		}
	}
	if found == nil && end < len(s.main) {
		if found, a, b = s.find(end, len(s.main)); found != nil {
			end = max(end, b)
			for k := i + 1; m.said && k < a; k++ { // "1 tsp yeast extract in 100 ml hot water": the water has an amount of its own
				if own := s.measure(k); own.said && own.unit != "" && k+own.n <= a {
					m = own
					break
				}
			}
		}
	}
	if !m.said && found != nil && s.said.measure == nil { // "chickpea flour: 50 g", "eggs x 2"
		k := b
		dots := func(k int) bool { return s.at(k).Is(".") && (s.at(k+1).Is(".") || s.at(k-1).Is(".")) } // "oats... 1/2 cup"
		for s.at(k).Is(":") || s.at(k).Is(",") || s.at(k).Is("-") || s.at(k).Is("=") || s.at(k).Is("x") || dots(k) {
			k++
		}
		if k < len(s.main) && !s.measure(k).said || k == b && k < len(s.main) && s.main[k].Kind != words.Number {
			k = s.amountPast(k, found)
		}
		if behind := s.measure(k); behind.said && k < len(s.main) {
			m = behind
			if s.at(k-1).Of("unit.pack") && (m.unit == "g" || m.unit == "oz") { // "white beans, tin 400 g"
				m.pack, m.net = m.mass(), m.unit == "oz"
				m.amount, m.high, m.unit, m.per = 1, 0, "pack", 1
			}
			s.asGrams(found, &m)
			s.mark(k, k+behind.n)
			s.span(s.main[k].At, s.main[k+behind.n-1].End, "amount")
			end = max(end, k+behind.n)
			if size := s.at(k + behind.n).In("size"); size.N > 0 && m.unit == "" && m.size == 0 { // "onion, 1 small"
				m.size = size.Value
				s.mark(k+behind.n, k+behind.n+size.N)
			}
			s.state.spooned, s.state.tea = m.unit == "tsp" || m.unit == "pinch", m.unit == "tsp"
			if again := best(s.r.names[s.l][key(s.main[a:b], s.l)], s.state); again != nil {
				found = again
			}
		}
	}
	if found == nil {
		s.line.Items = append(s.line.Items, Ingredient{Amount: m.amount, High: m.high, Unit: m.unit, Said: m.said})
		if near := s.misspelled(i, end); near != nil {
			it := &s.line.Items[len(s.line.Items)-1]
			it.Food, it.FoodSure = near.ID, 0.6
			s.weigh(it, near, &m)
			s.mark(i, end)
			return end
		}
		s.fault("no-food")
		return end
	}
	s.mark(a, b)
	s.span(s.main[a].At, s.main[b-1].End, "food")
	item.at, item.end, item.Words = a, b, s.stems(a, b)
	item.Extra = s.extra()
	item.Cooked, item.Divided, item.Dry = s.state.cooked, s.line.Divided, s.state.dry && !s.state.cooked
	if s.dryThenCooked() && (found.Group == food.Grain || found.Group == food.Legume) && m.unit != "pack" {
		item.Boiled, item.Cooked = true, false // "180 g quinoa (dry), cooked"
	}
	item.FoodSure = s.sureOf(i, a, b, end)
	if s.at(a).In("word.vague").N == b-a {
		item.FoodSure = min(item.FoodSure, 0.6) // "nuts": it does not say which
	}
	if item.FoodSure < 0.7 && !s.namesFoods(i, a, b, end) {
		if near := s.misspelled(i, end); near != nil {
			found, item.FoodSure = near, 0.6
		}
	}
	if m.said && m.unit == "" && found.Group != food.Flavour && found.GramsPerPiece == 0 && s.r.sizes[found.ID+" "] == 0 && b-a > 1 { // "1 tomate rallado" is counted: a tomato
		one := a
		if !s.l.HeadFirst() {
			one = b - 1
		}
		if whole := best(s.r.names[s.l][key(s.main[one:one+1], s.l)], s.state); whole != nil && whole.GramsPerPiece > 0 {
			found = whole
		}
	}
	if other := s.r.foods.Find(s.r.Swap(found.ID, "quick")); other != nil && s.tells("word.quick") {
		found = other // "oats, ¾ cup, quick"
	}
	if other := s.r.foods.Find(s.r.Swap(found.ID, "dried")); other != nil && s.state.dry && (m.unit == "tsp" || m.unit == "tbsp") {
		found = other // "2 tbsp parsley, dried"
	}
	found = s.asStated(s.asBracketed(found), i)
	if cooked := s.r.foods.Find(s.r.Swap(found.ID, "cooked")); cooked != nil && s.state.cooked {
		found = cooked // "leftover roast lamb": the nearest that is cooked, and no mince
		item.FoodSure = min(item.FoodSure, 0.6)
	}
	f, free := s.freed(found)
	if !free {
		s.fault("not-free")
		item.FoodSure = min(item.FoodSure, 0.3)
		f, item.Others = found, []string{found.ID}
	}
	item.Food = f.ID
	if !free {
		item.Food = ""
	}
	if f.ManyAlike {
		item.Name = s.text[s.main[a].At:s.main[b-1].End]
	}
	s.sizeOf(&m, f, i, end)
	if m.unit == "pack" && m.pack == 0 && s.said.grams == 0 {
		s.packBehind(&m, b)
	}
	s.alternatives(&item, b, end)
	if fruit != "" || f.ID == "lemon-juice" {
		f = s.partOf(&item, f, fruit)
	}
	if f.Group == food.Fat && !m.said && s.line.Role == "" && (s.tells("heat.pan") || s.tells("heat.grill") || s.tells("heat.fry")) {
		s.line.Role = "frying" // "olive oil, griddle"
	}
	s.within(0, s.ownReach(b))
	s.weigh(&item, f, &m)
	if s.said.drained && m.unit == "pack" {
		item.Grams = m.amount * s.said.grams
	}
	s.line.Items = append(s.line.Items, item)
	s.separate(f)
	if (fruit == "both" || s.bothParts) && item.Food == "lemon-juice" {
		zest := Ingredient{Food: "lemon-zest", FoodSure: item.FoodSure, at: -1}
		s.weigh(&zest, s.r.foods.Find("lemon-zest"), &m)
		s.line.Items = append(s.line.Items, zest)
	}
	return end
}

// amountPast gives where an amount stands behind words that describe a food: "corn, frozen: 1 cup", "mushrooms,
// fried, 100 g"; the line's end where there is none.
func (s *scan) amountPast(from int, f *food.Food) int {
	if next := s.at(from + 1); s.at(from).Kind == words.Word && known(s.at(from)) == 0 && next.Kind == words.Number && !s.time(from+1) {
		return from + 1 // a variety that nobody has to know: "zapallo cabutia 1/4"
	}
	for k := from; k < min(len(s.main), from+reachBehind); k++ {
		t := s.at(k)
		if t.Kind == words.Number {
			if m := s.measure(k); m.said && !s.time(k) && (m.unit != "" || s.at(k-1).Is(":")) {
				return k
			}
			break
		}
		if !describes(t) {
			break
		}
	}
	if last := len(s.main) - 1; last > from && s.at(last).Kind == words.Number && f.GramsPerPiece > 0 && known(s.at(last-1)) > 0 {
		return last // "onion, fried 1", of a table
	}
	return s.lastAmount(from)
}

// packBehind finds the size of a pack behind its food: "two cans of salmon, the 14.75-ounce ones", "dos latas
// de atún, de las de 170".
func (s *scan) packBehind(m *measured, from int) {
	for k := from; k < len(s.main); k++ {
		if s.main[k].Kind != words.Number {
			continue
		}
		v, unit := s.main[k].Value, k+1
		if s.at(unit).Is("-") {
			unit++
		}
		switch u := s.at(unit).Under("unit."); {
		case u.N > 0 && s.leadsToFood(unit+u.N, s.l):
			return // "1 can chickpeas, 50 g walnuts"
		case u.List == "unit.g" || u.List == "unit.oz":
			m.pack, m.net = v*massOf(u), u.List == "unit.oz"
		case v >= 50 && v <= 2000 && s.at(k-1).Of("word.of") && (k+1 == len(s.main) || s.at(k+1).Kind == words.Mark):
			m.pack = v
		default:
			continue
		}
		s.mark(k, unit+1)
		return
	}
}

// halves reads what a food is made of half and half: "mince (half beef, half pork)". It gives the foods;
// none where the line tells no two halves.
func (s *scan) halves() (out []*food.Food) {
	for n, tokens := range append(slices.Clone(s.brackets), s.main) {
		inner := &scan{r: s.r, text: s.text, l: s.l, main: tokens, used: map[int]bool{}, free: map[string]bool{}}
		out = nil
		for k := range tokens {
			if k == 0 && n == len(s.brackets) {
				continue // "half an onion and half a pepper" begins with its amount
			}
			if k+1 < len(tokens) && tokens[k+1].Of("article") {
				continue // "half a pepper"
			}
			if h := tokens[k].In("half of"); h.N > 0 && h.Value == 0.5 || tokens[k].In("number").Value == 0.5 {
				n := max(h.N, tokens[k].In("number").N)
				end := min(len(tokens), k+n+4)
				if next := slices.IndexFunc(tokens[k+n:end], func(t words.Token) bool { return t.Of("half of") || t.In("number").Value == 0.5 }); next > 0 {
					end = k + n + next
				}
				if f, a, _ := inner.longest(k+n, end); f != nil && len(inner.strangers(k+n, a)) == 0 {
					out = append(out, f)
				}
			}
		}
		if len(out) == 2 && out[0] != out[1] {
			return out
		}
	}
	return nil
}

// pair ends the words on a food where "and" brings another small one: "a clove of garlic
// and parsley".
func (s *scan) pair(i, end int) int {
	for k := i + 1; k < end; k++ {
		if !s.at(k).Of("word.and") {
			continue
		}
		first, _, _ := s.longest(i, k)
		second, a, _ := s.longest(k+1, end)
		if first != nil && second != nil && minor(first) && minor(second) && len(s.strangers(k+1, a)) == 0 {
			return k
		}
	}
	return end
}

// minor says that a food is a seasoning or an aromatic: two of them may share a line.
func minor(f *food.Food) bool { return f.Group == food.Flavour || aromatics[f.ID] }

// wholeName finds a food that is written just as the catalogue has it, commas and all.
func (s *scan) wholeName(i int) (f *food.Food, a, b int) {
	if i >= len(s.main) {
		return nil, 0, 0
	}
	from := s.main[i].At
	for k := len(s.main); k > i; k-- {
		if k < len(s.main) && !s.main[k].Is(",") {
			continue
		}
		text := s.text[from:s.main[k-1].End]
		if f := s.r.spelled[words.Plain(text)]; f != nil {
			return f, i, k
		}
	}
	return nil, 0, 0
}

// partOf turns a lemon into its juice or its zest.
func (s *scan) partOf(item *Ingredient, f *food.Food, fruit string) *food.Food {
	zested, juiced := fruit == "zest", false
	for t := range s.everywhere { // "lemon 1 (zest)"
		zested = zested || fruit == "" && t.Of("word.zest")
		juiced = juiced || t.Of("word.juice")
	}
	if f.ID == "lemon-juice" && fruit == "" && zested && juiced {
		s.bothParts = true
		return f
	}
	if f.ID == "lemon-juice" && zested {
		item.Food = "lemon-zest"
		return s.r.foods.Find("lemon-zest")
	}
	if fruit != "" && f.ID != "lemon-juice" && f.ID != "lemon-zest" {
		item.FoodSure = min(item.FoodSure, 0.5)
	}
	return f
}

// separate makes two lines of eggs that are separated.
func (s *scan) separate(f *food.Food) {
	if f.ID != "egg" || !s.line.Divided {
		return
	}
	last := &s.line.Items[len(s.line.Items)-1]
	white := *last
	count := last.Grams / f.GramsPerPiece
	last.Food, last.Grams = "egg-yolk", count*s.r.foods.Find("egg-yolk").GramsPerPiece
	white.Food, white.Grams = "egg-white", count*s.r.foods.Find("egg-white").GramsPerPiece
	s.line.Items = append(s.line.Items, white)
}

// sizeOf notes how large the pieces are, and their name behind the food: "3 garlic
// cloves".
func (s *scan) sizeOf(m *measured, f *food.Food, from, to int) {
	for k := max(0, from-2); k < to; k++ {
		if size := s.at(k).In("size"); size.N > 0 && m.size == 0 && !s.cutSo(k) && (m.unit == "" || m.unit == "piece" || m.unit == f.PieceName) {
			m.size = size.Value
			k += size.N - 1
		}
		if u := s.at(k).Under("unit."); u.N > 0 && m.unit == "" && m.said && k >= from {
			name := strings.TrimPrefix(u.List, "unit.")
			if s.r.sizes[f.ID+" "+name] > 0 || f.PieceName == name {
				m.unit, m.per = name, u.Value
			}
		}
	}
	if f.ID == "salt" {
		for t := range s.everywhere {
			if t.Of("word.flaky") {
				m.size = flaky
			}
		}
	}
}

// cutSo says that a size is of what a food is cut into: "chopped very small".
func (s *scan) cutSo(k int) bool {
	for b := max(0, k-2); b < k; b++ {
		if t := s.at(b); t.Of("do.grate") || t.Plain == "cut" || t.Plain == "chopped" {
			return true
		}
	}
	return false
}

// alternatives are foods that "or" brings.
func (s *scan) alternatives(item *Ingredient, from, to int) {
	for k := from; k < to; k++ {
		n := s.at(k).In("alternative").N
		if n == 0 {
			continue
		}
		if other, a, b := s.find(k+n, to); other != nil {
			s.mark(a, b)
			if other.ID != item.Food {
				item.Others = append(item.Others, other.ID)
			}
		}
	}
}

// nextAmount is where another food with its own amount is joined to the one from i on.
func (s *scan) nextAmount(i int) int {
	for k := i + 1; k < len(s.main); k++ {
		if n := s.joint(k); n > 0 {
			m := s.measure(k + n)
			if m.n > 0 && m.unit != "" || s.another(k+n) {
				return k
			}
			if m.said && m.unit == "" && s.at(k+n+m.n).Of("word.of") && (s.at(k+n).Kind == words.Number || s.at(k+n).Of("number")) {
				return k // "1 cda. de lino con 3 de agua"
			}
			if f, _ := s.r.FoodAt(s.main, min(k+n+m.n, len(s.main)-1), s.l); f != nil && f.GramsPerPiece > 0 && m.said && s.at(k+n).Kind == words.Number && k+n+m.n < len(s.main) {
				return k // "1 onion and 1 red pepper"
			}
		} else if s.sameAgain(k) || s.runsOn(i, k) {
			return k
		}
	}
	return len(s.main)
}

// another says that words at a place tell the same amount once more: "y otra de salsa de soja".
func (s *scan) another(k int) bool {
	n := s.at(k).In("another").N
	return n > 0 && (s.at(k+n).Of("word.of") || s.at(k+n).Of("word.the"))
}

// asStated gives the food from i on in the state that the line has it in: canned, or
// raw and grated.
func (s *scan) asStated(f *food.Food, i int) *food.Food {
	if s.state.canned && f.Group == food.Legume && !strings.Contains(f.ID, "canned") {
		head, _, _ := strings.Cut(f.Name, ",")
		for i := range s.r.foods.Foods() {
			other := s.r.foods.Foods()[i]
			if own, _, _ := strings.Cut(other.Name, ","); own == head && strings.HasSuffix(other.ID, "canned") {
				return other
			}
		}
	}
	for _, swap := range []struct {
		is   bool
		what string
	}{{s.state.canned, "canned"}, {s.lean(), "lean"}, {s.state.tea && !s.state.leafy, "teaspoon"}} {
		if other := s.r.foods.Find(s.r.Swap(f.ID, swap.what)); swap.is && other != nil && !(other.Group == food.Wet && s.tells("word.drained")) {
			return other
		}
	}
	if grated := s.r.foods.Find(s.r.Swap(f.ID, "grated")); grated != nil && !s.state.cooked {
		own := append([][]words.Token{s.main[i:s.nextAmount(i)]}, s.brackets...)
		for _, tokens := range own {
			if slices.ContainsFunc(tokens, func(t words.Token) bool { return t.Of("word.grated") }) {
				return grated
			}
		}
	}
	return f
}

// asBracketed is the flour or the starch that brackets call it where they say nothing else: "corn flour (cornstarch)",
// "harina de maíz de la fina (maizena)".
func (s *scan) asBracketed(f *food.Food) *food.Food {
	binds := func(f *food.Food) bool {
		return f.Group == food.Starch || strings.HasSuffix(string(f.Group), "-binder")
	}
	if !binds(f) {
		return f
	}
	for _, b := range s.brackets {
		if other, n := s.r.FoodAt(b, 0, s.l); other != nil && n == len(b) && binds(other) && other.Chunk == 0 {
			return other
		}
	}
	return f
}

// lean says that meat has little fat: "lean", "93% lean", "10% fat", but not "85% lean".
func (s *scan) lean() bool {
	is := false
	var figures []float64
	for t := range s.everywhere {
		if t.Kind == words.Number {
			figures = append(figures, t.Value)
		}
		switch {
		case t.Of("word.lean"):
			is = !slices.ContainsFunc(figures, func(v float64) bool { return v >= 70 && v < 90 })
		case t.Of("word.fat") && len(figures) > 0:
			if v := figures[len(figures)-1]; v <= 10 {
				is = true
			}
		}
	}
	return is
}

// tells says that the line has a word of a list.
func (s *scan) tells(list string) bool {
	for t := range s.everywhere {
		if t.Of(list) {
			return true
		}
	}
	return false
}

// freed gives a food that is free of all that the line says it is, in place of one
// that is not; false where there is none.
func (s *scan) freed(f *food.Food) (*food.Food, bool) {
	for of := range s.free {
		if !has(f, of) {
			continue
		}
		if other := s.r.foods.Find(s.r.swaps[[2]string{f.ID, of}]); other != nil && !has(other, of) {
			f = other
			continue
		}
		return nil, false
	}
	return f, true
}

// has says whether the food holds what a line may say it is free of. "Vegan" of one
// thing says it of all, so oil or salt has none of it.
func has(f *food.Food, of string) bool {
	switch of {
	case "gluten":
		return f.Gluten == "contains"
	case "egg":
		return slices.Contains(f.Allergens, "egg") || f.Group == food.Egg
	case "milk":
		return slices.Contains(f.Allergens, "milk")
	case "meat":
		return f.Group == food.Meat || f.Group == food.Fish
	case "soy":
		return slices.Contains(f.Allergens, "soy")
	case "nut":
		return slices.Contains(f.Allergens, "tree-nut") || slices.Contains(f.Allergens, "peanut")
	}
	return false
}

// halfPrepared divides the food of a line of which a share only is prepared: "1 cup oats, half of them ground".
func (s *scan) halfPrepared() {
	if len(s.line.Items) != 1 || len(s.line.Items[0].Prep) != 1 {
		return
	}
	for _, tokens := range append(slices.Clone(s.brackets), s.main) {
		for k := range tokens {
			h := tokens[k].In("half of")
			if v, n := Number(tokens, k); n > 0 && v > 0 && v < 1 && k > 0 && tokens[k-1].Under("do.").N > 0 && k+n == len(tokens) {
				s.share(v) // "(mash 1/2)"
				return
			}
			if h.N == 0 || h.Value <= 0 || h.Value >= 1 || tokens[k].Of("level") { // "half mashed" is roughly
				continue
			}
			next := k + h.N
			for next < len(tokens) && (tokens[next].Of("word.of") || tokens[next].Of("word.it") || tokens[next].Of("it")) {
				next++
			}
			if next == len(tokens) || tokens[next].Under("do.").N == 0 {
				continue
			}
			s.share(h.Value)
			return
		}
	}
}

// share parts the food of a line into that which is prepared, a share of it, and the rest.
func (s *scan) share(of float64) {
	done, left := s.line.Items[0], s.line.Items[0]
	done.Grams, left.Grams, left.Prep = done.Grams*of, left.Grams*(1-of), nil
	s.line.Items = []Ingredient{done, left}
}

// divide makes the food of a line two halves.
func (s *scan) divide(parts []*food.Food) {
	whole := s.line.Items[0]
	s.line.Items = nil
	for _, f := range parts {
		half := whole
		half.Food, half.Grams, half.FoodSure = f.ID, whole.Grams/2, 1
		half.Words = append(slices.Clone(whole.Words), s.r.Aliases(f.ID, s.l)...)
		s.line.Items = append(s.line.Items, half)
	}
}
