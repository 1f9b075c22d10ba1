package squeeze

import (
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/mix"
)

// Every food of the table is in the catalogue, and every food has a colour.
func TestEveryFoodHasItsColour(t *testing.T) {
	foods := food.Starter()
	colour := regexp.MustCompile("^#[0-9A-F]{6}$")
	for id, c := range colours {
		assert.NotNil(t, foods.Find(id), id)
		assert.Regexp(t, colour, c)
	}
	for _, g := range food.Groups {
		assert.Regexp(t, colour, ofGroups[g], g)
	}
	for i := range foods.Foods() {
		f := foods.Foods()[i]
		assert.Regexp(t, colour, ColourOf(f), f.ID)
	}
}

// Along the scale some sign is always told, dry ones never beside wet ones, and each goes up and down once.
func TestSignsGoWithTheIndex(t *testing.T) {
	rises := map[Sign]int{}
	last := map[Sign]float64{}
	up := map[Sign]bool{}
	for q := mix.DriestIndex; q <= 1.3; q += .005 {
		h := Of(nil, q)
		require.NotEmpty(t, h.Tells, q)
		for _, s := range Signs {
			now := h.Show[s]
			if q == mix.DriestIndex {
				last[s] = now
				continue
			}
			assert.InDelta(t, last[s], now, .1, "nothing jumps: %s at %.3f", s, q)
			if now > last[s]+1e-9 && !up[s] {
				rises[s]++
				up[s] = true
			} else if now < last[s]-1e-9 {
				up[s] = false
			}
			last[s] = now
		}
		dry, wet := h.Show[Crumbs]+h.Show[Cracks], h.Show[Sheen]+h.Show[Slump]+h.Show[Strings]
		assert.Zero(t, min(dry, wet))
	}
	for _, s := range Signs {
		assert.LessOrEqual(t, rises[s], 1, s)
	}
	for word, sign := range map[mix.Word]Sign{mix.Crumbles: Crumbs, mix.Short: Edge, mix.Firm: Clean, mix.Tacky: Film, mix.Slack: Sheen, mix.Slumps: Slump} {
		assert.Contains(t, OfWord(word).Tells, sign, word)
		assert.Equal(t, word, OfWord(word).Word)
	}
}

// What is seen is what is in it: pieces where something was left whole, none where it was made a paste.
func TestBitsAreWhatIsInIt(t *testing.T) {
	foods := food.Starter()
	line := func(id string, grams float64, prep ...food.Preparation) mix.Line {
		return mix.Line{Food: foods.Find(id), Grams: grams, Preps: prep}
	}
	whole := Of(mix.Parts([]mix.Line{line("black-beans-canned", 300), line("carrot", 90), line("quinoa-cooked", 120), line("water", 20)}), .4)
	forms := map[string]Form{}
	for _, b := range whole.Bits {
		forms[b.Food] = b.Form
	}
	assert.Equal(t, map[string]Form{"black-beans-canned": Lump, "carrot": Shred, "quinoa-cooked": Grain}, forms)
	mashed := Of(mix.Parts([]mix.Line{line("black-beans-canned", 300, food.Preparation{Do: food.Blitz, Level: 1})}), .4)
	seen := 0.
	for _, b := range mashed.Bits {
		seen += b.Share
	}
	assert.Less(t, seen, whole.Bits[0].Share/2)
	assert.Equal(t, colours["black-beans-canned"], mashed.Paste)
	assert.Empty(t, whole.Bare().Tells)
	assert.Equal(t, whole.Bits, whole.Bare().Bits)
}

// A paste lies between the colours of its foods, and shares never add up to more than all.
func TestAPasteIsAMixtureOfColours(t *testing.T) {
	all := food.Starter().Foods()
	rapid.Check(t, func(t *rapid.T) {
		var lines []mix.Line
		for range rapid.IntRange(1, 6).Draw(t, "lines") {
			lines = append(lines, mix.Line{Food: all[rapid.IntRange(0, len(all)-1).Draw(t, "food")], Grams: rapid.Float64Range(1, 500).Draw(t, "grams")})
		}
		h := Of(mix.Parts(lines), rapid.Float64Range(-1, 2).Draw(t, "index"))
		assert.Regexp(t, "^#[0-9A-F]{6}$", h.Paste)
		sum := 0.
		for _, b := range h.Bits {
			sum += b.Share
		}
		assert.LessOrEqual(t, sum, 1+1e-9)
		for _, show := range h.Show {
			assert.True(t, show > 0 && show <= 1)
		}
	})
}

func BenchmarkOf20Lines(b *testing.B) {
	all := food.Starter().Foods()
	var lines []mix.Line
	for i := range 20 {
		lines = append(lines, mix.Line{Food: all[i*7%len(all)], Grams: 50})
	}
	parts := mix.Parts(lines)
	b.ReportAllocs()
	for b.Loop() {
		Of(parts, .4)
	}
}
