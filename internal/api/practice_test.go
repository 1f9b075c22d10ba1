package api_test

import (
	"encoding/json"
	"fmt"
	"log/slog"
	"net/http"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/learn/practice"
	"cuerda/internal/api"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/postgres/pgtest"
)

// fresh is a kitchen in which nobody has practised and nothing was cooked.
func fresh(t *testing.T, foods *food.Catalogue) *client {
	t.Helper()
	s := pgtest.Open(t)
	kitchen, _, err := s.MadeUp(t.Context(), "Galley")
	require.NoError(t, err)
	return serve(t, &api.Server{Store: s, Foods: foods, Log: slog.New(slog.DiscardHandler)}, kitchen)
}

// right is a call that is right by what the drill says of itself, as a page without a connection marks it.
func right(s *api.PracticeSitting, number int) string {
	d := &s.Drills[number]
	said := map[string]any{"id": fmt.Sprintf("c%d", number), "number": number, "sure": .8, "choice": d.Answer}
	switch d.Kind {
	case practice.Squeeze:
		said["index"] = (d.RightFrom + d.RightTo) / 2
	case practice.Done:
		said["minutes"] = d.Heat.Minutes
	case practice.Mend:
		for i, is := range d.Options[d.Answer].Right {
			if is {
				said["grams"] = float64(i) * practice.StepGrams
				break
			}
		}
	}
	text, _ := json.Marshal(said)
	return string(text)
}

// A sitting is begun, called to its end by what the page itself knows, and remembered.
func TestASittingIsPractised(t *testing.T) {
	t.Parallel()
	c := fresh(t, food.Starter())
	page := decode[api.PracticePage](c, "GET", "/api/practice", "")
	assert.Empty(t, page.Person)
	assert.Empty(t, page.People)
	assert.Zero(t, page.Eye.Calls)
	s := decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{}`)
	require.Len(t, s.Drills, practice.Sitting)
	for i := range s.Drills {
		d := &s.Drills[i]
		assert.NotNil(t, d.Shown, "%s", d.Kind)
		assert.NotEmpty(t, d.Lesson.Water)
		m := decode[api.PracticeMarked](c, "POST", "/api/practice/sittings/"+s.ID+"/calls", right(&s, i))
		assert.True(t, m.Call.Right, "%s %+v", d.Kind, m.Call)
		assert.False(t, m.Elsewhere)
		assert.Equal(t, i == practice.Sitting-1, m.Enough)
		assert.Equal(t, i+1, m.Eye.Calls)
		if i == 4 {
			again := decode[api.PracticePage](c, "GET", "/api/practice?person="+s.Person, "")
			require.NotNil(t, again.Sitting, "it goes on where it was left")
			assert.Equal(t, s.Drills, again.Sitting.Drills)
			assert.Len(t, again.Sitting.Calls, 5)
		}
	}
	page = decode[api.PracticePage](c, "GET", "/api/practice", "")
	assert.Nil(t, page.Sitting, "it is over")
	assert.Equal(t, s.Person, page.Person)
	assert.Equal(t, practice.Sitting, page.Eye.Right)
	require.Len(t, page.People, 1)
	assert.Empty(t, page.People[0].Name)

	only := decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{"kind":"squeeze"}`)
	for _, d := range only.Drills {
		assert.Equal(t, practice.Squeeze, d.Kind)
	}
	c.do("POST", "/api/practice/sittings/"+only.ID+"/end", "")
	assert.Nil(t, decode[api.PracticePage](c, "GET", "/api/practice", "").Sitting)
}

// Two windows that answer one drill: the first call counts, the same one sent again is the same, the other is told.
func TestTwoWindowsAnswerOneDrill(t *testing.T) {
	t.Parallel()
	c := fresh(t, food.Starter())
	s := decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{"kind":"squeeze"}`)
	path := "/api/practice/sittings/" + s.ID + "/calls"
	first := decode[api.PracticeMarked](c, "POST", path, `{"id":"a","number":0,"index":0.4,"sure":0.9}`)
	again := decode[api.PracticeMarked](c, "POST", path, `{"id":"a","number":0,"index":0.4,"sure":0.9}`)
	other := decode[api.PracticeMarked](c, "POST", path, `{"id":"b","number":0,"index":0.9,"sure":0.1}`)
	assert.Equal(t, first.Call, again.Call)
	assert.False(t, again.Elsewhere)
	assert.Equal(t, first.Call, other.Call)
	assert.True(t, other.Elsewhere)
	assert.Equal(t, 1, other.Eye.Calls)

	// At the very same moment, too.
	var wait sync.WaitGroup
	var mu sync.Mutex
	elsewhere := 0
	for i := range 8 {
		wait.Go(func() {
			m := decode[api.PracticeMarked](c, "POST", path, fmt.Sprintf(`{"id":"w%d","number":1,"index":0.4,"sure":0.5}`, i))
			mu.Lock()
			defer mu.Unlock()
			if m.Elsewhere {
				elsewhere++
			}
		})
	}
	wait.Wait()
	assert.Equal(t, 7, elsewhere)
	assert.Equal(t, 2, decode[api.PracticePage](c, "GET", "/api/practice", "").Eye.Calls)

	// Another window begins anew: what was called stays, what is called late is told that it is over.
	decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{}`)
	c.problem(http.StatusConflict, "sitting-over", "POST", path, `{"id":"late","number":5,"index":0.4,"sure":0.5}`)
	late := decode[api.PracticeMarked](c, "POST", path, `{"id":"a","number":0,"index":0.4,"sure":0.9}`)
	assert.Equal(t, first.Call, late.Call)
}

// What is no answer, no sitting, no person and no kitchen with foods is said, and nothing breaks.
func TestPracticeOfNothing(t *testing.T) {
	t.Parallel()
	c := fresh(t, food.Starter())
	s := decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{"kind":"pair"}`)
	path := "/api/practice/sittings/" + s.ID + "/calls"
	c.problem(http.StatusUnprocessableEntity, "no-answer", "POST", path, `{"id":"a","number":0,"choice":7,"sure":0.5}`)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", path, `{"id":"a","number":0,"choice":0,"sure":1.5}`)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", path, `{"id":"","number":0,"sure":1}`)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", path, `{"id":"a","number":10,"sure":1}`)
	missing := "/api/practice/sittings/00000000-0000-4000-8000-000000000000"
	c.problem(http.StatusNotFound, "not-found", "POST", missing+"/calls", `{"id":"a","number":0,"sure":0.5}`)
	c.problem(http.StatusNotFound, "not-found", "POST", missing+"/end", "")
	c.problem(http.StatusNotFound, "not-found", "GET", "/api/practice?person=nobody", "")
	c.problem(http.StatusNotFound, "not-found", "POST", "/api/practice/sittings", `{"person":"00000000-0000-4000-8000-000000000000"}`)
	c.problem(http.StatusNotFound, "not-found", "POST", "/api/practice/sittings", `{"try":"00000000-0000-4000-8000-000000000000"}`)
	bare := fresh(t, &food.Catalogue{})
	bare.problem(http.StatusUnprocessableEntity, "no-drills", "POST", "/api/practice/sittings", `{}`)
	assert.Nil(t, decode[api.PracticePage](bare, "GET", "/api/practice", "").Sitting)
}

// Practice belongs to a person: each has their own, is named, put away and brought back with all of it.
func TestPeopleHaveTheirOwnPractice(t *testing.T) {
	t.Parallel()
	c := fresh(t, food.Starter())
	s := decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{}`)
	decode[api.PracticeMarked](c, "POST", "/api/practice/sittings/"+s.ID+"/calls", right(&s, 0))
	bow := decode[api.PracticePerson](c, "POST", "/api/practice/people", `{"name":" Bow "}`)
	assert.Equal(t, "Bow", bow.Name)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/practice/people", `{"name":"`+strings.Repeat("x", 61)+`"}`)
	assert.Zero(t, decode[api.PracticePage](c, "GET", "/api/practice?person="+bow.ID, "").Eye.Calls)
	c.do("PUT", "/api/practice/people/"+s.Person, `{"name":"Stroke","gone":true}`)
	page := decode[api.PracticePage](c, "GET", "/api/practice", "")
	require.Len(t, page.People, 1)
	assert.Equal(t, bow.ID, page.Person)
	c.do("PUT", "/api/practice/people/"+s.Person, `{"name":"Stroke"}`)
	back := decode[api.PracticePage](c, "GET", "/api/practice?person="+s.Person, "")
	assert.Equal(t, 1, back.Eye.Calls)
	assert.NotNil(t, back.Sitting)
	assert.Len(t, back.People, 2)
	for i := range 38 {
		decode[api.PracticePerson](c, "POST", "/api/practice/people", fmt.Sprintf(`{"name":"%d"}`, i))
	}
	c.problem(http.StatusConflict, "too-many", "POST", "/api/practice/people", `{"name":"one more"}`)
}

// The demonstration's coxswain has three weeks of calls, whose bias is seen: as calls wet mixes too firm.
func TestTheCoxswainsEye(t *testing.T) {
	t.Parallel()
	c := start(t)
	page := decode[api.PracticePage](c, "GET", "/api/practice", "")
	e := page.Eye
	assert.Equal(t, 70, e.Calls)
	require.Len(t, page.People, 1)
	assert.True(t, e.Wet.Told)
	assert.Less(t, e.Wet.Off, -.25)
	assert.Contains(t, e.Mislead, practice.RawWater)
	require.GreaterOrEqual(t, len(e.Trail), 6)
	assert.Less(t, e.Trail[len(e.Trail)-1].Off, e.Trail[0].Off, "it got better")
	days := time.Since(*e.Since).Hours() / 24
	assert.InDelta(t, 21, days, 1.5)

	// Its own tries come first, and one try can be practised on.
	s := decode[api.PracticeSitting](c, "POST", "/api/practice/sittings", `{"person":"`+page.Person+`"}`)
	assert.NotEmpty(t, s.Drills[0].Try)
	assert.NotNil(t, s.Drills[0].TriedAt)
	asked := 0
	for _, e := range decode[api.TryList](c, "GET", "/api/tries?limit=500&kind=try&outcome=broke", "").Tries {
		answer, text := c.do("POST", "/api/practice/sittings", `{"try":"`+e.ID+`"}`)
		if answer.StatusCode == http.StatusUnprocessableEntity {
			assert.Contains(t, string(text), "nothing-to-ask")
			continue
		}
		var one api.PracticeSitting
		require.NoError(t, json.Unmarshal(text, &one))
		for _, d := range one.Drills {
			assert.Equal(t, e.ID, d.Try)
			asked++
		}
	}
	assert.Greater(t, asked, 20)
}

// Practice goes out and comes in: with the archive of the kitchen, and as a table; taken in again nothing doubles.
func TestPracticeGoesOutAndIn(t *testing.T) {
	t.Parallel()
	c := start(t)
	was := decode[api.PracticePage](c, "GET", "/api/practice", "")
	_, zip := c.do("GET", "/api/archive", "")
	k, err := archivetest.Read(zip, food.Starter())
	require.NoError(t, err)
	require.Len(t, k.Practised, 1)
	assert.Len(t, k.Practised[0].Calls, 70)
	_, table := c.do("GET", "/api/practice/calls.csv", "")
	assert.Equal(t, 71, strings.Count(string(table), "\n"))

	other := fresh(t, food.Starter())
	csv := func(text string) api.PracticeImported {
		return decode[api.PracticeImported](other, "POST", "/api/practice/calls.csv", text, "Content-Type", "text/csv")
	}
	assert.Equal(t, 70, csv(string(table)).Calls)
	assert.Zero(t, csv(string(table)).Calls)
	is := decode[api.PracticePage](other, "GET", "/api/practice", "")
	assert.Equal(t, was.People[0].Name, is.People[0].Name)
	assert.InDelta(t, was.Eye.Wet.Off, is.Eye.Wet.Off, 1e-9)
	assert.Equal(t, was.Eye.Trail, is.Eye.Trail)
	for _, bad := range []string{
		" ", "id,at\n1,2\n", strings.Replace(string(table), ",true", ",perhaps", 1), strings.Replace(string(table), "raw-water", "moonlight", 1),
		"id,at,person,kind,skill,off_words,off_minutes,sure,right,wet\na,2026-01-01T00:00:00Z,,squeeze,plain,NaN,0,0.5,true,true\n",
		"id,at,person,kind,skill,off_words,off_minutes,sure,right,wet\na,yesterday,,squeeze,plain,0,0,0.5,true,true\n",
		"id,at,person,kind,skill,off_words,off_minutes,sure,right,wet\na,2026-01-01T00:00:00Z,,squeeze,plain,0,0,5,true,true\n",
	} {
		other.problem(http.StatusUnprocessableEntity, "bad-practice", "POST", "/api/practice/calls.csv", bad, "Content-Type", "text/csv")
	}
	third := fresh(t, food.Starter())
	answer, text := third.do("POST", "/api/archive", string(zip), "Content-Type", "application/zip")
	require.Equal(t, http.StatusOK, answer.StatusCode, string(text))
	assert.Contains(t, string(text), `"calls":70`)
	assert.InDelta(t, was.Eye.Wet.Off, decode[api.PracticePage](third, "GET", "/api/practice", "").Eye.Wet.Off, 1e-9)
}

// A handful goes with a prediction: what is in it, and signs that go with its word.
func TestAPredictionHasItsHandful(t *testing.T) {
	t.Parallel()
	c := fresh(t, food.Starter())
	wet := decode[api.Predicted](c, "POST", "/api/predict", buildText("Wet", `{"food":"black-beans-canned","grams":300},{"food":"carrot","grams":120},{"food":"oat-flour","grams":10},{"food":"water","grams":60}`))
	require.NotNil(t, wet.Handful)
	assert.NotEmpty(t, wet.Handful.Bits)
	assert.Contains(t, wet.Handful.Show, wet.Handful.Tells[0])
	assert.LessOrEqual(t, wet.Handful.Index, *wet.Q+1e-3, "a hand never feels it wetter")
	none := decode[api.Predicted](c, "POST", "/api/predict", buildText("Oil", `{"food":"olive-oil","grams":30}`))
	assert.Nil(t, none.Handful)
}
