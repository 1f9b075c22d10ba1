package e2e

import (
	"bytes"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/e2e/browser"
	"cuerda/internal/wire"
)

// timer sets a timer at the stove.
func (w *window) timer(name string) {
	w.t.Helper()
	w.click("Timer")
	w.fill(".modal.show input", name)
	w.click("Set it")
	w.settled(func() bool { return !w.MustHas(".modal") }, "the timer is set")
}

// timers are those of a course that begin with a word, as the server has them.
func timers(v *wire.Course, word string) (count int) {
	for _, one := range v.Timers {
		if strings.HasPrefix(one.Name, word) {
			count++
		}
	}
	return count
}

// What waits without a connection is sent by whichever window and screen there is when it is back; of two windows of one
// cooking none loses what it did to the other.
func TestWhatWaitsIsSentByWhicheverScreen(t *testing.T) {
	a := start(t)
	p := a.person()
	one, id := a.cook(p, peaCakes, "en-GB", 1280, 800)
	other := a.openAs(p, "/cook/"+id, "en-GB", 1024, 768)
	other.see(".cook-title")
	one.connection(false)
	other.connection(false)
	for n := range 3 {
		one.timer(fmt.Sprint("First ", n))
		other.timer(fmt.Sprint("Second ", n))
	}
	v := a.course(id)
	require.Zero(t, len(v.Timers), "nobody has heard of them")
	// The window that sent is closed, the other is loaded again: nothing depends on the one that was tapped in.
	require.NoError(t, one.Close())
	other.connection(true)
	other.MustReload().MustWaitLoad()
	other.settled(func() bool { v := a.course(id); return timers(&v, "First") == 3 && timers(&v, "Second") == 3 }, "all six are kept")
	other.settled(func() bool { return other.MustEval(`() => document.documentElement.dataset.unsent`).Str() == "0" }, "nothing waits any longer")
}

// Of many taps one that the server refuses is set aside and told of, to be taken back or sent again; the others are kept.
func TestARefusedTapTakesOnlyItself(t *testing.T) {
	var strict atomic.Bool
	strict.Store(true)
	a := startBehind(t, func(h http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if r.Method == http.MethodPost && strings.HasSuffix(r.URL.Path, "/events") && strict.Load() {
				text, _ := io.ReadAll(r.Body)
				if bytes.Contains(text, []byte("Odd")) {
					w.Header().Set("Content-Type", "application/problem+json")
					w.WriteHeader(http.StatusUnprocessableEntity)
					_, _ = io.WriteString(w, `{"type":"about:blank","title":"Unprocessable Entity","status":422,"code":"bad-request","detail":"It makes no sense."}`)
					return
				}
				r.Body = io.NopCloser(bytes.NewReader(text))
			}
			h.ServeHTTP(w, r)
		})
	})
	w, id := a.cook(a.person(), peaCakes, "en-GB", 1280, 800)
	w.connection(false)
	for n := range 4 {
		w.timer(fmt.Sprint("Rice ", n))
	}
	w.timer("Odd one")
	for n := range 4 {
		w.timer(fmt.Sprint("Peas ", n))
	}
	w.connection(true)
	w.settled(func() bool { v := a.course(id); return timers(&v, "Rice") == 4 && timers(&v, "Peas") == 4 }, "its neighbours are kept")
	w.eventually(".note-limit", "not")
	w.MustNavigate(a.at("/pantry")).MustWaitLoad()
	w.eventually(".update-bar", "One change could not be kept")
	w.click("See what")
	w.eventually(".modal.show", "Something done in a cooking")
	strict.Store(false)
	w.click("Send it again")
	w.settled(func() bool { v := a.course(id); return timers(&v, "Odd") == 1 }, "sent again it is kept")
	w.settled(func() bool { return !w.MustHas(".update-bar") }, "and nothing is told of any longer")
}

// What was edited while a save ran is sent though its screen was left, and an answer that was lost makes no conflict of a
// cook with themselves.
func TestWhatWasEditedBeforeLeavingIsSent(t *testing.T) {
	var slow, lose atomic.Bool
	a := startBehind(t, func(h http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if r.Method == http.MethodPut && slow.Swap(false) {
				time.Sleep(1500 * time.Millisecond)
			}
			if r.Method == http.MethodPut && lose.Swap(false) {
				kept := deaf{w}
				h.ServeHTTP(kept, r)
				panic(http.ErrAbortHandler) // it is kept, and nobody hears of it
			}
			h.ServeHTTP(w, r)
		})
	})
	id := a.build(peas)
	p := a.person()
	// The window that sends for all is another one, which came first.
	a.open(p, "/pantry").see("main")
	w := a.open(p, "/bench/"+id)
	slow.Store(true)
	w.grams("salt", "8")
	w.settled(func() bool { return !slow.Load() }, "the save is under way")
	w.grams("salt", "9")
	w.click("Pantry")
	w.see(".pantry, main")
	w.settled(func() bool { return a.kept(id, "salt") == 9 }, "what came after the save is sent from another screen")

	w.MustNavigate(a.at("/bench/" + id)).MustWaitLoad()
	w.status("saved")
	lose.Store(true)
	w.grams("salt", "10")
	w.settled(func() bool { return a.kept(id, "salt") == 10 }, "it is kept")
	w.grams("salt", "11")
	w.settled(func() bool { return a.kept(id, "salt") == 11 }, "what comes after it too")
	w.status("saved")
	assert.False(t, w.MustHas(".modal.show"), "nobody else was here")
}

// deaf takes an answer and gives none of it on.
type deaf struct{ http.ResponseWriter }

func (deaf) Write(b []byte) (int, error) { return len(b), nil }
func (deaf) WriteHeader(int)             {}

// Over TLS browsers speak HTTP/2: the stove follows its cooking through a silence that is longer than any piece of news may
// take, and never says that there is no connection.
func TestTheStoveOverTLS(t *testing.T) {
	a := start(t)
	var begun struct{ ID string }
	a.posted("/api/courses", fmt.Sprintf(`{"build":%q}`, a.build(peas)), &begun)
	secure := httptest.NewUnstartedServer(a.handler)
	secure.EnableHTTP2 = true
	secure.StartTLS()
	t.Cleanup(secure.Close)
	page := a.person().MustPage()
	require.NoError(t, browser.Resize(page, 1280, 800))
	require.NoError(t, proto.SecuritySetIgnoreCertificateErrors{Ignore: true}.Call(page))
	page.MustNavigate(secure.URL + "/k/" + a.kitchen + "/cook/" + begun.ID).MustWaitLoad()
	w := &window{page, t}
	w.see(".cook-title")
	require.True(t, w.MustEval(`() => isSecureContext && "locks" in navigator`).Bool())
	for end := time.Now().Add(12 * time.Second); time.Now().Before(end); time.Sleep(250 * time.Millisecond) {
		require.NotContains(t, w.words("body"), "No connection")
	}
	post(a, "/api/courses/"+begun.ID+"/events", `{"events":[{"id":"tls","kind":"timer","name":"Kettle of the boathouse","minutes":4}]}`)
	w.eventually("body", "Kettle of the boathouse")
}

// What an older version of the page had kept is sent by this one; what else the pages keep in the browser stays as it was.
func TestWhatAnOlderPageKeptIsSent(t *testing.T) {
	a := start(t)
	var begun struct{ ID string }
	a.posted("/api/courses", fmt.Sprintf(`{"build":%q}`, a.build(peas)), &begun)
	w := a.open(a.person(), "/pantry")
	w.MustEval(`(id) => {
		localStorage.setItem("cuerda.cook." + id + ".queue", JSON.stringify([{ id: "old", kind: "timer", name: "Old kettle", minutes: 3 }]));
		localStorage.setItem("cuerda.theme", "dark");
		localStorage.setItem("cuerda.draft.broken", "{");
	}`, begun.ID)
	// The page that takes it over cannot send it, and is loaded again: it is still there.
	refused := w.HijackRequests()
	refused.MustAdd("*/events", func(h *rod.Hijack) { h.Response.Fail(proto.NetworkErrorReasonConnectionFailed) })
	go refused.Run()
	w.MustReload().MustWaitLoad()
	w.settled(func() bool {
		return w.MustEval(`(id) => localStorage.getItem("cuerda.cook." + id + ".queue") === null`, begun.ID).Bool()
	}, "what waited is taken over")
	w.MustReload().MustWaitLoad()
	refused.MustStop()
	w.settled(func() bool { v := a.course(begun.ID); return timers(&v, "Old kettle") == 1 }, "what waited is sent")
	assert.Equal(t, "dark", w.MustEval(`() => localStorage.getItem("cuerda.theme")`).Str())
	assert.Equal(t, "dark", w.MustEval(`() => document.documentElement.dataset.bsTheme`).Str())
}

// Over plain HTTP on a local network a browser has no locks. Two windows of one build still hear each other.
func TestTwoWindowsWithoutLocks(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	b := a.person()
	windows := make([]*window, 2)
	for i := range windows {
		w := a.open(b, "/bench/"+id)
		w.MustEvalOnNewDocument(`delete Navigator.prototype.locks`)
		w.MustReload().MustWaitLoad()
		w.status("saved")
		require.False(t, w.MustEval(`() => "locks" in navigator`).Bool())
		windows[i] = w
	}
	windows[0].grams("flax-meal", "33")
	windows[0].status("saved")
	until(t, func() bool { return a.kept(id, "flax-meal") == 33 }, func() string { return "it is not kept" })
	assert.Equal(t, "16", windows[1].value(gramsOf("flax-meal")), "the other window keeps what it shows until it is asked")
}
