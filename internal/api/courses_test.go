package api_test

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"log/slog"
	"net/http"
	"slices"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/lawtest"
	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/device"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// decode is what an answer below 300 holds.
func decode[T any](c *client, method, path, body string, headers ...string) (out T) {
	c.t.Helper()
	got, text := c.do(method, path, body, headers...)
	require.Less(c.t, got.StatusCode, 300, string(text))
	require.NoError(c.t, json.Unmarshal(text, &out))
	return out
}

// cooking is a build of balls that bake, and its course.
const bakedBalls = `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"leek","grams":120,"prep":[{"do":"saute","minutes":8}]},` +
	`{"food":"millet-flakes","grams":45},{"food":"salt","grams":7}],"rest":{"minutes":15},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":200}}`

func beginCourse(c *client) wire.Course {
	b, _ := c.build("POST", "/api/builds", bakedBalls)
	return decode[wire.Course](c, "POST", "/api/courses", fmt.Sprintf(`{"build":%q}`, b.ID))
}

func act(c *client, id string, events ...string) api.CourseAnswer {
	c.t.Helper()
	return decode[api.CourseAnswer](c, "POST", "/api/courses/"+id+"/events", `{"events":[`+strings.Join(events, ",")+`]}`)
}

func stepOf(c *client, v *wire.Course, code string) int {
	c.t.Helper()
	i := slices.IndexFunc(v.Dish[0].Steps, func(s wire.CourseStep) bool { return s.Code == code })
	require.GreaterOrEqual(c.t, i, 0, code)
	return i
}

// onTheHeat has a course's balls in the oven.
func onTheHeat(c *client) (v wire.Course, cook int) {
	begun := beginCourse(c)
	cook = stepOf(c, &begun, "cook")
	v = act(c, begun.ID, fmt.Sprintf(`{"id":"in","kind":"begun","dish":0,"step":%d}`, cook)).Course
	v.Token = begun.Token // it was told then, and never again
	return v, cook
}

func TestACourseGoesOnWhereItWas(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	assert.Equal(t, "weigh", v.Tasks[0].Do)
	assert.WithinDuration(t, time.Now(), v.Now, 5*time.Second)
	assert.GreaterOrEqual(t, v.Table.Sub(v.Now).Minutes(), 45., "as soon as it can be")
	assert.LessOrEqual(t, v.Late, 1)
	saute, mix := stepOf(c, &v, "saute"), stepOf(c, &v, "mix")
	done := act(c, v.ID,
		fmt.Sprintf(`{"id":"a","kind":"weighed","dish":0,"step":%d,"line":1,"grams":118,"how":"scale"}`, saute),
		fmt.Sprintf(`{"id":"b","kind":"begun","dish":0,"step":%d}`, saute),
		fmt.Sprintf(`{"id":"b","kind":"begun","dish":0,"step":%d}`, saute),
		`{"id":"c","kind":"timer","name":"Kettle","minutes":4}`,
		fmt.Sprintf(`{"id":"d","kind":"weighed","dish":0,"step":%d,"line":99,"grams":1}`, mix))
	assert.Empty(t, done.Outcomes[2].Refused, "twice is once")
	assert.Equal(t, "unknown-line", done.Outcomes[4].Refused)
	v = done.Course
	assert.Equal(t, int64(3), v.Seq)
	assert.EqualValues(t, "running", v.Dish[0].Steps[saute].Status)
	assert.Equal(t, 118., *v.Dish[0].Steps[saute].Weigh[0].In)
	require.Len(t, v.Timers, 1)

	// Another server, the next morning; and the build is gone.
	builds := decode[[]api.Entry](c, "GET", "/api/builds", "")
	c.do("DELETE", "/api/builds/"+builds[0].ID, "")
	other := serve(t, &api.Server{Store: c.store, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}, c.kitchen)
	again := decode[wire.Course](other, "GET", "/api/courses/"+v.ID, "")
	again.Now, v.Now = time.Time{}, time.Time{}
	assert.Equal(t, v.Dish[0].Steps[saute], again.Dish[0].Steps[saute])
	assert.Equal(t, v.Timers, again.Timers)
	assert.Equal(t, v.Seq, again.Seq)
	events := decode[api.CourseEvents](other, "GET", "/api/courses/"+v.ID+"/events?after=1", "")
	assert.Len(t, events.Events, 2)

	c.problem(http.StatusNotFound, "not-found", "GET", "/api/courses/3f0e7a52-0000-4000-8000-000000000000", "")
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/courses", `{}`)
	c.do("DELETE", "/api/courses/"+v.ID, "")
	got, _ := c.do("GET", "/api/courses/"+v.ID, "")
	assert.Equal(t, http.StatusGone, got.StatusCode)
	back := decode[wire.Course](c, "POST", "/api/courses/"+v.ID+"/restore", "")
	assert.Equal(t, v.Seq, back.Seq)
	list := decode[[]api.CourseEntry](c, "GET", "/api/courses", "")
	require.Len(t, list, 2, "and the demonstration's")
	assert.Equal(t, v.ID, list[0].ID, "the newest first")
}

// stream reads server-sent events.
type stream struct {
	t      *testing.T
	lines  *bufio.Scanner
	id     string
	answer *http.Response
}

// follow follows a course, by its ID and what comes after that.
func (c *client) follow(t *testing.T, id string, headers ...string) *stream {
	// A simulated hand that pours takes as long as it takes, beside the races of other tests.
	ctx, stop := context.WithTimeout(t.Context(), 4*time.Minute)
	t.Cleanup(stop)
	r, err := http.NewRequestWithContext(ctx, "GET", c.at("/api/courses/"+id), nil)
	require.NoError(t, err)
	for i := 0; i < len(headers); i += 2 {
		r.Header.Set(headers[i], headers[i+1])
	}
	got, err := http.DefaultClient.Do(r)
	require.NoError(t, err)
	require.Equal(t, http.StatusOK, got.StatusCode)
	t.Cleanup(func() { got.Body.Close() })
	lines := bufio.NewScanner(got.Body)
	lines.Buffer(nil, 1<<20)
	return &stream{t, lines, "", got}
}

// next is the next event of that name.
func (s *stream) next(event string) (data string) {
	s.t.Helper()
	name := ""
	for s.lines.Scan() {
		line := s.lines.Text()
		switch {
		case strings.HasPrefix(line, "id: "):
			s.id = line[4:]
		case strings.HasPrefix(line, "event: "):
			name = line[7:]
		case strings.HasPrefix(line, "data: ") && name == event:
			return line[6:]
		}
	}
	require.Fail(s.t, "the stream ended", "%v", s.lines.Err())
	return ""
}

func (s *stream) course(until func(*wire.Course) bool) (v wire.Course) {
	s.t.Helper()
	for {
		text := []byte(s.next("course"))
		apitest.Check(s.t, "GET", "/api/kitchens/k/courses/told", http.StatusOK, http.Header{"Content-Type": {"application/json"}}, text)
		v = wire.Course{}
		require.NoError(s.t, json.Unmarshal(text, &v))
		if until(&v) {
			return v
		}
	}
}

func TestDevicesThatFollowHearOfEachOther(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	phone, tablet := c.follow(t, v.ID+"/stream"), c.follow(t, v.ID+"/stream")
	phone.course(func(v *wire.Course) bool { return v.Devices == 2 })
	act(c, v.ID, `{"id":"t1","kind":"timer","name":"Kettle","minutes":4,"device":"phone"}`)
	tablet.course(func(v *wire.Course) bool { return len(v.Timers) == 1 })
	assert.Equal(t, "1", tablet.id)
	// One that comes back with the newest is told only what is new; one that missed something, all.
	act(c, v.ID, `{"id":"t2","kind":"timer","name":"Rice","minutes":9}`)
	back := c.follow(t, v.ID+"/stream", "Last-Event-ID", "1")
	assert.Len(t, back.course(func(*wire.Course) bool { return true }).Timers, 2)

	other := &api.Server{Store: c.store, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}
	there := serve(t, other, c.kitchen)
	// One that comes back to a server that has not heard of it all is not told of earlier than it knows.
	decode[wire.Course](there, "GET", "/api/courses/"+v.ID, "")
	act(c, v.ID, `{"id":"t3","kind":"timer","name":"Beans","minutes":20}`)
	moved := there.follow(t, v.ID+"/stream", "Last-Event-ID", "3")
	act(there, v.ID, `{"id":"t4","kind":"timer","name":"Oats","minutes":2}`)
	assert.GreaterOrEqual(t, len(moved.course(func(*wire.Course) bool { return true }).Timers), 3)
	assert.NotEmpty(t, there.follow(t, v.ID+"/stream", "Last-Event-ID", "999999").course(func(*wire.Course) bool { return true }).Timers, "a number that nothing has")

	// What another server takes is heard too.
	watching, stop := context.WithCancel(context.Background())
	ended := make(chan struct{})
	go func() { defer close(ended); other.Watch(watching) }()
	t.Cleanup(func() { stop(); <-ended })
	far := there.follow(t, v.ID+"/stream")
	far.course(func(*wire.Course) bool { return true })
	require.Eventually(t, func() bool { // it listens from some moment on
		act(c, v.ID, fmt.Sprintf(`{"id":"t-%d","kind":"timer","name":"Peas","minutes":3}`, time.Now().UnixNano()))
		got := decode[wire.Course](there, "GET", "/api/courses/"+v.ID, "")
		return len(got.Timers) > 4
	}, 10*time.Second, 50*time.Millisecond)
	far.course(func(v *wire.Course) bool { return len(v.Timers) > 4 })
}

// Two servers on one database take events at once: each shows all of them.
func TestTwoServersShowTheEventsOfBoth(t *testing.T) {
	t.Parallel()
	c := start(t)
	other := &api.Server{Store: c.store, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}
	there := serve(t, other, c.kitchen)
	for _, server := range []*client{c, there} {
		watching, stop := context.WithCancel(context.Background())
		ended := make(chan struct{})
		go func() { defer close(ended); server.served.Watch(watching) }()
		t.Cleanup(func() { stop(); <-ended })
	}
	const events = 80
	for round := range lawtest.Draws(3, 100) {
		v := beginCourse(c)
		var sending sync.WaitGroup
		for n, server := range []*client{c, there} {
			sending.Go(func() {
				for i := range events / 2 {
					event := fmt.Sprintf(`{"events":[{"id":"%d-%d-%d","kind":"timer","name":"Peas","minutes":3}]}`, round, n, i)
					// A database that answers too late on a busy machine is said to have lost nothing, and the page asks again: so does this.
					require.Eventually(t, func() bool {
						got, text := server.do("POST", "/api/courses/"+v.ID+"/events", event)
						if got.StatusCode != http.StatusServiceUnavailable {
							assert.Less(t, got.StatusCode, 300, string(text))
						}
						return got.StatusCode != http.StatusServiceUnavailable
					}, 20*time.Second, 100*time.Millisecond)
				}
			})
		}
		sending.Wait()
		for _, server := range []*client{c, there} {
			require.Eventually(t, func() bool {
				return len(decode[wire.Course](server, "GET", "/api/courses/"+v.ID, "").Timers) == events
			}, 5*time.Second, 10*time.Millisecond)
		}
	}
}

func pack(at time.Time, name string, celsius float64) string {
	return fmt.Sprintf(`[{"bn":"urn:dev:probe:","bt":%.3f,"n":%q,"u":"Cel","v":%g}]`, float64(at.UnixMilli())/1000, name, celsius)
}

func TestReadingsDrawTheForecast(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, cook := onTheHeat(c)
	send := func(body string) api.TakenReadings {
		return decode[api.TakenReadings](c, "POST", "/api/readings", body, "Authorization", "Bearer "+v.Token, "Content-Type", "application/senml+json")
	}
	now := v.Now
	s := c.follow(t, v.ID+"/stream")
	taken := send(pack(now.Add(time.Second), "core", 8))
	assert.Equal(t, api.TakenReadings{Kept: 1, Used: 1, Faults: []api.ReadingFault{}}, taken)
	assert.Contains(t, s.next("readings"), `"celsius":8`)
	heated := s.course(func(v *wire.Course) bool { return v.Dish[0].Heat != nil })
	h := heated.Dish[0].Heat
	assert.Equal(t, cook, h.Step)
	assert.True(t, h.OffLow.Before(h.Off) && h.Off.Before(h.OffHigh))
	assert.InDelta(t, 200, h.OvenSet, 0.1)
	assert.NotEmpty(t, h.Curve)

	// Doubled, late, from the future, impossible, unknown: counted, and the rest is taken.
	send(pack(now.Add(time.Second), "core", 8))
	many := send(fmt.Sprintf(`[{"bn":"urn:dev:x:","bt":%.3f},{"n":"core","u":"Cel","v":900},{"n":"core","u":"lm","v":9},{"n":"pressure","u":"Cel","v":9},
		{"n":"core","u":"Cel","v":9,"t":7200},{"n":"core","u":"Cel","v":9,"t":-90000},{"n":"on","vb":true},{"n":"oven","u":"K","v":470}]`, float64(now.Add(2*time.Second).UnixMilli())/1000))
	codes := []string{}
	for _, f := range many.Faults {
		codes = append(codes, f.Code)
	}
	assert.Equal(t, []string{"impossible", "unknown-unit", "unknown-instrument", "from-the-future", "before-the-course"}, codes)
	assert.Equal(t, 1, many.Kept)
	assert.Equal(t, 1, many.Without)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/readings", `{"n":1}`, "Authorization", "Bearer "+v.Token)
	c.problem(http.StatusUnauthorized, "forbidden", "POST", "/api/readings", pack(now, "core", 8), "Authorization", "Bearer nothing")
	c.problem(http.StatusUnauthorized, "forbidden", "POST", "/api/readings", pack(now, "core", 8))
	kept, err := c.store.Readings(t.Context(), v.ID)
	require.NoError(t, err)
	assert.Len(t, kept, 2, "each once")
}

// A thousand readings in a second are all kept, and the course still answers.
func TestAThousandReadingsAreKept(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, _ := onTheHeat(c)
	var records []string
	at := float64(v.Now.UnixMilli()) / 1000
	for i := range 1000 {
		records = append(records, fmt.Sprintf(`{"n":"core","u":"Cel","v":%.2f,"t":%.3f}`, 8+float64(i)/2000, at+float64(i)/1000))
	}
	taken := decode[api.TakenReadings](c, "POST", "/api/readings", "["+strings.Join(records, ",")+"]", "Authorization", "Bearer "+v.Token)
	assert.Equal(t, 1000, taken.Kept)
	assert.Equal(t, 1000, taken.Used+taken.Noted+taken.Late)
	assert.Equal(t, v.Seq, decode[wire.Course](c, "GET", "/api/courses/"+v.ID, "").Seq)
}

// The scale of simulated instruments fills the bowl, and what rests in its range goes in.
func TestSimulatedInstrumentsWeighAndMeasure(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, _ := onTheHeat(c)
	s := c.follow(t, v.ID+"/stream")
	on := decode[wire.Course](c, "POST", "/api/courses/"+v.ID+"/instruments", `{"on":true,"speed":20}`)
	assert.True(t, on.Simulated)
	assert.Equal(t, 20., on.Speed)
	weighed := s.course(func(v *wire.Course) bool {
		return slices.ContainsFunc(v.Dish[0].Steps, func(s wire.CourseStep) bool {
			return len(s.Weigh) > 0 && s.Weigh[0].In != nil && s.Weigh[0].How == "scale"
		})
	})
	assert.NotNil(t, weighed.Scale)
	hot := s.course(func(v *wire.Course) bool { return v.Dish[0].Heat != nil && v.Dish[0].Heat.Core > 20 })
	assert.NotEmpty(t, hot.Dish[0].Heat.History)
	off := decode[wire.Course](c, "POST", "/api/courses/"+v.ID+"/instruments", `{"on":false,"speed":1}`)
	assert.False(t, off.Simulated)
}

// Instruments that run elsewhere, as the command's, know of a course what its token lets them.
func TestInstrumentsMeasureFromElsewhere(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, _ := onTheHeat(c)
	ctx, stop := context.WithTimeout(t.Context(), 1500*time.Millisecond)
	defer stop()
	require.NoError(t, device.Run(ctx, &device.Remote{Client: http.DefaultClient, URL: c.url, Token: v.Token}, device.Options{Seed: 2, Scale: true, Probes: true, Every: 100 * time.Millisecond}))
	kept, err := c.store.Readings(t.Context(), v.ID)
	require.NoError(t, err)
	assert.NotEmpty(t, kept)
	assert.NotNil(t, decode[wire.Course](c, "GET", "/api/courses/"+v.ID, "").Scale)
	err = device.Run(t.Context(), &device.Remote{Client: http.DefaultClient, URL: "http://127.0.0.1:1", Token: "x"}, device.Options{Every: time.Millisecond, GiveUp: 50 * time.Millisecond})
	assert.Error(t, err, "nobody there")
}

func TestHowItCameOutIsATry(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, cook := onTheHeat(c)
	set := stepOf(c, &v, "set")
	act(c, v.ID, fmt.Sprintf(`{"id":"off","kind":"done","dish":0,"step":%d}`, cook), fmt.Sprintf(`{"id":"s","kind":"done","dish":0,"step":%d}`, set),
		`{"id":"f","kind":"found","dish":0,"found":{"hold":"held","bite":"right","note":"more leek"}}`)
	ofCourse := func() (out []store.Try) {
		all, err := c.store.Tries(t.Context(), c.kitchen, 100)
		require.NoError(t, err)
		for _, one := range all {
			if one.Course == v.ID {
				out = append(out, one)
			}
		}
		return out
	}
	tries := ofCourse()
	require.Len(t, tries, 1)
	assert.Contains(t, string(tries[0].Found), "more leek")
	assert.Contains(t, string(tries[0].Found), "off_at_minutes")
	assert.NotEmpty(t, tries[0].Build)
	act(c, v.ID, `{"id":"f2","kind":"found","dish":0,"found":{"hold":"some-broke"}}`)
	tries = ofCourse()
	require.Len(t, tries, 1, "said again is said better")
	assert.Contains(t, string(tries[0].Found), "some-broke")
	assert.False(t, tries[0].LeftOut, "a cooking of one's own teaches")
}

// Two cooks say how one dish came out: both are kept, the try says the worse of what held, and each sees
// what the other said.
func TestTwoCooksSayHowItCameOut(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, cook := onTheHeat(c)
	said := act(c, v.ID, fmt.Sprintf(`{"id":"off","kind":"done","dish":0,"step":%d}`, cook),
		`{"id":"a","device":"phone","kind":"found","dish":0,"found":{"hold":"held","bite":"right","note":"more leek"}}`,
		`{"id":"b","device":"tablet","kind":"found","dish":0,"found":{"hold":"some-broke","bite":"dry","note":"mine cracked"}}`).Course
	require.Len(t, said.Dish[0].Found, 2)
	assert.Equal(t, []string{"more leek", "mine cracked"}, []string{said.Dish[0].Found[0].Note, said.Dish[0].Found[1].Note})
	all, err := c.store.Tries(t.Context(), c.kitchen, 100)
	require.NoError(t, err)
	i := slices.IndexFunc(all, func(one store.Try) bool { return one.Course == v.ID })
	require.GreaterOrEqual(t, i, 0)
	for _, kept := range []string{"some-broke", "more leek", "mine cracked"} {
		assert.Contains(t, string(all[i].Found), kept)
	}
}

// What simulated instruments measured teaches nothing, and says why, until a cook lets it.
func TestASimulatedCookingTeachesNothing(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, cook := onTheHeat(c)
	s := c.follow(t, v.ID+"/stream")
	decode[wire.Course](c, "POST", "/api/courses/"+v.ID+"/instruments", `{"on":true,"speed":20}`)
	s.course(func(v *wire.Course) bool { return v.Dish[0].Heat != nil && v.Dish[0].Heat.Core > 20 })
	decode[wire.Course](c, "POST", "/api/courses/"+v.ID+"/instruments", `{"on":false,"speed":1}`)
	act(c, v.ID, fmt.Sprintf(`{"id":"off","kind":"done","dish":0,"step":%d}`, cook), `{"id":"f","kind":"found","dish":0,"found":{"hold":"held"}}`)
	all, err := c.store.Tries(t.Context(), c.kitchen, 100)
	require.NoError(t, err)
	i := slices.IndexFunc(all, func(one store.Try) bool { return one.Course == v.ID })
	require.GreaterOrEqual(t, i, 0)
	assert.True(t, all[i].LeftOut)
	assert.Regexp(t, `"unsure": ?"(simulated|hurried)"`, string(all[i].Found))
}
