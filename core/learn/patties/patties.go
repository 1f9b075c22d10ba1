// Package patties plans test patties: which few small ones to fry before a big cooking, so that
// what is open (how much of a binder, which of them, rested or not) is learned soonest.
// docs/model.md, section 12.
package patties

import (
	"errors"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// Option is one way the build might be made.
type Option struct {
	Document *document.Document
	// Amount is grams of what is open, where an amount is; else 0.
	Amount float64
	// Chance is what the model gives it, 0..1.
	Chance float64

	// felt is the index that a hand feels, and odds the logarithm of the odds that it holds,
	// were the mix wetter than thought by each of wets.
	felt float64
	odds [len(wets)]float64
	sd   float64 // of the odds, beside
}

// wets are what the index of all may be off by, in standard deviations.
var wets = [9]float64{-2.4, -1.8, -1.2, -.6, 0, .6, 1.2, 1.8, 2.4}

// Question is what is open.
type Question struct {
	// Ordered says that the options are amounts of one thing, from the least.
	Ordered bool
	Options []Option
	wetSD   float64
}

// Limits.
const (
	MostOptions = 9
	Grams       = 30. // of a test patty
	// Sure is how likely the answer must be for frying to stop.
	Sure = .8
	// Enough is the chance at which an amount is enough: the least such is the answer.
	Enough = .75
	// Regret is the chance that choosing another could gain, below which one is as good.
	Regret = .03
	// MostAtOnce are planned to be fried at once.
	MostAtOnce = 3
	// mostFried are taken into account.
	mostFried = 40
)

// The index of a mix is off by no less than this, and a hand's word by wordSD (docs/model.md,
// section 9); the odds of an option are not surer than leastSD nor less sure than mostSD.
const (
	leastWetSD      = .08
	wordSD          = .16
	leastSD, mostSD = .5, 1.5
	leastOdds       = .002 // chances nearer to 0 or 1 tell no more
)

// ErrNoQuestion is that of fewer than two options or too many.
var ErrNoQuestion = errors.New("two to nine options make a question")

// Ask weighs the options in a kitchen.
func Ask(k *kitchen.Kitchen, ordered bool, options ...Option) (*Question, error) {
	if len(options) < 2 || len(options) > MostOptions {
		return nil, ErrNoQuestion
	}
	q := &Question{Ordered: ordered, Options: slices.Clone(options), wetSD: leastWetSD}
	for i := range q.Options {
		q.wetSD = max(q.wetSD, min(predict.Predict(q.Options[i].Document, k).QSD, .3))
	}
	for i := range q.Options {
		q.Options[i].weigh(k, q.wetSD)
	}
	return q, nil
}

func (o *Option) weigh(k *kitchen.Kitchen, wetSD float64) {
	d := o.Document
	duty := d.Duty(k)
	e := mix.Sum(d.Bowl(mix.Parts(d.MixLines(k.Foods))), d.RestIn(k))
	if x, ok := e.Expect(&duty, 0); ok {
		o.felt = x.Felt
	} else {
		o.felt = mix.DriestIndex
	}
	for n, off := range wets {
		wet := *d
		hand := document.Hand{Word: mix.Firm, WaterG: off * wetSD * e.Span}
		if d.Hand != nil {
			hand.WaterG += d.Hand.WaterG
		}
		wet.Hand = &hand
		p := predict.Predict(&wet, k)
		o.odds[n] = mix.Odds(p.Chance, leastOdds)
		if off == 0 {
			o.Chance = p.Chance
			o.sd = min(max((mix.Odds(p.ChanceHigh, leastOdds)-mix.Odds(p.ChanceLow, leastOdds))/(2*mix.Ninety), leastSD), mostSD)
		}
	}
}

// Grade is how a test patty came through being turned, lifted by its edge and cut.
type Grade string

// The grades, from the worst.
const (
	FellApart Grade = "fell-apart" // when shaped or turned
	Cracked   Grade = "cracked"    // but could be lifted
	Held      Grade = "held"
	Firm      Grade = "firm" // held even by its edge
)

// Grades lists every grade.
var Grades = []Grade{FellApart, Cracked, Held, Firm}

// gradeEdges are the odds of the strength of a patty between the grades. Patties of one base mix, by
// one hand and in one pan, go together more than the pieces of a cooking: their own luck is oneHand of it.
var gradeEdges = [...]float64{-1.2, 0, 1.2}

const oneHand = .6

// FriedPatty is a test patty: how its mix felt, "" where nobody squeezed it, and how it held.
type FriedPatty struct {
	Option int      `json:"option" minimum:"0" maximum:"8"`
	Word   mix.Word `json:"word,omitempty" enum:"crumbles,short,firm,tacky,slack,slumps"`
	Grade  Grade    `json:"grade,omitempty" enum:"fell-apart,cracked,held,firm"`
}

// Answer is what is known so far.
type Answer struct {
	// Chances say of each option how likely it is the answer; None that no option is.
	Chances []float64
	None    float64
	// Holds is how likely pieces of each option are to hold, now.
	Holds []float64
	// Best is the option to take; -1 where none is enough.
	Best int
	// Amount is that of the answer, with one standard deviation, of what is ordered, g.
	Amount, AmountSD float64
	// Sure says that it is sure enough, and Settled that no further patty would change it.
	Sure, Settled bool
	// Next are the options to fry next, all at once, and Gain what they tell, bit.
	Next []int
	Gain float64
}

// Decide gives what the patties fried so far tell, and which to fry next, up to as many.
func (q *Question) Decide(fried []FriedPatty, next int) Answer {
	w := q.worlds()
	for _, f := range fried[max(0, len(fried)-mostFried):] {
		if f.Option >= 0 && f.Option < len(q.Options) {
			w.see(f)
		}
	}
	out := w.answer()
	if out.Sure {
		if out.Settled = !w.changes(&out); out.Settled {
			return out
		}
	}
	out.Next, out.Gain = w.plan(min(max(next, 1), MostAtOnce))
	return out
}

// worlds are the ways it may be: the chance of each option in each, its weight and its answer.
type worlds struct {
	q      *Question
	chance [][]float64    // by world, by option
	grades [][][4]float64 // how likely each grade is
	weight []float64
	best   []int
	// words is how likely a mix of an option is to feel so, by world of wetness.
	words [len(wets)][][6]float64
	wet   []int // of each world
}

// worlds spreads what is not known over a grid. How wet the mix is is off for all options together.
// Amounts of one thing are off in their odds together, and by how much one more gram does; other
// options each by itself and together.
func (q *Question) worlds() *worlds {
	n := len(q.Options)
	w := &worlds{q: q}
	for wet, off := range wets {
		w.words[wet] = make([][6]float64, n)
		for i := range q.Options {
			w.words[wet][i] = wordsOf(q.Options[i].felt + off*q.wetSD)
		}
		add := func(weight float64, by func(i int) float64) {
			chance, grades := make([]float64, n), make([][4]float64, n)
			for i := range q.Options {
				odds := q.Options[i].odds[wet] + q.Options[i].sd*by(i)
				chance[i], grades[i] = mix.Logistic(odds), gradesOf(odds)
			}
			w.grades = append(w.grades, grades)
			w.chance, w.weight, w.best = append(w.chance, chance), append(w.weight, weight*math.Exp(-off*off/2)), append(w.best, q.best(chance))
			w.wet = append(w.wet, wet)
		}
		if q.Ordered {
			for a := -4; a <= 4; a++ {
				for b := -2; b <= 2; b++ {
					x, y := float64(a)/1.7, float64(b)
					add(math.Exp(-(x*x+y*y)/2), func(i int) float64 { return .8*x + .6*y*(2*float64(i)/float64(n-1)-1) })
				}
			}
			continue
		}
		q.apart(n, add)
	}
	w.normalise()
	return w
}

// apart spreads options that are no amounts: each by itself over the points of a Gauss-Hermite rule
// of three, the first five of them; further ones go with the first.
func (q *Question) apart(n int, add func(weight float64, by func(i int) float64)) {
	each := [3]float64{-math.Sqrt(3), 0, math.Sqrt(3)}
	weights := [3]float64{1. / 6, 2. / 3, 1. / 6}
	free := min(n, 5)
	for code := range int(math.Pow(3, float64(free))) {
		weight, rest := 1., code
		at := make([]float64, n)
		for i := range at {
			if i >= free {
				at[i] = at[i-free]
				continue
			}
			weight *= weights[rest%3]
			at[i] = each[rest%3]
			rest /= 3
		}
		add(weight, func(i int) float64 { return at[i] })
	}
}

// wordsOf is how likely a hand is to say each word of a mix that feels so.
func wordsOf(felt float64) (out [6]float64) {
	const slip = .02
	for i, w := range mix.SqueezeWords {
		low, high := mix.Between(w)
		out[i] = slip/6 + (1-slip)*(learn.Normal((high-felt)/wordSD)-learn.Normal((low-felt)/wordSD))
	}
	return out
}

// gradesOf is how likely each grade is of a patty with those odds.
func gradesOf(odds float64) (out [4]float64) {
	below := 0.
	for i := range out {
		to := 1.
		if i < len(gradeEdges) {
			to = mix.Logistic((gradeEdges[i] - odds) / oneHand)
		}
		out[i], below = to-below, to
	}
	return out
}

// best is the answer where the chances are so: of amounts the least that is enough, of others the
// likeliest to hold, the first of equals. As many as there are options stands for none.
func (q *Question) best(chance []float64) int {
	if q.Ordered {
		for i, p := range chance {
			if p >= Enough {
				return i
			}
		}
		return len(chance)
	}
	best := 0
	for i, p := range chance {
		if p > chance[best]+1e-9 {
			best = i
		}
	}
	return best
}

func (w *worlds) normalise() {
	sum := 0.
	for _, x := range w.weight {
		sum += x
	}
	for i := range w.weight {
		w.weight[i] /= sum
	}
}

// likely is how likely a finding is in a world.
func (w *worlds) likely(world int, f FriedPatty) float64 {
	p := 1.
	if grade := slices.Index(Grades, f.Grade); grade >= 0 {
		p = w.grades[world][f.Option][grade]
	}
	if at := slices.Index(mix.SqueezeWords, f.Word); at >= 0 {
		p *= w.words[w.wet[world]][f.Option][at]
	}
	return max(p, 1e-9)
}

func (w *worlds) see(f FriedPatty) {
	for i := range w.weight {
		w.weight[i] *= w.likely(i, f)
	}
	w.normalise()
}

// byAnswer is how likely each answer is, none last.
func (w *worlds) byAnswer(weight []float64, out []float64) []float64 {
	clear(out)
	for i, x := range weight {
		out[w.best[i]] += x
	}
	return out
}

func (w *worlds) answer() Answer {
	q, n := w.q, len(w.q.Options)
	p := w.byAnswer(w.weight, make([]float64, n+1))
	out := Answer{Chances: p[:n], None: p[n], Best: -1, Next: []int{}, Holds: make([]float64, n)}
	mass, mean, square := 0., 0., 0.
	most := 0.
	for i, x := range w.weight {
		for o, c := range w.chance[i] {
			out.Holds[o] += x * c
		}
		most += x * slices.Max(w.chance[i])
	}
	for i, x := range out.Chances {
		a := q.Options[i].Amount
		mass, mean, square = mass+x, mean+x*a, square+x*a*a
	}
	if mass > 0 {
		out.Amount = mean / mass
		out.AmountSD = math.Sqrt(max(0, square/mass-out.Amount*out.Amount))
	}
	if !q.Ordered {
		for i, c := range out.Holds {
			if out.Best < 0 || c > out.Holds[out.Best] {
				out.Best = i
			}
		}
		out.Sure = out.Chances[out.Best] >= Sure || most-out.Holds[out.Best] <= Regret
		return out
	}
	// Of two neighbours that it lies between, the greater is enough.
	two := out.None
	for i := range out.Chances {
		with := out.Chances[i]
		if i > 0 {
			with += out.Chances[i-1]
		}
		if with > two {
			two, out.Best = with, i
		}
	}
	if out.Best > 0 && out.Chances[out.Best-1] >= Sure {
		out.Best--
	}
	out.Sure = two >= Sure
	return out
}

// changes says whether one more patty could make another answer the best.
func (w *worlds) changes(now *Answer) bool {
	for o := range w.q.Options {
		for _, grade := range Grades {
			f := FriedPatty{Option: o, Grade: grade}
			likely := 0.
			for i, x := range w.weight {
				likely += x * w.likely(i, f)
			}
			if likely < .05 {
				continue // it will hardly come out so
			}
			next := *w
			next.weight = slices.Clone(w.weight)
			next.see(f)
			if next.answer().Best != now.Best {
				return true
			}
		}
	}
	return false
}

// plan chooses patties to fry at once: one after the other, each the one that adds most to what all of
// them tell of the answer (mutual information, exact over every way they may come out).
func (w *worlds) plan(count int) (next []int, gain float64) {
	next = []int{}
	for range count {
		best, told := -1, gain+.01
		for o := range w.q.Options {
			if t := w.tells(append(slices.Clone(next), o)); t > told {
				best, told = o, t
			}
		}
		if best < 0 {
			break
		}
		next, gain = append(next, best), told
	}
	return next, gain
}

// tells is the mutual information between the answer and how patties of those options come out, bit.
func (w *worlds) tells(options []int) float64 {
	room := make([]float64, len(w.q.Options)+1)
	before := entropy(w.byAnswer(w.weight, room))
	return before - w.left(w.weight, options, room)
}

// leastLikely is the chance below which a way that patties may come out is left out of the sum.
const leastLikely = 1e-3

// left is the entropy of the answer after those patties, on average, times how likely the worlds are.
func (w *worlds) left(weight []float64, options []int, room []float64) float64 {
	total := 0.
	for _, x := range weight {
		total += x
	}
	if total < leastLikely {
		return 0
	}
	if len(options) == 0 {
		p := w.byAnswer(weight, room)
		for i := range p {
			p[i] /= total
		}
		return total * entropy(p)
	}
	out := 0.
	next := make([]float64, len(weight))
	for _, word := range mix.SqueezeWords {
		for _, grade := range Grades {
			f := FriedPatty{options[0], word, grade}
			for i, x := range weight {
				next[i] = x * w.likely(i, f)
			}
			out += w.left(next, options[1:], room)
		}
	}
	return out
}

func entropy(p []float64) float64 {
	out := 0.
	for _, x := range p {
		if x > 0 {
			out -= x * math.Log2(x)
		}
	}
	return out
}
