package simulated

import (
	"fmt"
	"math"
	"math/rand/v2"
	"sync"
	"time"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/predict/bake"
)

// Dish is one that made-up kitchens cook: when a usual kitchen takes it off the heat, min, and whether it is baked.
type Dish struct {
	Document *document.Document
	Off      float64
	Oven     bool
}

// Repertoire are dishes of every family of the builds with known outcomes, one of each.
var Repertoire = sync.OnceValue(func() []Dish { return dishes(1) })

// Cookbook are more of them, in which foods meet each other in many ways.
var Cookbook = sync.OnceValue(func() []Dish { return dishes(6) })

// dishes are so many of each family that are likely enough to hold.
func dishes(ofFamily int) (out []Dish) {
	all, err := learn.Outcomes(food.Starter())
	if err != nil {
		panic(err) // what ships with the program can be read
	}
	seen := map[string]int{}
	for _, b := range all {
		d, err := document.Read(b.Document, food.Starter())
		if err != nil {
			panic(err)
		}
		if b.Chance() < .2 || seen[b.Family] == ofFamily {
			continue
		}
		seen[b.Family]++
		d.Name = b.ID
		one := Dish{Document: d, Oven: learn.InOven(d)}
		if baked := bake.Bake(d, kitchen.Usual(), bake.Options{Now: -1}); baked.PullAt != nil {
			one.Off = *baked.PullAt
		}
		out = append(out, one)
	}
	return out
}

// FoodsOf lists the foods of dishes, each once.
func FoodsOf(dishes []Dish) (out []*food.Food) {
	seen := map[string]bool{}
	for _, d := range dishes {
		for _, l := range d.Document.Lines {
			if !seen[l.Food] {
				seen[l.Food] = true
				out = append(out, food.Starter().Find(l.Food))
			}
		}
	}
	return out
}

// Varied is a dish as it is cooked on a day: a little more of this, less of that.
func Varied(d *document.Document, r *rand.Rand) *document.Document {
	out := *d
	out.Lines = append([]document.Line(nil), d.Lines...)
	for i := range out.Lines {
		sd := .04
		if f := food.Starter().Find(out.Lines[i].Food); f.Group.IsBinder() || f.ID == "water" {
			sd = .2
		}
		out.Lines[i].Grams = math.Max(.5, math.Round(2*out.Lines[i].Grams*math.Exp(sd*r.NormFloat64()))/2)
	}
	return &out
}

// Tries are so many cookings of dishes, a day apart; look says what the cook looks at on each.
func (t *Truth) Tries(dishes []Dish, count int, r *rand.Rand, look func(i int) Day) (out []learn.Try) {
	for i := range count {
		one := dishes[r.IntN(len(dishes))]
		d := Varied(one.Document, r)
		day := look(i)
		day.Seed, day.Off = r.Uint64(), one.Off
		found := t.Cook(d, day)
		out = append(out, learn.Try{ID: fmt.Sprint(i), At: time.Unix(int64(i)*86400, 0), Document: d, Found: &found})
	}
	return out
}

// Street is many kitchens that buy alike: what a food is like on average there, for all of them.
type Street struct {
	// Common are figures of foods as they are on average; factors as natural logarithms.
	Common map[string]float64
	// Between is how much of the variance of a figure is between kitchens, 0..1.
	Between float64
}

// DrawnStreet draws one: of the variance of each figure of those foods, between is left to its kitchens, a third of the rest
// is common to a group of the catalogue, and the other two thirds are each food's own.
func DrawnStreet(seed uint64, foods []*food.Food, between float64) Street {
	r := rand.New(rand.NewPCG(seed, 78))
	out, groups := Street{Common: map[string]float64{}, Between: between}, map[food.Group]float64{}
	for _, f := range learn.FoodFigures(foods) {
		if _, drawn := groups[f.Food.Group]; !drawn {
			groups[f.Food.Group] = r.NormFloat64()
		}
		out.Common[f.ID] = f.SD * (math.Sqrt((1-between)/3)*groups[f.Food.Group] + math.Sqrt((1-between)*2/3)*r.NormFloat64())
	}
	return out
}

// Drawn is a kitchen of the street: its foods about what is common, its oven and hands as they come anywhere.
func (s *Street) Drawn(seed uint64, foods []*food.Food) Truth {
	out := Drawn(seed, foods)
	for id, common := range s.Common {
		out.Figures[id] = common + math.Sqrt(s.Between)*out.Figures[id]
	}
	return out
}

// Averages are the foods as they are on average there.
func (s *Street) Averages() map[string]food.Deviation {
	out := map[string]food.Deviation{}
	for id, common := range s.Common {
		d := out[learn.FoodOf(id)]
		if learn.IsFactor(id) {
			d.Drink = common
		} else {
			d.Water = common
		}
		out[learn.FoodOf(id)] = d
	}
	return out
}
