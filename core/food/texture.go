package food

import (
	_ "embed"
	"fmt"
	"strconv"
	"strings"
)

// learnedCSV is what builds with known outcomes taught about the figures of foods:
// cmd/fit writes it, docs/model.md says how.
//
//go:embed learned.csv
var learnedCSV string

// Figures that no published table gives: kitchen judgement, grade C, by group.
const (
	setsNearlyAll = 0.95
	setsHardly    = 0.18 // what has set before: mashes, cooked grains, nut pastes
	gelSets       = 0.38
	starchDrinks  = 3. // gelatinised starch against the raw granules
	flourDrinks   = 1.7
)

// texture gives the judged figures of a food that its row does not hold.
func (f *Food) texture() {
	f.Breaks, f.SetShare, f.HotDrink = 1, setsHardly, 1
	f.Stuff = f.stuff()
	switch {
	case f.Is(SmallGrain):
		f.Breaks = .45
	case f.Group == Grain && f.State == Cooked:
		f.Breaks = .7
	case f.Is(OwnStarch):
		f.Breaks = .2
	case f.Group == Vegetable && f.State == Raw && strings.HasSuffix(f.Name, ", grated"):
		f.Breaks = .4 // shreds felt together
	case f.Group == Vegetable, f.Group == Fruit, (f.Group == Meat || f.Group == Fish) && f.State == Cooked:
		f.Breaks = .6
	case f.Group == Nut, f.Group == Seed:
		f.Breaks = .9
	}
	flour := f.Sets && (f.Group == GrainBinder || f.Group == LegumeBinder || f.Group == NutBinder)
	switch {
	case f.Group == Egg, f.IsRawMeat(), f.Group == Starch && f.Sets, flour, f.Group == LegumeBinder,
		f.Group == Legume && f.State == Raw, f.Group == Grain && f.State == Raw && f.Sets,
		f.Is(SetsHot), f.Is(OwnStarch):
		f.SetShare = setsNearlyAll
	case f.Group == Gel:
		f.SetShare = gelSets
	case f.Group == Dairy:
		f.SetShare = .27
	}
	switch {
	case f.Group == Starch && f.Sets:
		f.HotDrink = starchDrinks
	case flour:
		f.HotDrink = flourDrinks
	}
}

// Learned is what outcomes taught about one food: factors on the figures of its row,
// and the judged figures anew. The zero value is not valid; see AsJudged.
type Learned struct {
	// Drink multiplies the plastic limit and, with Span, what lies between the limits;
	// Leak, Cold, Hot and Tau the figures of those names.
	Drink, Span, Leak, Cold, Hot, Tau float64
	// Chunk, Breaks, SetShare and HotDrink take the place of the figures.
	Chunk, Breaks, SetShare, HotDrink float64
	// DrinkSD and SpanSD are one standard deviation, relative, of how it drinks once
	// outcomes are known; 0 where its grade is all that is known.
	DrinkSD, SpanSD float64
}

// AsJudged gives a food as it was judged before any outcome was known: every factor is 1.
func (f *Food) AsJudged() Learned {
	return Learned{1, 1, 1, 1, 1, 1, f.Chunk, f.Breaks, f.SetShare, f.HotDrink, 0, 0}
}

// Taught gives the food with what was learned about it.
func (f *Food) Taught(l Learned) Food {
	out := *f
	span := f.Liquid - f.Plastic
	out.Plastic *= l.Drink
	out.Liquid = out.Plastic + span*l.Drink*l.Span
	out.Leak *= l.Leak
	out.GlueCold *= l.Cold
	out.GlueHot *= l.Hot
	out.Tau *= l.Tau
	out.Chunk, out.Breaks, out.SetShare, out.HotDrink = l.Chunk, l.Breaks, l.SetShare, l.HotDrink
	out.learnedSD = [2]float64{l.DrinkSD, l.SpanSD}
	return out
}

// DrinkSD is one standard deviation, relative, of its plastic limit and of what lies
// between its limits: what outcomes leave of it, else its grade.
func (f *Food) DrinkSD() (plastic, span float64) {
	plastic, span = f.learnedSD[0], f.learnedSD[1]
	if plastic == 0 {
		plastic = f.Grade.SD()
	}
	if span == 0 {
		span = f.Grade.SD()
	}
	return plastic, span
}

// LearnedColumns heads learned.csv.
const LearnedColumns = "food,drink,span,leak,cold,hot,tau,chunk,breaks,set_share,hot_drink,drink_sd,span_sd"

// Row gives what was learned as learned.csv has it.
func (l Learned) Row(id string) []string {
	row := []string{id}
	for _, x := range []float64{l.Drink, l.Span, l.Leak, l.Cold, l.Hot, l.Tau, l.Chunk, l.Breaks, l.SetShare, l.HotDrink, l.DrinkSD, l.SpanSD} {
		row = append(row, strconv.FormatFloat(x, 'f', 3, 64))
	}
	return row
}

func (c *Catalogue) learn() error {
	return eachRow(learnedCSV, LearnedColumns, func(row []string) error {
		f := c.Find(row[0])
		if f == nil {
			return fmt.Errorf("%w: learned about unknown food %q", ErrBadCatalogue, row[0])
		}
		l := f.AsJudged()
		for i, to := range []*float64{&l.Drink, &l.Span, &l.Leak, &l.Cold, &l.Hot, &l.Tau, &l.Chunk, &l.Breaks, &l.SetShare, &l.HotDrink, &l.DrinkSD, &l.SpanSD} {
			x, err := strconv.ParseFloat(row[i+1], 64)
			if err != nil || x < 0 || x > 20 || (i < 6 && x == 0) {
				return fmt.Errorf("%w: learned about %q: %q", ErrBadCatalogue, f.ID, row[i+1])
			}
			*to = x
		}
		*f = f.Taught(l)
		return nil
	})
}
