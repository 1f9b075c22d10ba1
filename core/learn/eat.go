package learn

import (
	"gonum.org/v1/gonum/optimize"

	"cuerda/core/physics/eating"
	"cuerda/core/physics/mix"
)

const (
	eatMean   = -1. // what a piece of evidence counts, before any outcome
	eatSD     = .7  // one standard deviation of that
	eatBaseSD = 3.  // of the base
	eatWordSD = .12 // of a cook's word for how good it is
)

// bite is a build that somebody ate in thought.
type bite struct {
	id       string
	evidence eating.Evidence
	eat      float64
}

// bites are the builds with a word for how they eat. The chances that they hold are those that the cooks gave: 1 where
// they were asked of what has held.
func (f *Fit) bites(builds []*Build) (out []bite) {
	v, j := f.view(f.x), f.judge(f.x)
	for _, b := range builds {
		e := v.evidence(b)
		switch felt := j.Felt(&e); {
		case b.Eat != nil:
			out = append(out, bite{b.ID, v.bite(b, felt, b.Raw, b.Cooked), *b.Eat})
		case b.EatHeld != nil:
			out = append(out, bite{b.ID, v.bite(b, felt, 1, 1), *b.EatHeld})
		}
	}
	return out
}

// bite is the evidence of the build that the view has just weighed.
func (v *view) bite(b *Build, felt, raw, cooked float64) eating.Evidence {
	return eating.Of(v.parts, &v.effect, &b.duty, felt, raw, cooked)
}

// eatOf fits the judge of eating to the builds that have a word for it: least squares on that word, each piece of
// evidence but the base counting against it.
func (f *Fit) eatOf(builds []*Build) (*eating.Judge, error) {
	bites := f.bites(builds)
	signed := func(x []float64) *eating.Judge {
		var j eating.Judge
		for i, w := range x {
			if j[i] = w; i > 0 {
				j[i] = -mix.Softplus(w)
			}
		}
		return &j
	}
	loss := func(x []float64) float64 {
		j := signed(x)
		sum := 0.
		for i := range bites {
			d := (j.Weigh(&bites[i].evidence, 0) - bites[i].eat) / eatWordSD
			sum += d * d / 2
		}
		for i, w := range j {
			sd := eatSD
			if i == 0 {
				sd = eatBaseSD
			}
			if i > 0 {
				w -= eatMean
			}
			sum += w * w / (2 * sd * sd)
		}
		return sum
	}
	start := make([]float64, eating.Terms)
	for i := range start {
		start[i] = -1
	}
	start[0] = 1.5
	grad := func(g, x []float64) {
		for i := range x {
			was := x[i]
			x[i] = was + step
			up := loss(x)
			x[i] = was - step
			g[i] = (up - loss(x)) / (2 * step)
			x[i] = was
		}
	}
	result, err := optimize.Minimize(optimize.Problem{Func: loss, Grad: grad}, start, &optimize.Settings{MajorIterations: 400, GradientThreshold: 1e-4}, &optimize.LBFGS{})
	if result == nil {
		return nil, err
	}
	return signed(result.X), nil
}

// Eating gives the fitted judge of eating.
func (f *Fit) Eating() *eating.Judge { return f.eating }
