package dish

import (
	"math"

	"cuerda/core/eaters"
	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/core/heat"
	"cuerda/core/kitchen"
	"cuerda/core/mix"
)

// share is a food of a first try at a part, and its share of it. Others stand
// in where the table leaves the first out.
type share struct {
	foods []string
	of    float64
}

// starts are first tries at each kind of part: kitchen practice.
var starts = map[formula.PartKind][]share{
	formula.Shell:   {{[]string{"potato-mashed"}, 0.85}, {[]string{"potato-flakes", "rice-flour"}, 0.14}, {[]string{"salt"}, 0.01}},
	formula.Filling: {{[]string{"mushroom"}, 0.7}, {[]string{"onion", "leek"}, 0.2}, {[]string{"potato-flakes", "rice-flour"}, 0.09}, {[]string{"salt"}, 0.01}},
	formula.Middle:  {{[]string{"spinach", "kale"}, 0.75}, {[]string{"onion", "leek"}, 0.18}, {[]string{"potato-flakes", "rice-flour"}, 0.06}, {[]string{"salt"}, 0.01}},
	formula.Wrap:    {{[]string{"cabbage-leaf"}, 1}},
	formula.Vessel:  {{[]string{"bell-pepper", "winter-squash"}, 1}},
	formula.Coating: {{[]string{"corn-flakes-crushed", "puffed-rice-crushed", "pumpkin-seeds", "coconut-dried"}, 1}},
	formula.Wash:    {{[]string{"plant-milk", "aquafaba", "water"}, 1}},
	formula.Glaze:   {{[]string{"tomato-paste"}, 0.5}, {[]string{"maple-syrup", "apple-sauce"}, 0.3}, {[]string{"vinegar", "lemon-juice"}, 0.2}},
	formula.Sauce:   {{[]string{"tomato-passata"}, 0.88}, {[]string{"olive-oil", "onion"}, 0.06}, {[]string{"garlic", "parsley"}, 0.05}, {[]string{"salt"}, 0.01}},
	formula.Broth:   {{[]string{"water"}, 0.8}, {[]string{"carrot"}, 0.1}, {[]string{"leek", "onion"}, 0.09}, {[]string{"salt"}, 0.01}},
}

// prepared are what a first try does to some foods.
var prepared = map[string][]food.Preparation{
	"mushroom": {{Do: food.Saute, Minutes: 10}}, "onion": {{Do: food.Saute, Minutes: 10}}, "leek": {{Do: food.Saute, Minutes: 10}},
	"spinach": {{Do: food.Saute, Minutes: 6}}, "kale": {{Do: food.Saute, Minutes: 8}},
}

// alone is how long a part that is cooked by itself takes, min.
var alone = map[formula.PartKind]float64{formula.Sauce: 15, formula.Broth: 30}

// Start gives a first try at a part for a document that Read has accepted:
// foods that are not out for its table, in the amount that its pieces or
// portions want. For a table without a count the portions are taken to be four.
func Start(d *formula.Document, kind formula.PartKind, k *kitchen.Kitchen) formula.Part {
	table := d.Eaters.Table()
	p := formula.Part{Kind: kind, Lines: []formula.Line{}, CookMinutes: alone[kind]}
	for _, s := range starts[kind] {
		for _, id := range s.foods {
			f := k.Foods.Find(id)
			if f == nil || table.Check(f, k.LabelRead(id)).Status == eaters.Out {
				continue
			}
			l := formula.Line{Food: id, Grams: 1000 * s.of}
			if shaped(kind) {
				l.Prep = append(l.Prep, prepared[id]...)
			}
			p.Lines = append(p.Lines, l)
			break
		}
	}
	if kind.Inside() || kind == formula.Shell {
		p.Rest = &formula.Wait{Minutes: 10}
	}
	return Resize(d, p, k)
}

// Resize gives a part's lines the amounts that its pieces or portions want,
// 200 g in all where nothing says.
func Resize(d *formula.Document, p formula.Part, k *kitchen.Kitchen) formula.Part {
	mass, want := Wanted(d, &p, k)
	if mass <= 0 {
		return p
	}
	if want <= 0 {
		want = 200
	}
	p.Lines = append([]formula.Line(nil), p.Lines...)
	for i := range p.Lines {
		p.Lines[i].Grams = Weighable(p.Lines[i].Grams * want / mass)
	}
	return p
}

// Wanted gives the mass of a part once prepared, and how much its pieces or
// portions want, g; 0 where nothing says.
func Wanted(d *formula.Document, p *formula.Part, k *kitchen.Kitchen) (mass, want float64) {
	parts := mix.Parts(d.MixLines(k.Foods))
	shape := d.PieceOrDefault()
	yield := shape.Yield(massOf(parts), heat.CompositionOf(parts).Density())
	l := looker{d: d, k: k, piece: shape, pieces: max(1, yield.Pieces), portions: portionsOf(d)}
	if l.portions == 0 {
		l.portions = 4
	}
	lines := p.MixLines(k.Foods)
	own := mix.Parts(lines)
	return massOf(own), l.need(p, lines, heat.CompositionOf(own).Density())
}

// Weighable rounds grams to what a kitchen scale shows and a cook would weigh:
// to 0.1 g below 5, 0.5 below 10, 1 below 100, 5 below 1 000, else to 10.
func Weighable(grams float64) float64 {
	step := 10.
	switch {
	case grams < 5:
		step = 0.1
	case grams < 10:
		step = 0.5
	case grams < 100:
		step = 1
	case grams < 1000:
		step = 5
	}
	return max(0.1, math.Round(math.Round(grams/step)*step*10)/10)
}
