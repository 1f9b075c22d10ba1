package e2e

import (
	"net/http"
	"os"
	"strconv"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

const peas = "Split-pea and parsnip"

func TestAnEditMovesTheVerdictAndIsKept(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".verdict", "Holds.")
	before := w.words(".verdict")
	w.grams("split-peas-cooked", "900")
	w.grams("chickpea-flour", "2")
	w.eventually(".zone-here", "tacky")
	w.grams("split-peas-cooked", "480")
	w.grams("flax-meal", "0.5")
	w.tie("Rest")
	w.fill(`input[aria-label="Minutes of rest, min"]`, "0")
	w.eventually(".means", "drop it from a spoon")
	assert.NotEqual(t, before, w.words(".verdict"))
	w.status("saved")
	assert.Equal(t, 0.5, a.kept(id, "flax-meal"))

	w.MustReload().MustWaitLoad()
	w.see(".verdict")
	assert.Equal(t, "0.5", w.value(gramsOf("flax-meal")))
	assert.Equal(t, "2", w.value(gramsOf("chickpea-flour")))
	w.eventually(".hint", "version")
}

func TestUndoAndRedo(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	w.grams("flax-meal", "40")
	w.grams("salt", "9")
	w.tap(".build-name")
	w.chord(input.KeyZ, input.ControlLeft)
	until(t, func() bool { return w.value(gramsOf("salt")) == "6" }, func() string { return "salt was not undone" })
	w.click("Undo")
	until(t, func() bool { return w.value(gramsOf("flax-meal")) == "16" }, func() string { return "flax was not undone" })
	w.chord(input.KeyZ, input.ControlLeft, input.ShiftLeft)
	until(t, func() bool { return w.value(gramsOf("flax-meal")) == "40" }, func() string { return "flax was not redone" })
	w.status("saved")
	assert.Equal(t, 40., a.kept(id, "flax-meal"))
	assert.Equal(t, 6., a.kept(id, "salt"))
}

func TestTwoWindowsNeverOverwriteEachOther(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	// Two browsers, so that they share nothing but the server.
	one, two := a.open(a.person(), "/bench/"+id), a.open(a.person(), "/bench/"+id)
	one.grams("flax-meal", "30")
	one.status("saved")
	two.grams("salt", "9")
	two.eventually(".modal", "changed in another window")
	two.eventually(".differences", "Flax meal")
	two.eventually(".differences", "30 g")
	assert.Equal(t, 6., a.kept(id, "salt"), "nothing is overwritten yet")
	two.click("Keep mine")
	two.status("saved")
	assert.Equal(t, 9., a.kept(id, "salt"))
	assert.Equal(t, 16., a.kept(id, "flax-meal"))

	one.grams("flax-meal", "50")
	one.eventually(".modal", "changed in another window")
	one.click("Keep both: mine as a copy")
	one.eventually(".mix-head .hint", "version 1")
	assert.Contains(t, one.value(".build-name"), "copy")
	assert.Equal(t, 50., a.kept(a.build("copy"), "flax-meal"))
	assert.Equal(t, 16., a.kept(id, "flax-meal"))

	two.grams("salt", "12")
	two.status("saved")
	assert.Equal(t, 12., a.kept(id, "salt"), "the copy is no change of the first")
}

func TestALostConnectionLosesNothing(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	p := a.person()
	w := a.open(p, "/bench/"+id)
	w.connection(false)
	w.grams("flax-meal", "33")
	w.status("offline")
	w.eventually(".verdict", "no connection")
	assert.Equal(t, 16., a.kept(id, "flax-meal"))
	w.connection(true)
	w.status("saved")
	assert.Equal(t, 33., a.kept(id, "flax-meal"))
	until(t, func() bool { return !strings.Contains(w.words(".verdict"), "no connection") },
		func() string { return "the verdict stays out of date" })

	// The window is closed before the connection is back; the next one sends it.
	w.connection(false)
	w.grams("flax-meal", "44")
	w.status("offline")
	require.NoError(t, w.Close())
	again := a.open(p, "/bench/"+id)
	again.status("saved")
	// What is on the server is saved as well, until the outbox has been read.
	until(t, func() bool { return again.value(gramsOf("flax-meal")) == "44" }, func() string { return again.value(gramsOf("flax-meal")) })
	again.status("saved")
	assert.Equal(t, 44., a.kept(id, "flax-meal"))
}

// What a window could not send when it closed is taken up by the one that has the same build open beside it.
func TestTheWindowBesideGoesOnWithWhatAClosedOneLeft(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	p := a.person()
	w := a.open(p, "/bench/"+id)
	beside := a.open(p, "/bench/"+id)
	beside.status("saved")
	w.connection(false)
	w.grams("flax-meal", "44")
	w.status("offline")
	require.NoError(t, w.Close())
	until(t, func() bool { return beside.value(gramsOf("flax-meal")) == "44" }, func() string { return beside.value(gramsOf("flax-meal")) })
	beside.status("saved")
	assert.Equal(t, 44., a.kept(id, "flax-meal"))
}

func TestAKeyboardIsEnough(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	// From the top of the page to the food field, by Tab alone.
	for i := 0; ; i++ {
		w.press(input.Tab)
		if w.MustEval(`() => document.activeElement.getAttribute("role") === "combobox"`).Bool() {
			break
		}
		require.Less(t, i, 60, "the food field is never reached")
	}
	require.NoError(t, w.InsertText("chia gr"))
	w.eventually(".food-menu", "Chia, ground")
	w.press(input.Enter)
	until(t, func() bool {
		return w.MustEval(`() => document.activeElement.getAttribute("aria-label")`).Str() == "Grams of Chia, ground, g"
	},
		func() string { return "the new line's grams do not have the focus" })
	require.NoError(t, w.InsertText("12"))
	w.press(input.ArrowUp)
	assert.Equal(t, "13", w.value(gramsOf("chia-ground")))
	w.chord(input.ArrowDown, input.ShiftLeft)
	assert.Equal(t, "10", w.value(gramsOf("chia-ground")))

	// Up two places with the keyboard, by its handle.
	w.see(`[data-food="chia-ground"] .grip`).MustFocus()
	for _, step := range []struct {
		key  input.Key
		says string
	}{{input.Space, "Chia, ground is at place 8"}, {input.ArrowUp, "at place 7"}, {input.ArrowUp, "at place 6"}, {input.Space, "is now at place 6"}} {
		w.press(step.key)
		w.eventually("[aria-live=assertive]", step.says)
		// What is picked up hears the keys a moment after it is said.
		w.MustEval(`() => new Promise((done) => setTimeout(done, 80))`)
	}
	order := func() string {
		return w.MustEval(`() => [...document.querySelectorAll(".line")].map((l) => l.dataset.food).join(" ")`).Str()
	}
	until(t, func() bool { return strings.HasSuffix(order(), "chia-ground pumpkin-seeds salt") }, order)
	w.chord(input.KeyZ, input.ControlLeft)
	until(t, func() bool { return strings.HasSuffix(order(), "pumpkin-seeds salt chia-ground") }, order)
	w.status("saved")
	assert.Equal(t, 10., a.kept(id, "chia-ground"))
}

func TestSpanish(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.openAs(a.person(), "/bench/"+id, "es-ES", 1280, 800)
	w.eventually(".verdict", "Aguanta.")
	assert.Equal(t, "es", w.MustEval(`() => document.documentElement.lang`).Str())
	w.see(`.add-food input`).MustInput("copos avena")
	w.eventually(".food-menu", "Copos de avena")
	w.press(input.Enter)
	w.grams("oats-rolled", "12,5")
	w.status("saved")
	assert.Equal(t, 12.5, a.kept(id, "oats-rolled"))
	// What is kept is the build's own name, whatever the page calls it.
	var kept struct{ Document struct{ Name string } }
	a.get("/api/builds/"+id, &kept)
	assert.Equal(t, "Split-pea and parsnip cakes", kept.Document.Name)
	assert.Equal(t, "Tortitas de guisantes partidos y chirivía", w.value(".build-name"))
	w.see(`select[aria-label="Idioma"]`).MustSelect("English")
	w.eventually(".verdict", "Holds.")
	assert.Equal(t, "12.5", w.value(gramsOf("oats-rolled")))
	w.MustReload().MustWaitLoad()
	w.eventually(".verdict", "Holds.")
}

func TestPreparationsAndMice(t *testing.T) {
	a := start(t)
	id := a.build("first try")
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".verdict", "Will not hold.")
	w.eventually(".notes", "Too wet")
	w.tap(`[data-food="courgette"] .line-name`)
	w.click("Prepare")
	w.click("sauté")
	w.fill(`input[aria-label="Minutes to sauté Courgette, grated, min"]`, "14")
	w.eventually(`[data-food="courgette"] .line-facts`, "once prepared")
	w.eventually(".zone-here", "tacky")
	w.click("Remove: sauté")
	w.eventually(".zone-here", "slumps")

	slide := w.see(`[data-food="oats-rolled"] .slide`)
	box := slide.MustShape().Box()
	w.Mouse.MustMoveTo(box.X+box.Width/2, box.Y+box.Height/2).MustDown("left").MustMoveTo(box.X+box.Width*.9, box.Y+box.Height/2).MustUp("left")
	amount, err := strconv.ParseFloat(w.value(gramsOf("oats-rolled")), 64)
	require.NoError(t, err)
	assert.Greater(t, amount, 60.)

	w.click("Remove Courgette, grated")
	until(t, func() bool { return !w.MustHas(`[data-food="courgette"]`) }, func() string { return "courgette stays" })
	// A hand that finds the row elsewhere than it was takes hold of it again.
	up := func() bool {
		return w.MustEval(`() => [...document.querySelectorAll(".line")].map((l) => l.dataset.food).indexOf("salt")`).Int() == 1
	}
	until(t, func() bool {
		w.unmoving()
		grip := w.see(`[data-food="salt"] .grip`).MustShape().Box()
		over := w.see(`[data-food="onion"]`).MustShape().Box()
		w.Mouse.MustMoveTo(grip.X+5, grip.Y+8).MustDown("left").MustMoveTo(grip.X+5, grip.Y-20)
		require.NoError(t, w.Mouse.MoveLinear(proto.NewPoint(grip.X+5, over.Y+4), 8))
		w.Mouse.MustUp("left")
		w.unmoving()
		return up()
	}, func() string { return "salt was not dragged up" })

	// What limits a loaf, and with it the sentence, is the amount's: not where on the slide the mouse let go.
	w.grams("oats-rolled", "60")
	w.see(".piece select").MustSelect("Loaf")
	w.eventually(".verdict", "slice without crumbling")
	w.eventually(".band", "A loaf in a tin needs this")
	w.status("saved")
	assert.Zero(t, a.kept(id, "courgette"))
}

func TestBuildsAreMadeCopiedDeletedAndBroughtBack(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build(peas))
	w.click("Builds")
	w.click("New build")
	w.eventually(".empty-mix", "Nothing in the bowl yet")
	w.eventually(".bench", "What is in the bowl?")
	w.fill(".build-name", "Tofu squares <b>new</b>")
	w.status("saved")
	assert.False(t, w.MustHas(".build-name b"))
	id := a.build("Tofu squares")

	w.click("More for this build")
	w.click("Duplicate")
	until(t, func() bool { return strings.HasSuffix(w.value(".build-name"), ", copy") }, func() string { return w.value(".build-name") })
	w.click("More for this build")
	w.click("Delete")
	w.eventually(".undo-bar", "copy” deleted")
	w.click("Bring it back")
	until(t, func() bool { return strings.HasSuffix(w.value(".build-name"), ", copy") }, func() string { return w.value(".build-name") })

	w.click("Builds")
	w.click("More for Split-pea and parsnip cakes")
	w.click("Rename")
	until(t, func() bool {
		return w.MustEval(`() => document.activeElement.value`).Str() == "Split-pea and parsnip cakes"
	},
		func() string { return "the name is not ready to be typed over" })
	require.NoError(t, w.InsertText("Pea cakes for Friday"))
	w.status("saved")
	w.click("Builds")
	w.eventually(".builds", "Pea cakes for Friday")
	w.see(`input[aria-label="Search builds"]`).MustInput("tofu")
	until(t, func() bool { return len(w.MustElements(".build")) == 2 }, func() string { return w.words(".builds") })
	w.see(`input[aria-label="Search builds"]`).MustSelectAllText().MustInput("zzz")
	w.eventually(".offcanvas", "No build has “zzz” in its name.")

	w.MustNavigate(a.at("/bench/00000000-0000-0000-0000-000000000001"))
	w.eventually(".alone", "There is no such build.")
	request, _ := http.NewRequest(http.MethodDelete, a.at("/api/builds/"+id), nil)
	_, err := http.DefaultClient.Do(request)
	require.NoError(t, err)
	w.MustNavigate(a.at("/bench/" + id))
	w.eventually(".alone", "This build was deleted.")
	w.click("Bring it back")
	w.eventually(".bench", "What is in the bowl?")
}

func TestVersionsAreThereToGoBackTo(t *testing.T) {
	a := start(t)
	id := a.build("Lamb")
	w := a.open(a.person(), "/bench/"+id)
	w.grams("quinoa-flakes", "30")
	w.status("saved")
	w.grams("quinoa-flakes", "50")
	w.status("saved")
	w.click("More for this build")
	w.click("Versions")
	w.eventually(".versions", "Version 3")
	w.click("2 steps before it")
	w.click("Go back to this: Version 1")
	until(t, func() bool { return w.value(gramsOf("quinoa-flakes")) == "40" }, func() string { return "still the later version" })
	w.eventually(".mix-head .hint", "version 4")
	w.click("Undo")
	w.status("saved")
	assert.Equal(t, 50., a.kept(id, "quinoa-flakes"))
}

func TestBadInputIsSaidAndNothingIsLost(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	for _, bad := range []string{"0", "0.09", "-5", "abc", "1e9", "100001", "NaN", ""} {
		w.grams("flax-meal", "16")
		field := w.see(gramsOf("flax-meal"))
		field.MustSelectAllText()
		w.press(input.Backspace)
		if bad != "" {
			require.NoError(t, w.InsertText(bad))
			w.press(input.Enter)
		}
		w.eventually(".number-error", "A number from 0.1 to 100,000")
		assert.Equal(t, "true", *field.MustAttribute("aria-invalid"), bad)
		w.press(input.Escape)
		until(t, func() bool { return !w.MustHas(".number-error") }, func() string { return "Escape does not mend " + bad })
	}
	w.fill(".build-name", strings.Repeat("🫛", 60)+"<script>window.hurt=1</script> كفتة")
	w.status("saved")
	w.MustReload().MustWaitLoad()
	w.see(".verdict")
	assert.Contains(t, w.value(".build-name"), "كفتة")
	assert.True(t, w.MustEval(`() => window.hurt === undefined`).Bool())
	assert.Equal(t, 16., a.kept(id, "flax-meal"))
}

// accessible gives a check of what a window shows: of the dialog alone where one lies over the page, which is checked
// without it.
func accessible(t *testing.T) func(w *window, where string) {
	t.Helper()
	axe, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	require.NoError(t, err)
	return func(w *window, where string) {
		t.Helper()
		w.unmoving()
		if !w.MustEval(`() => "axe" in window`).Bool() {
			_, err := w.Eval("() => { " + string(axe) + " }")
			require.NoError(t, err)
		}
		found := w.MustEval(`async () => (await axe.run(document.querySelector(".modal.show, .offcanvas.show") ?? document, { resultTypes: ["violations"] })).violations.map((v) => v.id + ": " + v.nodes.map((n) => n.target + " " + n.failureSummary).join("; ")).join("\n")`).Str()
		assert.Empty(t, found, where)
	}
}

func TestNothingIsInaccessible(t *testing.T) {
	a := start(t)
	check := accessible(t)
	p := a.person()
	for _, view := range []struct {
		language      string
		theme         string
		width, height int
	}{{"en-GB", "light", 1280, 800}, {"es-ES", "dark", 1280, 800}, {"en-GB", "dark", 390, 844}} {
		w := a.openAs(p, "/bench/"+a.build("Courgette"), view.language, view.width, view.height)
		w.MustEval(`(theme) => localStorage.setItem("cuerda.theme", theme)`, view.theme)
		w.MustReload().MustWaitLoad()
		w.tap(`[data-food="courgette"] .line-name`)
		check(w, view.language+" "+view.theme)
		w.see(".knot:last-child")
		w.MustEval(`() => [...document.querySelectorAll(".knot")].at(-3).click()`)
		w.see(".knot-panel")
		w.tap(".outlook-toggle")
		w.see(".outlook dd")
		check(w, "a knot, what if and the cold, "+view.theme)
		w.press(input.Escape)
		w.tap(".mend button")
		w.see(".mend-answer")
		w.see(".way[data-aim]")
		check(w, "mend and ways, "+view.theme)
		w.tap(".mix-tools .btn")
		w.see(".offcanvas.show .build")
		check(w, "builds, "+view.theme)
		pantry := a.openAs(p, "/pantry", view.language, view.width, view.height)
		pantry.tap(".pantry-item button")
		check(pantry, "pantry, "+view.theme)
	}
}

func TestPartsAndDialogsAreAccessible(t *testing.T) {
	a := start(t)
	check := accessible(t)
	p := a.person()
	for _, theme := range []string{"light", "dark"} {
		w := a.open(p, "/bench/"+a.build("Amaranth"))
		w.MustEval(`(theme) => { localStorage.setItem("cuerda.theme", theme); localStorage.setItem("cuerda.language", theme === "dark" ? "es" : "en"); }`, theme)
		w.MustReload().MustWaitLoad()
		w.see(".plate-table")
		w.tap("#part-tab-0")
		w.see(".part-head")
		check(w, "a part, "+theme)
		for _, key := range []string{"s", "v", "?", "/"} {
			w.MustEval(`() => document.activeElement?.blur()`)
			w.MustEval(`(key) => dispatchEvent(new KeyboardEvent("keydown", { key, cancelable: true }))`, key)
			w.see(".modal.show .modal-body, .offcanvas.show .version-label")
			check(w, "key "+key+", "+theme)
			w.press(input.Escape)
			until(t, func() bool { return !w.MustHas(".modal.show, .offcanvas.show") }, func() string { return key + " does not close" })
		}
		w.see(".squeeze")
		w.tap(".hold-stage .why")
		w.see(".why-body table")
		check(w, "why, "+theme)
		sheet := a.open(p, "/sheet/"+a.build("Amaranth"))
		sheet.see(".sheet-steps")
		check(sheet, "sheet, "+theme)
	}
}

func TestTheTableConversionAndReadingAreAccessible(t *testing.T) {
	a := start(t)
	check := accessible(t)
	p := a.person()
	w := a.open(p, "/bench/"+a.build("Grandmother"))
	w.MustEval(`() => localStorage.setItem("cuerda.language", "en")`)
	w.MustReload().MustWaitLoad()
	w.see(".verdict")
	w.click("Who eats")
	check(w, "the table")
	w.click("Done")
	w.click("Take them out")
	w.see(".before-after .squeeze")
	check(w, "convert")
	w.click("Cancel")
	w.click("More for this build")
	w.click("Bring in a recipe")
	w.see("#paste-text").MustInput("1 egg\nsome moonbeams")
	w.click("Read it")
	w.see(".build-row")
	check(w, "reading")
}
