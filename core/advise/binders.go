package advise

import (
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

// A binder that takes up water comes with a rest in which it does: longer where its time constant (tau, at 20 degC) is long. All
// in min; kitchen practice, grade C.
const (
	drinkMinutes = 15.
	slowTau      = 6.
	slowMinutes  = 20.
)

// binders are the foods that may be added to bind a build: those that are clear for everyone at its table and usual for its
// piece and its heat. What was asked for by name need only be clear and bind at all.
func (s *search) binders(st *state) (out []*food.Food) {
	u := st.use
	all := s.k.Foods.Foods()
	for i := range all {
		f := all[i]
		if s.table.Check(f, s.k.LabelRead(f.ID)).Status != eaters.Clear || f.Gone {
			continue
		}
		if len(s.named) > 0 {
			if slices.Contains(s.named, f.ID) && f.GlueCold+f.GlueHot > 0 {
				out = append(out, f)
			}
			continue
		}
		if row, known := usualOf(f); known && row.by[u].most > 0 && f.Gluten != "contains" {
			out = append(out, f)
		}
	}
	return s.firstOfTheBowl(st, u, out)
}

// firstOfTheBowl leaves out a binder where the mix holds one of the same stuff, of which more may still be added: nobody opens
// a bag of lentil flour for a mix with chickpea flour.
func (s *search) firstOfTheBowl(st *state, u use, foods []*food.Food) []*food.Food {
	has := map[food.Stuff]*food.Food{}
	for i := range st.parts {
		f := st.parts[i].Food
		row, known := usualOf(f)
		if !known || !f.Group.IsBinder() || row.by[u].most == 0 || !slices.Contains(foods, f) || len(s.named) > 0 {
			continue
		}
		if share := 100 * st.parts[i].Mass / st.effect.Mass; share < .8*row.by[u].most {
			has[f.Stuff] = f
		}
	}
	return slices.DeleteFunc(foods, func(f *food.Food) bool {
		first := has[f.Stuff]
		return first != nil && first != f && kindOf(first) == kindOf(f)
	})
}

// amountsOf are what a cook may add of a food for a use, g per 100 g of the mix with it.
func amountsOf(f *food.Food, u use) amounts {
	if row, known := usualOf(f); known && row.by[u].most > 0 {
		return row.by[u]
	}
	most := f.MaxPct
	if most == 0 {
		most = 10
	}
	return amounts{most / 4, most * .8}
}

// mostPaired is up to how many binders that were asked for by name each pair of them is tried.
const mostPaired = 6

// mostPrecise is up to how many binders each is tried in several amounts at once. Of more, each is tried in one, and the best
// are then tried further (foremost).
const mostPrecise = 80

// steps are the amounts of a binder that are tried, 0 for the least that is usual and 1 for the most.
var steps = []float64{0, .3, .6, 1}

// binding are the moves that add a binder, alone or as one of a pair, dry or with its water.
func (s *search) binding(st *state, foods []*food.Food) (out []candidate) {
	u := st.use
	steps := steps
	if len(foods) > mostPrecise {
		steps = []float64{.4}
	}
	for _, f := range foods {
		if st.lessened(f.ID) {
			continue // it was too much of it
		}
		a := amountsOf(f, u)
		for _, at := range steps {
			share := a.least + at*(a.most-a.least)
			out = append(out, s.amountOf(st, f, share, nil, 0)...)
		}
		if len(s.named) > 0 {
			if len(foods) > mostPaired {
				continue
			}
			for _, by := range foods {
				if by != f && by.ID > f.ID {
					b := amountsOf(by, u)
					out = append(out, s.amountOf(st, f, (a.least+a.most)/2, by, b.least)...)
				}
			}
			continue
		}
		row, _ := usualOf(f)
		for _, id := range row.with {
			by := s.k.Foods.Find(id)
			if by == nil || !slices.Contains(foods, by) {
				continue
			}
			b := amountsOf(by, u)
			for _, share := range []float64{a.least, (a.least + a.most) / 2} {
				out = append(out, s.amountOf(st, f, share, by, b.least)...)
			}
		}
	}
	return out
}

// amountOf are the moves that bring a food to that share of the mix, g per 100 g, with another: dry, and with the liquid
// that brings it to the middle of what its piece wants. None where there is as much already.
func (s *search) amountOf(st *state, f *food.Food, share float64, by *food.Food, byShare float64) (out []candidate) {
	there := 0.
	for i := range st.parts {
		if st.parts[i].Food == f {
			there += st.parts[i].Mass
		}
		if by != nil && st.parts[i].Food == by {
			return nil
		}
	}
	mass := st.effect.Mass
	grams := measurable((share/100*mass - there) / (1 - (share+byShare)/100))
	if grams < 1 || there > 0 && grams < 3 {
		return nil
	}
	m := Move{Code: AddBinder, Food: f.ID, Was: there, Now: there + grams}
	rest := st.rest
	e := st.effect.Plus(unitOf(f, rest), grams)
	tau := f.Tau
	if by != nil {
		m.With, m.WithG = by.ID, max(1, measurable(byShare/100*mass/(1-(share+byShare)/100)))
		e = e.Plus(unitOf(by, rest), m.WithG)
		tau = max(tau, by.Tau)
	}
	if was := rest.Minutes; tau >= slowTau && was < slowMinutes {
		m.Minutes = slowMinutes
	} else if tau > 0 && was < drinkMinutes {
		m.Minutes = drinkMinutes
	}
	liquids := []float64{0}
	band := st.duty.Band
	if st.did(LessLiquid) {
		return append(out, s.binderMove(m, 0, st.document()))
	}
	if wanted := (band.From+.45*(band.To-band.From))*e.Span - e.Free; wanted >= 5 {
		liquids = append(liquids, measurable(wanted))
		if wanted >= 20 {
			liquids = append(liquids, measurable(wanted*.6))
		}
	}
	for _, liquid := range liquids {
		if liquid > 0 && st.has("liquid") || st.poursBack(f, liquid) {
			continue
		}
		out = append(out, s.binderMove(m, liquid, st.document()))
	}
	return out
}

// mostPouredBack is how much of the water that moves take out of a mix a binder may bring back, a share of it: who wrings out a
// vegetable and then pours as much water in has done nothing.
const mostPouredBack = .4

// poursBack says that a binder with so much liquid, g, brings back too much of the water that was taken out. What gels needs its own.
func (st *state) poursBack(f *food.Food, liquid float64) bool {
	return f.GelWater() == 0 && st.dried() > 0 && liquid > mostPouredBack*st.dried()
}

// dried is the water that moves took out of lines, g.
func (st *state) dried() (out float64) {
	for i := range st.moves {
		if drying(st.moves[i : i+1]) {
			out += st.moves[i].WaterG
		}
	}
	return out
}

// unitOf is the effect of one gram of a food, unprepared, after a rest.
func unitOf(f *food.Food, rest mix.Rest) mix.Effect {
	line := mix.Line{Food: f, Grams: 1}
	part := line.Part()
	return part.Effect(rest)
}

// binderMove makes a candidate of a move that adds a binder, with so much liquid, g (0 for none).
func (s *search) binderMove(m Move, liquid float64, d *document.Document) candidate {
	if liquid > 0 {
		m.Liquid, m.LiquidG = s.liquidOf(d), liquid
		m.WaterG = -liquid
	} else {
		m.Liquid, m.LiquidG, m.WaterG = "", 0, 0
	}
	t := &s.k.Parameters.Trouble
	work := adding
	for _, id := range []string{m.Food, m.With} {
		if id != "" {
			f := s.k.Foods.Find(id)
			work += s.fetching(f, m.Was > 0 && id == m.Food)
			if id == m.Food && m.Was == 0 && s.inBowl(kindOf(f)) {
				work += besideAnother
			}
		}
	}
	if m.Liquid != "" {
		work += t.Measure / 2
	}
	was := 0.
	if d.Rest != nil {
		was = d.Rest.Minutes
	}
	return candidate{Move: m, slot: "binder", work: work, wait: max(0, m.Minutes-was), apply: func(d *document.Document) {
		add := pour(s.k.Foods, m.Food, m.Now-m.Was)
		add(d)
		if m.With != "" {
			pour(s.k.Foods, m.With, m.WithG)(d)
		}
		if m.Liquid != "" {
			pour(s.k.Foods, m.Liquid, m.LiquidG)(d)
		}
		if m.Minutes > 0 {
			restFor(m.Minutes)(d)
		}
	}}
}

// adding is what it costs, in minutes of trouble, to add a binder at all: a cause is undone before anything is added.
const adding = 8.

// besideAnother is what it costs, in minutes of trouble, to add a binder to a mix that has one of its kind.
const besideAnother = 5.

// inBowl says whether the document has a binder of that kind.
func (s *search) inBowl(kind Kind) bool {
	return slices.ContainsFunc(s.d.Lines, func(l document.Line) bool {
		f := s.k.Foods.Find(l.Food)
		return f.Group.IsBinder() && kindOf(f) == kind
	})
}

// fetching is what one more food costs this kitchen, in minutes: to weigh it, to fetch what it has not, and to trust
// what is in none of its builds.
func (s *search) fetching(f *food.Food, there bool) float64 {
	t := &s.k.Parameters.Trouble
	if there {
		return t.Measure / 2
	}
	out := t.Measure
	if !s.k.Have(f.ID) {
		out += t.Fetch * (1 - f.Staple)
	}
	if s.k.Used != nil && s.k.Used[f.ID] == 0 {
		out += t.Strange
	}
	return out
}

// table gives what the eaters of a document leave out.
func table(d *document.Document) eaters.Table { return d.Eaters.Table() }

// priceOf is what grams of foods cost, in the kitchen's currency; false where one has no price.
func priceOf(k *kitchen.Kitchen, add []Addition) (float64, bool) {
	sum := 0.
	for _, a := range add {
		if a.Food == "water" {
			continue
		}
		perKilo, known := k.Price(a.Food)
		if !known {
			return 0, false
		}
		sum += perKilo * a.Grams / 1000
	}
	return sum, true
}
