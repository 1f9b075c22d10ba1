package e2e

import (
	"slices"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
)

// The kitchen chooses whose Spanish its foods are named in, and by which clock hours are shown.
func TestTheKitchenChoosesItsWordsAndItsClock(t *testing.T) {
	a := start(t)
	p := a.person()
	w := a.openAs(p, "/pantry", "es-US", 1280, 800)
	w.eventually(".pantry", "Frijoles negros")
	w.click("Colores, unidades, teclas")
	w.click("Río de la Plata")
	w.eventually(".pantry", "Porotos negros")
	assert.NotContains(t, w.words(".pantry"), "Frijoles")
	assert.Contains(t, w.words(".pantry"), "Arvejas partidas, cocidas", "what agrees with the name goes with it")
	settings := func() (now kitchen.Settings) { a.get("/api/settings", &now); return now }
	until(t, func() bool { return settings().Units.Spanish == "rp" }, func() string { return "the kitchen does not keep it" })

	// Another device of the kitchen follows.
	other := a.supper(a.person())
	other.eventually(".plan-say", "all ready at 19:00")
	other.click("Colours, units, keys")
	other.click("by 12 hours, am and pm")
	other.eventually(".plan-say", "all ready at 7:00 pm")
	until(t, func() bool { return settings().Units.Clock == "12" }, func() string { return "the kitchen does not keep it" })
	assert.Equal(t, "rp", settings().Units.Spanish, "one choice takes no other back")
	other.press(input.Escape)
	other.eventually(".supper-when", "on the table")
	hour := func() string {
		return strings.ToLower(strings.Join(strings.Fields(other.see(".supper-when .hour-field").MustProperty("value").Str()), " "))
	}
	until(t, func() bool { return hour() == "7:00 pm" }, hour)
	other.fill(".supper-when .hour-field", "6:30")
	other.eventually(".plan-say", "all ready at 6:30 pm")
	other.fill(".supper-when .hour-field", "11:15am")
	other.eventually(".plan-say", "all ready at 11:15 am")
	other.press(input.Tab)
	until(t, func() bool { return hour() == "11:15 am" }, hour)
	// The day moves, and the hour stays.
	other.see(`.supper-when input[type="date"]`).MustEval(`() => {
		Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(this, "2031-07-09");
		this.dispatchEvent(new Event("input", { bubbles: true }));
	}`)
	other.eventually(".supper", "9 July")
	other.status("saved") // with the days of its boxes, which go along
	other.eventually(".plan-say", "all ready at 11:15 am")
}

// Each screen says the one next thing, until it is put away; the help says it again, with what the words mean.
func TestTheNextThingIsToldAndFoundAgain(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/logbook")
	w.eventually(".next-thing", "After cooking, say in three taps")
	w.click("Got it")
	until(t, func() bool { return !w.MustHas(".next-thing") }, func() string { return "it stays" })
	w.MustReload()
	w.eventually(".logbook", "Tries")
	assert.False(t, w.MustHas(".next-thing"), "it was put away")
	w.click("Help: what comes next, and what the words mean")
	w.eventually(".help", "After cooking, say in three taps")
	w.eventually(".help", "82 in 100 means that about 18 would break")
	accessible(t)(w, "the help")
	w.click("Show this on the screen again")
	w.see(".next-thing")
	w.click("Keys")
	w.eventually(".modal", "Search builds and foods")
}

// The first view fetches its own words only; those of a dialog are there when it is, in whichever language is chosen.
func TestTheWordsOfOtherScreensComeWithThem(t *testing.T) {
	a := start(t)
	w := a.openAs(a.person(), "/bench/"+a.build(peas), "es-ES", 1280, 800)
	fetched := func() string {
		return w.MustEval(`() => performance.getEntriesByType("resource").map((e) => e.name).filter((name) => /\.(js|css)$/.test(name)).join(" ")`).Str()
	}
	w.eventually(".last-tries", "Últimos intentos")
	for _, other := range []string{"later", "door-app", "supper", "/en-"} {
		assert.NotContains(t, fetched(), other)
	}
	w.click("Ayuda: qué viene ahora y qué significan las palabras")
	w.eventually(".help", "Palabras de esta pantalla")
	assert.Contains(t, fetched(), "es-later")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".help") }, func() string { return "the help stays" })
	w.see(".language-select").MustSelect("English")
	w.eventually(".last-tries", "Last tries")
	w.click("Help: what comes next, and what the words mean")
	w.eventually(".help", "Words on this screen")
}

// Who listens hears the verdict once it has settled, not at every step of a change.
func TestTheVerdictIsSpokenOnceItHasSettled(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build(peas))
	w.eventually(".bench-middle [role=status]", "in 100")
	w.MustEval(`() => {
		const told = document.querySelector(".bench-middle [role=status]");
		window.told = [];
		new MutationObserver(() => window.told.push(told.textContent)).observe(told, { childList: true, characterData: true, subtree: true });
	}`)
	for _, grams := range []string{"30", "60", "120", "240"} {
		w.grams("chickpea-flour", grams)
	}
	told := func() []string {
		return strings.Split(w.MustEval(`() => window.told.join(" | ")`).Str(), " | ")
	}
	until(t, func() bool { return strings.Contains(strings.Join(told(), " "), "Squeeze") || len(told()[0]) > 0 }, func() string { return "nothing is said" })
	assert.Less(t, len(told()), 4, "it is not told at every step: %v", told())
}

// spoken is what a screen reader is given of a page, in its order: role and name of everything that has both.
func (w *window) spoken() (out [][2]string) {
	w.t.Helper()
	tree, err := proto.AccessibilityGetFullAXTree{}.Call(w.Page)
	require.NoError(w.t, err)
	for _, node := range tree.Nodes {
		if node.Ignored || node.Role == nil {
			continue
		}
		name := ""
		if node.Name != nil {
			name = strings.TrimSpace(node.Name.Value.Str())
		}
		out = append(out, [2]string{node.Role.Value.Str(), name})
	}
	return out
}

// What a screen reader is given has a name for everything that can be pressed, one title, and the Bench in the order in
// which a cook reads it.
func TestAScreenReaderIsToldInOrder(t *testing.T) {
	a := start(t)
	b := a.person()
	pressed := []string{"button", "link", "textbox", "searchbox", "spinbutton", "slider", "combobox", "checkbox", "tab", "menuitem"}
	for path, title := range map[string]string{
		"/bench/" + a.build(peas): "", "/supper": "", "/cook": "Cook", "/logbook": "Tries", "/pantry": "Pantry", "/practice": "", "/compose": "A mix from what is at hand",
	} {
		w := a.open(b, path)
		w.see(`main:not([aria-busy="true"])`)
		w.unmoving()
		said := w.spoken()
		for _, s := range said {
			if slices.Contains(pressed, s[0]) {
				assert.NotEmpty(t, s[1], "%s: a %s has no name", path, s[0])
			}
		}
		if title != "" {
			assert.Contains(t, said, [2]string{"heading", title}, path)
		}
	}
	w := a.open(b, "/bench/"+a.build(peas))
	w.see(".heat-picture")
	var headings []string
	for _, s := range w.spoken() {
		if s[0] == "heading" {
			headings = append(headings, s[1])
		}
	}
	at := -1
	for _, next := range []string{"Holds", "The squeeze", "The hold", "The piece", "The table", "Other ways", "Worth knowing"} {
		i := slices.IndexFunc(headings, func(h string) bool { return strings.HasPrefix(h, next) })
		assert.Greater(t, i, at, "%q comes in its turn: %v", next, headings)
		at = i
	}
}
