package e2e

import (
	"bytes"
	"encoding/json"
	"io"
	"math"
	"net/http"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
	"cuerda/internal/api"
)

func (a *app) document(id string) document.Document {
	a.t.Helper()
	var b api.Build
	a.get("/api/builds/"+id, &b)
	return b.Document
}

func TestAPartHasItsOwnLinesAndKnot(t *testing.T) {
	a := start(t)
	id := a.build("Courgette")
	w := a.open(a.person(), "/bench/"+id)
	w.tap(".part-add")
	w.click("Sauce beside or over it")
	w.see(`.part-head`)
	w.eventually(".part-amount", "a portion")
	w.see(`[data-food="tomato-passata"]`)
	until(t, func() bool { return w.knot("Sauce") != "" }, func() string { return "no knot for the sauce: " + w.words(".cord") })
	w.grams("tomato-passata", "20")
	w.eventually(".part-head .notes", "short of")
	w.tap(".part-head .btn-straw")
	until(t, func() bool { return w.value(gramsOf("tomato-passata")) != "20" }, func() string { return "not made up to what is usual" })
	w.tap("#part-tab--1")
	w.see(`[data-food="courgette"]`)
	assert.False(t, w.MustHas(`[data-food="tomato-passata"]`), "the mix has its own lines")
	w.status("saved")
	parts := a.document(id).Parts
	require.Len(t, parts, 1)
	assert.EqualValues(t, "sauce", parts[0].Kind)
	assert.Greater(t, parts[0].Lines[0].Grams, 100.)

	w.MustEval(`() => document.activeElement?.blur()`)
	w.press(input.BracketRight)
	w.tap(`[aria-label="Remove the part: Sauce"]`)
	until(t, func() bool { return !w.MustHas("#part-tab-0") }, func() string { return "the part stays" })
	w.chord(input.KeyZ, input.ControlLeft)
	w.see("#part-tab-0")
}

func TestScaleByWhatThereIs(t *testing.T) {
	a := start(t)
	id := a.build("Split-pea")
	w := a.open(a.person(), "/bench/"+id)
	w.press(input.KeyS)
	w.see(".scale-aim select").MustSelect("an ingredient I have")
	w.fill(`input[aria-label="Grams you have, g"]`, "720")
	w.eventually(".scale-sum", "1.5 times")
	w.eventually(".shopping", "split peas, dry")
	w.MustEval(`() => { navigator.clipboard.writeText = () => Promise.reject(new DOMException("told not to", "NotAllowedError")); document.execCommand = () => false; }`)
	w.click("Copy the list")
	w.eventually(".shopping", "copy it by hand") // and nothing is thrown that nobody catches
	w.click("Take these amounts")
	until(t, func() bool { return w.value(gramsOf("split-peas-cooked")) == "720" }, func() string { return w.value(gramsOf("split-peas-cooked")) })
	w.status("saved")
	assert.Equal(t, 24., a.kept(id, "flax-meal"))
	w.click("Undo")
	until(t, func() bool { return w.value(gramsOf("split-peas-cooked")) == "480" }, func() string { return "not undone" })
}

// A loaf is made for so many, or for another tin; what is then to be bought is told.
func TestALoafIsScaledToItsPeopleAndItsTin(t *testing.T) {
	a := start(t)
	id := a.build("Chestnut")
	w := a.open(a.person(), "/bench/"+id)
	before := a.document(id)
	w.press(input.KeyS)
	w.see(".scale-aim select").MustSelect("portions")
	w.fill(`.scale-aim [aria-label^="portions"]`, "20")
	w.eventually(".scale-sum", "times the amounts")
	w.see(".scale-aim select").MustSelect("a tin")
	tins := w.MustElements(".scale-aim select")
	require.Len(t, tins, 2)
	options := tins[1].MustElements("option")
	last := options[len(options)-1].MustText()
	tins[1].MustSelect(last)
	w.eventually(".scale-sum", "Makes")
	w.click("Take these amounts")
	w.settled(func() bool { return a.document(id).Piece.LengthMM != before.Piece.LengthMM }, "it is baked in "+last)
	after := a.document(id)
	was, is := 0., 0.
	for i := range before.Lines {
		was, is = was+before.Lines[i].Grams, is+after.Lines[i].Grams
	}
	assert.InEpsilon(t, before.Lines[0].Grams/was, after.Lines[0].Grams/is, .05, "it is the same mix")
	assert.NotEqual(t, was, is)
}

func TestAVersionIsNamedComparedAndTriedFrom(t *testing.T) {
	a := start(t)
	id := a.build("Lamb")
	w := a.open(a.person(), "/bench/"+id)
	w.grams("quinoa-flakes", "60")
	w.status("saved")
	w.MustEval(`() => document.activeElement?.blur()`)
	w.press(input.KeyV)
	w.click("1 step before it")
	w.fill(`textarea[aria-label="Name of version 1"]`, "the club’s own")
	w.press(input.Enter)
	until(t, func() bool {
		var list []api.Version
		a.get("/api/builds/"+id+"/versions?named=true", &list)
		return len(list) == 1 && list[0].Label == "the club’s own"
	}, func() string { return "the name is not kept" })
	until(t, func() bool { return len(w.MustElements(".versions > li")) == 2 }, func() string { return "a name ends a sitting: " + w.words(".versions") })
	w.click("Compare with now: Version 1")
	w.eventually(".compare", "40 g")
	w.eventually(".compare", "60 g")
	w.eventually(".compare", "Holds raw")
	w.see(`select[aria-label="The one on the right"]`).MustSelect("Version 1: the club’s own")
	w.eventually(".compare", "Nothing differs.")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".modal.show") }, func() string { return "stays open" })
	w.press(input.KeyV)
	w.click("Begin a try from this: Version 1")
	w.eventually(".origin", "A try from Lamb and red-lentil koftas, version 1")
	until(t, func() bool { return w.value(gramsOf("quinoa-flakes")) == "40" }, func() string { return "not from version 1" })
	w.grams("quinoa-flakes", "20")
	w.status("saved")
	w.click("Compare with where it came from")
	w.eventually(".compare", "20 g")
	assert.Equal(t, 60., a.kept(id, "quinoa-flakes"), "the first stays as it is")
}

func TestRecipesComeFromPagesAndFilesAndGoOut(t *testing.T) {
	a := start(t)
	id := a.build("Amaranth")
	w := a.open(a.person(), "/bench/"+id)
	w.click("More for this build")
	w.click("Bring in a recipe")
	file := filepath.Join(t.TempDir(), "page.html")
	require.NoError(t, os.WriteFile(file, []byte(`<html><script type="application/ld+json">{"@type":"Recipe","name":"Weir balls","recipeYield":"6","recipeIngredient":["500 g ground turkey","60 g millet flakes","8 g salt"],"recipeInstructions":["Mix.","Bake."]}</script></html>`), 0o600))
	w.see(`.modal input[type="file"]`).MustSetFiles(file)
	w.eventually(".modal", "Found in the page.")
	w.eventually(".modal", "3 of 3 lines were read in full")
	w.click("Take as a new build")
	until(t, func() bool { return w.value(".build-name") == "Weir balls" }, func() string { return w.value(".build-name") })
	w.status("saved")
	got := a.document(a.build("Weir"))
	assert.Equal(t, 6, got.Portions)
	assert.Equal(t, []document.Instruction{{Text: "Mix.", Steps: []string{"mix"}}, {Text: "Bake.", Steps: []string{"cook"}}}, got.Method, "its own words")

	// What does not read says why, and nothing is lost.
	w.click("More for this build")
	w.click("Bring in a recipe")
	w.see("#paste-text").MustInput(`{"@type":"Recipe","name":"No amounts"}`)
	w.click("Read it")
	w.eventually(".modal .note-reason", "no list of ingredients")
	w.see("#paste-text").MustSelectAllText().MustInput(`{"@type":`)
	w.click("Read it")
	w.eventually(".modal .note-reason", "The JSON is broken")
	w.press(input.Escape)

	w = a.open(a.person(), "/bench/"+id)
	w.click("More for this build")
	link := w.button("schema.org Recipe (JSON-LD)").MustProperty("href").Str()
	answer, err := http.Get(link)
	require.NoError(t, err)
	defer answer.Body.Close()
	text, err := io.ReadAll(answer.Body)
	require.NoError(t, err)
	found, err := recipe.Read(text, ingredient.NewReader(food.Starter()), nil)
	require.NoError(t, err)
	var back document.Document
	require.NoError(t, json.Unmarshal(found.Whole, &back))
	want := a.document(id)
	want.Eaters = nil // who sits at the table stays at home
	assert.Equal(t, want, back)
}

func TestTheKitchenPageIsOnePage(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/sheet/"+a.build("Split-pea"))
	w.eventually(".sheet", "Green herb sauce")
	w.eventually(".sheet", "17:4") // the kitchen has two pans: one batch
	for name, size := range map[string][2]float64{"A4": {8.27, 11.69}, "Letter": {8.5, 11}} {
		stream, err := w.PDF(&proto.PagePrintToPDF{PaperWidth: &size[0], PaperHeight: &size[1]})
		require.NoError(t, err)
		pdf, err := io.ReadAll(stream)
		require.NoError(t, err)
		assert.Len(t, regexp.MustCompile(`/Type\s*/Page[^s]`).FindAll(bytes.TrimSpace(pdf), -1), 1, name)
	}
}

func TestSearchKeysAndUnits(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Split-pea"))
	w.chord(input.KeyK, input.ControlLeft)
	w.see(".search-dialog input").MustInput("chestnut")
	w.eventually(".search-hits", "Chestnut, celeriac and buckwheat loaf")
	w.press(input.Enter)
	until(t, func() bool { return strings.HasPrefix(w.value(".build-name"), "Chestnut") }, func() string { return w.value(".build-name") })
	w.MustEval(`() => document.activeElement?.blur()`)
	w.press(input.Slash)
	w.see(".search-dialog input").MustInput("psyllium")
	w.eventually(".search-hits", "add to this mix")
	w.eventually(".search-hits", "Builds with it") // they come later, and not under Enter
	w.press(input.Enter)
	w.see(`[data-food="psyllium-husk"]`)
	w.MustEval(`() => document.activeElement?.blur()`)
	w.press(input.Key('?'))
	w.eventually(".keys", "Search builds and foods")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".modal.show") }, func() string { return "stays open" })

	w.click("Colours, units, keys")
	w.click("ounces, beside grams")
	w.eventually(`[data-food="buckwheat-flour"] .grams`, "2.5 oz")
	w.grams("buckwheat-flour", "3 oz")
	w.status("saved")
	assert.InDelta(t, 85, a.kept(a.build("Chestnut"), "buckwheat-flour"), 0.1)
	w.click("Colours, units, keys")
	w.click("°F, beside °C")
	w.eventually(".off", "°F")
	w.fill(`input[aria-label="at, °C"]`, "400 F")
	w.status("saved")
	until(t, func() bool {
		c := a.document(a.build("Chestnut")).Cook
		return c.Celsius != nil && math.Abs(*c.Celsius-204.4) < 0.1
	}, func() string { return "400 °F are not read" })

	w.tap(".hold-stage .why")
	w.eventually(".why-body", "What moves it most")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".modal.show") }, func() string { return "stays open" })
	w.tap(".off .why")
	w.eventually(".why-body", "W/m·K")
	w.eventually(".why-body", "What moves it most: ")
}
