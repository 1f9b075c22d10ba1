package archive_test

import (
	"bytes"
	"encoding/json"
	"image"
	"image/jpeg"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/photos"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

const balls = `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"millet-flakes","grams":45}],` +
	`"piece":{"kind":"ball","diameter_mm":40},"cook":{"method":"still-oven","celsius":200}}`

var began = time.Date(2026, 11, 25, 18, 0, 0, 0, time.UTC)

// cooked is a course that was cooked to its end, with readings, a try and a photo of it.
func cooked(t *testing.T, s *store.Store, k string) *store.Course {
	t.Helper()
	d := &supper.Supper{Format: supper.Format, Name: "Balls", Table: began.Add(2 * time.Hour), Aim: "latest-start", Dishes: []supper.SupperDish{{Name: "Balls", Build: json.RawMessage(balls)}}}
	planned, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	c, err := s.CreateCourse(t.Context(), k, cooking.Of(d, planned, kitchen.Usual()), began, began)
	require.NoError(t, err)
	var picture bytes.Buffer
	require.NoError(t, jpeg.Encode(&picture, image.NewGray(image.Rect(0, 0, 40, 30)), nil))
	made, err := photos.Read(t.Context(), picture.Bytes())
	require.NoError(t, err)
	p := &store.Photo{MediaType: made.MediaType, Width: made.Width, Height: made.Height, Data: made.Data}
	require.NoError(t, s.KeepPhoto(t.Context(), k, p))
	_, err = s.AddEvents(t.Context(), c.ID, store.Whatever, began, []cooking.Event{
		{ID: "mixed", At: began, Kind: cooking.Done},
		{ID: "found", At: began.Add(time.Hour), Kind: cooking.Found, Found: &cooking.Findings{Hold: "held", Photo: p.ID}},
	})
	require.NoError(t, err)
	_, _, err = s.AddReadings(t.Context(), map[string][]store.CourseReading{c.ID: {{Source: "p:core", Place: "core", Dish: -1, At: began, Celsius: 20.25}}})
	require.NoError(t, err)
	require.NoError(t, s.KeepTry(t.Context(), k, &store.Try{Course: c.ID, CookedAt: began.Add(time.Hour), Document: []byte(balls), Found: []byte(`{"hold":"held","photo":"` + p.ID + `"}`)}))
	return c
}

// written is the archive of a kitchen's courses.
func written(t *testing.T, s *store.Store, k string) []byte {
	t.Helper()
	var out bytes.Buffer
	w, err := archive.NewWriter(&out, archive.Kitchen{Name: "Boathouse", Settings: kitchen.UsualSettings()})
	require.NoError(t, err)
	require.NoError(t, s.KeptCourses(t.Context(), k, w.AddCourse))
	require.NoError(t, w.Close())
	return out.Bytes()
}

func TestACourseGoesIntoAnotherKitchenWhole(t *testing.T) {
	t.Parallel()
	from, to := pgtest.Open(t), pgtest.Open(t)
	k, _, err := from.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	c := cooked(t, from, k)
	there, _, err := to.MadeUp(t.Context(), "Elsewhere")
	require.NoError(t, err)
	zip := written(t, from, k)
	assert.NotContains(t, string(zip), c.Token)
	take := func() store.TakenIn {
		taken, err := archivetest.Taken(zip, foods)
		require.NoError(t, err)
		out, err := to.TakeIn(t.Context(), there, taken)
		require.NoError(t, err)
		return out
	}
	assert.Equal(t, 1, take().Courses)
	assert.Zero(t, take().Courses, "taken in again it changes nothing")
	assert.Equal(t, zip, written(t, to, there), "to the byte, its photo too")
	_, events, err := to.FindCourse(t.Context(), there, c.ID)
	require.NoError(t, err)
	_, _, err = to.CourseOf(t.Context(), c.Token)
	assert.ErrorIs(t, err, store.ErrNotFound, "instruments are not this kitchen's")
	assert.Len(t, events, 2)
	tries, err := to.Tries(t.Context(), there, 10)
	require.NoError(t, err)
	assert.Len(t, tries, 1)

	// One that went on since gets what it has not.
	_, err = from.AddEvents(t.Context(), c.ID, store.Whatever, began, []cooking.Event{{ID: "rice", At: began, Kind: cooking.TimerSet, Name: "Rice", Minutes: 9}})
	require.NoError(t, err)
	zip = written(t, from, k)
	take()
	_, events, _ = to.FindCourse(t.Context(), there, c.ID)
	assert.Len(t, events, 3)
}

func TestCoursesThatMakeNoSenseAreRefused(t *testing.T) {
	t.Parallel()
	s := pgtest.Open(t)
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	c := cooked(t, s, k)
	read, err := archivetest.Read(written(t, s, k), foods)
	require.NoError(t, err)
	require.Len(t, read.Courses, 1)
	settings, err := json.Marshal(kitchen.UsualSettings())
	require.NoError(t, err)
	good := `{"format":"cuerda-kitchen/1","name":"K","settings":` + string(settings) + `,"pantry":[]}`
	plan, err := json.Marshal(&c.Plan)
	require.NoError(t, err)
	whole := `{"format":"cuerda-kept-course/1","id":"` + c.ID + `","created_at":"2026-01-01T00:00:00Z","start_at":"2026-01-01T00:00:00Z","began_at":"2026-01-01T00:00:00Z","plan":` + string(plan) +
		`,"events":[{"received_at":"2026-01-01T00:00:00Z","event":{"id":"a","at":"2026-01-01T00:00:00Z","kind":"done"}}],"readings":[{"source":"p","place":"core","dish":0,"at":"2026-01-01T00:00:00Z","celsius":20}],"tries":[]}`
	_, err = archivetest.Read(zipOf(t, "kitchen.json", good, "courses/1.json", whole), foods)
	require.NoError(t, err)
	for name, spoil := range map[string][2]string{
		"no ID":         {c.ID, "elsewhere"},
		"no time":       {`"start_at":"2026`, `"start_at":"0001`},
		"unknown kind":  {`"kind":"done"`, `"kind":"flown"`},
		"no such dish":  {`"kind":"done"`, `"kind":"done","dish":7`},
		"unknown food":  {"millet-flakes", "moonbeams"},
		"a hot reading": {`"celsius":20}`, `"celsius":9e9}`},
		"a bad try":     {`"tries":[]`, `"tries":[{"dish":4,"cooked_at":"2026-01-01T00:00:00Z","document":{},"found":{}}]`},
		"a bad photo":   {`"tries":[]`, `"tries":[],"photos":[{"id":"11111111-1111-4111-8111-111111111111","data":"bm9uZQ=="}]`},
		"other format":  {"cuerda-kept-course/1", "cuerda-kept-course/9"},
		"odd field":     {`"tries":[]`, `"tries":[],"moon":1`},
	} {
		t.Run(name, func(t *testing.T) {
			spoilt := strings.Replace(whole, spoil[0], spoil[1], 1)
			require.NotEqual(t, whole, spoilt)
			_, err := archivetest.Read(zipOf(t, "kitchen.json", good, "courses/1.json", spoilt), foods)
			var bad *archive.Error
			require.ErrorAs(t, err, &bad)
			assert.Equal(t, "courses/1.json", bad.File)
		})
	}
}
