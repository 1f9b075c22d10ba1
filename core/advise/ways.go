package advise

import (
	"cmp"
	"slices"

	"cuerda/core/advise/binder"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/parameter"
	"cuerda/core/predict"
)

// Kind is what a way works by.
type Kind string

// The kinds of way.
const (
	Gel      Kind = "gel"
	Flour    Kind = "flour" // flours and flakes of grain and legumes
	Starch   Kind = "starch"
	Root     Kind = "root" // mashed, cooked roots and tubers
	NutMeal  Kind = "nut-meal"
	Several  Kind = "several" // binders of more than one kind
	Work     Kind = "work"    // a preparation, a wait, the cold: no binder
	NoChange Kind = "none"
)

// Kinds lists every kind.
var Kinds = []Kind{Gel, Flour, Starch, Root, NutMeal, Several, Work, NoChange}

// kindOf is the kind of a food as a binder; "" for others.
func kindOf(f *food.Food) Kind {
	switch {
	case f.Group == food.Gel:
		return Gel
	case f.Group == food.GrainBinder || f.Group == food.LegumeBinder:
		return Flour
	case f.Group == food.Starch:
		return Starch
	case f.Group == food.NutBinder:
		return NutMeal
	case isRoot(f):
		return Root
	}
	return ""
}

// isRoot says whether a food is a cooked vegetable that is a paste and sticks.
func isRoot(f *food.Food) bool {
	return f.Group == food.Vegetable && f.State == food.Cooked && f.Chunk < 0.2 && f.GlueCold >= 0.02
}

// settle works out what a way changes of the document it is for, what it works by and
// how much trouble it is.
func (w *Way) settle(k *kitchen.Kitchen, d *document.Document) {
	w.Changes, w.Settings = document.Changes(d, &w.Document)
	w.Out = outOf(k, &w.Document)
	w.promise(k)
	w.Kind = ""
	for _, a := range w.Add {
		kind := kindOf(k.Foods.Find(a.Food))
		switch {
		case kind == "" || kind == w.Kind:
		case w.Kind == "":
			w.Kind = kind
		default:
			w.Kind = Several
		}
	}
	if w.Kind == "" {
		w.Kind = Work
		if len(w.Changes)+len(w.Settings) == 0 {
			w.Kind = NoChange
		}
	}
	w.effort = w.trouble(k)
}

// outOf are the foods of a document, its parts too, that its table leaves out, each once.
func outOf(k *kitchen.Kitchen, d *document.Document) []string {
	out := []string{}
	t := table(d)
	look := func(lines []document.Line) {
		for i := range lines {
			f := k.Foods.Find(lines[i].Food)
			if t.Check(f, k.LabelRead(f.ID)).Status == eaters.Out && !slices.Contains(out, f.ID) {
				out = append(out, f.ID)
			}
		}
	}
	look(d.Lines)
	for i := range d.Parts {
		look(d.Parts[i].Lines)
	}
	return out
}

// promise says what the document of the way will do: no other figures than those it has
// once it is taken.
func (w *Way) promise(k *kitchen.Kitchen) {
	p := predict.Predict(&w.Document, k)
	if p.Q != nil {
		w.Q = *p.Q
	}
	w.Word, w.Chance, w.ChanceRaw, w.ChanceCooked = p.Word, p.Chance, p.ChanceRaw, p.ChanceCooked
	w.RawRatio, w.CookedRatio = p.RawRatio, p.CookedRatio
}

// trouble is how much a way asks of this kitchen: what must be fetched, measured,
// worked and waited for, how far it will be tasted and how unsure it is.
func (w *Way) trouble(k *kitchen.Kitchen) float64 {
	t := &k.Parameters.Trouble
	out := t.Doubted*(1-w.Chance) + t.Tasted*w.LimitPct/100
	for _, a := range w.Add {
		f := k.Foods.Find(a.Food)
		if a.Food == "water" {
			continue
		}
		out += t.Measure
		if !k.Have(a.Food) {
			out += t.Fetch * (1 - f.Staple)
		}
		if k.Used != nil && k.Used[a.Food] == 0 {
			out += t.Strange
		}
	}
	for _, c := range w.Changes {
		if c.Kind != "prep" {
			continue
		}
		for _, p := range c.NowPrep {
			if !slices.Contains(c.WasPrep, p) {
				out += workMinutes(p, t)
			}
		}
	}
	return out + t.Waiting*max(0, -w.SavesMinutes)
}

// workMinutes are those of a cook's own that a preparation takes.
func workMinutes(p food.Preparation, t *parameter.Trouble) float64 {
	switch p.Do {
	case food.Mash, food.Blitz, food.Press:
		return 3
	case food.Saute:
		return p.Minutes
	case food.Soak:
		return 2
	}
	return 2 + t.Waiting*p.Minutes
}

// surerBy is how much surer a binder more must make a mix that holds already.
const surerBy = 0.03

// search gathers ways for one document.
type search struct {
	k      *kitchen.Kitchen
	d      *document.Document
	base   *document.Document // without what gives way
	gone   []document.Line
	target float64
	all    []Way
	done   <-chan struct{}
}

// suggestion adds what the search of binders found.
func (s *search) suggestion(found *binder.Suggestion) {
	s.all = append(s.all, way(s.k, s.d, s.base, s.gone, found))
}

// byKind searches each kind of binder by itself, the mashed roots among them, and
// more of what is in the bowl already.
func (s *search) byKind(candidates []binder.Candidate, named bool) {
	sets := map[Kind][]binder.Candidate{}
	var bowl []binder.Candidate
	for _, c := range candidates {
		kind := kindOf(c.Food)
		sets[kind] = append(sets[kind], c)
		if slices.ContainsFunc(s.base.Lines, func(l document.Line) bool { return l.Food == c.Food.ID }) {
			bowl = append(bowl, c)
		}
	}
	if !named {
		t := table(s.d)
		all := s.k.Foods.Foods()
		for i := range all {
			if f := &all[i]; isRoot(f) && t.Check(f, s.k.LabelRead(f.ID)).Status == eaters.Clear {
				sets[Root] = append(sets[Root], candidate(s.k, f))
			}
		}
	}
	for _, kind := range []Kind{Gel, Flour, Starch, Root, NutMeal} {
		set := sets[kind]
		s.least(s.base, set)
		// What is at hand, or else what many have, may be more than the least.
		if few := s.common(set); len(few) < len(set) {
			s.least(s.base, few)
		}
	}
	s.least(s.base, bowl)
}

// common are the candidates that are at hand, and where none is those that many have.
func (s *search) common(set []binder.Candidate) (out []binder.Candidate) {
	const many = 0.25
	for _, c := range set {
		if c.Have {
			out = append(out, c)
		}
	}
	if len(out) > 0 {
		return out
	}
	for _, c := range set {
		if c.Food.Staple >= many {
			out = append(out, c)
		}
	}
	return out
}

// least adds the way with the least binder of those, if there is one.
func (s *search) least(base *document.Document, set []binder.Candidate) {
	if len(set) == 0 || s.ended() {
		return
	}
	for _, found := range binder.Search(request(s.k, base, set, s.target, s.done)).Suggestions {
		if found.Aim == binder.LeastBinder && worthAdding(&found, base) {
			w := way(s.k, s.d, base, s.gone, &found)
			w.Aim = ""
			s.all = append(s.all, w)
		}
	}
}

// mostWorth is how much a binder may be of what it binds, g per g.
const mostWorth = 0.25

// worthAdding says whether the amounts are no more than a cook would add to a document.
func worthAdding(found *binder.Suggestion, d *document.Document) bool {
	base, added := 0., 0.
	for _, l := range d.Lines {
		base += l.Grams
	}
	for _, a := range found.Add {
		if a.Food.ID != "water" {
			added += a.Grams
		}
	}
	return added <= mostWorth*base
}

// ended says whether nobody waits for it any longer.
func (s *search) ended() bool {
	select {
	case <-s.done:
		return true
	default:
		return false
	}
}

// byWork tries what hands, time and cold do: each by itself, the best two together,
// and the best with a binder behind it.
func (s *search) byWork(candidates []binder.Candidate) {
	now := predict.Predict(s.base, s.k)
	type tried struct {
		next   *document.Document
		chance float64
		holds  bool
	}
	try := func(next *document.Document) tried {
		p := predict.Predict(next, s.k)
		return tried{next, p.Chance, p.Verdict == predict.Holds}
	}
	var singles []tried
	for _, next := range works(s.base, s.k) {
		if s.ended() {
			return
		}
		if t := try(next); t.chance > now.Chance+0.02 || t.holds && now.Verdict != predict.Holds {
			singles = append(singles, t)
		}
	}
	slices.SortStableFunc(singles, func(a, b tried) int { return cmp.Compare(b.chance, a.chance) })
	add := func(t tried) {
		if !t.holds {
			return
		}
		if w := asItIs(s.k, s.d, t.next); w != nil {
			w.Aim = ""
			for _, l := range s.gone {
				w.Drop = append(w.Drop, l.Food)
			}
			s.all = append(s.all, *w)
		}
	}
	for _, t := range singles {
		add(t)
	}
	const first = 3
	for _, t := range singles[:min(first, len(singles))] {
		if t.holds {
			continue
		}
		for _, next := range works(t.next, s.k) {
			add(try(next))
		}
		s.least(t.next, s.common(candidates))
	}
}

// works gives the document with one preparation more, or further, of each line that a
// cook would do it to; with a longer rest; and with a chill.
func works(d *document.Document, k *kitchen.Kitchen) (out []*document.Document) {
	with := func(line int, preps []food.Preparation) {
		next := *d
		next.Lines = slices.Clone(d.Lines)
		next.Lines[line].Prep = preps
		out = append(out, &next)
	}
	for i := range d.Lines {
		l := &d.Lines[i]
		f := k.Foods.Find(l.Food)
		for _, p := range worksOn(f, l.Prep) {
			at := slices.IndexFunc(l.Prep, func(q food.Preparation) bool { return crushes(p.Do) && crushes(q.Do) })
			preps := slices.Clone(l.Prep)
			if at < 0 {
				preps = append(preps, p)
			} else if p.Level > preps[at].Level {
				preps[at].Level = p.Level
			} else {
				continue
			}
			if len(preps) <= document.MaxPreps {
				with(i, preps)
			}
		}
	}
	for _, minutes := range []float64{10, 20, 40} {
		if d.Rest == nil || d.Rest.Minutes < minutes {
			next := *d
			next.Rest = &document.Wait{Minutes: minutes}
			if d.Rest != nil {
				next.Rest.Celsius = d.Rest.Celsius
			}
			out = append(out, &next)
		}
	}
	if d.Cook == nil || d.Cook.From == document.FromChill && d.Cook.StartCelsius == nil {
		for _, minutes := range []float64{30, 60} {
			if d.Chill == nil || d.Chill.Minutes < minutes {
				next := *d
				next.Chill = &document.Wait{Minutes: minutes}
				out = append(out, &next)
			}
		}
	}
	return out
}

func crushes(do food.Do) bool { return do == food.Blitz || do == food.Mash }

// worksOn are the preparations that a cook might still do to a food that has had
// those.
func worksOn(f *food.Food, had []food.Preparation) (out []food.Preparation) {
	did := func(dos ...food.Do) bool {
		return slices.ContainsFunc(had, func(p food.Preparation) bool { return slices.Contains(dos, p.Do) })
	}
	yields := f.Group == food.Legume || f.Group == food.Grain || f.Group == food.Nut && f.Water > 30 || f.Group == food.Vegetable && f.State == food.Cooked
	if yields && f.Chunk > 0.2 {
		if !did(food.Blitz) {
			out = append(out, food.Preparation{Do: food.Mash, Level: 0.5}, food.Preparation{Do: food.Mash, Level: 0.8})
		} else {
			out = append(out, food.Preparation{Do: food.Blitz, Level: 0.8})
		}
	}
	dried := did(food.Saute, food.OvenDry, food.Roast, food.Press, food.Brown)
	if f.Leak > 0 && !dried && (f.Group == food.Legume || f.Group == food.Vegetable && f.State == food.Raw) {
		out = append(out, food.Preparation{Do: food.Press})
	}
	if !dried && food.Saute.Suits(f) && f.State == food.Raw {
		out = append(out, food.Preparation{Do: food.Saute, Minutes: 10})
	} else if !dried && food.OvenDry.Suits(f) {
		out = append(out, food.Preparation{Do: food.OvenDry, Minutes: 12})
	}
	return out
}

// mostWays is how many ways are shown.
const mostWays = 8

// chosen are the ways to show: the least trouble of each kind, then the best at what
// an aim asks, each build once, the least trouble first.
func (s *search) chosen() []Way {
	// To a mix that holds nothing is added that does not make it surer.
	if now := predict.Predict(s.d, s.k); len(s.gone) == 0 && now.Verdict == predict.Holds {
		s.all = slices.DeleteFunc(s.all, func(w Way) bool { return len(w.Add) > 0 && w.Chance < now.Chance+surerBy })
	}
	slices.SortStableFunc(s.all, func(a, b Way) int {
		return cmp.Or(cmp.Compare(a.effort, b.effort), cmp.Compare(aimRank(a.Aim), aimRank(b.Aim)))
	})
	out := []Way{}
	kinds := map[Kind]bool{}
	take := func(w *Way) {
		same := slices.IndexFunc(out, func(o Way) bool { return sameBuild(&o, w) })
		switch {
		case same >= 0 && out[same].Aim == "":
			out[same].Aim = w.Aim
		case same < 0 && len(out) < mostWays:
			out = append(out, *w)
		}
	}
	for i := range s.all {
		if w := &s.all[i]; !kinds[w.Kind] {
			kinds[w.Kind] = true
			take(w)
		}
	}
	for _, aim := range binder.Aims {
		for i := range s.all {
			if w := &s.all[i]; w.Aim == aim {
				take(w)
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Way) int { return cmp.Compare(a.effort, b.effort) })
	return out
}

func aimRank(a binder.Aim) int {
	if at := slices.Index(binder.Aims, a); at >= 0 {
		return at
	}
	return len(binder.Aims)
}

func sameBuild(a, b *Way) bool {
	changes, settings := document.Changes(&a.Document, &b.Document)
	return len(changes)+len(settings) == 0
}

// missed is the water that the hand felt and no line brings, g.
func missed(d *document.Document) float64 {
	if d.Hand == nil {
		return 0
	}
	return d.Hand.WaterG
}
