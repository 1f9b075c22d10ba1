package learn

import (
	"slices"

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
	eatKinSD  = .8  // of what kin may add to the odds of eating well
	eatSaidSD = .5  // of a cook's word for that
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
	weights, err := regress(out, left, kinSD, judgeSD)
	if err != nil {
		return nil, err
	}
	for i := range out {
		out[i].Raw, out[i].Cooked = weights.At(i, 0), weights.At(i, 1)
	}
	return out, f.eatKin(builds, out)
}

// eatKin gives kin what they add to the odds of eating well: of those with a word for it alone.
func (f *Fit) eatKin(builds []*Build, all []mix.Kin) error {
	bites := f.bites(builds)
	if len(bites) == 0 {
		return nil
	}
	some, at := make([]mix.Kin, len(bites)), make([]int, len(bites))
	left := mat.NewDense(len(bites), 1, nil)
	for n := range bites {
		at[n] = slices.IndexFunc(all, func(k mix.Kin) bool { return k.Name == bites[n].id })
		some[n] = all[at[n]]
		left.Set(n, 0, mix.Odds(bites[n].eat, surestSay)-mix.Odds(f.eating.Weigh(&bites[n].evidence, 0), surestSay))
	}
	weights, err := regress(some, left, eatKinSD, eatSaidSD)
	if err != nil {
		return err
	}
	for n := range some {
		all[at[n]].Eat = weights.At(n, 0)
	}
	return nil
}

// regress gives what each of the kin adds, by column of what the evidence leaves.
func regress(kin []mix.Kin, left *mat.Dense, sd, noise float64) (*mat.Dense, error) {
	n := len(kin)
	cov := mat.NewSymDense(n, nil)
	for i := range n {
		for k := i; k < n; k++ {
			cov.SetSym(i, k, sd*sd*kin[i].Like.Alike(&kin[k].Like))
		}
		cov.SetSym(i, i, cov.At(i, i)+noise*noise)
	}
	var chol mat.Cholesky
	if !chol.Factorize(cov) {
		return nil, errCurvature
	}
	var weights mat.Dense
	if err := chol.SolveTo(&weights, left); err != nil {
		return nil, err
	}
	weights.Scale(sd*sd, &weights)
	return &weights, nil
}

// Kin gives the builds that the fit knows.
func (f *Fit) Kin() []mix.Kin { return f.kin }
