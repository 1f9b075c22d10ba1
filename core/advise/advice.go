package advise

import (
	"slices"

	"cuerda/core/advise/binder"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

// Replace says which lines give way to what is suggested.
type Replace string

// The ways to replace.
const (
	KeepAll  Replace = "none"
	Binders  Replace = "binders" // the binders the document has
	Classics Replace = "classic" // egg, wheat crumbs, flour and bread, and milk
)

// Replaces lists every Replace.
var Replaces = []Replace{KeepAll, Binders, Classics}

// Options narrow a choice.
type Options struct {
	Replace Replace
	// Foods limits the candidates; empty takes every allowed binder.
	Foods []string
	// Aim keeps the suggestions of one aim; "" keeps all.
	Aim binder.Aim
	// Target is the hold ratio wanted; 0 is 1.7: a chance of 3 in 4.
	Target float64
	// Done ends it early, with nothing to be used, once it is closed; nil never does.
	Done <-chan struct{}
}

// Addition is grams of a food, and how a cook measures them.
type Addition struct {
	Food    string
	Grams   float64
	Measure *food.Measure
}

// Way is one suggestion, worked out in full.
type Way struct {
	// Aim is what it is the best at of all that was searched; "" where it is the best
	// of its kind only.
	Aim binder.Aim
	// Kind is what it works by.
	Kind Kind
	Add  []Addition
	Drop []string
	Dry  *Dry
	// Changes and Settings are all that taking it changes of the document.
	Changes     []document.Change
	Settings    []document.Setting
	RestMinutes float64
	Q           float64
	Word        mix.Word
	// ChanceRaw and ChanceCooked are those of its stages, RawRatio and CookedRatio the
	// holds over what its pieces need.
	ChanceRaw    float64
	ChanceCooked float64
	RawRatio     float64
	CookedRatio  float64
	Chance       float64
	// SavesMinutes is the rest it saves against the document; below 0 it costs.
	SavesMinutes float64
	// LimitPct is how much of the nearest taste limit it uses, per cent.
	LimitPct float64
	// Price is what the additions cost in the kitchen's currency; missing if unknown.
	Price *float64
	// Have says that all it adds is at hand.
	Have bool
	// Out are foods of the document that its table leaves out: what was there before, and no way adds.
	Out []string
	// Document is the build with the way taken.
	Document document.Document

	effort float64
}

// Dry is a drying step before mixing.
type Dry struct {
	Food string
	Prep food.Preparation
}

// Role is what a line that gives way did in the mix.
type Role struct {
	Food  string
	Grams float64
	// WaterG is the water it brought, DrinksG the water it took up, g.
	WaterG  float64
	DrinksG float64
	// ColdPct and HotPct are its shares of the raw and the cooked glue.
	ColdPct float64
	HotPct  float64
}

// Answer is what Bind found.
type Answer struct {
	Suggest   []Way
	Obstacles []binder.Obstacle
	Nearest   *Way
	// Taken is what gave way, and what each did.
	Taken []Role
	// Candidates is how many binders were considered.
	Candidates int
}

// table gives what the eaters of a document leave out.
func table(d *document.Document) eaters.Table { return d.Eaters.Table() }

// allowed gives the binders that are clear for the table: wheat only where the
// cook names it, since Cuerda's cooks do without.
func allowed(k *kitchen.Kitchen, t eaters.Table, named []string) []binder.Candidate {
	var out []binder.Candidate
	all := k.Foods.Foods()
	for i := range all {
		f := &all[i]
		byName := slices.Contains(named, f.ID)
		if len(named) > 0 && !byName {
			continue
		}
		if !byName && (!f.Group.IsBinder() || f.MaxPct == 0 || f.Gluten == "contains") {
			continue
		}
		if t.Check(f, k.LabelRead(f.ID)).Status != eaters.Clear {
			continue
		}
		out = append(out, candidate(k, f))
	}
	return out
}

// candidate is a food as a binder that may be added.
func candidate(k *kitchen.Kitchen, f *food.Food) binder.Candidate {
	perKilo, priced := k.Price(f.ID)
	return binder.Candidate{Food: f, Have: k.Have(f.ID), PerKilo: perKilo, Priced: priced}
}

// givesWay says whether a line gives way.
func givesWay(how Replace, f *food.Food) bool {
	switch how {
	case Binders:
		return f.Group.IsBinder()
	case Classics:
		return f.Group == food.Egg || f.Gluten == "contains" && f.Group == food.GrainBinder || f.Is(food.Classic)
	}
	return false
}

// without splits a document into what stays and what gives way.
func without(k *kitchen.Kitchen, d *document.Document, how Replace) (rest document.Document, gone []document.Line) {
	rest = *d
	rest.Lines = nil
	for _, l := range d.Lines {
		f := k.Foods.Find(l.Food)
		if givesWay(how, f) && !(how == Classics && f.Group != food.Egg && isBody(d, &l)) {
			gone = append(gone, l)
		} else {
			rest.Lines = append(rest.Lines, l)
		}
	}
	if how == Classics {
		return clearOf(k, &rest, gone)
	}
	return rest, gone
}

// Bind chooses binders and preparations for a document that document.Read has
// accepted. With an aim in the options it gives the best binders at that aim only;
// else ways that differ in kind, the least trouble for this kitchen first.
func Bind(k *kitchen.Kitchen, d *document.Document, o Options) Answer {
	base, gone := without(k, d, o.Replace)
	t := table(d)
	if o.Replace == Classics {
		t = freed(d)
	}
	candidates := allowed(k, t, o.Foods)
	found := binder.Search(request(k, &base, candidates, o.Target, o.Done))
	out := Answer{Suggest: []Way{}, Candidates: len(candidates), Taken: roles(k, d, gone)}
	ways := &search{k: k, d: d, base: &base, gone: gone, target: o.Target, done: o.Done}
	for i := range found.Suggestions {
		s := &found.Suggestions[i]
		if o.Aim == "" || s.Aim == o.Aim {
			ways.suggestion(s)
		}
	}
	if o.Aim == "" && len(base.Lines) > 0 {
		ways.byKind(candidates, len(o.Foods) > 0)
		if len(o.Foods) == 0 {
			ways.byWork(candidates)
		}
		out.Suggest = ways.chosen()
	} else {
		out.Suggest = append(out.Suggest, ways.all...)
	}
	if len(out.Suggest) == 0 {
		out.Obstacles = found.Obstacles
		if found.Nearest != nil {
			w := way(k, d, &base, gone, found.Nearest)
			out.Nearest = &w
		}
	}
	return out
}

func request(k *kitchen.Kitchen, base *document.Document, candidates []binder.Candidate, target float64, done <-chan struct{}) binder.Request {
	return binder.Request{
		Lines: base.MixLines(k.Foods), Candidates: candidates, Duty: base.Duty(k),
		Rest: base.RestIn(k), Coldness: base.Coldness(k), Target: target, MissedG: missed(base), Done: done,
	}
}

// way works a suggestion out as a document: what is added joins a line of the
// same food that has no preparations, or stands after the last.
func way(k *kitchen.Kitchen, d, base *document.Document, gone []document.Line, s *binder.Suggestion) Way {
	next := *base
	next.Lines = slices.Clone(base.Lines)
	w := Way{
		Aim: s.Aim, Add: []Addition{}, RestMinutes: s.Rest.Minutes,
		SavesMinutes: d.RestIn(k).Minutes - s.Rest.Minutes,
	}
	if s.Priced {
		price := s.Price
		w.Price = &price
	}
	for _, l := range gone {
		if !slices.ContainsFunc(s.Add, func(a binder.Amount) bool { return a.Food.ID == l.Food }) {
			w.Drop = append(w.Drop, l.Food)
		}
	}
	w.Have = true
	if s.Dry != nil {
		l := &next.Lines[s.Dry.Line]
		l.Prep = append(slices.Clone(l.Prep), s.Dry.Prep)
		w.Dry = &Dry{l.Food, s.Dry.Prep}
	}
	total := 0.
	for _, a := range s.Add {
		add := Addition{Food: a.Food.ID, Grams: a.Grams}
		if m, ok := a.Food.Measure(a.Grams); ok {
			add.Measure = &m
		}
		w.Add = append(w.Add, add)
		w.Have = w.Have && (k.Have(a.Food.ID) || a.Food.ID == "water")
		at := slices.IndexFunc(next.Lines, func(l document.Line) bool { return l.Food == a.Food.ID && len(l.Prep) == 0 })
		if at >= 0 {
			next.Lines[at].Grams += a.Grams
		} else {
			next.Lines = append(next.Lines, document.Line{Food: a.Food.ID, Grams: a.Grams})
		}
	}
	for _, p := range mix.Parts(next.MixLines(k.Foods)) {
		total += p.Mass
	}
	for _, a := range s.Add {
		if a.Food.MaxPct > 0 {
			w.LimitPct = max(w.LimitPct, 100*a.Grams/total/a.Food.MaxPct*100)
		}
	}
	rest := document.Wait{Minutes: s.Rest.Minutes}
	if d.Rest != nil {
		rest.Celsius = d.Rest.Celsius
	}
	next.Rest = &rest
	if s.Rest.Minutes == 0 {
		next.Rest = nil
	}
	w.Document = next
	w.settle(k, d)
	return w
}

// roles says what lines did in the mix: water in and taken up, and shares of
// the glue.
func roles(k *kitchen.Kitchen, d *document.Document, lines []document.Line) []Role {
	rest := d.RestIn(k)
	all := mix.Sum(mix.Parts(d.MixLines(k.Foods)), rest)
	pct := func(part, whole float64) float64 {
		if whole <= 0 {
			return 0
		}
		return 100 * part / whole
	}
	var out []Role
	for i := range lines {
		one := document.Document{Lines: lines[i : i+1]}
		p := mix.Parts(one.MixLines(k.Foods))[0]
		e := p.Effect(rest)
		wet := p.Water*(1-p.Chunk) + p.Leak*p.Mass*p.Chunk
		out = append(out, Role{
			Food: lines[i].Food, Grams: lines[i].Grams,
			WaterG: wet, DrinksG: wet + 0.3*p.FreeOil - e.Free,
			ColdPct: pct(e.GlueCold, all.GlueCold), HotPct: pct(e.Set, all.Set),
		})
	}
	return out
}
