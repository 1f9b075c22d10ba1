// Package dish takes a build as what comes to the table: its mix with its
// parts, whether there is enough of each, whom they suit, what a piece and a
// portion give an eater, and what they cost.
package dish

import (
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/predict/nutrition"
)

// PartResult is what becomes of a part of the build. Masses are in g.
type PartResult struct {
	MassG float64
	// EachG is for one piece or, of a sauce and a broth, one portion; Each says which.
	EachG float64
	Each  string
	// NeedG is what all pieces or portions usually want; 0 where nothing says.
	NeedG float64
	// Q and Word are those of a part that is shaped: shell, filling and middle.
	Q    *float64
	Word mix.Word
	// Status is the worst of its lines for the table.
	Status eaters.Status
	Lines  []predict.LineResult
	Notes  []predict.Note
}

// Share is what an eater gets, and its cost in the kitchen's currency; no cost where
// more than a tenth of the mass has no price.
type Share struct {
	Grams float64
	Facts nutrition.Facts
	Cost  *float64
}

// Dish is a build with its parts. What is eaten beside the pieces, a sauce or a
// broth, counts in a portion and not in a piece.
type Dish struct {
	Parts []PartResult
	// NotFor says for whom foods of the mix or of a part are out.
	NotFor   []eaters.Refusal
	Pieces   int
	Portions int
	// Piece is one raw piece with what is on it; Portion a serving with all
	// parts, where portions are known; Hundred is 100 g of pieces.
	Piece   Share
	Portion *Share
	Hundred Share
	Whole   Share
	// Unpriced are foods without a price, which the costs leave out.
	Unpriced []string
}

// Assess works a document out that Read has accepted.
func Assess(d *document.Document, k *kitchen.Kitchen) Dish {
	lines := d.MixLines(k.Foods)
	parts := mix.Parts(lines)
	mass := massOf(parts)
	p := d.PieceIn(k, parts)
	yield := k.Yield(&p, mass, heat.CompositionOf(parts).Density())
	l := assessor{d: d, k: k, piece: p, table: d.Eaters.Table(), pieces: max(1, yield.Pieces), portions: portionsOf(d)}
	out := Dish{Parts: []PartResult{}, Unpriced: []string{}, Pieces: l.pieces, Portions: l.portions}
	inMix := sum{facts: nutrition.Of(parts), grams: mass}
	l.price(lines, &inMix, &out)
	on, beside := sum{}, sum{}
	var foods []*food.Food
	collect := func(lines []mix.Line) {
		for i := range lines {
			foods = append(foods, lines[i].Food)
		}
	}
	collect(lines)
	for i := range d.Parts {
		each := &d.Parts[i]
		out.Parts = append(out.Parts, l.part(each))
		lines := each.MixLines(k.Foods)
		collect(lines)
		prepared := mix.Parts(lines)
		to := &beside
		if each.Kind.OnPiece() {
			to = &on
		}
		to.facts = to.facts.Plus(nutrition.Of(prepared))
		to.grams += massOf(prepared)
		l.price(lines, to, &out)
	}
	out.NotFor = append([]eaters.Refusal{}, d.Eaters.Refusals(foods, k.Foods, k.LabelRead)...)
	onPiece := inMix.plus(on, 1)
	whole := onPiece.plus(beside, 1)
	// What is left of the mix beside the pieces is in none of them.
	out.Piece = l.share(sum{}.plus(inMix, shareOfPiece(yield, mass)).plus(on, 1/float64(l.pieces)), 1)
	out.Whole = l.share(whole, 1)
	if onPiece.grams > 0 {
		out.Hundred = l.share(onPiece, 100/onPiece.grams)
	}
	if l.portions > 0 {
		s := l.share(whole, 1/float64(l.portions))
		out.Portion = &s
	}
	return out
}

// portionsOf is what the document says, or how many sit at its table.
func portionsOf(d *document.Document) int {
	if d.Portions > 0 || d.Eaters == nil {
		return d.Portions
	}
	return d.Eaters.Count()
}

func massOf(parts []mix.Part) float64 {
	m := 0.0
	for i := range parts {
		m += parts[i].Mass
	}
	return m
}

// shareOfPiece is how much of the mix one piece takes: all of it where it makes
// none, or has no size.
func shareOfPiece(y piece.Yield, mass float64) float64 {
	each := y.PieceG
	if y.ShareG > 0 {
		each = y.ShareG
	}
	if mass <= 0 || each <= 0 || y.Pieces == 0 {
		return 1
	}
	return min(1, each/mass)
}

// sum is what lines come to; unpriced is the mass of those without a price, g.
type sum struct {
	facts    nutrition.Facts
	grams    float64
	cost     float64
	unpriced float64
}

func (s sum) plus(o sum, times float64) sum {
	return sum{s.facts.Plus(o.facts.Times(times)), s.grams + o.grams*times, s.cost + o.cost*times, s.unpriced + o.unpriced*times}
}

// mostUnpriced is the share of the mass that may be without a price for a cost to be
// told all the same.
const mostUnpriced = 0.1

func (l *assessor) share(s sum, times float64) Share {
	f := s.facts.Times(times)
	out := Share{Grams: s.grams * times, Facts: nutrition.Facts{
		KCal: f.KCal, KJ: f.KJ, Protein: f.Protein, Fat: f.Fat,
		Carb: f.Carb, Fibre: f.Fibre, Salt: f.Salt,
	}}
	if s.grams > 0 && s.unpriced <= mostUnpriced*s.grams {
		c := s.cost * times
		out.Cost = &c
	}
	return out
}

type assessor struct {
	d                *document.Document
	k                *kitchen.Kitchen
	piece            piece.Piece
	table            eaters.Table
	pieces, portions int
}

// price adds the cost of lines.
func (l *assessor) price(lines []mix.Line, to *sum, out *Dish) {
	for i := range lines {
		id := lines[i].Food.ID
		perKilo, known := l.k.Price(id)
		switch {
		case known:
			to.cost += perKilo * lines[i].Grams / 1000
		default:
			to.unpriced += lines[i].Grams
			if !slices.Contains(out.Unpriced, id) {
				out.Unpriced = append(out.Unpriced, id)
			}
		}
	}
}
