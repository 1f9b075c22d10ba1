package store_test

import (
	"math"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

// cookingOn is a cooking in a kitchen of a new database.
func cookingOn(t *testing.T) (s *store.Store, url, kitchen string, c *store.Course) {
	s, url = pgtest.OpenURL(t)
	kitchen, _, err := s.MadeUp(t.Context(), "club")
	require.NoError(t, err)
	c, err = s.CreateCourse(t.Context(), kitchen, coursePlan("Roots"), tuesday, tuesday)
	require.NoError(t, err)
	return s, url, kitchen, c
}

// Old readings become curves, and the months they lay in are dropped, while a cooking of today keeps every reading.
func TestOldReadingsBecomeCurves(t *testing.T) {
	t.Parallel()
	s, url, k, made := cookingOn(t)
	var all []store.CourseReading
	for i := range 1200 {
		at := tuesday.Add(time.Duration(i) * time.Second)
		all = append(all, store.CourseReading{Source: "p:core", Place: "core", At: at, Celsius: 8 + 60*math.Sin(float64(i)/700)},
			store.CourseReading{Source: "p:oven", Place: "oven", Dish: -1, At: at, Celsius: 180})
	}
	fresh, _, err := s.AddReadings(t.Context(), map[string][]store.CourseReading{made.ID: all})
	require.NoError(t, err)
	require.Equal(t, len(all), fresh)

	thinned, err := s.ThinReadings(t.Context(), time.Now().Add(-time.Hour))
	require.NoError(t, err)
	assert.Zero(t, thinned, "it was begun just now")
	kept, err := s.Readings(t.Context(), made.ID)
	require.NoError(t, err)
	require.Len(t, kept, len(all))

	later := time.Now().AddDate(0, 1, 1)
	var was int
	conn := pgtest.Connect(t, url)
	month := "reading_" + time.Now().UTC().Format("2006_01")
	require.NoError(t, conn.QueryRow(t.Context(), `select count(*) from pg_class where relname = $1`, month).Scan(&was))
	require.Equal(t, 1, was)
	done := make(chan error)
	for range 2 { // two servers at once
		go func() {
			_, err := s.ThinReadings(t.Context(), later)
			done <- err
		}()
	}
	require.NoError(t, <-done)
	require.NoError(t, <-done)
	require.NoError(t, conn.QueryRow(t.Context(), `select count(*) from pg_class where relname = $1`, month).Scan(&was))
	assert.Zero(t, was, "the month is gone")
	kept, err = s.Readings(t.Context(), made.ID)
	require.NoError(t, err)
	perProbe := map[string]int{}
	hottest := 0.0
	for _, r := range kept {
		perProbe[r.Source]++
		hottest = max(hottest, r.Celsius)
	}
	assert.Equal(t, map[string]int{"p:core": store.PointsOfCurve, "p:oven": 2}, perProbe)
	assert.InDelta(t, 180, hottest, 0)
	sparse, err := s.SparseReadings(t.Context(), made.ID, 5000)
	require.NoError(t, err)
	assert.NotEmpty(t, sparse, "what is shown of an old cooking is read of its curves")

	// What comes late of an old cooking is not kept, and a cooking that begins now finds a month again.
	fresh, after, err := s.AddReadings(t.Context(), map[string][]store.CourseReading{made.ID: {{Source: "p:core", Place: "core", At: tuesday.Add(time.Hour), Celsius: 50}}})
	require.NoError(t, err)
	assert.Zero(t, fresh)
	assert.Equal(t, []bool{false}, after[made.ID].Fresh)
	next, err := s.CreateCourse(t.Context(), k, coursePlan("Next"), tuesday, tuesday)
	require.NoError(t, err)
	fresh, _, err = s.AddReadings(t.Context(), map[string][]store.CourseReading{next.ID: all[:10], made.ID: all[:1]})
	require.NoError(t, err)
	assert.Equal(t, 10, fresh)
	require.NoError(t, s.EraseKitchen(t.Context(), k), "with its curves")
}

// The version before this one reads and writes by the names that it knows.
func TestTheVersionBeforeGoesOnBesideThisOne(t *testing.T) {
	t.Parallel()
	s, url, k, made := cookingOn(t)
	conn := pgtest.Connect(t, url)
	_, err := conn.Exec(t.Context(), `select set_config('cuerda.scope', 'server', false)`)
	require.NoError(t, err)
	insert := `insert into course_reading (course_id, source, place, dish, at, celsius, seq)
		select * from unnest($1::uuid[], $2::text[], $3::text[], $4::int[], $5::timestamptz[], $6::float8[], $7::bigint[]) on conflict do nothing returning course_id::text, seq`
	for _, want := range []int64{1, 0} {
		tag, err := conn.Exec(t.Context(), insert, []string{made.ID}, []string{"p:core"}, []string{"core"}, []int32{0}, []time.Time{tuesday}, []float64{21}, []int64{1})
		require.NoError(t, err)
		assert.Equal(t, want, tag.RowsAffected(), "each once")
	}
	kept, err := s.Readings(t.Context(), made.ID)
	require.NoError(t, err)
	assert.Equal(t, []store.CourseReading{{Source: "p:core", Place: "core", At: tuesday, Celsius: 21}}, kept)

	var theirs string
	require.NoError(t, conn.QueryRow(t.Context(), `insert into photo (kitchen_id, media_type, width, height, data) values ($1, 'image/jpeg', 4, 3, 'theirs') returning id::text`, k).Scan(&theirs))
	p, err := s.FindPhoto(t.Context(), k, theirs)
	require.NoError(t, err)
	assert.Equal(t, "theirs", string(p.Data))
	ours := &store.Photo{MediaType: "image/jpeg", Width: 4, Height: 3, Data: []byte("ours")}
	require.NoError(t, s.KeepPhoto(t.Context(), k, ours))
	var data []byte
	require.NoError(t, conn.QueryRow(t.Context(), `select data from photo where kitchen_id = $1 and id = $2`, k, ours.ID).Scan(&data))
	assert.Equal(t, "ours", string(data))
	_, err = conn.Exec(t.Context(), `delete from photo where kitchen_id = $1`, k)
	require.NoError(t, err)
	for _, table := range []string{"picture", "picture_data"} {
		var left int
		require.NoError(t, conn.QueryRow(t.Context(), `select count(*) from `+table).Scan(&left))
		assert.Zero(t, left, table)
	}
}
