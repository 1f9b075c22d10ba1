package advise

import (
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
)

// bodyShare is the share of a mix from which a classic food is its body and no binder: the bread of a
// stuffing gives way to other bread.
const bodyShare = 0.3

// coatingGlue takes the place of egg in what is brushed or rolled on.
const coatingGlue = "aquafaba"

// clearOf gives the document without anything that its table avoids, or that a classic recipe is freed
// of: like goes for like where there is such a food, and what has none is taken out, in its parts too.
// gone are the lines of the mix that were taken out before it, to which it adds. The table is that of the
// guests with egg and gluten added, for that is what a conversion is for.
func clearOf(k *kitchen.Kitchen, d *document.Document, gone []document.Line) (out document.Document, allGone []document.Line) {
	t := freed(d)
	out, allGone = *d, gone
	swap := func(lines []document.Line, glue bool) (kept, dropped []document.Line) {
		for _, l := range lines {
			f := k.Foods.Find(l.Food)
			if t.Check(f, k.LabelRead(f.ID)).Status != eaters.Out {
				kept = append(kept, l)
				continue
			}
			by := t.Equal(f, k.Foods)
			if f.Group == food.Egg {
				if by = nil; glue {
					by = k.Foods.Find(coatingGlue)
				}
			}
			if by == nil || t.Check(by, nil).Status == eaters.Out {
				dropped = append(dropped, l)
				continue
			}
			l.Food, l.Name = by.ID, ""
			l.Prep = slices.DeleteFunc(slices.Clone(l.Prep), func(p food.Preparation) bool { return !p.Do.Suits(by) })
			kept = append(kept, l)
		}
		return kept, dropped
	}
	var dropped []document.Line
	out.Lines, dropped = swap(d.Lines, false)
	allGone = append(slices.Clip(allGone), dropped...)
	out.Parts = nil
	for _, p := range d.Parts {
		p.Lines, _ = swap(p.Lines, p.Kind.OnPiece())
		if len(p.Lines) > 0 {
			out.Parts = append(out.Parts, p)
		}
	}
	return out, allGone
}

// freed is the table of a document with what a conversion takes out of classic recipes.
func freed(d *document.Document) eaters.Table {
	all := eaters.Eaters{}
	if d.Eaters != nil {
		all = *d.Eaters
	}
	all.Avoid = append(slices.Clone(all.Avoid), "egg", "gluten")
	return all.Table()
}

// isBody says whether a line is so much of its mix that it is the body of it.
func isBody(d *document.Document, l *document.Line) bool {
	sum := 0.
	for i := range d.Lines {
		sum += d.Lines[i].Grams
	}
	return l.Grams >= bodyShare*sum
}
