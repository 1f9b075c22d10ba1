// Package e2e drives the real interface in Chromium, against the real server
// and a real PostgreSQL, as a cook would.
package e2e

import (
	"context"
	"encoding/json"
	"fmt"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"runtime/debug"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/go-rod/rod/lib/utils"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/e2e/browser"
	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
	"cuerda/web"
)

var chromium *rod.Browser

// TestMain starts one browser for all tests.
func TestMain(m *testing.M) {
	b, end, err := browser.Start()
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	chromium = b.Sleeper(func() utils.Sleeper { return utils.BackoffSleeper(10*time.Millisecond, 100*time.Millisecond, nil) })
	pgtest.Main(ended{m, end})
}

type ended struct {
	m   *testing.M
	end func()
}

func (e ended) Run() int {
	defer e.end()
	return e.m.Run()
}

// app is a server of its own with the demonstration kitchen.
type app struct {
	t       testing.TB
	url     string
	kitchen string
	handler http.Handler
}

// start serves the demonstration kitchen with predictions by the model alone, so that what the Bench
// says of a build does not hang on its logbook.
func start(t testing.TB) *app {
	t.Helper()
	return startBehind(t, func(h http.Handler) http.Handler { return h })
}

// startLearned serves it with what its tries taught.
func startLearned(t testing.TB) *app {
	t.Helper()
	a := start(t)
	post(a, "/api/learned/choose", `{"off":false}`)
	return a
}

// startBehind puts something of the test's between browser and server. Tests that have a server run beside each other.
func startBehind(t testing.TB, wrap func(http.Handler) http.Handler) *app {
	t.Helper()
	beside(t)
	s, kitchen := demotest.Open(t)
	return serve(t, s, kitchen, func(h http.Handler) http.Handler { return wrap(watched(t, h)) })
}

// startNow serves the kitchen as it is made now, for who joins the cooking that is half-way through then.
func startNow(t testing.TB) *app {
	t.Helper()
	beside(t)
	s, kitchen := demotest.OpenNow(t)
	return serve(t, s, kitchen, func(h http.Handler) http.Handler { return watched(t, h) })
}

// beside has a test run beside others.
func beside(t testing.TB) {
	if one, ok := t.(*testing.T); ok {
		one.Parallel()
	}
}

func serve(t testing.TB, s *store.Store, kitchen string, wrap func(http.Handler) http.Handler) *app {
	t.Helper()
	foods := food.Starter()
	require.NoError(t, s.SaveChoices(context.Background(), kitchen, &store.Choices{Off: true}))
	pages, err := web.Dist()
	require.NoError(t, err)
	served := &api.Server{
		Store: s, Foods: foods, Log: slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: slog.LevelWarn})), Pages: pages,
	}
	handler := wrap(served.Handler())
	server := httptest.NewServer(handler)
	t.Cleanup(server.Close)
	t.Cleanup(served.Close)
	return &app{t, server.URL, kitchen, handler}
}

// watched holds what the pages are answered against the description; where a benchmark counts time, nothing does.
func watched(t testing.TB, h http.Handler) http.Handler {
	if _, timed := t.(*testing.B); timed {
		return h
	}
	return apitest.Watch(t, h)
}

// at gives the address of a path: pages and the interface are of the kitchen, but for the door, which is "/".
func (a *app) at(path string) string {
	if path == "/" || strings.HasPrefix(path, "/api/") || strings.HasPrefix(path, "/k/") || strings.HasPrefix(path, "/door") {
		return a.url + apitest.In(a.kitchen, path)
	}
	return a.url + "/k/" + a.kitchen + path
}

// get reads the interface beside the browser.
func (a *app) get(path string, into any) {
	a.t.Helper()
	answer, err := http.Get(a.at(path))
	require.NoError(a.t, err)
	defer answer.Body.Close()
	require.Equal(a.t, http.StatusOK, answer.StatusCode)
	require.NoError(a.t, json.NewDecoder(answer.Body).Decode(into))
}

// posted asks the interface beside the browser for something, and post for something whose answer says nothing more.
func (a *app) posted(path, body string, into any) {
	a.t.Helper()
	answer, err := http.Post(a.at(path), "application/json", strings.NewReader(body))
	require.NoError(a.t, err)
	defer answer.Body.Close()
	require.Less(a.t, answer.StatusCode, 300, path)
	if into != nil {
		require.NoError(a.t, json.NewDecoder(answer.Body).Decode(into))
	}
}

func post(a *app, path, body string) {
	a.t.Helper()
	a.posted(path, body, nil)
}

// build gives the ID of a demonstration build by part of its name.
func (a *app) build(name string) string {
	a.t.Helper()
	var list []struct{ ID string }
	a.get("/api/builds?q="+strings.ReplaceAll(name, " ", "%20"), &list)
	require.NotEmpty(a.t, list)
	return list[0].ID
}

// kept gives the grams of a food as the server has them, 0 if it is not there.
func (a *app) kept(id, food string) float64 {
	var b api.Build
	a.get("/api/builds/"+id, &b)
	for _, l := range b.Document.Lines {
		if l.Food == food {
			return l.Grams
		}
	}
	return 0
}

// window is a page with the words of a cook.
type window struct {
	*rod.Page
	t testing.TB
}

// person is a browser profile: its windows share what the browser keeps.
func (a *app) person() *rod.Browser {
	b := chromium.MustIncognito()
	a.t.Cleanup(func() { _ = b.Close() })
	return b.Timeout(longest).WithPanic(func(why any) {
		a.t.Helper()
		a.t.Fatalf("%v\n%s", why, debug.Stack()) // which of many steps it was
	})
}

// Patience is how long something is waited for; the longest that a cook's windows live, so that what never
// comes fails its own test and no other.
const (
	patience = 30 * time.Second
	longest  = 5 * time.Minute
)

// open opens a path in a window of 1280 by 800.
func (a *app) open(b *rod.Browser, path string) *window {
	a.t.Helper()
	return a.openAs(b, path, "en-GB", 1280, 800)
}

func (a *app) openAs(b *rod.Browser, path, language string, width, height int) *window {
	a.t.Helper()
	page := b.MustPage()
	require.NoError(a.t, browser.Resize(page, width, height))
	require.NoError(a.t, proto.EmulationSetUserAgentOverride{UserAgent: "Mozilla/5.0 Chrome", AcceptLanguage: language}.Call(page))
	a.noneThrown(page)
	page.MustNavigate(a.at(path)).MustWaitLoad()
	w := &window{page, a.t}
	if strings.HasPrefix(path, "/bench") {
		w.see(".verdict, .empty-bowl")
	}
	return w
}

// noneThrown fails the test where a page throws what nobody catches, whatever else it shows.
func (a *app) noneThrown(page *rod.Page) {
	var mu sync.Mutex
	var all []string
	go page.EachEvent(func(e *proto.RuntimeExceptionThrown) {
		mu.Lock()
		defer mu.Unlock()
		what := e.ExceptionDetails.Text
		if e.ExceptionDetails.Exception != nil {
			what += " " + e.ExceptionDetails.Exception.Description
		}
		all = append(all, what)
	})()
	a.t.Cleanup(func() {
		mu.Lock()
		defer mu.Unlock()
		assert.Empty(a.t, all, "nothing is thrown that nobody catches")
	})
}

// see waits for an element and gives it.
func (w *window) see(selector string) *rod.Element {
	w.t.Helper()
	e, err := found(func() (*rod.Element, error) { return w.Timeout(patience).Element(selector) })
	require.NoError(w.t, err, "no %s; the page says: %s", selector, w.words("body"))
	return e.CancelTimeout()
}

// found looks again where the page was left for another while it was looked at.
func found(look func() (*rod.Element, error)) (e *rod.Element, err error) {
	for range 5 {
		if e, err = look(); !isLeaving(err) {
			return e, err
		}
		time.Sleep(100 * time.Millisecond)
	}
	return e, err
}

// isLeaving says whether the browser was just going from one page to another.
func isLeaving(err error) bool {
	return err != nil && (strings.Contains(err.Error(), "navigated or closed") || strings.Contains(err.Error(), "context was destroyed") || strings.Contains(err.Error(), "Cannot find context"))
}

// button waits for a control by its label or its words.
func (w *window) button(words string) *rod.Element {
	w.t.Helper()
	e, err := found(func() (*rod.Element, error) {
		return w.Timeout(patience).ElementByJS(rod.Eval(`(words) => [...document.querySelectorAll("button, a, summary")].find((e) =>
		e.getClientRects().length && (e.getAttribute("aria-label") ?? e.textContent).replace(/\u00a0/g, " ").trim() === words) ?? null`, words))
	}) // undefined is not waited for
	require.NoError(w.t, err, "no button %q; the page says: %s", words, w.words("body"))
	return e.CancelTimeout()
}

func (w *window) click(words string) {
	w.t.Helper()
	w.clicked(words, func() *rod.Element { return w.button(words) })
}

// tap clicks an element by its selector, tapped the first of those that say something, by a pattern.
func (w *window) tap(selector string) {
	w.t.Helper()
	w.clicked(selector, func() *rod.Element { return w.see(selector) })
}

func (w *window) tapped(selector, says string) {
	w.t.Helper()
	w.clicked(selector+" "+says, func() *rod.Element {
		e, err := w.Timeout(patience).ElementR(selector, says)
		require.NoError(w.t, err, "no %s that says %s; the page says: %s", selector, says, w.words("body"))
		return e.CancelTimeout()
	})
}

// clicked clicks what is found. A control may be drawn anew between being found and being clicked: it is found again.
func (w *window) clicked(what string, find func() *rod.Element) {
	w.t.Helper()
	var err error
	for end := time.Now().Add(patience); time.Now().Before(end); {
		// Nor where the page still moves under it.
		e := find().Timeout(2 * time.Second)
		// Nor at an edge, where what sticks there lies over it: whoever wants it pulls it into the middle.
		if _, err = e.Eval(`() => { const at = this.getBoundingClientRect(), over = document.elementFromPoint(at.x + at.width / 2, at.y + at.height / 2);
			if (over && over !== this && !this.contains(over) && !over.contains(this)) this.scrollIntoView({ block: "center" }) }`); err != nil {
			continue
		}
		if err = e.WaitStableRAF(); err != nil {
			continue
		}
		if err = e.Click(proto.InputMouseButtonLeft, 1); err == nil {
			return
		}
	}
	require.NoError(w.t, err, what)
}

func (w *window) words(selector string) string {
	said, err := w.Eval(`(s) => { const e = document.querySelector(s); return e?.innerText ?? e?.textContent ?? ""; }`, selector)
	if isLeaving(err) {
		return ""
	}
	require.NoError(w.t, err)
	return strings.ReplaceAll(said.Value.Str(), "\u00a0", " ") // that a number and its unit stay on one line is not asked here
}

// eventually waits until the words of an element hold the text.
func (w *window) eventually(selector, text string) {
	w.t.Helper()
	until(w.t, func() bool { return strings.Contains(w.words(selector), text) },
		func() string {
			return fmt.Sprintf("%s never said %q; it says %q; the page says: %s", selector, text, w.words(selector), w.words("body"))
		})
}

// saved waits until the bench says that all is kept.
func (w *window) status(want string) {
	w.t.Helper()
	until(w.t, func() bool { return w.MustHas(`.save-sign[data-status="` + want + `"]`) },
		func() string { return fmt.Sprintf("never %q; it says %q", want, w.words(".save-sign")) })
}

// unmoving waits until nothing moves on the page: no animation runs, and nothing was drawn otherwise for two frames.
func (w *window) unmoving() {
	w.t.Helper()
	until(w.t, func() bool {
		return w.MustEval(`async () => {
			await document.fonts.ready;
			const before = document.body.innerHTML.length;
			for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
			return before === document.body.innerHTML.length && document.getAnimations().every((a) => a.playState !== "running" || a.effect?.getTiming().iterations === Infinity);
		}`).Bool()
	}, func() string { return "the page never settles" })
}

func until(t testing.TB, ok func() bool, why func() string) {
	t.Helper()
	for deadline := time.Now().Add(patience); ; time.Sleep(20 * time.Millisecond) {
		if ok() {
			return
		}
		if time.Now().After(deadline) {
			require.Fail(t, why())
		}
	}
}

func gramsOf(food string) string { return `[data-food="` + food + `"] .grams input` }

// grams types an amount into the line of a food.
func (w *window) grams(food, amount string) {
	w.t.Helper()
	w.fill(gramsOf(food), amount)
}

// fill types into a field in place of what was there.
func (w *window) fill(selector, text string) {
	w.t.Helper()
	w.tap(selector)
	w.see(selector).MustSelectAllText().MustInput(text)
}

func (w *window) value(selector string) string {
	w.t.Helper()
	return w.see(selector).MustProperty("value").Str()
}

func (w *window) press(keys ...input.Key) {
	w.t.Helper()
	for _, k := range keys {
		require.NoError(w.t, w.Keyboard.Type(k))
	}
}

// chord presses a key while others are held.
func (w *window) chord(key input.Key, held ...input.Key) {
	w.t.Helper()
	require.NoError(w.t, w.KeyActions().Press(held...).Type(key).Do())
}

// connection cuts or mends the network of the window.
func (w *window) connection(on bool) {
	w.t.Helper()
	require.NoError(w.t, proto.NetworkEnable{}.Call(w))
	require.NoError(w.t, proto.NetworkEmulateNetworkConditions{Offline: !on, DownloadThroughput: -1, UploadThroughput: -1}.Call(w))
}
