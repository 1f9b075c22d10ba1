package e2e

import (
	"fmt"
	"regexp"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
)

const boathousePatties = `Boathouse bean patties

2 (15 oz) cans black beans, drained
3/4 cup rolled oats
1 flax egg
1 small onion, chopped and sautéed 8 minutes
1 tsp salt
oil, for frying

1. Mix everything but the oil with your hands.
2. Let the mixture stand 15 minutes.
3. Shape into 6 patties, 2 cm thick, and chill for half an hour.
4. Fry in a skillet, 5 minutes per side.
`

// emptyBuild makes a build with nothing in it.
func (a *app) emptyBuild() string {
	a.t.Helper()
	var b api.Build
	a.posted("/api/builds", `{"format":"cuerda-build/1","name":"Untitled build","lines":[]}`, &b)
	return b.ID
}

// paste gives a text to the page as the clipboard key does.
func (w *window) paste(text string) {
	w.MustEval(`(text) => { const d = new DataTransfer(); d.setData("text/plain", text);
		document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData: d, bubbles: true, cancelable: true })); }`, text)
}

func TestARecipeIsReadBesideTheBuildItBecomes(t *testing.T) {
	a := start(t)
	id := a.emptyBuild()
	w := a.open(a.person(), "/bench/"+id)
	w.see(".empty-bowl")
	w.paste(boathousePatties)
	w.eventually(".reading-sum", "6 of 6 lines were read in full")
	w.eventually(".build-side", "to fry or brush with")
	w.eventually(".build-steps", "6 pieces")
	w.eventually(".build-steps", "the recipe says 10 min")

	// One side lights the other.
	w.see("#reading-row-0").MustHover()
	w.see(".recipe-line.lit")
	w.MustElementR(".recipe-row-step .said", "half an hour").MustHover()
	w.see(".build-step.lit")

	// What it does not say and what decides is asked, with what each answer does.
	w.eventually(".reading-asks", "left whole, or broken?")
	before := w.words(".reading-sum strong")
	w.tapped(".reading-answer", "mashed")
	until(t, func() bool { return w.words(".reading-sum strong") != before }, func() string { return before })

	// What was read wrongly is put right in place.
	w.see(`.build-steps select[aria-label="Cook"]`).MustSelect("in a still oven")
	w.fill(`.build-steps input[aria-label^="thick"]`, "25")
	w.tap(".reading-sum")

	// Taken as one step: undo empties the bowl, redo fills it.
	w.click("Take it")
	w.see(`[data-food="black-beans-canned"]`)
	w.status("saved")
	got := a.document(id)
	assert.Equal(t, "Boathouse bean patties", got.Name)
	assert.Equal(t, []food.Preparation{{Do: food.Mash, Level: 0.8}}, got.Lines[0].Prep)
	assert.Equal(t, 15., got.Rest.Minutes)
	assert.Equal(t, 30., got.Chill.Minutes)
	assert.Equal(t, 25., got.Piece.ThicknessMM)
	assert.EqualValues(t, "still-oven", got.Cook.Method)
	w.click("Undo")
	w.see(".empty-bowl")
	w.click("Redo")
	w.see(`[data-food="black-beans-canned"]`)

	// The method's words stay with the step that they became, and on the page to print.
	w.tie("Chill")
	w.eventually(".knot-words", "chill for half an hour")
	w.press(input.Escape)
	w.status("saved")
	w = a.open(a.person(), "/sheet/"+id)
	w.eventually(".sheet-words", "Fry in a skillet, 5 minutes per side.")
}

// A line that was taken for the wrong thing is put right by its label, and the rest is read again.
func TestALineTakenForTheWrongThingIsPutRight(t *testing.T) {
	a := start(t)
	id := a.emptyBuild()
	w := a.open(a.person(), "/bench/"+id)
	w.see(".empty-bowl")
	w.paste("Towpath patties\n\n2 cans black beans, drained\n60 g rolled oats\n1 cup cheddar is what Ash adds\n1 tsp salt\n\n" +
		"Mash the beans and mix everything. Rest 15 minutes. Shape into 6 patties, 2 cm thick, and fry in a skillet 5 minutes per side.")
	w.eventually(".build-side", "Semi-hard cheese")
	require.Len(t, w.MustElements(".recipe-row-ingredient"), 4)
	with := w.words(".reading-sum strong")
	w.see(`.recipe-label[aria-label*="Ash"]`).MustSelect("not the recipe")
	until(t, func() bool { return w.words(".reading-sum strong") != with }, func() string { return with })
	assert.NotContains(t, w.words(".build-side"), "Semi-hard cheese")

	// Without a connection it says so, and nothing of what was read is lost.
	w.connection(false)
	w.see(`.recipe-label[aria-label*="rolled oats"]`).MustSelect("not the recipe")
	w.eventually(".modal .note-reason", "could not be read just now")
	w.connection(true)
	promised := regexp.MustCompile(`\d+`).FindString(w.words(".reading-sum strong"))
	w.click("Take it")
	w.see(`[data-food="black-beans-canned"]`)
	w.status("saved")
	var foods []string
	for _, l := range a.document(id).Lines {
		foods = append(foods, l.Food)
	}
	assert.Equal(t, []string{"black-beans-canned", "oats-rolled", "salt"}, foods)
	w.eventually(".verdict", promised+" in 100")
}

func TestALineThatIsTypedIsReadAsInARecipe(t *testing.T) {
	a := start(t)
	id := a.emptyBuild()
	w := a.open(a.person(), "/bench/"+id)
	w.see(".add-food input").MustInput("2 cups cooked lentils, mashed")
	w.eventually(".food-menu li.here", "396 g of lentils")
	w.press(input.Enter)
	w.see(`[data-food="lentils-cooked"]`)
	w.see(".add-food input").MustInput("1 flax egg")
	w.eventually(".food-menu li.here", "flax meal")
	w.press(input.Enter)
	w.see(`[data-food="water"]`)
	w.status("saved")
	var foods []string
	for _, l := range a.document(id).Lines {
		foods = append(foods, fmt.Sprintf("%s %.0f %v", l.Food, l.Grams, l.Prep))
	}
	assert.Equal(t, []string{"lentils-cooked 396 [{mash 0 0.8 0 <nil>}]", "flax-meal 7 [{gel 10 0 0 <nil>}]", "water 45 []"}, foods)
}

func TestWhatIsDroppedOrBrokenIsReadOrSaysWhy(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.emptyBuild())
	w.see(".empty-bowl")
	w.MustEval(`(text) => { const d = new DataTransfer(); d.items.add(new File([text], "r.txt", { type: "text/plain" }));
		document.body.dispatchEvent(new DragEvent("drop", { dataTransfer: d, bubbles: true, cancelable: true })); }`, boathousePatties)
	w.eventually(".reading-sum", "6 of 6 lines were read in full")
	w.click("Back to the text")
	require.Contains(t, w.value("#paste-text"), "2 (15 oz) cans black beans", "the file's words can be put right")
	w.connection(false)
	w.click("Read it")
	w.eventually(".modal .note-reason", "could not be read just now")
	w.connection(true)
	w.click("Read it")
	w.eventually(".reading-sum", "6 of 6 lines were read in full")
	w.press(input.Escape)
	w.see(".empty-bowl")
}

// What a recipe makes beside its pieces becomes a part of the build, with its own lines.
func TestASauceOfARecipeIsAPartOfTheBuild(t *testing.T) {
	a := start(t)
	id := a.emptyBuild()
	w := a.open(a.person(), "/bench/"+id)
	w.see(".empty-bowl")
	w.paste(`Regatta balls

For the balls:
500 g ground turkey
60 g quick oats
1 tsp salt

For the sauce:
1 (400 g) can crushed tomatoes
1 clove garlic, minced

1. Mix the turkey, oats and salt and leave it 15 minutes.
2. Shape into 20 balls and bake at 200 °C for 15 minutes.
3. Simmer the tomatoes with the garlic for 10 minutes.
`)
	w.eventually(".reading-sum", "5 of 5 lines")
	w.eventually(".build-side", "Sauce")
	w.see(`.build-steps select[aria-label="Cook"]`).MustSelect("in a pan")
	w.click("Take it")
	w.see(`[data-food="oats-quick"]`)
	w.status("saved")
	got := a.document(id)
	require.Len(t, got.Parts, 1)
	assert.EqualValues(t, "sauce", got.Parts[0].Kind)
	assert.Len(t, got.Lines, 3)
	assert.Len(t, got.Parts[0].Lines, 2)
	assert.Equal(t, 15., got.Rest.Minutes)
	assert.EqualValues(t, "pan", got.Cook.Method)
	w.click("Undo")
	w.see(".empty-bowl")
}
