package e2e

import (
	"regexp"
	"strconv"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/internal/api"
)

// knot gives the control of a step by the start of its name.
func (w *window) knot(step string) string {
	w.t.Helper()
	return w.MustEval(`(step) => [...document.querySelectorAll(".knot")].find((k) => k.innerText.replace(/\u00a0/g, " ").startsWith(step))?.innerText.replace(/\u00a0/g, " ") ?? ""`, step).Str()
}

func (w *window) tie(step string) {
	w.t.Helper()
	e, err := w.Timeout(patience).ElementByJS(rod.Eval(`(step) => [...document.querySelectorAll(".knot")].find((k) => k.innerText.replace(/\u00a0/g, " ").startsWith(step)) ?? null`, step))
	require.NoError(w.t, err, "no knot %q; the cord says %s", step, w.words(".cord"))
	e.CancelTimeout().MustClick()
}

var firstNumber = regexp.MustCompile(`\d+`)

// minutes reads when to take it off the heat.
func (w *window) minutes() int {
	w.t.Helper()
	w.see(".off strong")
	return number(w.words(".off strong"))
}

// number reads the first whole number of some words, -1 if they hold none.
func number(words string) int {
	n, err := strconv.Atoi(firstNumber.FindString(words))
	if err != nil {
		return -1
	}
	return n
}

func TestAScoopSetsSizeCountTrayAndMinutes(t *testing.T) {
	a := start(t)
	id := a.build("Turkey")
	w := a.open(a.person(), "/bench/"+id)
	before := w.minutes()
	assert.Contains(t, w.words(".piece .hint"), "24 pieces of 30 g")
	lying := `() => document.querySelectorAll(".on-tray").length`
	assert.Equal(t, 24, w.MustEval(lying).Int())

	w.see(`select[aria-label="Size by a scoop"]`).MustSelect("scoop no. 16 · 59\u00a0ml")
	w.eventually(".piece .hint", "12 pieces of 62 g")
	until(t, func() bool { return w.minutes() > before+4 }, func() string { return "bigger balls take longer; it says " + w.words(".off") })
	until(t, func() bool { return w.MustEval(lying).Int() == 12 }, func() string { return "the tray still shows others" })

	// The other way: so many pieces.
	w.fill(`input[aria-label^="Number of pieces"]`, "48")
	w.eventually(".piece .hint", "48 pieces of 16 g")
	until(t, func() bool { return w.minutes() < before }, func() string { return "smaller balls are quicker" })
	w.click("Undo")
	w.eventually(".piece .hint", "12 pieces of 62 g")
	w.see(".piece select").MustSelect("Loaf")
	w.see(`select[aria-label="Size by a tin"]`).MustSelect("16 × 9 × 6\u00a0cm · 0.9\u00a0l")
	w.eventually(".heat-facts figcaption", "one tin")
	w.eventually(".piece .hint", "1 piece of")
	// A tin that is in no list, 30 mm deep, is full at 85%: two loaves, which share the mix between them.
	w.fill(`input[aria-label="tin deep, mm"]`, "30")
	w.see(`select[aria-label="Size by a tin"]`).MustSelect("this tin, as full as may be")
	until(t, func() bool { return w.value(`input[aria-label="high, mm"]`) == "25" }, func() string { return "it is " + w.value(`input[aria-label="high, mm"]`) + " high" })
	w.see(".piece select").MustSelect("Ball")
	w.see(`select[aria-label="Size by a scoop"]`).MustSelect("another measure …")
	w.fill(`input[aria-label="it holds, ml"]`, "20")
	w.eventually(".piece .hint", "of 21 g")
	w.status("saved")
}

func TestTheCordMovesWithWhatItIsSetTo(t *testing.T) {
	a := start(t)
	id := a.build("Turkey")
	w := a.open(a.person(), "/bench/"+id)
	w.eventually(".cord", "Bind")
	off, began := w.minutes(), w.knot("Sauté")
	assert.Contains(t, w.knot("Chill"), "none")

	w.tie("Chill")
	slide := w.see(`.knot-panel input[type="range"]`)
	focused := w.MustEval(`() => document.activeElement.type`).Str()
	assert.Equal(t, "range", focused, "the knot opens on its setting")
	slide.MustEval(`() => {
		const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
		for (const v of [20, 40, 60]) { set.call(this, v); this.dispatchEvent(new Event("input", { bubbles: true })); }
	}`)
	w.eventually(".cord", "Chill 60")
	until(t, func() bool { return w.minutes() > off }, func() string { return "what is cold takes longer; it says " + w.words(".off") })
	assert.NotEqual(t, began, w.knot("Sauté"), "the work begins earlier")
	w.eventually(".knot-panel", "as firm")
	w.press(input.Escape)
	until(t, func() bool { return !w.MustHas(".knot-panel") }, func() string { return "Escape does not close the knot" })
	assert.Contains(t, w.MustEval(`() => document.activeElement.innerText`).Str(), "Chill")

	w.tie("Table")
	w.see(`.knot-panel input[type="time"]`).MustEval(`() => {
		const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
		set.call(this, "20:30"); this.dispatchEvent(new Event("input", { bubbles: true }));
	}`)
	w.eventually(".knot-table", "20:30")
	w.status("saved")
	var b api.Build
	a.get("/api/builds/"+id, &b)
	assert.Equal(t, "20:30", b.Document.TableTime)
	assert.Equal(t, 60., b.Document.Chill.Minutes)

	// A preparation is set where its knot is.
	w.tie("Sauté")
	w.fill(".knot-panel .prep-edit input", "18")
	w.eventually(".cord", "Sauté 18")
}

func TestSearedFirstAndGrilledLast(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Turkey"))
	plain := w.minutes()
	w.tie("Cook")
	w.fill(`input[aria-label="sear first, min"]`, "2")
	w.eventually(".cord", "Sear 6") // two panfuls, and the change
	w.eventually(".off", "Into the oven at 2")
	w.fill(`input[aria-label="grill last, min"]`, "3")
	w.eventually(".cord", "Grill 3")
	w.eventually(".off", "Under the grill at")
	w.press(input.Escape)
	until(t, func() bool { return w.minutes() < plain }, func() string { return "a pan and a grill are quicker; it says " + w.words(".off") })
	assert.Equal(t, []string{"oven", "grill"}, strings.Fields(w.MustEval(`() => [...document.querySelectorAll(".curves .turn text")].map((e) => e.textContent).join(" ")`).Str()))
	w.status("saved")

	// What stands in a tin cannot be seared: the loaf takes its own usual heat.
	w.see(".piece select").MustSelect("Loaf")
	until(t, func() bool { return !strings.Contains(w.words(".cord"), "Sear") }, func() string { return w.words(".cord") })
	w.status("saved")
	loaf := a.document(a.build("Turkey"))
	assert.Zero(t, loaf.Cook.SearMinutes)
}

func TestTheSectionPlaysFromRawToRested(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build(peas))
	w.see(".section-view canvas")
	painted := `() => { const c = document.querySelector(".section-view canvas"); const d = c.getContext("2d").getImageData(c.width / 2, c.height / 2, 1, 1).data; return [...d].join(" "); }`
	at := func() string { return w.words(".section-core") }
	cooked := w.MustEval(painted).Str()
	w.click("Play")
	until(t, func() bool { return at() == "20°" || w.MustEval(painted).Str() != cooked }, func() string { return "it never went back to raw: " + at() })
	until(t, func() bool { return w.MustHas(`button[aria-label="Play"]`) }, func() string { return "it never came to its end" })
	_, climbs, _ := strings.Cut(w.words(".off"), "climbs to")
	assert.Greater(t, number(at()), 40, "rested")
	assert.Less(t, number(at()), number(climbs)-3, "past its peak")
	w.see(`input[aria-label="Moment of cooking"]`).MustFocus()
	w.press(input.Home)
	until(t, func() bool { return at() == "20°" }, func() string { return "the start is not raw: " + at() })
	assert.NotEqual(t, cooked, w.MustEval(painted).Str())

	// What it loses adds up, and says how it eats.
	w.tapped(".heat-facts .why", "^Loses")
	w.eventually(".modal.show", "What is left is at")
	sum := 0.
	for _, share := range regexp.MustCompile(`(?:Steam|Juice|Fat): ([\d.]+)`).FindAllStringSubmatch(w.words(".modal.show"), -1) {
		x, err := strconv.ParseFloat(share[1], 64)
		require.NoError(t, err)
		sum += x
	}
	lost, err := strconv.ParseFloat(regexp.MustCompile(`Loses ([\d.]+)`).FindStringSubmatch(w.words(".heat-facts"))[1], 64)
	require.NoError(t, err)
	assert.InDelta(t, lost, sum, .11, "as rounded")
}

func TestGuidanceAndOvenAreTheKitchens(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Turkey"))
	off := w.minutes()
	w.eventually(".heat-facts", "74 °C inside")
	w.tie("Cook")
	w.see(".knot-panel input[aria-label='core, °C']")
	w.click("as usual")
	w.press(input.Escape)
	w.click("Guidance and oven")
	w.tapped(".modal label", "UK guidance")
	w.fill(`input[aria-label="Oven is hotter than it says by, °C"]`, "-40")
	w.see(`.modal select:has(option[value="0.1"])`).MustSelect("2 g")
	w.click("Keep")
	w.eventually(".heat-facts", "70 °C inside for 2 min")
	until(t, func() bool { return w.minutes() > off }, func() string { return "a cooler oven takes longer" })
	var kept kitchen.Settings
	a.get("/api/settings", &kept)
	assert.Equal(t, -40., kept.OvenOffset)
	assert.EqualValues(t, "uk", kept.Guidance)
	assert.Equal(t, map[string]float64{"scale-step": 2}, kept.Own, "the steps of its scale, which amounts at the stove go by")
}

// A kitchen whose oven takes half an hour to heat up says so once; its cord begins
// sooner, what is usual is a press away, and what nobody would believe is not kept.
func TestTheHandsAndUnitsOfAKitchen(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Turkey"))
	preheat := func() string { return w.words(".cord") }
	until(t, func() bool { return strings.Contains(preheat(), "15") }, preheat)
	w.click("Guidance and oven")
	w.click("Minutes of your hands")
	oven := `input[aria-label="Heat the oven up, min"]`
	w.fill(oven, "30")
	w.see(".kitchen-minutes").MustElementR("button", `usual: 15\smin`)
	w.fill(`input[aria-label="Brush a tray, min"]`, "500")
	w.eventually(".number-error", "A number from 0 to 30")
	w.press(input.Escape)
	w.click("Keep")
	until(t, func() bool { return !w.MustHas(".modal.show") }, func() string { return w.words(".modal") })
	var kept kitchen.Settings
	a.get("/api/settings", &kept)
	assert.Equal(t, map[string]float64{"preheat": 30}, kept.Own)
	until(t, func() bool { return w.MustHas(".knot") && strings.Contains(w.words(".cord"), "30") }, preheat)
	w.click("Guidance and oven")
	assert.Equal(t, "30", w.value(oven), "own minutes are shown at once")
	w.click("usual: 15 min")
	assert.Equal(t, "15", w.value(oven))
	w.click("Keep")
	settings := func() (now kitchen.Settings) { a.get("/api/settings", &now); return now }
	until(t, func() bool { return len(settings().Own) == 0 }, func() string { return "not taken back" })

	// Units chosen here are the kitchen's, and those of a device that has chosen none.
	w.click("Colours, units, keys")
	w.click("°F, beside °C")
	until(t, func() bool { return settings().Units.Temperature == "F" }, func() string { return "the kitchen has not heard" })
	other := a.open(a.person(), "/bench/"+a.build("Turkey"))
	other.eventually(".heat-facts", "°F")
}

func TestAnOvenThatCannotDoItSaysSo(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Turkey"))
	w.minutes()
	w.fill(`input[aria-label="at, °C"]`, "20")
	w.eventually(".piece .note-reason", "Turn the heat up")
	w.eventually(".off", "does not get done")
	assert.NotContains(t, w.words("main"), "NaN")
	assert.NotContains(t, w.knot("Table"), "NaN")
	w.see(".piece select").MustSelect("Patty")
	w.see(`select:has(option[value="deep-oil"])`).MustSelect("in deep oil")
	w.fill(`input[aria-label="at, °C"]`, "300")
	w.eventually(".piece .cautions", "can catch fire")
	w.connection(false)
	w.fill(`input[aria-label="at, °C"]`, "180")
	w.eventually(".off", "no connection")
	w.connection(true)
	until(t, func() bool { return !w.MustHas(".off .stale") }, func() string { return "it stays out of date" })
}

func TestWhatIfAndTheCold(t *testing.T) {
	a := start(t)
	w := a.openAs(a.person(), "/bench/"+a.build("Turkey"), "es-ES", 390, 844)
	w.click("Y si…; frío y conservación")
	w.eventually(".outlook", "1 cm más de tamaño")
	w.eventually(".outlook", "Se enfría a tiempo")
	assert.LessOrEqual(t, w.MustEval(`() => document.documentElement.scrollWidth`).Int(), 390, "nothing is wider than the phone")
}
