package recipe

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
)

// The parts of a recipe that are no parts of a build.
const (
	Frying  = "frying"
	Coated  = "coating"
	Serving = "serving"
	Liquid  = "cooking liquid"
)

// settle decides for every food which part it goes to, divides what goes to several,
// and gives it what the method does to it.
func (m *procedure) settle() {
	for _, e := range m.entries {
		if e.part == "" {
			m.place(e)
		}
		if e.part == "" {
			m.finish(e)
		}
	}
}

// roleOf is the part that a use of a food speaks of; "" for the mix.
func (m *procedure) roleOf(e *entry, u *use) string {
	fat := e.food.Group == food.Fat
	is := func(lists ...string) bool {
		return slices.ContainsFunc(u.verbs, func(v string) bool { return slices.Contains(lists, v) })
	}
	after := m.mixedAt >= 0 && u.sentence > m.mixedAt || u.sentence >= m.first()
	s := &m.sentences[u.sentence]
	switch {
	case s.has("mass") >= 0 && is("act.mix") && m.mixedAt >= 0 && u.sentence > m.cookAt:
		return "" // told late: "a la masa también le va ..."
	case s.soaked && (e.food.Is(food.Liquid) || e.food.ID == "baking-soda"):
		return "soaking"
	case fat && is("act.grease") && !is("do.fry", "do.cook"):
		return Frying
	case after && (is("act.shape") || e.gone) && s.has("word.fill") >= 0 && e.food.Group == food.Vegetable && e.item.Unit == "" && e.item.Amount >= 2:
		return "vessel"
	case after && !fat && s.has("into middle") >= 0:
		return "filling"
	case s.verb("act.coat") && after && !fat && (is("act.coat") || m.shapeAt >= 0 && u.sentence > m.shapeAt):
		return Coated
	case is("act.brush") && after && fat:
		return Frying
	case is("act.brush") && after && u.sentence >= m.first() && !s.verb("act.mix"): // and no bread of a stuffing, moistened with stock
		return "glaze"
	case is("act.serve") && after:
		return Serving
	case fat && after && (is("heat.pan", "heat.fry", "heat.cook", "heat.shallow", "heat.deep", "act.warm", "do.fry", "do.cook", "do.brown") || u.sentence >= m.first()):
		return Frying
	case m.cookAt >= 0 && u.sentence > m.cookAt:
		return Serving
	case m.shapeAt >= 0 && u.sentence > m.shapeAt:
		if u.sentence == m.cookAt {
			return Frying
		}
		return Coated
	}
	return ""
}

// place finds the part of a food that neither its line nor its heading gives.
func (m *procedure) place(e *entry) {
	if len(e.uses) == 0 {
		return
	}
	liquid, stirred := false, false
	roles := map[string]bool{}
	for i := range e.uses {
		u := &e.uses[i]
		roles[m.roleOf(e, u)] = true
		liquid = liquid || m.boils(e, u)
		stirred = stirred || !m.boils(e, u) && slices.Contains(u.verbs, "act.mix")
	}
	if liquid && !stirred {
		e.part = Liquid
		return
	}
	if !roles[""] && (e.item.Extra && len(m.spoken) == 0 || m.drops(e)) {
		return // what is used outside comes on top of it, or is a few drops of it
	}
	if !roles[""] {
		e.part = m.roleOf(e, &e.uses[0])
		return
	}
	if len(roles) > 1 {
		m.divide(e)
	}
}

// drops says that the uses of a food are of a small part of it.
func (m *procedure) drops(e *entry) bool {
	sum := 0.
	for i := range e.uses {
		if e.uses[i].grams == 0 {
			return false
		}
		sum += e.uses[i].grams
	}
	return sum < 0.2*e.item.Grams
}

// boils says that the food is what others are cooked in: water, milk or stock before
// the mix is together.
func (m *procedure) boils(e *entry, u *use) bool {
	if e.food.Group != food.Wet && !e.food.Is(food.Liquid) {
		return false
	}
	s := &m.sentences[u.sentence]
	return s.has("do.boil") >= 0 && u.sentence < max(1, m.mixedAt) && slices.ContainsFunc(s.mentions, func(x mention) bool {
		return slices.ContainsFunc(x.items, func(k int) bool {
			g := m.entries[k].food.Group
			return g == food.Grain || g == food.Legume || g == food.Fish || g == food.Meat || m.entries[k].food.ID == "potato-mashed"
		})
	})
}

// divide takes from a food of the mix what the method uses elsewhere: an amount it
// names, or what is left after one.
func (m *procedure) divide(e *entry) {
	whole := e.item.Grams
	inMix, outside := 0., 0.
	restIn := false
	for i := range e.uses {
		u := &e.uses[i]
		role := m.roleOf(e, u)
		switch {
		case role == "" && u.grams > 0 && u.grams < 0.97*whole:
			inMix += u.grams
		case role == "" && u.rest:
			restIn = true
		case role != "" && u.grams > 0 && u.grams < 0.97*whole:
			outside += u.grams
			e.shares = append(e.shares, share{u.grams, u.sentence, role})
		case role != "" && (u.rest || e.item.Divided):
			e.shares = append(e.shares, share{0, u.sentence, role})
		}
	}
	if len(e.shares) == 0 {
		return
	}
	left := whole
	if inMix > 0 && !restIn {
		left = min(inMix, whole)
	} else if outside > 0 {
		left = whole - outside
	}
	if left >= 0.97*whole || left <= 0 {
		e.shares = nil
		return
	}
	rest := whole - left
	e.item.Grams = left
	e.shares = e.shares[:1]
	e.shares[0].grams = rest
}

// finish puts together what the line and the method say is done to a food of the mix.
func (m *procedure) finish(e *entry) {
	mashed := slices.ContainsFunc(e.preps, func(t told) bool { return t.Do == food.Mash })
	if other := m.foods.Find(m.reader.Swap(e.food.ID, "grated")); other != nil && e.grated && !e.boiled && !mashed && !e.item.Tells("do.mash") && !e.item.Tells("do.boil") && !e.item.Cooked {
		e.item.Food, e.food = other.ID, other
	}
	preps := slices.Clone(e.item.Prep)
	if e.food.ID != e.item.Food {
		preps = nil
	}
	preps = slices.DeleteFunc(preps, func(p food.Preparation) bool { return !p.Do.Suits(e.food) })
	for _, t := range e.preps {
		if !t.Do.Suits(e.food) || t.share > 0 && len(e.shares) == 0 {
			continue
		}
		at := slices.IndexFunc(preps, func(p food.Preparation) bool { return p.Do == t.Do })
		switch {
		case at < 0:
			preps = append(preps, t.Preparation)
		case t.figured:
			preps[at].Minutes, preps[at].Hours = t.Minutes, t.Hours
		}
	}
	// A soak in water of what is cooked after is no preparation of the mix.
	e.item.Prep = preps
}

// shared gives the items of a line with those that parts of it became.
func (m *procedure) shared(line int) (out []ReadFood) {
	for _, e := range m.entries {
		if e.line != line {
			continue
		}
		it := ReadFood{Ingredient: *e.item, Sure: e.item.Sure(), Part: e.part}
		// A share of it is prepared and the rest is not.
		for _, t := range e.preps {
			if e.part != "" || len(e.shares) > 0 || t.share <= 0 || t.share >= 0.97 || !t.Do.Suits(e.food) {
				continue
			}
			part := it
			part.Grams = t.share * e.item.Grams
			part.Prep = append(slices.Clone(e.item.Prep), t.Preparation)
			it.Grams -= part.Grams
			out = append(out, part)
			break
		}
		out = append(out, it)
		for _, s := range e.shares {
			other := ReadFood{Ingredient: ingredient.Ingredient{Food: e.item.Food, Name: e.item.Name, Grams: s.grams, FoodSure: e.item.FoodSure, GramsSure: e.item.GramsSure, Said: true}, Sure: e.item.Sure(), Part: s.part}
			out = append(out, other)
		}
	}
	return out
}
