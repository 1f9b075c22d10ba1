package export_test

import (
	"encoding/csv"
	"encoding/json"
	"fmt"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/predict/bake"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
	"cuerda/internal/export"
)

var ours = kitchen.Usual()

func drawLines(t *rapid.T, label string) []document.Line {
	return rapid.SliceOfN(rapid.Custom(func(t *rapid.T) document.Line {
		l := document.Line{Food: rapid.SampledFrom(ours.Foods.Foods()).Draw(t, "food").ID, Grams: float64(rapid.IntRange(1, 9000).Draw(t, "grams")) / 10}
		if rapid.Bool().Draw(t, "prepared") {
			l.Prep = []food.Preparation{{Do: food.Saute, Minutes: float64(rapid.IntRange(0, 40).Draw(t, "minutes"))}}
		}
		return l
	}), 1, 8).Draw(t, label)
}

func drawDocument(t *rapid.T) *document.Document {
	d := &document.Document{Format: document.Format, Lines: drawLines(t, "lines"), Portions: rapid.IntRange(0, 40).Draw(t, "portions"),
		Name: rapid.StringMatching(`[A-Za-zñ🫛<>&"' ]{0,30}`).Draw(t, "name"), Note: rapid.StringMatching(`[a-z<>\n"]{0,60}`).Draw(t, "note")}
	for range rapid.IntRange(0, 3).Draw(t, "parts") {
		d.Parts = append(d.Parts, document.Part{Kind: rapid.SampledFrom(document.PartKinds).Draw(t, "kind"), Lines: drawLines(t, "part"), CookMinutes: 10})
	}
	text, err := json.Marshal(d)
	require.NoError(t, err)
	out, err := document.Read(text, ours.Foods)
	require.NoError(t, err)
	return out
}

// What is written as JSON-LD comes back whole, alone and within a page.
func TestJSONLDComesBackWithoutLoss(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := drawDocument(t)
		text, err := export.Write(d, ours, export.JSONLD, export.Options{Language: rapid.SampledFrom([]string{"en", "es", "xx"}).Draw(t, "language")})
		require.NoError(t, err)
		for _, data := range []string{string(text), `<!doctype html><html><script type="application/ld+json">` + string(text) + `</script></html>`} {
			found, err := recipe.Read([]byte(data), ingredient.NewReader(food.Starter()), nil)
			require.NoError(t, err)
			again, err := document.Read(found.Whole, ours.Foods)
			require.NoError(t, err)
			assert.Equal(t, d, again)
		}
	})
}

// Text, Markdown and values keep every food with its grams, its preparations and its
// part, in order.
func TestWordsComeBackWithTheirGrams(t *testing.T) {
	reader := ingredient.NewReader(ours.Foods)
	rapid.Check(t, func(t *rapid.T) {
		d := drawDocument(t)
		d.Note, d.Name = "", "Cakes"
		language := rapid.SampledFrom(export.Languages).Draw(t, "language")
		all := d.Lines
		kinds := make([]string, len(d.Lines))
		for i := range d.Parts {
			p := &d.Parts[i]
			p.Name = rapid.SampledFrom([]string{"", "of the crew", "rojo, para mañana"}).Draw(t, "part name")
			all = append(all, p.Lines...)
			for range p.Lines {
				kinds = append(kinds, string(p.Kind))
			}
		}
		for _, format := range []export.Format{export.Markdown, export.Text, export.CSV} {
			text, err := export.Write(d, ours, format, export.Options{Language: language})
			require.NoError(t, err)
			found, err := recipe.Read(text, ingredient.NewReader(food.Starter()), nil)
			require.NoError(t, err, string(text))
			if !assert.Len(t, found.Ingredients, len(all), "%s\n%s", format, text) {
				return
			}
			for i, l := range found.Ingredients {
				line := reader.Read(l)
				r := line.First()
				assert.InDelta(t, all[i].Grams, r.Grams, 0.051, "%s: %q", format, l)
				assert.Equal(t, all[i].Food, r.Food, "%s: %q", format, l)
				assert.Equal(t, kinds[i], recipe.PartOf(found.Sections[i]), "%s: %q under %q", format, l, found.Sections[i])
				if all[i].Prep != nil && food.Saute.Suits(ours.Foods.Find(all[i].Food)) {
					assert.Equal(t, all[i].Prep, r.Prep, "%s: %q", format, l)
					assert.Empty(t, line.Rest, "%s: %q", format, l)
				}
			}
		}
	})
}

func TestOtherProgramsCanReadIt(t *testing.T) {
	d, err := document.Read([]byte(`{"format":"cuerda-build/1","name":"=Cakes","portions":4,"lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"turkey-ground","grams":100}],
		"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"},"parts":[{"kind":"sauce","name":"=HYPERLINK()","lines":[{"food":"salt","grams":3}]}]}`), ours.Foods)
	require.NoError(t, err)
	text, err := export.Write(d, ours, export.JSONLD, export.Options{Language: "en"})
	require.NoError(t, err)
	var thing struct {
		Context      string   `json:"@context"`
		Type         string   `json:"@type"`
		Yield        string   `json:"recipeYield"`
		Cook         string   `json:"cookTime"`
		Ingredients  []string `json:"recipeIngredient"`
		Instructions []struct {
			Type string `json:"@type"`
			Text string
		} `json:"recipeInstructions"`
		Nutrition map[string]string
	}
	require.NoError(t, json.Unmarshal(text, &thing))
	assert.Equal(t, []string{"https://schema.org", "Recipe", "Serves 4"}, []string{thing.Context, thing.Type, thing.Yield})
	assert.Equal(t, "480 g Split peas, cooked, drained, blitzed (0.5) (2½ cups)", thing.Ingredients[0])
	assert.Regexp(t, `^PT\d+M$`, thing.Cook)
	assert.NotEmpty(t, thing.Nutrition["calories"])
	for _, language := range export.Languages {
		for _, format := range []export.Format{export.JSONLD, export.Markdown, export.Text} {
			text, err := export.Write(d, ours, format, export.Options{Language: language})
			require.NoError(t, err)
			assert.NotRegexp(t, regexp.MustCompile(`(step|part|prep|method)\.[a-z]|\{[a-z]+\}`), strings.ReplaceAll(string(text), `\"`, ""), "no word is missing")
		}
	}
	values, err := export.Write(d, ours, export.CSV, export.Options{Language: "en"})
	require.NoError(t, err)
	rows, err := csv.NewReader(strings.NewReader(string(values))).ReadAll()
	require.NoError(t, err)
	assert.Equal(t, "Sauce: =HYPERLINK()", rows[3][0], "no spreadsheet runs it")
}

// One can cook from the page alone, and it says who may not eat it; the guests' names
// stay at home unless they are asked for.
func TestThePageAloneIsEnough(t *testing.T) {
	d, err := document.Read([]byte(`{"format":"cuerda-build/1","name":"Cakes","lines":[
		{"food":"white-beans-canned","grams":1400,"prep":[{"do":"mash","level":0.8}]},{"food":"breadcrumbs-dry","grams":120},{"food":"oats-rolled","grams":90},{"food":"salt","grams":14}],
		"rest":{"minutes":15},"chill":{"minutes":30,"celsius":4},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan","celsius":180},
		"eaters":{"people":[{"name":"Marisol","count":1,"avoid":["gluten"]},{"name":"Crew","count":9}]}}`), ours.Foods)
	require.NoError(t, err)
	baked := bake.Bake(d, ours, bake.Options{Now: -1})
	require.Greater(t, baked.Load.Batches, 1)
	require.Len(t, baked.Turns, 1)
	write := func(o export.Options) string {
		text, err := export.Write(d, ours, export.Text, o)
		require.NoError(t, err)
		return string(text)
	}
	page := write(export.Options{Language: "en", Guests: true})
	for _, want := range []string{
		"Mash white beans nearly to a paste.", "8 cm across and 1.8 cm thick", "Rest the mix 15 min.", "Chill the pieces 30 min at 4 °C.",
		fmt.Sprintf("%d batches, one after the other", baked.Load.Batches), "turned once at", "Not for Marisol: Breadcrumbs, wheat, dry.", "Read the label of Rolled oats, for gluten.",
	} {
		assert.Contains(t, page, want)
	}
	for _, language := range export.Languages {
		shared := write(export.Options{Language: language})
		assert.NotContains(t, shared, "Marisol")
		assert.Contains(t, shared, "gluten", "what it contains is said all the same")
		for _, format := range export.Formats {
			text, err := export.Write(d, ours, format, export.Options{Language: language})
			require.NoError(t, err)
			assert.NotContains(t, string(text), "Marisol", format)
			assert.NotRegexp(t, `\{[a-z]+\}[^"]`, string(text), format)
		}
	}
}

// A page from which alone one cooks tells a gel with what it is stirred into, and of a food of which
// only a part is prepared, how much of it is and how much is not.
func TestThePageTellsWhatEachStepTakes(t *testing.T) {
	d, err := document.Read([]byte(`{"format":"`+document.Format+`","lines":[
		{"food":"white-beans-canned","grams":360,"prep":[{"do":"mash","level":1}]},
		{"food":"white-beans-canned","grams":120},
		{"food":"flax-meal","grams":7,"prep":[{"do":"gel","minutes":10}]},
		{"food":"water","grams":60},
		{"food":"oats-rolled","grams":60}]}`), ours.Foods)
	require.NoError(t, err)
	for language, wants := range map[string][]string{
		"en": {"Mash 360 g white beans", "Set 120 g white beans aside", "Stir 7 g flax meal into ", " g water and leave 10 min to gel"},
		"es": {"Machaca 360 g de alubias", "Reserva 120 g de alubias", "Mezcla 7 g de linaza molida con ", " g de agua y deja 10 min"},
	} {
		text, err := export.Write(d, ours, export.Text, export.Options{Language: language})
		require.NoError(t, err)
		for _, w := range wants {
			assert.Contains(t, string(text), w)
		}
	}
}
