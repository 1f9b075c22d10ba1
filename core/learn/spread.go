package learn

import (
	"errors"
	"math"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// Posterior is how sure a fit is of its numbers: a normal distribution about the mode
// whose precision is the curvature there (Laplace's approximation, with the expected
// curvature of the outcomes: Gelman and others 2013, section 4.1).
type Posterior struct {
	fit        *Fit
	Covariance *mat.SymDense
}

var errCurvature = errors.New("the mode has no spread: its curvature is not positive")

// Posterior gives the spread about the mode that the builds and the prior leave.
func (f *Fit) Posterior(builds []*Build) (*Posterior, error) {
	n := len(f.x)
	precision := mat.NewSymDense(n, nil)
	f.eachPrior(f.x, func(i int, _, sd float64) { precision.SetSym(i, i, 1/(sd*sd)) })
	v, j := f.view(f.x), f.judge(f.x)
	for _, b := range builds {
		e := v.evidence(b)
		raw, cooked := j.Weigh(&e)
		r, c := mix.Logistic(raw), mix.Logistic(cooked)
		w := wordCurvature(b, j.Felt(&e))
		moved := v.answers(b, &e, &j)
		for i, p := range moved {
			for _, q := range moved[i:] {
				by := r*(1-r)*p.raw*q.raw + c*(1-c)*p.cooked*q.cooked + w*p.felt*q.felt
				at, to := min(p.of, q.of), max(p.of, q.of)
				precision.SetSym(at, to, precision.At(at, to)+by)
			}
		}
	}
	var chol mat.Cholesky
	if !chol.Factorize(precision) {
		return nil, errCurvature
	}
	out := &Posterior{f, mat.NewSymDense(n, nil)}
	if err := chol.InverseTo(out.Covariance); err != nil {
		return nil, err
	}
	return out, nil
}

// wordCurvature is that of the loss of a word, where it is above nought.
func wordCurvature(b *Build, q float64) float64 {
	const h = .02
	return max(0, (wordLoss(b, q+h)-2*wordLoss(b, q)+wordLoss(b, q-h))/(h*h))
}

// Learned is what the fit says of a food, with what outcomes leave open of how it drinks.
func (p *Posterior) Learned(one *food.Food) food.Learned {
	f, i := p.fit, p.fit.at[one]
	l := f.Learned(one)
	c, o := f.class[i], f.own[i]
	if c < 0 {
		return l
	}
	at := c*classFigures + drink
	v := p.Covariance.At(at, at)
	if o >= 0 {
		own := f.ownAt() + o*foodFigures + ownDrink
		v += p.Covariance.At(own, own) + 2*p.Covariance.At(at, own)
	}
	l.DrinkSD, l.SpanSD = math.Sqrt(v), math.Sqrt(p.Covariance.At(at-drink+span, at-drink+span))
	return l
}
