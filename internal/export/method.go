package export

import (
	"math"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/bake"
)

// pieces are how many of what size, by a text of the catalogue.
func (w *writer) pieces(key string) string {
	y, p := w.baked.Yield, w.d.PieceOrDefault()
	kind := "kind."
	if y.Pieces == 1 {
		kind = "kind1."
	}
	cm := func(mm float64) string { return w.decimal(mm / 10) }
	size := w.say("size.none")
	switch {
	case p.Kind.IsFlat() || p.Kind == piece.Shell && p.ThicknessMM > 0:
		size = w.say("size.flat", "d", cm(p.DiameterMM), "t", cm(p.ThicknessMM))
	case p.Kind == piece.Ball || p.Kind == piece.Shell:
		size = w.say("size.ball", "d", cm(p.DiameterMM))
	case p.Kind == piece.Cylinder:
		size = w.say("size.roll", "d", cm(p.DiameterMM), "l", cm(p.LengthMM))
	case p.Kind.IsLoaf():
		size = w.say("size.loaf", "l", cm(p.LengthMM), "w", cm(p.WidthMM), "h", cm(p.HeightMM))
	}
	each := y.PieceG
	if y.ShareG > 0 {
		each = y.ShareG
	}
	return w.say(key, "n", strconv.Itoa(y.Pieces), "g", w.decimal(math.Round(each)), "kind", w.say(kind+string(p.Kind)), "size", size)
}

// list is words with commas and an "and".
func (w *writer) list(words []string) string {
	if n := len(words); n > 1 {
		return strings.Join(words[:n-1], ", ") + " " + w.say("and") + " " + words[n-1]
	}
	return strings.Join(words, "")
}

// steps are the knots of the cord in words: enough to cook from them alone.
func (w *writer) steps() []string {
	out := []string{}
	for i := range w.baked.Steps {
		s := &w.baked.Steps[i]
		if s.Code == "table" || s.Minutes == 0 {
			continue
		}
		if text := w.step(s); text != "" {
			out = append(out, text)
		}
	}
	return out
}

func (w *writer) step(s *bake.Step) string {
	foods, asIs := w.foodsAt(s)
	made := w.say("filled")
	if w.baked.Yield.Pieces > 0 {
		made = w.pieces("piecesOf")
	}
	cooked, _ := w.d.MethodAndTurn()
	values := []string{
		"foods", w.list(foods), "m", w.minutes(s.Minutes), "pieces", made, "c", w.decimal(math.Round(w.baked.AroundCelsius)),
		"method", cooked.Row().Names[w.language], "part", "", "how", "", "bowls", "", "turns", "", "batches", "", "each", w.minutes(s.Minutes),
	}
	set := func(name, value string) { values[2*slices.Index(every(values), name)+1] = value }
	key := "step." + s.Code
	if s.Part > 0 {
		set("part", w.partName(&w.d.Parts[s.Part-1]))
	}
	switch s.Code {
	case "blitz", "mash":
		set("how", w.howFar(s))
		if s.Times > 1 {
			set("bowls", w.say("bowls", "n", strconv.Itoa(s.Times)))
		}
	case "gel":
		if liquids := w.gelledIn(s); len(liquids) > 0 {
			key = "step.gelIn"
			values = append(values, "liquids", w.list(liquids))
		}
	case "rest":
		if d := w.d.Rest; d != nil && d.Celsius != nil {
			key = "step.restCold"
			set("c", w.decimal(*d.Celsius))
		}
	case "chill":
		if d := w.d.Chill; d != nil && d.Celsius != nil {
			key = "step.chillAt"
			set("c", w.decimal(*d.Celsius))
		}
	case "cook":
		return w.cook(s, key, values, set)
	case "sear", "grill":
		w.eachBatch(s, set)
		if s.Code == "sear" {
			set("each", w.minutes(*w.baked.SearEnds))
		} else {
			set("each", w.minutes(*w.baked.PullAt-*w.baked.GrillFrom))
		}
	}
	text := w.say(key, values...)
	if len(asIs) > 0 {
		text += " " + w.say("step.asIs", "foods", w.list(asIs))
	}
	return text
}

// foodsAt names what a step is done to. Of a food that stands in the mix more than once it tells the
// grams, and which of them this step leaves as they are.
func (w *writer) foodsAt(s *bake.Step) (foods, asIs []string) {
	for _, i := range s.Lines {
		l, apart := &w.d.Lines[i], false
		for other := range w.d.Lines {
			o := &w.d.Lines[other]
			if other == i || o.Food != l.Food || o.Name != l.Name || slices.Contains(s.Lines, other) {
				continue
			}
			apart = true
			if left := w.amount(o.Grams, o); len(o.Prep) == 0 && !slices.Contains(asIs, left) {
				asIs = append(asIs, left)
			}
		}
		n := within(w.lineName(l))
		if apart || s.Code == "gel" {
			n = w.amount(l.Grams, l)
		}
		if !slices.Contains(foods, n) {
			foods = append(foods, n)
		}
	}
	return foods, asIs
}

// gelledIn is what the seeds of a step are stirred into, with its grams.
func (w *writer) gelledIn(s *bake.Step) (out []string) {
	liquid := document.GelLiquid(w.d, s.Lines, w.k)
	for i := range w.d.Lines {
		if liquid[i] > 0 {
			out = append(out, w.amount(liquid[i], &w.d.Lines[i]))
		}
	}
	return out
}

// amount is so many grams of what a line is.
func (w *writer) amount(grams float64, l *document.Line) string {
	if grams >= 10 {
		grams = math.Round(grams)
	}
	return w.say("amount", "g", w.decimal(math.Round(10*grams)/10), "food", within(w.lineName(l)))
}

// every gives the names of values.
func every(values []string) (out []string) {
	for i := 0; i < len(values); i += 2 {
		out = append(out, values[i])
	}
	return out
}

func (w *writer) eachBatch(s *bake.Step, set func(name, value string)) {
	if s.Times > 1 {
		set("batches", w.say("batches", "n", strconv.Itoa(s.Times)))
	}
}

// cook tells the minutes of one batch from when it meets the heat, its turns, and how
// many batches there are.
func (w *writer) cook(s *bake.Step, key string, values []string, set func(name, value string)) string {
	set("each", w.minutes(*w.baked.PullAt))
	var at []string
	for _, t := range w.baked.Turns {
		if w.baked.SearEnds == nil || t > *w.baked.SearEnds {
			at = append(at, w.minutes(t))
		}
	}
	if len(at) == 1 {
		set("turns", w.say("turn1", "at", at[0]))
	} else if len(at) > 1 {
		set("turns", w.say("turns", "at", w.list(at)))
	}
	if s.Times > 1 {
		set("batches", w.say("batches", "n", strconv.Itoa(s.Times))+w.say("inAll", "m", w.minutes(s.Minutes)))
	}
	text := w.say(key, values...)
	if c := w.d.Cook; c != nil && c.From != document.FromChill {
		text += " " + w.say("from."+c.From)
	}
	return text
}

// howFar says how far a blitz or a mash goes: the furthest of its lines.
func (w *writer) howFar(s *bake.Step) string {
	level := 0.
	for _, i := range s.Lines {
		for _, p := range w.d.Lines[i].Prep {
			if string(p.Do) == s.Code {
				level = max(level, p.Level)
			}
		}
	}
	switch {
	case level < 0.45:
		return w.say("level.0")
	case level < 0.75:
		return w.say("level.1")
	}
	return w.say("level.2")
}

// within is a food's name within a sentence: what stands before its first comma.
func within(name string) string {
	head, _, _ := strings.Cut(name, ",")
	r, size := utf8.DecodeRuneInString(head)
	return string(unicode.ToLower(r)) + head[size:]
}

// lineName is what the cook calls a line.
func (w *writer) lineName(l *document.Line) string {
	if l.Name != "" {
		return l.Name
	}
	return w.name(l.Food)
}

// forWhom says who may not eat it and which labels to read; where the guests do not go
// with the file, which allergens are in it.
func (w *writer) forWhom() (out []string) {
	lines := append([]document.Line(nil), w.d.Lines...)
	for i := range w.d.Parts {
		lines = append(lines, w.d.Parts[i].Lines...)
	}
	var foods []*food.Food
	var contains, labels []string
	for _, l := range lines {
		f := w.k.Foods.Find(l.Food)
		if f == nil {
			continue
		}
		foods = append(foods, f)
		for _, a := range f.Allergens {
			contains = appendNew(contains, w.say("what."+a))
		}
		if f.Gluten == "contains" {
			contains = appendNew(contains, w.say("what.gluten"))
		}
		if f.Has("check-label") || f.Has("certified-gf-oats") || f.Gluten == "risk" {
			labels = appendNew(labels, w.lineName(&l))
		}
	}
	if !w.guests || w.d.Eaters == nil {
		if len(contains) > 0 {
			out = append(out, w.say("contains", "what", w.list(contains)))
		}
		if len(labels) > 0 {
			out = append(out, w.say("readLabel", "foods", w.list(labels), "what", w.say("what.gluten")))
		}
		return out
	}
	for _, r := range w.d.Eaters.Refusals(foods, w.k.Foods, w.k.LabelRead) {
		out = append(out, w.refusal(r))
	}
	if len(out) == 0 {
		out = append(out, w.say("allMay"))
	}
	return append(out, w.labelsFor(foods)...)
}

func (w *writer) refusal(r eaters.Refusal) string {
	var why, names []string
	for _, what := range r.Why {
		why = append(why, w.say("what."+what))
	}
	for _, f := range r.Foods {
		names = append(names, w.name(f.Food))
	}
	who := r.Name
	if who == "" {
		who = w.say("leavesOut", "what", w.list(why))
	}
	return w.say("notFor", "who", who, "foods", w.list(names))
}

// labelsFor names the foods whose label is to be read for this table.
func (w *writer) labelsFor(foods []*food.Food) (out []string) {
	table := w.d.Eaters.Table()
	var names, whats []string
	for _, f := range foods {
		if c := table.Check(f, w.k.LabelRead(f.ID)); c.Status == eaters.Label {
			names = appendNew(names, w.name(f.ID))
			for _, r := range c.Reasons {
				whats = appendNew(whats, w.say("what."+r.What))
			}
		}
	}
	if len(names) > 0 {
		out = append(out, w.say("readLabel", "foods", w.list(names), "what", w.list(whats)))
	}
	return out
}

func appendNew(list []string, s string) []string {
	if slices.Contains(list, s) {
		return list
	}
	return append(list, s)
}
