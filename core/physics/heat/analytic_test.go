package heat

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
)

// The exact solutions of conduction in a slab, a cylinder and a sphere of
// constant properties that meet a fluid with a constant coefficient, as series
// (Carslaw and Jaeger 1959, chapters 3, 7 and 9). theta is (T - Tfluid) / (Tstart
// - Tfluid) at the middle; biot is h L / k, fourier is a t / L^2, with L half the
// slab, the radius of the others.

func bisect(f func(float64) float64, low, high float64) float64 {
	for range 80 {
		mid := (low + high) / 2
		if f(low)*f(mid) <= 0 {
			high = mid
		} else {
			low = mid
		}
	}
	return (low + high) / 2
}

func slabTheta(biot, fourier float64) float64 {
	sum := 0.0
	for n := range 60 {
		z := bisect(func(z float64) float64 { return z*math.Sin(z) - biot*math.Cos(z) }, float64(n)*math.Pi+1e-9, float64(n)*math.Pi+math.Pi/2-1e-12)
		sum += 4 * math.Sin(z) / (2*z + math.Sin(2*z)) * math.Exp(-z*z*fourier)
	}
	return sum
}

func sphereTheta(biot, fourier float64) float64 {
	sum := 0.0
	for n := range 60 {
		z := bisect(func(z float64) float64 { return z*math.Cos(z) + (biot-1)*math.Sin(z) }, float64(n)*math.Pi+1e-9, float64(n+1)*math.Pi-1e-9)
		sum += 4 * (math.Sin(z) - z*math.Cos(z)) / (2*z - math.Sin(2*z)) * math.Exp(-z*z*fourier)
	}
	return sum
}

func cylinderTheta(biot, fourier float64) float64 {
	f := func(z float64) float64 { return z*math.J1(z) - biot*math.J0(z) }
	sum, z := 0.0, 0.0
	for range 60 {
		// A root lies between each zero of J1 and the next of J0, a little less than pi on.
		low := z + 1e-9
		step := 0.02
		for f(low)*f(low+step) > 0 {
			low += step
		}
		root := bisect(f, low, low+step)
		j0, j1 := math.J0(root), math.J1(root)
		sum += 2 / root * j1 / (j0*j0 + j1*j1) * math.Exp(-root*root*fourier)
		z = root + 0.5
	}
	return sum
}

const (
	testK        = 0.45
	testCapacity = 3.6e6
)

// middleError is how far a body is off the exact middle, K, at its worst over
// ten times on the way from 6 to 180 degC.
func middleError(g Geometry, r Resolution, h float64, exact func(seconds float64) float64, seconds float64) float64 {
	b := New(g, Constant(testK, testCapacity), 6, r)
	b.SurroundAll(Surroundings{Celsius: 180, Convective: h})
	worst := 0.0
	for i := range 10 {
		b.Advance(seconds/10, nil)
		coldest, _ := b.Extreme()
		worst = max(worst, math.Abs(coldest-(180+(6-180)*exact(seconds*float64(i+1)/10))))
	}
	return worst
}

func cases() map[string]struct {
	Geometry
	exact func(h float64) func(t float64) float64
	size  float64
} {
	const a = testK / testCapacity
	type c = struct {
		Geometry
		exact func(h float64) func(t float64) float64
		size  float64
	}
	return map[string]c{
		"sphere": {Geometry{Shape: Sphere, Radius: .02}, func(h float64) func(float64) float64 {
			return func(t float64) float64 { return sphereTheta(h*.02/testK, a*t/.02/.02) }
		}, .02},
		"disc": {Geometry{Shape: Disc, Radius: .04, Height: .03}, func(h float64) func(float64) float64 {
			return func(t float64) float64 {
				return cylinderTheta(h*.04/testK, a*t/.04/.04) * slabTheta(h*.015/testK, a*t/.015/.015)
			}
		}, .015},
		"brick": {Geometry{Shape: Brick, Length: .2, Width: .1, Height: .06}, func(h float64) func(float64) float64 {
			return func(t float64) float64 {
				return slabTheta(h*.1/testK, a*t/.01) * slabTheta(h*.05/testK, a*t/.0025) * slabTheta(h*.03/testK, a*t/.0009)
			}
		}, .03},
	}
}

func TestTheMiddleAgreesWithTheExactSeries(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	for name, c := range cases() {
		for _, biot := range []float64{.1, .3, 1, 3, 10, 30, 100} {
			h := biot * testK / c.size
			// long enough for the middle to come most of the way
			seconds := c.size * c.size / (testK / testCapacity) * (0.6 + 1/biot)
			err := middleError(c.Geometry, usualResolution[c.Shape], h, c.exact(h), seconds)
			assert.Less(t, err, 0.1, "%s Bi %g", name, biot)
			t.Logf("%s Bi %g: %.3f K", name, biot, err)
		}
	}
}

func TestTheErrorFallsWithTheSquareOfTheCells(t *testing.T) {
	was := tolerance
	tolerance = map[Shape]float64{Sphere: .02, Disc: .02, Brick: .02}
	defer func() { tolerance = was }()
	for name, c := range cases() {
		const biot = 10
		h := biot * testK / c.size
		seconds := c.size * c.size / (testK / testCapacity) * 0.7
		coarse := middleError(c.Geometry, Resolution{6, 6, 8}, h, c.exact(h), seconds)
		fine := middleError(c.Geometry, Resolution{12, 12, 16}, h, c.exact(h), seconds)
		order := math.Log2(coarse / fine)
		t.Logf("%s: %.3f K, then %.3f K, order %.1f", name, coarse, fine, order)
		assert.Greater(t, order, 1.8, "%s: %.3f K, then %.3f K", name, coarse, fine)
	}
}
