// Package lawtest says how property tests draw their cases. An ordinary run draws a few cases, and the same ones each time, so that a
// commit that passes once passes always. A thorough run (CUERDA_THOROUGH=1, make thorough) draws many, from a new seed that it
// prints. A test package that uses rapid imports this one, which sets rapid's seed.
package lawtest

import (
	"flag"
	"hash/fnv"
	"math/rand/v2"
	"os"
	"strconv"
	"testing"

	_ "pgregory.net/rapid" // its flags are there before they are set
)

// usualSeed is what rapid draws from in an ordinary run; -rapid.seed chooses another.
const usualSeed = "1"

func init() {
	if !thorough() {
		if err := flag.Set("rapid.seed", usualSeed); err != nil {
			panic(err) // rapid has no such flag any more
		}
	}
}

func thorough() bool { return os.Getenv("CUERDA_THOROUGH") != "" }

// Draws is how often a law is tried: few in an ordinary run, many in a thorough one.
func Draws(few, many int) int {
	if thorough() {
		return many
	}
	return few
}

// Seed gives the seed that a test draws from: of its name in an ordinary run, a new one in a thorough run, and in any run the
// one that CUERDA_SEED says, "new" for a new one. It prints it.
func Seed(t testing.TB) uint64 {
	t.Helper()
	ofName := fnv.New32a()
	_, _ = ofName.Write([]byte(t.Name())) // a hash takes all
	seed := uint64(ofName.Sum32())
	given := os.Getenv("CUERDA_SEED")
	switch {
	case given == "new", given == "" && thorough():
		seed = uint64(rand.Uint32())
	case given != "":
		said, err := strconv.ParseUint(given, 10, 32)
		if err != nil {
			t.Fatalf("CUERDA_SEED: %v", err)
		}
		seed = said
	}
	t.Logf("drawn from CUERDA_SEED=%d", seed)
	return seed
}
