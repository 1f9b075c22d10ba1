package recipe_test

import (
	"encoding/json"
	"fmt"
	"html"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"golang.org/x/text/unicode/norm"

	"cuerda/core/food"
	"cuerda/core/recipe"
)

// made is what the foods of a line come to.
type made struct {
	food, part string
	grams      float64
	prep       []food.Preparation
	sure       bool
}

func amounts(got *recipe.Understood) (out [][]made) {
	for _, l := range got.Lines {
		var foods []made
		for _, i := range l.Items {
			foods = append(foods, made{i.Food, i.Part, i.Grams, i.Prep, i.Sure})
		}
		out = append(out, foods)
	}
	return out
}

var fractions = strings.NewReplacer("½", "1/2", "¼", "1/4", "¾", "3/4", "⅓", "1/3", "⅔", "2/3", "⅛", "1/8")

// How a text came to be pasted changes nothing that a cook reads in it.
func TestTheSameRecipePastedOtherwise(t *testing.T) {
	mixed := regexp.MustCompile(`(\d)([½¼¾⅓⅔⅛])`)
	for name, other := range map[string]func(string) string{
		"lines of another system": func(s string) string { return strings.ReplaceAll(s, "\n", "\r\n") },
		"a mark of byte order":    func(s string) string { return "\ufeff" + s },
		"accents put together":    norm.NFD.String,
		"wide spaces":             func(s string) string { return strings.ReplaceAll(s, " ", "\u00a0") },
		"spaces left over":        func(s string) string { return strings.ReplaceAll(s, "\n", "  \t\n") },
		"empty lines around":      func(s string) string { return "\n\n\n" + s + "\n\n\n" },
		"fractions spelt out":     func(s string) string { return fractions.Replace(mixed.ReplaceAllString(s, "$1 $2")) },
		"typeset apostrophes":     func(s string) string { return strings.ReplaceAll(s, "'", "’") },
		"a soft hyphen":           func(s string) string { return strings.ReplaceAll(s, "tt", "t\u00adt") },
	} {
		for _, file := range []string{"worked-on.txt", "set-aside.txt", "written-after.txt"} {
			for _, r := range cooks(t, file) {
				_, as := understand(t, r.text)
				_, got := understand(t, other(r.text))
				assert.Equal(t, amounts(&as), amounts(&got), "%s: %s", r.id, name)
				assert.Equal(t, as.Rest, got.Rest, "%s: %s", r.id, name)
				assert.Equal(t, as.Chill, got.Chill, "%s: %s", r.id, name)
				assert.Equal(t, as.Piece, got.Piece, "%s: %s", r.id, name)
				assert.Equal(t, as.Cook, got.Cook, "%s: %s", r.id, name)
			}
		}
	}
}

// However the lines are marked, and in whatever file they come, they are the same lines.
func TestTheSameLinesInOtherFiles(t *testing.T) {
	for _, file := range []string{"worked-on.txt", "set-aside.txt", "written-after.txt"} {
		for _, r := range cooks(t, file) {
			found, as := understand(t, r.text)
			if strings.Join(found.Sections, "") != "" {
				continue // a list of schema.org has no headings
			}
			marked := r.text
			for _, l := range found.Ingredients {
				marked = strings.Replace(marked, "\n"+l+"\n", "\n- "+l+"\n", 1)
			}
			_, bullets := understand(t, marked)
			assert.Equal(t, amounts(&as), amounts(&bullets), "%s: bullets", r.id)
			assert.Equal(t, as.Cook, bullets.Cook, "%s: bullets", r.id)

			data, err := json.Marshal(map[string]any{
				"@context": "https://schema.org", "@type": "Recipe", "name": found.Name,
				"recipeIngredient": found.Ingredients, "recipeInstructions": found.Steps,
			})
			require.NoError(t, err)
			_, listed := understand(t, string(data))
			assert.Equal(t, amounts(&as), amounts(&listed), "%s: JSON-LD", r.id)
			assert.Equal(t, as.Cook, listed.Cook, "%s: JSON-LD", r.id)
			assert.Equal(t, as.Chill, listed.Chill, "%s: JSON-LD", r.id)

			page := "<!doctype html><html><head><title>" + html.EscapeString(found.Name) + "</title><script type=\"application/ld+json\">" + string(data) + "</script></head><body></body></html>"
			_, paged := understand(t, page)
			assert.Equal(t, amounts(&listed), amounts(&paged), "%s: a page", r.id)
		}
	}
}

// A method in one block of prose or with a number to each sentence is one method.
func TestTheSameMethodInSteps(t *testing.T) {
	sentence := regexp.MustCompile(`([a-zA-Zíéáóúñ)]{3,}[.!]) ([A-ZÁÉÍÓÚ][a-zíéáóúñ])`)
	for _, file := range []string{"worked-on.txt", "set-aside.txt", "written-after.txt"} {
		for _, r := range cooks(t, file) {
			found, as := understand(t, r.text)
			if len(found.Steps) != 1 {
				continue
			}
			var steps []string
			for line := range strings.SplitSeq(sentence.ReplaceAllString(found.Steps[0], "$1\n$2"), "\n") {
				steps = append(steps, strconv.Itoa(len(steps)+1)+". "+line)
			}
			_, got := understand(t, strings.Replace(r.text, found.Steps[0], strings.Join(steps, "\n"), 1))
			assert.Equal(t, amounts(&as), amounts(&got), r.id)
			assert.Equal(t, as.Rest, got.Rest, r.id)
			assert.Equal(t, as.Chill, got.Chill, r.id)
			assert.Equal(t, as.Piece, got.Piece, r.id)
			assert.Equal(t, as.Cook, got.Cook, r.id)
		}
	}
}

// A page in plain HTML: its heading names the recipe, not its window, and a table is a list.
func TestAPageOfATable(t *testing.T) {
	const page = `<html><head><title>Lentil burgers - The Quiet Kitchen</title></head><body><nav><ul><li>Home</li><li>Recipes</li></ul></nav>%s
		<h2>You&rsquo;ll need</h2><table><tr><td>Green lentils, cooked</td><td>400 g</td></tr><tr><td>Rolled oats</td><td>60 g</td></tr><tr><td>Onion, fried</td><td>1</td></tr></table>
		<h2>How to</h2><ol><li>Mash the lentils.</li><li>Stir in everything else; rest 20 minutes.</li><li>Shape 6 burgers and fry 4 minutes a side.</li></ol><h3>Comments</h3><p>Lou: I added 2 eggs</p></body></html>`
	found, got := understand(t, fmt.Sprintf(page, "<h1>Lentil burgers</h1>"))
	assert.Equal(t, "Lentil burgers", found.Name)
	foods := map[string]float64{}
	for _, l := range got.Lines {
		for _, i := range l.Items {
			foods[i.Food] = i.Grams
		}
	}
	assert.Equal(t, map[string]float64{"lentils-cooked": 400, "oats-rolled": 60, "onion": 110}, foods)
	found, _ = understand(t, fmt.Sprintf(page, ""))
	assert.Contains(t, found.Name, "Lentil burgers", "without a heading it is called as its window")
}
