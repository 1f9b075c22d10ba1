package dish

import (
	_ "embed"
	"math"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/csvtable"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
)

// share is a food of a first try at a part, and its share of it. Others stand
// in where the table leaves the first out.
type share struct {
	foods []first
	of    float64
}

// first is a food, and for how long it is fried before it goes into a part that is
// shaped, min.
type first struct {
	id    string
	saute float64
}

//go:embed starts.csv
var startsCSV string

// starts are first tries at each kind of part: kitchen practice.
var starts = func() map[document.PartKind][]share {
	out := map[document.PartKind][]share{}
	for _, row := range csvtable.Rows("starts.csv", startsCSV) {
		s := share{of: csvtable.Number("starts.csv", row[1])}
		for _, word := range strings.Fields(row[2]) {
			id, minutes, fried := strings.Cut(word, ":")
			f := first{id: id}
			if fried {
				f.saute = csvtable.Number("starts.csv", minutes)
			}
			s.foods = append(s.foods, f)
		}
		kind := document.PartKind(row[0])
		out[kind] = append(out[kind], s)
	}
	return out
}()

// alone is how long a part that is cooked by itself takes, min.
var alone = map[document.PartKind]float64{document.Sauce: 15, document.Broth: 30}

// Start gives a first try at a part for a document that Read has accepted:
// foods that are not out for its table, in the amount that its pieces or
// portions want. For a table without a count the portions are taken to be four.
func Start(d *document.Document, kind document.PartKind, k *kitchen.Kitchen) document.Part {
	table := d.Eaters.Table()
	p := document.Part{Kind: kind, Lines: []document.Line{}, CookMinutes: alone[kind]}
	for _, s := range starts[kind] {
		for _, each := range s.foods {
			f := k.Foods.Find(each.id)
			if f == nil || table.Check(f, k.LabelRead(each.id)).Status == eaters.Out {
				continue
			}
			l := document.Line{Food: each.id, Grams: 1000 * s.of}
			if shaped(kind) && each.saute > 0 {
				l.Prep = []food.Preparation{{Do: food.Saute, Minutes: each.saute}}
			}
			p.Lines = append(p.Lines, l)
			break
		}
	}
	if kind.Inside() || kind == document.Shell {
		p.Rest = &document.Wait{Minutes: 10}
	}
	return Resize(d, p, k)
}

// Resize gives a part's lines the amounts that its pieces or portions want,
// 200 g in all where nothing says.
func Resize(d *document.Document, p document.Part, k *kitchen.Kitchen) document.Part {
	mass, want := Wanted(d, &p, k)
	if mass <= 0 {
		return p
	}
	if want <= 0 {
		want = 200
	}
	p.Lines = append([]document.Line(nil), p.Lines...)
	for i := range p.Lines {
		p.Lines[i].Grams = Weighable(p.Lines[i].Grams * want / mass)
	}
	return p
}

// Wanted gives the mass of a part once prepared, and how much its pieces or
// portions want, g; 0 where nothing says.
func Wanted(d *document.Document, p *document.Part, k *kitchen.Kitchen) (mass, want float64) {
	parts := mix.Parts(d.MixLines(k.Foods))
	shape := d.PieceIn(k, parts)
	yield := shape.Yield(massOf(parts), heat.CompositionOf(parts).Density())
	l := assessor{d: d, k: k, piece: shape, pieces: max(1, yield.Pieces), portions: portionsOf(d)}
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
