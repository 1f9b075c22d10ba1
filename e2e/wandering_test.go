package e2e

import (
	"encoding/json"
	"math/rand/v2"
	"os"
	"strconv"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/lawtest"
)

// steps is how often somebody presses something in one run; CUERDA_STEPS tries longer.
func steps(t *testing.T) int {
	const usual = 250
	text := os.Getenv("CUERDA_STEPS")
	if text == "" {
		return usual
	}
	n, err := strconv.Atoi(text)
	require.NoError(t, err)
	return n
}

// touch does one thing that somebody may do on the page as it stands: n chooses which of all that can be pressed or filled in, and
// what is typed. It gives what it did, "" where there was nothing.
const touch = `(n, typed) => {
	const shown = (e) => e.getClientRects().length > 0 && !e.disabled && !e.closest("[inert], [aria-hidden=true]") && getComputedStyle(e).visibility !== "hidden";
	const top = [...document.querySelectorAll(".modal.show, .offcanvas.show, .dropdown-menu.show")].at(-1) ?? document;
	const say = (e) => (e.tagName.toLowerCase() + " " + (e.getAttribute("aria-label") ?? e.innerText ?? e.name ?? "").trim().replace(/\s+/g, " ").slice(0, 60) + " ." + e.className).slice(0, 110);
	const fields = [...top.querySelectorAll("input:not([type=file]), select, textarea")].filter(shown);
	const pressed = [...top.querySelectorAll("button, a[href^='/'], summary, [role=tab], [role=option], [role=menuitem], label")]
		.filter((e) => shown(e) && !e.hasAttribute("download") && !/export|archive|\/api\//.test(e.getAttribute("href") ?? "") && e.getAttribute("target") !== "_blank");
	if (typed !== null && fields.length > 0) {
		const e = fields[n % fields.length];
		if (e instanceof HTMLSelectElement) {
			const options = [...e.options].filter((o) => !o.disabled);
			if (options.length === 0) return "";
			Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(e, options[n % options.length].value);
			e.dispatchEvent(new Event("change", { bubbles: true }));
			return "chose " + e.value + " in " + say(e);
		}
		if (e.type === "checkbox" || e.type === "radio") {
			e.click();
			return "ticked " + say(e);
		}
		const of = e instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
		e.focus();
		Object.getOwnPropertyDescriptor(of.prototype, "value").set.call(e, e.type === "range" ? String(Number(e.min) + (n % 7) * (Number(e.max) - Number(e.min)) / 6) : typed);
		e.dispatchEvent(new Event("input", { bubbles: true }));
		e.dispatchEvent(new Event("change", { bubbles: true }));
		if (n % 2) e.blur();
		return "typed " + typed + " into " + say(e);
	}
	if (pressed.length === 0) return "";
	const e = pressed[n % pressed.length];
	e.click();
	return "pressed " + say(e);
}`

// amiss is what a page never says: the name of a phrase instead of the phrase, or the word of a program for nothing. "" where all is well.
const amiss = `() => {
	if (location.protocol === "about:") return ""; // back, beyond where it began
	if (!document.querySelector("#root")?.childElementCount) return "an empty page";
	const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
	for (let node = walk.nextNode(); node; node = walk.nextNode()) {
		const said = node.data.trim(), of = node.parentElement;
		if (!said || of.closest("script, style, textarea, pre, .note-field, [contenteditable]")) continue;
		if (/^[a-z][A-Za-z]+(\.[A-Za-z0-9_-]+)+$/.test(said) && !/\.(json|csv|md|txt|pdf|png|jpe?g)$/.test(said)) return said;
		if (/\b(undefined|NaN|null|Infinity)\b|\[object |\{\{/.test(said)) return said;
	}
	for (const e of document.querySelectorAll("[aria-label], [title], [placeholder]"))
		for (const name of ["aria-label", "title", "placeholder"]) {
			const said = e.getAttribute(name) ?? "";
			if (/^[a-z][A-Za-z]+(\.[A-Za-z0-9_-]+)+$/.test(said) || /\b(undefined|NaN|Infinity)\b|\[object |\{\{/.test(said)) return name + ": " + said;
		}
	return "";
}`

// Whoever presses and types anything, anywhere, in either language, at a desk or on a phone, never sees the page fail: nothing is thrown,
// the server never errs, no answer is other than it is described, and no phrase is missing.
func TestWhoeverPressesAnythingBreaksNothing(t *testing.T) {
	a := startNow(t)
	draw := rand.New(rand.NewPCG(lawtest.Seed(t), 5))
	language, width, height := "en-GB", 1280, 800
	if draw.IntN(2) == 0 {
		language = "es-ES"
	}
	if draw.IntN(3) == 0 {
		width, height = 390, 844
	}
	w := a.openAs(a.person().Timeout(time.Hour), "/bench", language, width, height)
	screens := []string{"/bench", "/supper", "/cook", "/logbook", "/practice", "/pantry", "/compose", "/people", "/bench/" + a.build("bean"), "/sheet/" + a.build("lentil"), "/nowhere"}
	words := []string{"0", "-3", "1e9", "2,5", "½", "", "999999999", "12", "lentils", "<b>x</b>", "mañana", "7:30", "2 tins of beans, drained"}
	keys := []input.Key{input.Escape, input.Enter, input.Tab, input.ArrowDown, input.ArrowRight, input.Space, input.Delete}
	page := func(script string, args ...any) string {
		said, err := w.Timeout(patience).Eval(script, args...)
		if isLeaving(err) {
			return ""
		}
		require.NoError(t, err)
		return said.Value.Str()
	}
	page(`() => { window.print = () => {}; return "" }`)
	var told []string
	for range steps(t) {
		did := ""
		switch n := draw.IntN(100); {
		case n < 66:
			did = page(touch, draw.IntN(1<<20), nil)
		case n < 86:
			did = page(touch, draw.IntN(1<<20), words[draw.IntN(len(words))])
		case n < 93:
			key := keys[draw.IntN(len(keys))]
			w.press(key)
			did = "key " + key.Info().Key
		case n < 95:
			w.chord(input.KeyZ, input.ControlLeft)
			did = "undo"
		case n < 96:
			page(`() => { history.back(); return "" }`)
			did = "back"
		}
		if did == "" {
			to := screens[draw.IntN(len(screens))]
			require.NoError(t, w.Navigate(a.at(to)))
			require.NoError(t, w.WaitLoad())
			page(`() => { window.print = () => {}; return "" }`)
			did = "went to " + to
		}
		told = append(told, did)
		time.Sleep(time.Duration(draw.IntN(120)) * time.Millisecond)
		var bad string
		for range 3 { // what is being drawn may be half there for a frame
			if bad = page(amiss); bad == "" {
				break
			}
			time.Sleep(300 * time.Millisecond)
		}
		if bad != "" {
			last, _ := json.MarshalIndent(told[max(0, len(told)-12):], "", " ")
			at, _ := proto.PageGetNavigationHistory{}.Call(w)
			require.Failf(t, "the page says "+bad, "at %s after %s", at.Entries[at.CurrentIndex].URL, last)
		}
	}
	assert.NotEmpty(t, told)
	t.Logf("the last of %d: %v", len(told), told[max(0, len(told)-5):])
}
