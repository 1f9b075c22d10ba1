package mix_test

import (
	"math"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// lines reads "leek 120 saute; salt 8" as lines, saute being 10 min with oil.
func lines(t testing.TB, text string) []mix.Line {
	t.Helper()
	var out []mix.Line
	for part := range strings.SplitSeq(text, ";") {
		var l mix.Line
		words := strings.Fields(part)
		l.Food = food.Starter().Find(words[0])
		require.NotNil(t, l.Food, words[0])
		l.Grams = number(t, words[1])
		if len(words) > 2 {
			p := food.Preparation{Do: food.Do(words[2])}
			switch p.Do.Setting() {
			case "minutes":
				p.Minutes = 10
			case "level":
				p.Level = number(t, words[3])
			}
			l.Preps = []food.Preparation{p}
		}
		out = append(out, l)
	}
	return out
}

const (
	r3base = "split-peas-cooked 480 blitz 0.5; parsnip 150 saute; onion 90 saute; pumpkin-seeds 40; salt 6"
	r3     = r3base + "; chickpea-flour 45; flax-meal 16"
	r11    = "red-lentils-cooked 420; carrot 80 saute; millet-flakes 75; tahini 20; salt 5"
)

var references = []struct {
	name, mix        string
	minutes, celsius float64
	q, chunk         float64
}{
	{"R1", "beef-ground-15 500; egg 50; gf-crumbs 50; plant-milk 60; salt 7", 10, 20, .582, .000},
	{"R2", "turkey-ground 600; leek 120 saute; millet-flakes 45; psyllium-husk 4; salt 8", 15, 20, .408, .096},
	{"R3", r3, 20, 20, .316, .324},
	{"R4", r3base, 20, 20, .662, .351},
	{"R5", r3 + "; water 150", 20, 20, .928, .271},
	{"R6", r3, 0, 20, .627, .324},
	{"R7", strings.ReplaceAll(r3, " saute", ""), 20, 20, .414, .389},
	{"R8", "mackerel-cooked 300; potato-mashed 350; spring-onion 30; potato-flakes 30; mustard 10; salt 5", 10, 20, .191, .268},
	{"R9", "chestnuts-cooked 400 blitz 0.7; celeriac 250 saute; mushroom 300 saute; onion 120 saute; buckwheat-flour 70; chia-ground 20; water 60; salt 8", 20, 20, .299, .484},
	{"R10", "millet-cooked 500; fennel 250 saute; onion 120 saute; dried-fruit 80; hazelnuts 60; olive-oil 20; salt 6", 0, 20, 1.006, .809},
	{"R11", r11, 2, 20, .624, .164},
	{"R12", r11, 15, 20, .364, .164},
	{"R13", r11, 15, 4, .506, .164},
}

// asJudged gives the same lines with the figures of foods as their rows have them.
func asJudged(lines []mix.Line) []mix.Line {
	for i := range lines {
		lines[i].Food = food.AsJudged().Find(lines[i].Food.ID)
	}
	return lines
}

// The table of docs/model.md, section 4, which was worked out by hand from the rows of
// the foods: index and share of pieces to 1%, or half of the last digit given.
func TestReferenceMixes(t *testing.T) {
	for _, r := range references {
		t.Run(r.name, func(t *testing.T) {
			s := mix.Assess(asJudged(lines(t, r.mix)), mix.Rest{Minutes: r.minutes, Celsius: r.celsius})
			assert.InDelta(t, r.q, s.Q, max(.01*r.q, .0005), "q")
			assert.InDelta(t, r.chunk, s.ChunkShare, max(.01*r.chunk, .0005), "chunk share")
		})
	}
}

// Worked out by hand: 500 g of meat with a tenth of a kilo of diced onion, salted to
// less than what makes all of its protein sticky.
func TestReferenceCohesion(t *testing.T) {
	given := asJudged(lines(t, "beef-ground-15 500; onion 100; salt 3"))
	e := mix.Sum(mix.Parts(given), mix.Rest{Celsius: 20})
	salt := .7 + .3*(3+.0017*500+.0*100)/500/.012
	onion := given[1].Food
	broken := 100 * onion.Chunk * onion.Breaks / 603
	whole := 1 - 1.1*math.Pow(broken, 1.5)
	cold, set := e.Cohesion()
	assert.InEpsilon(t, 100*.05*500/603*salt*whole, cold, .01)
	assert.InEpsilon(t, 400*.1*.95*500/603*salt*whole, set, .01)
}

func number(t testing.TB, word string) float64 {
	t.Helper()
	v, err := strconv.ParseFloat(word, 64)
	require.NoError(t, err)
	return v
}
