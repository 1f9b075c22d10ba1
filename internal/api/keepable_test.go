package api_test

import (
	"fmt"
	"log/slog"
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/wire"
)

// What cannot be kept is refused with where it stands, never with an error of the server's.
func TestWhatCannotBeKeptIsRefusedWithItsPlace(t *testing.T) {
	t.Parallel()
	c := start(t)
	b, _ := c.build("POST", "/api/builds", peas)
	for name, x := range map[string]struct{ method, path, body, pointer string }{
		"a table beyond all years": {"POST", "/api/courses", fmt.Sprintf(`{"build":%q,"table":"9999-12-31T19:00:00Z"}`, b.ID), "/table"},
		"a try of before anyone":   {"POST", "/api/tries", fmt.Sprintf(`{"build":%q,"version":1,"cooked_at":"1066-10-14T18:00:00Z","found":{"hold":"held"}}`, b.ID), "/cooked_at"},
		"a huge version":           {"POST", "/api/tries", fmt.Sprintf(`{"build":%q,"version":99999999999,"found":{"hold":"held"}}`, b.ID), "/version"},
		"a photo's name":           {"POST", "/api/tries", fmt.Sprintf(`{"build":%q,"version":1,"found":{"hold":"held","photos":[%q]}}`, b.ID, strings.Repeat("x", 65)), "/found/photos"},
		"no character in a name":   {"POST", "/api/suppers", `{"format":"cuerda-supper/1","name":"a\u0000b","table":"2026-12-01T19:00:00Z","dishes":[]}`, "/name"},
		"nor deep within":          {"POST", "/api/suppers", `{"format":"cuerda-supper/1","table":"2026-12-01T19:00:00Z","dishes":[{"name":"Roots","steps":[{"name":"ro\u0000ast","minutes":9}]}]}`, "/dishes/0/steps/0/name"},
		"a name without end":       {"POST", "/api/suppers", `{"format":"cuerda-supper/1","name":"` + strings.Repeat("n", 201) + `","table":"2026-12-01T19:00:00Z","dishes":[]}`, "/name"},
		"a person":                 {"POST", "/api/practice/people", `{"name":"M\u0000a"}`, "/name"},
	} {
		answer, text := c.do(x.method, x.path, x.body)
		assert.Equal(t, http.StatusUnprocessableEntity, answer.StatusCode, "%s: %s", name, text)
		assert.Contains(t, string(text), `"pointer":"`+x.pointer+`"`, name)
	}
	// A try of 1950 is one.
	kept := decode[api.KeptTry](c, "POST", "/api/tries", fmt.Sprintf(`{"build":%q,"version":1,"cooked_at":"1950-03-01T18:00:00Z","found":{"hold":"held"}}`, b.ID))
	assert.Equal(t, 1950, kept.CookedAt.Year())
	_, zip := c.do("GET", "/api/archive", "")
	_, err := archivetest.Read(zip, food.Starter())
	require.NoError(t, err, "and its archive can be taken in")
}

// One event of a queue that is refused, or that is none, does not take its neighbours along.
func TestARefusedEventTakesOnlyItself(t *testing.T) {
	t.Parallel()
	c := start(t)
	v := beginCourse(c)
	timer := func(id string) string { return fmt.Sprintf(`{"id":%q,"kind":"timer","name":"Peas","minutes":3}`, id) }
	out := act(c, v.ID, timer("a"), `{"id":"b","kind":"timer","name":"P\u0000","minutes":3}`, timer("c"), `{"id":"d","kind":7}`, `"e"`, timer(strings.Repeat("ñ", 64)), timer(strings.Repeat("ñ", 65)))
	var refused []string
	for _, o := range out.Outcomes {
		refused = append(refused, o.Refused)
	}
	assert.Equal(t, []string{"", "unreadable", "", "unreadable", "unreadable", "", "no-id"}, refused)
	assert.Equal(t, "d", out.Outcomes[3].ID)
	assert.Len(t, out.Course.Timers, 3)
}

// A supper without dishes is a supper, and one row that cannot be read takes no list down: it is shown as what could not be
// read.
func TestOnePoisonedRowTakesNoListDown(t *testing.T) {
	t.Parallel()
	kept, url := pgtest.OpenURL(t)
	kitchen, _, err := kept.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	c := serve(t, &api.Server{Store: kept, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}, kitchen)
	answer, text := c.do("POST", "/api/suppers", `{"format":"cuerda-supper/1","table":"2026-12-01T19:00:00Z"}`)
	require.Equal(t, http.StatusCreated, answer.StatusCode, string(text))
	c.build("POST", "/api/builds", peas)
	b, _ := c.build("POST", "/api/builds", peas)
	tried := decode[api.KeptTry](c, "POST", "/api/tries", wetTry(b.ID, 1))
	decode[wire.Course](c, "POST", "/api/courses", fmt.Sprintf(`{"build":%q}`, b.ID))
	conn := pgtest.Connect(t, url)
	for _, spoil := range []string{
		`update supper set document = document || '{"dishes":null,"table":"soon"}'`,
		`update course set plan = plan || '{"dishes":7,"table":"soon"}'`,
		`insert into build_version (build_id, number, document) values ('` + b.ID + `', 2, '{"lines":7,"name":"N"}')`,
		`update build set version = 2 where id = '` + b.ID + `'`,
		`update try set found = '[]', said = '[1]' where id = '` + tried.ID + `'`,
	} {
		_, err := conn.Exec(t.Context(), spoil)
		require.NoError(t, err, spoil)
	}
	assert.NotEmpty(t, decode[[]api.SupperEntry](c, "GET", "/api/suppers", ""))
	assert.NotEmpty(t, decode[[]api.CourseEntry](c, "GET", "/api/courses", ""))
	builds := decode[[]api.Entry](c, "GET", "/api/builds", "")
	require.Equal(t, b.ID, builds[0].ID)
	assert.True(t, builds[0].Unreadable)
	assert.Equal(t, "Pea patties", builds[0].Name)
	assert.False(t, builds[1].Unreadable)
	odd := 0
	for _, one := range decode[api.TryList](c, "GET", "/api/tries", "").Tries {
		if one.Unreadable {
			odd++
			assert.Equal(t, tried.ID, one.ID)
		}
	}
	assert.Equal(t, 1, odd)
	c.problem(http.StatusUnprocessableEntity, "unreadable", "GET", "/api/builds/"+b.ID, "")
	c.problem(http.StatusUnprocessableEntity, "unreadable", "GET", "/api/tries/"+tried.ID, "")
	_, zip := c.do("GET", "/api/archive", "")
	_, err = archivetest.Read(zip, food.Starter())
	assert.Error(t, err, "what cannot be read is in the archive, and is told of where it is taken in")
}

// What probes read after a cooking was read anew, late or of another server, is in the list of its readings.
func TestReadingsOfAPastTableAreKept(t *testing.T) {
	t.Parallel()
	c := start(t)
	v, _ := onTheHeat(c)
	at := v.Now.Add(time.Second)
	taken := decode[api.TakenReadings](c, "POST", "/api/readings", pack(at, "core", 8), "Authorization", "Bearer "+v.Token, "Content-Type", "application/senml+json")
	assert.Equal(t, 1, taken.Kept)
	got := decode[wire.Course](c, "GET", "/api/courses/"+v.ID, "")
	require.NotNil(t, got.Dish[0])
	all := decode[[]api.CourseMeasured](c, "GET", "/api/courses/"+v.ID+"/readings", "")
	require.Len(t, all, 1)
	assert.Equal(t, 0, all[0].Dish, "its dish was resolved before it was kept")
}
