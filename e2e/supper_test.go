package e2e

import (
	"encoding/json"
	"net/http"
	"regexp"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// supper opens the club's supper, once its plan is there.
func (a *app) supper(b *rod.Browser) *window {
	a.t.Helper()
	w := a.open(b, "/supper")
	w.see(".plan-knot")
	return w
}

// keptSupper is the club's supper as the server has it.
func (a *app) keptSupper() api.KeptSupper {
	a.t.Helper()
	var list []api.SupperEntry
	a.get("/api/suppers", &list)
	require.NotEmpty(a.t, list)
	var kept api.KeptSupper
	a.get("/api/suppers/"+list[0].ID, &kept)
	return kept
}

// onRope finds a step by the beginning of its label.
func (w *window) onRope(label string) *rod.Element {
	w.t.Helper()
	e, err := w.Timeout(patience).ElementByJS(rod.Eval(`(label) => [...document.querySelectorAll(".plan-knot")].find((e) => e.ariaLabel.startsWith(label)) ?? null`, label))
	require.NoError(w.t, err, "no knot %q; the page says: %s", label, w.words("body"))
	return e.CancelTimeout()
}

var clock = regexp.MustCompile(`\d\d:\d\d`)

// at is when a knot begins, by its label.
func (w *window) at(label string) string {
	w.t.Helper()
	return clock.FindString(*w.onRope(label).MustAttribute("aria-label"))
}

// drag takes a knot so many pixels along its rope; it is not let go of.
func (w *window) drag(label string, by float64) {
	w.t.Helper()
	box := w.onRope(label).MustShape().Box()
	from := proto.NewPoint(box.X+4, box.Y+box.Height/2)
	require.NoError(w.t, w.Mouse.MoveTo(from))
	w.Mouse.MustDown("left")
	require.NoError(w.t, w.Mouse.MoveLinear(proto.NewPoint(from.X+by, from.Y), 6))
}

func (w *window) settled(want func() bool, why string) {
	w.t.Helper()
	until(w.t, want, func() string { return why + "; the page says: " + w.words("body") })
}

func TestASupperIsPlannedAndPlannedOtherwise(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	w.eventually("h1", "Start at")
	w.eventually(".plan-proof", "proved")
	assert.Len(t, w.MustElements(".plan-dish"), 5)
	w.eventually(".plan-head", "The oven is shared at 200 °C")
	w.eventually(".plates", "Everyone has a full plate")
	w.eventually(".plan-cautions", "Turkey balls: animal foods")

	// Each plan says what it would mean, and is taken with one press.
	w.settled(func() bool { return !strings.Contains(w.words(".plan-others"), "…") }, "every plan is there")
	late := w.words("h1")
	w.click(w.beginning("The day before"))
	w.eventually(".plan-proof", "of work are left for the day; less is not possible (proved)")
	// What is shown of a step in several places is of this plan alone.
	assert.Empty(t, w.MustEval(`() => {
		const times = new Map();
		for (const e of document.querySelectorAll(".plan-bar title")) {
			const words = e.textContent.split(", "), step = words.slice(0, -2).join(", ");
			times.set(step, (times.get(step) ?? new Set()).add(words.slice(-2).join(", ")));
		}
		return [...times].filter(([, all]) => all.size > 1).map(([step, all]) => step + ": " + [...all].join("; "));
	}`).Arr())
	w.click(w.beginning("One cook"))
	w.settled(func() bool { return !strings.Contains(w.words("h1"), "on Thursday") && w.words("h1") != late }, "one cook begins sooner")
	assert.NotContains(t, w.words(".plan-lanes"), "Cook 2")
	w.MustElement("body").MustFocus()
	require.NoError(t, w.Keyboard.Press(input.ControlLeft))
	w.press('z')
	w.press('z')
	require.NoError(t, w.Keyboard.Release(input.ControlLeft))
	w.eventually("h1", strings.TrimSuffix(late, "."))
}

// beginning gives the whole words of the control that begins with these.
func (w *window) beginning(begins string) string {
	w.t.Helper()
	return w.MustEval(`(begins) => { const e = [...document.querySelectorAll("button")].find((e) => e.getClientRects().length && e.textContent.replace(/\u00a0/g, " ").trim().startsWith(begins)); return (e.getAttribute("aria-label") ?? e.textContent).replace(/\u00a0/g, " ").trim(); }`, begins).Str()
}

func TestAKnotIsMovedPinnedAndRefused(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	was := w.at("Roast roots: Cut")
	w.drag("Roast roots: Cut", -50)
	w.see(".plan-ghost")
	w.Mouse.MustUp("left")
	w.see(".plan-pinned")
	now := w.at("Roast roots: Cut")
	assert.Less(t, now, was)
	w.status("saved")
	pins := a.keptSupper().Document.Pins
	require.Len(t, pins, 1)
	assert.Equal(t, "Roast roots", pins[0].Dish)

	// By the keys: five minutes later, then no longer pinned.
	w.onRope("Roast roots: Cut").MustFocus()
	require.NoError(t, w.Keyboard.Press(input.ShiftLeft))
	w.press(input.ArrowRight)
	require.NoError(t, w.Keyboard.Release(input.ShiftLeft))
	w.settled(func() bool { return w.at("Roast roots: Cut") > now }, "it moves five minutes")
	w.onRope("Roast roots: Cut").MustFocus()
	w.press('p')
	w.settled(func() bool { return !w.MustHas(".plan-pinned") }, "it is let go of")

	// Where it cannot be it refuses, says why, and goes back.
	then := w.at("Roast roots: Roast")
	w.drag("Roast roots: Roast", -220)
	w.eventually(".plan-why", "Roast cannot begin at")
	w.see(".plan-refused")
	w.press(input.Escape)
	w.settled(func() bool { return !w.MustHas(".plan-why") }, "Escape lets go of it")
	w.Mouse.MustUp("left")
	assert.Equal(t, then, w.at("Roast roots: Roast"))
	w.status("saved")
	assert.Empty(t, a.keptSupper().Document.Pins)

	// A step that takes longer moves the others.
	w.onRope("Roast roots: Roast").MustClick()
	w.click("+10 min")
	w.click("Done")
	w.settled(func() bool { return w.at("Roast roots: Roast") < then }, "it begins sooner")
}

// addMackerel puts the mackerel cakes onto the table.
func (w *window) addMackerel() {
	w.t.Helper()
	w.click("Add a dish or a side")
	w.fill(`[aria-label="Search builds"]`, "Mackerel")
	w.settled(func() bool { return len(w.MustElements(".pick button")) == 1 }, "one build is found")
	w.tap(".pick button")
	w.onRope("Mackerel and potato cakes: ")
}

func TestDishesComeAndGo(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	w.click("Add a dish or a side")
	w.click("In your own words")
	w.fill(`[aria-label="Name of the dish"]`, "Herb sauce")
	w.fill(`[aria-label="Its steps, in words"]`, "blend 8, season 2, hum")
	w.eventually(".side-read", "Cuerda does not understand “hum”")
	w.click("Add it")
	w.onRope("Herb sauce: Blend")

	w.addMackerel()
	w.status("saved")
	dishes := a.keptSupper().Document.Dishes
	require.Len(t, dishes, 7)
	assert.NotNil(t, dishes[6].From)

	// Too many for one cook and no oven: what is in the way is said, and one press makes room.
	w.click("Change")
	w.fill(`[aria-label="Ovens"]`, "0")
	w.click("Done")
	w.eventually(".plan-odds", "racks of an oven")
	w.status("saved")
	assert.Empty(t, a.keptSupper().Document.Kitchen.Ovens)
	assert.NotNil(t, a.keptSupper().Document.Kitchen.Ovens, "no oven is kept as none, not as the kitchen's own")
	w.click("Calendar") // there is none of a plan that there is none of: it is said, and the page stays
	w.eventually(".supper-tools [role=alert]", "no plan that works")
	w.see(".plan-odds")
	w.MustElement("body").MustFocus()
	w.click("Undo")
	w.see(".plan-knot")
	w.MustElements(".supper-dish").Last().MustClick()
	w.click("Remove it from the supper")
	w.settled(func() bool { return len(w.MustElements(".plan-dish")) == 6 }, "it is gone")
}

func TestShoppingIsTickedOnAPhoneAndBoxesKeep(t *testing.T) {
	a := start(t)
	phone := a.openAs(a.person(), "/supper", "en-GB", 390, 844)
	phone.see(".plan-list li button")
	assert.False(t, phone.MustHas(".plan-chart"), "a list by the hour, on a phone")
	phone.eventually(".plan-list", "Oven to 200 °C")
	assert.LessOrEqual(t, phone.MustEval(`() => document.documentElement.scrollWidth`).Int(), 390, "nothing is wider than the phone")
	phone.button("Cook it") // a cook at the stove has the phone
	phone.click("Shopping")
	phone.tap(".supper-shop input")
	phone.eventually(".supper-shop [role=status]", "16 things to buy") // with the oil to fry in
	phone.status("saved")
	assert.Len(t, a.keptSupper().Document.Bought, 1)

	desk := a.supper(a.person())
	desk.eventually(".supper-left", "1 of 17 bought")
	desk.tap(".supper-dish")
	desk.eventually(".box-words", "In the fridge: good until")
	desk.fill(`[aria-label="Pieces in box 1"]`, "6")
	desk.click("Done")
	desk.eventually(".supper-dishes", "6 boxed")
}

func TestASupperInSpanishFromNowAndInPrint(t *testing.T) {
	a := start(t)
	// A supper that has begun: its table is in an hour and a half.
	kept := a.keptSupper()
	kept.Document.Table = time.Now().Add(90 * time.Minute).Truncate(time.Minute)
	kept.Document.Zone = ""
	kept.Document.Dishes = kept.Document.Dishes[3:4]
	text, err := json.Marshal(kept.Document)
	require.NoError(t, err)
	id := a.made(string(text))
	w := a.openAs(a.person(), "/supper/"+id, "es-ES", 1280, 800)
	w.eventually("h1", "Empieza a las")
	w.onRope("Raíces asadas: Cortar")
	w.onRope("Raíces asadas: Cortar").MustClick()
	w.click("Empieza ahora")
	w.see(".plan-pinned")
	w.eventually(".plan-now-tools", "Borrar los pasos empezados")
	w.click("Planear desde ahora")
	w.status("saved")
	now := a.supperOf(id)
	require.NotNil(t, now.Document.Now)
	require.NotEmpty(t, now.Document.Pins)
	assert.True(t, now.Document.Pins[0].Begun)
	w.click("Imprimir")
	w.eventually(".print-plan", "Cortar")
	w.click("para cada quien")
	w.eventually(".print-plan h1", "Manos 1")
}

// Without a connection the knot stays where it was put, and is planned and kept once there is one.
func TestASupperWithoutAConnection(t *testing.T) {
	var gone atomic.Bool
	a := startBehind(t, func(h http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if gone.Load() && strings.HasPrefix(r.URL.Path, "/api/") {
				w.WriteHeader(http.StatusServiceUnavailable)
				return
			}
			h.ServeHTTP(w, r)
		})
	})
	w := a.supper(a.person())
	was := w.at("Roast roots: Cut")
	gone.Store(true)
	w.drag("Roast roots: Cut", -40)
	w.Mouse.MustUp("left")
	w.status("offline")
	gone.Store(false)
	w.status("saved")
	w.see(".plan-pinned")
	assert.Less(t, w.at("Roast roots: Cut"), was)
	assert.Len(t, a.keptSupper().Document.Pins, 1)
}

func TestTheSupperIsAccessible(t *testing.T) {
	a := start(t)
	check := accessible(t)
	p := a.person()
	for _, view := range []struct {
		theme         string
		width, height int
	}{{"light", 1280, 800}, {"dark", 1280, 800}, {"light", 390, 844}} {
		w := a.openAs(p, "/supper", "en-GB", view.width, view.height)
		w.MustEval(`(theme) => localStorage.setItem("cuerda.theme", theme)`, view.theme)
		w.MustReload().MustWaitLoad()
		w.see(".plan-knot, .plan-list button")
		w.settled(func() bool { return !strings.Contains(w.words(".plan-others"), "…") }, "every plan is there")
		check(w, "supper, "+view.theme)
		for _, dialog := range []string{"Shopping", "Change", "Add a dish or a side"} {
			w.click(dialog)
			w.see(".modal-body *")
			check(w, dialog+", "+view.theme)
			w.press(input.Escape)
			w.settled(func() bool { return !w.MustHas(".modal") }, "it closes")
		}
		w.tap(".supper-dish")
		w.see(".boxes")
		check(w, "a dish, "+view.theme)
	}
}

// What a cook waits for who moves a knot: from the move to the frame in which the others have given way.
func BenchmarkAKnotMoves(b *testing.B) {
	a := start(b)
	w := a.supper(a.person())
	w.settled(func() bool { return !strings.Contains(w.words(".plan-others"), "…") }, "every plan is there")
	w.MustEval(`() => {
		const knot = [...document.querySelectorAll(".plan-knot")].find((e) => e.ariaLabel.startsWith("Roast roots: Cut"));
		const box = knot.getBoundingClientRect();
		window.at = (type, x) => new PointerEvent(type, { clientX: box.left + 4 + x, clientY: box.top + 5, button: 0, bubbles: true, pointerId: 1 });
		knot.dispatchEvent(at("pointerdown", 0));
		dispatchEvent(at("pointermove", -20));
	}`)
	n := 0
	var sum float64
	move := func() float64 {
		n++
		return w.MustEval(`(x) => new Promise((done) => {
			const begun = performance.now();
			const seen = new MutationObserver(() => { seen.disconnect(); requestAnimationFrame(() => done(performance.now() - begun)); });
			seen.observe(document.querySelector(".plan-lanes svg"), { attributes: true, childList: true, subtree: true });
			dispatchEvent(at("pointermove", x));
			setTimeout(() => done(2000), 2000);
		})`, -20-8*(n%7)).Num()
	}
	for range 10 {
		move()
		time.Sleep(60 * time.Millisecond)
	}
	for b.Loop() {
		sum += move()
		time.Sleep(60 * time.Millisecond) // the answer to the move before is drawn
	}
	b.ReportMetric(sum/float64(b.N), "ms-to-frame")
}

// Two windows change one supper: nothing is overwritten until the cook says which stands.
func TestASupperInTwoWindows(t *testing.T) {
	a := start(t)
	first, second := a.supper(a.person()), a.supper(a.person())
	first.fill(`[aria-label="Name of the supper"]`, "At the boathouse")
	first.status("saved")
	second.fill(`[aria-label="Name of the supper"]`, "On the jetty")
	second.eventually(".modal", "This supper was changed in another window")
	assert.Equal(t, "At the boathouse", a.keptSupper().Document.Name)
	second.click("Keep mine")
	second.status("saved")
	assert.Equal(t, "On the jetty", a.keptSupper().Document.Name)

	// A supper that was deleted can be brought back.
	second.click("More for this supper")
	second.click("Delete")
	second.eventually(".undo-bar", "“On the jetty” deleted.")
	second.click("Bring it back")
	second.see(".plan-knot")
	assert.Equal(t, "On the jetty", a.keptSupper().Document.Name)
}
