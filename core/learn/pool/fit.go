package pool

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/learn"
)

// What is thought of the parts of the variance of a figure before any household speaks, in variances of what a single kitchen
// is off by (learn.FoodFigure.SD): kitchens differ about a food's average by half of it, foods about the average of their
// group by a third, and groups about the catalogue by the rest. Each guess counts for as much as guessWorth observations.
const (
	guessKitchens = .5
	guessFoods    = .33
	guessGroups   = .17
	guessWorth    = 6.
	leastPart     = .02
	mostPart      = 2.
)

// farthest is how far a household is let pull at a figure, in standard deviations of what households differ by: one whose
// beans are beyond belief counts as one at the edge of it (Huber 1964).
const farthest = 2.5

// speaks is the least that a household must tell of a figure to count among those behind it, as a share of what was known
// before.
const speaks = .02

const (
	// The averages and the parts of the variance are worked out in turn, at most so often, until no part changes by more than
	// this.
	rounds = 60
	still  = .003
	// Within a round the averages are moved so often to where the bounded pulls of all households balance.
	settles = 6
)

// evidence is what a household says of figures, by their number.
type evidence struct {
	at          []int
	information *mat.SymDense
	pull        []float64
}

// merged adds up what kitchens of one household say.
func merged(all []*learn.Testimony, number map[string]int) *evidence {
	e := &evidence{}
	for _, t := range all {
		for _, id := range t.Figures {
			if n, known := number[id]; known && !slices.Contains(e.at, n) {
				e.at = append(e.at, n)
			}
		}
	}
	if len(e.at) == 0 {
		return nil
	}
	slices.Sort(e.at)
	e.information, e.pull = mat.NewSymDense(len(e.at), nil), make([]float64, len(e.at))
	for _, t := range all {
		for i, id := range t.Figures {
			n, known := number[id]
			if !known {
				continue
			}
			a := slices.Index(e.at, n)
			e.pull[a] += t.Pull[i]
			for j := i; j < len(t.Figures); j++ {
				if m, known := number[t.Figures[j]]; known {
					b := slices.Index(e.at, m)
					e.information.SetSym(a, b, e.information.At(a, b)+t.Information.At(i, j))
				}
			}
		}
	}
	return e
}

// says tells whether the tries of the household say enough of its figure i to count it among those behind that figure.
func (e *evidence) says(i int) bool { return e.information.At(i, i) >= speaks }

// parts say how much of the variance of the figures of one kind (water or drink) lies between kitchens, how much between the
// foods of a group, and how much between groups.
type parts struct{ kitchens, foods, groups float64 }

// fit is the estimate: of each figure in standard deviations of a single kitchen.
type fit struct {
	figures []learn.FoodFigure
	kind    []string
	group   []string // with its kind
	all     []*evidence
	parts   map[string]*parts

	mean     *mat.VecDense
	spread   *mat.SymDense // of mean
	prior    *mat.SymDense // its inverse: precision of the averages without households
	expected []own         // of each household
}

// own is how far the figures of a household are off the averages, and how well that is known where the averages are.
type own struct {
	off   []float64
	cov   *mat.SymDense
	known *mat.Dense // cov times the information of its tries
}

// kindOf is water or drink.
func kindOf(id string) string {
	if learn.IsFactor(id) {
		return Drink
	}
	return Water
}

func newFit(figures []learn.FoodFigure, all []*evidence) *fit {
	f := &fit{figures: figures, all: all, parts: map[string]*parts{}, mean: mat.NewVecDense(len(figures), nil)}
	for i := range figures {
		kind := kindOf(figures[i].ID)
		f.kind, f.group = append(f.kind, kind), append(f.group, groupOf(&figures[i]))
		f.parts[kind] = &parts{guessKitchens, guessFoods, guessGroups}
	}
	return f
}

// estimate fits the averages, and how much of the variance is whose.
func (f *fit) estimate() error {
	for range rounds {
		if err := f.average(); err != nil {
			return err
		}
		if f.share() < still {
			break
		}
	}
	return f.average()
}

// means are the averages, in the units of figures.
func (f *fit) means() map[string]float64 {
	out := map[string]float64{}
	for i, one := range f.figures {
		out[one.ID] = one.SD * f.mean.AtVec(i)
	}
	return out
}

// average works out the averages where the parts of the variance are known. What a household pulls at is bounded.
func (f *fit) average() error {
	n := len(f.figures)
	covariance := mat.NewSymDense(n, nil)
	for i := range n {
		for j := i; j < n; j++ {
			if f.group[i] == f.group[j] {
				covariance.SetSym(i, j, f.parts[f.kind[i]].groups)
			}
		}
		covariance.SetSym(i, i, covariance.At(i, i)+f.parts[f.kind[i]].foods)
	}
	var err error
	if f.prior, err = inverse(covariance); err != nil {
		return err
	}
	precision := mat.NewSymDense(n, nil)
	precision.CopySym(f.prior)
	f.expected = make([]own, len(f.all))
	for k, e := range f.all {
		if err := f.settle(k, e); err != nil {
			return err
		}
		// Information less what goes to what the household is like itself.
		var taken mat.Dense
		taken.Mul(e.information, f.expected[k].known)
		for i, a := range e.at {
			for j := i; j < len(e.at); j++ {
				precision.SetSym(a, e.at[j], precision.At(a, e.at[j])+e.information.At(i, j)-taken.At(i, j))
			}
		}
	}
	if f.spread, err = inverse(precision); err != nil {
		return err
	}
	for range settles {
		pull := mat.NewVecDense(n, nil)
		pull.MulVec(f.prior, f.mean)
		pull.ScaleVec(-1, pull)
		for k, e := range f.all {
			f.differs(k, e)
			for i, a := range e.at {
				pull.SetVec(a, pull.AtVec(a)+f.expected[k].off[i]/f.parts[f.kind[a]].kitchens)
			}
		}
		var step mat.VecDense
		step.MulVec(f.spread, pull)
		f.mean.AddVec(f.mean, &step)
	}
	return nil
}

// settle works out how well a household is known.
func (f *fit) settle(k int, e *evidence) error {
	q := mat.NewSymDense(len(e.at), nil)
	q.CopySym(e.information)
	for i, a := range e.at {
		q.SetSym(i, i, q.At(i, i)+1/f.parts[f.kind[a]].kitchens)
	}
	cov, err := inverse(q)
	if err != nil {
		return err
	}
	o := &f.expected[k]
	o.cov, o.off, o.known = cov, make([]float64, len(e.at)), new(mat.Dense)
	o.known.Mul(cov, e.information)
	return nil
}

// differs works out how a household lies from the averages, no farther than is believed.
func (f *fit) differs(k int, e *evidence) {
	o := &f.expected[k]
	left := mat.NewVecDense(len(e.at), nil)
	here := mat.NewVecDense(len(e.at), nil)
	for i, a := range e.at {
		here.SetVec(i, f.mean.AtVec(a))
	}
	left.MulVec(e.information, here)
	left.SubVec(mat.NewVecDense(len(e.at), e.pull), left)
	var off mat.VecDense
	off.MulVec(o.cov, left)
	for i, a := range e.at {
		most := farthest * math.Sqrt(f.parts[f.kind[a]].kitchens)
		o.off[i] = min(max(off.AtVec(i), -most), most)
	}
}

// share works out the parts of the variance anew, each from how far what it is of lies off, against how much of that the
// households tell (MacKay 1992, section 4.2). It gives the largest change.
func (f *fit) share() (change float64) {
	type sums struct{ square, told float64 }
	kitchens, foods, groups := map[string]*sums{}, map[string]*sums{}, map[string]*sums{}
	for kind := range f.parts {
		kitchens[kind], foods[kind], groups[kind] = &sums{}, &sums{}, &sums{}
	}
	for k, e := range f.all {
		for i, a := range e.at {
			s := kitchens[f.kind[a]]
			s.square += f.expected[k].off[i] * f.expected[k].off[i]
			s.told += max(0, 1-f.expected[k].cov.At(i, i)/f.parts[f.kind[a]].kitchens)
		}
	}
	pulled, told := f.pulled()
	byGroup := map[string][]int{}
	for i, group := range f.group {
		p, s := f.parts[f.kind[i]], foods[f.kind[i]]
		s.square += p.foods * p.foods * pulled.AtVec(i) * pulled.AtVec(i)
		s.told += max(0, p.foods*told.At(i, i))
		byGroup[group] = append(byGroup[group], i)
	}
	for _, members := range byGroup {
		kind := f.kind[members[0]]
		mean, variance := f.ofGroup(members, pulled, told)
		groups[kind].square += mean * mean
		groups[kind].told += max(0, 1-variance/f.parts[kind].groups)
	}
	anew := func(part *float64, s *sums, guess float64) {
		was := *part
		*part = min(max((guessWorth*guess+s.square)/(guessWorth+s.told), leastPart), mostPart)
		change = max(change, math.Abs(*part-was))
	}
	for kind, p := range f.parts {
		anew(&p.kitchens, kitchens[kind], guessKitchens)
		anew(&p.foods, foods[kind], guessFoods)
		anew(&p.groups, groups[kind], guessGroups)
	}
	return change
}

// pulled is what the averages are drawn to by households, and told how much of their variance that settles.
func (f *fit) pulled() (pulled *mat.VecDense, told *mat.Dense) {
	pulled = mat.NewVecDense(len(f.figures), nil)
	pulled.MulVec(f.prior, f.mean)
	var settled, some mat.Dense
	some.Mul(f.prior, f.spread)
	settled.Mul(&some, f.prior)
	told = new(mat.Dense)
	told.Sub(f.prior, &settled)
	return pulled, told
}

// ofGroup is the average of a group and its variance.
func (f *fit) ofGroup(members []int, pulled *mat.VecDense, told *mat.Dense) (mean, variance float64) {
	part := f.parts[f.kind[members[0]]].groups
	drawn, settled := 0., 0.
	for _, i := range members {
		drawn += pulled.AtVec(i)
		for _, j := range members {
			settled += told.At(i, j)
		}
	}
	return part * drawn, max(0, part-part*part*settled)
}

// groupWeights is how much the average of a group moves as the averages of figures are drawn by so much.
func (f *fit) groupWeights(members []int) *mat.VecDense {
	ones := mat.NewVecDense(len(f.figures), nil)
	for _, i := range members {
		ones.SetVec(i, f.parts[f.kind[i]].groups)
	}
	var by, out mat.VecDense
	by.MulVec(f.prior, ones)
	out.MulVec(f.spread, &by)
	return &out
}

// moves is the most by which any one household moves what goes with the averages by those weights.
func (f *fit) moves(weights func(figure int) float64) (most float64) {
	for k, e := range f.all {
		sum := 0.
		for i, a := range e.at {
			sum += weights(a) * f.expected[k].off[i] / f.parts[f.kind[a]].kitchens
		}
		most = max(most, math.Abs(sum))
	}
	return most
}

// behind is how many households tell of a figure.
func (f *fit) behind(figures ...int) (count int) {
	for _, e := range f.all {
		for i, a := range e.at {
			if slices.Contains(figures, a) && e.says(i) {
				count++
				break
			}
		}
	}
	return count
}

func inverse(m *mat.SymDense) (*mat.SymDense, error) {
	var chol mat.Cholesky
	if !chol.Factorize(m) {
		return nil, learn.ErrNoBelief
	}
	out := mat.NewSymDense(m.SymmetricDim(), nil)
	if err := chol.InverseTo(out); err != nil {
		return nil, learn.ErrNoBelief
	}
	return out, nil
}

// groupOf is what figures are alike by: their kind and the group of their food.
func groupOf(f *learn.FoodFigure) string { return kindOf(f.ID) + " " + string(f.Food.Group) }
