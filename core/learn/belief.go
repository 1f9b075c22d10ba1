package learn

import (
	"errors"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/physics/mix"
)

// Quantity is a number that nobody knows for sure: before any finding, normal about Mean
// with the standard deviation SD.
type Quantity struct {
	Name     string
	Mean, SD float64
}

// Finding is something that was found, and what a model says of it.
type Finding struct {
	// Says is what the model says where the quantities are x.
	Says func(x []float64) float64
	// Loss holds what was found against it.
	Loss Loss
	// About lists the quantities that move it.
	About []int
	// Slopes, where it is given, writes how what the model says goes with each of About, in
	// their order; else differences tell.
	Slopes func(x, to []float64)
}

// Loss is minus the logarithm of how likely a finding is where the model says so, with
// its slope and its curvature, which is never below nought.
type Loss func(said float64) (loss, slope, curvature float64)

// outliers are the degrees of freedom of a measured number: few, so that one that is
// quite wrong (a clock read wrong, a lid left on) moves little (Lange and others 1989).
const outliers = 4.

// Measured is a time or a mass read with an error of that standard deviation.
func Measured(value, sd float64) Loss {
	return func(said float64) (float64, float64, float64) {
		r := (said - value) / sd
		w := (outliers + 1) / (outliers + r*r)
		return (outliers + 1) / 2 * math.Log1p(r*r/outliers), w * r / sd, w / (sd * sd)
	}
}

// Counted is how many of so many pieces held; the model says the logarithm of the odds of
// one. Pieces of one mix go together: they count for no more than alike says there are.
func Counted(held, of int, alike float64) Loss {
	n := float64(of)
	n /= 1 + (n-1)*alike
	share := 0.
	if of > 0 {
		share = float64(held) / float64(of)
	}
	return func(said float64) (float64, float64, float64) {
		p := mix.Logistic(said)
		return n * (mix.Softplus(said) - share*said), n * (p - share), n * p * (1 - p)
	}
}

// Felt is the word of a squeezed handful, and words that are as fair; the model says the
// index that a hand feels.
func Felt(words ...mix.Word) Loss {
	b := &Build{Hand: words}
	const h = .01
	return func(said float64) (float64, float64, float64) {
		low, at, high := wordLoss(b, said-h), wordLoss(b, said), wordLoss(b, said+h)
		return at / handPart, (high - low) / (2 * h) / handPart, max(0, (high-2*at+low)/(h*h)) / handPart
	}
}

// Belief is what is known of quantities once things were found: normal about the mode of
// the posterior, with the inverse of the curvature there as its covariance (Laplace's
// approximation; Gelman and others 2013, section 4.1).
type Belief struct {
	Quantities []Quantity
	Mode       []float64
	Covariance *mat.SymDense
}

// SD is one standard deviation of a quantity.
func (b *Belief) SD(i int) float64 { return math.Sqrt(b.Covariance.At(i, i)) }

// Interval holds a quantity nine times in ten.
func (b *Belief) Interval(i int) (low, high float64) {
	return b.Mode[i] - mix.Ninety*b.SD(i), b.Mode[i] + mix.Ninety*b.SD(i)
}

// ErrNoBelief is returned where a quantity has no spread or a model no answer.
var ErrNoBelief = errors.New("no belief follows: a spread is not above nought, or a model gives no number")

// Believe gives what findings make of quantities: Newton's method with the expected
// curvature (Fisher's scoring), each step shortened until it gains. Without findings it is
// the prior.
func Believe(quantities []Quantity, findings []Finding) (*Belief, error) {
	x := make([]float64, len(quantities))
	for i, q := range quantities {
		if !(q.SD > 0) {
			return nil, ErrNoBelief
		}
		x[i] = q.Mean
	}
	out := &Belief{Quantities: quantities}
	now := objective(quantities, findings, x)
	for range 60 {
		slopes, curvature := around(quantities, findings, x)
		var chol mat.Cholesky
		if !chol.Factorize(curvature) || math.IsNaN(now) || math.IsInf(now, 0) {
			return nil, ErrNoBelief
		}
		var step mat.VecDense
		if err := chol.SolveVecTo(&step, slopes); err != nil {
			return nil, ErrNoBelief
		}
		gain, next := 0., slices.Clone(x)
		for share := 1.; share > 1e-4; share /= 2 {
			for i := range next {
				next[i] = x[i] - share*step.AtVec(i)
			}
			if value := objective(quantities, findings, next); value < now {
				gain, now = now-value, value
				copy(x, next)
				break
			}
		}
		if gain < 1e-9 {
			break
		}
	}
	_, curvature := around(quantities, findings, x)
	var chol mat.Cholesky
	if !chol.Factorize(curvature) {
		return nil, ErrNoBelief
	}
	out.Mode, out.Covariance = x, mat.NewSymDense(len(x), nil)
	if err := chol.InverseTo(out.Covariance); err != nil {
		return nil, ErrNoBelief
	}
	return out, nil
}

func objective(quantities []Quantity, findings []Finding, x []float64) float64 {
	total := 0.
	for i, q := range quantities {
		d := (x[i] - q.Mean) / q.SD
		total += d * d / 2
	}
	for i := range findings {
		loss, _, _ := findings[i].Loss(findings[i].Says(x))
		total += loss
	}
	return total
}

// around gives the slopes and the expected curvature of the objective.
func around(quantities []Quantity, findings []Finding, at []float64) (*mat.VecDense, *mat.SymDense) {
	n := len(at)
	slopes, curvature := mat.NewVecDense(n, nil), mat.NewSymDense(n, nil)
	for i, q := range quantities {
		slopes.SetVec(i, (at[i]-q.Mean)/(q.SD*q.SD))
		curvature.SetSym(i, i, 1/(q.SD*q.SD))
	}
	x, by := slices.Clone(at), make([]float64, n)
	for k := range findings {
		f := &findings[k]
		_, slope, curve := f.Loss(f.Says(at))
		f.slopesAt(quantities, x, by)
		for a, i := range f.About {
			slopes.SetVec(i, slopes.AtVec(i)+slope*by[a])
			for b, j := range f.About[a:] {
				curvature.SetSym(min(i, j), max(i, j), curvature.At(min(i, j), max(i, j))+curve*by[a]*by[a+b])
			}
		}
	}
	return slopes, curvature
}

// slopesAt writes how what the model says goes with each of About; x is as it was after.
func (f *Finding) slopesAt(quantities []Quantity, x, to []float64) {
	if f.Slopes != nil {
		f.Slopes(x, to)
		return
	}
	for a, i := range f.About {
		h, was := .02*quantities[i].SD, x[i]
		x[i] = was + h
		up := f.Says(x)
		x[i] = was - h
		to[a] = (up - f.Says(x)) / (2 * h)
		x[i] = was
	}
}
