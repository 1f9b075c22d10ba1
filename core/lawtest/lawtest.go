// Package lawtest says how often laws that take long are tried: a few times in every run, each time from a new seed
// that is printed, and many times with CUERDA_THOROUGH=1 (make thorough).
package lawtest

import (
	"math/rand/v2"
	"os"
	"strconv"
	"testing"
)

// Draws is how often a law is tried: few in an ordinary run, many in a thorough one.
func Draws(few, many int) int {
	if os.Getenv("CUERDA_THOROUGH") != "" {
		return many
	}
	return few
}

// Seed gives a new seed for each run and prints it; CUERDA_SEED repeats one.
func Seed(t testing.TB) uint64 {
	t.Helper()
	seed := uint64(rand.Uint32())
	if text := os.Getenv("CUERDA_SEED"); text != "" {
		given, err := strconv.ParseUint(text, 10, 32)
		if err != nil {
			t.Fatalf("CUERDA_SEED: %v", err)
		}
		seed = given
	}
	t.Logf("drawn from CUERDA_SEED=%d", seed)
	return seed
}
