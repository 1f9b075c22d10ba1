package layout_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"
	"unicode"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	_ "cuerda/core/lawtest"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/layout"
)

var reader = ingredient.NewReader(food.Starter())

func labelled(t require.TestingT, text string, told map[int]layout.Label) []layout.Row {
	rows, _, err := layout.Read(text, reader, told)
	require.NoError(t, err)
	return rows
}

// texts are recipes as people paste them.
func texts(t require.TestingT) (out []string) {
	files, err := filepath.Glob("../testdata/cooks/*.txt")
	require.NoError(t, err)
	for _, file := range files {
		data, err := os.ReadFile(file)
		require.NoError(t, err)
		for part := range strings.SplitSeq(string(data), "\n#") {
			if _, body, ok := strings.Cut(part, "\n"); ok && len(out) < 200 {
				out = append(out, body)
			}
		}
	}
	require.Greater(t, len(out), 60)
	return out
}

// What a cook says that a line is stands, whatever its neighbours are.
func TestWhatACookSaysStands(t *testing.T) {
	all := texts(t)
	choices := []layout.Label{layout.Title, layout.Section, layout.Item, layout.Step, layout.None}
	rapid.Check(t, func(t *rapid.T) {
		text := rapid.SampledFrom(all).Draw(t, "text")
		n := len(labelled(t, text, nil))
		told := map[int]layout.Label{}
		for range rapid.IntRange(1, 4).Draw(t, "told") {
			told[rapid.IntRange(0, n-1).Draw(t, "row")] = rapid.SampledFrom(choices).Draw(t, "label")
		}
		rows := labelled(t, text, told)
		for i, want := range told {
			got := rows[i].Label
			if want == layout.None {
				assert.Contains(t, []layout.Label{layout.Before, layout.Aside, layout.After}, got)
				continue
			}
			assert.Equal(t, want, got, "%q", rows[i].Text)
		}
	})
}

// The messages of a thread lose their numbers, and the rows of a spreadsheet get their amounts before their names; amounts
// that only look like numbers of messages stay.
func TestThreadsAndSpreadsheets(t *testing.T) {
	read := func(text string) (lines []string) {
		for _, r := range labelled(t, text, nil) {
			lines = append(lines, r.Read)
		}
		return lines
	}
	assert.Equal(t, []string{"Beet burgers", "1 large cooked beet", "1 can lentils", "60 g oats"}, read("Beet burgers\n1/ 1 large cooked beet\n2/ 1 can lentils\n3/ 60 g oats\n"))
	assert.Equal(t, []string{"1 large cooked beet", "1 can lentils", "60 g oats"}, read("1/3 1 large cooked beet\n2/3 1 can lentils\n3/3 60 g oats\n"))
	amounts := []string{"1/2 cup oats", "2/3 cup walnuts", "3/4 cup cooked rice"}
	assert.Equal(t, amounts, read(strings.Join(amounts, "\n")))
	sheet := []string{"item qty unit prep:", "14.75 oz salmon (canned), drained, bones out", "0.5 cup almond flour", "1 lemon, zest only", "form 12, bake 375 28 min"}
	assert.Equal(t, sheet, read("item,qty,unit,prep\nsalmon (canned),14.75,oz,\"drained, bones out\"\nalmond flour,0.5,cup,\nlemon,1,each,zest only\n\"form 12, bake 375 28 min\",,,\n"))
	assert.Equal(t, []string{"alimento cantidad:", "250 g lentejas", "2 huevo", "60 g avena"}, read("alimento;cantidad;\nlentejas;250;g\nhuevo;2;\navena;60;g\n"))
}

// No line is lost, and mending a scan changes no place in the text.
func TestEveryLineIsKeptInItsPlace(t *testing.T) {
	for _, text := range texts(t) {
		all := ""
		for _, r := range labelled(t, text, nil) {
			assert.Len(t, r.Read, len(r.Text), "%q", r.Text)
			all += " " + r.Text
		}
		bare := strings.NewReplacer("*", "", "_", "", "`", "", "-", "", "#", "", " ", "", ":", "", "~", "", "•", "", "▢", "", "☐", "", ".", "")
		have := bare.Replace(strings.NewReplacer(",", "", ";", "", "\"", "").Replace(strings.Join(strings.Fields(all), "")))
		for word := range strings.FieldsFuncSeq(text, func(c rune) bool { return unicode.IsSpace(c) || c == ',' || c == ';' || c == '"' }) {
			if strings.HasSuffix(word, ":") {
				continue // who says it, in a chat
			}
			if !strings.ContainsFunc(word, func(c rune) bool { return unicode.IsLetter(c) || unicode.IsDigit(c) }) {
				continue // a picture that marks a line of a list, as "•" does
			}
			if word = bare.Replace(word); len(word) > 5 && !strings.ContainsAny(word, "[]<>/()|@") {
				assert.Contains(t, have, word)
			}
		}
	}
}

func TestTheFaultsOfAScanAreMended(t *testing.T) {
	for wrong, right := range map[string]string{
		"l/2 cup rolled 0ats": "1/2 cup rolled oats", "2 Tbsp ground f1ax": "2 Tbsp ground flax", "l50g cooked brown rice": "150g cooked brown rice",
		"bake at l90C for 4O minutes": "bake at 190C for 40 minutes", "l tsp cumin": "1 tsp cumin", "2 huevos L": "2 huevos L", "1 l de agua": "1 l de agua",
		"I used 2 cups": "I used 2 cups", "1/4 taza de h arina de avena": "1/4 taza de harina  de avena", "2onions": "2onions", "Onion x1": "Onion x1",
		"0,6 g de sal": "0,6 g de sal", "1/2 c. 0at flour": "1/2 c. oat flour", "2 tbsp rnilk": "2 tbsp milk ", "½ t5p salt": "½ tsp salt", "2OO°C": "200°C",
	} {
		assert.Equal(t, right, labelled(t, wrong+"\n", nil)[0].Read)
	}
}

// Two columns that a scan ran together come apart; a name and its amount beside it do not.
func TestColumnsComeApart(t *testing.T) {
	page := "BEAN CAKES                 Method\n2 cans black beans         1. Mash the beans well.\n1/2 cup cornmeal           2. Stir in the rest of it.\n1 small onion, minced      3. Form into 8 cakes.\n1 tsp cumin                4. Fry 4 minutes per side.\n"
	var labels []layout.Label
	for _, r := range labelled(t, page, nil) {
		labels = append(labels, r.Label)
	}
	assert.Equal(t, []layout.Label{layout.Title, layout.Item, layout.Item, layout.Item, layout.Item, layout.MethodHead, layout.Step, layout.Step, layout.Step, layout.Step}, labels)
	amid := "PORCUPlNE MEATBALLS\nMakes 24\nl lb. ground beef               1/2 tsp. salt\n1/2 c. uncooked rice            1/4 tsp. pepper\n1/4 c. finely chop-             1 can (15 oz.)\n  ped onion                       tomato sauce\n                                1 c. water\nMix beef, rice, onion, salt\nand pepper. Shape into 24\nballs.\n"
	var lines []string
	for _, r := range labelled(t, amid, nil) {
		lines = append(lines, r.Read)
	}
	assert.Equal(t, []string{"PORCUPlNE MEATBALLS", "Makes 24", "1 lb. ground beef", "1/2 c. uncooked rice", "1/4 c. finely chopped onion", "1/2 tsp. salt", "1/4 tsp. pepper", "1 can (15 oz.) tomato sauce", "1 c. water", "Mix beef, rice, onion, salt", "and pepper. Shape into 24", "balls."}, lines)
	for _, r := range labelled(t, "Qty    Unit   Ingredient\n1.5    cup    lentils, brown, cooked\n0.75   cup    mushrooms, cremini, chopped\n0.33   cup    oats, old fashioned\n2      Tbsp   tomato paste\n0.5    tsp    salt and pepper\n", nil)[1:] {
		assert.Equal(t, layout.Item, r.Label, "%q", r.Text)
		assert.Regexp(t, `^\d`, r.Read, "an amount stays with its food, and is no number of a step")
	}
	table := "Oat flour            50 g\nBlack beans         400 g\nRed onion              1\nGround flax           2 T\nTomato paste          1 T\n"
	for _, r := range labelled(t, table, nil) {
		assert.Equal(t, layout.Item, r.Label, "%q", r.Text)
	}
}
