package e2e

import (
	"io"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/learn/practice"
	"cuerda/internal/api"
	"cuerda/internal/wire"
)

func (a *app) practised() (out api.PracticePage) {
	a.get("/api/practice", &out)
	return out
}

// asked is the drill that the page shows.
func (a *app) asked() *wire.PracticeDrill {
	a.t.Helper()
	s := a.practised().Sitting
	require.NotNil(a.t, s)
	return &s.Drills[len(s.Calls)]
}

// sit begins a sitting of one kind in a window of its own, as over plain HTTP: there a page has no IDs of the browser's.
func (a *app) sit(p *rod.Browser, kind string) *window {
	a.t.Helper()
	w := a.open(p, "/practice")
	w.MustEval(`() => { delete Crypto.prototype.randomUUID }`)
	w.tapped(".practice-kinds button", kind)
	w.ready("1")
	return w
}

// ready waits until the drill of that number is asked.
func (w *window) ready(number string) {
	w.t.Helper()
	w.eventually(".practice-at", number+" of")
	w.settled(func() bool { return w.MustHas(".practice-sure") }, "it is asked")
}

// say answers what is asked by the keys alone.
func (w *window) say(kind practice.Kind) {
	w.t.Helper()
	switch kind {
	case practice.Squeeze:
		w.press('4')
	case practice.Done:
		require.NoError(w.t, w.see(".heat-call input").Focus())
		w.press(input.ArrowRight, input.ArrowRight)
	default:
		w.press('1')
	}
	w.settled(func() bool { return !w.MustHas(".practice-go:disabled") }, "it can be called")
}

// on presses Enter until the page has moved on, busy as it may be.
func (w *window) on(selector string) {
	w.t.Helper()
	w.press(input.Enter)
	w.settled(func() bool { return w.MustHas(selector) }, "Enter leads to "+selector)
}

// A sitting is practised by the keys alone, and the eye knows of every call.
func TestASittingByTheKeys(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/practice")
	w.eventually(".practice-eye", "70 calls in 3 weeks")
	w.eventually(".practice-eye", "You call wet mixes too firm")
	w.eventually(".practice-eye", "raw vegetables in a mix")
	w.click("Begin ten calls")
	w.ready("1")
	w.eventually(".practice-own", "Your try:")
	kinds := map[practice.Kind]bool{}
	drills := a.practised().Sitting.Drills
	for i := range drills {
		w.ready([]string{"1", "2", "3", "4", "5", "6", "7", "8", "9", "10"}[i])
		kinds[drills[i].Kind] = true
		w.say(drills[i].Kind)
		w.on(".practice-told")
		w.eventually(".practice-lesson", "Why")
		if i < 9 {
			w.on(".practice-sure")
		}
	}
	assert.Greater(t, len(kinds), 2)
	w.on(".practice-ten")
	w.eventually(".practice-summary", "of 10 right")
	w.eventually(".practice-eye", "80 calls")
	page := a.practised()
	assert.Equal(t, 80, page.Eye.Calls)
	assert.Nil(t, page.Sitting)
	// Each opens again.
	w.tap(".practice-ten button")
	w.see(".practice-told")
	w.MustReload()
	w.see(".practice-kinds")
}

// The mark is dragged; the call, and how sure it was, are what is kept and told.
func TestACallIsDragged(t *testing.T) {
	a := start(t)
	w := a.sit(a.person(), "Call the squeeze")
	w.see(".strip-drag")
	box := w.see(".strip-drag").MustShape().Box()
	at := func(share float64) proto.Point { return proto.NewPoint(box.X+share*box.Width, box.Y+box.Height/2) }
	w.Mouse.MustMoveTo(at(.5).X, at(.5).Y).MustDown(proto.InputMouseButtonLeft)
	w.Mouse.MustMoveTo(at(.75).X, at(.75).Y)
	w.Mouse.MustUp(proto.InputMouseButtonLeft)
	w.eventually(".practice-strip .zone-here text", "soft")
	require.NoError(t, w.see(".practice-sure input").Focus())
	w.press(input.ArrowRight, input.ArrowRight)
	w.eventually(".practice-sure output", "7 in 10")
	w.click("Call it")
	w.see(".practice-told")
	w.settled(func() bool { return a.practised().Eye.Calls == 71 }, "it is kept")
	kept := a.practised().Sitting.Calls[0]
	assert.InDelta(t, .7, kept.Sure, 1e-9)
	assert.InDelta(t, .9, kept.Index, .03)
	w.eventually(".practice-told", "Cuerda calls it")
	// Reloaded in the middle, it goes on where it was.
	w.MustReload()
	w.ready("2")
}

// Two windows on one drill: the first call counts, and the other window is told.
func TestTwoWindowsOnOneDrill(t *testing.T) {
	a := start(t)
	p := a.person()
	one := a.sit(p, "Call the squeeze")
	two := a.open(p, "/practice")
	two.ready("1")
	one.say(practice.Squeeze)
	one.on(".practice-told")
	one.settled(func() bool { return a.practised().Eye.Calls == 71 }, "it is kept")
	two.press('1')
	two.settled(func() bool { return !two.MustHas(".practice-go:disabled") }, "it can be called")
	two.on(".practice-told")
	two.eventually(".practice-status", "Another window had called this one already")
	two.eventually(".practice-strip .marker-yours", "yours")
	assert.Equal(t, 71, a.practised().Eye.Calls)
	// It begins another sitting: the first window's next call finds its own over.
	two.click("Stop here")
	two.tapped(".practice-kinds button", "Mend it")
	two.ready("1")
	one.on(".practice-sure")
	one.say(practice.Squeeze)
	one.on(".practice-told")
	one.eventually(".practice-status", "A new sitting was begun in another window")
	assert.Equal(t, 71, a.practised().Eye.Calls)
}

// Without a connection a sitting goes on, over a reload of nothing; its calls are sent when it is back.
func TestPracticeWithoutAConnection(t *testing.T) {
	a := start(t)
	w := a.sit(a.person(), "Call the squeeze")
	w.connection(false)
	for _, n := range []string{"1", "2", "3"} {
		w.ready(n)
		w.say(practice.Squeeze)
		w.on(".practice-told")
		w.eventually(".practice-status", "kept on this device")
		w.on(".practice-sure")
	}
	assert.Equal(t, 70, a.practised().Eye.Calls)
	w.connection(true)
	w.settled(func() bool { return a.practised().Eye.Calls == 73 }, "the calls are sent")
	w.settled(func() bool { return !w.MustHas(".practice-status") }, "and it says no more of it")
	w.eventually(".practice-eye", "73 calls")
}

// From the Logbook a try is practised on; from a drill the mix is opened on the Bench as a new build.
func TestPractisingOnATry(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/logbook")
	w.tap(".try-row")
	w.see(".try-head")
	name := w.words("#try-title")
	w.click("More for this try")
	w.click("Practise on this try")
	w.eventually(".practice-own", "Your try: "+name)
	w.ready("1")
	w.say(a.asked().Kind)
	w.on(".practice-told")
	w.click("Open on the Bench")
	w.settled(func() bool { return strings.Contains(w.MustInfo().URL, "/bench/") }, "the Bench is open")
	w.see(".verdict")
	var list []api.Entry
	a.get("/api/builds", &list)
	assert.Contains(t, w.MustInfo().URL, list[0].ID)
	assert.Equal(t, 1, list[0].Version)
}

// Each has their own practice; who is put away can be brought back.
func TestPeopleWhoPractise(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/practice")
	w.eventually(".practice-eye", "Cox")
	w.click("Who practises")
	w.click("Someone else…")
	w.fill("#person-name", "Bow")
	w.click("Add")
	w.eventually(".practice-eye", "Bow")
	w.eventually(".practice-eye", "Nothing called yet")
	w.click("Who practises")
	w.click("Put away")
	w.eventually(".practice-eye", "70 calls")
	w.connection(false)
	w.click("Bring it back")
	w.eventually(".undo-bar", "could not be brought back. Try again.")
	w.connection(true)
	w.click("Bring it back")
	w.eventually(".practice-eye", "Nothing called yet")
	w.settled(func() bool { return len(a.practised().People) == 2 }, "it is kept that both are back")
}

// Whatever is asked and told can be read by everyone, on a phone, in Spanish and in the dark.
func TestPracticeIsAccessible(t *testing.T) {
	a := start(t)
	check := accessible(t)
	for n, view := range []struct {
		language, theme string
		width, height   int
	}{{"en-GB", "light", 1280, 800}, {"es-ES", "dark", 1280, 800}, {"es-ES", "light", 390, 844}} {
		w := a.openAs(a.person(), "/practice", view.language, view.width, view.height)
		w.MustEval(`(theme) => localStorage.setItem("cuerda.theme", theme)`, view.theme)
		w.MustReload().MustWaitLoad()
		w.see(".practice-kinds")
		where := view.language + " " + view.theme
		check(w, where)
		for i, kind := range practice.Kinds {
			if n > 0 && i%3 != n%3 { // every kind once, some of them twice
				continue
			}
			w.clicked(string(kind), func() *rod.Element { return w.MustElements(".practice-kinds button")[i] })
			w.settled(func() bool { return w.MustHas(".practice-sure") }, string(kind))
			check(w, where+" asks "+string(kind))
			assert.LessOrEqual(t, w.MustEval(`() => document.documentElement.scrollWidth`).Int(), view.width, "%s %s", where, kind)
			w.say(a.asked().Kind)
			w.on(".practice-told")
			check(w, where+" tells "+string(kind))
			w.tap(".practice-stop")
			w.see(".practice-kinds")
		}
	}
}

// A kitchen's pages say why there is nothing to practise, and go on.
func TestPracticeThatCannotBegin(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/practice?try=00000000-0000-4000-8000-000000000000")
	w.eventually(".practice-home", "No sitting could be begun")
	w.tapped(".practice-kinds button", "Which holds better")
	w.ready("1")
}

// Somebody is named; calls go out as a table and come in again, and a file that is none says why.
func TestCallsGoOutAndInOverTheMenu(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/practice")
	w.eventually(".practice-eye", "70 calls")
	w.click("Who practises")
	w.click("Name…")
	w.fill("#person-name", "Stroke")
	w.click("Keep")
	w.eventually(".practice-eye", "Stroke")
	answer, err := http.Get(a.at("/api/practice/calls.csv"))
	require.NoError(t, err)
	defer answer.Body.Close()
	table, err := io.ReadAll(answer.Body)
	require.NoError(t, err)
	assert.Contains(t, string(table), ",Stroke,")
	file := filepath.Join(t.TempDir(), "practice.csv")
	require.NoError(t, os.WriteFile(file, append(table, "mine,2026-05-01T18:00:00Z,Stroke,squeeze,plain,0.5,0,0.8,false,true\n"...), 0o600))
	w.see(`.practice-eye input[type="file"]`).MustSetFiles(file)
	w.eventually(".practice-eye", "1 call was taken in")
	w.eventually(".practice-eye", "71 calls")
	require.NoError(t, os.WriteFile(file, []byte("date,dish\n"), 0o600))
	w.see(`.practice-eye input[type="file"]`).MustSetFiles(file)
	w.eventually(".practice-eye", "the column id is missing")
}

// The handful is drawn beside the squeeze as the mix is edited, and says what it shows to those who do not see it.
func TestTheHandfulIsDrawnAsTheMixIs(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/bench/"+a.build("Turkey, leek"))
	label := func() string {
		return w.MustEval(`() => document.querySelector(".squeeze-seen .handful")?.getAttribute("aria-label") ?? ""`).Str()
	}
	w.see(".squeeze-seen .handful")
	assert.Contains(t, label(), "leek")
	w.grams("millet-flakes", "400")
	w.settled(func() bool { return strings.Contains(label(), "crumbs that fall off") }, "a dry mix crumbles")
	w.grams("millet-flakes", "1")
	w.settled(func() bool {
		return !strings.Contains(label(), "crumbs") && strings.Contains(label(), "keeps its shape")
	}, "without them it holds together")

	// At the stove each word shows what it looks like with what is in this bowl.
	c, _ := a.cook(a.person(), peaCakes, "en-GB", 1024, 768)
	c.goOn("How does it feel?")
	c.settled(func() bool {
		return c.MustEval(`() => document.querySelectorAll(".squeeze-word .handful").length`).Int() == 6
	}, "six handfuls")
}

// A sitting that was left for a month is offered, not gone on with unasked; what was called in it counts.
func TestASittingThatWasLeft(t *testing.T) {
	a := start(t)
	p := a.person()
	w := a.sit(p, "Call the squeeze")
	w.say(practice.Squeeze)
	w.on(".practice-told")
	w.settled(func() bool { return a.practised().Eye.Calls == 71 }, "it is kept")
	later := a.open(p, "/bench")
	later.MustEvalOnNewDocument(`{ const now = Date.now; Date.now = () => now() + 40 * 24 * 3600 * 1000; }`)
	later.MustNavigate(a.at("/practice")).MustWaitLoad()
	later.eventually(".practice-left", "with 1 of 10 called")
	later.click("Go on with it")
	later.ready("2")
	later.click("Stop here")
	later.see(".practice-kinds")
	assert.Nil(t, a.practised().Sitting)
	assert.Equal(t, 71, a.practised().Eye.Calls)
}
