package advise

import (
	"math"
	"slices"

	"cuerda/core/advise/binder"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/predict"
)

// School is a question on which good cooks disagree, with the ways that this
// build can take. A way that cannot be had is missing.
type School struct {
	// Question is wet-mix, egg, waiting, mixing or heat.
	Question string
	Ways     []SchoolWay
}

// SchoolWay is one answer.
type SchoolWay struct {
	// Code is dry-first, more-binder; seed-gel, starch, flour, own-paste,
	// own-protein, dairy; rest, no-wait; coarse, paste; bake, pan or deep-oil.
	Code string
	Way  Way
}

// Schools works out each school's way for a document: with its binders
// replaced where the question is how to bind, with the mix as it is where it is
// how to work or to cook it. Both ways hold, or the trade says that they do not. It ends
// early, with nothing to be used, once done is closed; nil never is.
func Schools(k *kitchen.Kitchen, d *document.Document, done <-chan struct{}) []School {
	base, gone := without(k, d, Binders)
	candidates := allowed(k, table(d), nil)
	best := func(base *document.Document, c []binder.Candidate, aims ...binder.Aim) *Way {
		if base == nil || len(c) == 0 {
			return nil
		}
		for _, s := range binder.Search(request(k, base, c, 0, done)).Suggestions {
			if slices.Contains(aims, s.Aim) {
				w := way(k, d, base, gone, &s)
				return &w
			}
		}
		return nil
	}
	of := func(groups ...food.Group) (out []binder.Candidate) {
		for _, c := range candidates {
			if slices.Contains(groups, c.Food.Group) {
				out = append(out, c)
			}
		}
		return out
	}
	var out []School
	add := func(question string, ways map[string]*Way, order ...string) {
		s := School{Question: question}
		for _, code := range order {
			if w := ways[code]; w != nil {
				s.Ways = append(s.Ways, SchoolWay{code, *w})
			}
		}
		differ := slices.ContainsFunc(s.Ways, func(w SchoolWay) bool {
			return math.Abs(w.Way.Q-s.Ways[0].Way.Q) > 1e-3 || math.Abs(w.Way.RawRatio-s.Ways[0].Way.RawRatio) > 1e-2
		})
		if differ {
			out = append(out, s)
		}
	}
	all := binder.Search(request(k, &base, candidates, 0, done))
	from := map[binder.Aim]*Way{}
	for i := range all.Suggestions {
		w := way(k, d, &base, gone, &all.Suggestions[i])
		from[w.Aim] = &w
	}
	add("wet-mix", map[string]*Way{"dry-first": from[binder.DryFirst], "more-binder": from[binder.LeastBinder]}, "dry-first", "more-binder")
	add("egg", map[string]*Way{
		"seed-gel": best(&base, of(food.Gel), binder.LeastBinder), "starch": best(&base, of(food.Starch), binder.LeastBinder),
		"flour":     best(&base, of(food.GrainBinder, food.LegumeBinder), binder.LeastBinder),
		"own-paste": best(worked(&base, k.Foods, pasty), candidates, binder.LeastBinder), "own-protein": ownProtein(k, d, &base),
		"dairy": best(&base, dairy(k, table(d)), binder.LeastBinder),
	}, "seed-gel", "starch", "flour", "own-paste", "own-protein", "dairy")
	waits := from[binder.LeastBinder]
	if waits != nil && waits.RestMinutes <= 5 {
		waits = nil
	}
	add("waiting", map[string]*Way{"rest": waits, "no-wait": from[binder.NoWaiting]}, "rest", "no-wait")
	add("mixing", map[string]*Way{
		"coarse": asItIs(k, d, worked(d, k.Foods, coarse)), "paste": asItIs(k, d, worked(d, k.Foods, pasty)),
	}, "coarse", "paste")
	add("heat", map[string]*Way{
		"bake": asItIs(k, d, cooked(d, method.StillOven)), "pan": asItIs(k, d, cooked(d, method.Pan)), "deep-oil": asItIs(k, d, cooked(d, method.DeepOil)),
	}, "bake", "pan", "deep-oil")
	return out
}

// asItIs works out a document that adds no binder; nil where there is none, or
// nothing in it to hold.
func asItIs(k *kitchen.Kitchen, d, next *document.Document) *Way {
	if next == nil {
		return nil
	}
	p := predict.Predict(next, k)
	if p.Q == nil {
		return nil
	}
	w := &Way{
		Aim: AsIs, Add: []Addition{}, RestMinutes: next.RestIn(k).Minutes, SavesMinutes: d.RestIn(k).Minutes - next.RestIn(k).Minutes,
		Have: true, Document: *next,
	}
	w.settle(k, d)
	return w
}

// AsIs is the aim of a way that no search chose.
const AsIs binder.Aim = "as-is"

// ownProtein leaves a mix of raw meat or fish to its own protein, with the
// salt, 1.2% of the meat, that makes it sticky; nil without raw meat.
func ownProtein(k *kitchen.Kitchen, d, base *document.Document) *Way {
	next := *base
	next.Lines = slices.Clone(base.Lines)
	meat, salt, at := 0., 0., -1
	for i, l := range next.Lines {
		f := k.Foods.Find(l.Food)
		salt += l.Grams * f.Salt / 100
		if f.IsRawMeat() {
			meat += l.Grams
		}
		if f.ID == "salt" {
			at = i
		}
	}
	if meat == 0 {
		return nil
	}
	if more := math.Round(0.012*meat - salt); more > 0 && at >= 0 {
		next.Lines[at].Grams += more
	} else if more > 0 {
		next.Lines = append(next.Lines, document.Line{Food: "salt", Grams: more})
	}
	return asItIs(k, d, &next)
}

// dairy gives the cheeses and their like that are clear for the table.
func dairy(k *kitchen.Kitchen, t eaters.Table) (out []binder.Candidate) {
	all := k.Foods.Foods()
	for i := range all {
		f := &all[i]
		if f.Group == food.Dairy && f.GlueHot > 0.02 && t.Check(f, k.LabelRead(f.ID)).Status == eaters.Clear {
			out = append(out, candidate(k, f))
		}
	}
	return out
}

// cooked gives the document cooked by another method, unturned in the oven.
func cooked(d *document.Document, m method.Method) *document.Document {
	next := *d
	celsius := m.Row().Celsius
	next.Cook = &document.Cook{Method: m, Celsius: &celsius}
	if d.Cook != nil {
		next.Cook.TargetCelsius = d.Cook.TargetCelsius
	}
	return &next
}

const (
	coarse = 0.2 // pulsed once or twice
	pasty  = 0.9 // nearly a paste
)

// worked blitzes the heaviest base that has pieces to that level: what is paste
// binds. nil where there is none.
func worked(d *document.Document, foods *food.Catalogue, level float64) *document.Document {
	next := *d
	next.Lines = slices.Clone(d.Lines)
	heaviest := -1
	for i, l := range next.Lines {
		f := foods.Find(l.Food)
		yields := f.Group == food.Legume || f.Group == food.Grain || f.Group == food.Nut && f.Water > 30
		if yields && f.Chunk > 0.2 && (heaviest < 0 || l.Grams > next.Lines[heaviest].Grams) {
			heaviest = i
		}
	}
	if heaviest < 0 {
		return nil
	}
	l := &next.Lines[heaviest]
	l.Prep = slices.DeleteFunc(slices.Clone(l.Prep), func(p food.Preparation) bool { return p.Do == food.Blitz || p.Do == food.Mash })
	l.Prep = append(l.Prep, food.Preparation{Do: food.Blitz, Level: level})
	return &next
}
