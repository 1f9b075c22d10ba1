package ingredient

import (
	"math"
	"slices"
	"strings"

	"github.com/agnivade/levenshtein"

	"cuerda/core/food"
)

// entry is a food under one of its names; less rank is nearer.
type entry struct {
	food *food.Food
	rank int
}

// NewReader indexes the names and other words of a catalogue.
func NewReader(foods *food.Catalogue) *Reader {
	r := &Reader{foods: foods, index: map[string][]entry{}, spelled: map[string]*food.Food{}}
	for i := range foods.Foods() {
		f := &foods.Foods()[i]
		for _, list := range f.Words {
			for j, w := range list {
				r.add(w, f, min(j, 3))
			}
		}
		for _, name := range []string{f.Name, f.NameES, strings.ReplaceAll(f.ID, "-", " ")} {
			if _, there := r.spelled[plain(name)]; !there {
				r.spelled[plain(name)] = f
			}
			r.add(name, f, 2)
			if head, _, ok := strings.Cut(name, ","); ok {
				r.add(head, f, 6)
			}
		}
	}
	return r
}

func (r *Reader) add(name string, f *food.Food, rank int) {
	k := key(words.FindAllString(plain(name), -1))
	if k == "" || slices.ContainsFunc(r.index[k], func(e entry) bool { return e.food == f && e.rank <= rank }) {
		return
	}
	r.index[k] = append(r.index[k], entry{f, rank})
}

// key joins stems; small words and punctuation do not count.
func key(tokens []string) string {
	var b strings.Builder
	for _, t := range tokens {
		if small[t] || strings.ContainsAny(t, ",;:.&+") {
			continue
		}
		if b.Len() > 0 {
			b.WriteByte(' ')
		}
		b.WriteString(stem(t))
	}
	return b.String()
}

var small = set("of the de del la el los las en al a an un una with con and y")

var alternatives = set("or o u")

// longest is the most words that a name has.
const longest = 6

// food finds the food: the longest run of words that is a name, the first of
// equals, and after it the alternatives that "or" brings.
func (r *Reader) food(s *scanner, out *Reading) {
	s.state()
	if r.wholeName(s, out) {
		return
	}
	first := slices.IndexFunc(s.tokens, func(t string) bool { return alternatives[t] })
	at, n, found := 0, 0, (*food.Food)(nil)
	if first > 0 {
		at, n, found = r.run(s, s.tokens[:first])
	}
	if found == nil {
		at, n, found = r.run(s, s.tokens)
	}
	strange := s.strange(at, n)
	if found == nil || strange > 0 {
		if near := r.misspelled(s); near != nil {
			out.Food, out.FoodSure = near.ID, 0.6
			for i, t := range s.tokens {
				if !modifiers[t] && preps[t].Do == "" {
					s.tokens[i] = ""
				}
			}
			return
		}
	}
	if found == nil {
		r.guess(s, out)
		return
	}
	out.Food, out.FoodSure = found.ID, float64(n)/float64(n+strange)
	if found.ManyAlike {
		out.Name = strings.Join(s.tokens[at:at+n], " ")
	}
	for i := at; i < at+n; i++ {
		s.tokens[i] = ""
	}
	// What else the same words could be.
	for i, t := range s.tokens {
		if !alternatives[t] {
			continue
		}
		s.tokens[i] = ""
		after := s.tokens[i+1:]
		if at, n, other := r.run(s, after); other != nil {
			if other.ID != out.Food {
				out.Others = append(out.Others, other.ID)
			}
			for j := at; j < at+n; j++ {
				after[j] = ""
			}
		}
	}
}

// wholeName takes a food that is written just as the catalogue has it, commas and
// all, with nothing behind it or a comma.
func (r *Reader) wholeName(s *scanner, out *Reading) bool {
	for name := strings.TrimSpace(s.text); name != ""; {
		if f := r.spelled[name]; f != nil && (strings.ContainsAny(name, ",%") || strings.Count(name, " ") >= 2) {
			out.Food, out.FoodSure = f.ID, 1
			s.tokens = words.FindAllString(strings.TrimPrefix(strings.TrimSpace(s.text), name), -1)
			return true
		}
		at := strings.LastIndex(name, ",")
		if at < 0 {
			return false
		}
		name = strings.TrimSpace(name[:at])
	}
	return false
}

// state notes what the line says of the food's state.
func (s *scanner) state() {
	for _, t := range s.tokens {
		switch t {
		case "cooked", "cocida", "cocido", "cocidas", "cocidos", "boiled", "hervida", "hervido", "leftover":
			s.cooked = true
		case "dry", "dried", "seca", "seco", "secas", "secos", "uncooked":
			s.dry = true
		case "canned", "tinned", "lata", "bote":
			s.canned = true
		case "raw", "cruda", "crudo", "crudas", "crudos":
			s.fresh = true
		}
	}
}

func (r *Reader) run(s *scanner, tokens []string) (at, n int, found *food.Food) {
	for n := min(longest, len(tokens)); n >= 1; n-- {
		for at := 0; at+n <= len(tokens); at++ {
			run := tokens[at : at+n]
			if run[0] == "" || small[run[0]] || small[run[n-1]] || slices.ContainsFunc(run, func(t string) bool { return alternatives[t] }) {
				continue
			}
			if f := r.best(s, r.index[key(run)]); f != nil {
				return at, n, f
			}
		}
	}
	return 0, 0, nil
}

// best chooses between foods of one name by the state the line speaks of.
func (r *Reader) best(s *scanner, list []entry) *food.Food {
	var best *food.Food
	least := math.Inf(1)
	for _, e := range list {
		rank := float64(e.rank)
		dry := e.food.Has("cook-first")
		canned := strings.Contains(e.food.ID, "canned")
		switch {
		case s.dry && dry, s.canned && canned, s.cooked && e.food.State == food.Cooked && !canned, s.fresh && e.food.State == food.Raw:
			rank -= 10
		case dry, s.fresh && e.food.State == food.Cooked:
			rank += 10
		}
		if s.spooned && e.food.Group == food.Flavour {
			rank -= 10 // a teaspoon of pepper is no vegetable
		}
		if rank < least {
			best, least = e.food, rank
		}
	}
	return best
}

// strange counts the words beside the run that mean nothing to the reader.
func (s *scanner) strange(at, n int) (count int) {
	for i, t := range s.tokens {
		inside := i >= at && i < at+n
		if alternatives[t] {
			break
		}
		if !inside && !modifiers[t] && preps[t].Do == "" && !small[t] && !strings.ContainsAny(t, ",;:.&+") {
			count++
		}
	}
	return count
}

// misspelled looks for a name within two letters of all the words that count.
func (r *Reader) misspelled(s *scanner) *food.Food {
	var content []string
	for _, t := range s.tokens {
		if !modifiers[t] && preps[t].Do == "" {
			content = append(content, t)
		}
	}
	k := key(content)
	if len(k) < 6 {
		return nil
	}
	least, name := 3, ""
	for other := range r.index {
		if max(len(k)-len(other), len(other)-len(k)) >= least || other[0] != k[0] {
			continue
		}
		if d := levenshtein.ComputeDistance(k, other); d < least || d == least && other < name {
			least, name = d, other
		}
	}
	if name == "" {
		return nil
	}
	return r.best(s, r.index[name])
}

// guess looks for a misspelled name of one word.
func (r *Reader) guess(s *scanner, out *Reading) {
	least, at := 3, -1
	var best *food.Food
	for i, t := range s.tokens {
		w := stem(t)
		if len(w) < 5 || modifiers[t] || preps[t].Do != "" {
			continue
		}
		for k, list := range r.index {
			if k[0] != w[0] || strings.Contains(k, " ") || max(len(k)-len(w), len(w)-len(k)) > 2 {
				continue
			}
			d := levenshtein.ComputeDistance(w, k)
			f := r.best(s, list)
			if d < least || d == least && best != nil && f.ID < best.ID {
				least, at, best = d, i, f
			}
		}
	}
	if best == nil {
		out.Faults = append(out.Faults, "no-food")
		return
	}
	out.Food, out.FoodSure = best.ID, 0.5
	s.tokens[at] = ""
}

const (
	pinchG  = 0.4  // a sixteenth of a teaspoon of salt
	splashG = 8.   // half a tablespoon
	stickG  = 113. // of butter in a US pack; of celery it is a piece
	// drainedShare is what is left of a can of beans of unknown make.
	drainedShare = 0.6
)

// weigh turns the amount into grams.
func (r *Reader) weigh(s *scanner, out *Reading) {
	f := r.foods.Find(out.Food)
	if f == nil {
		return
	}
	sure := 1.
	switch {
	case out.Amount == 0 && slices.Contains(out.Faults, "bad-amount"):
		return
	case out.Amount == 0 && s.pack > 0: // "oats (50 g)"
		out.Amount, out.Unit, out.Grams = s.pack, "g", s.pack
	case out.Amount == 0:
		out.Grams, sure = f.UsualGrams(), 0.3
		if out.GramsSure == 0 {
			out.Faults = append(out.Faults, "no-amount")
		}
	case out.Unit == "pack":
		out.Grams = out.Amount * packGrams(f, s.pack)
		sure = 0.9
	case s.pack > 0:
		// "2 carrots (200 g)": the weight is said.
		out.Grams = s.pack
		if out.Unit == "g" || out.Unit == "oz" {
			g, _ := f.GramsPer(food.Unit(out.Unit))
			out.Grams = out.Amount * g
		}
	case out.Unit == "pinch":
		out.Grams, sure = out.Amount*pinchG, 0.6
	case out.Unit == "splash":
		out.Grams, sure = out.Amount*splashG, 0.5
	case out.Unit == "handful":
		out.Grams, sure = out.Amount*f.GramsPerCup/2, 0.5
	case out.Unit == "stick" && f.Group == food.Fat:
		out.Amount, out.Unit, out.Grams = out.Amount*stickG, "g", out.Amount*stickG
	case out.Unit == "" || out.Unit == "piece" || out.Unit == "stick":
		out.Unit = "piece"
		out.Grams, sure = out.Amount*f.GramsPerPiece, 0.7
	default:
		g, _ := f.GramsPer(food.Unit(out.Unit))
		out.Grams = out.Amount * g
		if out.Unit != "g" && out.Unit != "oz" {
			sure = 0.85
		}
	}
	out.Grams = math.Round(out.Grams*10) / 10
	if out.Grams <= 0 || out.Grams > 100_000 {
		out.Grams = 0
		out.Faults = append(out.Faults, "no-weight")
		return
	}
	out.GramsSure = sure
	r.keepSuitable(f, out)
}

// keepSuitable drops preparations that the food already has by name: mashed
// potato is mashed.
func (r *Reader) keepSuitable(f *food.Food, out *Reading) {
	out.Prep = slices.DeleteFunc(out.Prep, func(p food.Preparation) bool { return !p.Do.Suits(f) })
	if len(out.Prep) == 0 {
		out.Prep = nil
	}
}

// packGrams is what one pack gives without its liquid, g.
func packGrams(f *food.Food, size float64) float64 {
	if len(f.Packs) == 0 {
		if size > 0 && strings.Contains(f.ID, "canned") {
			return size * drainedShare
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
	return size * near.Drained / near.Total
}
