package e2e

import (
	"encoding/json"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// made keeps a supper as a file of somebody's would bring it, and gives its ID.
func (a *app) made(document string) string {
	a.t.Helper()
	var made api.KeptSupper
	a.posted("/api/suppers", document, &made)
	return made.ID
}

func (a *app) supperOf(id string) (kept api.KeptSupper) {
	a.t.Helper()
	a.get("/api/suppers/"+id, &kept)
	return kept
}

const fried = `{"steps":[{"name":"Fry","minutes":10,"hands":1}],"ready":{"least":0,"most":5},"name":"`

// Two things fried last with one pair of hands: what is in the way is said, and each way out is one press.
func TestASupperAtOddsIsMadeRoomIn(t *testing.T) {
	a := start(t)
	id := a.made(`{"format":"cuerda-supper/1","name":"Fritters","table":"2030-11-29T19:00:00+05:30","kitchen":{"cooks":1,"burners":2,"pans":2},"dishes":[` + fried + `Corn"},` + fried + `Pea"}]}`)
	w := a.open(a.person(), "/supper/"+id)
	w.eventually(".plan-odds", "Not everything can be ready")
	ways := w.words(".plan-odds ul")
	for _, way := range []string{"One cook more", "Without Corn", "Without Pea", "Pea: ready up to 10 min before the table"} {
		assert.Contains(t, ways, way)
	}
	assert.NotContains(t, w.words("main"), "NaN")

	w.click("One cook more")
	w.see(".plan-knot")
	w.eventually("h1", "Start at 18:50, all ready at 19:00")
	w.click("Undo")
	w.see(".plan-odds")
	w.click("Without Corn")
	w.settled(func() bool { return len(w.MustElements(".plan-dish")) == 1 }, "one of them is left")
	w.click("Undo")
	w.see(".plan-odds")
	w.click("Pea: ready up to 10 min before the table")
	w.settled(func() bool { return len(w.MustElements(".plan-dish")) == 2 }, "both are there")
	w.eventually("h1", "Start at 18:40")
	w.status("saved")
	ready := a.supperOf(id).Document.Dishes[1].Ready
	require.NotNil(t, ready)
	assert.Equal(t, 10, ready.Most)
}

// The hour is typed as cooks write it, or stepped; it stays that of the table's own clock, wherever the supper came from.
func TestTheHourOfTheTableIsTyped(t *testing.T) {
	a := start(t)
	id := a.made(`{"format":"cuerda-supper/1","name":"Pea fritters","table":"2030-11-29T19:00:00+05:30","dishes":[` + fried + `Pea"}],"pins":[{"dish":"Pea","step":"Fry","start":"2030-11-29T18:48:00+05:30"}]}`)
	w := a.open(a.person(), "/supper/"+id)
	w.eventually("h1", "Start at 18:48, all ready at 19:00")
	hour := w.see(".supper-when .hour-field")
	for _, one := range [][2]string{{"8.15pm", "20:15"}, {"1930", "19:30"}, {"7 p.m.", "19:00"}} {
		w.fill(".supper-when .hour-field", one[0])
		w.press(input.Enter)
		w.eventually("h1", "all ready at "+one[1])
		assert.Equal(t, one[1], hour.MustProperty("value").Str(), one[0])
	}
	w.fill(".supper-when .hour-field", "25:99")
	assert.Equal(t, "true", *hour.MustAttribute("aria-invalid"))
	hour.MustBlur()
	assert.Equal(t, "19:00", hour.MustProperty("value").Str(), "what is no hour goes back")
	require.NoError(t, hour.Focus())
	w.press(input.ArrowDown, input.ArrowDown)
	w.eventually("h1", "Start at 18:38, all ready at 18:50")
	w.MustEval(`() => {
		const day = document.querySelector(".supper-when input[type=date]");
		Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(day, "2030-12-06");
		day.dispatchEvent(new Event("input", { bubbles: true }));
	}`)
	w.eventually(".supper-head", "6 December")
	w.status("saved")
	d := a.supperOf(id).Document
	assert.Equal(t, "2030-12-06T18:50:00+05:30", d.Table.Format("2006-01-02T15:04:05Z07:00"))
	require.Len(t, d.Pins, 1)
	assert.Equal(t, 12., d.Table.Sub(*d.Pins[0].Start).Minutes(), "what is pinned goes along")
}

// A supper is copied without what was pinned and bought, deleted and brought back, and begun from nothing.
func TestSuppersComeAndGo(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	was := w.MustInfo().URL
	w.click("More for this supper")
	w.click("Duplicate")
	w.settled(func() bool { return w.MustInfo().URL != was }, "the copy is open")
	w.settled(func() bool { return w.value(".supper-head input") == "Friday supper, copy" }, "it is named after it")
	w.see(".plan-knot")
	w.click("More for this supper")
	w.click("Delete")
	w.eventually(".undo-bar", "deleted")
	w.click("Bring it back")
	w.settled(func() bool { return w.value(".supper-head input") == "Friday supper, copy" }, "it is back")

	w.click("Suppers")
	w.click("New supper")
	w.eventually("main", "What is there to eat?")
	w.addMackerel()
	w.status("saved")
	var all []api.SupperEntry
	a.get("/api/suppers", &all)
	require.Len(t, all, 3)
}

// A dish has its own name, window and hour; what is pinned of it goes along, and no two are called the same.
func TestADishIsSetAtTheTable(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	w.onRope("Roast roots: Cut").MustFocus()
	w.press('p')
	w.see(".plan-pinned")
	w.tapped(".supper-dish", "^Roast roots")
	w.fill(`[aria-label^="Minutes before the table, at the most"]`, "40")
	w.fill(`[aria-label^="Minutes before the table, at the least"]`, "15")
	name := w.see(".dish-fields input")
	require.NoError(t, name.SelectAllText())
	name.MustInput("Stewed chickpeas")
	w.click("Done")
	w.onRope("Stewed chickpeas 2: Cut")
	w.status("saved")
	d := a.keptSupper().Document
	assert.Equal(t, "Stewed chickpeas 2", d.Dishes[3].Name)
	require.NotNil(t, d.Dishes[3].Ready)
	assert.Equal(t, []int{15, 40}, []int{d.Dishes[3].Ready.Least, d.Dishes[3].Ready.Most})
	require.Len(t, d.Pins, 1)
	assert.Equal(t, "Stewed chickpeas 2", d.Pins[0].Dish)

	// Its own hour, an hour before the others: it is done by then.
	w.onRope("Stewed chickpeas 2: Cut").MustFocus()
	w.press('p')
	w.settled(func() bool { return !w.MustHas(".plan-pinned") }, "it is let go of")
	w.tapped(".supper-dish", "^Stewed chickpeas 2")
	w.see(".dish-fields .side-read") // its words are read
	w.click("As usual")
	until(t, func() bool { return !strings.Contains(w.words(".dish-fields"), "As usual") }, func() string { return "it still has its minutes: " + w.words(".dish-fields") })
	w.fill(`[aria-label="On the table at an hour of its own"]`, "18")
	w.press(input.Enter)
	w.click("Done")
	w.settled(func() bool { return w.at("Stewed chickpeas 2: Roast") <= "17:35" }, "it is done an hour sooner")
	w.status("saved")
	d = a.keptSupper().Document
	require.NotNil(t, d.Dishes[3].At)
	assert.Equal(t, 60., d.Table.Sub(*d.Dishes[3].At).Minutes())
	assert.Nil(t, d.Dishes[3].Ready)
}

// What has begun is begun until it is forgotten; the plan is then as it was.
func TestWhatHasBegunIsForgotten(t *testing.T) {
	a := start(t)
	kept := a.keptSupper().Document
	kept.Table = time.Now().Add(90 * time.Minute).Truncate(time.Minute)
	kept.Dishes = kept.Dishes[3:4]
	text, err := json.Marshal(kept)
	require.NoError(t, err)
	id := a.made(string(text))
	w := a.open(a.person(), "/supper/"+id)
	w.see(".plan-knot")
	w.onRope("Roast roots: Cut").MustClick()
	w.click("It begins now")
	w.see(".plan-pinned")
	w.click("Plan from now")
	w.status("saved")
	require.NotEmpty(t, a.supperOf(id).Document.Pins)
	w.click("Clear the steps that have begun")
	w.settled(func() bool { return !w.MustHas(".plan-pinned") }, "nothing has begun")
	w.status("saved")
	d := a.supperOf(id).Document
	assert.Empty(t, d.Pins)
	assert.Nil(t, d.Now)
}

// A step begins when its field says and takes as long as it says, until it is let go of; boxes come, move and go.
func TestAStepAndABoxAreSetInTheirDialogs(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	was := w.at("Roast roots: Cut")
	w.onRope("Roast roots: Cut").MustClick()
	w.fill(`.modal.show [aria-label^="Begins at"]`, "17:05")
	w.press(input.Enter)
	w.see(".plan-pinned")
	w.fill(`.modal.show [aria-label^="Takes"]`, "25")
	w.click("Done")
	w.settled(func() bool { return w.at("Roast roots: Cut") == "17:05" }, "it begins when it was told to")
	w.status("saved")
	pins := a.keptSupper().Document.Pins
	require.Len(t, pins, 1)
	assert.Equal(t, 25, *pins[0].Minutes)
	w.click("Undo")
	w.click("Undo")
	w.settled(func() bool { return w.at("Roast roots: Cut") == was }, "both are taken back")

	w.tapped(".supper-dish", "^Split-pea")
	w.click("Set some aside")
	w.fill(`[aria-label="Pieces in box 1"]`, "5")
	w.eventually(".box-words", "In the fridge: good until")
	w.MustEval(`() => {
		const day = document.querySelector(".box input[type=date]");
		const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
		set.call(day, day.max); day.dispatchEvent(new Event("input", { bubbles: true }));
	}`)
	w.eventually(".box-words", "Freeze it")
	w.click("Done")
	w.status("saved")
	require.Len(t, a.keptSupper().Document.Dishes[2].Boxes, 1)
	w.tapped(".supper-dish", "^Split-pea")
	w.click("No box")
	w.click("Done")
	w.status("saved")
	assert.Empty(t, a.keptSupper().Document.Dishes[2].Boxes)
}

// The ropes are walked by the keys; a kitchen of two ovens, none of them shared, is planned as such.
func TestRopesByTheKeysAndAKitchenOfTwoOvens(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	here := func() string { return w.MustEval(`() => document.activeElement?.ariaLabel ?? ""`).Str() }
	w.onRope("Roast roots: Cut").MustFocus()
	w.press(input.ArrowRight)
	assert.Contains(t, here(), "Roast roots: Roast")
	w.press(input.ArrowLeft)
	assert.Contains(t, here(), "Roast roots: Cut")
	w.press(input.ArrowUp)
	assert.Contains(t, here(), "Split-pea")
	w.press(input.ArrowDown, input.ArrowDown)
	assert.Contains(t, here(), "Stewed chickpeas")

	w.click("Change")
	w.fill(`[aria-label="Ovens"]`, "2")
	w.tap(`.modal.show input[type="checkbox"]`)
	w.click("Done")
	w.settled(func() bool { return !strings.Contains(w.words(".plan-head"), "The oven is shared") }, "each has its own heat")
	w.status("saved")
	d := a.keptSupper().Document
	require.Len(t, d.Kitchen.Ovens, 2)
	assert.NotEqual(t, d.Kitchen.Ovens[0].ID, d.Kitchen.Ovens[1].ID)
	require.NotNil(t, d.ShareOven)
	assert.False(t, *d.ShareOven)
	w.click("Change")
	w.tap(`.modal.show input[type="checkbox"]`)
	w.click("Done")
	w.status("saved")
	assert.Nil(t, a.keptSupper().Document.ShareOven)
}

// A pin that cannot be held is named with why and can be let go of, also after a reload; the plan beside it
// is the one without. Of a side of whose foods nothing is known it is said that it is not checked.
func TestAPinTooLateIsNoDeadEnd(t *testing.T) {
	a := start(t)
	id := a.made(`{"format":"cuerda-supper/1","name":"Late","table":"2030-11-29T19:00:00Z","kitchen":{"cooks":1,"burners":2,"pans":2},` +
		`"dishes":[{"name":"Salad","steps":[{"name":"Wash","minutes":10,"hands":1}]},` + fried + `Corn"}],` +
		`"pins":[{"dish":"Salad","step":"Wash","start":"2030-11-29T18:58:00Z"}]}`)
	w := a.open(a.person(), "/supper/"+id)
	w.eventually(".plan-unheld", "Wash")
	w.see(".plan-knot")
	w.eventually("main", "not checked: what is in it?")
	w.MustReload()
	w.eventually(".plan-unheld", "Wash")
	w.click("Let it go")
	w.settled(func() bool { return !w.MustHas(".plan-unheld") }, "it is let go of")
	w.status("saved")
	assert.Empty(t, a.supperOf(id).Document.Pins)
	w.click("Undo")
	w.see(".plan-unheld")
}
