package e2e

import (
	"math"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/internal/api"
	"cuerda/internal/demo"
)

func TestPasteARecipeAndConvertIt(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build(peas))
	w.click("More for this build")
	w.click("Bring in a recipe")
	w.see("#paste-text").MustInput("For the balls:\n500 g ground turkey\n1 egg, beaten\n½ cup breadcrumbs\n60 ml milk\n1 onion, chopped and sautéed\n1/0 cup oats\n3 cups of moonbeams\n1 tsp salt\n")
	w.click("Read it")
	w.eventually(".modal", "6 of 8 lines were read in full")
	w.eventually(".modal", "that amount is no number")
	w.eventually(".modal", "not understood: moonbeams")
	// Put one right; the other stays out, in sight.
	w.see(`select[aria-label="Food of: 3 cups of moonbeams"]`).MustSelect("Carrot, grated")
	w.fill(`input[aria-label="Grams of: 3 cups of moonbeams, g"]`, "80")
	w.eventually(".build-side", "Which food is this?")
	w.click("Take as a new build")
	w.eventually(".mix-head .hint", "version")
	until(t, func() bool { return w.value(".build-name") == "Pasted recipe" }, func() string { return w.value(".build-name") })
	id := a.build("Pasted recipe")
	assert.Equal(t, 500., a.kept(id, "turkey-ground"))
	assert.Equal(t, 80., a.kept(id, "carrot"))
	assert.Zero(t, a.kept(id, "oats-rolled"))
	// It was made for the table of the build that it was pasted on.
	w.eventually(`[data-food="egg"] .check`, "out: egg")
	w.eventually(`[data-food="breadcrumbs-dry"] .check`, "gluten")

	w.click("Take them out")
	w.eventually(".roles", "Egg, whole")
	w.eventually(".roles", "Breadcrumbs, wheat, dry")
	w.eventually(".before-after", "Converted")
	until(t, func() bool { return len(w.MustElements(".before-after svg.x, .before-after .squeeze")) == 2 }, func() string { return "no before and after" })
	w.click("Take it")
	until(t, func() bool { return !w.MustHas(`[data-food="egg"]`) }, func() string { return "egg stays" })
	w.eventually(".verdict", "Holds. 89 in 100")
	w.status("saved")
	assert.Zero(t, a.kept(id, "breadcrumbs-dry"))
	w.click("Undo")
	w.see(`[data-food="egg"]`)
}

func TestAWayIsTriedBeforeItIsTaken(t *testing.T) {
	a := start(t)
	id := a.build("first try")
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".verdict", "Will not hold.")
	w.tap(`.way[data-aim] .btn-try`)
	w.eventually(".trying", "Trying:")
	w.eventually(".verdict", "Holds.")
	assert.Equal(t, 40., a.kept(id, "oats-rolled"), "nothing is changed by trying")
	w.click("Leave it")
	w.eventually(".verdict", "Will not hold.")
	w.tap(`.way[data-aim] .btn-try`)
	w.eventually(".trying", "Trying:")
	before := len(a.document(id).Lines)
	w.click("Take it")
	w.eventually(".verdict", "Holds.")
	w.status("saved")
	assert.Greater(t, len(a.document(id).Lines), before)
	assert.Equal(t, 40., a.kept(id, "oats-rolled"), "what the way does not name stays")
	// The ways above it are looked for anew, and it moves with them: a click that went beside it is made again.
	until(t, func() bool {
		if !w.MustHas(".schools[open]") {
			w.tap(".schools summary")
		}
		return strings.Contains(w.words(".schools"), "In place of egg")
	}, func() string { return w.words(".schools") })
}

func TestASlackMixIsMendedByTheHand(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	w.tapped(".mend button", "^tacky$")
	w.eventually(".mend-answer", "Too wet for a patty")
	w.eventually(".mend-answer", "Your hand is right")
	before := len(w.MustElements(".line"))
	w.tap(".mend-way .btn")
	w.status("saved")
	var b api.Build
	a.get("/api/builds/"+id, &b)
	after := len(b.Document.Lines)
	assert.True(t, after == before || after == before+1)
	assert.Greater(t, b.Version, 1)
	w.tapped(".mend button", "^crumbles$")
	w.eventually(".mend-answer", "Too dry")
	w.eventually(".mend-answer", "Water")
}

func TestTheTableDecidesWhatIsOffered(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	w.click("Who eats")
	w.click("Add a guest")
	guest := w.MustElements(".person")
	last := guest[len(guest)-1]
	last.MustElementR("button", "^sesame$").MustClick()
	last.MustElementR("button", "^low salt$").MustClick()
	w.click("Done")
	w.eventually(".chips", "no sesame")
	w.status("saved")
	var b api.Build
	a.get("/api/builds/"+id, &b)
	assert.Equal(t, 13, b.Document.Eaters.Count())

	w.see(".add-food input").MustInput("hazelnuts")
	w.eventually(".food-menu", "Hazelnuts")
	w.press(input.Enter)
	w.eventually(`[data-food="hazelnuts"] .check`, "out: tree nuts")
	w.tap(`[data-food="hazelnuts"] .check-details .btn`)
	until(t, func() bool { return !w.MustHas(`[data-food="hazelnuts"]`) }, func() string { return "hazelnuts stay" })

	// Oats are a label to read, for the coeliac guest; ticked once they stay ticked.
	w.see(".add-food input").MustInput("rolled oats")
	w.eventually(".food-menu", "Rolled oats")
	w.press(input.Enter)
	w.eventually(`[data-food="oats-rolled"] .check`, "read the label")
	w.tap(`[data-food="oats-rolled"] .check-details input`)
	until(t, func() bool { return !w.MustHas(`[data-food="oats-rolled"] .check`) }, func() string { return "the label stays unread" })
	w.status("saved")
	w.MustReload().MustWaitLoad()
	w.see(".verdict")
	assert.False(t, w.MustHas(`[data-food="oats-rolled"] .check`))

	table := b.Document.Eaters.Table()
	read := map[string][]string{"oats-rolled": {"gluten"}}
	for _, i := range demo.Pantry() {
		read[i.Food] = append(read[i.Food], i.LabelRead...)
	}
	for _, e := range w.MustElements(".way[data-aim] strong") {
		words := e.MustText()
		for _, f := range food.Starter().Foods() {
			if strings.HasSuffix(words, " g "+strings.ToLower(f.Name[:1])+f.Name[1:]) || strings.Contains(words, " g "+strings.ToLower(f.Name[:1])+f.Name[1:]+" with") {
				assert.Equal(t, eaters.Clear, table.Check(f, read[f.ID]).Status, words)
			}
		}
	}
}

func TestThePantryIsKept(t *testing.T) {
	a := start(t)
	w := a.openAs(a.person(), "/pantry", "en-GB", 1280, 800)
	w.see(`input[aria-label="Search foods"]`).MustInput("garbanzo harina")
	until(t, func() bool { return len(w.MustElements(".pantry-item")) == 1 }, func() string { return w.words(".pantry") })
	w.click("More on Chickpea flour")
	w.fill(`input[aria-label="Price of a kilo of Chickpea flour, EUR/kg"]`, "5.5")
	w.fill(`input[aria-label="Carbohydrate, Chickpea flour, g"]`, "95")
	w.click("Use this label")
	w.eventually(".pantry-item", "the label adds up to")
	w.fill(`input[aria-label="Carbohydrate, Chickpea flour, g"]`, "50")
	w.click("Use this label")
	w.eventually(".pantry-item", "own pack")
	var items []api.PantryItem
	until(t, func() bool {
		a.get("/api/pantry", &items)
		for _, i := range items {
			if i.Food == "chickpea-flour" {
				return i.Pack != nil && i.Pack.Carb == 50 && i.PerKilo != nil && *i.PerKilo == 5.5 && i.Have
			}
		}
		return false
	}, func() string { return "the pantry does not hold it" })
	w.MustReload().MustWaitLoad()
	w.see(".pantry-item")
	w.click("Own packs")
	w.eventually(".pantry", "Chickpea flour")
	w.see(`input[aria-label="Search foods"]`).MustInput("zzz")
	w.eventually(".pantry", "No food here is called “zzz”.")
	require.NotContains(t, w.words(".pantry"), "undefined")
}

// The hand that says another word than the model is believed until it is taken back.
func TestTheHandStaysWithItsBowl(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".verdict", "Holds.")
	w.tapped(".mend button", "^slumps$")
	w.eventually(".mend-answer", "Too wet")
	w.eventually(".verdict-hand", "hand")
	w.eventually(".zone-here", "slumps")
	w.status("saved")
	require.NotNil(t, a.document(id).Hand)
	assert.EqualValues(t, "slumps", a.document(id).Hand.Word)
	assert.Positive(t, a.document(id).Hand.WaterG)
	w.MustReload().MustWaitLoad()
	w.eventually(".verdict-hand", "hand")
	w.tap(".why.figure:not(.why-chance)")
	w.eventually(".why-body table", "What the hand felt")
	assert.NotContains(t, w.words(".lever"), "most: .", "a lever has a name")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".modal.show") }, func() string { return "stays open" })
	w.click("back to what Cuerda expects")
	until(t, func() bool { return !w.MustHas(".verdict-hand") }, func() string { return "the hand stays: " + w.words(".verdict") })
}

// What a kitchen types need not be grams.
func TestAmountsAsCooksTypeThem(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	for typed, grams := range map[string]float64{"2 cups": 392, "10 oz": 283} {
		field := w.see(gramsOf("split-peas-cooked"))
		field.MustSelectAllText().MustInput(typed)
		w.press(input.Enter)
		w.status("saved")
		until(t, func() bool { return math.Abs(a.kept(id, "split-peas-cooked")-grams) < 20 }, func() string {
			return typed + " became " + w.value(gramsOf("split-peas-cooked"))
		})
	}
}

// Another shape takes its usual size and heat along, and one Undo brings all of it back.
func TestAShapeIsTakenWhole(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".verdict", "to turn in the pan")
	before := a.document(id)
	w.see(".piece select").MustSelect("Loaf")
	w.eventually(".verdict", "to slice without crumbling")
	w.status("saved")
	loaf := a.document(id)
	assert.EqualValues(t, "loaf", loaf.Piece.Kind)
	assert.NotEqual(t, before.Cook.Method, loaf.Cook.Method, "no loaf is cooked in a pan")
	w.click("Undo")
	w.eventually(".verdict", "to turn in the pan")
	w.status("saved")
	assert.Equal(t, before, a.document(id))
}

// Why: what speaks for and against it, in points of 100.
func TestAChanceTellsItsGrounds(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("first try"))
	w.eventually(".verdict", "Will not hold.")
	w.tap(".why-chance")
	w.eventually(".grounds", "how wet it is")
	w.eventually(".ground-against", "in 100")
	assert.Contains(t, w.words(".ground-against"), "−")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".modal.show") }, func() string { return "stays open" })
}
