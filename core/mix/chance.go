package mix

import (
	"math"

	"gonum.org/v1/gonum/integrate/quad"
)

// Spread is the uncertainty of a State that the grades of the figures leave.
// Each p, tau, leak and glue of a food, and the distance from its p to its l,
// is taken as off by one relative standard deviation of its grade, each by
// itself; a chunk share c is off by the same times c (1 - c), since it stays
// between 0 and 1.
type Spread struct {
	// Q is one standard deviation of the liquidity index.
	Q float64
	// LnRaw and LnCooked are standard deviations of the natural logarithms of
	// the holds, the part that goes through Q left out.
	LnRaw, LnCooked float64
	// QRaw, QCooked and RawCooked are the covariances between the three.
	QRaw, QCooked, RawCooked float64
}

// spread propagates the grades to first order, with exact derivatives.
func spread(parts []Part, terms []term, s *sums, q float64) Spread {
	var out Spread
	var varQ, varRaw, varCooked float64
	add := func(sd, dq, dRaw, dCooked float64) {
		v := sd * sd
		varQ += v * dq * dq
		varRaw += v * dRaw * dRaw
		varCooked += v * dCooked * dCooked
		out.QRaw += v * dq * dRaw
		out.QCooked += v * dq * dCooked
		out.RawCooked += v * dRaw * dCooked
	}
	// d ln(continuity) / d(chunk mass)
	x := s.chunk / s.mass
	slope := 0.0
	if s.continuity > 0.05 {
		slope = -1.65 * math.Sqrt(x) / s.continuity / s.mass
	}
	cold, hot := reciprocal(s.glueCold), reciprocal(s.glueHot)
	for i := range terms {
		t, p := &terms[i], &parts[i]
		sd := p.Food.Grade.SD()
		salt := 1.0
		if p.RawMeat > 0 {
			salt = s.saltFactor
		}
		gc, gh := salt*t.glueCold*cold, salt*t.glueHot*hot
		add(sd, -t.plastic/s.span, 0, 0)
		add(sd, -q*(t.liquid-t.plastic)/s.span, 0, 0)
		add(sd, 0, gc, 0)
		add(sd, 0, 0, gh)
		if t.decay > 0 {
			k := t.decay / t.share
			add(sd, k*((1-q)*t.plastic+q*t.liquid)/s.span, -k*gc, -k*gh)
		}
		if c := p.Chunk; c > 0 {
			leak := p.Leak * p.Mass * c
			add(sd, leak/s.span, 0, 0)
			perPaste := 1 / t.paste
			num := -p.Water + p.Leak*p.Mass + t.plastic*perPaste
			den := -(t.liquid - t.plastic) * perPaste
			pieces := p.Mass * slope
			add(sd*c*t.paste, (num-q*den)/s.span, pieces-gc*perPaste, pieces-gh*perPaste)
		}
	}
	out.Q, out.LnRaw, out.LnCooked = math.Sqrt(varQ), math.Sqrt(varRaw), math.Sqrt(varCooked)
	return out
}

func reciprocal(x float64) float64 {
	if x > 0 {
		return 1 / x
	}
	return 0
}

// demandSD is one standard deviation of the logarithm of what a piece must
// bear: the handling factors are kitchen judgement, grade C.
const demandSD = 0.30

// hermiteNodes is enough for a chance within 0.002 of a 60-point rule.
const hermiteNodes = 13

var sqrtPi = math.Sqrt(math.Pi)

var hermiteX, hermiteW = func() (x, w [hermiteNodes]float64) {
	quad.Hermite{}.FixedLocations(x[:], w[:], math.Inf(-1), math.Inf(1))
	return x, w
}()

// Chance is the probability, 0..1, that the mix holds both raw, with its raw
// hold multiplied by chill, and cooked, against demands in kPa. It integrates
// over the uncertain index by Gauss-Hermite quadrature, so that the bend of
// the squeeze window counts in full, and treats the logarithms of the holds as
// jointly normal beside it.
func (s *State) Chance(chill, rawDemand, cookedDemand float64) float64 {
	if !s.HasPaste || s.Raw <= 0 || s.Cooked <= 0 {
		return 0
	}
	raw := math.Log(s.Raw*chill/rawDemand) - lnSqueezeWindow(s.rawQ)
	cooked := math.Log(s.Cooked/cookedDemand) - math.Log(bakeWindow(s.rawQ))
	sp := s.Spread
	varRaw := sp.LnRaw*sp.LnRaw + demandSD*demandSD
	varCooked := sp.LnCooked*sp.LnCooked + demandSD*demandSD
	cov := sp.RawCooked
	slopeRaw, slopeCooked := 0.0, 0.0
	if sp.Q > 0 {
		v := sp.Q * sp.Q
		slopeRaw, slopeCooked = sp.QRaw/v, sp.QCooked/v
		varRaw -= sp.QRaw * slopeRaw
		varCooked -= sp.QCooked * slopeCooked
		cov -= sp.QRaw * slopeCooked
	}
	sdRaw, sdCooked := math.Sqrt(varRaw), math.Sqrt(varCooked)
	rho := cov / (sdRaw * sdCooked)
	total := 0.0
	for i, node := range hermiteX {
		d := math.Sqrt2 * sp.Q * node
		q := s.rawQ + d
		zRaw := (raw + lnSqueezeWindow(q) + slopeRaw*d) / sdRaw
		zCooked := (cooked + math.Log(bakeWindow(q)) + slopeCooked*d) / sdCooked
		total += hermiteW[i] / sqrtPi * bothBelow(clampZ(zRaw), clampZ(zCooked), rho)
	}
	return min(max(total, 0), 1)
}

// bothBelow is the bivariate normal distribution function, P(X < a and Y < b)
// with correlation rho, by Plackett's identity integrated over rho (Drezner
// and Wesolowsky 1990): accurate to 1e-3 for |rho| up to 0.8.
func bothBelow(a, b, rho float64) float64 {
	independent := normal(a) * normal(b)
	if math.Abs(rho) < 1e-9 {
		return independent
	}
	// Gauss-Legendre, 3 nodes on 0..rho.
	nodes := [3]float64{0.1127016653792583, 0.5, 0.8872983346207417}
	weights := [3]float64{5. / 18, 8. / 18, 5. / 18}
	sum := 0.0
	for i, n := range nodes {
		r := rho * n
		one := 1 - r*r
		sum += weights[i] * math.Exp(-(a*a-2*r*a*b+b*b)/(2*one)) / math.Sqrt(one)
	}
	return independent + rho*sum/(2*math.Pi)
}

// clampZ keeps a far tail from overflowing the integrand: beyond 30 standard
// deviations the probability is 0 or 1 to the last bit.
func clampZ(z float64) float64 { return min(max(z, -30), 30) }

func normal(z float64) float64 { return 0.5 * math.Erfc(-z/math.Sqrt2) }
