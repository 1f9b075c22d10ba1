package mix

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
)

// Reference values: P(X<0, Y<0) = 1/4 + asin(rho)/2pi (Sheppard 1899).
func TestBothBelowAgainstSheppard(t *testing.T) {
	for _, rho := range []float64{-.8, -.5, -.1, 0, .2, .5, .8} {
		assert.InDelta(t, 0.25+math.Asin(rho)/(2*math.Pi), bothBelow(0, 0, rho), 1e-3, rho)
	}
	assert.InDelta(t, normal(-1), bothBelow(-1, 8, .5), 1e-6, "one side certain")
}

func TestHermiteRuleIntegratesANormal(t *testing.T) {
	var one, square float64
	for i := range hermiteX {
		one += hermiteW[i] / sqrtPi
		square += hermiteW[i] / sqrtPi * 2 * hermiteX[i] * hermiteX[i]
	}
	assert.InDelta(t, 1, one, 1e-12)
	assert.InDelta(t, 1, square, 1e-12)
}
