package practice

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/mix"
)

// Call is what a cook said of a drill.
type Call struct {
	Skill Skill
	// Off is how far the call of a squeeze was off, in words: above 0 too wet; 0 for other kinds.
	Off float64
	// Sure is how sure it was, 0..1, and Right whether it was.
	Sure  float64
	Right bool
	// Wet says that the mix lay in the wet half of the words, Squeezed that it was a squeeze.
	Wet, Squeezed bool
}

// inWords is where an index lies on the scale of words: each word one wide.
func inWords(q float64) float64 {
	w := mix.WordFor(q)
	at := slices.Index(mix.SqueezeWords, w)
	from, to := mix.Between(w)
	if at == 0 {
		from = to - .3
	}
	if to = min(to, wettest); q >= to {
		return float64(at) + 1
	}
	return float64(at) + max(0, q-from)/(to-from)
}

// wettest is where the scale of words ends, in index.
const wettest = 1.3

// Grade marks the call of a squeeze: an index, and how sure that its word is right.
func (d *Drill) Grade(called, sure float64) Call {
	off := inWords(called) - inWords(d.Index)
	return Call{Skill: d.Skill, Off: off, Sure: sure, Right: mix.WordFor(called) == d.Word, Wet: d.Index >= .55, Squeezed: true}
}

// Choose marks the choice of one of several.
func (d *Drill) Choose(choice int, sure float64) Call {
	return Call{Skill: d.Skill, Sure: sure, Right: choice == d.Answer}
}

// Weigh marks an amount that mends: right where it leads into the band.
func (d *Drill) Weigh(grams, sure float64) Call {
	return Call{Skill: d.Skill, Sure: sure, Right: math.Abs(grams-d.Grams) <= d.Within}
}

// Score is proper: who says how sure they are, and is as often right, scores the most on average (Brier 1950). 1
// is sure and right, 0 sure and wrong.
func (c *Call) Score() float64 {
	happened := 0.
	if c.Right {
		happened = 1
	}
	return 1 - (c.Sure-happened)*(c.Sure-happened)
}

// Bias is how a cook errs.
type Bias struct {
	// Wet and Dry are how far squeezes of wet and of dry mixes are called off, in words; above 0 too wet.
	Wet, Dry, WetSD, DrySD float64
	// Skills are how much further each of them misleads.
	Skills map[Skill]float64
	Calls  int
}

// What is thought of a cook before any call, one standard deviation in words: of a bias, of what one skill adds,
// and of a single call.
const (
	biasSD  = .7
	skillSD = .25
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
	out := Bias{Skills: map[Skill]float64{}}
	for _, c := range calls {
		if !c.Squeezed {
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
		out.Skills[s] = x.AtVec(2 + i)
	}
	return out
}
