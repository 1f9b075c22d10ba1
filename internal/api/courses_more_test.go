package api_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
	"cuerda/internal/wire"
)

// tasks are what there is to do, in words.
func tasks(v *wire.Course) (out []string) {
	for _, t := range v.Tasks {
		out = append(out, t.Do+" "+v.Dish[t.Dish].Steps[t.Step].Name)
	}
	return out
}

// A supper is cooked as it was planned: its hour stands where there is time, and moves to the first at
// which it can be where there is none.
func TestASupperIsCookedInItsTimeOrAsSoonAsItCanBe(t *testing.T) {
	t.Parallel()
	c := start(t)
	supper := func(table time.Time) string {
		kept := decode[api.KeptSupper](c, "POST", "/api/suppers", fmt.Sprintf(`{"format":"cuerda-supper/1","name":"Small","table":%q,"dishes":[{"name":"Balls","build":%s},
			{"name":"Roots","steps":[{"name":"cut","minutes":10,"hands":1},{"name":"roast","minutes":30,"oven":{"celsius":200},"after":[{"step":"cut"}]}]}]}`, table.Format(time.RFC3339), bakedBalls))
		return kept.ID
	}
	begin := func(body string) wire.Course {
		return decode[wire.Course](c, "POST", "/api/courses", body)
	}
	inTime := time.Now().Add(4 * time.Hour).Truncate(time.Minute)
	v := begin(fmt.Sprintf(`{"supper":%q}`, supper(inTime)))
	assert.True(t, v.Table.Equal(inTime))
	assert.Len(t, v.Dish, 2)
	assert.InDelta(t, 0, v.Late, 1)
	require.Len(t, v.Heats, 1, "one oven at one heat")
	assert.Contains(t, tasks(&v), "heat roast")

	for _, table := range []time.Time{time.Now().Add(10 * time.Minute), time.Now().Add(-50 * time.Hour)} {
		v = begin(fmt.Sprintf(`{"supper":%q}`, supper(table)))
		assert.True(t, v.Table.After(time.Now().Add(30*time.Minute)), "%v", v.Table)
		assert.True(t, v.Table.Before(time.Now().Add(3*time.Hour)), "%v", v.Table)
		assert.InDelta(t, 0, v.Late, 1)
	}
	later := time.Now().Add(20 * time.Hour).Truncate(time.Minute)
	v = begin(fmt.Sprintf(`{"supper":%q,"table":%q}`, supper(inTime), later.Format(time.RFC3339)))
	assert.True(t, v.Table.Equal(later))
	c.problem(http.StatusNotFound, "not-found", "POST", "/api/courses", `{"supper":"3f0e7a52-0000-4000-8000-000000000000"}`)
	both := fmt.Sprintf(`{"supper":%q,"build":%q}`, supper(inTime), supper(inTime))
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/courses", both)
}

// The oven is told of before what waits for it, once, and by nobody who has it on.
func TestTheOvenIsTurnedOnOnce(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	at := func(v *wire.Course) int {
		return slices.IndexFunc(v.Tasks, func(t wire.CourseTask) bool { return t.Do == "heat" })
	}
	i := at(&v)
	require.GreaterOrEqual(t, i, 0)
	cook := stepOf(c, &v, "cook")
	assert.False(t, v.Tasks[i].At.Before(v.Start), "a cooking of now begins with no alarm of what should have been done before it")
	assert.WithinDuration(t, v.Dish[0].Steps[cook].Begin, v.Tasks[i].At.Add(time.Duration(v.Heats[0].Minutes)*time.Minute), time.Minute)
	v = act(c, v.ID, `{"id":"on","kind":"heated","step":0}`).Course
	assert.Negative(t, at(&v))
	assert.NotNil(t, v.Heats[0].On)
	assert.Equal(t, "unknown-step", act(c, v.ID, `{"id":"other","kind":"heated","step":9}`).Outcomes[0].Refused)

	v = beginCourse(c)
	v = act(c, v.ID, fmt.Sprintf(`{"id":"in","kind":"begun","step":%d}`, cook)).Course
	assert.Negative(t, at(&v), "what is in the oven has it on")
}

// What an amount would do is told before it is taken, and changes nothing.
func TestAnAmountIsLookedAtBeforeItIsTaken(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	mix := stepOf(c, &v, "mix")
	look := func(grams int) wire.CourseBowl {
		return decode[wire.CourseBowl](c, "POST", "/api/courses/"+v.ID+"/past", fmt.Sprintf(`{"id":"p","kind":"weighed","step":%d,"line":2,"grams":%d}`, mix, grams))
	}
	as, more := look(45), look(260)
	assert.False(t, as.Off)
	require.True(t, more.Off)
	assert.Less(t, *more.Q, *as.Q)
	require.NotNil(t, more.Mend)
	assert.Equal(t, "too-dry", more.Mend.Verdict)
	assert.NotEmpty(t, more.Labels[more.Mend.Additions[0].Food])
	assert.Zero(t, decode[wire.Course](c, "GET", "/api/courses/"+v.ID, "").Seq)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/courses/"+v.ID+"/past", `{"id":"p","kind":"weighed","dish":8}`)
}

// An alarm that one device silences is silent for all, and no other with it.
func TestAnAlarmIsSilencedForAll(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	saute := stepOf(c, &v, "saute")
	v = act(c, v.ID, fmt.Sprintf(`{"id":"on","kind":"begun","step":%d}`, saute), `{"id":"rice","kind":"timer","name":"Rice","minutes":9}`).Course
	off := slices.IndexFunc(v.Tasks, func(t wire.CourseTask) bool { return t.Do == "off" })
	require.GreaterOrEqual(t, off, 0)
	assert.True(t, v.Tasks[off].Urgent)
	v = act(c, v.ID, fmt.Sprintf(`{"id":"hush","kind":"silenced","name":%q}`, v.Tasks[off].Name)).Course
	for _, task := range v.Tasks {
		assert.Equal(t, task.Do == "off", task.Silenced, task.Name)
	}
	assert.Contains(t, tasks(&v), "off saute", "it is still to be done")
}

// The stream speaks the language that its page says, for no page sets a stream's headers.
func TestAStreamSpeaksTheLanguageOfItsPage(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	label := func(query string) string {
		got := c.follow(t, v.ID+"/stream"+query).course(func(*wire.Course) bool { return true })
		return got.Dish[0].Steps[stepOf(c, &got, "saute")].Weigh[0].Label
	}
	assert.Equal(t, "Leek, sliced", label("?language=en"))
	assert.Equal(t, "Puerro, en rodajas", label("?language=es"))
}

func TestPhotosAreKeptWithoutWhatCamerasWrite(t *testing.T) {
	t.Parallel()
	c := start(t)
	var picture bytes.Buffer
	require.NoError(t, png.Encode(&picture, image.NewGray(image.Rect(0, 0, 3000, 1500))))
	got, text := c.do("POST", "/api/photos", picture.String(), "Content-Type", "image/png")
	require.Equal(t, http.StatusOK, got.StatusCode, string(text))
	var kept api.KeptPhoto
	require.NoError(t, json.Unmarshal(text, &kept))
	assert.Equal(t, []int{2000, 1000}, []int{kept.Width, kept.Height})
	got, text = c.do("GET", "/api/photos/"+kept.ID, "")
	assert.Equal(t, "image/jpeg", got.Header.Get("Content-Type"))
	assert.Equal(t, "\xff\xd8", string(text[:2]))
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/photos", "no picture", "Content-Type", "image/jpeg")
	c.problem(http.StatusRequestEntityTooLarge, "too-large", "POST", "/api/photos", strings.Repeat("x", 17<<20), "Content-Type", "image/jpeg")
	c.problem(http.StatusNotFound, "not-found", "GET", "/api/photos/3f0e7a52-0000-4000-8000-000000000000", "")
}

// What became of readings is counted, for whoever looks from outside.
func TestReadingsAreCounted(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, _ := onTheHeat(c)
	send := func(body, token string) {
		c.do("POST", "/api/readings", body, "Authorization", "Bearer "+token)
	}
	now := v.Now.Add(time.Second)
	send(pack(now, "core", 9), v.Token)
	send(pack(now, "core", 9), v.Token)
	send(pack(now, "core", 900), v.Token)
	send("{", v.Token)
	send(pack(now, "core", 9), "wrong")
	told := c.metrics()
	for outcome, n := range map[string]int{"used": 1, "doubled": 1, "impossible": 1, "malformed": 1, "refused": 1} {
		assert.Contains(t, told, fmt.Sprintf(`cuerda_readings_total{outcome=%q} %d`, outcome, n))
	}
}

// A token is told to who made it, ends with its cooking, and cannot be guessed: whoever shows wrong ones is slowed, and the
// instruments beside them are not.
func TestTokensOfInstruments(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	require.NotEmpty(t, v.Token)
	assert.Empty(t, decode[wire.Course](c, "GET", "/api/courses/"+v.ID, "").Token)
	other := decode[api.InstrumentToken](c, "POST", "/api/courses/"+v.ID+"/tokens", "").Token
	measure := func(token string) int {
		answer, _ := c.do("GET", "/api/readings", "", "Authorization", "Bearer "+token)
		return answer.StatusCode
	}
	assert.Equal(t, []int{200, 200}, []int{measure(v.Token), measure(other)})
	statuses := map[int]int{}
	for i := range 200 {
		statuses[measure(fmt.Sprint("guess ", i))]++
	}
	assert.Greater(t, statuses[http.StatusTooManyRequests], 150)
	assert.Less(t, statuses[http.StatusUnauthorized], 50)
	assert.Equal(t, 200, measure(other), "who was right before is let in")
	act(c, v.ID, `{"id":"over","kind":"ended"}`)
	slowed := false
	for i := 0; i < 100 && !slowed; i++ { // a guess is let through again for each moment that went by
		slowed = measure(fmt.Sprint("another guess ", i)) == http.StatusTooManyRequests
	}
	assert.True(t, slowed, "guesses stay slowed")
	assert.Equal(t, http.StatusUnauthorized, measure(v.Token), "it ended with its cooking")
	c.problem(http.StatusGone, "deleted", "POST", "/api/courses/"+v.ID+"/tokens", "")
}
