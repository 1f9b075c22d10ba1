package e2e

import (
	"fmt"
	"io"
	"math"
	"math/rand/v2"
	"net/http"
	"slices"
	"strconv"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// weather is what lies between the window and the server.
type weather int32

const (
	fine      weather = iota
	refusing          // 503 to whatever saves or asks
	swallowed         // what is saved is kept, and its answer lost
	slow              // every answer takes a while
)

type sky struct{ now atomic.Int32 }

func (s *sky) over(h http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		saves := r.Method == http.MethodPut && strings.Contains(r.URL.Path, "/builds/")
		asks := strings.HasSuffix(r.URL.Path, "/predict") || strings.HasSuffix(r.URL.Path, "/bake") || strings.HasSuffix(r.URL.Path, "/dish")
		switch now := weather(s.now.Load()); {
		case !saves && !asks, now == fine:
		case now == refusing:
			_, _ = io.Copy(io.Discard, r.Body)
			http.Error(w, "later", http.StatusServiceUnavailable)
			return
		case now == swallowed && saves:
			h.ServeHTTP(lost{w}, r)
			panic(http.ErrAbortHandler)
		case now == slow:
			time.Sleep(250 * time.Millisecond)
		}
		h.ServeHTTP(w, r)
	})
}

// lost is an answer that never arrives.
type lost struct{ http.ResponseWriter }

func (lost) Write(b []byte) (int, error) { return len(b), nil }
func (lost) WriteHeader(int)             {}

// cook is what a cook has done, and what the window and the server must therefore come to.
type cook struct {
	foods        []string
	now          map[string]float64
	past, future []map[string]float64
	last         string
}

func (c *cook) set(food string, grams float64) {
	c.past, c.future = append(c.past, clone(c.now)), nil
	c.now[food], c.last = grams, food
}

func clone(m map[string]float64) map[string]float64 {
	out := make(map[string]float64, len(m))
	for k, v := range m {
		out[k] = v
	}
	return out
}

// A window is edited, undone, redone and loaded again while answers are refused, lost,
// late or cut off. Whatever the order, what the cook sees is what they did, and in the end
// the server has it, with a verdict of that and nothing older.
func TestSavingInAnyWeather(t *testing.T) {
	for seed := range uint64(2) {
		t.Run(strconv.FormatUint(seed, 10), func(t *testing.T) {
			s := &sky{}
			a := startBehind(t, s.over)
			id := a.build(peas)
			p := a.person()
			w := a.open(p, "/bench/"+id)
			c := &cook{now: map[string]float64{}}
			var first api.Build
			a.get("/api/builds/"+id, &first)
			for _, l := range first.Document.Lines {
				c.foods, c.now[l.Food] = append(c.foods, l.Food), l.Grams
			}
			random := rand.New(rand.NewPCG(seed, 11))
			connected, did := true, []string{}
			seen := func() {
				for food, grams := range c.now {
					want := strconv.FormatFloat(grams, 'f', -1, 64)
					until(t, func() bool { return w.value(gramsOf(food)) == want },
						func() string { return fmt.Sprintf("%v: %s is %s, not %s", did, food, w.value(gramsOf(food)), want) })
				}
			}
			for range 14 {
				switch n := random.IntN(10); {
				case n < 4: // another line than before: changes of one line soon after each other are one step
					food := c.foods[random.IntN(len(c.foods))]
					if food == c.last {
						continue
					}
					grams := float64(5 + random.IntN(400))
					did = append(did, fmt.Sprintf("%s %g", food, grams))
					w.grams(food, strconv.FormatFloat(grams, 'f', -1, 64))
					c.set(food, grams)
				case n < 6 && len(c.past) > 0:
					did = append(did, "undo")
					w.click("Undo")
					last := len(c.past) - 1
					c.future, c.now, c.past, c.last = append(c.future, c.now), c.past[last], c.past[:last], ""
				case n == 6 && len(c.future) > 0:
					did = append(did, "redo")
					w.click("Redo")
					last := len(c.future) - 1
					c.past, c.now, c.future, c.last = append(c.past, c.now), c.future[last], c.future[:last], ""
				case n == 7 && connected && weather(s.now.Load()) != swallowed:
					did = append(did, "reload")
					time.Sleep(200 * time.Millisecond) // a draft is kept a tenth of a second after the change
					w.MustReload().MustWaitLoad()
					w.see(".verdict")
					c.past, c.future, c.last = nil, nil, "" // steps back are the window's
				case n == 8:
					connected = !connected
					did = append(did, fmt.Sprint("connected ", connected))
					w.connection(connected)
				default:
					next := weather(random.IntN(4))
					did = append(did, fmt.Sprint("weather ", next))
					s.now.Store(int32(next))
				}
				seen()
			}
			s.now.Store(int32(fine))
			w.connection(true)
			seen()
			w.status("saved")
			var kept api.Build
			a.get("/api/builds/"+id, &kept)
			got := map[string]float64{}
			for _, l := range kept.Document.Lines {
				got[l.Food] = l.Grams
			}
			require.Equal(t, c.now, got, "%v", did)
			assert.False(t, w.MustHas(".modal.show"), "nobody else was here: there is no conflict; %v", did)
			until(t, func() bool { return !strings.Contains(w.words(".verdict"), "no connection") },
				func() string { return "the verdict stays out of date" })
			want := fmt.Sprintf("%.0f in 100", math.Floor(100*kept.Prediction.Chance+.5))
			if n := kept.Prediction.Chance; n > .01 && n < .99 {
				w.eventually(".verdict", want)
			}

			var versions []api.Version
			a.get("/api/builds/"+id+"/versions", &versions)
			numbers := map[int]bool{}
			for _, v := range versions {
				assert.False(t, numbers[v.Number])
				numbers[v.Number] = true
			}
			assert.Equal(t, kept.Version, slices.MaxFunc(versions, func(a, b api.Version) int { return a.Number - b.Number }).Number)
		})
	}
}

// What the server refuses for good is said and kept in the window; mended, it is saved.
func TestWhatIsRefusedForGoodIsSaidAndKept(t *testing.T) {
	var refuse atomic.Bool
	a := startBehind(t, func(h http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if refuse.Load() && r.Method == http.MethodPut && strings.Contains(r.URL.Path, "/builds/") {
				_, _ = io.Copy(io.Discard, r.Body)
				w.Header().Set("Content-Type", "application/problem+json")
				w.WriteHeader(http.StatusUnprocessableEntity)
				_, _ = w.Write([]byte(`{"type":"about:blank","title":"","status":422,"code":"bad-document","errors":[{"code":"out-of-range","pointer":"/lines/0/grams","got":"1","min":0,"max":9,"message":"x"}]}`))
				return
			}
			h.ServeHTTP(w, r)
		})
	})
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	refuse.Store(true)
	w.grams("salt", "7")
	w.status("refused")
	w.eventually(".save-sign", "line 1")
	assert.Equal(t, "7", w.value(gramsOf("salt")), "it stays in the window")
	assert.Equal(t, 6., a.kept(id, "salt"))
	refuse.Store(false)
	w.grams("flax-meal", "20")
	w.status("saved")
	assert.Equal(t, 7., a.kept(id, "salt"), "what was refused goes with what comes after it")
	assert.Equal(t, 20., a.kept(id, "flax-meal"))
}

// What was deleted elsewhere while it was edited is brought back with the edits.
func TestABuildDeletedElsewhereIsBroughtBack(t *testing.T) {
	a := start(t)
	id := a.build(peas)
	w := a.open(a.person(), "/bench/"+id)
	r, err := http.NewRequest(http.MethodDelete, a.at("/api/builds/"+id), nil)
	require.NoError(t, err)
	answer, err := http.DefaultClient.Do(r)
	require.NoError(t, err)
	answer.Body.Close()
	require.Equal(t, http.StatusNoContent, answer.StatusCode)

	w.grams("chickpea-flour", "77")
	w.status("deleted")
	w.grams("chickpea-flour", "78") // nothing that is typed meanwhile is lost
	w.tapped(".save-sign button", "Bring it back")
	w.status("saved")
	assert.Equal(t, 78., a.kept(id, "chickpea-flour"))
}
