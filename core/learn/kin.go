package learn

import (
	"gonum.org/v1/gonum/mat"

	"cuerda/core/physics/mix"
)

// What the evidence leaves of an outcome is taken as a smooth function of what the mix is
// like: a Gaussian process (Rasmussen and Williams 2006, algorithm 2.1) on the scale of
// the logarithm of the odds. Its figures were chosen on whole sets of builds held out.
const (
	kinSD     = 1.5 // of what kin may add to the odds
	judgeSD   = .7  // of a cook's word for a chance
	surestSay = .03 // chances nearer to 0 or 1 are words for "surely"
)

// kinOf gives the builds with what each adds to the odds of mixes like it.
func (f *Fit) kinOf(builds []*Build) ([]mix.Kin, error) {
	n := len(builds)
	out := make([]mix.Kin, n)
	v, j := f.view(f.x), f.judge(f.x)
	left := mat.NewDense(n, 2, nil)
	for i, b := range builds {
		e := v.evidence(b)
		raw, cooked := j.Weigh(&e)
		out[i] = mix.Kin{Name: b.ID, Like: e.Like}
		left.SetRow(i, []float64{mix.Odds(b.Raw, surestSay) - raw, mix.Odds(b.Cooked, surestSay) - cooked})
	}
	cov := mat.NewSymDense(n, nil)
	for i := range n {
		for k := i; k < n; k++ {
			cov.SetSym(i, k, kinSD*kinSD*out[i].Like.Alike(&out[k].Like))
		}
		cov.SetSym(i, i, cov.At(i, i)+judgeSD*judgeSD)
	}
	var chol mat.Cholesky
	if !chol.Factorize(cov) {
		return nil, errCurvature
	}
	var weights mat.Dense
	if err := chol.SolveTo(&weights, left); err != nil {
		return nil, err
	}
	for i := range out {
		out[i].Raw, out[i].Cooked = kinSD*kinSD*weights.At(i, 0), kinSD*kinSD*weights.At(i, 1)
	}
	return out, nil
}

// Kin gives the builds that the fit knows.
func (f *Fit) Kin() []mix.Kin { return f.kin }
