package probe

import (
	"math"

	"cuerda/core/physics/heat"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

// members is how many followings of the piece stand for what is not known of it.
const members = 20

// unknown are the figures that differ between the members, each as how many of its own
// deviations it lies from what is usual.
const (
	offset  = iota // of the oven, K
	passing        // of heat to the piece, as a logarithm
	start          // of the piece, K
	place          // of the probe, as a share of the height, or of the radius of a ball
	pace           // of all that happens inside: size and mix, as a logarithm
	unknowns
)

// Spread is how far apart what is not known may be: one standard deviation each.
type Spread struct {
	OvenK, Transfer, StartK, Place, Pace float64
}

// Usual is the spread of a kitchen of which nothing is known (docs/model.md, section 7):
// home ovens are out by some 8 K, coefficients of heat transfer are known to a fifth, pieces
// come from their chill within 2.5 K, and size and mix change the pace by a twentieth.
func Usual() Spread { return Spread{OvenK: 8, Transfer: 0.2, StartK: 2.5, Place: 0.1, Pace: 0.06} }

func (s *Spread) of(i int) float64 {
	return [unknowns]float64{s.OvenK, s.Transfer, s.StartK, s.Place, s.Pace}[i]
}

// member is one way that it may be.
type member struct {
	is       [unknowns]float64 // in K, shares and logarithms
	progress *heat.Progress
	// shown is what a probe with its lag shows, degC.
	shown float64
}

// middle is where a probe is meant to be: half-way up, or in the middle of a ball, which
// nobody hits.
func middle(k piece.Kind) float64 {
	if k == piece.Ball {
		return 0.12
	}
	return 0.5
}

// height is where the probe of a member is, as heat.Progress.Probe takes it.
func (m *member) height(k piece.Kind) float64 {
	h := middle(k) + m.is[place]
	if k == piece.Ball {
		h = math.Abs(h) // the other side of the middle is as far
	}
	return min(max(h, 0), 1)
}

// cooking is the piece as a member takes it to be.
func (m *member) cooking(c *heat.Cooking) heat.Cooking {
	out := *c
	f := parameter.Usual().Heat
	if c.Parameters != nil {
		f = *c.Parameters
	}
	by := math.Exp(m.is[passing])
	for _, to := range []*float64{&f.StillOvenAir, &f.StillOvenWalls, &f.FanOvenAir, &f.FanOvenWalls, &f.Tin, &f.HotPan, &f.Oil, &f.GrillAir, &f.GrillGlow} {
		*to *= by
	}
	out.Parameters = &f
	out.Celsius = c.Celsius + m.is[offset]
	return out
}

// coarse is the grid of the members: what it is out by, some tenths of a degree, is much
// less than what is not known.
var coarse = map[heat.Shape]heat.Resolution{
	heat.Sphere: {Radial: 12}, heat.Disc: {Radial: 5, Up: 10}, heat.Brick: {Radial: 3, Across: 6, Up: 9},
}

// spreadOut gives the members their places: the same for every piece, by Halton's sequence
// through the normal distribution, with mean 0 and deviation 1 along each unknown and none
// going with another more than so few can help.
func spreadOut() (out [members][unknowns]float64) {
	for u, prime := range [unknowns]int{2, 3, 5, 7, 11} {
		sum, squares := 0., 0.
		for i := range out {
			out[i][u] = math.Sqrt2 * math.Erfinv(2*halton(i+1, prime)-1)
			sum += out[i][u]
		}
		for i := range out {
			out[i][u] -= sum / members
			// What goes with an unknown before is taken off.
			squares += out[i][u] * out[i][u]
		}
		for before := range u {
			with := 0.
			for i := range out {
				with += out[i][u] * out[i][before]
			}
			for i := range out {
				out[i][u] -= with / members * out[i][before]
			}
		}
		squares = 0
		for i := range out {
			squares += out[i][u] * out[i][u]
		}
		for i := range out {
			out[i][u] *= math.Sqrt(members / squares)
		}
	}
	return out
}

// halton is a number of the sequence by that prime, between 0 and 1.
func halton(i, prime int) float64 {
	out, share := 0., 1.
	for ; i > 0; i /= prime {
		share /= float64(prime)
		out += share * float64(i%prime)
	}
	return out
}

func mean(of []float64) float64 {
	sum := 0.
	for _, v := range of {
		sum += v
	}
	return sum / float64(len(of))
}

func deviation(of []float64) float64 {
	at, sum := mean(of), 0.
	for _, v := range of {
		sum += (v - at) * (v - at)
	}
	return math.Sqrt(sum / float64(len(of)-1))
}
