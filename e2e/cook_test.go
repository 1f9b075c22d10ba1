package e2e

import (
	"fmt"
	"image"
	"image/png"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/cooking"
	"cuerda/internal/api"
	"cuerda/internal/wire"
)

// course is a course as the server has it.
func (a *app) course(id string) (v wire.Course) {
	a.t.Helper()
	a.get("/api/courses/"+id, &v)
	return v
}

// kept is a course as the server has it once it has heard of all that was done in this window, which shows there at once.
func (w *window) kept(a *app, id string) wire.Course {
	w.t.Helper()
	w.sent()
	return a.course(id)
}

// sent waits until the server has answered all that was done in this window.
func (w *window) sent() {
	w.t.Helper()
	w.settled(func() bool {
		return w.MustEval(`() => document.documentElement.dataset.unsent`).Str() == "0"
	}, "all that was done is sent")
}

// cook begins a build from the Cook screen.
func (a *app) cook(b *rod.Browser, build, language string, width, height int) (w *window, id string) {
	a.t.Helper()
	w = a.openAs(b, "/cook", language, width, height)
	cook := map[bool]string{true: "Cocinar: ", false: "Cook it: "}[strings.HasPrefix(language, "es")]
	// A click that the page lost, busy as it may be, is made again.
	begun := func() bool { return strings.Contains(w.MustInfo().URL, "/cook/") }
	for tries := 0; tries < 5 && !begun(); tries++ {
		w.click(cook + build)
		for end := time.Now().Add(patience / 5); !begun() && time.Now().Before(end); {
			time.Sleep(50 * time.Millisecond)
		}
	}
	w.see(".cook-go, .cook-also")
	w.settled(func() bool { return strings.Contains(w.MustInfo().URL, "/cook/") }, "a course is open")
	return w, w.MustInfo().URL[strings.LastIndex(w.MustInfo().URL, "/")+1:]
}

// goOn goes on by the space bar until the page asks for something else.
func (w *window) goOn(until string) {
	w.t.Helper()
	// What comes then is named before it is asked for: its title counts, or its button.
	reached := func() bool {
		return w.MustEval(`(until) => (document.querySelector(".cook-now .cook-title")?.textContent ?? "").replace(/\u00a0/g, " ").includes(until) ||
			[...document.querySelectorAll(".cook-now button")].some((e) => e.textContent.replace(/\u00a0/g, " ").trim().startsWith(until))`, until).Bool()
	}
	for range 40 {
		// What the page guesses comes next until the server says so is not pressed at.
		w.sent()
		if reached() {
			return
		}
		was := w.words(".cook-now .cook-over") + w.words(".cook-now .cook-title") + w.words(".cook-now .cook-go")
		moved := func() bool {
			return was != w.words(".cook-now .cook-over")+w.words(".cook-now .cook-title")+w.words(".cook-now .cook-go")
		}
		// A key that the page lost, busy as it may be, is pressed again.
		for tries := 0; tries < 3 && !moved(); tries++ {
			w.press(input.Space)
			for end := time.Now().Add(patience / 3); !moved() && time.Now().Before(end); {
				time.Sleep(20 * time.Millisecond)
			}
		}
		// It may have gone on by itself between the two looks.
		require.True(w.t, moved() || reached(), "it goes on from "+was)
	}
	require.Fail(w.t, "never came to "+until, w.words(".cook-now"))
}

// scaled is how many amounts of a course went in by the scale.
func (a *app) scaled(id string) (n int) {
	for _, dish := range a.course(id).Dish {
		for _, step := range dish.Steps {
			for _, amount := range step.Weigh {
				if amount.How == cooking.ByScale {
					n++
				}
			}
		}
	}
	return n
}

const peaCakes = "Split-pea and parsnip cakes"

func TestTheCourseThatGoesOnIsJoinedFromTheStartPage(t *testing.T) {
	a := startNow(t)
	var all []api.CourseEntry
	a.get("/api/courses", &all)
	id := all[0].ID
	before := a.scaled(id)
	b := a.person()
	w := a.open(b, "/bench")
	w.click("Join: Wednesday practice")
	w.eventually(".cook-bar", "Wednesday practice")
	w.eventually(".probe", "Off the heat at")
	w.eventually(".probe", "simulated")
	w.see(".probe-band")
	w.eventually(".cook-now", "into the bowl")
	// The simulated scale fills the bowl: the rope is laid, and what rests in its range goes in by itself.
	w.eventually(".cook-scale", "on the scale")
	// A hand that pours takes its time, more of it where the machine has other work.
	for end := time.Now().Add(3 * patience); a.scaled(id) == before && time.Now().Before(end); {
		time.Sleep(200 * time.Millisecond)
	}
	assert.Greater(t, a.scaled(id), before, "an amount goes in by itself")
	accessible(t)(w, "the course")
}

func TestABuildIsCookedWithAPhone(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), peaCakes, "en-GB", 390, 844)
	assert.LessOrEqual(t, w.MustEval(`() => document.documentElement.scrollWidth`).Int(), 390, "nothing is cut off")
	small := w.MustEval(`() => [...document.querySelectorAll(".cook-now button, .cook-tools button, .row-acts button")].filter((e) => e.getClientRects().length && (e.offsetHeight < 44 || e.offsetWidth < 44)).map((e) => e.outerHTML)`)
	assert.Empty(t, small.Arr(), "a wet knuckle hits it")
	accessible(t)(w, "weighing")

	// Weighed by hand: as it is written, by another amount, and back.
	w.eventually(".cook-title", "Parsnip")
	w.press(input.Space)
	w.eventually(".cook-title", "Onion")
	w.press(input.ArrowLeft)
	w.eventually(".cook-title", "Parsnip")
	w.click("It is not 150 g")
	for _, d := range []string{"1", "7", "0"} {
		w.click(d)
	}
	w.click("That went in")
	w.eventually(".cook-title", "Onion")
	w.goOn("How does it feel?")
	v := w.kept(a, id)
	assert.Equal(t, 170., *v.Dish[0].Steps[0].Weigh[0].In)

	// It feels too wet: mended by the spoon, felt again.
	w.tap(".word-slack")
	w.eventually(".cook-title", "wetter than these pieces need")
	w.tap(".mend-add")
	w.eventually(".cook-now", "squeeze again in")
	v = w.kept(a, id)
	require.Len(t, v.Dish[0].Bowl.Added, 1)
	w.tap(".word-firm")
	w.goOn("End this cooking")
	post(a, "/api/courses/"+id+"/instruments", `{"on":false,"speed":60}`) // while they set
	w.eventually(".cook-now", "How did it come out?")

	// Three taps, and it is a try.
	for _, word := range []string{"easy", "held", "right"} {
		w.click(word)
	}
	w.fill(`[aria-label="What was different"]`, "more parsnip")
	w.click("Keep this try")
	w.settled(func() bool { return len(a.course(id).Dish[0].Found) == 1 }, "it is kept")
	found := w.kept(a, id).Dish[0].Found[0]
	assert.Equal(t, "held", found.Hold)
	assert.Equal(t, "more parsnip", found.Note)
}

func TestTwoDevicesCookTogether(t *testing.T) {
	a := start(t)
	phone, id := a.cook(a.person(), peaCakes, "en-GB", 390, 844)
	tablet := a.openAs(a.person(), "/cook/"+id, "es-ES", 1024, 768)
	tablet.eventually(".cook-tools", "2 dispositivos siguen")
	tablet.eventually(".cook-title", "Chirivía")
	phone.tap(".cook-go")
	tablet.eventually(".cook-title", "Cebolla")
	tablet.tap(".cook-go")
	phone.eventually(".cook-title", "Sauté")
	phone.tap(".cook-go")
	tablet.eventually(".cook-rows", "Fuera del fuego")
	accessible(t)(tablet, "two devices")
	// Both at once: it counts once.
	seq := a.course(id).Seq
	done := `document.querySelector("[aria-label^='Off the hob'], [aria-label$='ya está hecho']")?.click()`
	phone.MustEval(`() => ` + done)
	tablet.MustEval(`() => ` + done)
	assert.EqualValues(t, "done", tablet.kept(a, id).Dish[0].Steps[0].Status, "it is off")
	assert.LessOrEqual(t, phone.kept(a, id).Seq, seq+2)
}

func TestWithoutANetworkItGoesOn(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), peaCakes, "en-GB", 390, 844)
	w.MustEval(`() => navigator.serviceWorker.ready.then(() => true)`)
	w.settled(func() bool {
		return w.MustEval(`() => caches.keys().then((k) => k.length > 0)`).Bool()
	}, "the pages are put by")
	w.MustReload() // from here on the worker serves it
	w.eventually(".cook-title", "Parsnip")
	w.connection(false)
	w.tap(".cook-go")
	w.eventually(".cook-title", "Onion")
	w.tap(".cook-go")
	w.eventually(".cook-now", "No connection")
	w.eventually(".cook-title", "Sauté")
	w.tap(".cook-go")
	w.see(".cook-rows .rope")
	assert.Zero(t, a.course(id).Seq)
	w.MustReload()
	w.eventually(".cook-now", "No connection")
	w.eventually(".cook-rows", "Off the hob")
	w.connection(true)
	v := w.kept(a, id)
	assert.EqualValues(t, 3, v.Seq)
	assert.EqualValues(t, "running", v.Dish[0].Steps[0].Status)
	assert.NotNil(t, v.Dish[0].Steps[0].Weigh[1].In)
}

func TestAnAlarmIsSeenAndSilenced(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), peaCakes, "en-GB", 1280, 800)
	post(a, "/api/courses/"+id+"/events", `{"events":[{"id":"w1","kind":"begun","dish":0,"step":0},{"id":"w2","kind":"timer","name":"Rice","minutes":0.1}]}`)
	post(a, "/api/courses/"+id+"/instruments", `{"on":false,"speed":60}`)
	w.settled(func() bool { return strings.Contains(w.MustEval(`() => document.title`).Str(), "Off the hob") }, "what burns is told first")
	w.see(".cook-alarm")
	// It goes on being told first, whatever else comes in.
	w.MustEval(`() => {
		const told = document.querySelector("[aria-live=assertive]");
		window.told = [told.textContent];
		new MutationObserver(() => window.told.push(told.textContent)).observe(told, { childList: true, characterData: true, subtree: true });
	}`)
	for i := range 4 {
		name := fmt.Sprintf("Beans %d", i)
		post(a, "/api/courses/"+id+"/events", fmt.Sprintf(`{"events":[{"id":"b%d","kind":"timer","name":"%s","minutes":100}]}`, i, name))
		w.eventually(".cook-rows", name)
	}
	for _, told := range w.MustEval(`() => window.told`).Arr() {
		assert.Contains(t, told.Str(), "Off the hob")
	}
	w.click("Silence")
	w.settled(func() bool { return !strings.Contains(w.MustEval(`() => document.title`).Str(), "Off the hob") }, "it is silent")
	w.press(input.Space)
	w.settled(func() bool { return a.course(id).Dish[0].Steps[0].Status == "done" }, "space says that it is off")
}

func TestACourseThatIsNotThere(t *testing.T) {
	a := start(t)
	b := a.person()
	w := a.open(b, "/cook/3f0e7a52-0000-4000-8000-000000000000")
	w.eventually("body", "This cooking does not exist.")
	w, id := a.cook(b, peaCakes, "en-GB", 1280, 800)
	home := a.open(b, "/cook")
	home.click("Delete " + peaCakes)
	w.eventually(".cook-now", "This cooking was deleted.")
	home.click("Bring it back")
	w.MustNavigate(a.at("/cook/" + id))
	w.eventually(".cook-title", "Parsnip")
	var list []api.CourseEntry
	a.get("/api/courses", &list)
	assert.Len(t, list, 2, fmt.Sprint(list))
}

// photographed is a small picture, as a camera's file.
func photographed(t *testing.T) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), "cakes.png")
	file, err := os.Create(path)
	require.NoError(t, err)
	defer file.Close()
	require.NoError(t, png.Encode(file, image.NewGray(image.Rect(0, 0, 60, 40))))
	return path
}

func TestATryHasItsPhoto(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), "Tortitas de guisantes partidos y chirivía", "es-ES", 390, 844)
	for i := range a.course(id).Dish[0].Steps {
		post(a, "/api/courses/"+id+"/events", fmt.Sprintf(`{"events":[{"id":"d%d","kind":"done","dish":0,"step":%d}]}`, i, i))
	}
	w.eventually(".cook-title", "¿Cómo salió?")
	assert.LessOrEqual(t, w.MustEval(`() => document.documentElement.scrollWidth`).Int(), 390, "nothing is cut off")
	accessible(t)(w, "how it came out")
	w.MustElement(`input[type="file"]`).MustSetFiles(photographed(t))
	w.see(".found-photo img")
	w.click("aguantaron")
	w.click("Guardar este intento")
	w.settled(func() bool { return len(a.course(id).Dish[0].Found) == 1 }, "it is kept")
	assert.NotEmpty(t, a.course(id).Dish[0].Found[0].Photo)

	// And the course is ended, for every device.
	w.eventually(".cook-title", "Todo está hecho")
	w.click("Terminar la sesión")
	w.see(".modal.show")
	w.tap(".modal.show .btn-primary")
	w.eventually(".cook-title", "La sesión terminó")
	assert.NotNil(t, w.kept(a, id).Ended)
}

func TestASupperIsTakenToTheStove(t *testing.T) {
	a := start(t)
	w := a.supper(a.person())
	w.click("Cook it")
	w.settled(func() bool { return strings.Contains(w.MustInfo().URL, "/cook/") }, "it is cooked")
	w.eventually(".cook-dishes", "Roast roots")
	v := a.course(w.MustInfo().URL[strings.LastIndex(w.MustInfo().URL, "/")+1:])
	assert.Len(t, v.Dish, 5)
	// Two cooks: each window may show the work of one, and the cord of a dish is chosen.
	w.MustElement(`[aria-label="Whose work is shown"]`).MustSelect("Cook 2")
	w.click("Chestnut loaf")
	w.eventually(".cook-knots", "Blitz")
	accessible(t)(w, "a supper at the stove")
}

func TestABuildIsTakenToTheStoveFromTheBench(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Turkey, leek"))
	w.click("More for this build")
	w.click("Cook it")
	w.settled(func() bool { return strings.Contains(w.MustInfo().URL, "/cook/") }, "it is cooked")
	w.eventually(".cook-bar", "Turkey, leek and millet balls")
	id := w.MustInfo().URL[strings.LastIndex(w.MustInfo().URL, "/")+1:]
	// The oven is told of in time, and what it is set to.
	v := a.course(id)
	for i, s := range v.Dish[0].Steps {
		if s.Code != "cook" && s.Code != "set" && s.Part == 0 {
			post(a, "/api/courses/"+id+"/events", fmt.Sprintf(`{"events":[{"id":"d%d","kind":"done","dish":0,"step":%d}]}`, i, i))
		}
	}
	post(a, "/api/courses/"+id+"/instruments", `{"on":false,"speed":60}`)
	w.eventually(".cook-title", "Turn the oven on: 190 °C")
	post(a, "/api/courses/"+id+"/instruments", `{"on":false,"speed":1}`)
	w.press(input.Space)
	w.eventually(".cook-rows", "Oven to 190 °C")
	w.settled(func() bool { return a.course(id).Heats[0].On != nil }, "the oven is on")
}

func TestACooksOwnTimerAndInstruments(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), peaCakes, "en-GB", 1280, 800)
	w.click("Timer")
	w.fill(".modal.show input", "Rice")
	w.click("10")
	w.click("Set it")
	w.eventually(".cook-rows", "Rice")
	w.click("Stop Rice")
	w.settled(func() bool { return len(a.course(id).Timers) == 0 }, "it is stopped")
	w.click("More")
	w.click("Scale and probes")
	w.click("Let an instrument in")
	token := w.see(".cook-token").MustText()
	a.measures(token)
	w.click("20×")
	w.click("Start them")
	w.settled(func() bool { v := a.course(id); return v.Simulated && v.Speed == 20 }, "they run")
	w.click("Stop them")
	w.settled(func() bool { return !a.course(id).Simulated }, "they do not")
	w.press(input.Escape)
	w.settled(func() bool { return !w.MustHas(".modal") }, "the dialog is closed")
	w.click("Sound of alarms")
	w.settled(func() bool { return w.MustEval(`() => localStorage.getItem("cuerda.cook.sound")`).Str() == "off" }, "alarms are seen alone")
}

// Raw poultry whose middle is far from its goal is not taken off with one press: it is asked first, and
// what was done all the same is written down.
func TestOffBelowItsGoalIsAsked(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), "Turkey, leek and millet balls", "en-GB", 1280, 800)
	v := a.course(id)
	cooking := -1
	for i, s := range v.Dish[0].Steps {
		if s.Code == "cook" {
			cooking = i
			break
		}
		post(a, "/api/courses/"+id+"/events", fmt.Sprintf(`{"events":[{"id":"d%d","kind":"done","dish":0,"step":%d}]}`, i, i))
	}
	post(a, "/api/courses/"+id+"/events", fmt.Sprintf(`{"events":[{"id":"in","kind":"begun","dish":0,"step":%d}]}`, cooking))
	a.read(a.token(id), `[{"n":"core","u":"Cel","v":29}]`)
	w.eventually(".cook-rows", "Out of the oven")
	w.settled(func() bool { v := a.course(id); return v.Dish[0].Heat != nil && v.Dish[0].Heat.Below }, "its middle is below its goal")
	w.click("Out of the oven: done already")
	w.eventually(".modal.show", "The goal is 74")
	w.click("Leave it on the heat")
	w.settled(func() bool { return !w.MustHas(".modal") }, "it stays in")
	assert.EqualValues(t, "running", a.course(id).Dish[0].Steps[cooking].Status)
	w.click("Out of the oven: done already")
	w.see(".modal.show")
	w.click("I took it off all the same")
	w.settled(func() bool { return a.course(id).Dish[0].Steps[cooking].Status == "done" }, "it is off")
}

// read sends what instruments read of the course that a token is of.
// token lets an instrument into a course.
func (a *app) token(id string) string {
	a.t.Helper()
	var let struct{ Token string }
	a.posted("/api/courses/"+id+"/tokens", "", &let)
	return let.Token
}

// measures says that whoever shows the token may ask what there is to measure.
func (a *app) measures(token string) {
	a.t.Helper()
	r, err := http.NewRequest(http.MethodGet, a.at("/api/readings"), nil)
	require.NoError(a.t, err)
	r.Header.Set("Authorization", "Bearer "+token)
	answer, err := http.DefaultClient.Do(r)
	require.NoError(a.t, err)
	require.NoError(a.t, answer.Body.Close())
	require.Equal(a.t, http.StatusOK, answer.StatusCode)
}

func (a *app) read(token, pack string) {
	r, err := http.NewRequest(http.MethodPost, a.at("/api/readings"), strings.NewReader(pack))
	require.NoError(a.t, err)
	r.Header.Set("Authorization", "Bearer "+token)
	answer, err := http.DefaultClient.Do(r)
	require.NoError(a.t, err)
	require.NoError(a.t, answer.Body.Close())
}

// What no scale would say is told before it is taken: an amount past its range, and what evens it out.
func TestAnAmountPastItsRangeIsTold(t *testing.T) {
	a := start(t)
	w, id := a.cook(a.person(), peaCakes, "en-GB", 1280, 800)
	v := a.course(id)
	for i, s := range v.Dish[0].Steps {
		if s.Code == "saute" || s.Code == "blitz" {
			post(a, "/api/courses/"+id+"/events", fmt.Sprintf(`{"events":[{"id":"d%d","kind":"done","dish":0,"step":%d}]}`, i, i))
		}
	}
	w.eventually(".cook-title", "The sautéed parsnip and onion") // what was made goes in as one thing
	w.goOn("Chickpea flour")
	token := a.token(id)
	weigh := func(grams float64) { a.read(token, fmt.Sprintf(`[{"n":"scale","u":"g","v":%g}]`, grams)) }
	// What the page shows at once the kitchen hears a moment later: only then is the scale's zero set.
	w.settled(func() bool {
		c := a.course(id)
		if len(c.Tasks) == 0 || c.Tasks[0].Do != "weigh" {
			return false
		}
		in := c.Dish[c.Tasks[0].Dish].Steps[c.Tasks[0].Step].Weigh
		return c.Tasks[0].Amount < len(in) && in[c.Tasks[0].Amount].Food == "chickpea-flour"
	}, "the flour is weighed next")
	weigh(600)
	w.see(".weigh-rope .weigh-range")
	weigh(600 + 220)
	w.eventually(".cook-scale", "175 g too much")
	w.eventually(".cook-past", "evens it out")
	w.click("Take 220 g")
	w.eventually(".cook-title", "Flax meal")
	w.eventually(".cook-past", "By what went in, the handful")
}
