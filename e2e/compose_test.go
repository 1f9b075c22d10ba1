package e2e

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food/eaters"
)

// From what is at hand to a build on the Bench that holds as often as was promised.
func TestAMixFromWhatIsAtHand(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.emptyBuild())
	w.see(".empty-bowl")
	w.click("A mix from what is at hand")
	w.see(".compose-ask")
	w.see(`.compose-ask select[aria-label^="Add a food"]`).MustSelect("Lentils, cooked, drained")
	w.fill(`.compose-musts input`, "480")
	w.see(`.compose-ask .form-check-input`).MustClick()
	w.eventually(".proposals", "Patties of lentils")
	names := w.words(".proposals")

	// Who eats, and what it is to be, change what is proposed while one looks.
	w.tapped(".compose-ask .btn", "a loaf")
	w.eventually(".proposals", "Loaf of lentils")
	assert.NotEqual(t, names, w.words(".proposals"))
	w.see(`.compose-ask select[aria-label="Diet"]`).MustSelect("vegan")
	w.eventually(".proposals", "Loaf of lentils")
	promised := w.words(".proposal:first-child .proposal-holds strong")
	w.see(".proposal:first-child .btn-primary").MustClick()
	w.eventually(".verdict", promised)
	w.see(`[data-food="lentils-cooked"]`)

	// What cannot be is told: nothing of carrots alone.
	w = a.open(a.person(), "/compose")
	w.see(`.compose-ask select[aria-label^="Add a food"]`).MustSelect("Semi-hard cheese, grated")
	w.see(`.compose-ask select[aria-label="Diet"]`).MustSelect("vegan")
	w.eventually(".compose-found .note-reason", "does not eat")
	check := accessible(t)
	check(w, "compose")

	// What goes in dry has to be soaked and boiled first, and that is said where the minutes stand.
	w = a.open(a.person(), "/compose?must=chickpeas-dry:250")
	w.eventually(".proposal-before", "soak 250 g of chickpeas for 8 hours")
	require.NotEmpty(t, names)
}

// Whoever has no full plate at a supper is found a dish, which goes into the supper it was found for.
func TestADishIsFoundForWhoHasNone(t *testing.T) {
	a := start(t)
	kept := a.keptSupper().Document
	kept.Name, kept.Dishes, kept.Pins = "Two tables", kept.Dishes[:1], nil
	kept.Eaters = &eaters.Eaters{People: []eaters.Person{
		{Name: "Bow", Count: 3},
		{Name: "Stroke", Count: 2, Diet: "vegan", Avoid: []string{"egg", "gluten"}},
	}}
	document, err := json.Marshal(kept)
	require.NoError(t, err)
	id := a.made(string(document))
	w := a.open(a.person(), "/supper/"+id)
	w.eventually(".plates", "Not a full plate: Stroke")
	w.click("Find a dish for them")
	w.eventually(".proposals", "in 100")
	assert.Equal(t, "vegan", w.MustEval(`() => document.querySelector(".compose-ask select[aria-label=Diet]").value`).Str())
	w.tapped(".proposal .btn-primary", "Add it to the supper")
	w.eventually(".supper-left", "2 dishes")
	w.settled(func() bool { return w.MustHas(".plan-knot") }, "it is planned with the other")
	w.eventually(".plates", "without turkey balls")
	assert.NotContains(t, w.words(".plates"), "turkey balls, ", "the new dish is theirs")
	now := a.supperOf(id).Document
	require.Len(t, now.Dishes, 2)
	require.NotNil(t, now.Dishes[1].From, "it is a build of the kitchen as well")
	assert.NotEmpty(t, a.build("with"), "found by its name")
}

// What is left over of a purchase begins a mix that everybody at the table can eat, whoever of them leaves it out.
func TestWhatIsLeftOverIsUsedUpForAll(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	w.click("Shopping")
	w.tapped(".supper-shop .shop-use", "Use up")
	w.eventually(".compose-musts", "g")
	left := w.MustEval(`() => [...document.querySelectorAll(".compose-ask .btn[aria-pressed=true]")].map((e) => e.textContent).join(" ")`).Str()
	for _, p := range a.keptSupper().Document.Eaters.People {
		for _, avoided := range p.Avoid {
			assert.Contains(t, left, strings.ReplaceAll(strings.ReplaceAll(avoided, "tree-nut", "tree nuts"), "-", " "))
		}
	}
	assert.Equal(t, "vegan", w.MustEval(`() => document.querySelector(".compose-ask select[aria-label=Diet]").value`).Str(), "one at the table is")
}
