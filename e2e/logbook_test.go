package e2e

import (
	"bytes"
	"image"
	"image/png"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// logbook opens the last try of the demonstration's logbook.
func (a *app) logbook() *window {
	w := a.open(a.person(), "/logbook")
	w.eventually(".logbook-list", "42 since")
	w.tap(".try-row")
	w.eventually(".logbook-try", "What Cuerda said, what you found")
	return w
}

func (a *app) tries(query string) (out api.TryList) {
	a.get("/api/tries?limit=500&"+query, &out)
	return out
}

func TestTheLogbookTellsWhatHappenedAndWhatItTeaches(t *testing.T) {
	a := startLearned(t)
	w := a.logbook()
	w.eventually(".try-head", "Split-pea and parsnip cakes")
	w.eventually(".found-ropes", "found: 1 of 7 broke")
	w.eventually(".try-wrote", "chickpea flour 45 g → 29 g")
	w.eventually(".try-why", "chickpea flour")
	w.eventually(".change-best", "chickpea flour 29 g → 74 g")
	w.eventually(".change-one", "too little chickpea flour")
	w.eventually(".dish-history", time.Now().UTC().AddDate(0, 0, -6).Format("Jan"))

	// What is looked for, and the arrow keys.
	w.click("Broke")
	w.settled(func() bool { return w.words(".logbook-list .outcome-held") == "" }, "those that held are left out")
	w.click("All")
	w.fill(`.logbook-list input[type="search"]`, "hungry")
	w.settled(func() bool { return w.MustEval(`() => document.querySelectorAll(".try-row").length`).Int() == 2 }, "two tries without a rest")
	w.tap(".try-row")
	w.eventually(".try-wrote", "hungry")
	first := w.words("#try-title")
	w.press(input.ArrowDown)
	w.settled(func() bool { return w.words("#try-title") != first && w.words("#try-title") != "" }, "the next try")

	// A figure is looked into, left out and used again.
	oven := `[data-figure="oven_offset_celsius"]`
	w.eventually(oven, "cool")
	w.tap(oven + " summary")
	w.eventually(oven, "From ")
	w.click("Leave it out")
	w.eventually(oven, "left out")
	w.click("Use it again")
	w.eventually(oven, "cool")
	w.click("Forget it")
	w.eventually(".logbook-learned", "Your oven: learned afresh since")
	w.click("Take that back")
	w.eventually(oven, "cool")
	w.eventually(".trust", "Of 100 pieces said to hold")
	w.tap(".logbook-learned .form-check-input")
	w.eventually(".logbook-learned", "Predictions do without all of it.")
}

func TestTheNextTryChangesOneThing(t *testing.T) {
	a := startLearned(t)
	w := a.logbook()
	w.see(".change-best")
	w.click("Other changes")
	w.eventually(".change-one ul", "in 100")
	w.click("As the next try")
	w.settled(func() bool { return strings.Contains(w.MustInfo().URL, "/bench/") }, "the next try is on the Bench")
	w.settled(func() bool { return w.value(`[data-food="chickpea-flour"] input`) == "74" }, "with the one change")
	w.eventually(".last-tries", "Not cooked yet.")
	w.eventually(".last-tries", "42 tries of this kitchen")
}

func TestATryIsWrittenInTenSecondsAndChanged(t *testing.T) {
	a := start(t)
	id := a.build("Turkey, leek")
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".last-tries", "of 23 broke")
	w.click("Write down")
	w.tapped(".write-try button", "^held$")
	w.tapped(".write-try button", "^firm$")
	w.fill(".write-note textarea", "easy this time")
	w.click("Keep it")
	w.settled(func() bool { return len(a.tries("text=easy").Tries) == 1 }, "it is kept")
	w.eventually(".last-tries li", "held")
	kept := a.tries("text=easy").Tries[0]
	assert.Equal(t, id, kept.Build)

	w.MustNavigate(a.at("/logbook/" + kept.ID)).MustWaitLoad()
	w.eventually(".try-wrote", "easy this time")
	w.click("More for this try")
	w.click("Change what was written")
	w.see(".write-try")
	w.MustEval(`() => { for (const d of document.querySelectorAll(".write-try details")) d.open = true; }`)
	w.fill(`.write-numbers input[aria-label="Pieces made"]`, "6")
	w.fill(`.write-numbers input[aria-label="when turned"]`, "9")
	w.eventually(".write-try", "More broke than were made.")
	w.fill(`.write-numbers input[aria-label="when turned"]`, "2")
	w.click("Keep it")
	w.eventually(".found-ropes", "found: 2 of 6 broke")

	w.click("More for this try")
	w.click("Compare with another try")
	w.eventually(".compare", "What that does")
	w.press(input.Escape)
	w.settled(func() bool { return !w.MustHas(".compare") }, "the comparison is closed")
	w.click("More for this try")
	w.click("Leave it out of learning")
	w.eventually(".try-head", "left out of learning")
	w.click("More for this try")
	w.click("Delete this try")
	w.eventually(".undo-bar", "Turkey, leek and millet balls")
	assert.Empty(t, a.tries("text=easy").Tries)
	w.tap(".undo-bar .btn-link")
	w.settled(func() bool { return len(a.tries("text=easy").Tries) == 1 }, "it is back")
}

func TestTestPattiesSayHowMuch(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build(peas))
	w.click("More for this build")
	w.click("Test patties")
	w.see(".patties-ask")
	w.click("Show me which to fry")
	w.eventually(".patties", "Fry these 3 next")
	w.eventually(".patties-next", "of the mix + ")
	answer := func(word, grade string) {
		w.MustEval(`(word, grade) => { for (const li of document.querySelectorAll(".patties-next li"))
			for (const b of li.querySelectorAll("button")) if ([word, grade].includes(b.textContent.trim())) b.click(); }`, word, grade)
	}
	answer("firm", "held firmly")
	w.click("I have noted what they did")
	w.eventually(".patties-answer", "3 fried")
	w.click("Keep in the Logbook")
	w.eventually(".patties", "Kept in the Logbook.")
	tests := a.tries("kind=patties").Tries
	require.Len(t, tests, 2)
	told := a.open(a.person(), "/logbook/"+tests[0].ID)
	told.eventually(".try-patties", "3 fried")
	told.see(".try-patties h2")
	assert.NotContains(t, told.words(".try-patties"), "NaN")
	grams := w.words(".patty-best .patty-name")
	w.click("Take it into the mix")
	w.settled(func() bool { return strings.HasPrefix(grams, w.value(gramsOf("chickpea-flour"))+" g") }, "the mix has "+grams)

	// At the stove the same is asked of what is not shaped yet.
	stove, _ := a.cook(a.person(), "Turkey, leek and millet balls", "en-GB", 1280, 800)
	stove.click("More")
	stove.click("Fry three first")
	stove.eventually(".patties", "What do you want to find out?")
}

func TestTheLogbookIsAccessibleOnAPhoneInSpanishAndDark(t *testing.T) {
	a := startLearned(t)
	check := accessible(t)
	w := a.openAs(a.person(), "/logbook", "es-ES", 390, 844)
	w.eventually(".logbook-list", "aguantaron")
	check(w, "the list")
	w.tap(".try-row")
	w.eventually(".said-found", "Lo que dijo Cuerda y lo que hallaste")
	w.see(".change-best")
	require.NoError(t, proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-color-scheme", Value: "dark"}}}.Call(w.Page))
	check(w, "a try in the dark")
	assert.LessOrEqual(t, w.MustEval(`() => document.documentElement.scrollWidth`).Int(), 390, "nothing sticks out")
	w.click("Todos los intentos")
	w.click("Anotar un intento")
	w.see(".write-try")
	w.MustEval(`() => { for (const d of document.querySelectorAll(".write-try details")) d.open = true; }`)
	check(w, "writing")

	desk := a.logbook()
	desk.see(".change-best")
	desk.tap(`[data-figure="oven_offset_celsius"] summary`)
	desk.see(".learned-more")
	check(desk, "the desk")
}

func TestALogbookThatCannotBeRead(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/logbook/00000000-0000-0000-0000-000000000000")
	w.eventually(".logbook-try", "This try was deleted, or does not exist.")
	w.see(".try-row")
	w.click("Write a try down")
	w.see(".write-try option:nth-child(2)") // its builds are there
	w.see(".write-try select").MustSelect("Turkey, leek and millet balls")
	w.eventually(".write-try", "Really put in")
	w.click("held")
	w.connection(false)
	w.click("Keep it")
	w.eventually(".write-try", "It could not be kept")
	w.connection(true)
	w.click("Keep it")
	w.settled(func() bool { return a.tries("").All == 43 }, "it is kept once the connection is back")
}

// What went out comes in again: a table of the browser's own, from the menu.
func TestALogbookGoesOutAndInOverItsMenu(t *testing.T) {
	a := start(t)
	w := a.logbook()
	answer, err := http.Get(a.at("/api/tries/export?format=csv"))
	require.NoError(t, err)
	defer answer.Body.Close()
	table, err := io.ReadAll(answer.Body)
	require.NoError(t, err)
	w.click("Export and import")
	assert.Contains(t, w.see(`a[href*="format=markdown"]`).MustText(), "diary")
	file := filepath.Join(t.TempDir(), "logbook.csv")
	require.NoError(t, os.WriteFile(file, append(table, "2026-01-05,Mackerel and potato cakes,held,firm,,,,,,,,,,from the old book\n"...), 0o600))
	w.see(`.logbook-list input[type="file"]`).MustSetFiles(file)
	w.eventually(".logbook-list", "tries were taken in")
	found := a.tries("text=old%20book").Tries
	require.Len(t, found, 1)
	assert.NotEmpty(t, found[0].Build, "its build is known by its name")
	bad := filepath.Join(t.TempDir(), "bad.csv")
	require.NoError(t, os.WriteFile(bad, []byte("date,dish\n2026-01-05,Moon pie\n"), 0o600))
	w.see(`.logbook-list input[type="file"]`).MustSetFiles(bad)
	w.eventually(".logbook-list", "Moon pie")
}

// Versions say how they came out; a picture is kept with a try and can be taken away again.
func TestVersionsAndPicturesOfTries(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build(peas))
	w.see(".last-tries li")
	w.click("More for this build")
	w.click("Versions")
	w.eventually(".version-tries", "fell apart")
	w.press(input.Escape)
	w.settled(func() bool { return !w.MustHas(".offcanvas") }, "the drawer is closed")

	w.click("Write down")
	picture := filepath.Join(t.TempDir(), "cakes.png")
	var text bytes.Buffer
	require.NoError(t, png.Encode(&text, image.NewGray(image.Rect(0, 0, 40, 30))))
	require.NoError(t, os.WriteFile(picture, text.Bytes(), 0o600))
	w.see(`.write-try input[type="file"]`).MustSetFiles(picture)
	w.see(`.write-photos img`)
	broken := filepath.Join(t.TempDir(), "broken.png")
	require.NoError(t, os.WriteFile(broken, text.Bytes()[:40], 0o600))
	w.see(`.write-try input[type="file"]`).MustSetFiles(broken)
	w.eventually(".write-photos", "could not be kept")
	w.fill(".write-note textarea", "with its picture")
	w.click("Keep it")
	w.settled(func() bool { return len(a.tries("text=picture").Tries) == 1 }, "it is kept")
	w.settled(func() bool { return !w.MustHas(".write-try") }, "and the page says so")
	kept := a.tries("text=picture").Tries[0]
	require.NotEmpty(t, kept.Photo)
	w.MustNavigate(a.at("/logbook/" + kept.ID)).MustWaitLoad()
	w.settled(func() bool {
		return w.MustEval(`() => (document.querySelector(".try-photos img")?.naturalWidth ?? 0) === 40`).Bool()
	}, "it is shown")
	w.click("More for this try")
	w.click("Change what was written")
	w.click("Remove photo 1")
	w.click("Keep it")
	w.settled(func() bool { return a.tries("text=picture").Tries[0].Photo == "" }, "it is taken away")
}
