package pool

import (
	"math"
	"math/rand/v2"
	"runtime"
	"sync"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/simulated"
)

// imaginings is how often all tries are imagined.
const imaginings = 4

// correction is what a fit says too much of each figure, in its standard deviations, and by how much its variance is to be
// multiplied.
type correction struct {
	off    map[string]float64
	spread float64
}

// imagine finds out what the fit says too much: what a try tells is taken as straight about where a kitchen is thought to be,
// and is not. The same kitchens are imagined to cook the same mixes, with foods that are as the fit says, and what is fitted
// to how those come out is held against it (indirect inference: Gouriéroux, Monfort and Renault 1993). How far the imagined
// fits lie from each other is how unsure one is.
func imagine(kitchens []Kitchen, common *food.Catalogue, all []learn.FoodFigure, f *fit) (correction, error) {
	out := correction{off: map[string]float64{}, spread: 1}
	about := f.means()
	var fits []*fit
	for seed := range uint64(imaginings) {
		households, err := heard(imagined(kitchens, f, seed), common, about)
		if err != nil {
			return out, err
		}
		again, err := gather(households, all)
		if err != nil {
			return out, err
		}
		again.parts = f.parts
		if err := again.average(); err != nil {
			return out, err
		}
		fits = append(fits, again)
	}
	square, count := 0., 0.
	for i, one := range f.figures {
		var left []float64
		mean, spread := 0., 0.
		for _, again := range fits {
			if j, expected := again.expects(one.ID, about); j >= 0 {
				left = append(left, again.mean.AtVec(j)-expected)
				mean, spread = mean+left[len(left)-1], spread+again.spread.At(j, j)
			}
		}
		n := float64(len(left))
		if n < imaginings {
			continue
		}
		out.off[one.ID] = mean / n
		if f.behind(i) < Least {
			continue
		}
		for _, l := range left {
			square += (l - mean/n) * (l - mean/n) / (spread / n) * n / (n - 1)
			count++
		}
	}
	if count > 0 {
		out.spread = max(1, square/count)
	}
	return out, nil
}

// expects is which figure of the fit that is, and what would be found of it where all is as about says and a try were as
// straight as it is taken: less than what is so, for what was thought before draws at it. -1 where nobody tells of it.
func (f *fit) expects(id string, about map[string]float64) (at int, value float64) {
	at = -1
	so := mat.NewVecDense(len(f.figures), nil)
	for i, one := range f.figures {
		so.SetVec(i, about[one.ID]/one.SD)
		if one.ID == id {
			at = i
		}
	}
	if at < 0 {
		return at, 0
	}
	var drawn, back mat.VecDense
	drawn.MulVec(f.prior, so)
	back.MulVec(f.spread, &drawn)
	return at, so.AtVec(at) - back.AtVec(at)
}

// correct takes off what is said too much.
func (f *fit) correct(c correction) {
	for i, one := range f.figures {
		f.mean.SetVec(i, f.mean.AtVec(i)-c.off[one.ID])
	}
	f.spread.ScaleSym(c.spread*(1+1./imaginings), f.spread)
}

// imagined are the kitchens with how their tries come out where foods are as the fit says.
func imagined(kitchens []Kitchen, f *fit, seed uint64) []Kitchen {
	out := make([]Kitchen, len(kitchens))
	var wait sync.WaitGroup
	workers := runtime.GOMAXPROCS(0)
	for w := range workers {
		wait.Go(func() {
			for i := w; i < len(kitchens); i += workers {
				out[i] = f.imagine(&kitchens[i], rand.New(rand.NewPCG(seed, uint64(i))))
			}
		})
	}
	wait.Wait()
	return out
}

// imagine has a kitchen cook what it cooked.
func (f *fit) imagine(k *Kitchen, r *rand.Rand) Kitchen {
	truth := simulated.Drawn(r.Uint64(), nil)
	truth.In = k.Kitchen
	for i, one := range f.figures {
		truth.Figures[one.ID] = one.SD * (f.mean.AtVec(i) + math.Sqrt(f.parts[f.kind[i]].kitchens)*r.NormFloat64())
	}
	out := *k
	out.Tries = make([]learn.Try, len(k.Tries))
	for i, t := range k.Tries {
		found := cooked(&truth, t.Document, t.Found, r)
		out.Tries[i] = t
		out.Tries[i].Found = &found
	}
	return out
}

// cooked is how a dish comes out, told as somebody told of it.
func cooked(truth *simulated.Truth, d *document.Document, told *logbook.Found, r *rand.Rand) logbook.Found {
	came := truth.Cook(d, simulated.Day{Pieces: told.Pieces, Off: 1, Scales: told.BeforeG != nil, Seed: r.Uint64()})
	out := logbook.Found{Pieces: told.Pieces, BeforeG: came.BeforeG}
	if told.Squeeze != "" || d.Hand != nil {
		out.Squeeze = came.Squeeze
	}
	switch {
	case told.Broke != nil:
		out.Pieces, out.Broke = came.Pieces, came.Broke
	case told.Hold != "":
		switch broke := came.Broke.All(); {
		case broke == 0:
			out.Hold = string(logbook.Held)
		case 2*broke < came.Pieces:
			out.Hold = string(logbook.SomeBroke)
		default:
			out.Hold = string(logbook.FellApart)
		}
	}
	return out
}
