package advise

import (
	"math"
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

// base is a build from which a search begins: the document with other things in place of what gave way.
type base struct {
	doc   document.Document
	table eaters.Table
	// moves are the changes that were made to the document before the search begins: its panade.
	moves []candidate
	// trouble is what it costs beside, in minutes: a meat mix without its crumbs and milk is dense and dry.
	trouble float64
}

// basesOf gives the builds from which the search begins, and the lines of the document that gave way.
func basesOf(k *kitchen.Kitchen, d *document.Document, how Replace) (out []base, gone []document.Line) {
	rest, gone := without(k, d, how)
	if how != Classics {
		return []base{{doc: rest, table: table(d)}}, gone
	}
	t := freed(d)
	return panades(k, d, rest, gone, t), gone
}

// A panade holds so much of what it stands in for, g per g: kitchen practice, grade C.
const (
	crumbsForCrumbs = .85
	liquidForMilk   = .85
	mashForBoth     = .45
	// otherCosts is what it costs, in minutes of trouble, that it is not like what it stands in for.
	otherCosts = 10.
	// deletedCosts is what it costs, in minutes of trouble, to leave crumbs and milk out and put nothing in their place.
	deletedCosts = 8.
)

// panades are the mixes with something in place of crumbs and milk, the nearest first: crumbs without wheat in the
// milk or a plant's, mashed potato, oats; and at last nothing.
func panades(k *kitchen.Kitchen, d *document.Document, rest document.Document, gone []document.Line, t eaters.Table) []base {
	crumbs, milk := 0., 0.
	var first *food.Food
	for i := range gone {
		f := k.Foods.Find(gone[i].Food)
		switch {
		case f.Group == food.GrainBinder && !f.Sets: // flour is glue, and no crumb that swells
			crumbs += gone[i].Grams
			if first == nil {
				first = f
			}
		case f.Is(food.Liquid) || f.Group == food.Dairy && f.Water > 75:
			milk += gone[i].Grams
		}
	}
	u := useOf(d, k)
	bare := base{doc: rest, table: t, trouble: deletedCosts}
	if crumbs+milk == 0 || u == asBatter || u == asStuffing {
		bare.trouble = 0
		return []base{bare}
	}
	liquid := ""
	for _, id := range []string{"milk", "plant-milk", "broth", "water"} {
		f := k.Foods.Find(id)
		if f != nil && t.Check(f, k.LabelRead(id)).Status != eaters.Out && (id != "milk" || hasLine(gone, "milk")) {
			liquid = id
			break
		}
	}
	var out []base
	put := func(id string, grams, wet, trouble float64) {
		f := k.Foods.Find(id)
		if f == nil || t.Check(f, k.LabelRead(id)).Status == eaters.Out || grams < 3 {
			return
		}
		b := base{doc: rest, table: t, trouble: trouble}
		b.doc.Lines = slices.Clone(rest.Lines)
		m := Move{Code: Panade, Food: id, Now: measurable(grams)}
		pour(k.Foods, id, m.Now)(&b.doc)
		if wet = measurable(wet); wet >= 5 && liquid != "" {
			m.Liquid, m.LiquidG = liquid, wet
			pour(k.Foods, liquid, wet)(&b.doc)
		}
		b.moves = []candidate{{Move: m, slot: "panade", apply: func(*document.Document) {}}}
		out = append(out, b)
	}
	likeCrumbs := "gf-crumbs"
	if first != nil {
		if by := t.Equal(first, k.Foods); by != nil && !by.Is(food.Porridge) {
			likeCrumbs = by.ID
		}
	}
	put(likeCrumbs, crumbsForCrumbs*crumbs, liquidForMilk*milk, 0)
	put(likeCrumbs, crumbsForCrumbs*crumbs, .45*milk, 0)
	put("potato-mashed", mashForBoth*(crumbs+milk)+.3*crumbs, 0, otherCosts)
	put("oats-quick", .8*crumbs, liquidForMilk*milk, otherCosts)
	if len(out) > 0 && (u == withMeat || u == atSimmer) {
		return out // without a panade raw meat is dense and dry: nobody's way
	}
	return append(out, bare)
}

func hasLine(lines []document.Line, id string) bool {
	return slices.ContainsFunc(lines, func(l document.Line) bool { return l.Food == id })
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

// clearOf gives the document without anything that its table avoids, or that a classic recipe is freed
// of: like goes for like where there is such a food, and what has none is taken out, in its parts too.
// gone are the lines of the mix that were taken out before it, to which it adds. Eggs and what is made of wheat give way whoever
// eats, for that is what a conversion is for; a little wheat in a sauce, or bulgur, only where somebody leaves it out.
func clearOf(k *kitchen.Kitchen, d *document.Document, gone []document.Line) (out document.Document, allGone []document.Line) {
	t, guests, stuffing := freed(d), freedOf(d, "egg"), useOf(d, k) == asStuffing
	out, allGone = *d, gone
	swap := func(lines []document.Line, glue bool) (kept, dropped []document.Line) {
		for _, l := range lines {
			f := k.Foods.Find(l.Food)
			eat := t
			if !givesWay(Classics, f) {
				eat = guests
			}
			if eat.Check(f, k.LabelRead(f.ID)).Status != eaters.Out {
				kept = append(kept, l)
				continue
			}
			by := t.Equal(f, k.Foods)
			if f.Group == food.Egg {
				if by = nil; glue {
					by = k.Foods.Find(coatingGlue)
				}
			}
			if f.Group == food.GrainBinder && isBody(d, &l) && (stuffing || !t.HasEqual(f, k.Foods)) && guests.Check(f, k.LabelRead(f.ID)).Status != eaters.Out {
				kept = append(kept, l) // bread or crumbs that they may eat: a stuffing stays one
				continue
			}
			if by == nil || t.Check(by, nil).Status == eaters.Out {
				dropped = append(dropped, l)
				continue
			}
			l.Food, l.Name, l.Grams = by.ID, "", asDry(l.Grams, f, by)
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

// asDry is how much of one crumb or bread stands in for another, g: as much dry matter, where they are not about as moist.
func asDry(grams float64, f, by *food.Food) float64 {
	const alike = .15
	ratio := (100 - f.Water) / (100 - by.Water)
	if f.Group != food.GrainBinder || by.Group != food.GrainBinder || math.Abs(ratio-1) < alike {
		return grams
	}
	return measurable(ratio * grams)
}

// freed is the table of a document with what a conversion takes out of classic recipes.
func freed(d *document.Document) eaters.Table { return freedOf(d, "egg", "gluten") }

// freedOf is the table of a document with more that it leaves out.
func freedOf(d *document.Document, more ...string) eaters.Table {
	all := eaters.Eaters{}
	if d.Eaters != nil {
		all = *d.Eaters
	}
	all.Avoid = append(slices.Clone(all.Avoid), more...)
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
