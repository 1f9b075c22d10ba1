package practice

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/physics/mix"
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

// squeezed is a squeeze as the bias sees it: how far it was off, in words, from where the mix lies; End is -1 or 1
// where the mark stood at the dry or the wet end of the scale, so that it was off by as much or more.
type squeezed struct {
	off         float64
	end         int
	side, skill int // places among what is sought
}

// atEnd is how near to an end of the scale a mark stands at it, words.
const atEnd = .02

func seen(c *Call) squeezed {
	out := squeezed{off: c.Off, side: 1, skill: -1}
	if c.Wet {
		out.side = 0
	}
	if c.Skill != Plain {
		out.skill = 2 + slices.Index(Skills, c.Skill)
	}
	if c.Lies == nil {
		return out
	}
	called := c.Off + callable(*c.Lies)
	out.off = called - *c.Lies
	switch {
	case called <= atEnd:
		out.end = -1
	case called >= float64(len(mix.SqueezeWords))-atEnd:
		out.end = 1
	}
	return out
}

// BiasOf finds the bias in calls: the mode under normal priors (ridge regression, Hoerl and Kennard 1970), by Newton's
// method, for a mark at an end of the scale tells a bound alone (Tobin 1958); it is concave, and begins at nought.
func BiasOf(calls []Call) Bias {
	n := 2 + len(Skills)
	out := Bias{Skills: map[Skill]Misleading{}}
	var all []squeezed
	for i := range calls {
		if calls[i].Kind == Squeeze {
			all = append(all, seen(&calls[i]))
		}
	}
	out.Calls = len(all)
	x := mat.NewVecDense(n, nil)
	var chol mat.Cholesky
	for range newtonSteps {
		slope, bend := mat.NewVecDense(n, nil), mat.NewSymDense(n, nil)
		for i := range n {
			sd := skillSD
			if i < 2 {
				sd = biasSD
			}
			bend.SetSym(i, i, 1/(sd*sd))
			slope.SetVec(i, -x.AtVec(i)/(sd*sd))
		}
		for i := range all {
			all[i].tell(x, slope, bend)
		}
		chol.Factorize(bend) // its diagonal is above nought
		var step mat.VecDense
		_ = chol.SolveVecTo(&step, slope)
		x.AddVec(x, &step)
		if mat.Norm(&step, 2) < 1e-9 {
			break
		}
	}
	var cov mat.SymDense
	_ = chol.InverseTo(&cov)
	out.Wet, out.Dry = x.AtVec(0), x.AtVec(1)
	out.WetSD, out.DrySD = math.Sqrt(cov.At(0, 0)), math.Sqrt(cov.At(1, 1))
	for i, s := range Skills {
		out.Skills[s] = Misleading{x.AtVec(2 + i), math.Sqrt(cov.At(2+i, 2+i))}
	}
	return out
}

const newtonSteps = 30

// tell adds what one squeeze says: the slope and the bend of its log likelihood.
func (q *squeezed) tell(x, slope *mat.VecDense, bend *mat.SymDense) {
	mean := x.AtVec(q.side)
	if q.skill >= 0 {
		mean += x.AtVec(q.skill)
	}
	up, curve := (q.off-mean)/callSD, 1.
	if q.end != 0 {
		far := float64(q.end) * up
		hazard := hazardOf(far)
		up, curve = float64(q.end)*hazard, hazard*(hazard-far)
	}
	up, curve = up/callSD, curve/(callSD*callSD)
	at := []int{q.side, q.skill}
	if q.skill < 0 {
		at = at[:1]
	}
	for i, a := range at {
		slope.SetVec(a, slope.AtVec(a)+up)
		for _, b := range at[i:] {
			bend.SetSym(a, b, bend.At(a, b)+curve)
		}
	}
}

// hazardOf is the density of a normal variable over what is left above it.
func hazardOf(x float64) float64 {
	if x > 30 { // its tail is below what a float64 holds
		return x + 1/x
	}
	return math.Exp(-x*x/2) / math.Sqrt(2*math.Pi) / (math.Erfc(x/math.Sqrt2) / 2)
}
