package e2e

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
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
	promised := w.words(".proposal:first-child strong")
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
	require.NotEmpty(t, names)
}
