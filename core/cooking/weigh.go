package cooking

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// Weigh is an amount that goes into a bowl or a pan at a step: so many grams of a line, or what an
// earlier step made of lines that were weighed there.
type Weigh struct {
	// Line is which of the mix, or of the part, from 0. What an earlier step made has a number of
	// its own, from the number of lines on.
	Line int    `json:"line"`
	Food string `json:"food"`
	Name string `json:"name,omitempty"`
	// Grams of it: as the line is written, or as what was made is expected to weigh.
	Grams float64 `json:"grams"`
	// Within is how far the scale may be out before it tells in the bowl, g.
	Within float64 `json:"within"`
	// Apart tells two lines of one food from each other: the first preparation of this one, or
	// AsItIs; "" where the food stands in the mix once.
	Apart string `json:"apart,omitempty"`
	// Made says which step made it; nil for a line.
	Made *Made `json:"made,omitempty"`
}

// AsItIs is what a line has done to it that nothing is done to.
const AsItIs = "as-is"

// Made is what a step made of lines, which goes into the mix as one thing: a gel, what was fried.
type Made struct {
	// Step is the last that it went through, and Lines are those in it.
	Step  int   `json:"step"`
	Lines []int `json:"lines"`
}

// weigh gives each step the amounts that go in at it. A food that something is done to is weighed at
// the first thing that is done to it, and goes into the mix with what it was made into; the rest is
// weighed as it is mixed. Every gram of every line is asked for once.
func (d *Dish) weigh(k *kitchen.Kitchen) {
	left := make([]float64, len(d.Build.Lines)) // g of each line that nothing has asked for yet
	for i := range left {
		left[i] = d.Build.Lines[i].Grams
	}
	madeAt := map[int]int{} // the last step that a line goes through before it is mixed
	mixing := -1
	for n := range d.Steps {
		step := &d.Steps[n]
		switch {
		case step.Code == "make" && step.Part > 0:
			part := &d.Build.Parts[step.Part-1]
			for i := range part.Lines {
				l := &part.Lines[i]
				step.Weigh = append(step.Weigh, Weigh{Line: i, Food: l.Food, Name: l.Name, Grams: l.Grams, Within: tidy(max(d.scaleStep(l.Grams, k), 0.05*l.Grams))})
			}
		case step.Part > 0:
		case step.Code == "mix":
			mixing = n
		default:
			for _, i := range step.Lines {
				d.ask(n, i, left[i], left, k)
				madeAt[i] = n
			}
			if step.Code == string(food.SoakGel) {
				liquid := document.GelLiquid(d.Build, step.Lines, k)
				for i := range d.Build.Lines {
					if liquid[i] > 0 {
						d.ask(n, i, min(liquid[i], left[i]), left, k)
						step.Lines = append(slices.Clip(step.Lines), i)
					}
				}
			}
		}
	}
	if mixing < 0 {
		return
	}
	for i := range left {
		d.ask(mixing, i, left[i], left, k)
	}
	d.addMade(mixing, madeAt, k)
	d.inOrder(d.Steps[mixing].Weigh, k)
}

// ask has a step ask for grams of a line.
func (d *Dish) ask(step, line int, grams float64, left []float64, k *kitchen.Kitchen) {
	if grams < 1e-6 {
		return
	}
	left[line] -= grams
	l := &d.Build.Lines[line]
	w := Weigh{Line: line, Food: l.Food, Name: l.Name, Grams: grams, Within: within(d.Build, line, grams, k)}
	alike := func(o document.Line) bool { return o.Food == l.Food && o.Name == l.Name }
	if first := slices.IndexFunc(d.Build.Lines, alike); first != line || slices.IndexFunc(d.Build.Lines[line+1:], alike) >= 0 {
		if w.Apart = AsItIs; len(l.Prep) > 0 {
			w.Apart = string(l.Prep[0].Do)
		}
	}
	d.Steps[step].Weigh = append(d.Steps[step].Weigh, w)
}

// addMade has the mix ask for what earlier steps made, each as one thing.
func (d *Dish) addMade(mixing int, madeAt map[int]int, k *kitchen.Kitchen) {
	parts := mix.Parts(d.Build.MixLines(k.Foods))
	into := &d.Steps[mixing]
	for n := range d.Steps {
		step := &d.Steps[n]
		made, grams := Made{Step: n}, 0.
		for _, i := range step.Lines {
			if at, through := madeAt[i]; through && at == n {
				made.Lines, grams = append(made.Lines, i), grams+parts[i].Mass
			}
		}
		if len(made.Lines) == 0 || step.Part > 0 || step.Code == "mix" {
			continue
		}
		if step.Code == string(food.SoakGel) {
			for _, w := range step.Weigh {
				if !slices.Contains(made.Lines, w.Line) {
					made.Lines, grams = append(made.Lines, w.Line), grams+w.Grams
				}
			}
		}
		first := &d.Build.Lines[made.Lines[0]]
		into.Weigh = append(into.Weigh, Weigh{
			Line: len(d.Build.Lines) + n, Food: first.Food, Name: first.Name, Grams: grams,
			Within: tidy(max(d.scaleStep(grams, k), madeWithin*grams)), Made: &made,
		})
	}
}

// madeWithin is how far what was made may be from what it is expected to weigh, as a share: hobs and
// ovens differ.
const madeWithin = 0.1

// Amount is an amount of a step as it stands now: what was made weighs what really went into it.
func (s *State) Amount(dish, step, n int) Weigh {
	d := &s.plan.Dishes[dish]
	w := d.Steps[step].Weigh[n]
	if w.Made == nil {
		return w
	}
	planned, real := 0., 0.
	for i := range d.Steps {
		if d.Steps[i].Part > 0 {
			continue
		}
		for _, from := range d.Steps[i].Weigh {
			// A line of which a part is in a gel is weighed there and elsewhere.
			if from.Made != nil || !slices.Contains(w.Made.Lines, from.Line) || i == step {
				continue
			}
			planned += from.Grams
			if in, ok := s.Dishes[dish].Steps[i].Weighed[from.Line]; ok {
				real += in.Grams
			} else {
				real += from.Grams
			}
		}
	}
	if planned > 0 {
		w.Grams *= real / planned
	}
	return w
}

// inOrder is the order of mixing: the base first, then what seasons and wets it, and last what
// drinks, so that it meets a mix that is even.
func (d *Dish) inOrder(weigh []Weigh, k *kitchen.Kitchen) {
	place := func(w Weigh) int {
		f := k.Foods.Find(w.Food)
		switch f.Group {
		case food.Flavour:
			return 1
		case food.Wet, food.Fat, food.Dairy, food.Egg:
			return 2
		case food.NutBinder, food.Seed, food.Nut:
			return 3
		case food.Gel, food.GrainBinder, food.LegumeBinder, food.Starch:
			return 4
		}
		return 0
	}
	slices.SortStableFunc(weigh, func(a, b Weigh) int { return cmp.Compare(place(a), place(b)) })
}

// within is how far so many grams of a line may be out before the index of the mix moves by what a
// hand could tell: between a hundredth and a twentieth of the line, and no finer than the kitchen's
// scale tells.
func within(d *document.Document, line int, grams float64, k *kitchen.Kitchen) float64 {
	g := d.Lines[line].Grams
	other := *d
	other.Lines = slices.Clone(d.Lines)
	other.Lines[line].Grams = 1.05 * g
	was, is := predict.Predict(d, k), predict.Predict(&other, k)
	out := 0.05 * g
	if was.Q != nil && is.Q != nil {
		if moved := max(*is.Q-*was.Q, *was.Q-*is.Q); moved > 1e-6 {
			out = min(out, 0.05*g*toldBy/moved)
		}
	}
	step := k.Parameters.Amounts.ScaleStep
	if grams < 10*step {
		return min(step/2, grams/2) // of a pinch the scale tells no more than this
	}
	return tidy(max(min(out, 0.05*grams), 0.01*grams, step))
}

// scaleStep is the least that the kitchen's scale tells of an amount, g.
func (d *Dish) scaleStep(grams float64, k *kitchen.Kitchen) float64 {
	return min(k.Parameters.Amounts.ScaleStep, grams/2)
}

// toldBy is what the index may move by before a hand could tell.
const toldBy = 0.02

// tidy rounds an amount, g: to a tenth of a gram below one gram, and to whole grams from there on.
func tidy(g float64) float64 {
	if g < 1 {
		return math.Round(g*10) / 10
	}
	return math.Round(g)
}

// checkWeigh gives an error for a step that asks for a line which is not there.
func (d *Dish) checkWeigh(step int) error {
	s := &d.Steps[step]
	lines := 0
	if d.Build != nil {
		lines = len(d.Build.Lines)
		if s.Part > 0 {
			lines = len(d.Build.Parts[s.Part-1].Lines)
		}
	}
	for _, w := range s.Weigh {
		if !(w.Grams >= 0) || !(w.Within >= 0) || w.Line < 0 || w.Made == nil && w.Line >= lines {
			return fmt.Errorf("it weighs no line")
		}
		if w.Made != nil && (w.Line < lines || w.Made.Step < 0 || w.Made.Step >= len(d.Steps) ||
			slices.ContainsFunc(w.Made.Lines, func(i int) bool { return i < 0 || i >= lines })) {
			return fmt.Errorf("it adds what nothing made")
		}
	}
	for _, i := range s.Lines {
		if i < 0 || d.Build == nil || i >= len(d.Build.Lines) {
			return fmt.Errorf("it is about no line")
		}
	}
	return nil
}
