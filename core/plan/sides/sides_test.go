package sides_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/sides"
	"cuerda/core/plan/supper"
	"cuerda/core/recipe/words"
)

func TestSidesAsCooksWriteThem(t *testing.T) {
	most := func(n int) *int { return &n }
	for _, c := range []struct {
		language words.Language
		text     string
		want     []supper.SupperStep
		odd      []string
	}{
		{words.English, "cut 10, roast 25 at 200, tray", []supper.SupperStep{
			{Name: "cut", Minutes: 10, Hands: 1},
			{Name: "roast", Minutes: 25, Oven: &supper.InOven{Celsius: 200}, After: []supper.SupperAfter{{Step: "cut", Most: most(240)}}}}, nil},
		{words.Spanish, "cortar 10, asar 25 a 200, bandeja", []supper.SupperStep{
			{Name: "cut", Minutes: 10, Hands: 1},
			{Name: "roast", Minutes: 25, Oven: &supper.InOven{Celsius: 200}, After: []supper.SupperAfter{{Step: "cut", Most: most(240)}}}}, nil},
		{words.English, "Soak 1 h 30 min; boil 40 min in a pot; sing", []supper.SupperStep{
			{Name: "soak", Minutes: 90},
			{Name: "boil", Minutes: 40, Burners: 1, Pans: 1, After: []supper.SupperAfter{{Step: "soak", Most: most(240)}}}}, []string{"sing"}},
		{words.English, "cut the roots 5, cut 3, bake 30 at 400F, 2 trays, within 20", []supper.SupperStep{
			{Name: "cut the roots", Minutes: 5, Hands: 1},
			{Name: "cut", Minutes: 3, Hands: 1, After: []supper.SupperAfter{{Step: "cut the roots", Most: most(240)}}},
			{Name: "bake", Minutes: 30, Oven: &supper.InOven{Celsius: 204, Racks: 2}, After: []supper.SupperAfter{{Step: "cut", Most: most(20)}}}}, nil},
		{words.English, "toast 3 under the grill", []supper.SupperStep{{Name: "toast", Minutes: 3, Hands: 1, Oven: &supper.InOven{Celsius: 240, Grill: true}}}, nil},
		{words.Spanish, "hojear 4, freír 8, 2 sartenes, solo", []supper.SupperStep{
			{Name: "hojear", Minutes: 4, Hands: 1},
			{Name: "fry", Minutes: 8, Burners: 1, Pans: 2, After: []supper.SupperAfter{{Step: "hojear"}}}}, nil},
		{words.English, "", []supper.SupperStep{}, nil},
	} {
		got := sides.ReadText(c.text, c.language)
		assert.Equal(t, c.want, got.Steps, c.text)
		assert.ElementsMatch(t, c.odd, got.Odd, c.text)
	}
}

// What is written down is read as what it was.
func TestTextIsReadAgain(t *testing.T) {
	phrases := map[words.Language][]string{
		words.English: {"cut 5", "roast 25 at 210", "fry 9", "simmer 30", "blend 3", "rest 12", "bake 40 at 175, 2 trays", "toast 3", "fry 9, 2 pans", "whistle 4", "boil 12, 2 cooks", "cut the leeks 7"},
		words.Spanish: {"cortar 5", "asar 25 a 210", "freír 9", "cocer a fuego lento 30", "triturar 3", "reposar 12", "silbar 4", "al vapor 8", "cocer al horno 40 a 175, 2 bandejas", "calentar agua 9"},
	}
	rapid.Check(t, func(t *rapid.T) {
		l := rapid.SampledFrom([]words.Language{words.English, words.Spanish}).Draw(t, "language")
		text := strings.Join(rapid.SliceOfN(rapid.SampledFrom(phrases[l]), 1, 6).Draw(t, "phrases"), ", ")
		first := sides.ReadText(text, l)
		require.Empty(t, first.Odd, text)
		names := map[string]bool{}
		for _, s := range first.Steps {
			require.False(t, names[s.Name], "each step has a name of its own: %s", text)
			names[s.Name] = true
		}
		assert.Equal(t, first, sides.ReadText(sides.Text(first.Steps, l), l), text)
	})
}

func FuzzReadText(f *testing.F) {
	f.Add("cut 10, roast 25 at 200, tray", true)
	f.Add("a 1 a 1 c 9 h, within within 3 under the", false)
	f.Fuzz(func(t *testing.T, text string, english bool) {
		l := words.Spanish
		if english {
			l = words.English
		}
		for _, s := range sides.ReadText(text, l).Steps {
			require.NotEmpty(t, s.Name)
			require.True(t, s.Minutes >= 0 && s.Minutes <= 20160)
			require.True(t, s.Oven == nil || s.Oven.Celsius >= 30 && s.Oven.Celsius <= 320)
		}
	})
}

// Every usual side can be planned by itself, with the foods that the catalogue knows.
func TestUsualSidesCanBePlanned(t *testing.T) {
	k := kitchen.Usual()
	k.Workplace.Cooks, k.Racks = 2, 4
	for _, people := range []int{1, 4, 12} {
		for _, s := range sides.All(people, k, words.English) {
			for _, f := range s.Foods {
				require.NotNil(t, k.Foods.Find(f.Food), f.Food)
			}
			assert.Equal(t, s.Steps, sides.ReadText(s.Text, words.English).Steps, s.Code)
			d := &supper.Supper{Format: supper.Format, Table: time.Date(2026, 11, 27, 19, 0, 0, 0, time.UTC), Aim: "latest-start",
				Dishes: []supper.SupperDish{{Name: s.Code, Side: s.Code, Steps: s.Steps, Foods: s.Foods}}}
			p, err := supper.Make(d, k, nil)
			require.NoError(t, err, s.Code)
			require.NoError(t, schedule.Verify(p.Supper, p.Plan))
			assert.True(t, p.Plan.Proved)
		}
	}
}

// The heat core says how long a side cooks: thicker or cooler is longer.
func TestSidesCookByTheHeat(t *testing.T) {
	minutes := func(code string, offset float64) int {
		k := kitchen.Usual()
		k.OvenOffset = offset
		for _, s := range sides.All(4, k, words.English) {
			for _, step := range s.Steps {
				if s.Code == code && step.Name == s.WorkedStep {
					return step.Minutes
				}
			}
		}
		return 0
	}
	// 28 mm of parsnip at 200 degC: kitchen practice says 25 to 40 min.
	assert.InDelta(t, 30, minutes("roast-roots", 0), 6)
	assert.InDelta(t, 50, minutes("squash-halves", 0), 12)
	assert.Greater(t, minutes("roast-roots", -40), minutes("roast-roots", 0))
}

func ExampleReadText() {
	read := sides.ReadText("cut 10, roast 25 at 200, tray", words.English)
	for _, s := range read.Steps {
		fmt.Println(s.Name, s.Minutes, s.Hands)
	}
	// Output:
	// cut 10 1
	// roast 25 0
}

// However many come, a side asks for no more racks than an oven has.
func TestManyPeopleFillNoMoreThanAnOven(t *testing.T) {
	k := kitchen.Usual()
	for _, people := range []int{1, 20, 200} {
		for _, side := range sides.All(people, k, words.English) {
			for _, step := range side.Steps {
				if step.Oven != nil {
					assert.LessOrEqual(t, step.Oven.Racks, supper.MaxRacks, side.Code)
				}
			}
		}
	}
}
