package dish

import (
	"math"
	"slices"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
)

// Purchase is a food to buy for a dish.
type Purchase struct {
	Food string
	// Name is what the lines call it, where the food stands for many alike; "" elsewhere.
	Name string
	// Grams that the lines need, drained where they are.
	Grams float64
	Have  bool
	Sizes *food.Measure
	// Pack is what it is sold in, Count how many of those, each of PackG; empty where it is
	// bought loose.
	Pack  string
	PackG float64
	Count int
	// LeftG is what stays of the last pack, and LiquidG what is poured off all.
	LeftG   float64
	LiquidG float64
	// GoodFor are codes of what the rest is good for.
	GoodFor []string
	// Dry is the food it can be cooked from instead, and DryG how much of that.
	Dry  string
	DryG float64
	Cost *float64
}

// Amount is so much of a food.
type Amount struct {
	Food string
	// Name is what the lines call it, where the food stands for many alike: cumin of the dried spices.
	Name  string
	Grams float64
}

// Like says whether two amounts are of one thing to buy.
func (a Amount) Like(b Amount) bool { return a.Food == b.Food && strings.EqualFold(a.Name, b.Name) }

// Amounts lists what the mix and the parts of a document need, each food once under each of its names,
// in the order they first appear. Water is left out.
func Amounts(d *document.Document) []Amount {
	out := []Amount{}
	add := func(lines []document.Line) {
		for _, l := range lines {
			if l.Food == "water" {
				continue
			}
			one := Amount{Food: l.Food, Name: l.Name}
			at := slices.IndexFunc(out, one.Like)
			if at < 0 {
				out = append(out, one)
				at = len(out) - 1
			}
			out[at].Grams += l.Grams
		}
	}
	add(d.Lines)
	for i := range d.Parts {
		add(d.Parts[i].Lines)
	}
	return out
}

// Shop lists what to buy for a document, in the order of Amounts, and last what it is fried in; packs are
// rounded up.
func Shop(d *document.Document, k *kitchen.Kitchen) []Purchase {
	out := []Purchase{}
	for _, a := range Amounts(d) {
		out = append(out, Buy(a, k))
	}
	if oil, left, fried := Frying(d, k); fried {
		p := Buy(oil, k)
		p.LeftG, p.GoodFor = left, []string{"for-frying"}
		if left > 0 {
			p.GoodFor = append(p.GoodFor, "oil-again")
		}
		out = append(out, p)
	}
	return out
}

// Buy says how a food that the kitchen knows is bought in that amount; packs are rounded up.
func Buy(a Amount, k *kitchen.Kitchen) Purchase {
	f := k.Foods.Find(a.Food)
	p := Purchase{Food: a.Food, Name: a.Name, Grams: a.Grams, Have: k.Have(a.Food)}
	if m, ok := f.Measure(p.Grams); ok {
		p.Sizes = &m
	}
	p.pack(f)
	if y := k.Foods.FromDry(f); len(y) > 0 {
		p.Dry, p.DryG = y[0].Dry.ID, Weighable(p.Grams/y[0].Factor)
	}
	if perKilo, known := k.Price(p.Food); known {
		bought := p.Grams
		if p.Count > 0 {
			bought += p.LeftG
		}
		cost := perKilo * bought / 1000
		p.Cost = &cost
	}
	return p
}

// pack chooses the size of which least is left over and, of those, the fewest.
func (p *Purchase) pack(f *food.Food) {
	best := math.Inf(1)
	for _, each := range f.Packs {
		n := max(1, int(math.Ceil(p.Grams/each.Drained-0.02))) // two per cent short is as good as full
		left := max(0, float64(n)*each.Drained-p.Grams)
		if worth := left + 0.01*float64(n); worth < best {
			best = worth
			p.Pack, p.PackG, p.Count = each.Name, each.Total, n
			p.LeftG, p.LiquidG = left, float64(n)*(each.Total-each.Drained)
		}
	}
	if p.LeftG > 0 {
		p.GoodFor = append(p.GoodFor, restOf(f))
	}
	if p.LiquidG > 0 {
		p.GoodFor = append(p.GoodFor, liquidOf(f))
	}
}

// restOf is what the rest of a pack is good for, and how it keeps.
func restOf(f *food.Food) string {
	switch f.Group {
	case food.Legume:
		return "rest-salad" // three days in the fridge, or frozen
	case food.Fish, food.Meat:
		return "rest-tomorrow"
	case food.Wet, food.Dairy:
		return "rest-freeze-cubes"
	case food.Vegetable, food.Fruit, food.Grain:
		return "rest-soup"
	case food.Nut:
		return "rest-freeze"
	}
	return "rest-keeps" // dry, shut tight
}

func liquidOf(f *food.Food) string {
	switch {
	case f.Group == food.Legume && f.State != food.Raw && !f.Is(food.Curd):
		return "liquid-foam" // a wash, or beaten to a foam
	case f.Group == food.Fish:
		return "liquid-broth"
	}
	return "liquid-away"
}
