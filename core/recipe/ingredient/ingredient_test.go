package ingredient_test

import (
	_ "embed"
	"fmt"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/recipe/ingredient"
)

//go:embed testdata/lines.tsv
var written string

var reader = ingredient.NewReader(food.Starter())

func first(line string) *ingredient.Ingredient {
	l := reader.Read(line)
	return l.First()
}

type expected struct {
	line, food string
	grams      float64
}

func cases(t testing.TB) (out []expected) {
	for row := range strings.Lines(written) {
		cells := strings.Split(strings.TrimSpace(row), "\t")
		require.Len(t, cells, 3, row)
		grams, err := strconv.ParseFloat(cells[2], 64)
		require.NoError(t, err)
		out = append(out, expected{cells[0], cells[1], grams})
	}
	return out
}

// At least 150 lines of both languages, of which 95% are read in full and none
// to a wrong food.
func TestLinesAsPeopleWriteThem(t *testing.T) {
	all := cases(t)
	assert.GreaterOrEqual(t, len(all), 150)
	full := 0
	for _, c := range all {
		r := reader.Read(c.line)
		right := assert.Equal(t, c.food, r.First().Food, c.line) && assert.InDelta(t, c.grams, r.First().Grams, max(.06, .01*c.grams), c.line)
		if right && r.Full() {
			full++
		} else {
			t.Logf("not in full: %q: %+v", c.line, r)
		}
	}
	share := float64(full) / float64(len(all))
	t.Logf("%d of %d lines read in full (%.1f%%)", full, len(all), 100*share)
	assert.GreaterOrEqual(t, share, .95)
}

func TestPreparationsAndAlternatives(t *testing.T) {
	assert.Equal(t, []food.Preparation{{Do: food.Mash, Level: .8}}, first("2½ cups cooked split peas, mashed").Prep)
	assert.Equal(t, []food.Preparation{{Do: food.Saute, Minutes: 10}}, first("200 g de champiñones salteados").Prep)
	assert.Equal(t, []food.Preparation{{Do: food.Press}}, first("250 g firm tofu, pressed").Prep)
	assert.Empty(t, first("300 g mashed potato").Prep, "its name says so already")
	r := first("1/2 cup walnuts or pecans")
	assert.Equal(t, "walnuts", r.Food)
	assert.Equal(t, []string{"pecans"}, r.Others)
	r = first("2-3 tbsp water")
	assert.Equal(t, 2.5, r.Amount)
	assert.Equal(t, 3., r.High)
}

func TestWhatIsNotUnderstoodStaysInSight(t *testing.T) {
	for _, c := range []struct{ line, fault, rest string }{
		{"1/0 cup oats", "bad-amount", ""},
		{"3 cups of moonbeams", "no-food", "moonbeams"},
		{"2 cups frobnicated oats", "", "frobnicated"},
		{"chickpea flour", "no-amount", ""},
		{"100 g de estrellas fugaces", "no-food", "estrellas fugaces"},
		{"zwei Tassen Haferflocken", "no-food", "zwei tassen haferflocken"},
		{strings.Repeat("once upon a time ", 200), "too-long", ""},
		{"", "no-food", ""},
	} {
		r := reader.Read(c.line)
		if c.fault != "" {
			assert.Contains(t, r.Faults, c.fault, c.line)
		}
		if c.rest != "" {
			assert.Equal(t, c.rest, r.Rest)
		}
		assert.False(t, r.Full(), c.line)
	}
	typo := first("60 g chikpea flour")
	assert.Equal(t, "chickpea-flour", typo.Food)
	assert.Less(t, typo.FoodSure, 1.)
}

func FuzzRead(f *testing.F) {
	for _, c := range cases(f) {
		f.Add(c.line)
	}
	f.Add("1/0 cup \x00 (((400 g) tins \u202e ½½")
	f.Fuzz(func(t *testing.T, line string) {
		r := reader.Read(line)
		require.NotEmpty(t, r.Items)
		for _, i := range r.Items {
			assert.True(t, i.Grams >= 0 && i.Grams <= 1_000_000)
			assert.True(t, i.FoodSure >= 0 && i.FoodSure <= 1)
			if i.Food != "" {
				assert.NotNil(t, food.Starter().Find(i.Food))
			}
			for _, p := range i.Prep {
				assert.True(t, p.Do.Known())
			}
		}
		if len([]rune(line)) <= ingredient.MaxLine {
			assert.Equal(t, line, r.Text)
		}
		for _, s := range r.Spans {
			assert.True(t, s.At >= 0 && s.At < s.End && s.End <= len([]rune(r.Text)), "%+v", s)
		}
	})
}

func ExampleReader_Read() {
	line := ingredient.NewReader(food.Starter()).Read("media taza de avena")
	fmt.Printf("%.0f g of %s\n", line.First().Grams, line.First().Food)
	// Output: 45 g of oats-rolled
}

func BenchmarkRead30Lines(b *testing.B) {
	lines := cases(b)[:30]
	for b.Loop() {
		for i := range lines {
			reader.Read(lines[i].line)
		}
	}
}

func TestAmountsAsCooksTypeThem(t *testing.T) {
	r := ingredient.NewReader(food.Starter())
	for _, c := range []struct {
		food, text string
		grams      float64
	}{
		{"oats-rolled", "2 cups", 2 * food.Starter().Find("oats-rolled").GramsPerCup}, {"flax-meal", "1½ tbsp", 1.5 * food.Starter().Find("flax-meal").GramsPerCup / 16},
		{"turkey-ground", "1 lb", 453.6}, {"turkey-ground", "12 oz", 340.2}, {"turkey-ground", "1,5 kg", 1500}, {"carrot", "2", 2 * food.Starter().Find("carrot").GramsPerPiece},
		{"oats-rolled", "media taza", food.Starter().Find("oats-rolled").GramsPerCup / 2}, {"chickpeas-canned", "a can", food.Starter().Find("chickpeas-canned").Packs[0].Drained},
		{"oats-rolled", "two moons", 0}, {"oats-rolled", "", 0}, {"salt", "2 boats", 0}, {"turkey-ground", "1e9 kg", 0},
	} {
		got, ok := r.Weigh(food.Starter().Find(c.food), c.text)
		assert.Equal(t, c.grams > 0, ok, "%s of %s", c.text, c.food)
		assert.InDelta(t, c.grams, got, 0.1, "%s of %s", c.text, c.food)
	}
}
