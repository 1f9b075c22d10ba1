package practice

import (
	"math"

	"gonum.org/v1/gonum/mat"
)

// Bias is how a cook errs.
type Bias struct {
	// Wet and Dry are how far squeezes of wet and of dry mixes are called off, in words; above 0 too wet.
	Wet, Dry, WetSD, DrySD float64
	// Skills are how much further each of them misleads, in words, with one standard deviation.
	Skills map[Skill]Misleading
	Calls  int
}

// Misleading is how far squeezes of a skill are called off beyond the cook's bias, in words.
type Misleading struct{ Off, SD float64 }

// What is thought of a cook before any call, one standard deviation in words: of a bias, of what one skill adds,
// and of a single call.
const (
	biasSD  = .7
	skillSD = .15
	callSD  = .6
)

// BiasOf finds the bias in calls: ridge regression, which is the mode under normal priors (Hoerl and Kennard 1970).
func BiasOf(calls []Call) Bias {
	n := 2 + len(Skills)
	a, b := mat.NewSymDense(n, nil), mat.NewVecDense(n, nil)
	for i := range n {
		sd := skillSD
		if i < 2 {
			sd = biasSD
		}
		a.SetSym(i, i, 1/(sd*sd))
	}
	out := Bias{Skills: map[Skill]Misleading{}}
	for _, c := range calls {
		if c.Kind != Squeeze {
			continue
		}
		out.Calls++
		row := make([]float64, n)
		if c.Wet {
			row[0] = 1
		} else {
			row[1] = 1
		}
		for i, s := range Skills {
			if c.Skill == s && s != Plain {
				row[2+i] = 1
			}
		}
		for i := range n {
			if row[i] == 0 {
				continue
			}
			b.SetVec(i, b.AtVec(i)+c.Off/(callSD*callSD))
			for j := i; j < n; j++ {
				if row[j] != 0 {
					a.SetSym(i, j, a.At(i, j)+1/(callSD*callSD))
				}
			}
		}
	}
	var chol mat.Cholesky
	chol.Factorize(a) // its diagonal is above nought
	var x mat.VecDense
	_ = chol.SolveVecTo(&x, b)
	var cov mat.SymDense
	_ = chol.InverseTo(&cov)
	out.Wet, out.Dry = x.AtVec(0), x.AtVec(1)
	out.WetSD, out.DrySD = math.Sqrt(cov.At(0, 0)), math.Sqrt(cov.At(1, 1))
	for i, s := range Skills {
		out.Skills[s] = Misleading{x.AtVec(2 + i), math.Sqrt(cov.At(2+i, 2+i))}
	}
	return out
}
